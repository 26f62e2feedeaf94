import { sure } from '@juvena/core/quantities/sure'
import { randomBytes } from 'node:crypto'
import Database from 'better-sqlite3'
import {
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
} from 'node:fs'
import { join, resolve } from 'node:path'
import { DATABASE, isNewer, reading, tablesOf } from './database.ts'

/** A backup is one file: a copy of the database, with the photographs in a table of their own. */
export interface Backup {
  file: string
  /** ISO moment. */
  madeAt: string
  bytes: number
}
export interface BackupContents {
  madeAt: string
  jobs: number
  entries: number
  photographs: number
}

const FOLDER = 'backups'
const END = '.juvena-backup'
const DAILY = `-daily${END}`
/** Whether a backup was made by itself, and makes room for newer ones. */
export const isDaily = ({ file }: Pick<Backup, 'file'>): boolean => file.endsWith(DAILY)
/** Automatic ones that are kept. */
export const KEPT = 7

/** Two of one second are two files. */
const named = (madeAt: string, kind: 'daily' | 'asked') =>
  `${madeAt.replaceAll(':', '-').slice(0, 19)}-${randomBytes(3).toString('hex')}-${kind}${END}`

/** The backups of a folder, newest first. */
export function backupsOf(folder: string): Backup[] {
  const at = join(folder, FOLDER)
  if (!existsSync(at)) return []
  return readdirSync(at)
    .filter((name) => name.endsWith(END))
    .sort()
    .reverse()
    .map((name) => ({
      file: name,
      madeAt: `${name.slice(0, 10)}T${name.slice(11, 19).replaceAll('-', ':')}Z`,
      bytes: statSync(join(at, name)).size,
    }))
}
/** Removes what a backup that was cut off has left. */
export function sweepBackups(folder: string): void {
  const at = join(folder, FOLDER)
  if (!existsSync(at)) return
  for (const name of readdirSync(at))
    if (/\.half(-journal)?$/.test(name)) rmSync(join(at, name), { force: true })
}
/** Deletes a backup for good; whether there was one. */
export function deleteBackup(folder: string, file: string): boolean {
  const path = backupPath(folder, file)
  if (path) rmSync(path)
  return path !== null
}
/** Where the newest backup of a folder that holds together lies; null where there is none. */
export function newestBackup(folder: string): string | null {
  for (const { file } of backupsOf(folder)) {
    const path = join(folder, FOLDER, file)
    if (typeof contentsOf(path) !== 'string') return path
  }
  return null
}
export const backupPath = (folder: string, file: string): string | null =>
  backupsOf(folder).some((b) => b.file === file) ? resolve(folder, FOLDER, file) : null

/**
 * Writes a backup of a folder, under writes: the database as it is at one moment, and every
 * photograph its rows name. Under a temporary name until it is whole. Takes as long as the data is
 * large; meant for a thread or a command.
 */
export function writeBackup(
  folder: string,
  madeAt: string,
  kind: 'daily' | 'asked',
  to: string | null = null,
): { path: string; contents: BackupContents } {
  const at = to === null ? join(folder, FOLDER) : resolve(to, '..')
  mkdirSync(at, { recursive: true, mode: 0o700 })
  const path = to === null ? join(at, named(madeAt, kind)) : resolve(to)
  const half = `${path}.half`
  rmSync(half, { force: true })
  try {
    reading(join(folder, DATABASE), (source) => source.prepare('VACUUM INTO ?').run(half))
    const copy = new Database(half)
    try {
      copy.pragma('journal_mode = DELETE')
      copy.exec(
        'CREATE TABLE backup_photos (name TEXT PRIMARY KEY, bytes BLOB NOT NULL); CREATE TABLE backup_made (made_at TEXT NOT NULL, photographs INTEGER NOT NULL)',
      )
      const keep = copy.prepare('INSERT INTO backup_photos VALUES (?, ?)')
      const ids = (copy.prepare('SELECT id FROM photos').all() as { id: string }[]).map((r) => r.id)
      let photographs = 0
      copy.transaction(() => {
        for (const id of ids)
          for (const name of [`${id}.jpg`, `${id}.small.jpg`]) {
            const file = join(folder, 'photos', name)
            // One that somebody deleted from the folder is not there to be kept.
            if (!existsSync(file)) continue
            keep.run(name, readFileSync(file))
            if (!name.endsWith('.small.jpg')) photographs++
          }
        copy.prepare('INSERT INTO backup_made VALUES (?, ?)').run(madeAt, photographs)
      })()
    } finally {
      copy.close()
    }
    renameSync(half, path)
  } catch (error) {
    for (const end of ['', '-journal']) rmSync(half + end, { force: true })
    throw error
  }
  const contents = contentsOf(path) as BackupContents
  // A firm without jobs never pushes out the backups of one that had some.
  if (kind === 'daily' && contents.jobs > 0)
    for (const old of backupsOf(folder).filter(isDaily).slice(KEPT))
      rmSync(join(folder, FOLDER, old.file), { force: true })
  return { path, contents }
}

/** What a backup holds; a sentence where it is none, is damaged or cut short. */
export function contentsOf(path: string): BackupContents | string {
  if (!existsSync(path) || !statSync(path).isFile()) return `There is no file ${path}.`
  let db: InstanceType<typeof Database> | null = null
  try {
    db = new Database(path, { readonly: true, fileMustExist: true })
    if (db.pragma('integrity_check(1)', { simple: true }) !== 'ok')
      return `${path} is damaged. Choose another backup.`
    const tables = tablesOf(db)
    if (!tables.has('backup_made'))
      return `${path} is no backup of Juvena’s, or was cut short. Choose another file.`
    const lacking = ['jobs', 'diary', 'photos', 'firm', 'backup_photos', 'knex_migrations'].find(
      (name) => !tables.has(name),
    )
    if (lacking) return `${path} lacks its table “${lacking}”. Choose another backup.`
    if (isNewer(db))
      return `${path} was made by a newer Juvena. Update this one, or choose another backup.`
    const made = db.prepare('SELECT made_at, photographs FROM backup_made').get() as
      { made_at: string; photographs: number } | undefined
    if (!made) return `${path} was not finished. Choose another backup.`
    const count = (table: string) =>
      (sure(db).prepare(`SELECT count(*) AS n FROM ${table}`).get() as { n: number }).n
    return {
      madeAt: made.made_at,
      jobs: count('jobs'),
      entries: count('diary'),
      photographs: made.photographs,
    }
  } catch {
    return `${path} is no backup of Juvena’s, or was cut short. Choose another file.`
  } finally {
    db?.close()
  }
}
