import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { readCatches } from '../src/entities/catches.ts'
import { canRows, dryShare, fallBetween } from '../src/establish/canMap.ts'
import { canTest } from '../src/establish/cans.ts'
import { planOf, valueOf, zone } from './makeJob.ts'

describe('cans under a sprinkler', () => {
  it('eight by hand: 15 minutes, 5 6 4 5 7 3 6 4 mm', () => {
    // Mean 5; the lowest two are 3 and 4, mean 3.5; Σ|x − 5| = 0+1+1+0+2+2+1+1 = 8.
    const test = canTest([5, 6, 4, 5, 7, 3, 6, 4], 15)
    expect(test.rate).toBeCloseTo(20, 12)
    expect(test.uniformity).toBeCloseTo(0.7, 12)
    expect(test.christiansen).toBeCloseTo(80, 12)
  })
  it('the even ones are even; twice the catch is twice the rate and as even', () => {
    const some = fc.array(fc.double({ min: 0.1, max: 40, noNaN: true }), { minLength: 4, maxLength: 60 }) // prettier-ignore
    fc.assert(
      fc.property(some, fc.double({ min: 1, max: 90, noNaN: true }), (catches, minutes) => {
        const [one, two] = [canTest(catches, minutes), canTest(catches.map((c) => 2 * c), minutes)] // prettier-ignore
        expect(two.rate).toBeCloseTo(2 * one.rate, 6)
        expect(two.uniformity).toBeCloseTo(one.uniformity, 9)
        expect(one.uniformity).toBeLessThanOrEqual(1 + 1e-9)
        expect(canTest(catches.map(() => 7), minutes)).toMatchObject({ uniformity: 1, christiansen: 100 }) // prettier-ignore
      }),
    )
  })
  it('are typed as people write them, and what is wrong is said', () => {
    expect(readCatches('8 9.5, 7; 10 mm')).toEqual([8, 9.5, 7, 10])
    expect(readCatches('0.5, 0.25 0.5 1 in')).toEqual([12.7, 6.35, 12.7, 25.4])
    expect(readCatches('1 cm 8 mm, 9 mm, 7 mm')).toEqual([10, 8, 9, 7])
    for (const [typed, says] of [
      ['8, nine, 7, 6', 'no catch'],
      ['8, -1, 7, 6', 'never less than nothing'],
      ['0 0 0 0', 'stayed dry'],
      ['8 9 7', '4 cans or more'],
      ['800 900 700 650', 'Check the unit'],
      [Array(200).fill('8').join(' '), 'Up to 120'],
    ] as const)
      expect(readCatches(typed), typed).toContain(says)
  })
  it('go before a rate that was typed, and the minutes follow', () => {
    const [typed, measured] = [
      planOf({ zones: [zone({ precipitation: 10, uniformity: 0.9 })] }),
      planOf({ zones: [zone({ precipitation: 10, uniformity: 0.9, cans: '5 6 4 5 7 3 6 4', cansMinutes: 15 })] }), // prettier-ignore
    ]
    expect(valueOf(typed, 'zone:z1.water.pr')).toBe(10)
    expect(valueOf(measured, 'zone:z1.water.pr')).toBeCloseTo(20, 9)
    expect(valueOf(measured, 'zone:z1.water.du')).toBeCloseTo(0.7, 9)
    expect(valueOf(measured, 'zone:z1.water.cu')).toBeCloseTo(80, 9)
    // 2 mm at 20 mm/h, by the milder allowance: 6 min ÷ (0.4 + 0.6 × 0.7).
    expect(valueOf(measured, 'zone:z1.water.minutes')).toBeCloseTo(6 / 0.82, 6)
  })
})

describe('heads by their nozzle', () => {
  it('give 60 × flow ÷ the ground between them, a square where rows are not told; cans and a typed rate go before', () => {
    // 12 L/min on 4 m × 4 m: 60 × 12 ÷ 16 = 45 mm/h; rows 5 m apart: 36.
    const rate = (change: object) => valueOf(planOf({ zones: [zone({ precipitation: null, ...change })] }), 'zone:z1.water.pr') // prettier-ignore
    const heads = { headFlow: '12 L/min', headsApart: '4 m' }
    expect(rate(heads)).toBeCloseTo(45, 10)
    expect(rate({ ...heads, rowsApart: '5 m' })).toBeCloseTo(36, 10)
    expect(rate({ ...heads, precipitation: 10 })).toBe(10)
    expect(rate({ ...heads, cans: '5 5 5 5 mm', cansMinutes: 15 })).toBeCloseTo(20, 10)
    // Without its distance a head says nothing.
    expect(rate({ headFlow: '12 L/min' })).toBe(12)
  })
})

describe('the map between cans', () => {
  it('has the cans at their places, and the straight line between them', () => {
    expect(canRows('8 6; 4 2 mm')).toEqual([[8, 6], [4, 2]]) // prettier-ignore
    expect(canRows('0.2 0.3\n0.4 0.1 in')).toEqual([[5.08, 0.3 * 25.4], [0.4 * 25.4, 2.54]]) // prettier-ignore
    expect(canRows('8 6 4 2')).toEqual([[8, 6, 4, 2]])
    expect(typeof canRows('8; six')).toBe('string')
    // Four cans at the corners: the middle is their mean.
    expect([...fallBetween([[8, 6], [4, 2]], 3, 3)]).toEqual([8, 7, 6, 6, 5, 4, 4, 3, 2]) // prettier-ignore
    // One row is the same from edge to edge across it.
    expect([...fallBetween([[2, 4]], 3, 2)]).toEqual([2, 3, 4, 2, 3, 4])
  })
  it('never falls outside what was caught, and even cans leave nothing dry', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.array(fc.double({ min: 0, max: 40, noNaN: true }), { minLength: 1, maxLength: 5 }),
          { minLength: 1, maxLength: 5 },
        ),
        (rows) => {
          // prettier-ignore
          const grid = fallBetween(rows, 7, 5)
          const all = rows.flat()
          for (const x of grid) expect(x >= Math.min(...all) - 1e-9 && x <= Math.max(...all) + 1e-9).toBe(true) // prettier-ignore
        },
      ),
    )
    expect(dryShare(fallBetween([[5, 5], [5, 5]], 9, 9), 0.6)).toBe(0) // prettier-ignore
    // From 10 down to 0 the mean is 5; under 3 lies less than a third of it.
    expect(dryShare(fallBetween([[10, 0]], 101, 1), 0.6)).toBeCloseTo(0.3, 1)
  })
})
