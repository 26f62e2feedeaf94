import type { AirByMonth } from './airByMonth.ts'
import { versionOf, type Versioned } from '../trace/memo.ts'
import { tradeValues, value } from '../rules/rule.ts'
import { modelFromNormals, type ClimateModel, type DailyWeather } from './climateModel.ts'
import { frostDates, frostOdds, type FrostDates, type FrostOdds } from './frostOdds.ts'
import { chanceOf, simulate, type Chance, type SimulatedYears } from './generator.ts'
import { roughNormals, type Normals, type RoughClimate } from './normals.ts'
import { soilFromAir, yearOfSoil, type FittedSoil, type SoilFollows } from './soilTemperature.ts'
import { dailyCurve, daysOn, ofMonthDay, YEAR_DAYS } from './yearDay.ts'

/**
 * What is known of a weather station: all a plan needs of its record, small enough to send to a
 * page.
 */
interface OfStation {
  station: {
    id: string
    name: string
    latitude: number
    longitude: number
    elevation: number
    simulated: boolean
  }
  /** First nights at −2 °C and at 0 °C by year, from the record; and the last at −2 °C. */
  frost: { first: FrostDates; firstLight: FrostDates; last: FrostDates } | null
  soil: FittedSoil | null
  /** Moisture, wind and sun of its months, where the record has them. */
  air: AirByMonth | null
  record: { from: string; to: string; days: number; missing: number } | null
}
/** A climate of its own record; or normals, of which a plan makes one by the firm's numbers. */
export type StationClimate = OfStation &
  ({ basis: 'record'; model: ClimateModel } | { basis: 'normals'; normals: Normals })

/** Nights that count as frost, °C at screen height. */
export const KILLING = -2
export const FREEZING = 0

/** Years a place is simulated for. */
export const SIMULATED_YEARS = 100

export const placeValues = tradeValues('place', {
  hollow: value(2, 'C', 'practice', 'Nights in a hollow are colder by', [0.5, 5]),
  hotWork: value(
    28,
    'C',
    'model',
    'Work in the sun asks for care where the usual day is',
    [22, 40],
  ),
  hotDay: value(32, 'C', 'practice', 'A day too hot for seedlings of cool grass', [28, 38]),
})

export interface PlaceBrief {
  latitude: number
  /** Height of the site above the sea, m; null where not given. */
  elevation: number | null
  /** Distance from the sea, km; null where not given. */
  sea: number | null
  hollow: boolean
  /** Median date of the first −2 °C night as the contractor gives it, "MM-DD". */
  frost: string | null
  station: StationClimate | null
}

/**
 * The usual year of a place, by day of the year, and a hundred years of its weather. Air and soil
 * in °C.
 */
export interface PlaceYear extends Versioned {
  basis: 'record' | 'normals' | 'rough'
  low: Float64Array
  high: Float64Array
  mean: Float64Array
  soil: Float64Array
  soilFollows: SoilFollows
  warmest: number
  coldest: number
  /** Days from the warmest on to the coldest: the falling half of the year. */
  toColdest: number
  /** First −2 °C night, days since the warmest day; and 0 °C; and the last −2 °C night. */
  firstFrost: FrostOdds
  firstLight: FrostOdds
  lastFrost: FrostOdds
  /** Whether the frost odds come from years on record. */
  frostOnRecord: boolean
  /** What the station's record knows of its months beside temperature and rain. */
  air: AirByMonth | null
  years: SimulatedYears
  /** The mean air of each simulated day, °C: a typed frost date moves it less than its night. */
  meanYears: Float64Array
  soilYears: Float64Array
  /** Days expected at 32 °C or more in the four weeks from each day. */
  hotAhead: Float64Array
  /**
   * What was taken off for height and hollow, and what nights were bent by to agree with the frost
   * given, °C.
   */
  corrected: { height: number; hollow: number; bent: number }
}

const modelOf = (station: StationClimate, v: DailyWeather): ClimateModel =>
  station.basis === 'record' ? station.model : modelFromNormals(station.normals, v)

const someYears = (hundred: number): Chance =>
  chanceOf((SIMULATED_YEARS + 2) * YEAR_DAYS, 1 + hundred)
