import { versionOf, type Versioned } from '../trace/memo.ts'
import { procedure, tradeValues, value } from '../rules/rule.ts'
import { CAUSES, type Cause } from './dayReasons.ts'
import { frostDates } from './frostOdds.ts'
import { KILLING, SIMULATED_YEARS, type PlaceYear } from './placeYear.ts'
import { daysOn, YEAR_DAYS } from './yearDay.ts'

/** When a sowing counts as having succeeded. */
export const oddsValues = tradeValues('odds', {
  longest: value(42, 'd', 'practice', 'Seed that has not come up after so long is lost', [21, 120]),
  heatWeeks: value(8, 'wk', 'model', 'Seedlings of cool grass stand heat after', [4, 16]),
  hotDaysWatered: value(
    8,
    'd',
    'model',
    'Hot days that watered seedlings live through before that',
    [1, 40],
  ),
  hotDaysDry: value(3, 'd', 'model', 'The same without a waterer', [0, 20]),
  growth: value(
    250,
    'Cd',
    'model',
    'Warmth over 5 °C that seedlings need before killing frost',
    [100, 600],
  ),
  begins: value(
    50,
    '%',
    'model',
    'Of the time or warmth wanted before killing frost, with no more than this all seedlings are lost, with all of it none',
    [0, 95],
  ),
  growthBase: value(5, 'C', 'model', 'Warmth for growth counts above', [0, 10]),
  weeds: value(
    35,
    '%',
    'model',
    'Of the spring sowings of cool grass that would stand, weeds and the first summer spoil',
    [0, 90],
  ),
  dryDays: value(21, 'd', 'model', 'Where nobody waters, rain is counted over', [7, 42]),
  winterGreen: value(
    21,
    'd',
    'model',
    'Rye sown for green over the winter stands it from, before killing frost',
    [7, 60],
  ),
  dryRain: value(25, 'rain', 'model', 'and less than this is too dry', [5, 80]),
})
export type OddsValues = { [K in keyof typeof oddsValues]: number }

export const oddsRules = {
  sowing: procedure({
    id: 'odds.sowing',
    key: 'odds',
    stage: 6,
    label: 'Years in a hundred that it succeeds',
    unit: '%',
    standing: 'model',
    says: 'Of a hundred simulated years of this place, those in which seed of that day comes up within {longest}, stands before killing frost (with all of the weeks wanted before it; with fewer in some years only, with {begins} of them or less in none; rye for winter green wants {winterGreen}), and meets no more hot days in its first {heatWeeks} than seedlings bear ({hotDaysWatered} watered, {hotDaysDry} not); of those sown in spring, weeds and the first summer spoil {weeds}; less what a slope without cover, or a bed that is not open, loses. The grass that succeeds least counts.',
    values: oddsValues,
    inputs: { sown: 'date', soil: 'C', cutOff: 'date' },
    steps:
      'each year: warmth of the soil until half is up; the first −2 °C night of its autumn; hot days; rain where nobody waters',
    by: 'climate/sowingOdds: mixOdds',
    check: 'sowingOdds.test.ts',
  }),
  inTime: procedure({
    id: 'odds.in-time',
    key: 'odds-in-time',
    stage: 6,
    label: 'Years in a hundred that it is right by the customer’s date',
    unit: '%',
    standing: 'model',
    says: 'Of the years in which it succeeds, those in which the grass can be used by the customer’s date: the grass that leads takes its usual weeks, the soonest in some years and the latest in others, and where the year’s own soil brings it up later, so much longer.',
    inputs: { sown: 'date', date: 'date', odds: '%' },
    steps: 'each year: the day half is up, and the weeks to light use of the grass that leads',
    by: 'climate/sowingOdds: mixOdds',
    check: 'sowingOdds.test.ts',
  }),
}

const byCause = <T>(of: (cause: Cause) => T) =>
  Object.fromEntries(CAUSES.map((cause) => [cause, of(cause)])) as Record<Cause, T>

