import { lusolve, multiply, transpose } from 'mathjs'
import { describe, expect, it } from 'vitest'
import { fitSoil, soilFromAir, yearOfSoil } from '../src/climate/soilTemperature.ts'
import { soilBand } from '../src/climate/soilBand.ts'
import { climateAt } from './makePlace.ts'

/**
 * A wave in the ground: T(z,t) = mean + swing·e^(−z/D)·cos(ω(t − t₀) − z/D), Carslaw & Jaeger, from
 * memory. Depth and damping depth in m.
 */
const dampedWave = (
  mean: number,
  swing: number,
  phase: number,
  depth: number,
  damping: number,
): number => mean + swing * Math.exp(-depth / damping) * Math.cos(phase - depth / damping)

const DAYS = 730
const air = Float64Array.from(
  { length: DAYS },
  (_, i) => 11 + 9 * Math.cos((2 * Math.PI * (i - 20)) / 365) + 3 * Math.sin(i * 1.7),
)

describe('soil that follows the air', () => {
  it('comes to steady air with the warmth of the sun, and by its share a day', () => {
    const steady = soilFromAir(new Float64Array(60).fill(15), { follows: 0.4, warmer: 1 }, 5)
    expect(steady[0]).toBeCloseTo(5 + 0.4 * 11, 10)
    expect(steady[59]).toBeCloseTo(16, 6)
  })
  it('keeps the soil of the day before where the air is missing', () => {
    const gap = Float64Array.from([10, NaN, NaN, 10])
    const soil = soilFromAir(gap, { follows: 0.5, warmer: 0 }, 4)
    expect([...soil]).toEqual([7, 7, 7, 8.5])
  })
  it('a yearly wave comes through delayed and damped as the closed form of a first-order lag has it', () => {
    // z = follows·air + (1 − follows)·z before: its gain and lag at one turn a year.
    const w = (2 * Math.PI) / 365
    const follows = 0.1
    const wave = Float64Array.from({ length: 365 }, (_, i) => 10 * Math.cos(w * i))
    const soil = yearOfSoil(wave, { follows, warmer: 0 })
    const gain = follows / Math.sqrt(1 + (1 - follows) ** 2 - 2 * (1 - follows) * Math.cos(w))
    expect(Math.max(...soil)).toBeCloseTo(10 * gain, 2)
  })
  it('fits both numbers to probe readings: they come back, and the warmth is that of ordinary least squares (mathjs)', () => {
    const truth = { follows: 0.33, warmer: 1.4 }
    const soil = soilFromAir(air, truth, air[0]!)
    const probe = Float64Array.from(soil, (t, i) => (i % 17 === 3 ? t + 0.2 * Math.sin(i) : NaN))
    const fit = fitSoil(air, probe)!
    expect(fit.follows).toBeCloseTo(truth.follows, 1)
    expect(fit.warmer).toBeCloseTo(truth.warmer, 1)
    expect(fit.error).toBeLessThan(0.2)
    // With its share, the warmth solves the normal equations of probe = soil without warmth +
    // warmth.
    const plain = soilFromAir(air, { follows: fit.follows, warmer: 0 }, air[0]!)
    const at = [...probe.keys()].filter((i) => i >= 10 && !Number.isNaN(probe[i]!))
    const a = at.map(() => [1])
    const y = at.map((i) => [probe[i]! - plain[i]!])
    const solved = lusolve(multiply(transpose(a), a), multiply(transpose(a), y)) as number[][]
    expect(fit.warmer).toBeCloseTo(solved[0]![0]!, 9)
    expect(fit.readings).toBe(at.length)
  })
  it('is not fitted to under five readings', () => {
    expect(
      fitSoil(
        air,
        Float64Array.from(air, (_, i) => (i === 100 || i === 200 ? 12 : NaN)),
      ),
    ).toBeNull()
  })
  it('lies between the air and the depth that a damped wave would have the yearly swing fall to at 50 mm', () => {
    // Heat conduction damps the year over some 2 m: at 50 mm next to nothing is lost, and days are
    // late. The lag model loses a little more.
    const swing = 9
    const year = Float64Array.from(
      { length: 365 },
      (_, i) => 11 + swing * Math.cos((2 * Math.PI * i) / 365),
    )
    const soil = yearOfSoil(year, { follows: 0.4, warmer: 0 })
    const phases = Array.from({ length: 365 }, (_, i) => (2 * Math.PI * i) / 365)
    const ground = phases.map((phase) => dampedWave(11, swing, phase, 0.05, 2.1))
    const amplitude = (of: ArrayLike<number>) =>
      (Math.max(...Array.from(of)) - Math.min(...Array.from(of))) / 2
    expect(Math.abs(amplitude(soil) - amplitude(ground))).toBeLessThan(0.3)
    expect(
      Math.abs(soil.indexOf(Math.max(...soil)) - ground.indexOf(Math.max(...ground))),
    ).toBeLessThanOrEqual(3)
  })
})

