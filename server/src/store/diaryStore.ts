import type { Knex } from 'knex'
import { keepSeedUsed } from './stockStore.ts'
import { diaryEntry, type DiaryEntry } from '@juvena/core/entities/diary'

interface Row {
  sequence: number
  id: string
  job_id: string
  body: string
  received_at: string
}

export const diaryStore = (db: Knex) => ({
  async of(jobId: string): Promise<DiaryEntry[]> {
    const rows = await db<Row>('diary').where({ job_id: jobId }).orderBy('sequence')
    return rows.map((row) => diaryEntry.parse(JSON.parse(row.body)))
  },

  async ofAll(jobIds: readonly string[]): Promise<Map<string, DiaryEntry[]>> {
    const map = new Map<string, DiaryEntry[]>(jobIds.map((id) => [id, []]))
    if (jobIds.length === 0) return map
    const rows = await db<Row>('diary').whereIn('job_id', jobIds).orderBy('sequence')
    for (const row of rows) map.get(row.job_id)?.push(diaryEntry.parse(JSON.parse(row.body)))
    return map
  },

  /** Keeps an entry, and what it used from the shelf unless that was counted where it was written. The same id again is not kept twice; true when it was new. */
  async append(jobId: string, entry: DiaryEntry, now: string, { fromShelf = true } = {}): Promise<boolean> {
    return db.transaction(async (trx) => {
      const kept = await trx.raw('INSERT OR IGNORE INTO diary (id, job_id, body, received_at) VALUES (?, ?, ?, ?)', [
        entry.id,
        jobId,
        JSON.stringify(entry),
        now,
      ])
      const added = (kept as { changes: number }).changes === 1
      if (added && fromShelf) await keepSeedUsed(trx, jobId, entry, now)
      return added
    })
  },
})
export type DiaryStore = ReturnType<typeof diaryStore>
