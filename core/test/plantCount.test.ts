import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { gammaBelow, gammaQuantile, logGamma, plantsStanding } from '../src/establish/plantCount.ts'

describe('plants counted in frames', () => {
  it('has a Gamma as its tables and closed forms have it', () => {
    // Γ(1/2) = √π, Γ(5) = 24; shape 1 is the exponential: 1 − e^−x.
    expect(logGamma(0.5)).toBeCloseTo(Math.log(Math.sqrt(Math.PI)), 9)
    expect(logGamma(5)).toBeCloseTo(Math.log(24), 9)
    for (const x of [0.1, 1, 3, 20]) expect(gammaBelow(1, x)).toBeCloseTo(1 - Math.exp(-x), 9)
    // Shape 3: 1 − e^−x (1 + x + x²/2).
    for (const x of [0.5, 2, 9]) expect(gammaBelow(3, x)).toBeCloseTo(1 - Math.exp(-x) * (1 + x + x * x / 2), 9) // prettier-ignore
    // Half of a chi-square of 10 degrees lies at 4.671 (χ² table: 9.342 at 0.5).
    expect(gammaQuantile(5, 0.5)).toBeCloseTo(9.342 / 2, 3)
  })
  it('is the closed form of Gamma and Poisson where frames differ by chance', () => {
    // Expected 0.5 on a cm², worth two plants; 10, 12 and 11 in frames of 100 cm²: (2 + 33) ÷ (4 + 300).
    const { plants, low, high } = plantsStanding([10, 12, 11], 100, 0.5, 2)
    expect(plants).toBeCloseTo(35 / 304, 10)
    expect(gammaBelow(35, low * 304)).toBeCloseTo(0.05, 6)
    expect(gammaBelow(35, high * 304)).toBeCloseTo(0.95, 6)
  })
  it('is less sure of frames that differ more, and surer of more frames', () => {
    const wide = ({ low, high }: { low: number; high: number }) => high - low
    const even = plantsStanding([10, 11, 9, 10], 100, 0.5, 2)
    expect(wide(plantsStanding([0, 20, 1, 19], 100, 0.5, 2))).toBeGreaterThan(wide(even))
    expect(wide(plantsStanding([10, 11, 9, 10, 10, 11, 9, 10], 100, 0.5, 2))).toBeLessThan(wide(even)) // prettier-ignore
    fc.assert(
      fc.property(
        fc.array(fc.nat(5000), { minLength: 1, maxLength: 60 }),
        fc.double({ min: 0.01, max: 20, noNaN: true }),
        (counts, expected) => {
          // prettier-ignore
          const s = plantsStanding(counts, 100, expected, 2)
          expect(s.low).toBeLessThanOrEqual(s.plants + 1e-9)
          expect(s.high).toBeGreaterThanOrEqual(s.plants - 1e-9)
          expect(Number.isFinite(s.high) && s.low >= 0).toBe(true)
        },
      ),
      { numRuns: 200 },
    )
  })
})
