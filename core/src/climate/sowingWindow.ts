import { dayNumber, dayOf, nextOn, type Day } from '../calendar/day.ts'
import type { GrassId } from '../reference/grasses.ts'
import type { Schools } from '../reference/schools.ts'
import type { Trace } from '../trace/trace.ts'
import type { DayState, Reason, SeasonName } from './dayReasons.ts'
import { placeValues, type PlaceYear } from './placeYear.ts'
import {
  leadValues,
  liesDormant,
  mixLead,
  WANTED_FROM,
  windowValues,
  type Lead,
} from './sowingLines.ts'
import { oddsValues } from './sowingOdds.ts'
import { daysOn, yearDay, yearDays, YEAR_DAYS } from './yearDay.ts'

export interface SowingWindow {
  /** First day of the arrays. */
  start: Day
  states: DayState[]
  reasons: Reason[]
  /** The season each day belongs to. */
  seasons: SeasonName[]
  /** The last day of the season that today belongs to; past once the frost is near or over. */
  cutOff: Day
  /** What the cut-off goes by, and the days it lies before the frost. */
  lead: Lead
  leadDays: number
}

/** The frosts of a place by season: a season of sowing runs from one coldest day to the next. */
export interface FrostSeason {
  /** Day number of the season's warmest day, and of the coldest after it. */
  warmest: number
  coldest: number
  /**
   * Day number of the frost that its sowing ends by, at the odds of the school; null where most
   * years have none.
   */
  frost: number | null
}

/** Where a season stands: what windows are cut from. */
export interface SeasonGround {
  place: PlaceYear
  /** Median date of the first −2 °C night, "MM-DD"; null where most years have none. */
  frostMonthDay: string | null
  /** Days that one year in ten has frozen before it. */
  frostSpread: number
  /** Soil at 50 mm, °C, by day from `start`. */
  soil: Float64Array
  start: Day
}

/**
 * The season that a day belongs to: the falling half of the year counts with the warmest day behind
 * it, the rising half with the one ahead.
 */
export function seasonAround(
  { place, frostMonthDay, frostSpread }: SeasonGround,
  day: Day,
  school: Schools['cutOff'],
): FrostSeason {
  const number = dayNumber(day)
  const { warmest, toColdest } = place
  const since = daysOn(warmest, yearDay(number))
  const turn = since < toColdest ? number - since : number + YEAR_DAYS - since
  const median = frostMonthDay === null ? null : dayNumber(nextOn(frostMonthDay, dayOf(turn)))
  return {
    warmest: turn,
    coldest: turn + toColdest,
    frost: median === null ? null : median - (school === 'safe' ? frostSpread : 0),
  }
}

/**
 * Last day to sow in a season: the days of the lead before its frost, or the coldest day where
 * there is none.
 */
export const lastDayOf = ({ frost, coldest }: FrostSeason, leadDays: number): number =>
  frost === null ? coldest : frost - leadDays

/** The last day a lead leaves in the season a day belongs to. */
export const lastDayToSow = (
  lead: Lead,
  ground: SeasonGround,
  from: Day,
  school: Schools['cutOff'],
  trace: Trace,
): Day => dayOf(lastDayOf(seasonAround(ground, from, school), trace.value(leadValues[lead])))

/** The schools that a window goes by. */
export type WindowSchools = Pick<Schools, 'cutOff' | 'late' | 'stands' | 'warm'>
export const windowSchools = ({ cutOff, late, stands, warm }: WindowSchools): WindowSchools => ({
  cutOff,
  late,
  stands,
  warm,
})

/** What is sown, and how: it decides which lines a window is cut by. */
export interface Sown {
  parts: readonly { grass: GrassId; share: number }[]
  purpose: 'lawn' | 'cover' | 'winter-green' | 'blend'
  /** The grasses that lead, one a zone: when it looks right goes by them. All where none is named. */
  leads?: readonly GrassId[]
  /** Somebody waters it. */
  watered: boolean
  /** All of it goes over a sward that lives. */
  over?: boolean
  /** Share of sowings that the bed loses, %: slope without cover, ground that nothing opens. */
  bedLoses?: number
}

export type Verdict = readonly [DayState, Reason]

