import { randomUUID } from 'node:crypto'
import type { Knex } from 'knex'
import { sure } from '@juvena/core/quantities/sure'
import { bodyOf, parsed } from './damaged.ts'
import { asOne } from './transaction.ts'
import { activeEntries, tickedTwice, type DiaryEntry } from '@juvena/core/entities/diary'
import { stockMovement, type SeedLotDraft, type StockMovement } from '@juvena/core/entities/stock'

export interface StoredLot {
  id: string
  revision: number
  draft: SeedLotDraft
  savedAt: string
  archivedAt: string | null
}

interface Row {
  id: string
  revision: number
  body: string
  saved_at: string
  archived_at: string | null
}
interface MovementRow {
  sequence: number
  id: string
  lot_id: string
  body: string
  received_at: string
}

/** Keeps movements of lots that are there; an id that is known is not kept twice. */
async function keep(db: Knex, movements: readonly StockMovement[], now: string): Promise<number> {
  let kept = 0
  for (const m of movements) {
    const done = await db.raw(
      'INSERT OR IGNORE INTO stock_movements (id, lot_id, body, received_at) SELECT ?, id, ?, ? FROM seed_lots WHERE id = ?',
      [m.id, JSON.stringify(m), now, m.lot],
    )
    kept += (done as { changes: number }).changes
  }
  return kept
}

/**
 * What a diary entry takes from the shelf, and what an entry that corrects another gives back.
 * `diary` is the job's, with the entry in it: seed of a step that was recorded twice is taken once
 * until somebody says that both stand.
 */
export async function keepSeedUsed(
  db: Knex,
  jobId: string,
  entry: DiaryEntry,
  diary: readonly DiaryEntry[],
  now: string,
): Promise<void> {
  if (entry.corrects) await giveBack(db, jobId, entry, entry.corrects, now)
  const twice = new Set(tickedTwice(diary).map((e) => e.id))
  const replaced = diary.find((e) => e.id === entry.corrects)
  const counted = activeEntries(diary).filter(
    (e) =>
      e.lots.length > 0 &&
      !twice.has(e.id) &&
      // What this entry may have settled: itself, those it says both stand, and the other record of
      // a step whose first was struck out.
      (e.id === entry.id ||
        entry.stands.includes(e.id) ||
        (replaced !== undefined && replaced.step !== null && e.step === replaced.step)),
  )
  for (const e of counted) await takeSeed(db, jobId, e, now)
}

async function takeSeed(db: Knex, jobId: string, entry: DiaryEntry, now: string): Promise<void> {
  const used = entry.lots.map(({ lot, zone, kg }, i): StockMovement =>
    stockMovement.parse({
      id: `diary.${entry.id}.${i}`,
      lot,
      kind: 'used',
      kg,
      on: entry.date,
      job: jobId,
      zone,
      note: entry.what,
    }),
  )
  await keep(db, used, now)
}

async function giveBack(
  db: Knex,
  jobId: string,
  entry: DiaryEntry,
  corrected: string,
  now: string,
): Promise<void> {
  const before = await db<MovementRow>('stock_movements').where(
    'id',
    'like',
    `diary.${corrected.replaceAll(/[%_]/g, '')}.%`,
  )
  const back = before
    .flatMap((row) => parsed<StockMovement>(row.body) ?? [])
    .filter((m) => m.kind === 'used' && m.job === jobId && m.id.startsWith(`diary.${corrected}.`))
    .map((m) =>
      stockMovement.parse({
        ...m,
        id: `${m.id}.back`,
        kind: 'returned',
        on: entry.date,
        note: `Corrects: ${m.note}`.slice(0, 400),
      }),
    )
  await keep(db, back, now)
}

/** The firm's lots of seed, and every movement of them. */
export function stockStore(db: Knex) {
  /** Null where what is stored of it is damaged. */
  const fromRow = (row: Row): StoredLot | null => {
    const draft = bodyOf<SeedLotDraft>(db, 'seed_lots', row.id, row.body)
    return (
      draft && {
        id: row.id,
        revision: row.revision,
        draft,
        savedAt: row.saved_at,
        archivedAt: row.archived_at,
      }
    )
  }
  return {
    async list(archived = false): Promise<StoredLot[]> {
      const rows = await db<Row>('seed_lots')
        .where((q) => (archived ? q.whereNotNull('archived_at') : q.whereNull('archived_at')))
        .orderBy('saved_at')
        .orderBy('id')
      return rows.flatMap((row) => fromRow(row) ?? [])
    },

    async get(id: string): Promise<StoredLot | null> {
      const row = await db<Row>('seed_lots').where({ id }).first()
      return row ? fromRow(row) : null
    },

    /** Adds lots, each with what is on the shelf of it: all of them or none. */
    async create(
      given: readonly {
        lot: SeedLotDraft
        received: { kg: number; on: string } | null
        id?: string
      }[],
      now: string,
    ): Promise<StoredLot[]> {
      return asOne(db, async (trx) => {
        const made: StoredLot[] = []
        for (const { lot, received, id = randomUUID() } of given) {
          const row: Row = {
            id,
            revision: 1,
            body: JSON.stringify(lot),
            saved_at: now,
            archived_at: null,
          }
          await trx<Row>('seed_lots').insert(row)
          if (received)
            await keep(
              trx,
              [
                stockMovement.parse({
                  id: `received.${id}`,
                  lot: id,
                  kind: 'received',
                  ...received,
                }),
              ],
              now,
            )
          made.push(sure(fromRow(row)))
        }
        return made
      })
    },

    /**
     * Saves on top of the revision the writer started from; null where another was saved meanwhile.
     */
    async save(
      id: string,
      revision: number,
      draft: SeedLotDraft,
      now: string,
    ): Promise<StoredLot | null> {
      const changed = await db<Row>('seed_lots')
        .where({ id, revision })
        .update({ revision: revision + 1, body: JSON.stringify(draft), saved_at: now })
      return changed === 1 ? this.get(id) : null
    },

    async setArchived(id: string, at: string | null): Promise<void> {
      await db<Row>('seed_lots').where({ id }).update({ archived_at: at })
    },

    /** Movements by lot, in the order they were received. */
    async movements(lot?: string): Promise<Map<string, StockMovement[]>> {
      const rows = await db<MovementRow>('stock_movements')
        .where((q) => (lot === undefined ? q : q.where({ lot_id: lot })))
        .orderBy('sequence')
      const map = new Map<string, StockMovement[]>()
      for (const row of rows) {
        const movement = bodyOf<StockMovement>(db, 'stock_movements', row.id, row.body)
        if (movement) map.set(row.lot_id, [...(map.get(row.lot_id) ?? []), movement])
      }
      return map
    },

    /** Keeps movements; how many were new. */
    move: (movements: readonly StockMovement[], now: string): Promise<number> =>
      asOne(db, (trx) => keep(trx, movements, now)),

    /** Changes whenever a lot or a movement does. */
    async version(): Promise<string> {
      const [lots, moves] = await Promise.all([
        db<Row>('seed_lots')
          .sum({ revisions: 'revision' })
          .count({ lots: '*' })
          .count({ archived: 'archived_at' })
          .first(),
        db<MovementRow>('stock_movements').max({ last: 'sequence' }).first(),
      ])
      return JSON.stringify([lots, moves])
    },
  }
}
export type StockStore = ReturnType<typeof stockStore>
