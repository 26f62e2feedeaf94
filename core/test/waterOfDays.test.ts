import { describe, expect, it } from 'vitest'
import { addDays } from '../src/calendar/day.ts'
import { blankEntry, type DiaryEntry } from '../src/entities/diary.ts'
import type { Outlook } from '../src/climate/station.ts'
import { planOf, said, SOUTH, zone } from './makeJob.ts'
import { dayWork, waterSaid } from '../src/present/dayWork.ts'
import { readJob } from '../src/entities/job.ts'
import { draft } from './makeJob.ts'

const TODAY = '2027-02-22'
const sow = (date: string): DiaryEntry => ({ ...blankEntry('sow-tick-01', date, 'Sow'), step: 'sow/z1', stepZones: ['z1'] }) // prettier-ignore
/** Days ahead: low, high and rain of each. */
const outlook = (days: [number, number, number][]): Outlook => ({
  source: 'made up',
  simulated: true,
  days: days.map(([low, high, rain], i) => ({ day: addDays(TODAY, i), low, high, rain, wind: 5, soil: 16 })), // prettier-ignore
})
const ahead = (days: [number, number, number][], change: object = {}, sown = '2027-02-20') =>
  planOf({ zones: [zone()], cover: 'none', ...change }, { today: TODAY, diary: [sow(sown)], outlook: outlook(days) }) // prettier-ignore
const advice = (days: [number, number, number][], change: object = {}) =>
  ahead(days, change)
    .follow.waterDays.slice(0, days.length)
    .map((d) => d.advice)

describe('the water of the days ahead', () => {
  it('is left off where it rains enough, halved where it rains some, one more in heat, else as planned', () => {
    // A mild day in February at 44° S dries 4 to 5 mm.
    expect(advice([[8, 20, 0], [8, 20, 12], [8, 20, 3.4], [15, 34, 0]])).toEqual(['planned', 'off', 'less', 'more']) // prettier-ignore
    expect(
      advice([
        [8, 20, 0],
        [8, 20, 3.4],
      ]),
    ).toEqual(['planned', 'less'])
    const [rain] = ahead([[8, 20, 12]]).follow.waterDays
    expect([rain!.runs, rain!.of]).toEqual([[], 3])
    const [some] = ahead([[8, 20, 3.4]]).follow.waterDays
    expect(some!.runs).toEqual(['13:00'])
    expect(said(waterSaid(some!))).toMatch(/half of the runs will do/)
  })
  it('by hand: 1.15 × ET₀ less the rain; what fell the day before beyond its use still counts', () => {
    const plan = ahead([[8, 20, 0], [8, 20, 9], [8, 20, 0]]) // prettier-ignore
    const need = (i: number) => Number(plan.figures[plan.follow.waterDays[i]!.need!]!.value)
    const dries = need(0)
    // ET₀ by Hargreaves: 0.0023 (14 + 17.8) √12 Ra ÷ 2.45, Ra about 35 MJ/m² at 44° S late in February.
    expect(dries).toBeCloseTo((1.15 * 0.0023 * 31.8 * Math.sqrt(12) * 35) / 2.45, 0)
    expect(need(1)).toBeCloseTo(dries - 9, 0)
    // Of 9 mm the day used about 4; up to 2 stay for the next.
    expect(need(2)).toBeCloseTo(dries - 2, 0)
  })
  it('is not given where it may not be, nor the day before a mow, nor once the slowest is up', () => {
    const barred = ahead([[8, 20, 0], [8, 20, 0], [8, 20, 0]], { site: { ...SOUTH, restrictions: 'even days only' } }) // prettier-ignore
    expect(barred.follow.waterDays.map((d) => d.advice).slice(0, 4)).toEqual(['planned', 'barred', 'planned', 'barred']) // prettier-ignore
    const plan = ahead([[8, 20, 0]])
    const last = plan.follow.waterDays.at(-1)!.day
    expect(last <= String(plan.follow.packages[0]!.handOver!.value)).toBe(true)
    expect(ahead([[8, 20, 0]], {}, '2026-12-20').follow.waterDays).toEqual([])
    // A day without weather is as planned, and says no more than that.
    expect(plan.follow.waterDays[3]).toMatchObject({ advice: 'planned', need: null })
  })
  it('stands in the day’s work with its runs and minutes', () => {
    const plan = ahead([[8, 20, 0]])
    const { water } = dayWork('j', readJob(draft({})).job!, plan as never, [])
    expect(water[0]).toMatchObject({ day: TODAY, where: 'Lawn', advice: 'planned', runs: ['10:00', '13:00', '16:00'] }) // prettier-ignore
    expect(water[0]!.each).toEqual([{ zone: 'Lawn', value: expect.any(Number), unit: 'min' }])
  })
})
