import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { addDays, daysBetween } from '../src/calendar/day.ts'
import { GRASSES, GRASS_IDS, type GrassId } from '../src/reference/grasses.ts'
import { TEXTURES } from '../src/reference/lists.ts'
import { emergence, emergenceValues } from '../src/establish/emergence.ts'
import { growthPotential, growthValues } from '../src/climate/growth.ts'
import { mowBand } from '../src/establish/firstMow.ts'
import {
  dayIsFree,
  freeTimes,
  readRestriction,
  restrictionSaid,
} from '../src/establish/restrictions.ts'
import { doseValues, slopeIntake, WATERING_TIMES, waterRules } from '../src/establish/waterRules.ts'
import { declared, planOf, SOUTH, valueOf, zone } from './makeJob.ts'

const SOWN = '2027-03-01'
const steady = (celsius: number, days = 300) => new Float64Array(days).fill(celsius)
const up = (grass: GrassId, sown: string, soil: Float64Array) =>
  emergence(GRASSES[grass]!, sown, { soil, start: SOWN }, declared(emergenceValues))
const potential = (celsius: number, season: 'cool' | 'warm') =>
  growthPotential(celsius, season, declared(growthValues))
const mown = (
  height: number,
  celsius: number,
  sward: { sown: string; leaf: number } | null = null,
) =>
  mowBand(
    UP,
    { height, season: 'cool', soil: steady(celsius), start: SOWN, sward },
    declared(growthValues),
  )
const UP = { first: '2027-03-07', half: '2027-03-09', last: '2027-03-13' }
const multiplier = (school: 'full' | 'milder', uniformity: number) =>
  Number(waterRules[school].compute({ need: 1, rate: 60, uniformity }, {}))

describe('emergence', () => {
  it.each([
    // θ ÷ (T − base) days to half, at 20 °C: rye 95 ÷ 18 = 5.3, bluegrass 210 ÷ 15 = 14, red fescue
    // 165 ÷ 17 = 9.7, bermuda 170 ÷ 8 = 21.3.
    ['perennial-ryegrass', 6],
    ['kentucky-bluegrass', 14],
    ['creeping-red-fescue', 10],
    ['bermudagrass', 22],
  ] as const)('%s is half up on day %i in steady soil at 20 °C', (grass, day) => {
    expect(daysBetween(SOWN, up(grass, SOWN, steady(20))!.half)).toBe(day)
  })
  it('is never quicker in colder soil, and comes in order: a tenth, half, the last', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...GRASS_IDS.filter((g) => GRASSES[g]!.thermal)),
        fc.double({ min: 22, max: 28, noNaN: true }),
        fc.double({ min: 0.1, max: 6, noNaN: true }),
        (grass, warm, less) => {
          const quick = up(grass, SOWN, steady(warm))!
          const slow = up(grass, SOWN, steady(warm - less))
          return (
            quick.first <= quick.half &&
            quick.half <= quick.last &&
            (slow === null || slow.half >= quick.half)
          )
        },
      ),
    )
  })
  it('a day’s shift of sowing in steady soil shifts everything a day', () => {
    const soil = steady(17)
    const one = up('hard-fescue', SOWN, soil)!
    const two = up('hard-fescue', addDays(SOWN, 1), soil)!
    expect([two.first, two.half, two.last]).toEqual(
      [one.first, one.half, one.last].map((d) => addDays(d, 1)),
    )
  })
  it('the table’s days hold the model’s days in good soil, all but the extremes (the model’s own fit, ±15 %)', () => {
    for (const id of GRASS_IDS) {
      const g = GRASSES[id]!
      if (!g.thermal || !g.days) continue
      const good = (g.soilGood[0] + g.soilGood[1]) / 2
      const half = daysBetween(SOWN, up(id, SOWN, steady(good))!.half)
      expect(half, id).toBeGreaterThanOrEqual(Math.floor(g.days[0] * 0.85))
      expect(half, id).toBeLessThanOrEqual(Math.ceil(g.days[1] * 1.15))
    }
  })
})

describe('first mow', () => {
  it('comes sooner in growing weather and for a lower height, on new ground and on a sward', () => {
    const high = (...of: Parameters<typeof mown>) => mown(...of).high
    expect(high(45, 20) < high(45, 12)).toBe(true)
    expect(high(30, 18) < high(60, 18)).toBe(true)
    expect(high(45, 18, { sown: SOWN, leaf: 20 }) < high(45, 18)).toBe(true)
  })
  it('never lies before seedlings show, however long the sward stands', () => {
    expect(mown(30, 20, { sown: SOWN, leaf: 29 }).low >= UP.first).toBe(true)
  })
  it('growth potential is 1 at the optimum and falls off evenly on both sides', () => {
    expect([potential(20, 'cool'), potential(31, 'warm')]).toEqual([1, 1])
    expect(potential(14, 'cool')).toBeCloseTo(potential(26, 'cool'), 12)
  })
})

