import { describe, expect, it } from 'vitest'
import { plantRules } from '../src/materials/planting.ts'
import { declared, planOf, valueOf, zone } from './makeJob.ts'

const HOT = { latitude: 29, longitude: -82, frost: '15 Dec' }
const gappy = (grass: string, more: object = {}) =>
  planOf(
    {
      site: HOT,
      zones: [zone({ present: [grass], sunHours: 7, heightOfCut: 75, approach: 'plugs', ...more })],
    },
    { today: '2027-05-10' },
  )

describe('plugs and turf', () => {
  it('16 plugs to a square metre at 250 mm; what lies between closes at the grass’s own pace (by hand)', () => {
    // St Augustine, 20 % bare of 200 m²: 40 m² × 16 = 640. (250 − 50) ÷ 2 ÷ 9 mm a week is 11.1
    // weeks.
    const plan = gappy('st-augustine')
    expect(valueOf(plan, 'zone:z1.plugs')).toBe(640)
    expect(valueOf(plan, 'zone:z1.plugs-close')).toBeCloseTo(100 / 9, 9)
    expect(plan.materials.find((m) => m.id === 'plugs')!.detail).toContain('12 weeks of growth')
  })
  it('bermuda plugs close in weeks, zoysia in most of a year of growth (common practice)', () => {
    const weeks = (grass: string) =>
      valueOf(gappy(grass, { heightOfCut: 40, hybrid: true }), 'zone:z1.plugs-close')
    expect(weeks('bermudagrass')).toBeLessThan(10)
    expect(weeks('zoysia')).toBeGreaterThan(20)
  })
  it('turf comes in whole rolls, cuts allowed for: 40.2 m² of ground is 42.21 m², 43 rolls of a square metre', () => {
    const { turf, rolls } = plantRules
    expect(turf.compute({ ground: 40.2 }, declared(turf.values))).toBeCloseTo(42.21, 9)
    expect(rolls.compute({ order: 42.21 }, declared(rolls.values))).toBe(43)
  })
})
