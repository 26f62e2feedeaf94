import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { addDays, dayNumber, dayOf, weekday } from '../src/calendar/day.ts'
import type { StepKind } from '../src/reference/operations.ts'
import {
  schedulePackage,
  type Fixed,
  type Schedule,
  type WorkWindow,
} from '../src/schedule/schedulePackage.ts'
import type { Link } from '../src/schedule/precedence.ts'
import type { StepNeed } from '../src/schedule/steps.ts'
import { waitingPeriods, waitsUntil } from '../src/work/waitingPeriods.ts'
import { readJob } from '../src/entities/job.ts'
import type { DayState } from '../src/climate/dayReasons.ts'
import { Trace } from '../src/trace/trace.ts'
import { draft, said, planOf } from './makeJob.ts'

// Monday 22 February 2027.
const TODAY = '2027-02-22'
const free: Fixed = { pin: null, done: null, notBefore: null }
type Lag = readonly [number, number]
/** A step and how it follows the one before: what must hold, and what is only better. */
interface Follows {
  kind: StepKind
  hours: number
  better: Lag
  must: Lag
  more: Link[]
}
const need = (
  kind: StepKind,
  better: Lag,
  hours = 1,
  { must = better, more = [] }: { must?: Lag; more?: Link[] } = {},
): Follows => ({
  kind,
  hours,
  better,
  must,
  more,
})
/** The steps of a package, each linked to the one before it. */
const steps = (list: readonly Follows[]): StepNeed[] =>
  list.map(({ kind, hours, better, must, more }, i): StepNeed => ({
    kind,
    zones: ['z1'],
    hours,
    effort: {
      setUp: hours,
      grounds: [],
      passes: [],
      by: 'nothing',
      rate: 1,
      rates: null,
      spreading: 0,
      people: 1,
    },
    passes: 1,
    links: [
      ...(i > 0
        ? [{ from: list[i - 1]!.kind, must, better, why: `${list[i - 1]!.kind} to ${kind}` }]
        : []),
      ...more,
    ],
    precondition: '',
    how: '',
  }))
const ANY: Lag = [0, Infinity]
const CHAIN = [
  need('notice', ANY),
  need('cut-first', [1, Infinity]),
  need('cut-second', [2, 6]),
  need('scarify', [1, 3]),
  need('dampen', [0, 4]),
  need('core', [1, 1]),
  need('sow', [0, 3]),
  need('water', [0, 0]),
]

/**
 * A window of one letter a day from today: o open, m marginal, s shut; the cut-off after so many
 * days.
 */
function window(letters: string, cutOffAfter: number): WorkWindow {
  const name: Record<string, DayState> = { o: 'open', m: 'marginal', s: 'shut' }
  return {
    start: TODAY,
    states: [...letters].map((l) => name[l]!),
    cutOff: addDays(TODAY, cutOffAfter),
  }
}
const run = (
  list: readonly Follows[],
  w: WorkWindow,
  {
    fixed = {},
    weekendWork = false,
    hoursPerDay = 8,
    visits = null,
  }: {
    fixed?: Record<string, Partial<Fixed>>
    weekendWork?: boolean
    hoursPerDay?: number
    visits?: number | null
  } = {},
) => {
  const needs = steps(list)
  return schedulePackage(
    { needs, anchor: needs.findIndex((n) => n.kind === 'sow') },
    needs.map((n) => ({ ...free, ...fixed[n.kind] })),
    w,
    { today: TODAY, weekendWork, hoursPerDay },
    { visits },
  )
}
const days = (s: Schedule) => Object.fromEntries(s.steps.map((p) => [p.need.kind, p.chosen]))
const open = window('o'.repeat(60), 20)

describe('a sowing day outside the good range', () => {
  it('fixed in spring, when soil is warming, is told as marginal; left open, it waits for the good season', () => {
    const told = (pins: Record<string, string>) =>
      planOf({ pins, schools: { season: 'autumn' } }, { today: '2027-10-20' })
        .notices.filter((n) => n.id.startsWith('package:') && n.kind !== 'weekend')
        .map((n) => n.id)
    expect(told({})).toEqual(['package:sow-cool.season'])
    expect(told({ 'sow/z1': '2027-11-19' })).toContain('package:sow-cool.marginal')
  })
})