describe('watering', () => {
  it('the schools differ in runs and in what each lays down; the day’s water is their product', () => {
    for (const school of ['little-often', 'once-a-day', 'day-dusk'] as const) {
      const plan = planOf({
        zones: [zone({ area: 100, uniformity: 1 })],
        schools: { watering: school },
      })
      const [times, dose] = [WATERING_TIMES[school], doseValues[school].is]
      expect(plan.follow.water!.times).toEqual(times)
      expect(valueOf(plan, 'job.water.daily'), school).toBeCloseTo(100 * dose * times.length, 8)
      expect(plan.figures['job.water.dose']!.school).toBe(`watering:${school}`)
    }
  })
  it('both allowances give nothing extra to perfect sprinklers, and the milder is always the milder', () => {
    expect([multiplier('full', 1), multiplier('milder', 1)]).toEqual([1, 1])
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 0.99, noNaN: true }),
        (du) => multiplier('milder', du) < multiplier('full', du),
      ),
    )
  })
  it.each([
    [0, 1],
    [4.9, 1],
    [5, 0.8],
    [8, 0.8],
    [12, 0.6],
    [20, 0.4],
    [21, 0.25],
  ])(
    'at %i %% of slope soil takes in %f of its flat intake (irrigation handbooks, from memory)',
    (slope, share) => expect(slopeIntake(slope)).toBe(share),
  )
  it('finer soil never takes fewer runs', () => {
    const cycles = TEXTURES.map(
      (texture) =>
        planOf({ zones: [zone({ texture, precipitation: 15 })] }).follow.water!.zones[0]!.parts
          .settled,
    )
    expect(cycles).toEqual([...cycles].sort((a, b) => a - b))
    expect(cycles[0]).toBe(1)
    expect(cycles.at(-1)).toBeGreaterThan(3)
  })
  it('litres are what falls: millimetres on square metres, whatever the tap, the rate and the unevenness', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 40, max: 2000, noNaN: true }),
        fc.double({ min: 2, max: 40, noNaN: true }),
        fc.double({ min: 0.3, max: 1, noNaN: true }),
        (area, precipitation, uniformity) => {
          const plan = planOf({ zones: [zone({ area, precipitation, uniformity })] })
          return (
            Math.abs(
              valueOf(plan, 'zone:z1.water.litres') /
                (area * 2 * multiplier('milder', uniformity)) -
                1,
            ) < 1e-9
          )
        },
      ),
      { numRuns: 30 },
    )
  })
  it('stations share a zone: each draws its part of the water, and the whole tap goes to one of them at a time', () => {
    const green = (change: object, site = {}) =>
      planOf({ zones: [zone({ area: 400, ...change })], site: { ...SOUTH, tapFlow: 20, ...site } })
    const said = (plan: ReturnType<typeof green>, id: string) =>
      plan.notices.find((n) => n.id === id)?.says ?? ''
    // 12 mm/h on 400 m² is 80 L/min, four times what the tap gives.
    expect(said(green({ precipitation: 12 }), 'zone:z1.tap')).toContain('Split it into 4 stations')
    expect(said(green({ precipitation: 12, stations: 3 }), 'zone:z1.tap')).toContain(
      'one of 3 stations',
    )
    expect(said(green({ precipitation: 12, stations: 4 }), 'zone:z1.tap')).toBe('')
    // The tap over a quarter of the zone at a time falls four times as fast, on a quarter of the
    // ground: the litres are the same.
    const [whole, split] = [
      green({ precipitation: null }),
      green({ precipitation: null, stations: 4 }),
    ]
    expect(valueOf(split, 'zone:z1.water.pr')).toBeCloseTo(
      4 * valueOf(whole, 'zone:z1.water.pr'),
      9,
    )
    expect(valueOf(split, 'zone:z1.water.litres')).toBeCloseTo(
      valueOf(whole, 'zone:z1.water.litres'),
      9,
    )
    const slow = green({ precipitation: 6, stations: 6 }, { waterMinutes: '3 h' })
    expect(said(slow, 'zone:z1.water.clock')).toContain(
      `${Math.round(valueOf(slow, 'zone:z1.water.minutes') * 6 * 3)} min a day`,
    )
  })
  it('without a rate the tap is the rate; without a tap a usual one is assumed, and says so', () => {
    const tap = planOf({
      zones: [zone({ area: 120, precipitation: null })],
      site: { ...SOUTH, tapFlow: 20 },
    })
    expect(valueOf(tap, 'zone:z1.water.pr')).toBeCloseTo(10, 10)
    expect(
      planOf({ zones: [zone({ precipitation: null })] }).figures['zone:z1.water.pr']!.standing,
    ).toBe('assumed')
  })
  it('a job nobody is named to water is warned of', () => {
    expect(planOf({ waterer: '' }).notices.some((n) => n.id === 'water.who')).toBe(true)
    expect(planOf().notices.some((n) => n.id === 'water.who')).toBe(false)
  })
})

