import { addDays, dayNumber, type Day } from '../calendar/day.ts'
import { seasonDay, soilCurve, USUAL_SOIL, usualSoil, type SoilReading } from './soilYear.ts'

/** A day of weather at a site: air °C at screen height, rain mm, soil °C at 50 mm. */
export interface StationDay {
  day: Day
  low: number
  high: number
  rain: number
  soil: number
}

export interface Outlook {
  /** Shown on screen: a stand-in says that it is one. */
  source: string
  simulated: boolean
  days: StationDay[]
}

/** A repeatable number 0–1 for a day and a seed: the same day always has the same weather. */
function chance(day: number, seed: number, salt: number): number {
  let x = (day * 374761393 + seed * 668265263 + salt * 2246822519) | 0
  x = Math.imul(x ^ (x >>> 13), 1274126177)
  x = Math.imul(x ^ (x >>> 16), 2246822519)
  return ((x ^ (x >>> 15)) >>> 0) / 4294967296
}

/** A simulated weather station: usual weather for the latitude, with made-up wet spells and swings. Deterministic by seed. */
export function simulatedStation(latitude: number, from: Day, days: number, seed: number, reading: SoilReading | null): Outlook {
  const first = dayNumber(from)
  const soil = soilCurve(latitude, first, days, reading, USUAL_SOIL)
  const list: StationDay[] = []
  for (let i = 0; i < days; i++) {
    const day = first + i
    const usual = usualSoil(seasonDay(day, latitude), latitude, USUAL_SOIL)
    const swing = (chance(Math.floor(day / 4), seed, 1) - 0.5) * 5
    const spread = 5 + chance(day, seed, 2) * 3
    const wet = chance(Math.floor(day / 3), seed, 3) < 0.4 && chance(day, seed, 4) < 0.65
    const rain = wet ? Math.round(Math.pow(chance(day, seed, 5), 3) * 34 + 1) : 0
    list.push({
      day: addDays(from, i),
      low: round(usual + swing - spread),
      high: round(usual + swing + spread),
      rain,
      soil: round(soil[i]! + swing * 0.12),
    })
  }
  return { source: 'simulated station', simulated: true, days: list }
}

const round = (x: number) => Math.round(x * 10) / 10
