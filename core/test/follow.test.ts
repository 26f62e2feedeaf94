import { describe, expect, it } from 'vitest'
import { addDays, daysBetween, weekday, dayNumber } from '../src/calendar/day.ts'
import { growthPotential, growthValues } from '../src/climate/growth.ts'
import { judgedFrom } from '../src/establish/emergence.ts'
import { mowBand } from '../src/establish/firstMow.ts'
import { GRASSES } from '../src/reference/grasses.ts'
import { declared, planOf, SOUTH, step, zone } from './makeJob.ts'

/**
 * What follows the work, its dates worked out again by hand from the days the plan gives. Weeks to
 * use, days of watering, lags: common practice.
 */
const bandOf = (value: unknown) => value as { low: string; high: string }
/** The day itself, or the Monday after it. */
const working = (day: string) =>
  addDays(day, [0, 0, 0, 0, 0, 2, 1][(weekday(dayNumber(day)) + 6) % 7]!)
const follow = (zones: object[], more: object = {}, options = {}) =>
  planOf({ zones: zones as never, ...more }, options)

describe('after a sowing', () => {
  const plan = follow([zone()])
  const f = plan.follow.packages[0]!
  const sown = f.sown
  it('the seedbed is watered until the slowest is up, grown on until the seedlings are mown, then settled', () => {
    const slowest = f.up.map((u) => bandOf(u.figure.value).high).sort().at(-1)! // prettier-ignore
    expect(f.handOver!.value).toBe(slowest)
    const mown = bandOf(f.seedlingsMown!.value).low
    expect(mown > addDays(slowest, 9), mown).toBe(true)
    expect(f.phases).toEqual({
      growing: { from: addDays(slowest, 1), to: addDays(mown, -1) },
      settled: mown,
    })
    expect(f.wateringDays!.value).toBe(daysBetween(sown, slowest))
    // The haze is that of the quickest grass: half of it is up within its band.
    const quick = f.up.map((u) => bandOf(u.figure.value)).sort((a, b) => a.low.localeCompare(b.low))[0]! // prettier-ignore
    expect(f.haze! > quick.low && f.haze! < quick.high, f.haze!).toBe(true)
  })
  it('a sward is mown on from the early end of its band, then weekly, each after a day without water', () => {
    const { low, high } = bandOf(f.mowBand!.value)
    const mows = plan.steps.filter((s) => s.kind === 'first-mow' || s.kind === 'mow-weekly')
    const first = working(low)
    expect(mows.map((s) => s.chosen)).toEqual([
      first,
      ...[1, 2, 3].map((w) => working(addDays(first, 7 * w))),
    ])
    // While seed still comes up it is not left dry for a day: it is watered once it is mown.
    const seedUp = String(f.handOver!.value)
    expect(f.dryDays).toEqual(
      mows.filter((s) => s.chosen > seedUp).map((s) => addDays(s.chosen, -1)),
    )
    expect(f.mownFirst).toEqual(mows.filter((s) => s.chosen <= seedUp).map((s) => s.chosen))
    expect(mows.map((s) => s.name)).toEqual([expect.not.stringMatching(/, \d/), expect.not.stringMatching(/, \d/), expect.stringMatching(/, 2$/), expect.stringMatching(/, 3$/)]) // prettier-ignore
    expect(mows.map((s) => [s.earliest, s.latest])).toEqual([[low, high], [null, null], [null, null], [null, null]]) // prettier-ignore
    expect(mows[0]!.how).toMatch(/^when it stands/)
    expect(mows[1]!.how).toBe('to 40 mm')
  })
  it('where zones are cut at two heights, each is named with its own', () => {
    const two = follow([zone(), zone({ id: 'z2', name: 'Back', heightOfCut: 30 })])
    const mow = two.steps.find((s) => s.kind === 'mow-weekly')!
    if (mow.zones.length === 2) expect(mow.how).toBe('Lawn: to 40 mm; Back: to 30 mm')
    else
      expect(two.steps.filter((s) => s.kind === 'mow-weekly').map((s) => s.how)).toEqual(
        expect.arrayContaining(['to 40 mm', 'to 30 mm']) as string[],
      )
    expect(step(two, 'first-mow')!.how).not.toBe(step(plan, 'first-mow')!.how)
  })
  it('a living sward is mown before seedlings on bare ground are: its leaf stands already', () => {
    const until = (cover: object) => {
      const { sown: day, mowBand: band } = follow([zone({ cover: cover as never })]).follow
        .packages[0]!
      return daysBetween(day, bandOf(band!.value).low)
    }
    const [over, bare] = [
      until({ wanted: 55, weeds: 20, moss: 5, bare: 20 }),
      until({ wanted: 5, weeds: 0, moss: 0, bare: 95 }),
    ]
    expect(over).toBeLessThan(bare - 7)
  })
  it('no further lift of a dressing before seedlings are mown twice, nor outside the seasons of turf (common practice)', () => {
    const thin = zone({ cover: { wanted: 80, weeds: 5, moss: 0, bare: 15 } })
    const days = (today: string) => {
      const p = planOf({ dressing: { depth: '18 mm', kind: 'topsoil' }, zones: [thin] }, { today })
      return {
        mow: bandOf(p.follow.packages[0]!.seedlingsMown!.value),
        dressed: step(p, 'dress')!.chosen,
        again: p.steps.filter((s) => s.kind === 'dress-again').map((s) => s.chosen),
      }
    }
    for (const today of ['2027-02-22', '2026-10-01']) {
      const { mow, dressed, again } = days(today)
      // Two mows after that of the seedlings, a week apart, and four weeks after the dressing.
      const mown = addDays(mow.low, Math.round(daysBetween(mow.low, mow.high) / 2) + 14)
      expect(again[0]! >= mown && again[0]! >= addDays(dressed, 28), again[0]).toBe(true)
      // Neither in winter nor in high summer, nor within five weeks of killing frost on 25 April.
      for (const day of again)
        expect(/-(0[4-8]|01)-/.test(day) || (day >= '2027-03-22' && day < '2027-09-01'), day).toBe(
          false,
        )
    }
    const [first] = days('2027-02-22').again
    expect(first! >= '2027-09-01', first).toBe(true)
  })
  it('the one-month visit, and what a pin or a tick makes of it', () => {
    expect(step(plan, 'visit')!.chosen).toBe(working(addDays(sown, 30)))
    const pinned = follow([zone()], { pins: { 'visit/z1': '2027-04-12' } })
    expect([step(pinned, 'visit')!.chosen, step(pinned, 'visit')!.state]).toEqual([
      '2027-04-12',
      'pinned',
    ])
  })
  it('looks right when the slowest grass of the slowest zone does', () => {
    const both = follow([zone({ mix: [{ grass: 'perennial-ryegrass', share: 100 }] }), zone({ id: 'z2', name: 'Back', mix: [{ grass: 'creeping-red-fescue', share: 100 }] })]) // prettier-ignore
    // Rye is used after 6 to 8 weeks, red fescue after 8 to 12.
    const p = both.follow.packages[0]!
    expect(p.presentable!.value).toEqual({ low: addDays(p.sown, 56), high: addDays(p.sown, 84) })
    const rye = follow([zone({ mix: [{ grass: 'perennial-ryegrass', share: 100 }] })]).follow
      .packages[0]!
    expect(rye.presentable!.value).toEqual({
      low: addDays(rye.sown, 42),
      high: addDays(rye.sown, 56),
    })
  })
  it('is late for a customer’s date before the soonest, tight inside the band, and quiet after the latest', () => {
    const rye = [zone({ mix: [{ grass: 'perennial-ryegrass', share: 100 }] })]
    const on = (days: number) =>
      follow(rye, { customerDate: addDays(sown, days) }).notices.find((n) =>
        n.id.endsWith('customer-date'),
      )
    expect([on(41)?.level, on(42)?.level, on(55)?.level, on(56)?.level]).toEqual([
      'warn',
      'note',
      'note',
      undefined,
    ])
    expect(on(41)?.title).toMatch(/^It will not look right by/)
    expect(on(50)?.title).toMatch(/^Tight for/)
  })
  it('a living sward is kept mown, lightly, whatever the school of a first mow', () => {
    const heights = ['inch-over', 'one-third'].map(
      (firstMow) =>
        follow([zone({ heightOfCut: 60 })], { schools: { firstMow } }).follow.packages[0]!.mow[0]!
          .height,
    )
    expect(heights.map((h) => [h.value, h.rule])).toEqual([[75, 'mow.goes-on'], [75, 'mow.goes-on']]) // prettier-ignore
  })
  it('the height of a first mow by either school, and a word where the school cannot be kept', () => {
    const at = (cut: number, firstMow: string) =>
      follow([zone({ heightOfCut: cut, cover: { wanted: 3, weeds: 2, moss: 0, bare: 95 } })], {
        schools: { firstMow },
      })
    const height = (plan: ReturnType<typeof follow>) => plan.follow.packages[0]!.mow[0]!.height
    expect([height(at(60, 'inch-over')).value, height(at(60, 'one-third')).value]).toEqual([85, 90])
    expect([height(at(60, 'inch-over')).change, height(at(60, 'one-third')).change]).toEqual([expect.stringContaining('third') as string, expect.stringContaining('nch') as string]) // prettier-ignore
    expect(height(at(60, 'inch-over')).change).not.toBe(height(at(60, 'one-third')).change)
    const refused = at(30, 'inch-over')
    expect(height(refused).value).toBe(45)
    const before = new Set(at(30, 'one-third').notices.map((n) => n.id))
    expect(refused.notices.filter((n) => !before.has(n.id)).map((n) => n.level)).toEqual(['note'])
  })
})

