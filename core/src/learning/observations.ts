import type { Day } from '../calendar/day.ts'
import { activeEntries, type DiaryEntry } from '../entities/diary.ts'
import type { JobPlan } from '../plan/jobPlan.ts'
import type { PlannedStep } from '../plan/order.ts'
import { sum } from '../quantities/sum.ts'
import type { Unit } from '../quantities/show.ts'
import { GRASSES, type GrassId, type GrassTable } from '../reference/grasses.ts'
import { OPERATIONS } from '../reference/operations.ts'
import { operationValues } from '../reference/operationValues.ts'
import type { TradeValue } from '../rules/rule.ts'
import { seedRules } from '../seed/seedRules.ts'
import { num, type Figure, type InputRef } from '../trace/figure.ts'
import type { FirmValues } from '../trace/trace.ts'

/** What the diary of a job says of one number of the trade, or of the pace of one grass. */
export interface Observation {
  /** Id of the trade value, or `pace.` and a grass. */
  value: string
  unit: Unit
  /** What it came to there. */
  is: number
  /** Names of the zones. */
  where: string
  on: Day
  /** The newest entry it is taken from. */
  entry: string
}

/** Before the id of a grass: warmth that it took, times that of Juvena’s table. */
export const PACE = 'pace.'
export const paceId = (grass: GrassId): string => `${PACE}${grass}`

/** At least so much of the hours of a step was its work, however long setting up is said to take. */
const LEAST_WORK = 0.5

type Planned = Pick<JobPlan, 'figures' | 'firmValues' | 'zones' | 'steps' | 'ticks' | 'follow' | 'packages'> // prettier-ignore

/**
 * What a job’s diary says of the firm’s own numbers: hours that were written beside a tick (rates of
 * work, setting up), seedlings counted in frames (the share of live seed that became plants, the
 * pace of a grass). `grasses` is the table the job was planned with.
 */
export function observationsOf(
  plan: Planned,
  diary: readonly DiaryEntry[],
  grasses: GrassTable,
): Observation[] {
  return [
    ...plan.steps.flatMap((step) => ofWork(step, plan, diary)),
    ...ofSeed(plan, diary),
    ...ofPace(plan, diary, grasses),
  ]
}

const isList = (input: InputRef): input is readonly string[] => Array.isArray(input)
const numbersOf = (input: InputRef | undefined, figures: Planned['figures']): number[] => {
  if (input === undefined) return []
  if (typeof input === 'string') return figures[input] ? [num(figures[input])] : []
  if (isList(input)) return input.flatMap((id) => (figures[id] ? [num(figures[id])] : []))
  return 'values' in input ? input.values.map(Number) : [Number(input.value)]
}

/** The number among some that a plan went by, the firm’s own laid over. */
const wentBy = (
  is: number,
  values: readonly (TradeValue | null | undefined)[],
  own: FirmValues,
): TradeValue | null =>
  values.find((v) => v && Math.abs((own[v.id] ?? v.is) - is) <= 1e-9 * Math.abs(is)) ?? null

/** Rates of work from the hours of a step: of all its ticks together, once they cover its zones. */
function ofWork(step: PlannedStep, plan: Planned, diary: readonly DiaryEntry[]): Observation[] {
  const ids = plan.ticks[step.id] ?? []
  const ticks = activeEntries(diary).filter((e) => ids.includes(e.id))
  if (ticks.length === 0 || ticks.some((e) => e.hours === null)) return []
  const covered = new Set(ticks.flatMap((e) => e.stepZones))
  if (covered.size > 0 && step.zones.some((z) => !covered.has(z))) return []
  const hours = sum(ticks.map((e) => e.hours ?? 0))
  const { rate, tools, setUp } = OPERATIONS[step.kind]
  const { inputs } = plan.figures[step.hours.id] ?? step.hours
  const one = (name: string) => numbersOf(inputs[name], plan.figures)[0] ?? 0
  const found = (value: TradeValue | null, is: number): Observation[] =>
    value && Number.isFinite(is) && is > 0
      ? [
          {
            value: value.id,
            unit: value.unit,
            is,
            where: namesOf(step.zones, plan),
            on: ticks.map((e) => e.date).sort().at(-1)!, // prettier-ignore
            entry: ticks.at(-1)!.id,
          },
        ]
      : []
  if (inputs.rate === undefined) return found(setUp, hours)
  const work = Math.max(hours - one('setUp'), hours * LEAST_WORK)
  const used = one('rate')
  const passes = numbersOf(inputs.passes, plan.figures)
  const ground = numbersOf(inputs.zones ?? inputs.lengths, plan.figures).reduce(
    (all, area, i) => all + area * (passes[i] ?? 1),
    0,
  )
  const spreading = one('spreading')
  if (spreading === 0)
    return found(wentBy(used, [rate, ...Object.values(tools ?? {}).map((t) => t.rate)], plan.firmValues), ground / work) // prettier-ignore
  // Soil is moved and worked in: what is over the working in was the moving.
  const moving = Math.max(work - ground / used, work * LEAST_WORK)
  const byMachine = spreadByMachine(step, plan)
  const moved = operationValues[byMachine ? 'machine' : 'shovel']
  return found(moved, (spreading * (plan.firmValues[moved.id] ?? moved.is)) / moving)
}

