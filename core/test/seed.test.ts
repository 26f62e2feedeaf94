import { describe, expect, it } from 'vitest'
import { GRASSES, GRASS_IDS } from '../src/reference/grasses.ts'
import { readJob } from '../src/entities/job.ts'
import { bagOf, plsOf } from '../src/seed/seedPlan.ts'
import { Trace } from '../src/trace/trace.ts'
import { largestPart } from '../src/seed/mix.ts'
import { seedRules } from '../src/seed/seedRules.ts'
import { emergenceValues, emergence } from '../src/establish/emergence.ts'
import { declared, planOf, step, valueOf, zone } from './makeJob.ts'

const R = seedRules
const dot = (bulk: number, pls: number, seeds: number) =>
  R.live.compute({ rate: bulk, weight: [100], pls: [pls * 100], seeds: [seeds] }, {})

describe('seed arithmetic, worked by hand', () => {
  it('pure live seed and bag rate', () => {
    // 98 % pure × 85 % germination = 83.3 %; 25 g/m² of a usual bag at 85 % is 25 × 0.85 ÷ 0.833 =
    // 25.51 g/m² of this one.
    expect(R.pls.compute({ purity: 98, germination: 85 }, {})).toBeCloseTo(83.3, 10)
    expect(R.bagRate.compute({ rate: 25, pls: 83.3 }, { usual: 85 })).toBeCloseTo(25.5102, 4)
  })
  it('ten per cent bent by weight outnumbers the rest', () => {
    // Rye 90 % × 550 × 0.9 = 445.5; bent 10 % × 15,000 × 0.9 = 1,350; bent is 1,350 ÷ 1,795.5 =
    // 75.2 % of the plants.
    const share = (weight: number, seeds: number) =>
      R.plants.compute({ weight, pls: 90, seeds, all: 1795.5 }, {})
    expect(share(90, 550)).toBeCloseTo(24.81, 2)
    expect(share(10, 15_000)).toBeCloseTo(75.19, 2)
  })
  it('a zone’s plants: nine parts of rye and one of bent by weight come up as one and three (by hand: 495 and 1,500 seeds)', () => {
    const mix = [{ grass: 'perennial-ryegrass', share: 90 }, { grass: 'browntop', share: 10 }] // prettier-ignore
    const { plants } = planOf({ zones: [zone({ mix })] }).zones[0]!.seed!
    expect(plants.map((p) => Math.round(Number(p.share.value)))).toEqual([25, 75])
  })
  it('live seeds on a square centimetre fall in the usual bands (common practice: rye 1.5–2, bluegrass 3–4 at new rates)', () => {
    expect(dot(35, 0.85, 550)).toBeCloseTo(1.636, 3)
    expect(dot(12.5, 0.85, 3000)).toBeCloseTo(3.1875, 4)
  })
  it('the rate runs from new at 30 % cover to overseed at 70 %', () => {
    const rate = (cover: number) =>
      R.rateAtCover.compute({ overseed: 20, asNew: 35, cover }, declared(R.rateAtCover.values))
    expect([20, 30, 50, 90].map(rate)).toEqual([35, 35, 27.5, 20])
  })
  it('two lots of one grass both count: by their weight, or alike where one is not weighed', () => {
    const pls = (lots: object[]) =>
      valueOf(
        planOf({
          zones: [zone({ mix: [{ grass: 'perennial-ryegrass', share: 100 }] })],
          lots: lots as never,
        }),
        'lot:perennial-ryegrass.pls',
      )
    const lot = (id: string, germination: number, amount: string | null = null) => ({
      id,
      grass: 'perennial-ryegrass',
      purity: 100,
      germination,
      amount,
    })
    expect(pls([lot('a', 80), lot('b', 90)])).toBeCloseTo(85, 10)
    expect(pls([lot('a', 80, '30 kg'), lot('b', 90, '10 kg')])).toBeCloseTo(82.5, 10)
  })
})

