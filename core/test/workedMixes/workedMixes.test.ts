import { describe, expect, it } from 'vitest'
import { planOf, SOUTH, zone } from '../makeJob.ts'
import { MIXES, type WorkedMix } from './mixes.ts'

const PLACES = {
  mild: { site: SOUTH, today: '2027-02-01' },
  cold: {
    site: { latitude: 45, longitude: -90, frost: '10 Oct', sea: '900 km' },
    today: '2027-07-25',
  },
  between: {
    site: { latitude: 36, longitude: -85, frost: '1 Nov', sea: '600 km' },
    today: '2027-08-10',
  },
  hot: { site: { latitude: 29, longitude: -82, frost: '15 Dec' }, today: '2027-05-10' },
}
const planned = ({ zone: change, place = 'mild', job, today }: WorkedMix) =>
  planOf(
    { site: PLACES[place].site, zones: [zone(change)], ...job },
    { today: today ?? PLACES[place].today },
  )

describe('what goes in the bag, as a foreman would have it (common practice)', () => {
  it.each(MIXES)('$name: $because', (worked) => {
    const plan = planned(worked)
    const z = plan.zones[0]!
    const mix = z.seed?.mix.map((m) => m.grass) ?? []
    if (worked.set || worked.nothing) expect(z.seed).toBeNull()
    else expect(mix.length).toBeGreaterThan(0)
    if (worked.set) expect(plan.steps.some((s) => s.kind === worked.set)).toBe(true)
    if (worked.nothing) expect(z.nothing).toMatch(worked.nothing)
    for (const g of worked.has) expect(mix).toContain(g)
    for (const g of worked.hasNot ?? []) expect(mix).not.toContain(g)
    for (const [grass, why] of Object.entries(worked.why ?? {}))
      expect(z.seed!.mix.find((m) => m.grass === grass)?.reason).toMatch(why)
    if (worked.only) expect([...mix].sort()).toEqual([...worked.has].sort())
  })
  it('a nurse grass takes its 15 % of all, in steps of 5 %: 80 and 20 of the rest are 68 and 17, so 70 and 15 (by hand)', () => {
    const mixOf = (name: string) =>
      Object.fromEntries(
        planned(MIXES.find((m) => m.name === name)!).zones[0]!.seed!.mix.map((m) => [
          m.grass,
          m.share,
        ]),
      )
    expect(mixOf('level ground')).toEqual({ 'perennial-ryegrass': 80, 'kentucky-bluegrass': 20 })
    expect(mixOf('a bare bank')).toEqual({
      'perennial-ryegrass': 70,
      'kentucky-bluegrass': 15,
      'annual-ryegrass': 15,
    })
  })
  it('a grass at its most in company says so, and only that one', () => {
    const { suggested } = planned(MIXES.find((m) => m.name === 'level ground')!).zones[0]!
    expect(suggested.map((p) => [p.grass, p.limit])).toEqual([
      ['perennial-ryegrass', 'at most 80 % in company'],
      ['kentucky-bluegrass', undefined],
    ])
  })
  it('the mix that a rule of thumb gives stands beside, and is never worth more', () => {
    const bare = { cover: { wanted: 0, weeds: 5, moss: 0, bare: 95 }, present: [] }
    const thumb = (change: object) =>
      planOf({ site: SOUTH, zones: [zone({ ...bare, ...change })] }, { today: '2027-02-01' })
        .zones[0]!.seed!.chosen.thumb!
    const parts = (change: object) => thumb(change).parts.map((p) => `${p.grass} ${p.share}`)
    expect(parts({})).toEqual(['perennial-ryegrass 70', 'creeping-red-fescue 30'])
    expect(parts({ sunHours: 4.4 })).toEqual(['creeping-red-fescue 80', 'perennial-ryegrass 20'])
    expect(parts({ heightOfCut: 15, mower: 'reel' })).toEqual(['chewings-fescue 80', 'browntop 20'])
    for (const change of [{}, { sunHours: 4.4 }, { heightOfCut: 15, mower: 'reel' }])
      expect(thumb(change).loses).toBeGreaterThanOrEqual(0)
  })
  it('every grass in a bag says why, and every grass left out says why not', () => {
    for (const worked of MIXES)
      for (const z of planned(worked).zones) {
        if (!z.seed) continue
        for (const m of z.seed.mix)
          expect(m.reason.length, `${worked.name}: ${m.grass}`).toBeGreaterThan(10)
        for (const l of z.seed.chosen.left)
          expect(l.against.length, `${worked.name}: ${l.grass}`).toBeGreaterThan(10)
      }
  })
})
