import fc from 'fast-check'
import { all, create } from 'mathjs'
import { describe, expect, it } from 'vitest'
import {
  MOVEMENTS,
  seedLotSchema,
  stockMovement,
  type SeedLotDraft,
  type StockMovement,
} from '../src/entities/stock.ts'
import { readJob } from '../src/entities/job.ts'
import { pathText } from '../src/entities/problem.ts'
import { GRASSES } from '../src/reference/grasses.ts'
import { atMost, exactInterval, seedsFor } from '../src/stock/binomial.ts'
import { shortOnShelf } from '../src/stock/lotsOfJob.ts'
import { howSure, lotValues, lotWorth } from '../src/stock/lotWorth.ts'
import { seedToBuy, seedWanted } from '../src/present/seedToBuy.ts'
import { seedOnShelf } from '../src/stock/seedOnShelf.ts'
import { shelfOf } from '../src/stock/shelf.ts'
import { declared, planOf, valueOf, zone } from './makeJob.ts'

const TODAY = '2027-02-22'
const part = (
  pure: number,
  germination: number,
  grass = 'perennial-ryegrass',
  cultivar = 'Tarn',
) => ({ grass, cultivar, pure, germination })
const label: SeedLotDraft = {
  number: '27-118',
  parts: [part(97.5, 88)],
  otherCrop: 0.3,
  weedSeed: 0,
  inert: 2.2,
  tested: '2026-10-01',
  bag: '10 kg',
  price: 96,
}
const problems = (change: Partial<SeedLotDraft>) =>
  seedLotSchema
    .safeParse({ ...label, ...change })
    .error?.issues.map((i) => `${pathText(i.path)}: ${i.message}`) ?? []
const worth = (change: Partial<SeedLotDraft> = {}) =>
  lotWorth(seedLotSchema.parse({ ...label, ...change }), GRASSES, TODAY, declared(lotValues))

describe('a label', () => {
  it('is read as printed', () => {
    expect(problems({})).toEqual([])
    expect(problems({ parts: [part(60, 90), part(37.5, 85, 'creeping-red-fescue')] })).toEqual([])
  })
  it.each<[Partial<SeedLotDraft>, string]>([
    [{ parts: [part(101.5, 88)], inert: 2.2 }, 'parts[0].pure'],
    [{ parts: [part(99, 88)], inert: 4.7 }, 'adds up to 104 %'],
    [{ parts: [part(97.5, 0)] }, 'dead seed'],
    [{ parts: [part(97.5, 101)] }, 'outside'],
    [{ coating: 120 }, 'coating'],
    [{ price: -1 }, 'price'],
    [{ tested: '30 Feb 2027' }, 'does not exist'],
    [{ bag: '10 L' }, 'weight'],
    [{ parts: [part(97.5, 88, '<script>')] }, 'Choose one from the list'],
    [{ test: { started: '2027-02-01', seeds: 100, first: 40, last: 120 } }, 'cannot have sprouted'],
    [{ test: { started: '2027-02-01', seeds: 100, first: 60, last: 50 } }, 'at least the 60'],
  ])('wrong in %j is refused with a sentence: %s', (change, words) => {
    const said = problems(change).join(' ')
    expect(said.toLowerCase()).toContain(words.toLowerCase())
  })
  it('of coated seed: printed with the coating it is of the bag as sold, printed without it the coat comes off', () => {
    // 48 % pure seed under 50 % coating and 2 % inert: 48 × 0.88 = 42.2 % pure live seed.
    expect(
      worth({ parts: [part(48, 88)], coating: 50, inert: 2, otherCrop: 0 }).parts[0]!.pls,
    ).toBeCloseTo(42.24, 9)
    // 97.5 % pure of what is under a coat of half the weight: half of 97.5 × 0.88.
    expect(worth({ coating: 50 }).parts[0]!.pls).toBeCloseTo(42.9, 9)
  })
})

