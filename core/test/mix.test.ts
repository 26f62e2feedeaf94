import { describe, expect, it } from 'vitest'
import type { ZoneDraft } from '../src/entities/job.ts'
import { GRASSES, GRASS_IDS, type GrassId } from '../src/reference/grasses.ts'
import { render } from '../src/present/render.ts'
import { lastsIn } from '../src/seed/inLight.ts'
import { mixKey, mixName } from '../src/seed/mix.ts'
import { Trace } from '../src/trace/trace.ts'
import { planOf, SOUTH, zone } from './makeJob.ts'

const north = { latitude: 31, frost: '18 Nov', soilTemperature: 24, soilReadOn: '2027-05-10' }
const seedOf = (
  change: Partial<ZoneDraft>,
  options: { site?: object; today?: string; schools?: object } = {},
) =>
  planOf(
    { zones: [zone(change)], site: { ...SOUTH, ...options.site }, schools: options.schools ?? {} },
    { today: options.today ?? '2027-02-01' },
  ).zones[0]!
const grasses = (change: Partial<ZoneDraft>, options = {}) =>
  seedOf(change, options).seed?.mix.map((m) => m.grass) ?? []

describe('which grass goes where (common practice)', () => {
  it.each<[string, Partial<ZoneDraft>, GrassId[], GrassId[]]>([
    [
      'hard wear in sun leads with ryegrass',
      { wear: 'high', sunHours: 8 },
      ['perennial-ryegrass'],
      ['hard-fescue', 'browntop'],
    ],
    [
      'shade has no grass that wants 4 h',
      { wear: 'low', sunHours: 3.5, present: [] },
      ['creeping-red-fescue'],
      ['perennial-ryegrass', 'tall-fescue', 'kentucky-bluegrass'],
    ],
    [
      'tall fescue goes with its own',
      { present: ['tall-fescue'], heightOfCut: 65, sunHours: 7, wear: 'high' },
      ['tall-fescue'],
      [],
    ],
    [
      'tall fescue is never put in among others',
      { present: ['perennial-ryegrass'], heightOfCut: 60, sunHours: 7 },
      ['perennial-ryegrass'],
      ['tall-fescue'],
    ],
    [
      'no bent on a lawn cut at 40 mm',
      { present: ['browntop', 'chewings-fescue'], heightOfCut: 40 },
      [],
      ['browntop'],
    ],
    [
      'a fine green at 12 mm keeps to fescue and bent',
      { present: ['browntop', 'chewings-fescue'], heightOfCut: 12, mower: 'reel', wear: 'mid' },
      ['chewings-fescue', 'browntop'],
      ['tall-fescue', 'kentucky-bluegrass'],
    ],
    [
      'a bank has a nurse',
      { slope: '1 in 5', cover: { wanted: 5, weeds: 5, moss: 0, bare: 90 } },
      ['annual-ryegrass'],
      [],
    ],
    ['level ground has none', { slope: 0 }, [], ['annual-ryegrass']],
  ])('%s', (_, change, has, hasNot) => {
    const mix = grasses(change)
    for (const g of has) expect(mix, g).toContain(g)
    for (const g of hasNot) expect(mix, g).not.toContain(g)
  })
  it('a bent is a tenth by weight at most', () => {
    const mix = seedOf({ present: ['browntop', 'chewings-fescue'], heightOfCut: 12, mower: 'reel' })
      .seed!.mix
    expect(mix.find((m) => m.grass === 'browntop')!.share).toBeLessThanOrEqual(10)
  })
  it('warm turf is repaired with its own kind, warm places with warm grass', () => {
    const warm = { site: north, today: '2027-05-10' }
    expect(grasses({ present: ['bermudagrass'], sunHours: 9 }, warm)).toEqual(['bermudagrass'])
    expect(grasses({ present: ['zoysia'], sunHours: 5 }, warm)).toEqual(['zoysia'])
    expect(GRASSES[grasses({ present: [], sunHours: 9, heightOfCut: 30 }, warm)[0]!]!.season).toBe(
      'warm',
    )
    expect(GRASSES[grasses({ present: [], sunHours: 9 })[0]!]!.season).toBe('cool')
  })
  it('a sward belongs to the season of most of its grasses; where they are even, to that of the place', () => {
    const season = (...present: string[]) => planOf({ zones: [zone({ present })] }).zones[0]!.season
    expect([
      season('bermudagrass', 'perennial-ryegrass'),
      season('bermudagrass', 'zoysia', 'perennial-ryegrass'),
    ]).toEqual(['cool', 'warm'])
  })
  it('new ground under 35° is sown with warm grass, but not where high country keeps the summer cool (Juvena’s model)', () => {
    const at = (site: object) =>
      planOf({ site, zones: [zone({ present: [], sunHours: 8 })] } as never, {
        today: '2027-05-10',
      }).zones[0]!.season
    expect(at({ latitude: 34, longitude: -84, frost: '8 Nov' })).toBe('warm')
    expect(at({ latitude: 36, longitude: -84, frost: '1 Nov' })).toBe('cool')
    expect(at({ latitude: 34, longitude: -84, frost: '20 Sep', elevation: '2400 m' })).toBe('cool')
  })
  it('the slow grass is left out once its own last day is too near, and taken while it is not', () => {
    const wants: Partial<ZoneDraft> = {
      present: ['kentucky-bluegrass'],
      sunHours: 8,
      wear: 'high',
      heightOfCut: 40,
    }
    // Bluegrass: eight weeks before 25 April is 28 February.
    expect(grasses(wants, { today: '2027-01-25' })).toContain('kentucky-bluegrass')
    expect(grasses(wants, { today: '2027-02-24' })).not.toContain('kentucky-bluegrass')
    const late = seedOf(wants, { today: '2027-02-24' }).seed!.chosen
    expect(late.left.find((l) => l.grass === 'kentucky-bluegrass')).toMatchObject({
      out: true,
      against: expect.stringContaining('28 Feb') as string,
    })
    expect(late.leads).toContain('Not more of bluegrass')
  })
  it('where nothing grows, nothing is sown, and the strongest reason is said', () => {
    const thin = { wanted: 29, weeds: 30, moss: 21, bare: 20 }
    const left = planOf({ zones: [zone({ sunHours: 2.4, present: ['tall-fescue'], cover: thin })] })
    expect([left.zones[0]!.seed, left.zones[0]!.approach.chosen]).toEqual([null, 'care'])
    expect(left.notices.find((n) => n.id === 'zone:z1.without-seed')!.says).toMatch(
      /h of sun.*shade ryegrass/,
    )
    // What the ground asks for is done without it, but for blades: what they open stays open.
    expect(left.steps.map((s) => s.kind)).toContain('feed')
    const blades = left.zones[0]!.rungs.find((r) => r.operation === 'scarify')!
    expect([blades.planned, blades.reason]).toEqual([
      false,
      expect.stringContaining('stays open') as string,
    ])
    expect(left.findings.find((f) => f.kind === 'cover')!.asks).toContain('Open the canopy')
    const dark = planOf({
      zones: [zone({ sunHours: 2.4, present: ['tall-fescue'], cover: thin, approach: 'overseed' })],
    })
    expect(dark.zones[0]!.seed).toBeNull()
    expect(dark.notices.find((n) => n.id === 'zone:z1.no-seed')).toMatchObject({
      level: 'hold',
      says: expect.stringContaining('h of sun') as string,
    })
  })
  it('where a tree has gone the old shade grass no longer leads alone', () => {
    const mixAt = (treeGone: boolean) =>
      planOf(
        {
          site: { latitude: 45, longitude: -93, frost: '10 Oct' },
          zones: [zone({ present: ['creeping-red-fescue'], sunHours: 9, treeGone })],
        },
        { today: '2027-08-02' },
      ).zones[0]!.seed!.mix.map((m) => m.grass)
    expect(mixAt(false)).toEqual(['creeping-red-fescue'])
    expect(mixAt(true)).toContain('perennial-ryegrass')
  })
  it('a sward of one grass that spreads, too late for more of it, is left to close by itself; a thin one, and one that only tufts, is sown', () => {
    const on = (change: Partial<ZoneDraft>) =>
      planOf({ zones: [zone(change)] }, { today: '2027-03-03' }).zones[0]!.approach.chosen
    const blue: Partial<ZoneDraft> = {
      present: ['kentucky-bluegrass'],
      cover: { wanted: 78, weeds: 10, moss: 0, bare: 12 },
      heightOfCut: 50,
    }
    expect(on(blue)).toBe('care')
    expect(on({ ...blue, cover: { wanted: 55, weeds: 20, moss: 0, bare: 25 } })).toBe('overseed')
    expect(on({ ...blue, present: ['kentucky-bluegrass', 'perennial-ryegrass'] })).toBe('overseed')
    expect(on({ ...blue, present: ['perennial-ryegrass'] })).toBe('overseed')
    expect(planOf({ zones: [zone(blue)] }, { today: '2027-02-10' }).zones[0]!.approach.chosen).toBe(
      'overseed',
    )
  })
  it('whatever the ground, shares make 100 and every grass stands its light and its cut', () => {
    for (const sunHours of [3, 3.5, 4, 5, 6, 7, 9])
      for (const heightOfCut of [12, 20, 30, 45, 60, 80])
        for (const wear of ['low', 'mid', 'high'] as const) {
          const mix = seedOf({ sunHours, heightOfCut, wear, present: [] }).seed?.mix
          if (!mix) continue
          const at = `${sunHours} h, ${heightOfCut} mm, ${wear}`
          expect(
            mix.reduce((s, m) => s + m.share, 0),
            at,
          ).toBe(100)
          for (const m of mix) {
            expect(GRASSES[m.grass]!.sunLeast, `${at}: ${m.grass}`).toBeLessThanOrEqual(sunHours)
            expect(GRASSES[m.grass]!.cut[0] * 0.7, `${at}: ${m.grass}`).toBeLessThanOrEqual(
              heightOfCut,
            )
          }
        }
  })
})

