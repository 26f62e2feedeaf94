import { addDays, type Day } from '@juvena/core/calendar/day'
import { modelFromNormals } from '@juvena/core/climate/climateModel'
import { stationClimate, stationFor } from '@juvena/core/climate/stationClimate'
import type { Outlook, StationDay } from '@juvena/core/climate/station'
import type { WeatherAtSite } from '@juvena/core/climate/weatherOn'
import type { WeatherDay } from '@juvena/core/climate/weatherSeries'
import type { Job } from '@juvena/core/entities/job'
import { Memo } from '@juvena/core/trace/memo'
import { stationSchema, type Station } from '@juvena/core/entities/station'
import { simulatedPlaceDays, simulatedStationDays } from './standIns/simulatedWeather.ts'
import type { StationStore, StoredStation } from './store/stationStore.ts'

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

/** Made-up days from today on, at a place without a station. */
const daysAhead = ({
  latitude,
  longitude,
  today,
}: {
  latitude: number
  longitude: number | null
  today: Day
}) => simulatedPlaceDays(latitude, longitude ?? 0, today, addDays(today, OUTLOOK - 1))

/**
 * The weather of jobs' sites from the firm's stations; where none is near, made-up weather that
 * says it is.
 */
export function siteWeather(stations: StationStore) {
  // Worked once for a station, and for a place without one, until its days or the day change.
  const byStation = new Map<string, { key: string; at: WeatherAtSite }>()
  const memo = new Memo()

  const known = async (): Promise<Known[]> =>
    (await stations.list()).flatMap((stored) => {
      const read = stationSchema.safeParse(stored.draft)
      return read.success
        ? [
            {
              id: stored.id,
              revision: stored.revision,
              latitude: read.data.latitude,
              longitude: read.data.longitude,
              stored,
              station: read.data,
            },
          ]
        : []
    })

  /** What is known of a station on a day: its climate, its last days, its outlook. */
  async function onDay(of: Known, today: Day): Promise<WeatherAtSite> {
    const key = `${of.revision}.${today}`
    const last = byStation.get(of.id)
    if (last?.key === key) return last.at
    const days = await stations.days(of.id)
    const past = days.filter((d) => d.day < today)
    const at = {
      station: stationClimate(of.id, of.station, of.stored.simulated, past),
      recent: past.slice(-RECENT),
      outlook: outlookOf(of, days, today),
    }
    byStation.set(of.id, { key, at })
    return at
  }

  function outlookOf(
    { stored, station }: Known,
    days: readonly WeatherDay[],
    today: Day,
  ): Outlook | null {
    const source = `${station.name}${stored.simulated ? ', simulated' : ''}`
    if (stored.simulated && station.normals)
      return {
        source,
        simulated: true,
        days: simulatedStationDays(
          stored.id,
          modelFromNormals(station.normals),
          today,
          addDays(today, OUTLOOK - 1),
        ),
      }
    // Days dated ahead came with an import: they are its outlook.
    const ahead = days.filter((d) => d.day >= today).slice(0, 2 * OUTLOOK)
    return ahead.length === 0 ? null : { source, simulated: false, days: ahead.flatMap(wholeDay) }
  }

  return {
    known,

    /** The weather at a job's site. `among` are the stations, where they are known already. */
    async at(job: Job, today: Day, among?: readonly Known[]): Promise<WeatherAtSite> {
      const found = stationFor(among ?? (await known()), job.site)
      if (found) {
        const { station, recent, outlook } = await onDay(found, today)
        return { station, recent: [...recent, ...(outlook?.days ?? [])], outlook }
      }
      const { latitude, longitude } = job.site
      if (latitude === null) return { station: null, recent: [], outlook: null }
      const days = memo.recall(
        `place ${latitude} ${longitude}`,
        { latitude, longitude, today },
        daysAhead,
      )
      return {
        station: null,
        recent: [],
        outlook: { source: 'simulated station', simulated: true, days },
      }
    },

    /** A station as the Yard shows it: its climate, its last days and what is expected. */
    async ofStation(
      stored: StoredStation,
      today: Day,
    ): Promise<(WeatherAtSite & { summary: Omit<Known, 'stored'> }) | null> {
      const found = (await known()).find((k) => k.id === stored.id)
      if (!found) return null
      const { stored: _, ...summary } = found
      return { ...(await onDay(found, today)), summary }
    },
  }
}
export type SiteWeather = ReturnType<typeof siteWeather>

/** A day of an outlook: days without both temperatures are no outlook. */
const wholeDay = (d: WeatherDay): StationDay[] =>
  d.low === null || d.high === null
    ? []
    : [
        {
          ...d,
          low: d.low,
          high: d.high,
          rain: d.rain ?? 0,
          wind: d.wind ?? 0,
          soil: d.soil ?? (d.low + d.high) / 2,
        },
      ]
