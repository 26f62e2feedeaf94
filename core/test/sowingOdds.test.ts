import { seedbedLoses } from '../src/schedule/seedbedOdds.ts'
import type { ZoneWork } from '../src/work/workTypes.ts'
import { describe, expect, it } from 'vitest'
import { CAUSES } from '../src/climate/dayReasons.ts'
import { siteClimate } from '../src/climate/siteClimate.ts'
import {
  placeSums,
  mixOdds,
  oddsOffBy,
  sowingOdds,
  oddsValues,
  type SownGrass,
} from '../src/climate/sowingOdds.ts'
import { ofMonthDay, YEAR_DAYS } from '../src/climate/yearDay.ts'
import { readJob } from '../src/entities/job.ts'
import { oddsOverHundreds, rowOdds, YEAR_SOWINGS } from '../src/present/yearOdds.ts'
import { DEFAULT_SCHOOLS } from '../src/reference/schools.ts'
import { Memo } from '../src/trace/memo.ts'
import { Trace } from '../src/trace/trace.ts'
import { declared } from './makeJob.ts'
import { climateAt } from './makePlace.ts'

const v = declared(oddsValues)
const RYE: SownGrass = {
  season: 'cool',
  thermal: { theta: 95, base: 2 },
  least: 7,
  lead: 42,
  showing: 7,
  toUse: [42, 56],
  leads: true,
}
const BLUE: SownGrass = {
  season: 'cool',
  thermal: { theta: 210, base: 5 },
  least: 10,
  lead: 56,
  showing: 18,
  toUse: [84, 112],
  leads: true,
}
const COUCH: SownGrass = {
  season: 'warm',
  thermal: { theta: 170, base: 12 },
  least: 18,
  lead: 90,
  showing: 14,
  toUse: [56, 84],
  leads: true,
}
const LAWN = { watered: true, lawn: true, standsBy: 'weeks' as const }
const { place, years } = climateAt({ latitude: 41.5, frost: '20 Oct' }, '2027-01-01')
const { sums } = years
const on = (monthDay: string, grasses: SownGrass[] = [RYE], brief = LAWN) =>
  mixOdds(place, sums, grasses, ofMonthDay(monthDay), brief, v)

/**
 * The same question asked the long way: day by day through one year of the simulation. With less
 * time before frost than is wanted it stands in a share of such years.
 */
function byHand(day: number, year: number, grass: SownGrass): { what: string; share: number } {
  const { low, high } = place.years
  const sown = year * YEAR_DAYS + day
  let warmth = 0
  let up = sown
  while (warmth < grass.thermal.theta && up - sown <= v.longest)
    warmth += Math.max(0, place.soilYears[up++]! - grass.thermal.base)
  const all = (what: string) => ({ what, share: 1 })
  if (warmth < grass.thermal.theta) return all('cold')
  let fortnight = 0
  for (let i = 0; i < 14; i++)
    fortnight += Math.max(0, place.soilYears[sown + i]! - grass.thermal.base)
  if (fortnight / 14 + grass.thermal.base < grass.least) return all('cold')
  // Its frost: the first at −2 °C after the warmest day of its season.
  const falling =
    (day - place.warmest + YEAR_DAYS) % YEAR_DAYS <
    (place.coldest - place.warmest + YEAR_DAYS) % YEAR_DAYS
  let turn = sown - ((day - place.warmest + YEAR_DAYS) % YEAR_DAYS)
  if (!falling) turn += YEAR_DAYS
  let frost = Infinity
  for (let i = turn; i < turn + YEAR_DAYS; i++) if (low[i]! <= -2) { frost = i; break } // prettier-ignore
  const begins = (grass.lead * v.begins) / 100
  const lived = Math.min(1, Math.max(0, (frost - sown - begins) / (grass.lead - begins)))
  if (up >= frost || lived === 0) return all('frost')
  let hot = 0
  for (let i = sown; i < up + 56; i++) if (high[i]! >= 32) hot++
  if (grass.season === 'cool' && hot > v.hotDaysWatered) return all('heat')
  return { what: 'stands', share: lived }
}

