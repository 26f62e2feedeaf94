import { addDays, dayNumber, daysBetween, type Day } from '../calendar/day.ts'
import type { Grass, GrassId } from '../reference/grasses.ts'
import type { Schools } from '../reference/schools.ts'
import type { Trace } from '../trace/trace.ts'
import { careWindow, type Care } from './careWindow.ts'
import type { SiteClimate } from './siteClimate.ts'
import { mixOdds, oddsValues, type DayOdds, type OddsBrief } from './sowingOdds.ts'
import { sownGrass } from './sowingLines.ts'
import {
  sowingWindow,
  windowSchools,
  type Sown,
  type SowingWindow,
  type WindowSchools,
} from './sowingWindow.ts'
import { daysOn, yearDay, YEAR_DAYS } from './yearDay.ts'

interface SowingInputs {
  sown: Sown
  climate: SiteClimate
  schools: WindowSchools
}

const workSowing = ({ sown, climate, schools }: SowingInputs, trace: Trace): SowingWindow =>
  sowingWindow(sown, climate, schools, trace)

/** The window of what is sown, worked once for all who sow the same at a place on a day. */
export function windowToSow(
  sown: Sown,
  climate: SiteClimate,
  schools: Schools,
  trace: Trace,
): SowingWindow {
  const { parts, purpose, watered, over = false } = sown
  const mix = parts.map((p) => `${p.grass} ${p.share}`).join()
  const name = `window of ${mix} ${purpose} ${String(watered)} ${String(over)}`
  const inputs = { sown, climate, schools: windowSchools(schools) }
  return trace.recall(climate.kept, name, inputs, workSowing)
}

/** The window of one grass sown alone. */
export const grassWindow = (
  grass: GrassId,
  { purpose, watered, over = false }: Omit<Sown, 'parts'>,
  climate: SiteClimate,
  schools: Schools,
  trace: Trace,
): SowingWindow =>
  windowToSow({ parts: [{ grass, share: 100 }], purpose, watered, over }, climate, schools, trace)

interface CareInputs {
  season: 'cool' | 'warm'
  care: Care
  watered: boolean
  climate: SiteClimate
  schools: WindowSchools
}

const workCare = (
  { season, care, watered, climate, schools }: CareInputs,
  trace: Trace,
): SowingWindow => careWindow(season, care, watered, climate, schools, trace)

/** The window of work that is not sown. */
export const windowToWork = (
  season: 'cool' | 'warm',
  care: Care,
  watered: boolean,
  climate: SiteClimate,
  schools: Schools,
  trace: Trace,
): SowingWindow =>
  trace.recall(
    climate.kept,
    `work ${season} ${care} ${String(watered)}`,
    { season, care, watered, climate, schools: windowSchools(schools) },
    workCare,
  )

interface OddsInputs {
  years: SiteClimate['years']
  grasses: readonly GrassId[]
  inYear: number
  leads?: readonly GrassId[]
  brief: OddsBrief
}

function workOdds(
  { years, grasses, inYear, leads, brief }: OddsInputs,
  trace: Trace,
): DayOdds | null {
  const sown = grasses.flatMap(
    (id) => sownGrass(trace.grass(id), trace, leads?.includes(id) ?? true) ?? [],
  )
  if (sown.length === 0) return null
  return mixOdds(years.place, years.sums, sown, inYear, brief, trace.values(oddsValues))
}

/** What is asked of the odds, so that jobs at one place that ask differently keep theirs apart. */
const named = ({ watered, lawn, standsBy, lead, within }: OddsBrief): string =>
  [watered, lawn, standsBy, lead, within].join()

/**
 * Odds of sowing some grasses on a day of the usual year of a place; null where nothing is known of
 * them.
 */
export function oddsOnDay(
  grasses: readonly Grass[],
  inYear: number,
  brief: OddsBrief,
  { years, kept }: SiteClimate,
  trace: Trace,
  leads?: readonly GrassId[],
): DayOdds | null {
  const ids = grasses.map((g) => g.id)
  const inputs = { years, grasses: ids, inYear, brief, ...(leads ? { leads } : {}) }
  return trace.recall(kept, `odds ${inYear} ${ids.join()} ${named(brief)}`, inputs, workOdds)
}

/** Days between two of the usual year on which the odds of a whole year are worked. */
const EVERY = 7

/** The odds of a week of the usual year, each worked when it is first asked for. */
function workYear(
  { years, grasses, brief }: Omit<OddsInputs, 'inYear'>,
  trace: Trace,
): ((week: number) => number) | null {
  const sown = grasses.flatMap((id) => sownGrass(trace.grass(id), trace) ?? [])
  if (sown.length === 0) return null
  const values = trace.values(oddsValues)
  const points: number[] = []
  return (week) =>
    (points[week] ??= mixOdds(years.place, years.sums, sown, (week * EVERY) % YEAR_DAYS, brief, values).succeed) // prettier-ignore
}

/**
 * Years in a hundred in which a sowing succeeds, for any day of the usual year: worked for the weeks
 * that are asked for, straight between. Null where nothing is known of the grasses.
 */
export function oddsThroughYear(
  grasses: readonly Grass[],
  brief: OddsBrief,
  { years, kept }: SiteClimate,
  trace: Trace,
): ((inYear: number) => number) | null {
  const ids = grasses.map((g) => g.id)
  const name = `odds by week ${ids.join()} ${named(brief)}`
  const inWeek = trace.recall(kept, name, { years, grasses: ids, brief }, workYear)
  return (
    inWeek &&
    ((inYear) => {
      const week = Math.floor(inYear / EVERY)
      const a = inWeek(week)
      return a + ((inWeek(week + 1) - a) * (inYear - week * EVERY)) / EVERY
    })
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

/** Years in a hundred in which one grass sown on a day succeeds; none where nothing is known of it. */
export const grassOdds = (
  grass: Grass,
  watered: boolean,
  day: Day,
  climate: SiteClimate,
  schools: Schools,
  trace: Trace,
): number =>
  oddsOnDay(
    [grass],
    yearDay(dayNumber(day)),
    { watered, lawn: true, standsBy: schools.stands },
    climate,
    trace,
  )?.succeed ?? 0

/**
 * Whether the hard cut of warm turf in spring is behind: blades may go in before its season comes
 * again.
 */
export function springCutOver(
  watered: boolean,
  climate: SiteClimate,
  schools: Schools,
  trace: Trace,
): boolean {
  const opens = (care: Care) =>
    windowToWork('warm', care, watered, climate, schools, trace).states.indexOf('open')
  const [cut, blades] = [opens('scalp'), opens('open')]
  return blades >= 0 && (cut < 0 || cut > blades)
}
