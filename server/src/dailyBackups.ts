import { basename } from 'node:path'
import { backupsOf, isDaily } from './store/backups.ts'
import { logFault } from './problemDocument.ts'
import { backupInThread, checkInThread } from './threads/pool.ts'

const HOUR = 3_600_000
/** A backup younger than this is today's. */
const FRESH = 20 * HOUR

/**
 * Keeps a backup of each day while the server runs, and one soon after its start where the last is
 * old. Each is restored for a trial once it is made.
 */
export function dailyBackups(folder: string): { stop: () => void } {
  const look = () => {
    // One dated ahead of the clock says nothing of today.
    const ages = backupsOf(folder)
      .filter(isDaily)
      .map((b) => Date.now() - Date.parse(b.madeAt))
    if (ages.some((age) => age > -HOUR && age < FRESH)) return
    backupInThread(folder, 'daily')
      .then(({ path }) => checkInThread(folder, basename(path)))
      .then(({ file, wrong }) => {
        if (wrong.length > 0) console.error(`The backup ${file} is not sound: ${wrong.join(' ')}`)
      })
      .catch((error: unknown) => {
        console.error('The daily backup failed:')
        logFault(error)
      })
  }
  const soon = setTimeout(look, 60_000)
  const hourly = setInterval(look, HOUR)
  soon.unref()
  hourly.unref()
  return {
    stop() {
      clearTimeout(soon)
      clearInterval(hourly)
    },
  }
}
