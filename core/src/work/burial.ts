import { num, type Figure } from '../trace/figure.ts'
import { zoneScope } from '../trace/scope.ts'
import type { Trace } from '../trace/trace.ts'
import type { ZoneReadings } from '../walkover/zoneReadings.ts'
import { leafRules } from './leafRules.ts'
import { groundValues } from './ground.ts'

/** What was cut before the dressing: down to the short height, once, or nothing. */
export type Cut = 'short' | 'first' | 'standing'

const LEAF = {
  short: leafRules.leaf,
  first: leafRules.leafOnce,
  standing: leafRules.leafUncut,
}
/** They share their input, and differ in their values. */
const leafRule = (cut: Cut) => LEAF[cut] as typeof leafRules.leaf

/** Leaf standing on the day of dressing, mm: what the cuts planned before it leave. */
export const leafStanding = (r: ZoneReadings, cut: Cut, trace: Trace): Figure =>
  trace.work(leafRule(cut), zoneScope(r.id), { cut: r.cut })

/** The same as a plain number, before it is settled what is sown. */
export const leafLeft = (r: ZoneReadings, cut: Cut, trace: Trace): number =>
  leafRule(cut).compute({ cut: num(r.cut) }, trace.values(leafRule(cut).values)) as number

/**
 * The share of a zone whose lows lie deeper than a dressing may be laid on living leaf, %; null
 * where none do.
 */
export function buriedShare(r: ZoneReadings, leaf: number, trace: Trace): Figure | number | null {
  const depth = r.fill ? num(r.fill.deepest) : r.lowsDepth ? num(r.lowsDepth) : 0
  const limit = leafRules.limit.compute({ leaf }, trace.values(leafRules.limit.values)) as number
  if (depth <= limit + 1e-9) return null
  if (r.fill && r.area) return Math.min(100, (100 * r.fill.deeperThan(limit)) / num(r.area))
  return r.lowsShare ?? trace.value(groundValues.fill)
}