describe('how deep seed is worked in (common practice: rye 6 mm, bluegrass 3, bent 2)', () => {
  const how = (...mixes: [string, number][][]) => {
    const zones = mixes.map((mix, i) =>
      zone({
        id: `z${i}`,
        name: `Lawn ${i}`,
        mix: mix.map(([grass, share]) => ({ grass, share })),
      }),
    )
    return step(planOf({ zones }), 'work-in')!.how
  }
  it('as the part of the mix that bears least, but for traces; each zone its own', () => {
    expect(how([['perennial-ryegrass', 100]])).toBe('no deeper than 6 mm')
    expect(how([['perennial-ryegrass', 80], ['kentucky-bluegrass', 20]])).toBe('no deeper than 3 mm') // prettier-ignore
    expect(how([['perennial-ryegrass', 96], ['kentucky-bluegrass', 4]])).toBe('no deeper than 6 mm') // prettier-ignore
    expect(how([['perennial-ryegrass', 100]], [['browntop', 100]])).toBe(
      'Lawn 0: 1 pass, no deeper than 6 mm; Lawn 1: 1 pass, no deeper than 2 mm',
    )
  })
})

describe('the soil of an offered day', () => {
  const costs = (grass: string) => {
    const plan = planOf(
      { zones: [zone({ present: [grass], mix: [{ grass, share: 100 }] })] },
      { today: '2027-08-20' },
    )
    return plan.packages[0]!.choices.map((c) => [c.season, c.costs])
  }
  it('is told where the grass comes up best in warmer; not where it is warm enough', () => {
    const told = 'Soil is then about 14 °C; tall fescue comes up best from 15 °C to 25 °C.'
    expect(costs('tall-fescue')).toEqual([
      ['spring', expect.stringContaining(told)],
      ['autumn', expect.not.stringContaining('Soil is then')],
    ])
  })
})

describe('what a kilogram costs', () => {
  it('is the price of the cheapest lot of that grass alone; a mix, another grass and a lot without a price tell nothing', () => {
    const of = (cost: number, ...grasses: string[]) => ({
      id: '',
      number: '',
      cost,
      parts: grasses.map((grass) => ({
        grass,
        share: 100 / grasses.length,
        matchesHybrid: false,
      })),
    })
    const shelf = [
      of(5, 'perennial-ryegrass'),
      of(4, 'perennial-ryegrass'),
      of(0, 'perennial-ryegrass'),
      of(1, 'browntop'),
      of(2, 'perennial-ryegrass', 'tall-fescue'),
    ]
    const cost = (grass: string) => bagOf(grass, [], shelf, new Trace()).cost
    expect(['perennial-ryegrass', 'browntop', 'tall-fescue'].map(cost)).toEqual([4, 1, 0])
  })
})

describe('several lots of one grass', () => {
  // 20 kg at 90 × 80 % and 5 kg at 95 × 60 %: (20 × 72 + 5 × 57) ÷ 25 = 69 % [calculation].
  const lots = readJob({
    name: 'x',
    lots: [
      { id: 'a', grass: 'perennial-ryegrass', purity: 90, germination: 80, amount: 20 },
      { id: 'b', grass: 'perennial-ryegrass', purity: 95, germination: 60, amount: 5 },
    ],
  }).job!.lots
  it('the bag a mix is chosen by holds what the plan weighs out by', () => {
    expect(bagOf('perennial-ryegrass', lots, [], new Trace()).pls).toBeCloseTo(69, 9)
    expect(plsOf('perennial-ryegrass', lots, new Trace()).value).toBeCloseTo(69, 9)
  })
})

