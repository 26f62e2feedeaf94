import { addDays, dayNumber, daysBetween, type Day } from '../calendar/day.ts'
import type { DayState, Reason } from '../climate/dayReasons.ts'
import { hargreaves, penmanMonteith } from '../climate/evapotranspiration.ts'
import { frostDates } from '../climate/frostOdds.ts'
import { growthPotential, growthValues } from '../climate/growth.ts'
import { FREEZING, KILLING, placeValues, SIMULATED_YEARS } from '../climate/placeYear.ts'
import type { SiteClimate } from '../climate/siteClimate.ts'
import { soilBand } from '../climate/soilBand.ts'
import { oddsValues } from '../climate/sowingOdds.ts'
import { leadOf, leadValues } from '../climate/sowingLines.ts'
import { lastDayToSow, sowingWindow, type Sown } from '../climate/sowingWindow.ts'
import { extraterrestrial } from '../climate/sunEnergy.ts'
import { daysOn, monthOf, MONTH_STARTS, yearDay, YEAR_DAYS } from '../climate/yearDay.ts'
import { weatherLines } from '../schedule/weatherHolds.ts'
import type { Schools } from '../reference/schools.ts'
import type { Trace } from '../trace/trace.ts'
import { rowOdds, YEAR_SOWINGS, type RowOdds, type YearSowing } from './yearOdds.ts'

/** A span of days of the year's page in one state, by index from its first day. */
export interface YearSpan {
  from: number
  to: number
  state: DayState
  reason: Reason
}

/**
 * One line of the page: what is sown, its window, and in how many of a hundred years it succeeds,
 * by day.
 */
export interface YearRow extends YearSowing {
  spans: YearSpan[]
  /** Index of the last day by the rule of weeks; null where no frost ends it. */
  cutOff: number | null
  odds: RowOdds | null
}

/**
 * The year at a place, day by day from the first of the month of its coldest day: everything the
 * page draws. Air and soil °C.
 */
export interface YearPage {
  first: Day
  /** Index of today. */
  today: number
  basis: 'record' | 'normals' | 'rough'
  low: number[]
  high: number[]
  soil: number[]
  /** Eight years in ten the soil lies between. */
  soilBand: { low: number[]; high: number[] }
  /**
   * Share of years, %, that have had a night of −2 °C since the warmest day, or still have one
   * before the next, by day; null in the other half of the year.
   */
  frost: (number | null)[]
  growth: { cool: number[]; warm: number[] }
  /** Rain of each month, mm, and its wet days, January first. */
  rain: { mm: number[]; wetDays: number[] }
  /**
   * Reference evapotranspiration of each month, mm, January first: by Penman–Monteith from usual
   * temperatures, and by Hargreaves beside it.
   */
  evaporation: { monteith: number[]; hargreaves: number[] }
  /**
   * Of each usual month, January first: days too hot for seedlings, nights with frost on the
   * ground, and warmth over 5 °C, °C·d.
   */
  counts: { hotDays: number[]; groundFrosts: number[]; warmth: number[] }
  frostDates: { killing: FrostLine; freezing: FrostLine; last: FrostLine }
  corrected: { height: number; hollow: number; bent: number }
  rows: YearRow[]
}

/** Dates by which one year in ten, five and nine have had a frost; null where fewer ever do. */
export interface FrostLine {
  celsius: number
  tenth: Day | null
  median: Day | null
  ninetieth: Day | null
  years: number
  without: number
}

const tenth = (x: number) => Math.round(x * 10) / 10

/** `elevation` in m. */
export function yearPage(
  climate: SiteClimate,
  elevation: number,
  today: Day,
  schools: Schools,
  trace: Trace,
): YearPage {
  const { place } = climate
  const month = MONTH_STARTS.findLastIndex((from) => from <= place.coldest)
  const begins = MONTH_STARTS[month]!
  const inYear = yearDay(dayNumber(today))
  const since = daysOn(begins, inYear)
  const first = addDays(today, -since)
  const rotated = (of: ArrayLike<number>) =>
    Array.from({ length: YEAR_DAYS }, (_, i) => tenth(of[(begins + i) % YEAR_DAYS]!))
  const growing = trace.values(growthValues)
  const growth = (season: 'cool' | 'warm') =>
    rotated(place.mean.map((t) => 100 * growthPotential(t, season, growing)))
  const { low, high } = soilBand(place)
  const line = (celsius: number, odds: typeof place.firstFrost): FrostLine => {
    const on = (days: number | null) =>
      days === null
        ? null
        : addDays(first, (place.warmest + days - begins + 2 * YEAR_DAYS) % YEAR_DAYS)
    return {
      celsius,
      tenth: on(odds.tenth),
      median: on(odds.median),
      ninetieth: on(odds.ninetieth),
      years: odds.years,
      without: odds.without,
    }
  }
  return {
    first,
    today: since,
    basis: place.basis,
    low: rotated(place.low),
    high: rotated(place.high),
    soil: rotated(place.soil),
    soilBand: { low: rotated(low), high: rotated(high) },
    frost: frostShares(climate, begins),
    growth: { cool: growth('cool'), warm: growth('warm') },
    rain: rainByMonth(climate),
    counts: countsByMonth(climate, trace),
    evaporation: evaporationByMonth(climate, elevation),
    frostDates: {
      killing: line(KILLING, place.firstFrost),
      freezing: line(FREEZING, place.firstLight),
      last: line(KILLING, place.lastFrost),
    },
    corrected: place.corrected,
    rows: YEAR_SOWINGS.map((row) => rowOf(row, climate, { today, first, begins, schools, trace })),
  }
}

