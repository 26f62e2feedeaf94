import type { Day } from '../../calendar/day.ts'
import type { PlaceYear } from '../../climate/placeYear.ts'
import type { Job } from '../../entities/job.ts'
import type { Grass } from '../../reference/grasses.ts'
import type { Level } from '../../reference/grassTraits.ts'
import type { Sowing } from '../../reference/lists.ts'
import type { Schools } from '../../reference/schools.ts'
import { quantity, say, type Message } from '../../rules/message.ts'
import { tradeValues, value, type TradeValue } from '../../rules/rule.ts'
import { isSmall } from '../../work/ground.ts'
import { livesThere } from '../../findings/findingAsks.ts'
import { lightLines, lightTrust } from '../../reference/siteValues.ts'
import { num } from '../../trace/figure.ts'
import type { Trace } from '../../trace/trace.ts'
import type { ZoneReadings } from '../../walkover/zoneReadings.ts'

/**
 * Where the parts of the fit bend. Juvena's model throughout, but for the lines it takes from the
 * trade.
 */
export const fitNumbers = tradeValues('fit', {
  justEnough: value(60, '%', 'model', 'Just enough sun is worth', [0, 100]),
  cutDies: value(
    70,
    '%',
    'model',
    'Cut below this share of its lowest, a grass dies out',
    [30, 95],
  ),
  shortGrass: value(25, 'mm', 'practice', 'A grass of greens is for cuts up to', [10, 40]),
  cutTooHigh: value(
    1.2,
    '1',
    'model',
    'and above this many times its own highest it is no lawn',
    [1, 5],
  ),
  renewedSun: value(
    2,
    'h',
    'practice',
    'One school sows shade ryegrass down to this much sun and renews it yearly',
    [0.5, 4],
  ),
  hotFrom: value(
    26,
    'C',
    'model',
    'Heat begins to tell where the usual summer day reaches',
    [20, 34],
  ),
  hotTo: value(36, 'C', 'model', 'and tells in full at', [28, 45]),
  coldFrom: value(
    -2,
    'C',
    'model',
    'Cold begins to tell where the usual winter night falls to',
    [-15, 8],
  ),
  coldTo: value(-20, 'C', 'model', 'and tells in full at', [-40, -5]),
  coarse: value(1.6, '1', 'model', 'A leaf so many times as broad stands out', [1.1, 4]),
  bearsLow: value(10, '%', 'model', 'A grass that bears little bears', [0, 100]),
  bearsLowMid: value(35, '%', 'model', 'one between little and middling', [0, 100]),
  bearsMid: value(60, '%', 'model', 'a middling one', [0, 100]),
  bearsHigh: value(100, '%', 'model', 'and one that bears much', [0, 100]),
  wearLow: value(10, '%', 'model', 'Feet now and then ask for so much', [0, 100]),
  wearMid: value(60, '%', 'model', 'a family', [0, 100]),
  wearHigh: value(100, '%', 'model', 'and play', [0, 100]),
  dryAlways: value(20, '%', 'model', 'Any ground asks a grass to stand drought by', [0, 100]),
  drySand: value(35, '%', 'model', 'sand by as much more', [0, 100]),
  drySteep: value(25, '%', 'model', 'a slope', [0, 100]),
  dryUnwatered: value(40, '%', 'model', 'and a lawn that nobody waters', [0, 100]),
  salted: value(
    1.5,
    '1',
    'model',
    'Salt counts what a grass bears too little of so many times',
    [1, 4],
  ),
  wetDamp: value(
    60,
    '%',
    'model',
    'Ground that stays wet asks for so much, where it ponds for all',
    [0, 100],
  ),
  sameKind: value(60, '%', 'model', 'A grass of the kind that is there matches by', [0, 100]),
  bunch: value(70, '%', 'model', 'A grass in bunches mends by', [0, 100]),
  mostThatch: value(
    90,
    '%',
    'model',
    'A mat that is deep already asks for little thatch by',
    [0, 100],
  ),
  soonest: value(6, 'wk', 'model', 'A grass bears use soonest after', [2, 12]),
  latest: value(26, 'wk', 'model', 'and as late as counts after', [12, 60]),
})

