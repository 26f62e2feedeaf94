import { dayNumber, dayOf, type Day } from '../calendar/day.ts'
import { GRASSES, type GrassId } from '../reference/grasses.ts'
import { rule } from '../trace/figure.ts'

export const emergenceRules = {
  band: rule(
    'emergence.band',
    'Warmth above a base adds up day by day while the seedbed stays moist; a tenth is up at 0.7 of the sum, the last at 1.5.',
    'from {0}, the first days that Σ(soil − base) reaches 0.7 and 1.5 of the grass’s sum',
    'model',
  ),
  slowest: rule('emergence.slowest', 'The slowest wanted grass decides how long the surface is kept moist.', 'latest of {*}', 'practice'),
}

export interface Emergence {
  first: Day
  half: Day
  last: Day
}

/**
 * Days a grass shows by, from sowing on soil °C by day (array starting at `start`). Thermal time as in the reference table; Juvena's model.
 * Null when the grass has no seed or the warmth never adds up within the array.
 */
export function emergence(grass: GrassId, sown: Day, soil: Float64Array, start: Day): Emergence | null {
  const thermal = GRASSES[grass].thermal
  if (!thermal) return null
  const offset = dayNumber(sown) - dayNumber(start)
  const marks = [0.7, 1, 1.5].map((part) => part * thermal.theta)
  const found: Day[] = []
  let sum = 0
  for (let i = Math.max(0, offset); i < soil.length && found.length < 3; i++) {
    sum += Math.max(0, soil[i]! - thermal.base)
    while (found.length < 3 && sum >= marks[found.length]!) found.push(dayOf(dayNumber(start) + i + 1))
  }
  return found.length === 3 ? { first: found[0]!, half: found[1]!, last: found[2]! } : null
}
