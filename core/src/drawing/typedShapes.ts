import type { Point, Ring } from '../entities/drawing.ts'
import { distance } from './geometry.ts'

/**
 * Outlines from typed lengths, metres, with their lower left at the origin. Each gives the ring, or
 * a sentence saying what cannot be.
 */
export type Outline = { ok: true; ring: Ring } | { ok: false; sentence: string }
const no = (sentence: string): Outline => ({ ok: false, sentence })
const positive = (...sizes: number[]) => sizes.every((s) => Number.isFinite(s) && s > 0)

export function rectangle(length: number, width: number): Outline {
  if (!positive(length, width))
    return no('A rectangle takes a length and a width, both more than nothing.')
  return {
    ok: true,
    ring: [
      [0, 0],
      [length, 0],
      [length, width],
      [0, width],
    ],
  }
}

/** A rectangle with a smaller one taken out of its upper right corner. */
export function lShape(
  length: number,
  width: number,
  outLength: number,
  outWidth: number,
): Outline {
  if (!positive(length, width, outLength, outWidth))
    return no('An L takes four lengths, all more than nothing.')
  if (outLength >= length || outWidth >= width)
    return no('The corner taken out has to be smaller than the whole, both ways.')
  return {
    ok: true,
    ring: [
      [0, 0],
      [length, 0],
      [length, width - outWidth],
      [length - outLength, width - outWidth],
      [length - outLength, width],
      [0, width],
    ],
  }
}

/** Triangle by three sides; the first lies along the bottom. Law of cosines. */
export function triangle(a: number, b: number, c: number): Outline {
  if (!positive(a, b, c)) return no('A triangle takes three sides, all more than nothing.')
  if (a >= b + c || b >= a + c || c >= a + b)
    return no(
      'These three sides do not close: each has to be shorter than the other two together. Measure again.',
    )
  const x = (a * a + c * c - b * b) / (2 * a)
  return {
    ok: true,
    ring: [
      [0, 0],
      [a, 0],
      [x, Math.sqrt(Math.max(0, c * c - x * x))],
    ],
  }
}

/**
 * A circle as a ring of 64 places with the circle's own area: the places stand a little outside it.
 */
export function circle(diameter: number): Outline {
  if (!positive(diameter)) return no('A circle takes a diameter, more than nothing.')
  const n = 64
  const r = (diameter / 2) * Math.sqrt((2 * Math.PI) / (n * Math.sin((2 * Math.PI) / n)))
  return {
    ok: true,
    ring: Array.from({ length: n }, (_, i): Point => [
      diameter / 2 + r * Math.cos((2 * Math.PI * i) / n),
      diameter / 2 + r * Math.sin((2 * Math.PI * i) / n),
    ]),
  }
}

/**
 * Outline by offsets from a base line: for each distance along it, how far the edge stands off it,
 * above. The base line is the lower edge.
 */
export function byOffsets(offsets: readonly { along: number; off: number }[]): Outline {
  if (offsets.length < 2) return no('Offsets take at least two places along the base line.')
  for (const [i, { along, off }] of offsets.entries()) {
    if (!Number.isFinite(along) || !Number.isFinite(off) || off < 0)
      return no('Each place takes how far along, and how far off: two numbers, neither below zero.')
    if (i > 0 && along <= offsets[i - 1]!.along)
      return no('Places go along the base line in order, each further on than the one before.')
  }
  if (offsets.every((o) => o.off === 0))
    return no('Every offset is nothing: there is no ground between the line and the edge.')
  const first = offsets[0]!.along
  const top = offsets.map((o): Point => [o.along - first, o.off])
  const ring: Ring = [[0, 0], [offsets.at(-1)!.along - first, 0], ...top.reverse()]
  return { ok: true, ring: ring.filter((p, i) => distance(p, ring[(i + 1) % ring.length]!) > 1e-9) }
}

/**
 * The ring with one edge made exactly so long. Its far end moves along the edge; where the next
 * corner is square, the edge beyond goes with it, so that a rectangle stays one.
 */
export function withEdge(ring: Ring, edge: number, length: number): Ring {
  const n = ring.length
  const [a, b] = [ring[edge % n]!, ring[(edge + 1) % n]!]
  const now = distance(a, b)
  if (now < 1e-9 || !positive(length)) return ring
  const [dx, dy] = [((b[0] - a[0]) / now) * (length - now), ((b[1] - a[1]) / now) * (length - now)]
  const c = ring[(edge + 2) % n]!
  const square =
    Math.abs((b[0] - a[0]) * (c[0] - b[0]) + (b[1] - a[1]) * (c[1] - b[1])) <
    0.02 * now * distance(b, c)
  return ring.map((p, i): Point =>
    i === (edge + 1) % n || (square && n > 3 && i === (edge + 2) % n) ? [p[0] + dx, p[1] + dy] : p,
  )
}

/** A line with one piece made exactly so long; all beyond it goes along. */
export function withPiece(run: Ring, piece: number, length: number): Ring {
  const [a, b] = [run[piece]!, run[piece + 1]!]
  const now = distance(a, b)
  if (now < 1e-9 || !positive(length)) return run
  const [dx, dy] = [((b[0] - a[0]) / now) * (length - now), ((b[1] - a[1]) / now) * (length - now)]
  return run.map((p, i): Point => (i > piece ? [p[0] + dx, p[1] + dy] : p))
}
