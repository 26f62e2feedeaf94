import { z } from 'zod'
import { quantity, text } from './entry.ts'

const twelve = (what: string, min: number, max: number) =>
  z
    .array(
      z
        .number({ error: `${what}: a number for each month.` })
        .min(min, `${what}: less than ${min} is not believed.`)
        .max(max, `${what}: more than ${max} is not believed.`),
    )
    .length(12, `${what}: give twelve numbers, January to December.`)

/** Monthly normals: mean daily minimum and maximum, °C; rain, mm; wet days. January first. */
export const normalsSchema = z
  .strictObject({
    low: twelve('Mean minimum, °C', -60, 40),
    high: twelve('Mean maximum, °C', -50, 55),
    rain: twelve('Rain, mm', 0, 2000),
    wetDays: twelve('Wet days', 0, 31),
  })
  .superRefine((n, ctx) => {
    const wrong = n.low.findIndex((low, m) => low >= n.high[m]!)
    if (wrong >= 0)
      ctx.addIssue({
        code: 'custom',
        path: ['low', wrong],
        message: `Month ${wrong + 1}: the mean minimum has to lie under the mean maximum.`,
      })
  })

export const stationSchema = z.strictObject({
  name: text(80).refine((name) => name.trim() !== '', 'Give the station a name.'),
  latitude: quantity('ratio', {
    min: -66,
    max: 66,
    what: 'Latitude',
    because: 'north is positive, south negative.',
  }),
  longitude: quantity('ratio', {
    min: -180,
    max: 180,
    what: 'Longitude',
    because: 'east is positive, west negative.',
  }),
  elevation: quantity('length', { min: -430, max: 6000, what: 'A height above the sea' }),
  normals: normalsSchema.nullable().default(null),
})
export type Station = z.output<typeof stationSchema>
export type StationDraft = z.input<typeof stationSchema>

const reading = (what: string, min: number, max: number) =>
  z
    .number()
    .min(min, `${what} of less than ${min} is not believed.`)
    .max(max, `${what} of more than ${max} is not believed.`)
    .nullable()
    .default(null)

/** One day of a station, in the core's units: °C, mm, km/h, %, MJ/m². */
export const weatherDay = z
  .strictObject({
    day: z.iso.date('A day is written 2027-02-22.'),
    low: reading('A minimum', -60, 45),
    high: reading('A maximum', -50, 60),
    rain: reading('Rain', 0, 800),
    wind: reading('Wind', 0, 250),
    humidity: reading('Humidity', 0, 100),
    radiation: reading('Radiation', 0, 50),
    soil: reading('Soil', -20, 50),
  })
  .refine(
    (d) => d.low === null || d.high === null || d.low <= d.high,
    'The minimum lies above the maximum.',
  )
