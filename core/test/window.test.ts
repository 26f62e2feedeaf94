import { describe, expect, it } from 'vitest'
import { dayNumber, dayOf } from '../src/calendar/day.ts'
import { frostValues, oneInTen } from '../src/climate/frost.ts'
import { simulatedStation } from '../src/climate/station.ts'
import { seasonDay, soilCurve, USUAL_SOIL, usualSoil, warmingDays } from '../src/climate/soilYear.ts'
import { lastDayToSow, leadOf, leadValues, mixLead, sowingWindow } from '../src/climate/sowingWindow.ts'
import type { GrassId } from '../src/reference/grasses.ts'
import { Trace } from '../src/trace/trace.ts'
import { planOf, SOUTH, step, zone } from './makeJob.ts'

const trace = new Trace()
const cutOff = (frost: string, today: string, grass: GrassId = 'perennial-ryegrass', school: 'even-odds' | 'safe' = 'even-odds') =>
  lastDayToSow(leadOf(grass), frost, today, school, trace)

describe('killing frost less six weeks closes the cool-season window (common practice)', () => {
  it('in an ordinary year: 25 April gives 14 March, bluegrass 28 February', () => {
    expect(cutOff('04-25', '2027-02-22')).toBe('2027-03-14')
    expect(cutOff('04-25', '2027-02-22', 'kentucky-bluegrass')).toBe('2027-02-28')
  })
  it('across a leap day and across a year end', () => {
    // 10 April 2028 less 42 days passes 29 February 2028; in 2027 it does not.
    expect(cutOff('04-10', '2028-01-15')).toBe('2028-02-28')
    expect(cutOff('04-10', '2027-01-15')).toBe('2027-02-27')
    expect(cutOff('01-20', '2027-11-01')).toBe('2027-12-09')
  })
  it('the safe school counts from the date one year in ten has frozen by', () => {
    expect(oneInTen('2027-04-25', frostValues.spread.is)).toBe('2027-04-06')
    expect(cutOff('04-25', '2027-02-22', 'perennial-ryegrass', 'safe')).toBe('2027-02-23')
  })
  it('warm grasses end 90 days before, a nurse at the frost, and a mix with its slowest wanted grass', () => {
    const days = (grass: GrassId) => leadValues[leadOf(grass)].is
    expect([days('bermudagrass'), days('annual-ryegrass'), days('kentucky-bluegrass'), days('tall-fescue')]).toEqual([90, 0, 56, 42])
    const mix = (share: number) =>
      mixLead(
        [
          { grass: 'perennial-ryegrass', share: 100 - share },
          { grass: 'kentucky-bluegrass', share },
        ],
        trace,
      )
    expect([mix(30), mix(10), mix(9)]).toEqual(['bluegrass', 'bluegrass', 'cool'])
  })
})

describe('soil and windows by day', () => {
  it('means the same season on the same season day in both halves of the world', () => {
    expect(seasonDay(dayNumber('2026-12-21'), 44)).toBe(0)
    expect(seasonDay(dayNumber('2027-06-21'), -44)).toBe(0)
    expect(usualSoil(100, 44, USUAL_SOIL)).toBe(usualSoil(100, -44, USUAL_SOIL))
  })
  it('passes through the reading on its day and fades back to usual', () => {
    const curve = soilCurve(-44.2, dayNumber('2027-02-22'), 300, { day: '2027-02-22', celsius: 17.4 }, USUAL_SOIL)
    expect(curve[0]).toBeCloseTo(17.4, 10)
    expect(Math.abs(curve[250]! - usualSoil(seasonDay(dayNumber('2027-02-22') + 250, -44.2), -44.2, USUAL_SOIL))).toBeLessThan(0.01)
  })
  it('is open in cooling soil up to the cut-off, shut through winter, marginal in spring', () => {
    const start = '2027-02-22'
    const soil = soilCurve(-44.2, dayNumber(start), 400, { day: start, celsius: 17.4 }, USUAL_SOIL)
    const w = sowingWindow(
      [{ grass: 'perennial-ryegrass', share: 100 }],
      'cool',
      { frostMonthDay: '04-25', soil, warming: warmingDays(-44.2, dayNumber(start), 400, USUAL_SOIL), start },
      'even-odds',
      trace,
    )
    const on = (day: string) => w.states[dayNumber(day) - dayNumber(start)]
    expect([on('2027-03-14'), on('2027-03-15'), on('2027-04-26'), on('2027-07-10')]).toEqual(['open', 'shut', 'shut', 'shut'])
    expect(w.states.slice(200, 300)).toContain('marginal')
    const opens = dayOf(dayNumber(start) + w.states.indexOf('open', 60))
    expect(opens > '2028-01-01' && opens < '2028-02-20').toBe(true)
  })
  it('the simulated station is the same every time, says what it is, and differs by seed', () => {
    const a = simulatedStation(-44.2, '2027-02-22', 30, 7, null)
    expect(simulatedStation(-44.2, '2027-02-22', 30, 7, null)).toEqual(a)
    expect(simulatedStation(-44.2, '2027-02-22', 30, 8, null)).not.toEqual(a)
    expect(a.simulated).toBe(true)
    expect(a.days.every((d) => d.low < d.high && d.rain >= 0)).toBe(true)
  })
})

