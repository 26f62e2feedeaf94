import { addDays } from '../calendar/day.ts'
import { procedure, rule, tradeValues, value } from '../rules/rule.ts'
import type { Trace } from '../trace/trace.ts'
import type { DayState, Reason } from './dayReasons.ts'
import { windowValues } from './sowingLines.ts'
import {
  cutWindow,
  hasHighSummer,
  lastDayOf,
  type FrostSeason,
  type Judged,
  type SeasonGround,
  type SowingWindow,
  type Verdict,
  type WindowSchools,
} from './sowingWindow.ts'
import { daysOn, YEAR_DAYS } from './yearDay.ts'

/** When turf may be worked without being sown: it has to grow out of it. */
export const careValues = tradeValues('care', {
  turfSoil: value(3, 'C', 'practice', 'Cool turf is laid while the soil has', [0, 10]),
  springSoil: value(
    8.5,
    'C',
    'practice',
    'Cool turf is opened in spring from soil of; 8 to 9 °C and rising',
    [4, 14],
  ),
  springTo: value(23, 'C', 'practice', 'until the usual day reaches; 22 to 24 °C', [16, 30]),
  autumnFrom: value(
    24,
    'C',
    'practice',
    'and again in late summer, once the usual day is under',
    [16, 32],
  ),
  lastWeeks: value(
    21,
    'd',
    'model',
    'or, however warm, in the last weeks before it ends, where somebody waters:',
    [0, 42],
  ),
  beforeFrost: value(
    35,
    'd',
    'practice',
    'Opened cool turf closes before killing frost; four to six weeks are left for it',
    [14, 70],
  ),
  warmBeforeFrost: value(
    56,
    'd',
    'practice',
    'Warm turf is left alone before its first frost for about',
    [28, 120],
  ),
  warmSoil: value(18, 'C', 'practice', 'Warm turf has greened up in full at soil of', [14, 24]),
  warmWakes: value(15, 'C', 'practice', 'it is greening up from', [10, 20]),
  heat: value(
    30,
    'C',
    'practice',
    'Cool turf is not opened where the usual day is hotter than',
    [24, 38],
  ),
  greensUp: value(
    60,
    'd',
    'model',
    'After the last frost, warm turf is cut hard within',
    [14, 120],
  ),
  feedMean: value(
    5,
    'C',
    'practice',
    'Cool turf is fed while it is green and mown: while the mean of the usual day is over',
    [0, 12],
  ),
  feedHeat: value(24, 'C', 'practice', 'in warmer days only where somebody waters', [18, 32]),
  feedBeforeFrost: value(
    49,
    'd',
    'practice',
    'Warm turf gets no nitrogen before its first frost for; six to eight weeks',
    [28, 90],
  ),
  barrierSpring: value(
    12.5,
    'C',
    'practice',
    'A pre-emergence is down in spring before soil holds',
    [8, 18],
  ),
  barrierAutumn: value(21, 'C', 'practice', 'and in autumn as soil falls through', [12, 28]),
  barrierEarly: value(28, 'd', 'model', 'It goes down no sooner before that than', [7, 60]),
  barrierLate: value(21, 'd', 'model', 'and at a pinch until so long after', [0, 45]),
})

const window = {
  key: 'window',
  stage: 6,
  label: 'Working window',
  unit: 'text',
  standing: 'practice',
  by: 'climate/careWindow: careWindow',
  check: 'window.test.ts',
} as const
const cutOff = {
  key: 'cut-off',
  stage: 6,
  label: 'Last day to open turf',
  unit: 'date',
  standing: 'practice',
  inputs: { frost: 'date' },
} as const

