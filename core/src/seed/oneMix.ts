import { sure } from '../quantities/sure.ts'
import type { GrassId } from '../reference/grasses.ts'
import { composeMix, valueOf, type Component, type MixProblem } from './composeMix.ts'
import { mixKey, sharesOf, type Shares } from './mix.ts'

/** One mix for several zones, and what each of them gives up by it, in points of 100. */
export interface OneMix {
  parts: Shares[]
  zones: { zone: string; loses: number }[]
  /** Grasses that some zone would have and another cannot. */
  given: { grass: GrassId; by: string }[]
}

export interface MixedZone {
  zone: string
  /** Counts by its area. */
  area: number
  problem: MixProblem
  best: readonly Shares[]
}

/**
 * The mix that serves several zones best together: each counts by its area, and a grass that any of
 * them rules out is not in it. Null where no grass serves them all, or where they have the same mix
 * anyway.
 */
export function oneMix(zones: readonly MixedZone[]): OneMix | null {
  if (zones.length < 2 || new Set(zones.map((z) => mixKey(z.best))).size < 2) return null
  const first = zones[0]!.problem
  const whole = zones.reduce((sum, z) => sum + z.area, 0)
  const inZone = (z: MixedZone, grass: GrassId) =>
    z.problem.components.find((c) => c.grass === grass)
  const shared = first.components.filter((c) => zones.every((z) => inZone(z, c.grass)))
  const mean = (of: (z: MixedZone) => number) =>
    zones.reduce((sum, z) => sum + (z.area / whole) * of(z), 0)
  const problem: MixProblem = {
    ...first,
    components: shared.map((c): Component => ({
      ...c,
      fit: mean((z) => sure(inZone(z, c.grass)).fit),
      // Needs that all zones have come first in each problem: showing soon, knitting.
      serves: c.serves.slice(0, SHARED_NEEDS),
    })),
    needs: Array.from({ length: SHARED_NEEDS }, (_, j) => ({
      weight: mean((z) => z.problem.needs[j]!.weight),
      enough: first.needs[j]!.enough,
    })),
  }
  const best = composeMix(problem)
  if (!best) return null
  const parts = sharesOf(best)
  return {
    parts,
    zones: zones.map((z) => ({
      zone: z.zone,
      loses: Math.max(0, Math.round(worth(z, z.best) - worth(z, parts))),
    })),
    given: zones.flatMap((z) =>
      z.best
        .filter((p) => !shared.some((c) => c.grass === p.grass))
        .map((p) => ({ grass: p.grass, by: sure(zones.find((o) => !inZone(o, p.grass))).zone })),
    ),
  }
}
const SHARED_NEEDS = 2

/** Points of a mix in a zone. */
function worth({ problem }: MixedZone, parts: readonly Shares[]): number {
  const set = parts.map((p) => sure(problem.components.find((c) => c.grass === p.grass)))
  const shares = parts.map((p) => p.share)
  return valueOf(problem, set, shares)
}
