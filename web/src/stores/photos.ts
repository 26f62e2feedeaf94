import { answeredFrom } from '../offline/signal.ts'
import { sure } from '@juvena/core/quantities/sure'
import type { Answer } from '../../../contract/answers.ts'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { localDay } from '../parts/moment.ts'
import { api, ApiError, refusedForGood, Unreachable } from './api.ts'
import { useJob } from './job.ts'
import { newId } from './newId.ts'
import { forgetWaiting, keepWaiting, waitingPhotos, type WaitingPhoto } from './waitingPhotos.ts'

export interface Photo {
  id: string
  zone: string | null
  kind: 'ground' | 'plan'
  takenOn: string
  note: string
  width: number
  height: number
  bytes: number
  position: { latitude: number; longitude: number } | null
}

/**
 * Longest side sent, px: the server writes it anew at this size or less, so more would only take
 * longer from a field.
 */
const LONGEST = 2400
/** Longest side of the picture shown while it waits, px. */
const THUMB = 220
/** Between one try to send and the next while the server does not answer, ms. */
const TRY_AGAIN = 20_000

/** The picture drawn no longer than `longest`. Throws when this browser cannot open it. */
async function drawnSmaller(file: Blob, longest: number): Promise<HTMLCanvasElement> {
  const bitmap = await createImageBitmap(file, { imageOrientation: 'from-image' })
  const k = Math.min(1, longest / Math.max(bitmap.width, bitmap.height))
  const canvas = document.createElement('canvas')
  canvas.width = Math.round(bitmap.width * k)
  canvas.height = Math.round(bitmap.height * k)
  sure(canvas.getContext('2d')).drawImage(bitmap, 0, 0, canvas.width, canvas.height)
  bitmap.close()
  return canvas
}

/**
 * Large photographs are made smaller before they are sent, unless the place they were taken is to
 * be kept: that lies in the camera's record.
 */
async function lighter(file: File): Promise<Blob> {
  if (file.size < 1_500_000) return file
  try {
    const canvas = await drawnSmaller(file, LONGEST)
    return await new Promise<Blob>((done) =>
      canvas.toBlob((blob) => done(blob ?? file), 'image/jpeg', 0.9),
    )
  } catch {
    // What this browser cannot open, the server may: it answers for it.
    return file
  }
}

const thumbOf = async (file: Blob): Promise<string> => {
  try {
    return (await drawnSmaller(file, THUMB)).toDataURL('image/jpeg', 0.7)
  } catch {
    return ''
  }
}

/**
 * What is sent of a file, and its day: made smaller it has lost its record, and with it its day, so
 * the file's own stands in.
 */
async function toSend(
  file: File,
  keepPosition: boolean,
): Promise<{ body: Blob; on: string | null }> {
  const body = keepPosition ? file : await lighter(file)
  const taken = new Date(file.lastModified)
  return { body, on: body !== file && !Number.isNaN(taken.getTime()) ? localDay(taken) : null }
}

interface About {
  kind: Photo['kind']
  zone?: string | null
  note?: string
  keepPosition?: boolean
  id?: string
}

async function post(job: string, body: Blob, on: string | null, about: About): Promise<Photo> {
  const query = new URLSearchParams({
    kind: about.kind,
    note: about.note ?? '',
    keepPosition: about.keepPosition ? 'yes' : 'no',
  })
  if (about.zone) query.set('zone', about.zone)
  if (about.id) query.set('id', about.id)
  if (on) query.set('on', on)
  let response: Response
  try {
    response = await fetch(`/api/jobs/${encodeURIComponent(job)}/photos?${query.toString()}`, {
      method: 'POST',
      headers: {
        'content-type': /^image\//.test(body.type) ? body.type : 'application/octet-stream',
      },
      body,
    })
  } catch {
    throw new Unreachable()
  }
  const value = (await response.json().catch(() => ({}))) as Photo & {
    title?: string
    detail?: string
  }
  // A yes names the picture: another answer, a proxy's page say, is no yes.
  if (!response.ok || typeof value.id !== 'string' || (about.id && value.id !== about.id))
    throw new ApiError(
      response.status,
      value.title ?? 'Refused',
      value.detail ?? 'The picture was refused.',
      {},
      value.detail !== undefined,
    )
  answeredFrom(null)
  return value
}

/** Sends one picture now, or throws. */
export async function sendPhoto(job: string, file: File, about: About): Promise<Photo> {
  const { body, on } = await toSend(file, about.keepPosition ?? false)
  return post(job, body, on, about)
}

