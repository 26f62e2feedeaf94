import type { WeatherSeries } from './weatherSeries.ts'
import { asDeclared, tradeValues, value } from '../rules/rule.ts'
import type { Normals } from './normals.ts'
import { dailyCurve, MONTH_LENGTHS, monthOf, yearDays } from './yearDay.ts'

/** Rain that makes a day wet, mm. */
export const WET_DAY = 0.2

/** How single days behave where there are normals and no record. Juvena's model throughout. */
export const dailyWeather = tradeValues('daily-weather', {
  strays: value(2.4, 'C', 'model', 'A day strays from the usual by', [0.5, 8]),
  straysInland: value(
    0.08,
    '1',
    'model',
    'and by so much of half the swing from winter to summer',
    [0, 0.5],
  ),
  straysInWinter: value(0.14, '1', 'model', 'in the depth of winter by as much more', [0, 0.5]),
  nightsMore: value(1.15, '1', 'model', 'nights by so many times that', [0.5, 2]),
  wetNight: value(0.4, 'C', 'model', 'A wet night differs from a dry one by', [-3, 3]),
  wetNightInWinter: value(0.8, 'C', 'model', 'and in winter by so much more', [-3, 3]),
  wetDay: value(-2.6, 'C', 'model', 'A wet day differs from a dry one by', [-8, 2]),
  wetDayInWinter: value(2, 'C', 'model', 'and in winter by so much more', [-3, 6]),
  wetBegins: value(
    0.75,
    '1',
    'model',
    'A wet day follows a dry one at so much of the usual share of wet days (Geng et al. 1986, from memory)',
    [0.4, 1],
  ),
  wetStays: value(
    0.25,
    '1',
    'model',
    'and a wet one so much oftener (Geng et al. 1986, from memory)',
    [0, 0.6],
  ),
  rainVaries: value(
    1.25,
    '1',
    'model',
    'Rain of a wet day varies by so many times its mean',
    [1, 3],
  ),
  lightDays: value(70, '%', 'model', 'Wet days with light rain', [40, 95]),
  together: value(0.6, '1', 'model', 'Night and day stray together: correlation', [0, 0.9]),
  dayAfterDay: value(0.62, '1', 'model', 'Day with the day before', [0, 0.9]),
  dayAfterNight: value(0.5, '1', 'model', 'Day with the night before', [0, 0.9]),
  nightAfterDay: value(0.55, '1', 'model', 'Night with the day before', [0, 0.9]),
  nightAfterNight: value(0.58, '1', 'model', 'Night with the night before', [0, 0.9]),
})
export type DailyWeather = { [K in keyof typeof dailyWeather]: number }
const USUAL = asDeclared(dailyWeather)

/**
 * How the weather of a place behaves, by month, January first: enough to make as many years of it
 * as wanted.
 */
export interface ClimateModel {
  /** Mean daily minimum and maximum, °C. */
  low: number[]
  high: number[]
  /** How far single days stray from the usual for the day, wet or dry, °C. */
  lowSpread: number[]
  highSpread: number[]
  /** What a wet day differs by from a dry one, °C. */
  lowWet: number[]
  highWet: number[]
  /** Chance of a wet day after a dry one, and after a wet one. */
  wetAfterDry: number[]
  wetAfterWet: number[]
  /** Rain of a wet day, mm, and its standard deviation over its mean. */
  rain: number[]
  rainVaries: number[]
  /** Wet days whose rain is light, %. */
  lightDays: number
  /** Correlations of what days stray by: high with low of the day, and each with the day before. */
  together: number
  highAfterHigh: number
  highAfterLow: number
  lowAfterHigh: number
  lowAfterLow: number
}

const months = <T>(make: (month: number) => T): T[] => Array.from({ length: 12 }, (_, m) => make(m))

/** Share of days that are wet in the long run. */
export const wetShare = (m: ClimateModel, month: number): number => {
  const [dry, wet] = [m.wetAfterDry[month]!, m.wetAfterWet[month]!]
  return dry / Math.max(1e-9, 1 + dry - wet)
}

/**
 * A model from normals alone. How days stray, and hang together, is assumed: more in winter and
 * inland (by the range from winter to summer).
 */