/** Everything that a day is judged by. */
export interface Judged {
  /** Day of the usual year, and day number. */
  d: number
  number: number
  soil: number
  /** Days after the warmest, in the falling half; null in the rising one. */
  after: number | null
  toWarmest: number
  season: FrostSeason
  /** Day number of the season's last day. */
  last: number
}

/**
 * Days that a mix takes to come up, by day of the usual year: thermal time on the usual soil;
 * Infinity where it never adds up in 200 days.
 */
function daysUp({ soil }: PlaceYear, parts: Sown['parts'], trace: Trace): Float64Array {
  const slowest = parts
    .flatMap((p) => trace.grass(p.grass).thermal ?? [])
    .sort((a, b) => b.theta - a.theta)[0] ?? { theta: 100, base: 5 }
  const warmth = (day: number) => Math.max(0, soil[day % YEAR_DAYS]! - slowest.base)
  const up = new Float64Array(YEAR_DAYS)
  // What is up later was never sown sooner: the day it is up only moves on.
  let [sum, end] = [0, 0]
  for (let d = 0; d < YEAR_DAYS; d++) {
    if (end < d) [sum, end] = [0, d]
    while (sum < slowest.theta && end - d < LONGEST_UP) sum += warmth(end++)
    up[d] = sum >= slowest.theta - HAIR ? end - d : Infinity
    sum -= warmth(d)
  }
  return up
}
/** What adding and taking off again may leave, °C·d. */
const HAIR = 1e-9
const LONGEST_UP = 200

/**
 * The last day, days after the warmest, from which the usual warmth after seed is up still reaches
 * a sum by the frost.
 */
export function lastByGrowth(
  { mean, warmest }: PlaceYear,
  up: Float64Array,
  frostAfter: number,
  growth: number,
  base: number,
): number {
  for (let after = frostAfter; after > -200; after--) {
    const d = (warmest + after + 2 * YEAR_DAYS) % YEAR_DAYS
    let sum = 0
    for (let k = Math.ceil(Math.min(LONGEST_UP, up[d]!)); after + k < frostAfter; k++)
      sum += Math.max(0, mean[(d + k) % YEAR_DAYS]! - base)
    if (sum >= growth) return after
  }
  return -200
}

/** What all days of one window are judged by. */
interface Lines {
  place: PlaceYear
  v: { [K in keyof typeof windowValues]: number }
  schools: WindowSchools
  watered: boolean
  /** Soil it comes up in at the least, °C. */
  least: number
  hotDay: number
  /** Hot days that seedlings bear, and the longest seed is waited for, days. */
  heatBorne: number
  longest: number
  /** Days until it is up, by day of the usual year. */
  up: Float64Array
  /** Only grasses that lie dormant well are wanted in it. */
  liesDormant: boolean
  /** Quick grass over a sward that lives: the ground is held whatever comes of the seed. */
  bearsLate: boolean
}

const highOn = (place: PlaceYear, day: number) => place.high[day % YEAR_DAYS]!

/** Whether the usual day is too hot for seedlings now or within the month. */
const isHot = ({ place, hotDay }: Lines, d: number) =>
  [0, 15, 30].some((ahead) => highOn(place, d + ahead) >= hotDay)

/**
 * Hot days expected until seedlings of a day stand heat: until they are up, and eight weeks more.
 */
function hotUntilItStands({ place, up }: Lines, d: number): number {
  const shows = Math.min(28, Math.round(Math.min(LONGEST_UP, up[d]!)))
  return (
    place.hotAhead[d]! +
    place.hotAhead[(d + 28) % YEAR_DAYS]! +
    (place.hotAhead[(d + 56) % YEAR_DAYS]! * shows) / 28
  )
}

/**
 * In high country and by cold seas the year's warmest weeks are the season itself: spring runs on
 * into autumn.
 */
export const hasHighSummer = (
  place: PlaceYear,
  { freshSummer }: Pick<Lines['v'], 'freshSummer'>,
): boolean => place.high[place.warmest]! >= freshSummer

const highSummer = ({ place, watered, v }: Lines): Verdict =>
  watered && place.high[place.warmest]! < v.coolSummer
    ? ['marginal', 'summer']
    : ['shut', 'summer-dry']

