import type { Answer } from '../../../contract/answers.ts'
import { createStore, del, values } from 'idb-keyval'
import { defineStore } from 'pinia'
import { computed, shallowRef } from 'vue'
import type { DiaryEntry } from '@juvena/core/entities/diary'
import { api, ApiError, Unreachable } from './api.ts'
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
  const waiting = shallowRef<WaitingEntry[]>([])
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
        const { diary } = await api<Answer<'diary'>>(
          'POST',
          `/jobs/${encodeURIComponent(job)}/diary`,
          entry,
        )
        await letGo(id)
        answered.value = { job, diary }
      } catch (error) {
        if (error instanceof Unreachable || (error instanceof ApiError && error.status >= 500))
          break
        // What the server will never take is told, and does not hold up the rest.
        await letGo(id)
        refused.value = `“${entry.what}” was not kept: ${(error as Error).message}`
      }
    }
    if (waiting.value.length > 0) timer = setTimeout(() => void send(), TRY_AGAIN)
  }
  async function letGo(id: string) {
    waiting.value = waiting.value.filter((w) => w.id !== id)
    if (kept) await del(id, kept).catch(() => undefined)
  }

  /**
   * Writes an entry: it is kept here first, then sent. Throws the server's sentence where it
   * refuses it.
   */
  async function write(job: string, entry: DiaryEntry): Promise<void> {
    refused.value = ''
    const mine = { id: entry.id, job, entry, at: Date.now() }
    waiting.value = [...waiting.value, mine]
    // A full or forbidden store is no reason not to send: it then waits in this window alone.
    if (kept) await setAtOnce(entry.id, mine, kept).catch(() => undefined)
    await send()
    if (refused.value) throw new Error(refused.value)
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
    waiting.value = [
      ...found.filter((f) => waiting.value.every((w) => w.id !== f.id)),
      ...waiting.value,
    ].sort((a, b) => a.at - b.at)
    if (waiting.value.length > 0) void send()
  })()
  window.addEventListener('online', () => void send())
  return {
    waiting,
    count: computed(() => waiting.value.length),
    answered,
    refused,
    write,
    send,
    withWaiting,
    ready,
  }
})
