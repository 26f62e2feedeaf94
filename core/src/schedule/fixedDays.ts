import { type Day, addDays, laterDay } from '../calendar/day.ts'
import type { HoldReason } from '../climate/dayReasons.ts'
import type { Held } from '../plan/order.ts'
import { OPERATIONS } from '../reference/operations.ts'
import { drainValues } from '../reference/siteValues.ts'
import { larvaeFrom, type WaitingPeriods, waitsUntil } from '../work/waitingPeriods.ts'
import type { WorkPackage } from '../work/workPackages.ts'
import type { Fixed } from './schedulePackage.ts'
import { stepRef, StepRecords } from './stepRecords.ts'
import { plantsIn, type StepNeed } from './steps.ts'

/** What each waiting period keeps a step for. */
const KEEPS = {
  sow: 'waiting',
  open: 'young-seed',
  dress: 'dressed-lately',
  spray: 'seed-spray',
  moths: 'flight',
} as const

interface FixedBy {
  records: StepRecords
  waits: WaitingPeriods
  /** From this day the cover has stood long enough; null where ground is not held over. */
  coverStands: Day | null
  /** First day after other work of the job that this waits for; null where nothing holds it. */
  after: (need: StepNeed) => Held | null
  /** The day of the walk, and how long sodden ground drains, days by texture. */
  walked: Day
  drains: DrainDays
  /** Days from the peak of a flight of moths to the treatment. */
  afterFlight: number
}

/** Days that sodden ground drains, by texture. */
export type DrainDays = { [K in keyof typeof drainValues]: number }

/** From when ground that was sodden at the walk bears wheels, tines and blades; null where none was. */
function drained(
  pack: WorkPackage,
  { kind, zones }: StepNeed,
  walked: Day,
  drains: DrainDays,
): Day | null {
  const { opens, weather } = OPERATIONS[kind]
  const heavy =
    opens || kind === 'cut-first' || weather === 'opens' || weather === 'wheels' || weather === 'cuts-hard' // prettier-ignore
  if (!heavy) return null
  return pack.zones
    .filter((z) => zones.includes(z.r.id) && z.r.zone.damp === 'wet')
    .reduce<Day | null>((last, { r }) => {
      const texture = r.zone.texture ?? 'loam'
      const days = texture.startsWith('clay')
        ? drains.clay
        : texture === 'sand'
          ? drains.sand
          : drains.loam
      return laterDay(addDays(walked, days), last)
    }, null)
}

export function fixedFor(
  need: StepNeed,
  pack: WorkPackage,
  { records, waits, coverStands, after, walked, drains, afterFlight }: FixedBy,
): Fixed {
  const { kind, zones } = need
  const step = stepRef(need, pack.id)
  const { waitsFor, afterQuickCover } = OPERATIONS[kind]
  const wait =
    waitsFor === 'moths'
      ? larvaeFrom(
          pack.zones.filter((z) => zones.includes(z.r.id)).flatMap((z) => z.r.zone.pests),
          afterFlight,
        )
      : waitsFor
        ? waitsUntil(waits.waits, waitsFor, zones)
        : null
  const again =
    (kind === 'core' || kind === 'scarify') && !plantsIn(pack)
      ? waitsUntil(waits.waits, kind, zones)
      : null
  const holds: (Held | null)[] = [
    waitsFor ? asHold(wait, KEEPS[waitsFor]) : null,
    asHold(again, 'opened-lately'),
    afterQuickCover ? asHold(coverStands, 'cover-stands') : null,
    after(need),
    asHold(drained(pack, need, walked, drains), 'drains'),
  ]
  const last = latestOf(holds)
  return {
    pin: records.pinOf(step),
    done: records.doneOf(step)?.day ?? null,
    notBefore: last?.until ?? null,
    holds: last?.why ?? null,
  }
}

const asHold = (until: Day | null, why: HoldReason): Held | null =>
  until === null ? null : { until, why }

/** What holds a step still; null once its day has come. */
export const heldNow = ({ notBefore, holds }: Fixed, today: Day): Held | null =>
  notBefore && holds && notBefore > today ? { until: notBefore, why: holds } : null

/** Of several holds the one that ends last. */
const latestOf = (holds: readonly (Held | null)[]): Held | null =>
  holds.reduce<Held | null>(
    (last, h) => (h !== null && (last === null || h.until > last.until) ? h : last),
    null,
  )