describe('what a lot is worth', () => {
  it('98 % × 85 % is 83.3 %; a thousand live seeds of a 96-a-bag rye cost 96 ÷ 10 ÷ (550 × 0.833) (by hand)', () => {
    const [p] = worth({ parts: [part(98, 85)], otherCrop: 0, inert: 2 }).parts
    expect(p!.pls).toBeCloseTo(83.3, 9)
    expect(p!.costPerThousand).toBeCloseTo(9600 / (550 * 0.833), 6)
  })
  it('holds its test for a year, then loses by how it is kept: two years on in a shed 88 × 0.92 = 81.0 %', () => {
    expect(worth({ tested: '2026-03-01' }).parts[0]).toMatchObject({
      germination: 88,
      from: 'label',
    })
    const aged = worth({ tested: '2025-02-22', storage: 'shed' }).parts[0]!
    expect(aged.from).toBe('label, aged')
    expect(aged.germination).toBeCloseTo(88 * 0.92, 1)
    const loss = (storage: 'cool' | 'shed' | 'hot') =>
      worth({ tested: '2023-02-22', storage }).parts[0]!.germination
    expect(loss('cool')).toBeGreaterThan(loss('shed'))
    expect(loss('shed')).toBeGreaterThan(loss('hot'))
  })
  it('is used, used at a higher rate, or not at all', () => {
    expect(worth().verdict).toBe('use')
    expect(worth({ parts: [part(97.5, 65)] }).verdict).toBe('use more')
    expect(worth({ parts: [part(97.5, 40)] }).verdict).toBe('do not use')
    expect(worth({ weedSeed: 0.5, inert: 1.7 }).verdict).toBe('do not use')
    expect(worth({ parts: [part(60, 90), part(37.5, 45, 'creeping-red-fescue')] }).verdict).toBe(
      'do not use',
    )
  })
  it('says what is missing: no cultivar, no date, a date yet to come', () => {
    const notes = (change: Partial<SeedLotDraft>) => JSON.stringify(worth(change).notes)
    expect(notes({ parts: [part(97.5, 88, 'perennial-ryegrass', '')] })).toContain('common type')
    expect(notes({ tested: null })).toContain('No test date')
    expect(notes({ tested: '2027-08-01' })).toContain('yet to come')
    expect(notes({})).toBe('[]')
    // Fresh for a year: told the day after, not on it.
    expect(notes({ tested: '2026-02-22' })).toBe('[]')
    expect(notes({ tested: '2026-02-20' })).toContain('count it again on paper')
  })
  it('two grasses without a purity share the usual one, 98 %, between them', () => {
    const two = { parts: [part(null as never, 88), part(null as never, 85, 'creeping-red-fescue')] }
    expect(worth(two).parts.map((p) => p.pure)).toEqual([49, 49])
  })
  it('costs nothing to compare without a price, a bag, or a seed that lives', () => {
    const cost = (change: Partial<SeedLotDraft>) => worth(change).parts[0]!.costPerThousand
    expect([cost({ price: null }), cost({ bag: null })]).toEqual([null, null])
    const dead = { started: '2027-02-01', seeds: 100, first: 0, last: 0 }
    expect([worth({ test: dead }).parts[0]!.pls, cost({ test: dead })]).toEqual([0, null])
  })
  it('is judged on its line by the better side: 75 % is used, 50 % used more, 0.3 % weed seed not at all', () => {
    const verdict = (germination: number, weedSeed = 0) =>
      worth({ parts: [part(97, germination)], weedSeed, inert: 2.2 }).verdict
    expect([75, 74.9, 50, 49.9].map((g) => verdict(g))).toEqual([
      'use',
      'use more',
      'use more',
      'do not use',
    ])
    expect([verdict(88, 0.29), verdict(88, 0.3)]).toEqual(['use', 'do not use'])
    const crop = (otherCrop: number) => JSON.stringify(worth({ parts: [part(96, 88)], otherCrop, inert: 4 - otherCrop }).notes) // prettier-ignore
    expect([crop(0.9), crop(1)].map((n) => n.includes('coarse tufts'))).toEqual([false, true])
    expect(worth({ parts: [] })).toMatchObject({ verdict: 'use more', parts: [] })
  })
  it('a test is due on its days, and not a day before; without a grass, the day after', () => {
    const due = (started: string, more: object = {}) =>
      worth({ test: { started, seeds: 100, ...more } }).test!.due
    // Rye is counted after 5 and after 14 days; today is 22 February.
    expect(['2027-02-18', '2027-02-17', '2027-02-09', '2027-02-08'].map((d) => due(d))).toEqual([
      null,
      'first',
      'first',
      'last',
    ])
    expect([due('2027-02-17', { first: 60 }), due('2027-02-01', { first: 60, last: 70 })]).toEqual([null, null]) // prettier-ignore
    expect(worth({ parts: [], test: { started: TODAY, seeds: 50 } }).test).toMatchObject({
      firstOn: '2027-02-23',
      lastOn: '2027-02-23',
    })
    // A hundred are taken where nobody said how many were laid.
    expect(worth({ test: { started: '2027-02-01', first: 40 } }).test!.result).toEqual({
      share: 40,
      final: false,
    })
  })
  it('a test that nobody counted has no interval; 85 of 100 has one of about 76 to 91 %', () => {
    const sure = (test: SeedLotDraft['test']) =>
      howSure(seedLotSchema.parse({ ...label, test }), declared(lotValues)).interval
    expect(sure({ started: '2027-02-01', seeds: 100 })).toBeNull()
    const counted = sure({ started: '2027-02-01', seeds: 100, last: 85 })!
    expect([counted.low, counted.high].map((x) => x.toFixed(1))).toEqual(['76.5', '91.4'])
  })
  it('a paper test has its days by grass, and replaces the label when it is done', () => {
    const test = { started: '2027-02-01', seeds: 100 }
    expect(worth({ test }).test).toMatchObject({
      firstOn: '2027-02-06',
      lastOn: '2027-02-15',
      result: null,
      due: 'last',
    })
    expect(worth({ test: { ...test, first: 60 } }).parts[0]).toMatchObject({
      germination: 88,
      from: 'label',
    })
    const done = worth({ test: { ...test, first: 60, last: 70 } })
    expect(done.parts[0]).toMatchObject({ germination: 70, from: 'paper test' })
    expect(done.verdict).toBe('use more')
  })
})

