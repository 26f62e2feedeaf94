import { addDays, type Day } from '../calendar/day.ts'
import { rule } from '../trace/figure.ts'

/** Spread of first-frost dates about their median, days. Juvena's model until years of a station are fed in. */
export const FROST_SPREAD = 15
const ONE_IN_TEN = 1.2816

export const frostRules = {
  median: rule(
    'frost.median',
    'Killing frost, even odds: the median date of the first −2 °C night, next time it comes round.',
    '{0}',
    'reading',
    'your entry',
  ),
  tenth: rule(
    'frost.one-in-ten',
    'The date one year in ten has frozen by: the median less 1.28 spreads of 15 days.',
    '{0} − 1.28 × 15 days',
    'model',
  ),
  none: rule(
    'frost.none',
    'No frost date given: Juvena goes by latitude until you give the median date of the first −2 °C night.',
    'by latitude',
    'assumed',
  ),
}

/** Day by which one year in ten has had its first −2 °C night. */
export const oneInTen = (median: Day): Day => addDays(median, -Math.round(ONE_IN_TEN * FROST_SPREAD))

/** Where no frost date is known. From about 12 October at 50° to 15 December at 25°, half a year on in the south. Juvena's model. */
export function usualFrost(latitude: number): string {
  const lat = Math.min(60, Math.max(22, Math.abs(latitude)))
  const north = addDays('2026-10-12', Math.round((50 - lat) * 2.6))
  return (latitude < 0 ? addDays(north, -182) : north).slice(5)
}
