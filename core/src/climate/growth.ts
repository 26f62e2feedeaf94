import { tradeValues, value } from '../rules/rule.ts'

/** How grass grows with warmth. */
export const growthValues = tradeValues('growth', {
  full: value(3.2, 'mm/d', 'model', 'Leaf of seedlings in full warmth grows', [0.5, 10]),
  fast: value(120, '%', 'model', 'The quickest of it at', [100, 200]),
  slowSeedlings: value(80, '%', 'model', 'The slowest seedlings at', [30, 100]),
  slowSward: value(70, '%', 'model', 'The slowest of a living sward at', [30, 100]),
  least: value(0.15, '1', 'model', 'Share of full growth that cold grass keeps', [0, 0.5]),
  coolBest: value(20, 'C', 'published', 'Cool grass grows best at', [12, 28]),
  coolSpread: value(5.5, 'C', 'published', 'and falls off over', [2, 12]),
  warmBest: value(31, 'C', 'published', 'Warm grass grows best at', [24, 38]),
  warmSpread: value(7, 'C', 'published', 'and falls off over', [2, 15]),
})
export type GrowthValues = { [K in keyof typeof growthValues]: number }

export const growthSource = 'growth potential: Gelernter & Stowell 2005, from memory'

/**
 * Share of full growth at a mean temperature of the air, 0–1: a bell about the best, Gelernter &
 * Stowell 2005, from memory.
 */
export const growthPotential = (
  celsius: number,
  season: 'cool' | 'warm',
  v: GrowthValues,
): number =>
  season === 'cool'
    ? Math.exp(-0.5 * ((celsius - v.coolBest) / v.coolSpread) ** 2)
    : Math.exp(-0.5 * ((celsius - v.warmBest) / v.warmSpread) ** 2)