describe('what holds a share (Juvena’s model)', () => {
  const holds = (change: Partial<ZoneDraft>) =>
    new Map(
      seedOf(change, { today: '2027-02-24' }).seed!.mix.map((m) => [
        m.grass,
        m.holds ? render(m.holds, { units: 'metric', dialect: 'scarify' }) : '',
      ]),
    )
  it('the reading that speaks against the grass that would take its place', () => {
    const shade = holds({
      sunHours: 3.5,
      cover: { wanted: 20, weeds: 0, moss: 0, bare: 80 },
      present: ['creeping-red-fescue'],
      wear: 'low',
    })
    expect(shade.get('creeping-red-fescue')).toMatch(/light/)
    expect(shade.get('shade-ryegrass')).toBe('less of it would show too late')
    const games = holds({
      sunHours: 8,
      wear: 'high',
      cover: { wanted: 0, weeds: 0, moss: 0, bare: 100 },
      present: [],
    })
    expect(games.get('perennial-ryegrass')).toMatch(/wear/)
  })
  it('the limit that the other would break, by weight or by plants', () => {
    const green = holds({
      sunHours: 7,
      heightOfCut: 10,
      mower: 'reel',
      present: ['browntop', 'chewings-fescue'],
    })
    expect(green.get('chewings-fescue')).toBe('more browntop would be too many of the plants')
    expect(green.get('browntop')).toBe('in company at most 90 % Chewings')
  })
  it('one grass alone is held by nothing', () => {
    const alone = holds({ present: ['tall-fescue'], heightOfCut: 65, sunHours: 7, wear: 'high' })
    expect([...alone.values()].filter(Boolean).length).toBe(alone.size > 1 ? alone.size : 0)
  })
})

