/**
 * What differs between an object and an earlier one of the same shape, by the identity of each
 * entry: what a page tells its worker instead of everything.
 */
export interface Changes<T> {
  set: Partial<T>
  gone: (keyof T)[]
}

export function changesIn<T extends object>(before: T | null, now: T): Changes<T> {
  const keys = Object.keys(now) as (keyof T)[]
  return {
    set: Object.fromEntries(
      keys.filter((key) => !before || before[key] !== now[key]).map((key) => [key, now[key]]),
    ) as Partial<T>,
    gone: before ? (Object.keys(before) as (keyof T)[]).filter((key) => !(key in now)) : [],
  }
}

export function withChanges<T extends object>(before: T, { set, gone }: Changes<T>): T {
  const now = { ...before, ...set }
  for (const key of gone) delete now[key]
  return now
}
