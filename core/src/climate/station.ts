import { dayNumber, dayOf, type Day } from '../calendar/day.ts'
import type { ClimateModel } from './climateModel.ts'
import { chanceOf, simulate } from './generator.ts'
import { soilFromAir, type SoilFollows } from './soilTemperature.ts'
import type { WeatherDay } from './weatherSeries.ts'
import { yearDay, YEAR_DAYS } from './yearDay.ts'

/** A day of the outlook: air °C at screen height, rain mm, wind km/h, soil °C at 50 mm. */
export interface StationDay extends WeatherDay {
  day: Day
  low: number
  high: number
  rain: number
  wind: number
  soil: number
}

export interface Outlook {
  /** Shown on screen: a stand-in says that it is one. */
  source: string
  simulated: boolean
  days: StationDay[]
}

/**
 * First year that simulated weather begins in: a day's weather is the same whenever it is asked
 * for.
 */
const BEGINS = 2017
/** Wind of a usual day, km/h: a calm share and one that varies. Juvena's model for the stand-in. */
const WIND = { calm: 4, varies: 6 }

/**
 * Weather made up day by day from a climate, the same for the same seed. Days from `from` to `to`,
 * both included; the years before 2017 have none.
 */
export function simulatedDays(
  model: ClimateModel,
  follows: SoilFollows,
  from: Day,
  to: Day,
  seed: number,
): StationDay[] {
  const begins = dayNumber(`${BEGINS}-01-01`)
  const length = Math.max(0, dayNumber(to) - begins + 1)
  if (length === 0) return []
  const chance = chanceOf(length, seed)
  // Simulated years have no 29 February: it repeats the day before.
  const { low, high, rain } = simulate(model, chance)
  const soil = soilFromAir(
    low.map((l, i) => (l + high[i]!) / 2),
    follows,
    (low[0]! + high[0]!) / 2,
  )
  const list: StationDay[] = []
  for (let number = Math.max(begins, dayNumber(from)); number <= dayNumber(to); number++) {
    const day = dayOf(number)
    const i = Math.min(length - 1, (Number(day.slice(0, 4)) - BEGINS) * YEAR_DAYS + yearDay(number))
    list.push({
      day,
      low: tenth(low[i]!),
      high: tenth(high[i]!),
      rain: tenth(rain[i]!),
      wind: Math.round(WIND.calm + WIND.varies * chance.size[length - 1 - i]!),
      soil: tenth(soil[i]!),
    })
  }
  return list
}

const tenth = (x: number) => Math.round(x * 10) / 10
