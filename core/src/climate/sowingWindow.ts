import { addDays, dayNumber, dayOf, nextOn, type Day } from '../calendar/day.ts'
import { GRASSES, type GrassId } from '../reference/grasses.ts'
import type { Schools } from '../reference/schools.ts'
import { procedure, rule, tradeValues, value, type TradeValue } from '../trace/rule.ts'
import type { Trace } from '../trace/trace.ts'
import type { DayState, Reason, SeasonName } from './dayReasons.ts'
import { placeValues, type PlaceYear } from './placeYear.ts'
import { oddsValues } from './sowingOdds.ts'
import { yearDays, YEAR_DAYS } from './yearDay.ts'

/** Days before killing frost that sowing ends. */
export const leadValues = tradeValues('lead', {
  cool: value(42, 'd', 'practice', 'Cool-season sowing ends before killing frost by', [14, 90]),
  bluegrass: value(56, 'd', 'model', 'Bluegrass, the slowest, by', [14, 120]),
  warm: value(90, 'd', 'practice', 'Warm-season sowing ends before first frost by', [30, 150]),
  cover: value(0, 'd', 'model', 'A quick cover of annual ryegrass by', [0, 60]),
})

/** Soil at 50 mm, and air, that open and shut the sowing window. */
export const windowValues = tradeValues('window', {
  coolFrom: value(10, 'C', 'practice', 'Cool grasses are sown well from', [4, 15]),
  coolTo: value(22, 'C', 'practice', 'and up to', [16, 30]),
  coolMost: value(25, 'C', 'model', 'Cool grasses are marginal up to', [18, 35]),
  coolLeast: value(7, 'C', 'practice', 'Least soil for a cool grass whose own is not known', [2, 12]),
  warmFrom: value(21, 'C', 'practice', 'Warm grasses are sown well from', [15, 30]),
  warmLeast: value(18, 'C', 'practice', 'Least soil for a warm grass whose own is not known', [10, 25]),
  warmDays: value(27, 'C', 'practice', 'and in days of', [20, 35]),
  warmUntil: value(30, 'd', 'practice', 'Warm grass is sown until midsummer, and so long after the warmest day', [0, 90]),
  coverFrom: value(7, 'C', 'model', 'A quick cover is sown well from', [2, 15]),
  coverLeast: value(5, 'C', 'practice', 'A quick cover is marginal from', [0, 12]),
  hotAhead: value(2, 'd', 'model', 'Cool grass is shut while so many hot days are expected in four weeks', [0.5, 14]),
  squeezed: value(28, 'd', 'model', 'but marginal in the last so many before the last day to sow, with a waterer', [0, 60]),
  warmAir: value(28, 'C', 'model', 'Autumn is marginal while the usual day is warmer than', [22, 34]),
  coolSummer: value(27, 'C', 'practice', 'High summer is shut where the year’s warmest usual day is', [22, 34]),
  beforeWarmest: value(45, 'd', 'model', 'High summer begins before the warmest day by', [10, 90]),
  afterWarmest: value(21, 'd', 'model', 'and ends after it by', [0, 60]),
  winterGreenNight: value(14, 'C', 'model', 'Grass for winter green is sown once nights are usually', [8, 20]),
  winterGreenFrost: value(21, 'd', 'model', 'and until so long before killing frost', [0, 60]),
  dormant: value(4, 'C', 'practice', 'Seed that is to lie dormant is sown in soil under', [0, 8]),
})

const cutOff = (id: string, lead: TradeValue, says: string) =>
  rule({
    id: `window.${id}`,
    key: 'cut-off',
    stage: 6,
    label: 'Last day to sow',
    unit: 'date',
    standing: lead.standing,
    says,
    values: { lead },
    inputs: { frost: 'date' },
    formula: 'frost - lead',
    compute: ({ frost }, v) => addDays(frost, -v.lead),
  })

