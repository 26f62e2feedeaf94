import type { Observation } from '@juvena/core/learning/observations'
import { isBehind } from '@juvena/core/plan/stepState'
import type { PlannedJob } from '../threads/planForSeason.ts'

/** What a day asks of a job: its steps, those that are still open, and their hours by heads. */
interface DayOfJob {
  day: string
  steps: number
  open: number
  crewHours: number
}
/**
 * A job's plan as the season stores it: JSON text, made where the job is planned, so that the
 * thread that answers everyone neither copies nor writes out what it only puts down.
 */
export interface KeptPlan {
  sowDay: string | null
  fromShelf: boolean
  /** Its columns; null where there is nothing to keep. */
  parts: Record<'row' | 'rules', string> &
    Record<'work' | 'seed' | 'orders' | 'machines', string | null>
  /** The days with work or water, as JSON: `DayOfJob[]`. */
  days: string
  observed: Observation[]
}

const unlessEmpty = (of: readonly unknown[]) => (of.length > 0 ? JSON.stringify(of) : null)

export function keptPlan({
  row,
  work,
  seed,
  orders,
  machines,
  observed,
  rules,
  fromShelf,
}: PlannedJob): KeptPlan {
  return {
    sowDay: row.sowDay,
    fromShelf,
    parts: {
      row: JSON.stringify(row),
      work: work && JSON.stringify(work),
      seed: unlessEmpty(seed),
      orders: unlessEmpty(orders),
      machines: unlessEmpty(machines),
      rules: JSON.stringify(rules),
    },
    days: JSON.stringify(daysOf({ row, work })),
    observed,
  }
}

function daysOf({ row, work }: Pick<PlannedJob, 'row' | 'work'>): DayOfJob[] {
  const days = new Map<string, DayOfJob>()
  const on = (day: string): DayOfJob => {
    const known = days.get(day) ?? { day, steps: 0, open: 0, crewHours: 0 }
    days.set(day, known)
    return known
  }
  for (const { day, hours, people, ...step } of row.steps) {
    const counts = on(day)
    const open = isBehind(step) ? 0 : 1
    counts.steps++
    counts.open += open
    counts.crewHours += open * hours * people
  }
  // A job that is watered that day is on the day's page, without a step of its own.
  for (const { day } of work?.water ?? []) on(day)
  return [...days.values()]
}
