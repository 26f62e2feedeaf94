import Database from 'better-sqlite3'
import {
  closeSync,
  existsSync,
  fsyncSync,
  mkdirSync,
  openSync,
  readFileSync,
  renameSync,
  rmSync,
  statfsSync,
  statSync,
  writeFileSync,
} from 'node:fs'
import { basename, join } from 'node:path'
import { backupPath, contentsOf, type BackupContents } from './backups.ts'
import { DATABASE, reading } from './database.ts'

/**
 * Restoring is one act. The backup is laid out beside the firm; then a marker says what is moved,
 * and from there a restore that is cut off is finished by the next start. Cut off before the marker,
 * nothing has changed.
 */
const LAID = '.restoring'
const MARKER = 'restore-under-way.json'
/** Named by a person at a page, for the next start. */
const ASKED = 'restore-asked.json'
const FIRM = [DATABASE, `${DATABASE}-wal`, `${DATABASE}-shm`, 'photos'] as const
/** Room wanted beyond what the backup takes. */
const SPARE = 1.1

interface Moves {
  /** The folder that what lay there is moved to, and the names of it. */
  aside: string | null
  there: string[]
  from: string
}

/** Told at each stage of a restore; throws in tests that cut it off there. */
type Stage = 'checked' | 'laid' | 'marked' | 'aside' | 'database' | 'photos' | 'done'
type At = (stage: Stage) => void

/** What is written stays written, whatever happens to the power. */
function settle(path: string): void {
  const file = openSync(path, 'r')
  try {
    fsyncSync(file)
  } finally {
    closeSync(file)
  }
}

/**
 * Restores a backup into a folder. Gives the contents and where the former data went; a sentence
 * where it cannot be done, and then nothing has changed. Nobody else may use the folder meanwhile.
 */
export function restoreBackup(
  path: string,
  folder: string,
  now: string,
  at: At = () => undefined,
): { contents: BackupContents; aside: string | null } | string {
  const contents = contentsOf(path)
  if (typeof contents === 'string') return contents
  mkdirSync(folder, { recursive: true, mode: 0o700 })
  const { bavail, bsize } = statfsSync(folder)
  const [free, wanted] = [bavail * bsize, statSync(path).size * SPARE]
  if (free < wanted)
    return `${folder} has ${megabytes(free)} of room left, and the backup takes ${megabytes(wanted)}. Free some room; nothing was changed.`
  at('checked')
  const laid = join(folder, LAID)
  try {
    const wrong = layOut(path, folder)
    if (wrong) return wrong
    at('laid')
    gatherIn(folder)
    const there = FIRM.filter((name) => existsSync(join(folder, name)))
    const aside =
      there.length > 0 ? `before-restore-${now.replaceAll(':', '-').slice(0, 19)}` : null
    const marker = join(folder, MARKER)
    writeFileSync(`${marker}.half`, JSON.stringify({ aside, there, from: basename(path) }), {
      mode: 0o600,
    })
    settle(`${marker}.half`)
    renameSync(`${marker}.half`, marker)
    settle(folder)
    at('marked')
  } catch (error) {
    if (!existsSync(join(folder, MARKER))) rmSync(laid, { recursive: true, force: true })
    throw error
  }
  return { contents, aside: finishRestore(folder, at)?.aside ?? null }
}

const megabytes = (bytes: number): string => `${Math.max(0, Math.round(bytes / 1e6))} MB`