describe('the band of the soil', () => {
  it('holds about eight of ten simulated years on any day', () => {
    const { place } = climateAt({ latitude: 45 }, '2027-01-01')
    const { low, high } = soilBand(place)
    for (const day of [15, 100, 200, 290]) {
      const years = Array.from({ length: 100 }, (_, y) => place.soilYears[y * 365 + day]!)
      const inside = years.filter((t) => t >= low[day]! && t <= high[day]!).length
      expect(inside, String(day)).toBeGreaterThanOrEqual(70)
      expect(inside, String(day)).toBeLessThanOrEqual(90)
    }
  })
})

describe('the soil of a site', () => {
  const site = { latitude: -44.2, frost: '25 Apr', soilTemperature: 17.4, soilReadOn: '2027-02-22' }
  it('goes through its reading on the day, and fades back to the usual soil', () => {
    const { soil, place, start } = climateAt(site, '2027-02-22')
    const usual = climateAt({ ...site, soilTemperature: null }, '2027-02-22').soil
    expect(start).toBe('2027-02-22')
    expect(soil[0]).toBeCloseTo(17.4, 9)
    expect(Math.abs(soil[250]! - usual[250]!)).toBeLessThan(0.02)
    expect(place.soil.every(Number.isFinite)).toBe(true)
  })
  it('a typed frost date moves the usual day by 1 °C at most, and colder nights make no day hotter', () => {
    for (const [latitude, frosts] of [
      [35.8, ['20 Oct', '5 Nov', '1 Dec']],
      [45, ['20 Sep', '10 Oct', '5 Nov']],
      [-44.2, ['5 Apr', '25 Apr', '20 May']],
    ] as const)
      // prettier-ignore
      for (const sea of ['5 km', '300 km', '900 km']) {
        const at = (frost: string | null) => climateAt({ latitude, sea, frost }, '2027-01-01').place
        const usual = at(null)
        for (const frost of frosts) {
          const { low, high, mean, years, meanYears } = at(frost)
          for (let d = 0; d < 365; d++) {
            expect(Math.abs(mean[d]! - usual.mean[d]!)).toBeLessThanOrEqual(1 + 1e-9)
            expect(high[d]!).toBeLessThanOrEqual(Math.max(usual.high[d]!, low[d]! + 2) + 1e-9)
            expect(low[d]!).toBeLessThan(high[d]!)
          }
          for (let i = 0; i < years.days; i += 11)
            expect(Math.abs(meanYears[i]! - usual.meanYears[i]!)).toBeLessThanOrEqual(1 + 1e-9)
        }
      }
  })
  it('is warmest some weeks after the longest day, cooler and with more swing away from the equator', () => {
    const of = (latitude: number) => climateAt({ latitude }, '2027-01-01').place.soil
    for (const latitude of [25, 31, 38, 44.2, 52]) {
      const soil = of(latitude)
      const warmest = soil.indexOf(Math.max(...soil))
      // 21 June is day 171.
      expect(warmest - 171, String(latitude)).toBeGreaterThan(25)
      expect(warmest - 171, String(latitude)).toBeLessThan(60)
      expect(Math.min(...soil), String(latitude)).toBeGreaterThan(-8)
    }
    const mean = (latitude: number) => of(latitude).reduce((a, b) => a + b) / 365
    expect(mean(25)).toBeGreaterThan(mean(38))
    expect(mean(38)).toBeGreaterThan(mean(52))
  })
})