function coolInSpring(lines: Lines, { d, soil, toWarmest, season }: Judged): Verdict {
  const { v, least, up, longest, heatBorne } = lines
  if (soil < v.coolFrom || soil < least || up[d]! > longest)
    return ['shut', soil < v.coolLeast ? 'winter' : 'cold']
  if (isHot(lines, d)) return ['shut', 'heat']
  const hot = hotUntilItStands(lines, d)
  if (hot > heatBorne) return ['shut', 'heat-ahead']
  if (toWarmest <= v.beforeWarmest && hasHighSummer(lines.place, v)) return highSummer(lines)
  return season.frost === null && hot < 1 ? ['open', 'good'] : ['marginal', 'spring']
}

function coolInAutumn(
  lines: Lines,
  after: number,
  { d, soil, season, last, number }: Judged,
): Verdict {
  const { v, place, schools, watered, least, liesDormant, bearsLate } = lines
  if (number > last) {
    if (bearsLate && number <= last + v.pastRule && soil >= Math.max(least, v.coolFrom))
      return ['marginal', 'past-rule']
    if (schools.late === 'dormant' && liesDormant && soil < v.dormant)
      return ['marginal', 'dormant']
    if (schools.late === 'after-frosts' && soil >= least) return ['marginal', 'after-frosts']
    return ['shut', season.frost !== null && number > season.frost ? 'winter' : 'frost']
  }
  if (isHot(lines, d)) return ['shut', 'heat']
  // Where the heat lasts into the last weeks before frost, they are all there is.
  if (place.hotAhead[d]! >= v.hotAhead)
    return watered && after >= v.afterWarmest && last - number < v.squeezed
      ? ['marginal', 'squeezed']
      : ['shut', 'heat']
  if (after < v.afterWarmest && hasHighSummer(place, v)) return highSummer(lines)
  if (soil > v.coolMost) return ['shut', 'heat']
  if (soil < least) return ['shut', 'cold']
  if (place.high[d]! >= v.warmAir || soil > v.coolTo)
    return watered ? ['marginal', 'warm'] : ['shut', 'summer-dry']
  return soil >= v.coolFrom ? ['open', 'good'] : ['marginal', 'cold']
}

function warmGrass(
  { v, place, schools, least }: Lines,
  { d, soil, after, season, last, number }: Judged,
): Verdict {
  if (season.frost !== null && number > last) return ['shut', 'frost']
  if (soil < least) return ['shut', after === null || season.frost === null ? 'cold' : 'frost']
  if (season.frost !== null && after !== null && after > v.warmUntil) return ['marginal', 'late']
  if (soil < Math.max(v.warmFrom, least) || place.high[d]! < v.warmDays)
    return [schools.warm === 'early' ? 'open' : 'marginal', 'cool-days']
  return ['open', 'good']
}

function quickCover(
  { v, place, watered, hotDay }: Lines,
  { d, soil, after, last, number }: Judged,
): Verdict {
  if (soil < v.coverLeast) return ['shut', 'winter']
  if (place.high[d]! >= hotDay) return [watered ? 'marginal' : 'shut', 'heat']
  if (after !== null && number > last) return ['marginal', 'after-frosts']
  return soil >= v.coverFrom ? ['open', 'good'] : ['marginal', 'cold']
}

function winterGreen({ v, place }: Lines, { d, soil, after, last, number }: Judged): Verdict {
  if (after === null) return ['shut', 'winter']
  if (number > last) return ['shut', 'frost']
  if (place.low[d]! > v.winterGreenNight) return ['shut', 'nights']
  return soil >= v.coolFrom
    ? ['open', 'good']
    : soil >= v.coolLeast
      ? ['marginal', 'cold']
      : ['shut', 'cold']
}

function judge(lines: Lines, purpose: Sown['purpose'], warm: boolean, day: Judged): Verdict {
  if (purpose === 'cover') return quickCover(lines, day)
  if (purpose === 'winter-green') return winterGreen(lines, day)
  if (warm) return warmGrass(lines, day)
  // Cool grass into living warm turf has autumn alone: in spring the warm turf takes over.
  if (purpose === 'blend' && day.after === null) return ['shut', 'warm-wakes']
  return day.after === null ? coolInSpring(lines, day) : coolInAutumn(lines, day.after, day)
}

