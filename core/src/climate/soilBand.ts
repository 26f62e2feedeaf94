import { dayNumber } from '../calendar/day.ts'
import { SIMULATED_YEARS, type PlaceYear } from './placeYear.ts'
import type { SiteClimate } from './siteClimate.ts'
import { yearDays, YEAR_DAYS } from './yearDay.ts'

/** By day of the usual year, the soil at 50 mm of the tenth coldest and the tenth warmest of a hundred simulated years, °C. */
export function soilBand({ soilYears }: PlaceYear): { low: Float64Array; high: Float64Array } {
  const [low, high] = [new Float64Array(YEAR_DAYS), new Float64Array(YEAR_DAYS)]
  const years = new Float64Array(SIMULATED_YEARS)
  for (let d = 0; d < YEAR_DAYS; d++) {
    for (let y = 0; y < SIMULATED_YEARS; y++) years[y] = soilYears[y * YEAR_DAYS + d]!
    years.sort()
    low[d] = years[Math.round(SIMULATED_YEARS * 0.1)]!
    high[d] = years[Math.round(SIMULATED_YEARS * 0.9)]!
  }
  return { low, high }
}

/** The same for so many days from today. */
export function soilBandAhead({ place, start, kept }: SiteClimate, days: number): { low: number[]; high: number[] } {
  const band = kept.recall('soil band', null, () => soilBand(place))
  const inYear = Array.from(yearDays(dayNumber(start), days))
  return { low: inYear.map((d) => band.low[d]!), high: inYear.map((d) => band.high[d]!) }
}