describe('the exact interval (Clopper & Pearson 1934, tables from memory)', () => {
  it.each([
    [85, 100, 0.7647, 0.9135],
    [5, 10, 0.1871, 0.8129],
    [0, 10, 0, 0.3085],
    [10, 10, 0.6915, 1],
  ])('%i of %i: %f to %f', (k, n, low, high) => {
    const found = exactInterval(k, n)
    expect(found.low).toBeCloseTo(low, 4)
    expect(found.high).toBeCloseTo(high, 4)
  })
  it('rests on binomial sums as mathjs has them, in 40 digits', () => {
    const math = create(all!, { number: 'BigNumber', precision: 40 })
    for (const [k, n, p] of [[85, 100, 0.8], [3, 50, 0.1], [180, 200, 0.9]] as const) {
      let sum = math.bignumber(0)
      for (let i = 0; i <= k; i++)
        sum = math.evaluate('s + combinations(n, i) * p^i * (1 - p)^(n - i)', { s: sum, n: math.bignumber(n), i: math.bignumber(i), p: math.bignumber(p) })
      expect(atMost(k, n, p)).toBeCloseTo(Number(sum), 10)
    } // prettier-ignore
  })
  it('has its ends: none below nothing, all at most all, none at no chance', () => {
    expect([atMost(-1, 10, 0.5), atMost(3, 10, 1), atMost(10, 10, 1)]).toEqual([0, 0, 1])
    expect([atMost(0, 10, 0), atMost(3, 10, 0)]).toEqual([1, 1])
  })
  it('narrows with more seeds, and says how many are enough', () => {
    const width = (n: number) =>
      exactInterval(Math.round(0.85 * n), n).high - exactInterval(Math.round(0.85 * n), n).low
    for (const n of [50, 100, 200, 400]) expect(width(n * 2)).toBeLessThan(width(n))
    const n = seedsFor(0.85, 0.07)
    expect(width(n) / 2).toBeLessThanOrEqual(0.07)
    expect(width(n - 50) / 2).toBeGreaterThan(0.07)
  })
})

const movement = fc
  .record({
    n: fc.nat(40),
    kind: fc.constantFrom(...MOVEMENTS),
    grams: fc.integer({ min: 1, max: 50_000 }),
    day: fc.integer({ min: 1, max: 28 }),
    job: fc.constantFrom('a', 'b', null),
  })
  .map(({ n, kind, grams, day, job }) =>
    stockMovement.parse({
      id: `movement-${n}`,
      lot: 'l',
      kind,
      kg: grams / 1000,
      on: `2027-02-${String(day).padStart(2, '0')}`,
      job,
    }),
  )
