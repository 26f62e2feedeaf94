import type { Day } from '../calendar/day.ts'
import { activeEntries, namesProduct, type DiaryEntry } from '../entities/diary.ts'
import type { Job } from '../entities/job.ts'
import type { MaterialLine } from '../materials/materialLine.ts'
import type { JobPlan } from '../plan/jobPlan.ts'
import type { PlannedStep } from '../plan/order.ts'
import { OPERATIONS, type StepKind } from '../reference/operations.ts'
import { WEEDS } from '../reference/walkLists.ts'
import { joined, quantity, say, verbatim, type Message } from '../rules/message.ts'
import { num } from '../trace/figure.ts'
import { zoneOf } from '../trace/scope.ts'
import { stepAmounts } from './dayWork.ts'

/** One product that went down, or will, as the law of most places wants it written down. */
export interface Application {
  id: string
  what: Message
  day: Day
  /** It was recorded; else it is planned, and the lines are filled in by hand. */
  done: boolean
  /** As on the label; '' where nobody has said. */
  product: string
  active: string
  number: string
  where: Message
  /** What it is against; nothing where it is a feed. */
  against: string[]
  rate: Message
  /** As recorded, else as planned by zone. */
  amount: Message
  /** Water it goes out in, and how the tank is filled. */
  water: Message
  /** Days on which nobody walks on it, and what is worn. */
  people: Message
  who: string
  weather: Message
  note: string
}

/** Whether a step is one that a record is kept of: what is sprayed or spread against something, and what is fed. */
const isRecorded = (kind: StepKind) =>
  namesProduct(kind) || OPERATIONS[kind].feeds === true || OPERATIONS[kind].puts?.includes('lime') === true // prettier-ignore

const weatherSaid = (w: DiaryEntry['weather']): Message =>
  w === null
    ? ''
    : joined(
        [
          w.low !== null && w.high !== null && say`${quantity(w.low, 'C')} to ${quantity(w.high, 'C')}`, // prettier-ignore
          w.wind !== null && say`wind to ${quantity(w.wind, '1')} km/h`,
          w.rain !== null && say`rain ${quantity(w.rain, 'rain')}`,
        ],
        ', ',
      )

/**
 * What was put down on the ground of a job, and what is still to be, in the order of its days. What is
 * recorded stands as it was written; what its label says stands beside it.
 */
export function applicationRecord(
  plan: JobPlan,
  job: Pick<Job, 'sprays' | 'lots' | 'zones'>,
  diary: readonly DiaryEntry[],
): Application[] {
  const entries = new Map(activeEntries(diary).map((e) => [e.id, e]))
  const one = (s: PlannedStep, entry: DiaryEntry | null): Application => {
    const zones = plan.zones.filter((z) => s.zones.some((id) => zoneOf(id) === z.id))
    const label = job.sprays.find((x) => x.does === s.kind)
    const line = plan.materials.find((m) => m.spread?.some((x) => x.step === s.kind && s.zones.includes(x.zone))) // prettier-ignore
    const planned = stepAmounts(s, plan, job).filter((a) => a.what === line?.name)
    return {
      id: entry?.id ?? s.id,
      what: s.name,
      day: entry?.date ?? s.chosen,
      done: entry !== null,
      product: entry?.product || label?.product || (line?.kind === 'feed' ? line.of : ''),
      active: label?.active ?? '',
      number: label?.number ?? '',
      where: joined(
        zones.map((z) => {
          const area = z.area === null ? undefined : plan.figures[z.area]
          return area ? say`${verbatim(z.name)} (${quantity(num(area), 'm2')})` : say`${verbatim(z.name)}` // prettier-ignore
        }),
        ', ',
      ),
      against: OPERATIONS[s.kind].sprays
        ? [...new Set(job.zones.filter((z) => zones.some((x) => x.id === z.id)).flatMap((z) => z.weedsSeen.map((w) => WEEDS[w].name)))] // prettier-ignore
        : [],
      rate: label?.rate ? say`${quantity(label.rate, 'mL/m2')}` : rateOf(line, s.kind, plan),
      amount: entry?.amount
        ? say`${verbatim(entry.amount)}`
        : joined(planned.map((a) => say`${verbatim(a.zone)} ${quantity(a.value, a.unit)}`), ', '), // prettier-ignore
      water: OPERATIONS[s.kind].sprays ? (line?.detail ?? '') : '',
      people: joined(
        [line?.people ?? '', label?.waitSow != null && say`no seed for ${quantity(label.waitSow, 'd')}`], // prettier-ignore
        '; ',
      ),
      who: entry?.who ?? '',
      weather: weatherSaid(entry?.weather ?? null),
      note: entry?.note ?? '',
    }
  }
  return plan.steps
    .filter((s) => isRecorded(s.kind))
    .flatMap((s) => {
      const ticks = (plan.ticks[s.id] ?? []).flatMap((id) => entries.get(id) ?? [])
      return ticks.length > 0 ? ticks.map((e) => one(s, e)) : [one(s, null)]
    })
    .sort((a, b) => a.day.localeCompare(b.day))
}

/** The rate of what is fed, out of its figure; nothing where there is none. */
function rateOf(line: MaterialLine | undefined, kind: StepKind, plan: JobPlan): Message {
  const spread = line?.spread?.find((x) => x.step === kind)
  const rate = plan.figures[String(plan.figures[spread?.figure ?? '']?.inputs.rate ?? '')]
  return rate ? say`${rate}` : ''
}
