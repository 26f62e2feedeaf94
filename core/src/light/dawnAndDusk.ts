import { dayNumber, type Day } from '../calendar/day.ts'
import { instantAt } from './localClock.ts'
import { sunAt } from './sun.ts'

/** Hours of the clock at which the sun rises and sets. */
export interface DawnAndDusk {
  dawn: number
  dusk: number
}
/** The upper edge of the sun stands on a level horizon, degrees of its middle as seen. */
const EDGE = -0.2667
const HOUR = 60

/**
 * When the sun rises and sets on a day, hours by the clock of the place, to a minute: without hills
 * around. Null where it does not do both that day.
 */
export function dawnAndDusk(
  day: Day,
  { latitude, longitude, timeZone }: { latitude: number; longitude: number; timeZone: string },
): DawnAndDusk | null {
  const above = (minutes: number) =>
    sunAt(instantAt(dayNumber(day), minutes, timeZone || undefined, longitude), latitude, longitude)
      .altitude - EDGE
  let dawn: number | null = null
  let dusk: number | null = null
  for (let at = 0; at < 24 * HOUR; at += HOUR) {
    const rises = above(at) < 0
    if (rises === above(at + HOUR) < 0) continue
    let [low, high] = [at, at + HOUR]
    while (high - low > 1) {
      const mid = Math.floor((low + high) / 2)
      if (above(mid) < 0 === rises) low = mid
      else high = mid
    }
    if (rises) dawn ??= high
    else dusk = high
  }
  return dawn === null || dusk === null ? null : { dawn: dawn / HOUR, dusk: dusk / HOUR }
}