describe('one work package', () => {
  it('takes the first sowing day that every link allows, and lays the steps before it as late as they may', () => {
    // Cut Tue 23, down Thu 25, scarify Fri 26; Sat and Sun no one works, but the eve before Monday
    // may be watered; core and sow Mon 1 March.
    expect(days(run(CHAIN, open))).toEqual({
      notice: '2027-02-22',
      'cut-first': '2027-02-23',
      'cut-second': '2027-02-25',
      scarify: '2027-02-26',
      dampen: '2027-02-28',
      core: '2027-03-01',
      sow: '2027-03-01',
      water: '2027-03-01',
    })
  })
  it('with weekend work the same steps take two days less', () => {
    expect(days(run(CHAIN, open, { weekendWork: true })).sow).toBe('2027-02-27')
  })
  it('says how far each step may slip: the last chain that still sows by the cut-off', () => {
    const s = run(CHAIN, open)
    const sow = s.steps.find((p) => p.need.kind === 'sow')!
    expect(sow.earliest).toBe('2027-03-01')
    // The cut-off is Sunday 14 March; Friday 12 March is the last day anyone works.
    expect(sow.latest).toBe('2027-03-12')
  })
  it('waits for an open day, and takes a marginal one only when there is none', () => {
    expect(run(CHAIN, window('s'.repeat(10) + 'o'.repeat(30), 25)).sowDay).toBe('2027-03-04')
    const marginal = run(CHAIN, window('m'.repeat(40), 25))
    expect([marginal.sowState, marginal.fits]).toEqual(['marginal', true])
    expect(run(CHAIN, window('m'.repeat(12) + 'o'.repeat(30), 25)).sowState).toBe('open')
  })
  it('does not fit when the chain is longer than what is left, and names the next window', () => {
    const s = run(CHAIN, window('ooo' + 's'.repeat(60) + 'o'.repeat(60), 2))
    expect(s.fits).toBe(false)
    expect(s.sowDay >= addDays(TODAY, 63)).toBe(true)
    const never = run(CHAIN, window('s'.repeat(90), 2))
    expect([never.fits, never.sowState]).toEqual([false, 'shut'])
  })
  it('keeps the steps before a fixed sowing day as close as they should be', () => {
    // The window opens Thu 11 March: nothing is cut down weeks before.
    const s = run(CHAIN, window('s'.repeat(17) + 'o'.repeat(30), 40))
    const d = days(s)
    expect(d.sow).toBe('2027-03-11')
    expect(d['cut-first']! >= '2027-03-04').toBe(true)
    // A wait on the sowing alone does the same.
    const waited = days(
      run(CHAIN, window('o'.repeat(60), 50), { fixed: { sow: { notBefore: '2027-03-25' } } }),
    )
    expect([waited.sow, waited['cut-first']! >= '2027-03-18']).toEqual(['2027-03-25', true])
  })
  it('a first day holds the step it is for', () => {
    expect(run(CHAIN, open, { fixed: { sow: { notBefore: '2027-03-04' } } }).sowDay).toBe(
      '2027-03-04',
    )
    expect(
      days(run(CHAIN, open, { fixed: { scarify: { notBefore: '2027-03-08' } } })).scarify! >=
        '2027-03-08',
    ).toBe(true)
  })
  it('keeps a pin that works without a word, and one that does not with one', () => {
    const good = run(CHAIN, open, { fixed: { sow: { pin: '2027-03-04' } } })
    expect([good.sowDay, good.steps.some((p) => p.broken)]).toEqual(['2027-03-04', false])
    // Two days are needed between the cuts and one more to blades: Wednesday is too soon whatever
    // is given up.
    const hard = CHAIN.map((n) => (n.kind === 'dampen' ? need('dampen', [5, 8]) : n))
    const bad = run(hard, open, { fixed: { sow: { pin: '2027-02-24' } } })
    const sow = bad.steps.find((p) => p.need.kind === 'sow')!
    expect(sow.state).toBe('planned')
    expect(said(sow.broken)).toContain('Pinned to Wed 24 Feb')
    // Seed is never on one day and its watering on another.
    expect(days(bad).water).toBe(days(bad).sow)
  })
  it('a pin may lie on a weekend, and what hangs on it moves with it', () => {
    const d = days(run(CHAIN, open, { fixed: { sow: { pin: '2027-03-06' } } }))
    expect([d.sow, d.water, d.core! <= d.sow!, d.core! >= '2027-03-03']).toEqual([
      '2027-03-06',
      '2027-03-06',
      true,
      true,
    ])
    const core = days(run(CHAIN, open, { fixed: { core: { pin: '2027-03-06' } } }))
    expect([
      core.core,
      core.dampen,
      core.sow! >= '2027-03-06' && core.sow! <= '2027-03-09',
    ]).toEqual(['2027-03-06', '2027-03-05', true])
  })
  it('says which wait keeps a pin from holding, and what giving it up would cost', () => {
    const list = [
      need('notice', ANY),
      need('spray', ANY),
      need('cut-first', [7, Infinity]),
      need('sow', [0, 3]),
    ]
    const s = run(list, open, {
      fixed: { 'cut-first': { pin: '2027-02-24' }, spray: { pin: '2027-02-23' } },
    })
    const broken = s.steps.flatMap((p) => (p.broken ? [said(p.broken)] : []))
    expect(broken).toHaveLength(1)
    expect(broken[0]).toContain('waits 7 days after Spray broad-leaved weeds')
    expect(broken[0]).toContain('spray to cut-first')
  })
  it('says so where a step comes too long after another, where the day has passed, and where there is no room before it', () => {
    const list = [need('notice', ANY), need('scarify', ANY), need('sow', [0, 3])]
    const words = (fixed: Record<string, Partial<Fixed>>, of = list) =>
      run(of, open, { fixed }).steps.flatMap((p) => (p.broken ? [said(p.broken)] : []))
    const [far] = words({ scarify: { pin: '2027-02-23' }, sow: { pin: '2027-03-08' } })
    expect(far).toMatch(/comes within 3 days (after|of) Scarify/)
    expect(words({ scarify: { pin: '2027-02-01' } })[0]).toContain('has passed')
    expect(words({ scarify: { pin: '2027-02-23' }, sow: { pin: '2027-02-26' } })).toEqual([])
  })
  it('a pin outside the window is a person’s word: it stands, and does not fit', () => {
    const s = run(CHAIN, window('s'.repeat(20) + 'o'.repeat(30), 40), {
      fixed: { sow: { pin: '2027-03-04' } },
    })
    expect([s.sowDay, s.fits, s.sowState, s.steps.some((p) => p.broken)]).toEqual([
      '2027-03-04',
      false,
      'shut',
      false,
    ])
  })
  it('goes on from what is done, and calls passed steps passed', () => {
    const s = run(CHAIN, open, { fixed: { 'cut-second': { done: '2027-02-19' } } })
    expect(s.steps.map((p) => p.state)).toEqual([
      'unrecorded',
      'unrecorded',
      'done',
      'planned',
      'planned',
      'planned',
      'planned',
      'planned',
    ])
    expect(days(s).scarify! >= '2027-02-22').toBe(true)
    expect(s.steps.map((p) => p.earliest !== null)).toEqual([
      false,
      false,
      false,
      true,
      true,
      true,
      true,
      true,
    ])
    expect(s.steps.map((p) => p.latest !== null)).toEqual([
      false,
      false,
      false,
      true,
      true,
      true,
      true,
      true,
    ])
    const finished = run(CHAIN, open, { fixed: { water: { done: '2027-02-20' } } })
    expect(finished.fits).toBe(true)
  })
  it('a step longer than a day takes working days, and the next starts on the last of them', () => {
    const s = run(
      [need('notice', ANY), need('sow', [1, Infinity], 20), need('water', [0, 0])],
      open,
    )
    expect(s.steps[1]!.span).toBe(3)
    expect(days(s)).toMatchObject({ sow: '2027-02-23', water: '2027-02-25' })
  })
  it('a full day carries work over to the next where the lag lets it', () => {
    const s = run(
      [
        need('notice', ANY, 0.2),
        need('core', [1, Infinity], 7),
        need('dress', [0, 1], 5),
        need('sow', [0, 3], 1),
      ],
      open,
    )
    expect(days(s)).toMatchObject({ core: '2027-02-23', dress: '2027-02-24', sow: '2027-02-24' })
  })
  it('gives up what is only better when it cannot hold, and names it', () => {
    // Coring takes 30 hours, so that sowing cannot follow the scarifier within 3 days.
    const s = run(
      [
        need('notice', ANY),
        need('scarify', [1, 3], 8, { must: ANY }),
        need('core', [1, 2], 30, { must: ANY }),
        need('sow', [0, 3], 2, {
          more: [{ from: 'scarify', must: ANY, better: [0, 3], why: 'fresh ground' }],
        }),
      ],
      open,
    )
    expect([s.fits, said(s.givenUp)]).toEqual([true, ['fresh ground']])
  })
  it('makes fewer visits where asked, gives up only what is better, and says what', () => {
    const list = [
      need('notice', ANY, 0.2, {}),
      need('cut-first', [1, Infinity], 1, { must: ANY }),
      need('cut-second', [2, 6], 1, { must: ANY }),
      need('scarify', [1, 3], 1, { must: ANY }),
      need('sow', [0, 3]),
    ]
    const many = run(list, open)
    const one = run(list, open, { visits: 1 })
    expect([many.visits, many.givenUp]).toEqual([3, []])
    expect([one.visits, one.fits]).toEqual([1, true])
    expect(said(one.givenUp)).toContain('cut-first to cut-second')
    // A wait that must hold keeps its own day, however few are asked for.
    const waits = run([need('notice', ANY, 0.2), need('kill', ANY), need('sow', [7, 14])], open, {
      visits: 1,
    })
    expect([waits.visits, waits.givenUp]).toEqual([2, []])
  })
  it('counts days after a step further back', () => {
    const s = run(
      [
        need('notice', ANY),
        need('spray', [1, Infinity]),
        need('cut-first', [20, Infinity]),
        need('cut-second', [2, 6]),
        need('sow', [0, 3], 1, {
          more: [{ from: 'spray', must: [28, Infinity], better: [28, Infinity], why: 'the wait' }],
        }),
      ],
      window('o'.repeat(90), 80),
    )
    const d = days(s)
    expect(dayNumber(d.sow!) - dayNumber(d.spray!)).toBeGreaterThanOrEqual(28)
    expect(dayNumber(d.sow!) - dayNumber(d['cut-second']!)).toBeLessThanOrEqual(3)
  })
})