describe('dates for a job', () => {
  it('keeps every lag of the order of work', () => {
    const plan = planOf({ dressing: { depth: 5 } })
    const day = (kind: string) => dayNumber(step(plan, kind)!.chosen)
    expect(day('cut-second') - day('cut-first')).toBeGreaterThanOrEqual(2)
    expect(day('core') - day('dampen')).toBe(1)
    expect(day('sow') - day('scarify')).toBeLessThanOrEqual(3)
    expect(day('water')).toBe(day('sow'))
    const weekdays = plan.steps.filter((s) => !['dampen', 'water', 'notice'].includes(s.kind)).map((s) => new Date(`${s.chosen}T00:00Z`).getUTCDay())
    expect(weekdays.some((d) => d === 0 || d === 6)).toBe(false)
    for (const s of plan.steps) if (s.earliest && s.latest) expect(s.earliest <= s.chosen && s.chosen <= s.latest, s.id).toBe(true)
  })
  it('a combined feed-and-weed product counts as herbicide (common practice), and the label wins', () => {
    const fed = (t: object) => planOf({ treatments: [{ id: 't1', kind: 'feed-and-weed', date: '2027-02-10', ...t }] })
    expect(fed({}).notices.some((n) => n.says.includes('counts as the weedkiller'))).toBe(true)
    expect(step(fed({}), 'sow')!.chosen >= '2027-03-10').toBe(true)
    expect(step(fed({ waitDays: '2 weeks' }), 'sow')!.chosen < '2027-03-10').toBe(true)
    expect(planOf({ treatments: [{ id: 't1', kind: 'feed', date: '2027-02-10' }] }).notices.some((n) => n.title.includes('no seed before'))).toBe(
      false,
    )
    expect(planOf({ treatments: [{ id: 't1', kind: 'broadleaf' }] }).notices.some((n) => n.title.startsWith('When was'))).toBe(true)
  })
  it('a kill-off that would straddle the cut-off is refused first, with what instead', () => {
    const plan = planOf({ zones: [zone({ incurable: 60, cover: { wanted: 30, weeds: 60, moss: 0, bare: 10 } })] })
    expect(plan.notices[0]!.id).toContain('.fits')
    expect(plan.notices[0]!.title).toContain('Too late to kill off')
    expect(plan.packages[0]!.options.map((o) => o.title)).toEqual(expect.arrayContaining(['Overseed instead', 'Hold over']))
    expect(plan.packages[0]!.sowDay > '2027-09-01').toBe(true)
    const inTime = planOf({ zones: [zone({ incurable: 60, cover: { wanted: 30, weeds: 60, moss: 0, bare: 10 } })] }, { today: '2027-01-18' })
    expect(inTime.packages[0]!.fits).toBe(true)
    // Kill, 14 days, kill again, 7 days, cut: the spray is on uncut growth.
    const kinds = inTime.steps.map((s) => s.kind)
    expect(kinds.indexOf('kill')).toBeLessThan(kinds.indexOf('cut-first'))
  })
  it('after the cut-off nothing fits this season, and the next window is named', () => {
    const plan = planOf({}, { today: '2027-04-02' })
    expect(plan.packages[0]!.fits).toBe(false)
    expect(plan.packages[0]!.verdict).toContain('Too late')
    expect(plan.packages[0]!.options.some((o) => o.title.startsWith('Sow '))).toBe(true)
  })
  it('a pin is kept and flagged when it breaks the order; a done step holds its day', () => {
    const pinned = planOf({ pins: { 'sow-cool.sow': '2027-02-23' } })
    expect(step(pinned, 'sow')!.chosen).toBe('2027-02-23')
    // Done in a day and the evening before: what is only better is given up, by name.
    expect(pinned.notices.find((n) => n.id === 'package:sow-cool.given-up')!.title).toContain('cutting down over several days')
    expect([step(pinned, 'dampen')!.chosen, step(pinned, 'core')!.chosen, step(pinned, 'water')!.chosen]).toEqual([
      '2027-02-22',
      '2027-02-23',
      '2027-02-23',
    ])
    const past = planOf({ pins: { 'sow/z1': '2027-02-20' } })
    expect(past.notices.some((n) => n.title.includes('pin does not agree') && n.says.includes('has passed'))).toBe(true)
    const fine = planOf({ pins: { 'sow-cool.sow': '2027-03-04' } })
    expect([step(fine, 'sow')!.chosen, fine.notices.some((n) => n.title.includes('pin'))]).toEqual(['2027-03-04', false])
    const done = planOf(
      {},
      {
        diary: [
          {
            id: 'abcdefgh',
            date: '2027-02-20',
            zone: null,
            step: 'sow-cool.cut-first',
            stepZones: [],
            what: 'cut',
            amount: '',
            who: '',
            note: '',
            corrects: null,
          },
        ],
      },
    )
    expect(step(done, 'cut-first')).toMatchObject({ state: 'done', chosen: '2027-02-20' })
    expect(step(done, 'notice')!.state).toBe('unrecorded')
    expect(done.follow.next!.kind).toBe('cut-second')
  })
  it('warm grass waits for warm soil', () => {
    const plan = planOf(
      {
        site: { ...SOUTH, latitude: 31, frost: '18 Nov', soilTemperature: 15, soilReadOn: '2027-03-10' },
        zones: [zone({ present: ['bermudagrass'], sunHours: 9 })],
      },
      { today: '2027-03-10' },
    )
    const sown = dayNumber(plan.packages[0]!.sowDay)
    const soil = soilCurve(31, dayNumber('2027-03-10'), 300, { day: '2027-03-10', celsius: 15 }, USUAL_SOIL)
    expect(soil[sown - dayNumber('2027-03-10')]).toBeGreaterThanOrEqual(18)
    expect(plan.packages[0]!.fits).toBe(true)
  })
  it('spray first waits 28 days before seed; without chemicals the old growth is lifted instead', () => {
    const weedy = { cover: { wanted: 50, weeds: 40, moss: 0, bare: 10 } }
    const sprayed = planOf({ zones: [zone(weedy)], schools: { weeds: 'spray-then-sow' } }, { today: '2027-01-11' })
    expect(dayNumber(step(sprayed, 'sow')!.chosen) - dayNumber(step(sprayed, 'spray')!.chosen)).toBeGreaterThanOrEqual(28)
    expect(dayNumber(step(sprayed, 'cut-first')!.chosen) - dayNumber(step(sprayed, 'spray')!.chosen)).toBeGreaterThanOrEqual(3)
    expect(step(planOf({ zones: [zone(weedy)] }), 'spray')).toBeUndefined()
    const lifted = planOf({ zones: [zone({ incurable: 60 })], aims: ['no-chemicals'] })
    expect([step(lifted, 'strip') !== undefined, step(lifted, 'kill')]).toEqual([true, undefined])
    expect(lifted.packages[0]!.fits).toBe(true)
  })
})