export const windowRules = {
  cool: cutOff('cool-cut-off', leadValues.cool, 'Cool-season sowing ends {lead} before killing frost.'),
  bluegrass: cutOff('bluegrass-cut-off', leadValues.bluegrass, 'Bluegrass, the slowest, ends {lead} before killing frost.'),
  warm: cutOff('warm-cut-off', leadValues.warm, 'Warm-season sowing ends {lead} before first frost.'),
  cover: cutOff('cover-cut-off', leadValues.cover, 'A quick cover of annual ryegrass may be sown up to the frost itself, less {lead}.'),
  growth: procedure({
    id: 'window.growth-cut-off',
    key: 'cut-off',
    stage: 6,
    label: 'Last day to sow',
    unit: 'date',
    standing: 'model',
    says: 'Seedlings want {growth} over {growthBase}, once they are up, before killing frost.',
    values: { growth: oddsValues.growth, growthBase: oddsValues.growthBase },
    inputs: { frost: 'date' },
    steps: 'the last day from which the usual warmth, after seed is up, still reaches that sum by the frost',
    by: 'climate/sowingWindow: lastByGrowth',
    check: 'window.test.ts',
  }),
  soil: procedure({
    id: 'window.soil',
    key: 'window',
    stage: 6,
    label: 'Sowing window',
    unit: 'text',
    standing: 'practice',
    says: 'Cool grasses sow from {coolFrom} to {coolTo} soil once the heat is past, up to the last day before frost; spring is marginal, with honest odds, and ends where the heat comes before seedlings stand it. Warm grasses want their least, {warmFrom} and days of {warmDays} for the best.',
    values: windowValues,
    inputs: { soil: 'C', cutOff: 'date' },
    steps: 'soil, usual days, hot days ahead and frost, by day, against the lines',
    by: 'climate/sowingWindow: sowingWindow',
    check: 'window.test.ts',
  }),
}

/** Which cut-off a grass or a mix goes by. */
export type Lead = keyof typeof leadValues
export interface SowingWindow {
  /** First day of the arrays. */
  start: Day
  states: DayState[]
  reasons: Reason[]
  /** The season each day belongs to. */
  seasons: SeasonName[]
  /** The last day of the season that today belongs to; past once the frost is near or over. */
  cutOff: Day
  /** What the cut-off goes by, and the days it lies before the frost. */
  lead: Lead
  leadDays: number
}

/** What decides how long before killing frost a grass has to be sown. Nurse grasses wait for nobody. */
export function leadOf(grass: GrassId): Lead {
  if (GRASSES[grass].season === 'warm') return 'warm'
  if (grass === 'kentucky-bluegrass') return 'bluegrass'
  return grass === 'annual-ryegrass' ? 'cover' : 'cool'
}

/** Grasses of this share or more are wanted for themselves, % by weight. Juvena's model. */
export const WANTED_FROM = 10

/** The lead of a mix is that of its slowest wanted grass. */
export function mixLead(parts: readonly { grass: GrassId; share: number }[], trace: Trace): Lead {
  const leads = parts.filter((p) => p.share >= WANTED_FROM).map((p) => leadOf(p.grass))
  return leads.reduce<Lead>((slowest, lead) => (trace.value(leadValues[lead]) > trace.value(leadValues[slowest]) ? lead : slowest), 'cover')
}

/** The frosts of a place by season: a season of sowing runs from one coldest day to the next. */
export interface FrostSeason {
  /** Day number of the season's warmest day, and of the coldest after it. */
  warmest: number
  coldest: number
  /** Day number of the frost that its sowing ends by, at the odds of the school; null where most years have none. */
  frost: number | null
}

/** Where a season stands: what windows are cut from. */
export interface SeasonGround {
  place: PlaceYear
  /** Median date of the first −2 °C night, "MM-DD"; null where most years have none. */
  frostMonthDay: string | null
  /** Days that one year in ten has frozen before it. */
  frostSpread: number
  /** Soil at 50 mm, °C, by day from `start`. */
  soil: Float64Array
  start: Day
}

/** The season that a day belongs to: the falling half of the year counts with the warmest day behind it, the rising half with the one ahead. */
export function seasonAround({ place, frostMonthDay, frostSpread }: SeasonGround, day: Day, school: Schools['cutOff']): FrostSeason {
  const number = dayNumber(day)
  const { warmest, coldest } = place
  const since = (yearDays(number, 1)[0]! - warmest + YEAR_DAYS) % YEAR_DAYS
  const toColdest = (coldest - warmest + YEAR_DAYS) % YEAR_DAYS
  const turn = since < toColdest ? number - since : number + YEAR_DAYS - since
  const median = frostMonthDay === null ? null : dayNumber(nextOn(frostMonthDay, dayOf(turn)))
  return { warmest: turn, coldest: turn + toColdest, frost: median === null ? null : median - (school === 'safe' ? frostSpread : 0) }
}

/** Last day to sow in a season: the days of the lead before its frost, or the coldest day where there is none. */
export const lastDayOf = ({ frost, coldest }: FrostSeason, leadDays: number): number => (frost === null ? coldest : frost - leadDays)

/** The last day a lead leaves in the season a day belongs to. */
export const lastDayToSow = (lead: Lead, ground: SeasonGround, from: Day, school: Schools['cutOff'], trace: Trace): Day =>
  dayOf(lastDayOf(seasonAround(ground, from, school), trace.value(leadValues[lead])))

