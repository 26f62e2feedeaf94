export interface Packs {
  /** Bags by what is printed on them, in their own unit. */
  counts: { size: number; count: number }[]
  unit: 'kg' | 'lb'
  /** kg. */
  bought: number
  left: number
}

/**
 * The cheapest set of packs that covers a need. Until prices are known a pack is taken to cost its size to the power `exponent`: large packs are cheaper by
 * weight. Sizes and need in the same unit. Small: sizes are few, and needs are bounded by whole largest packs.
 */
export function packsFor(need: number, sizes: readonly number[], exponent: number): Packs {
  const sorted = [...sizes].sort((a, b) => b - a)
  const smallest = sorted.at(-1)!
  const prices = sorted.map((size) => Math.pow(size, exponent))
  let best: { counts: number[]; bought: number; cost: number } | null = null
  const fillFrom = (index: number, left: number, counts: number[], bought: number) => {
    const size = sorted[index]!
    if (index === sorted.length - 1) {
      const count = left > 1e-9 ? Math.ceil(left / size - 1e-9) : 0
      const whole = [...counts, count]
      const cost = whole.reduce((sum, n, i) => sum + n * prices[i]!, 0)
      if (!best || cost < best.cost - 1e-9) best = { counts: whole, bought: bought + count * size, cost }
      return
    }
    const most = Math.ceil(Math.max(0, left) / size)
    for (let count = most; count >= Math.max(0, most - Math.ceil((2 * size) / smallest)) && count >= most - 2; count--)
      fillFrom(index + 1, left - count * size, [...counts, count], bought + count * size)
  }
  fillFrom(0, need, [], 0)
  const found = best as unknown as { counts: number[]; bought: number }
  return {
    counts: sorted.map((size, i) => ({ size, count: found.counts[i]! })).filter((p) => p.count > 0),
    bought: found.bought,
    left: found.bought - need,
    unit: 'kg',
  }
}

/** One pound in kilograms. Source: NIST SP 811. */
const POUND = 0.45359237

/** Bags as they are sold where the firm works: sizes in kg, or in lb. `need` in kg, and so are what is bought and left. */
export function bagsFor(need: number, sizes: { kg: readonly number[]; lb: readonly number[] }, units: 'metric' | 'us', exponent: number): Packs {
  if (units === 'metric') return packsFor(need, sizes.kg, exponent)
  const { counts, bought, left } = packsFor(need / POUND, sizes.lb, exponent)
  return { counts, unit: 'lb', bought: bought * POUND, left: left * POUND }
}

/** Sizes of bags in kg. */
export const sizesInKg = (sizes: { kg: readonly number[]; lb: readonly number[] }, units: 'metric' | 'us'): number[] =>
  units === 'metric' ? [...sizes.kg] : sizes.lb.map((lb) => lb * POUND)
