import { dayNumber, type Day } from '../calendar/day.ts'
import { tradeValues, value } from '../rules/rule.ts'

/** Soil at 50 mm follows the air with a lag. */
export const soilValues = tradeValues('soil', {
  follows: value(
    0.4,
    '1',
    'model',
    'Share of the difference to the air that soil under turf takes up in a day',
    [0.05, 0.95],
  ),
  warmer: value(1, 'C', 'practice', 'Soil in the sun is warmer than the air by', [-1, 4]),
  fades: value(30, 'd', 'model', 'What a reading differs by fades over', [5, 120]),
})
export type SoilValues = { [K in keyof typeof soilValues]: number }
/** How soil follows the air: share a day, and °C above it. */
export interface SoilFollows {
  follows: number
  warmer: number
}

/**
 * Soil at 50 mm by day, °C, from the mean of the air by day: T ← T + a(air + δ − T). Days without
 * air keep the soil of the day before.
 */
export function soilFromAir(
  air: Float64Array,
  { follows, warmer }: SoilFollows,
  first: number,
): Float64Array {
  const soil = new Float64Array(air.length)
  let t = first
  for (let i = 0; i < air.length; i++) {
    if (!Number.isNaN(air[i]!)) t += follows * (air[i]! + warmer - t)
    soil[i] = t
  }
  return soil
}

/** The soil of a year that repeats itself, by day, from its air. */
export function yearOfSoil(air: Float64Array, by: SoilFollows): Float64Array {
  const twice = soilFromAir(air, by, air.at(-1)! + by.warmer)
  return soilFromAir(air, by, twice.at(-1)!)
}

export interface FittedSoil extends SoilFollows {
  /** Probe readings it was fitted to, and how far it stays from them, °C (root mean square). */
  readings: number
  error: number
}

/** Fewest probe readings a fit is made from. */
const ENOUGH = 5

/**
 * Fits both numbers to probe readings by least squares: the share by steps, the warmth for each
 * exactly. NaN where the probe was not read. Null from under five readings.
 */
export function fitSoil(air: Float64Array, probe: Float64Array): FittedSoil | null {
  const at: number[] = []
  // Soil needs some days behind it before its start is forgotten.
  for (let i = 0; i < probe.length; i++)
    if (i >= 10 && !Number.isNaN(probe[i]!) && !Number.isNaN(air[i]!)) at.push(i)
  if (at.length < ENOUGH) return null
  const firstAir = air.find((x) => !Number.isNaN(x)) ?? 0
  let best: FittedSoil | null = null
  for (let follows = 0.04; follows <= 0.96; follows += 0.01) {
    // The lag is linear in the air: a warmth added to the air is added to the soil.
    const soil = soilFromAir(air, { follows, warmer: 0 }, firstAir)
    const warmer = at.reduce((sum, i) => sum + probe[i]! - soil[i]!, 0) / at.length
    const error = Math.sqrt(
      at.reduce((sum, i) => sum + (probe[i]! - soil[i]! - warmer) ** 2, 0) / at.length,
    )
    if (!best || error < best.error) best = { follows, warmer, readings: at.length, error }
  }
  return best
}

/** Soil at 50 mm by day from `start`, °C. */
export interface SoilByDay {
  soil: Float64Array
  start: Day
}
const YEAR = 365

/**
 * Soil of a day by its number, °C. A day before or after what is known has that of the same season
 * in the nearest year that is; where less than a year is known, that of the nearest day.
 */
export function soilOn({ soil, start }: SoilByDay, day: number): number {
  let at = day - dayNumber(start)
  if (soil.length < YEAR) at = Math.min(soil.length - 1, Math.max(0, at))
  else if (at < 0) at += YEAR * Math.ceil(-at / YEAR)
  else if (at >= soil.length) at -= YEAR * Math.ceil((at - soil.length + 1) / YEAR)
  return soil[at]!
}
