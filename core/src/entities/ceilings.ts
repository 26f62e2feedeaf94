import { OBSTACLES, type ShapeKind } from './drawing.ts'
import type { Problem } from './problem.ts'

/**
 * The most a job may hold, whichever way it comes in: what is over is refused whole, for it could
 * not be planned in a time anybody waits for.
 */
export const CEILINGS = {
  zones: 500,
  shapes: 2_000,
  /** Corners of all shapes together. */
  corners: 60_000,
  /** Trees, walls and buildings: each throws a shadow on every lawn. */
  obstacles: 600,
  levels: 5_000,
  treatments: 200,
  lots: 40,
} as const
/** Most bytes of a draft as JSON, on a save and in a file. */
export const DRAFT_BYTES = 4_000_000
/** Most that objects and lists of what is sent may stand inside each other. A job needs nine. */
export const MOST_NESTED = 40

const listIn = (of: unknown, key: string): unknown[] => {
  const list =
    typeof of === 'object' && of !== null ? (of as Record<string, unknown>)[key] : undefined
  return Array.isArray(list) ? list : []
}

/**
 * What a draft holds too much of; none where it keeps within the ceilings. Only counts: whether it
 * makes sense is the schema's matter.
 */
export function overCeilings(draft: unknown): Problem[] {
  const drawing = (draft as { drawing?: unknown } | null)?.drawing
  const shapes = listIn(drawing, 'shapes')
  const runs = shapes.flatMap((s) => listIn(s, 'at'))
  const counts: [path: string, what: string, n: number, most: number][] = [
    ['zones', 'zones', listIn(draft, 'zones').length, CEILINGS.zones],
    ['drawing.shapes', 'shapes on the plan', shapes.length, CEILINGS.shapes],
    [
      'drawing.shapes',
      'corners on the plan',
      runs.reduce<number>((sum, run) => sum + (Array.isArray(run) ? run.length : 0), 0),
      CEILINGS.corners,
    ],
    [
      'drawing.shapes',
      'trees, walls and buildings',
      shapes.filter((s) =>
        OBSTACLES.includes((s as { kind?: ShapeKind } | null)?.kind as ShapeKind),
      ).length,
      CEILINGS.obstacles,
    ],
    ['drawing.levels', 'levels', listIn(drawing, 'levels').length, CEILINGS.levels],
    ['treatments', 'treatments', listIn(draft, 'treatments').length, CEILINGS.treatments],
    ['lots', 'lots of seed', listIn(draft, 'lots').length, CEILINGS.lots],
  ]
  return counts
    .filter(([, , n, most]) => n > most)
    .map(([path, what, n, most]) => ({
      path,
      sentence: `This job has ${n.toLocaleString('en')} ${what}; up to ${most.toLocaleString('en')} are taken. Split it into several jobs.`,
    }))
}

/** Most fields that one object of what is sent may have: the firm's own numbers are a few hundred. */
export const MOST_FIELDS = 5_000

/**
 * What is wrong with the shape of JSON in bytes, in a sentence; null where nothing is. Found by its
 * brackets and colons before anything is built of it: deep or broad enough, building it alone holds
 * up everyone.
 */
export function badlyShaped(
  bytes: Uint8Array,
  most = { nested: MOST_NESTED, fields: MOST_FIELDS },
): string | null {
  /** Fields so far of every object that is open, by depth. */
  const fields = new Uint32Array(most.nested + 1)
  let depth = 0
  let quoted = false
  for (let i = 0; i < bytes.length; i++) {
    const c = bytes[i]
    if (quoted) {
      if (c === BACKSLASH) i++
      else if (c === QUOTE) quoted = false
    } else if (c === QUOTE) quoted = true
    else if (c === COLON) {
      if (++fields[Math.max(0, depth)]! > most.fields)
        return `One thing in this has more than ${most.fields.toLocaleString('en')} fields. Nothing of Juvena’s does.`
    } else if (c === SQUARE || c === CURLY) {
      if (++depth > most.nested)
        return `This stands more than ${most.nested} brackets deep. Nothing of Juvena’s does.`
      fields[Math.max(0, depth)] = 0
    } else if (c === SQUARE_END || c === CURLY_END) depth--
  }
  return null
}
const [QUOTE, BACKSLASH, COLON, SQUARE, SQUARE_END, CURLY, CURLY_END] = [
  0x22, 0x5c, 0x3a, 0x5b, 0x5d, 0x7b, 0x7d,
]
