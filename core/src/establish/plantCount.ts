import { sum } from '../quantities/sum.ts'
import { procedure, tradeValues, value } from '../rules/rule.ts'

export const plantCountValues = tradeValues('plant-count', {
  prior: value(2, '1', 'model', 'What was expected counts as so many plants counted', [0.1, 50]),
})

export const plantCountRules = {
  stands: procedure({
    id: 'count.stands',
    key: 'stands',
    stage: 8,
    label: 'Plants that stand',
    unit: '/cm2',
    standing: 'model',
    says: 'Plants in the frames over their ground, drawn towards what was expected as if {prior} plants of that had been counted; nine times in ten it lies between. Frames that differ more than chance count for fewer.',
    values: plantCountValues,
    inputs: { expected: '/cm2', counted: '1', frames: '1' },
    steps:
      'Gamma prior and Poisson counts: (prior + plants) ÷ (prior ÷ expected + frames × ground)',
    by: 'establish/plantCount: plantsStanding',
    check: 'plantCount.test.ts',
  }),
}

/** ln Γ(x), x > 0; Lanczos with six terms (Press et al., Numerical Recipes, from memory): error under 2e-10. */
export function logGamma(x: number): number {
  const c = [76.18009172947146, -86.50532032941677, 24.01409824083091, -1.231739572450155, 1.208650973866179e-3, -5.395239384953e-6] // prettier-ignore
  const t = x + 5.5
  const series = c.reduce((total, a, i) => total + a / (x + 1 + i), 1.000000000190015)
  return (x + 0.5) * Math.log(t) - t + Math.log((2.5066282746310005 * series) / x)
}

/** Share of a Gamma of a shape and rate 1 below x: series under shape + 1, continued fraction above. */
export function gammaBelow(shape: number, x: number): number {
  if (x <= 0) return 0
  const front = Math.exp(shape * Math.log(x) - x - logGamma(shape))
  if (x < shape + 1) {
    let [term, total] = [1 / shape, 1 / shape]
    for (let n = 1; n < 10_000 && term > total * 1e-14; n++) {
      term *= x / (shape + n)
      total += term
    }
    return Math.min(1, front * total)
  }
  let b = x + 1 - shape
  let c = 1e300
  let d = 1 / b
  let h = d
  for (let i = 1; i < 10_000; i++) {
    const a = -i * (i - shape)
    b += 2
    d = 1 / (a * d + b || 1e-300)
    c = b + a / c || 1e-300
    h *= d * c
    if (Math.abs(d * c - 1) < 1e-14) break
  }
  return Math.max(0, 1 - front * h)
}

/** The x below which a share of a Gamma of that shape and rate 1 lies. */
export function gammaQuantile(shape: number, share: number): number {
  let [low, high] = [0, shape + 10 * Math.sqrt(shape) + 20]
  for (let i = 0; i < 100; i++) {
    const mid = (low + high) / 2
    if (gammaBelow(shape, mid) < share) low = mid
    else high = mid
  }
  return (low + high) / 2
}

export interface Standing {
  /** Plants on a square centimetre, and between what nine times in ten. */
  plants: number
  low: number
  high: number
}

/**
 * Plants on a square centimetre from counts in frames of `frame` cm², with what was `expected`
 * before, per cm². Gamma prior, Poisson counts; where the frames differ more than chance, all of them count for
 * as many as differ so. Juvena’s model.
 */
export function plantsStanding(
  plants: readonly number[],
  frame: number,
  expected: number,
  prior: number,
): Standing {
  const n = plants.length
  const mean = sum(plants) / n
  const variance = n > 1 ? sum(plants.map((x) => (x - mean) ** 2)) / (n - 1) : mean
  const spread = mean > 0 ? Math.max(1, variance / mean) : 1
  const shape = prior + sum(plants) / spread
  const rate = prior / expected + (n * frame) / spread
  return {
    plants: shape / rate,
    low: gammaQuantile(shape, 0.05) / rate,
    high: gammaQuantile(shape, 0.95) / rate,
  }
}
