import { describe, expect, it } from 'vitest'
import type { JobDraft } from '../src/entities/job.ts'
import { defaultFirm } from '../src/entities/firm.ts'
import { readJob } from '../src/entities/job.ts'
import { planJob } from '../src/pipeline.ts'
import { plannedWays } from '../src/plannedWays.ts'
import { OPERATIONS } from '../src/reference/operations.ts'
import { Memo } from '../src/trace/memo.ts'
import { sure } from '../src/quantities/sure.ts'
import { waysOfJob } from '../src/waysOfJob.ts'
import { draft, said, TODAY, zone } from './makeJob.ts'

const memo = new Memo(4000)
function waysOf(change: Partial<JobDraft>, today = TODAY) {
  const job = sure(readJob(draft(change)).job)
  const context = { today, firm: defaultFirm(), diary: [], memo }
  const plan = planJob(job, context)
  const { id, approach } = plan.zones[0]!
  const ways = waysOfJob(job, context)[id]!
  const whole = said(plannedWays(job, context, id, ways, approach.chosen))
  const of = (name: string) => ({
    way: sure(ways.find((w) => w.approach === name)),
    plan: sure(whole.ways.find((w) => w.approach === name)),
  })
  return { plan, ways, whole, of }
}
const bare = { zones: [zone({ cover: { wanted: 8, weeds: 10, moss: 0, bare: 82 } })] }
const WARM = { latitude: 34, longitude: -84, frost: '10 Nov' }

describe('ways planned whole', () => {
  it('the chosen way has the days and the odds of the plan itself', () => {
    const { plan, of } = waysOf({ customerDate: '2027-05-03' })
    const { plan: way } = of('overseed')
    const onSite = plan.packages
      .flatMap((p) => p.steps)
      .filter((s) => !OPERATIONS[s.kind].evening)
      .map((s) => s.chosen)
      .sort()
    expect(way.days).toEqual({
      first: onSite[0],
      last: onSite.at(-1),
      visits: new Set(onSite).size,
    })
    const taken = sure(plan.packages.flatMap((p) => p.choices).find((c) => c.taken))
    expect([way.odds, way.inTime]).toEqual([taken.odds?.value, taken.inTime?.value])
  })
  it('cover lies between nothing and all, falls with the work, and only grows after it', () => {
    for (const change of [{}, bare, { zones: [zone({ incurable: 60 })] }]) {
      for (const { cover, days } of waysOf(change).whole.ways) {
        expect(cover.length).toBeGreaterThanOrEqual(10)
        for (const { low, high } of cover) {
          expect(low).toBeGreaterThanOrEqual(0)
          expect(high).toBeGreaterThanOrEqual(low)
          expect(high).toBeLessThanOrEqual(100)
        }
        const at = days ? Math.ceil((Date.parse(days.last) - Date.parse(TODAY)) / 6048e5) : 0
        for (let w = at + 1; w < cover.length; w++)
          expect(cover[w]!.low).toBeGreaterThanOrEqual(cover[w - 1]!.low - 1e-9)
      }
    }
  })
  it('two passes of the blades leave 0.92 squared of the sward, as new none, left alone all (by hand)', () => {
    const { of } = waysOf({ zones: [zone({ operations: { scarify: { on: true, passes: 2 } } })] })
    expect(of('overseed').way.cover?.standing).toBeCloseTo(55 * 0.92 ** 2, 6)
    expect(of('leave').way.cover).toMatchObject({ now: 55, standing: 55 })
    expect(waysOf(bare).of('sow-new').way.cover).toMatchObject({ standing: 0, low: 75, high: 95 })
  })
  it('ground held over is sown twice: it takes more hours than sowing as new', () => {
    const { of } = waysOf(bare)
    expect(of('hold-over').way.hours).toBeGreaterThan(of('sow-new').way.hours)
  })
  it('says which is surest and soonest, or that one alone closes the ground, or that none does', () => {
    expect(waysOf(bare).whole.says).toContain('Returf: the surest and soonest right.')
    expect(waysOf({}).whole.says).toBe('Overseed is the only way here that closes the open ground.')
    const summer = waysOf(
      { site: { latitude: 38, frost: '1 Oct' }, watering: 'nobody', waterer: '' },
      '2027-07-05',
    )
    expect(summer.whole.says).toMatch(/^No way here closes .* nearest: \d+ years in a hundred\.$/)
    const full = { zones: [zone({ cover: { wanted: 94, weeds: 4, moss: 0, bare: 2 } })] }
    expect(waysOf(full).whole.says).toContain('Little is open here')
  })
  it('runners are not called sure, for nobody knows their odds', () => {
    const warm = { site: WARM, zones: [zone({ present: ['bermudagrass'] })] }
    const { whole, of } = waysOf(warm, '2027-04-20')
    expect(of('plugs').plan.odds).toBeNull()
    // They close over a season, too.
    expect(whole.says).toBe(
      'Overseed: the fewest hours that still close it, the surest and soonest right.',
    )
  })
  it('ground that weeds without a cure hold is not closed by sowing between them', () => {
    const incurable = zone({
      incurable: 50,
      cover: { wanted: 30, weeds: 60, moss: 0, bare: 10 },
    })
    const { whole } = waysOf({ zones: [incurable] }, '2027-01-05')
    expect(whole.says).not.toContain('Overseed')
    expect(whole.says).toMatch(/Renovate|Returf/)
  })
  it('the odds of ground held over are those of its proper sowing', () => {
    const { odds } = waysOf(bare).of('hold-over').plan
    const quick = waysOf({ zones: [zone({ ...bare.zones[0], approach: 'hold-over' })] })
    const later = quick.plan.packages.find((p) => p.kind === 'later')
    expect(odds).toBe(later?.choices.find((c) => c.taken)?.odds?.value ?? null)
  })
  it('what was switched by hand is of the chosen way alone', () => {
    const own = waysOf({ zones: [zone({ operations: { core: { on: false } } })] })
    const usual = waysOf({})
    expect(own.of('overseed').way.hours).toBeLessThan(usual.of('overseed').way.hours)
    expect(own.of('care').way.hours).toBe(usual.of('care').way.hours)
  })
})
