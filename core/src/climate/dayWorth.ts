import { dayNumber } from '../calendar/day.ts'
import { tradeValues, value } from '../rules/rule.ts'
import { quantity, say, type Message } from '../rules/message.ts'
import type { Trace } from '../trace/trace.ts'
import type { Care } from './careWindow.ts'
import type { Reason } from './dayReasons.ts'
import type { SiteClimate } from './siteClimate.ts'
import type { DayOdds } from './sowingOdds.ts'
import { seasonAround, type SowingWindow, type WindowSchools } from './sowingWindow.ts'
import { daysOn, yearDay, YEAR_DAYS } from './yearDay.ts'

/** What a day is worth for a piece of work: points of a hundred. */
export const worthValues = tradeValues('worth', {
  wait: value(1.5, '1', 'model', 'Each week that work waits costs', [0, 5]),
  waitLong: value(12, 'wk', 'model', 'and a third of that once it has waited', [2, 52]),
  bareWait: value(5, '1', 'model', 'and each that ground lies bare until its quick cover', [0, 20]),
  dueWait: value(2, '1', 'model', 'and each day that due work waits', [0, 10]),
  marginal: value(25, '1', 'model', 'A marginal day costs', [5, 60]),
  thirsty: value(
    4,
    '1',
    'model',
    'A sowing in warm weather, to be watered more often, costs',
    [0, 30],
  ),
  heatLine: value(24, 'C', 'model', 'Heat ahead counts from usual days of', [18, 32]),
  heat: value(4, '1', 'model', 'and costs for each °C over it in the weeks ahead', [0, 15]),
  dry: value(3, '1', 'model', 'or where nobody waters, six degrees sooner', [0, 15]),
  ahead: value(21, 'd', 'model', 'Opened turf wants such weather for', [7, 42]),
  closes: value(
    56,
    'd',
    'model',
    'Opened turf is best closed before frost; days for it',
    [21, 120],
  ),
  closing: value(0.8, '1', 'model', 'Each day fewer costs', [0, 5]),
  weeds: value(8, '1', 'model', 'Weeds that come up in turf opened in spring cost', [0, 40]),
  visit: value(3, '1', 'model', 'A day on which the crew is there anyway is worth', [0, 20]),
})

export type WorthPart =
  'odds' | 'in-time' | 'marginal' | 'heat' | 'dry' | 'closing' | 'weeds' | 'wait' | 'visit'

/** One part of what a day is worth: the first is what it starts from, the rest are added. */
export interface PartOfWorth {
  part: WorthPart
  points: number
}

/** Years in a hundred that succeed, and those of them that are right by the customer's date. */
export type SomeOdds = Pick<DayOdds, 'succeed' | 'inTime'>

/** What a day is judged from. */
export interface WorthBrief {
  window: SowingWindow
  /** What is done without seed; null where something is sown, which goes by its odds. */
  care: Care | null
  watered: boolean
  climate: SiteClimate
  schools: WindowSchools
  /** Odds of a sowing by index into the window; null where nothing is known of it. */
  odds: (i: number) => SomeOdds | null
}

/** Reasons of a marginal day that the odds of a sowing have in them. */
const IN_ODDS: readonly Reason[] = ['spring', 'late', 'past-rule', 'after-frosts', 'heat-ahead']
/** So they have these, in which seed is watered more often: a cooler day of like odds is better. */
const THIRSTY: readonly Reason[] = ['squeezed', 'warm']
/** Most a day is worth. */
const WHOLE = 100

/**
 * What a day of a window is worth, 1 to 100, with its parts; empty where it is shut. Heat and
 * closing count for what opens turf; a sowing has them in its odds.
 */
export function worthOfDay(b: WorthBrief, i: number, trace: Trace): PartOfWorth[] {
  const state = b.window.states[i] ?? 'shut'
  if (state === 'shut') return []
  const v = trace.values(worthValues)
  const parts: PartOfWorth[] = []
  const less = (part: WorthPart, points: number) => {
    if (points > 0) parts.push({ part, points: -points })
  }
  const odds = b.care === null ? b.odds(i) : null
  parts.push({ part: 'odds', points: odds?.succeed ?? WHOLE })
  if (odds) less('in-time', (odds.succeed - odds.inTime) / 2)
  const reason = b.window.reasons[i]!
  if (state === 'marginal' && !(odds && IN_ODDS.includes(reason)))
    less('marginal', odds && THIRSTY.includes(reason) ? v.thirsty : v.marginal)
  if (b.care === 'open' || b.care === 'light') for (const p of weather(b, i, trace)) parts.push(p)
  const weeks = i / 7
  const waited = Math.min(weeks, v.waitLong) + Math.max(0, weeks - v.waitLong) / 3
  const cover = b.window.lead === 'cover'
  less('wait', b.care === 'due' ? i * v.dueWait : cover ? weeks * v.bareWait : waited * v.wait)
  return parts
}

/** Heat and drought in the weeks after opening turf, days to close before frost, weeds of spring. */
function weather(b: WorthBrief, i: number, trace: Trace): PartOfWorth[] {
  const { climate, schools, window, watered } = b
  const { place } = climate
  const v = trace.values(worthValues)
  const number = dayNumber(window.start) + i
  const d = yearDay(number)
  let high = 0
  for (let k = 0; k < v.ahead; k++) high += place.high[(d + k) % YEAR_DAYS]! / v.ahead
  const parts: PartOfWorth[] = []
  const less = (part: WorthPart, points: number) => {
    if (points > 0) parts.push({ part, points: -points })
  }
  if (window.lead !== 'warm') less('heat', (high - v.heatLine) * v.heat)
  if (!watered) less('dry', (high - (v.heatLine - 6)) * v.dry)
  const season = seasonAround(climate, window.start, schools.cutOff)
  const rising = daysOn(place.warmest, d) >= place.toColdest
  const frost = season.frost === null ? null : season.frost + YEAR_DAYS * Math.floor((number - season.warmest) / YEAR_DAYS) // prettier-ignore
  if (!rising && frost !== null) less('closing', (v.closes - (frost - number)) * v.closing)
  if (rising && window.lead !== 'warm' && b.care === 'open') less('weeds', v.weeds)
  return parts
}

/** Parts as one number: minus infinity for a day that is shut. */
export const pointsOf = (parts: readonly PartOfWorth[]): number =>
  parts.length === 0 ? -Infinity : parts.reduce((sum, p) => sum + p.points, 0)

/** Points as they are shown, 1 to 100; 0 for a day that is shut. */
export const shownPoints = (points: number): number =>
  points === -Infinity ? 0 : Math.round(Math.min(WHOLE, Math.max(1, points)))

/** A part in words. */
export function partSaid({ part, points }: PartOfWorth, trace: Trace): Message {
  const n = Math.round(Math.abs(points))
  const { heatLine } = trace.values(worthValues)
  switch (part) {
    case 'odds':
      return n === WHOLE ? '100 to begin with' : say`${n} years in a hundred succeed`
    case 'in-time':
      return say`${n} less, for years not right by the customer’s date`
    case 'marginal':
      return say`${n} less, for a marginal day`
    case 'heat':
      return say`${n} less, for days over ${quantity(heatLine, 'C')} ahead`
    case 'dry':
      return say`${n} less, for warm days that nobody waters`
    case 'closing':
      return say`${n} less, for a short time to close before frost`
    case 'weeds':
      return say`${n} less, for the weeds of spring`
    case 'wait':
      return say`${n} less, for the wait until then`
    case 'visit':
      return say`${n} more, for the crew is there anyway`
  }
}
