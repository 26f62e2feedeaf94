import { dayNumber, type Day } from '../calendar/day.ts'
import { quantity, say } from '../trace/message.ts'
import { procedure, tradeValues, value } from '../trace/rule.ts'

/** The yearly wave of soil temperature by latitude. Juvena's model until a station is fed in. */
export const soilValues = tradeValues('soil', {
  equator: value(27, 'C', 'model', 'Yearly mean of soil at the equator', [20, 32]),
  falls: value(0.008, '1', 'model', 'It falls with the square of the latitude by', [0.002, 0.02]),
  leastMean: value(6, 'C', 'model', 'and is never less than', [-5, 12]),
  swingLeast: value(2, 'C', 'model', 'Half the yearly swing at the equator', [0, 8]),
  swingGrows: value(0.17, '1', 'model', 'It grows by so much with each degree of latitude', [0.05, 0.5]),
  warmest: value(217, 'd', 'model', 'Days from the winter solstice to the warmest', [190, 245]),
  fades: value(30, 'd', 'model', 'What a reading differs by fades over', [5, 120]),
})
export type SoilValues = { [K in keyof typeof soilValues]: number }

export const soilRules = {
  curve: procedure({
    id: 'weather.soil-curve',
    key: 'soil-now',
    stage: 6,
    label: say`Soil at ${quantity(50, 'mm')}, today`,
    unit: 'C',
    standing: 'model',
    says: 'A yearly wave by latitude, drawn through your soil reading; what the reading differs by fades over {fades}.',
    values: soilValues,
    inputs: { latitude: 'deg', reading: 'C?' },
    steps: 'wave(latitude, day) + (reading − wave) × e^(−days ÷ fading)',
    by: 'climate/soilYear: soilCurve',
    check: 'window.test.ts',
  }),
}

const YEAR = 365.25

/** Days since the last winter solstice (21 December north, 21 June south): the same count means the same season in both halves of the world. */
export function seasonDay(number: number, latitude: number): number {
  const year = new Date(number * 86_400_000).getUTCFullYear()
  const anchor = (y: number) => dayNumber(latitude < 0 ? `${y}-06-21` : `${y}-12-21`)
  for (let y = year; ; y--) {
    const since = number - anchor(y)
    if (since >= 0) return since
  }
}

/** Whether soil usually warms, by day from `start`: 1 from the coldest day, half a year before the warmest, up to the warmest; else 0. */
export function warmingDays(latitude: number, start: number, days: number, { warmest }: SoilValues): Uint8Array {
  const list = new Uint8Array(days)
  let season = seasonDay(start, latitude)
  for (let i = 0; i < days; i++, season++) {
    if (season >= 365) season = seasonDay(start + i, latitude)
    list[i] = season >= warmest - YEAR / 2 && season < warmest ? 1 : 0
  }
  return list
}

/** Usual soil temperature at 50 mm, °C, on a season day: mean and swing by latitude. */
export function usualSoil(day: number, latitude: number, { equator, falls, leastMean, swingLeast, swingGrows, warmest }: SoilValues): number {
  const lat = Math.abs(latitude)
  const mean = Math.max(leastMean, equator - falls * lat * lat)
  const swing = swingLeast + swingGrows * lat
  return mean + swing * Math.cos((2 * Math.PI * (day - warmest)) / YEAR)
}

export interface SoilReading {
  day: Day
  celsius: number
}

/** Soil temperature by day from `start` for `days` days, °C. */
export function soilCurve(latitude: number, start: number, days: number, reading: SoilReading | null, values: SoilValues): Float64Array {
  const curve = new Float64Array(days)
  const readOn = reading ? dayNumber(reading.day) : 0
  const differs = reading ? reading.celsius - usualSoil(seasonDay(readOn, latitude), latitude, values) : 0
  let season = seasonDay(start, latitude)
  for (let i = 0; i < days; i++, season++) {
    if (season >= 365) season = seasonDay(start + i, latitude)
    curve[i] = usualSoil(season, latitude, values) + (differs === 0 ? 0 : differs * Math.exp(-Math.abs(start + i - readOn) / values.fades))
  }
  return curve
}

/** The wave as declared, for those who plan nothing: a simulated station. */
export const USUAL_SOIL: SoilValues = Object.fromEntries(Object.entries(soilValues).map(([name, v]) => [name, v.is])) as SoilValues
