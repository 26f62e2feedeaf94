import { describe, expect, it } from 'vitest'
import type { ZoneDraft } from '../src/entities/job.ts'
import { planOf, step, zone } from './makeJob.ts'

const planned = (change: Partial<ZoneDraft>) => planOf({ zones: [zone(change)] })
const passes = (change: Partial<ZoneDraft>) =>
  Object.fromEntries(planned(change).steps.map((s) => [s.kind, s.passes]))
const notDone = (change: Partial<ZoneDraft>, operation: string) =>
  planned(change).zones[0]!.rungs.find((r) => r.operation === operation)?.reason

describe('what is planned at the edges of a rule', () => {
  it('ground sown as new: growth under half of it is cut once; a mat, or a sward, is cut out', () => {
    const thin = { cover: { wanted: 20, weeds: 5, moss: 0, bare: 75 } }
    const cut = (more: Partial<ZoneDraft>) => {
      const p = passes({ ...thin, ...more })
      return [p['cut-first'], p['cut-second'], p.scarify]
    }
    expect(cut({ thatch: null })).toEqual([1, undefined, undefined])
    expect(cut({ thatch: 0 })).toEqual([1, undefined, undefined])
    expect(cut({ thatch: 6 })).toEqual([1, 1, 2])
    expect(
      cut({ thatch: null, sowing: 'new', cover: { wanted: 50, weeds: 5, moss: 0, bare: 45 } }),
    ).toEqual([1, 1, 2])
  })
  it('halved work goes twice over the ground, other work once where nobody asks for more', () => {
    const p = passes({})
    expect([p.sow, p.feed, p['cut-first'], p['work-in'], p.mark]).toEqual([2, 2, 1, 1, 1])
  })
  it('what lies bare is told for blades and rake, each alone and both', () => {
    const bare = (operations: ZoneDraft['operations'], change: Partial<ZoneDraft> = {}) =>
      planned({ approach: 'leave', operations, ...change }).zones[0]!.bare
    const once = { on: true, passes: 1 } as const
    expect(bare({ scarify: once })).not.toBeNull()
    expect(bare({ rake: once })).not.toBeNull()
    expect(bare({ scarify: once, rake: once })).not.toBeNull()
    expect(bare({})).toBeNull()
    expect(
      bare({ scarify: once }, { cover: { wanted: null, weeds: null, moss: null, bare: null } }),
    ).toBeNull()
  })
  it('a second cut of a deliberate blend and of winter green is for turf that stands being scalped', () => {
    const warm = (present: string[], approach: ZoneDraft['approach']) =>
      Boolean(
        step(
          planOf(
            {
              site: { latitude: 34, longitude: -84, frost: '10 Nov' },
              zones: [zone({ present, approach, heightOfCut: 40 } as Partial<ZoneDraft>)],
            },
            { today: '2027-09-10' },
          ),
          'cut-second',
        ),
      )
    for (const approach of ['blend', 'winter-green'] as const) {
      expect(warm(['bermudagrass'], approach)).toBe(true)
      expect(warm(['st-augustinegrass'], approach)).toBe(false)
    }
  })
  it('why nothing is sown: chosen so, or not part of the way', () => {
    expect(notDone({ sowing: 'none', operations: { sow: { on: true } } }, 'sow')).toBe(
      'You chose that nothing is sown.',
    )
    expect(notDone({ approach: 'leave', operations: { sow: { on: true } } }, 'sow')).toBe(
      'Not part of “leave and feed”.',
    )
  })
  it('what only goes with other work has no day where no other work is planned', () => {
    const left = {
      approach: 'leave',
      operations: { feed: { on: false }, notice: { on: true }, mark: { on: true } },
    } satisfies Partial<ZoneDraft>
    expect(notDone(left, 'mark')).toBe('It goes with other work, and none is planned.')
    expect(passes({ ...left, operations: { ...left.operations, core: { on: true } } }).mark).toBe(1)
  })
})
