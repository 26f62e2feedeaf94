import { saturation } from './evapotranspiration.ts'
import type { WeatherDay } from './weatherSeries.ts'

/**
 * What else a record knows of a usual month, January first: vapour pressure, kPa, wind at 2 m, m/s,
 * radiation, MJ/m² a day; null where it was hardly read.
 */
export interface AirByMonth {
  vapour: (number | null)[]
  wind: (number | null)[]
  radiation: (number | null)[]
}

/** Days of a month that a mean wants. */
const ENOUGH = 20
/**
 * Wind at 2 m for one at 10 m, where stations measure it: 4.87 ÷ ln(67.8 × 10 − 5.42) (FAO 56, eq
 * 47, from memory).
 */
const TO_TWO_METRES = 4.87 / Math.log(67.8 * 10 - 5.42)

/**
 * Vapour pressure from relative humidity, %, and the day's extremes, °C (FAO 56, eq 19, from
 * memory).
 */
export const vapourOf = (humidity: number, low: number, high: number): number =>
  ((humidity / 100) * (saturation(low) + saturation(high))) / 2

export function airByMonth(days: readonly WeatherDay[]): AirByMonth {
  const mean = (of: (d: WeatherDay) => number | null): (number | null)[] => {
    const [sums, counts] = [new Array<number>(12).fill(0), new Array<number>(12).fill(0)]
    for (const d of days) {
      const x = of(d)
      if (x === null) continue
      const month = Number(d.day.slice(5, 7)) - 1
      sums[month]! += x
      counts[month]!++
    }
    return sums.map((sum, m) => (counts[m]! >= ENOUGH ? sum / counts[m]! : null))
  }
  return {
    vapour: mean((d) =>
      d.low === null || d.high === null || d.humidity === null || d.humidity === undefined
        ? null
        : vapourOf(d.humidity, d.low, d.high),
    ),
    wind: mean((d) =>
      d.wind === null || d.wind === undefined ? null : (d.wind / 3.6) * TO_TWO_METRES,
    ),
    radiation: mean((d) => d.radiation ?? null),
  }
}
