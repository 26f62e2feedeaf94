import { addDays, type Day } from '../calendar/day.ts'
import type { Firm } from '../entities/firm.ts'
import type { Machine } from '../entities/prices.ts'
import type { JobPlan } from '../plan/jobPlan.ts'
import type { PlannedStep } from '../plan/order.ts'
import { joined, type Message } from '../rules/message.ts'
import { num } from '../trace/figure.ts'
import { zoneOf } from '../trace/scope.ts'
import type { Hire } from './hire.ts'

/** The firm’s machines that some steps want, each with its steps. */
export function machineSteps(
  ours: readonly PlannedStep[],
  { zones }: Pick<JobPlan, 'zones'>,
  { prices }: Pick<Firm, 'prices'>,
): [Machine, PlannedStep[]][] {
  const tools = new Map(zones.flatMap((z) => z.rungs.map((r) => [`${z.id} ${r.operation}`, r.tool] as const))) // prettier-ignore
  return prices.machines.flatMap((m): [Machine, PlannedStep[]][] => {
    const steps = ours.filter(
      (s) =>
        s.kind === m.does &&
        (m.tool === '' || s.zones.some((z) => tools.get(`${zoneOf(z)} ${s.kind}`) === m.tool)) &&
        num(s.hours) > 0,
    )
    return steps.length > 0 ? [[m, steps]] : []
  })
}

/** Hours by the clock on each day on which some steps are done. */
export function daysUsed(steps: readonly PlannedStep[]): { day: Day; hours: number }[] {
  const by = new Map<Day, number>()
  for (const s of steps)
    for (let i = 0; i < s.span; i++) {
      const day = addDays(s.chosen, i)
      by.set(day, (by.get(day) ?? 0) + num(s.hours) / s.span)
    }
  return [...by].map(([day, hours]) => ({ day, hours }))
}

const several = (n: number, one: string, many: string) => (n === 0 ? null : `${n} ${n === 1 ? one : many}`) // prettier-ignore
/** “2 half days, 1 day”. */
export const hireSaid = ({ halves, days, weekends }: Hire): Message =>
  joined([several(halves, 'half day', 'half days'), several(days, 'day', 'days'), several(weekends, 'weekend', 'weekends')], ', ') // prettier-ignore
