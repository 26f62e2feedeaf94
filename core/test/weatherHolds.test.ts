import { describe, expect, it } from 'vitest'
import { addDays } from '../src/calendar/day.ts'
import { withGauge } from '../src/climate/siteReadings.ts'
import type { Outlook, StationDay } from '../src/climate/station.ts'
import { diaryEntry, type DiaryEntry } from '../src/entities/diary.ts'
import type { JobDraft } from '../src/entities/job.ts'
import type { JobPlan } from '../src/plan/jobPlan.ts'
import { pinKeys } from '../src/schedule/stepRecords.ts'
import { planOf, said, SOUTH, step, TODAY, zone } from './makeJob.ts'

const fair: Omit<StationDay, 'day'> = { low: 9, high: 20, rain: 0, wind: 6, soil: 17 }
/** Ten fair days from today but those named. */
const outlook = (days: Record<string, Partial<StationDay>>): Outlook => ({
  source: 'Tarnmere, simulated',
  simulated: true,
  days: Array.from({ length: 14 }, (_, i) => ({
    ...fair,
    day: addDays(TODAY, i),
    ...days[addDays(TODAY, i)],
  })),
})
const plan = (days: Record<string, Partial<StationDay>>, job: Partial<JobDraft> = {}) =>
  planOf(job, { outlook: outlook(days) })
const held = (p: { notices: JobPlan['notices'] }, key: string) =>
  said(p.notices.filter((n) => n.id.startsWith('step:') && n.id.endsWith(`.${key}`)))
const fine = planOf()
const on = (kind: string) => step(fine, kind)!.chosen

describe('the outlook lays holds on steps (common practice; the lines are the rule book’s)', () => {
  it('a fair outlook lays none', () => {
    expect(plan({}).notices.filter((n) => n.move)).toEqual([])
  })
  it('rain on the day, or much the day before, makes ground too wet for blades and tines', () => {
    expect(held(plan({ [on('scarify')]: { rain: 9 } }), 'wet')[0]!.says).toContain('9 mm of rain')
    expect(
      held(plan({ [addDays(on('scarify'), -1)]: { rain: 16 } }), 'wet').length,
    ).toBeGreaterThan(0)
    expect(held(plan({ [on('scarify')]: { rain: 7 } }), 'wet')).toEqual([])
  })
  it('a downpour on the day of seed or the day after; half as much on a slope', () => {
    expect(held(plan({ [addDays(on('sow'), 1)]: { rain: 26 } }), 'downpour').length).toBe(1)
    expect(held(plan({ [addDays(on('sow'), 1)]: { rain: 14 } }), 'downpour')).toEqual([])
    const bank = { zones: [zone({ slope: '1 in 4' })] }
    const sown = step(planOf(bank), 'sow')!.chosen
    expect(held(plan({ [addDays(sown, 1)]: { rain: 14 } }, bank), 'downpour').length).toBe(1)
  })
  it('wind of 15 km/h for spreading; not for coring', () => {
    const windy = plan({ [on('sow')]: { wind: 18 } })
    expect(
      held(windy, 'wind')
        .map((n) => n.title)
        .join(),
    ).toContain('too windy')
    expect(held(plan({ [on('scarify')]: { wind: 30 } }), 'wind')).toEqual([])
  })
  it('35 °C for opening turf, 30 °C for seed and opened turf that nobody waters', () => {
    expect(held(plan({ [on('scarify')]: { high: 36 } }), 'heat').length).toBeGreaterThan(0)
    expect(held(plan({ [on('sow')]: { high: 31 } }), 'heat')).toEqual([])
    const alone = { waterer: '' }
    expect(
      held(plan({ [step(planOf(alone), 'sow')!.chosen]: { high: 31 } }, alone), 'heat').length,
    ).toBeGreaterThan(0)
  })
  it('rain on the day a leaf spray has to dry', () => {
    const weedy: Partial<JobDraft> = {
      zones: [zone({ cover: { wanted: 50, weeds: 40, moss: 0, bare: 10 } })],
      schools: { weeds: 'spray-then-sow' },
    }
    const today = '2027-01-11'
    const sprayed = planOf(weedy, { today })
    const day = step(sprayed, 'spray')!.chosen
    const rain = planOf(weedy, {
      today,
      outlook: {
        source: 'x',
        simulated: true,
        days: [0, 1, 2, 3].map((i) => ({
          ...fair,
          day: addDays(day, i - 1),
          rain: i === 1 ? 3 : 0,
        })),
      },
    })
    expect(held(rain, 'rain')[0]!.says).toContain('label says for how many hours')
  })
  it('frost on warm turf cut to the ground', () => {
    const warm: Partial<JobDraft> = {
      site: { ...SOUTH, latitude: 33, frost: '1 Dec', soilTemperature: null },
      zones: [
        zone({
          present: ['bermudagrass'],
          sunHours: 9,
          approach: 'care',
          operations: { 'cut-first': { on: true }, 'cut-second': { on: true } },
        }),
      ],
    }
    const today = '2027-03-20'
    const day = step(planOf(warm, { today }), 'cut-second')?.chosen
    expect(day).toBeDefined()
    const cold = planOf(warm, {
      today,
      outlook: {
        source: 'x',
        simulated: true,
        days: [-1, 0, 1, 2, 3].map((i) => ({
          ...fair,
          day: addDays(day!, i),
          low: i <= 0 ? -1 : 8,
        })),
      },
    })
    expect(held(cold, 'frost').length).toBe(1)
  })
  it('a hold names the day, the figure and the source, and proposes the next day that suits; taking it moves the step and what hangs on it', () => {
    const windy = { [on('sow')]: { wind: 22 } }
    const before = plan(windy)
    const notice = before.notices.find((n) => n.id.endsWith('.wind') && n.move?.kind === 'sow')!
    expect(said(notice).says).toContain('22 km/h')
    expect(said(notice).says).toContain('Tarnmere, simulated')
    const { zones, day } = notice.move!
    expect(day > on('sow')).toBe(true)
    const after = plan(windy, {
      pins: Object.fromEntries(pinKeys('sow', zones).map((key) => [key, day])),
    })
    expect(step(after, 'sow')!.chosen).toBe(day)
    expect(step(after, 'water')!.chosen).toBe(day)
    expect(after.packages[0]!.fits).toBe(true)
    expect(after.notices.filter((n) => n.move?.kind === 'sow')).toEqual([])
    expect(after.notices.some((n) => n.id.endsWith('.pin'))).toBe(false)
  })
})