export function modelFromNormals(normals: Normals, v: DailyWeather = USUAL): ClimateModel {
  const middle = months((m) => (normals.low[m]! + normals.high[m]!) / 2)
  const [coldest, warmest] = [Math.min(...middle), Math.max(...middle)]
  const swing = (warmest - coldest) / 2
  const winter = (m: number) => (swing > 0.5 ? (warmest - middle[m]!) / (2 * swing) : 0.5)
  const wet = months((m) =>
    Math.min(0.97, Math.max(0.005, normals.wetDays[m]! / MONTH_LENGTHS[m]!)),
  )
  const spread = (m: number) =>
    v.strays + v.straysInland * swing + winter(m) * v.straysInWinter * swing
  return {
    low: [...normals.low],
    high: [...normals.high],
    lowSpread: months((m) => spread(m) * v.nightsMore),
    highSpread: months(spread),
    lowWet: months((m) => v.wetNight + v.wetNightInWinter * winter(m)),
    highWet: months((m) => v.wetDay + v.wetDayInWinter * winter(m)),
    wetAfterDry: months((m) => v.wetBegins * wet[m]!),
    wetAfterWet: months((m) => v.wetStays + v.wetBegins * wet[m]!),
    rain: months((m) =>
      Math.max(WET_DAY, normals.rain[m]! / Math.max(0.5, wet[m]! * MONTH_LENGTHS[m]!)),
    ),
    rainVaries: months(() => v.rainVaries),
    lightDays: v.lightDays,
    together: v.together,
    highAfterHigh: v.dayAfterDay,
    highAfterLow: v.dayAfterNight,
    lowAfterHigh: v.nightAfterDay,
    lowAfterLow: v.nightAfterNight,
  }
}

/** Sum, count and sum of squares as days come in. */
class Tally {
  n = 0
  sum = 0
  squares = 0
  add(x: number) {
    this.n++
    this.sum += x
    this.squares += x * x
  }
  get mean() {
    return this.n > 0 ? this.sum / this.n : NaN
  }
  get deviation() {
    return this.n > 1
      ? Math.sqrt(Math.max(0, (this.squares - (this.sum * this.sum) / this.n) / (this.n - 1)))
      : NaN
  }
}

/** Fewest days of a month that its own numbers are taken from. */
const ENOUGH = 20

/**
 * A model from a record of days. Null where a month has fewer than twenty days with both
 * temperatures.
 */
