import { sure } from '../quantities/sure.ts'
import { addDays, dayNumber, dayOf, type Day } from '../calendar/day.ts'
import type { Job } from '../entities/job.ts'
import type { Schools } from '../reference/schools.ts'
import { num, type Figure } from '../trace/figure.ts'
import { Memo, versionOf, type Versioned } from '../trace/memo.ts'
import { quantity, say } from '../rules/message.ts'
import { procedure, tradeValues, value } from '../rules/rule.ts'
import { JOB } from '../trace/scope.ts'
import type { Trace } from '../trace/trace.ts'
import { readings } from '../walkover/surveyRules.ts'
import { daysToTenth, frostReading, frostRules, frostValues } from './frost.ts'
import { dailyWeather, type DailyWeather } from './climateModel.ts'
import { roughClimate, type RoughClimate } from './normals.ts'
import {
  placeValues,
  placeYear,
  type PlaceBrief,
  type PlaceYear,
  type StationClimate,
} from './placeYear.ts'
import { soilFromAir, soilValues, type SoilByDay, type SoilFollows } from './soilTemperature.ts'
import { oddsValues, placeSums, type OddsValues, type PlaceSums } from './sowingOdds.ts'
import { seasonAround, type SeasonGround } from './sowingWindow.ts'
import type { WeatherDay } from './weatherSeries.ts'
import { monthDayOf, yearDays, YEAR_DAYS } from './yearDay.ts'

/** Days ahead that the soil curve and the windows reach: eighteen months. */
const HORIZON = 560
/** Days back that a job may have been sown and still be followed. */
const LOOK_BACK = 200
/** Latitude taken where none is given: cool country, or warm where warm turf grows. */
const USUAL_LATITUDE = { cool: 45, warm: 31 }

/** Where the site lies, until it is entered. */
export const latitudeRule = procedure({
  id: 'site.latitude',
  key: 'latitude',
  stage: 1,
  label: 'Latitude',
  unit: 'deg',
  standing: 'assumed',
  says: 'No latitude given: cool country is taken, or warm where warm turf grows.',
  steps: 'by the grass that grows there',
  by: 'climate/siteClimate: siteClimate',
  check: 'window.test.ts',
})

export const soilRules = {
  curve: procedure({
    id: 'weather.soil-curve',
    key: 'soil-now',
    stage: 6,
    label: say`Soil at ${quantity(50, 'mm')}, today`,
    unit: 'C',
    standing: 'model',
    says: 'Soil follows the air: it takes up {follows} of the difference in a day, and lies {warmer} above it in the sun. Your reading, and the last days’ weather, shift it; what they differ by fades over {fades}.',
    values: soilValues,
    inputs: { latitude: 'deg', reading: 'C?' },
    steps:
      'T ← T + share × (air + warmth − T), day by day; then what was read less what was usual, × e^(−days ÷ fading)',
    by: 'climate/siteClimate: soilByDay',
    check: 'soilTemperature.test.ts',
  }),
}

/** Where the job stands in the year: frost, soil by day. */
export interface SiteClimate extends SeasonGround, Versioned {
  latitude: number
  /** The place and its running sums, for whoever hangs on nothing of the day. */
  years: Versioned & { place: PlaceYear; sums: PlaceSums }
  /** What was worked from this place and these days alone, kept for as long as the place is. */
  kept: Memo
  frost: Figure
  frostTenth: Figure
  /** Soil by day, reaching back from today to what may have been sown already. */
  soilBefore: SoilByDay
  soilNow: Figure
}

export interface ClimateBrief {
  job: Job
  today: Day
  schools: Schools
  /** What is known of the station the job goes by. */
  station: StationClimate | null
  /** The station's last days, and the outlook. */
  recent: readonly WeatherDay[]
  memo: Memo
  trace: Trace
  /** Which hundred simulated years; the first where not given. */
  hundred?: number
}

const isWarm = (job: Job, trace: Trace) =>
  job.zones.some((z) => z.present.some((g) => trace.grasses[g]?.season === 'warm'))

