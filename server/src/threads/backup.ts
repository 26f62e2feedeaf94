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
