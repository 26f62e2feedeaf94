/** Seed arithmetic. Shares are fractions 0–1 unless a name says percent. True by definition. */

/** Pure live seed: the share of a bag's weight that is pure and will germinate. */
export const pureLiveSeed = (purityPercent: number, germinationPercent: number): number => (purityPercent / 100) * (germinationPercent / 100)

/** Grams of bag on a square metre for a rate given as pure live seed. */
export const bulkRate = (plsRate: number, pls: number): number => plsRate / pls

export const liveSeedsPerCm2 = (bulk: number, pls: number, seedsPerGram: number): number => (bulk * pls * seedsPerGram) / 10_000

export interface SeedPart {
  /** Share of the mix by weight. */
  weight: number
  pls: number
  seedsPerGram: number
}

/** Shares of the live seeds, and so of the plants to expect, from shares by weight: pᵢ = wᵢsᵢPLSᵢ ÷ Σ. */
export function plantShares(parts: readonly SeedPart[]): number[] {
  const live = parts.map((p) => p.weight * p.seedsPerGram * p.pls)
  const all = live.reduce((a, b) => a + b, 0)
  return live.map((n) => (all > 0 ? n / all : 0))
}

/** Shares by weight for wanted shares of plants: wᵢ ∝ pᵢ ÷ (sᵢ·PLSᵢ). */
export function weightShares(parts: readonly { plants: number; pls: number; seedsPerGram: number }[]): number[] {
  const weights = parts.map((p) => p.plants / (p.seedsPerGram * p.pls))
  const all = weights.reduce((a, b) => a + b, 0)
  return weights.map((n) => (all > 0 ? n / all : 0))
}

/** Between the overseeding and the new-lawn rate, by wanted cover (0–1): all new at 30 %, all overseed at 70 %. Juvena's model. */
export const rateAtCover = (overseed: number, asNew: number, cover: number): number =>
  overseed + (asNew - overseed) * Math.min(1, Math.max(0, (0.7 - cover) / 0.4))