/** What is sown, and how: it decides which lines a window is cut by. */
export interface Sown {
  parts: readonly { grass: GrassId; share: number }[]
  purpose: 'lawn' | 'cover' | 'winter-green'
  /** Somebody waters it. */
  watered: boolean
}

type Verdict = readonly [DayState, Reason]

/** Everything that a day is judged by. */
interface Judged {
  d: number
  soil: number
  /** Days after the warmest, in the falling half; null in the rising one. */
  after: number | null
  toWarmest: number
  season: FrostSeason
  last: number
  number: number
}

/** Days that a mix takes to come up, by day of the usual year: thermal time on the usual soil; Infinity where it never adds up in 200 days. */
function daysUp({ soil }: PlaceYear, parts: Sown['parts']): Float64Array {
  const slowest = parts.flatMap((p) => GRASSES[p.grass].thermal ?? []).sort((a, b) => b.theta - a.theta)[0] ?? { theta: 100, base: 5 }
  return Float64Array.from({ length: YEAR_DAYS }, (_, d) => {
    let sum = 0
    for (let k = 0; k < LONGEST_UP; k++) {
      sum += Math.max(0, soil[(d + k) % YEAR_DAYS]! - slowest.base)
      if (sum >= slowest.theta) return k + 1
    }
    return Infinity
  })
}
const LONGEST_UP = 200

/** The last day, days after the warmest, from which the usual warmth after seed is up still reaches a sum by the frost. */
export function lastByGrowth({ mean, warmest }: PlaceYear, up: Float64Array, frostAfter: number, growth: number, base: number): number {
  for (let after = frostAfter; after > -200; after--) {
    const d = (warmest + after + 2 * YEAR_DAYS) % YEAR_DAYS
    let sum = 0
    for (let k = Math.ceil(Math.min(LONGEST_UP, up[d]!)); after + k < frostAfter; k++) sum += Math.max(0, mean[(d + k) % YEAR_DAYS]! - base)
    if (sum >= growth) return after
  }
  return -200
}

