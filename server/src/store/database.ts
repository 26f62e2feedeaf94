import { mkdirSync } from 'node:fs'
import { join } from 'node:path'
import knex, { type Knex } from 'knex'
import { migrations } from './migrations.ts'

/** The name of the database in its folder. */
export const DATABASE = 'juvena.sqlite'

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
