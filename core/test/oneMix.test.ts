import { describe, expect, it } from 'vitest'
import { planOf, zone } from './makeJob.ts'

const bare = { cover: { wanted: 2, weeds: 8, moss: 0, bare: 90 }, present: [] }
const shady = zone({ id: 'strip', name: 'Strip', area: 40, sunHours: 3.4, wear: 'low', ...bare })
const sunny = zone({ id: 'play', name: 'Play', area: 300, sunHours: 8, wear: 'high', ...bare })

describe('one mix for several zones', () => {
  it('holds only what every zone bears, and says what each gives up and why', () => {
    const { oneMix, zones } = planOf({ zones: [shady, sunny] })
    const own = zones.map((z) => z.seed!.name)
    expect(own[0]).not.toBe(own[1])
    for (const p of oneMix!.parts)
      expect(['perennial-ryegrass', 'kentucky-bluegrass']).not.toContain(p.grass)
    expect(oneMix!.parts.reduce((sum, p) => sum + p.share, 0)).toBe(100)
    expect(oneMix!.zones.find((z) => z.zone === 'play')!.loses).toBeGreaterThan(0)
    expect(oneMix!.given.some((g) => g.grass === 'perennial-ryegrass' && g.by === 'strip')).toBe(
      true,
    )
  })
  it('leans to the larger zone', () => {
    const loses = (area: number) =>
      planOf({
        zones: [
          { ...shady, sunHours: 4.6, area: 100 },
          { ...sunny, area },
        ],
      }).oneMix?.zones.find((z) => z.zone === 'play')!.loses ?? 0
    expect(loses(2000)).toBeLessThanOrEqual(loses(20))
  })
  it('is not offered where the zones have one mix already, or there is one zone', () => {
    expect(planOf({ zones: [sunny] }).oneMix).toBeNull()
    expect(planOf({ zones: [sunny, { ...sunny, id: 'b' }] }).oneMix).toBeNull()
  })
})
