import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { blankEntry, type DiaryEntry } from '../src/entities/diary.ts'
import { observationsOf, paceId } from '../src/learning/observations.ts'
import { ownNumber } from '../src/learning/ownNumber.ts'
import { learntNumbers } from '../src/present/learntNumbers.ts'
import { GRASSES } from '../src/reference/grasses.ts'
import { OPERATIONS } from '../src/reference/operations.ts'
import { num } from '../src/trace/figure.ts'
import { addDays } from '../src/calendar/day.ts'
import { planOf, TODAY, zone } from './makeJob.ts'

const tick = (step: string, date: string, hours: number | null, zones = ['z1'], id = step): DiaryEntry => ({ ...blankEntry(`tick-${id}`.replace(/\W/g, '-'), date, step), step, stepZones: zones, hours }) // prettier-ignore
const ground = zone({ thatch: 20, area: 400 })
const seen = (
  diary: DiaryEntry[],
  { zones = [ground], today = addDays(TODAY, 30), firm = {} } = {},
) => {
  // prettier-ignore
  const plan = planOf({ zones }, { today, diary, firm })
  return { plan, of: observationsOf(plan, diary, GRASSES) }
}

describe('a number of the firm’s own', () => {
  it('is the conjugate normal law on logarithms, by hand: 500 as three jobs, 300 once, 400 twice', () => {
    // (500³ · 300 · 400²)^(1/6) = 426.3
    const own = ownNumber([400, 300, 400], 500, 3, [50, 10_000])
    expect(own.offered).toBe(426)
    expect([own.n, own.middle, own.low, own.high]).toEqual([3, 400, 300, 400])
    // t(0.95, 2) = 2.92, common tables; s of the logs 0.1661.
    expect(own.between?.high).toBeCloseTo(363.4 * Math.exp((2.92 * 0.16609) / Math.sqrt(3)), 0)
  })
  it('lies between Juvena’s and the observed, nearer with every job, within its range', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 60, max: 5000, noNaN: true }), { minLength: 1, maxLength: 12 }),
        (observed) => {
          const { offered } = ownNumber(observed, 500, 3, [50, 10_000])
          expect(offered).toBeGreaterThanOrEqual(Math.min(500, ...observed) * 0.994)
          expect(offered).toBeLessThanOrEqual(Math.max(500, ...observed) * 1.006)
          const more = ownNumber([...observed, ...observed], 500, 3, [50, 10_000]).offered
          const mean = Math.exp(observed.reduce((a, x) => a + Math.log(x), 0) / observed.length)
          expect(Math.abs(Math.log(more / mean))).toBeLessThanOrEqual(Math.abs(Math.log(offered / mean)) + 0.006) // prettier-ignore
        },
      ),
    )
    expect(ownNumber([9], 5, 0, [1, 8]).offered).toBe(8)
  })
})

