import { dayNumber } from '../calendar/day.ts'
import { SIMULATED_YEARS, type PlaceYear } from './placeYear.ts'
import type { SiteClimate } from './siteClimate.ts'
import { yearDays, YEAR_DAYS } from './yearDay.ts'

/** Standard deviations either side of the mean that hold eight years in ten. */
const EIGHT_IN_TEN = 1.2816

/**
 * By day of the usual year, the soil at 50 mm that eight years in ten lie between, °C: mean and
 * spread of a hundred simulated years, as for a normal law.
 */
export function soilBand({ soilYears }: PlaceYear): { low: Float64Array; high: Float64Array } {
  const [sum, squares] = [new Float64Array(YEAR_DAYS), new Float64Array(YEAR_DAYS)]
  for (let year = 0; year < SIMULATED_YEARS; year++)
    for (let d = 0; d < YEAR_DAYS; d++) {
      const t = soilYears[year * YEAR_DAYS + d]!
      sum[d]! += t
      squares[d]! += t * t
    }
  const mean = sum.map((x) => x / SIMULATED_YEARS)
  const reach = squares.map(
    (x, d) => EIGHT_IN_TEN * Math.sqrt(Math.max(0, x / SIMULATED_YEARS - mean[d]! ** 2)),
  )
  return { low: mean.map((m, d) => m - reach[d]!), high: mean.map((m, d) => m + reach[d]!) }
}

const workBand = ({ place }: { place: PlaceYear }) => soilBand(place)

/** The same for so many days from today. */
export function soilBandAhead(
  { place, start, kept }: SiteClimate,
  days: number,
): { low: number[]; high: number[] } {
  const band = kept.recall('soil band', { place }, workBand)
  const inYear = Array.from(yearDays(dayNumber(start), days))
  return { low: inYear.map((d) => band.low[d]!), high: inYear.map((d) => band.high[d]!) }
}
