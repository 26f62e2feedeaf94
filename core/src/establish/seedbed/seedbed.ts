import { hourOfClock } from '../../entities/clockTimes.ts'
import { shareUp } from '../countedUp.ts'
import type { SeedbedValues, SoilWater } from './seedbedValues.ts'

/**
 * The seedbed of one sowing, each quarter of an hour: four layers of soil that gain rain and
 * water, lose it to air, grass and depth, and what the seed in them makes of it. Juvena's model.
 * Loops over typed arrays only: a programme is tried on a hundred years.
 */

/** Steps of a day. */
export const STEPS = 96
const HOURS = 24 / STEPS
/** Lower edges of the layers, mm. */
const EDGES = [5, 15, 50, 150] as const
/** Depth of each layer, mm. */
export const DEEP = EDGES.map((edge, i) => edge - (EDGES[i - 1] ?? 0))
/** Between the middles of a layer and the one below, mm. */
const APART = DEEP.slice(1).map((deep, i) => (deep + DEEP[i]!) / 2)
/** The rise between layers is told for so much between them, mm. */
const RISE_OVER = 20

/** Weather of the days from sowing on. */
export interface SeedbedWeather {
  days: number
  /** Rain, mm by step. */
  rain: Float32Array
  /** What short grass uses, mm by step. */
  et0: Float32Array
  /** Soil at 50 mm, °C by day. */
  soil: Float64Array
}

export interface SeedbedGround {
  water: SoilWater
  /** Bare ground takes in, mm/h. */
  intake: number
  /** Its surface stores before it runs, mm. */
  stores: number
  /** Share of the ground under a cover over the seed, and under grass that stands, 0 to 1. */
  mulch: number
  sward: number
  /** Whether the seed lies on the surface, or is worked in. */
  onSurface: boolean
}

/** What is put on each day that is watered. */
export interface Programme {
  /** Steps of the day at which runs begin, and what each lays down where least falls, mm. */
  runs: readonly { at: number; mm: number }[]
  /** Precipitation rate, mm/h. */
  rate: number
  /** Whether a day of the sowing, from 0, is watered. */
  on: (day: number) => boolean
  /** Every so many runs one is missed; 0 where none is. */
  misses: number
  /** How much of its runs a day is given, 1 where as planned; all days alike where it is left out. */
  much?: (day: number) => number
}

/** One that waters every day, at clock times "HH:MM". */
export const programmeOf = (
  times: readonly string[],
  mm: number,
  rate: number,
  on: Programme['on'] = () => true,
  misses = 0,
): Programme => ({
  runs: times.map((t) => ({ at: hourOfClock(t) / HOURS, mm })),
  rate,
  on,
  misses,
})

/** What is put on by step of a day, mm, the first of its runs being the so many-th of all. */
export function runsOfDay(
  { runs, rate, misses }: Pick<Programme, 'runs' | 'rate' | 'misses'>,
  first = 0,
): Float32Array {
  const put = new Float32Array(STEPS)
  const most = rate * HOURS
  for (const [i, { at, mm }] of runs.entries()) {
    if (misses > 0 && (first + i) % misses === misses - 1) continue
    for (let step = Math.floor(at), left = mm; left > 1e-9; step++) {
      const now = Math.min(left, most)
      put[Math.min(STEPS - 1, step)]! += now
      left -= now
      if (step >= STEPS - 1) break
    }
  }
  return put
}

/** Where the water went, mm; and the moisture of the seed's layer by step, 0 dry to 1 full. */
export interface WaterBalance {
  rain: number
  put: number
  evaporated: number
  drained: number
  ranOff: number
  stored: number
}

/** Warmth that brings up half of a grass, °C·d, above a base, °C. */
export interface Thermal {
  theta: number
  base: number
}
/** What became of a grass's seed: the share of it that is up, and the day half was, or Infinity. */
export interface SeedFate {
  up: number
  half: number
}

