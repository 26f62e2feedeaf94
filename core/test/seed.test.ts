import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { GRASSES, GRASS_IDS } from '../src/reference/grasses.ts'
import { bulkRate, liveSeedsPerCm2, plantShares, pureLiveSeed, rateAtCover, weightShares } from '../src/seed/pureLiveSeed.ts'
import { emergence } from '../src/establish/emergence.ts'
import { planOf, zone } from './makeJob.ts'

describe('seed arithmetic, worked by hand', () => {
  it('pure live seed and bag rate', () => {
    // 98 % pure × 85 % germination = 83.3 %; 25 g/m² of live seed is 25 ÷ 0.833 = 30.01 g/m² from the bag.
    expect(pureLiveSeed(98, 85)).toBeCloseTo(0.833, 12)
    expect(bulkRate(25, 0.833)).toBeCloseTo(30.012, 3)
  })
  it('ten per cent bent by weight outnumbers the rest', () => {
    // Rye 90 % × 550 × 0.9 = 445.5; bent 10 % × 15,000 × 0.9 = 1,350; bent is 1,350 ÷ 1,795.5 = 75.2 % of the plants.
    const shares = plantShares([
      { weight: 0.9, pls: 0.9, seedsPerGram: 550 },
      { weight: 0.1, pls: 0.9, seedsPerGram: 15_000 },
    ])
    expect(shares[0]).toBeCloseTo(0.2481, 4)
    expect(shares[1]).toBeCloseTo(0.7519, 4)
  })
  it('weights from plants and plants from weights are each other’s inverse', () => {
    const part = fc.record({
      plants: fc.double({ min: 0.05, max: 1, noNaN: true }),
      pls: fc.double({ min: 0.3, max: 1, noNaN: true }),
      seedsPerGram: fc.integer({ min: 100, max: 15_000 }),
    })
    fc.assert(
      fc.property(fc.array(part, { minLength: 1, maxLength: 5 }), (parts) => {
        const weights = weightShares(parts)
        const back = plantShares(parts.map((p, i) => ({ ...p, weight: weights[i]! })))
        const all = parts.reduce((s, p) => s + p.plants, 0)
        return parts.every((p, i) => Math.abs(back[i]! - p.plants / all) < 1e-9)
      }),
    )
  })
  it('live seeds on a square centimetre fall in the usual bands (common practice: rye 1.5–2, bluegrass 3–4 at new rates)', () => {
    expect(liveSeedsPerCm2(35, 0.85, 550)).toBeCloseTo(1.636, 3)
    expect(liveSeedsPerCm2(12.5, 0.85, 3000)).toBeCloseTo(3.1875, 4)
  })
  it('the rate runs from new at 30 % cover to overseed at 70 %', () => {
    expect(rateAtCover(20, 35, 0.2)).toBe(35)
    expect(rateAtCover(20, 35, 0.3)).toBeCloseTo(35, 12)
    expect(rateAtCover(20, 35, 0.5)).toBeCloseTo(27.5, 12)
    expect(rateAtCover(20, 35, 0.9)).toBe(20)
  })
})

describe('the grass table', () => {
  it('keeps its thermal times near its days column, in good soil (the model’s own fit, ±15 %)', () => {
    // Rye 95 °C·d above 2 °C at 18 °C: half in 6 days, first tenth in 4.2, last in 8.9; the table says 3–10.
    const soil = new Float64Array(200).fill(18)
    const e = emergence('perennial-ryegrass', '2027-03-01', soil, '2027-03-01')!
    expect([e.first, e.half, e.last]).toEqual(['2027-03-06', '2027-03-07', '2027-03-10'])
    expect(emergence('st-augustine', '2027-03-01', soil, '2027-03-01')).toBeNull()
    expect(emergence('bermudagrass', '2027-03-01', new Float64Array(200).fill(11), '2027-03-01')).toBeNull()
  })
  it('has sensible rows: overseeding under new, ranges the right way round', () => {
    for (const id of GRASS_IDS) {
      const g = GRASSES[id]
      if (g.newRate && g.overseedRate) expect(g.overseedRate[0], id).toBeLessThanOrEqual(g.newRate[0])
      expect(g.cut[0], id).toBeLessThan(g.cut[1])
    }
  })
})

describe('choosing a mix', () => {
  const mixOf = (z: object) => planOf({ zones: [zone(z)] }).zones[0]!
  it('shade gets fine fescues, and says why not ryegrass', () => {
    const z = mixOf({ sunHours: 3.1, wear: 'low' })
    expect(z.seed!.mix.every((m) => GRASSES[m.grass].fine)).toBe(true)
    const ownRye = planOf({ zones: [zone({ sunHours: 3.1, mix: [{ grass: 'perennial-ryegrass', share: 100 }] })] })
    expect(ownRye.notices.map((n) => n.title).join()).toContain('too dark for perennial ryegrass')
  })
  it('a coarse grass is never put among fine ones, and every grass in a mix has its reason', () => {
    const z = mixOf({ sunHours: 8, wear: 'high', heightOfCut: 55, present: ['creeping-red-fescue'] })
    expect(z.seed!.mix.map((m) => m.grass)).not.toContain('tall-fescue')
    for (const m of z.seed!.mix) expect(m.reason.length).toBeGreaterThan(5)
    expect(z.seed!.runnerUp!.against.length).toBeGreaterThan(10)
    expect(z.seed!.mix.reduce((s, m) => s + m.share, 0)).toBe(100)
  })
  it('a stolon-only turf is not sown, and the plan says so', () => {
    const plan = planOf({
      site: { latitude: 28, frost: '15 Dec', soilTemperature: 26 },
      zones: [zone({ present: ['st-augustine'], heightOfCut: 70, sunHours: 4.5, mix: [{ grass: 'st-augustine', share: 100 }] })],
    })
    expect(plan.zones[0]!.seed).toBeNull()
    expect(plan.notices.some((n) => n.level === 'hold' && n.says.includes('plugs'))).toBe(true)
  })
  it('germination is allowed for once: half the germination, twice the bag rate', () => {
    const at = (germination: number) =>
      Number(
        planOf({
          zones: [zone({ mix: [{ grass: 'perennial-ryegrass', share: 100 }] })],
          lots: [{ grass: 'perennial-ryegrass', purity: 100, germination }],
        }).zones[0]!.seed!.kg.value,
      )
    expect(at(45) / at(90)).toBeCloseTo(2, 10)
  })
})
