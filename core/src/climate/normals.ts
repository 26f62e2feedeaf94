import { tradeValues, value } from '../rules/rule.ts'
import { MONTH_LENGTHS, MONTH_STARTS } from './yearDay.ts'

/** What is usual by month, January first. */
export interface Normals {
  /** Mean daily minimum and maximum, °C. */
  low: readonly number[]
  high: readonly number[]
  /** Rain in the month, mm, and days with 0.2 mm or more. */
  rain: readonly number[]
  wetDays: readonly number[]
}

/**
 * Juvena's rough climate, for a place without a record: by latitude, height and distance from the
 * sea.
 */
export const roughClimate = tradeValues('climate', {
  pole: value(-3.6, 'C', 'model', 'Yearly mean of the air at sea level, north: it is', [-15, 5]),
  sun: value(
    32.4,
    'C',
    'model',
    'and so much times the square of the cosine of the latitude',
    [20, 45],
  ),
  south: value(-1.3, 'C', 'model', 'South of the equator it is colder by', [-4, 2]),
  maritime: value(
    2,
    'C',
    'model',
    'By the sea, north of 42° and more so to 52°, it is warmer by',
    [0, 5],
  ),
  inlandCold: value(
    2.5,
    'C',
    'model',
    'Far inland, from 35° and more so to 45°, it is colder by',
    [0, 6],
  ),
  lapse: value(6.5, 'C', 'published', 'Air is colder by so much for each km of height', [4, 10]),
  height: value(
    4,
    'C',
    'model',
    'Where no station tells, each km of height makes it colder by: high plains are warmed by the land round them',
    [2, 10],
  ),
  coastSwing: value(
    0.105,
    'C',
    'model',
    'Half the yearly swing by the sea, for each degree of latitude',
    [0.03, 0.3],
  ),
  inlandSwing: value(0.27, 'C', 'model', 'The same far inland', [0.1, 0.5]),
  leastSwing: value(1.5, 'C', 'model', 'and at the equator', [0, 5]),
  reach: value(
    150,
    '1',
    'model',
    'Distance over which the sea’s hold falls to a third, km',
    [30, 500],
  ),
  usualNorth: value(
    100,
    '1',
    'model',
    'Distance from the sea where none is given, north, km',
    [0, 1000],
  ),
  usualSouth: value(30, '1', 'model', 'The same south of the equator, km', [0, 1000]),
  coastRange: value(
    7.5,
    'C',
    'model',
    'From the night’s low to the day’s high by the sea',
    [3, 15],
  ),
  inlandRange: value(12.5, 'C', 'model', 'The same inland', [6, 20]),
  rain: value(68, 'rain', 'model', 'Rain of a month', [5, 300]),
  wetDays: value(10, 'd', 'model', 'Wet days of a month', [1, 28]),
})
export type RoughClimate = { [K in keyof typeof roughClimate]: number }

export interface RoughPlace {
  latitude: number
  /** Height above the sea, m. */
  elevation: number
  /** Distance from the sea, km; null where not known. */
  sea: number | null
}

/** Day of the usual year that is warmest: the sea lags the sun by more than land does. */
const warmestOf = (latitude: number, inland: number): number =>
  (213 - 14 * inland + (latitude < 0 ? 182 : 0)) % 365

/** Rough normals of a place. Juvena's model. */
export function roughNormals(
  { latitude, elevation, sea: distance }: RoughPlace,
  v: RoughClimate,
): Normals {
  const lat = Math.abs(latitude)
  const inland = 1 - Math.exp(-(distance ?? (latitude < 0 ? v.usualSouth : v.usualNorth)) / v.reach)
  const between = (from: number, to: number) => Math.min(1, Math.max(0, (lat - from) / (to - from)))
  const sea = latitude < 0 ? v.south : v.maritime * (1 - inland) * between(42, 52)
  const mean =
    v.pole +
    v.sun * Math.cos((lat * Math.PI) / 180) ** 2 +
    sea -
    v.inlandCold * inland * between(35, 45) -
    (v.height * elevation) / 1000
  const swing = v.leastSwing + lat * (v.coastSwing + (v.inlandSwing - v.coastSwing) * inland)
  const range = v.coastRange + (v.inlandRange - v.coastRange) * inland
  const warmest = warmestOf(latitude, inland)
  const months = MONTH_LENGTHS.map((length, m) => {
    const season = Math.cos((2 * Math.PI * (MONTH_STARTS[m]! + length / 2 - warmest)) / 365)
    return { middle: mean + swing * season, range: range * (1 + 0.12 * season) }
  })
  return {
    low: months.map((m) => m.middle - m.range / 2),
    high: months.map((m) => m.middle + m.range / 2),
    rain: months.map(() => v.rain),
    wetDays: months.map(() => v.wetDays),
  }
}
