import { airByMonth, vapourOf } from '../src/climate/airByMonth.ts'
import { describe, expect, it } from 'vitest'
import { evaluate } from 'mathjs'
import {
  hargreaves,
  penmanMonteith,
  pressure,
  psychrometric,
  saturation,
  saturationSlope,
} from '../src/climate/evapotranspiration.ts'
import {
  clearSky,
  daylight,
  extraterrestrial,
  fromRange,
  fromSunshine,
} from '../src/climate/sunEnergy.ts'

// Worked examples of Allen et al. 1998 (FAO 56), from memory; the example's number beside each.
describe('energy of the sun (FAO 56)', () => {
  it('20° S on 3 September: 32.2 MJ/m² outside the atmosphere, 11.7 h of day (examples 8, 9)', () => {
    expect(extraterrestrial(-20, 246)).toBeCloseTo(32.2, 1)
    expect(daylight(-20, 246)).toBeCloseTo(11.7, 1)
  })
  it('Rio, 220 h of sunshine in May: 14.5 of 25.1 MJ/m² (example 10)', () => {
    const outside = extraterrestrial(-22.9, 135)
    expect(outside).toBeCloseTo(25.1, 1)
    expect(fromSunshine(7.1, outside, daylight(-22.9, 135))).toBeCloseTo(14.5, 1)
  })
  it('Rio under a clear sky: 18.8 MJ/m² (example 11)', () => {
    expect(clearSky(extraterrestrial(-22.9, 135), 0)).toBeCloseTo(18.8, 1)
  })
  it('Lyon in July, 14.8 to 26.6 °C: 22.3 of 40.6 MJ/m² from the range of temperature (example 15)', () => {
    const outside = extraterrestrial(45.72, 196)
    expect(outside).toBeCloseTo(40.6, 0)
    expect(fromRange(14.8, 26.6, outside, false)).toBeCloseTo(22.3, 0)
  })
  it('is nothing in the polar night and never below it', () => {
    expect(daylight(66.6, 355)).toBeLessThan(2.5)
    for (let day = 1; day <= 365; day += 7)
      for (const lat of [-60, 0, 60]) expect(extraterrestrial(lat, day)).toBeGreaterThan(0)
  })
})

describe('evapotranspiration (FAO 56)', () => {
  it('pressure at 1,800 m 81.8 kPa, psychrometric constant 0.054 (example 2)', () => {
    expect(pressure(1800)).toBeCloseTo(81.8, 1)
    expect(psychrometric(pressure(1800))).toBeCloseTo(0.054, 3)
  })
  it('saturation: 3.075 kPa at 24.5 °C, 1.705 at 15 °C (example 3)', () => {
    expect(saturation(24.5)).toBeCloseTo(3.075, 2)
    expect(saturation(15)).toBeCloseTo(1.705, 3)
  })
  it('its slope is the derivative, as mathjs takes it', () => {
    const h = 1e-4
    const at = (t: number) => evaluate('0.6108 * exp(17.27 t / (t + 237.3))', { t }) as number
    for (const t of [-5, 10, 24.5, 38])
      expect(saturationSlope(t)).toBeCloseTo((at(t + h) - at(t - h)) / (2 * h), 3)
  })
  it('Uccle, 6 July: 3.9 mm (example 18)', () => {
    // 12.3 to 21.5 °C, vapour 1.409 kPa, 2.078 m/s at 2 m, 22.07 MJ/m², 100 m above the sea.
    const day = { latitude: 50.8, elevation: 100, coast: false, day: 187 }
    expect(
      penmanMonteith({ low: 12.3, high: 21.5, vapour: 1.409, wind: 2.078, radiation: 22.07 }, day),
    ).toBeCloseTo(3.9, 1)
  })
  it('Bangkok, April: 5.7 mm a day (example 17)', () => {
    // Monthly means: 25.6 to 34.8 °C, vapour 2.85 kPa, 2 m/s, 8.5 h of sun.
    const place = { latitude: 13.73, elevation: 2, coast: false, day: 105 }
    const radiation = fromSunshine(8.5, extraterrestrial(13.73, 105), daylight(13.73, 105))
    const et = penmanMonteith({ low: 25.6, high: 34.8, vapour: 2.85, wind: 2, radiation }, place)
    // Ground heat of the month, 0.14 MJ/m², is left out of a daily sum: it takes 0.04 mm.
    expect(et).toBeGreaterThan(5.6)
    expect(et).toBeLessThan(5.85)
  })
  it('Lyon in July without humidity, wind and sun: 5.0 mm by the substitutes (example 20 gives 4.6 to 5.0)', () => {
    const et = penmanMonteith(
      { low: 14.8, high: 26.6 },
      { latitude: 45.72, elevation: 200, coast: false, day: 196 },
    )
    expect(et).toBeGreaterThan(4.4)
    expect(et).toBeLessThan(5.2)
    expect(hargreaves(14.8, 26.6, extraterrestrial(45.72, 196))).toBeCloseTo(5, 0)
  })
  it('grows with sun, wind and dry air, and is never below zero', () => {
    const place = { latitude: 45, elevation: 100, coast: false, day: 180 }
    const usual = penmanMonteith({ low: 10, high: 24, vapour: 1.2, wind: 2, radiation: 20 }, place)
    expect(
      penmanMonteith({ low: 10, high: 24, vapour: 1.2, wind: 2, radiation: 25 }, place),
    ).toBeGreaterThan(usual)
    expect(
      penmanMonteith({ low: 10, high: 24, vapour: 1.2, wind: 5, radiation: 20 }, place),
    ).toBeGreaterThan(usual)
    expect(
      penmanMonteith({ low: 10, high: 24, vapour: 0.6, wind: 2, radiation: 20 }, place),
    ).toBeGreaterThan(usual)
    expect(
      penmanMonteith({ low: -25, high: -18, radiation: 1 }, { ...place, day: 1 }),
    ).toBeGreaterThanOrEqual(0)
  })
})

describe('what else a record knows of its months', () => {
  const day = (i: number, more: object) => ({
    day: `2026-07-${String(i + 1).padStart(2, '0')}`,
    low: 12,
    high: 24,
    rain: 0,
    ...more,
  })
  const july = (more: object, days = 31) =>
    airByMonth(Array.from({ length: days }, (_, i) => day(i, more)))
  it('vapour from humidity is its share of what the day’s extremes would hold (FAO 56, eq 19, from memory)', () => {
    // e°(24 °C) is 2.984 and e°(12 °C) 1.403 kPa in the handbook’s table (from memory).
    expect(vapourOf(100, 12, 24)).toBeCloseTo((2.984 + 1.403) / 2, 2)
    expect(july({ humidity: 60 }).vapour[6]).toBeCloseTo((0.6 * (2.984 + 1.403)) / 2, 2)
  })
  it('3.2 m/s at 10 m is 2.4 m/s at 2 m (FAO 56, example 14, from memory)', () => {
    expect(july({ wind: 3.2 * 3.6 }).wind[6]).toBeCloseTo(2.4, 1)
  })
  it('a month that was hardly read is not known', () => {
    expect([july({ humidity: 60 }, 19).vapour[6], july({ humidity: 60 }).vapour[0], july({}).vapour[6], july({ radiation: 20 }).radiation[6]]).toEqual([null, null, null, 20]) // prettier-ignore
  })
})
