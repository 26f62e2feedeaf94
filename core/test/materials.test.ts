import { leafRules } from '../src/work/leafRules.ts'
import fc from 'fast-check'
import highsLoader from 'highs'
import { describe, expect, it } from 'vitest'
import { coringRules } from '../src/materials/dressingRules.ts'
import { feedRules } from '../src/materials/feedRules.ts'
import { packsFor } from '../src/materials/packs.ts'
import { POUND_PER_1000_SQ_FT } from '../src/quantities/quantity.ts'
import { declared, planOf, said, valueOf, zone } from './makeJob.ts'

const packs = (need: number, sizes: number[]) => packsFor(need, sizes.map((size) => ({ size, price: size ** 0.9 }))) // prettier-ignore
const limit = (leaf: number) => leafRules.limit.compute({ leaf }, declared(leafRules.limit.values))
const ceiling = (slow: number, soil: number) =>
  feedRules.ceiling.compute({ slow, soil }, declared(feedRules.ceiling.values))

describe('feeding', () => {
  it('4 g N/m² from 12-12-12 is 33.3 g/m² of product', () => {
    const plan = planOf({ feed: { grade: '12-12-12', nitrogen: 4 } })
    expect(valueOf(plan, plan.feed!.rate)).toBeCloseTo(33.333, 3)
    expect(valueOf(plan, 'zone:z1.feed.kg')).toBeCloseTo(6.6667, 4)
  })
  it('20-27-5 at 3 lb/1,000 ft² lays 0.60 lb N, 0.81 lb P₂O₅ and 0.15 lb K₂O', () => {
    const plan = planOf({ feed: { grade: '20-27-5', nitrogen: '0.6 lb/1000 sq ft' } })
    const pounds = (id: string) => valueOf(plan, id) / POUND_PER_1000_SQ_FT
    expect(pounds(plan.feed!.rate)).toBeCloseTo(3, 10)
    expect(pounds(plan.feed!.p2o5)).toBeCloseTo(0.81, 10)
    expect(pounds(plan.feed!.k2o)).toBeCloseTo(0.15, 10)
  })
  it('oxide factors follow from atomic weights', () => {
    const [P, K, O] = [30.9738, 39.0983, 15.9994]
    expect(feedRules.p.compute({ p2o5: 1 }, {})).toBeCloseTo((2 * P) / (2 * P + 5 * O), 4)
    expect(feedRules.k.compute({ k2o: 1 }, {})).toBeCloseTo((2 * K) / (2 * K + O), 4)
  })
  it('holds a dose over the ceiling: 4.9 g/m² quick, up to 7.3 with slow release, half in heat', () => {
    expect(ceiling(0, 23.9)).toBe(4.9)
    expect(ceiling(50, 23.9)).toBe(7.3)
    expect(ceiling(100, 23.9)).toBe(7.3)
    expect(ceiling(0, 24)).toBeCloseTo(2.45, 12)
    const over = planOf({ feed: { grade: '30-0-0', nitrogen: 6 } })
    expect(over.notices.find((n) => n.id === 'feed.ceiling')?.level).toBe('hold')
    expect(
      planOf({ feed: { grade: '30-0-0', nitrogen: 4.8 } }).notices.some(
        (n) => n.id === 'feed.ceiling',
      ),
    ).toBe(false)
  })
  it('holds phosphorus against the laboratory’s index and the local rule', () => {
    const said = (
      phosphorus: 'low' | 'adequate' | null,
      phosphorusLaw: 'none' | 'with-test' = 'none',
      grade = '16-20-8',
    ) =>
      planOf(
        { zones: [zone({ lab: { phosphorus } })], feed: { grade } },
        { firm: { phosphorusLaw } },
      )
        .notices.filter((n) => n.id.startsWith('feed.p-'))
        .map((n) => `${n.id} ${n.level}`)
    expect(said(null)).toEqual(['feed.p-law note'])
    expect(said('low')).toEqual([])
    expect(said('adequate')).toEqual(['feed.p-test warn'])
    expect(said('adequate', 'none', '16-0-8')).toEqual([])
    expect([
      said(null, 'with-test'),
      said('low', 'with-test'),
      said('adequate', 'with-test'),
    ]).toEqual([['feed.p-law warn'], ['feed.p-law note'], ['feed.p-law hold']])
  })
  it('obeys a bar on phosphorus, or says why it cannot', () => {
    expect(
      planOf({ feed: { grade: '16-20-8' } }, { firm: { phosphorusLaw: 'barred' } }).notices.find(
        (n) => n.id === 'feed.p-law',
      )?.level,
    ).toBe('hold')
    expect(
      planOf({ feed: { grade: '16-0-8' } }, { firm: { phosphorusLaw: 'barred' } }).notices.some(
        (n) => n.id === 'feed.p-law',
      ),
    ).toBe(false)
  })
})

