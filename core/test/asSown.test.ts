import { describe, expect, it } from 'vitest'
import { addDays } from '../src/calendar/day.ts'
import { blankEntry, type DiaryEntry } from '../src/entities/diary.ts'
import type { ZoneDraft } from '../src/entities/job.ts'
import { isBehind } from '../src/plan/stepState.ts'
import { planOf, SOUTH, step, valueOf, zone } from './makeJob.ts'

/** What went down stays what it was, whatever the season does afterwards (common practice). */
const sow = (date: string): DiaryEntry => ({ ...blankEntry('sow-tick-01', date, 'Sow'), step: 'sow/z1', stepZones: ['z1'] }) // prettier-ignore
const BARE = { wanted: 2, weeds: 3, moss: 0, bare: 95 }
const NORTH = { latitude: 44.2, longitude: 5, frost: '25 Oct' }
const WARM = { latitude: 33, longitude: -84, frost: '12 Nov' }
const LAWNS: [string, object, Partial<ZoneDraft>, string][] = [
  ['bare, late summer, south', SOUTH, { cover: BARE }, '2027-02-25'],
  ['overseeded, late summer, south', SOUTH, {}, '2027-02-25'],
  ['bare, in the last week, south', SOUTH, { cover: BARE }, '2027-03-10'],
  ['bare, late summer, north', NORTH, { cover: BARE }, '2027-08-26'],
  ['bluegrass, north', NORTH, { present: ['kentucky-bluegrass'], cover: BARE }, '2027-08-20'],
  ['bare, spring, north', NORTH, { cover: BARE }, '2027-04-20'],
  ['bermuda, late spring', WARM, { present: ['bermudagrass'], cover: BARE }, '2027-05-25'],
  ['a small patch', SOUTH, { area: 8, cover: BARE }, '2027-02-25'],
]

describe('ground that is sown', () => {
  it.each(LAWNS)('%s: stays as it was sown through its year', (_, site, change, day) => {
    const at = (today: string, diary = [sow(day)]) => planOf({ site: site as never, zones: [zone(change)] }, { today, diary }) // prettier-ignore
    const then = at(day, [])
    const is = (p: typeof then) => [p.zones[0]!.sowing, p.zones[0]!.approach.chosen, p.zones[0]!.seed?.name, valueOf(p, 'zone:z1.seed.kg')] // prettier-ignore
    for (const days of [1, 8, 15, 40, 100, 180]) {
      const later = at(addDays(day, days))
      expect(is(later), `after ${days} days`).toEqual(is(then))
      expect(step(later, 'sow')!.chosen).toBe(day)
      // Its day is no longer argued with.
      expect(later.notices.filter((n) => n.kind === 'marginal' || n.kind === 'does-not-fit')).toEqual([]) // prettier-ignore
    }
  })
  it('what belongs to the day of seed is behind after a week, and due until then', () => {
    const at = (today: string, pins = {}) => planOf({ zones: [zone()], pins }, { today, diary: [sow('2027-02-25')] }) // prettier-ignore
    const open = (p: ReturnType<typeof at>) => p.steps.filter((s) => ['work-in', 'feed', 'cover', 'water'].includes(s.kind) && !isBehind(s)).map((s) => s.kind) // prettier-ignore
    expect(open(at('2027-02-27')).length).toBeGreaterThan(1)
    expect(open(at('2027-03-04')).length).toBeGreaterThan(1)
    const after = at('2027-03-05')
    expect(open(after)).toEqual([])
    expect(after.steps.filter((s) => s.kind === 'water').map((s) => [s.state, s.chosen])).toEqual([['unrecorded', '2027-02-25']]) // prettier-ignore
    // A feed that a person pinned to a later day is still to come.
    expect(open(at('2027-03-05', { 'feed/z1': '2027-03-08' }))).toContain('feed')
  })
})
