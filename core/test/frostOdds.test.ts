import fc from 'fast-check'
import { killingFromWhite } from '../src/climate/frost.ts'
import { describe, expect, it } from 'vitest'
import { frostDates, frostOdds, t90 } from '../src/climate/frostOdds.ts'
import { climateAt, windowAt } from './makePlace.ts'

/**
 * Five years of nights from a 1 January, all at 10 °C but those named: year → days of the year and
 * °C.
 */
const nights = (cold: Record<number, Record<number, number>>, years = 5) => {
  const low = new Float64Array(365 * years).fill(10)
  for (const [year, days] of Object.entries(cold))
    for (const [day, celsius] of Object.entries(days))
      low[Number(year) * 365 + Number(day)] = celsius
  return low
}

describe('frost dates', () => {
  it('the first night at −2 °C after the warmest day, by year; a year without is counted apart', () => {
    const low = nights({
      0: { 280: -2, 290: -5 },
      1: { 270: -1.9, 300: -3 },
      2: {},
      3: { 285: -2.5 },
    })
    const found = frostDates(low, 0, 200, -2)
    // Each year is counted from day 200: four whole ones fit.
    expect(found.dates).toEqual([80, 100, null, 85])
    expect(frostDates(low, 0, 200, 0).dates).toEqual([80, 70, null, 85])
    expect(frostOdds(found)).toMatchObject({ years: 4, without: 1 })
  })
  it('the last one before the next warmest day', () => {
    expect(
      frostDates(nights({ 0: { 280: -2 }, 1: { 60: -4, 90: -2 } }, 3), 0, 200, -2, true).dates[0],
    ).toBe(365 - 200 + 90)
  })
  it('a year with weeks missing does not count', () => {
    const low = nights({ 0: { 280: -2 }, 1: { 280: -2 } }, 3)
    low.fill(NaN, 365 + 210, 365 + 240)
    expect(frostDates(low, 0, 200, -2).dates).toEqual([80])
  })
  it('few years are widened: mean ± t(0.9, n − 1) · s · √(1 + 1/n)', () => {
    // 70, 80, 90: s = 10, t(0.9, 2) = 1.886, √(4/3) = 1.1547: 21.8 days either side.
    const odds = frostOdds({ from: 200, dates: [70, 80, 90] })
    expect([odds.tenth, odds.median, odds.ninetieth]).toEqual([58, 80, 102])
    // Student's table, from memory: 1.638 at 3 degrees, 1.372 at 10, 1.282 far out.
    expect([t90(3), t90(10)]).toEqual([1.638, 1.372])
    expect(t90(1000)).toBeCloseTo(1.2825, 3)
  })
  it('many years give their own quantiles, and years without count as later than any', () => {
    const dates = Array.from({ length: 100 }, (_, i) => (i < 60 ? 50 + i : null))
    const odds = frostOdds({ from: 0, dates })
    expect([odds.tenth, odds.median, odds.ninetieth, odds.without]).toEqual([60, 100, null, 40])
  })
  it('more years, narrower: and the odds keep their order (any dates)', () => {
    fc.assert(
      fc.property(
        fc.array(fc.option(fc.integer({ min: 0, max: 200 })), { minLength: 1, maxLength: 60 }),
        (dates) => {
          const { tenth, median, ninetieth, without } = frostOdds({ from: 0, dates })
          expect(without).toBe(dates.filter((d) => d === null).length)
          if (tenth !== null && median !== null) expect(tenth).toBeLessThanOrEqual(median)
          if (median !== null && ninetieth !== null) expect(median).toBeLessThanOrEqual(ninetieth)
        },
      ),
    )
  })
})

describe('the frost of a site', () => {
  it('a date given wins, and the simulated years agree with it to a few days', () => {
    for (const [latitude, frost, day] of [
      [-44.2, '25 Apr', 114],
      [44.6, '5 Oct', 277],
      [38.5, '25 Oct', 297],
      [33, '1 Dec', 334],
    ] as const) {
      const { place, frostMonthDay } = climateAt({ latitude, frost }, '2027-01-10')
      expect(frostMonthDay).not.toBeNull()
      expect(
        Math.abs(((place.warmest + place.firstFrost.median!) % 365) - day),
        frost,
      ).toBeLessThanOrEqual(3)
    }
  })
  it('a hollow freezes sooner, the coast later', () => {
    const first = (site: object) =>
      climateAt({ latitude: 46, ...site }, '2027-01-10').place.firstFrost.median!
    expect(first({ hollow: true })).toBeLessThan(first({}))
    expect(first({ sea: '5 km' })).toBeGreaterThan(first({ sea: '500 km' }))
  })
  it('where most years have none, no frost ends the season', () => {
    const { frostMonthDay, frost } = climateAt({ latitude: 25 }, '2027-01-10')
    expect([frostMonthDay, frost.rule]).toEqual([null, 'frost.seldom'])
    expect(windowAt({ latitude: 25 }, '2027-01-10', 'perennial-ryegrass').reasons).not.toContain(
      'frost',
    )
  })
})

it('the first −2 °C night from the first white frost, over the end of a month and of a year', () => {
  expect([
    killingFromWhite('04-11', 14),
    killingFromWhite('02-20', 14),
    killingFromWhite('12-28', 14),
  ]).toEqual(['04-25', '03-06', '01-11'])
})
