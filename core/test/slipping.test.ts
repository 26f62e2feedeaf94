import { describe, expect, it } from 'vitest'
import { addDays, daysBetween } from '../src/calendar/day.ts'
import { blankEntry, type DiaryEntry } from '../src/entities/diary.ts'
import type { ZoneDraft } from '../src/entities/job.ts'
import { planOf, SOUTH, zone } from './makeJob.ts'

/** Rain or another job comes between: what was begun goes on, as soon as it may (common practice). */
const BARE = { wanted: 2, weeds: 3, moss: 0, bare: 95 }
const NORTH = { latitude: 51, longitude: 0, frost: '1 Nov' }
const WARM = { latitude: 33, longitude: -84, frost: '12 Nov' }
const JOBS: [string, object, Partial<ZoneDraft>, string][] = [
  ['overseeded, south', SOUTH, {}, '2027-02-10'],
  ['bare, north', NORTH, { cover: BARE }, '2027-08-16'],
  ['overseeded, north', NORTH, { thatch: 22 }, '2027-08-16'],
  ['bermuda', WARM, { present: ['bermudagrass'], cover: BARE }, '2027-05-20'],
  ['cored and fed, not sown', NORTH, { cover: { wanted: 96, weeds: 2, moss: 2, bare: 0 } }, '2027-08-25'], // prettier-ignore
]
type Plan = ReturnType<typeof planOf>
const tick = (s: Plan['steps'][number], i: number): DiaryEntry => ({ ...blankEntry(`tick-${String(i).padStart(4, '0')}`, s.chosen, s.kind), step: s.id, stepZones: s.zones }) // prettier-ignore

describe('work that was begun and slips', () => {
  it.each(JOBS)(
    '%s: after every step and any pause of up to nine days it goes on',
    (_, site, change, today) => {
      // prettier-ignore
      const at = (day: string, diary: DiaryEntry[] = []) => planOf({ site: site as never, zones: [zone(change)] }, { today: day, diary }) // prettier-ignore
      const plan = at(today)
      const main = plan.packages.find((p) => p.kind !== 'due')!
      const steps = plan.steps.filter((s) => s.workPackage === main.id && s.chosen <= main.sowDay && s.kind !== main.anchor) // prettier-ignore
      expect(steps.length).toBeGreaterThan(1)
      for (let k = 0; k < steps.length; k++)
        for (const pause of [1, 2, 5, 9]) {
          const day = addDays(steps[k]!.chosen, pause)
          if (daysBetween(day, String(main.cutOff.value)) < 10) continue
          const later = at(day, steps.slice(0, k + 1).map(tick))
          const now = later.packages.find((p) => p.id === main.id)!
          const about = `${steps[k]!.kind}, ${pause} days`
          expect(now.verdict, about).toBe('')
          expect(now.fits, about).toBe(true)
          // No further off than the work that is left, and weekends between.
          expect(daysBetween(day, now.sowDay), about).toBeLessThanOrEqual(14)
        }
    },
  )
  it('says since when it stood and what is done again', () => {
    const at = (today: string, kinds: [string, string][]) =>
      planOf({ zones: [zone({ cover: BARE })] }, { today, diary: kinds.map(([kind, date]) => ({ ...blankEntry(`tick-${kind}`, date, kind), step: `${kind}/z1`, stepZones: ['z1'] })) }) // prettier-ignore
    const done: [string, string][] = [['notice', '2027-02-15'], ['mark', '2027-02-16'], ['scarify', '2027-02-16'], ['clear', '2027-02-16'], ['loosen', '2027-02-16'], ['grade', '2027-02-16'], ['firm', '2027-02-16'], ['roughen', '2027-02-16']] // prettier-ignore
    const stood = (today: string) => at(today, done).notices.find((n) => n.kind === 'stood')
    expect(stood('2027-02-17')).toBeUndefined()
    expect(stood('2027-02-26')?.title).toBe('Lawn: the work has stood since Tue 16 Feb.')
    expect(stood('2027-02-26')?.says).toMatch(
      /rake it open again, lightly, straight before the seed/,
    )
  })
})
