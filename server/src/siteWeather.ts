import { addDays, type Day } from '@juvena/core/calendar/day'
import { modelFromNormals } from '@juvena/core/climate/climateModel'
import type { StationClimate } from '@juvena/core/climate/placeYear'
import { stationClimate, stationFor } from '@juvena/core/climate/stationClimate'
import type { Outlook, StationDay } from '@juvena/core/climate/station'
import type { WeatherDay } from '@juvena/core/climate/weatherSeries'
import type { Job } from '@juvena/core/entities/job'
import { stationSchema, type Station } from '@juvena/core/entities/station'
import { simulatedPlaceDays, simulatedStationDays } from './standIns/simulatedWeather.ts'
import type { StationStore, StoredStation } from './store/stationStore.ts'

/** What a job's plan knows of the weather. */
export interface WeatherAtSite {
  station: StationClimate | null
  /** The station's last days, and its outlook. */
  recent: WeatherDay[]
  outlook: Outlook | null
}

/** Days of the record that a plan looks back over, and days of outlook. */
const RECENT = 200
const OUTLOOK = 10

interface Known {
  id: string
  revision: number
  latitude: number | null
  longitude: number | null
  stored: StoredStation
  station: Station
}

/** The weather of jobs' sites from the firm's stations; where none is near, made-up weather that says it is. */
export function siteWeather(stations: StationStore) {
  const climates = new Map<string, { key: string; climate: StationClimate | null; days: WeatherDay[] }>()

  const known = async (): Promise<Known[]> =>
    (await stations.list()).flatMap((stored) => {
      const read = stationSchema.safeParse(stored.draft)
      return read.success
        ? [{ id: stored.id, revision: stored.revision, latitude: read.data.latitude, longitude: read.data.longitude, stored, station: read.data }]
        : []
    })

  /** The climate of a station up to a day, worked again when it or its days change. */
  async function climateOf({ stored, station }: Known, today: Day) {
    const key = `${stored.revision}.${today}`
    const last = climates.get(stored.id)
    if (last?.key === key) return last
    const days = await stations.days(stored.id)
    const made = {
      key,
      climate: stationClimate(
        stored.id,
        station,
        stored.simulated,
        days.filter((d) => d.day < today),
      ),
      days,
    }
    climates.set(stored.id, made)
    return made
  }

  function outlookOf({ stored, station }: Known, days: readonly WeatherDay[], today: Day): Outlook | null {
    const source = `${station.name}${stored.simulated ? ', simulated' : ''}`
    if (stored.simulated && station.normals)
      return { source, simulated: true, days: simulatedStationDays(stored.id, modelFromNormals(station.normals), today, addDays(today, OUTLOOK - 1)) }
    // Days dated ahead came with an import: they are its outlook.
    const ahead = days.filter((d) => d.day >= today).slice(0, 2 * OUTLOOK)
    return ahead.length === 0 ? null : { source, simulated: false, days: ahead.flatMap(wholeDay) }
  }

  return {
    known,

    async at(job: Job, today: Day): Promise<WeatherAtSite> {
      const found = stationFor(await known(), job.site)
      if (found) {
        const { climate, days } = await climateOf(found, today)
        const outlook = outlookOf(found, days, today)
        const past = days.filter((d) => d.day < today).slice(-RECENT)
        return { station: climate, recent: [...past, ...(outlook?.days ?? [])], outlook }
      }
      const { latitude, longitude } = job.site
      if (latitude === null) return { station: null, recent: [], outlook: null }
      const days = simulatedPlaceDays(latitude, longitude ?? 0, today, addDays(today, OUTLOOK - 1))
      return { station: null, recent: [], outlook: { source: 'simulated station', simulated: true, days } }
    },

    /** A station as the Yard shows it: its climate, its last days and what is expected. */
    async ofStation(stored: StoredStation, today: Day): Promise<(WeatherAtSite & { summary: Omit<Known, 'stored'> }) | null> {
      const found = (await known()).find((k) => k.id === stored.id)
      if (!found) return null
      const { climate, days } = await climateOf(found, today)
      const outlook = outlookOf(found, days, today)
      const { stored: _, ...summary } = found
      return { station: climate, recent: days.filter((d) => d.day < today).slice(-RECENT), outlook, summary }
    },
  }
}
export type SiteWeather = ReturnType<typeof siteWeather>

/** A day of an outlook: days without both temperatures are no outlook. */
const wholeDay = (d: WeatherDay): StationDay[] =>
  d.low === null || d.high === null
    ? []
    : [{ ...d, low: d.low, high: d.high, rain: d.rain ?? 0, wind: d.wind ?? 0, soil: d.soil ?? (d.low + d.high) / 2 }]
