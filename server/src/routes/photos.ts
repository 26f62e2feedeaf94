import { randomUUID } from 'node:crypto'
import type { Request } from 'express'
import { z } from 'zod'
import { filePhoto } from '@juvena/core/formats/jobFile'
import { notFound, Refusal } from '../problemDocument.ts'
import { pictureSent } from '../threads/pool.ts'
import { answers } from '../../../contract/answers.ts'
import type { StoredPhoto } from '../store/photoStore.ts'
import type { StoredJobs } from './storedJobs.ts'
import { route, type Parts, type Route } from './route.ts'

const { zone, kind, note } = filePhoto.shape
const asked = z.object({
  /** Made where the photograph was taken, so that it may be sent twice and is kept once. */
  id: z
    .string()
    .regex(/^[A-Za-z0-9-]{8,60}$/)
    .optional(),
  zone,
  kind,
  note,
  on: z.iso.date().optional(),
  keepPosition: z.enum(['yes', 'no']).default('no'),
})

export function photoRoutes({ photos, clock }: Parts, { jobOr404 }: StoredJobs): Route[] {
  const photoOr404 = async (req: Request): Promise<StoredPhoto> => {
    const photo = await photos.get(String(req.params.id))
    if (!photo) throw notFound('photograph')
    return photo
  }
  return [
    route({
      method: 'get',
      path: '/jobs/:id/photos',
      summary: 'A job’s photographs, newest day first.',
      answer: answers.photos,
      call: async (req) => ({ send: await photos.of((await jobOr404(req)).id) }),
    }),
    route({
      method: 'post',
      path: '/jobs/:id/photos',
      summary:
        'Keeps a picture’s bytes. It is written anew, without the camera’s record; ?keepPosition=yes keeps where it was taken, apart from the file; ?id= lets it be sent twice and kept once.',
      picture: true,
      answer: answers.photo,
      async call(req) {
        const job = await jobOr404(req)
        const query = asked.safeParse(req.query)
        if (!query.success)
          throw new Refusal(
            400,
            'Not understood',
            'The id, zone, kind, note or day of this photograph could not be understood.',
          )
        const { id, zone, kind, note, on, keepPosition } = query.data
        const there = id ? await photos.get(id) : null
        if (there && there.jobId !== job.id)
          throw new Refusal(
            409,
            'Of another job',
            'A photograph with this id belongs to another job already. Send it under an id of its own.',
          )
        if (there) return { send: there }
        const bytes: unknown = req.body
        if (!Buffer.isBuffer(bytes) || bytes.length === 0)
          throw new Refusal(
            400,
            'No picture',
            'There is no picture in this. Choose a JPEG, PNG or WebP file.',
          )
        const own = id ?? randomUUID()
        const kept = await photos.asBatch(async (batch) => {
          const picture = await pictureSent({
            bytes,
            keepPosition: keepPosition === 'yes',
            id: own,
            ...batch,
          })
          if (!picture)
            throw new Refusal(
              415,
              'Not a picture',
              'That file could not be read as a picture: it is of another kind, or was cut short. JPEG, PNG and WebP are taken; set a phone that saves HEIC to “most compatible”.',
            )
          const of = {
            jobId: job.id,
            zone,
            kind,
            note,
            takenOn: picture.takenOn ?? on ?? clock.today(),
          }
          return photos.keepStaged(own, batch, of, picture, clock.now())
        })
        return { status: 201, send: kept }
      },
    }),
    route({
      method: 'get',
      path: '/photos/:id',
      summary: 'A photograph; with ?size=small its thumbnail.',
      async call(req) {
        const photo = await photoOr404(req)
        return { send: null, path: photos.path(photo.id, req.query.size === 'small') }
      },
    }),
    route({
      method: 'delete',
      path: '/photos/:id',
      summary: 'Archives a photograph. It can be restored.',
      answer: answers.archived,
      async call(req) {
        if (!(await photos.setArchived((await photoOr404(req)).id, clock.now())))
          throw notFound('photograph')
        return { send: { archived: true } }
      },
    }),
    route({
      method: 'post',
      path: '/photos/:id/restore',
      summary: 'Restores an archived photograph.',
      answer: answers.archived,
      async call(req) {
        if (!(await photos.setArchived((await photoOr404(req)).id, null)))
          throw notFound('photograph')
        return { send: { archived: false } }
      },
    }),
  ]
}
