import { addDays } from '../calendar/day.ts'
import { procedure, rule, tradeValues, value } from '../rules/rule.ts'
import type { Trace } from '../trace/trace.ts'
import { growthPotential, growthSource, growthValues } from './growth.ts'
import {
  cutWindow,
  lastDayOf,
  type SeasonGround,
  type SowingWindow,
  type Verdict,
  type WindowSchools,
} from './sowingWindow.ts'
import { daysOn, YEAR_DAYS } from './yearDay.ts'

/** When turf may be worked without being sown: it has to grow out of it. */
export const careValues = tradeValues('care', {
  strong: value(
    50,
    '%',
    'model',
    'Turf is opened and dressed well from this share of its best growth',
    [20, 90],
  ),
  ofBest: value(
    50,
    '%',
    'model',
    'or, where no day is that warm, from this share of the best day of the place',
    [30, 100],
  ),
  some: value(20, '%', 'model', 'and at a pinch from', [5, 60]),
  heat: value(
    30,
    'C',
    'model',
    'Cool turf is not opened where the usual day is hotter than',
    [24, 38],
  ),
  recovers: value(21, 'd', 'practice', 'Turf is left alone before killing frost for', [7, 60]),
  greensUp: value(
    60,
    'd',
    'model',
    'After the last frost, warm turf is cut hard within',
    [14, 120],
  ),
  feedSome: value(10, '%', 'model', 'Turf is fed from this share of its best growth', [2, 50]),
})

const window = {
  key: 'window',
  stage: 6,
  label: 'Working window',
  unit: 'text',
  standing: 'model',
  by: 'climate/careWindow: careWindow',
  check: 'window.test.ts',
} as const

export const careRules = {
  growth: procedure({
    ...window,
    id: 'window.growth',
    source: growthSource,
    says: 'Turf that is not sown is worked in growth: well from {strong} of its best, or from {ofBest} of the best day of the place where that is less; at a pinch from {some}. Cool turf is left alone where the usual day is over {heat}.',
    values: {
      strong: careValues.strong,
      ofBest: careValues.ofBest,
      some: careValues.some,
      heat: careValues.heat,
    },
    inputs: { soil: 'C', cutOff: 'date' },
    steps: 'growth by day in the usual air, against the lines',
  }),
  scalp: procedure({
    ...window,
    id: 'window.scalp',
    says: 'Warm turf is cut hard after the usual last frost, within {greensUp} of it; in growth it may be cut at a pinch.',
    values: { greensUp: careValues.greensUp },
    inputs: { soil: 'C', cutOff: 'date' },
    steps: 'days after the last −2 °C night of half the years',
  }),
  feed: procedure({
    ...window,
    id: 'window.feed',
    source: growthSource,
    says: 'Turf is fed while it grows at {feedSome} of its best or more, until the frosts; in the heat of cool turf it is held back.',
    values: { feedSome: careValues.feedSome, heat: careValues.heat },
    inputs: { soil: 'C', cutOff: 'date' },
    steps: 'growth by day in the usual air, against the lines',
  }),
  cutOff: rule({
    id: 'window.care-cut-off',
    key: 'cut-off',
    stage: 6,
    label: 'Last day to open turf',
    unit: 'date',
    standing: 'practice',
    says: 'Opened turf closes before killing frost: {recovers} are left for it.',
    values: { recovers: careValues.recovers },
    inputs: { frost: 'date' },
    formula: 'frost - recovers',
    compute: ({ frost }, { recovers }) => addDays(frost, -recovers),
  }),
}

export type Care = 'open' | 'scalp' | 'feed'

/**
 * Open, marginal or shut by day for work on turf that is not sown: opening and dressing, a hard cut
 * of warm turf in spring, or feeding alone.
 */
export function careWindow(
  season: 'cool' | 'warm',
  care: Care,
  ground: SeasonGround,
  schools: WindowSchools,
  trace: Trace,
): SowingWindow {
  const { place } = ground
  const v = trace.values(careValues)
  const growing = trace.values(growthValues)
  const growth = place.mean.map((t) => 100 * growthPotential(t, season, growing))
  const strong = Math.min(v.strong, (v.ofBest / 100) * Math.max(...growth))
  // Where no frost comes, the hard cut follows the coldest day.
  const lastFrost =
    place.lastFrost.median !== null ? place.warmest + place.lastFrost.median : place.coldest
  const leadDays = care === 'feed' ? 0 : v.recovers
  const judge = (d: number, late: boolean): Verdict => {
    if (care === 'scalp') {
      if (daysOn(lastFrost % YEAR_DAYS, d) <= v.greensUp) return ['open', 'good']
      return growth[d]! >= strong && !late
        ? ['marginal', 'late']
        : ['shut', late ? 'frost' : 'cold']
    }
    if (late) return ['shut', 'frost']
    if (season === 'cool' && place.high[d]! >= v.heat) return ['shut', 'heat']
    if (care === 'feed') return growth[d]! >= v.feedSome ? ['open', 'good'] : ['shut', 'winter']
    return growth[d]! >= strong
      ? ['open', 'good']
      : growth[d]! >= v.some
        ? ['marginal', 'cold']
        : ['shut', 'winter']
  }
  const window = cutWindow(
    ground,
    schools.cutOff,
    (of) => lastDayOf(of, leadDays),
    ({ d, after, number, last }) => {
      const [state, reason] = judge(d, after !== null && number > last)
      return {
        state,
        reason,
        season: reason === 'winter' ? 'winter' : after !== null ? 'autumn' : 'spring',
      }
    },
  )
  return { ...window, lead: season, leadDays }
}
