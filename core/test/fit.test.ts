import { describe, expect, it } from 'vitest'
import type { JobDraft, ZoneDraft } from '../src/entities/job.ts'
import { GRASSES } from '../src/reference/grasses.ts'
import { fitValues } from '../src/seed/fit/fit.ts'
import { FIT_PARTS } from '../src/seed/fit/parts.ts'
import { planOf, SOUTH, zone } from './makeJob.ts'
import { climateAt } from './makePlace.ts'

/**
 * The parts of a fit, each worked again by hand from the table of grasses (Juvena's model; the
 * table is common practice).
 */
const RYE = GRASSES['perennial-ryegrass']!
const BLUE = GRASSES['kentucky-bluegrass']!
const BEARS = { low: 0.1, 'low-mid': 0.35, mid: 0.6, high: 1 }
const fits = (change: Partial<ZoneDraft>, job: Partial<JobDraft> = {}, today = '2027-02-01') =>
  planOf(
    { zones: [zone({ present: ['perennial-ryegrass', 'kentucky-bluegrass'], ...change })], ...job },
    { today },
  ).zones[0]!.seed!.chosen.fits
const part = (
  of: string,
  change: Partial<ZoneDraft>,
  job: Partial<JobDraft> = {},
  grass = RYE.id,
) =>
  fits(change, job)
    .find((f) => f.grass === grass)
    ?.parts.find((p) => p.part === of)

