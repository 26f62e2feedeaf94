import { sure } from '@juvena/core/quantities/sure'
import { siteClimate } from '@juvena/core/climate/siteClimate'
import type { WeatherAtSite } from '@juvena/core/climate/weatherOn'
import type { Firm } from '@juvena/core/entities/firm'
import { readJob, type Job } from '@juvena/core/entities/job'
import { grassTable } from '@juvena/core/firm/firmGrasses'
import { schoolsOf } from '@juvena/core/firm/schoolsOf'
import { yearPage } from '@juvena/core/present/yearPage'
import { Memo } from '@juvena/core/trace/memo'
import { Trace } from '@juvena/core/trace/trace'
import { answers } from '../../../contract/answers.ts'
import { notFound } from '../problemDocument.ts'
import { siteOnly } from '../season.ts'
import { route, type Parts, type Route } from './route.ts'

/** The year at a station or a job's site, and the weather there now. */
export function yearRoutes({
  jobs,
  stations,
  weather,
  clock,
  season,
}: Pick<Parts, 'jobs' | 'stations' | 'weather' | 'clock' | 'season'>): Route[] {
  const { firmNow } = season
  const memo = new Memo()
  const climateOf = (
    job: Job,
    { station, recent }: Pick<WeatherAtSite, 'station' | 'recent'>,
    settings: Firm,
    trace = new Trace(settings.values, grassTable(settings.grasses)),
  ) =>
    siteClimate({
      job,
      today: clock.today(job.site.timeZone),
      schools: schoolsOf(job, settings),
      station,
      recent,
      memo,
      trace,
    })
  /** The year at a site, from what is known of its weather. */
  const yearOf = (job: Job, at: Pick<WeatherAtSite, 'station' | 'recent'>, settings: Firm) => {
    const trace = new Trace(settings.values, grassTable(settings.grasses))
    const climate = climateOf(job, at, settings, trace)
    const year = yearPage(
      climate,
      job.site.elevation ?? at.station?.station.elevation ?? 0,
      clock.today(job.site.timeZone),
      schoolsOf(job, settings),
      trace,
    )
    const { latitude, longitude, elevation, frost } = job.site
    return {
      place: {
        name: job.name,
        station: at.station,
        frost,
        site: { latitude, longitude, elevation },
      },
      year,
    }
  }

  return [
    route({
      method: 'get',
      path: '/year',
      summary:
        'The year at a station (?station=) or at a job’s site (?job=): soil, frost odds, growth, and windows by grass with their odds.',
      answer: answers.year,
      async call(req) {
        const { settings } = await firmNow()
        if (typeof req.query.station === 'string') {
          const stored = await stations.get(req.query.station)
          const found = stored && (await weather.ofStation(stored, clock.today()))
          if (!found) throw notFound('station')
          const { latitude, longitude, elevation, normals: _ } = found.summary.station
          const site = { latitude, longitude, elevation, station: stored.id }
          return {
            send: yearOf(
              sure(readJob({ name: found.summary.station.name, site }).job),
              found,
              settings,
            ),
          }
        }
        const stored = typeof req.query.job === 'string' ? await jobs.get(req.query.job) : null
        if (!stored) throw notFound('job')
        const { job } = readJob(stored.draft)
        if (!job) throw notFound('job')
        return {
          send: yearOf(job, await weather.at(job, clock.today(job.site.timeZone)), settings),
        }
      },
    }),
    route({
      method: 'get',
      path: '/weather',
      summary:
        'What a plan knows of the weather at a job’s site, or at that of the job saved last: the station’s climate, its last days, its outlook.',
      answer: answers.weather,
      async call(req) {
        const newest =
          typeof req.query.job === 'string'
            ? req.query.job
            : (await jobs.list(false, { most: 1 }))[0]?.id
        const stored = newest === undefined ? null : await jobs.text(newest)
        const job = stored && siteOnly(stored)
        if (!job)
          return {
            send: {
              station: null,
              recent: [],
              outlook: null,
              frostDates: null,
              today: clock.today(),
            },
          }
        const today = clock.today(job.site.timeZone)
        const at = await weather.at(job, today)
        const { settings } = await firmNow()
        const { frost, frostTenth } = climateOf(job, at, settings)
        const frostDates = { tenth: String(frostTenth.value), even: String(frost.value) }
        return {
          send: {
            ...at,
            frostDates: frostDates.even >= today ? frostDates : null,
            today,
            place: stored.name,
          },
        }
      },
    }),
  ]
}
