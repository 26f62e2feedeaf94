import type { JobDraft } from '../entities/job.ts'

/**
 * One thing that differs between two drafts of a job: where, what, and how it was typed before and
 * after where that is short.
 */
export interface DraftDifference {
  /** The zone's name, or empty for the job itself. */
  zone: string
  what: string
  before: string
  after: string
}

type Plain = Record<string, unknown>
const plain = (value: unknown): Plain =>
  typeof value === 'object' && value !== null ? (value as Plain) : {}
/** "heightOfCut" → "height of cut". */
const words = (key: string): string => key.replaceAll(/[A-Z]/g, (c) => ` ${c.toLowerCase()}`)
const same = (a: unknown, b: unknown): boolean =>
  JSON.stringify(a ?? null) === JSON.stringify(b ?? null)
/** As it was typed, where it is short; nothing for lists and blank entries. */
function typed(value: unknown): string {
  if (value === true) return 'yes'
  if (value === false) return 'no'
  return typeof value === 'string' || typeof value === 'number' ? String(value).slice(0, 60) : ''
}

/** Entries of two lists that differ, by id: added, removed, changed. */
function counted(what: string, before: unknown, after: unknown): string[] {
  const byId = (list: unknown) =>
    new Map(
      (Array.isArray(list) ? list : []).map((entry: unknown, i) => [
        String(plain(entry).id ?? i),
        entry,
      ]),
    )
  const [a, b] = [byId(before), byId(after)]
  const counts: [string, number][] = [
    ['added', [...b.keys()].filter((id) => !a.has(id)).length],
    ['removed', [...a.keys()].filter((id) => !b.has(id)).length],
    ['changed', [...b].filter(([id, entry]) => a.has(id) && !same(a.get(id), entry)).length],
  ]
  return counts.filter(([, n]) => n > 0).map(([how, n]) => `${what}: ${n} ${how}`)
}

/** Fields of two objects that differ; those of objects inside them by their own names. */
function fields(
  zone: string,
  before: Plain,
  after: Plain,
  skip: readonly string[] = [],
  within = '',
): DraftDifference[] {
  const keys = [...new Set([...Object.keys(before), ...Object.keys(after)])].filter(
    (k) => !skip.includes(k),
  )
  return keys.flatMap((key): DraftDifference[] => {
    const [a, b] = [before[key], after[key]]
    if (same(a, b)) return []
    const what = within ? `${within}, ${words(key)}` : words(key)
    const inner = [a, b].some((v) => typeof v === 'object' && v !== null && !Array.isArray(v))
    if (inner) return fields(zone, plain(a), plain(b), [], what)
    return [{ zone, what, before: typed(a), after: typed(b) }]
  })
}

/**
 * What differs between two drafts, in the order a person would look: the job, then each zone, then
 * its plan.
 */
export function draftDifferences(before: JobDraft, after: JobDraft): DraftDifference[] {
  const job = (what: string): DraftDifference => ({ zone: '', what, before: '', after: '' })
  const listed = ['zones', 'drawing', 'treatments', 'lots', 'pins', 'ownWays']
  const own = fields('', plain(before), plain(after), listed)
  const [a, b] = [before.zones ?? [], after.zones ?? []]
  const zones = [
    ...b
      .filter((z) => a.every((o) => o.id !== z.id))
      .map((z) => job(`zone added: ${z.name || 'unnamed'}`)),
    ...a
      .filter((z) => b.every((o) => o.id !== z.id))
      .map((z) => job(`zone removed: ${z.name || 'unnamed'}`)),
    ...b.flatMap((z) => {
      const was = a.find((o) => o.id === z.id)
      return was ? fields(z.name || 'unnamed zone', plain(was), plain(z)) : []
    }),
  ]
  const [from, to] = [plain(before.drawing), plain(after.drawing)]
  const rest = [
    ...counted('shapes on the plan', from.shapes, to.shapes),
    ...counted('levels', from.levels, to.levels),
    ...(same({ ...from, shapes: 0, levels: 0 }, { ...to, shapes: 0, levels: 0 })
      ? []
      : ['the plan’s picture, place or hills changed']),
    ...counted('treatments', before.treatments, after.treatments),
    ...counted('lots of seed', before.lots, after.lots),
    ...(same(before.pins, after.pins) ? [] : ['fixed days changed']),
    ...(same(before.ownWays, after.ownWays) ? [] : ['ways of your own changed']),
  ].map(job)
  return [...own, ...zones, ...rest]
}