/** All that the year of a place is worked from. */
interface PlaceInputs {
  site: Omit<PlaceBrief, 'station'>
  station: StationClimate | null
  rough: RoughClimate & SoilFollows & DailyWeather & { fades: number }
  hollow: number
  hotDay: number
  odds: OddsValues
  hundred: number
}

interface Place {
  place: PlaceYear
  sums: PlaceSums
  kept: Memo
}

function workPlace({ site, station, rough, hollow, hotDay, odds, hundred }: PlaceInputs): Place {
  const place = placeYear({ ...site, station }, rough, hollow, hotDay, hundred)
  return { place, sums: placeSums(place, odds, hotDay), kept: new Memo(KEPT_OF_PLACE) }
}

/** A place takes about 2 MB: as much as so many ordinary answers. */
const PLACE_WEIGHS = 64
/** Windows, odds and bands kept of one place. */
const KEPT_OF_PLACE = 512

/** The year at a job's site, worked once for a place and a frost date. */
function placeOf(
  job: Job,
  latitude: number,
  { station, memo, trace, hundred = 0 }: ClimateBrief,
): Place {
  const { site } = job
  const inputs: PlaceInputs = {
    site: {
      latitude,
      elevation: site.elevation,
      sea: site.sea === null ? null : site.sea / 1000,
      hollow: site.hollow === true,
      frost: site.frost,
    },
    station,
    rough: {
      ...trace.values(roughClimate),
      ...trace.values(dailyWeather),
      ...trace.values(soilValues),
    },
    ...trace.values({ hollow: placeValues.hollow, hotDay: placeValues.hotDay }),
    odds: trace.values(oddsValues),
    hundred,
  }
  const name = `place ${latitude} ${site.frost ?? ''} ${hundred}`
  return memo.recall(name, inputs, workPlace, PLACE_WEIGHS)
}

export function siteClimate(brief: ClimateBrief): SiteClimate {
  const { job, today, station, recent, trace } = brief
  const { site } = job
  const at =
    trace.read(readings.latitude, JOB, site.latitude) ??
    trace.found(latitudeRule, JOB, USUAL_LATITUDE[isWarm(job, trace) ? 'warm' : 'cool'], {})
  const latitude = num(at)
  const { place, sums, kept } = placeOf(job, latitude, brief)
  const { median, tenth } = place.firstFrost
  const frostMonthDay = site.frost ?? (median === null ? null : monthDayOf(place.warmest + median))
  // The dates of a station say how far one year in ten lies from the median; without them Juvena's
  // spread does.
  const ofYears = (site.frost === null || station !== null) && median !== null && tenth !== null
  const frostSpread = ofYears ? median - tenth : daysToTenth(trace.value(frostValues.spread))
  const whole = soilByDay(
    job,
    place,
    addDays(today, -LOOK_BACK),
    LOOK_BACK + HORIZON,
    recent,
    today,
    trace,
  )
  const ground: SeasonGround = {
    place,
    frostMonthDay,
    frostSpread,
    soil: whole.subarray(LOOK_BACK),
    start: today,
  }
  const season = seasonAround(ground, today, 'even-odds')
  const next = dayOf(season.frost ?? season.coldest)
  const given = { latitude: at }
  const frost = site.frost
    ? sure(trace.read(frostReading, JOB, next))
    : trace.found(
        season.frost === null
          ? frostRules.seldom
          : place.frostOnRecord
            ? frostRules.recorded
            : frostRules.assumed,
        JOB,
        next,
        given,
      )
  const frostTenth = ofYears
    ? trace.found(frostRules.tenthOfYears, JOB, addDays(next, -frostSpread), { median: frost })
    : trace.work(frostRules.tenth, JOB, { median: frost })
  return {
    ...ground,
    latitude,
    years: { version: sums.version, place, sums },
    kept,
    version: versionOf({
      place,
      today,
      frosts: [frostMonthDay, frostSpread],
      soil: [site.soilTemperature, site.soilReadOn, job.walked],
      recent,
    }),
    frost,
    frostTenth,
    soilBefore: { soil: whole, start: addDays(today, -LOOK_BACK) },
    soilNow: trace.found(soilRules.curve, JOB, Math.round(ground.soil[0]! * 10) / 10, {
      latitude: at,
      reading: trace.read(readings.soil, JOB, site.soilTemperature),
    }),
  }
}