/** Open, marginal or shut for sowing, by day, and why, for what is sown. */
export function sowingWindow(sown: Sown, ground: SeasonGround, schools: Schools, trace: Trace): SowingWindow {
  const { parts, purpose, watered } = sown
  const { soil, start, place } = ground
  const v = trace.values(windowValues)
  const odds = trace.values(oddsValues)
  const hotDay = trace.value(placeValues.hotDay)
  const lead = purpose === 'cover' ? 'cover' : mixLead(parts, trace)
  const warm = lead === 'warm'
  const leadDays = purpose === 'winter-green' ? v.winterGreenFrost : trace.value(leadValues[lead])
  const least = Math.max(...parts.map((p) => GRASSES[p.grass].soilMin ?? (warm ? v.warmLeast : v.coolLeast)), -99)
  const up = daysUp(place, parts)
  const peak = place.high[place.warmest]!
  const slowToFrost = parts.every((p) => GRASSES[p.grass].fine || p.grass === 'kentucky-bluegrass' || p.share < WANTED_FROM)
  const heatBorne = watered ? odds.hotDaysWatered : odds.hotDaysDry
  const hotLater = (d: number) => {
    const shows = Math.round(Math.min(LONGEST_UP, up[d]!))
    return (
      place.hotAhead[d]! +
      place.hotAhead[(d + 28) % YEAR_DAYS]! +
      (shows > 0 ? (place.hotAhead[(d + 56) % YEAR_DAYS]! * Math.min(28, shows)) / 28 : 0)
    )
  }
  const hot = (d: number) => place.high[d]! >= hotDay || place.high[(d + 30) % YEAR_DAYS]! >= hotDay || place.high[(d + 15) % YEAR_DAYS]! >= hotDay

  const summer = (): Verdict => (watered && peak < v.coolSummer ? ['marginal', 'summer'] : ['shut', 'summer-dry'])
  const cool = ({ d, soil: t, after, toWarmest, season, last, number }: Judged): Verdict => {
    if (after === null) {
      if (t < v.coolFrom || t < least || up[d]! > odds.longest) return ['shut', t < v.coolLeast ? 'winter' : 'cold']
      if (hot(d)) return ['shut', 'heat']
      if (hotLater(d) > heatBorne) return ['shut', 'heat-ahead']
      if (toWarmest <= v.beforeWarmest) return summer()
      return season.frost === null && hotLater(d) < 1 ? ['open', 'good'] : ['marginal', 'spring']
    }
    if (number > last) {
      if (schools.late === 'dormant' && slowToFrost && t < v.dormant) return ['marginal', 'dormant']
      if (schools.late === 'after-frosts' && t >= least) return ['marginal', 'after-frosts']
      return ['shut', season.frost !== null && number > season.frost ? 'winter' : 'frost']
    }
    if (hot(d)) return ['shut', 'heat']
    // Where the heat lasts into the last weeks before frost, they are all there is.
    if (place.hotAhead[d]! >= v.hotAhead)
      return watered && after >= v.afterWarmest && last - number < v.squeezed ? ['marginal', 'squeezed'] : ['shut', 'heat']
    if (after < v.afterWarmest) return summer()
    if (t > v.coolMost) return ['shut', 'heat']
    if (t < least) return ['shut', 'cold']
    if (place.high[d]! >= v.warmAir || t > v.coolTo) return watered ? ['marginal', 'warm'] : ['shut', 'summer-dry']
    return t >= v.coolFrom ? ['open', 'good'] : ['marginal', 'cold']
  }
  const warmGrass = ({ d, soil: t, after, season, last, number }: Judged): Verdict => {
    if (season.frost !== null && number > last) return ['shut', 'frost']
    if (t < least) return ['shut', after === null || season.frost === null ? 'cold' : 'frost']
    if (after !== null && after > v.warmUntil) return ['marginal', 'late']
    if (t < Math.max(v.warmFrom, least) || place.high[d]! < v.warmDays) return [schools.warm === 'early' ? 'open' : 'marginal', 'cool-days']
    return ['open', 'good']
  }
  const cover = ({ d, soil: t, after, last, number }: Judged): Verdict => {
    if (t < v.coverLeast) return ['shut', 'winter']
    if (place.high[d]! >= hotDay) return watered ? ['marginal', 'heat'] : ['shut', 'heat']
    if (after !== null && number > last) return ['marginal', 'after-frosts']
    return t >= v.coverFrom ? ['open', 'good'] : ['marginal', 'cold']
  }
  const winterGreen = ({ d, soil: t, after, last, number }: Judged): Verdict => {
    if (after === null) return ['shut', 'winter']
    if (number > last) return ['shut', 'frost']
    if (place.low[d]! > v.winterGreenNight) return ['shut', 'nights']
    return t >= v.coolFrom ? ['open', 'good'] : t >= v.coolLeast ? ['marginal', 'cold'] : ['shut', 'cold']
  }
  const judge = purpose === 'cover' ? cover : purpose === 'winter-green' ? winterGreen : warm ? warmGrass : cool

  const days = yearDays(dayNumber(start), soil.length)
  const toColdest = (place.coldest - place.warmest + YEAR_DAYS) % YEAR_DAYS
  const window: SowingWindow = { start, states: [], reasons: [], seasons: [], cutOff: start, lead, leadDays }
  let season: FrostSeason | null = null
  let last = 0
  for (let i = 0; i < soil.length; i++) {
    const number = dayNumber(start) + i
    const d = days[i]!
    const since = (d - place.warmest + YEAR_DAYS) % YEAR_DAYS
    const falling = since < toColdest
    if (season === null || d === place.coldest) {
      season = seasonAround(ground, dayOf(number), schools.cutOff)
      last = lastDayOf(season, leadDays)
      if (schools.stands === 'degree-days' && !warm && purpose === 'lawn' && season.frost !== null)
        last = season.warmest + lastByGrowth(place, up, season.frost - season.warmest, odds.growth, odds.growthBase)
      if (i === 0) window.cutOff = dayOf(last)
    }
    const [state, reason] = judge({
      d,
      soil: soil[i]!,
      after: falling ? since : null,
      toWarmest: falling ? YEAR_DAYS : YEAR_DAYS - since,
      season,
      last,
      number,
    })
    window.states.push(state)
    window.reasons.push(reason)
    window.seasons.push(seasonName(falling ? since : null, YEAR_DAYS - since, reason, v))
  }
  if (window.states.every((s) => s === 'shut')) window.reasons = window.reasons.map((r) => (r === 'cold' && !warm ? r : r === 'cold' ? 'never' : r))
  return window
}

function seasonName(after: number | null, toWarmest: number, reason: Reason, v: { beforeWarmest: number; afterWarmest: number }): SeasonName {
  if (reason === 'winter' || reason === 'dormant' || reason === 'after-frosts') return 'winter'
  if (after === null) return toWarmest <= v.beforeWarmest ? 'summer' : 'spring'
  return after < v.afterWarmest ? 'summer' : 'autumn'
}
