import { realClock, stoppedClock } from '../clock.ts'
import { checkBackup, type BackupCheck } from '../store/checkBackup.ts'
import { writeBackup, type BackupContents } from '../store/backups.ts'

/** Writes a backup of a folder, in a thread: the copying would hold up everyone else. */
export const backup = ({
  folder,
  madeAt,
  kind,
}: {
  folder: string
  madeAt: string
  kind: 'daily' | 'asked'
}): { path: string; contents: BackupContents } => writeBackup(folder, madeAt, kind)

/** Restores a backup for a trial, and says what came of it. */
export const check = ({
  folder,
  file,
  today,
}: {
  folder: string
  file: string
  /** A day on which the clock stands, where it does. */
  today: string | null
}): Promise<BackupCheck> => checkBackup(folder, file, today ? stoppedClock(today) : realClock)
