import { existsSync, readdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import type { Knex } from 'knex'
import { addDays } from '@juvena/core/calendar/day'
import { backupsOf, isDaily, KEPT, type Backup } from './backups.ts'
import { DATABASE, reading } from './database.ts'

/**
 * The jobs that were erased, by id alone, beside the database too: a restored backup does not know
 * of what was erased after it was made.
 */
const FILE = 'erased.json'
/** What a job is called once its customer is erased. */
export const ERASED = 'Erased customer'
interface ErasedJob {
  job_id: string
  erased_at: string
}

const inFile = (folder: string): ErasedJob[] => {
  const path = join(folder, FILE)
  return existsSync(path) ? (JSON.parse(readFileSync(path, 'utf8')) as ErasedJob[]) : []
}

/** Puts down outside the database what was erased. */
export async function noteErased(db: Knex, folder: string): Promise<void> {
  const rows = await db<ErasedJob>('erased').select('job_id', 'erased_at')
  const known = new Map([...inFile(folder), ...rows].map((e) => [e.job_id, e]))
  if (known.size === 0) return
  const path = join(folder, FILE)
  writeFileSync(`${path}.half`, JSON.stringify([...known.values()]), { mode: 0o600 })
  renameSync(`${path}.half`, path)
}

/** Erased jobs that are here with their names: a backup from before brought them back. */
export async function backAgain(db: Knex, folder: string): Promise<string[]> {
  const known = new Set((await db<ErasedJob>('erased').select('job_id')).map((e) => e.job_id))
  const others = inFile(folder).filter((e) => !known.has(e.job_id))
  const here: string[] = []
  for (const { job_id } of others)
    if (await db('jobs').where({ id: job_id }).first('id')) here.push(job_id)
  return here
}

/** What a backup or a folder moved aside still holds of erased customers. */
export interface StillHeld {
  /** The backup's file, or the folder's name. */
  where: string
  /** How many erased customers are in it. */
  jobs: number
  /**
   * ISO day by which it is gone when Juvena runs each day; null where a person has to delete it.
   */
  until: string | null
}

/** Which backups, and which folders a restore moved aside, still hold an erased customer. */
export function stillHeld(folder: string, today: string): StillHeld[] {
  const erased = inFile(folder)
  if (erased.length === 0) return []
  const held = (path: string): number => {
    try {
      return reading(path, (db) => {
        const named = db.prepare('SELECT 1 FROM jobs WHERE id = ? AND name <> ?')
        return erased.filter((e) => named.get(e.job_id, ERASED) !== undefined).length
      })
    } catch {
      return 0
    }
  }
  const backups = backupsOf(folder)
  const daily = backups.filter(isDaily)
  const inBackups = backups.map((b) => ({
    where: b.file,
    jobs: held(join(folder, 'backups', b.file)),
    until: goneBy(b, daily, today),
  }))
  const aside = readdirSync(folder)
    .filter((name) => name.startsWith('before-restore-'))
    .map((name) => ({ where: name, jobs: held(join(folder, name, DATABASE)), until: null }))
  return [...inBackups, ...aside].filter((h) => h.jobs > 0)
}

/** The day on which a daily backup makes room for newer ones. */
function goneBy(backup: Backup, daily: readonly Backup[], today: string): string | null {
  const newer = daily.findIndex((b) => b.file === backup.file)
  if (newer < 0) return null
  return addDays(today, KEPT - newer)
}
