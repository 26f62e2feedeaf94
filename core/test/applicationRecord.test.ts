import { describe, expect, it } from 'vitest'
import { daysBetween } from '../src/calendar/day.ts'
import { blankEntry, STRUCK_OUT, type DiaryEntry } from '../src/entities/diary.ts'
import { firmSchema } from '../src/entities/firm.ts'
import { readJob } from '../src/entities/job.ts'
import { planJob } from '../src/pipeline.ts'
import { applicationRecord } from '../src/present/applicationRecord.ts'
import { draft, planOf, said, TODAY, zone } from './makeJob.ts'

const label = { id: 's', does: 'spray' as const, product: 'Meadow Clear', active: 'made-upram', number: '12/34', rate: '40 mL/100 m²', carrier: '10 L/100 m²', tank: '15 L', reentry: '24 h', clothing: 'gloves' } // prettier-ignore
const lawn = zone({ area: '200 m²', approach: 'care', sowing: 'none', weedsSeen: ['daisy'], operations: { spray: { on: true } } }) // prettier-ignore
function record(diary: DiaryEntry[] = [], more: object = {}) {
  const { job } = readJob(draft({ zones: [lawn], sprays: [{ ...label, ...more }] } as never))
  const plan = planJob(job!, { today: TODAY, firm: firmSchema.parse({}), diary })
  return said(applicationRecord(plan, job!, diary))
}
const tick = { ...blankEntry('spraytick1', '2027-02-20', 'Spray'), step: 'spray/z1', stepZones: ['z1'], product: 'Other Clear', amount: '75 mL', who: 'Rua', weather: { low: 9, high: 19, rain: 0, wind: 8, source: 'gauge' } } // prettier-ignore

describe('the record of what was put down', () => {
  it('before it is done: product, active, number, ground, weeds, rate, amount, tank, people', () => {
    const [one] = record()
    expect(one).toMatchObject({ done: false, product: 'Meadow Clear', active: 'made-upram', number: '12/34', where: 'Lawn (200 m²)', against: ['daisy'], who: '' }) // prettier-ignore
    // 40 mL on 100 m² is 80 mL on 200, in 20 L: one tank of 15 L and a last of 5.
    expect(one!.amount).toBe('Lawn 0.08 L')
    expect(one!.water).toContain('1 × 15 L with 60 mL in each, the last 5 L with 20 mL')
    expect(one!.people).toBe('keep off for 24 h; wear gloves')
  })
  it('once it is done it stands as it was written, whatever the job says later', () => {
    const [one] = record([tick])
    expect(one).toMatchObject({ done: true, product: 'Other Clear', amount: '75 mL', who: 'Rua', day: '2027-02-20' }) // prettier-ignore
    expect(one!.weather).toBe('9 °C to 19 °C, wind to 8 km/h, rain 0 mm')
  })
  it('struck out, it is planned again', () => {
    const struck = { ...blankEntry('strike1', TODAY, STRUCK_OUT), corrects: 'spraytick1' }
    expect(record([tick, struck])[0]!.done).toBe(false)
  })
})

describe('the wait on a label', () => {
  const sown = (more: object) => {
    const plan = planOf(draft({ zones: [zone({ operations: { spray: { on: true } } })], sprays: [{ ...label, ...more }] } as never)) // prettier-ignore
    const day = (kind: string) => plan.steps.find((s) => s.kind === kind)!.chosen
    return daysBetween(day('spray'), day('sow'))
  }
  it('stands between the spray and the seed, and takes the place of the usual one', () => {
    expect(sown({ waitSow: '5 days' })).toBeGreaterThanOrEqual(5)
    expect(sown({ waitSow: '5 days' })).toBeLessThan(sown({}))
    expect(sown({ waitSow: '60 days' })).toBeGreaterThanOrEqual(60)
  })
})
