/**
 * The chance of k or fewer in n at chance p. Each term comes from the one before it, in logs, so
 * that hundreds of seeds do not run out of small numbers.
 */
export function atMost(k: number, n: number, p: number): number {
  if (k >= n || p <= 0) return 1
  if (k < 0 || p >= 1) return 0
  let log = n * Math.log1p(-p)
  const odds = Math.log(p) - Math.log1p(-p)
  let sum = Math.exp(log)
  for (let i = 1; i <= k; i++) {
    log += Math.log((n - i + 1) / i) + odds
    sum += Math.exp(log)
  }
  return Math.min(1, sum)
}

/** Where a falling function crosses a level, between 0 and 1. */
function crossing(falling: (p: number) => number, level: number): number {
  let [low, high] = [0, 1]
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2
    if (falling(middle) > level) low = middle
    else high = middle
  }
  return (low + high) / 2
}

/**
 * The exact interval for a share of which k in n were counted: those chances under which neither so
 * few nor so many would be seen more rarely than (1 − sure)/2. Source: Clopper & Pearson 1934, from
 * memory. Shares 0 to 1.
 */
export function exactInterval(k: number, n: number, sure = 0.95): { low: number; high: number } {
  const tail = (1 - sure) / 2
  return {
    low: k === 0 ? 0 : crossing((p) => atMost(k - 1, n, p), 1 - tail),
    high: k === n ? 1 : crossing((p) => atMost(k, n, p), tail),
  }
}

/**
 * How many seeds to lay out so that a share near `expected` is known to `within` either way; in
 * whole fifties, 1,000 at most.
 */
export function seedsFor(expected: number, within: number, sure = 0.95): number {
  for (let n = 50; n < 1000; n += 50) {
    const { low, high } = exactInterval(Math.round(expected * n), n, sure)
    if ((high - low) / 2 <= within) return n
  }
  return 1000
}