describe('laws of the schedule, on any chain', () => {
  const chain = fc.array(
    fc.record({
      min: fc.integer({ min: 0, max: 4 }),
      slack: fc.integer({ min: 0, max: 6 }),
      hours: fc.double({ min: 0.2, max: 7, noNaN: true }),
    }),
    { minLength: 1, maxLength: 6 },
  )
  const kinds: StepKind[] = ['mark', 'cut-first', 'cut-second', 'core', 'dress', 'cover']
  it('no lag is broken, nobody works on a weekend, no working day overflows', () => {
    fc.assert(
      fc.property(chain, fc.boolean(), (links, weekendWork) => {
        const needs = [
          ...links.map((l, i) => need(kinds[i]!, [l.min, l.min + l.slack], l.hours)),
          need('sow', [0, 5], 1),
        ]
        const s = run(needs, window('o'.repeat(120), 90), { weekendWork })
        if (!s.fits || s.givenUp.length > 0) return true
        const at = s.steps.map((p) => dayNumber(p.chosen))
        const lags = needs.every(
          (n, i) =>
            i === 0 || (at[i]! - at[i - 1]! >= n.better[0] && at[i]! - at[i - 1]! <= n.better[1]),
        )
        const working = weekendWork || at.every((d) => weekday(d) !== 0 && weekday(d) !== 6)
        const load = new Map<number, number>()
        needs.forEach((n, i) => load.set(at[i]!, (load.get(at[i]!) ?? 0) + n.hours))
        const roomy = [...load].every(
          ([day, h]) =>
            h <= 8.5 ||
            needs.filter((_, i) => at[i] === day).some((n) => n.better[1] === 0) ||
            needs.filter((_, i) => at[i] === day).length === 1,
        )
        return lags && working && roomy
      }),
    )
  })
  it('earliest, chosen and latest never cross, and sowing lies in the window', () => {
    fc.assert(
      fc.property(chain, fc.integer({ min: 5, max: 60 }), (links, cutOff) => {
        const needs = [
          ...links.map((l, i) => need(kinds[i]!, [l.min, l.min + l.slack], l.hours)),
          need('sow', [0, 5], 1),
        ]
        const s = run(needs, window('o'.repeat(70), cutOff))
        if (!s.fits) return true
        return (
          s.sowDay <= dayOf(dayNumber(TODAY) + cutOff) &&
          s.steps.every(
            (p) => (!p.earliest || p.earliest <= p.chosen) && (!p.latest || p.chosen <= p.latest),
          )
        )
      }),
    )
  })
})

