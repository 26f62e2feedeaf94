import { randomUUID } from 'node:crypto'
import type { Request } from 'express'
import { diaryEntry } from '@juvena/core/entities/diary'
import { JOB_VERSION, readJob, type JobDraft } from '@juvena/core/entities/job'
import { currentDraft } from '@juvena/core/entities/jobVersions'
import { photosThatFit } from '@juvena/core/formats/fileSize'
import { filePhoto, JOB_FORMAT, readJobFile, type FilePhoto } from '@juvena/core/formats/jobFile'
import { readKeptPicture, type Picture } from '../picture.ts'
import { Refusal } from '../problemDocument.ts'
import { answers } from './answers.ts'
import type { StoredJob } from '../store/jobStore.ts'
import type { Parts, Route } from './route.ts'

/** Job files, out and in: the job as typed, its diary and its photographs. */
export function jobFileRoutes(
  { jobs, diary, photos, clock }: Parts,
  jobOr404: (req: Request) => Promise<StoredJob>,
  full: (id: string) => Promise<unknown>,
): Route[] {
  return [
    {
      method: 'get',
      path: '/jobs/:id/file',
      summary: 'The job file: everything the job holds, photographs too, as many as 44 MB; ?photos=no leaves them out.',
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
          for (const { id, zone, kind, takenOn, note, position } of photosThatFit(await photos.of(stored.id))) {
            const bytes = await photos.read(id)
            if (bytes) taken.push({ id, zone, kind, takenOn, note, position, jpeg: bytes.toString('base64') })
          }
        return {
          send: { format: JOB_FORMAT, version: JOB_VERSION, job: stored.draft, diary: await diary.of(stored.id), photos: taken },
          file: `${name}.juvena.json`,
        }
      },
    },
    {
      method: 'post',
      path: '/job-files',
      summary: 'Imports a job file as a new job.',
      answer: answers.fullJob,
      async call(req) {
        const read = readJobFile(req.body)
        if (!read.ok) {
          const lenient = readJob((req.body as { job?: unknown } | undefined)?.job)
          // A draft with entries still to mend is a job all the same: it comes in as it was typed.
          const mendable = lenient.job !== null && read.problems.every((p) => p.path.startsWith('job.'))
          if (!mendable)
            throw new Refusal(400, 'Not a job file', read.problems[0]?.sentence ?? 'This is not a job file.', { problems: read.problems })
        }
        const sent = req.body as { job: JobDraft; diary?: unknown[]; photos?: unknown[] }
        const file = { ...sent, job: currentDraft(sent.job) }
        // Every picture is opened before anything is kept: a file cut short or spoilt is refused whole.
        const pictures: { id: string; of: FilePhoto; picture: Picture }[] = []
        for (const [i, entry] of (file.photos ?? []).entries()) {
          const of = filePhoto.parse(entry)
          try {
            pictures.push({ id: randomUUID(), of, picture: await readKeptPicture(Buffer.from(of.jpeg, 'base64')) })
          } catch {
            throw new Refusal(
              400,
              'A spoilt picture',
              `Photograph ${i + 1} of this file, taken ${of.takenOn}, could not be read as a picture. Take the job file out again where it came from.`,
              { problems: [{ path: `photos[${i}].jpeg`, sentence: 'This is not a picture, or was cut short.' }] },
            )
          }
        }
        const renamed = (photo: string) => pictures.find((p) => p.of.id === photo)?.id ?? photo
        const traced = file.job.drawing?.picture
        const job = traced ? { ...file.job, drawing: { ...file.job.drawing, picture: { ...traced, photo: renamed(traced.photo) } } } : file.job
        const stored = await jobs.create(job, clock.now())
        for (const entry of file.diary ?? []) {
          const parsed = diaryEntry.parse(entry)
          await diary.append(
            stored.id,
            {
              ...parsed,
              id: `${parsed.id.slice(0, 40)}-${stored.id.slice(0, 8)}`,
              corrects: parsed.corrects ? `${parsed.corrects.slice(0, 40)}-${stored.id.slice(0, 8)}` : null,
            },
            clock.now(),
            { fromShelf: false },
          )
        }
        for (const { id, of, picture } of pictures)
          await photos.add({ ...of, id, jobId: stored.id }, { ...picture, position: of.position }, clock.now())
        return { status: 201, send: await full(stored.id) }
      },
    },
  ]
}
