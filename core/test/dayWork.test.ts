import { describe, expect, it } from 'vitest'
import { firmSchema } from '../src/entities/firm.ts'
import { readJob, type JobDraft } from '../src/entities/job.ts'
import { planJob } from '../src/pipeline.ts'
import { addDays } from '../src/calendar/day.ts'
import { dayWork } from '../src/present/dayWork.ts'
import { onTheDate } from '../src/present/onTheDate.ts'
import { overfull } from '../src/present/overfull.ts'
import { draft, said, TODAY, zone } from './makeJob.ts'

const workOf = (change: Partial<JobDraft> = {}) => {
  const { job } = readJob(draft(change))
  const plan = planJob(job!, { today: TODAY, firm: firmSchema.parse({}), diary: [] })
  return { plan, work: said(dayWork('j1', job!, plan, [])) }
}

describe('the work of a job, day by day', () => {
  it('holds every step of the plan, with what has to be known there', () => {
    const { plan, work } = workOf({
      site: {
        latitude: -44.2,
        frost: '25 Apr',
        address: '4 Lake Road',
        below: 'cable by the steps',
      },
      phone: '555 0101',
      notes: 'gate code 12',
    })
    expect(work.steps.map((s) => s.id)).toEqual(plan.steps.map((s) => s.id))
    expect([work.address, work.phone, work.below, work.notes]).toEqual([
      '4 Lake Road',
      '555 0101',
      'cable by the steps',
      'gate code 12',
    ])
    expect(work.steps.find((s) => s.kind === 'core')!.cautions).toContain('services')
  })
  it('each zone is worked at the rate of its own tool: 10 m² by hand beside 320 m² by machine, by hand', () => {
    const hours = (zones: ReturnType<typeof zone>[]) => {
      const { plan } = workOf({ zones })
      return Number(plan.figures[plan.steps.find((s) => s.kind === 'core')!.hours.id]!.value)
    }
    const [lawn, patch] = [zone({ id: 'a', name: 'Front', area: 320 }), zone({ id: 'b', name: 'Strip', area: 10 })] // prettier-ignore
    // Half an hour to set up; 3 passes at 800 m² an hour, and at 25 with the hand corer; two people.
    expect(hours([lawn])).toBeCloseTo((0.5 + (3 * 320) / 800) / 2, 9)
    expect(hours([lawn, patch])).toBeCloseTo((0.5 + (3 * 320) / 800 + (3 * 10) / 25) / 2, 9)
    expect(hours([patch, lawn])).toBeCloseTo((0.5 + (3 * 320) / 800 + (3 * 10) / 25) / 2, 9)
  })
  it('many zones are told as all but a few, and the largest lot of them without its names', () => {
    const zones = Array.from({ length: 14 }, (_, i) => zone({ id: `q${i}`, name: `Bed ${i}`, area: i < 2 ? 6 : 60 })) // prettier-ignore
    const { work } = workOf({ zones })
    expect(work.steps.find((s) => s.kind === 'scarify')!.where).toBe('all zones but Bed 0, Bed 1')
    expect(work.steps.find((s) => s.kind === 'core')!.how).toMatch(/^Bed 0, Bed 1: .*hand corer; the others: 3 passes/) // prettier-ignore
  })
  it('a sowing has its pans by zone, which make up the seed; a feed its weight', () => {
    const { plan, work } = workOf({
      zones: [zone({ id: 'a', name: 'Front' }), zone({ id: 'b', name: 'Back', area: 80 })],
    })
    const sow = work.steps.find((s) => s.kind === 'sow')!
    // Two passes, and a pan of its own for the tenth of each that lies bare.
    expect(sow.amounts.map((a) => [a.zone, a.pans])).toEqual([
      ['Front', 2],
      ['Front', 1],
      ['Back', 2],
      ['Back', 1],
    ])
    const seed = plan.zones.reduce((sum, z) => sum + Number(plan.figures[z.seed!.kg.id]!.value), 0)
    // Each pan is weighed to 50 g.
    expect(
      Math.abs(sow.amounts.reduce((sum, a) => sum + a.pans * Number(a.value), 0) - seed),
    ).toBeLessThan(0.1)
    expect(sow.where).toBe('all zones')
    const feed = work.steps.find((s) => s.kind === 'feed')!
    const fed = feed.amounts.reduce((sum, a) => sum + Number(a.value), 0)
    expect(fed).toBeCloseTo(
      Number(plan.figures[plan.materials.find((m) => m.id === 'feed')!.total]!.value),
      6,
    )
  })
  it('soil in lifts is told lift by lift, and the lifts make up the whole', () => {
    const { plan, work } = workOf({
      zones: [
        zone({ lowsDepth: 24, lowsShare: 40, cover: { wanted: 92, weeds: 4, moss: 0, bare: 4 } }),
      ],
    })
    const lifts = work.steps.filter((s) => s.kind === 'dress' || s.kind === 'dress-again')
    expect(lifts.length).toBeGreaterThan(1)
    expect(lifts.map((s) => s.amounts[0]!.detail)).toEqual(
      lifts.map((_, i) => `lift ${i + 1} of ${lifts.length}`),
    )
    const line = plan.materials.find((m) => m.id === 'dressing')!
    const whole = Number(plan.figures[line.cells.z1!]!.value)
    expect(lifts.reduce((sum, s) => sum + Number(s.amounts[0]!.value), 0)).toBeCloseTo(whole, 9)
  })
  it('a hold stands with the job, and a wait with its step', () => {
    const { work } = workOf({ zones: [zone({ pests: [{ kind: 'grubs', active: true }] })] })
    expect(work.holds.map((h) => h.title).join(' ')).toContain('live pests')
  })
})

