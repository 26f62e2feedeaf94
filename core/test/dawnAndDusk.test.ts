import { Body, Observer, SearchRiseSet } from 'astronomy-engine'
import { describe, expect, it } from 'vitest'
import { dayNumber } from '../src/calendar/day.ts'
import { instantAt } from '../src/light/localClock.ts'
import { hourOfClock, runTimes } from '../src/entities/clockTimes.ts'
import { dawnAndDusk } from '../src/light/dawnAndDusk.ts'
import { draft, planOf, SOUTH } from './makeJob.ts'

describe('dawn and dusk', () => {
  it.each([
    ['2027-03-02', -44.2, 170.1, 'Pacific/Auckland'],
    ['2027-06-21', 51.5, -0.1, 'Europe/London'],
    ['2027-09-15', 33.9, -84.4, 'America/New_York'],
    // The clocks change that day.
    ['2027-04-04', -36.8, 174.8, 'Pacific/Auckland'],
  ])(
    'agree with astronomy-engine to two minutes: %s at %d, %d',
    (on, latitude, longitude, timeZone) => {
      // prettier-ignore
      const { dawn, dusk } = dawnAndDusk(on, { latitude, longitude, timeZone })!
      const place = new Observer(latitude, longitude, 0)
      for (const [hour, way] of [
        [dawn, 1],
        [dusk, -1],
      ] as const) {
        // prettier-ignore
        const ours = instantAt(dayNumber(on), hour * 60, timeZone, longitude)
        const theirs = SearchRiseSet(Body.Sun, place, way, new Date(ours - 6 * 3_600_000), 1)!
        expect(Math.abs(theirs.date.getTime() - ours)).toBeLessThan(2 * 60_000)
      }
    },
  )
  it('are not there where the sun stays up', () => {
    expect(dawnAndDusk('2027-06-21', { latitude: 70, longitude: 25, timeZone: 'Europe/Oslo' })).toBeNull() // prettier-ignore
  })
  it('are typed as people say them, before and after, in order of the clock', () => {
    const sun = { dawn: 6.9, dusk: 19.5 }
    expect(runTimes('dusk, 13:00, 30 min after dawn', sun)).toEqual([
      { time: '07:25', bySun: '30 min after dawn' },
      { time: '13:00', bySun: null },
      { time: '19:30', bySun: 'dusk' },
    ])
    expect(runTimes('1.5 h before sunset', sun)![0]!.time).toBe('18:00')
    for (const wrong of ['before dusk', '40 h before dusk', 'moonrise', 'dusk 19:00'])
      expect(runTimes(wrong, sun), wrong).toBeNull()
  })
  it('time the runs of a plan by the day of its sowing, and say both', () => {
    const { timeZone } = { timeZone: 'Pacific/Auckland' }
    const plan = planOf(draft({ site: { ...SOUTH, timeZone, runsAt: 'dawn, 30 min before dusk' } }))
    const { times, timesSaid } = plan.follow.water!
    const sun = dawnAndDusk(plan.packages[0]!.sowDay, { ...SOUTH, timeZone })!
    expect(Math.abs(hourOfClock(times[0]!) - sun.dawn)).toBeLessThan(0.05)
    expect(timesSaid).toBe(`dawn (${times[0]}), 30 min before dusk (${times[1]})`)
    const barred = planOf(draft({ site: { ...SOUTH, timeZone, runsAt: 'dusk', restrictions: 'no hoses 18–24' } })) // prettier-ignore
    expect(hourOfClock(barred.follow.water!.times[0]!)).toBeLessThan(18)
  })
})