export const careRules = {
  cool: procedure({
    ...window,
    id: 'window.growth',
    says: 'Cool turf that is not sown has two seasons: spring, from soil of {springSoil} and rising until the usual day reaches {springTo}; and late summer, from days under {autumnFrom}, or where it is watered the last {lastWeeks} however warm, until {beforeFrost} before killing frost. Between them there is only light work, where somebody waters; nothing at {heat}.',
    values: {
      springSoil: careValues.springSoil,
      springTo: careValues.springTo,
      autumnFrom: careValues.autumnFrom,
      lastWeeks: careValues.lastWeeks,
      beforeFrost: careValues.beforeFrost,
      heat: careValues.heat,
    },
    inputs: { soil: 'C', cutOff: 'date' },
    steps: 'usual soil and usual days, against the lines',
  }),
  warm: procedure({
    ...window,
    id: 'window.warm-growth',
    says: 'Warm turf that is not sown is opened and dressed from full green-up, at soil of {warmSoil}, at a pinch from {warmWakes}, until {warmBeforeFrost} before first frost.',
    values: {
      warmSoil: careValues.warmSoil,
      warmWakes: careValues.warmWakes,
      warmBeforeFrost: careValues.warmBeforeFrost,
    },
    inputs: { soil: 'C', cutOff: 'date' },
    steps: 'soil by day, against the lines',
  }),
  turf: procedure({
    ...window,
    id: 'window.turf',
    says: 'Cool turf is laid whenever the soil is not frozen, from {turfSoil}: below {springSoil} it lies until spring before it roots. Once the usual day reaches {springTo} somebody has to water it; at {heat} none is laid.',
    values: {
      turfSoil: careValues.turfSoil,
      springSoil: careValues.springSoil,
      springTo: careValues.springTo,
      heat: careValues.heat,
    },
    inputs: { soil: 'C', cutOff: 'date' },
    steps: 'usual soil and usual days, against the lines',
  }),
  scalp: procedure({
    ...window,
    id: 'window.scalp',
    says: 'Warm turf is cut hard after the usual last frost, within {greensUp} of it; in growth it may be cut at a pinch, until the warmest of the year.',
    values: { greensUp: careValues.greensUp },
    inputs: { soil: 'C', cutOff: 'date' },
    steps: 'days after the last −2 °C night of half the years',
  }),
  feed: procedure({
    ...window,
    id: 'window.feed',
    says: 'Cool turf is fed while it is green and mown, so into late autumn: while the mean of the usual day is over {feedMean}, little in early spring, in days over {feedHeat} only where somebody waters, at {heat} not at all.',
    values: {
      feedMean: careValues.feedMean,
      feedHeat: careValues.feedHeat,
      heat: careValues.heat,
    },
    inputs: { soil: 'C', cutOff: 'date' },
    steps: 'the usual day, against the lines',
  }),
  warmFeed: procedure({
    ...window,
    id: 'window.warm-feed',
    says: 'Warm turf is fed once it greens up, at soil of {warmWakes}, until {feedBeforeFrost} before first frost; no nitrogen after that.',
    values: { warmWakes: careValues.warmWakes, feedBeforeFrost: careValues.feedBeforeFrost },
    inputs: { soil: 'C', cutOff: 'date' },
    steps: 'soil by day, and the days before frost',
  }),
  barrier: procedure({
    ...window,
    id: 'window.barrier',
    says: 'A pre-emergence goes by the soil: in spring in the {barrierEarly} before it holds {barrierSpring}, in autumn as it falls through {barrierAutumn}; at a pinch until {barrierLate} after.',
    values: {
      barrierSpring: careValues.barrierSpring,
      barrierAutumn: careValues.barrierAutumn,
      barrierEarly: careValues.barrierEarly,
      barrierLate: careValues.barrierLate,
    },
    inputs: { soil: 'C', cutOff: 'date' },
    steps: 'soil by day, against the lines',
  }),
  due: procedure({
    ...window,
    id: 'window.due',
    says: 'This work has no season of its own: it is done when it is due.',
    inputs: { soil: 'C', cutOff: 'date' },
    steps: 'every day',
  }),
  cutOff: rule({
    ...cutOff,
    id: 'window.care-cut-off',
    says: 'Opened turf closes before killing frost: {beforeFrost} are left for it.',
    values: { beforeFrost: careValues.beforeFrost },
    formula: 'frost - beforeFrost',
    compute: ({ frost }, { beforeFrost }) => addDays(frost, -beforeFrost),
  }),
  warmCutOff: rule({
    ...cutOff,
    id: 'window.warm-care-cut-off',
    says: 'Warm turf that is opened or dressed has {warmBeforeFrost} left before first frost.',
    values: { warmBeforeFrost: careValues.warmBeforeFrost },
    formula: 'frost - warmBeforeFrost',
    compute: ({ frost }, { warmBeforeFrost }) => addDays(frost, -warmBeforeFrost),
  }),
  feedCutOff: rule({
    ...cutOff,
    id: 'window.feed-cut-off',
    label: 'Last day to feed',
    says: 'Warm turf gets no nitrogen in the {feedBeforeFrost} before first frost.',
    values: { feedBeforeFrost: careValues.feedBeforeFrost },
    formula: 'frost - feedBeforeFrost',
    compute: ({ frost }, { feedBeforeFrost }) => addDays(frost, -feedBeforeFrost),
  }),
  yearEnds: procedure({
    ...cutOff,
    id: 'window.year-ends',
    label: 'The season ends',
    standing: 'model',
    says: 'No frost ends this work: its season ends with the coldest of the year.',
    steps: 'the coldest day of the usual year',
    by: 'climate/careWindow: careWindow',
    check: 'window.test.ts',
  }),
}

