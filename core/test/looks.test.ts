import { describe, expect, it } from 'vitest'
import { addDays, daysBetween, dayNumber, weekday } from '../src/calendar/day.ts'
import { blankEntry, type DiaryEntry } from '../src/entities/diary.ts'
import type { JobDraft } from '../src/entities/job.ts'
import type { StepKind } from '../src/reference/operations.ts'
import type { JobPlan } from '../src/plan/jobPlan.ts'
import { planOf, zone } from './makeJob.ts'

/**
 * Looks: what is counted or seen at a visit decides what is done. Larvae again while moths fly, a
 * look at core holes after two weeks, a pre-emergence on thin warm turf in late autumn only where it
 * has not closed, thin places sown again at the one-month visit: common practice.
 */
const SITE = { latitude: 50, frost: '30 Oct' }
const full = { cover: { wanted: 94, weeds: 4, moss: 1, bare: 1 }, sowing: 'none' as const }
const plan = (today: string, draft: Partial<JobDraft>, diary: DiaryEntry[] = []) =>
  planOf({ waterer: 'owner', ...draft }, { today, diary })
const stepOf = (p: Pick<JobPlan, 'steps'>, kind: StepKind, part?: number) =>
  p.steps.find((s) => s.kind === kind && s.part === part)
const ticked = (step: string, date: string, found: Partial<DiaryEntry['found'] & object>) => ({
  ...blankEntry(`look-${step.replace(/\W/g, '-')}-${date}`, date, 'looked'),
  step,
  stepZones: ['z1'],
  found: { cover: null, seen: null, ...found },
})
const works = (day: string) => {
  let d = day
  while ([0, 6].includes(weekday(dayNumber(d)))) d = addDays(d, 1)
  return d
}