describe('what is read on the site itself', () => {
  const entry = (date: string, read: { rain: number | null; soil: number | null }): DiaryEntry =>
    diaryEntry.parse({
      id: `entry-${date}-${read.rain}-${read.soil}`,
      date,
      what: 'Read on site',
      read,
    })
  it('the gauge of yesterday makes ground too wet today, where the station had none', () => {
    const yesterday = addDays(TODAY, -1)
    const job = { pins: { 'scarify/z1': TODAY } }
    const dry = planOf(job, { outlook: outlook({}) })
    const wet = planOf(job, {
      outlook: outlook({}),
      diary: [entry(yesterday, { rain: 20, soil: null })],
    })
    expect(held(dry, 'wet')).toEqual([])
    expect(held(wet, 'wet')[0]!.says).toContain(
      '20 mm of rain, in the gauge on site the day before',
    )
    expect(
      withGauge(
        [{ day: yesterday, low: 5, high: 9, rain: 0 }],
        [entry(yesterday, { rain: 12, soil: null }), entry(yesterday, { rain: 3, soil: null })],
      )[0]!.rain,
    ).toBe(15)
  })
  it('the newest probe counts: of the diary, or of the form where that is later', () => {
    const soilOf = (soilReadOn: string, diary: DiaryEntry[]) =>
      Number(planOf({ site: { ...SOUTH, soilReadOn } }, { diary }).figures['job.soil-now']!.value)
    const read = [
      entry(addDays(TODAY, -3), { rain: null, soil: 12 }),
      entry(TODAY, { rain: null, soil: 14 }),
    ]
    expect(soilOf(addDays(TODAY, -9), read)).toBe(14)
    expect(soilOf(TODAY, read.slice(0, 1))).toBe(17.4)
  })
  it('a label that names dry hours is heard', () => {
    const job = (rainFree: string | null): Partial<JobDraft> => ({
      schools: { weeds: 'spray-then-sow' },
      pins: { 'spray/z1': addDays(TODAY, 3) },
      zones: [zone({ operations: rainFree ? { spray: { rainFree } } : {} })],
    })
    const day = addDays(TODAY, 3)
    expect(held(plan({ [day]: { rain: 3 } }, job(null)), 'rain')[0]!.says).toContain(
      'for how many hours',
    )
    expect(held(plan({ [day]: { rain: 3 } }, job('6 h')), 'rain')[0]!.says).toMatch(
      /The label wants 6 (h|hours) without rain/,
    )
  })
})
