import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { dayNumber } from '../src/calendar/day.ts'
import {
  modelFromNormals,
  modelFromRecord,
  wetShare,
  WET_DAY,
} from '../src/climate/climateModel.ts'
import { frostOdds } from '../src/climate/frostOdds.ts'
import { chanceOf, simulate, type SimulatedYears } from '../src/climate/generator.ts'
import { stationClimate } from '../src/climate/stationClimate.ts'
import { seriesOf } from '../src/climate/weatherSeries.ts'
import {
  dailyCurve,
  MONTH_LENGTHS,
  MONTH_STARTS,
  monthDayOf,
  yearDay,
} from '../src/climate/yearDay.ts'
import { guessMapping, readWeather } from '../src/formats/weatherCsv.ts'
import { climateAt } from './makePlace.ts'

// Daily weather of a real city, 2012 to 2015, as vega-datasets carries it: date, rain mm, maximum,
// minimum, wind m/s, a word.
const csv = readFileSync(
  new URL('../../node_modules/vega-datasets/data/seattle-weather.csv', import.meta.url),
  'utf8',
)
const rows = csv
  .trim()
  .split('\n')
  .map((line) => line.split(','))
const mapping = guessMapping(rows, 'dmy')
const { days, report } = readWeather(rows, mapping, 47.6)
const plain = rows.slice(1).map(([date, rain, high, low]) => ({
  day: date!.trim().replaceAll('/', '-'),
  rain: Number(rain),
  high: Number(high),
  low: Number(low),
}))
const CITY = { name: 'City', latitude: 47.6, longitude: -122.3, elevation: 50, normals: null }
const record = seriesOf(days, dayNumber)!
const model = modelFromRecord(record)!
const YEARS = 300
const made = simulate(model, chanceOf(YEARS * 365, 7))

const mean = (list: readonly number[]) => list.reduce((sum, x) => sum + x, 0) / list.length
const deviation = (list: readonly number[]) => {
  const middle = mean(list)
  return Math.sqrt(mean(list.map((x) => (x - middle) ** 2)))
}
const monthOfDay = (i: number) => MONTH_STARTS.findLastIndex((from) => from <= i % 365)
const inMonth = (of: Float64Array, m: number) => [...of].filter((_, i) => monthOfDay(i) === m)
const recorded = (what: 'low' | 'high' | 'rain', m: number) =>
  plain.filter((d) => Number(d.day.slice(5, 7)) === m + 1).map((d) => d[what])

describe('a real record', () => {
  it('is read whole: every day, no gap, in °C and mm', () => {
    expect([report.days, report.gapDays, report.suspectCount, report.duplicates]).toEqual([
      1461, 0, 0, 0,
    ])
    expect([report.from, report.to]).toEqual(['2012-01-01', '2015-12-31'])
    expect(days.map((d) => [d.low, d.high, d.rain])).toEqual(
      plain.map((d) => [d.low, d.high, d.rain]),
    )
  })
  it('its frost dates are those picked out by hand: the first night at 0 °C after the warmest day', () => {
    const { from, dates } = stationClimate('s', CITY, false, days)!.frost!.firstLight
    const warmest = monthDayOf(from)
    const byHand = [2012, 2013, 2014].map(
      (year) =>
        plain.find(
          (d) => d.day >= `${year}-${warmest}` && d.day < `${year + 1}-${warmest}` && d.low <= 0,
        )!.day,
    )
    expect(dates.map((d) => monthDayOf(from + d!))).toEqual(byHand.map((day) => day.slice(5)))
  })
  it('a station made of it goes by its own years', () => {
    const climate = stationClimate('s', CITY, false, days)!
    expect([climate.basis, climate.record!.days, climate.record!.missing, climate.soil]).toEqual([
      'record',
      1461,
      0,
      null,
    ])
    expect(frostOdds(climate.frost!.firstLight).years).toBe(3)
  })
})

