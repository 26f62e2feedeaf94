import { randomUUID } from 'node:crypto'
import { readdir, readFile, rm } from 'node:fs/promises'
import { join } from 'node:path'
import type { Knex } from 'knex'
import type { Picture, StagedPicture } from '../threads/picture.ts'
import {
  asBatch,
  HALF,
  nameBatch,
  pictureIn,
  picturePath,
  stagePicture,
  type Batch,
} from './pictureFiles.ts'

export interface StoredPhoto {
  id: string
  jobId: string
  zone: string | null
  /** A photograph of the ground, or a picture to trace the plan over. */
  kind: 'ground' | 'plan'
  takenOn: string
  note: string
  width: number
  height: number
  bytes: number
  position: { latitude: number; longitude: number } | null
}

interface Row {
  id: string
  job_id: string
  zone: string | null
  kind: StoredPhoto['kind']
  taken_on: string
  note: string
  width: number
  height: number
  bytes: number
  latitude: number | null
  longitude: number | null
  added_at: string
  put_away_at: string | null
}

const fromRow = (row: Row): StoredPhoto => ({
  id: row.id,
  jobId: row.job_id,
  zone: row.zone,
  kind: row.kind,
  takenOn: row.taken_on,
  note: row.note,
  width: row.width,
  height: row.height,
  bytes: row.bytes,
  position:
    row.latitude === null || row.longitude === null
      ? null
      : { latitude: row.latitude, longitude: row.longitude },
})

export type NewPhoto = Pick<StoredPhoto, 'jobId' | 'zone' | 'kind' | 'takenOn' | 'note'>

const rowOf = (id: string, of: NewPhoto, picture: StagedPicture, now: string): Row => ({
  id,
  job_id: of.jobId,
  zone: of.zone,
  kind: of.kind,
  taken_on: of.takenOn,
  note: of.note,
  width: picture.width,
  height: picture.height,
  bytes: picture.bytes,
  latitude: picture.position?.latitude ?? null,
  longitude: picture.position?.longitude ?? null,
  added_at: now,
  put_away_at: null,
})

/**
 * Photographs: rows in the database, files in a folder beside it. The files are written before the
 * row, so a row always has its picture; files that a killed server left without a row are swept at
 * start.
 */
export const photoStore = (db: Knex, folder: string) => ({
  /**
   * Removes what a killed server left: half files, and pictures without a row. How many of each.
   */
  async sweep(): Promise<{ halves: number; orphans: number }> {
    const names = await readdir(folder).catch(() => [])
    const known = new Set(
      ((await db<Row>('photos').select('id')) as { id: string }[]).map((r) => r.id),
    )
    const swept = { halves: 0, orphans: 0 }
    for (const name of names) {
      const half = name.endsWith(HALF)
      const id = pictureIn(name)
      if (!half && (id === undefined || known.has(id))) continue
      await rm(join(folder, name), { force: true })
      swept[half ? 'halves' : 'orphans']++
    }
    return swept
  },

  /**
   * Keeps the row of a picture whose files are there. Sent twice at once, the first to arrive
   * stands; both wrote the same picture.
   */
  async keepRow(
    id: string,
    of: NewPhoto,
    picture: StagedPicture,
    now: string,
  ): Promise<StoredPhoto> {
    const row = rowOf(id, of, picture, now)
    await db<Row>('photos').insert(row).onConflict('id').ignore()
    return fromRow(row)
  },

  /** Keeps a picture that a thread has written as a batch of its own. */
  async keepStaged(
    id: string,
    batch: Batch,
    of: NewPhoto,
    picture: StagedPicture,
    now: string,
  ): Promise<StoredPhoto> {
    await nameBatch(batch, [id])
    return this.keepRow(id, of, picture, now)
  },
  /** Runs what writes pictures in this folder and keeps them; where it throws, no file is left. */
  asBatch: <T>(write: (to: Batch) => Promise<T>): Promise<T> => asBatch(folder, write),

  /** Keeps a picture; under an id of its own, unless one is given. */
  add(
    { id = randomUUID(), ...of }: NewPhoto & { id?: string },
    { large, small, ...picture }: Picture,
    now: string,
  ): Promise<StoredPhoto> {
    return asBatch(folder, async (to) => {
      await stagePicture(to, id, { large, small })
      return this.keepStaged(id, to, of, { ...picture, bytes: large.length }, now)
    })
  },

  /** A job's photographs, newest day first. */
  async of(jobId: string): Promise<StoredPhoto[]> {
    const rows = await db<Row>('photos')
      .where({ job_id: jobId })
      .whereNull('put_away_at')
      .orderBy('taken_on', 'desc')
      .orderBy('added_at', 'desc')
    return rows.map(fromRow)
  },

  async get(id: string): Promise<StoredPhoto | null> {
    const row = await db<Row>('photos').where({ id }).first()
    return row ? fromRow(row) : null
  },

  async setArchived(id: string, at: string | null): Promise<boolean> {
    return (await db<Row>('photos').where({ id }).update({ put_away_at: at })) === 1
  },

  /**
   * The picture's bytes; null when its file is gone from the folder. The id has to be one that
   * `get` or `of` found.
   */
  read: (id: string): Promise<Buffer | null> => readFile(picturePath(folder, id)).catch(() => null),

  /** Where the picture lies on disk. The id has to be one that `get` found. */
  path: (id: string, small: boolean): string => picturePath(folder, id, small),
})
export type PhotoStore = ReturnType<typeof photoStore>
