/**
 * Where the sun stands. The sun's longitude from the largest terms of the VSOP87 series as the
 * solar-position report of NREL lists them (Reda & Andreas, NREL/TP-560-34302, from memory),
 * nutation by its four largest terms (Meeus, Astronomical Algorithms, ch. 22, from memory). Good to
 * about 0.001° between 1950 and 2080, far inside what a shadow on a lawn asks for.
 */
export interface SunPosition {
  /** Degrees from north through east. */
  azimuth: number
  /** Degrees above a level horizon, as seen: lifted by the air. */
  altitude: number
}

const RAD = Math.PI / 180
/**
 * Terrestrial time less universal time, days: 69 s. A minute more or less moves the sun 0.0007°.
 */
const DELTA_T = 69 / 86_400

// amplitude (1e-8 rad), phase (rad), rate (rad per millennium)
const L0: readonly (readonly [number, number, number])[] = [
  [175347046, 0, 0],
  [3341656, 4.6692568, 6283.07585],
  [34894, 4.6261, 12566.1517],
  [3497, 2.7441, 5753.3849],
  [3418, 2.8289, 3.5231],
  [3136, 3.6277, 77713.7715],
  [2676, 4.4181, 7860.4194],
  [2343, 6.1352, 3930.2097],
  [1324, 0.7425, 11506.7698],
  [1273, 2.0371, 529.691],
  [1199, 1.1096, 1577.3435],
  [990, 5.233, 5884.927],
  [902, 2.045, 26.298],
  [857, 3.508, 398.149],
  [780, 1.179, 5223.694],
  [753, 2.533, 5507.553],
  [505, 4.583, 18849.228],
  [492, 4.205, 775.523],
  [357, 2.92, 0.067],
  [317, 5.849, 11790.629],
  [284, 1.899, 796.298],
  [271, 0.315, 10977.079],
]
const L1: typeof L0 = [
  [628331966747, 0, 0],
  [206059, 2.678235, 6283.07585],
  [4303, 2.6351, 12566.1517],
]
const L2: typeof L0 = [
  [52919, 0, 0],
  [8720, 1.0721, 6283.0758],
]

const series = (terms: typeof L0, t: number): number => {
  let sum = 0
  for (const [amplitude, phase, rate] of terms) sum += amplitude * Math.cos(phase + rate * t)
  return sum * 1e-8
}

/** Days from 2000-01-01 12:00 UT to an instant given as milliseconds since 1970. */
const daysOf = (instant: number): number => instant / 86_400_000 - 10_957.5

export interface SunPlace {
  /** Apparent right ascension and declination, radians. */
  rightAscension: number
  declination: number
  /** Greenwich apparent sidereal time, radians. */
  sidereal: number
  /** Distance, astronomical units. */
  distance: number
}

/** The sun among the stars at an instant (ms since 1970, UT). */
export function sunPlace(instant: number): SunPlace {
  const days = daysOf(instant)
  const t = (days + DELTA_T) / 365_250
  const c = t * 10
  const distance =
    1.00014 -
    0.01671 * Math.cos(3.0984635 + 6283.07585 * t) -
    0.00014 * Math.cos(3.0552 + 12566.1517 * t)
  const heliocentric = series(L0, t) + series(L1, t) * t + series(L2, t) * t * t
  const moonNode = (125.04452 - 1934.136261 * c) * RAD
  const meanSun = (280.4665 + 36000.7698 * c) * RAD
  const meanMoon = (218.3165 + 481267.8813 * c) * RAD
  const nutation =
    (-17.2 * Math.sin(moonNode) -
      1.32 * Math.sin(2 * meanSun) -
      0.23 * Math.sin(2 * meanMoon) +
      0.21 * Math.sin(2 * moonNode)) /
    3600
  const tilt =
    23.4392911 -
    0.0130042 * c +
    (9.2 * Math.cos(moonNode) +
      0.57 * Math.cos(2 * meanSun) +
      0.1 * Math.cos(2 * meanMoon) -
      0.09 * Math.cos(2 * moonNode)) /
      3600
  const longitude = heliocentric + Math.PI + (nutation - 20.4898 / 3600 / distance) * RAD
  const e = tilt * RAD
  const sidereal =
    (280.46061837 + 360.98564736629 * days + 0.000387933 * c * c + nutation * Math.cos(e)) * RAD
  return {
    rightAscension: Math.atan2(Math.sin(longitude) * Math.cos(e), Math.cos(longitude)),
    declination: Math.asin(Math.sin(e) * Math.sin(longitude)),
    sidereal,
    distance,
  }
}

/**
 * How far the air lifts the sun, degrees, for an altitude without air: Saemundsson's formula at
 * 1,010 hPa and 10 °C (Meeus, ch. 16, from memory).
 */
export function refraction(altitude: number, pressure = 1010, celsius = 10): number {
  if (altitude < -1) return 0
  return (
    ((((pressure / 1010) * 283) / (273 + celsius)) * 1.02) /
    (60 * Math.tan((altitude + 10.3 / (altitude + 5.11)) * RAD))
  )
}

/**
 * Where the sun stands at an instant (ms since 1970, UT), latitude and longitude in degrees, north
 * and east positive.
 */
export function sunAt(
  instant: number,
  latitude: number,
  longitude: number,
  air: { pressure?: number; celsius?: number } = {},
): SunPosition {
  return fromPlace(sunPlace(instant), latitude, longitude, air)
}

export function fromPlace(
  place: SunPlace,
  latitude: number,
  longitude: number,
  air: { pressure?: number; celsius?: number } = {},
): SunPosition {
  const hour = place.sidereal + longitude * RAD - place.rightAscension
  const phi = latitude * RAD
  const sinAltitude =
    Math.sin(phi) * Math.sin(place.declination) +
    Math.cos(phi) * Math.cos(place.declination) * Math.cos(hour)
  const azimuth =
    Math.atan2(
      Math.sin(hour),
      Math.cos(hour) * Math.sin(phi) - Math.tan(place.declination) * Math.cos(phi),
    ) /
      RAD +
    180
  // Seen from the ground, not the earth's middle: 8.794″ ÷ distance, times the cosine of the
  // altitude.
  const bare =
    Math.asin(sinAltitude) / RAD -
    (8.794 / 3600 / place.distance) * Math.sqrt(1 - sinAltitude * sinAltitude)
  return {
    azimuth: ((azimuth % 360) + 360) % 360,
    altitude: bare + refraction(bare, air.pressure, air.celsius),
  }
}