describe('a part of the fit', () => {
  it('weighs as the firm has it; where nothing weighs, all fit alike', () => {
    const score = (weights: Record<string, number>) => {
      const firm = {
        values: Object.fromEntries(Object.entries(weights).map(([k, v]) => [`fit.${k}`, v])),
      }
      const plan = planOf({ zones: [zone({ ph: RYE.ph[0] - 0.5, thatch: 20 })] }, { firm })
      return plan.figures[`zone:z1.seed.fit.${RYE.id}`]!.value
    }
    const none = Object.fromEntries(FIT_PARTS.map((part) => [part, 0]))
    expect(score(none)).toBe(100)
    // Soil 75 weighs three times as much as thatch 100.
    expect(score({ ...none, soil: 3, thatch: 1 })).toBeCloseTo((3 * 75 + 100) / 4, 0)
  })
  it('soil: in its range it fits, each half of a pH off costs a quarter', () => {
    const [low, high] = RYE.ph
    expect(part('soil', { ph: low })).toMatchObject({
      rating: 100,
      says: expect.not.stringContaining('here') as string,
    })
    expect(part('soil', { ph: low - 0.5 })).toMatchObject({
      rating: 75,
      says: expect.stringContaining('here it is') as string,
    })
    expect(part('soil', { ph: high + 1 })!.rating).toBeCloseTo(50, 9)
    expect(part('soil', { ph: null })).toBeUndefined()
    expect(part('soil', { ph: low - 0.5 })!.says).toBe(
      `likes pH ${low} to ${high}; here it is ${low - 0.5}`,
    )
  })
  it('match: its own kind in another leaf is more than half of a match; a stranger loses by leaf, colour and habit', () => {
    const among = (present: string[], grass: string) => part('match', { present }, {}, grass)
    expect(among(['perennial-ryegrass'], RYE.id)).toMatchObject({
      rating: 100,
      says: 'already there, so leaf and colour match',
    })
    expect(among(['shade-ryegrass'], RYE.id)).toMatchObject({
      rating: 60,
      says: expect.stringContaining('of the kind') as string,
    })
    expect(among(['kentucky-bluegrass'], RYE.id)!.says).not.toContain('of the kind')
  })
  it('match: a stranger loses 45 for a leaf so broad that it stands out, 30 for its winter, 15 for its colour, 5 for its habit', () => {
    const bare = { cover: { wanted: 55, weeds: 20, moss: 5, bare: 20 } }
    const pairs = [['kentucky-bluegrass', RYE.id], ['tall-fescue', 'shade-ryegrass'], ['creeping-red-fescue', RYE.id], ['browntop', BLUE.id], ['hard-fescue', 'chewings-fescue'], ['rough-bluegrass', RYE.id]] as const // prettier-ignore
    for (const [there, sown] of pairs) {
      const [a, b] = [GRASSES[there]!, GRASSES[sown]!]
      const off = Math.abs(Math.log(b.leaf / a.leaf)) / Math.log(fitValues.coarse.is)
      const lost =
        0.15 +
        0.45 * off +
        (a.winter === b.winter ? 0 : 0.3) +
        (a.colour === b.colour ? 0 : 0.15) +
        (a.spreads === b.spreads ? 0 : 0.05)
      const found = part('match', { present: [there], ...bare }, {}, sown)
      if (!found) throw new Error(`${sown} is not judged beside ${there}`)
      expect(found.rating, `${sown} into ${there}`).toBeCloseTo(100 * Math.max(0, 1 - lost), 9)
      const says =
        a.winter !== b.winter
          ? /in winter/
          : off < 1
            ? /^near/
            : b.leaf > a.leaf
              ? /broader leaf .* years/
              : /finer leaf/
      expect(found.says, `${sown} into ${there}`).toMatch(says)
    }
    // Of two that stand there the one nearest in leaf is held beside it.
    const both = part('match', { present: ['rough-bluegrass', 'browntop'], ...bare }, {}, RYE.id)!
    expect(both.says).toContain('rough bluegrass')
  })
  it('light: at its least it just lives, at ease it is 100, and between them by the hour', () => {
    const [least, good] = [RYE.sunLeast, RYE.sunGood]
    const at = (sunHours: number) => part('light', { sunHours })!
    const just = fitValues.justEnough.is
    expect(at(least).rating).toBeCloseTo(just, 9)
    expect(at((3 * least + good) / 4).rating).toBeCloseTo(just + (100 - just) / 4, 9)
    expect(at(good)).toMatchObject({
      rating: 100,
      says: `at ease with ${good} h of sun; here it gets ${good} h`,
    })
    expect(at(least).says).toBe(
      `lives on ${least} h of sun, at ease with ${good} h; here it gets ${least} h`,
    )
  })
  it('shade ryegrass is for the shade: from 5 h of sun on it is left out; what is cut too low for any grass is no matter of shade', () => {
    const left = (sunHours: number) =>
      planOf({
        zones: [
          zone({ sunHours, present: [], cover: { wanted: 0, weeds: 0, moss: 0, bare: 100 } }),
        ],
      }).zones[0]!.seed!.chosen.left.find((l) => l.grass === 'shade-ryegrass')?.against
    expect(left(5)).toContain('bred for shade')
    expect(left(4.9) ?? '').not.toContain('bred for shade')
    const shorn = planOf({
      zones: [
        zone({
          heightOfCut: 2,
          mower: 'reel',
          present: [],
          cover: { wanted: 0, weeds: 0, moss: 0, bare: 100 },
        }),
      ],
    }).zones[0]!
    expect([shorn.seed, String(shorn.nothing)]).toEqual([
      null,
      expect.not.stringContaining('shade ryegrass'),
    ])
  })
  it('wear: what is asked for more than it bears is lost; a lawn of which nobody said is taken for a family’s', () => {
    expect(part('wear', { wear: 'high' })).toMatchObject({
      rating: 100,
      says: expect.stringMatching(/^bears/) as string,
    })
    const fescue = GRASSES['creeping-red-fescue']!
    const weak = part('wear', { wear: null, present: [fescue.id] }, {}, fescue.id)!
    expect(weak.rating).toBeCloseTo(100 * (1 - (0.6 - BEARS[fescue.wear])), 9)
    expect(weak.says).toBe('it bears less wear than “family and garden”')
  })
  it('cut: each per cent under its lowest costs two, each over its highest one; under 70 % of the lowest it is not sown at all', () => {
    const [low, high] = RYE.cut
    const at = (heightOfCut: number) => part('cut', { heightOfCut, mower: 'reel', present: [] })!
    expect([at(low).rating, at(high).rating]).toEqual([100, 100])
    expect(at(low * 0.9)).toMatchObject({
      says: expect.stringContaining(RYE.cutFails[0]) as string,
    })
    expect(at(low * 0.9).rating).toBeCloseTo(80, 9)
    expect(at(high * 1.2)).toMatchObject({
      says: expect.stringContaining(RYE.cutFails[1]) as string,
    })
    expect(at(high * 1.2).rating).toBeCloseTo(80, 9)
    const sown = [{ grass: RYE.id, share: 100 }]
    const left = (heightOfCut: number) =>
      planOf({
        zones: [zone({ heightOfCut, mower: 'reel', present: [], mix: sown as never })],
      }).notices.every((n) => !n.title.includes('does not fit'))
    expect([left((low * 70) / 100), left((low * 70) / 100 - 0.1)]).toEqual([true, false])
  })
  it('water: sand asks for 35 more than the 20 of any ground, a slope for 25, nobody to water for 40', () => {
    const of = (asked: number) => 100 * (1 - Math.max(0, Math.min(1, asked) - BEARS[RYE.drought]))
    const rating = (change: Partial<ZoneDraft>, job: Partial<JobDraft> = {}) =>
      part('water', change, job)!.rating
    expect(rating({})).toBeCloseTo(of(0.2), 9)
    expect(rating({ texture: 'sand' })).toBeCloseTo(of(0.55), 9)
    expect(rating({ texture: 'sand', slope: '15 %' })).toBeCloseTo(of(0.8), 9)
    expect(rating({ slope: '15 %' }, { waterer: '' })).toBeCloseTo(of(0.85), 9)
    expect(rating({ texture: 'sand', slope: '15 %' }, { waterer: '' })).toBeCloseTo(of(1), 9)
    expect(part('water', {})!.says).toBe('watered')
    expect(part('water', { texture: 'sand', slope: '15 %' })!.says).toBe(
      'it stands less drought than this ground asks: sand, a slope',
    )
  })
  it('wet: ground that ponds asks for all of it, damp ground for three fifths, dry for nothing', () => {
    const short = (asked: number) => 100 * (1 - Math.max(0, asked - BEARS[RYE.wet]))
    expect(part('wet', { ponding: 2 })!.rating).toBeCloseTo(short(1), 9)
    expect(part('wet', { damp: 'wet' })!.rating).toBeCloseTo(short(0.6), 9)
    expect(part('wet', {})).toBeUndefined()
    expect(part('wet', { ponding: 2 })!.says).toBe(
      short(1) >= 100 ? 'stands wet feet' : 'it does not stand ground as wet as this',
    )
  })
  it('thatch: over the fine line, what builds it loses and what does not stays', () => {
    expect(part('thatch', { thatch: 12 })).toBeUndefined()
    expect(part('thatch', { thatch: 20 })).toMatchObject({
      rating: 100,
      says: 'adds little thatch',
    })
    const blue = part('thatch', { thatch: 20 }, {}, BLUE.id)!
    expect(blue.rating).toBeCloseTo(100 * (1 - (0.9 - BEARS.low)), 9)
    expect(blue.says).toBe('it builds thatch, and there is enough of that')
    expect(
      part('thatch', { thatch: 20, cover: { wanted: 5, weeds: 5, moss: 0, bare: 90 } }),
    ).toBeUndefined()
  })
  it('aims: each that is asked for counts alike, and the one served worst is told', () => {
    const feed = (RYE.nitrogen![0] + RYE.nitrogen![1]) / 2
    const upkeep = (Math.min(1, Math.max(0, 1 - (feed - 5) / 15)) + BEARS[RYE.drought]) / 2
    expect(part('aims', {})).toBeUndefined()
    expect(part('aims', {}, { aims: ['low-upkeep'] })!.rating).toBeCloseTo(100 * upkeep, 9)
    const both = part('aims', {}, { aims: ['low-upkeep', 'hard-wear', 'thicker'] })!
    expect(both.rating).toBeCloseTo((100 * (upkeep + BEARS[RYE.wear] + 1)) / 3, 9)
    expect(both.says).toContain('little upkeep')
    expect(part('aims', {}, { aims: ['level'] })!.rating).toBe(100)
  })
  it('mending and speed go by the table', () => {
    expect(part('mending', {})).toMatchObject({
      rating: 70,
      says: 'stands in bunches and does not knit',
    })
    expect(part('mending', {}, {}, BLUE.id)!.rating).toBeCloseTo(
      80 + 20 * Math.min(1, BLUE.creeps / 4),
      9,
    )
    expect(part('speed', {})!.rating).toBeCloseTo(
      100 * Math.min(1, 1 - (RYE.weeksToUse[0] - 6) / 20),
      9,
    )
    expect(part('speed', {})!.says).toBe(
      `bears use ${RYE.weeksToUse[0]}–${RYE.weeksToUse[1]} weeks from sowing`,
    )
    expect(part('speed', {}, {}, BLUE.id)!.rating).toBeCloseTo(
      100 * (1 - (BLUE.weeksToUse[0] - 6) / 20),
      9,
    )
  })
  it('winter cold and summer heat go by the coldest and the warmest day of the usual year', () => {
    const site = { latitude: 47, longitude: -90, frost: '1 Oct', sea: '900 km' }
    const { place } = climateAt({ latitude: 47, frost: '1 Oct', sea: '900 km' }, '2027-07-10')
    const v = (id: 'coldFrom' | 'coldTo' | 'hotFrom' | 'hotTo') => fitValues[id].is
    const at = (x: number, from: number, to: number) =>
      Math.min(1, Math.max(0, (x - from) / (to - from)))
    const night = at(Math.round(place.low[place.coldest]!), v('coldFrom'), v('coldTo'))
    const day = at(Math.round(place.high[place.warmest]!), v('hotFrom'), v('hotTo'))
    const parts = fits({}, { site }, '2027-07-10').find((f) => f.grass === RYE.id)!.parts
    const rating = (name: string) => parts.find((p) => p.part === name)!.rating
    expect(night).toBeGreaterThan(0.3)
    expect(rating('cold')).toBeCloseTo(100 * (1 - Math.max(0, night - BEARS[RYE.cold])), 6)
    expect(rating('heat')).toBeCloseTo(
      day <= 0 ? 100 : 100 * (1 - Math.max(0, day - BEARS[RYE.heat])),
      6,
    )
    expect(parts.find((p) => p.part === 'cold')!.says).toMatch(
      rating('cold') >= 100 ? /^stands/ : /^suffers/,
    )
    expect(part('cold', {}, { site: SOUTH })!.rating).toBeGreaterThanOrEqual(rating('cold'))
    // Rye in a mild winter: nothing to suffer from.
    expect(part('cold', {}, { site: { ...SOUTH, latitude: -38, frost: '20 Jun' } })).toMatchObject({
      rating: 100,
      says: expect.stringMatching(/^stands winter nights/) as string,
    })
  })
})
