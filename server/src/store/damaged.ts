import type { Knex } from 'knex'
import { backupPath, backupsOf } from './backups.ts'
import { reading } from './database.ts'

/** Tables whose rows hold one thing each, and what a person calls it. */
const TABLES = {
  stations: 'weather station',
  seed_lots: 'seed lot',
  stock_movements: 'movement of the stock',
  firm: 'settings of the firm',
} as const
type Table = keyof typeof TABLES

/** A row that cannot be read. The rest goes on without it. */
export interface DamagedRow {
  table: Table
  id: string
  what: string
}

/** What was met damaged in a database since it was opened. */
const met = new WeakMap<Knex, Map<string, DamagedRow>>()
const metIn = (db: Knex) => {
  const known = met.get(db) ?? new Map<string, DamagedRow>()
  met.set(db, known)
  return known
}
export const damagedRows = (db: Knex): DamagedRow[] => [...metIn(db).values()]

/** JSON as it was kept; null where it cannot be read. */
export function parsed<T>(text: string): T | null {
  try {
    return JSON.parse(text) as T
  } catch {
    return null
  }
}

/** The body of a row; null where it is damaged, which is noted. */
export function bodyOf<T>(db: Knex, table: Table, id: string | number, text: string): T | null {
  const body = parsed<T>(text)
  const valid = typeof body === 'object' && body !== null
  const key = `${table} ${id}`
  if (valid) metIn(db).delete(key)
  else metIn(db).set(key, { table, id: String(id), what: TABLES[table] })
  return valid ? body : null
}

/**
 * Restores one row from the newest backup in which it can be read; the file it came from, or null
 * where none has it. Nothing else is changed.
 */
export async function restoreRow(
  db: Knex,
  folder: string,
  table: string,
  id: string,
): Promise<string | null> {
  if (!Object.hasOwn(TABLES, table)) return null
  for (const { file } of backupsOf(folder)) {
    const body = bodyInBackup(backupPath(folder, file), table as Table, id)
    if (body === null) continue
    const changed = await db(table).where({ id }).update({ body })
    // Whatever is kept from it is worked again.
    if (table !== 'stock_movements') await db(table).where({ id }).increment('revision', 1)
    else
      await db('seed_lots')
        .whereIn('id', db('stock_movements').where({ id }).select('lot_id'))
        .increment('revision', 1)
    if (changed === 1) metIn(db).delete(`${table} ${id}`)
    return changed === 1 ? file : null
  }
  return null
}

function bodyInBackup(path: string | null, table: Table, id: string): string | null {
  if (!path) return null
  try {
    return reading(path, (backup) => {
      const row = backup.prepare(`SELECT body FROM ${table} WHERE id = ?`).get(id) as
        { body: string } | undefined
      return row && parsed(row.body) !== null ? row.body : null
    })
  } catch {
    return null
  }
}
