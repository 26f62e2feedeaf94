import { dayNumber, type Day } from '../calendar/day.ts'
import { rule } from '../trace/figure.ts'

export const soilRules = {
  curve: rule(
    'weather.soil-curve',
    'A yearly wave by latitude, drawn through your soil reading; what the reading differs by fades over about a month.',
    'wave(latitude, day) + (reading − wave) × e^(−days ÷ 30)',
    'model',
  ),
}

const YEAR = 365.25
/** Days after the winter solstice on which soil at 50 mm is warmest. */
const WARMEST = 217
const FADE_DAYS = 30

/** Days since the last winter solstice (21 December north, 21 June south): the same count means the same season in both halves of the world. */
export function seasonDay(number: number, latitude: number): number {
  const year = new Date(number * 86_400_000).getUTCFullYear()
  const anchor = (y: number) => dayNumber(latitude < 0 ? `${y}-06-21` : `${y}-12-21`)
  for (let y = year; ; y--) {
    const since = number - anchor(y)
    if (since >= 0) return since
  }
}

/** Whether soil usually warms on a season day: from the coldest day, half a year before the warmest, up to it. */
const warming = (day: number): boolean => day >= WARMEST - YEAR / 2 && day < WARMEST

/** Whether soil usually warms, by day from `start`: 1 or 0. */
export function warmingDays(latitude: number, start: number, days: number): Uint8Array {
  const list = new Uint8Array(days)
  let season = seasonDay(start, latitude)
  for (let i = 0; i < days; i++, season++) {
    if (season >= 365) season = seasonDay(start + i, latitude)
    list[i] = warming(season) ? 1 : 0
  }
  return list
}

/** Usual soil temperature at 50 mm, °C, on a season day. Juvena's model: mean and swing by latitude. */
export function usualSoil(day: number, latitude: number): number {
  const lat = Math.abs(latitude)
  const mean = Math.max(6, 27 - 0.008 * lat * lat)
  const swing = 2 + 0.17 * lat
  return mean + swing * Math.cos((2 * Math.PI * (day - WARMEST)) / YEAR)
}

export interface SoilReading {
  day: Day
  celsius: number
}

/** Soil temperature by day from `start` for `days` days, °C. */
export function soilCurve(latitude: number, start: number, days: number, reading: SoilReading | null): Float64Array {
  const curve = new Float64Array(days)
  const readOn = reading ? dayNumber(reading.day) : 0
  const off = reading ? reading.celsius - usualSoil(seasonDay(readOn, latitude), latitude) : 0
  let season = seasonDay(start, latitude)
  for (let i = 0; i < days; i++, season++) {
    if (season >= 365) season = seasonDay(start + i, latitude)
    curve[i] = usualSoil(season, latitude) + (off === 0 ? 0 : off * Math.exp(-Math.abs(start + i - readOn) / FADE_DAYS))
  }
  return curve
}
