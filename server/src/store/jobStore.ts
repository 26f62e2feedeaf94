import { sure } from '@juvena/core/quantities/sure'
import { randomUUID } from 'node:crypto'
import type { Knex } from 'knex'
import { asOne } from './transaction.ts'
import { JOB_VERSION, type JobDraft } from '@juvena/core/entities/job'
import { currentDraft } from '@juvena/core/entities/jobVersions'
import { draftText, readDraft, type DraftText } from './listedJob.ts'
import { keepRevision } from './revisionStore.ts'
import { forgetPlan, touchPlan } from './plannedStore.ts'

export interface JobSummary {
  id: string
  revision: number
  name: string
  savedAt: string
  archivedAt: string | null
}
export interface StoredJob extends JobSummary {
  draft: JobDraft
}
/** A job as it lies in the database, its draft unread. */
export interface JobText extends JobSummary {
  timeZone: string
  /** A draft with nothing but the site, as text. */
  site: string | null
  body: string
  wrong: 'damaged' | 'newer' | null
}
export interface FoundJob extends JobSummary {
  customer: string
  place: string
}

interface Row {
  id: string
  revision: number
  version: number
  name: string
  body: string
  saved_at: string
  put_away_at: string | null
  customer: string
  place: string
  time_zone: string
}

const summary = (
  row: Pick<Row, 'id' | 'revision' | 'name' | 'saved_at' | 'put_away_at'>,
): JobSummary => ({
  id: row.id,
  revision: row.revision,
  name: row.name,
  savedAt: row.saved_at,
  archivedAt: row.put_away_at,
})

/**
 * A job whose row cannot be read here: damaged, or written by a newer Juvena. Its text can be
 * exported, and it can be archived.
 */
export class UnreadableJob extends Error {
  constructor(
    readonly job: string,
    readonly kind: 'damaged' | 'newer',
  ) {
    super(UNREADABLE[kind])
  }
}
export const UNREADABLE = {
  damaged:
    'What is stored of this job is damaged and cannot be read. Export its text for whoever helps you, archive it, or restore a backup.',
  newer:
    'This job was saved by a newer Juvena. Update this one to open it; nothing of it is changed meanwhile.',
} as const

function fromRow(row: Row): StoredJob {
  const draft = readDraft(row.body)
  if (row.version > JOB_VERSION || draft === null)
    throw new UnreadableJob(row.id, row.version > JOB_VERSION ? 'newer' : 'damaged')
  return { ...summary(row), draft }
}

export type SaveResult =
  { saved: JobSummary } | { conflict: StoredJob } | { archived: true } | { missing: true }

/** What is searched for, as a pattern that holds it literally. */
const pattern = (words: string) => `%${words.replaceAll(/[\\%_]/g, '\\$&')}%`

/** As many as one query of the database may name. */
const MOST_ASKED = 500

