import { describe, expect, it } from 'vitest'
import type { JobDraft, ZoneDraft } from '../src/entities/job.ts'
import { LADDER } from '../src/work/presets.ts'
import { OPERATIONS } from '../src/reference/operations.ts'
import { defaultFirm } from '../src/entities/firm.ts'
import { readJob } from '../src/entities/job.ts'
import { sure } from '../src/quantities/sure.ts'
import { waysOfJob } from '../src/waysOfJob.ts'
import { draft, planOf, TODAY, zone } from './makeJob.ts'

/** The year's lines are common practice or Juvena's model; each is tried on both of its sides. */
const cover = (wanted: number, bare: number, weeds = 100 - wanted - bare) => ({
  cover: { wanted, weeds, moss: 0, bare },
})
const WARM = { latitude: 34, longitude: -84, frost: '10 Nov' }
const COUCH = { present: ['bermudagrass'], heightOfCut: 40, sunHours: 8 }
const chosen = (z: Partial<ZoneDraft>, job: Partial<JobDraft> = {}, today = TODAY) =>
  sure(planOf({ ...job, zones: [zone(z)] }, { today }).zones[0]).approach.chosen

describe('a line belongs to the side that is named', () => {
  it.each<[string, Partial<ZoneDraft>, string, Partial<ZoneDraft>, string]>([
    ['30 % stands', cover(30, 20), 'overseed', cover(29, 20), 'sow-new'],
    [
      '40 % incurable',
      { ...cover(45, 5), incurable: 40 },
      'renovate',
      { ...cover(45, 5), incurable: 39 },
      'overseed',
    ],
    ['85 % is no thin sward', cover(85, 10), 'mend', cover(84, 10), 'overseed'],
    ['3 % bare is spots to mend', cover(92, 3), 'mend', cover(92, 2), 'care'],
    [
      '5 % incurable is dug out and sown',
      { ...cover(93, 0), incurable: 5 },
      'mend',
      { ...cover(93, 0), incurable: 4 },
      'care',
    ],
    [
      '2 h of sun is marginal, where no seed lasts; less is dark',
      { ...cover(10, 80), sunHours: 2, present: [] },
      'care',
      { ...cover(10, 80), sunHours: 1.9, present: [] },
      'leave',
    ],
    [
      'what covers 30 % lives there in any light',
      { ...cover(30, 60), sunHours: 1.5 },
      'overseed',
      { ...cover(29, 60), sunHours: 1.5 },
      'leave',
    ],
  ])('%s', (_, one, its, other, others) => {
    expect([chosen(one), chosen(other)]).toEqual([its, others])
  })
  it('warm turf that spreads closes a tenth by itself, and not more', () => {
    const warm = (bare: number) =>
      chosen({ ...COUCH, ...cover(88, bare) }, { site: WARM }, '2027-05-10')
    expect([warm(9), warm(10)]).toEqual(['care', 'mend'])
  })
  it('turf without seed is set with its own runners, thin or far gone', () => {
    const tuft = (wanted: number) =>
      chosen(
        { present: ['st-augustine'], heightOfCut: 75, ...cover(wanted, 95 - wanted) },
        { site: WARM },
        '2027-05-10',
      )
    expect([20, 60, 85, 86].map(tuft)).toEqual(['plugs', 'plugs', 'plugs', 'care'])
  })
  it('lows, and the wish for level ground where lows were measured, ask for soil', () => {
    const even = { ...cover(60, 20), heightOfCut: 60, lowsShare: 20 }
    const aims = { aims: ['level'] as const }
    expect(chosen({ ...even, lowsDepth: 8 })).toBe('overseed')
    expect(chosen({ ...even, lowsDepth: 8 }, { aims: [...aims.aims] })).toBe('overseed-level')
    expect(chosen({ ...even, lowsShare: null }, { aims: [...aims.aims] })).toBe('overseed')
    expect(chosen({ ...even, lowsDepth: 30 })).toBe('overseed-level')
  })
  it('who asks for one patch gets the patch, also on a thin lawn with something bare', () => {
    const patch = { aims: ['mend-patch' as const] }
    expect(chosen(cover(60, 20), patch)).toBe('mend')
    expect(chosen(cover(60, 0), patch)).toBe('overseed')
    expect(chosen(cover(96, 0), patch)).toBe('mend')
  })
})

function waysOf(z: Partial<ZoneDraft>, job: Partial<JobDraft> = {}, today = TODAY) {
  const read = sure(readJob(draft({ ...job, zones: [zone(z)] })).job)
  return sure(waysOfJob(read, { today, firm: defaultFirm(), diary: [] }).z1)
}
const names = (...of: Parameters<typeof waysOf>) => waysOf(...of).map((w) => w.approach)