describe('how a mix stands in each light (Juvena’s model)', () => {
  const v = { half: 50, gone: 2 }
  it('all at ease, half in the least, none two hours below it, and never more in less sun', () => {
    const rye = { sunGood: 5 }
    expect([6, 5, 4.5, 4, 3, 2, 0].map((sun) => lastsIn(rye, 4, sun, v))).toEqual([
      1, 1, 0.75, 0.5, 0.25, 0, 0,
    ])
    expect(lastsIn({ sunGood: 8 }, 4, 5, v)).toBeCloseTo(0.5 + 0.5 / 4, 9)
    // Where the least is also enough there is no half-way.
    expect([lastsIn({ sunGood: 4 }, 4, 4, v), lastsIn({ sunGood: 4 }, 4, 3.5, v)]).toEqual([
      1, 0.375,
    ])
  })
})

describe('rates by approach', () => {
  const rate = (change: Partial<ZoneDraft>) => {
    const plan = planOf({
      zones: [zone({ mix: [{ grass: 'perennial-ryegrass', share: 100 }], ...change })],
    })
    return [
      Number(plan.figures['zone:z1.seed.rate']!.value),
      Number(plan.figures['zone:z1.seed.area']!.value),
    ]
  }
  const cover = (wanted: number, bare: number) => ({
    cover: { wanted, weeds: 100 - wanted - bare, moss: 0, bare },
  })
  it('new ground takes the new rate on the whole; spots the new rate on what is bare; a sward by its cover', () => {
    expect(rate(cover(10, 80))).toEqual([35, 200])
    expect(rate(cover(88, 8))).toEqual([35, 16])
    expect(rate(cover(70, 10))).toEqual([20, 200])
    expect(rate(cover(40, 30))[0]).toBeCloseTo(31.25, 10)
    // Annual ryegrass for the quick cover, whatever is chosen for the proper sowing: the middle of
    // 25 to 50.
    expect(rate({ ...cover(60, 20), approach: 'hold-over' })).toEqual([37.5, 200])
    expect(rate({ ...cover(60, 20), incurable: 80 })).toEqual([35, 200])
  })
})

describe('names and keys', () => {
  it('say the same mix the same way, largest part first', () => {
    const a = [
      { grass: 'creeping-red-fescue', share: 30 } as const,
      { grass: 'perennial-ryegrass', share: 70 } as const,
    ]
    expect(mixName(a, new Trace())).toBe('rye 70 · red fescue 30')
    expect(mixKey(a)).toBe(mixKey([...a].reverse()))
  })
  it('every grass has a short name of its own', () => {
    expect(new Set(GRASS_IDS.map((id) => GRASSES[id]!.short)).size).toBe(GRASS_IDS.length)
  })
})
