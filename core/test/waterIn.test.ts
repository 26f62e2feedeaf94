import { describe, expect, it } from 'vitest'
import { num } from '../src/trace/figure.ts'
import { planOf, zone } from './makeJob.ts'

/**
 * Water after work without seed: 5 to 6 mm for feed, 3 to 5 for a dressing, 6 to 10 after cores; a
 * sprinkler has a least area of 40 to 60 m²: common practice.
 */
const full = { cover: { wanted: 94, weeds: 4, moss: 1, bare: 1 }, sowing: 'none' as const }
const plan = (today: string, more: object, draft: object = {}) =>
  planOf(
    {
      site: { latitude: 50, frost: '30 Oct' } as never,
      waterer: 'owner',
      zones: [zone({ ...full, soilMoist: true, ...more })],
      ...draft,
    },
    { today },
  )

describe('water after work without seed', () => {
  it('is told in mm, minutes and litres: most after cores, with a daily look until they close in warm weather', () => {
    const p = plan('2027-08-10', { penetration: 'stops', area: '200 m²', precipitation: 12, uniformity: 0.65 }) // prettier-ignore
    const [w] = p.follow.waterIn
    expect(w!.need.value).toBeGreaterThanOrEqual(6)
    expect(w!.need.value).toBeLessThanOrEqual(10)
    // 8 mm on 200 m² are 1,600 L; 8 mm at 12 mm/h take 40 min, × 1 ÷ (0.4 + 0.6 × 0.65) = 50.6.
    expect(w!.litres.value).toBe(1600)
    expect(num(w!.minutes!)).toBeCloseTo(50.63, 1)
    expect(w!.until).not.toBeNull()
    expect(p.steps.find((s) => s.id === w!.step)!.kind).toBe('water')
    const cool = plan('2027-03-20', { penetration: 'stops' }, { site: { latitude: 57, frost: '10 Oct' } }) // prettier-ignore
    const cored = cool.steps.find((s) => s.kind === 'core')!
    if (cored.chosen < '2027-05-01') expect(cool.follow.waterIn[0]!.until).toBeNull()
  })
  it('by can, rose or hose where a sprinkler waters no such small ground', () => {
    const [w] = plan('2027-08-10', { penetration: 'stops', area: '25 m²' }).follow.waterIn
    expect([w!.minutes, w!.litres.value]).toEqual([null, 200])
  })
  it('one watering for feed and cores of one visit, and one for feed alone', () => {
    const fed = plan('2027-08-10', { penetration: 'stops' }, { aims: ['thicker'] })
    expect(fed.follow.waterIn.map((w) => w.need.value)).toEqual([8])
    const alone = plan('2027-09-01', { thatch: 8, penetration: 'easy' }, { aims: ['thicker'] })
    expect(alone.follow.waterIn.map((w) => w.need.value)).toEqual([5.5])
  })
})
