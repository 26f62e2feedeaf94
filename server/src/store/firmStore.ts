import type { Knex } from 'knex'
import { bodyOf } from './damaged.ts'
import { asOne } from './transaction.ts'
import type { FirmDraft } from '@juvena/core/entities/firm'

interface Row {
  id: number
  revision: number
  body: string
  saved_at: string
}
export interface StoredFirm {
  revision: number
  savedAt: string
  draft: FirmDraft
}

export const firmStore = (db: Knex) => ({
  async get(): Promise<StoredFirm> {
    const row = await db<Row>('firm').where({ id: 1 }).first()
    return row
      ? {
          revision: row.revision,
          savedAt: row.saved_at,
          draft: bodyOf<FirmDraft>(db, 'firm', 1, row.body) ?? {},
        }
      : { revision: 0, savedAt: '', draft: {} }
  },

  /**
   * Saves on top of a revision; null when another save came first. The same save may come twice,
   * when its answer was lost.
   */
  async save(revision: number, draft: FirmDraft, now: string): Promise<StoredFirm | null> {
    const row = { revision: revision + 1, body: JSON.stringify(draft), saved_at: now }
    const changed = await asOne(db, async (trx) => {
      if (revision === 0)
        return (await trx.raw(
          'INSERT OR IGNORE INTO firm (id, revision, body, saved_at) VALUES (1, ?, ?, ?)',
          [row.revision, row.body, row.saved_at],
        )) as { changes: number }
      return { changes: await trx<Row>('firm').where({ id: 1, revision }).update(row) }
    })
    if (changed.changes === 1) return { revision: row.revision, savedAt: now, draft }
    const held = await this.get()
    return held.revision > 0 && JSON.stringify(held.draft) === row.body ? held : null
  },
})
export type FirmStore = ReturnType<typeof firmStore>