describe('weather made from it, 300 years', () => {
  it('has its monthly means and spreads of low and high', () => {
    for (let m = 0; m < 12; m++)
      for (const what of ['low', 'high'] as const) {
        const [real, simulated] = [recorded(what, m), inMonth(made[what], m)]
        expect(Math.abs(mean(real) - mean(simulated)), `${what} ${m}`).toBeLessThan(0.6)
        // The record's months also hold the rise or fall within the month; so do the made ones.
        expect(
          Math.abs(deviation(simulated) / deviation(real) - 1),
          `${what} ${m} spread`,
        ).toBeLessThan(0.2)
      }
  })
  it('has its wet days and its rain', () => {
    for (let m = 0; m < 12; m++) {
      const wetShare = (list: readonly number[]) =>
        list.filter((x) => x >= WET_DAY).length / list.length
      const [real, simulated] = [recorded('rain', m), inMonth(made.rain, m)]
      expect(Math.abs(wetShare(real) - wetShare(simulated)), `wet days of ${m}`).toBeLessThan(0.05)
      expect(Math.abs(mean(simulated) / mean(real) - 1), `rain of ${m}`).toBeLessThan(0.15)
    }
  })
  it('hangs together from day to day as the record does', () => {
    const curve = dailyCurve(model.low)
    const lagOne = (low: Float64Array, dayOfYear: (i: number) => number) => {
      const left = Array.from(low, (x, i) => x - curve[dayOfYear(i)]!)
      const [a, b] = [left.slice(1), left.slice(0, -1)]
      return (
        mean(a.map((x, i) => x * b[i]!)) /
        Math.sqrt(mean(a.map((x) => x * x)) * mean(b.map((x) => x * x)))
      )
    }
    expect(
      Math.abs(
        lagOne(record.low, (i) => yearDay(record.start + i)) - lagOne(made.low, (i) => i % 365),
      ),
    ).toBeLessThan(0.07)
  })
  it('is the same by the same seed, and other by another; nights lie under days, rain is never below zero', () => {
    const again = simulate(model, chanceOf(2000, 7))
    expect([...again.low]).toEqual([...simulate(model, chanceOf(2000, 7)).low])
    expect([...simulate(model, chanceOf(2000, 8)).low]).not.toEqual([...again.low])
    made.low.forEach((low, i) => expect(low < made.high[i]! && made.rain[i]! >= 0).toBe(true))
  })
  it('a record with weeks missing makes nearly the same climate; one of a few months makes none', () => {
    const holed = modelFromRecord(
      seriesOf(
        days.filter((_, i) => i % 40 > 8),
        dayNumber,
      )!,
    )!
    holed.low.forEach((low, m) => expect(Math.abs(low - model.low[m]!)).toBeLessThan(0.6))
    expect(modelFromRecord(seriesOf(days.slice(0, 100), dayNumber)!)).toBeNull()
  })
})

describe('weather made from normals', () => {
  const normals = {
    low: [-4, -3, 1, 5, 9, 13, 15, 14, 10, 6, 1, -3],
    high: [4, 6, 11, 16, 21, 25, 28, 27, 23, 17, 10, 5],
    rain: [60, 55, 65, 70, 80, 85, 75, 70, 65, 70, 75, 65],
    wetDays: [10, 9, 11, 11, 12, 11, 9, 9, 9, 9, 11, 11],
  }
  const simulated: SimulatedYears = simulate(modelFromNormals(normals), chanceOf(YEARS * 365, 3))
  it('gives them back: lows, highs, rain and wet days', () => {
    for (let m = 0; m < 12; m++) {
      expect(Math.abs(mean(inMonth(simulated.low, m)) - normals.low[m]!), `low ${m}`).toBeLessThan(
        0.5,
      )
      expect(
        Math.abs(mean(inMonth(simulated.high, m)) - normals.high[m]!),
        `high ${m}`,
      ).toBeLessThan(0.5)
      const rain = inMonth(simulated.rain, m)
      expect(
        Math.abs((mean(rain) * MONTH_LENGTHS[m]!) / normals.rain[m]! - 1),
        `rain ${m}`,
      ).toBeLessThan(0.1)
      expect(
        Math.abs(
          (rain.filter((x) => x > 0).length / rain.length) * MONTH_LENGTHS[m]! -
            normals.wetDays[m]!,
        ),
        `wet ${m}`,
      ).toBeLessThan(0.8)
    }
    const model = modelFromNormals(normals)
    model.rain.forEach((mm, m) =>
      expect(mm * wetShare(model, m) * MONTH_LENGTHS[m]!).toBeCloseTo(normals.rain[m]!, 6),
    )
  })
  it('a wet day is cooler by day than a dry one, and its night milder', () => {
    const by = (wet: boolean, of: Float64Array) =>
      mean([...of].filter((_, i) => monthOfDay(i) === 6 && simulated.rain[i]! > 0 === wet))
    expect(by(true, simulated.high)).toBeLessThan(by(false, simulated.high) - 1)
    expect(by(true, simulated.low)).toBeGreaterThan(by(false, simulated.low))
  })
})

describe('the firm’s numbers of daily weather', () => {
  const site = { latitude: 50, longitude: 10 }
  /** Standard deviation of a January night over a hundred years, °C. */
  const januaryNights = (values: Record<string, number>) => {
    const { place } = climateAt(site, '2027-03-01', {}, values).years
    return deviation(inMonth(place.years.low, 0))
  }
  it('reach a place without a record: days that stray twice as far do', () => {
    const own = {
      'daily-weather.strays': 4.8,
      'daily-weather.straysInland': 0.16,
      'daily-weather.straysInWinter': 0.28,
    }
    expect(januaryNights(own) / januaryNights({})).toBeCloseTo(2, 0)
  })
})