describe('dressing', () => {
  const dress = (area: string, depth: string) =>
    valueOf(planOf({ zones: [zone({ area })], dressing: { depth } }), 'zone:z1.dressing.volume')
  it('240 m² at 12 mm is 2.88 m³; ¼ in on 1,000 ft² is 0.77 yd³; 1 yd³ on 1,000 ft² is 8.2 mm', () => {
    expect(dress('240 m²', '12 mm')).toBeCloseTo(2.88, 10)
    expect(dress('1000 sq ft', '1/4 in') / 0.764554857984).toBeCloseTo(0.7716, 4)
    expect((0.764554857984 / 92.90304) * 1000).toBeCloseTo(8.23, 2)
  })
  it('orders Σ area·depth·(1 + settle) ÷ (1 − oversize), carried as tonnes and barrows', () => {
    const plan = planOf(
      { zones: [zone({ area: 240 })], dressing: { depth: 5, kind: 'topsoil' } },
      { firm: { settling: 12, oversize: 9, barrow: '80 L' } },
    )
    // 240 × 0.005 = 1.2; a thin dressing does not settle: ÷ 0.91 = 1.318681 m³; × 1.2 t/m³ = 1.7723
    // t; 1,476.9 L ÷ 80 L = 18.5 → 19 barrows.
    expect(valueOf(plan, 'job.dressing.total')).toBeCloseTo(1.318681, 6)
    expect(valueOf(plan, 'job.dressing.tonnes')).toBeCloseTo(1.582418, 6)
    expect(valueOf(plan, 'job.dressing.barrows')).toBe(17)
  })
  it('tips must show: 12 mm or a third of the leaf, and deeper goes in lifts, or is refused', () => {
    expect([limit(60), limit(15)]).toEqual([12, 5])
    const lift = planOf({ dressing: { depth: 15 } })
    // Cut 40 mm, leaf on the day 20 mm, limit 6.67 mm: 15 mm is three lifts.
    expect(valueOf(lift, 'zone:z1.dressing.lifts')).toBe(3)
    expect(lift.steps.some((s) => s.kind === 'dress-again')).toBe(true)
    const bury = planOf({ dressing: { depth: 15 }, schools: { dressing: 'bury-reseed' } })
    expect(bury.notices.find((n) => n.id === 'zone:z1.smother')?.level).toBe('hold')
    expect(planOf({ dressing: { depth: 5 } }).notices.some((n) => n.id === 'zone:z1.smother')).toBe(
      false,
    )
  })
  it('flags two cubic feet on ten square feet, 61 mm, as no thin dressing', () => {
    const plan = planOf({
      dressing: { depth: `${(2 * 0.028316846592 * 1000) / (10 * 0.09290304)} mm` },
    })
    expect(valueOf(plan, 'zone:z1.dressing.depth')).toBeCloseTo(60.96, 2)
    expect(plan.notices.some((n) => n.id === 'zone:z1.deep')).toBe(true)
  })
})

describe('packs', () => {
  it('always cover the need, and one pack fewer never would', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.01, max: 300, noNaN: true }), (need) => {
        const { counts, bought } = packs(need, [20, 10, 5, 1])
        const smallest = Math.min(...counts.map((c) => c.size))
        return bought >= need - 1e-9 && bought - smallest < need
      }),
    )
    expect(packs(8.05, [20, 10, 5, 1]).counts).toEqual([{ size: 10, count: 1 }])
    expect(packs(0, [10, 1])).toEqual({ counts: [], bought: 0, cost: 0 })
  })
})

