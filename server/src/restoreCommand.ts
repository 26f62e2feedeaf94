import { resolve } from 'node:path'
import { finishRestore, restoreBackup } from './store/restore.ts'
import { lockFolder } from './store/openFirm.ts'
import { firmFolder } from './start/settings.ts'
import { startSentence } from './start/startFailure.ts'

/**
 * Command line: restores a backup into the firm's folder, or another one. `npm run restore -- FILE
 * [FOLDER]`. What lay there is moved aside.
 */
const [file, into] = process.argv.slice(2)
const folder = resolve(into ?? firmFolder(process.env, resolve(import.meta.dirname, '../..')))
if (!file) {
  console.error('Name a backup: npm run restore -- backup-file [folder]')
  process.exit(1)
}
try {
  const lock = lockFolder(folder)
  finishRestore(folder)
  const done = restoreBackup(resolve(file), folder, new Date().toISOString())
  lock.release()
  if (typeof done === 'string') {
    console.error(done)
    process.exit(1)
  }
  const { contents, aside } = done
  console.log(
    `Restored ${contents.jobs} jobs, ${contents.entries} diary entries and ${contents.photographs} photographs of ${contents.madeAt} into ${folder}${aside ? `. What lay there before is in ${aside}` : ''}`,
  )
} catch (error) {
  console.error(
    startSentence(error, folder) ?? `The backup could not be restored: ${(error as Error).message}`,
  )
  process.exit(1)
}
