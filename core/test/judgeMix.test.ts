import { describe, expect, it } from 'vitest'
import type { ZoneDraft } from '../src/entities/job.ts'
import { seedLotSchema, stockMovement } from '../src/entities/stock.ts'
import { shelfOf } from '../src/stock/shelf.ts'
import { planOf, SOUTH, zone } from './makeJob.ts'

const parts = (...list: [string, number][]) => list.map(([grass, share]) => ({ grass, share }))
const planned = (
  change: Partial<ZoneDraft>,
  site: object = {},
  today = '2027-01-20',
  stock: Parameters<typeof planOf>[1] = {},
) => planOf({ site: { ...SOUTH, ...site }, zones: [zone(change)] }, { today, ...stock })
const bare = { cover: { wanted: 2, weeds: 8, moss: 0, bare: 90 }, present: [] }
const HOT = {
  latitude: 29,
  longitude: -82,
  frost: '15 Dec',
  soilTemperature: 24,
  soilReadOn: '2027-05-10',
}
const said = (change: Partial<ZoneDraft>, site: object = {}, today?: string) => {
  const plan = planned(change, site, today)
  return {
    titles: plan.notices.filter((n) => n.id.startsWith('zone:z1.mix')).map((n) => n.title),
    judged: plan.zones[0]!.judged!,
  }
}

describe('a mix that a person chose is judged as it is (common practice)', () => {
  it('thirty per cent of bent by weight outnumbers rye', () => {
    const { titles, judged } = said({
      ...bare,
      heightOfCut: 20,
      mix: parts(['perennial-ryegrass', 70], ['browntop', 30]),
    })
    expect(titles.join()).toContain('browntop')
    expect(judged.verdict).not.toBe('good')
    // Alone with a fescue it belongs to, the plants are what is said.
    expect(
      said({
        ...bare,
        heightOfCut: 15,
        mix: parts(['chewings-fescue', 70], ['browntop', 30]),
      }).titles.join(),
    ).toContain('outnumbers the rest')
    expect(
      said({
        ...bare,
        heightOfCut: 15,
        mix: parts(['chewings-fescue', 90], ['browntop', 10]),
      }).titles.join(),
    ).not.toContain('outnumbers')
  })
  it('kikuyu is not what grows in couch, and a cool grass among warm is a deliberate blend', () => {
    const couch = { present: ['bermudagrass'], heightOfCut: 30, sunHours: 9 }
    expect(
      said({ ...couch, mix: parts(['kikuyu', 100]) }, HOT, '2027-05-10').titles.join(),
    ).toMatch(/not what grows there|kikuyu does not fit/)
    expect(
      said({ ...couch, mix: parts(['perennial-ryegrass', 100]) }, HOT, '2027-05-10').titles.join(),
    ).toContain('among warm-season grass')
    expect(said({ ...couch, mix: parts(['bermudagrass', 100]) }, HOT, '2027-05-10')).toMatchObject({
      titles: [],
      judged: { loses: 0, verdict: 'good' },
    })
  })
  it('a grass of the sun in shade is wrong, by its light and with what fits instead', () => {
    const plan = planned({ ...bare, sunHours: 3.2, mix: parts(['kentucky-bluegrass', 100]) })
    const notice = plan.notices.find((n) => n.id === 'zone:z1.mix.kentucky-bluegrass')!
    expect(notice.title).toContain('too dark')
    expect(notice.says).toMatch(/What fits: .*fescue/)
    expect(plan.zones[0]!.judged!.verdict).toBe('wrong')
  })
  it('grasses that do not stand together are named once, and a nurse beside others is no fault', () => {
    const { titles } = said({
      ...bare,
      heightOfCut: 60,
      mix: parts(['tall-fescue', 50], ['creeping-red-fescue', 50]),
    })
    expect(titles.filter((t) => t.includes('in one mix'))).toHaveLength(1)
    expect(
      said({
        ...bare,
        slope: '1 in 5',
        mix: parts(['perennial-ryegrass', 80], ['annual-ryegrass', 20]),
      }).titles,
    ).toEqual([])
  })
  it('Juvena’s own mix typed in loses nothing', () => {
    for (const change of [
      { ...bare },
      { ...bare, sunHours: 3.4, wear: 'low' as const },
      { ...bare, wear: 'high' as const, sunHours: 8 },
    ]) {
      const own = planned(change).zones[0]!.seed!.mix.map(({ grass, share }) => ({ grass, share }))
      expect(said({ ...change, mix: own }).judged).toMatchObject({ loses: 0, verdict: 'good' })
    }
  })
})

