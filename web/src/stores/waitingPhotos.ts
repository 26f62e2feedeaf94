import { createStore, del, values } from 'idb-keyval'
import { setAtOnce } from './setAtOnce.ts'

/**
 * A photograph taken and not yet with the server. It has its id from here, so that sending it twice
 * keeps it once.
 */
export interface WaitingPhoto {
  id: string
  job: string
  zone: string | null
  keepPosition: boolean
  /** The day it was taken, where the picture itself no longer says. */
  on: string | null
  /** The day it was put by. */
  kept: string
  name: string
  body: Blob
  /** A small picture of it as a data address; nothing when this browser cannot open it. */
  thumb: string
  /** What Juvena says against it. It is kept, and sent again when asked. */
  refused?: string
}

/**
 * The browser's own database: neither a lost signal nor a reload loses what lies here. Null where
 * there is none.
 */
const shelf = typeof indexedDB === 'undefined' ? null : createStore('juvena-photos', 'waiting')

export const waitingPhotos = async (): Promise<WaitingPhoto[]> =>
  shelf ? await values<WaitingPhoto>(shelf).catch(() => []) : []
/** A full or forbidden shelf is no reason not to send: it then waits in this window alone. */
export const keepWaiting = async (photo: WaitingPhoto): Promise<void> =>
  void (shelf && (await setAtOnce(photo.id, photo, shelf).catch(() => undefined)))
export const forgetWaiting = async (id: string): Promise<void> =>
  void (shelf && (await del(id, shelf).catch(() => undefined)))
