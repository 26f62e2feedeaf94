import fc from 'fast-check'
import { weightsForPlants } from '../src/seed/plantShares.ts'
import { describe, expect, it } from 'vitest'
import type { ZoneDraft } from '../src/entities/job.ts'
import { ownRateValues } from '../src/seed/seedRules.ts'
import { planOf, SOUTH, valueOf, zone } from './makeJob.ts'

const rye = { mix: [{ grass: 'perennial-ryegrass', share: 100 }] }
const plan = (change: Partial<ZoneDraft>, job: object = {}) =>
  planOf({ zones: [zone({ ...rye, ...change })], ...job })
const of = (change: Partial<ZoneDraft>, key: string, job: object = {}) =>
  valueOf(plan(change, job), `zone:z1.seed.${key}`)
const lot = (purity: number, germination: number) => ({
  lots: [{ id: 'l', grass: 'perennial-ryegrass', purity, germination }],
})

describe('a rate of the contractor’s own', () => {
  it('of the bag is weighed out as it stands: 25 g/m² on 200 m² is 5 kg, whatever the lot', () => {
    expect(of({ seedRate: '25 g/m2' }, 'bulk', lot(98, 50))).toBe(25)
    expect(of({ seedRate: '25 g/m2' }, 'kg', lot(98, 50))).toBe(5)
  })
  it('of pure live seed takes so much more of the bag: 20 ÷ (0.98 × 0.85) = 24.01 g/m² (seed handbooks, from memory)', () => {
    expect(of({ seedRate: '20 g/m2', seedRateOf: 'pls' }, 'bulk', lot(98, 85))).toBeCloseTo(
      24.0096,
      4,
    )
    // 3 lb of pure live seed to 1,000 ft², from a bag of 90 × 80 = 72 %: 4.17 lb of bag.
    expect(
      of({ seedRate: '3 lb/1000 sq ft', seedRateOf: 'pls' }, 'bulk', lot(90, 80)) / 4.88243,
    ).toBeCloseTo(4.1667, 3)
  })
  it('stands as theirs, with Juvena’s beside it', () => {
    const { zones, figures } = plan({ seedRate: '25 g/m2' })
    expect(figures['zone:z1.seed.rate']).toMatchObject({
      value: 25,
      origin: 'typed',
      override: { unit: 'g/m2' },
    })
    expect(zones[0]!.seed!.usual!.value).toBe(figures['zone:z1.seed.rate']!.override!.instead)
  })
  it('is doubted where germination is allowed for twice, and where the unit looks wrong', () => {
    const said = (change: Partial<ZoneDraft>) =>
      plan(change).notices.find((n) => n.id === 'zone:z1.own-rate')?.title
    expect(said({ seedRate: '30 g/m2', seedRateOf: 'pls' })).toContain('allowed for twice')
    expect(said({ seedRate: '20 g/m2', seedRateOf: 'pls' })).toBeUndefined()
    // The table's 35 g/m² on bare ground: doubted from the line itself on.
    const bare = { cover: { wanted: 5, weeds: 5, moss: 0, bare: 90 }, seedRateOf: 'pls' } as const
    const line = (35 * ownRateValues.twice.is) / 100
    expect([said({ ...bare, seedRate: line }), said({ ...bare, seedRate: line - 0.1 })]).toEqual([
      expect.stringContaining('twice'),
      undefined,
    ])
    // And a bag rate only beyond half or twice of it.
    const bag = (seedRate: number) => said({ cover: bare.cover, seedRate })
    expect([bag(17.5), bag(70)]).toEqual([undefined, undefined])
    expect([bag(17.4), bag(70.1)]).toEqual([
      expect.stringContaining('far below'),
      expect.stringContaining('far above'),
    ])
    expect(said({ seedRate: '6 g/m2' })).toContain('far below')
    expect(said({ seedRate: '110 g/m2' })).toContain('far above')
    expect(said({ seedRate: '26 g/m2' })).toBeUndefined()
  })
})

describe('what the seed is worth as plants', () => {
  it('by how the ground is opened (common practice: 10–20 % thrown, 40–50 % scarified, 60–65 % raked and firmed, 75 % a fine bed)', () => {
    const contact = (change: Partial<ZoneDraft>, job: object = {}) => of(change, 'contact', job)
    const off = (...kinds: string[]) => ({
      operations: Object.fromEntries(kinds.map((k) => [k, { on: false }])),
    })
    // A mat over packed ground is both scarified and cored.
    expect(contact({})).toBe(50)
    expect(contact(off('core') as Partial<ZoneDraft>)).toBe(45)
    expect(contact(off('scarify', 'rake') as Partial<ZoneDraft>)).toBe(45)
    expect(contact({ cover: { wanted: 5, weeds: 5, moss: 0, bare: 90 } })).toBe(75)
    expect(contact({ cover: { wanted: 5, weeds: 5, moss: 0, bare: 90 } }, { cover: 'none' })).toBe(
      62,
    )
    expect(contact(off('scarify', 'core', 'rake') as Partial<ZoneDraft>)).toBe(15)
  })
  it('is live seed × that share, and the rate by plants is what would make up the difference', () => {
    const p = plan(
      { cover: { wanted: 5, weeds: 5, moss: 0, bare: 90 } },
      { ...lot(100, 85), cover: 'none' },
    )
    // 35 g/m² × 550 seeds/g × 0.85 ÷ 10,000 = 1.636 live seeds/cm²; 62 % of them is 1.015; the
    // middle of 30 to 40 g/m² is 35.
    expect(valueOf(p, 'zone:z1.seed.live')).toBeCloseTo(1.63625, 4)
    expect(valueOf(p, 'zone:z1.seed.expected')).toBeCloseTo(1.01448, 4)
    expect(valueOf(p, 'zone:z1.seed.by-density')).toBeCloseTo(35, 6)
    expect(p.figures['zone:z1.seed.band']!.value).toEqual({ low: 30 * 550 * 0.85 / 10_000, high: 40 * 550 * 0.85 / 10_000 }) // prettier-ignore
  })
  it('never changes what is weighed out', () => {
    const opened = of({}, 'kg')
    expect(
      of(
        { operations: { scarify: { on: false }, core: { on: false }, rake: { on: false } } },
        'kg',
      ),
    ).toBe(opened)
  })
})