const oncePerId = (list: StockMovement[]) => [...new Map(list.map((m) => [m.id, m])).values()]

describe('the shelf', () => {
  it('what is opened, used, written off and given back each has its own sum, and its place', () => {
    const move = (id: string, kind: StockMovement['kind'], kg: number, zone = 'east') =>
      stockMovement.parse({ id: `movement-${id}`, lot: 'l', kind, kg, on: TODAY, job: 'j', zone })
    const shelf = shelfOf([
      move('1', 'received', 20),
      move('2', 'used', 6),
      move('3', 'returned', 2),
      move('4', 'written-off', 1),
      move('5', 'used', 3, 'west'),
    ])
    expect(shelf).toMatchObject({
      held: 12,
      used: 7,
      usedIn: { 'j/east': 4, 'j/west': 3 },
      writtenOff: 1,
    })
    // Given back before it was seen to be used: its place is below nothing until that arrives.
    expect(shelfOf([move('6', 'returned', 2, 'north')]).usedIn).toEqual({ 'j/north': -2 })
  })
  it('holds what came in less what went out, whatever the order and however often a movement is sent', () => {
    fc.assert(
      fc.property(fc.array(movement, { maxLength: 30 }), fc.nat(1000), (list, seed) => {
        const once = oncePerId(list)
        const sum = (...kinds: string[]) =>
          once.filter((m) => kinds.includes(m.kind)).reduce((kg, m) => kg + m.kg, 0)
        const shelf = shelfOf(once)
        expect(shelf.held).toBeCloseTo(sum('received', 'returned') - sum('used', 'written-off'), 9)
        expect(shelf.free + shelf.reserved).toBeCloseTo(shelf.held, 9)
        const mixed = [...once, ...once].sort(
          (a, b) => ((a.kg * 7919 + seed) % 13) - ((b.kg * 7919 + seed) % 13),
        )
        expect(shelfOf(mixed)).toEqual(shelf)
      }),
      { numRuns: 200 },
    )
  })
  it('more used for a job than was promised to it leaves no promise, and none below nothing', () => {
    const m = (id: string, kind: string, kg: number) =>
      stockMovement.parse({ id: `move-${id}-x`, lot: 'l', kind, kg, on: TODAY, job: 'quad' })
    const shelf = shelfOf([m('1', 'received', 20), m('2', 'reserved', 3), m('3', 'used', 5)])
    expect([shelf.reserved, shelf.free, shelf.held]).toEqual([0, 15, 15])
  })
  it('on one day counts what came before what went, and names the use that was too much', () => {
    const m = (id: string, kind: string, kg: number) =>
      stockMovement.parse({ id: `move-${id}-x`, lot: 'l', kind, kg, on: TODAY, job: 'quad' })
    expect(shelfOf([m('1', 'used', 5), m('2', 'received', 5)]).short).toBeNull()
    expect(shelfOf([m('2', 'used', 3), m('1', 'used', 3), m('3', 'received', 5)]).short).toEqual({
      on: TODAY,
      kg: 1,
      movement: 'move-2-x',
    })
  })
  it('no more of it is open than is held, and what is used is of the open bag', () => {
    const m = (id: string, kind: string, kg: number) =>
      stockMovement.parse({ id: `move-${id}-x`, lot: 'l', kind, kg, on: TODAY, job: 'quad' })
    const open = (...list: StockMovement[]) => shelfOf([m('1', 'received', 20), ...list]).opened
    expect(open(m('2', 'opened', 10))).toBe(10)
    expect(open(m('2', 'opened', 10), m('3', 'used', 4))).toBe(6)
    expect(open(m('2', 'opened', 10), m('3', 'used', 12))).toBe(0)
    expect(open(m('2', 'opened', 10), m('3', 'written-off', 15))).toBe(5)
    expect(open(m('2', 'opened', 10), m('3', 'written-off', 25))).toBe(0)
  })
  it('never falls below zero without a word', () => {
    fc.assert(
      fc.property(fc.array(movement, { maxLength: 30 }), (list) => {
        const shelf = shelfOf(oncePerId(list))
        if (shelf.held < -1e-6) expect(shelf.short).not.toBeNull()
      }),
    )
  })
  it('knows by job what is promised and what went where', () => {
    const m = (id: string, kind: string, kg: number, more: object = {}) =>
      stockMovement.parse({ id: `move-${id}-x`, lot: 'l', kind, kg, on: TODAY, ...more })
    const shelf = shelfOf([
      m('1', 'received', 20), m('2', 'reserved', 6, { job: 'quad' }), m('3', 'used', 4, { job: 'quad', zone: 'east' }), m('4', 'reserved', 5, { job: 'green' }),
    ]) // prettier-ignore
    expect(shelf).toMatchObject({
      held: 16,
      reserved: 7,
      free: 9,
      used: 4,
      forJobs: { quad: 2, green: 5 },
      usedIn: { 'quad/east': 4 },
      short: null,
    })
  })
})

