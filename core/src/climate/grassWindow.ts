import { addDays, dayNumber, daysBetween, type Day } from '../calendar/day.ts'
import type { Grass, GrassId } from '../reference/grasses.ts'
import type { Schools } from '../reference/schools.ts'
import type { Trace } from '../trace/trace.ts'
import type { SiteClimate } from './siteClimate.ts'
import { mixOdds, oddsValues } from './sowingOdds.ts'
import { sownGrass } from './sowingLines.ts'
import { sowingWindow, type Sown, type SowingWindow } from './sowingWindow.ts'
import { daysOn, yearDay } from './yearDay.ts'

/** What the windows of a place hang on beside what is sown. */
export const windowKey = (
  climate: SiteClimate,
  schools: Schools,
  trace: Trace,
): readonly unknown[] => [
  climate.soilKey,
  climate.frostMonthDay,
  climate.frostSpread,
  trace.firmValues,
  schools.cutOff,
  schools.late,
  schools.stands,
  schools.warm,
]

/** The window of one grass sown alone, worked once for all zones, packages and jobs of a place. */
export function grassWindow(
  grass: GrassId,
  { purpose, watered, over = false }: Omit<Sown, 'parts'>,
  climate: SiteClimate,
  schools: Schools,
  trace: Trace,
): SowingWindow {
  const sown = { parts: [{ grass, share: 100 }], purpose, watered, over }
  return climate.kept.recall(
    `window of ${grass} ${purpose} ${String(watered)} ${String(over)}`,
    [windowKey(climate, schools, trace), trace.grass(grass)],
    () => sowingWindow(sown, climate, schools, trace),
  )
}

/**
 * Whether a day lies in the rising half of the year of a place: after its coldest day, before its
 * warmest.
 */
export const isRising = ({ place }: SiteClimate, day: Day): boolean =>
  daysOn(place.warmest, yearDay(dayNumber(day))) >= place.toColdest

/**
 * The first day of the spring that runs, from a day on, that a cool grass may be sown; null where
 * there is none.
 */
export function springDay(
  grass: Grass,
  watered: boolean,
  from: Day,
  climate: SiteClimate,
  schools: Schools,
  trace: Trace,
): Day | null {
  const window = grassWindow(grass.id, { purpose: 'lawn', watered }, climate, schools, trace)
  const start = dayNumber(window.start)
  for (let i = Math.max(0, daysBetween(window.start, from)); i < window.states.length; i++) {
    const since = daysOn(climate.place.warmest, yearDay(start + i))
    if (since < climate.place.toColdest) return null
    if (window.states[i] !== 'shut' && window.seasons[i] === 'spring')
      return addDays(window.start, i)
  }
  return null
}

/**
 * Years in a hundred in which one grass sown on a day succeeds; none where nothing is known of it.
 */
export function grassOdds(
  grass: Grass,
  watered: boolean,
  day: Day,
  climate: SiteClimate,
  schools: Schools,
  trace: Trace,
): number {
  const sown = sownGrass(grass, trace)
  if (!sown) return 0
  const brief = { watered, lawn: true, standsBy: schools.stands }
  return mixOdds(
    climate.place,
    climate.sums,
    [sown],
    yearDay(dayNumber(day)),
    brief,
    trace.values(oddsValues),
  ).succeed
}