describe('a restriction on watering, as a person writes it', () => {
  const read = (text: string) => {
    const r = readRestriction(text)
    return [restrictionSaid(r), r.left]
  }
  it('hours, days and hoses are understood, whichever way round they are written', () => {
    for (const [text, says] of [
      ['no hoses 10–16', 'no water 10:00 to 16:00'],
      ['No watering between 10am and 4pm', 'no water 10:00 to 16:00'],
      ['no watering noon to 6pm', 'no water 12:00 to 18:00'],
      ['only allowed 8 pm to 8 am', 'no water 08:00 to 20:00'],
      ['6 to 9 am only', 'no water 09:00 to 06:00'],
      ['not after 9', 'no water 09:00 to 24:00'],
      ['no daytime watering', 'no water 10:00 to 17:00'],
      ['only Mon-Wed', 'Mon, Tue, Wed only'],
      ['not on Sundays', 'not on Sun'],
      ['odd days, before 9 only', 'no water 09:00 to 24:00; odd days only'],
      ['Tue/Thu/Sat, before 10 am', 'no water 10:00 to 24:00; Tue, Thu, Sat only'],
      ['twice a week', '2 days a week'],
      ['hosepipe ban', 'no hose or sprinkler: by can'],
      ['no sprinklers: a hose held by hand only', 'no sprinkler: by a hose held by hand'],
      ['none', ''],
      ['', ''],
    ])
      expect([text, read(text!)]).toEqual([text, [says, '']])
  })
  it('what could mean two things is asked about, and not guessed at', () => {
    for (const text of ['10–16', 'ask bob', 'no water from 10 until 18 on weekdays'])
      expect(read(text)).toEqual(['', text])
    const { notices } = planOf({ site: { ...SOUTH, restrictions: 'ask Bob' } })
    expect(notices.find((n) => n.id === 'water.restricted-left')).toBeDefined()
  })
  it('for any hours and days, no run is planned in them', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 23 }), fc.integer({ min: 1, max: 24 }), (from, to) => {
        fc.pre(from < to)
        const times = freeTimes(['10:00', '13:00', '16:00'], readRestriction(`no water ${from}-${to}`)) // prettier-ignore
        const hours = times.map((t) => Number(t.slice(0, 2)) + Number(t.slice(3)) / 60)
        expect(hours.every((h) => h < from || h >= to)).toBe(true)
        expect(hours.every((h, i) => i === 0 || h - hours[i - 1]! >= 2)).toBe(true)
      }),
    )
    const only = readRestriction('only Mon and Thu')
    expect(['2027-03-01', '2027-03-02', '2027-03-04'].map((d) => dayIsFree(only, d))).toEqual([true, false, true]) // prettier-ignore
    const odd = readRestriction('even days')
    expect(['2027-03-01', '2027-03-02'].map((d) => dayIsFree(odd, d))).toEqual([false, true])
  })
  it('the programme obeys it, and says what that costs the seed', () => {
    const plan = planOf({ site: { ...SOUTH, restrictions: 'no hoses 10–16; Mon, Thu only' } })
    expect(plan.follow.water).toMatchObject({ times: ['09:30', '16:00', '18:00'], days: { weekdays: [1, 4] } }) // prettier-ignore
    const said = plan.notices.filter((n) => n.id.startsWith('water.restricted')).map((n) => n.id)
    expect(said.sort()).toEqual(['water.restricted-days', 'water.restricted-hours'])
    const none = planOf({ site: { ...SOUTH, restrictions: 'no water 0-24' } })
    expect(none.follow.water!.times).toEqual([])
    expect(none.notices.find((n) => n.id === 'water.restricted-none')!.level).toBe('hold')
  })
})