/** A backup laid out beside the firm, whole and on the disk; a sentence where it is not whole. */
function layOut(path: string, folder: string): string | null {
  const laid = join(folder, LAID)
  rmSync(laid, { recursive: true, force: true })
  mkdirSync(join(laid, 'photos'), { recursive: true, mode: 0o700 })
  reading(path, (db) => {
    db.prepare('VACUUM INTO ?').run(join(laid, DATABASE))
    for (const { name, bytes } of db
      .prepare('SELECT name, bytes FROM backup_photos')
      .iterate() as Iterable<{ name: string; bytes: Buffer }>)
      if (/^[A-Za-z0-9-]+(\.small)?\.jpg$/.test(name)) {
        writeFileSync(join(laid, 'photos', name), bytes, { mode: 0o600 })
        settle(join(laid, 'photos', name))
      }
  })
  const restored = new Database(join(laid, DATABASE))
  try {
    restored.exec('DROP TABLE backup_photos; DROP TABLE backup_made; VACUUM')
    if (restored.pragma('integrity_check(1)', { simple: true }) !== 'ok') {
      rmSync(laid, { recursive: true, force: true })
      return `${path} could not be laid out whole. Nothing was changed.`
    }
  } finally {
    restored.close()
  }
  for (const name of [DATABASE, 'photos', '.']) settle(join(laid, name))
  return null
}

/** What was written last is brought into the database file itself; one that is damaged is left. */
function gatherIn(folder: string): void {
  if (!existsSync(join(folder, DATABASE))) return
  try {
    const db = new Database(join(folder, DATABASE), { fileMustExist: true })
    try {
      db.pragma('wal_checkpoint(TRUNCATE)')
    } finally {
      db.close()
    }
  } catch {
    // Its files are moved aside as they are.
  }
}

/**
 * Finishes a restore that was cut off, and sweeps one that had not begun to move anything. Gives
 * what it finished; null where there was nothing to finish.
 */
export function finishRestore(
  folder: string,
  at: At = () => undefined,
): { aside: string | null; from: string } | null {
  const [laid, marker] = [join(folder, LAID), join(folder, MARKER)]
  rmSync(`${marker}.half`, { force: true })
  if (!existsSync(marker)) {
    rmSync(laid, { recursive: true, force: true })
    return null
  }
  const { aside, there, from } = JSON.parse(readFileSync(marker, 'utf8')) as Moves
  const to = aside === null ? null : join(folder, aside)
  if (to) {
    mkdirSync(to, { recursive: true, mode: 0o700 })
    // What already lies aside has been moved: of that name the restored one lies here now.
    for (const name of there)
      if (existsSync(join(folder, name)) && !existsSync(join(to, name)))
        renameSync(join(folder, name), join(to, name))
    settle(to)
  }
  at('aside')
  for (const [name, stage] of [
    [DATABASE, 'database'],
    ['photos', 'photos'],
  ] as const) {
    if (existsSync(join(laid, name))) renameSync(join(laid, name), join(folder, name))
    at(stage)
  }
  settle(folder)
  rmSync(marker)
  rmSync(laid, { recursive: true, force: true })
  at('done')
  return { aside: to, from }
}

/** Asks for a backup of this folder to be restored by the next start; a sentence where it is none. */
export function askForRestore(folder: string, file: string): string | null {
  const path = backupPath(folder, file)
  if (!path) return 'There is no such backup here.'
  const contents = contentsOf(path)
  if (typeof contents === 'string') return contents
  writeFileSync(join(folder, ASKED), JSON.stringify({ file }), { mode: 0o600 })
  return null
}

/**
 * Does what the start of a server has to do before it opens a folder: finishes a restore that was
 * cut off, does one that was asked for. Gives a sentence on what was done; null where nothing was.
 */
export function restoreAtStart(folder: string, now: string): string | null {
  if (!existsSync(folder)) return null
  const finished = finishRestore(folder)
  if (finished)
    return `Finished restoring ${finished.from}, which had been cut off.${lies(finished.aside)}`
  const asked = join(folder, ASKED)
  if (!existsSync(asked)) return null
  const { file } = JSON.parse(readFileSync(asked, 'utf8')) as { file: string }
  rmSync(asked)
  const path = backupPath(folder, file)
  if (!path) return `The backup ${file} that was to be restored is gone. Nothing was changed.`
  const done = restoreBackup(path, folder, now)
  return typeof done === 'string' ? done : `Restored ${file}.${lies(done.aside)}`
}
const lies = (aside: string | null): string =>
  aside ? ` What lay there before is in ${aside}.` : ''
