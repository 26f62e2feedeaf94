import type { Knex } from 'knex'
import { parsed } from './damaged.ts'
import { keepObserved } from './observedStore.ts'
import { asOne } from './transaction.ts'
import { addDays } from '@juvena/core/calendar/day'
import { WATERED_DAYS, workingRow } from '@juvena/core/present/seasonRow'
import type { DayJob } from '@juvena/core/present/dayWork'
import type { KeptPlan } from './keptPlan.ts'

interface Row {
  job_id: string
  touched: number
  stale: 0 | 1
  time_zone: string
  planned_on: string | null
  sow_day: string | null
  from_shelf: 0 | 1
}
/** What its plan came to, as JSON; there once it was planned. */
interface PartsRow {
  job_id: string
  row: string | null
  work: string | null
  seed: string | null
  orders: string | null
  machines: string | null
  rules: string | null
}
interface DayRow {
  job_id: string
  day: string
  steps: number
  open: number
  /** Hours of work by heads, of what is not done yet. */
  crew_hours: number
}
/** What a day asks of a firm. */
export interface DayLoad {
  day: string
  steps: number
  crewHours: number
  /** Jobs under germination water. */
  watered: number
}

/** What all plans hang on: the firm's settings, its stations, its seed. */
export interface PlannedBy {
  firm: string
  stations: string
  stock: string
}

/** Says that a job changed: its row is worked again. */
export async function touchPlan(db: Knex, job: string, timeZone?: string): Promise<void> {
  await db.raw(
    'INSERT INTO planned (job_id) SELECT id FROM jobs WHERE id = ? AND put_away_at IS NULL ON CONFLICT (job_id) DO UPDATE SET stale = 1, touched = touched + 1',
    [job],
  )
  if (timeZone !== undefined)
    await db<Row>('planned').where({ job_id: job }).update({ time_zone: timeZone })
}

/** The tables that hold what was planned of a job. */
export const PLANNED = ['planned_days', 'planned_parts', 'planned'] as const

export async function forgetPlan(db: Knex, job: string): Promise<void> {
  for (const table of PLANNED) await db(table).where({ job_id: job }).delete()
}

/** Rows noted in one statement, and a text that sorts behind every id. */
const NOTED_AT_ONCE = 2500
const AFTER_ALL = '\u{10ffff}'
/** Whoever else asks is answered first. */
const othersFirst = () => new Promise((go) => setImmediate(go))

/** Changes of which it can still be told what they moved. */
const CHANGES = 30
export const SEASON_PAGE = 150
const PAGE = { most: SEASON_PAGE, from: 0 }
/** Soonest sown first, those not sown last. */
const SOONEST = 'sow_day IS NULL, sow_day, planned.job_id'

