import { yearDay } from './yearDay.ts'
import { clearSky, extraterrestrial, fromRange } from './sunEnergy.ts'

/**
 * Reference evapotranspiration of short grass, after Allen et al. 1998 (FAO 56), from memory;
 * equation numbers beside each.
 */

/** Pressure, kPa, at a height above the sea, m (eq 7). */
export const pressure = (elevation: number): number =>
  101.3 * ((293 - 0.0065 * elevation) / 293) ** 5.26
/** Psychrometric constant, kPa/°C (eq 8). */
export const psychrometric = (kPa: number): number => 0.000665 * kPa
/** Saturation vapour pressure, kPa, at a temperature, °C (eq 11). */
export const saturation = (celsius: number): number =>
  0.6108 * Math.exp((17.27 * celsius) / (celsius + 237.3))
/** Its slope, kPa/°C (eq 13). */
export const saturationSlope = (celsius: number): number =>
  (4098 * saturation(celsius)) / (celsius + 237.3) ** 2
export interface WeatherOfDay {
  low: number
  high: number
  /** Wind at 2 m, m/s; 2 m/s, the mean of many stations, where unknown. */
  wind?: number | null
  /**
   * Vapour pressure of the air, kPa; from the night's low where unknown: dew falls at about that.
   */
  vapour?: number | null
  /** Radiation, MJ/m² a day; from the range of temperature where unknown. */
  radiation?: number | null
}
export interface PlaceOfDay {
  latitude: number
  elevation: number
  coast: boolean
  /** 1 for 1 January. */
  day: number
}

const STEFAN_BOLTZMANN = 4.903e-9
const ALBEDO = 0.23

/**
 * Evapotranspiration of short grass, mm a day: Penman–Monteith (eq 6) with the standard substitutes
 * for what is missing.
 */
export function penmanMonteith(
  w: WeatherOfDay,
  { latitude, elevation, coast, day }: PlaceOfDay,
): number {
  const mean = (w.low + w.high) / 2
  const outside = extraterrestrial(latitude, day)
  const radiation = w.radiation ?? fromRange(w.low, w.high, outside, coast)
  const vapour = w.vapour ?? saturation(w.low)
  const wind = w.wind ?? 2
  const gamma = psychrometric(pressure(elevation))
  const slope = saturationSlope(mean)
  const lack = Math.max(0, (saturation(w.low) + saturation(w.high)) / 2 - vapour)
  const kelvin = ((w.high + 273.16) ** 4 + (w.low + 273.16) ** 4) / 2
  const clear = clearSky(outside, elevation)
  const clearness = clear > 0 ? Math.min(1, Math.max(0.25, radiation / clear)) : 0.5
  const lost =
    STEFAN_BOLTZMANN * kelvin * (0.34 - 0.14 * Math.sqrt(vapour)) * (1.35 * clearness - 0.35)
  const net = (1 - ALBEDO) * radiation - lost
  return Math.max(
    0,
    (0.408 * slope * net + (gamma * 900 * wind * lack) / (mean + 273)) /
      (slope + gamma * (1 + 0.34 * wind)),
  )
}

/** Evapotranspiration of short grass from temperature alone, mm a day (Hargreaves, eq 52). */
export const hargreaves = (low: number, high: number, outside: number): number =>
  Math.max(
    0,
    0.0023 * ((low + high) / 2 + 17.8) * Math.sqrt(Math.max(0, high - low)) * 0.408 * outside,
  )

/** What a day uses by Hargreaves, mm, from its least and highest air; the day of the year by its number. */
export const usedOn = (latitude: number, day: number, low: number, high: number): number =>
  hargreaves(low, high, extraterrestrial(latitude, yearDay(day) + 1))
