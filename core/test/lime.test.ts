import { describe, expect, it } from 'vitest'
import { labReport } from '../src/formats/labReport.ts'
import { num } from '../src/trace/figure.ts'
import { addDays } from '../src/calendar/day.ts'
import { draft, planOf, TODAY, zone } from './makeJob.ts'

const acid = (more: object = {}, job: object = {}) => planOf(draft({ zones: [zone({ area: '200 m²', ph: 5.4, ...more })], ...job })) // prettier-ignore
const line = (plan: ReturnType<typeof acid>) => plan.materials.find((m) => m.kind === 'lime')
const value = (plan: ReturnType<typeof acid>, id: string) => num(plan.figures[id]!)
const says = (plan: ReturnType<typeof acid>, key: string) =>
  plan.notices.find((n) => n.id.endsWith(key))

describe('lime', () => {
  it('waits for the laboratory’s rate, and says where to enter it', () => {
    const plan = acid()
    const rung = plan.zones[0]!.rungs.find((r) => r.operation === 'lime')!
    expect([rung.planned, line(plan)]).toEqual([false, undefined])
    expect(rung.reason).toContain('laboratory')
  })
  it('by its rate, over what the product neutralises and how fine it is, by hand', () => {
    // 120 g/m² of pure lime at 85 % neutralising value, 70 % fine: 201.7 g/m², 40.3 kg on 200 m².
    const plan = acid({ lab: { lime: '120 g/m²' } }, { lime: { neutralising: '85 %', fine: '70 %' } }) // prettier-ignore
    expect(value(plan, line(plan)!.total)).toBeCloseTo(((120 / 0.85 / 0.7) * 200) / 1000, 6)
    expect(plan.steps.some((s) => s.kind === 'lime')).toBe(true)
    expect(says(plan, 'lime-guess')).toBeUndefined()
    expect(value(acid({ lab: { lime: '20 lb/1000 sq ft' } }), 'job.lime.total')).toBeCloseTo((20 * 4.8824 * 200) / 1000, 2) // prettier-ignore
  })
  it('goes down in doses of 245 g/m² at most (50 lb/1,000 ft²: extension, from memory), the next after a test', () => {
    const plan = acid({ lab: { lime: '600 g/m²' } })
    expect(value(plan, line(plan)!.total)).toBeCloseTo((200 * 200) / 1000, 6)
    expect(says(plan, 'lime-doses')!.title).toContain('3 doses')
    expect(says(acid({ lab: { lime: '245 g/m²' } }), 'lime-doses')).toBeUndefined()
  })
  it('switched on without a report is a guess, and says so', () => {
    const plan = acid({ texture: 'loam', operations: { lime: { on: true } } })
    // 0.9 of a step of pH on loam, at 300 g/m² a step, is 270: in two doses of 135.
    expect(value(plan, line(plan)!.total)).toBeCloseTo((135 * 200) / 1000, 6)
    expect(says(plan, 'lime-guess')!.level).toBe('warn')
  })
  it('soon after the last is held: it acts over months', () => {
    const limed = (ago: number) => acid({ lab: { lime: '120 g/m²' } }, { treatments: [{ id: 't', kind: 'lime', date: addDays(TODAY, -ago), product: '' }] }) // prettier-ignore
    expect(says(limed(60), 'lime-again')!.level).toBe('hold')
    expect(says(limed(300), 'lime-again')).toBeUndefined()
  })
  it('where the soil is not acid none is told, and bad entries are refused in words', () => {
    expect(line(acid({ ph: 6.4, operations: { lime: { on: true } } }))).toBeUndefined()
    expect(line(acid({ ph: null, operations: { lime: { on: true } } }))).toBeUndefined()
  })
  it('is read out of a report', () => {
    expect(labReport([['pH', '5.4'], ['Lime requirement', '120 g/m²']]).found).toMatchObject({ ph: 5.4, lime: '120 g/m²' }) // prettier-ignore
  })
})