describe('rates by purpose (common practice)', () => {
  it('ryegrass for winter green goes on at 25 to 50 g/m², whatever the cover', () => {
    const warm = { site: { ...SOUTH, latitude: -29, frost: '1 Jul', soilTemperature: 22 } }
    for (const wanted of [60, 95]) {
      const change = {
        present: ['bermudagrass'],
        heightOfCut: 25,
        approach: 'winter-green',
        cover: { wanted, weeds: 0, moss: 0, bare: 100 - wanted },
      } as const
      expect(of({ ...change, present: [...change.present] }, 'rate', warm)).toBe(40)
    }
  })
})

describe('light and fit', () => {
  it('more shade never raises a grass of the sun, and a grass that is ruled out is never in the mix', () => {
    const fit = (sun: number, grass: string) => {
      const { zones } = planOf(
        {
          zones: [
            zone({
              sunHours: sun,
              present: [],
              cover: { wanted: 0, weeds: 10, moss: 0, bare: 90 },
            }),
          ],
        },
        { today: '2027-01-20' },
      )
      const seed = zones[0]!.seed
      if (!seed) return { score: 0, out: true, mix: [] as string[] }
      const left = seed.chosen.left.find((l) => l.grass === grass)
      const part = seed.chosen.fits
        .find((f) => f.grass === grass)
        ?.parts.find((p) => p.part === 'light')
      return {
        score: left?.score ?? part?.rating ?? 0,
        out: left?.out ?? false,
        light: part?.rating,
        mix: seed.mix.map((m) => m.grass),
      }
    }
    fc.assert(
      fc.property(fc.integer({ min: 20, max: 120 }), fc.integer({ min: 1, max: 40 }), fc.constantFrom('perennial-ryegrass', 'kentucky-bluegrass', 'creeping-red-fescue'), (tenths, less, grass) => {
        const sunny = fit(tenths / 10, grass)
        const shady = fit(Math.max(0, tenths - less) / 10, grass)
        if (sunny.light !== undefined && shady.light !== undefined) expect(shady.light).toBeLessThanOrEqual(sunny.light + 1e-9)
        if (sunny.out) expect(sunny.mix).not.toContain(grass)
        if (sunny.out && sunny.score === 0) expect(shady.mix).not.toContain(grass)
      }),
      { numRuns: 40 },
    ) // prettier-ignore
  })
})

describe('a mix from the plants that are wanted (calculation)', () => {
  it('of ten per cent bent by weight nine plants in ten are bent; half of the plants takes a hundredth of the weight', () => {
    // Rye 550 and bent 15,000 live seeds in a gram: 90 : 10 by weight stand as 49,500 : 150,000.
    const now = [
      { weight: 90, plants: (100 * 49_500) / 199_500 },
      { weight: 10, plants: (100 * 150_000) / 199_500 },
    ]
    expect(now[1]!.plants).toBeCloseTo(75.2, 1)
    // Half and half of the plants: weights as 1/550 : 1/15,000.
    expect(weightsForPlants(now, [50, 50])).toEqual([96.5, 3.5])
  })
  it('gives back the shares it was asked for, and makes a hundred', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.tuple(
            fc.integer({ min: 1, max: 100 }),
            fc.integer({ min: 100, max: 15_000 }),
            fc.integer({ min: 10, max: 100 }),
          ),
          {
            minLength: 2,
            maxLength: 4,
          },
        ),
        (grasses) => {
          const total = grasses.reduce((sum, [w]) => sum + w, 0)
          const weights = grasses.map(([w]) => (100 * w) / total)
          const plantsOf = (list: readonly number[]) => {
            const each = list.map((w, i) => w * grasses[i]![1])
            const all = each.reduce((a, b) => a + b, 0)
            return each.map((x) => (100 * x) / all)
          }
          const wantedAll = grasses.reduce((sum, g) => sum + g[2], 0)
          const wanted = grasses.map((g) => (100 * g[2]) / wantedAll)
          const found = weightsForPlants(
            plantsOf(weights).map((plants, i) => ({ weight: weights[i]!, plants })),
            wanted,
          )
          expect(found.reduce((a, b) => a + b, 0)).toBeCloseTo(100, 6)
          // A tenth of the weight of the finest seed is what rounding may move.
          const finest = Math.max(...grasses.map((g) => g[1]))
          const coarsest = Math.min(...grasses.map((g) => g[1]))
          plantsOf(found).forEach((share, i) =>
            expect(Math.abs(share - wanted[i]!)).toBeLessThan(0.2 * (finest / coarsest) + 1e-6),
          )
        },
      ),
      { numRuns: 200 },
    )
  })
})