function rowOf(
  row: YearSowing,
  climate: SiteClimate,
  {
    today,
    first,
    begins,
    schools,
    trace,
  }: { today: Day; first: Day; begins: number; schools: Schools; trace: Trace },
): YearRow {
  const { id, grasses, kind } = row
  const sown: Sown = {
    parts: grasses.map((grass) => ({ grass, share: 100 / grasses.length })),
    purpose: kind === 'cover' ? 'cover' : 'lawn',
    watered: true,
  }
  const by: Schools = kind === 'dormant' ? { ...schools, late: 'dormant' } : schools
  const window = sowingWindow(sown, climate, by, trace)
  // The window runs from today; the days behind it are those of the next year.
  const since = daysBetween(first, today)
  const spans: YearSpan[] = []
  for (let i = 0; i < YEAR_DAYS; i++) {
    const at = i >= since ? i - since : i - since + YEAR_DAYS
    const whole = { state: window.states[at]!, reason: window.reasons[at]! }
    const { state, reason } =
      kind === 'dormant' && whole.reason !== 'dormant'
        ? { state: 'shut' as const, reason: 'winter' as const }
        : whole
    const open = spans.at(-1)
    if (open && open.state === state && open.reason === reason) open.to = i
    else spans.push({ from: i, to: i, state, reason })
  }
  const lead = grasses
    .map((g) => leadOf(trace.grass(g)))
    .reduce((slow, l) => (trace.value(leadValues[l]) > trace.value(leadValues[slow]) ? l : slow))
  const last =
    climate.frostMonthDay === null || kind === 'dormant'
      ? null
      : lastDayToSow(lead, climate, today, schools.cutOff, trace)
  return {
    id,
    grasses,
    kind,
    spans,
    cutOff: last === null ? null : (daysBetween(first, last) + YEAR_DAYS) % YEAR_DAYS,
    odds: rowOdds(row, climate, begins, schools, trace),
  }
}

/**
 * After the warmest day, the share of years that have frozen; before it, the share that will freeze
 * once more. From the simulated years.
 */
function frostShares({ place }: SiteClimate, begins: number): (number | null)[] {
  const { warmest, toColdest, years } = place
  const firsts = frostDates(years.low, 0, warmest, KILLING).dates.slice(0, SIMULATED_YEARS)
  const lasts = frostDates(years.low, 0, warmest, KILLING, true).dates.slice(0, SIMULATED_YEARS)
  const share = (dates: readonly (number | null)[], test: (since: number) => boolean) =>
    Math.round(
      (100 * dates.filter((since) => since !== null && test(since)).length) / SIMULATED_YEARS,
    )
  return Array.from({ length: YEAR_DAYS }, (_, i) => {
    const after = daysOn(warmest, begins + i)
    return after < toColdest
      ? share(firsts, (since) => since <= after)
      : share(lasts, (since) => since >= after)
  })
}

function evaporationByMonth(
  { place, latitude }: SiteClimate,
  elevation: number,
): YearPage['evaporation'] {
  const [monteith, hargreavesOf] = [new Array<number>(12).fill(0), new Array<number>(12).fill(0)]
  for (let d = 0; d < YEAR_DAYS; d++) {
    const [low, high, month] = [place.low[d]!, place.high[d]!, monthOf(d)]
    const known = {
      vapour: place.air?.vapour[month],
      wind: place.air?.wind[month],
      radiation: place.air?.radiation[month],
    }
    monteith[month]! += penmanMonteith(
      { low, high, ...known },
      { latitude, elevation, coast: false, day: d + 1 },
    )
    hargreavesOf[month]! += hargreaves(low, high, extraterrestrial(latitude, d + 1))
  }
  return { monteith: monteith.map(Math.round), hargreaves: hargreavesOf.map(Math.round) }
}

function rainByMonth({ place }: SiteClimate): { mm: number[]; wetDays: number[] } {
  const [mm, wetDays] = [new Array<number>(12).fill(0), new Array<number>(12).fill(0)]
  for (let i = 0; i < SIMULATED_YEARS * YEAR_DAYS; i++) {
    const month = monthOf(i % YEAR_DAYS)
    mm[month]! += place.years.rain[i]! / SIMULATED_YEARS
    if (place.years.rain[i]! > 0) wetDays[month]! += 1 / SIMULATED_YEARS
  }
  return { mm: mm.map(Math.round), wetDays: wetDays.map(Math.round) }
}

/**
 * Means of a month over the simulated years. Frost lies on the ground on nights a few degrees above
 * it at the screen.
 */
function countsByMonth({ place }: SiteClimate, trace: Trace): YearPage['counts'] {
  const [hotDays, groundFrosts, warmth] = [
    new Array<number>(12).fill(0),
    new Array<number>(12).fill(0),
    new Array<number>(12).fill(0),
  ]
  const [hot, ground, base] = [
    trace.value(placeValues.hotDay),
    trace.value(weatherLines.groundFrost),
    trace.value(oddsValues.growthBase),
  ]
  const { low, high } = place.years
  for (let i = 0; i < SIMULATED_YEARS * YEAR_DAYS; i++) {
    const month = monthOf(i % YEAR_DAYS)
    if (high[i]! >= hot) hotDays[month]!++
    if (low[i]! <= ground) groundFrosts[month]!++
    warmth[month]! += Math.max(0, place.meanYears[i]! - base)
  }
  const mean = (sums: number[]) => sums.map((sum) => Math.round(sum / SIMULATED_YEARS))
  return { hotDays: mean(hotDays), groundFrosts: mean(groundFrosts), warmth: mean(warmth) }
}
