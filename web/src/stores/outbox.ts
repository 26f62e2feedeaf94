import type { Answer } from '../../../contract/answers.ts'
import { createStore, del, values } from 'idb-keyval'
import { defineStore } from 'pinia'
import { computed, shallowRef } from 'vue'
import type { DiaryEntry } from '@juvena/core/entities/diary'
import { api, refusedForGood } from './api.ts'
import { setAtOnce } from './setAtOnce.ts'

/**
 * A diary entry written here and not yet with the server. Its id is made here, so that sending it
 * twice keeps it once.
 */
interface WaitingEntry {
  id: string
  job: string
  entry: DiaryEntry
  /** When it was written, ms: they go in this order. */
  at: number
  /** What Juvena says against it. It is kept, and sent again when asked. */
  refused?: string
}

/** Between one try to send and the next while the server does not answer, ms. */
const TRY_AGAIN = 15_000

/**
 * The browser's own database: neither a lost signal nor a reload loses what lies here. Null where
 * there is none.
 */
const kept = typeof indexedDB === 'undefined' ? null : createStore('juvena-outbox', 'diary')

/**
 * Diary entries on their way to the server: what cannot go waits in this browser, and goes once, in
 * the order it was written.
 */
export const useOutbox = defineStore('outbox', () => {
  const all = shallowRef<WaitingEntry[]>([])
  /** What is on its way, and what was refused: it stays here until a person decides. */
  const waiting = computed(() => all.value.filter((w) => w.refused === undefined))
  const held = computed(() => all.value.filter((w) => w.refused !== undefined))
  /** The diary of a job as the server answered it last. */
  const answered = shallowRef<{ job: string; diary: DiaryEntry[] } | null>(null)
  const refused = shallowRef('')
  let timer: ReturnType<typeof setTimeout> | undefined
  let running: Promise<void> = Promise.resolve()

  /** Sends what waits, after any sending that is under way. */
  const send = (): Promise<void> => (running = running.then(sendAll))
  async function sendAll() {
    clearTimeout(timer)
    for (let next = waiting.value[0]; next; next = waiting.value[0]) {
      const { id, job, entry } = next
      try {
        const found = await api<Answer<'diary'> | null>(
          'POST',
          `/jobs/${encodeURIComponent(job)}/diary`,
          entry,
        )
        // A yes names the entry; any other answer is not Juvena's.
        const diary = Array.isArray(found?.diary) ? found.diary : []
        if (diary.every((e) => e.id !== id)) break
        await letGo(id)
        answered.value = { job, diary }
      } catch (error) {
        if (!refusedForGood(error)) break
        await put({ ...next, refused: error.message })
        refused.value = `“${entry.what}” was not kept: ${error.message}`
      }
    }
    if (waiting.value.length > 0) timer = setTimeout(() => void send(), TRY_AGAIN)
  }
  async function letGo(id: string) {
    all.value = all.value.filter((w) => w.id !== id)
    if (kept) await del(id, kept).catch(() => undefined)
  }
  /** Keeps an entry, here and in this window; a full or forbidden store leaves it in the window. */
  async function put(one: WaitingEntry) {
    all.value = all.value.some((w) => w.id === one.id)
      ? all.value.map((w) => (w.id === one.id ? one : w))
      : [...all.value, one]
    if (kept) await setAtOnce(one.id, one, kept).catch(() => undefined)
  }
  /** Sends again what was refused. */
  async function tryAgain(id: string) {
    const one = held.value.find((w) => w.id === id)
    if (!one) return
    const { refused: _, ...again } = one
    await put(again)
    await send()
  }

  /**
   * Writes an entry: it is kept here first, then sent. Throws the server's sentence where it
   * refuses it. A record that is accepted takes the place of one of the same step that was refused.
   */
  async function write(job: string, entry: DiaryEntry): Promise<void> {
    refused.value = ''
    await put({ id: entry.id, job, entry, at: Date.now() })
    await send()
    const mine = held.value.find((w) => w.id === entry.id)
    if (mine) throw new Error(mine.refused)
    // Still on its way, it is no yes yet.
    if (entry.step === null || all.value.some((w) => w.id === entry.id)) return
    for (const old of held.value)
      if (old.job === job && old.entry.step === entry.step) await letGo(old.id)
  }
  /** A job's diary with what still waits for the server. */
  const withWaiting = (job: string, diary: readonly DiaryEntry[]): DiaryEntry[] => [
    ...diary,
    ...waiting.value
      .filter((w) => w.job === job && diary.every((e) => e.id !== w.id))
      .map((w) => w.entry),
  ]

  const ready = (async () => {
    const found = kept ? await values<WaitingEntry>(kept).catch(() => []) : []
    all.value = [...found.filter((f) => all.value.every((w) => w.id !== f.id)), ...all.value].sort(
      (a, b) => a.at - b.at,
    )
    if (waiting.value.length > 0) void send()
  })()
  window.addEventListener('online', () => void send())
  return {
    waiting,
    held,
    tryAgain,
    discard: letGo,
    count: computed(() => waiting.value.length),
    answered,
    refused,
    write,
    send,
    withWaiting,
    ready,
  }
})
