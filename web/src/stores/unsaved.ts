import { createStore, del, entries, get, set } from 'idb-keyval'
import type { JobDraft } from '@juvena/core/entities/job'
import { currentDraft } from '@juvena/core/entities/jobVersions'

/** What a window has typed but not heard back about, kept on this computer so that a reload or a dead server loses nothing. */
export interface Unsaved {
  revision: number
  draft: JobDraft
  /** The draft last sent, as text: if the server holds just that, the save arrived though its answer did not. */
  sent: string | null
  at: number
}

/** What another window left is used only when that window has been silent for this long, ms. */
const ORPHAN_AFTER = 15_000

const windowId = (() => {
  const kept = sessionStorage.getItem('juvena.window') ?? Math.floor(performance.timeOrigin + performance.now() * 1000).toString(36)
  sessionStorage.setItem('juvena.window', kept)
  return kept
})()
type Key = [job: string, window: string]
const ownKey = (job: string): Key => [job, windowId]

/** The browser's own database, which holds a job of any size. Null where there is none: saving then goes over the network alone. */
const drafts = typeof indexedDB === 'undefined' ? null : createStore('juvena-unsaved', 'drafts')

export async function keepUnsaved(job: string, unsaved: Omit<Unsaved, 'at'>): Promise<void> {
  if (drafts) await set(ownKey(job), { ...unsaved, at: Date.now() }, drafts).catch(() => undefined)
}

export async function forgetUnsaved(job: string): Promise<void> {
  if (drafts) await del(ownKey(job), drafts).catch(() => undefined)
}

const usable = (kept: unknown): kept is Unsaved => typeof kept === 'object' && kept !== null && 'draft' in kept && 'revision' in kept && 'at' in kept
const current = (unsaved: Unsaved): Unsaved => ({ ...unsaved, draft: currentDraft(unsaved.draft) })

/** This window's own, else one left by a window that is gone, which becomes this window's. */
export async function findUnsaved(job: string): Promise<Unsaved | null> {
  if (!drafts) return null
  try {
    const own: unknown = await get(ownKey(job), drafts)
    if (usable(own)) return current(own)
    for (const [key, left] of await entries<Key, unknown>(drafts)) {
      if (key[0] !== job || key[1] === windowId || !usable(left) || Date.now() - left.at < ORPHAN_AFTER) continue
      await del(key, drafts)
      await keepUnsaved(job, left)
      return current(left)
    }
  } catch {
    // A forbidden or broken store holds nothing that could be used.
  }
  return null
}
