import type { WeatherAtSite } from '@juvena/core/climate/weatherOn'
import { Router, type Request } from 'express'
import { z } from 'zod'
import { diaryEntry, namesProduct, STRUCK_OUT } from '@juvena/core/entities/diary'
import { readStepKey } from '@juvena/core/schedule/stepRecords'
import { siteClimate } from '@juvena/core/climate/siteClimate'
import { firmSchema, type Firm, type FirmDraft } from '@juvena/core/entities/firm'
import { blankJob, jobSchema, readJob, type Job, type JobDraft } from '@juvena/core/entities/job'
import { jobFileSchema } from '@juvena/core/formats/jobFile'
import { pathText } from '@juvena/core/entities/problem'
import { planJob, schoolsOf } from '@juvena/core/pipeline'
import { yearPage } from '@juvena/core/present/yearPage'
import { grassTable } from '@juvena/core/reference/firmGrasses'
import { Memo } from '@juvena/core/trace/memo'
import { Trace } from '@juvena/core/trace/trace'
import { checkFirmValues } from '@juvena/core/ruleBook'
import { notFound, Refusal } from '../problemDocument.ts'
import { seasonPlanner, type SeasonBrief } from '../seasonRows.ts'
import { answers } from './answers.ts'
import { jobFileRoutes } from './jobFiles.ts'
import { photoRoutes } from './photos.ts'
import type { Parts, Route } from './route.ts'
import { stockRoutes } from './stock.ts'
import { stationRoutes } from './stations.ts'

const revision = z.number().int().min(0)
export const bodies = {
  create: z.strictObject({ name: z.string().trim().min(1, 'Give the job a name.').max(120) }),
  save: z.strictObject({ revision, draft: z.looseObject({}) }),
  firm: z.strictObject({ revision, firm: firmSchema }),
  diary: diaryEntry,
  file: jobFileSchema,
}
export const drafts = { job: jobSchema }

const idOf = (req: Request) => String(req.params.id)

