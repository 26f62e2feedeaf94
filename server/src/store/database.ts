import { mkdirSync } from 'node:fs'
import { join } from 'node:path'
import type Database from 'better-sqlite3'
import knex, { type Knex } from 'knex'
import { migrations } from './migrations.ts'

/** The name of the database in its folder. */
export const DATABASE = 'juvena.sqlite'

type Open = Pick<InstanceType<typeof Database>, 'prepare'>
const names = (db: Open, sql: string): string[] =>
  (db.prepare(sql).all() as { name: string }[]).map((row) => row.name)

/** The tables of an open database. */
export const tablesOf = (db: Open): Set<string> =>
  new Set(names(db, "SELECT name FROM sqlite_master WHERE type = 'table'"))

/** Whether a newer Juvena has changed its tables: a migration was done that this one has not. */
export const isNewer = (db: Open): boolean =>
  names(db, 'SELECT name FROM knex_migrations').some((done) =>
    migrations.every((m) => m.name !== done),
  )

/**
 * Opens the firm's database in a folder, brings its tables up to date, and returns it. ":memory:"
 * keeps nothing.
 */
export async function openDatabase(folder: string): Promise<Knex> {
  const filename = folder === ':memory:' ? ':memory:' : join(folder, DATABASE)
  if (folder !== ':memory:') mkdirSync(folder, { recursive: true, mode: 0o700 })
  const db = knex({
    client: 'better-sqlite3',
    connection: { filename },
    useNullAsDefault: true,
    pool: {
      min: 1,
      max: 1,
      afterCreate(
        connection: { pragma: (text: string) => void },
        done: (error: Error | null, connection: unknown) => void,
      ) {
        connection.pragma('journal_mode = WAL')
        connection.pragma('synchronous = FULL')
        connection.pragma('foreign_keys = ON')
        done(null, connection)
      },
    },
  })
  await db.migrate.latest({
    migrationSource: {
      getMigrations: async () => [...migrations],
      getMigrationName: (migration: (typeof migrations)[number]) => migration.name,
      getMigration: async (migration: (typeof migrations)[number]) => migration,
    },
  })
  return db
}
