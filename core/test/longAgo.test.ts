import { describe, expect, it } from 'vitest'
import { addDays, daysBetween } from '../src/calendar/day.ts'
import { soilOn } from '../src/climate/soilTemperature.ts'
import { blankEntry } from '../src/entities/diary.ts'
import { dayNumber } from '../src/calendar/day.ts'
import { planOf, zone } from './makeJob.ts'

describe('a job of long ago', () => {
  it('shows its grass when it came up, however late it is looked at', () => {
    const sown = '2026-03-06'
    const diary = [{ ...blankEntry('sow-tick-1', sown, 'Sow'), step: 'sow/z1', stepZones: ['z1'] }]
    const bare = zone({ cover: { wanted: 0, weeds: 0, moss: 0, bare: 100 }, present: [] })
    const at = (after: number) => {
      const follow = planOf({ zones: [bare] }, { today: addDays(sown, after), diary }).follow.packages[0]! // prettier-ignore
      const up = follow.up[0]!.figure.value as { low: string; high: string }
      return [daysBetween(sown, up.low), daysBetween(sown, String(follow.judge!.value))] as const
    }
    const [shows, judged] = at(60)
    for (const after of [150, 205, 300, 360, 800]) {
      const [low, judge] = at(after)
      expect(Math.abs(low - shows), `${after} days after`).toBeLessThanOrEqual(3)
      expect(Math.abs(judge - judged), `${after} days after`).toBeLessThanOrEqual(8)
    }
  })
  it('takes the soil of the same season where a day is not known', () => {
    const soil = Float64Array.from({ length: 700 }, (_, i) => i)
    const known = { soil, start: '2027-01-01' }
    const at = (day: string) => soilOn(known, dayNumber(day))
    expect([at('2027-01-01'), at('2026-12-31'), at('2026-01-01'), at('2025-12-31')]).toEqual([0, 364, 0, 364]) // prettier-ignore
    expect(soilOn(known, dayNumber('2027-01-01') + 700)).toBe(335)
    expect(soilOn({ soil: soil.subarray(0, 5), start: '2027-01-01' }, 0)).toBe(0)
  })
})