export type FitNumbers = { [K in keyof typeof fitNumbers]: number }

/** What grasses are held against. Whatever is not read drops out for all of them alike. */
export interface FitGround {
  r: ZoneReadings
  job: Pick<Job, 'aims' | 'watering' | 'waterer'>
  schools: Schools
  season: 'cool' | 'warm'
  sowing: Sowing
  place: Pick<PlaceYear, 'low' | 'high' | 'warmest' | 'coldest'>
  sowingFrom: Day
  /** The last day a slow grass may be sown; null where it does not matter. */
  lastSowing: (grass: Grass) => Day | null
  /** Whether what is sown lies until spring: by the school, once the last day has passed. */
  untilSpring: boolean
  /** Whether every day from the first that seed could go down to the last one of a grass is shut. */
  shutToLast: (grass: Grass, last: Day) => boolean
  /** Years in a hundred in which a grass sown on the day of sowing succeeds. */
  oddsNow: (grass: Grass) => number
  /** Whether a grass is too slow for the season ahead while quicker ones would stand. */
  tooSlow: (grass: Grass) => boolean
  trace: Trace
}

/** One part of the fit: what it is called, how far it counts, and how it rates a grass. */
export interface FitPartRecord {
  id: string
  name: string
  weight: TradeValue
  /**
   * 0 to 100, with words that are put together only where they are shown; null where nothing was
   * read.
   */
  judge: (
    grass: Grass,
    ground: FitGround,
    v: FitNumbers,
  ) => { rating: number; says: () => Message } | null
}

export const clamp = (x: number): number => Math.min(1, Math.max(0, x))
/** Percent as a share of one. */
export const share = (percent: number): number => percent / 100
const BEARS = {
  low: 'bearsLow',
  'low-mid': 'bearsLowMid',
  mid: 'bearsMid',
  high: 'bearsHigh',
} as const
/** What a level of a trait bears, 0 to 1. */
export const bears = (level: Level, v: FitNumbers): number => share(v[BEARS[level]])
/** 100 where it bears what is asked (0 to 1), less by each step it falls short. */
export const rated = (asked: number, level: Level, v: FitNumbers): number =>
  100 * (1 - Math.max(0, asked - bears(level, v)))

/** A patch within a lawn: spots that are mended, or ground too small for a machine. */
export const isPatch = ({ r, sowing, trace }: Pick<FitGround, 'r' | 'sowing' | 'trace'>): boolean =>
  sowing === 'spots' || isSmall(r, trace)

/** What a grass needs of sun, h, beside what it gets. */
export const needsSun = (least: number, { sun }: Pick<ZoneReadings, 'sun'>): Message =>
  say`it needs ${quantity(least, 'h')} of sun; here it gets ${sun}`

/** The grass that the owner wants, or one that stands there. */
export const isOfThePlace = (
  { id }: Pick<Grass, 'id'>,
  { target, present }: Pick<ZoneReadings, 'target' | 'present'>,
): boolean => id === target?.id || present.some((p) => p.id === id)

/** The least sun a grass is at home in, by the school of shade. */
export function leastSun(
  grass: Grass,
  schools: Pick<Schools, 'shade'>,
  renewedSun: number,
): number {
  return schools.shade === 'renewed' && grass.onlyFor === 'shade'
    ? Math.min(grass.sunLeast, renewedSun)
    : grass.sunLeast
}

/**
 * Whether a zone is too dark for a grass. Not where it covers so much that it lives there; and where
 * even the grass that bears most shade just misses its light, a reading may be that far out.
 */
export function tooDark(
  grass: Grass,
  { r, schools, trace }: Pick<FitGround, 'r' | 'schools' | 'trace'>,
  renewedSun: number,
): boolean {
  const least = leastSun(grass, schools, renewedSun)
  if (num(r.sun) >= least) return false
  if (livesThere(r, trace) && r.present.some((p) => p.id === grass.id)) return false
  const { shade } = trace.values(lightLines)
  const margin = least <= shade ? trace.value(lightTrust.reading) : 0
  return num(r.sun) < least - margin
}

export function joinedCauses(says: string, causes: readonly (string | false)[]): Message {
  return say`${says}: ${causes.filter((c): c is string => c !== false).join(', ')}`
}
