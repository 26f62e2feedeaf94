import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { dayOf } from '@juvena/core/model/day'
import { api, ApiError, Unreachable } from './api.ts'
import { useJob } from './job.ts'

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

/** Longest side sent, px: the server writes it anew at this size or less, so more would only take longer from a field. */
const LONGEST = 2400

/** Large photographs are made smaller before they are sent, unless the place they were taken is to be kept: that lies in the camera's record. */
async function lighter(file: File): Promise<Blob> {
  if (file.size < 1_500_000) return file
  try {
    const bitmap = await createImageBitmap(file, { imageOrientation: 'from-image' })
    const k = Math.min(1, LONGEST / Math.max(bitmap.width, bitmap.height))
    const canvas = document.createElement('canvas')
    canvas.width = Math.round(bitmap.width * k)
    canvas.height = Math.round(bitmap.height * k)
    canvas.getContext('2d')!.drawImage(bitmap, 0, 0, canvas.width, canvas.height)
    bitmap.close()
    return await new Promise<Blob>((done) => canvas.toBlob((blob) => done(blob ?? file), 'image/jpeg', 0.9))
  } catch {
    // What this browser cannot open, the server may: it answers for it.
    return file
  }
}

/** The day on this device's own calendar, ISO. */
const localDay = (at: Date) => dayOf((at.getTime() - at.getTimezoneOffset() * 60_000) / 86_400_000 - 0.5)

export async function sendPhoto(
  job: string,
  file: File,
  about: { kind: Photo['kind']; zone?: string | null; note?: string; keepPosition?: boolean },
): Promise<Photo> {
  const query = new URLSearchParams({ kind: about.kind, note: about.note ?? '', keepPosition: about.keepPosition ? 'yes' : 'no' })
  if (about.zone) query.set('zone', about.zone)
  const taken = new Date(file.lastModified)
  // Made smaller it has lost its record, and with it its day: the file's own day stands in.
  const body = about.keepPosition ? file : await lighter(file)
  if (body !== file && !Number.isNaN(taken.getTime())) query.set('on', localDay(taken))
  let response: Response
  try {
    response = await fetch(`/api/jobs/${encodeURIComponent(job)}/photos?${query.toString()}`, {
      method: 'POST',
      headers: { 'content-type': /^image\//.test(body.type) ? body.type : 'application/octet-stream' },
      body,
    })
  } catch {
    throw new Unreachable()
  }
  const value = (await response.json().catch(() => ({}))) as Photo & { title?: string; detail?: string }
  if (!response.ok) throw new ApiError(response.status, value.title ?? 'Refused', value.detail ?? 'The picture was refused.', {})
  return value
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
      const photos = await api<Photo[]>('GET', `/jobs/${encodeURIComponent(id)}/photos`)
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
  async function add(files: Iterable<File>, zone: string | null, keepPosition: boolean) {
    failure.value = ''
    for (const file of files) {
      sending.value++
      try {
        if (job.id) await sendPhoto(job.id, file, { kind: 'ground', zone, keepPosition })
      } catch (error) {
        failure.value = `${file.name}: ${(error as Error).message}`
      }
      sending.value--
    }
    await load()
  }
  async function putAway(id: string) {
    await api('DELETE', `/photos/${encodeURIComponent(id)}`)
    await load()
  }
  async function takeOut(id: string) {
    await api('POST', `/photos/${encodeURIComponent(id)}/restore`)
    await load()
  }
  const ground = computed(() => all.value.filter((p) => p.kind === 'ground'))
  return { all, ground, failure, sending, load, add, putAway, takeOut }
})
