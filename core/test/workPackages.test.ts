import { describe, expect, it } from 'vitest'
import { planOf, step, zone } from './makeJob.ts'

const covered = {
  cover: { wanted: 96, weeds: 4, moss: 0, bare: 0 },
  thatch: 8,
  penetration: 'easy' as const,
}

describe('zones worked on together', () => {
  it('ground that is left is fed and nothing else: no seed, no tines, no watering', () => {
    const plan = planOf({ zones: [zone(covered)] })
    expect(plan.steps.map((s) => s.kind)).toEqual(['feed', 'water'])
    expect(plan.materials.map((m) => m.id)).toEqual(['feed'])
    expect([plan.follow.water, plan.packages[0]!.verdict]).toEqual([null, ''])
  })
  it('too dark for grass, nothing is bought for it at all', () => {
    const plan = planOf({ zones: [zone({ sunHours: 1, present: [] })] })
    expect([plan.steps.length, plan.materials.length]).toEqual([0, 0])
  })
  it('a quick cover is sown up to the frost itself in annual ryegrass, and the proper sowing follows in its season', () => {
    const held = { zones: [zone({ approach: 'hold-over' })] }
    const plan = planOf(held, { today: '2027-04-05' })
    const held1 = plan.steps.filter((s) => s.workPackage === 'hold-cool')
    expect(plan.packages[0]).toMatchObject({ fits: true, lead: 0 })
    expect(plan.zones[0]!.seed!.mix.map((m) => m.grass)).toEqual(['annual-ryegrass'])
    expect(held1.some((s) => s.kind === 'core' || s.kind === 'scarify')).toBe(false)
    expect(held1.some((s) => s.kind === 'loosen')).toBe(true)
    // The proper sowing stands in the same job, in the next open season.
    const later = plan.steps.find((s) => s.workPackage === 'later-cool' && s.kind === 'sow')!
    expect(later.chosen > '2027-08-01').toBe(true)
    expect(plan.zones[0]!.later!.seed!.mix.map((m) => m.grass)).toContain('perennial-ryegrass')
  })
  it('a kill-off beside an overseed keeps its own days, and does not hold the other up', () => {
    const plan = planOf(
      { zones: [zone(), zone({ id: 'z2', incurable: 70 })] },
      { today: '2027-01-25' },
    )
    const sown = Object.fromEntries(plan.packages.map((s) => [s.id, s.sowDay]))
    expect(sown['sow-cool']! < sown['kill-cool']!).toBe(true)
    expect(plan.packages.every((s) => s.fits)).toBe(true)
  })
  it('spots are mended without cutting the whole lawn down', () => {
    const plan = planOf({ zones: [zone({ cover: { wanted: 88, weeds: 4, moss: 0, bare: 8 } })] })
    expect(plan.steps.map((s) => s.kind)).not.toContain('cut-second')
    expect(step(plan, 'cover')).toBeDefined()
  })
  it('held back, the starter waits for the first mow', () => {
    const plan = planOf({ schools: { feed: 'first-mown' } })
    expect(step(plan, 'feed')).toBeUndefined()
    expect(step(plan, 'feed-later')!.chosen > step(plan, 'first-mow')!.chosen).toBe(true)
  })
  it('the other order of tools: cores first, then the scarifier, then seed within three days of it', () => {
    const kinds = planOf({ schools: { order: 'core-first' } }).steps.map((s) => s.kind)
    expect(kinds.indexOf('core')).toBeLessThan(kinds.indexOf('scarify'))
  })
})