let standardChance: Chance | null = null
/**
 * The same hundred years of chance for every place: days and grasses are compared over the same
 * weather. Two more years, to look ahead into. Another hundred is drawn anew.
 */
const chance = (hundred: number): Chance =>
  hundred === 0 ? (standardChance ??= someYears(0)) : someYears(hundred)

const shifted = (model: ClimateModel, low: number, high: number): ClimateModel => ({
  ...model,
  low: model.low.map((x) => x + low),
  high: model.high.map((x) => x + high),
})

/** A typed frost date moves the means of a place without a record by so much at most, °C. */
const MEAN_MOVES = 1
/** How fast the bending of nights fades from the frosts towards summer, days. */
const FADES = 35

/**
 * By day, what is taken off a night for each °C that a climate is bent by. A station's nights are
 * colder the whole year: it lies in a hollow, or it does not. Of a place without a record nothing is
 * known but that frost comes sooner or later: its nights are bent from the first frost (`target`) to
 * the last, fading towards summer.
 */
function bendingOf(station: boolean, warmest: number, target: number): Float64Array {
  if (station) return new Float64Array(YEAR_DAYS).fill(1)
  const toFrost = daysOn(warmest, target)
  // Days from the warmest to the frost, or from the last frost to the next warmest, whichever is less.
  return Float64Array.from({ length: YEAR_DAYS }, (_, d) => {
    const since = daysOn(warmest, d)
    const near = Math.min(since, YEAR_DAYS - since)
    const short = Math.max(0, Math.min(toFrost, YEAR_DAYS / 2) - near)
    return Math.max(0.02, Math.exp(-0.5 * (short / FADES) ** 2))
  })
}

/**
 * What the mean of a day moves by, °C, where its night moves by `night`: half of that, and of a
 * place without a record `MEAN_MOVES` at most.
 */
const meanMoves = (night: number, station: boolean): number =>
  station ? night / 2 : Math.max(-MEAN_MOVES, Math.min(MEAN_MOVES, night / 2))
/** A day stays so far over a night that is bent warmer, °C. */
const LEAST_RANGE = 2

/**
 * What a day’s hottest hour moves by, °C. Nights that are warmer than the latitude has them come
 * with milder days, as by the sea: what the mean does not move, the day does the other way. Colder
 * nights say nothing of hotter days.
 */
const dayMoves = (night: number, station: boolean): number =>
  station || night > 0 ? 0 : 2 * meanMoves(night, station) - night

/**
 * °C to take off, weighted by day, so that half the years have had a killing frost by a day: the
 * middle of what each year would need.
 */
function bendTo(
  target: number,
  warmest: number,
  { low }: SimulatedYears,
  weight: Float64Array,
): number {
  const since = daysOn(warmest, target)
  const needed: number[] = []
  for (let at = warmest; at + YEAR_DAYS <= low.length; at += YEAR_DAYS) {
    let least = Infinity
    for (let d = 0; d <= since; d++) {
      const off = (low[at + d]! - KILLING) / weight[(warmest + d) % YEAR_DAYS]!
      if (off < least) least = off
    }
    needed.push(least)
  }
  needed.sort((a, b) => a - b)
  return Math.min(MOST_BENT, Math.max(-MOST_BENT, needed[Math.ceil(needed.length / 2) - 1]!))
}
/**
 * A climate is bent by so much at most, °C: beyond it the date is not believed to belong to the
 * place.
 */
const MOST_BENT = 25

const argBest = (of: Float64Array, better: (a: number, b: number) => boolean): number =>
  of.reduce((best, x, i) => (better(x, of[best]!) ? i : best), 0)

const middleOf = (low: Float64Array, high: Float64Array): Float64Array =>
  low.map((l, i) => (l + high[i]!) / 2)

/**
 * The year at a site: from the station's record or normals, corrected for height and for a hollow;
 * without a station from Juvena's rough climate. A frost date given by the contractor wins: nights
 * are made colder or warmer until half the years agree.
 * `hundred` says which hundred simulated years: plans go by the first (0).
 */