/**
 * By day of the year sown: in how many years of a hundred a sowing succeeds, and what fails the
 * others; and over how many years it was tried.
 */
export interface SowingOdds {
  years: number
  succeed: Float32Array
  fails: Record<Cause, Float32Array>
}

export interface SownGrass {
  season: 'cool' | 'warm'
  /** Thermal time to half emergence, °C·d, above a base, °C. */
  thermal: { theta: number; base: number }
  /** Soil it comes up in, °C at the least. */
  least: number
  /** Days wanted between sowing and killing frost. */
  lead: number
  /** Days that half of it takes to come up in good warmth. */
  showing: number
  /** Days from sowing to light use where it shows like that: soonest and latest. */
  toUse: readonly [soonest: number, latest: number]
  /** It leads what is sown: whether that is right in time goes by it. */
  leads: boolean
}

/**
 * Days from sowing to light use of a grass half of which is up so many days after it: in soil that
 * brings it up later than good warmth does, so much later.
 */
export const daysToUse = (
  { showing, toUse: [soonest, latest] }: Pick<SownGrass, 'showing' | 'toUse'>,
  up: number,
): { soonest: number; latest: number } => {
  const late = Math.max(0, Math.floor(up - showing))
  return { soonest: soonest + late, latest: latest + late }
}
export interface OddsBrief {
  watered: boolean
  /** A lawn, that weeds can spoil; a quick cover is not. */
  lawn: boolean
  /**
   * Which of two rules says whether it stands before frost: days from sowing, or warmth after it is
   * up.
   */
  standsBy: 'weeks' | 'degree-days'
  /** Days wanted before killing frost, where they are not the grass’s own. */
  lead?: number
  /** Days from sowing to the date the customer wants it right by. */
  within?: number | null
}

/**
 * A place's simulated years as running sums, so that any span of days is one subtraction. Made once
 * for a place.
 */
export interface PlaceSums extends Versioned {
  growth: Float64Array
  hot: Float64Array
  rain: Float64Array
  /** Soil warmth above a base, by base. */
  warmth: Map<number, Float64Array>
  /**
   * By year, the first killing frost after its warmest day, in days of the simulation; Infinity for
   * none.
   */
  frosts: number[]
}

export function placeSums(place: PlaceYear, v: OddsValues, hotDay: number): PlaceSums {
  const { years, warmest, meanYears } = place
  const { low, high, days } = years
  const frosts = frostDates(low, 0, warmest, KILLING).dates.map((since, year) =>
    since === null ? Infinity : warmest + year * YEAR_DAYS + since,
  )
  const [growth, hot, rain] = [
    new Float64Array(days + 1),
    new Float64Array(days + 1),
    new Float64Array(days + 1),
  ]
  for (let i = 0; i < days; i++) {
    const warm = meanYears[i]! - v.growthBase
    growth[i + 1] = growth[i]! + (warm > 0 ? warm : 0)
    hot[i + 1] = hot[i]! + (high[i]! >= hotDay ? 1 : 0)
    rain[i + 1] = rain[i]! + years.rain[i]!
  }
  const version = versionOf({ place, growthBase: v.growthBase, hotDay })
  return { version, growth, hot, rain, warmth: new Map(), frosts }
}

function warmthOf(
  { soilYears, years }: PlaceYear,
  { warmth }: PlaceSums,
  base: number,
): Float64Array {
  const known = warmth.get(base)
  if (known) return known
  const sum = new Float64Array(years.days + 1)
  for (let i = 0; i < years.days; i++) {
    const warm = soilYears[i]! - base
    sum[i + 1] = sum[i]! + (warm > 0 ? warm : 0)
  }
  warmth.set(base, sum)
  return sum
}

/**
 * The day of the simulation on which seed sown on a day is up: half of it. Halves the days it may
 * take.
 */
