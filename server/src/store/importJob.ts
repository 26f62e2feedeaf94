import type { Knex } from 'knex'
import { asOne } from './transaction.ts'
import type { ReadyFile } from '../threads/readSent.ts'
import { diaryStore } from './diaryStore.ts'
import { jobStore } from './jobStore.ts'
import { nameBatch, removePictures, type Batch } from './pictureFiles.ts'
import { photoStore } from './photoStore.ts'

/**
 * Keeps a job with its diary and photographs, all of it or nothing. The pictures lie as a batch
 * until their rows are written; what a killed server leaves of them is swept at its next start.
 * Entries take nothing from the shelf: what they used was counted where they were written.
 */
export const importJob =
  (db: Knex, photoFolder: string) =>
  async (
    { id, body, listed, diary, photos }: ReadyFile,
    batch: Batch,
    now: string,
  ): Promise<void> => {
    const ids = photos.map((p) => p.id)
    try {
      await asOne(db, async (trx) => {
        await jobStore(trx).createText(id, { body, listed }, now)
        for (const entry of diary)
          await diaryStore(trx).append(id, entry, now, { fromShelf: false })
        const rows = photoStore(trx, photoFolder)
        for (const { id: photo, picture, ...of } of photos)
          await rows.keepRow(photo, { ...of, jobId: id }, picture, now)
        await nameBatch(batch, ids)
      })
    } catch (error) {
      await removePictures(photoFolder, ids)
      throw error
    }
  }
export type ImportJob = ReturnType<typeof importJob>
