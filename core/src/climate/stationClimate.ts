import { dayNumber, dayOf } from '../calendar/day.ts'
import type { Station } from '../entities/station.ts'
import { airByMonth } from './airByMonth.ts'
import { modelFromRecord } from './climateModel.ts'
import { frostDates } from './frostOdds.ts'
import { FREEZING, KILLING, type StationClimate } from './placeYear.ts'
import { fitSoil } from './soilTemperature.ts'
import { missingDays, seriesOf, type WeatherDay } from './weatherSeries.ts'
import { dailyCurve, yearDay } from './yearDay.ts'

/**
 * Years of days from which a record makes a climate of its own; below that the normals, or Juvena's
 * rough climate, stand in.
 */
export const YEARS_FOR_A_CLIMATE = 2
const DAYS_OF_A_YEAR = 365

/**
 * What a station's days and normals tell of its climate; null where there is neither enough record
 * nor normals. Days in order, up to yesterday.
 */
export function stationClimate(
  id: string,
  station: Station,
  simulated: boolean,
  days: readonly WeatherDay[],
): StationClimate | null {
  if (station.latitude === null || station.longitude === null) return null
  const at = {
    id,
    name: station.name,
    latitude: station.latitude,
    longitude: station.longitude,
    elevation: station.elevation ?? 0,
    simulated,
  }
  const series = seriesOf(days, dayNumber)
  const record = series
    ? {
        from: days[0]!.day,
        to: days.at(-1)!.day,
        days: series.low.length,
        missing: missingDays(series),
      }
    : null
  const long =
    record !== null && record.days - record.missing >= YEARS_FOR_A_CLIMATE * DAYS_OF_A_YEAR
  const model = series && long ? modelFromRecord(series) : null
  if (!series || !model)
    return station.normals
      ? {
          station: at,
          basis: 'normals',
          normals: station.normals,
          frost: null,
          soil: null,
          air: null,
          record,
        }
      : null
  const mean = dailyCurve(model.low.map((l, m) => (l + model.high[m]!) / 2))
  const warmest = mean.reduce((best, x, d) => (x > mean[best]! ? d : best), 0)
  const begins = yearDay(series.start)
  // Frost is counted in years of 365 days: 29 February is left out.
  const lows = series.low.filter((_, i) => !dayOf(series.start + i).endsWith('-02-29'))
  const air = series.low.map((l, i) => (l + series.high[i]!) / 2)
  return {
    station: at,
    basis: 'record',
    model,
    frost: {
      first: frostDates(lows, begins, warmest, KILLING),
      firstLight: frostDates(lows, begins, warmest, FREEZING),
      last: frostDates(lows, begins, warmest, KILLING, true),
    },
    soil: series.soil ? fitSoil(air, series.soil) : null,
    air: airByMonth(days),
    record,
  }
}

/** Kilometres between two places on the ground. */
export function distanceKm(
  a: { latitude: number; longitude: number },
  b: { latitude: number; longitude: number },
): number {
  const rad = Math.PI / 180
  const h =
    Math.sin(((b.latitude - a.latitude) * rad) / 2) ** 2 +
    Math.cos(a.latitude * rad) *
      Math.cos(b.latitude * rad) *
      Math.sin(((b.longitude - a.longitude) * rad) / 2) ** 2
  return 2 * 6371 * Math.asin(Math.min(1, Math.sqrt(h)))
}

/** Stations further off than this say nothing of a site's weather, km. Juvena's model. */
export const FARTHEST_STATION = 150

/** The station a site goes by: the one chosen, else the nearest within reach. */
export function stationFor<
  T extends { id: string; latitude: number | null; longitude: number | null },
>(
  stations: readonly T[],
  site: { station: string; latitude: number | null; longitude: number | null },
): T | null {
  const chosen = stations.find((s) => s.id === site.station)
  if (chosen) return chosen
  if (site.latitude === null || site.longitude === null) return null
  const here = { latitude: site.latitude, longitude: site.longitude }
  const near = stations
    .flatMap((s) =>
      s.latitude === null || s.longitude === null
        ? []
        : [{ s, km: distanceKm(here, { latitude: s.latitude, longitude: s.longitude }) }],
    )
    .filter((x) => x.km <= FARTHEST_STATION)
    .sort((a, b) => a.km - b.km)
  return near[0]?.s ?? null
}
