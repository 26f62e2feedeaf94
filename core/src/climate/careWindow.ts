import { addDays, dayNumber, nextOn } from '../calendar/day.ts'
import { growthPotential, growthValues } from '../establish/firstMow.ts'
import { procedure, rule, tradeValues, value } from '../trace/rule.ts'
import type { Trace } from '../trace/trace.ts'
import type { SiteClimate } from './siteClimate.ts'
import { seasonDay, soilValues } from './soilYear.ts'
import type { DayState, SowingWindow } from './sowingWindow.ts'

/** When turf may be worked without being sown: it has to grow out of it. */
export const careValues = tradeValues('care', {
  strong: value(50, '%', 'model', 'Turf is opened and dressed well from this share of its best growth', [20, 90]),
  some: value(20, '%', 'model', 'and at a pinch from', [5, 60]),
  heat: value(26, 'C', 'model', 'Cool turf is not opened in soil warmer than', [20, 35]),
  recovers: value(21, 'd', 'practice', 'Turf is left alone before killing frost for', [7, 60]),
  greensUp: value(60, 'd', 'model', 'After the last frost, warm turf is cut hard within', [14, 120]),
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
    source: 'growth potential: Gelernter & Stowell 2005, from memory; worked from soil until air is on record',
    says: 'Turf that is not sown is worked in growth: well from {strong} of its best, at a pinch from {some}. Cool turf is left alone in soil over {heat}.',
    values: { strong: careValues.strong, some: careValues.some, heat: careValues.heat },
    inputs: { soil: 'C', cutOff: 'date' },
    steps: 'growth by day, against the lines',
  }),
  scalp: procedure({
    ...window,
    id: 'window.scalp',
    says: 'Warm turf is cut hard after the last frost, within {greensUp} of it; in growth it may be cut at a pinch. The last frost is taken to lie as long after the coldest day as the first lies before it.',
    values: { greensUp: careValues.greensUp },
    inputs: { soil: 'C', cutOff: 'date' },
    steps: 'days after the last frost',
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

const YEAR = 365

/** Open, marginal or shut by day for work on turf that is not sown; `scalps` for warm turf cut hard in spring. */
export function careWindow(season: 'cool' | 'warm', scalps: boolean, climate: SiteClimate, trace: Trace): SowingWindow {
  const { soil, start, latitude, frostMonthDay } = climate
  const v = trace.values(careValues)
  const growing = trace.values(growthValues)
  const first = dayNumber(start)
  const coldest = trace.value(soilValues.warmest) - YEAR / 2
  const frostDay = nextOn(frostMonthDay, start)
  const toColdest = (coldest - seasonDay(dayNumber(frostDay), latitude) + 2 * YEAR) % YEAR
  const states: DayState[] = []
  let frost = dayNumber(frostDay)
  for (let i = 0; i < soil.length; i++) {
    const day = first + i
    if (day > frost) frost += YEAR
    const growth = 100 * growthPotential(soil[i]!, season, growing)
    if (scalps) {
      const sinceLastFrost = (seasonDay(day, latitude) - coldest - toColdest + 2 * YEAR) % YEAR
      states.push(sinceLastFrost <= v.greensUp ? 'open' : growth >= v.strong && day <= frost - v.recovers ? 'marginal' : 'shut')
      continue
    }
    const hot = season === 'cool' && soil[i]! > v.heat
    const late = day > frost - v.recovers
    states.push(hot || late ? 'shut' : growth >= v.strong ? 'open' : growth >= v.some ? 'marginal' : 'shut')
  }
  return { start, states, cutOff: addDays(frostDay, -v.recovers), lead: season === 'cool' ? 'cool' : 'warm', leadDays: v.recovers }
}
