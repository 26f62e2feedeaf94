import { randomLcg, randomNormal } from 'd3-random'
import { wetShare, WET_DAY, type ClimateModel } from './climateModel.ts'
import { dailyCurve, monthOf, YEAR_DAYS } from './yearDay.ts'

/** Days in a row of simulated weather, each year of 365 days, from a 1 January on. */
export interface SimulatedYears {
  days: number
  low: Float64Array
  high: Float64Array
  rain: Float64Array
}

/**
 * The chance in a run of days, before any climate gives it size: two normal deviates, two even
 * ones, and one of an exponential law.
 */
export interface Chance {
  days: number
  first: Float32Array
  second: Float32Array
  wet: Float32Array
  which: Float32Array
  size: Float32Array
}

/** Chance for a number of days, the same for the same seed. */
export function chanceOf(days: number, seed: number): Chance {
  // The generator takes a fraction, and its first draws still show the seed.
  const even = randomLcg(((seed * 0.6180339887498949) % 1) + 1e-6)
  for (let i = 0; i < 20; i++) even()
  const normal = randomNormal.source(even)(0, 1)
  const drawn = (draw: () => number) => Float32Array.from({ length: days }, draw)
  return {
    days,
    first: drawn(normal),
    second: drawn(normal),
    wet: drawn(even),
    which: drawn(even),
    size: drawn(() => -Math.log(1 - even())),
  }
}

/**
 * Weather day by day from a model and a run of chance: wet and dry days by a Markov chain of one
 * day, rain by two exponential laws mixed, low and high together by a first-order autoregression
 * (Richardson 1981, from memory), lower in range on wet days. Air in °C, rain in mm.
 */
export function simulate(model: ClimateModel, chance: Chance): SimulatedYears {
  const { days, first, second, size } = chance
  const [low, high, rain] = [new Float64Array(days), new Float64Array(days), new Float64Array(days)]
  const by = byDay(model)
  const { a, b } = autoregression(model)
  const [a0, a1, a2, a3] = a
  const [b0, b1, b2] = b
  let wet = chance.wet[0]! < by.share[0]!
  let zHigh = first[0]!
  let zLow = model.together * first[0]! + Math.sqrt(1 - model.together ** 2) * second[0]!
  for (let i = 0, d = 0; i < days; i++) {
    if (i > 0) {
      wet = chance.wet[i]! < (wet ? by.wetAfterWet[d]! : by.wetAfterDry[d]!)
      const e = first[i]!
      const before = zHigh
      zHigh = a0 * before + a1 * zLow + b0 * e
      zLow = a2 * before + a3 * zLow + b1 * e + b2 * second[i]!
    }
    const h = (wet ? by.highWet[d]! : by.highDry[d]!) + by.highSpread[d]! * zHigh
    const l = (wet ? by.lowWet[d]! : by.lowDry[d]!) + by.lowSpread[d]! * zLow
    low[i] = l < h - LEAST_RANGE ? l : h - LEAST_RANGE
    high[i] = h
    if (wet)
      rain[i] =
        WET_DAY + (chance.which[i]! < by.light[d]! ? by.lightMean[d]! : by.heavyMean[d]!) * size[i]!
    d = d === YEAR_DAYS - 1 ? 0 : d + 1
  }
  return { days, low, high, rain }
}

/** A model spread out over the days of the year. */
function byDay(model: ClimateModel) {
  const [lowCurve, highCurve] = [dailyCurve(model.low), dailyCurve(model.high)]
  const share = model.low.map((_, m) => wetShare(model, m))
  const mixed = model.rain.map((mean, m) =>
    mixedRain(mean, model.rainVaries[m]!, model.lightDays / 100),
  )
  const of = (value: (month: number, day: number) => number) =>
    Float64Array.from({ length: YEAR_DAYS }, (_, d) => value(monthOf(d), d))
  return {
    share: of((m) => share[m]!),
    wetAfterDry: of((m) => model.wetAfterDry[m]!),
    wetAfterWet: of((m) => model.wetAfterWet[m]!),
    lowDry: of((m, d) => lowCurve[d]! - model.lowWet[m]! * share[m]!),
    lowWet: of((m, d) => lowCurve[d]! + model.lowWet[m]! * (1 - share[m]!)),
    highDry: of((m, d) => highCurve[d]! - model.highWet[m]! * share[m]!),
    highWet: of((m, d) => highCurve[d]! + model.highWet[m]! * (1 - share[m]!)),
    lowSpread: of((m) => model.lowSpread[m]!),
    highSpread: of((m) => model.highSpread[m]!),
    light: of((m) => mixed[m]!.part),
    lightMean: of((m) => mixed[m]!.light),
    heavyMean: of((m) => mixed[m]!.heavy),
  }
}

/** A night stays below its day by at least so much, °C. */
const LEAST_RANGE = 0.5

/**
 * Two exponential laws, of light days (`part` of them) and of heavy ones, with the mean (mm) and
 * the spread of a month's wet days.
 */
function mixedRain(mean: number, varies: number, part: number) {
  const above = Math.max(0.01, mean - WET_DAY)
  const t = Math.min(
    above / (1 - part) - 1e-6,
    above * Math.sqrt(Math.max(0, (varies * (mean / above)) ** 2 - 1) / (2 * part * (1 - part))),
  )
  return { part, light: above - (1 - part) * t, heavy: above + part * t }
}

/**
 * Matrices of z = A·z before + B·chance that give the model's correlations: A = M₁M₀⁻¹, BBᵀ = M₀ −
 * AM₁ᵀ, B lower.
 */
function autoregression({
  together: c,
  highAfterHigh: hh,
  highAfterLow: hl,
  lowAfterHigh: lh,
  lowAfterLow: ll,
}: ClimateModel) {
  const det = Math.max(1e-6, 1 - c * c)
  const a = [
    (hh - hl * c) / det,
    (hl - hh * c) / det,
    (lh - ll * c) / det,
    (ll - lh * c) / det,
  ] as const
  const left = [
    1 - a[0] * hh - a[1] * hl,
    c - a[0] * lh - a[1] * ll,
    1 - a[2] * lh - a[3] * ll,
  ] as const
  const b0 = Math.sqrt(Math.max(1e-6, left[0]))
  const b1 = left[1] / b0
  return { a, b: [b0, b1, Math.sqrt(Math.max(1e-6, left[2] - b1 * b1))] as const }
}
