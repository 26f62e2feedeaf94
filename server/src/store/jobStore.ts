import { randomUUID } from 'node:crypto'
import type { Knex } from 'knex'
import { JOB_VERSION, type JobDraft } from '@juvena/core/entities/job'
import { currentDraft } from '@juvena/core/entities/jobVersions'

export interface StoredJob {
  id: string
  revision: number
  name: string
  savedAt: string
  archivedAt: string | null
  draft: JobDraft
}

interface Row {
  id: string
  revision: number
  version: number
  name: string
  body: string
  saved_at: string
  put_away_at: string | null
}

const fromRow = (row: Row): StoredJob => ({
  id: row.id,
  revision: row.revision,
  name: row.name,
  savedAt: row.saved_at,
  archivedAt: row.put_away_at,
  draft: JSON.parse(row.body) as JobDraft,
})

export type SaveResult = { saved: StoredJob } | { conflict: StoredJob } | { missing: true }

export const jobStore = (db: Knex) => ({
  /** Jobs, newest save first: all of them, unless only the newest few are asked for. */
  async list(archive: boolean, newest?: number): Promise<StoredJob[]> {
    const all = db<Row>('jobs')
      .where((q) => (archive ? q.whereNotNull('put_away_at') : q.whereNull('put_away_at')))
      .orderBy('saved_at', 'desc')
    const rows = await (newest === undefined ? all : all.limit(newest))
    return rows.map(fromRow)
  },

  async get(id: string): Promise<StoredJob | null> {
    const row = await db<Row>('jobs').where({ id }).first()
    return row ? fromRow(row) : null
  },

  async create(given: JobDraft, now: string, id: string = randomUUID()): Promise<StoredJob> {
    const draft = currentDraft(given)
    const row: Row = { id, revision: 1, version: JOB_VERSION, name: draft.name ?? '', body: JSON.stringify(draft), saved_at: now, put_away_at: null }
    await db<Row>('jobs').insert(row)
    return fromRow(row)
  },

  /** Saves on top of the revision the writer started from; a save on an older one is refused and the stored one handed back. */
  async save(id: string, revision: number, given: JobDraft, now: string): Promise<SaveResult> {
    const draft = currentDraft(given)
    return db.transaction(async (trx): Promise<SaveResult> => {
      const changed = await trx<Row>('jobs')
        .where({ id, revision })
        .update({ revision: revision + 1, version: JOB_VERSION, name: draft.name ?? '', body: JSON.stringify(draft), saved_at: now })
      const row = await trx<Row>('jobs').where({ id }).first()
      if (!row) return { missing: true }
      return changed === 1 ? { saved: fromRow(row) } : { conflict: fromRow(row) }
    })
  },

  async setArchived(id: string, at: string | null): Promise<boolean> {
    return (await db<Row>('jobs').where({ id }).update({ put_away_at: at })) === 1
  },
})
export type JobStore = ReturnType<typeof jobStore>
