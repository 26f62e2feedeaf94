import type { Figure } from '../trace/figure.ts'
import { JOB, zoneScope } from '../trace/scope.ts'
import type { Trace } from '../trace/trace.ts'
import type { ZoneReadings } from '../walkover/zoneReadings.ts'
import { debrisRules } from './dressingRules.ts'

export interface DebrisPlan {
  zones: { zone: string; amount: Figure }[]
  total: Figure
}

/** What scarifying lifts, loose, to be carted off. */
export function planDebris(zones: readonly { r: ZoneReadings; scarifies: boolean }[], trace: Trace): DebrisPlan | null {
  const list = zones.flatMap(({ r, scarifies }) => {
    if (!scarifies || !r.area || !r.thatch) return []
    const scope = zoneScope(r.id)
    const depth = trace.work(debrisRules.depth, scope, { thatch: r.thatch })
    return [{ zone: r.id, amount: trace.work(debrisRules.volume, scope, { area: r.area, depth }) }]
  })
  if (list.length === 0) return null
  return { zones: list, total: trace.work(debrisRules.total, JOB, { zones: list.map((z) => z.amount) }) }
}