it('seed that is still coming up is not left dry for a day for the sake of a mow', () => {
  const slow = follow([zone({ mix: [{ grass: 'perennial-ryegrass', share: 70 }, { grass: 'creeping-red-fescue', share: 30 }] })]).follow.packages[0]! // prettier-ignore
  expect(slow.mownFirst.length).toBeGreaterThan(0)
  for (const dry of slow.dryDays) expect(dry >= String(slow.handOver!.value)).toBe(true)
})

describe('each day after a sowing', () => {
  it('opens the rule it was found by', () => {
    const deep = zone({
      cover: { wanted: 80, weeds: 5, moss: 0, bare: 15 },
      lowsDepth: 20,
      lowsShare: 30,
      litter: 'leaf',
    })
    const plan = follow([deep], {
      aims: ['level'],
      cover: 'sheet',
      schools: { feed: 'first-mown' },
    })
    const rules = (kind: string) => [
      ...new Set(
        plan.steps.filter((s) => s.kind === kind).map((s) => plan.figures[s.day.id]!.rule),
      ),
    ]
    const found = {
      uncover: 'follow.uncover',
      'first-mow': 'follow.mow-day',
      'mow-weekly': 'follow.mow-weekly',
      'leaf-again': 'follow.leaf-again',
      'feed-later': 'follow.after-mow',
      'dress-again': 'follow.dress-again',
      visit: 'follow.visit',
    }
    for (const [kind, rule] of Object.entries(found)) expect(rules(kind), kind).toEqual([rule])
  })
  it('20 L/min on 200 m² is 6 mm/h from sprinklers that run together, and 12 on each half in turn (by hand)', () => {
    const rate = (stations?: number) =>
      follow([zone({ precipitation: null, stations })], { site: { ...SOUTH, tapFlow: 20 } }).follow
        .water!.zones[0]!.sprinkler!.precipitation.value
    expect([rate(), rate(2)]).toEqual([6, 12])
  })
})

