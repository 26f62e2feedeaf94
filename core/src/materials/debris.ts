import { num, type Figure } from '../trace/figure.ts'
import { JOB, zoneScope } from '../trace/scope.ts'
import type { Trace } from '../trace/trace.ts'
import { operationOf, type ZoneWork } from '../work/workTypes.ts'
import { holesOf } from './dressing.ts'
import { coringRules, debrisRules, matReading } from './dressingRules.ts'

export interface DebrisLine {
  what: 'thatch' | 'cores' | 'sward'
  zones: { zone: string; amount: Figure }[]
  total: Figure
}

/** Less than this is nothing, mm. */
const HAIR = 1e-6

/**
 * What the work lifts, loose, to be carted off: thatch by the passes of each zone, cores that are
 * collected, swards that are stripped.
 */
export function planDebris(works: readonly ZoneWork[], trace: Trace): DebrisLine[] {
  const lists: Record<DebrisLine['what'], DebrisLine['zones']> = {
    thatch: [],
    cores: [],
    sward: [],
  }
  for (const work of works) {
    if (!work.r.area) continue
    const scope = zoneScope(work.r.id)
    const lifted = operationOf(work, 'scarify') ?? operationOf(work, 'rake')
    if (lifted) {
      const thatch = work.r.thatch ?? trace.readOr(matReading, scope, null)
      const depth = trace.work(debrisRules.depth, scope, {
        thatch,
        passes: lifted.passes,
        cover: work.r.moss ?? 0,
      })
      if (num(depth) > HAIR)
        lists.thatch.push({
          zone: work.r.id,
          amount: trace.work(debrisRules.volume, scope, { area: lifted.ground, depth }),
        })
    }
    const cored = operationOf(work, 'core')
    if (cored && operationOf(work, 'collect-cores'))
      lists.cores.push({
        zone: work.r.id,
        amount: trace.work(coringRules.cores, scope, { holes: holesOf(work, cored, trace) }),
      })
    const stripped = operationOf(work, 'strip')
    if (stripped)
      lists.sward.push({
        zone: work.r.id,
        amount: trace.work(debrisRules.strip, scope, { ground: stripped.ground }),
      })
  }
  return (['thatch', 'cores', 'sward'] as const).flatMap((what) => {
    const zones = lists[what]
    if (zones.length === 0) return []
    const total = trace.work(
      debrisRules.total,
      JOB,
      { zones: zones.map((z) => z.amount) },
      what === 'thatch' ? {} : { part: what },
    )
    return [{ what, zones, total }]
  })
}