describe('a look decides what is done', () => {
  const larvae: Partial<JobDraft> = {
    site: SITE as never,
    zones: [zone({ ...full, pests: [{ kind: 'larvae', active: true, peak: '2027-06-01' }] as never })], // prettier-ignore
  }
  it('larvae are treated again, and looked for again, every 14 days while moths fly, three looks at most', () => {
    const first = plan('2027-06-05', larvae)
    const treated = stepOf(first, 'treat-pests')!.chosen
    const look = stepOf(first, 'look-moths')!
    expect(look.chosen).toBe(works(addDays(treated, 14)))
    expect(look.look!.answer).toBeNull()
    expect(stepOf(first, 'treat-pests', 2)).toBeUndefined()
    expect(stepOf(first, 'look-moths', 2)).toBeUndefined()

    const seen = ticked('look-moths/z1', look.chosen, { seen: true })
    const again = plan(look.chosen, larvae, [seen])
    expect(stepOf(again, 'treat-pests', 2)!.chosen).toBe(look.chosen)
    const next = stepOf(again, 'look-moths', 2)!
    expect(next.chosen).toBe(works(addDays(look.chosen, 14)))
    const third = plan(next.chosen, larvae, [seen, ticked('look-moths#2/z1', next.chosen, { seen: true })]) // prettier-ignore
    expect(stepOf(third, 'look-moths', 3)).toBeDefined()
    const last = ticked('look-moths#3/z1', addDays(next.chosen, 14), { seen: true })
    const end = plan(next.chosen, larvae, [seen, ticked('look-moths#2/z1', next.chosen, { seen: true }), last]) // prettier-ignore
    expect(stepOf(end, 'look-moths', 4)).toBeUndefined()
    expect(stepOf(end, 'treat-pests', 4)).toBeDefined()

    const gone = plan(look.chosen, larvae, [ticked('look-moths/z1', look.chosen, { seen: false })])
    expect(stepOf(gone, 'treat-pests', 2)).toBeUndefined()
    expect(stepOf(gone, 'look-moths')!.look!.answer).toBe('no')
  })
  it('core holes are looked at two weeks after coring; larvae round them are treated', () => {
    const job = { site: SITE as never, zones: [zone({ ...full, penetration: 'stops', soilMoist: true })] } // prettier-ignore
    const p = plan('2027-08-10', job)
    const look = stepOf(p, 'look-holes')!
    expect(look.chosen).toBe(works(addDays(stepOf(p, 'core')!.chosen, 14)))
    const seen = plan('2027-08-10', job, [ticked('look-holes/z1', look.chosen, { seen: true })])
    expect(seen.steps.some((s) => s.kind === 'treat-pests' && s.chosen === look.chosen)).toBe(true)
  })
  it('thin warm turf is counted as winter weeds come up: under 70 % a pre-emergence, else none; never where it is sown or nothing is sprayed', () => {
    const thin = { cover: { wanted: 78, weeds: 12, moss: 0, bare: 10 }, present: ['bermudagrass'], heightOfCut: 25, sunHours: 8 } as never // prettier-ignore
    const job = (more: object): Partial<JobDraft> => ({
      site: { latitude: 33.5, frost: '10 Nov' } as never,
      zones: [zone({ ...(thin as object), thatch: 20, sowing: 'none', ...more })],
    })
    const p = plan('2027-04-20', job({}))
    const look = stepOf(p, 'look-cover')!
    expect(look.chosen.slice(5, 7), look.chosen).toMatch(/09|10|11/)
    const at = (cover: number) =>
      plan('2027-04-20', job({}), [ticked('look-cover/z1', look.chosen, { cover })])
    const down = at(69).steps.filter((s) => s.kind === 'pre-emergence' && s.chosen >= look.chosen)
    expect(down.map((s) => daysBetween(look.chosen, s.chosen))).toEqual([0])
    expect(at(70).steps.some((s) => s.kind === 'pre-emergence')).toBe(false)
    expect(stepOf(plan('2027-04-20', job({ sowing: 'over' })), 'look-cover')).toBeUndefined()
  })
  it('thin places are sown again at the one-month visit while the season lasts, in the next where it is over', () => {
    const job = { site: SITE as never, zones: [zone({ cover: { wanted: 60, weeds: 5, moss: 0, bare: 35 }, present: ['perennial-ryegrass'] as never })] } // prettier-ignore
    const p = plan('2027-08-02', job)
    const visit = stepOf(p, 'visit')!
    const cutOff = String(p.packages.find((x) => x.plants)!.cutOff.value)
    const at = (cover: number) =>
      plan('2027-08-02', job, [ticked('visit/z1', visit.chosen, { cover })])
    const sown = at(55).steps.find((s) => s.kind === 'resow')!
    expect(sown.chosen >= visit.chosen).toBe(true)
    expect(visit.chosen > cutOff || sown.chosen <= cutOff, sown.chosen).toBe(true)
    expect(at(85).steps.some((s) => s.kind === 'resow')).toBe(false)
    // The count is taken from the last record; a struck one leaves the question open.
    const first = ticked('visit/z1', visit.chosen, { cover: 55 })
    const struck = { ...blankEntry('struck-out-1', visit.chosen, 'struck out'), corrects: first.id }
    expect(plan('2027-08-02', job, [first, struck]).steps.some((s) => s.kind === 'resow')).toBe(false) // prettier-ignore
  })
})

describe('a pre-emergence round coring', () => {
  const warm = (today: string, more: object) =>
    plan(today, {
      site: { latitude: 33.5, frost: '10 Nov' } as never,
      zones: [
        zone({ ...full, present: ['bermudagrass'] as never, heightOfCut: 25, penetration: 'stops', soilMoist: true, weedsSeen: ['crabgrass'] as never, ...more }), // prettier-ignore
      ],
    })
  it('goes down in two halves, before and straight after, while the first still stands', () => {
    const p = warm('2027-02-20', { operations: { 'pre-emergence': { on: true } } })
    const [first, core, again] = (['pre-emergence', 'core', 'pre-emergence-again'] as const).map(
      (kind) => stepOf(p, kind)!,
    )
    expect(first!.chosen < core!.chosen).toBe(true)
    expect([0, 1]).toContain(daysBetween(core!.chosen, again!.chosen))
    expect(JSON.stringify(first!.how)).toContain('half the dose')
  })
  it('is whole where coring is done before it, and nothing renews it', () => {
    const p = warm('2027-06-10', { operations: { 'pre-emergence': { on: true } } })
    expect(stepOf(p, 'core')!.chosen < stepOf(p, 'pre-emergence')!.chosen).toBe(true)
    expect(stepOf(p, 'pre-emergence-again')).toBeUndefined()
    expect(JSON.stringify(stepOf(p, 'pre-emergence')!.how)).not.toContain('half')
  })
})
