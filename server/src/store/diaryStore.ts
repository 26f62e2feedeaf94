import type { Knex } from 'knex'
import { asOne } from './transaction.ts'
import { touchPlan } from './plannedStore.ts'
import { keepSeedUsed } from './stockStore.ts'
import { diaryEntry, type DiaryEntry } from '@juvena/core/entities/diary'

interface Row {
  sequence: number
  id: string
  job_id: string
  body: string
  received_at: string
}

const KEYS = Object.keys(diaryEntry.shape).map((key) => `"${key}":`)

/** An id that belongs to an entry of another job: it would be lost without a word. */
export class OtherJobsEntry extends Error {
  constructor(id: string) {
    super(
      `A diary entry with the id ${id} belongs to another job already. Send it under an id of its own.`,
    )
  }
}

export const diaryStore = (db: Knex) => ({
  async of(jobId: string): Promise<DiaryEntry[]> {
    const rows = await db<Row>('diary').where({ job_id: jobId }).orderBy('sequence')
    return rows.map((row) => diaryEntry.parse(JSON.parse(row.body)))
  },

  /**
   * A job's diary as JSON text. Entries of today's shape go as they lie; older ones are read first.
   */
  async text(jobId: string): Promise<string> {
    const rows = await db<Row>('diary').where({ job_id: jobId }).orderBy('sequence').select('body')
    return `[${rows.map(({ body }) => (KEYS.every((key) => body.includes(key)) ? body : JSON.stringify(diaryEntry.parse(JSON.parse(body))))).join(',')}]`
  },

  /**
   * Keeps an entry, and what it used from the shelf unless that was counted where it was written.
   * The same id again is not kept twice; true when it was new.
   */
  async append(
    jobId: string,
    entry: DiaryEntry,
    now: string,
    { fromShelf = true } = {},
  ): Promise<boolean> {
    return asOne(db, async (trx) => {
      const kept = await trx.raw(
        'INSERT OR IGNORE INTO diary (id, job_id, body, received_at) VALUES (?, ?, ?, ?)',
        [entry.id, jobId, JSON.stringify(entry), now],
      )
      const added = (kept as { changes: number }).changes === 1
      if (
        !added &&
        (await trx<Row>('diary').where({ id: entry.id }).first('job_id'))?.job_id !== jobId
      )
        throw new OtherJobsEntry(entry.id)
      if (added) await touchPlan(trx, jobId)
      const movesSeed = entry.lots.length > 0 || entry.corrects || entry.stands.length > 0
      if (added && fromShelf && movesSeed)
        await keepSeedUsed(trx, jobId, entry, await diaryStore(trx).of(jobId), now)
      return added
    })
  },
})
export type DiaryStore = ReturnType<typeof diaryStore>