/**
 * Soil at 50 mm by day, °C: the usual soil, the last days' weather and the outlook as far as they
 * reach, and the site's own reading; what they differ by fades.
 */
function soilByDay(
  job: Job,
  place: PlaceYear,
  from: Day,
  length: number,
  recent: readonly WeatherDay[],
  today: Day,
  trace: Trace,
): Float64Array {
  const { fades } = trace.values(soilValues)
  const first = dayNumber(from)
  const days = yearDays(first, length)
  const soil = Float64Array.from(days, (d) => place.soil[d]!)
  const known = recent.filter(
    (w) =>
      w.low !== null &&
      w.high !== null &&
      dayNumber(w.day) >= first &&
      dayNumber(w.day) < first + length,
  )
  if (known.length > 0) {
    const at = known.map((w) => dayNumber(w.day) - first)
    const [begins, ends] = [at[0]!, at.at(-1)!]
    const air = new Float64Array(ends - begins + 1).fill(NaN)
    known.forEach((w, k) => (air[at[k]! - begins] = (sure(w.low) + sure(w.high)) / 2))
    const { height, hollow, bent } = place.corrected
    const corrected = air.map(
      (t) => t + height + hollow / 2 - (place.basis === 'rough' ? 0 : bent / 2),
    )
    soil.set(soilFromAir(corrected, place.soilFollows, soil[begins]!), begins)
    const off = soil[ends]! - place.soil[days[ends]!]!
    for (let i = ends + 1; i < length; i++) soil[i]! += off * Math.exp(-(i - ends) / fades)
  }
  const { soilTemperature } = job.site
  if (soilTemperature !== null) {
    const readOn = dayNumber(job.site.soilReadOn ?? job.walked ?? today)
    const usual = soil[Math.min(length - 1, Math.max(0, readOn - first))]!
    for (let i = 0; i < length; i++)
      soil[i]! += (soilTemperature - usual) * Math.exp(-Math.abs(first + i - readOn) / fades)
  }
  return soil
}

/** How long it takes before seed can go down, and the season the light is judged by. */
export const leadTimeValues = tradeValues('lead-time', {
  prepare: value(7, 'd', 'model', 'Days it usually takes before seed can go down', [1, 30]),
  prepareLeast: value(4, 'd', 'model', 'and at the least, in the last days of a season', [1, 14]),
  byHand: value(2, 'd', 'model', 'and by hand, on ground too small for a machine', [1, 14]),
  kill: value(30, 'd', 'model', 'The same with a kill-off before it', [14, 90]),
  growsFrom: value(8, 'C', 'model', 'Cool grass grows from soil at', [3, 12]),
  warmGrowsFrom: value(15, 'C', 'model', 'and warm grass from', [10, 22]),
})

/**
 * The growing season the light is judged by: the days of the year on which the usual soil lets the
 * grass grow, the same whichever day one looks. Day numbers of one year, from the first after the
 * coldest; the whole year where it never stops.
 */
export function growingSeason(
  { place }: SeasonGround,
  job: Job,
  trace: Trace,
): { from: number; to: number } {
  const { growsFrom, warmGrowsFrom } = trace.values(leadTimeValues)
  const least = isWarm(job, trace) ? warmGrowsFrom : growsFrom
  const grows = (k: number) => place.soil[(place.coldest + k) % YEAR_DAYS]! >= least
  let [first, last] = [0, YEAR_DAYS - 1]
  while (first < YEAR_DAYS && !grows(first)) first++
  while (last > first && !grows(last)) last--
  if (first >= YEAR_DAYS) [first, last] = [0, YEAR_DAYS - 1]
  // One year for all: the sun of a day of the year hardly differs from year to year.
  const from = dayNumber(`${LIGHT_YEAR}-01-01`) + place.coldest
  return { from: from + first, to: from + last }
}
/** The year whose days stand for those of any year in the light. */
const LIGHT_YEAR = 2026
