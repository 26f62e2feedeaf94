import { randomUUID } from 'node:crypto'
import { mkdirSync } from 'node:fs'
import { open, readdir, rename, rm } from 'node:fs/promises'
import { join } from 'node:path'

/**
 * The files of photographs, each a picture and its thumbnail. They are written under the name of a
 * batch first, and get their own once the batch is to be kept: what a killed server leaves is known
 * by its name. A batch may be written in a thread and kept by the server.
 */
export const HALF = '.half'
const NAMES = (id: string) => ({ large: `${id}.jpg`, small: `${id}.small.jpg` })

/** The picture that a file of this name belongs to; undefined for any other file. */
export const pictureIn = (name: string): string | undefined =>
  /^([A-Za-z0-9-]+)(?:\.small)?\.jpg$/.exec(name)?.[1]

/** Where a picture lies, or its thumbnail. */
export const picturePath = (folder: string, id: string, small = false): string =>
  join(folder, NAMES(id)[small ? 'small' : 'large'])

const halfOf = (path: string, batch: string) => `${path}.${batch}${HALF}`

/** Writes a file and sees it onto the disk; a disk that is full leaves nothing of it. */
async function writeThrough(path: string, bytes: Uint8Array): Promise<void> {
  const file = await open(path, 'w', 0o600)
  try {
    await file.writeFile(bytes)
    await file.sync()
    await file.close()
  } catch (error) {
    await file.close().catch(() => undefined)
    await rm(path, { force: true })
    throw error
  }
}

/**
 * Where the files of a batch are written; its name is its own, for the same picture may be written
 * twice at once.
 */
export interface Batch {
  folder: string
  batch: string
}
/** Runs what writes and keeps a batch; where it throws, nothing that was written is left. */
export async function asBatch<T>(folder: string, write: (to: Batch) => Promise<T>): Promise<T> {
  const to = { folder, batch: randomUUID() }
  try {
    return await write(to)
  } catch (error) {
    await removeBatch(to)
    throw error
  }
}

/** Writes a picture as part of a batch. */
export async function stagePicture(
  { folder, batch }: Batch,
  id: string,
  { large, small }: { large: Uint8Array; small: Uint8Array },
): Promise<void> {
  mkdirSync(folder, { recursive: true, mode: 0o700 })
  await writeThrough(halfOf(picturePath(folder, id), batch), large)
  await writeThrough(halfOf(picturePath(folder, id, true), batch), small)
}

/** Gives the pictures of a batch their own names. */
export async function nameBatch({ folder, batch }: Batch, ids: readonly string[]): Promise<void> {
  for (const id of ids)
    for (const small of [false, true]) {
      const path = picturePath(folder, id, small)
      await rename(halfOf(path, batch), path)
    }
}

async function removeBatch({ folder, batch }: Batch): Promise<void> {
  const names = (await readdir(folder).catch(() => [])).filter((name) =>
    name.endsWith(`.${batch}${HALF}`),
  )
  await Promise.all(names.map((name) => rm(join(folder, name), { force: true })))
}

/** Removes pictures that have their own names. */
export async function removePictures(folder: string, ids: readonly string[]): Promise<void> {
  const paths = ids.flatMap((id) => [picturePath(folder, id), picturePath(folder, id, true)])
  await Promise.all(paths.map((path) => rm(path, { force: true })))
}