/** The season's rows as they were last worked, and which of them have to be worked again. */
export function plannedStore(db: Knex) {
  /** What was kept of each job; one that cannot be read is left out, and is planned again. */
  async function whole<T>(kept: readonly [job: string, text: string | null][]): Promise<T[]> {
    const read: T[] = []
    for (const [job, text] of kept) {
      const value = parsed<T>(text ?? '')
      if (value === null) await touchPlan(db, job)
      else read.push(value)
    }
    return read
  }
  return {
    /** Says that what was kept of some jobs cannot be read. */
    async again(jobs: readonly string[]): Promise<void> {
      for (const job of jobs) await touchPlan(db, job)
    },

    /** Jobs to be worked, soonest sown first; new ones before all. */
    async stale(most: number): Promise<{ job: string; touched: number; timeZone: string }[]> {
      const rows = await db<Row>('planned')
        .where({ stale: 1 })
        .orderBy('sow_day')
        .limit(most)
        .select('job_id', 'touched', 'time_zone')
      return rows.map((r) => ({ job: r.job_id, touched: r.touched, timeZone: r.time_zone }))
    },

    async staleCount(): Promise<number> {
      return Number(
        (await db<Row>('planned').where({ stale: 1 }).count({ n: '*' }).first())?.n ?? 0,
      )
    },

    /** Keeps what a job's plan came to. One that changed meanwhile stays to be worked again. */
    async keep(
      job: string,
      touched: number,
      day: string,
      { sowDay, fromShelf, parts, days, observed }: KeptPlan,
    ): Promise<void> {
      await asOne(db, async (trx) => {
        const done = await trx<Row>('planned')
          .where({ job_id: job })
          .update({ planned_on: day, sow_day: sowDay, from_shelf: fromShelf ? 1 : 0 })
        if (done !== 1) return
        await trx<PartsRow>('planned_parts')
          .insert({ job_id: job, ...parts })
          .onConflict('job_id')
          .merge()
        // A job that could not be planned keeps what it said before.
        if (parts.work !== null) await keepObserved(trx, job, observed)
        await trx<Row>('planned').where({ job_id: job, touched }).update({ stale: 0 })
        await trx<DayRow>('planned_days').where({ job_id: job }).delete()
        await trx.raw(
          "INSERT INTO planned_days (job_id, day, steps, open, crew_hours) SELECT ?, value ->> 'day', value ->> 'steps', value ->> 'open', value ->> 'crewHours' FROM json_each(?)",
          [job, days],
        )
      })
    },

    /**
     * Marks what a change beyond the jobs themselves makes stale: the firm and the weather all of
     * them, the seed those that sow from it, the day those of a zone.
     */
    async heed(now: PlannedBy, today: (timeZone: string) => string): Promise<void> {
      await asOne(db, async (trx) => {
        const before = await trx<PlannedBy & { id: number }>('planned_by').where({ id: 1 }).first()
        const all = trx<Row>('planned')
        if (!before) await trx('planned_by').insert({ id: 1, ...now })
        else if (
          before.firm !== now.firm ||
          before.stations !== now.stations ||
          before.stock !== now.stock
        )
          await trx('planned_by').where({ id: 1 }).update(now)
        if (before?.firm !== now.firm || before.stations !== now.stations)
          await all.clone().update({ stale: 1 }).increment('touched', 1)
        else if (before.stock !== now.stock)
          await all.clone().where({ from_shelf: 1 }).update({ stale: 1 }).increment('touched', 1)
        const zones = (await trx<Row>('planned').distinct('time_zone', 'planned_on')) as Pick<
          Row,
          'time_zone' | 'planned_on'
        >[]
        for (const { time_zone, planned_on } of zones)
          if (planned_on !== null && planned_on !== today(time_zone))
            await all
              .clone()
              .where({ time_zone, planned_on })
              .update({ stale: 1 })
              .increment('touched', 1)
      })
    },

    /**
     * Rows as JSON text, soonest sown first; with `between`, those that have work on the days from
     * one to another.
     */
    async rows(
      { most, from }: { most: number; from: number } = PAGE,
      between?: readonly [string, string],
    ): Promise<{ rows: string[]; total: number }> {
      const days = db<DayRow>('planned_days').whereRaw('steps > 0').select('job_id')
      // The page is chosen by short rows, which are counted on the way; only its own are read whole.
      const page = db<Row>('planned')
        .modify((q) => between && q.whereIn('job_id', days.whereBetween('day', [...between])))
        .orderByRaw(SOONEST)
        .limit(most)
        .offset(from)
        .select(
          'job_id',
          'stale',
          'sow_day',
          db.raw(between ? 'count(*) OVER () AS total' : '(SELECT count(*) FROM planned) AS total'),
        )
      const rows = (await db
        .with('page', page)
        .from('page as planned')
        .leftJoin('planned_parts', 'planned_parts.job_id', 'planned.job_id')
        .orderByRaw(SOONEST)
        .select(
          'planned.job_id',
          db.raw('CASE WHEN json_valid(row) THEN row END AS row'),
          'stale',
          'total',
        )) as { job_id: string; row: string | null; stale: 0 | 1; total: number }[]
      // A row that cannot be read is worked again.
      for (const r of rows) if (r.row === null && r.stale === 0) await touchPlan(db, r.job_id)
      // A job that is new is listed at once, by its name.
      const fresh = rows.filter((r) => r.row === null).map((r) => r.job_id)
      const names = new Map((fresh.length === 0 ? [] : ((await db('jobs').whereIn('id', fresh).select('id', 'name')) as { id: string; name: string }[])).map((j) => [j.id, j.name])) // prettier-ignore
      return {
        rows: rows.map(
          (r) => r.row ?? JSON.stringify(workingRow(r.job_id, names.get(r.job_id) ?? '')),
        ),
        // Past the last one nothing is left to count.
        total: rows[0]?.total ?? from,
      }
    },

    /**
     * The work of the jobs that have steps on a day, or open ones on days before it where `overdue`.
     */
    async workOn(day: string, overdue: boolean): Promise<DayJob[]> {
      const jobs = db<DayRow>('planned_days')
        .select('job_id')
        .where({ day })
        .modify((q) => {
          if (overdue) void q.orWhere((o) => o.where('day', '<', day).andWhere('open', '>', 0))
        })
      const rows = (await db<Row>('planned')
        .join('planned_parts', 'planned_parts.job_id', 'planned.job_id')
        .whereIn('planned.job_id', jobs)
        .whereNotNull('work')
        .orderByRaw(SOONEST)
        .select('planned.job_id', 'work')) as Pick<PartsRow, 'job_id' | 'work'>[]
      return whole<DayJob>(rows.map((r) => [r.job_id, r.work]))
    },

    /** Open steps of all jobs and hours of work, by day; days without work are left out. */
    async workByDay(
      from: string,
      to: string,
    ): Promise<Map<string, { steps: number; hours: number }>> {
      const rows = (await db<DayRow>('planned_days')
        .whereBetween('day', [from, to])
        .groupBy('day')
        .select('day')
        .sum({ steps: 'open', hours: 'crew_hours' })) as {
        day: string
        steps: number
        hours: number
      }[]
      return new Map(rows.map(({ day, steps, hours }) => [day, { steps, hours }]))
    },

    /**
     * What each of the days from one to another asks of the firm, over all jobs, and the next day
     * with work after them.
     */
    async load(from: string, to: string): Promise<{ days: DayLoad[]; next: string | null }> {
      const sums = (await db<DayRow>('planned_days').whereBetween('day', [from, to]).groupBy('day').select('day').sum({ steps: 'steps', hours: 'crew_hours' })) as { day: string; steps: number; hours: number }[] // prettier-ignore
      const sown = (await db<Row>('planned')
        .join('planned_parts', 'planned_parts.job_id', 'planned.job_id')
        .whereBetween('sow_day', [addDays(from, 1 - WATERED_DAYS), to])
        .whereRaw("CASE WHEN json_valid(row) THEN json_extract(row, '$.sows') END")
        .groupBy('sow_day')
        .select('sow_day')
        .count({ n: '*' })) as { sow_day: string; n: number }[]
      const next = await db<DayRow>('planned_days')
        .where('day', '>', to)
        .where('steps', '>', 0)
        .min({ day: 'day' })
        .first()
      const days: DayLoad[] = []
      for (let day = from; day <= to; day = addDays(day, 1)) {
        const sum = sums.find((s) => s.day === day)
        const first = addDays(day, 1 - WATERED_DAYS)
        const watered = sown.reduce(
          (n, s) => n + (s.sow_day >= first && s.sow_day <= day ? s.n : 0),
          0,
        )
        days.push({ day, steps: sum?.steps ?? 0, crewHours: sum?.hours ?? 0, watered })
      }
      return { days, next: next?.day ?? null }
    },

    /** Keeps on which day every job is sown now, to tell later what a change moved. */
    async noteSowDays(change: string): Promise<void> {
      // One row stands for the change itself: a firm may have no job yet.
      await db('sow_days_before').insert({ change_id: change, job_id: '', sow_day: null })
      // A few thousand at a time, so that others are answered in between: a change that is cut short
      // here has been told to nobody.
      for (let after = '', more = true; more;) {
        const last = (await db<Row>('planned').where('job_id', '>', after).orderBy('job_id').offset(NOTED_AT_ONCE - 1).first('job_id')) as { job_id: string } | undefined // prettier-ignore
        await db.raw(
          'INSERT INTO sow_days_before SELECT ?, planned.job_id, sow_day FROM planned JOIN planned_parts USING (job_id) WHERE planned.job_id > ? AND planned.job_id <= ?',
          [change, after, last?.job_id ?? AFTER_ALL],
        )
        if (last) after = last.job_id
        more = last !== undefined
        await othersFirst()
      }
      const old = (await db('sow_days_before').groupBy('change_id').orderByRaw('max(rowid) DESC').offset(CHANGES).select('change_id')) as { change_id: string }[] // prettier-ignore
      for (const { change_id } of old) {
        await db('sow_days_before').where({ change_id }).delete()
        await othersFirst()
      }
    },

    /**
     * The jobs whose sowing lies on another day than when it was noted; null where nothing is known
     * of that change.
     */
    async movedSince(
      change: string,
    ): Promise<{ id: string; name: string; from: string | null; to: string | null }[] | null> {
      const known = await db('sow_days_before').where({ change_id: change }).first('job_id')
      if (!known) return null
      return (await db('sow_days_before')
        .join('planned', 'planned.job_id', 'sow_days_before.job_id')
        .join('jobs', 'jobs.id', 'planned.job_id')
        .where({ change_id: change })
        .whereRaw('sow_days_before.sow_day IS NOT planned.sow_day')
        .orderBy('sow_days_before.sow_day')
        .select({
          id: 'jobs.id',
          name: 'jobs.name',
          from: 'sow_days_before.sow_day',
          to: 'planned.sow_day',
        })) as { id: string; name: string; from: string | null; to: string | null }[]
    },
  }
}
export type PlannedStore = ReturnType<typeof plannedStore>