describe('the cheapest bags', () => {
  it('cost what a mixed-integer solver pays too, on hundreds of made-up price lists (HiGHS)', async () => {
    const highs = await highsLoader()
    const price = fc.record({
      size: fc.constantFrom(0.5, 1, 2.5, 5, 10, 20, 25),
      price: fc.integer({ min: 1, max: 300 }),
    })
    fc.assert(
      fc.property(
        fc.uniqueArray(price, { minLength: 1, maxLength: 5, selector: (p) => p.size }),
        fc.integer({ min: 1, max: 900 }),
        (sold, tenths) => {
          const need = tenths / 10
          const found = packsFor(need, sold)
          const program = ['Minimize', `obj: ${sold.map((s, i) => `+ ${s.price} x${i}`).join(' ')}`, 'Subject To', `need: ${sold.map((s, i) => `+ ${s.size} x${i}`).join(' ')} >= ${need}`, 'General', sold.map((_, i) => `x${i}`).join(' '), 'End'] // prettier-ignore
          expect(found.cost).toBeCloseTo(highs.solve(program.join('\n')).ObjectiveValue, 5)
          expect(found.bought).toBeGreaterThanOrEqual(need - 1e-9)
          expect(found.counts.reduce((sum, c) => sum + c.size * c.count, 0)).toBeCloseTo(
            found.bought,
            9,
          )
        },
      ),
      { numRuns: 200 },
    )
  })
  it('a larger need never costs less', () => {
    const sold = [{ size: 20, price: 168 }, { size: 10, price: 92 }, { size: 5, price: 51 }, { size: 1, price: 13 }] // prettier-ignore
    const costs = Array.from({ length: 400 }, (_, i) => packsFor(i / 4, sold).cost)
    for (let i = 1; i < costs.length; i++)
      expect(costs[i]!).toBeGreaterThanOrEqual(costs[i - 1]! - 1e-9)
  })
  it('bags hold the reserve too; where a firm lets them leave half of it short, that is said', () => {
    // 200 m² at 24.5 g/m² is 4.9 kg; with 12 % kept back 5.488 kg. Bags of 5 and 10 kg: 5 kg is
    // 0.488 kg short, more than half of 0.588.
    const bags = [{ id: 'a', size: '5 kg', price: 40 }, { id: 'b', size: '10 kg', price: 70 }] // prettier-ignore
    const line = (rate: string, values: Record<string, number> = { 'reserve.forces': 50 }) =>
      planOf({ zones: [zone({ seedRate: rate, mix: [{ grass: 'perennial-ryegrass', share: 100 }] })] }, { firm: { seedBags: bags, values } }).materials.find((m) => m.id.startsWith('seed.'))! // prettier-ignore
    expect(line('24.5 g/m2').packs!.counts).toEqual([{ size: 10, count: 1 }])
    // 22.8 g/m² is 4.56 kg, 5.107 with the reserve: 5 kg is 107 g short of 547 g.
    expect(line('22.8 g/m2').packs!.counts).toEqual([{ size: 5, count: 1 }])
    expect(line('22.8 g/m2').doubt).toContain('short of the reserve')
    const whole = line('22.8 g/m2', {})
    expect(whole.packs!.bought).toBeGreaterThanOrEqual(5.107)
    expect(whole.doubt).toContain('would do without the reserve')
  })
})

describe('bags where pounds are used', () => {
  it('are those sold in pounds: 8.25 kg is 18.19 lb, a bag of 10 and two of 5 (NIST SP 811 for the pound)', () => {
    const plan = planOf(
      {
        zones: [
          zone({
            area: 210,
            cover: { wanted: 10, weeds: 5, moss: 0, bare: 85 },
            mix: [{ grass: 'perennial-ryegrass', share: 100 }],
          }),
        ],
      },
      { firm: { units: 'us' } },
    )
    const seed = plan.materials.find((m) => m.id.startsWith('seed.'))!
    // 210 m² at 35 g/m² × 85 ÷ 86.24 × 1.12 is 8.114 kg, 17.9 lb.
    expect(seed.packs!.unit).toBe('lb')
    expect(seed.packs!.counts.every((c) => [50, 25, 10, 5].includes(c.size))).toBe(true)
    expect(seed.packs!.counts.reduce((sum, c) => sum + c.size * c.count, 0)).toBe(20)
  })
})

