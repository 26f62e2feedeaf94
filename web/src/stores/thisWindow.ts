import { sure } from '@juvena/core/quantities/sure'
const KEPT = 'juvena.window'
const LOCK = 'juvena.window.'
const locks =
  typeof navigator === 'undefined' ? undefined : (navigator as { locks?: LockManager }).locks

const newName = () => Math.floor(performance.timeOrigin + performance.now() * 1000).toString(36)

/**
 * Holds a window's name for as long as its page lives; false where another living page holds it.
 */
const hold = (name: string): Promise<boolean> =>
  new Promise((answer) => {
    void sure(locks)
      .request(LOCK + name, { ifAvailable: true }, (lock) => {
        answer(lock !== null)
        // Never given back: it goes with the page.
        return lock ? new Promise(() => undefined) : undefined
      })
      .catch(() => answer(false))
  })

/** The name of this window, once it is known: then nothing typed waits for it. */
export let nameOfThisWindow: string | null = null

/**
 * A name of this window that outlives a reload. A tab that was duplicated carries the same name
 * along with everything else of its session, so whoever finds it held by a living page takes
 * another.
 */
export const thisWindow: Promise<string> = (async () => {
  const kept = sessionStorage.getItem(KEPT)
  let name = kept ?? newName()
  if (locks && !(await hold(name))) {
    name = newName()
    await hold(name)
  }
  sessionStorage.setItem(KEPT, name)
  return (nameOfThisWindow = name)
})()

/** The names of the windows that live; null where this browser cannot tell. */
export async function livingWindows(): Promise<ReadonlySet<string> | null> {
  await thisWindow
  const found = await locks?.query().catch(() => null)
  return found?.held
    ? new Set(
        found.held.flatMap((l) => (l.name?.startsWith(LOCK) ? [l.name.slice(LOCK.length)] : [])),
      )
    : null
}

/** Does something that only one window should do at a time; false where another does it now. */
export async function alone(what: string, act: () => Promise<void>): Promise<boolean> {
  if (!locks) return (await act(), true)
  return locks.request(`juvena.${what}`, { ifAvailable: true }, async (lock) => {
    if (lock) await act()
    return lock !== null
  })
}