describe('where nothing is sown', () => {
  const yearly = {
    cover: { wanted: 92, weeds: 4, moss: 2, bare: 2 },
    thatch: 16,
    penetration: 'easy',
    sowing: 'none',
  } as const
  it('nothing is watered or mown in, no haze is waited for, and it looks right after what was done', () => {
    const plan = follow([zone(yearly)])
    const p = plan.follow.packages[0]!
    expect([p.plants, p.mowBand, p.haze, p.phases, p.handOver]).toEqual([
      false,
      null,
      null,
      null,
      null,
    ])
    expect(plan.follow.water).toBeNull()
    expect(plan.steps.some((s) => s.kind === 'first-mow' || s.kind === 'sow')).toBe(false)
    const scarify = step(plan, 'scarify')!
    // Worked every year it looks right in about two weeks.
    expect(p.presentable!.value).toBe(addDays(scarify.chosen, 14))
  })
  it('a lawn beside one that is sown is not watered with it', () => {
    const plan = follow([zone(), zone({ id: 'z2', name: 'Back', ...yearly })])
    expect(plan.follow.water!.zones.map((z) => z.zone)).toEqual(['z1'])
  })
})

describe('the first mow', () => {
  const v = declared(growthValues)
  const START = '2027-03-01'
  const soil = Float64Array.from({ length: 80 }, (_, i) => 20 - i / 4)
  /** Grown day by day from a day of the soil curve. */
  const byHand = (from: string, height: number, percent: number, stands = 0): string => {
    let day = from
    for (; stands < height; day = addDays(day, 1)) {
      const celsius = soil[Math.max(0, Math.min(79, daysBetween(START, day)))]!
      stands += v.full * (percent / 100) * Math.max(v.least, growthPotential(celsius, 'cool', v))
    }
    return day
  }
  const up = { first: '2027-03-09', half: '2027-03-12', last: '2027-03-20' }
  it('is when leaves have grown so far on the soil of those very days', () => {
    const band = mowBand(up, { height: 60, season: 'cool', soil, start: START, sward: null }, v)
    expect(band).toEqual({
      low: byHand(up.first, 60, v.fast),
      high: byHand(up.half, 60, v.slowSeedlings),
    })
    // A curve that starts later is read further on, so in warmer soil.
    const later = mowBand(
      up,
      { height: 60, season: 'cool', soil, start: '2027-03-08', sward: null },
      v,
    )
    expect(daysBetween(band.high, later.high)).toBeLessThan(0)
  })
  it('a sward grows on from its leaf', () => {
    const sward = { sown: '2027-03-02', leaf: 20 }
    const band = mowBand(up, { height: 60, season: 'cool', soil, start: START, sward }, v)
    expect(band).toEqual({
      low: byHand(sward.sown, 60, v.fast, 20),
      high: byHand(sward.sown, 60, v.slowSward, 20),
    })
  })
  it('on new ground its figure counts from seed, over a sward from the leaf', () => {
    const rule = (cover: object) =>
      follow([zone({ cover })], { site: SOUTH }).follow.packages[0]!.mowBand!.rule
    expect(rule({ wanted: 3, weeds: 2, moss: 0, bare: 95 })).not.toBe(
      rule({ wanted: 60, weeds: 10, moss: 0, bare: 30 }),
    )
  })
})

