/**
 * Versions of a job as stored.
 * 1 the first. 2 added the drawing, counts and the finer readings, all optional.
 * 4 adds what is sown and the operations of a zone as a person set them, the zones and active of a
 * treatment, and the visits wanted, all optional. 3 names the drawing `drawing` (was `plan`),
 * counts `quadrats` and `pointCounts` (were `frames` and `looks`), and gives treatments and lots an
 * id.
 */
export const JOB_VERSION = 4

type Plain = Record<string, unknown>
const isPlain = (value: unknown): value is Plain =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

function renamed(of: Plain, names: Record<string, string>): Plain {
  if (!Object.keys(names).some((old) => old in of && !(names[old]! in of))) return of
  return Object.fromEntries(
    Object.entries(of).map(([key, value]) => [
      key in names && !(names[key]! in of) ? names[key]! : key,
      value,
    ]),
  )
}

/** Entries of a list, each with an id: those that have none get the first free one. */
function withIds(list: unknown, prefix: string): unknown {
  if (!Array.isArray(list) || list.every((entry) => !isPlain(entry) || 'id' in entry)) return list
  const taken = new Set(list.map((entry) => (isPlain(entry) ? entry.id : null)))
  let next = 1
  return list.map((entry: unknown) => {
    if (!isPlain(entry) || 'id' in entry) return entry
    while (taken.has(`${prefix}${next}`)) next++
    taken.add(`${prefix}${next}`)
    return { id: `${prefix}${next}`, ...entry }
  })
}

/**
 * A stored job of any version as one of today's. What is of today's version already, or no job at
 * all, comes back as it is.
 */
export function currentDraft<T>(stored: T): T {
  if (!isPlain(stored)) return stored
  const job = renamed(stored, { plan: 'drawing' })
  const zones = Array.isArray(job.zones)
    ? job.zones.map((zone: unknown) =>
        isPlain(zone) ? renamed(zone, { frames: 'quadrats', looks: 'pointCounts' }) : zone,
      )
    : job.zones
  const changed: Plain = {
    zones,
    treatments: withIds(job.treatments, 't'),
    lots: withIds(job.lots, 'l'),
  }
  const same =
    job === stored && Object.keys(changed).every((key) => sameEntries(changed[key], job[key]))
  if (same) return stored
  const draft = { ...job }
  for (const key in changed) if (key in job) draft[key] = changed[key]
  return draft as T
}

const sameEntries = (a: unknown, b: unknown): boolean =>
  a === b ||
  (Array.isArray(a) &&
    Array.isArray(b) &&
    a.length === b.length &&
    a.every((entry, i) => entry === b[i]))
