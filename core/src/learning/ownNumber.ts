import { t95 } from '../cover/coverCount.ts'
import { sum } from '../quantities/sum.ts'
import { procedure, tradeValues, value } from '../rules/rule.ts'

export const learningValues = tradeValues('learning', {
  prior: value(3, '1', 'model', 'Juvena’s own number counts as so many jobs', [0, 100]),
})

export const learningRules = {
  own: procedure({
    id: 'learning.own',
    key: 'own',
    stage: 8,
    label: 'A number of your own',
    unit: '1',
    standing: 'model',
    says: 'What your diary says of a number, drawn towards Juvena’s as if that came from {prior} jobs. One job moves it a little, nine jobs decide it.',
    values: learningValues,
    inputs: { usual: '1', observed: '1[]' },
    steps:
      'exp((prior × ln usual + Σ ln observed) ÷ (prior + n)): the mean of both on a scale of ratios',
    by: 'learning/ownNumber: ownNumber',
    check: 'learning.test.ts',
  }),
}

export interface OwnNumber {
  n: number
  /** The middle of what was observed, the least and the most. */
  middle: number
  low: number
  high: number
  /** What is offered, within the range in which the rules hold. */
  offered: number
  /** Between what the number of such a firm lies nine times in ten; null with fewer than three jobs. */
  between: { low: number; high: number } | null
}

/**
 * What observations make of a number (all above 0, in its unit): the normal law on their logarithms,
 * with Juvena’s as so many observations (`prior`). Rounded to three figures; kept to its range.
 */
export function ownNumber(
  observed: readonly number[],
  usual: number,
  prior: number,
  [least, most]: readonly [number, number],
): OwnNumber {
  const sorted = [...observed].sort((a, b) => a - b)
  const n = sorted.length
  const logs = sorted.map(Math.log)
  const mean = sum(logs) / n
  const drawn = Math.exp((prior * Math.log(usual) + sum(logs)) / (prior + n))
  const spread = n > 1 ? Math.sqrt(sum(logs.map((l) => (l - mean) ** 2)) / (n - 1)) : 0
  const half = (t95(n - 1) * spread) / Math.sqrt(n)
  return {
    n,
    middle: n % 2 ? sorted[(n - 1) / 2]! : (sorted[n / 2 - 1]! + sorted[n / 2]!) / 2,
    low: sorted[0]!,
    high: sorted.at(-1)!,
    offered: Number(Math.min(most, Math.max(least, drawn)).toPrecision(3)),
    between: n >= 3 ? { low: Math.exp(mean - half), high: Math.exp(mean + half) } : null,
  }
}
