import { hargreaves } from '../../climate/evapotranspiration.ts'
import { daylight, extraterrestrial } from '../../climate/sunEnergy.ts'
import { SIMULATED_YEARS, type PlaceYear } from '../../climate/placeYear.ts'
import { YEAR_DAYS } from '../../climate/yearDay.ts'
import { STEPS, type SeedbedWeather } from './seedbed.ts'

const HOURS = 24 / STEPS

/**
 * Share of a day's use of water by step: a sine over its daylight, noon at 12. `day` 1 for 1
 * January.
 */
export function byDaylight(latitude: number, day: number): Float32Array {
  const long = Math.max(1, daylight(latitude, day))
  const rises = 12 - long / 2
  const share = new Float32Array(STEPS)
  let sum = 0
  for (let step = 0; step < STEPS; step++) {
    const since = (step + 0.5) * HOURS - rises
    if (since <= 0 || since >= long) continue
    share[step] = Math.sin((Math.PI * since) / long)
    sum += share[step]!
  }
  for (let step = 0; step < STEPS; step++) share[step]! /= sum
  return share
}

/** When on a day its rain begins, the same each time: simulated years have days, no hours. */
const beginsAt = (day: number): number => Math.floor(((day * 0.618_033_988_7) % 1) * STEPS)

/** Rain of a day laid out from when it begins, at mm/h; what is left at midnight falls last. */
export function rainByStep(mm: number, day: number, falls: number, into: Float32Array): void {
  const most = falls * HOURS
  let left = mm
  for (let step = beginsAt(day); left > 1e-9; step++) {
    if (step >= STEPS - 1) {
      into[STEPS - 1]! += left
      return
    }
    const now = Math.min(left, most)
    into[step]! += now
    left -= now
  }
}

/**
 * The days from a day of the usual year on in every simulated year of a place. Made once for a
 * sowing.
 */
export function seedbedYears(
  place: Pick<PlaceYear, 'years' | 'soilYears'>,
  latitude: number,
  sown: number,
  days: number,
  falls: number,
): SeedbedWeather[] {
  const shares = Array.from({ length: days }, (_, i) =>
    byDaylight(latitude, ((sown + i) % YEAR_DAYS) + 1),
  )
  const outside = shares.map((_, i) => extraterrestrial(latitude, ((sown + i) % YEAR_DAYS) + 1))
  return Array.from({ length: SIMULATED_YEARS }, (_, y): SeedbedWeather => {
    const rain = new Float32Array(days * STEPS)
    const et0 = new Float32Array(days * STEPS)
    const soil = new Float64Array(days)
    for (let i = 0; i < days; i++) {
      const at = y * YEAR_DAYS + sown + i
      soil[i] = place.soilYears[at]!
      const uses = hargreaves(place.years.low[at]!, place.years.high[at]!, outside[i]!)
      const share = shares[i]!
      for (let step = 0; step < STEPS; step++) et0[i * STEPS + step] = uses * share[step]!
      rainByStep(place.years.rain[at]!, at, falls, rain.subarray(i * STEPS, (i + 1) * STEPS))
    }
    return { days, rain, et0, soil }
  })
}
