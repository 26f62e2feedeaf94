import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { nextStrip, settingFor, type Strip } from '../src/firm/spreader.ts'
import { planOf, valueOf, zone } from './makeJob.ts'

const rye = zone({ mix: [{ grass: 'perennial-ryegrass', share: 100 }], seedRate: '25 g/m2' })
const tried = (setting: number, grams: string) => ({
  id: `${setting}`,
  grass: 'perennial-ryegrass',
  setting,
  grams,
  swath: '2 m',
  strip: '10 m',
})

describe('pans and strips', () => {
  it('200 m² at 25 g/m² is 5 kg in two pans of 2.5 kg; a strip of 10 m at a swath of 2 m takes 250 g at half rate (by hand)', () => {
    const plan = planOf({ zones: [rye] })
    expect(valueOf(plan, 'zone:z1.seed.pan')).toBeCloseTo(2.5, 9)
    expect(valueOf(plan, 'zone:z1.seed.strip')).toBeCloseTo(0.25, 9)
    expect(valueOf(plan, 'zone:z1.seed.handfuls')).toBeCloseTo(1, 9)
  })
  it('a pan is what the scale tells', () => {
    const odd = { ...rye, area: 187.3 }
    // 187.3 × 25 ÷ 2 = 2,341 g: on a scale of 10 g it is 2.34 kg; a hand weighs to 50 g from a
    // kilogram where no scale is named.
    expect(
      valueOf(planOf({ zones: [odd] }, { firm: { scaleStep: '10 g' } }), 'zone:z1.seed.pan'),
    ).toBeCloseTo(2.34, 9)
    expect(valueOf(planOf({ zones: [odd] }), 'zone:z1.seed.pan')).toBeCloseTo(2.35, 9)
  })
  it('the setting lies between two strips: 12.5 g/m² halfway between 10 at 6 and 15 at 8 is 7; without strips it says what to try', () => {
    const plan = planOf(
      { zones: [rye] },
      { firm: { calibrations: [tried(6, '200 g'), tried(8, '300 g')] } },
    )
    expect(valueOf(plan, 'zone:z1.seed.setting')).toBe(7)
    const none = planOf({ zones: [rye] }).zones[0]!.seed!
    expect([none.setting, none.tryNext]).toEqual([
      null,
      expect.stringContaining('try a low setting'),
    ])
    const one = planOf({ zones: [rye] }, { firm: { calibrations: [tried(6, '200 g')] } }).zones[0]!
      .seed!
    expect(one.tryNext).toMatch(/Try setting 7\.7 /)
    // A strip of another seed tells nothing of this one.
    const other = { ...tried(6, '200 g'), grass: 'kentucky-bluegrass' }
    expect(
      planOf(
        { zones: [rye] },
        { firm: { calibrations: [other, { ...tried(8, '300 g'), grass: 'browntop' }] } },
      ).zones[0]!.seed!.setting,
    ).toBeNull()
  })
  it('feed has strips of its own: 16 g/m² of 20-0-5 at half rate is 160 g on the strip, setting 5 between 5 g/m² at 4 and 11 at 6 (by hand)', () => {
    const fed = (feed: string | null) =>
      planOf(
        { aims: ['thicker'], zones: [zone({ cover: { wanted: 92, weeds: 4, moss: 2, bare: 2 } })] },
        { firm: { calibrations: [{ ...tried(4, '100 g'), feed }, { ...tried(6, '220 g'), feed }] } }, // prettier-ignore
      ).feed!
    const plan = (feed: string | null) => fed(feed).setting
    expect(fed(null).grade).toBe('20-0-5')
    expect([plan(' 20–0–5'), plan('16-20-8'), plan(null), plan('')].map((id) => id !== null)).toEqual([true, false, false, false]) // prettier-ignore
    expect(fed('16-20-8').tryNext).toContain('No strip of this feed')
  })
  it('the next strip lies a tenth beyond the line through the nearest two; where more on the dial gave less, any will do', () => {
    const strips: Strip[] = [{ setting: 10, rate: 2 }, { setting: 20, rate: 5 }] // prettier-ignore
    // 0.3 g/m² a mark: 8 is ten marks on from 20, and 1.5 five thirds before 10.
    expect((nextStrip(8, strips) as { setting: number }).setting).toBeCloseTo(20 + 11, 9)
    expect((nextStrip(1.5, strips) as { setting: number }).setting).toBeCloseTo(10 - 11 / 6, 9)
    expect(nextStrip(8, [{ setting: 10, rate: 5 }, { setting: 20, rate: 2 }])).toBe('any') // prettier-ignore
    expect(nextStrip(0.1, [{ setting: 5, rate: 10 }, { setting: 10, rate: 20 }])).toEqual({ setting: 0 }) // prettier-ignore
  })
  const strip = fc.record({
    setting: fc.integer({ min: 1, max: 40 }),
    rate: fc.integer({ min: 10, max: 600 }).map((x) => x / 10),
  })
  it('a setting never lies outside the strips it is between, and a strip’s own rate gives its own setting', () => {
    fc.assert(
      fc.property(fc.uniqueArray(strip, { minLength: 1, maxLength: 6, selector: (s: Strip) => s.setting }), fc.double({ min: 0.5, max: 70, noNaN: true }), (strips, rate) => {
        const found = settingFor(rate, strips)
        if (found) {
          const [a, b] = found.between.map((s) => s.setting) as [number, number]
          expect(found.setting).toBeGreaterThanOrEqual(Math.min(a, b) - 1e-9)
          expect(found.setting).toBeLessThanOrEqual(Math.max(a, b) + 1e-9)
          expect(nextStrip(rate, strips)).toBeNull()
        } else expect(nextStrip(rate, strips)).not.toBeNull()
        for (const s of strips) if (strips.filter((o) => o.rate === s.rate).length === 1) expect(settingFor(s.rate, strips)!.setting).toBeCloseTo(s.setting, 9)
      }),
      { numRuns: 200 },
    ) // prettier-ignore
  })
})
