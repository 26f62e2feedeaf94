import { randomUUID } from 'node:crypto'
import { mkdirSync } from 'node:fs'
import { open, readFile, rename } from 'node:fs/promises'
import { join } from 'node:path'
import type { Knex } from 'knex'
import type { Picture } from '../picture.ts'

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
  position: row.latitude === null || row.longitude === null ? null : { latitude: row.latitude, longitude: row.longitude },
})

/** Writes a file so that it is there whole or not at all. */
async function writeWhole(path: string, bytes: Buffer): Promise<void> {
  // A name of its own: the same picture may be written twice at once.
  const half = `${path}.${randomUUID()}.half`
  const file = await open(half, 'w')
  try {
    await file.writeFile(bytes)
    await file.sync()
  } finally {
    await file.close()
  }
  await rename(half, path)
}

/** Photographs: rows in the database, files in a folder beside it. The files are written before the row, so a row always has its picture. */
export const photoStore = (db: Knex, folder: string) => ({
  /** Keeps a picture; under an id of its own, unless one is given. */
  async add(
    { id = randomUUID(), ...of }: Pick<StoredPhoto, 'jobId' | 'zone' | 'kind' | 'takenOn' | 'note'> & { id?: string },
    picture: Picture,
    now: string,
  ): Promise<StoredPhoto> {
    mkdirSync(folder, { recursive: true })
    await writeWhole(join(folder, `${id}.jpg`), picture.large)
    await writeWhole(join(folder, `${id}.small.jpg`), picture.small)
    const row: Row = {
      id,
      job_id: of.jobId,
      zone: of.zone,
      kind: of.kind,
      taken_on: of.takenOn,
      note: of.note,
      width: picture.width,
      height: picture.height,
      bytes: picture.large.length,
      latitude: picture.position?.latitude ?? null,
      longitude: picture.position?.longitude ?? null,
      added_at: now,
      put_away_at: null,
    }
    // Sent twice at once, the first to arrive stands; both wrote the same picture.
    await db<Row>('photos').insert(row).onConflict('id').ignore()
    return fromRow(row)
  },

  /** A job's photographs, newest day first. */
  async of(jobId: string): Promise<StoredPhoto[]> {
    const rows = await db<Row>('photos').where({ job_id: jobId }).whereNull('put_away_at').orderBy('taken_on', 'desc').orderBy('added_at', 'desc')
    return rows.map(fromRow)
  },

  async get(id: string): Promise<StoredPhoto | null> {
    const row = await db<Row>('photos').where({ id }).first()
    return row ? fromRow(row) : null
  },

  async setArchived(id: string, at: string | null): Promise<boolean> {
    return (await db<Row>('photos').where({ id }).update({ put_away_at: at })) === 1
  },

  /** The picture's bytes; null when its file is gone from the folder. The id has to be one that `get` or `of` found. */
  read: (id: string): Promise<Buffer | null> => readFile(join(folder, `${id}.jpg`)).catch(() => null),

  /** Where the picture lies on disk. The id has to be one that `get` found. */
  path: (id: string, small: boolean): string => join(folder, small ? `${id}.small.jpg` : `${id}.jpg`),
})
export type PhotoStore = ReturnType<typeof photoStore>