describe('how long to be patient', () => {
  it('not before day 10 for rye, 14 tall fescue, 21 fine fescue, 28 bluegrass and warm grasses (common practice)', () => {
    const days = (id: string) =>
      daysBetween(
        '2027-03-01',
        judgedFrom('2027-03-01', [{ of: GRASSES[id]!, last: '2027-03-02' }], 28),
      )
    expect(
      ['perennial-ryegrass', 'tall-fescue', 'creeping-red-fescue', 'kentucky-bluegrass', 'bermudagrass', 'zoysia'].map(days), // prettier-ignore
    ).toEqual([10, 14, 21, 28, 28, 28])
  })
  it('the slowest of a mix decides, and cold soil makes it later; six weeks in it is lost', () => {
    const bare = { wanted: 2, weeds: 10, moss: 0, bare: 88 }
    const f = planOf({ zones: [zone({ cover: bare })] }).follow.packages.find((p) => p.plants)!
    const judged = f.judge!.value as string
    for (const { figure } of f.up)
      expect(judged >= (figure.value as { high: string }).high).toBe(true)
    expect(daysBetween(f.sown, judged)).toBeGreaterThanOrEqual(10)
    expect(f.lostFrom! > judged).toBe(true)
    expect(daysBetween(f.sown, f.lostFrom!)).toBeGreaterThanOrEqual(42)
  })
})
