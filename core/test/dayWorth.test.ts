import fc from 'fast-check'
import highsLoader from 'highs'
import { beforeAll, describe, expect, it } from 'vitest'
import { addDays, daysBetween } from '../src/calendar/day.ts'
import { worthOfDay, worthValues, type PartOfWorth } from '../src/climate/dayWorth.ts'
import { windowToWork } from '../src/climate/windows.ts'
import type { JobPlan } from '../src/plan/jobPlan.ts'
import { DEFAULT_SCHOOLS } from '../src/reference/schools.ts'
import { bestDays, type PieceDay } from '../src/schedule/bestDays.ts'
import { Trace } from '../src/trace/trace.ts'
import { planOf, zone } from './makeJob.ts'
import { climateAt } from './makePlace.ts'
import { anyJob, plan } from './randomJob.ts'

const trace = new Trace()
const v = trace.values(worthValues)
const points = (parts: readonly PartOfWorth[], part: string) =>
  parts.find((p) => p.part === part)?.points ?? 0

describe('what a day is worth', () => {
  const climate = climateAt({ latitude: 44 }, '2027-03-01')
  const schools = DEFAULT_SCHOOLS
  const window = windowToWork('cool', 'open', true, climate, schools, trace)
  const on = (day: string, watered = true) =>
    worthOfDay(
      { window, care: 'open', watered, climate, schools, odds: () => null },
      daysBetween(window.start, day),
      trace,
    )
  it('for coring is weeds in spring, days to close in autumn, and nothing where it is shut', () => {
    expect(points(on('2027-04-25'), 'weeds')).toBe(-v.weeds)
    expect(points(on('2027-09-05'), 'weeds')).toBe(0)
    expect(on('2027-01-20')).toEqual([])
    const last = window.states.lastIndexOf('open', daysBetween(window.start, '2027-12-31'))
    const [near, sooner] = [addDays(window.start, last), addDays(window.start, last - 10)]
    expect(points(on(near), 'closing') - points(on(sooner), 'closing')).toBeCloseTo(-10 * v.closing)
  })
  it('waits cost by the week, and a third of that once it has waited long', () => {
    const wait = (weeks: number) => {
      const parts = worthOfDay(
        { window, care: 'feed', watered: true, climate, schools, odds: () => null },
        7 * weeks,
        trace,
      )
      return parts.length > 0 ? points(parts, 'wait') : null
    }
    const open = [...Array(60).keys()].filter((w) => wait(w) !== null)
    for (const w of open)
      expect(wait(w)).toBeCloseTo(-v.wait * (Math.min(w, v.waitLong) + Math.max(0, w - v.waitLong) / 3)) // prettier-ignore
    expect(open.some((w) => w > v.waitLong)).toBe(true)
  })
})

/** The same choice as a binary program in CPLEX LP format: one day each, days not overfilled. */
function asProgram(pieces: readonly (readonly PieceDay[])[], perDay: number): string {
  const name = (p: number, i: number) => `x${p}_${i}`
  const all = pieces.flatMap((days, p) => days.map((d, i) => ({ ...d, p, i })))
  const term = (n: number, x: string) => `${n < 0 ? '-' : '+'} ${Math.abs(n)} ${x}`
  const days = [...new Set(all.flatMap((o) => o.hours.map(([day]) => day)))]
  return [
    'Maximize',
    `obj: ${all.map((o) => term(o.worth, name(o.p, o.i))).join(' ')}`,
    'Subject To',
    ...pieces.map((ds, p) => `one${p}: ${ds.map((_, i) => `+ ${name(p, i)}`).join(' ')} = 1`),
    ...days.map(
      (day) =>
        `day${day}: ${all.flatMap((o) => o.hours.filter(([d]) => d === day).map(([, h]) => term(h, name(o.p, o.i)))).join(' ')} <= ${perDay}`,
    ),
    'Binary',
    all.map((o) => name(o.p, o.i)).join(' '),
    'End',
  ].join('\n')
}