/** The photographs of the job being edited. */
export const usePhotos = defineStore('photos', () => {
  const job = useJob()
  const all = shallowRef<Photo[]>([])
  const failure = ref('')
  const sending = ref(0)
  async function load() {
    const id = job.id
    if (!id) return void (all.value = [])
    try {
      const photos = await api<Answer<'photos'>>('GET', `/jobs/${encodeURIComponent(id)}/photos`)
      if (job.id === id) all.value = photos
    } catch (error) {
      failure.value = (error as Error).message
    }
  }
  watch(
    () => job.id,
    () => {
      all.value = []
      void load()
    },
    { immediate: true },
  )
  /** Photographs this browser holds for the server, of whatever job. */
  const held = shallowRef<WaitingPhoto[]>([])
  const waiting = computed(() => held.value.filter((w) => w.job === job.id))
  /** What Juvena refused stays here until a person decides. */
  const refused = computed(() => held.value.filter((w) => w.refused !== undefined))
  const next = () => held.value.find((w) => w.refused === undefined)
  const put = async (photo: WaitingPhoto) => {
    held.value = held.value.map((w) => (w.id === photo.id ? photo : w))
    await keepWaiting(photo)
  }
  async function letGo(id: string) {
    held.value = held.value.filter((w) => w.id !== id)
    await forgetWaiting(id)
  }
  /** Sends again what was refused. */
  async function tryAgain(id: string) {
    const photo = held.value.find((w) => w.id === id)
    if (!photo) return
    const { refused: _, ...again } = photo
    await put(again)
    await send()
  }
  let busy = false
  let timer: ReturnType<typeof setTimeout> | undefined
  /**
   * Sends what waits, oldest first; what gets no yes stays, and what is refused says why.
   */
  async function send() {
    if (busy) return
    busy = true
    clearTimeout(timer)
    let arrived = false
    try {
      for (let photo = next(); photo; photo = next()) {
        sending.value = held.value.length
        try {
          // Sent on a later day, the day it was taken goes along; else the server's own calendar
          // will do.
          const on = photo.on ?? (photo.kept === localDay(new Date()) ? null : photo.kept)
          await post(photo.job, photo.body, on, {
            kind: 'ground',
            zone: photo.zone,
            keepPosition: photo.keepPosition,
            id: photo.id,
          })
          arrived = true
          await letGo(photo.id)
        } catch (error) {
          if (!refusedForGood(error)) break
          failure.value = `${photo.name}: ${error.message}`
          await put({ ...photo, refused: error.message })
        }
      }
    } finally {
      busy = false
      sending.value = 0
    }
    if (next()) timer = setTimeout(() => void send(), TRY_AGAIN)
    if (arrived) await load()
  }
  /** Takes photographs for the job that is open. */
  const add = (files: Iterable<File>, zone: string | null, keepPosition: boolean) =>
    job.id ? addTo(job.id, files, zone, keepPosition) : Promise.resolve()
  /** Takes photographs for any job. */
  async function addTo(
    id: string,
    files: Iterable<File>,
    zone: string | null = null,
    keepPosition = false,
  ) {
    failure.value = ''
    for (const file of files) {
      sending.value++
      const { body, on } = await toSend(file, keepPosition)
      const photo = {
        id: newId(),
        job: id,
        zone,
        keepPosition,
        on,
        kept: localDay(new Date()),
        name: file.name,
        body,
        thumb: await thumbOf(body),
      }
      held.value = [...held.value, photo]
      await keepWaiting(photo)
    }
    await send()
  }
  void waitingPhotos().then((found) => {
    held.value = [...found.filter((f) => held.value.every((w) => w.id !== f.id)), ...held.value]
    if (held.value.length > 0) void send()
  })
  window.addEventListener('online', () => void send())
  async function archive(id: string) {
    await api('DELETE', `/photos/${encodeURIComponent(id)}`)
    await load()
  }
  async function restore(id: string) {
    await api('POST', `/photos/${encodeURIComponent(id)}/restore`)
    await load()
  }
  const ground = computed(() => all.value.filter((p) => p.kind === 'ground'))
  return {
    all,
    ground,
    held,
    waiting,
    refused,
    tryAgain,
    discard: letGo,
    failure,
    sending,
    load,
    send,
    add,
    addTo,
    archive,
    restore,
  }
})
