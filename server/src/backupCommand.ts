import { existsSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { DATABASE } from './store/database.ts'
import { writeBackup } from './store/backups.ts'
import { firmFolder } from './start/settings.ts'
import { startSentence } from './start/startFailure.ts'

/**
 * Command line: writes a backup of the firm to a file, beside a server that may be running. `npm
 * run backup [-- FILE]`.
 */
const folder = firmFolder(process.env, resolve(import.meta.dirname, '../..'))
const [to] = process.argv.slice(2)
try {
  const { path, contents } = writeBackup(folder, new Date().toISOString(), 'asked', to ?? null)
  console.log(
    `Backed up ${contents.jobs} jobs, ${contents.entries} diary entries and ${contents.photographs} photographs to ${path}`,
  )
} catch (error) {
  const none =
    (error as { code?: string }).code === 'SQLITE_CANTOPEN' && !existsSync(join(folder, DATABASE))
      ? `There is no firm in ${folder}. Set JUVENA_DATA to its folder.`
      : null
  console.error(
    none ?? startSentence(error, folder) ?? `The backup failed: ${(error as Error).message}`,
  )
  process.exit(1)
}