export function placeYear(
  brief: PlaceBrief,
  rough: RoughClimate & SoilFollows & DailyWeather,
  hollowBy: number,
  hotDay: number,
  hundred = 0,
): PlaceYear {
  const { station } = brief
  const height =
    station && brief.elevation !== null
      ? (-rough.lapse * (brief.elevation - station.station.elevation)) / 1000
      : 0
  const hollow = brief.hollow ? -hollowBy : 0
  const site = { latitude: brief.latitude, elevation: brief.elevation ?? 0, sea: brief.sea }
  const model = station
    ? shifted(modelOf(station, rough), height + hollow, height)
    : shifted(modelFromNormals(roughNormals(site, rough), rough), hollow, 0)
  const years = simulate(model, chance(hundred))
  const [low, high] = [dailyCurve(model.low), dailyCurve(model.high)]
  const mean = middleOf(low, high)
  const meanYears = middleOf(years.low, years.high)
  let bent = 0
  if (brief.frost !== null) {
    const turn = argBest(mean, (a, b) => a > b)
    const target = ofMonthDay(brief.frost)
    const nights = bendingOf(station !== null, turn, target)
    bent = bendTo(target, turn, years, nights)
    for (const [ofLow, ofHigh, ofMean] of [
      [low, high, mean],
      [years.low, years.high, meanYears],
    ] as const)
      for (let i = 0, d = 0; i < ofLow.length; i++, d = d === YEAR_DAYS - 1 ? 0 : d + 1) {
        const night = bent * nights[d]!
        ofLow[i]! -= night
        const day = ofHigh[i]! - dayMoves(night, station !== null)
        ofHigh[i] = night < 0 ? Math.max(day, ofLow[i]! + LEAST_RANGE) : day
        ofMean[i]! -= meanMoves(night, station !== null)
      }
  }
  const soilFollows = station?.soil ?? { follows: rough.follows, warmer: rough.warmer }
  const soil = yearOfSoil(mean, soilFollows)
  const warmest = argBest(mean, (a, b) => a > b)
  const coldest = argBest(mean, (a, b) => a < b)
  const own =
    station?.frost && brief.frost === null && hollow === 0 && height === 0 ? station.frost : null
  return {
    version: versionOf({ brief, rough, hollowBy, hotDay, hundred }),
    basis: station?.basis ?? 'rough',
    low,
    high,
    mean,
    soil,
    soilFollows,
    warmest,
    coldest,
    toColdest: daysOn(warmest, coldest),
    firstFrost: frostOdds(
      own ? recount(own.first, warmest) : frostDates(years.low, 0, warmest, KILLING),
    ),
    firstLight: frostOdds(
      own ? recount(own.firstLight, warmest) : frostDates(years.low, 0, warmest, FREEZING),
    ),
    lastFrost: frostOdds(
      own ? recount(own.last, warmest) : frostDates(years.low, 0, warmest, KILLING, true),
    ),
    air: station?.air ?? null,
    frostOnRecord: own !== null,
    years,
    meanYears,
    soilYears: soilFromAir(meanYears, soilFollows, soil[0]!),
    hotAhead: hotAhead(years.high, hotDay),
    corrected: { height, hollow, bent },
  }
}

/** The same dates counted from another day. */
const recount = ({ from, dates }: FrostDates, to: number): FrostDates => ({
  from: to,
  dates: dates.map((d) => (d === null ? null : daysOn(to, d + from))),
})

/** Days of four weeks. */
const FOUR_WEEKS = 28

/** Mean days at the line or hotter in the four weeks from each day of the year, over the years. */
function hotAhead(high: Float64Array, line: number): Float64Array {
  const hot = new Float64Array(YEAR_DAYS)
  const whole = Math.floor(high.length / YEAR_DAYS)
  for (let year = 0; year < whole; year++)
    for (let d = 0; d < YEAR_DAYS; d++)
      if (high[year * YEAR_DAYS + d]! >= line) hot[d]! += 1 / whole
  // A day of the year over a hundred years is still ragged: a week round it is taken.
  const smooth = hot.map((_, d) =>
    [-3, -2, -1, 0, 1, 2, 3].reduce((sum, k) => sum + hot[(d + k + YEAR_DAYS) % YEAR_DAYS]! / 7, 0),
  )
  return smooth.map((_, d) => {
    let sum = 0
    for (let k = 0; k < FOUR_WEEKS; k++) sum += smooth[(d + k) % YEAR_DAYS]!
    return sum
  })
}