describe('odds of a sowing', () => {
  it('are those of a hundred years gone through day by day', () => {
    for (const [day, grass] of [
      ['08-15', RYE],
      ['09-05', RYE],
      ['09-05', BLUE],
      ['10-10', RYE],
      ['06-20', RYE],
      ['06-01', COUCH],
    ] as const) {
      const d = ofMonthDay(day)
      const odds = mixOdds(place, sums, [grass], d, { ...LAWN, lawn: false }, v)
      // Years that begin before the first warmest day have no season of their own behind them.
      const hand = Array.from({ length: 99 }, (_, k) => byHand(d, k + 1, grass))
      const count = (what: string) => hand.reduce((n, x) => n + (x.what === what ? x.share : 0), 0)
      expect(Math.abs(count('cold') - odds.fails.cold), `${day} cold`).toBeLessThanOrEqual(1)
      expect(Math.abs(count('heat') - odds.fails.heat), `${day} heat`).toBeLessThanOrEqual(1)
      // Which years of a share stand is drawn: within a few of what the shares add up to.
      const stands = count('stands')
      const off = hand.some((x) => x.share < 1) ? 6 : 1
      const lost = hand.filter((x) => x.what === 'stands').length - stands
      expect(Math.abs(stands - odds.succeed), `${day} stands`).toBeLessThanOrEqual(off)
      expect(Math.abs(count('frost') + lost - odds.fails.frost), `${day} frost`).toBeLessThanOrEqual(off) // prettier-ignore
    }
  })
  it('half the years have all their weeks at the last day; some of the others stand too, and fewer each week after', () => {
    // Six weeks before 20 October, the median.
    const whole = mixOdds(place, sums, [RYE], ofMonthDay('09-08'), LAWN, { ...v, begins: 99 })
    expect(whole.succeed).toBeGreaterThanOrEqual(42)
    expect(whole.succeed).toBeLessThanOrEqual(60)
    const days = ['08-25', '09-01', '09-08', '09-15', '09-22', '09-29']
    const odds = days.map((day) => on(day).succeed)
    expect(odds[2]).toBeGreaterThan(whole.succeed)
    expect(odds[2]).toBeLessThan(90)
    for (let i = 1; i < odds.length; i++) {
      expect(odds[i]).toBeLessThan(odds[i - 1]!)
      // No week of them is a cliff.
      expect(odds[i - 1]! - odds[i]!, days[i]).toBeLessThan(30)
    }
  })
  it('all years are told: those that stand and those that fail, by cause', () => {
    for (let day = 0; day < YEAR_DAYS; day += 9) {
      const o = mixOdds(place, sums, [RYE], day, LAWN, v)
      expect(o.succeed + Object.values(o.fails).reduce((a, b) => a + b)).toBe(o.years)
    }
  })
  it('a mix goes by its slowest, and comes by every day of the year as by one', () => {
    expect(on('09-05', [RYE, BLUE]).succeed).toBe(on('09-05', [BLUE]).succeed)
    const year = sowingOdds(place, sums, RYE, LAWN, v)
    for (const day of [10, 120, 200, 251])
      expect(year.succeed[day]).toBe(mixOdds(place, sums, [RYE], day, LAWN, v).succeed)
  })
  it('without a waterer fewer stand, never more; by warmth other years than by weeks', () => {
    let worse = 0
    for (let day = 0; day < YEAR_DAYS; day += 5) {
      const [wet, dry] = [
        mixOdds(place, sums, [RYE], day, LAWN, v).succeed,
        mixOdds(place, sums, [RYE], day, { ...LAWN, watered: false }, v).succeed,
      ]
      expect(dry).toBeLessThanOrEqual(wet)
      if (dry < wet) worse++
    }
    expect(worse).toBeGreaterThan(5)
    expect(on('09-12', [RYE], { ...LAWN, standsBy: 'degree-days' as never }).succeed).not.toBe(
      on('09-12').succeed,
    )
  })
  it('of spring sowings weeds spoil the share the rule names; a cover is none of theirs', () => {
    const lawn = on('05-01')
    // Whole years are told: the share is right to one of them.
    const share = (v.weeds / 100) * (lawn.succeed + lawn.fails.weeds)
    expect(Math.abs(lawn.fails.weeds - share)).toBeLessThanOrEqual(1)
    expect(on('05-01', [RYE], { ...LAWN, lawn: false }).fails.weeds).toBe(0)
    expect(on('09-01').fails.weeds).toBe(0)
  })
  // The days to use of the table are those of good warmth; what comes up later is later by as much.
  it('of the years that succeed, those count in time that are ready by the customer’s date: none before the soonest, all after the latest, by the grass that leads', () => {
    const d = ofMonthDay('09-01')
    const within = (days: number, grasses = [BLUE]) =>
      mixOdds(place, sums, grasses, d, { ...LAWN, within: days }, v)
    const up = (year: number) => {
      let [sum, day] = [0, year * YEAR_DAYS + d]
      for (; sum < BLUE.thermal.theta; day++)
        sum += Math.max(0, place.soilYears[day]! - BLUE.thermal.base)
      return day - (year * YEAR_DAYS + d)
    }
    const ups = Array.from({ length: 99 }, (_, y) => up(y + 1)).sort((a, b) => a - b)
    const late = (days: number) => Math.max(0, Math.floor(days - BLUE.showing))
    expect(within(BLUE.toUse[0] + late(ups[0]!) - 1).inTime).toBe(0)
    const all = within(BLUE.toUse[1] + late(ups[98]!) + 1)
    expect(all.inTime).toBe(all.succeed)
    const half = within((BLUE.toUse[0] + BLUE.toUse[1]) / 2 + late(ups[49]!))
    expect(half.inTime / half.succeed).toBeGreaterThan(0.4)
    expect(half.inTime / half.succeed).toBeLessThan(0.6)
    const slow = { ...BLUE, leads: false }
    const mixed = within(60, [RYE, slow])
    expect(mixed.inTime).toBe(mixed.succeed)
    expect(within(60, [RYE, BLUE]).inTime).toBe(0)
  })
  it('rye for winter green may stand a shorter time before frost than a lawn', () => {
    const late = on('09-20').succeed
    const green = on('09-20', [RYE], { ...LAWN, lawn: false, lead: 21 } as never).succeed
    expect(green).toBeGreaterThan(late)
  })
  it('where it never freezes nothing fails by frost', () => {
    const warm = climateAt({ latitude: 25, sea: '2 km' }, '2027-01-01')
    for (let day = 0; day < YEAR_DAYS; day += 30)
      expect(mixOdds(warm.place, warm.years.sums, [COUCH], day, LAWN, v).fails.frost).toBe(0)
    expect(placeSums(warm.place, v, 32).frosts.filter((f) => f < Infinity)).toEqual([])
  })
})

