import type { Schools } from '../reference/schools.ts'
import { tradeValues, value } from '../rules/rule.ts'
import { num, type Figure } from '../trace/figure.ts'
import { zoneScope } from '../trace/scope.ts'
import type { Trace } from '../trace/trace.ts'
import type { ZoneReadings } from '../walkover/zoneReadings.ts'
import { leafRules } from './leafRules.ts'
import { groundValues } from './ground.ts'

/** From where lows are no longer raised in lifts. */
export const deepValues = tradeValues('deep', {
  depth: value(25, 'mm', 'practice', 'Lows are raised in lifts up to about', [10, 80]),
  lifts: value(
    3,
    '1',
    'practice',
    'Where it takes more lifts than this, the other ways are told',
    [1, 12],
  ),
})

/** How lows are brought up: in thin lifts, under turf that is laid back, or filled and sown. */
export type FillWay = 'lifts' | 'lay-back' | 'bury'

/**
 * How the lows of a zone are brought up, by the school and by how deep they are: of surveyed dips on
 * the average, for a bowl is deep in its middle alone.
 */
export function fillWay(
  r: ZoneReadings,
  { dressing }: Pick<Schools, 'dressing'>,
  trace: Trace,
): FillWay {
  if (dressing === 'bury-reseed') return 'bury'
  if (dressing === 'lay-back') return 'lay-back'
  const depth = r.lowsDepth ? num(r.lowsDepth) : r.fill ? num(r.fill.deepest) : 0
  return depth > trace.value(deepValues.depth) ? 'lay-back' : 'lifts'
}

/** What was cut before the dressing: down to the short height, once, or nothing. */
export type Cut = 'short' | 'first' | 'standing'

/** They share their inputs, and differ in their values. */
const cutRule = (cut: Exclude<Cut, 'standing'>) =>
  (cut === 'short' ? leafRules.leaf : leafRules.leafOnce) as typeof leafRules.leaf

/** Leaf standing on the day of dressing, mm: what the cuts planned before it leave. */
export const leafStanding = (r: ZoneReadings, cut: Cut, trace: Trace): Figure =>
  cut === 'standing'
    ? trace.work(leafRules.leafUncut, zoneScope(r.id), { cut: r.cut })
    : trace.work(cutRule(cut), zoneScope(r.id), { cut: r.cut, foot: r.foot })

/** The same as a plain number, before it is settled what is sown. */
export const leafLeft = (r: ZoneReadings, cut: Cut, trace: Trace): number =>
  cut === 'standing'
    ? num(r.cut)
    : (cutRule(cut).compute(
        { cut: num(r.cut), foot: r.foot },
        trace.values(cutRule(cut).values),
      ) as number)

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
