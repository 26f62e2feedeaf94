import { describe, expect, it } from 'vitest'
import { dayWork } from '../src/present/dayWork.ts'
import { parseQuantity } from '../src/quantities/quantity.ts'
import { firmSchema } from '../src/entities/firm.ts'
import { planJob } from '../src/pipeline.ts'
import { readJob } from '../src/entities/job.ts'
import { num } from '../src/trace/figure.ts'
import { draft, planOf, said, TODAY, zone } from './makeJob.ts'

const lawn = zone({ area: '500 m²', operations: { spray: { on: true } }, approach: 'care', sowing: 'none' }) // prettier-ignore
const spray = (more: object) => ({ id: 's', does: 'spray' as const, product: 'Selective 20', ...more }) // prettier-ignore
const plan = (more: object, zones: object[] = [lawn]) => planOf(draft({ zones: zones as never, sprays: [spray(more)] as never })) // prettier-ignore
const line = (p: ReturnType<typeof plan>) => p.materials.find((m) => m.kind === 'spray')!
const total = (p: ReturnType<typeof plan>) => num(p.figures[line(p).total]!)
const rate = (typed: string) => {
  const read = parseQuantity(typed, 'liquid')
  return read.ok ? read.value : NaN
}

describe('a grass that a label leaves out', () => {
  const said = (more: object, change: object = {}, does = 'spray') =>
    planOf(draft({ zones: [{ ...lawn, operations: { [does]: { on: true } }, ...change }] as never, sprays: [{ ...spray({ rate: '5 L/ha', ...more }), does }] as never })) // prettier-ignore
      .notices.filter((n) => n.id === `zone:z1.spray-label.${does}`)
  it('and that stands there holds the spray, by name; any other does not', () => {
    const [held] = said({ notOn: ['perennial-ryegrass', 'browntop'] })
    expect([held?.level, held?.zone]).toEqual(['hold', 'z1'])
    expect(held?.title).toContain('Selective 20 is not for')
    expect(held?.says).toContain('it stands there')
    expect(said({ notOn: ['zoysia'] })).toEqual([])
    expect(said({})).toEqual([])
    expect(said({ notOn: ['perennial-ryegrass'] }, { operations: {} })).toEqual([])
  })
  it('is no matter where the turf is meant to die', () => {
    const kill = { approach: 'renovate', sowing: null, operations: {} }
    expect(said({ notOn: ['perennial-ryegrass'] }, kill, 'kill')).toEqual([])
  })
  it('counts in the seed where it goes down with it, and a grass nobody knows is refused', () => {
    const sown = { approach: 'overseed', sowing: null, present: ['perennial-ryegrass'], mix: [{ grass: 'tall-fescue', share: 100 }] } // prettier-ignore
    const [held] = said({ notOn: ['tall-fescue'] }, { ...sown, operations: { 'seed-safe': { on: true } } }, 'seed-safe') // prettier-ignore
    expect(held?.says).toContain('it is sown with it')
    expect(said({ notOn: ['tall-fescue'] }, { ...sown, operations: { spray: { on: true } } })).toEqual([]) // prettier-ignore
    const { problems } = readJob(draft({ sprays: [spray({ notOn: [''] })] as never }))
    expect(problems.map((x) => x.path).join()).toContain('sprays[0].notOn')
  })
})

describe('a rate of a liquid', () => {
  it.each([
    ['5 L/ha', 0.5],
    ['40 mL/100 m²', 0.4],
    // 29.5735 mL on 92.903 m²: NIST SP 811.
    ['1 fl oz/1000 sq ft', 0.318327],
    ['1 fl oz/acre', 0.00730778],
    ['3 pt/acre', (3 * 473.176) / 4046.856],
    ['1 gal/1000 sq ft', 40.7458],
    // An imperial gallon is 1.20095 US ones; its fluid ounce 0.96076.
    ['1 imp gal/acre', (1.2009499 * 3785.411784) / 4046.8564],
    ['1 imp fl oz/acre', 28.4130625 / 4046.8564],
  ])('%s', (typed, ml) => {
    expect(Math.abs(rate(typed) - ml)).toBeLessThan(1e-5 * ml + 1e-9)
  })
  it('is refused where it is a weight or no rate', () => {
    for (const typed of ['3 oz/1000 sq ft', '5 L', '20 g/m²', 'a capful'])
      expect(rate(typed), typed).toBeNaN()
  })
})

describe('what is sprayed', () => {
  it('product, water and fills of the tank, by hand', () => {
    // 500 m² at 40 mL/100 m² are 200 mL, in 10 L/100 m² of water 50 L: 3 tanks of 15 L with 60 mL, 5 L with 20 mL.
    const p = plan({ rate: '40 mL/100 m²', carrier: '10 L/100 m²', tank: '15 L' })
    expect(total(p)).toBeCloseTo(0.2, 9)
    expect(said(line(p).detail)).toBe('3 × 15 L with 60 mL in each, the last 5 L with 20 mL')
  })
  it('tanks exactly full have no odd one, and a drop over is one', () => {
    const detail = (area: string) => said(line(plan({ rate: '40 mL/100 m²', carrier: '10 L/100 m²', tank: '10 L' }, [{ ...lawn, area }])).detail) // prettier-ignore
    expect(detail('500 m²')).toBe('5 × 10 L with 40 mL in each')
    expect(detail('500.1 m²')).toContain('the last 10 mL')
    expect(detail('30 m²')).toBe('3 L with 12 mL')
  })
  it('leaves ground out beside water, by shares of the zones; twice the ground is twice the product', () => {
    expect(total(plan({ rate: '40 mL/100 m²', buffer: '100 m²' }))).toBeCloseTo(0.16, 9)
    const two = plan({ rate: '40 mL/100 m²', buffer: '100 m²' }, [lawn, { ...lawn, id: 'z2', name: 'Back' }]) // prettier-ignore
    expect(total(two)).toBeCloseTo(0.36, 9)
    const job = readJob(draft({ zones: [lawn, { ...lawn, id: 'z2', name: 'Back' }] as never, sprays: [spray({ rate: '40 mL/100 m²', buffer: '100 m²' })] as never })).job! // prettier-ignore
    const raw = planJob(job, { today: TODAY, firm: firmSchema.parse({}), diary: [] })
    const step = dayWork('', job, raw, []).steps.find((x) => x.kind === 'spray')!
    expect(step.amounts.map((a) => Number(a.value).toFixed(3))).toEqual(['0.180', '0.180'])
  })
  it('on the leaf and watered in are never mixed; without a rate nothing is told', () => {
    const both = planOf(draft({ zones: [{ ...lawn, operations: { spray: { on: true }, 'pre-emergence': { on: true } } }] as never, sprays: [spray({ rate: '5 L/ha', acts: 'leaf' }), { id: 'p', does: 'pre-emergence', rate: '3 L/ha', acts: 'soil' }] as never })) // prettier-ignore
    expect(both.notices.find((n) => n.id === 'sprays.apart')!.level).toBe('hold')
    expect(plan({ rate: '5 L/ha', acts: 'leaf' }).notices.some((n) => n.id === 'sprays.apart')).toBe(false) // prettier-ignore
    expect(line(plan({ rate: null }))).toBeUndefined()
    expect(line(plan({ rate: '5 L/ha' }, [{ ...lawn, operations: {} }]))).toBeUndefined()
  })
  it('a rate no product goes on at is refused in words', () => {
    const { problems } = readJob(draft({ sprays: [spray({ rate: '5 L/m²' })] as never }))
    expect(problems[0]!.sentence).toContain('Check the unit')
  })
})
