import type { Job } from '../../entities/job.ts'
import type { TakeKnown } from './judgeTake.ts'

/** Facts about a failed sowing, as far as they are known; null or left out where they are not. */
export interface TakeFacts {
  /** Germination that a lot shows now against its label, 0 to 1; and whether its test is old. */
  lot: { worth: number | null; old: boolean } | null
  /** Of the warmth that brings up half of the slowest grass, what has been there, 0 up. */
  warmth: number | null
  /** The same of the warmth it had while moist; null where nobody knows how it was watered. */
  moist: number | null
  /** Hours it lay dry without a break after it had swollen. */
  dryHours: number | null
  /** Days that were logged, and of them watered. */
  log: { logged: number; watered: number } | null
  /** Seed and cover together lie so deep, and may at most, mm. */
  depth: { lies: number; bears: number } | null
  /** It was sown before a wait was over; null where no weedkiller is noted. */
  withinWait: boolean | null
  /** The most rain of a day since, mm. */
  burst: number | null
  opened: boolean | null
  /** A mow, roller or wheels are ticked before the seedlings’ own day. */
  mownSoon: boolean | null
  /** The hottest day since, °C. */
  hottest: number | null
  sun: { hours: number; least: number } | null
  penetration: Job['zones'][number]['penetration']
  ponding: number | null
  dogs: boolean | null
  pests: boolean | null
}

/** Lines that facts are held against. */
export interface TakeLines {
  bears: number
  burst: number
  hot: number
  pondingFrom: number
}

/** Share of the label under which a lot’s test is low. */
const LOW_TEST = 0.8
/** The fewest logged days that say how it was watered. */
export const LEAST_LOGGED = 3

/** What Juvena knows of a failure without being asked, as answers to its own questions. */
export function knownOf(f: TakeFacts, lines: TakeLines): TakeKnown {
  const known: TakeKnown = {}
  if (f.lot && (f.lot.worth !== null || f.lot.old))
    known.lot = f.lot.worth !== null && f.lot.worth < LOW_TEST ? 'weak' : f.lot.old ? 'aged' : 'good' // prettier-ignore
  if (f.warmth !== null) known.warmth = f.warmth >= 1 ? 'enough' : 'not-yet'
  if (f.moist !== null && f.warmth !== null && f.warmth >= 1)
    known.moist = f.moist >= 1 ? 'enough' : 'short'
  if (f.dryHours !== null)
    known.dry = f.dryHours > 24 ? 'long' : f.dryHours > lines.bears ? 'some' : 'none'
  if (f.log && f.log.logged >= LEAST_LOGGED) {
    const share = f.log.watered / f.log.logged
    known.water = share >= 0.85 ? 'kept' : share >= 0.3 ? 'half' : 'hardly'
  }
  if (f.depth) known.depth = f.depth.lies > f.depth.bears + 0.5 ? 'over' : 'within'
  if (f.withinWait !== null) known.wait = f.withinWait ? 'within' : 'clear'
  if (f.burst !== null) known.burst = f.burst >= lines.burst ? 'yes' : 'no'
  if (f.opened !== null) known.bed = f.opened ? 'open' : 'shut'
  if (f.mownSoon !== null) known.mown = f.mownSoon ? 'soon' : 'after'
  if (f.hottest !== null) known.heat = f.hottest >= lines.hot ? 'yes' : 'no'
  if (f.sun) known.sun = f.sun.hours < f.sun.least ? 'little' : 'enough'
  if (f.penetration !== null) known.firm = f.penetration === 'stops' ? 'packed' : 'open'
  if (f.ponding !== null) known.stands = f.ponding > lines.pondingFrom ? 'yes' : 'no'
  if (f.dogs !== null) known.dog = f.dogs ? 'yes' : 'no'
  if (f.pests !== null) known.pest = f.pests ? 'yes' : 'no'
  return known
}