function upOn(warmth: Float64Array, sown: number, theta: number, longest: number): number {
  const wanted = warmth[sown]! + theta
  let [before, after] = [sown, Math.min(sown + 1 + longest, warmth.length - 1)]
  if (warmth[after]! < wanted) return Infinity
  while (after - before > 1) {
    const middle = (before + after) >> 1
    if (warmth[middle]! >= wanted) after = middle
    else before = middle
  }
  return after
}

/** Everything one grass is tried with. */
interface Trial {
  place: PlaceYear
  sums: PlaceSums
  grass: SownGrass
  brief: OddsBrief
  v: OddsValues
  warmth: Float64Array
}
const trialOf = (
  place: PlaceYear,
  sums: PlaceSums,
  grass: SownGrass,
  brief: OddsBrief,
  v: OddsValues,
): Trial => ({
  place,
  sums,
  grass,
  brief,
  v,
  warmth: warmthOf(place, sums, grass.thermal.base),
})

/**
 * Where a year lies among all, 0 to 1: evenly spread, and alike at each asking. Each `step` puts them
 * in another order.
 */
const spreadOver = (year: number, step: number): number =>
  (((year * step) % SIMULATED_YEARS) + 0.5) / SIMULATED_YEARS
/** Orders in which frost, weeds and the day it is right by go through the years. */
const [BY_FROST, BY_WEEDS, BY_DAY] = [83, 37, 61]

/** What fails a sowing on a day of the simulation; null where it succeeds. */
function outcome({ place, sums, grass, brief, v, warmth }: Trial, sown: number): Cause | null {
  const { days } = place.years
  const year = Math.floor(sown / YEAR_DAYS)
  const up = upOn(warmth, sown, grass.thermal.theta, v.longest)
  if (up === Infinity) return 'cold'
  // Seed that lies two weeks in soil too cold for it rots or is lost.
  const fortnight = (warmth[Math.min(days, sown + 14)]! - warmth[sown]!) / 14 + grass.thermal.base
  if (fortnight < grass.least) return 'cold'
  const falling = daysOn(place.warmest, sown % YEAR_DAYS) < place.toColdest
  // Sown in the falling half it meets the frost of its own autumn; in the rising half, that of the
  // next.
  const season = Math.floor((sown - place.warmest) / YEAR_DAYS) + (falling ? 0 : 1)
  const frost = sums.frosts[season] ?? Infinity
  if (season >= 0 && frost < Infinity) {
    if (up >= frost) return 'frost'
    const share =
      brief.standsBy === 'weeks' || grass.season === 'warm'
        ? (frost - sown) / (brief.lead ?? grass.lead)
        : (sums.growth[frost]! - sums.growth[up]!) / v.growth
    // Seedlings are not all lost for a day that is wanting: the fewer days, the fewer years.
    if (share < 1 && share <= v.begins / 100 + (1 - v.begins / 100) * spreadOver(year, BY_FROST))
      return 'frost'
  }
  const borne = brief.watered ? v.hotDaysWatered : v.hotDaysDry
  if (
    grass.season === 'cool' &&
    sums.hot[Math.min(days, up + Math.round(v.heatWeeks * 7))]! - sums.hot[sown]! > borne
  )
    return 'heat'
  if (!brief.watered && sums.rain[Math.min(days, sown + v.dryDays)]! - sums.rain[sown]! < v.dryRain)
    return 'dry'
  // Which of the spring sowings weeds spoil is spread evenly over the years.
  const spring = grass.season === 'cool' && brief.lawn && !falling
  if (spring && spreadOver(year, BY_WEEDS) * 100 < v.weeds) return 'weeds'
  return null
}

/** Odds of a sowing on one day of the usual year. */
export interface DayOdds {
  years: number
  succeed: number
  /** Those of them that are right by the customer's date; all where none is named. */
  inTime: number
  fails: Record<Cause, number>
}

