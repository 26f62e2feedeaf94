import type { JobDraft } from '@juvena/core/entities/job'

/** What a window has typed but not heard back about, kept on this computer so that a reload or a dead server loses nothing. */
export interface Unsaved {
  revision: number
  draft: JobDraft
  /** The draft last sent, as text: if the server holds just that, the save arrived though its answer did not. */
  sent: string | null
  at: number
}

/** Another window's leavings are taken up only when it has been silent for this long. */
const ORPHAN_AFTER = 15_000

const windowId = (() => {
  const kept = sessionStorage.getItem('juvena.window') ?? Math.floor(performance.timeOrigin + performance.now() * 1000).toString(36)
  sessionStorage.setItem('juvena.window', kept)
  return kept
})()
const prefix = (job: string) => `juvena.unsaved.${job}.`
const ownKey = (job: string) => prefix(job) + windowId

export function keepUnsaved(job: string, unsaved: Omit<Unsaved, 'at'>): void {
  try {
    localStorage.setItem(ownKey(job), JSON.stringify({ ...unsaved, at: Date.now() }))
  } catch {
    // A full or forbidden store: saving goes on over the network alone.
  }
}

export const forgetUnsaved = (job: string): void => localStorage.removeItem(ownKey(job))

/** This window's own, else one left by a window that is gone. Taking it up makes it this window's. */
export function takeUnsaved(job: string): Unsaved | null {
  const read = (key: string): Unsaved | null => {
    try {
      return JSON.parse(localStorage.getItem(key) ?? 'null') as Unsaved | null
    } catch {
      return null
    }
  }
  const own = read(ownKey(job))
  if (own) return own
  for (const key of Object.keys(localStorage)) {
    if (!key.startsWith(prefix(job))) continue
    const left = read(key)
    if (!left || Date.now() - left.at < ORPHAN_AFTER) continue
    localStorage.removeItem(key)
    keepUnsaved(job, left)
    return left
  }
  return null
}
