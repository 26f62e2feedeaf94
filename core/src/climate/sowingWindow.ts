import { addDays, dayNumber, dayOf, nextOn, type Day } from '../calendar/day.ts'
import { GRASSES, type GrassId } from '../reference/grasses.ts'
import { rule } from '../trace/figure.ts'
import type { Schools } from '../reference/schools.ts'
import { oneInTen } from './frost.ts'

export const windowRules = {
  coolCutOff: rule('window.cool-cut-off', 'Cool-season sowing ends six weeks before killing frost.', '{0} − 42 days', 'practice'),
  bluegrassCutOff: rule('window.bluegrass-cut-off', 'Bluegrass, the slowest, ends eight weeks before killing frost.', '{0} − 56 days', 'model'),
  warmCutOff: rule('window.warm-cut-off', 'Warm-season sowing ends 90 days before first frost.', '{0} − 90 days', 'practice'),
  coverCutOff: rule('window.cover-cut-off', 'A quick cover of annual ryegrass may be sown up to the frost itself.', '{0}', 'model'),
  soil: rule(
    'window.soil',
    'Cool grasses sow at 10–22 °C soil, cooling; spring is marginal, with honest odds. Warm grasses want their least and 21 °C for the best.',
    'soil °C by day',
    'practice',
  ),
}

export type DayState = 'open' | 'marginal' | 'shut'

export interface SowingWindow {
  /** First day of the arrays. */
  start: Day
  states: DayState[]
  cutOff: Day
  /** Days the cut-off lies before the frost, and the rule that says so. */
  lead: number
}

/** Days before killing frost that a grass has to be sown by. Nurse grasses wait for nobody. */
export function frostLead(grass: GrassId): number {
  const g = GRASSES[grass]
  if (g.season === 'warm') return 90
  if (grass === 'kentucky-bluegrass') return 56
  return grass === 'annual-ryegrass' ? 0 : 42
}

/** The lead of a mix is that of its slowest wanted grass: any with a tenth of the weight or more. */
export const mixLead = (parts: readonly { grass: GrassId; share: number }[]): number =>
  Math.max(0, ...parts.filter((p) => p.share >= 10).map((p) => frostLead(p.grass)))

export const leadRule = (lead: number) =>
  lead >= 90 ? windowRules.warmCutOff : lead >= 56 ? windowRules.bluegrassCutOff : lead > 0 ? windowRules.coolCutOff : windowRules.coverCutOff

/** The frost that a cut-off counts back from: at even odds, or one year in ten. */
export function countedFrost(monthDay: string, from: Day, cutOff: Schools['cutOff']): Day {
  const median = nextOn(monthDay, from)
  return cutOff === 'safe' ? oneInTen(median) : median
}

export interface SeasonGround {
  frostMonthDay: string
  /** Soil at 50 mm, °C, by day from `start`. */
  soil: Float64Array
  /** Whether soil usually warms, by day. */
  warming: Uint8Array
  start: Day
}

/** A falling day further than this before the next frost lies after the last one: winter, not autumn. */
const AUTUMN_REACH = 250

/**
 * Open, marginal or shut for sowing, by day, for a mix.
 * Cool grasses shut from the cut-off until soil warms past 10 °C in spring, which is marginal.
 */
export function sowingWindow(
  parts: readonly { grass: GrassId; share: number }[],
  season: 'cool' | 'warm',
  ground: SeasonGround,
  school: Schools['cutOff'],
): SowingWindow {
  const { soil, start, frostMonthDay, warming } = ground
  const lead = mixLead(parts)
  const first = dayNumber(start)
  const cutOff = addDays(countedFrost(frostMonthDay, start, school), -lead)
  const least = Math.max(...parts.map((p) => GRASSES[p.grass].soilMin ?? (season === 'warm' ? 18 : 7)), -99)
  const states: DayState[] = []
  let frost = dayNumber(nextOn(frostMonthDay, start))
  let counted = dayNumber(countedFrost(frostMonthDay, start, school))
  for (let i = 0; i < soil.length; i++) {
    const day = first + i
    if (day > frost) {
      frost = dayNumber(nextOn(frostMonthDay, dayOf(day)))
      counted = dayNumber(countedFrost(frostMonthDay, dayOf(day), school))
    }
    const t = soil[i]!
    const rising = warming[i] === 1
    const winter = !rising && frost - day > AUTUMN_REACH
    let state: DayState = 'shut'
    if (day <= counted - lead && !winter) {
      if (lead === 0) state = t >= 7 ? 'open' : t >= 5 ? 'marginal' : 'shut'
      else if (season === 'warm') state = t >= Math.max(21, least) ? 'open' : t >= least ? 'marginal' : 'shut'
      else if (t >= Math.max(10, least) && t <= 22) state = rising ? 'marginal' : 'open'
      else if ((t >= least && t < 10 && !rising) || (t > 22 && t <= 25 && !rising)) state = 'marginal'
    }
    states.push(state)
  }
  return { start, states, cutOff, lead }
}
