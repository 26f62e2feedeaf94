import Database from 'better-sqlite3'
import { existsSync, mkdirSync, readdirSync, statSync } from 'node:fs'
import { join } from 'node:path'
import type { Knex } from 'knex'
import { newestBackup, sweepBackups } from './backups.ts'
import { sweepTrial } from './checkBackup.ts'
import { restoreAtStart } from './restore.ts'
import { DATABASE, isNewer, openDatabase, tablesOf } from './database.ts'
import { StartFailure } from '../start/startFailure.ts'

/** Holds a folder for one server: the lock goes with the process, however it ends. */
export function lockFolder(folder: string): { release: () => void } {
  mkdirSync(folder, { recursive: true, mode: 0o700 })
  const lock = new Database(join(folder, 'juvena.lock'), { timeout: 0 })
  try {
    lock.pragma('locking_mode = EXCLUSIVE')
    lock.exec('BEGIN EXCLUSIVE')
  } catch (error) {
    lock.close()
    if (String((error as { code?: unknown }).code).startsWith('SQLITE_BUSY'))
      throw new StartFailure(
        `Another Juvena runs on ${folder} already. Use that one, stop it, or set JUVENA_DATA to another folder.`,
      )
    throw error
  }
  return { release: () => lock.close() }
}

/** What is wrong with the files of a folder, before anything is written; null where nothing is. */
export function wrongWith(folder: string): string | null {
  if (!existsSync(folder)) return null
  const file = join(folder, DATABASE)
  const backup = newestBackup(folder)
  const back = backup
    ? `The newest good backup is ${backup}: npm run restore -- ${backup} brings it back.`
    : 'Restore a backup with npm run restore, or move the folder away to begin anew.'
  if (!existsSync(file) || statSync(file).size === 0) {
    if (backup)
      return `${folder} holds backups but ${existsSync(file) ? 'an empty' : 'no'} database. ${back}`
    const photos = existsSync(join(folder, 'photos'))
      ? readdirSync(join(folder, 'photos')).length
      : 0
    return photos > 0 ? `${folder} holds photographs but no database. ${back}` : null
  }
  let db: InstanceType<typeof Database> | null = null
  try {
    db = new Database(file, { readonly: true, fileMustExist: true })
    const checked = db.pragma('quick_check(1)', { simple: true })
    if (checked !== 'ok') return `The database in ${folder} is damaged. ${back}`
    const tables = tablesOf(db)
    if (!tables.has('knex_migrations'))
      return tables.size === 0
        ? backup
          ? `${folder} holds backups but an empty database. ${back}`
          : null
        : `The database in ${folder} is not Juvena’s. Set JUVENA_DATA to another folder.`
    return isNewer(db)
      ? `The database in ${folder} was written by a newer Juvena. Update this one, or set JUVENA_DATA to another folder.`
      : null
  } catch (error) {
    const code = String((error as { code?: unknown }).code)
    if (code === 'SQLITE_NOTADB' || code.startsWith('SQLITE_CORRUPT'))
      return `The database in ${folder} is damaged, or is none. ${back}`
    throw error
  } finally {
    db?.close()
  }
}

/**
 * Opens a firm's folder for one server: locked, checked, brought up to date. Throws `StartFailure`,
 * or the fault of the disk.
 */
export async function openFirm(folder: string): Promise<{ db: Knex; close: () => Promise<void> }> {
  const lock = lockFolder(folder)
  try {
    const restored = restoreAtStart(folder, new Date().toISOString())
    if (restored) console.log(restored)
    sweepBackups(folder)
    sweepTrial(folder)
    const wrong = wrongWith(folder)
    if (wrong) throw new StartFailure(wrong)
    const db = await openDatabase(folder)
    return {
      db,
      async close() {
        await db.destroy()
        lock.release()
      },
    }
  } catch (error) {
    lock.release()
    throw error
  }
}