/** Open, marginal or shut for sowing, by day, and why, for what is sown. */
export function sowingWindow(
  sown: Sown,
  ground: SeasonGround,
  schools: WindowSchools,
  trace: Trace,
): SowingWindow {
  const { parts, purpose, watered, over = false } = sown
  const { place } = ground
  const v = trace.values(windowValues)
  const odds = trace.values(oddsValues)
  const lead =
    purpose === 'cover'
      ? 'cover'
      : purpose === 'winter-green'
        ? 'winterGreen'
        : mixLead(parts, trace)
  const warm = lead === 'warm'
  const leadDays = trace.value(leadValues[lead])
  const up = daysUp(place, parts, trace)
  const lines: Lines = {
    place,
    v,
    schools,
    watered,
    least: Math.max(
      ...parts.map((p) => trace.grass(p.grass).soilMin ?? (warm ? v.warmLeast : v.coolLeast)),
      -99,
    ),
    hotDay: trace.value(placeValues.hotDay),
    heatBorne: watered ? odds.hotDaysWatered : odds.hotDaysDry,
    longest: odds.longest,
    up,
    liesDormant: parts.every((p) => liesDormant(trace.grass(p.grass)) || p.share < WANTED_FROM),
    bearsLate: over && lead === 'cool',
  }
  const lastOf = (season: FrostSeason) =>
    schools.stands === 'degree-days' &&
    !warm &&
    (purpose === 'lawn' || purpose === 'blend') &&
    season.frost !== null
      ? season.warmest +
        lastByGrowth(place, up, season.frost - season.warmest, odds.growth, odds.growthBase)
      : lastDayOf(season, leadDays)

  const window: SowingWindow = {
    ...cutWindow(ground, schools.cutOff, lastOf, (day) => {
      const [state, reason] = judge(lines, purpose, warm, day)
      return { state, reason, season: seasonName(day, reason, place, v) }
    }),
    lead,
    leadDays,
  }
  if (warm && window.states.every((s) => s === 'shut'))
    window.reasons = window.reasons.map((r) => (r === 'cold' ? 'never' : r))
  return window
}

/**
 * Goes over the days of the soil's reach, each with the season it belongs to, and keeps what each
 * is judged to be.
 */
export function cutWindow(
  ground: SeasonGround,
  school: Schools['cutOff'],
  lastOf: (season: FrostSeason) => number,
  judged: (day: Judged) => { state: DayState; reason: Reason; season: SeasonName },
): Pick<SowingWindow, 'start' | 'states' | 'reasons' | 'seasons' | 'cutOff'> {
  const { start, soil, place } = ground
  const first = dayNumber(start)
  const days = yearDays(first, soil.length)
  let season = seasonAround(ground, start, school)
  let last = lastOf(season)
  const window = {
    start,
    states: [] as DayState[],
    reasons: [] as Reason[],
    seasons: [] as SeasonName[],
    cutOff: dayOf(last),
  }
  for (let i = 0; i < soil.length; i++) {
    const number = first + i
    const d = days[i]!
    if (i > 0 && d === place.coldest) {
      season = seasonAround(ground, dayOf(number), school)
      last = lastOf(season)
    }
    const since = daysOn(place.warmest, d)
    const found = judged({
      d,
      number,
      soil: soil[i]!,
      after: since < place.toColdest ? since : null,
      toWarmest: YEAR_DAYS - since,
      season,
      last,
    })
    window.states.push(found.state)
    window.reasons.push(found.reason)
    window.seasons.push(found.season)
  }
  return window
}

function seasonName(
  { after, toWarmest }: Judged,
  reason: Reason,
  place: PlaceYear,
  v: Lines['v'],
): SeasonName {
  if (reason === 'winter' || reason === 'dormant' || reason === 'after-frosts') return 'winter'
  const summer = hasHighSummer(place, v)
  if (after === null) return summer && toWarmest <= v.beforeWarmest ? 'summer' : 'spring'
  return summer && after < v.afterWarmest ? 'summer' : 'autumn'
}