describe('the grass table', () => {
  it('keeps its thermal times near its days column, in good soil (the model’s own fit, ±15 %)', () => {
    // Rye 95 °C·d above 2 °C at 18 °C: half in 6 days, first tenth in 4.2, last in 8.9; the table
    // says 3–10.
    const soil = new Float64Array(200).fill(18)
    const e = emergence(
      GRASSES['perennial-ryegrass']!,
      '2027-03-01',
      { soil: soil, start: '2027-03-01' },
      declared(emergenceValues),
    )!
    expect([e.first, e.half, e.last]).toEqual(['2027-03-06', '2027-03-07', '2027-03-10'])
    // Thirty days at its base add nothing; then 10 °C·d a day: 95 °C·d is half of it up on the
    // tenth day (by hand).
    const late = Float64Array.from({ length: 80 }, (_, i) => (i < 30 ? 1 : 12))
    expect(
      emergence(
        GRASSES['perennial-ryegrass']!,
        '2027-03-01',
        { soil: late, start: '2027-03-01' },
        declared(emergenceValues),
      )!.half,
    ).toBe('2027-04-10')
    expect(
      emergence(
        GRASSES['st-augustine']!,
        '2027-03-01',
        { soil: soil, start: '2027-03-01' },
        declared(emergenceValues),
      ),
    ).toBeNull()
    expect(
      emergence(
        GRASSES.bermudagrass!,
        '2027-03-01',
        { soil: new Float64Array(200).fill(11), start: '2027-03-01' },
        declared(emergenceValues),
      ),
    ).toBeNull()
  })
  it('has sensible rows: overseeding under new, ranges the right way round', () => {
    for (const id of GRASS_IDS) {
      const g = GRASSES[id]!
      if (g.newRate && g.overseedRate)
        expect(g.overseedRate[0], id).toBeLessThanOrEqual(g.newRate[0])
      expect(g.cut[0], id).toBeLessThan(g.cut[1])
    }
  })
})

describe('choosing a mix', () => {
  const mixOf = (z: object) => planOf({ zones: [zone(z)] }).zones[0]!
  it('shade gets fine fescues, and says why not ryegrass', () => {
    const z = mixOf({ sunHours: 3.1, wear: 'low', present: [] })
    expect(z.seed!.mix.every((m) => GRASSES[m.grass]!.sunLeast <= 3.1)).toBe(true)
    expect(GRASSES[largestPart(z.seed!.mix as never).grass]!.fine).toBe(true)
    const ownRye = planOf({
      zones: [
        zone({ sunHours: 3.1, present: [], mix: [{ grass: 'perennial-ryegrass', share: 100 }] }),
      ],
    })
    expect(ownRye.notices.map((n) => n.title).join()).toContain('too dark for perennial ryegrass')
  })
  it('a coarse grass is never put among fine ones, and every grass in a mix has its reason', () => {
    const z = mixOf({
      sunHours: 8,
      wear: 'high',
      heightOfCut: 55,
      present: ['creeping-red-fescue'],
    })
    expect(z.seed!.mix.map((m) => m.grass)).not.toContain('tall-fescue')
    for (const m of z.seed!.mix) expect(m.reason.length).toBeGreaterThan(5)
    expect(z.seed!.chosen.left[0]!.against.length).toBeGreaterThan(10)
    expect(z.seed!.mix.reduce((s, m) => s + m.share, 0)).toBe(100)
  })
  it('a stolon-only turf is not sown, and the plan says so', () => {
    const plan = planOf({
      site: { latitude: 28, frost: '15 Dec', soilTemperature: 26 },
      zones: [
        zone({
          present: ['st-augustine'],
          heightOfCut: 70,
          sunHours: 4.5,
          mix: [{ grass: 'st-augustine', share: 100 }],
        }),
      ],
    })
    expect(plan.zones[0]!.seed).toBeNull()
    expect([plan.zones[0]!.approach.chosen, plan.steps.some((s) => s.kind === 'plugs')]).toEqual([
      'plugs',
      true,
    ])
    // A person who wants seed anyway is told why not, and what instead.
    const sown = planOf({
      zones: [
        zone({
          present: ['st-augustine'],
          heightOfCut: 70,
          sunHours: 4.5,
          approach: 'overseed',
          mix: [{ grass: 'st-augustine', share: 100 }],
        }),
      ],
    })
    expect(sown.notices.some((n) => n.level === 'hold' && n.says.includes('plugs'))).toBe(true)
  })
  it('germination is allowed for once: half the germination, twice the bag rate', () => {
    const at = (germination: number) =>
      Number(
        planOf({
          zones: [zone({ mix: [{ grass: 'perennial-ryegrass', share: 100 }] })],
          lots: [{ id: 'l1', grass: 'perennial-ryegrass', purity: 100, germination }],
        }).zones[0]!.seed!.kg.value,
      )
    expect(at(45) / at(90)).toBeCloseTo(2, 10)
  })
})
