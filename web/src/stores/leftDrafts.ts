import type { Answer } from '../../../contract/answers.ts'
import { defineStore } from 'pinia'
import { computed, shallowRef } from 'vue'
import { api, ApiError, Unreachable } from './api.ts'
import { alone } from './thisWindow.ts'
import { forgetLeft, leftUnsaved, rebaseLeft, type Left } from './unsaved.ts'

const CHANGED = 'It was changed elsewhere too: open it to choose.'
/** Between one try to send and the next, ms. */
const TRY_AGAIN = 15_000

/**
 * A job that is not open and has changes the server has not got; `asks` where only a person can
 * settle it.
 */
export interface LeftJob {
  job: string
  name: string
  asks: string
}

/**
 * Changes to jobs that are not open: a job that was left, a tab that was closed, before the server
 * had answered. They are sent from here.
 */
export const useLeftDrafts = defineStore('left-drafts', () => {
  const left = shallowRef<LeftJob[]>([])
  /**
   * The job that is open is its own page's matter; undefined until a page has said whether one is.
   */
  let open: string | null | undefined
  let timer: ReturnType<typeof setTimeout> | undefined
  let running: Promise<void> | null = null

  /**
   * Sends one, on top of what the server holds now; what it still asks for, or null when it has
   * gone.
   */
  async function handOver(it: Left): Promise<string | null> {
    const { draft, sent, revision } = it.unsaved
    const text = JSON.stringify(draft)
    const path = `/jobs/${encodeURIComponent(it.key[0])}`
    try {
      const theirs = await api<Answer<'fullJob'>>('GET', path)
      const held = JSON.stringify(theirs.draft)
      if (held === text) return (await forgetLeft(it), null)
      // What was sent before had arrived, though its answer did not: the rest goes on top of it.
      if (theirs.revision !== revision && held !== sent) return CHANGED
      await rebaseLeft(it, theirs.revision, text)
      await api('PUT', path, { revision: theirs.revision, draft })
      return (await forgetLeft(it), null)
    } catch (error) {
      if (!(error instanceof ApiError) || error.status >= 500) throw error
      return error.body.theirs ? CHANGED : error.message
    }
  }

  async function sendAll(): Promise<void> {
    clearTimeout(timer)
    if (open === undefined) return
    const found = await leftUnsaved(open)
    const still: LeftJob[] = []
    let reached = true
    for (const it of found) {
      const named = { job: it.key[0], name: it.unsaved.draft.name || 'Job without a name' }
      if (!reached) {
        still.push({ ...named, asks: '' })
        continue
      }
      // Opened meanwhile: its page has it now.
      if (it.key[0] === open) continue
      try {
        const asks = await handOver(it)
        if (asks !== null) still.push({ ...named, asks })
      } catch (error) {
        reached = false
        still.push({ ...named, asks: error instanceof Unreachable ? '' : (error as Error).message })
      }
    }
    left.value = still
    if (still.some((s) => s.asks === '')) timer = setTimeout(() => void send(), TRY_AGAIN)
  }
  /** Sends what is left, where no other window does so already. */
  const send = (): Promise<void> =>
    (running ??= alone('sending', sendAll)
      .then(() => undefined)
      .finally(() => (running = null)))
  /** Says which job is open now; what was left of the one before is sent. */
  function opened(job: string | null): void {
    open = job
    void send()
  }
  window.addEventListener('online', () => void send())
  return { left, count: computed(() => left.value.length), send, opened }
})
