import { num, type Figure } from '../trace/figure.ts'
import { zoneScope } from '../trace/scope.ts'
import type { Trace } from '../trace/trace.ts'
import type { ZoneReadings } from '../walkover/zoneReadings.ts'
import { dressingRules, leafAfterCut, smotherValues } from '../materials/dressingRules.ts'
import { groundValues } from './ground.ts'

/** What was cut before the dressing: down to the short height, once, or nothing. */
export type Cut = 'short' | 'first' | 'standing'

/** Leaf standing on the day of dressing, mm: what the cuts planned before it leave. */
export function leafStanding(r: ZoneReadings, cut: Cut, trace: Trace): Figure {
  const scope = zoneScope(r.id)
  if (cut === 'short') return trace.work(dressingRules.leaf, scope, { cut: r.cut })
  return cut === 'first' ? trace.work(dressingRules.leafOnce, scope, { cut: r.cut }) : trace.work(dressingRules.leafUncut, scope, { cut: r.cut })
}

/** The same as a plain number. */
export function leafLeft(r: ZoneReadings, cut: Cut, trace: Trace): number {
  const { leafLeft: share } = trace.values(smotherValues)
  if (cut === 'short') return leafAfterCut(num(r.cut), trace.values(smotherValues))
  return cut === 'first' ? (num(r.cut) * (1 + share / 100)) / 2 : num(r.cut)
}

/** The share of a zone whose lows lie deeper than a dressing may be laid on living leaf, %; null where none do. */
export function buriedShare(r: ZoneReadings, leaf: number, trace: Trace): Figure | number | null {
  const depth = r.fill ? num(r.fill.deepest) : r.lowsDepth ? num(r.lowsDepth) : 0
  const limit = dressingRules.limit.compute({ leaf }, trace.values(dressingRules.limit.values)) as number
  if (depth <= limit + 1e-9) return null
  if (r.fill && r.area) return Math.min(100, (100 * r.fill.deeperThan(limit)) / num(r.area))
  return r.lowsShare ?? trace.value(groundValues.fill)
}
