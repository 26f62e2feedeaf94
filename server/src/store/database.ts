import { mkdirSync } from 'node:fs'
import { join } from 'node:path'
import Database from 'better-sqlite3'
import knex, { type Knex } from 'knex'
import { migrations } from './migrations.ts'

/** The name of the database in its folder. */
export const DATABASE = 'juvena.sqlite'

type Open = Pick<InstanceType<typeof Database>, 'prepare'>

/**
 * Reads a database file by a connection of its own that writes nothing and is closed after it.
 * Throws where there is none, or it cannot be read.
 */
export function reading<T>(path: string, read: (db: InstanceType<typeof Database>) => T): T {
  const db = new Database(path, { readonly: true, fileMustExist: true })
  try {
    return read(db)
  } finally {
    db.close()
  }
}

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

interface Connection {
  pragma: (text: string) => void
  prepare: (sql: string) => object
}
/** As many statements are kept ready; beyond that all are made anew. */
const MOST_STATEMENTS = 300
/**
 * Keeps statements that read or write rows for the next who asks the same: to prepare one takes
 * nearly as long as to read a job by it. SQLite makes them anew by itself where a table has changed.
 */
function keepStatements(connection: Connection): void {
  const prepare = connection.prepare.bind(connection)
  const ready = new Map<string, object>()
  connection.prepare = (sql) => {
    const known = ready.get(sql)
    if (known) return known
    const made = prepare(sql)
    if (ready.size >= MOST_STATEMENTS) ready.clear()
    if (/^(select|with|insert|update|delete|begin|commit)/i.test(sql)) ready.set(sql, made)
    return made
  }
}

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
        connection: Connection,
        done: (error: Error | null, connection: unknown) => void,
      ) {
        connection.pragma('journal_mode = WAL')
        connection.pragma('synchronous = FULL')
        connection.pragma('foreign_keys = ON')
        keepStatements(connection)
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
  if (await hasTraces(db)) await rewrite(db)
  return db
}

/** A file of no more is rewritten at once, bytes: nobody notices. A larger one at the next start. */
const SMALL = 30_000_000
/** The mark of a file in which traces of what was deleted may be left. */
const TRACES = 2

const first = async (db: Knex, pragma: string): Promise<number> => {
  const [row] = (await db.raw(`PRAGMA ${pragma}`)) as Record<string, number>[]
  return Object.values(row ?? {})[0] ?? 0
}
const hasTraces = async (db: Knex): Promise<boolean> => (await first(db, 'user_version')) === TRACES

/** Writes the file anew, without what was deleted from it, and empties the log beside it. */
async function rewrite(db: Knex): Promise<void> {
  await db.raw('VACUUM')
  await db.raw('PRAGMA user_version = 1')
  await emptyLog(db)
}

/**
 * Removes the traces that deleted rows leave in a database file. A large one is rewritten at the
 * next start, for nobody could work meanwhile: whether it is done already.
 */
export async function removeTraces(db: Knex): Promise<boolean> {
  await db.raw(`PRAGMA user_version = ${TRACES}`)
  const bytes = (await first(db, 'page_count')) * (await first(db, 'page_size'))
  if (bytes <= SMALL) await rewrite(db)
  return bytes <= SMALL
}

/** Another connection is waited for so long, ms. */
const WAITS = 5_000
/** Empties the log into the database file. While somebody reads it, tried again a moment later. */
async function emptyLog(db: Knex, tries = 30): Promise<void> {
  await db.raw('PRAGMA busy_timeout = 0')
  const [done] = (await db
    .raw('PRAGMA wal_checkpoint(TRUNCATE)')
    .catch(() => [])
    .finally(() => db.raw(`PRAGMA busy_timeout = ${WAITS}`))) as { busy: number }[]
  if (done?.busy !== 0 && tries > 0)
    setTimeout(() => void emptyLog(db, tries - 1).catch(() => undefined), 2_000).unref()
}