export const jobStore = (db: Knex) => ({
  /** The names of some jobs, by id. */
  async names(ids: readonly string[]): Promise<Record<string, string>> {
    const asked = [...new Set(ids)]
    const names: Record<string, string> = {}
    for (let at = 0; at < asked.length; at += MOST_ASKED)
      for (const { id, name } of await db<Row>('jobs')
        .whereIn('id', asked.slice(at, at + MOST_ASKED))
        .select('id', 'name'))
        names[id] = name
    return names
  },

  /**
   * Jobs, newest save first, without their drafts: those whose name, customer or address holds what
   * is searched for.
   */
  async list(archive: boolean, { most = 500, from = 0, search = '' } = {}): Promise<FoundJob[]> {
    const rows = await db<Row>('jobs')
      .select('id', 'revision', 'name', 'customer', 'place', 'saved_at', 'put_away_at')
      .where((q) => (archive ? q.whereNotNull('put_away_at') : q.whereNull('put_away_at')))
      .modify((q) => {
        if (search)
          q.andWhereRaw(
            `(name LIKE ? ESCAPE '\\' OR customer LIKE ? ESCAPE '\\' OR place LIKE ? ESCAPE '\\')`,
            Array(3).fill(pattern(search)),
          )
      })
      .orderBy('saved_at', 'desc')
      .limit(most)
      .offset(from)
    return rows.map((row: Row) => ({ ...summary(row), customer: row.customer, place: row.place }))
  },

  async count(archive: boolean): Promise<number> {
    const q = db<Row>('jobs')
    const found = await (archive ? q.whereNotNull('put_away_at') : q.whereNull('put_away_at'))
      .count({ n: '*' })
      .first()
    return Number(found?.n ?? 0)
  },

  /** Throws `UnreadableJob` where its row cannot be read. */
  async get(id: string): Promise<StoredJob | null> {
    const row = await db<Row>('jobs').where({ id }).first()
    return row ? fromRow(row) : null
  },

  /**
   * A job as text, for whoever only hands it on: much faster than reading it. `wrong` says why it
   * cannot be read, where it cannot.
   */
  async text(id: string): Promise<JobText | null> {
    const sound = db.raw(
      "CASE WHEN json_valid(body) THEN json_type(body) = 'object' ELSE 0 END AS sound",
    )
    const site = db.raw(
      "CASE WHEN json_valid(body) THEN json_object('site', json_extract(body, '$.site')) END AS site",
    )
    const row = (await db<Row>('jobs').where({ id }).first('*', sound, site)) as
      (Row & { sound: 0 | 1; site: string | null }) | undefined
    if (!row) return null
    const wrong = row.version > JOB_VERSION ? 'newer' : row.sound === 1 ? null : 'damaged'
    return { ...summary(row), timeZone: row.time_zone, site: row.site, body: row.body, wrong }
  },

  async create(given: JobDraft, now: string, id: string = randomUUID()): Promise<StoredJob> {
    const text = draftText(given)
    return { ...(await this.createText(id, text, now)), draft: currentDraft(given) }
  },

  /** Begins a job from a draft of today's version as text. */
  async createText(id: string, { body, listed }: DraftText, now: string): Promise<JobSummary> {
    const row: Row = {
      id,
      revision: 1,
      version: JOB_VERSION,
      body,
      saved_at: now,
      put_away_at: null,
      ...listed,
    }
    await asOne(db, async (trx) => {
      await trx<Row>('jobs').insert(row)
      await keepRevision(trx, row, '')
      await touchPlan(trx, id, row.time_zone)
    })
    return summary(row)
  },

  /**
   * Saves on top of the revision the writer started from; a save on an older one is refused and the
   * stored one handed back, and so is one on a job that was archived. What is stored already counts
   * as saved: the same save may come twice when its answer was lost. `device` says who saves, for
   * the history.
   */
  async save(
    id: string,
    revision: number,
    given: JobDraft,
    now: string,
    device = '',
  ): Promise<SaveResult> {
    return this.saveText(id, revision, draftText(given), now, device)
  },

  /** The same, of a draft that is text already. */
  async saveText(
    id: string,
    revision: number,
    { body, listed }: DraftText,
    now: string,
    device = '',
  ): Promise<SaveResult> {
    return asOne(db, async (trx): Promise<SaveResult> => {
      const found = await trx<Row>('jobs')
        .where({ id })
        .select('revision', 'version', 'put_away_at')
        .first()
      if (!found) return { missing: true }
      if (found.version > JOB_VERSION) throw new UnreadableJob(id, 'newer')
      if (found.revision !== revision) {
        const held = sure(await trx<Row>('jobs').where({ id }).first())
        return held.body === body && held.put_away_at === null
          ? { saved: summary(held) }
          : { conflict: fromRow(held) }
      }
      if (found.put_away_at !== null) return { archived: true }
      const row = {
        id,
        revision: revision + 1,
        version: JOB_VERSION,
        body,
        saved_at: now,
        ...listed,
      }
      await trx<Row>('jobs').where({ id }).update(row)
      await keepRevision(trx, row, device)
      await touchPlan(trx, id, row.time_zone)
      return { saved: summary({ ...row, put_away_at: null }) }
    })
  },

  async setArchived(id: string, at: string | null): Promise<boolean> {
    return asOne(db, async (trx) => {
      const changed = await trx<Row>('jobs').where({ id }).update({ put_away_at: at })
      if (changed !== 1) return false
      if (at === null)
        await touchPlan(
          trx,
          id,
          sure(await trx<Row>('jobs').where({ id }).select('time_zone').first()).time_zone,
        )
      else await forgetPlan(trx, id)
      return true
    })
  },
})
export type JobStore = ReturnType<typeof jobStore>
