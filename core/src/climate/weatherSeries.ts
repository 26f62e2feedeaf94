/**
 * Daily weather of a station, one entry a day from `start`; NaN where a day or a value is missing.
 */
export interface WeatherSeries {
  /** Day number of the first entry. */
  start: number
  /** Air at screen height, °C. */
  low: Float64Array
  high: Float64Array
  /** Rain, mm. */
  rain: Float64Array
  /** Soil at 50 mm, °C; null where the station never reads it. */
  soil: Float64Array | null
}

/**
 * One day as stored and sent, null where missing: air and soil °C, rain mm, wind km/h, humidity %,
 * radiation MJ/m².
 */
export interface WeatherDay {
  day: string
  low: number | null
  high: number | null
  rain: number | null
  wind?: number | null
  humidity?: number | null
  radiation?: number | null
  soil?: number | null
}

/** Days in a row of a station, gaps as NaN, from its days in order. Null when there is none. */
export function seriesOf(
  days: readonly WeatherDay[],
  numberOf: (day: string) => number,
): WeatherSeries | null {
  if (days.length === 0) return null
  const start = numberOf(days[0]!.day)
  const length = numberOf(days.at(-1)!.day) - start + 1
  const empty = () => new Float64Array(length).fill(NaN)
  const series: WeatherSeries = { start, low: empty(), high: empty(), rain: empty(), soil: null }
  for (const d of days) {
    const i = numberOf(d.day) - start
    if (d.low !== null) series.low[i] = d.low
    if (d.high !== null) series.high[i] = d.high
    if (d.rain !== null) series.rain[i] = d.rain
    const soil = d.soil ?? null
    if (soil !== null) (series.soil ??= empty())[i] = soil
  }
  return series
}

/** Days without both temperatures. */
export const missingDays = ({ low, high }: WeatherSeries): number =>
  low.reduce((n, x, i) => n + (Number.isNaN(x) || Number.isNaN(high[i]!) ? 1 : 0), 0)