describe('observations of a job', () => {
  it('takes the rate of a step from its hours, setting up apart', () => {
    const plain = planOf({ zones: [ground] })
    const step = plain.steps.find((s) => s.kind === 'scarify')!
    const { plan, of } = seen([tick(step.id, step.chosen, 4.5)])
    // 400 m² in one pass or two, 4.5 h of all people, of which half an hour was setting up.
    const passes = plan.steps.find((s) => s.kind === 'scarify')!.passes
    expect(of).toEqual([
      expect.objectContaining({ value: OPERATIONS.scarify.rate!.id, is: (400 * passes) / 4, unit: 'm2/h', where: 'Lawn', on: step.chosen }), // prettier-ignore
    ])
  })
  it('says nothing without hours, of half a step, or of a step with one tick that has none', () => {
    const zones = [ground, { ...ground, id: 'z2', name: 'Back' }]
    const step = planOf({ zones }).steps.find((s) => s.kind === 'scarify')!
    expect(step.zones).toHaveLength(2)
    const of = (...diary: DiaryEntry[]) => seen(diary, { zones }).of.filter((o) => o.value.includes('carif')) // prettier-ignore
    expect(of(tick(step.id, step.chosen, null, ['z1', 'z2']))).toEqual([])
    expect(of(tick(step.id, step.chosen, 4, ['z1']))).toEqual([])
    expect(of(tick(step.id, step.chosen, 4, ['z1'], 'a'), tick(step.id, step.chosen, null, ['z2'], 'b'))).toEqual([]) // prettier-ignore
  })
  it('hardly moves with the number the firm goes by, so that using it does not feed on itself', () => {
    const step = planOf({ zones: [ground] }).steps.find((s) => s.kind === 'scarify')!
    const rate = (firm: object) => seen([tick(step.id, step.chosen, 6)], { firm }).of[0]!.is
    expect(rate({ values: { [OPERATIONS.scarify.rate!.id]: 300 } })).toBe(rate({}))
  })
  it('takes plants in frames for the share of live seed that stood, once it may be judged', () => {
    const bare = zone({ cover: { wanted: 0, weeds: 0, moss: 0, bare: 100 }, present: [] })
    const sow = planOf({ zones: [bare] }).steps.find((s) => s.kind === 'sow')!
    const sown = [tick(sow.id, sow.chosen, null)]
    const counted = (date: string): DiaryEntry => ({ ...blankEntry(`count-${date}`, date, 'Counted'), zone: 'z1', counted: { side: 0.1, plants: [60, 50, 70] } }) // prettier-ignore
    const early = addDays(sow.chosen, 3)
    expect(seen([...sown, counted(early)], { zones: [bare], today: early }).of.filter((o) => o.value.startsWith('seed.'))).toEqual([]) // prettier-ignore
    const late = addDays(sow.chosen, 60)
    const { plan, of } = seen([...sown, counted(late)], { zones: [bare], today: late })
    const stood = of.find((o) => o.value.startsWith('seed.contact.'))!
    // 180 plants in three frames of 100 cm² are 0.6 on a square centimetre.
    expect(stood.is).toBeCloseTo((100 * 0.6) / num(plan.zones[0]!.seed!.live), 9)
  })
  it('takes the pace of a sowing of one grass, and none of a mix', () => {
    const bare = (mix: { grass: string; share: number }[]) => zone({ cover: { wanted: 0, weeds: 0, moss: 0, bare: 100 }, present: [], mix }) // prettier-ignore
    const rye = [bare([{ grass: 'perennial-ryegrass', share: 100 }])]
    const both = [bare([{ grass: 'perennial-ryegrass', share: 60 }, { grass: 'creeping-red-fescue', share: 40 }])] // prettier-ignore
    const sow = planOf({ zones: rye }).steps.find((s) => s.kind === 'sow')!
    const day = addDays(sow.chosen, 9)
    const diary = [tick(sow.id, sow.chosen, null), { ...blankEntry('count-none', day, 'Counted'), zone: 'z1', counted: { side: 0.1, plants: [0, 0, 0, 0] } }] // prettier-ignore
    const pace = seen(diary, { zones: rye, today: day }).of.find((o) => o.value === paceId('perennial-ryegrass'))! // prettier-ignore
    expect(pace.is).toBeGreaterThan(1)
    expect(seen(diary, { zones: both, today: day }).of.filter((o) => o.value.startsWith('pace.'))).toEqual([]) // prettier-ignore
  })
  it('puts those of all jobs together, and leaves out a number that is no more', () => {
    const one = (value: string, is: number, on: string) => ({ value, unit: 'm2/h' as const, is, where: 'Lawn', on, entry: on, job: on, name: 'A job' }) // prettier-ignore
    const id = OPERATIONS.core.rate!.id
    const [core, ...rest] = learntNumbers([one(id, 900, '2027-03-01'), one(id, 700, '2027-03-09'), one('gone.gone', 1, '2027-03-01')], {}) // prettier-ignore
    expect(rest).toEqual([])
    expect([core!.n, core!.usual, core!.newest[0]!.is]).toEqual([2, OPERATIONS.core.rate!.is, 700])
  })
})
