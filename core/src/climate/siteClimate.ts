import { addDays, dayNumber, nextOn, type Day } from '../calendar/day.ts'
import type { Job } from '../entities/job.ts'
import { GRASSES } from '../reference/grasses.ts'
import type { Schools } from '../reference/schools.ts'
import { num, type Figure } from '../trace/figure.ts'
import { procedure, tradeValues, value } from '../trace/rule.ts'
import { JOB } from '../trace/scope.ts'
import type { Trace } from '../trace/trace.ts'
import { readings } from '../walkover/surveyRules.ts'
import { frostReading, frostRules, usualFrost } from './frost.ts'
import { soilCurve, soilRules, soilValues, warmingDays } from './soilYear.ts'
import type { SeasonGround } from './sowingWindow.ts'

/** Days ahead that the soil curve and the windows reach. */
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

/** Where the job stands in the year: frost, soil by day. */
export interface SiteClimate extends SeasonGround {
  latitude: number
  frost: Figure
  frostTenth: Figure
  /** Soil by day, reaching back from today to what may have been sown already. */
  soilBefore: { soil: Float64Array; start: Day }
  soilNow: Figure
}

export function siteClimate(job: Job, today: Day, schools: Schools, trace: Trace): SiteClimate {
  const { site } = job
  const warm = job.zones.some((z) => z.present.some((g) => GRASSES[g].season === 'warm'))
  const place = trace.read(readings.latitude, JOB, site.latitude) ?? trace.found(latitudeRule, JOB, USUAL_LATITUDE[warm ? 'warm' : 'cool'], {})
  const latitude = num(place)
  const frostMonthDay = site.frost ?? usualFrost(latitude)
  const next = nextOn(frostMonthDay, today)
  const frost = site.frost ? trace.read(frostReading, JOB, next)! : trace.found(frostRules.none, JOB, next, { latitude: place })
  const frostTenth = trace.work(frostRules.tenth, JOB, { median: frost }, { school: `cutOff:${schools.cutOff}` })
  const reading = trace.read(readings.soil, JOB, site.soilTemperature)
  const readOn = site.soilReadOn ?? job.walked ?? today
  const before = addDays(today, -LOOK_BACK)
  const wave = trace.values(soilValues)
  const read = site.soilTemperature === null ? null : { day: readOn, celsius: site.soilTemperature }
  const whole = soilCurve(latitude, dayNumber(before), LOOK_BACK + HORIZON, read, wave)
  const soil = whole.subarray(LOOK_BACK)
  return {
    latitude,
    frostMonthDay,
    frost,
    frostTenth,
    soil,
    soilBefore: { soil: whole, start: before },
    warming: warmingDays(latitude, dayNumber(today), HORIZON, wave),
    start: today,
    soilNow: trace.found(soilRules.curve, JOB, Math.round(soil[0]! * 10) / 10, { latitude: place, reading }),
  }
}

/** How long it takes before seed can go down, and the weeks the light is judged by. */
export const leadTimeValues = tradeValues('lead-time', {
  prepare: value(7, 'd', 'model', 'Days it usually takes before seed can go down', [1, 30]),
  kill: value(30, 'd', 'model', 'The same with a kill-off before it', [14, 90]),
  growsFrom: value(8, 'C', 'model', 'Cool grass grows from soil at', [3, 12]),
  growing: value(70, 'd', 'model', 'Days from sowing to a first mow and on: the weeks the light is judged by', [30, 200]),
})

/** The weeks the light is judged by: from the first day, once seed can go down, on which the soil lets grass grow. Days since 1970. */
export function growingWeeks(climate: SeasonGround, trace: Trace): { from: number; to: number } {
  const { prepare, growsFrom, growing } = trace.values(leadTimeValues)
  let first = prepare
  while (first < 365 && climate.soil[first]! < growsFrom) first++
  const from = dayNumber(climate.start) + (first < 365 ? first : prepare)
  return { from, to: from + growing - 1 }
}
