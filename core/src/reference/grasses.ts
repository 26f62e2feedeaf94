/** Grasses a contractor sows. The whole table is common practice (extension handbooks, from memory, ±15 %): ranges stay visible and firms may differ. */

export const GRASS_IDS = [
  'perennial-ryegrass',
  'kentucky-bluegrass',
  'tall-fescue',
  'creeping-red-fescue',
  'chewings-fescue',
  'hard-fescue',
  'browntop',
  'annual-ryegrass',
  'bermudagrass',
  'zoysia',
  'kikuyu',
  'buffalograss',
  'centipedegrass',
  'bahiagrass',
  'st-augustine',
] as const
export type GrassId = (typeof GRASS_IDS)[number]

type Three = 'low' | 'mid' | 'high'
type Range = readonly [number, number]

export interface Grass {
  id: GrassId
  name: string
  short: string
  season: 'cool' | 'warm'
  /** Bag rates, g/m²; null where it is not sown from seed. */
  newRate: Range | null
  overseedRate: Range | null
  /** Days to show in good soil warmth. */
  days: Range | null
  seedsPerGram: number | null
  /** Soil °C: least for sowing, and the good range. */
  soilMin: number | null
  soilGood: Range
  sunHours: number
  wear: Three
  drought: Three
  spread: string
  spreads: boolean
  stolonOnly: boolean
  thatch: Three
  cut: Range
  /** Nitrogen in a year, g/m². */
  nitrogen: Range | null
  /** Most cover over seed, mm. */
  depth: number
  /** Thermal time to half emergence, °C·d, above the base temperature. Juvena's model, fitted to the days column. */
  thermal: { theta: number; base: number } | null
  /** Weeks from sowing to a lawn that bears use. */
  weeksToUse: Range
  fine: boolean
}

const row = (
  id: GrassId,
  name: string,
  short: string,
  season: 'cool' | 'warm',
  sowing: [Range, Range, Range, number, number] | null,
  soilGood: Range,
  sunHours: number,
  [wear, drought, thatch]: [Three, Three, Three],
  spread: string,
  cut: Range,
  nitrogen: Range | null,
  depth: number,
  thermal: [number, number] | null,
  weeksToUse: Range,
  fine = false,
): Grass => ({
  id,
  name,
  short,
  season,
  newRate: sowing?.[0] ?? null,
  overseedRate: sowing?.[1] ?? null,
  days: sowing?.[2] ?? null,
  seedsPerGram: sowing?.[3] ?? null,
  soilMin: sowing?.[4] ?? null,
  soilGood,
  sunHours,
  wear,
  drought,
  spread,
  spreads: /stolon|rhizome/.test(spread),
  stolonOnly: /^stolon( only)?$/.test(spread),
  thatch,
  cut,
  nitrogen,
  depth,
  thermal: thermal ? { theta: thermal[0], base: thermal[1] } : null,
  weeksToUse,
  fine,
})

export const GRASSES: Record<GrassId, Grass> = Object.fromEntries(
  [
    row('perennial-ryegrass', 'perennial ryegrass', 'rye', 'cool', [[30, 40], [15, 25], [3, 10], 550, 7], [12, 25], 4, ['high', 'mid', 'low'], 'bunch', [12, 65], [10, 20], 6, [95, 2], [6, 8]),
    row('kentucky-bluegrass', 'Kentucky bluegrass (smooth meadow-grass)', 'bluegrass', 'cool', [[10, 15], [5, 8], [7, 28], 3000, 10], [15, 25], 6, ['high', 'mid', 'high'], 'rhizome', [15, 75], [10, 20], 3, [210, 5], [12, 16]),
    row('tall-fescue', 'tall fescue, turf type', 'tall fescue', 'cool', [[35, 50], [20, 30], [5, 14], 450, 10], [15, 25], 4, ['high', 'high', 'low'], 'bunch', [50, 100], [10, 15], 6, [125, 4], [8, 10]),
    row('creeping-red-fescue', 'strong creeping red fescue', 'red fescue', 'cool', [[20, 25], [10, 15], [7, 21], 1000, 8], [12, 22], 3, ['mid', 'mid', 'mid'], 'rhizome', [20, 75], [5, 10], 5, [165, 3], [8, 12], true),
    row('chewings-fescue', 'Chewings fescue', 'Chewings', 'cool', [[20, 25], [10, 15], [7, 21], 1200, 8], [12, 22], 3, ['mid', 'mid', 'high'], 'bunch', [10, 65], [5, 10], 5, [165, 3], [8, 12], true),
    row('hard-fescue', 'hard fescue', 'hard fescue', 'cool', [[20, 25], [10, 15], [7, 21], 1250, 8], [12, 22], 3, ['low', 'high', 'mid'], 'bunch', [25, 100], [3, 10], 5, [165, 3], [10, 14], true),
    row('browntop', 'browntop (colonial bent)', 'browntop', 'cool', [[5, 8], [3, 5], [7, 14], 15000, 10], [15, 25], 4, ['low', 'low', 'high'], 'short rhizome', [5, 25], [8, 15], 2, [130, 5], [10, 14], true),
    row('annual-ryegrass', 'annual ryegrass (nurse, cover)', 'annual rye', 'cool', [[25, 50], [15, 40], [3, 8], 450, 5], [10, 25], 4, ['mid', 'low', 'low'], 'bunch, dies', [30, 65], null, 6, [75, 2], [4, 6]),
    row('bermudagrass', 'bermudagrass, hulled (Cynodon)', 'bermuda', 'warm', [[5, 10], [3, 5], [7, 21], 4200, 18], [21, 35], 7, ['high', 'high', 'high'], 'stolon + rhizome', [10, 50], [15, 25], 3, [170, 12], [8, 12]),
    row('zoysia', 'zoysia', 'zoysia', 'warm', [[8, 15], [5, 8], [14, 28], 3000, 20], [21, 35], 4, ['high', 'high', 'high'], 'stolon + rhizome', [12, 50], [5, 15], 3, [220, 14], [16, 104]),
    row('kikuyu', 'kikuyu', 'kikuyu', 'warm', [[2, 5], [1, 3], [7, 21], 400, 18], [21, 32], 6, ['high', 'high', 'high'], 'stolon + rhizome', [20, 50], [10, 20], 6, [170, 12], [8, 12]),
    row('buffalograss', 'buffalograss, burs', 'buffalograss', 'warm', [[10, 20], [5, 10], [14, 28], 110, 16], [21, 32], 7, ['low', 'high', 'low'], 'stolon', [50, 100], [2, 7], 6, [220, 11], [12, 20]),
    row('centipedegrass', 'centipedegrass', 'centipede', 'warm', [[1, 2.5], [1, 2], [14, 28], 900, 20], [21, 32], 5, ['low', 'mid', 'mid'], 'stolon', [25, 50], [2, 7], 3, [220, 14], [16, 52]),
    row('bahiagrass', 'bahiagrass', 'bahia', 'warm', [[25, 50], [20, 30], [14, 28], 370, 18], [21, 32], 6, ['mid', 'high', 'low'], 'short rhizome', [50, 100], [5, 15], 6, [220, 13], [12, 20]),
    row('st-augustine', 'St Augustinegrass (Stenotaphrum)', 'St Augustine', 'warm', null, [21, 32], 4, ['mid', 'mid', 'high'], 'stolon only', [50, 100], [10, 20], 0, null, [8, 16]),
  ].map((grass) => [grass.id, grass]),
) as Record<GrassId, Grass>

export const middle = ([low, high]: Range): number => (low + high) / 2
