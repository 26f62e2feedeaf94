import { basename, resolve } from 'node:path'
import { realClock } from '../clock.ts'
import { notFound, Refusal } from '../problemDocument.ts'
import { askForRestore } from '../store/restore.ts'
import { checksOf } from '../store/checkBackup.ts'
import { stillHeld } from '../store/erasedJobs.ts'
import { backupPath, backupsOf, deleteBackup } from '../store/backups.ts'
import { backupInThread, checkInThread } from '../threads/pool.ts'
import { answers } from '../../../contract/answers.ts'
import { idOf, route, type Parts, type Route } from './route.ts'

const NEWEST_STAYS = 'This is the newest backup. Make another first, then delete this one.'
/** The answer is on its way before the firm closes, ms. */
const ANSWERED = 200

/**
 * Backups of the whole firm: one a day by itself, and whenever asked. One is restored while the
 * firm is closed: it is noted, and the firm is opened anew.
 */
export function backupRoutes({ folder, reopen, damaged, clock }: Parts): Route[] {
  return [
    route({
      method: 'get',
      path: '/backups',
      summary: 'The backups that lie beside the data, newest first.',
      answer: answers.backups,
      call: async () => ({
        send: {
          folder: resolve(folder, 'backups'),
          backups: backupsOf(folder),
          checks: Object.values(checksOf(folder)),
          stillHeld: stillHeld(folder, clock.today()),
        },
      }),
    }),
    route({
      method: 'post',
      path: '/backups',
      summary: 'Writes a backup of the whole firm, photographs too, while work goes on.',
      answer: answers.backup,
      async call() {
        const { path, contents } = await backupInThread(folder, 'asked')
        const { jobs, entries, photographs } = contents
        const backup = backupsOf(folder).find((b) => b.file === basename(path))
        if (!backup) throw notFound('backup')
        return { status: 201, send: { backup, jobs, entries, photographs } }
      },
    }),
    route({
      method: 'post',
      path: '/backups/:file/restore',
      summary:
        'Restores a backup: it is checked and noted, then the firm is closed, restored and opened again. What lay there is moved aside.',
      answer: answers.restoring,
      async call(req) {
        const wrong = askForRestore(folder, String(req.params.file))
        if (wrong) throw new Refusal(409, 'Not restored', wrong)
        if (reopen) setTimeout(reopen, ANSWERED)
        return { status: 202, send: { reopens: reopen !== undefined } }
      },
    }),
    route({
      method: 'post',
      path: '/backups/:file/check',
      summary:
        'Restores a backup into a folder of its own for a trial, and compares plans. Nothing is changed.',
      answer: answers.backupCheck,
      async call(req) {
        const file = String(req.params.file)
        if (!backupPath(folder, file)) throw notFound('backup')
        return {
          send: await checkInThread(folder, file, clock === realClock ? null : clock.today()),
        }
      },
    }),
    route({
      method: 'delete',
      path: '/backups/:file',
      summary: 'Deletes a backup for good. The newest one stays.',
      answer: answers.deleted,
      async call(req) {
        const file = String(req.params.file)
        if (backupsOf(folder)[0]?.file === file) throw new Refusal(409, 'Not deleted', NEWEST_STAYS)
        if (!deleteBackup(folder, file)) throw notFound('backup')
        return { send: { deleted: true as const } }
      },
    }),
    route({
      method: 'get',
      path: '/damaged',
      summary: 'Stored things that cannot be read. Everything else goes on without them.',
      answer: answers.damaged,
      call: async () => ({ send: { rows: damaged.rows() } }),
    }),
    route({
      method: 'post',
      path: '/damaged/:table/:id/restore',
      summary: 'Restores one damaged thing from the newest backup in which it can be read.',
      answer: answers.rowRestored,
      async call(req) {
        const file = await damaged.restore(String(req.params.table), idOf(req))
        if (file === null)
          throw new Refusal(
            409,
            'Not restored',
            'No backup here holds it in one piece. Restore it from a backup that lies elsewhere, or enter it again.',
          )
        return { send: { file } }
      },
    }),
    route({
      method: 'get',
      path: '/backups/:file',
      summary: 'A backup, to keep elsewhere.',
      async call(req) {
        const path = backupPath(folder, String(req.params.file))
        if (!path) throw notFound('backup')
        return { path, file: basename(path) }
      },
    }),
  ]
}