export function modelFromRecord(series: WeatherSeries): ClimateModel | null {
  const { low, high, rain } = series
  const days = yearDays(series.start, low.length)
  const known = (i: number) => !Number.isNaN(low[i]!) && !Number.isNaN(high[i]!)
  const [lows, highs] = [months(() => new Tally()), months(() => new Tally())]
  for (let i = 0; i < low.length; i++) {
    if (!known(i)) continue
    lows[monthOf(days[i]!)]!.add(low[i]!)
    highs[monthOf(days[i]!)]!.add(high[i]!)
  }
  if (lows.some((t) => t.n < ENOUGH)) return null
  const [lowMean, highMean] = [lows.map((t) => t.mean), highs.map((t) => t.mean)]
  const [lowCurve, highCurve] = [dailyCurve(lowMean), dailyCurve(highMean)]
  const wetOn = (i: number) => (Number.isNaN(rain[i]!) ? null : rain[i]! >= WET_DAY)

  const tallies = () => months(() => [new Tally(), new Tally()] as const)
  const [lowBy, highBy, after, amounts] = [
    tallies(),
    tallies(),
    tallies(),
    months(() => new Tally()),
  ]
  for (let i = 0; i < low.length; i++) {
    const wet = wetOn(i)
    if (wet === null) continue
    const m = monthOf(days[i]!)
    if (known(i)) {
      lowBy[m]![wet ? 1 : 0].add(low[i]! - lowCurve[days[i]!]!)
      highBy[m]![wet ? 1 : 0].add(high[i]! - highCurve[days[i]!]!)
    }
    if (wet) amounts[m]!.add(rain[i]!)
    const before = i > 0 ? wetOn(i - 1) : null
    if (before !== null) after[m]![before ? 1 : 0].add(wet ? 1 : 0)
  }
  const differs = (by: ReturnType<typeof tallies>) =>
    by.map(([dry, wet]) => (dry.n >= 5 && wet.n >= 5 ? wet.mean - dry.mean : 0))
  const [lowWet, highWet] = [differs(lowBy), differs(highBy)]
  const share = lowBy.map(([dry, wet]) => (dry.n + wet.n > 0 ? wet.n / (dry.n + wet.n) : 0))

  // What is left once the day of the year and rain are taken off, by its own spread.
  const stray = (
    x: Float64Array,
    curve: Float64Array,
    shift: readonly number[],
    by: ReturnType<typeof tallies>,
  ) => {
    const left = new Float64Array(x.length).fill(NaN)
    const spread = months(() => new Tally())
    for (let i = 0; i < x.length; i++) {
      if (!known(i)) continue
      const m = monthOf(days[i]!)
      const wet = wetOn(i)
      const centre =
        by[m]![0].n + by[m]![1].n > 0
          ? (by[m]![0].sum + by[m]![1].sum) / (by[m]![0].n + by[m]![1].n)
          : 0
      left[i] =
        x[i]! -
        curve[days[i]!]! -
        centre -
        (wet === null ? 0 : shift[m]! * ((wet ? 1 : 0) - share[m]!))
      spread[m]!.add(left[i]!)
    }
    const deviations = spread.map((t) => Math.max(0.3, t.deviation))
    for (let i = 0; i < x.length; i++) left[i] = left[i]! / deviations[monthOf(days[i]!)]!
    return { left, deviations }
  }
  const lowStray = stray(low, lowCurve, lowWet, lowBy)
  const highStray = stray(high, highCurve, highWet, highBy)
  const correlation = (a: Float64Array, b: Float64Array, lag: number) => {
    let [n, sum, aa, bb] = [0, 0, 0, 0]
    for (let i = lag; i < a.length; i++) {
      const [x, y] = [a[i]!, b[i - lag]!]
      if (Number.isNaN(x) || Number.isNaN(y)) continue
      n++
      sum += x * y
      aa += x * x
      bb += y * y
    }
    return n > 30 ? sum / Math.sqrt(aa * bb) : 0
  }
  const chance = (t: Tally, otherwise: number) =>
    t.n >= 5 ? Math.min(0.97, Math.max(0.005, t.mean)) : otherwise
  // Rain comes and goes from day to day more than warmth does: what is left has to hang together
  // the more, so that the whole does as the record does.
  const wholly = (
    x: Float64Array,
    curve: Float64Array,
    left: { deviations: number[] },
    shift: readonly number[],
    ownLag: number,
  ) => {
    const anomalies = x.map((t, i) => t - curve[days[i]!]!)
    const whole = correlation(anomalies, anomalies, 1)
    let [own, rainy, rainyLag] = [0, 0, 0]
    for (let m = 0; m < 12; m++) {
      const wetVariance = shift[m]! ** 2 * share[m]! * (1 - share[m]!)
      own += left.deviations[m]! ** 2
      rainy += wetVariance
      rainyLag += wetVariance * (chance(after[m]![1], 0.3) - chance(after[m]![0], 0.005))
    }
    return Math.min(0.95, Math.max(ownLag, (whole * (own + rainy) - rainyLag) / own))
  }
  const dryYear = (m: number) => amounts[m]!.n === 0
  return {
    low: lowMean,
    high: highMean,
    lowSpread: lowStray.deviations,
    highSpread: highStray.deviations,
    lowWet,
    highWet,
    wetAfterDry: months((m) => chance(after[m]![0], 0.005)),
    wetAfterWet: months((m) => chance(after[m]![1], 0.3)),
    rain: months((m) => (dryYear(m) ? 1 : amounts[m]!.mean)),
    rainVaries: months((m) =>
      amounts[m]!.n >= 5 ? amounts[m]!.deviation / amounts[m]!.mean : USUAL.rainVaries,
    ),
    lightDays: USUAL.lightDays,
    together: correlation(highStray.left, lowStray.left, 0),
    highAfterHigh: wholly(
      high,
      highCurve,
      highStray,
      highWet,
      correlation(highStray.left, highStray.left, 1),
    ),
    highAfterLow: correlation(highStray.left, lowStray.left, 1),
    lowAfterHigh: correlation(lowStray.left, highStray.left, 1),
    lowAfterLow: wholly(
      low,
      lowCurve,
      lowStray,
      lowWet,
      correlation(lowStray.left, lowStray.left, 1),
    ),
  }
}