describe('a job that sows from the shelf', () => {
  const rye = zone({ mix: [{ grass: 'perennial-ryegrass', share: 100 }] })
  const stock = (change: Partial<SeedLotDraft> = {}, kg = 50) => [
    {
      id: 'shelf-1',
      lot: seedLotSchema.parse({ ...label, ...change }),
      shelf: shelfOf([
        stockMovement.parse({ id: 'in-000001', lot: 'shelf-1', kind: 'received', kg, on: TODAY }),
      ]),
    },
  ]
  const lots = [{ id: 'l1', grass: 'perennial-ryegrass', stock: 'shelf-1' }]
  it('goes by the label there, and by a paper test once it is done: at 44 % twice the seed of 88 %', () => {
    const kg = (change: Partial<SeedLotDraft>) =>
      valueOf(planOf({ zones: [rye], lots }, { stock: stock(change) }), 'zone:z1.seed.kg')
    const test = { started: '2027-01-20', seeds: 100, first: 30 }
    expect(kg({ test: { ...test, last: 44 } }) / kg({})).toBeCloseTo(2, 9)
  })
  it('a lot reaches by what is free and what is reserved for this job, not for another', () => {
    // 12 kg came: 5 are reserved for this job, 4 for another, 3 are free. This job may have 8.
    const move = (id: string, kind: string, kg: number, job: string | null = null) =>
      stockMovement.parse({ id, lot: 'l1', kind, kg, on: TODAY, job }) as StockMovement
    const shelf = shelfOf([
      move('m0000001', 'received', 12),
      move('m0000002', 'reserved', 5, 'here'),
      move('m0000003', 'reserved', 4, 'there'),
    ])
    const job = readJob({
      name: 'J',
      zones: [],
      lots: [{ id: 'mine', name: 'Lot', stock: 'l1', grass: 'perennial-ryegrass' }],
    } as never).job!
    const short = (kg: number, id: string | null) =>
      shortOnShelf(
        job,
        id,
        [{ id: 'l1', lot: seedLotSchema.parse(label), shelf }],
        new Map([['mine', kg]]),
      ).length
    expect(
      shortOnShelf(job, 'here', [], new Map([['mine', 3]])).length,
      'a lot that is gone is told elsewhere',
    ).toBe(0)
    expect([short(8, 'here'), short(8.01, 'here'), short(7, 'there'), short(7.01, 'there'), short(3, null), short(3.01, null), short(0, null)]).toEqual([0, 1, 0, 1, 0, 1, 0]) // prettier-ignore
  })
  it('says where the lot does not reach, is not to be sown, or is gone', () => {
    const said = (from: ReturnType<typeof stock>) =>
      planOf({ zones: [rye], lots }, { stock: from }).notices.filter((n) =>
        n.id.startsWith('lot:l1.'),
      )
    expect(said(stock())).toEqual([])
    expect(said(stock({}, 2))[0]!.title).toContain('does not reach')
    expect(said(stock({ parts: [part(97.5, 30)] })).map((n) => n.level)).toContain('hold')
    expect(said([])[0]!.title).toContain('not on the shelf')
  })
  it('a lot without the grass that it is to give is told as gone', () => {
    const other = stock({ parts: [part(97.5, 88, 'creeping-red-fescue')] })
    const { notices } = planOf({ zones: [rye], lots }, { stock: other })
    expect(notices.find((n) => n.id.startsWith('lot:l1.'))!.title).toContain('not on the shelf')
  })
  it('a bag tells the shares of its seed and what a kilogram costs, in thousandths; a grass nobody knows keeps it off', () => {
    const two = { parts: [part(60, 90), part(36, 85, 'creeping-red-fescue')], inert: 3.7 }
    const bags = (change: Partial<SeedLotDraft>) =>
      seedOnShelf(stock(change), GRASSES, TODAY, declared(lotValues))
    expect(bags(two)[0]).toMatchObject({ number: '27-118', cost: 9600 })
    expect(bags(two)[0]!.parts.map((p) => p.share)).toEqual([62.5, 37.5])
    expect([bags({ bag: null })[0]!.cost, bags({ price: null })[0]!.cost]).toEqual([0, 0])
    const { 'creeping-red-fescue': _, ...without } = GRASSES
    expect(seedOnShelf(stock(two), without, TODAY, declared(lotValues))).toEqual([])
    expect(bags({ parts: [part(97.5, 30)] })).toEqual([])
    expect(bags({ parts: [] })).toEqual([])
  })
  it('a bag that is empty is no bag on the shelf', () => {
    const bags = (kg: number) =>
      seedOnShelf(stock({}, kg) as never, GRASSES, TODAY, declared(lotValues)).length
    expect(bags(1)).toBe(1)
    const [one] = stock({}, 5)
    const used = [
      stockMovement.parse({ id: 'in-000001', lot: 'x', kind: 'received', kg: 5, on: TODAY }),
      stockMovement.parse({ id: 'out-00001', lot: 'x', kind: 'used', kg: 5, on: TODAY, job: 'j' }),
    ]
    expect(
      seedOnShelf([{ ...one!, shelf: shelfOf(used) }], GRASSES, TODAY, declared(lotValues)),
    ).toEqual([])
  })
  it('every kilogram has its zone and its lot', () => {
    const plan = planOf({ zones: [rye, { ...rye, id: 'z2' }], lots }, { stock: stock() })
    const sum = plan.seedUse.reduce((kg, u) => kg + u.kg, 0)
    expect(sum).toBeCloseTo(valueOf(plan, 'zone:z1.seed.kg') + valueOf(plan, 'zone:z2.seed.kg'), 1)
    expect(plan.seedUse.map((u) => [u.zone, u.stock])).toEqual([['z1', 'shelf-1'], ['z2', 'shelf-1']]) // prettier-ignore
  })
})

