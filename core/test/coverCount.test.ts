import { describe, expect, it } from 'vitest'
import {
  exactInterval,
  fromQuadrats,
  fromPointCounts,
  incompleteBeta,
  moreToSettle,
  t95,
} from '../src/cover/coverCount.ts'

const none = { wanted: 0, weeds: 0, moss: 0, bare: 0 }

describe('counts of cover', () => {
  // Exact binomial limits: the tail sums themselves, added up term by term.
  it.each([
    [3, 10],
    [12, 40],
    [30, 100],
    [41, 60],
  ])('%d of %d: each limit leaves five in a hundred beyond it, by the binomial sum', (hits, n) => {
    const { low, high } = exactInterval(hits, n)
    const choose = (k: number) =>
      Array.from({ length: k }, (_, i) => (n - i) / (i + 1)).reduce((a, b) => a * b, 1)
    const tail = (p: number, from: number, to: number) => {
      let sum = 0
      for (let k = from; k <= to; k++) sum += choose(k) * p ** k * (1 - p) ** (n - k)
      return sum
    }
    expect(tail(low / 100, hits, n)).toBeCloseTo(0.05, 8)
    expect(tail(high / 100, 0, hits)).toBeCloseTo(0.05, 8)
  })

  // Handbook table of exact 95 % binomial limits (from memory): 10 of 20 is 27.2 to 72.8 %; 0 of 10
  // is 0 to 30.8 %; 5 of 10 is 18.7 to 81.3 %.
  it.each([
    [10, 20, 27.2, 72.8],
    [0, 10, 0, 30.8],
    [5, 10, 18.7, 81.3],
  ])('%d of %d at 95 %% is %d to %d', (hits, n, low, high) => {
    const found = exactInterval(hits, n, 0.95)
    expect(found.low).toBeCloseTo(low, 1)
    expect(found.high).toBeCloseTo(high, 1)
  })

  it('is about nine points either way at 95 % for 30 of 100, as the trade reckons; all of it, or none, has one open end', () => {
    const { low, high } = exactInterval(30, 100, 0.95)
    expect((high - low) / 2).toBeCloseTo(9, 0)
    expect(exactInterval(20, 20).high).toBe(100)
    expect(exactInterval(0, 20).low).toBe(0)
    expect(incompleteBeta(0.5, 2, 2)).toBeCloseTo(0.5, 12)
  })

  it('by frame takes shares of each throw, and Student’s t over the throws', () => {
    // By hand: throws of 40, 50, 60 % have mean 50, s 10, half width 2.92 × 10 ÷ √3 = 16.86.
    const count = fromQuadrats(
      [40, 50, 60].map((wanted) => ({ ...none, wanted, bare: 100 - wanted })),
    )!
    expect(count.parts.wanted.mean).toBe(50)
    expect(count.parts.wanted.high - 50).toBeCloseTo(16.86, 2)
    // A tally of 12 in 25 squares is 48 %, the same as 48 of 100.
    expect(fromQuadrats([{ ...none, wanted: 12, moss: 13 }])!.parts.wanted).toEqual({
      mean: 48,
      low: 0,
      high: 100,
    })
    expect([fromQuadrats([]), fromQuadrats([none]), fromPointCounts(none)]).toEqual([
      null,
      null,
      null,
    ])
    expect(t95(30)).toBeCloseTo(1.697, 2)
  })

  it('by looks adds to a hundred, and says how many more would settle a line', () => {
    const count = fromPointCounts({ wanted: 25, weeds: 5, moss: 20, bare: 10 })!
    expect(Object.values(count.parts).reduce((s, p) => s + p.mean, 0)).toBeCloseTo(100, 9)
    const more = moreToSettle(count, 50)!
    expect(more).toBeGreaterThan(0)
    const after = (n: number) => exactInterval((n * 25) / 60, n)
    expect(after(60 + more).high).toBeLessThan(50)
    expect(after(60 + more - 2).high).toBeGreaterThan(50)
    expect(moreToSettle(count, 30)).toBe(0)
    expect(moreToSettle(fromPointCounts({ ...none, wanted: 50, bare: 50 })!, 50)).toBeNull()
  })

  it('by frame says how many more throws, and gives up on one that no count settles', () => {
    const count = fromQuadrats(
      [30, 45, 50, 35].map((wanted) => ({ ...none, wanted, bare: 100 - wanted })),
    )!
    expect(moreToSettle(count, 50)).toBeGreaterThan(0)
    expect(moreToSettle(count, 90)).toBe(0)
    expect(
      moreToSettle(
        fromQuadrats([49, 51, 50, 50].map((wanted) => ({ ...none, wanted, bare: 100 - wanted })))!,
        50,
      ),
    ).toBeNull()
  })
})
