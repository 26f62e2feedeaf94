import { describe, expect, it } from 'vitest'
import type { StepKind } from '../../src/reference/operations.ts'
import { planOf, zone } from '../makeJob.ts'
import { LAWNS, type WorkedLawn } from './lawns.ts'

const planned = ({ today, job = {}, firm = {}, zone: change }: WorkedLawn) =>
  planOf({ ...job, zones: [zone(change)] }, { today, firm })

/** Made-up lawns, and what a foreman would do about each (common practice). */
describe('worked lawns', () => {
  it.each(LAWNS.map((lawn) => [lawn.name, lawn] as const))('%s', (_, lawn) => {
    const plan = planned(lawn)
    const steps = plan.steps.filter((s) => s.workPackage !== 'later-cool')
    const kinds = new Set(steps.map((s) => s.kind))
    expect(plan.zones[0]!.sowing, lawn.because).toBe(lawn.sowing)
    expect(
      [...lawn.wanted].filter((k) => !kinds.has(k)),
      `wanted: ${lawn.because}`,
    ).toEqual([])
    expect(
      [...lawn.never].filter((k) => kinds.has(k)),
      `never: ${lawn.because}`,
    ).toEqual([])
    const day = (kind: StepKind) => steps.find((s) => s.kind === kind)!.chosen
    const days = (lawn.order ?? []).map(day)
    expect(days, `order: ${(lawn.order ?? []).join(', ')}`).toEqual([...days].sort())
    const words = [
      ...steps.flatMap((s) => [s.name, s.why, s.how]),
      ...plan.notices.flatMap((n) => [n.title, n.says]),
      ...plan.materials.map((m) => m.name),
    ].join(' ')
    if (lawn.says) expect(words).toMatch(lawn.says)
    if (lawn.neverSays) expect(words).not.toMatch(lawn.neverSays)
    if (lawn.months) expect(lawn.months).toContain(Number(plan.packages[0]!.sowDay.slice(5, 7)))
  })
})

describe('the proper sowing after a quick cover', () => {
  it('stands in the same job, in its season, on the grade as it is', () => {
    const plan = planned(LAWNS.find((l) => l.name === 'the same after the last day to sow')!)
    const later = plan.steps.filter((s) => s.workPackage === 'later-cool')
    expect(later.map((s) => s.kind)).toEqual(expect.arrayContaining(['roughen', 'sow', 'water']))
    expect(later.some((s) => s.kind === 'loosen')).toBe(false)
    expect(later.find((s) => s.kind === 'sow')!.chosen > '2027-09-01').toBe(true)
    expect(plan.materials.find((m) => m.id.startsWith('seed.later.'))).toBeDefined()
  })
})

describe('only what is treated', () => {
  const mend = planned({
    ...LAWNS.find((l) => l.name === 'two bare patches in a good lawn')!,
    zone: {
      cover: { wanted: 88, weeds: 4, moss: 0, bare: 8 },
      thatch: 8,
      penetration: 'easy',
      area: 200,
      precipitation: null,
    },
  })
  const value = (id: string) => Number(mend.figures[id]?.value)
  it('a mend sows, feeds, covers and waters its patches, not its zone', () => {
    expect(value('zone:z1.seed.area')).toBeCloseTo(16, 9)
    expect(value('zone:z1.feed.kg') / value('job.feed.rate')).toBeCloseTo(0.016, 9)
    expect(value('zone:z1.cover.litres')).toBeCloseTo(16 * 3, 6)
    // 2 mm over 16 m², and nothing like over 200.
    expect(value('zone:z1.water.litres')).toBeLessThan(16 * 2 * 2)
  })
  it('two zones with mats of their own are scarified by their own passes', () => {
    const plan = planOf({
      zones: [
        zone({ thatch: 14, area: 380 }),
        zone({ id: 'z2', name: 'Corner', thatch: 45, area: 20 }),
      ],
    })
    const scarify = plan.steps.find((s) => s.kind === 'scarify')!
    // 0.5 h of setting up, 380 m² once and 20 m² three times over 500 m²/h, shared by two.
    expect(Number(scarify.hours.value)).toBeCloseTo((0.5 + (380 + 60) / 500) / 2, 9)
    expect(scarify.how).toBe('Lawn: 1 pass; Corner: 3 passes')
  })
})

describe('what a walk tells beside numbers (common practice)', () => {
  const days = (a: string, b: string) => (Date.parse(b) - Date.parse(a)) / 86_400_000
  const dayOn = (lawn: string, kind: StepKind) =>
    planned(LAWNS.find((l) => l.name === lawn)!).steps.find((s) => s.kind === kind)!.chosen
  it('the public hears at least five days ahead', () => {
    expect(
      days(dayOn('a public green', 'notice'), dayOn('a public green', 'scarify')),
    ).toBeGreaterThanOrEqual(5)
  })
  it('the sheet comes off ten days after the seed went down', () => {
    const lawn = 'bare ground under a germination sheet'
    expect(days(dayOn(lawn, 'sow'), dayOn(lawn, 'uncover'))).toBe(10)
  })
  it('larvae are treated two weeks after the flight was at its peak', () => {
    const plan = planOf(
      { zones: [zone({ pests: [{ kind: 'larvae', active: true, peak: '2027-02-18' }] })] },
      { today: '2027-02-19' },
    )
    expect(plan.steps.find((s) => s.kind === 'treat-pests')!.chosen >= '2027-03-04').toBe(true)
  })
  it('watering that is not sure is planned as none, though somebody is named', () => {
    const sown = (watering: 'sure' | 'unsure' | null) =>
      planOf({ zones: [zone()], waterer: 'the owner', watering })
    const says = (watering: 'sure' | 'unsure' | null) =>
      sown(watering).notices.find((n) => n.id === 'water.who')?.title
    expect([says(null), says('sure'), says('unsure')]).toEqual([
      undefined,
      undefined,
      'The watering is not sure.',
    ])
    const odds = (watering: 'sure' | 'unsure') =>
      Number(sown(watering).packages[0]!.choices[0]!.odds!.value)
    expect(odds('unsure')).toBeLessThan(odds('sure'))
  })
  it('moss tells of wet and hunger too', () => {
    const plan = planOf({
      zones: [
        zone({
          cover: { wanted: 55, weeds: 5, moss: 30, bare: 10 },
          ponding: 3,
          weedsSeen: ['clover'],
        }),
      ],
    })
    expect(plan.findings.find((f) => f.kind === 'moss')!.says).toMatch(/wet, hunger/)
  })
})