describe('the ways beside it', () => {
  it('begin with what is suggested, then two gentler ones, the nearest first', () => {
    const ways = names(cover(55, 20))
    const at = LADDER.indexOf('overseed')
    expect(ways[0]).toBe('overseed')
    expect(LADDER.indexOf(sure(ways[1]))).toBeLessThan(at)
    expect(LADDER.indexOf(sure(ways[2]))).toBeLessThan(LADDER.indexOf(sure(ways[1])))
    expect(new Set(ways).size).toBe(ways.length)
  })
  it('what a person chose stands among them, however far it lies', () => {
    expect(names({ ...cover(55, 20), approach: 'winter-green' })).toContain('winter-green')
    expect(names({ ...cover(55, 20), approach: 'winter-green' })[0]).toBe('overseed')
  })
  it.each<[string, Partial<ZoneDraft>, readonly string[], readonly string[]]>([
    ['nothing left standing', cover(14, 80), ['sow-new', 'hold-over', 'returf'], ['leave', 'overseed', 'mend', 'level']],
    ['15 % is a sward still', cover(15, 80), ['overseed', 'leave', 'care'], ['level', 'mend']],
    ['60 % with something bare can be mended', cover(60, 5), ['mend'], ['sow-new', 'renovate']],
    ['59 % cannot', cover(59, 5), ['overseed'], ['mend']],
    ['nothing bare, nothing to mend', cover(70, 0), ['overseed'], ['mend']],
    ['lows that were measured may be levelled', { ...cover(55, 20), lowsDepth: 6, lowsShare: 10 }, ['level', 'overseed-level'], []],
    ['incurable weeds under a sward', { ...cover(45, 5), incurable: 45 }, ['renovate', 'returf', 'overseed'], ['sow-new']],
    ['incurable weeds and no sward', { ...cover(10, 5), incurable: 60 }, ['renovate'], ['sow-new', 'overseed']],
    ['the dark under a thin sward', { ...cover(20, 60), sunHours: 1, present: [] }, ['leave', 'care'], ['overseed', 'sow-new', 'mend']],
  ])('%s', (_, z, there, not) => {
    const ways = names(z)
    for (const way of there) expect(ways).toContain(way)
    for (const way of not) expect(ways).not.toContain(way)
  }) // prettier-ignore
  it('couch may be blended or sown green for the winter; cool turf and turf of runners alone may not', () => {
    const both = names({ ...COUCH, ...cover(60, 20) }, { site: WARM }, '2027-09-10')
    expect(both).toEqual(expect.arrayContaining(['blend', 'winter-green', 'plugs']))
    const runners = names(
      { present: ['st-augustine'], heightOfCut: 75, ...cover(60, 20) },
      { site: WARM },
      '2027-09-10',
    )
    for (const way of ['blend', 'winter-green', 'overseed', 'mend'])
      expect(runners).not.toContain(way)
    for (const way of ['blend', 'winter-green', 'plugs'])
      expect(names(cover(60, 20))).not.toContain(way)
  })
  it('a wish for another grass stands beside killing what is there', () => {
    const ways = names({ ...cover(60, 20), target: 'tall-fescue' })
    expect(ways[0]).toBe('overseed')
    expect(ways.filter((w) => LADDER.indexOf(w) > LADDER.indexOf('overseed'))[0]).toBe('renovate')
  })
  it('are dear or cheap by their hours beside what is suggested, a quarter hour being none', () => {
    const ways = waysOf({ ...cover(55, 20), approach: 'renovate' })
    const base = sure(ways.find((w) => w.fit === 'suggested'))
    expect(base.approach).toBe('overseed')
    for (const w of ways.filter((x) => x !== base)) {
      const apart = w.hours - base.hours
      expect(w.fit).toBe(apart < -0.25 ? 'cheaper' : apart > 0.25 ? 'dearer' : 'possible')
    }
    expect(new Set(ways.map((w) => w.fit)).size).toBeGreaterThan(2)
  })
  it('take a visit, one for each day that must be its own, and one for every day the people fill', () => {
    const big = waysOf({ ...cover(55, 20), area: 4000 })
    const small = waysOf({ ...cover(55, 20), area: 20 })
    // Two people for eight hours, where the firm says nothing.
    const full = (hours: number) => Math.floor(hours / 16)
    for (const [list, other] of [
      [big, small],
      [small, big],
    ] as const)
      for (const w of list) {
        const own = sure(other.find((x) => x.approach === w.approach))
        const fixed = w.visits - full(w.hours)
        expect(fixed).toBe(own.visits - full(own.hours))
        expect(fixed).toBeGreaterThanOrEqual(1)
      }
    // Two kills, on days of their own, beside the day on site.
    const kills = sure(small.concat(waysOf({ ...cover(45, 5), incurable: 45 })).find((w) => w.approach === 'renovate')) // prettier-ignore
    expect(kills.visits).toBeGreaterThanOrEqual(3)
  })
  it('more and less are what one does and the other does not', () => {
    const ways = waysOf(cover(55, 20))
    const standing = sure(ways.find((w) => w.approach === 'overseed'))
    expect([standing.more, standing.less]).toEqual([[], []])
    const leave = sure(ways.find((w) => w.approach === 'leave'))
    expect(leave.less).toContain('sow')
    expect(leave.more).not.toContain('sow')
    expect(leave.less.every((k) => k in OPERATIONS)).toBe(true)
  })
})
