import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import type { Clock } from '../clock.ts'
import { partsOver } from '../parts.ts'
import { plan } from '../threads/planForSeason.ts'
import { backupPath } from './backups.ts'
import { openDatabase } from './database.ts'
import { restoreBackup } from './restore.ts'

/** What came of restoring a backup for a trial. */
export interface BackupCheck {
  file: string
  /** ISO moment. */
  checkedAt: string
  jobs: number
  /** Jobs whose plan from the backup was held against that of the firm, and is the same. */
  same: number
  /** In sentences; none where it is whole. */
  wrong: string[]
}

const TRIAL = '.checking'
const RESULT = 'checked.json'
/** Jobs that are planned from both, newest save first. */
const PLANNED = 12
/** What is wrong is listed to so many. */
const MOST_WRONG = 10

/** Sweeps a trial that was cut off. */
export const sweepTrial = (folder: string): void =>
  rmSync(join(folder, TRIAL), { recursive: true, force: true })

/** What came of the last trials, by file. */
export function checksOf(folder: string): Record<string, BackupCheck> {
  try {
    return JSON.parse(readFileSync(join(folder, 'backups', RESULT), 'utf8')) as Record<string, BackupCheck> // prettier-ignore
  } catch {
    return {}
  }
}

/**
 * Restores a backup into a folder of its own, opens it as a firm, counts what is in it, and plans
 * its newest jobs: one that has not changed since has to come to the same plan as in the firm.
 * Takes as long as the data is large; meant for a thread. Nothing of the firm is changed.
 */
export async function checkBackup(
  folder: string,
  file: string,
  clock: Clock,
): Promise<BackupCheck> {
  const path = backupPath(folder, file)
  const checkedAt = clock.now()
  const done: BackupCheck = { file, checkedAt, jobs: 0, same: 0, wrong: [] }
  const trial = join(folder, TRIAL)
  sweepTrial(folder)
  try {
    mkdirSync(trial, { recursive: true, mode: 0o700 })
    const restored = path ? restoreBackup(path, trial, checkedAt) : 'There is no such backup here.'
    if (typeof restored === 'string') done.wrong.push(restored)
    else {
      done.jobs = restored.contents.jobs
      await compare(trial, folder, clock, done)
    }
  } finally {
    sweepTrial(folder)
  }
  done.wrong = done.wrong.slice(0, MOST_WRONG)
  const kept = Object.values(checksOf(folder)).filter((c) => backupPath(folder, c.file) !== null)
  writeFileSync(
    join(folder, 'backups', RESULT),
    JSON.stringify(Object.fromEntries([...kept, done].map((c) => [c.file, c]))),
    { mode: 0o600 },
  )
  return done
}

async function compare(
  trial: string,
  folder: string,
  clock: Clock,
  done: BackupCheck,
): Promise<void> {
  const [there, here] = [await openDatabase(trial), await openDatabase(folder)]
  const [backup, firm] = [partsOver(there, trial, clock), partsOver(here, folder, clock)]
  try {
    const photos = (await there('photos').select('id')) as { id: string }[]
    const files = new Set(
      existsSync(join(trial, 'photos')) ? readdirSync(join(trial, 'photos')) : [],
    )
    const lost = photos.filter((p) => !files.has(`${p.id}.jpg`)).length
    if (lost > 0)
      done.wrong.push(`${lost} of ${photos.length} photographs are not in it. Look for them in the photos folder.`) // prettier-ignore
    const unlike: string[] = []
    // What all plans hang on: where that changed since, plans may differ for good reasons.
    const hangsOn = async ({ season }: typeof backup) => JSON.stringify(await season.plannedBy())
    const alike = (await hangsOn(backup)) === (await hangsOn(firm))
    for (const { id, name } of await backup.jobs.list(false, { most: PLANNED })) {
      const [old, now] = [await backup.jobs.text(id), await firm.jobs.text(id)]
      if (!old || old.wrong === 'damaged') {
        // Damaged in the firm too, it is told there.
        if (now?.wrong !== 'damaged') done.wrong.push(`“${name}” cannot be read in it.`)
        continue
      }
      const planned = plan(await backup.season.askOf(old))
      const changed = !now || now.revision !== old.revision || !alike
      if (changed || JSON.stringify(await backup.diary.of(id)) !== JSON.stringify(await firm.diary.of(id))) continue // prettier-ignore
      if (JSON.stringify(planned) === JSON.stringify(plan(await firm.season.askOf(now))))
        done.same++
      else unlike.push(`“${name}”`)
    }
    if (unlike.length > 0)
      done.wrong.push(`These come to another plan from it than here: ${unlike.join(', ')}.`)
  } finally {
    await Promise.all([backup.season.stop(), firm.season.stop()])
    await Promise.all([there.destroy(), here.destroy()])
  }
}
