import { addDays, dayNumber, daysBetween, type Day } from '../../calendar/day.ts'
import { usedOn } from '../../climate/evapotranspiration.ts'
import { soilOn, type SoilByDay } from '../../climate/soilTemperature.ts'
import type { WeatherDay } from '../../climate/weatherSeries.ts'
import { yearDay } from '../../climate/yearDay.ts'
import { sure } from '../../quantities/sure.ts'
import type { WateredDay } from '../waterLog.ts'
import { roomFor, seedOfYear, STEPS, type Programme, type SeedbedGround, type SeedbedWeather, type Thermal } from './seedbed.ts' // prettier-ignore
import type { SeedbedValues } from './seedbedValues.ts'
import { byDaylight, rainByStep } from './years.ts'

/** The weather at a site from a sowing on, as it was. */
export interface DaysSince {
  latitude: number
  sown: Day
  until: Day
  /** Days on record, any order; what is missing is taken as the usual day without rain. */
  known: readonly WeatherDay[]
  usual: { low: Float64Array; high: Float64Array }
  soil: SoilByDay
}

/** The days from a sowing to now as the seedbed has them. */
export function weatherSince(d: DaysSince, falls: number): SeedbedWeather & { known: number } {
  const days = Math.max(1, daysBetween(d.sown, d.until) + 1)
  const rain = new Float32Array(days * STEPS)
  const et0 = new Float32Array(days * STEPS)
  const soil = new Float64Array(days)
  const byDay = new Map(d.known.map((w) => [w.day, w]))
  let known = 0
  for (let i = 0; i < days; i++) {
    const day = addDays(d.sown, i)
    const of = yearDay(dayNumber(day))
    const w = byDay.get(day)
    if (w) known++
    const uses = usedOn(d.latitude, dayNumber(day), w?.low ?? d.usual.low[of]!, w?.high ?? d.usual.high[of]!) // prettier-ignore
    const share = byDaylight(d.latitude, of + 1)
    for (let step = 0; step < STEPS; step++) et0[i * STEPS + step] = uses * share[step]!
    rainByStep(w?.rain ?? 0, dayNumber(day), falls, rain.subarray(i * STEPS, (i + 1) * STEPS))
    soil[i] = soilOn(d.soil, dayNumber(day))
  }
  return { days, rain, et0, soil, known }
}

/** The seedbed as it was: what its driest moment of each day left the seed, 0 to 1. */
export interface SeedbedSince {
  driest: number[]
  /** The longest the seed lay dry without a break once it had swollen, hours; and on which days. */
  dryHours: number
  dryDays: Day[]
  /** Of the warmth that brings up half of the slowest grass, what it has had while moist, 0 up. */
  warmth: number
  /** The same of all the warmth there was, moist or dry. */
  warmthThere: number
}

/** Follows the seedbed from sowing under the water that was given. */
export function seedbedSince(
  sown: Day,
  weather: SeedbedWeather,
  ground: SeedbedGround,
  programme: Programme,
  grasses: readonly Thermal[],
  v: SeedbedValues,
): SeedbedSince {
  const room = roomFor(0, weather.days * STEPS)
  seedOfYear(weather, ground, programme, [], v, room)
  const moisture = sure(room.moisture)
  const hours = 24 / STEPS
  const slowest = (day: number) =>
    Math.min(...grasses.map((g) => Math.max(0, weather.soil[day]! - g.base) / g.theta))
  const driest: number[] = []
  const dryDays = new Set<Day>()
  let [warmth, there, spell, longest] = [0, 0, 0, 0]
  for (let day = 0; day < weather.days; day++) {
    let least = Infinity
    for (let step = 0; step < STEPS; step++) {
      const m = moisture[day * STEPS + step]!
      if (m < least) least = m
      const gain = grasses.length > 0 ? slowest(day) / STEPS : 0
      there += gain
      if (m >= v.moist / 100) warmth += gain
      spell = m < v.dry / 100 ? spell + hours : 0
      if (spell > v.bears) dryDays.add(addDays(sown, day))
      // Seed that has not swollen yet bears any drought.
      if (warmth >= v.from / 100 || warmth === 0) longest = Math.max(longest, spell)
    }
    driest.push(least)
  }
  return { driest, dryHours: longest, dryDays: [...dryDays], warmth, warmthThere: there }
}

/** The water that was given by day: as logged, or as planned where nothing was. */
export function asLogged(
  programme: Programme,
  log: ReadonlyMap<Day, WateredDay>,
  sown: Day,
  dailyMm: number,
): Programme {
  const of = (day: number) => log.get(addDays(sown, day))
  return {
    ...programme,
    misses: 0,
    on: (day) => of(day)?.watered ?? programme.on(day),
    much: (day) => {
      const mm = of(day)?.mm
      return mm === null || mm === undefined || dailyMm <= 0 ? 1 : mm / dailyMm
    },
  }
}