describe('what was weighed besides', () => {
  it('the best mix without each grass loses something or nothing, never gains, and does not hold it', () => {
    const { chosen } = planned(bare).zones[0]!.seed!
    expect(chosen.without.length).toBeGreaterThan(1)
    for (const w of chosen.without) {
      expect(w.loses).toBeGreaterThanOrEqual(0)
      expect(w.parts.map((p) => p.grass)).not.toContain(w.grass)
    }
  })
  it('the rule of thumb stands beside a cool mix and never gains; warm grass has none', () => {
    const cool = planned({ ...bare, wear: 'high', sunHours: 8 }).zones[0]!.seed!.chosen
    expect(cool.thumb!.loses).toBeGreaterThanOrEqual(0)
    expect(cool.thumb!.parts).toEqual(
      parts(['perennial-ryegrass', 70], ['creeping-red-fescue', 30]),
    )
    expect(
      planned({ ...bare, sunHours: 9, heightOfCut: 30 }, HOT, '2027-05-10').zones[0]!.seed!.chosen
        .thumb,
    ).toBeNull()
  })
  it('what lies on the shelf: the best mix of it, and a bag of several grasses judged for the zone', () => {
    const lot = (id: string, ...of: [string, number][]) => ({
      id,
      lot: seedLotSchema.parse({
        number: id,
        parts: of.map(([grass, pure]) => ({ grass, cultivar: 'x', pure, germination: 85 })),
        tested: '2026-12-01',
      }),
      shelf: shelfOf([
        stockMovement.parse({
          id: `received-${id}`,
          lot: id,
          kind: 'received',
          kg: 20,
          on: '2027-01-02',
        }),
      ]),
    })
    const stock = [
      lot('a-rye', ['perennial-ryegrass', 98]),
      lot('b-fescue', ['creeping-red-fescue', 98]),
      lot('c-mix', ['perennial-ryegrass', 60], ['kentucky-bluegrass', 38]),
      lot('d-bent', ['perennial-ryegrass', 60], ['browntop', 38]),
    ]
    const z = planned(bare, {}, '2027-01-20', { stock }).zones[0]!
    expect(z.seed!.chosen.shelf!.parts.map((p) => p.grass).sort()).toEqual([
      'creeping-red-fescue',
      'perennial-ryegrass',
    ])
    expect(z.seed!.chosen.shelf!.loses).toBeGreaterThanOrEqual(0)
    expect(z.bags.map((b) => b.lot)).toEqual(['c-mix', 'd-bent'])
    expect(z.bags[0]!.loses!).toBeLessThan(z.bags[1]!.loses!)
    expect(z.bags[1]!.says).toContain('browntop')
    // Nothing on the shelf: nothing offered from it.
    expect(planned(bare).zones[0]!.seed!.chosen.shelf).toBeNull()
  })
})

describe('what is there leads, unless', () => {
  const leads = (change: Partial<ZoneDraft>) => planned(change).zones[0]!.seed!.chosen.leads
  it.each<[string, Partial<ZoneDraft>, RegExp]>([
    ['it stands well', {}, /What is there leads: rye/],
    ['it hardly gets its light', { sunHours: 4.1 }, /hardly gets the light/],
    [
      'disease is active in it',
      { diseases: [{ kind: 'red-thread', active: true }] },
      /Disease is active/,
    ],
    [
      'it does not bear the wear',
      { present: ['creeping-red-fescue'], wear: 'high' },
      /does not bear the wear/,
    ],
    [
      'hard wear is an aim',
      { present: ['creeping-red-fescue'], wear: 'low' },
      /What is there leads/,
    ],
    [
      'it is too dark for it',
      { sunHours: 3.2, approach: 'overseed', cover: { wanted: 25, weeds: 30, moss: 20, bare: 25 } },
      /Not more of rye: .*4 h of sun/,
    ],
    ['the old sward goes', { incurable: 60 }, /The old sward goes/],
    [
      'too little of it stands',
      { cover: { wanted: 20, weeds: 40, moss: 0, bare: 40 } },
      /Too little stands/,
    ],
  ])('%s', (_, change, words) => expect(leads(change)).toMatch(words))
})
