import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { firmSchema, type FirmDraft } from '../src/entities/firm.ts'
import { readJob } from '../src/entities/job.ts'
import { buyFrom, hireFor } from '../src/money/hire.ts'
import { machinesOfAll, machinesWanted, type MachineWanted } from '../src/money/machinesOfAll.ts'
import type { JobPlan } from '../src/plan/jobPlan.ts'
import { sure } from '../src/quantities/sure.ts'
import { draft, planOf, said, TODAY, zone } from './makeJob.ts'

const corer = { id: 'c', name: 'Corer', does: 'core', half: 70, day: 100 }
const firmWith = (machine: object = {}, more: FirmDraft = {}) =>
  firmSchema.parse({ ...more, prices: { labour: 40, machines: [{ ...corer, ...machine }] } })
const wants = (job: string, ...days: [string, number][]): MachineWanted => ({
  job,
  name: job,
  machine: 'c',
  work: 'Core',
  days: days.map(([day, hours]) => ({ day, hours })),
})
const one = (wanted: MachineWanted[], machine: object = {}) =>
  sure(machinesOfAll(wanted, firmWith(machine), TODAY)[0])

describe('a machine over several jobs', () => {
  it('shares a half day of two hours each, and a whole day of three each, by hand', () => {
    // Half days of four hours at 70, whole ones at 100.
    const short = one([wants('a', ['2027-03-02', 2]), wants('b', ['2027-03-02', 2])])
    expect([short.together?.cost, said(short.together?.says), short.apart]).toEqual([
      70_000,
      '1 half day',
      140_000,
    ])
    const long = one([wants('a', ['2027-03-02', 3]), wants('b', ['2027-03-02', 3])])
    expect([long.together?.cost, long.apart, long.days[0]?.over]).toEqual([100_000, 140_000, false])
  })
  it('says where a day asks for more than it has, and hires a second for the rest', () => {
    // Ten hours: a day of eight and a half day of two.
    const { days, together } = one([wants('a', ['2027-03-02', 5]), wants('b', ['2027-03-02', 5])])
    expect([days[0]?.over, days[0]?.hours, together?.cost]).toEqual([true, 10, 170_000])
    expect(days[0]?.jobs.map((j) => j.job)).toEqual(['a', 'b'])
  })
  it('counts from today on; one of its own costs no hire, one without a price is told without', () => {
    expect(machinesOfAll([wants('a', ['2027-02-01', 3])], firmWith(), TODAY)).toEqual([])
    expect(one([wants('a', ['2027-03-02', 3])], { own: 12 })).toMatchObject({
      own: true,
      together: null,
      apart: null,
      buyFrom: null,
    })
    const free = one([wants('a', ['2027-03-02', 6])], { half: 70, day: null })
    expect(free.together?.cost).toBe(140_000)
    expect(one([wants('a', ['2027-03-02', 3])], { half: null, day: null }).together).toBeNull()
  })
  it('is bought from so many jobs a year: 3,000 over six years is 500, five jobs at 100', () => {
    expect(buyFrom({ buy: 3000, keeps: 6 }, 100)).toBe(5)
    expect([buyFrom({ buy: null, keeps: 6 }, 100), buyFrom({ buy: 3000, keeps: 6 }, null)]).toEqual([null, null]) // prettier-ignore
    const jobs = ['a', 'b', 'c'].map((j, i) => wants(j, [`2027-03-0${i + 1}`, 6]))
    const far = wants('d', ['2028-04-01', 6])
    expect(one([...jobs, far], { buy: 3000, keeps: 6 })).toMatchObject({ jobs: 3, buyFrom: 5 })
  })
  it('is never dearer together than apart, never under the cheapest hour, and each day is whole', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 1, max: 9 }), fc.double({ min: 0.2, max: 8, noNaN: true })), { minLength: 1, maxLength: 9 }),
        (uses) => {
          const list = uses.map(([d, h], i) => wants(`j${i}`, [`2027-03-0${d}`, h]))
          const { together, apart, days } = one(list, { weekend: 150 })
          expect(sure(together).cost).toBeLessThanOrEqual(sure(apart))
          const hours = days.reduce((a, d) => a + d.hours, 0)
          expect(hours).toBeCloseTo(uses.reduce((a, [, h]) => a + h, 0), 9)
          // A weekend of two days of eight hours at 150 is the least that an hour can cost.
          expect(sure(together).cost).toBeGreaterThanOrEqual((hours / 16) * 150_000 - 1e-6)
        },
      ),
      { numRuns: 300 },
    ) // prettier-ignore
  })
})

describe('what a job wants', () => {
  const wantedOf = (change: object = {}) => {
    const job = draft({ zones: [zone(change)] })
    const plan = planOf(job, { firm: { prices: { labour: 40, machines: [corer] } } as FirmDraft })
    return {
      plan,
      wanted: machinesWanted('j', sure(readJob(job).job), plan as unknown as JobPlan, firmWith()),
    }
  }
  it('is the hours of its own steps, on their days', () => {
    const { plan, wanted } = wantedOf()
    const core = sure(plan.steps.find((s) => s.kind === 'core'))
    expect(wanted).toMatchObject([{ job: 'j', machine: 'c', days: [{ day: core.chosen }] }])
    expect(wanted[0]?.days[0]?.hours).toBeCloseTo(Number(core.hours.value), 9)
    const money = plan.money?.lines.find((l) => l.group === 'machines')
    expect(money?.money).toBe(sure(hireFor(sure(wanted[0]).days, { half: 70_000, day: 100_000, weekend: null })).cost) // prettier-ignore
  })
  it('is nothing where the work is switched off or the customer’s', () => {
    expect(wantedOf({ operations: { core: { on: false } } }).wanted).toEqual([])
    expect(wantedOf({ operations: { core: { byCustomer: true } } }).wanted).toEqual([])
  })
})