function oddsOn(trial: Trial, day: number): DayOdds {
  const odds: DayOdds = { years: SIMULATED_YEARS, succeed: 0, inTime: 0, fails: byCause(() => 0) }
  const { grass, brief, v, warmth } = trial
  for (let year = 0; year < SIMULATED_YEARS; year++) {
    const sown = year * YEAR_DAYS + day
    const cause = outcome(trial, sown)
    if (cause !== null) {
      odds.fails[cause]++
      continue
    }
    odds.succeed++
    const within = brief.within ?? null
    if (within === null) {
      odds.inTime++
      continue
    }
    const up = upOn(warmth, sown, grass.thermal.theta, v.longest) - sown
    const { soonest, latest } = daysToUse(grass, up)
    if (soonest + (latest - soonest) * spreadOver(year, BY_DAY) <= within) odds.inTime++
  }
  return odds
}

/** No sowing is sure: years in a hundred that are told at most. */
const MOST_SURE = 99

/** Odds of sowing a mix on one day of the usual year: those of the grass that succeeds least. */
export function mixOdds(
  place: PlaceYear,
  sums: PlaceSums,
  grasses: readonly SownGrass[],
  day: number,
  brief: OddsBrief,
  v: OddsValues,
): DayOdds {
  const each = grasses.map((grass) => oddsOn(trialOf(place, sums, grass, brief, v), day))
  const least = each.reduce((a, b) => (b.succeed < a.succeed ? b : a))
  return {
    ...least,
    succeed: Math.min(MOST_SURE, least.succeed),
    inTime: Math.min(
      MOST_SURE,
      least.succeed,
      ...each.filter((_, i) => grasses[i]!.leads).map((o) => o.inTime),
    ),
  }
}

/**
 * Odds of a sowing on every day of the year: it comes up, stands before killing frost, lives
 * through the heat of its first weeks, and has rain where nobody waters. Cool grass that comes up
 * between the coldest and the warmest day is not failed by late frosts.
 */
export function sowingOdds(
  place: PlaceYear,
  sums: PlaceSums,
  grass: SownGrass,
  brief: OddsBrief,
  v: OddsValues,
): SowingOdds {
  const trial = trialOf(place, sums, grass, brief, v)
  const days = Array.from({ length: YEAR_DAYS }, (_, day) => oddsOn(trial, day))
  const share = (of: (o: DayOdds) => number) =>
    Float32Array.from(days, (o) => (100 * of(o)) / o.years)
  return {
    years: SIMULATED_YEARS,
    succeed: share((o) => o.succeed),
    fails: byCause((cause) => share((o) => o.fails[cause])),
  }
}

/**
 * A mix succeeds as its slowest wanted grass does: by day, the odds of the one that succeeds least.
 */
export function oddsOfMix(parts: readonly SowingOdds[]): SowingOdds {
  if (parts.length === 1) return parts[0]!
  const worst = Array.from({ length: YEAR_DAYS }, (_, day) =>
    parts.reduce((least, o) => (o.succeed[day]! < least.succeed[day]! ? o : least)),
  )
  return {
    years: parts[0]!.years,
    succeed: Float32Array.from(worst, (o, day) => o.succeed[day]!),
    fails: byCause((cause) => Float32Array.from(worst, (o, day) => o.fails[cause][day]!)),
  }
}

/** Two sets of odds as one, each weighing as many years as it was tried over. */
export function pooledOdds(a: SowingOdds, b: SowingOdds): SowingOdds {
  const years = a.years + b.years
  const mean = (x: Float32Array, y: Float32Array) =>
    x.map((n, i) => (n * a.years + y[i]! * b.years) / years)
  return {
    years,
    succeed: mean(a.succeed, b.succeed),
    fails: byCause((cause) => mean(a.fails[cause], b.fails[cause])),
  }
}

/**
 * How far a count of years in a hundred may be off by chance alone, 95 times in 100: 1.96 √(p (1 −
 * p) ÷ n), in years of a hundred.
 */
export const oddsOffBy = (succeed: number, years: number): number =>
  196 * Math.sqrt(((succeed / 100) * (1 - succeed / 100)) / years)