describe('odds over many hundreds of years', () => {
  const site = { latitude: 41.5, frost: '20 Oct' }
  const { job } = readJob({ name: 'place', site })
  const climateOf = (hundred: number, trace: Trace) =>
    siteClimate({
      job: job!,
      today: '2027-01-01',
      schools: DEFAULT_SCHOOLS,
      station: null,
      recent: [],
      memo: new Memo(),
      trace,
      hundred,
    })
  const runs = [...oddsOverHundreds(climateOf, 3, 0, DEFAULT_SCHOOLS, () => new Trace())]
  const alone = (hundred: number) => {
    const trace = new Trace()
    return rowOdds(YEAR_SOWINGS[0]!, climateOf(hundred, trace), 0, DEFAULT_SCHOOLS, trace)!
  }

  it('begin with the hundred that plans go by', () => {
    expect(runs[0]!.rye).toEqual(alone(0))
  })
  it('count every year once: the mean of hundreds that differ', () => {
    const each = [0, 1, 2].map(alone)
    expect(each[1]!.succeed).not.toEqual(each[0]!.succeed)
    for (const day of [60, 130, 240, 250, 300]) {
      expect(runs[2]!.rye!.succeed[day]).toBeCloseTo(
        (each[0]!.succeed[day]! + each[1]!.succeed[day]! + each[2]!.succeed[day]!) / 3,
        4,
      )
      const fails = CAUSES.reduce((sum, c) => sum + runs[2]!.rye!.fails[c][day]!, 0)
      expect(runs[2]!.rye!.succeed[day]! + fails).toBeCloseTo(100, 3)
    }
    expect(runs[2]!.rye!.years).toBe(300)
  })
  it('may be off by what a count of so many may', () => {
    // 1.96 × √(0.5 × 0.5 ÷ 100) is 9.8 in a hundred; a thousand years narrow it by √10.
    expect(oddsOffBy(50, 100)).toBeCloseTo(9.8, 6)
    expect(oddsOffBy(50, 1000)).toBeCloseTo(9.8 / Math.sqrt(10), 6)
    expect(oddsOffBy(100, 100)).toBe(0)
  })
})

describe('what the bed loses of the sowings that would succeed', () => {
  const bed = (slope: number, ...operations: string[]) => unfed(slope, 'feed', ...operations)
  const unfed = (slope: number, ...operations: string[]) =>
    seedbedLoses(
      [
        {
          sowing: 'over',
          r: { slope: { value: slope } },
          operations: operations.map((operation) => ({ operation })),
        } as unknown as ZoneWork,
      ],
      new Trace(),
    )
  it('is nothing where blades and tines both open it, all where nothing does, in between by the seed that becomes plants', () => {
    expect([bed(0, 'scarify', 'core'), bed(0, 'firm'), bed(0, 'roughen', 'work-in')]).toEqual([0, 0, 0]) // prettier-ignore
    expect(bed(0)).toBeCloseTo(30, 9)
    // 45 of 100 become plants, of the 50 of both: 5 of the 35 that thrown seed falls short by.
    for (const alone of ['scarify', 'core', 'rake', 'roughen', 'loosen'])
      expect(bed(0, alone)).toBeCloseTo((30 * 5) / 35, 9)
    expect(bed(0, 'dress')).toBeCloseTo((30 * 20) / 35, 9)
  })
  it('adds what a slope loses, less under a cover', () => {
    expect(bed(10, 'scarify', 'core')).toBe(12)
    expect(bed(9.9, 'scarify', 'core')).toBe(0)
    expect(bed(10, 'scarify', 'core', 'cover')).toBe(0)
    expect([bed(20, 'firm'), bed(20, 'firm', 'cover')].map((x) => Math.round(x))).toEqual([30, 6])
    expect(bed(20)).toBeCloseTo(100 - 70 * 0.7, 9)
  })
  it('is four in a hundred more of those that get no feed, and nothing where it is held until they are mown', () => {
    expect(unfed(0, 'scarify', 'core')).toBeCloseTo(4, 9)
    expect(unfed(10, 'scarify', 'core')).toBeCloseTo(100 - 88 * 0.96, 9)
    expect(unfed(0, 'scarify', 'core', 'feed-later')).toBe(0)
  })
})
