import type { Day } from '../calendar/day.ts'
import type { DiaryEntry } from '../entities/diary.ts'
import type { StationClimate } from './placeYear.ts'
import type { Outlook } from './station.ts'
import type { WeatherDay } from './weatherSeries.ts'

/**
 * What is known of the weather at a site: its station, that station's last days, and the outlook.
 */
export interface WeatherAtSite {
  station: StationClimate | null
  recent: readonly WeatherDay[]
  outlook: Outlook | null
}

/** The weather of a day, as a diary entry keeps it; null where it is not known. */
export function weatherOn(at: WeatherAtSite | null, day: Day): DiaryEntry['weather'] {
  const found = [...(at?.recent ?? []), ...(at?.outlook?.days ?? [])].find((d) => d.day === day)
  if (!found) return null
  const station = at?.station?.station
  const source =
    at?.outlook?.source ??
    (station ? `${station.name}${station.simulated ? ', simulated' : ''}` : '')
  return { low: found.low, high: found.high, rain: found.rain, wind: found.wind ?? null, source }
}