/**
 * Work that is not sown: opening and dressing; light work (a thin dressing, spiking, one light
 * pass); laying cool turf; a hard cut of warm turf; feeding; a pre-emergence in spring, in autumn or
 * in either; and what has no season but is done when it is due.
 */
export type Care = 'open' | 'light' | 'turf' | 'scalp' | 'feed' | 'barrier' | 'barrier-spring' | 'barrier-autumn' | 'due' // prettier-ignore

/** The rule that says the window of a kind of work. */
export const careRule = (season: 'cool' | 'warm', care: Care) =>
  care === 'open' || care === 'light'
    ? careRules[season]
    : care === 'feed'
      ? season === 'cool'
        ? careRules.feed
        : careRules.warmFeed
      : care === 'scalp' || care === 'due' || care === 'turf'
        ? careRules[care]
        : careRules.barrier

/** Days a kind of work ends before the frost of its season; null where no frost ends it. */
export function careLead(season: 'cool' | 'warm', care: Care, trace: Trace): number | null {
  const v = trace.values(careValues)
  if (care === 'open' || care === 'light' || care === 'scalp')
    return season === 'warm' ? v.warmBeforeFrost : v.beforeFrost
  return care === 'feed' && season === 'warm' ? v.feedBeforeFrost : null
}

/**
 * Open, marginal or shut by day for work on turf that is not sown. `watered`: somebody waters it.
 * Temperatures in °C; soil goes by the readings where there are some.
 */
