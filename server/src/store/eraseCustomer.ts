import { join, resolve } from 'node:path'
import type { Knex } from 'knex'
import { asOne } from './transaction.ts'
import { diaryEntry } from '@juvena/core/entities/diary'
import { JOB_VERSION, type JobDraft } from '@juvena/core/entities/job'
import { listedOf, readDraft } from './listedJob.ts'
import { removePictures } from './pictureFiles.ts'
import { removeTraces } from './database.ts'
import { backAgain, ERASED, noteErased } from './erasedJobs.ts'
import { PLANNED } from './plannedStore.ts'

export interface Erased {
  /** Records of what was sprayed or spread, which the law wants kept. */
  records: number
  entries: number
  photographs: number
  /** Whether traces stay in the database file until the next start. */
  traces: boolean
}

/** What stays of a draft: sizes and treatments by number, nothing that tells whose lawn it was. */
const bare = (draft: JobDraft | null): JobDraft => ({
  name: ERASED,
  zones: (draft?.zones ?? []).map((z, i) => ({
    id: z.id,
    name: `Zone ${i + 1}`,
    area: z.area ?? null,
  })),
  treatments: draft?.treatments ?? [],
})

/**
 * Erases a customer for good: names, address, telephone, notes, photographs, the plan of the site,
 * the history and the diary. Records of products put down stay, with day, zone, product, amount and
 * who did it, as the law on them asks. Only for a job that is archived: null where it is not, or is
 * not there. Backups made before still hold what is erased: `erasedJobs.ts` says which.
 */
export const eraseCustomer =
  (db: Knex, photoFolder: string) =>
  async (job: string, now: string): Promise<Erased | null> => {
    const found = await db<{ id: string; body: string; put_away_at: string | null }>('jobs')
      .where({ id: job })
      .first()
    if (!found || found.put_away_at === null) return null
    const photos = (
      (await db('photos').where({ job_id: job }).select('id')) as { id: string }[]
    ).map((r) => r.id)
    const erased = await asOne(db, async (trx) => {
      await trx('erasing').insert({ job_id: job })
      const rows = (await trx('diary').where({ job_id: job }).select('sequence', 'body')) as {
        sequence: number
        body: string
      }[]
      let records = 0
      for (const { sequence, body } of rows) {
        const read = diaryEntry.safeParse(readDraft(body))
        if (!read.success || read.data.product.trim() === '') {
          await trx('diary').where({ sequence }).delete()
          continue
        }
        records++
        await trx('diary')
          .where({ sequence })
          .update({
            body: JSON.stringify({ ...read.data, note: '', what: read.data.product.slice(0, 400) }),
          })
      }
      await trx('erasing').where({ job_id: job }).delete()
      for (const table of ['photos', 'job_revisions', 'observations', ...PLANNED])
        await trx(table).where({ job_id: job }).delete()
      const draft = bare(readDraft(found.body))
      await trx('jobs')
        .where({ id: job })
        .update({ body: JSON.stringify(draft), version: JOB_VERSION, ...listedOf(draft) })
        .increment('revision', 1)
      await trx('erased').insert({ job_id: job, erased_at: now }).onConflict('job_id').merge()
      return { records, entries: rows.length - records, photographs: photos.length }
    })
    // The rows are gone; a file that cannot be removed now is swept at the next start.
    await removePictures(photoFolder, photos).catch(() => undefined)
    await noteErased(db, resolve(photoFolder, '..'))
    return { ...erased, traces: !(await removeTraces(db)) }
  }
export type EraseCustomer = ReturnType<typeof eraseCustomer>

/** Erases again those whom a restored backup has brought back; how many they were. */
export async function eraseAgain(db: Knex, folder: string, now: string): Promise<number> {
  const back = await backAgain(db, folder)
  for (const job of back) {
    await db('jobs').where({ id: job }).update({ put_away_at: now })
    await eraseCustomer(db, join(folder, 'photos'))(job, now)
  }
  return back.length
}
