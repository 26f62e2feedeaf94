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
import { schoolsOf } from '@juvena/core/firm/schoolsOf'
import { yearPage } from '@juvena/core/present/yearPage'
import { grassTable } from '@juvena/core/firm/firmGrasses'
import { Memo } from '@juvena/core/trace/memo'
import { Trace } from '@juvena/core/trace/trace'
import { checkFirmValues } from '@juvena/core/ruleBook'
import { notFound, readOr400, Refusal } from '../problemDocument.ts'
import { draftSent, planWhole, TOO_MUCH } from '../threads/pool.ts'
import { siteOnly } from '../season.ts'
import { UnreadableJob, type JobText } from '../store/jobStore.ts'
import { answers } from '../../../contract/answers.ts'
import { backupRoutes } from './backups.ts'
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

/** A number to begin at, in an address. */
const whole = z.coerce.number().int().min(0).max(10_000_000).default(0)
function asked<T extends z.ZodType>(of: T, req: Request): z.output<T> {
  const read = of.safeParse(req.query)
  if (!read.success)
    throw new Refusal(
      400,
      'Not understood',
      'What this address asks for could not be understood. Days are written like 2027-03-02.',
    )
  return read.data
}

const idOf = (req: Request) => String(req.params.id)

/** `open`: others than this computer can reach it, without a sign-in of Juvena's own. */
export function apiRoutes(parts: Parts, { open = false } = {}): Route[] {
  const { jobs, revisions, diary, firm, clock, season, stations, weather } = parts
  const { firmNow } = season
  const jobOr404 = async (req: Request) => {
    const job = await jobs.get(idOf(req))
    if (!job) throw notFound('job')
    return job
  }
  const textOr404 = async (id: string): Promise<JobText> => {
    const text = await jobs.text(id)
    if (!text) throw notFound('job')
    return text
  }
  /** A job as text that can be read here. */
  const soundOr404 = async (id: string): Promise<JobText> => {
    const text = await textOr404(id)
    if (text.wrong) throw new UnreadableJob(id, text.wrong)
    return text
  }
  /** A draft that can be kept as a job; a long one is read in a thread. */
  const readable = async (req: Request, draft: unknown): Promise<JobDraft> => {
    readOr400(await draftSent(draft as JobDraft, Number(req.headers['content-length'] ?? 0)))
    return draft as JobDraft
  }
  const full = async (id: string): Promise<string> => {
    const job = await soundOr404(id)
    const { revision: at, name, savedAt, archivedAt } = job
    const head = JSON.stringify({
      id,
      revision: at,
      name,
      savedAt,
      archivedAt,
      today: clock.today(job.timeZone || null),
    })
    return `${head.slice(0, -1)},"draft":${job.body},"diary":${await diary.text(id)}}`
  }

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
    {
      method: 'get',
      path: '/today',
      summary: 'The day it is, and whether this is the demo.',
      answer: answers.today,
      call: async () => ({ send: { today: clock.today(), demo: clock.demo, open } }),
    },
    {
      method: 'get',
      path: '/firm',
      summary: 'The firm’s settings as typed.',
      answer: answers.firm,
      call: async () => ({ send: await firm.get() }),
    },
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
          throw new Refusal(
            409,
            'Saved elsewhere',
            'These settings were changed in another window. Reload to see them, then change yours.',
            {
              theirs: await firm.get(),
            },
          )
        return { send: saved }
      },
    },
    {
      method: 'get',
      path: '/jobs',
      summary:
        'Jobs, newest save first, 500 at a time; with ?archived=1 the archived ones, ?search= by name, customer or address, ?from= the number to begin at.',
      answer: answers.jobs,
      async call(req) {
        const { archived, search, from } = asked(
          z.object({
            archived: z.literal('1').optional(),
            search: z.string().max(120).default(''),
            from: whole,
          }),
          req,
        )
        return { send: await jobs.list(archived === '1', { search: search.trim(), from }) }
      },
    },
    {
      method: 'post',
      path: '/jobs',
      summary: 'Begins a job.',
      answer: answers.job,
      body: bodies.create,
      call: async (_req, body) => ({
        status: 201,
        send: await jobs.create(blankJob((body as { name: string }).name), clock.now()),
      }),
    },
    {
      method: 'get',
      path: '/jobs/:id',
      summary: 'A job as typed, with its diary.',
      answer: answers.fullJob,
      call: async (req) => ({ text: await full(idOf(req)) }),
    },
    {
      method: 'put',
      path: '/jobs/:id',
      summary:
        'Saves a job on top of a revision; an older one is refused with both versions named.',
      answer: answers.saved,
      body: bodies.save,
      async call(req, body) {
        const { revision: from, draft } = body as { revision: number; draft: unknown }
        const result = await jobs.save(
          idOf(req),
          from,
          await readable(req, draft),
          clock.now(),
          String(req.headers['juvena-device'] ?? ''),
        )
        if ('missing' in result) throw notFound('job')
        if ('archived' in result)
          throw new Refusal(
            409,
            'Archived',
            'This job was archived meanwhile. Restore it to go on with it; what you typed is kept here until then.',
          )
        if ('conflict' in result)
          throw new Refusal(
            409,
            'Saved elsewhere',
            `Version ${result.conflict.revision} of this job was saved in another window; yours began from version ${from}. Nothing was overwritten.`,
            { yours: from, theirs: result.conflict },
          )
        return { send: result.saved }
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
      path: '/jobs/:id/erase',
      summary:
        'Erases the customer of an archived job for good. Records of products put down stay, as the law asks; backups made before still hold the rest.',
      answer: answers.erased,
      async call(req) {
        await textOr404(idOf(req))
        const erased = await parts.eraseCustomer(idOf(req))
        if (!erased)
          throw new Refusal(
            409,
            'Not archived',
            'Archive this job first: only an archived one can be erased.',
          )
        return { send: erased }
      },
    },
    {
      method: 'post',
      path: '/jobs/:id/copy',
      summary: 'Keeps a draft as a job of its own beside another.',
      answer: answers.job,
      body: bodies.save,
      async call(req, body) {
        await jobOr404(req)
        return {
          status: 201,
          send: await jobs.create(
            await readable(req, (body as { draft: unknown }).draft),
            clock.now(),
          ),
        }
      },
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
        if (
          ticked &&
          namesProduct(ticked.kind) &&
          entry.product.trim() === '' &&
          entry.what !== STRUCK_OUT
        )
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
      path: '/jobs/:id/stored',
      summary: 'What is stored of a job, as it lies there: for a job that cannot be read.',
      async call(req) {
        const stored = await textOr404(idOf(req))
        return { plain: stored.body, file: `job-${stored.id.slice(0, 8)}.txt` }
      },
    },
    {
      method: 'get',
      path: '/jobs/:id/revisions',
      summary: 'The saves of a job that are kept, newest first: thinned with age.',
      answer: answers.revisions,
      async call(req) {
        await textOr404(idOf(req))
        return { send: { revisions: await revisions.of(idOf(req)) } }
      },
    },
    {
      method: 'get',
      path: '/jobs/:id/revisions/:revision',
      summary: 'The draft of a job as it was after one save.',
      answer: answers.revision,
      async call(req) {
        const at = Number(req.params.revision)
        const draft = Number.isSafeInteger(at) ? await revisions.draft(idOf(req), at) : null
        if (!draft)
          throw new Refusal(404, 'Not found', 'That save is not kept: older saves are thinned out.')
        return { send: { revision: at, draft } }
      },
    },
    {
      method: 'get',
      path: '/jobs/:id/plan',
      summary: 'The plan of a job, worked out afresh.',
      answer: answers.plan,
      async call(req) {
        const plan = await planWhole(await season.askOf(await soundOr404(idOf(req))))
        if (!plan) throw new Refusal(422, 'Too much', TOO_MUCH)
        return { send: plan }
      },
    },
    ...jobFileRoutes(parts, jobOr404, full),
    ...photoRoutes(parts, jobOr404),
    ...stockRoutes(parts),
    ...stationRoutes(parts),
    ...backupRoutes(parts),
    {
      method: 'get',
      path: '/season',
      summary:
        'Jobs with their windows, states and next steps, soonest sown first, 300 at a time: ?from= and ?to= those with work on these days, ?skip= the number to begin at. `working` counts those whose row is being worked again.',
      answer: answers.season,
      async call(req) {
        const { from, to, skip } = asked(
          z.object({ from: z.iso.date().optional(), to: z.iso.date().optional(), skip: whole }),
          req,
        )
        const working = await season.fresh()
        const { rows, total } = await season.rows(
          { most: 300, from: skip },
          from && to ? [from, to] : undefined,
        )
        return {
          text: `{"today":"${clock.today()}","working":${working},"total":${total},"rows":[${rows.join(',')}]}`,
        }
      },
    },
    {
      method: 'get',
      path: '/season/load',
      summary:
        'Steps, hours of work and jobs under water by day, over all jobs, and the next day with work: ?from= a day, ?days= how many, 62 at most.',
      answer: answers.seasonLoad,
      async call(req) {
        const { from, days } = asked(
          z.object({
            from: z.iso.date().default(clock.today()),
            days: z.coerce.number().int().min(1).max(62).default(24),
          }),
          req,
        )
        await season.fresh()
        return { send: await season.load(from, days) }
      },
    },
    {
      method: 'get',
      path: '/season/seed',
      summary: 'The seed that all jobs still have to sow, by mix, and the bags for it bought once.',
      answer: answers.seasonSeed,
      async call() {
        await season.fresh()
        return { send: { toBuy: await season.seed() } }
      },
    },
    {
      method: 'get',
      path: '/day',
      summary:
        'The work of a day on every job, with amounts, holds and cautions; ?on= an ISO day, today where none is given.',
      answer: answers.day,
      async call(req) {
        const today = clock.today()
        const on = req.query.on === undefined ? today : z.iso.date().safeParse(req.query.on).data
        if (!on) throw new Refusal(400, 'Not understood', 'A day is wanted as ?on=2027-03-02.')
        const working = await season.fresh()
        return { send: { today, on, working, ...(await season.day(on, today)) } }
      },
    },
    {
      method: 'get',
      path: '/rules/uses',
      summary: 'By rule, the jobs whose plans go by it.',
      answer: answers.uses,
      async call() {
        await season.fresh()
        return { send: { uses: await season.uses() } }
      },
    },
    {
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
            send: yearOf(readJob({ name: found.summary.station.name, site }).job!, found, settings),
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
    },
    {
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
        const job = stored && siteOnly(stored.body)
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
            problems: parsed.error.issues.map((i) => ({
              path: pathText(i.path),
              sentence: i.message,
            })),
          })
        body = parsed.data
      }
      const { status = 200, send, text, plain, file, path } = await route.call(req, body)
      if (path && file) return void res.attachment(file).sendFile(path, { dotfiles: 'allow' })
      if (path)
        return void res
          .set('Cache-Control', 'private, max-age=31536000, immutable')
          .type('image/jpeg')
          .sendFile(path, { dotfiles: 'allow' })
      if (file) res.attachment(file)
      if (plain !== undefined) res.status(status).type('text/plain').send(plain)
      else if (text !== undefined) res.status(status).type('json').send(text)
      else res.status(status).json(send)
    })
  return router
}
