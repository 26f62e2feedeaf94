import { sum } from '../quantities/sum.ts'
/** A count of cover: how much of the ground is what, and how sure. Shares in %. */
export const COVER_PARTS = ['wanted', 'weeds', 'moss', 'bare'] as const
export type CoverPart = (typeof COVER_PARTS)[number]

export interface Share {
  mean: number
  /** 90 % interval. */
  low: number
  high: number
}
export interface CoverCount {
  method: 'frame' | 'step'
  /** Throws of the frame, or looks. */
  n: number
  parts: Record<CoverPart, Share>
}

export interface Tally {
  wanted: number
  weeds: number
  moss: number
  bare: number
}

/** log Γ(x), x > 0. Lanczos, g = 7 (from memory); good to 1e-13. */
function logGamma(x: number): number {
  const c = [
    0.99999999999980993, 676.5203681218851, -1259.1392167224028, 771.32342877765313,
    -176.61502916214059, 12.507343278686905, -0.13857109526572012, 9.9843695780195716e-6,
    1.5056327351493116e-7,
  ]
  if (x < 0.5) return Math.log(Math.PI / Math.sin(Math.PI * x)) - logGamma(1 - x)
  let sum = c[0]!
  for (let i = 1; i < 9; i++) sum += c[i]! / (x - 1 + i)
  const t = x + 6.5
  return 0.5 * Math.log(2 * Math.PI) + (x - 0.5) * Math.log(t) - t + Math.log(sum)
}

/**
 * Regularised incomplete beta function Iₓ(a, b), by its continued fraction (Abramowitz & Stegun
 * 26.5.8, from memory).
 */
export function incompleteBeta(x: number, a: number, b: number): number {
  if (x <= 0) return 0
  if (x >= 1) return 1
  if (x > (a + 1) / (a + b + 2)) return 1 - incompleteBeta(1 - x, b, a)
  const front =
    Math.exp(logGamma(a + b) - logGamma(a) - logGamma(b) + a * Math.log(x) + b * Math.log(1 - x)) /
    a
  const tiny = 1e-300
  let [f, c, d] = [1, 1, 0]
  for (let i = 0; i <= 400; i++) {
    const m = Math.floor(i / 2)
    const numerator =
      i === 0
        ? 1
        : i % 2 === 0
          ? (m * (b - m) * x) / ((a + 2 * m - 1) * (a + 2 * m))
          : (-(a + m) * (a + b + m) * x) / ((a + 2 * m) * (a + 2 * m + 1))
    d = 1 + numerator * d
    d = 1 / (Math.abs(d) < tiny ? tiny : d)
    c = 1 + numerator / c
    if (Math.abs(c) < tiny) c = tiny
    f *= c * d
    if (Math.abs(1 - c * d) < 1e-13) break
  }
  return front * (f - 1)
}

/**
 * The exact interval for a share counted as `hits` of `n` looks, in %: Clopper & Pearson 1934 (from
 * memory), by the beta distribution.
 */
export function exactInterval(hits: number, n: number, level = 0.9): { low: number; high: number } {
  const tail = (1 - level) / 2
  const solve = (a: number, b: number, p: number) => {
    let [lo, hi] = [0, 1]
    for (let i = 0; i < 44; i++) {
      const middle = (lo + hi) / 2
      if (incompleteBeta(middle, a, b) < p) lo = middle
      else hi = middle
    }
    return (lo + hi) / 2
  }
  return {
    low: hits <= 0 ? 0 : 100 * solve(hits, n - hits + 1, tail),
    high: hits >= n ? 100 : 100 * solve(hits + 1, n - hits, 1 - tail),
  }
}

/** Student's t, one tail 5 %, by degrees of freedom. Handbook table, from memory. */
const T95 = [
  6.314, 2.92, 2.353, 2.132, 2.015, 1.943, 1.895, 1.86, 1.833, 1.812, 1.796, 1.782, 1.771, 1.761,
  1.753, 1.746, 1.74, 1.734, 1.729, 1.725,
]
export const t95 = (freedom: number): number =>
  freedom < 1
    ? Infinity
    : freedom <= 20
      ? T95[freedom - 1]!
      : 1.645 + 1.52 / freedom + 0.6 / freedom ** 2

const clamp = (x: number) => Math.min(100, Math.max(0, x))

/** Step and look: each look falls on one thing. Null when nothing was tallied. */
export function fromPointCounts(tally: Tally): CoverCount | null {
  const n = tally.wanted + tally.weeds + tally.moss + tally.bare
  if (n <= 0) return null
  return {
    method: 'step',
    n,
    parts: eachPart((p) => ({ mean: (100 * tally[p]) / n, ...exactInterval(tally[p], n) })),
  }
}

/**
 * Throws of a frame, each in % (or any tally: each is taken as shares of its own sum). Interval by
 * Student's t over the throws; from one throw it is everything.
 */
export function fromQuadrats(throws: readonly Tally[]): CoverCount | null {
  const usable = throws
    .map((t) => ({ t, sum: t.wanted + t.weeds + t.moss + t.bare }))
    .filter((x) => x.sum > 0)
  const n = usable.length
  if (n === 0) return null
  return {
    method: 'frame',
    n,
    parts: eachPart((p) => {
      const shares = usable.map(({ t, sum }) => (100 * t[p]) / sum)
      const mean = sum(shares) / n
      const half =
        n > 1
          ? t95(n - 1) * Math.sqrt(shares.reduce((s, x) => s + (x - mean) ** 2, 0) / (n - 1) / n)
          : Infinity
      return { mean, low: clamp(mean - half), high: clamp(mean + half) }
    }),
  }
}

const eachPart = (of: (part: CoverPart) => Share): Record<CoverPart, Share> => ({
  wanted: of('wanted'),
  weeds: of('weeds'),
  moss: of('moss'),
  bare: of('bare'),
})

/**
 * How many more throws or looks would settle on which side of a line (%) the wanted cover lies,
 * were the share to hold: 0 when it is settled, null when it is too near the line for any count
 * worth making.
 */
export function moreToSettle(count: CoverCount, line: number): number | null {
  const { mean, low, high } = count.parts.wanted
  if (line < low || line > high) return 0
  const most = count.method === 'step' ? 1000 : 60
  const spread =
    count.method === 'frame' && count.n > 1
      ? ((high - low) / 2 / t95(count.n - 1)) * Math.sqrt(count.n)
      : 20
  const settled = (n: number) => {
    if (count.method === 'frame')
      return (t95(n - 1) * spread) / Math.sqrt(n) < Math.abs(mean - line)
    const i = exactInterval((mean / 100) * n, n)
    return line < i.low || line > i.high
  }
  if (!settled(most)) return null
  let [lo, hi] = [count.n, most]
  while (hi - lo > 1) {
    const middle = Math.floor((lo + hi) / 2)
    if (settled(middle)) hi = middle
    else lo = middle
  }
  return Math.max(1, hi - count.n)
}