describe('waiting periods', () => {
  const waits = (treatments: object[], today = TODAY) => {
    const read = readJob(draft({ treatments: treatments as never }))
    const periods = waitingPeriods(read.job!, today, new Trace())
    const found = { ...periods, notices: said(periods.notices) }
    const from = (...zones: string[]) => waitsUntil(found.waits, 'sow', zones)
    return {
      sow: waitsUntil(found.waits, 'sow', ['z1']),
      open: waitsUntil(found.waits, 'open', ['z1']),
      dress: waitsUntil(found.waits, 'dress', ['z1']),
      titles: found.notices.map((n) => n.title),
      found,
      from,
    }
  }
  it('the longest of all counts', () => {
    expect(
      waits([
        { kind: 'broadleaf', date: '2027-02-10' },
        { kind: 'non-selective', date: '2027-02-20' },
        { kind: 'pre-emergence', date: '2026-12-01' },
      ]).sow,
    ).toBe('2027-03-31')
  })
  it.each([
    ['broadleaf', 28],
    ['feed-and-weed', 28],
    ['non-selective', 7],
    ['pre-emergence', 120],
    ['feed-and-prevent', 120],
    ['long-residue', 365],
    ['unknown-herbicide', 365],
  ])('%s without its label waits %i days, the longest usual (common practice)', (kind, wait) => {
    expect(waits([{ kind, date: '2027-02-01' }]).sow).toBe(addDays('2027-02-01', wait))
  })
  it('feed, lime and insecticide keep no seed out; new seed keeps tines off for 56 days; a dressing the next for 28', () => {
    expect(
      waits([
        { kind: 'feed', date: TODAY },
        { kind: 'lime', date: TODAY },
        { kind: 'insecticide', date: TODAY },
      ]).sow,
    ).toBeNull()
    expect(waits([{ kind: 'seeded', date: '2027-02-01' }]).open).toBe('2027-03-29')
    expect(waits([{ kind: 'dressed', date: '2027-02-01' }]).dress).toBe('2027-03-01')
  })
  it('a treatment of one zone holds that zone alone', () => {
    const { from } = waits([
      { id: 't1', kind: 'pre-emergence', date: '2027-02-01', zones: ['front'] },
    ])
    expect([from('back'), from('front'), from('back', 'front')]).toEqual([
      null,
      '2027-06-01',
      '2027-06-01',
    ])
    expect(from('front~later')).toBe('2027-06-01')
  })
  it('an undated weedkiller is counted from the walk: the sowing moves', () => {
    expect(waits([{ kind: 'broadleaf' }]).sow).toBe(addDays(TODAY, 28))
  })
  it('asks for a missing date, doubts a future one, and is quiet about one long past', () => {
    expect(waits([{ kind: 'broadleaf' }]).titles[0]).toContain('When was')
    expect(waits([{ kind: 'broadleaf', date: '2027-03-30' }]).titles.join()).toContain(
      'still to come',
    )
    expect(waits([{ kind: 'broadleaf', date: '2026-06-01' }]).titles).toEqual([])
  })
})
