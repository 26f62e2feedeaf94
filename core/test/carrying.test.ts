import { describe, expect, it } from 'vitest'
import { draft, planOf, TODAY, valueOf, zone } from './makeJob.ts'

const bare = { wanted: 5, weeds: 5, moss: 0, bare: 90 }
const prices = { labour: 40, disposal: 30 }
const off = (job: object) => planOf(draft({ zones: [zone({ thatch: 20 })], ...job }), { firm: { prices } }) // prettier-ignore
const also = (plan: ReturnType<typeof off>, kind: string) => plan.materials.filter((m) => m.kind === kind).flatMap((m) => m.also.map((id) => plan.figures[id]!)) // prettier-ignore

describe('how materials come and go', () => {
  it('debris by trailers of 1.5 m³, the last one begun counted whole; onto a heap it costs nothing', () => {
    const plan = off({})
    const volume = valueOf(plan, plan.materials.find((m) => m.kind === 'debris')!.total)
    const loads = also(plan, 'debris').find((f) => f.rule === 'carry.loads')!
    expect(loads.value).toBe(Math.ceil(volume / 1.5))
    expect(plan.money!.lines.some((l) => l.group === 'disposal')).toBe(true)
    const heap = off({ debrisTo: 'heap' })
    expect(also(heap, 'debris')).toEqual([])
    expect(heap.money!.lines.some((l) => l.group === 'disposal')).toBe(false)
    expect(heap.money!.price.money).toBeLessThan(plan.money!.price.money)
  })
  it('bales open to twice what they are pressed to; blankets are pinned (common practice)', () => {
    const coir = planOf(draft({ cover: 'peat-free', zones: [zone({ cover: bare })] }))
    const line = coir.materials.find((m) => m.kind === 'cover')!
    expect(also(coir, 'cover').find((f) => f.rule === 'carry.pressed')!.value).toBeCloseTo(valueOf(coir, line.total) / 2, 9) // prettier-ignore
    const bank = planOf(draft({ zones: [zone({ slope: 25, cover: bare })] }))
    const pins = also(bank, 'cover').find((f) => f.rule === 'carry.pins')!
    expect(pins.value).toBe(Math.ceil(valueOf(bank, bank.materials.find((m) => m.kind === 'cover')!.total) / 0.35)) // prettier-ignore
  })
  it('an own heap: raw is what is spread over what passes the screen, at half a cube an hour', () => {
    const level = (dressing: object) => planOf(draft({ dressing: { kind: 'topsoil', depth: '6 mm', ...dressing } }), { today: TODAY }) // prettier-ignore
    const plan = level({ sieved: '60 %' })
    const spread = valueOf(plan, plan.materials.find((m) => m.kind === 'dressing')!.total)
    const [raw, hours] = also(plan, 'dressing').filter((f) => f.rule.startsWith('carry.'))
    expect(raw!.value).toBeCloseTo(spread / 0.6, 9)
    expect(hours!.value).toBeCloseTo(spread / 0.6 / 0.5, 9)
    expect(also(level({}), 'dressing').some((f) => f.rule.startsWith('carry.'))).toBe(false)
  })
})
