import { describe, expect, it } from 'vitest'
import { paceOf, paceValues, shareUp, type CountOfDay } from '../src/establish/countedUp.ts'
import { emergenceValues } from '../src/establish/emergence.ts'
import { logGamma, plantCountValues } from '../src/establish/plantCount.ts'
import { blankEntry, type DiaryEntry } from '../src/entities/diary.ts'
import { addDays, daysBetween } from '../src/calendar/day.ts'
import { declared, planOf, zone } from './makeJob.ts'

const V = { ...declared(paceValues), ...declared(plantCountValues), ...declared(emergenceValues) }
const one = (plants: number, warmth: number): CountOfDay => ({ plants, ground: 500, grasses: [{ warmth, share: 1 }] }) // prettier-ignore

/** The same by plain integration over pace and density, fine steps, nothing in closed form. */
function plainPace(counts: readonly CountOfDay[], expected: number): number {
  const sigma = Math.log(1 + V.spread / 100)
  let [top, all] = [0, 0]
  const logs: { at: number; log: number }[] = []
  for (let i = -150; i <= 150; i++) {
    const z = (3 * i) / 150
    for (let d = 1; d <= 1500; d++) {
      const density = (d / 1500) * expected * 5
      let log = -0.5 * z * z + (V.prior - 1) * Math.log(density) - (V.prior / expected) * density
      for (const c of counts) {
        const up = Math.max(V.strays / 100, shareUp(c.grasses[0]!.warmth / Math.exp(sigma * z), V))
        const mean = density * c.ground * up
        log += c.plants * Math.log(mean) - mean - logGamma(c.plants + 1)
      }
      logs.push({ at: sigma * z, log })
    }
  }
  const most = logs.reduce((m, l) => Math.max(m, l.log), -Infinity)
  for (const { at, log } of logs) {
    const w = Math.exp(log - most)
    top += w * at
    all += w
  }
  return Math.exp(top / all)
}

describe('emergence by counts', () => {
  it('is the closed form of what plain integration over pace and density gives', () => {
    for (const counts of [[one(0, 0.9)], [one(120, 1)], [one(30, 0.9), one(180, 1.3)]])
      expect(paceOf(counts, 0.5, V).pace).toBeCloseTo(plainPace(counts, 0.5), 2)
  })
  it('without a tale the table stands; nothing up when half should be says later, much says sooner', () => {
    // All are up at whatever pace: the count says nothing of it.
    expect(paceOf([one(250, 9)], 0.5, V).pace).toBeCloseTo(1, 6)
    expect(paceOf([one(0, 1)], 0.5, V).pace).toBeGreaterThan(1.15)
    expect(paceOf([one(200, 0.75)], 0.5, V).pace).toBeLessThan(0.95)
    const few = paceOf([one(60, 1)], 0.5, V)
    const many = paceOf([one(60, 1), one(62, 1.02), one(180, 1.4)], 0.5, V)
    expect(many.high - many.low).toBeLessThan(few.high - few.low)
  })
  it('moves the days of the plan from the day it is counted, and shows why', () => {
    const sow = (date: string): DiaryEntry => ({ ...blankEntry('sow-tick-1', date, 'Sow'), step: 'sow/z1', stepZones: ['z1'] }) // prettier-ignore
    const count = (date: string, plants: number[]): DiaryEntry => ({ ...blankEntry(`count-${date}`, date, 'Counted'), zone: 'z1', counted: { side: 0.1, plants } }) // prettier-ignore
    const sown = '2027-02-10'
    const at = (diary: DiaryEntry[], today: string) => planOf({ zones: [zone()] }, { today, diary: [sow(sown), ...diary] }).follow.packages[0]! // prettier-ignore
    const before = at([], '2027-02-19')
    const day = addDays(sown, daysBetween(sown, String((before.up[0]!.figure.value as { low: string }).low)) + 2) // prettier-ignore
    const bare = at([count(day, [0, 0, 0, 0])], day)
    expect(before.pace).toBeNull()
    expect(Number(bare.pace!.value)).toBeGreaterThan(1.05)
    expect(String(bare.handOver!.value) > String(before.handOver!.value)).toBe(true)
    // A count of another zone, or of a day before the sowing, is no count of this one.
    const other = at([{ ...count(day, [0]), zone: 'z9' }, count('2027-02-01', [0])], day)
    expect(other.pace).toBeNull()
  })
})