describe('seed for all jobs', () => {
  const bags = { sizes: [{ size: 10, price: 80 }, { size: 5, price: 45 }], unit: 'kg' as const, priced: true } // prettier-ignore
  const wanted = (job: string, kg: number, key = 'rye', sowDay: string | null = '2027-03-02', fromShelf = 0) => ({ job, name: job, sowDay, key, mix: key, kg, fromShelf, pans: [] }) // prettier-ignore
  it('is bought once: three jobs of 3 kg take one bag of ten, where apart they take three of five', () => {
    const [rye, blue] = seedToBuy(
      [wanted('b', 3), wanted('a', 3, 'rye', '2027-02-26'), wanted('c', 3), wanted('d', 6, 'blue')],
      bags,
    )
    expect([rye!.packs!.counts, rye!.packs!.left, rye!.apart]).toEqual([
      [{ size: 10, count: 1 }],
      1,
      15,
    ])
    expect(rye!.jobs.map((j) => j.job)).toEqual(['a', 'b', 'c'])
    expect([blue!.wanted, blue!.packs!.cost]).toEqual([6, 80])
  })
  it('what lies on the shelf for a job is not bought again', () => {
    const [all] = seedToBuy([wanted('a', 4, 'rye', null, 4)], bags)
    expect([all!.packs, all!.apart, all!.fromShelf]).toEqual([null, 0, 4])
    expect(
      seedToBuy([wanted('a', 4, 'rye', null, 1), wanted('b', 2)], bags)[0]!.packs!.bought,
    ).toBe(5)
  })
  it('a plan’s wants are its order; once the seed is down there are none', () => {
    const job = { zones: [zone()] }
    const [only] = seedWanted('j', 'Lawn', planOf(job) as never)
    expect(only).toMatchObject({
      job: 'j',
      fromShelf: 0,
      kg: valueOf(planOf(job), 'job.seed.total.perennial-ryegrass-100'),
    })
    expect(only!.pans).toEqual([
      { zone: planOf(job).zones[0]!.name, kg: valueOf(planOf(job), 'zone:z1.seed.pan') },
    ])
  })
})