describe('cores, sand and lifts', () => {
  // ½ in tines at 2 × 2 in open 4.9 %, ⅝ in 7.7 %, ½ in at 1¼ in 12.6 %; ½ in holes 75 mm deep at 2
  // × 2 in take 3.7 mm more (common practice, worked from geometry).
  it.each([
    [12.7, 50.8, 4.9],
    [15.875, 50.8, 7.7],
    [12.7, 31.75, 12.6],
  ])('tines of %f mm at %f mm open %f %% of the surface', (tine, spacing, opened) => {
    expect(coringRules.opened.compute({ tine, spacing, passes: 1 }, {})).toBeCloseTo(opened, 1)
  })
  it('sand for the holes is the surface opened times their depth, and nothing more', () => {
    const opened = coringRules.opened.compute(
      { tine: 12.7, spacing: 50.8, passes: 1 },
      {},
    ) as number
    expect(coringRules.holes.compute({ area: 1000, opened, depth: 75 }, {})).toBeCloseTo(3.7, 1)
  })
  it('every lift of a dressing has a day, four weeks apart and in growth', () => {
    const plan = planOf({
      zones: [
        zone({
          cover: { wanted: 95, weeds: 3, moss: 1, bare: 1 },
          thatch: 6,
          penetration: 'easy',
          heightOfCut: 24,
          lowsDepth: 30,
          lowsShare: 40,
          operations: { 'lay-back': { on: false } },
        }),
      ],
    })
    // A leaf of 24 mm bears 8 mm at once: 30 mm goes down in four lifts.
    expect(valueOf(plan, 'zone:z1.dressing.lifts')).toBe(4)
    const lifts = plan.steps
      .filter((s) => s.kind === 'dress' || s.kind === 'dress-again')
      .map((s) => s.chosen)
    expect(lifts).toHaveLength(4)
    for (let i = 1; i < lifts.length; i++)
      expect(Date.parse(lifts[i]!) - Date.parse(lifts[i - 1]!)).toBeGreaterThanOrEqual(
        28 * 86_400_000,
      )
  })
  it('hundreds of lifts are no plan: a dozen get days, and it is said', () => {
    const deep = planOf({
      dressing: { depth: 300 },
      zones: [
        zone({
          heightOfCut: 2,
          cover: { wanted: 95, weeds: 5, moss: 0, bare: 0 },
          thatch: 5,
          penetration: 'easy',
        }),
      ],
    })
    expect(deep.steps.filter((s) => s.kind === 'dress-again')).toHaveLength(11)
    expect(deep.notices.some((n) => n.id === 'zone:z1.lifts' && n.level === 'hold')).toBe(true)
  })
  it('the largest lawn that may be entered is laid out all the same, whatever is dug by hand', () => {
    const plan = planOf({
      zones: [
        zone({
          area: 1_000_000,
          cover: { wanted: 60, weeds: 40, moss: 0, bare: 0 },
          weedsSeen: ['dandelion'],
          dogs: true,
          operations: { 'hand-weed': { on: true } },
        }),
      ],
    })
    expect(plan.steps.find((s) => s.kind === 'hand-weed')!.span).toBeLessThanOrEqual(260)
  })
  it('what is lifted goes by the passes of each zone, and moss comes out with it', () => {
    const off = (change: object) => valueOf(planOf({ zones: [zone(change)] }), 'zone:z1.debris')
    const even = { cover: { wanted: 60, weeds: 20, moss: 0, bare: 20 } }
    expect(off({ ...even, thatch: 30 })).toBeCloseTo(2 * off({ ...even, thatch: 20 }), 9)
    expect(off({ cover: { wanted: 60, weeds: 0, moss: 40, bare: 0 }, thatch: 20 })).toBeGreaterThan(
      off({ ...even, thatch: 20 }) * 2,
    )
  })
})

