/**
 * The set of packs that covers a need with least left over, and among those the fewest packs.
 * Sizes in the same unit as the need. Small: sizes are few and needs are bounded by whole largest packs.
 */
export interface Packs {
  counts: { size: number; count: number }[]
  bought: number
  left: number
}

export function packsFor(need: number, sizes: readonly number[]): Packs {
  const sorted = [...sizes].sort((a, b) => b - a)
  const smallest = sorted.at(-1)!
  let best: { counts: number[]; bought: number; packs: number } | null = null
  const tryFrom = (index: number, left: number, counts: number[], bought: number) => {
    const size = sorted[index]!
    if (index === sorted.length - 1) {
      const count = left > 1e-9 ? Math.ceil(left / size - 1e-9) : 0
      const all = bought + count * size
      const packs = counts.reduce((a, b) => a + b, 0) + count
      if (!best || all < best.bought - 1e-9 || (Math.abs(all - best.bought) < 1e-9 && packs < best.packs)) best = { counts: [...counts, count], bought: all, packs }
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