describe('the best days of several pieces of work', () => {
  let highs: Awaited<ReturnType<typeof highsLoader>>
  beforeAll(async () => {
    highs = await highsLoader()
  })
  /** Up to twelve pieces on sixty days, each a day or two long, of up to eight hours. */
  const anyPieces = fc.array(
    fc
      .record({
        hours: fc.integer({ min: 1, max: 8 }),
        before: fc.option(fc.tuple(fc.integer({ min: 1, max: 3 }), fc.integer({ min: 1, max: 6 }))),
        days: fc.uniqueArray(
          fc.record({
            day: fc.integer({ min: 4, max: 59 }),
            worth: fc.integer({ min: 1, max: 100 }),
          }),
          { minLength: 1, maxLength: 12, selector: (d) => d.day },
        ),
      })
      .map(({ hours, before, days }) =>
        days.map(({ day, worth }): PieceDay => ({
          day,
          worth,
          hours: [[day, hours], ...(before ? [[day - before[0], before[1]] as const] : [])],
        })),
      ),
    { minLength: 2, maxLength: 12 },
  )
  const worthOf = (pieces: readonly (readonly PieceDay[])[], found: readonly number[]) =>
    found.reduce((sum, i, p) => sum + pieces[p]![i]!.worth, 0)

  it('are worth what a general solver finds, on jobs of up to twelve pieces and sixty days', () =>
    fc.assert(
      fc.property(anyPieces, (pieces) => {
        const found = bestDays(pieces, [], 7.5)
        const solved = highs.solve(asProgram(pieces, 8))
        if (solved.Status === 'Infeasible') expect(found).toBeNull()
        else expect(worthOf(pieces, found!)).toBeCloseTo(solved.ObjectiveValue, 6)
      }),
      { numRuns: 120 },
    ))
  it('are worth no less with a day more to choose from', () =>
    fc.assert(
      fc.property(
        anyPieces,
        fc.integer({ min: 0, max: 11 }),
        fc.integer({ min: 60, max: 70 }),
        (pieces, at, day) => {
          // prettier-ignore
          const found = bestDays(pieces, [], 8)
          fc.pre(found !== null)
          const p = at % pieces.length
          const more = pieces.map((days, i) =>
            i === p ? [...days, { day, worth: 50, hours: [[day, 4]] as const }] : days,
          )
          expect(worthOf(more, bestDays(more, [], 8)!)).toBeGreaterThanOrEqual(worthOf(pieces, found!)) // prettier-ignore
        },
      ),
    ))
  it('keep what must come after something else', () => {
    const days = (...worths: number[]): PieceDay[] =>
      worths.map((worth, day) => ({ day, worth, hours: [[day, 2]] }))
    const pieces = [days(1, 2, 9), days(9, 2, 1, 1, 5)]
    expect(bestDays(pieces, [{ from: 0, to: 1, least: 2 }], 8)).toEqual([2, 4])
    expect(bestDays(pieces, [{ from: 0, to: 1, least: 5 }], 8)).toBeNull()
  })
})

describe('the day that is taken', () => {
  const worthOf = (p: JobPlan, id: string) =>
    Number(p.packages.find((k) => k.id === id)?.worth?.figure.value ?? 0)

  it('is worth no less than any other of its season that a person would pin', () =>
    fc.assert(
      fc.property(anyJob, fc.integer({ min: -40, max: 40 }), (job, days) => {
        const free = plan(job)
        for (const pack of free.packages) {
          if (!pack.fits || pack.choices.length === 0 || pack.worth === null) continue
          const anchor = pack.steps.find((s) => s.kind === pack.anchor)
          if (!anchor || anchor.state !== 'planned') continue
          const day = addDays(anchor.chosen, days)
          const pins = { ...job.draft.pins, [`${anchor.kind}/${anchor.zones[0]}`]: day }
          const pinned = plan({ ...job, draft: { ...job.draft, pins } })
          const same = pinned.packages.find((k) => k.id === pack.id)
          if (!same?.fits || same.sowDay !== day) continue
          const span = (on: string) => pack.window.find((w) => w.from <= on && on <= w.to)?.state
          if (
            span(day) === 'shut' ||
            same.steps.some((s) => s.kind === pack.anchor && s.state !== 'pinned')
          )
            continue
          // A point for what is rounded; the crew may be there on another day as it is pinned.
          expect(worthOf(pinned, pack.id), `${pack.id} ${day}`).toBeLessThanOrEqual(worthOf(free, pack.id) + v.visit + 2) // prettier-ignore
        }
      }),
      { numRuns: 150 },
    ))
  it('is told with its parts and what the days round it are worth', () => {
    const p = planOf({ zones: [zone()], waterer: 'owner' })
    const { worth, sowDay } = p.packages[0]!
    expect(Number(worth!.figure.value)).toBeGreaterThan(50)
    expect(worth!.parts.length).toBeGreaterThan(0)
    expect(worth!.around.every((d) => d.worth <= Number(worth!.figure.value) + 1)).toBe(true)
    expect(worth!.around.map((d) => daysBetween(sowDay, d.day))).toContain(7)
  })
})

describe('the odds of a sowing', () => {
  it('count the slope, its cover and whether the ground is opened (common practice)', () => {
    const odds = (more: object, draft: object = {}) =>
      Number(
        planOf(
          {
            site: { latitude: 50, frost: '30 Oct' } as never,
            waterer: 'owner',
            zones: [zone({ present: ['perennial-ryegrass'], ...more } as never)],
            ...draft,
          },
          { today: '2027-08-14' },
        ).packages[0]!.choices.find((c) => c.taken)!.odds!.value,
      )
    const flat = odds({})
    const bank = { slope: '1 in 4', cover: { wanted: 0, weeds: 0, moss: 0, bare: 100 }, sowing: 'new' } // prettier-ignore
    const bare = odds(bank, { cover: 'none' })
    const held = odds(bank)
    expect(flat).toBeGreaterThan(85)
    expect(bare).toBeLessThan(75)
    expect(held).toBeGreaterThan(bare)
    expect(held).toBeLessThan(flat)
  })
})
