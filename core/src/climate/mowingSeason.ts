import { addDays, dayNumber, dayOf, type Day } from '../calendar/day.ts'
import type { Trace } from '../trace/trace.ts'
import { careValues } from './careWindow.ts'
import type { PlaceYear } from './placeYear.ts'
import { yearDay, YEAR_DAYS } from './yearDay.ts'

/** When grass of a season grows enough to be mown and watered, in the usual year of a place. */
export interface MowingSeason {
  grows: (day: Day) => boolean
  /** The last growing day before a day; null where growth stopped longer than a year ago. */
  before: (day: Day) => Day | null
  /** The first growing day from a day on; null where there is none in a year. */
  from: (day: Day) => Day | null
  /** The first day from one on without growth; null where it grows all year. */
  stops: (day: Day) => Day | null
}

/** Cool grass grows while the mean of the usual day is over the line of feeding, warm grass from green-up. */
export function mowingSeason(
  season: 'cool' | 'warm',
  { mean, soil }: Pick<PlaceYear, 'mean' | 'soil'>,
  trace: Trace,
): MowingSeason {
  const v = trace.values(careValues)
  const on = Array.from(mean, (t, d) =>
    season === 'cool' ? t >= v.feedMean : soil[d]! >= v.warmWakes,
  )
  const growsOn = (number: number) => on[yearDay(number)] === true
  const seek = (day: Day, step: 1 | -1, wanted: boolean): Day | null => {
    const start = dayNumber(day)
    for (let i = 0; i < YEAR_DAYS; i++)
      if (growsOn(start + i * step) === wanted) return dayOf(start + i * step)
    return null
  }
  return {
    grows: (day) => growsOn(dayNumber(day)),
    before: (day) => seek(day, -1, true),
    from: (day) => seek(day, 1, true),
    stops: (day) => seek(day, 1, false),
  }
}

/** So shortly after growth stops, a mow is done in its last week instead, days. */
const LAST_WEEKS = 21

/**
 * A day of a mow, never in dormancy: in the last growing week where that is near, else in the first
 * week of spring. Not before a day: what is not up cannot be mown earlier.
 */
export function mowable({ grows, before, from }: MowingSeason, day: Day, up: Day): Day {
  if (grows(day)) return day
  const last = before(day)
  return last !== null && last >= up && last >= addDays(day, -LAST_WEEKS)
    ? last
    : (from(day) ?? day)
}
