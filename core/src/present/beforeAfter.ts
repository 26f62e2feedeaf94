import type { Day } from '../calendar/day.ts'

/** A photograph as far as it is paired. */
export interface DatedPhoto {
  id: string
  zone: string | null
  kind: string
  takenOn: Day
}

export interface BeforeAfter<P extends DatedPhoto> {
  zone: string
  before: P
  after: P
}

/**
 * Of each zone the last photograph of before its work and the newest since: the day of the work is the
 * first on which blades, cores or seed went over it. Zones without both are left out.
 */
export function beforeAndAfter<P extends DatedPhoto>(
  photos: readonly P[],
  began: ReadonlyMap<string, Day>,
): BeforeAfter<P>[] {
  return [...began].flatMap(([zone, day]) => {
    const own = photos
      .filter((p) => p.zone === zone && p.kind === 'ground')
      .sort((a, b) => a.takenOn.localeCompare(b.takenOn))
    const before = own.filter((p) => p.takenOn <= day).at(-1)
    const after = own.filter((p) => p.takenOn > day).at(-1)
    return before && after ? [{ zone, before, after }] : []
  })
}
