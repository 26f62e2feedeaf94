import { sure } from '@juvena/core/quantities/sure'
import { createStore, del, entries, get, update } from 'idb-keyval'
import type { JobDraft } from '@juvena/core/entities/job'
import { currentDraft } from '@juvena/core/entities/jobVersions'
import { setAtOnce } from './setAtOnce.ts'
import { livingWindows, nameOfThisWindow, thisWindow } from './thisWindow.ts'

/**
 * What a window has typed but not heard back about, kept on this computer so that a reload or a
 * dead server loses nothing.
 */
export interface Unsaved {
  revision: number
  draft: JobDraft
  /**
   * The draft last sent, as text: if the server holds just that, the save arrived though its answer
   * did not.
   */
  sent: string | null
  at: number
}
type Key = [job: string, window: string]
export interface Left {
  key: Key
  unsaved: Unsaved
}

/**
 * Where a browser cannot tell which windows live: what another left is used only when it has been
 * silent for this long, ms.
 */
const SILENT = 15_000

const ownKey = async (job: string): Promise<Key> => [job, await thisWindow]

/**
 * The browser's own database, which holds a job of any size. Null where there is none: saving then
 * goes over the network alone.
 */
const drafts = typeof indexedDB === 'undefined' ? null : createStore('juvena-unsaved', 'drafts')

export async function keepUnsaved(job: string, unsaved: Omit<Unsaved, 'at'>): Promise<void> {
  if (!drafts) return
  const key = nameOfThisWindow ? [job, nameOfThisWindow] : await ownKey(job)
  await setAtOnce(key, { ...unsaved, at: Date.now() }, drafts).catch(() => undefined)
}

export async function forgetUnsaved(job: string): Promise<void> {
  if (drafts) await del(await ownKey(job), drafts).catch(() => undefined)
}

const usable = (kept: unknown): kept is Unsaved =>
  typeof kept === 'object' && kept !== null && 'draft' in kept && 'revision' in kept && 'at' in kept
const current = (unsaved: Unsaved): Unsaved => ({ ...unsaved, draft: currentDraft(unsaved.draft) })

/** What windows that are gone have left, of one job or of all, the newest first. */
async function orphans(job: string | null): Promise<Left[]> {
  const living = await livingWindows()
  const own = await thisWindow
  const all = await entries<Key, unknown>(sure(drafts))
  return all
    .flatMap(([key, unsaved]): Left[] => {
      if ((job !== null && key[0] !== job) || key[1] === own || !usable(unsaved)) return []
      const gone = living ? !living.has(key[1]) : Date.now() - unsaved.at >= SILENT
      return gone ? [{ key, unsaved: current(unsaved) }] : []
    })
    .sort((a, b) => b.unsaved.at - a.unsaved.at)
}

/**
 * This window's own, else the newest left by a window that is gone, which becomes this window's.
 */
export async function findUnsaved(job: string): Promise<Unsaved | null> {
  if (!drafts) return null
  try {
    const own: unknown = await get(await ownKey(job), drafts)
    if (usable(own)) return current(own)
    const [left] = await orphans(job)
    if (!left) return null
    await del(left.key, drafts)
    await keepUnsaved(job, left.unsaved)
    return left.unsaved
  } catch {
    // A forbidden or broken store holds nothing that could be used.
    return null
  }
}

/**
 * What is unsent of jobs that no window has open: left by windows that are gone, or by this one
 * before it went to another job.
 */
export async function leftUnsaved(open: string | null): Promise<Left[]> {
  if (!drafts) return []
  try {
    const own = await thisWindow
    const mine = (await entries<Key, unknown>(drafts)).flatMap(([key, unsaved]): Left[] =>
      key[1] === own && key[0] !== open && usable(unsaved)
        ? [{ key, unsaved: current(unsaved) }]
        : [],
    )
    return [...mine, ...(await orphans(null)).filter(({ key }) => key[0] !== open)]
  } catch {
    return []
  }
}

/** Removes what was handed over; what was typed since then stays. */
export async function forgetLeft({ key, unsaved }: Left): Promise<void> {
  if (!drafts) return
  const now: unknown = await get(key, drafts).catch(() => undefined)
  if (usable(now) && now.at === unsaved.at) await del(key, drafts).catch(() => undefined)
}

/** Notes the revision that something left stands on now. */
export async function rebaseLeft(
  { key, unsaved }: Left,
  revision: number,
  sent: string,
): Promise<void> {
  if (!drafts) return
  await update<unknown>(
    key,
    (now) => (usable(now) && now.at === unsaved.at ? { ...now, revision, sent } : now),
    drafts,
  ).catch(() => undefined)
}