export function apiRoutes(parts: Parts): Route[] {
  const { jobs, diary, firm, clock, stations, weather, stock } = parts
  const planner = seasonPlanner()
  const firmNow = async () => {
    const stored = await firm.get()
    return { stored, settings: firmSchema.parse(stored.draft) }
  }
  const jobOr404 = async (req: Request) => {
    const job = await jobs.get(idOf(req))
    if (!job) throw notFound('job')
    return job
  }
  const readable = (draft: unknown): { draft: JobDraft; job: Job } => {
    const read = readJob(draft)
    if (!read.job) throw new Refusal(400, 'Not a job', 'This cannot be kept as a job.', { problems: read.problems })
    return { draft: draft as JobDraft, job: read.job }
  }
  const full = async (id: string) => {
    const job = await jobs.get(id)
    if (!job) throw notFound('job')
    return { ...job, diary: await diary.of(id), today: clock.today(readJob(job.draft).job?.site.timeZone) }
  }

  const memo = new Memo()
  const climateOf = (
    job: Job,
    { station, recent }: Pick<WeatherAtSite, 'station' | 'recent'>,
    settings: Firm,
    trace = new Trace(settings.values, grassTable(settings.grasses)),
  ) => siteClimate({ job, today: clock.today(job.site.timeZone), schools: schoolsOf(job, settings), station, recent, memo, trace })
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
    return { place: { name: job.name, station: at.station, frost: job.site.frost }, year }
  }

  const seasonBrief = async (): Promise<SeasonBrief> => {
    const list = await jobs.list(false)
    const { stored, settings } = await firmNow()
    const among = await weather.known()
    const { stock: lots, version } = await stock.forPlans()
    const sites = await Promise.all(
      list.map(async (stored) => {
        const { job } = readJob(stored.draft)
        return [stored.id, job ? await weather.at(job, clock.today(job.site.timeZone), among) : null] as const
      }),
    )
    return {
      jobs: list,
      weather: new Map(sites),
      diaries: await diary.ofAll(list.map((j) => j.id)),
      firm: settings,
      firmRevision: stored.revision,
      stock: lots,
      stockVersion: version,
      today: (zone) => clock.today(zone),
    }
  }

  return [
    {
      method: 'get',
      path: '/today',
      summary: 'The day it is, and whether this is the demo.',
      answer: answers.today,
      call: async () => ({ send: { today: clock.today(), demo: clock.demo } }),
    },
    { method: 'get', path: '/firm', summary: 'The firm’s settings as typed.', answer: answers.firm, call: async () => ({ send: await firm.get() }) },
    {
      method: 'put',
      path: '/firm',
      summary: 'Saves the firm’s settings on top of a revision.',
      answer: answers.firm,
      body: bodies.firm,
      async call(req) {
        const { revision: from, firm: draft } = req.body as { revision: number; firm: FirmDraft }
        const wrong = checkFirmValues(draft.values ?? {})
        if (wrong.length > 0)
          throw new Refusal(400, 'Not understood', wrong[0]!.sentence, {
            problems: wrong.map(({ id, sentence }) => ({ path: `firm.values.${id}`, sentence })),
          })
        const saved = await firm.save(from, draft, clock.now())
        if (!saved)
          throw new Refusal(409, 'Saved elsewhere', 'These settings were changed in another window. Reload to see them, then change yours.', {
            theirs: await firm.get(),
          })
        return { send: saved }
      },
    },
    {
      method: 'get',
      path: '/jobs',
      summary: 'Jobs, newest save first; with ?archived=1 the archived ones.',
      answer: answers.jobs,
      call: async (req) => ({ send: (await jobs.list(req.query.archived === '1')).map(({ draft: _draft, ...rest }) => rest) }),
    },
    {
      method: 'post',
      path: '/jobs',
      summary: 'Begins a job.',
      answer: answers.job,
      body: bodies.create,
      call: async (_req, body) => ({ status: 201, send: await jobs.create(blankJob((body as { name: string }).name), clock.now()) }),
    },
    {
      method: 'get',
      path: '/jobs/:id',
      summary: 'A job as typed, with its diary.',
      answer: answers.fullJob,
      call: async (req) => ({ send: await full(idOf(req)) }),
    },
    {
      method: 'put',
      path: '/jobs/:id',
      summary: 'Saves a job on top of a revision; an older one is refused with both versions named.',
      answer: answers.saved,
      body: bodies.save,
      async call(req, body) {
        const { revision: from, draft } = body as { revision: number; draft: unknown }
        const result = await jobs.save(idOf(req), from, readable(draft).draft, clock.now())
        if ('missing' in result) throw notFound('job')
        if ('conflict' in result)
          throw new Refusal(
            409,
            'Saved elsewhere',
            `Version ${result.conflict.revision} of this job was saved in another window; yours began from version ${from}. Nothing was overwritten.`,
            { yours: from, theirs: result.conflict },
          )
        const { draft: _draft, ...rest } = result.saved
        return { send: rest }
      },
    },
    {
      method: 'delete',
      path: '/jobs/:id',
      summary: 'Archives a job. It can be restored.',
      answer: answers.archived,
      async call(req) {
        if (!(await jobs.setArchived(idOf(req), clock.now()))) throw notFound('job')
        return { send: { archived: true } }
      },
    },
    {
      method: 'post',
      path: '/jobs/:id/restore',
      summary: 'Restores an archived job.',
      answer: answers.archived,
      async call(req) {
        if (!(await jobs.setArchived(idOf(req), null))) throw notFound('job')
        return { send: { archived: false } }
      },
    },
    {
      method: 'post',
      path: '/jobs/:id/copy',
      summary: 'Keeps a draft as a job of its own beside another.',
      answer: answers.job,
      body: bodies.save,
      call: async (_req, body) => ({ status: 201, send: await jobs.create(readable((body as { draft: unknown }).draft).draft, clock.now()) }),
    },
    {
      method: 'post',
      path: '/jobs/:id/diary',
      summary: 'Adds a diary entry. The same id twice is kept once.',
      answer: answers.diary,
      body: bodies.diary,
      async call(req, body) {
        await jobOr404(req)
        const entry = diaryEntry.parse(body)
        const ticked = entry.step === null ? null : readStepKey(entry.step)
        if (ticked && namesProduct(ticked.kind) && entry.product.trim() === '' && entry.what !== STRUCK_OUT)
          throw new Refusal(
            400,
            'Product wanted',
            'A record of what was put down names its product, as on the label. Read the label and enter it; licensed practice and local code decide.',
          )
        const added = await diary.append(idOf(req), entry, clock.now())
        return { status: added ? 201 : 200, send: { added, diary: await diary.of(idOf(req)) } }
      },
    },
    {
      method: 'get',
      path: '/jobs/:id/plan',
      summary: 'The plan of a job, worked out afresh.',
      answer: answers.plan,
      async call(req) {
        const stored = await jobOr404(req)
        const { job } = readable(stored.draft)
        const today = clock.today(job.site.timeZone)
        return {
          send: planJob(job, {
            today,
            firm: (await firmNow()).settings,
            diary: await diary.of(stored.id),
            stock: (await stock.forPlans()).stock,
            jobId: stored.id,
            ...(await weather.at(job, today)),
          }),
        }
      },
    },
    ...jobFileRoutes(parts, jobOr404, full),
    ...photoRoutes(parts, jobOr404),
    ...stockRoutes(parts),
    ...stationRoutes(parts, async () => new Map(planner.rows(await seasonBrief()).map((row) => [row.id, { name: row.name, day: row.sowDay }]))),
    {
      method: 'get',
      path: '/season',
      summary: 'Every job with its window, state and next step.',
      answer: answers.season,
      async call() {
        return { send: { today: clock.today(), rows: planner.rows(await seasonBrief()) } }
      },
    },
    {
      method: 'get',
      path: '/season/seed',
      summary: 'The seed that all jobs still have to sow, by mix, and the bags for it bought once.',
      answer: answers.seasonSeed,
      call: async () => ({ send: { toBuy: planner.seed(await seasonBrief()) } }),
    },
    {
      method: 'get',
      path: '/day',
      summary: 'The work of a day on every job, with amounts, holds and cautions; ?on= an ISO day, today where none is given.',
      answer: answers.day,
      async call(req) {
        const today = clock.today()
        const on = req.query.on === undefined ? today : z.iso.date().safeParse(req.query.on).data
        if (!on) throw new Refusal(400, 'Not understood', 'A day is wanted as ?on=2027-03-02.')
        return { send: { today, on, ...planner.day(await seasonBrief(), on, today) } }
      },
    },
    {
      method: 'get',
      path: '/rules/uses',
      summary: 'By rule, the jobs whose plans go by it.',
      answer: answers.uses,
      call: async () => ({ send: { uses: planner.uses(await seasonBrief()) } }),
    },
    {
      method: 'get',
      path: '/year',
      summary: 'The year at a station (?station=) or at a job’s site (?job=): soil, frost odds, growth, and windows by grass with their odds.',
      answer: answers.year,
      async call(req) {
        const { settings } = await firmNow()
        if (typeof req.query.station === 'string') {
          const stored = await stations.get(req.query.station)
          const found = stored && (await weather.ofStation(stored, clock.today()))
          if (!found) throw notFound('station')
          const { latitude, longitude, elevation, normals: _ } = found.summary.station
          const site = { latitude, longitude, elevation, station: stored.id }
          return { send: yearOf(readJob({ name: found.summary.station.name, site }).job!, found, settings) }
        }
        const stored = typeof req.query.job === 'string' ? await jobs.get(req.query.job) : null
        if (!stored) throw notFound('job')
        const { job } = readable(stored.draft)
        return { send: yearOf(job, await weather.at(job, clock.today(job.site.timeZone)), settings) }
      },
    },
    {
      method: 'get',
      path: '/weather',
      summary:
        'What a plan knows of the weather at a job’s site, or at that of the job saved last: the station’s climate, its last days, its outlook.',
      answer: answers.weather,
      async call(req) {
        const stored = typeof req.query.job === 'string' ? await jobs.get(req.query.job) : ((await jobs.list(false, 1))[0] ?? null)
        const job = stored ? readJob(stored.draft).job : null
        if (!job) return { send: { station: null, recent: [], outlook: null, frostDates: null, today: clock.today() } }
        const today = clock.today(job.site.timeZone)
        const at = await weather.at(job, today)
        const { settings } = await firmNow()
        const { frost, frostTenth } = climateOf(job, at, settings)
        const frostDates = { tenth: String(frostTenth.value), even: String(frost.value) }
        return { send: { ...at, frostDates: frostDates.even >= today ? frostDates : null, today, place: job.name } }
      },
    },
  ]
}

export function apiRouter(routes: readonly Route[]): Router {
  const router = Router()
  for (const route of routes)
    router[route.method](route.path, async (req, res) => {
      let body: unknown = req.body
      if (route.body) {
        const parsed = route.body.safeParse(req.body)
        if (!parsed.success)
          throw new Refusal(400, 'Not understood', parsed.error.issues[0]!.message, {
            problems: parsed.error.issues.map((i) => ({ path: pathText(i.path), sentence: i.message })),
          })
        body = parsed.data
      }
      const { status = 200, send, file, path } = await route.call(req, body)
      if (path) return void res.set('Cache-Control', 'private, max-age=31536000, immutable').type('image/jpeg').sendFile(path, { dotfiles: 'allow' })
      if (file) res.attachment(file)
      res.status(status).json(send)
    })
  return router
}
