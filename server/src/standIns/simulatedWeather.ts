import type { Day } from '@juvena/core/calendar/day'
import { modelFromNormals, type ClimateModel } from '@juvena/core/climate/climateModel'
import { roughClimate, roughNormals } from '@juvena/core/climate/normals'
import { soilValues } from '@juvena/core/climate/soilTemperature'
import { simulatedDays, type StationDay } from '@juvena/core/climate/station'
import { asDeclared } from '@juvena/core/rules/rule'

const ROUGH = asDeclared(roughClimate)
const SOIL = asDeclared(soilValues)

/** A repeatable seed from a text. */
const seedOf = (text: string) =>
  [...text].reduce((sum, c) => (sum * 31 + c.charCodeAt(0)) % 1_000_003, 7)

/** A made-up station's days: the same for the same name, whenever they are asked for. */
export const simulatedStationDays = (
  name: string,
  model: ClimateModel,
  from: Day,
  to: Day,
): StationDay[] => simulatedDays(model, SOIL, from, to, seedOf(name))

/**
 * Where a firm has no station, weather is made up from a rough climate of the place; neighbours
 * share it.
 */
export const simulatedPlaceDays = (
  latitude: number,
  longitude: number,
  from: Day,
  to: Day,
): StationDay[] =>
  simulatedStationDays(
    `${Math.round(latitude * 10)} ${Math.round(longitude * 10)}`,
    modelFromNormals(roughNormals({ latitude, elevation: 0, sea: null }, ROUGH)),
    from,
    to,
  )