describe('what will be seen on the customer’s date', () => {
  const on = (customerDate: string) => {
    const { plan } = workOf({ customerDate })
    return { then: said(onTheDate(plan, customerDate))!, plan }
  }
  it('as it is now, in the middle of the work, brown, a haze, right: and the notice agrees', () => {
    const { plan } = workOf()
    const sow = plan.packages[0]!.sowDay
    const days = [addDays(TODAY, 1), addDays(sow, -1), addDays(sow, 1), addDays(sow, 20), addDays(sow, 90)] // prettier-ignore
    const [now, open, brown, haze, right] = days.map((day) => on(day).then)
    expect(now!.seen).toMatch(/as it is now/)
    expect(open!.seen).toMatch(/middle of the work/)
    expect(brown!.seen).toMatch(/mostly brown/)
    expect(haze!.seen).toMatch(/green haze/)
    expect(right!.verdict).toBe('right')
    for (const day of days) {
      const { then, plan: dated } = on(day)
      const told = dated.notices.some((n) => n.id.endsWith('customer-date'))
      expect([day, told]).toEqual([day, then.verdict !== 'right'])
    }
    expect(onTheDate(plan, null)).toBeNull()
    // A date that has passed is asked about where it is entered, and nothing is planned towards it.
    const passed = workOf({ customerDate: addDays(TODAY, -5) }).plan
    expect(passed.notices.some((n) => n.id.endsWith('customer-date'))).toBe(false)
    expect(passed.packages[0]!.sowDay).toBe(sow)
  })
})

describe('a day with more work than the crew has hours', () => {
  const { work } = workOf()
  const sow = work.steps.find((s) => s.kind === 'sow')!.day
  const steps = work.steps.filter((s) => s.day === sow)
  const hours = steps.reduce((sum, s) => sum + s.hours * s.people, 0)
  it('says what can wait, for how long, and where there is room; a day that fits says nothing', () => {
    expect(overfull(sow, [{ ...work, steps }], new Map(), hours)).toBeNull()
    const later = addDays(sow, 2)
    const slack = steps.map((s) => ({ ...s, latest: addDays(sow, 9) }))
    const found = overfull(sow, [{ ...work, steps: slack }], new Map([[addDays(sow, 1), hours], [later, 0]]), hours / 2)! // prettier-ignore
    expect(found.hours).toBeCloseTo(hours)
    expect(found.mayWait.length).toBeGreaterThan(0)
    expect(found.mayWait[0]).toMatchObject({ job: 'j1', until: addDays(sow, 9), roomOn: later })
    expect(found.mayWait.reduce((sum, w) => sum + w.hours, 0)).toBeGreaterThanOrEqual(hours / 2 - 1)
  })
  it('what is pinned, done or has no slack does not wait', () => {
    const fixed = steps.map((s, i) => ({ ...s, latest: i % 2 ? sow : addDays(sow, 9), state: i % 2 ? s.state : ('pinned' as const) })) // prettier-ignore
    expect(overfull(sow, [{ ...work, steps: fixed }], new Map(), 0.1)!.mayWait).toEqual([])
  })
})