/** Room for what comes of one spell, made once and used for every year. */
export interface SeedbedRoom {
  /** Moisture of the seed's layer by step, where it is wanted. */
  moisture: Float32Array | null
  fates: SeedFate[]
}
export const roomFor = (grasses: number, steps = 0): SeedbedRoom => ({
  moisture: steps > 0 ? new Float32Array(steps) : null,
  fates: Array.from({ length: grasses }, () => ({ up: 0, half: Infinity })),
})

type UpAt = Pick<SeedbedValues, 'first' | 'last'>
/** Days until the last of a grass is up in soil that is never dry; Infinity where never. */
export function daysNeverDry(
  { theta, base }: Thermal,
  { days, soil }: SeedbedWeather,
  { last }: UpAt,
): number {
  let sum = 0
  for (let day = 0; day < days; day++) {
    sum += Math.max(0, soil[day]! - base)
    if (sum >= last * theta) return day + 1
  }
  return Infinity
}

/**
 * Seed of some grasses through one spell of weather under a programme. The balance closes: rain and
 * runs are what evaporated, drained, ran off and is stored more. Fates are written into `room`.
 */
export function seedOfYear(
  weather: SeedbedWeather,
  ground: SeedbedGround,
  programme: Programme,
  grasses: readonly Thermal[],
  v: SeedbedValues,
  room: SeedbedRoom,
): WaterBalance {
  const { capacity, wilting } = ground.water
  const { moisture, fates } = room
  const { onSurface } = ground
  const air = wilting / 2
  const kc = v.bare * (1 - (v.mulch / 100) * ground.mulch) * (1 - (v.shade / 100) * ground.sward)
  // Days are alike but for which of their runs is missed.
  const puts = Array.from({ length: Math.max(1, programme.misses) }, (_, phase) =>
    runsOfDay(programme, phase),
  )
  const takes = ground.intake * HOURS
  const [d0, d1, d2, d3] = [DEEP[0]!, DEEP[1]!, DEEP[2]!, DEEP[3]!]
  const [h0, h1, h2, h3] = [capacity * d0, capacity * d1, capacity * d2, capacity * d3]
  const [a0, a1, a2, a3] = [air * d0, air * d1, air * d2, air * d3]
  const [per0, per1, per2, per3] = [1 / (h0 - a0), 1 / (h1 - a1), 1 / (h2 - a2), 1 / (h3 - a3)]
  const [up0, up1, up2] = APART.map((mm) => v.rise * HOURS * (RISE_OVER / mm)) as [number, number, number] // prettier-ignore
  const roots2 = (ground.sward * d2) / (d2 + d3)
  const roots3 = (ground.sward * d3) / (d2 + d3)
  // The top has dried while it was worked, and is wetted once it is sown where anybody waters; below
  // it holds what late summer leaves.
  const starts = wilting + (v.starts / 100) * (capacity - wilting)
  let w0 = programme.runs.length > 0 ? h0 : (h0 + a0) / 2
  let w1 = starts * d1
  let w2 = starts * d2
  let w3 = starts * d3
  const began = w0 + w1 + w2 + w3
  const seedDeep = onSurface ? d0 : d0 + d1
  const [full, none] = [capacity * seedDeep, wilting * seedDeep]
  const [moist, driest] = [v.moist / 100, v.dry / 100]
  const [killsFrom, lives] = [v.from / 100, 1 - v.kills / 100]
  const warmth = new Float64Array(grasses.length)
  const alive = new Float64Array(grasses.length).fill(1)
  const lastDay = Float64Array.from(grasses, (g) => (daysNeverDry(g, weather, v) * v.late) / 100)
  for (const fate of fates) {
    fate.up = 0
    fate.half = Infinity
  }
  let pond = 0
  let rained = 0
  let sprinkled = 0
  let evaporated = 0
  let drained = 0
  let ranOff = 0
  /** Hours the seed has been dry without a break, and when the next of it dies. */
  let dryFor = 0
  let next = v.bears
  for (let day = 0, at = 0; day < weather.days; day++) {
    const gives = programme.on(day) ? (programme.much?.(day) ?? 1) : 0
    const put = puts[(day * programme.runs.length) % puts.length]!
    for (let step = 0; step < STEPS; step++, at++) {
      const falls = weather.rain[at]!
      const run = gives * put[step]!
      rained += falls
      sprinkled += run
      pond += falls + run
      // In: as fast as the soil takes it; what the surface cannot store runs off.
      const into = pond < takes ? pond : takes
      w0 += into
      pond -= into
      if (pond > ground.stores) {
        ranOff += pond - ground.stores
        pond = ground.stores
      }
      // Down: what a layer cannot hold.
      let goes = w0 - h0 < takes ? w0 - h0 : takes
      if (goes > 0) {
        w0 -= goes
        w1 += goes
      }
      goes = w1 - h1 < takes ? w1 - h1 : takes
      if (goes > 0) {
        w1 -= goes
        w2 += goes
      }
      goes = w2 - h2 < takes ? w2 - h2 : takes
      if (goes > 0) {
        w2 -= goes
        w3 += goes
      }
      goes = w3 - h3 < takes ? w3 - h3 : takes
      if (goes > 0) {
        w3 -= goes
        drained += goes
      }
      // To air from the top, to grass from its roots.
      const et0 = weather.et0[at]!
      let s0 = (w0 - a0) * per0
      if (et0 > 0) {
        let lost = kc * et0 * (s0 > 0.5 ? 1 : 2 * s0)
        if (lost > w0 - a0) lost = w0 - a0
        w0 -= lost
        if (roots2 > 0) {
          const s2 = (w2 - a2) * per2
          const s3 = (w3 - a3) * per3
          const used2 = roots2 * et0 * (s2 > 0.5 ? 1 : 2 * s2)
          const used3 = roots3 * et0 * (s3 > 0.5 ? 1 : 2 * s3)
          w2 -= used2
          w3 -= used3
          lost += used2 + used3
        }
        evaporated += lost
      }
      // Up: from moist soil to the drier above it.
      s0 = (w0 - a0) * per0
      let s1 = (w1 - a1) * per1
      let s2 = (w2 - a2) * per2
      if (s1 > s0) {
        const rises = up0 * (s1 - s0) * s1 * s1
        w1 -= rises
        w0 += rises
        s1 = (w1 - a1) * per1
      }
      if (s2 > s1) {
        const rises = up1 * (s2 - s1) * s2 * s2
        w2 -= rises
        w1 += rises
        s2 = (w2 - a2) * per2
      }
      const s3 = (w3 - a3) * per3
      if (s3 > s2) {
        const rises = up2 * (s3 - s2) * s3 * s3
        w3 -= rises
        w2 += rises
      }
      // The seed.
      const held = onSurface ? w0 : w0 + w1
      const m = (held - none) / (full - none)
      if (moisture) moisture[at] = m
      const warm = m >= moist
      let dies = false
      if (m < driest) {
        dryFor += HOURS
        if (dryFor > next) {
          dies = true
          next += 24
        }
      } else if (dryFor > 0) {
        dryFor = 0
        next = v.bears
      }
      for (let g = 0; g < grasses.length; g++) {
        // What comes later is as good as lost: weeds are there first.
        if (day >= lastDay[g]!) continue
        const { theta, base } = grasses[g]!
        const before = warmth[g]!
        if (dies && before >= killsFrom) {
          // What is up has roots below: only seed and shoots that are not up yet die.
          const fate = fates[g]!
          const up = shareUp(before, v)
          alive[g] = up + (alive[g]! - up) * lives
          if (alive[g]! < up) alive[g] = up
          fate.up = Math.min(fate.up, alive[g]!)
        }
        if (!warm) continue
        const gain = weather.soil[day]! - base
        if (gain <= 0) continue
        warmth[g] = before + gain / STEPS / theta
        const fate = fates[g]!
        const showing = shareUp(warmth[g]!, v) * alive[g]!
        if (showing > fate.up) fate.up = showing
        if (fate.half === Infinity && warmth[g]! >= 1) fate.half = day + 1
      }
    }
  }
  const stored = w0 + w1 + w2 + w3 - began + pond
  return { rain: rained, put: sprinkled, evaporated, drained, ranOff, stored }
}
