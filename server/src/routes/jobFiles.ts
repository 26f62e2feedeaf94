import { JOB_VERSION } from '@juvena/core/entities/job'
import { photosThatFit } from '@juvena/core/formats/fileSize'
import { JOB_FORMAT, type FilePhoto } from '@juvena/core/formats/jobFile'
import { readOr400, Refusal } from '../problemDocument.ts'
import { fileSent } from '../threads/pool.ts'
import { answers } from '../../../contract/answers.ts'
import type { StoredJobs } from './storedJobs.ts'
import { route, type Parts, type Route } from './route.ts'

/** Job files, out and in: the job as typed, its diary and its photographs. */
export function jobFileRoutes(
  { diary, photos, importJob, clock }: Parts,
  { jobOr404, full }: StoredJobs,
): Route[] {
  return [
    route({
      method: 'get',
      path: '/jobs/:id/file',
      summary:
        'The job file: everything the job holds, photographs too, as many as 44 MB; ?photos=no leaves them out.',
      answer: answers.jobFile,
      async call(req) {
        const stored = await jobOr404(req)
        const name =
          stored.name
            .replace(/[^A-Za-z0-9 _-]+/g, '')
            .trim()
            .replace(/ +/g, '-')
            .slice(0, 60) || 'job'
        const taken: FilePhoto[] = []
        if (req.query.photos !== 'no')
          for (const { id, zone, kind, takenOn, note, position } of photosThatFit(
            await photos.of(stored.id),
          )) {
            const bytes = await photos.read(id)
            if (bytes)
              taken.push({
                id,
                zone,
                kind,
                takenOn,
                note,
                position,
                jpeg: bytes.toString('base64'),
              })
          }
        return {
          send: {
            format: JOB_FORMAT,
            version: JOB_VERSION,
            job: stored.draft,
            diary: await diary.of(stored.id),
            photos: taken,
          },
          file: `${name}.juvena.json`,
        }
      },
    }),
    route({
      method: 'post',
      path: '/job-files',
      summary:
        'Imports a job file as a new job, whole or not at all, and says how many entries and photographs came with it.',
      answer: answers.importedJob,
      // Read in a thread, byte by byte as it was sent.
      bytes: true,
      async call(req) {
        const bytes: unknown = req.body
        if (!Buffer.isBuffer(bytes) || bytes.length === 0)
          throw new Refusal(400, 'No file', 'There is no job file in this.')
        const {
          id,
          diary: entries,
          photos: pictures,
        } = await photos.asBatch(async (batch) => {
          const file = readOr400(await fileSent(bytes, batch))
          await importJob(file, batch, clock.now())
          return file
        })
        const whole = await full(id)
        const imported = { entries: entries.length, photographs: pictures.length }
        return {
          status: 201,
          text: `${whole.slice(0, -1)},"imported":${JSON.stringify(imported)}}`,
        }
      },
    }),
  ]
}
