import {
  SHAPE_KINDS,
  type Point,
  type Ring,
  type ShapeDraft,
  type ShapeKind,
} from '../entities/drawing.ts'
import { areaOf, distance, inside } from './geometry.ts'

/** How near a place lies to a run of places, m. */
export function distanceToRun(p: Point, run: readonly Point[], closed = false): number {
  let best = run.length === 1 ? distance(p, run[0]!) : Infinity
  for (let i = closed ? 0 : 1, j = closed ? run.length - 1 : 0; i < run.length; j = i++) {
    const [a, b] = [run[j]!, run[i]!]
    const length = distance(a, b) ** 2
    const t =
      length === 0
        ? 0
        : Math.max(
            0,
            Math.min(1, ((p[0] - a[0]) * (b[0] - a[0]) + (p[1] - a[1]) * (b[1] - a[1])) / length),
          )
    best = Math.min(best, distance(p, [a[0] + t * (b[0] - a[0]), a[1] + t * (b[1] - a[1])]))
  }
  return best
}

/**
 * The shape a person means who points at a place: a spot or line within `near` metres, the nearest
 * first; else the smallest area that it lies in or within
 * `near` of. A tree is met anywhere under its crown (m across, as `crownOf` says), a wall anywhere
 * in its thickness. Null where there is nothing.
 */
export function shapeAt(
  p: Point,
  shapes: readonly ShapeDraft[],
  near: number,
  {
    crownOf,
    thicknessOf,
  }: { crownOf: (s: ShapeDraft) => number; thicknessOf: (s: ShapeDraft) => number },
): ShapeDraft | null {
  let best: { shape: ShapeDraft; rank: number; size: number } | null = null
  const offer = (shape: ShapeDraft, rank: number, size: number) => {
    if (!best || rank < best.rank || (rank === best.rank && size < best.size))
      best = { shape, rank, size }
  }
  for (const shape of shapes) {
    const rings = shape.at as Ring[]
    const draws = SHAPE_KINDS[shape.kind as ShapeKind].draws
    if (draws === 'spot') {
      const away = distance(p, rings[0]![0]!)
      if (away <= near) offer(shape, 0, away)
      else if (shape.kind === 'tree' && away <= crownOf(shape) / 2)
        offer(shape, 2, Math.PI * (crownOf(shape) / 2) ** 2)
    } else if (draws === 'line') {
      const away = distanceToRun(p, rings[0]!)
      if (away <= near + (shape.kind === 'wall' ? thicknessOf(shape) / 2 : 0)) offer(shape, 1, away)
    } else if (inside(p, rings) || rings.some((ring) => distanceToRun(p, ring, true) <= near))
      offer(shape, 2, areaOf(rings))
  }
  return (best as { shape: ShapeDraft } | null)?.shape ?? null
}
