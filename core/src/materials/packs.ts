/**
 * The cheapest set of packs that covers a need. Until prices are known, a pack is taken to cost its size to the power 0.9:
 * large packs are cheaper by weight (Juvena's model). Sizes in the same unit as the need. Small: sizes are few and needs are bounded by whole largest packs.
 */
export interface Packs {
  counts: { size: number; count: number }[]
  bought: number
  left: number
}

export function packsFor(need: number, sizes: readonly number[]): Packs {
  const sorted = [...sizes].sort((a, b) => b - a)
  const smallest = sorted.at(-1)!
  const price = (size: number) => Math.pow(size, 0.9)
  let best: { counts: number[]; bought: number; cost: number } | null = null
  const tryFrom = (index: number, left: number, counts: number[], bought: number) => {
    const size = sorted[index]!
    if (index === sorted.length - 1) {
      const count = left > 1e-9 ? Math.ceil(left / size - 1e-9) : 0
      const all = bought + count * size
      const whole = [...counts, count]
      const cost = whole.reduce((sum, n, i) => sum + n * price(sorted[i]!), 0)
      if (!best || cost < best.cost - 1e-9) best = { counts: whole, bought: all, cost }
      return
    }
    const most = Math.ceil(Math.max(0, left) / size)
    for (let count = most; count >= Math.max(0, most - Math.ceil((2 * size) / smallest)) && count >= most - 2; count--)
      tryFrom(index + 1, left - count * size, [...counts, count], bought + count * size)
  }
  tryFrom(0, need, [], 0)
  const found = best as unknown as { counts: number[]; bought: number }
  return {
    counts: sorted.map((size, i) => ({ size, count: found.counts[i]! })).filter((p) => p.count > 0),
    bought: found.bought,
    left: found.bought - need,
  }
}
