import { basename, resolve } from 'node:path'
import { notFound } from '../problemDocument.ts'
import { backupPath, backupsOf } from '../store/backups.ts'
import { backupInThread } from '../threads/pool.ts'
import { answers } from '../../../contract/answers.ts'
import { route, type Parts, type Route } from './route.ts'

/**
 * Backups of the whole firm: one a day by itself, and whenever asked. Restoring is a command, for
 * it wants the server stopped.
 */
export function backupRoutes({ folder }: Parts): Route[] {
  return [
    route({
      method: 'get',
      path: '/backups',
      summary: 'The backups that lie beside the data, newest first.',
      answer: answers.backups,
      call: async () => ({
        send: { folder: resolve(folder, 'backups'), backups: backupsOf(folder) },
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
