/**
 * Energy of the sun on a day, after Allen et al. 1998 (FAO 56), chapter 3, from memory; equation
 * numbers beside each.
 */

const SOLAR_CONSTANT = 0.082 // MJ/m²/min
const radians = (degrees: number) => (degrees * Math.PI) / 180

/**
 * Declination (eq 24), sunset hour angle (eq 25) and relative distance (eq 23). `day` 1 for 1
 * January.
 */
function sunOf(latitude: number, day: number) {
  const phi = radians(latitude)
  const at = (2 * Math.PI * day) / 365
  const declination = 0.409 * Math.sin(at - 1.39)
  const sunset = Math.acos(Math.min(1, Math.max(-1, -Math.tan(phi) * Math.tan(declination))))
  return { phi, declination, sunset, distance: 1 + 0.033 * Math.cos(at) }
}

/** Radiation outside the atmosphere, MJ/m² a day (eq 21). */
export function extraterrestrial(latitude: number, day: number): number {
  const { phi, declination, sunset, distance } = sunOf(latitude, day)
  const height =
    sunset * Math.sin(phi) * Math.sin(declination) +
    Math.cos(phi) * Math.cos(declination) * Math.sin(sunset)
  return ((24 * 60) / Math.PI) * SOLAR_CONSTANT * distance * height
}

/** Hours from sunrise to sunset (eq 34). */
export const daylight = (latitude: number, day: number): number =>
  (24 / Math.PI) * sunOf(latitude, day).sunset

/**
 * Radiation under a clear sky, MJ/m² a day (eq 37), from that outside the atmosphere and the height
 * above the sea, m.
 */
export const clearSky = (outside: number, elevation: number): number =>
  (0.75 + 2e-5 * elevation) * outside

/** Radiation from hours of sunshine, MJ/m² a day (eq 35). */
export const fromSunshine = (hours: number, outside: number, lightHours: number): number =>
  (0.25 + 0.5 * Math.min(1, hours / Math.max(0.1, lightHours))) * outside

/**
 * Radiation from the day's range of temperature where nothing measured it (eq 50): 0.16 inland,
 * 0.19 by the coast.
 */
export const fromRange = (low: number, high: number, outside: number, coast: boolean): number =>
  Math.min(0.75, (coast ? 0.19 : 0.16) * Math.sqrt(Math.max(0, high - low))) * outside
