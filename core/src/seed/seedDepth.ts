import type { GrassId } from '../reference/grasses.ts'
import type { Trace } from '../trace/trace.ts'

/** Parts of a mix from this share on decide how deep it may lie, % by weight. Juvena's model. */
const COUNTS_FROM = 5

/**
 * How deep the seed of each part of a mix may lie at most, soil and cover together, mm (common
 * practice, by the table of grasses).
 */
export const depthsOf = (
  mix: readonly { grass: GrassId; share: number }[],
  trace: Trace,
): number[] => mix.filter((p) => p.share >= COUNTS_FROM).map((p) => trace.grass(p.grass).depth)

/** How deep a mix may lie: as the part that bears least. Null where nothing is sown. */
export function deepestSeed(
  mix: readonly { grass: GrassId; share: number }[] | null | undefined,
  trace: Trace,
): number | null {
  const depths = depthsOf(mix ?? [], trace)
  return depths.length > 0 ? Math.min(...depths) : null
}
