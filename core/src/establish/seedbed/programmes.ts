import { freeTimes, type Restriction } from '../restrictions.ts'
import {
  programmeOf,
  roomFor,
  seedOfYear,
  STEPS,
  type Programme,
  type SeedbedGround,
  type SeedbedWeather,
  type Thermal,
} from './seedbed.ts'
import type { SeedbedValues } from './seedbedValues.ts'

/** What a programme comes to over the simulated years. */
export interface Outcome {
  /** Years in a hundred in which the seed comes up, and the share of it that does, on average. */
  odds: number
  up: number
  /** By grass, the days after sowing by which half is up: a year in ten sooner, usual, later. */
  half: { soon: number; usual: number; late: number }[]
}

export interface Tried {
  years: readonly SeedbedWeather[]
  ground: SeedbedGround
  grasses: readonly Thermal[]
  values: SeedbedValues
}

const NOTHING: Programme = { runs: [], rate: 1, on: () => false, misses: 0 }

const tenth = (sorted: readonly number[], share: number): number =>
  sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? Infinity

/** Every so many runs one is forgotten; 0 where none is. */
export const missesOf = ({ missed }: SeedbedValues): number =>
  missed > 0 ? Math.max(2, Math.round(100 / missed)) : 0

/** A programme through every simulated year; without one, rain alone. */
export function outcomeOf(
  { years, ground, grasses, values }: Tried,
  programme: Programme | null,
): Outcome {
  const room = roomFor(grasses.length)
  const halves: number[][] = grasses.map(() => [])
  let [good, sum] = [0, 0]
  for (const weather of years) {
    seedOfYear(weather, ground, programme ?? NOTHING, grasses, values, room)
    const least = Math.min(...room.fates.map((f) => f.up))
    sum += least
    if (least >= values.stands / 100) good++
    room.fates.forEach((f, g) => halves[g]!.push(f.half))
  }
  const half = halves.map((list) => {
    const sorted = list.sort((a, b) => a - b)
    return { soon: tenth(sorted, 0.1), usual: tenth(sorted, 0.5), late: tenth(sorted, 0.9) }
  })
  return { odds: (100 * good) / years.length, up: sum / years.length, half }
}

/**
 * For some days from sowing on, the moisture that the driest moment of the day leaves the seed, 0 to 1: in
 * the driest year of ten, the usual one, the wettest of ten.
 */
export function driestByDay(
  { years, ground, values }: Tried,
  programme: Programme | null,
  most: number,
): { low: number; usual: number; high: number }[] {
  const days = Math.min(most, years[0]?.days ?? 0)
  const moisture = new Float32Array(days * STEPS)
  const room = { fates: [], moisture }
  const byDay: number[][] = Array.from({ length: days }, () => [])
  for (const weather of years) {
    seedOfYear({ ...weather, days }, ground, programme ?? NOTHING, [], values, room)
    for (let day = 0; day < days; day++) {
      let least = Infinity
      for (let i = day * STEPS; i < (day + 1) * STEPS; i++)
        if (moisture[i]! < least) least = moisture[i]!
      byDay[day]!.push(least)
    }
  }
  return byDay.map((list) => {
    const sorted = list.sort((a, b) => a - b)
    return { low: tenth(sorted, 0.1), usual: tenth(sorted, 0.5), high: tenth(sorted, 0.9) }
  })
}

/** Clock times that a person remembers, by runs a day. */
const TIMES: readonly (readonly string[])[] = [
  ['06:00'],
  ['12:00'],
  ['19:00'],
  ['07:00', '13:00'],
  ['12:00', '16:00'],
  ['13:00', '19:00'],
  ['10:00', '13:00', '16:00'],
  ['07:00', '12:00', '17:00'],
  ['09:00', '12:00', '15:00', '18:00'],
]
/** What a run lays down, mm, least first. */
const DOSES = [1.5, 2, 2.5, 3, 4, 5, 6, 8] as const

/** A programme that was found: the least water that is sure at so many runs a day. */
export interface FoundProgramme {
  times: string[]
  /** mm of each run. */
  mm: number
  outcome: Outcome
  /** Works in as many years as are wanted. */
  sure: boolean
}

export interface SearchBrief extends Tried {
  restriction: Restriction
  /** Days on which water may be put on, counted from the sowing. */
  on: (day: number) => boolean
  /** Precipitation rate, mm/h, and of a run's mean what falls where least falls, 0 to 1. */
  rate: number
  reaches: number
  /** The most that may be put on in a day, mm; Infinity where nothing bounds it. */
  most: number
  /** Told of what is found so far, and how far the search is, 0 to 1; true ends it. */
  tell?: (found: readonly FoundProgramme[], done: number) => boolean
}

/** Years a programme is looked at before it is worth a hundred. */
const FIRST_LOOK = 20

/**
 * The simplest programmes that keep the seedbed moist: for one to four runs a day the least water
 * that works in as many years as are wanted, or where none does, the one that works in most. Within
 * the hours and days allowed and the most a day.
 */
export function searchProgrammes(brief: SearchBrief): FoundProgramme[] {
  const { years, restriction, rate, reaches, most, on, values } = brief
  const sets = uniqueSets(TIMES.map((times) => freeTimes(times, restriction)))
  const best = new Map<number, FoundProgramme>()
  const few = { ...brief, years: years.filter((_, i) => i % Math.ceil(years.length / FIRST_LOOK) === 0) } // prettier-ignore
  const found = () => [...best.values()].sort((a, b) => a.times.length - b.times.length)
  let done = 0
  for (const times of sets) {
    for (const mm of DOSES) {
      if (mm * times.length > most + 1e-9) break
      const programme = programmeOf(times, mm * reaches, rate, on, missesOf(values))
      const known = best.get(times.length)
      // More water than one that is sure already is never looked for.
      if (known?.sure && mm >= known.mm) break
      const look = outcomeOf(few, programme)
      if (look.odds < values.wanted - 15 && known && look.odds < known.outcome.odds - 10) continue
      const outcome = outcomeOf(brief, programme)
      const sure = outcome.odds >= values.wanted
      const better =
        !known ||
        (sure && !known.sure) ||
        (sure === known.sure && (sure ? mm < known.mm : outcome.odds > known.outcome.odds + 0.5))
      if (better) best.set(times.length, { times, mm, outcome, sure })
      if (sure) break
    }
    done++
    if (brief.tell?.(found(), done / sets.length)) break
  }
  return found()
}

const uniqueSets = (sets: string[][]): string[][] => [
  ...new Map(sets.filter((s) => s.length > 0).map((s) => [s.join(), s])).values(),
]