export function careWindow(
  season: 'cool' | 'warm',
  care: Care,
  watered: boolean,
  ground: SeasonGround,
  schools: WindowSchools,
  trace: Trace,
): SowingWindow {
  const { place, soil, start } = ground
  const v = trace.values(careValues)
  const summer = trace.values(windowValues)
  // Where no frost comes, the hard cut follows the coldest day.
  const lastFrost =
    (place.lastFrost.median !== null ? place.warmest + place.lastFrost.median : place.coldest) %
    YEAR_DAYS
  const lead = careLead(season, care, trace)
  const lastOf = (of: FrostSeason) => (lead === null ? of.coldest : lastDayOf(of, lead))
  const summerRuns = hasHighSummer(place, summer)
  const coolSummer = watered && place.high[place.warmest]! < summer.coolSummer

  const between = (): Verdict =>
    care === 'light' && watered
      ? ['open', 'light-work']
      : coolSummer
        ? ['marginal', 'between']
        : ['shut', watered ? 'between' : 'between-dry']
  const cool = ({ d, soil: s, after, toWarmest, number, last }: Judged): Verdict => {
    const high = place.high[d]!
    if (high >= v.heat) return ['shut', 'heat-work']
    if (after !== null && number > last) return ['shut', 'near-frost']
    if (s < v.springSoil) return ['shut', 'asleep']
    if (after === null)
      return high >= v.springTo || (summerRuns && toWarmest <= summer.beforeWarmest)
        ? between()
        : ['open', 'good-work']
    // Where warm days last into the weeks before frost, those weeks are all there is.
    if (watered && last - number < v.lastWeeks) return ['open', 'good-work']
    return high >= v.autumnFrom || (summerRuns && after < summer.afterWarmest)
      ? between()
      : ['open', 'good-work']
  }
  const warm = ({ soil: s, after, number, last }: Judged): Verdict => {
    if (after !== null && number > last) return ['shut', 'near-frost']
    if (s >= v.warmSoil) return ['open', 'good-work']
    return s >= v.warmWakes ? ['marginal', 'greening'] : ['shut', 'asleep']
  }
  const scalp = ({ d, soil: s, after, number, last }: Judged): Verdict => {
    if (daysOn(lastFrost, d) <= v.greensUp) return ['open', 'good-work']
    if (after !== null) return ['shut', number > last ? 'near-frost' : 'late-cut']
    return s >= v.warmSoil ? ['marginal', 'late-cut'] : ['shut', 'asleep']
  }
  const feed = ({ d, soil: s, after, number, last }: Judged): Verdict => {
    if (season === 'warm') {
      if (after !== null && number > last) return ['shut', 'feed-frost']
      return s >= v.warmWakes ? ['open', 'good-work'] : ['shut', 'asleep']
    }
    const high = place.high[d]!
    if (place.mean[d]! < v.feedMean) return ['shut', 'asleep']
    if (high >= v.heat) return ['shut', 'heat-work']
    if (high >= v.feedHeat && !watered) return ['shut', 'between-dry']
    return after === null && s < v.springSoil ? ['marginal', 'early-feed'] : ['open', 'good-work']
  }
  const barriers = barrierDays(soil, v)
  const barrier = ({ after }: Judged, i: number): Verdict => {
    const rising = after === null
    if (care === (rising ? 'barrier-autumn' : 'barrier-spring')) return ['shut', 'other-barrier']
    const state = (rising ? barriers.spring : barriers.autumn)[i]!
    return [
      state,
      state === 'open' ? 'good-work' : state === 'marginal' ? 'late-barrier' : 'soil-barrier',
    ]
  }
  const turf = ({ d, soil: s }: Judged): Verdict => {
    const high = place.high[d]!
    if (high >= v.heat) return ['shut', 'heat-work']
    if (s < v.turfSoil) return ['shut', 'frozen']
    if (s < v.springSoil) return ['open', 'turf-rests']
    if (high < v.springTo) return ['open', 'good-work']
    return watered ? ['open', 'warm'] : ['shut', 'between-dry']
  }
  const judge = (day: Judged, i: number): Verdict => {
    if (care === 'turf') return turf(day)
    if (care === 'due') return ['open', 'good-work']
    if (care === 'scalp') return scalp(day)
    if (care === 'feed') return feed(day)
    if (care === 'open' || care === 'light') return season === 'cool' ? cool(day) : warm(day)
    return barrier(day, i)
  }
  let i = 0
  const window = cutWindow(ground, schools.cutOff, lastOf, (day) => {
    const [state, reason] = judge(day, i++)
    return { state, reason, season: seasonOfWork(day, reason) }
  })
  return { ...window, start, lead: season, leadDays: lead ?? 0 }
}

const seasonOfWork = ({ after }: Judged, reason: Reason) =>
  reason === 'asleep' || reason === 'frozen' ? 'winter' : reason === 'between' || reason === 'light-work' ? 'summer' : after !== null ? 'autumn' : 'spring' // prettier-ignore

/**
 * Days for a pre-emergence, by soil °C: in the weeks before it rises through the spring line for
 * good, and round the day on which it falls through the autumn line.
 */
function barrierDays(
  soil: Float64Array,
  v: { barrierSpring: number; barrierAutumn: number; barrierEarly: number; barrierLate: number },
): { spring: DayState[]; autumn: DayState[] } {
  const states = (): DayState[] => new Array<DayState>(soil.length).fill('shut')
  const [spring, autumn] = [states(), states()]
  const mark = (of: DayState[], from: number, to: number, state: DayState) => {
    for (let i = Math.max(0, from); i <= Math.min(soil.length - 1, to); i++)
      if (of[i] !== 'open') of[i] = state
  }
  const most = soil.reduce((a, b) => Math.max(a, b), -Infinity)
  // Where soil never reaches the autumn line, it falls from its warmest.
  const falls = Math.min(v.barrierAutumn, most - 1)
  for (let i = 1; i < soil.length; i++) {
    if (soil[i - 1]! < v.barrierSpring && soil[i]! >= v.barrierSpring) {
      mark(spring, i - v.barrierEarly, i, 'open')
      mark(spring, i + 1, i + v.barrierLate, 'marginal')
    }
    if (soil[i - 1]! >= falls && soil[i]! < falls) {
      mark(autumn, i - v.barrierEarly / 2, i + v.barrierEarly / 2, 'open')
      mark(autumn, i, i + v.barrierEarly / 2 + v.barrierLate, 'marginal')
    }
  }
  return { spring, autumn }
}