describe('feed on its day', () => {
  it('Juvena’s own dose never exceeds its own ceiling, in heat too; slow release is not halved with the quick (Juvena’s model)', () => {
    const hot = planOf(
      {
        site: { latitude: 33, frost: '10 Nov', soilTemperature: 29, soilReadOn: '2027-07-01' },
        zones: [
          zone({ present: ['bermudagrass'], cover: { wanted: 95, weeds: 5, moss: 0, bare: 0 } }),
        ],
      },
      { today: '2027-07-01' },
    )
    expect(valueOf(hot, 'job.feed.ceiling')).toBeCloseTo(2.45, 9)
    expect(valueOf(hot, 'job.feed.nitrogen')).toBeLessThanOrEqual(2.45)
    expect(hot.notices.some((n) => n.id === 'feed.ceiling')).toBe(false)
    expect(
      feedRules.ceiling.compute(
        { slow: 60, soil: 29 },
        { quick: 4.9, all: 7.3, heat: 24, inHeat: 50 },
      ),
    ).toBeCloseTo(6.125, 9)
  })
  it('potassium is left out where the laboratory finds enough', () => {
    const k = (potassium: 'low' | 'high', grade: string) =>
      planOf({ feed: { grade }, zones: [zone({ lab: { potassium } })] }).notices.some(
        (n) => n.id === 'feed.k-test',
      )
    expect([k('high', '10-0-20'), k('low', '10-0-20'), k('high', '20-0-0')]).toEqual([
      true,
      false,
      false,
    ])
    // A school feeds seedlings regardless; turf that is not sown is no seedling.
    const regardless = (cover: number) =>
      planOf({
        feed: { grade: '10-0-20' },
        schools: { phosphorus: 'always' },
        zones: [
          zone({
            lab: { potassium: 'high' },
            cover: { wanted: cover, weeds: 4, moss: 0, bare: 96 - cover },
            thatch: 8,
            penetration: 'easy',
          }),
        ],
      }).notices.some((n) => n.id === 'feed.k-test')
    expect([regardless(55), regardless(96)]).toEqual([false, true])
  })
  it('turf that is not sown gets no starter, and no phosphorus', () => {
    const plan = planOf({
      zones: [
        zone({ cover: { wanted: 96, weeds: 4, moss: 0, bare: 0 }, thatch: 8, penetration: 'easy' }),
      ],
    })
    expect([
      plan.feed!.use,
      plan.feed!.grade,
      plan.steps.find((s) => s.kind === 'feed')!.name,
    ]).toEqual(['upkeep', '20-0-5', 'Feed'])
    // 20-0-5 is a fifth nitrogen: five times the nitrogen is its weight.
    expect(valueOf(plan, 'job.feed.rate')).toBeCloseTo(5 * valueOf(plan, 'job.feed.nitrogen'), 9)
  })
})

describe('lines of the order', () => {
  const names = (zones: object[], more: object = {}) =>
    planOf({ zones: zones as never, ...more }).materials.map((m) => m.name)
  const rye = [{ grass: 'perennial-ryegrass', share: 100 }]
  const fescue = [{ grass: 'creeping-red-fescue', share: 100 }]
  it('soil is named by its kind', () => {
    expect(
      names([zone()], { dressing: { kind: 'topsoil', depth: '6 mm' } }).filter((n) =>
        /soil/i.test(n),
      ),
    ).toEqual(['Screened topsoil, like that below'])
  })
  it('the error of the area tells what it may do to the bags, never less for more', () => {
    const bought = (words: string) =>
      [...words.matchAll(/(\d+) × (\d+(?:\.\d+)?) kg/g)].reduce(
        (sum, [, n, size]) => sum + Number(n) * Number(size),
        0,
      )
    const told = new Set<string>()
    for (let area = 150; area < 420; area += 9) {
      const plan = planOf({ zones: [zone({ area, by: 'pacing', mix: rye })] })
      const seed = plan.materials.find((m) => m.name === 'Seed')!
      const doubt = said(seed.doubt ?? '').split('for the area')[1] ?? ''
      const kind = /at most|could do with|same bags/.exec(doubt)?.[0]
      if (!kind) continue
      told.add(kind)
      if (kind === 'at most')
        expect(bought(doubt), String(area)).toBeGreaterThan(seed.packs!.bought)
      if (kind === 'could do with')
        expect(bought(doubt), String(area)).toBeLessThan(seed.packs!.bought)
    }
    expect([...told].sort()).toEqual(['at most', 'could do with'])
  })
  it('seed is named by its mix only where there are several', () => {
    expect(names([zone({ mix: rye })])).toContain('Seed')
    const two = names([zone({ mix: rye }), zone({ id: 'z2', name: 'Shade', mix: fescue })])
    expect(two.filter((n) => n.startsWith('Seed')).sort()).toEqual([
      'Seed, red fescue mix',
      'Seed, rye mix',
    ])
  })
})
