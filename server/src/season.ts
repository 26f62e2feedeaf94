import { readdirSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { addDays, type Day } from '@juvena/core/calendar/day'
import { weatherOn, type WeatherAtSite } from '@juvena/core/climate/weatherOn'
import type { DiaryEntry } from '@juvena/core/entities/diary'
import { firmSchema, type Firm } from '@juvena/core/entities/firm'
import { readJob, type Job } from '@juvena/core/entities/job'
import type { DayJob } from '@juvena/core/present/dayWork'
import type { Clock } from './clock.ts'
import type { SiteWeather } from './siteWeather.ts'
import type { Stock } from './stock.ts'
import type { DiaryStore } from './store/diaryStore.ts'
import type { OfAllJobs } from './store/overAllJobs.ts'
import type { FirmStore } from './store/firmStore.ts'
import { readDraft } from './store/listedJob.ts'
import { UNREADABLE, type JobStore, type JobText } from './store/jobStore.ts'
import type { DayLoad, PlannedBy, PlannedStore } from './store/plannedStore.ts'
import { logFault } from './problemDocument.ts'
import {
  planningAtOnce,
  planRow,
  learntOfAll,
  seedOfAll,
  machinesOfJobs,
  ordersOfJobs,
  usesOfRule,
} from './threads/pool.ts'
import { keptPlan, type KeptPlan } from './store/keptPlan.ts'
import { failedPlan, type PlanAsk } from './threads/planForSeason.ts'
import { isBehind } from '@juvena/core/plan/stepState'

/** What a season is kept from. */
export interface SeasonParts {
  jobs: JobStore
  diary: DiaryStore
  firm: FirmStore
  planned: PlannedStore
  weather: SiteWeather
  stock: Stock
  clock: Clock
  /** Where the database lies. */
  folder: string
}

/**
 * How long an answer waits for rows that are being worked, ms: a small firm always sees its season
 * as it is now.
 */
const PATIENCE = 2_500
/**
 * What tells one build from another: when the newest file of its folder was written, ms. A build is
 * several files, and which of them this stands in is the bundler's affair.
 */
export const buildOf = (folder: string): number =>
  Math.max(
    ...readdirSync(folder)
      .filter((f) => /\.[jt]s$/.test(f))
      .map((f) => Math.round(statSync(join(folder, f)).mtimeMs)),
  )
const BUILT = buildOf(fileURLToPath(new URL('.', import.meta.url)))
/** Where more than this are being worked, nobody waits: the answer says how many they are. */
const SOON = 60
/** Jobs taken from the list of stale ones at a time. */
const BATCH = 40
/** Between one look at what changed beyond the jobs and the next, ms. */
const HEED_EACH = 60_000

/** A job with nothing but its site: enough for its weather, and quickly read. */
export function siteOnly({ site }: Pick<JobText, 'site'>): Job | null {
  const read = site === null ? null : readDraft(site)?.site
  return readJob({ name: 'site', ...(read ? { site: read } : {}) }).job
}

/**
 * Keeps a row for every job: worked again when the job, the firm, the day or the weather changed,
 * in the background, soonest first. What a plan failed at stands in its own row.
 */
export function seasonKeeper(parts: SeasonParts) {
  const { jobs, diary, firm, planned, weather, stock, clock, folder } = parts
  let working: Promise<void> | null = null
  let stopped = false

  async function firmNow(): Promise<{ settings: Firm; revision: number }> {
    const stored = await firm.get()
    return { settings: firmSchema.parse(stored.draft), revision: stored.revision }
  }

  /** What all plans hang on beside their jobs, as it is now. `built` tells the build that looks. */
  async function plannedBy(built = BUILT): Promise<PlannedBy> {
    const [{ revision }, stations, { version }] = await Promise.all([
      firm.get(),
      weather.known(),
      stock.shown(),
    ])
    const known = JSON.stringify(stations.map((s) => [s.id, s.revision]))
    return { firm: `${revision} ${built}`, stations: known, stock: version }
  }

  /** Marks what changed beyond the jobs since the last look. */
  async function heed(built = BUILT): Promise<void> {
    await planned.heed(await plannedBy(built), (zone) => clock.today(zone || null))
  }

  /** What every plan is worked from, read once for many jobs. */
  async function groundNow() {
    const [{ settings }, among, { stock: lots }] = await Promise.all([
      firmNow(),
      weather.known(),
      stock.forPlans(),
    ])
    return { settings, among, lots }
  }
  type Ground = Awaited<ReturnType<typeof groundNow>>

  /** What a job is planned from. */
  async function askOf(stored: JobText, ground?: Ground): Promise<PlanAsk> {
    const { settings, among, lots } = ground ?? (await groundNow())
    const today = clock.today(stored.timeZone || null)
    const site = siteOnly(stored)
    const at: WeatherAtSite = site
      ? await weather.at(site, today, among)
      : { station: null, recent: [], outlook: null }
    return {
      jobId: stored.id,
      name: stored.name,
      draft: stored.body,
      diary: await diary.of(stored.id),
      today,
      firm: settings,
      stock: lots,
      weather: at,
    }
  }

  async function plannedNow(
    job: string,
    ground: Ground,
  ): Promise<{ day: Day; made: KeptPlan } | null> {
    const stored = await jobs.text(job)
    if (!stored) return null
    const day = clock.today(stored.timeZone || null)
    if (stored.wrong)
      return { day, made: keptPlan(failedPlan(job, stored.name, UNREADABLE[stored.wrong])) }
    try {
      return { day, made: await planRow(await askOf(stored, ground)) }
    } catch (error) {
      // A diary that cannot be read, a site without sense: this job shows it, the others go on.
      console.error(`Job ${job} could not be prepared for planning:`)
      logFault(error)
      return { day, made: keptPlan(failedPlan(job, stored.name)) }
    }
  }

  /** An answer over all jobs; those of which what was kept cannot be read are planned again. */
  async function ofAllJobs(ask: (firm: Firm) => Promise<OfAllJobs>): Promise<string> {
    const { text, damaged } = await ask((await firmNow()).settings)
    await planned.again(damaged)
    return text
  }

  async function workThrough(): Promise<void> {
    // A job that cannot be kept is not tried again in the same round.
    const tried = new Map<string, number>()
    while (!stopped) {
      const next = (await planned.stale(BATCH)).filter((n) => tried.get(n.job) !== n.touched)
      if (next.length === 0) return
      const ground = await groundNow()
      const lane = async () => {
        for (let n = next.shift(); n && !stopped; n = next.shift()) {
          tried.set(n.job, n.touched)
          const done = await plannedNow(n.job, ground)
          if (done && !stopped) await planned.keep(n.job, n.touched, done.day, done.made)
        }
      }
      await Promise.all(Array.from({ length: planningAtOnce() }, lane))
    }
  }

  /** Starts working what is stale, where nothing does so already. */
  function work(): Promise<void> {
    return (working ??= workThrough()
      .catch((error: unknown) => {
        if (stopped) return
        console.error('The season could not be worked:')
        logFault(error)
      })
      .finally(() => {
        working = null
      }))
  }

  /** Brings the rows up to date as far as it can be done soon; how many are still to be worked. */
  async function fresh(patience = PATIENCE, most = SOON): Promise<number> {
    await heed()
    let left = await planned.staleCount()
    if (left === 0) return 0
    void work()
    const until = Date.now() + patience
    while (left > 0 && left <= most && Date.now() < until && working) {
      await Promise.race([working, new Promise((go) => setTimeout(go, Math.min(60, patience)))])
      left = await planned.staleCount()
    }
    return left
  }

  const clockwork = setInterval(() => void heed().then(work, () => undefined), HEED_EACH)
  clockwork.unref()

  return {
    fresh,
    heed,
    plannedBy,
    askOf,
    firmNow,
    /** Begins the work that was left when the server last stopped. */
    begin: () => void heed().then(work, () => undefined),
    /** Ends the work; nothing is kept after. */
    async stop(): Promise<void> {
      stopped = true
      clearInterval(clockwork)
      await working
    },

    rows: planned.rows,
    noteSowDays: planned.noteSowDays,
    movedSince: planned.movedSince,

    /**
     * What each of some days asks of the firm over all its jobs, and the next day with work after
     * them.
     */
    load: (from: Day, days: number): Promise<{ days: DayLoad[]; next: Day | null }> =>
      planned.load(from, addDays(from, days - 1)),

    /**
     * The work of one day on every job: its steps, and on today itself those left over from days
     * before. Beside it, how much lies on each day round it.
     */
    async day(
      on: Day,
      today: Day,
    ): Promise<{
      jobs: (DayJob & { weather: DiaryEntry['weather'] })[]
      week: { day: Day; steps: number; hours: number }[]
    }> {
      const isOn = (s: DayJob['steps'][number]) =>
        s.day === on || (on === today && s.day < today && !isBehind(s))
      const work = (await planned.workOn(on, on === today))
        .map((job) => ({
          ...job,
          steps: job.steps.filter(isOn),
          // A row of before Juvena told of water has none.
          water: ((job as Partial<DayJob>).water ?? []).filter((w) => w.day === on),
        }))
        .filter((job) => job.steps.length > 0 || job.water.length > 0)
      const among = await weather.known()
      const withWeather = work.map(async (job) => {
        const stored = await jobs.text(job.id)
        const site = stored && siteOnly(stored)
        const at = site ? await weather.at(site, clock.today(stored.timeZone || null), among) : null
        return { ...job, weather: weatherOn(at, on) }
      })
      const byDay = await planned.workByDay(addDays(on, -1), addDays(on, 5))
      return {
        jobs: await Promise.all(withWeather),
        week: Array.from({ length: 7 }, (_, i) => addDays(on, i - 1)).map((day) => ({
          day,
          ...(byDay.get(day) ?? { steps: 0, hours: 0 }),
        })),
      }
    },

    /** The seed of all jobs by mix, and the bags for it bought once, as JSON. */
    seed: () => ofAllJobs((firm) => seedOfAll(folder, firm)),

    /** What some jobs still have to order, or those that want something soon, bought once, as JSON. */
    orders: (jobs: readonly string[] | null) =>
      ofAllJobs((firm) => ordersOfJobs({ folder, firm, today: clock.today(), jobs })),

    /** The firm’s machines over all jobs, as JSON. */
    machines: () => ofAllJobs((firm) => machinesOfJobs({ folder, firm, today: clock.today() })),

    /** Plans one job now and keeps its row, whatever waits. */
    async planNow(job: string): Promise<void> {
      const done = await plannedNow(job, await groundNow())
      if (done) await planned.keep(job, 0, done.day, done.made)
    },

    /** What the diaries say of the firm’s own numbers. */
    learnt: async () => learntOfAll(folder, (await firmNow()).settings.values),

    /** The jobs whose plans go by a rule. */
    uses: (rule: string) => usesOfRule(folder, rule),
  }
}
export type SeasonKeeper = ReturnType<typeof seasonKeeper>
