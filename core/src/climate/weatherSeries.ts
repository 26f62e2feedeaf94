/** Daily weather of a station, one entry a day from `start`; NaN where a day or a value is missing. */
export interface WeatherSeries {
  /** Day number of the first entry. */
  start: number
  /** Air at screen height, °C. */
  low: Float64Array
  high: Float64Array
  /** Rain, mm. */
  rain: Float64Array
  /** Wind, km/h; humidity, %; radiation, MJ/m²; soil at 50 mm, °C. Null where the station never reads it. */
  wind: Float64Array | null
  humidity: Float64Array | null
  radiation: Float64Array | null
  soil: Float64Array | null
}

/** One day as stored and sent: null where missing. */
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

const EXTRAS = ['wind', 'humidity', 'radiation', 'soil'] as const

/** Days in a row of a station, gaps as NaN, from its days in order. Null when there is none. */
export function seriesOf(days: readonly WeatherDay[], numberOf: (day: string) => number): WeatherSeries | null {
  if (days.length === 0) return null
  const start = numberOf(days[0]!.day)
  const length = numberOf(days.at(-1)!.day) - start + 1
  const empty = () => new Float64Array(length).fill(NaN)
  const series: WeatherSeries = { start, low: empty(), high: empty(), rain: empty(), wind: null, humidity: null, radiation: null, soil: null }
  for (const d of days) {
    const i = numberOf(d.day) - start
    if (d.low !== null) series.low[i] = d.low
    if (d.high !== null) series.high[i] = d.high
    if (d.rain !== null) series.rain[i] = d.rain
    for (const name of EXTRAS) {
      const read = d[name] ?? null
      if (read !== null) (series[name] ??= empty())[i] = read
    }
  }
  return series
}

/** Days without both temperatures. */
export const missingDays = ({ low, high }: WeatherSeries): number =>
  low.reduce((n, x, i) => n + (Number.isNaN(x) || Number.isNaN(high[i]!) ? 1 : 0), 0)