/** Whether the soil of a step is moved by machine: its hours went by that rate. */
function spreadByMachine(step: PlannedStep, plan: Planned): boolean {
  return plan.zones.some(
    (z) =>
      step.zones.includes(z.id) &&
      z.rungs.some((r) => r.operation === step.kind && r.tool === 'machine'),
  )
}

const namesOf = (zones: readonly string[], plan: Planned): string =>
  plan.zones
    .filter((z) => zones.includes(z.id))
    .map((z) => z.name)
    .join(', ')

const dayOfFigure = (figure: Figure | null): Day | null =>
  typeof figure?.value === 'string' ? figure.value : null

/** The share of live seed that stood as plants, by how the ground was opened: once it may be judged. */
function ofSeed(plan: Planned, diary: readonly DiaryEntry[]): Observation[] {
  return plan.zones.flatMap((zone) => {
    const { seed } = zone
    const pack = plan.packages.find((p) => (p.zones as string[]).includes(zone.id))
    const follow = plan.follow.packages.find((f) => f.workPackage === pack?.id)
    const judged = dayOfFigure(follow?.judge ?? null)
    if (!seed || !follow || judged === null || num(seed.live) <= 0) return []
    const counts = activeEntries(diary).filter((e) => e.counted && e.zone === zone.id && e.date >= judged) // prettier-ignore
    const newest = counts.sort((a, b) => a.date.localeCompare(b.date)).at(-1)
    const contact = wentBy(num(seed.contact), Object.values(seedRules.contact.values), plan.firmValues) // prettier-ignore
    if (!newest?.counted || !contact) return []
    const { plants, side } = newest.counted
    const perCm2 = sum(plants) / (plants.length * 1e4 * side * side)
    const is = (100 * perCm2) / num(seed.live)
    return is > 0
      ? [{ value: contact.id, unit: contact.unit, is, where: zone.name, on: newest.date, entry: newest.id }] // prettier-ignore
      : []
  })
}

/** How much warmth the one grass of a sowing took, times that of Juvena’s table. */
function ofPace(plan: Planned, diary: readonly DiaryEntry[], grasses: GrassTable): Observation[] {
  return plan.follow.packages.flatMap((follow) => {
    const pack = plan.packages.find((p) => p.id === follow.workPackage)
    const zones = plan.zones.filter((z) => (pack?.zones as string[] | undefined)?.includes(z.id))
    const mixes = [...new Set(zones.flatMap((z) => z.seed?.mix.map((m) => m.grass) ?? []))]
    const [grass] = mixes
    const used = grass === undefined ? null : grasses[grass]
    const table = used ? (GRASSES[used.of ?? used.id] ?? used) : null
    if (!follow.pace || mixes.length !== 1 || !grass || !used?.thermal || !table?.thermal) return []
    const counts = activeEntries(diary).filter((e) => e.counted && zones.some((z) => z.id === e.zone) && e.date >= follow.sown) // prettier-ignore
    const newest = counts.sort((a, b) => a.date.localeCompare(b.date)).at(-1)
    if (!newest) return []
    return [
      {
        value: paceId(grass),
        unit: '1' as const,
        is: (num(follow.pace) * used.thermal.theta) / table.thermal.theta,
        where: zones.map((z) => z.name).join(', '),
        on: newest.date,
        entry: newest.id,
      },
    ]
  })
}
