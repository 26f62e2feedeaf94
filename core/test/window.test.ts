import fc from 'fast-check'
import { careRules } from '../src/climate/careWindow.ts'
import { describe, expect, it } from 'vitest'
import { blankEntry } from '../src/entities/diary.ts'
import { dayNumber, dayOf, daysBetween, showMonthDay } from '../src/calendar/day.ts'
import { frostValues, oneInTen } from '../src/climate/frost.ts'
import { leadOf, leadValues, mixLead } from '../src/climate/sowingLines.ts'
import { lastDayToSow } from '../src/climate/sowingWindow.ts'
import { monthDayOf } from '../src/climate/yearDay.ts'
import type { JobDraft } from '../src/entities/job.ts'
import { GRASSES, type GrassId } from '../src/reference/grasses.ts'
import { Trace } from '../src/trace/trace.ts'
import { pinKeys } from '../src/schedule/stepRecords.ts'
import { planOf, SOUTH, step, zone, valueOf } from './makeJob.ts'
import { climateAt, windowAt, type SiteDraft } from './makePlace.ts'

const trace = new Trace()
const cutOff = (
  frost: string,
  today: string,
  grass: GrassId = 'perennial-ryegrass',
  school: 'even-odds' | 'safe' = 'even-odds',
  latitude = -44.2,
) =>
  lastDayToSow(
    leadOf(GRASSES[grass]!),
    climateAt({ latitude, frost }, today, { cutOff: school }),
    today,
    school,
    trace,
  )

describe('killing frost less six weeks closes the cool-season window (common practice)', () => {
  it('in an ordinary year: 25 April gives 14 March, bluegrass 28 February', () => {
    expect(cutOff('25 Apr', '2027-02-22')).toBe('2027-03-14')
    expect(cutOff('25 Apr', '2027-02-22', 'kentucky-bluegrass')).toBe('2027-02-28')
  })
  it('across a leap day and across a year end', () => {
    // 10 April 2028 less 42 days passes 29 February 2028; in 2027 it does not.
    expect(cutOff('10 Apr', '2028-02-15')).toBe('2028-02-28')
    expect(cutOff('10 Apr', '2027-02-15')).toBe('2027-02-27')
    expect(cutOff('20 Jan', '2027-11-01', 'perennial-ryegrass', 'even-odds', 32)).toBe('2027-12-09')
  })
  it('belongs to one season until the coldest day: the day after the frost it has passed, and does not jump a year', () => {
    expect(['2027-03-20', '2027-04-26', '2027-06-20'].map((day) => cutOff('25 Apr', day))).toEqual(
      Array(3).fill('2027-03-14'),
    )
    expect(cutOff('25 Apr', '2027-09-01')).toBe('2028-03-14')
  })
  it('the safe school counts from the date one year in ten has frozen by', () => {
    expect(oneInTen('2027-04-25', frostValues.spread.is)).toBe('2027-04-06')
    expect(cutOff('25 Apr', '2027-02-22', 'perennial-ryegrass', 'safe')).toBe('2027-02-23')
  })
  it('warm grasses end 90 days before, a nurse at the frost, and a mix with its slowest wanted grass', () => {
    const days = (grass: GrassId) => leadValues[leadOf(GRASSES[grass]!)].is
    expect([
      days('bermudagrass'),
      days('annual-ryegrass'),
      days('kentucky-bluegrass'),
      days('tall-fescue'),
    ]).toEqual([90, 0, 56, 42])
    const mix = (share: number) =>
      mixLead(
        [
          { grass: 'perennial-ryegrass', share: 100 - share },
          { grass: 'kentucky-bluegrass', share },
        ],
        trace,
      )
    expect([mix(30), mix(10), mix(9)]).toEqual(['bluegrass', 'bluegrass', 'cool'])
  })
})

/** A year of a window as its spans: the first day of each, its state's first letter, and why. */
const yearOf = (
  site: SiteDraft,
  grass: GrassId,
  about: Parameters<typeof windowAt>[3] = {},
): string[] => {
  const w = windowAt(site, '2027-01-01', grass, about)
  return w.states.slice(0, 365).flatMap((state, i) => {
    const says = `${state} ${w.reasons[i]}`
    return i > 0 && says === `${w.states[i - 1]} ${w.reasons[i - 1]}`
      ? []
      : [`${monthDayOf(i)} ${says}`]
  })
}
const stateOn = (
  site: SiteDraft,
  monthDay: string,
  grass: GrassId,
  about: Parameters<typeof windowAt>[3] = {},
) => {
  const w = windowAt(site, '2027-01-01', grass, about)
  const i = dayNumber(`2027-${monthDay}`) - dayNumber('2027-01-01')
  return `${w.states[i]} ${w.reasons[i]}`
}

/**
 * Twelve invented places. Each line: the place, the grass, a day, what it is, and why a
 * practitioner would say so (common practice, and Juvena's rough climate: the days lie well inside
 * their spans).
 */
const COLD_INLAND = { latitude: 45, frost: '5 Oct', sea: '1500 km' }
const MARITIME = { latitude: 52, sea: '5 km' }
const PRAIRIE = { latitude: 41.5, frost: '20 Oct', sea: '600 km' }
const TRANSITION = { latitude: 38.5, frost: '25 Oct' }
const HOT = { latitude: 33, frost: '1 Dec' }
const NO_FROST = { latitude: 25 }
const FAR_NORTH = { latitude: 60, sea: '20 km' }
const HIGH = { latitude: 46, elevation: '3500 m' }
const LAKES = { latitude: -44.2, frost: '25 Apr' }
const SOUTH_COAST = { latitude: -41, sea: '3 km' }
const MILD_COAST = { latitude: -34, sea: '5 km' }
const SOUTH_INLAND = { latitude: -36, frost: '25 May', sea: '300 km' }
const RYE = 'perennial-ryegrass'
const BLUE = 'kentucky-bluegrass'
const COUCH = 'bermudagrass'
const PLACES: readonly (readonly [string, SiteDraft, GrassId, string, string, string])[] = [
  ['cold inland', COLD_INLAND, RYE, '02-15', 'shut winter', 'frozen ground'],
  ['cold inland', COLD_INLAND, RYE, '07-10', 'shut heat-ahead', 'high summer with days of 30 °C'],
  [
    'cold inland',
    COLD_INLAND,
    RYE,
    '08-15',
    'marginal squeezed',
    'warm still, and frost six weeks on: there are no other weeks',
  ],
  ['cold inland', COLD_INLAND, RYE, '09-20', 'shut frost', 'two weeks before killing frost'],
  ['maritime', MARITIME, RYE, '05-25', 'marginal spring', 'soil over 10 °C and rising'],
  ['maritime', MARITIME, RYE, '07-15', 'marginal summer', 'cool summer, with water'],
  ['maritime', MARITIME, RYE, '09-10', 'open good', 'the autumn sowing'],
  ['far north', FAR_NORTH, COUCH, '07-15', 'shut never', 'the soil never stays at 18 °C'],
  ['prairie', PRAIRIE, BLUE, '08-30', 'shut frost', 'bluegrass wants eight weeks'],
  ['prairie', PRAIRIE, RYE, '08-30', 'marginal squeezed', 'rye has two weeks more'],
  [
    'transition',
    TRANSITION,
    RYE,
    '05-25',
    'shut heat-ahead',
    'up in a week, and five weeks later it is hot',
  ],
  [
    'transition',
    TRANSITION,
    RYE,
    '09-05',
    'marginal warm',
    'soil over 22 °C still: it comes up, and wants water in the warmth',
  ],
  ['transition', TRANSITION, COUCH, '06-30', 'open good', 'soil 21 °C and days of 27 °C'],
  ['hot', HOT, RYE, '08-15', 'shut heat', 'days of 32 °C'],
  ['hot', HOT, RYE, '10-14', 'open good', 'autumn comes late'],
  ['hot', HOT, COUCH, '06-20', 'open good', 'early summer'],
  ['hot', HOT, COUCH, '10-01', 'shut frost', 'sixty days before frost'],
  ['no frost', NO_FROST, RYE, '12-10', 'open good', 'winter is its season there'],
  ['no frost', NO_FROST, COUCH, '06-20', 'open good', 'no frost ends it'],
  ['far north', FAR_NORTH, RYE, '08-28', 'open good', 'late August'],
  ['far north', FAR_NORTH, BLUE, '08-28', 'shut frost', 'eight weeks before frost has passed'],
  ['high valley', HIGH, RYE, '07-20', 'shut cold', 'frost in every month, cold soil'],
  ['lakes', LAKES, RYE, '03-05', 'open good', 'late summer, cooling'],
  ['lakes', LAKES, RYE, '03-20', 'shut frost', 'past 14 March'],
  ['lakes', LAKES, RYE, '12-01', 'marginal spring', 'late spring'],
  ['south coast', SOUTH_COAST, RYE, '10-15', 'marginal spring', 'soil over 10 °C and rising'],
  ['south coast', SOUTH_COAST, RYE, '04-15', 'open good', 'a long mild autumn'],
  ['mild coast', MILD_COAST, RYE, '07-01', 'open good', 'no frost, cool soil'],
  ['south inland', SOUTH_INLAND, RYE, '10-25', 'shut heat-ahead', 'heat before it stands'],
  ['south inland', SOUTH_INLAND, RYE, '04-05', 'open good', 'the autumn sowing'],
  ['south inland', SOUTH_INLAND, COUCH, '12-10', 'open good', 'early summer'],
]

describe('windows of twelve invented places', () => {
  it.each(PLACES)(
    '%s, %#: as a practitioner there would say',
    (_name, site, grass, day, expected) => {
      expect(stateOn(site, day, grass)).toBe(expected)
    },
  )
  it('a quick cover outlasts the cut-off while soil is warm enough, and ends in winter', () => {
    expect(stateOn(LAKES, '04-28', 'annual-ryegrass', { purpose: 'cover' })).toBe(
      'marginal after-frosts',
    )
    expect(stateOn(LAKES, '07-15', 'annual-ryegrass', { purpose: 'cover' })).toBe('shut winter')
  })
  it('quick grass over a living sward is marginal for two weeks after its last day; slow grass and bare ground are not', () => {
    const on = (day: string, grass: GrassId, over: boolean) => stateOn(LAKES, day, grass, { over })
    expect([on('03-14', RYE, true), on('03-28', RYE, true), on('03-29', RYE, true)]).toEqual([
      'open good',
      'marginal past-rule',
      'shut frost',
    ])
    expect([on('03-20', RYE, false), on('03-20', 'kentucky-bluegrass', true)]).toEqual([
      'shut frost',
      'shut frost',
    ])
  })
  it('winter green waits for cool nights, whatever turf stands there', () => {
    const green = (day: string) => stateOn(HOT, day, RYE, { purpose: 'winter-green' })
    expect([green('08-01'), green('10-20'), green('11-25')]).toEqual([
      'shut nights',
      'open good',
      'shut frost',
    ])
  })
  it('winter green is sown on or before the last day shown, which counts its own lead', () => {
    const plan = planOf(
      {
        site: { latitude: 32, frost: '18 Nov' },
        zones: [zone({ present: ['bermudagrass'], sowing: 'winter-green' })],
      },
      { today: '2026-01-25' },
    )
    const [pack] = plan.packages
    const sow = step(plan, 'sow')!
    expect(pack!.cutOff).toEqual(expect.objectContaining({ value: '2026-10-28' }))
    expect(plan.figures[pack!.cutOff.id]!.rule).toBe('window.winter-green-cut-off')
    expect(
      sow.chosen <= String(pack!.cutOff.value),
      `${sow.chosen} after ${pack!.cutOff.value}`,
    ).toBe(true)
  })
  it('schools: after the first frosts, dormant, by warmth, early warm grass', () => {
    expect(stateOn(MARITIME, '10-20', RYE, { schools: { late: 'after-frosts' } })).toBe(
      'marginal after-frosts',
    )
    expect(stateOn(LAKES, '07-22', 'chewings-fescue', { schools: { late: 'dormant' } })).toBe(
      'marginal dormant',
    )
    expect(stateOn(LAKES, '07-22', RYE, { schools: { late: 'dormant' } })).toBe('shut winter')
    expect(stateOn(TRANSITION, '05-25', COUCH)).toBe('marginal cool-days')
    expect(stateOn(TRANSITION, '05-25', COUCH, { schools: { warm: 'early' } })).toBe(
      'open cool-days',
    )
    // 250 °C·d over 5 °C after it is up, at a mean of about 12 °C, are five weeks and a few days to
    // come up: about the six weeks of the rule.
    const byWarmth = windowAt(LAKES, '2027-02-22', RYE, {
      schools: { stands: 'degree-days' },
    }).cutOff
    expect(byWarmth >= '2027-03-10' && byWarmth <= '2027-03-20', byWarmth).toBe(true)
  })
  it('without a waterer high summer and warm days are shut, not marginal', () => {
    expect(stateOn(MARITIME, '07-15', RYE, { watered: false })).toBe('shut summer-dry')
  })
  it('half a year apart, north and south have the same windows', () => {
    const mirrored = (latitude: number, frost: string) =>
      yearOf({ latitude, frost, sea: '50 km', soilTemperature: null }, RYE).map((line) =>
        line.slice(6),
      )
    const rotate = (lines: string[]) => [...new Set(lines)].sort()
    expect(rotate(mirrored(-44, '25 Apr'))).toEqual(rotate(mirrored(44, '25 Oct')))
  })
})

const place = fc.record({
  latitude: fc.double({ min: 25, max: 60, noNaN: true }).chain((lat) => fc.constantFrom(lat, -lat)),
  sea: fc.integer({ min: 0, max: 1500 }),
  elevation: fc.integer({ min: 0, max: 1500 }),
  frosty: fc.option(fc.integer({ min: -40, max: 40 })),
})
const siteOf = ({
  latitude,
  sea,
  elevation,
  frosty,
}: {
  latitude: number
  sea: number
  elevation: number
  frosty: number | null
}): SiteDraft => ({
  latitude,
  sea: `${sea} km`,
  elevation: `${elevation} m`,
  frost:
    frosty === null
      ? null
      : showMonthDay(
          monthDayOf(
            290 + (latitude < 0 ? -182 : 0) + Math.round((50 - Math.abs(latitude)) * 2.6) + frosty,
          ),
        ),
})

describe('laws of the window, for random places', () => {
  it('cool grass is never open on a day whose usual maximum is 32 °C, nor in the month before one', () => {
    fc.assert(
      fc.property(place, (p) => {
        const today = '2027-01-01'
        const { high } = climateAt(siteOf(p), today).place
        const w = windowAt(siteOf(p), today, RYE)
        w.states.slice(0, 365).forEach((state, d) => {
          if (state !== 'open') return
          for (const ahead of [0, 15, 30])
            expect(high[(d + ahead) % 365]!, `${d} ${JSON.stringify(p)}`).toBeLessThan(32)
        })
      }),
      { numRuns: 60 },
    )
  })
  it('every shut or marginal day has a reason of its own, and every season with an open day a last one', () => {
    fc.assert(
      fc.property(
        place,
        fc.constantFrom<GrassId>(RYE, BLUE, COUCH, 'chewings-fescue', 'zoysia'),
        (p, grass) => {
          const w = windowAt(siteOf(p), '2027-01-01', grass)
          expect([w.states.length, w.reasons.length, w.seasons.length]).toEqual([560, 560, 560])
          w.states.forEach((state, i) =>
            expect(state === 'shut' && w.reasons[i] === 'good', `${i}`).toBe(false),
          )
        },
      ),
      { numRuns: 40 },
    )
  })
})

describe('no season is passed over in silence', () => {
  it('for random places, days and lawns: what is sown more than 200 days on, or in another year, is said first', () => {
    fc.assert(
      fc.property(
        place,
        fc.integer({ min: 0, max: 364 }),
        fc.record({
          incurable: fc.constantFrom(0, 60),
          wanted: fc.constantFrom(10, 55, 85),
          warm: fc.boolean(),
          season: fc.constantFrom('as-it-comes', 'autumn'),
          waits: fc.boolean(),
        }),
        (p, after, { incurable, wanted, warm, season, waits }) => {
          const today = dayOf(dayNumber('2027-01-01') + after)
          const lawn = zone({
            incurable,
            cover: { wanted, weeds: 95 - wanted, moss: 0, bare: 5 },
            present: [warm ? COUCH : RYE],
            sunHours: 9,
          })
          const treatments = waits ? [{ id: 't1', kind: 'broadleaf', date: today }] : []
          const plan = planOf(
            {
              site: siteOf(p),
              zones: [lawn],
              schools: { season },
              treatments: treatments as JobDraft['treatments'],
            },
            { today },
          )
          for (const pack of plan.packages.filter((k) => k.choices.length > 0 || !k.fits)) {
            const sown = pack.sowDay
            if (dayNumber(sown) - dayNumber(today) <= 200 && sown.slice(0, 4) === today.slice(0, 4))
              continue
            const first = plan.notices.filter(
              (n) => n.id === `package:${pack.id}.fits` || n.id === `package:${pack.id}.season`,
            )
            expect(first.length, `${today} ${sown} ${JSON.stringify(p)}`).toBeGreaterThan(0)
            expect(plan.notices.indexOf(first[0]!)).toBeLessThan(plan.packages.length)
          }
        },
      ),
      { numRuns: 120 },
    )
  }, 240_000)
})

describe('seed that lies dormant', () => {
  it('takes a quarter more, on its own line, and only where it is sown to lie until spring', () => {
    const lawn = zone({
      present: ['chewings-fescue'],
      cover: { wanted: 55, weeds: 0, moss: 0, bare: 45 },
    })
    const sown = (late: 'dormant' | 'stop') =>
      planOf(
        { site: { latitude: 47, frost: '14 Oct' }, zones: [lawn], schools: { late } },
        { today: '2026-11-10' },
      )
    const dormant = sown('dormant')
    const line = dormant.materials.find((m) => m.id === 'seed.dormant')
    expect(dormant.packages[0]!.sowDay < '2027-03-01', dormant.packages[0]!.sowDay).toBe(true)
    expect(valueOf(dormant, line!.total)).toBeCloseTo(valueOf(dormant, 'zone:z1.seed.kg') * 0.25, 9)
    expect(sown('stop').materials.some((m) => m.id === 'seed.dormant')).toBe(false)
  })
})

describe('the season a sowing is taken in', () => {
  const sown = (today: string, site: SiteDraft, more: Partial<JobDraft> = {}) => {
    const plan = planOf({ site, ...more }, { today })
    return { plan, pack: plan.packages[0]!, first: plan.notices[0] }
  }
  it('planned in spring, a spring repair is taken in spring; the autumn school waits, and says so first with both dates', () => {
    const spring = sown('2027-04-20', { latitude: 44.6, sea: '60 km' })
    expect(spring.pack.sowDay < '2027-06-01', spring.pack.sowDay).toBe(true)
    expect(spring.pack.choices.map((c) => c.season)).toEqual(['spring', 'autumn'])
    const autumn = sown(
      '2027-04-20',
      { latitude: 44.6, sea: '60 km' },
      { schools: { season: 'autumn' } },
    )
    expect(
      autumn.pack.sowDay > '2027-08-15' && autumn.pack.sowDay < '2027-11-01',
      autumn.pack.sowDay,
    ).toBe(true)
    expect(autumn.first!.id).toBe('package:sow-cool.season')
    expect(autumn.first!.says).toContain('Your school sows cool grass in autumn only.')
    expect(autumn.first!.title).toMatch(
      /Sown \w+ \d+ \w+ 2027, in autumn; it could be \w+ \d+ \w+ 2027, in spring\./,
    )
  })
  it('a spring that seldom succeeds is passed over, with how seldom', () => {
    // A firm that asks for ninety years in a hundred has no spring that is worth it.
    const plan = planOf(
      { site: { latitude: 40, sea: '60 km' }, zones: [zone({ present: [] })], waterer: '' },
      { today: '2027-03-01', firm: { values: { 'choice.worth': 90 } } },
    )
    const [pack, first] = [plan.packages[0]!, plan.notices[0]]
    const spring = pack.choices.find((c) => c.season === 'spring')!
    const odds = Number(spring.odds!.value)
    expect([spring.taken, odds < 90]).toEqual([false, true])
    const taken = Number(pack.choices.find((c) => c.taken)!.odds!.value)
    expect(taken).toBeGreaterThan(odds)
    expect(first!.says).toContain(
      `Then ${odds} years in a hundred succeed, on the day taken ${taken}.`,
    )
  })
  it('spring repair is made with the quick grass that stands there; the slow one waits for autumn', () => {
    const site = { latitude: 43, sea: '700 km', frost: '25 Oct' }
    const zones = [
      zone({
        present: ['kentucky-bluegrass', 'perennial-ryegrass'],
        cover: { wanted: 85, weeds: 8, moss: 0, bare: 7 },
        heightOfCut: 75,
      }),
    ]
    const grasses = (today: string, more: Partial<JobDraft> = {}) =>
      sown(today, site, { zones, ...more }).plan.zones[0]!.seed!.mix.map((m) => m.grass)
    expect(grasses('2027-04-05')).toEqual(['perennial-ryegrass'])
    expect(sown('2027-04-05', site, { zones }).pack.choices.find((c) => c.taken)!.season).toBe(
      'spring',
    )
    expect(grasses('2027-04-05', { schools: { season: 'autumn' } })).toContain('kentucky-bluegrass')
    expect(grasses('2027-07-25')).toContain('kentucky-bluegrass')
    // Pure bluegrass is not mixed with a stranger for the sake of a date.
    const pure = sown('2027-04-05', site, {
      zones: [zone({ present: ['kentucky-bluegrass'], heightOfCut: 75 })],
    })
    expect(pure.plan.zones[0]!.seed!.mix.map((m) => m.grass)).toEqual(['kentucky-bluegrass'])
  })
  it('a slow grass that heat and its last day leave no autumn is left out, so that autumn is taken', () => {
    // 42° N, killing frost 10 October: bluegrass by 15 August, heat until then; rye until 29 August.
    const site = { latitude: 42, frost: '10 Oct' }
    const bare = zone({ present: [], cover: { wanted: 0, weeds: 10, moss: 0, bare: 90 } })
    const plan = planOf({ site, zones: [bare] }, { today: '2027-06-20' })
    const mix = plan.zones[0]!.seed!.mix.map((m) => m.grass)
    expect(mix).not.toContain('kentucky-bluegrass')
    expect(plan.packages[0]!.verdict).toBe('')
    expect(plan.packages[0]!.sowDay.slice(0, 7)).toBe('2027-08')
    // Sown over into bluegrass, the customer is told why none is added.
    const over = planOf(
      { site, zones: [zone({ present: ['perennial-ryegrass', 'kentucky-bluegrass'] })] },
      { today: '2027-06-20' },
    )
    expect(over.notices.find((n) => n.id.endsWith('kentucky-bluegrass'))!.says).toContain(
      'no good day is left',
    )
  })
  it('where summers are hot a slow grass that nobody asked for does not pull the sowing into the heat', () => {
    const site = { latitude: 35.8, longitude: -78.6, frost: '5 Nov' }
    const at = (target: string | null, today = '2027-07-20') => {
      const plan = planOf({ site, zones: [zone({ present: [], target, heightOfCut: 85, cover: { wanted: 5, weeds: 5, moss: 0, bare: 90 } })] } as never, { today }) // prettier-ignore
      return { mix: plan.zones[0]!.seed!.mix.map((m) => m.grass), day: plan.packages[0]!.sowDay }
    }
    expect(at(null).mix).not.toContain('kentucky-bluegrass')
    expect(at(null).day > '2027-08-31').toBe(true)
    expect(at('kentucky-bluegrass').mix).toContain('kentucky-bluegrass')
  })
  it('the look again at live pests is waited for when a mix is judged: no slow grass after it', () => {
    const site = { latitude: 41, frost: '15 Oct' }
    const on = (active: boolean) =>
      planOf(
        {
          site,
          zones: [
            zone({
              present: ['perennial-ryegrass', 'kentucky-bluegrass'],
              pests: [{ kind: 'larvae', active, peak: '2027-07-18' }],
            }),
          ],
        },
        { today: '2027-08-08' },
      )
    expect(on(false).packages.find((p) => p.plants)!.sowDay <= '2027-08-20').toBe(true)
    const live = on(true)
    expect(live.zones[0]!.seed!.mix.map((m) => m.grass)).not.toContain('kentucky-bluegrass')
    expect(live.packages.find((p) => p.plants)!.sowDay.slice(0, 7)).toBe('2027-08')
  })
  it('in high country the warmest weeks are the season, not a high summer to be passed over', () => {
    const site = { latitude: 39, elevation: '3000 m', frost: '15 Sep' }
    const plan = planOf({ site, zones: [zone({ present: [] })] }, { today: '2027-05-20' })
    const pack = plan.packages[0]!
    expect([pack.verdict, pack.sowDay.slice(0, 4)]).toEqual(['', '2027'])
    expect(pack.window.some((w) => w.reason === 'summer' || w.reason === 'summer-dry')).toBe(false)
  })
  it('where no frost comes no last day is guessed, and warm seed is never late for one', () => {
    const plan = planOf(
      { site: { latitude: 12 }, zones: [zone({ present: ['bermudagrass'] })] },
      { today: '2027-06-01' },
    )
    expect(plan.notices.map((n) => n.id)).toContain('frost.none')
    expect(plan.packages[0]!.window.map((w) => w.reason)).not.toContain('late')
  })
  it('warm grass is sown in high summer, and ground that is bare then gets its cover at once', () => {
    const thin = zone({ present: ['bermudagrass'], sunHours: 9, heightOfCut: 35 })
    const warm = planOf({ site: { latitude: 35, frost: '1 Nov' }, zones: [thin] }, { today: '2027-06-20' }) // prettier-ignore
    expect([warm.packages[0]!.verdict, warm.packages[0]!.sowDay < '2027-07-10']).toEqual(['', true])
    const bare = { wanted: 5, weeds: 5, moss: 0, bare: 90 }
    const held = planOf(
      { site: { latitude: 43, frost: '10 Oct' }, zones: [zone({ approach: 'hold-over', cover: bare })] },
      { today: '2027-06-20' },
    ) // prettier-ignore
    const cover = held.packages.find((p) => p.kind === 'hold')!
    expect([cover.verdict, cover.sowDay < '2027-07-01']).toEqual(['', true])
  })
  it('turf is opened in the last weeks before frost where warm days last into them, if it is watered', () => {
    // 46° N: usual days under 24 °C come after 10 September, five weeks before frost on 15 October.
    const at = (watering: string) =>
      planOf(
        {
          site: { latitude: 46, frost: '15 Oct' },
          watering,
          waterer: '',
          zones: [zone({ sowing: 'none', penetration: 'stops', cover: { wanted: 92, weeds: 4, moss: 0, bare: 4 } })],
        } as never,
        { today: '2027-07-05' },
      ).packages.find((p) => p.kind === 'care')! // prettier-ignore
    expect(at('sure').sowDay.slice(0, 7)).toMatch(/2027-0[89]/)
    expect(at('nobody').sowDay.slice(0, 4)).toBe('2028')
  })
  it('a season is named first where it lies more than three weeks later, not for three weeks', () => {
    for (const today of ['2027-04-20', '2027-05-10', '2027-06-01', '2027-07-10', '2027-08-01']) {
      const { plan, pack } = sown(
        today,
        { latitude: 44.6, sea: '60 km' },
        { schools: { season: 'autumn' } },
      )
      const told = plan.notices.some((n) => n.id === 'package:sow-cool.season')
      const soonest = pack.choices.find((c) => !c.taken && c.day < pack.sowDay)
      const gap = soonest ? daysBetween(soonest.day, pack.sowDay) : 0
      const wait = daysBetween(today, pack.sowDay)
      expect(told, `${today} ${pack.sowDay}`).toBe(gap > 21 || wait > 28)
    }
  })
  it('a mix too late for its bluegrass is told how long it may be sown without', () => {
    const mix = [{ grass: 'perennial-ryegrass', share: 60 }, { grass: 'kentucky-bluegrass', share: 40 }] // prettier-ignore
    const options = (today: string, own: object[]) =>
      planOf({ zones: [zone({ mix: own as never })] }, { today }).packages[0]!.options
    // Bluegrass ends eight weeks before 25 April, the others six: 14 March.
    expect(
      options('2027-03-03', mix).find((o) => o.title === 'Leave the bluegrass out')?.says,
    ).toContain('14 Mar')
    const little = [{ grass: 'perennial-ryegrass', share: 95 }, { grass: 'kentucky-bluegrass', share: 5 }] // prettier-ignore
    for (const [today, own] of [
      ['2027-03-03', little],
      ['2027-03-20', mix],
      ['2027-02-15', mix],
    ] as const)
      // prettier-ignore
      expect(options(today, own as never).map((o) => o.title), today).not.toContain('Leave the bluegrass out')
  })
  it('feeding, scalping and coring go by windows of their own', () => {
    const rules = (z: object, today = '2027-03-01') =>
      new Set(Object.values(planOf({ zones: [zone(z)] }, { today }).figures).map((f) => f.rule))
    const fine = {
      cover: { wanted: 96, weeds: 2, moss: 1, bare: 1 },
      thatch: 4,
      penetration: 'easy',
      sowing: 'none',
    }
    const fed = rules(fine)
    expect([
      fed.has(careRules.feed.id),
      fed.has(careRules.cool.id),
      fed.has(careRules.scalp.id),
    ]).toEqual([true, false, false])
    const cored = rules({ ...fine, thatch: 16, penetration: 'stops' })
    expect([cored.has(careRules.cool.id), cored.has(careRules.scalp.id)]).toEqual([true, false])
  })
  it('1 October in the south is spring, not the next autumn', () => {
    expect(sown('2026-10-01', { latitude: -41, sea: '3 km' }).pack.sowDay < '2026-11-15').toBe(true)
  })
  it('high summer is not taken in place of a coming autumn, but by a pin', () => {
    const site = { latitude: 52, sea: '5 km' }
    expect(sown('2027-07-01', site).pack.sowDay >= '2027-08-15').toBe(true)
    const pinned = sown('2027-07-01', site, { pins: { 'sow/z1': '2027-07-14' } })
    expect([pinned.pack.sowDay, pinned.pack.fits]).toEqual(['2027-07-14', true])
  })
  it('the day after the frost a bare bank is too late for a lawn, and still gets its cover', () => {
    const bank = {
      zones: [zone({ slope: '1 in 4', cover: { wanted: 0, weeds: 0, moss: 0, bare: 100 } })],
    }
    const late = sown('2027-04-27', LAKES, bank)
    expect(late.pack.fits).toBe(false)
    expect(late.first!.title).toContain('Too late')
    expect(late.pack.options.map((o) => o.title)).toContain('Hold over')
  })
  it('a customer’s date takes the season that stands by then', () => {
    const site = { latitude: 52, sea: '5 km' }
    expect(
      sown('2027-03-01', site, { customerDate: '2027-08-01' }).pack.sowDay < '2027-06-10',
    ).toBe(true)
  })
  it('bluegrass into couch, and a cover on warm ground, go by what is sown', () => {
    const blend = sown('2027-07-20', HOT, {
      zones: [zone({ present: [COUCH], sowing: 'blend', sunHours: 9 })],
    })
    expect(
      blend.pack.sowDay > '2027-09-01' && blend.pack.sowDay < '2027-10-10',
      blend.pack.sowDay,
    ).toBe(true)
  })
})

describe('dates for a job', () => {
  it('keeps every lag of the order of work', () => {
    const plan = planOf({ dressing: { depth: 5 } })
    const day = (kind: string) => dayNumber(step(plan, kind)!.chosen)
    expect(day('cut-second') - day('cut-first')).toBeGreaterThanOrEqual(2)
    expect(day('core') - day('dampen')).toBe(1)
    expect(day('sow') - day('scarify')).toBeLessThanOrEqual(3)
    expect(day('water')).toBe(day('sow'))
    const weekdays = plan.steps
      .filter((s) => !['dampen', 'water', 'notice'].includes(s.kind))
      .map((s) => new Date(`${s.chosen}T00:00Z`).getUTCDay())
    expect(weekdays.some((d) => d === 0 || d === 6)).toBe(false)
    for (const s of plan.steps)
      if (s.earliest && s.latest)
        expect(s.earliest <= s.chosen && s.chosen <= s.latest, s.id).toBe(true)
  })
  it('a combined feed-and-weed product counts as herbicide (common practice), and the label wins', () => {
    const fed = (t: object) =>
      planOf({ treatments: [{ id: 't1', kind: 'feed-and-weed', date: '2027-02-10', ...t }] })
    expect(fed({}).notices.some((n) => n.says.includes('counts as the weedkiller'))).toBe(true)
    expect(step(fed({}), 'sow')!.chosen >= '2027-03-10').toBe(true)
    expect(step(fed({ waitDays: '2 weeks' }), 'sow')!.chosen < '2027-03-10').toBe(true)
    expect(
      planOf({ treatments: [{ id: 't1', kind: 'feed', date: '2027-02-10' }] }).notices.some((n) =>
        n.title.includes('no seed before'),
      ),
    ).toBe(false)
    expect(
      planOf({ treatments: [{ id: 't1', kind: 'broadleaf' }] }).notices.some((n) =>
        n.title.startsWith('When was'),
      ),
    ).toBe(true)
  })
  it('a kill-off that would straddle the cut-off is refused first, with what instead', () => {
    const plan = planOf({
      zones: [zone({ incurable: 60, cover: { wanted: 30, weeds: 60, moss: 0, bare: 10 } })],
    })
    expect(plan.notices[0]!.id).toContain('.fits')
    expect(plan.notices[0]!.title).toContain('Too late to kill off')
    expect(plan.packages[0]!.options.map((o) => o.title)).toEqual(
      expect.arrayContaining(['Overseed instead', 'Hold over']),
    )
    expect(plan.packages[0]!.sowDay > '2027-09-01').toBe(true)
    const inTime = planOf(
      { zones: [zone({ incurable: 60, cover: { wanted: 30, weeds: 60, moss: 0, bare: 10 } })] },
      { today: '2027-01-18' },
    )
    expect(inTime.packages[0]!.fits).toBe(true)
    // Kill, 14 days, kill again, 7 days, cut: the spray is on uncut growth.
    const kinds = inTime.steps.map((s) => s.kind)
    expect(kinds.indexOf('kill')).toBeLessThan(kinds.indexOf('cut-first'))
  })
  it('after the cut-off nothing fits this season, and the next window is named', () => {
    const plan = planOf({}, { today: '2027-04-02' })
    expect(plan.packages[0]!.fits).toBe(false)
    expect(plan.packages[0]!.verdict).toContain('Too late')
    expect(plan.packages[0]!.options.some((o) => o.title.startsWith('Sow '))).toBe(true)
  })
  it('a pin is kept and flagged when it breaks the order; a done step holds its day', () => {
    const pinned = planOf({ pins: { 'sow-cool.sow': '2027-02-23' } })
    expect(step(pinned, 'sow')!.chosen).toBe('2027-02-23')
    // Done in a day and the evening before: what is only better is given up, by name.
    expect(pinned.notices.find((n) => n.id === 'package:sow-cool.given-up')!.title).toContain(
      'cutting down over several days',
    )
    expect([
      step(pinned, 'dampen')!.chosen,
      step(pinned, 'core')!.chosen,
      step(pinned, 'water')!.chosen,
    ]).toEqual(['2027-02-22', '2027-02-23', '2027-02-23'])
    const past = planOf({ pins: { 'sow/z1': '2027-02-20' } })
    expect(
      past.notices.some(
        (n) => n.title.includes('pin does not agree') && n.says.includes('has passed'),
      ),
    ).toBe(true)
    const fine = planOf({ pins: { 'sow-cool.sow': '2027-03-04' } })
    expect([step(fine, 'sow')!.chosen, fine.notices.some((n) => n.title.includes('pin'))]).toEqual([
      '2027-03-04',
      false,
    ])
    const done = planOf(
      {},
      {
        diary: [
          {
            ...blankEntry('abcdefgh', '2027-02-20', 'cut'),
            step: 'sow-cool.cut-first',
          },
        ],
      },
    )
    expect(step(done, 'cut-first')).toMatchObject({ state: 'done', chosen: '2027-02-20' })
    expect(step(done, 'notice')!.state).toBe('unrecorded')
    expect(done.follow.next!.kind).toBe('cut-second')
  })
  it('a season that can be chosen takes the work to its day; one that leaves no day says why', () => {
    const barred: string[] = []
    for (const today of ['2027-01-20', '2027-02-08', '2027-02-22', '2027-03-08'])
      for (const change of [{}, { incurable: 60 }])
        for (const more of [{}, { notice: '30 d' }, { schools: { weeds: 'spray-then-sow' } }]) {
          const job = { zones: [zone(change)], ...more } as Partial<JobDraft>
          const [pack] = planOf(job, { today }).packages
          const anchor = pack!.steps.find((s) => s.kind === pack!.anchor)!
          for (const c of pack!.choices.filter((one) => !one.taken)) {
            if (c.bars) barred.push(JSON.stringify(c.bars))
            const keys = pinKeys(anchor.kind, anchor.zones, anchor.part)
            const pins = Object.fromEntries(keys.map((key) => [key, c.day]))
            const [now] = planOf({ ...job, pins }, { today }).packages
            if (c.bars) expect(now!.sowDay).not.toBe(c.day)
            else expect(now!.sowDay).toBe(c.day)
          }
        }
    expect(barred.length).toBeGreaterThan(3)
    expect(barred.every((says) => /The season ends/.test(says))).toBe(true)
  })
  it('every way out can be taken, and mends what it is a way out of', () => {
    const late = { zones: [zone({ incurable: 60 })] } as Partial<JobDraft>
    const today = '2027-02-22'
    const [pack] = planOf(late, { today }).packages
    expect(pack!.fits).toBe(false)
    const overseed = pack!.options.map((o) => o.take).find((t) => 'approach' in t && t.approach === 'overseed') // prettier-ignore
    expect(overseed).toMatchObject({ zones: pack!.zones })
    const [now] = planOf({ zones: [zone({ incurable: 60, approach: 'overseed' })] }, { today }).packages // prettier-ignore
    expect([now!.fits, now!.sowDay < '2027-03-15']).toEqual([true, true])
  })
  it('warm grass waits for warm soil', () => {
    const plan = planOf(
      {
        site: {
          ...SOUTH,
          latitude: 31,
          frost: '18 Nov',
          soilTemperature: 15,
          soilReadOn: '2027-03-10',
        },
        zones: [zone({ present: ['bermudagrass'], sunHours: 9 })],
      },
      { today: '2027-03-10' },
    )
    const sown = dayNumber(plan.packages[0]!.sowDay)
    const { soil } = climateAt(
      { ...SOUTH, latitude: 31, frost: '18 Nov', soilTemperature: 15, soilReadOn: '2027-03-10' },
      '2027-03-10',
    )
    expect(soil[sown - dayNumber('2027-03-10')]).toBeGreaterThanOrEqual(18)
    expect(plan.packages[0]!.fits).toBe(true)
  })
  it('spray first waits 28 days before seed; without chemicals the old growth is lifted instead', () => {
    const weedy = { cover: { wanted: 50, weeds: 40, moss: 0, bare: 10 } }
    const sprayed = planOf(
      { zones: [zone(weedy)], schools: { weeds: 'spray-then-sow' } },
      { today: '2027-01-11' },
    )
    expect(
      dayNumber(step(sprayed, 'sow')!.chosen) - dayNumber(step(sprayed, 'spray')!.chosen),
    ).toBeGreaterThanOrEqual(28)
    expect(
      dayNumber(step(sprayed, 'cut-first')!.chosen) - dayNumber(step(sprayed, 'spray')!.chosen),
    ).toBeGreaterThanOrEqual(3)
    expect(step(planOf({ zones: [zone(weedy)] }), 'spray')).toBeUndefined()
    const lifted = planOf({ zones: [zone({ incurable: 60 })], aims: ['no-chemicals'] })
    expect([step(lifted, 'strip') !== undefined, step(lifted, 'kill')]).toEqual([true, undefined])
    expect(lifted.packages[0]!.fits).toBe(true)
  })
})

describe('where killing frost comes seldom', () => {
  it('the last day to sow is the coldest, in the window and on the sheet alike', () => {
    // A wait that ends in December, at 31° north beside the sea: the sowing falls after what six
    // weeks before frost would be.
    const plan = planOf(
      { site: { latitude: 31, sea: '1 km' }, zones: [zone({ present: ['perennial-ryegrass'] })], treatments: [{ id: 't', kind: 'feed-and-prevent', date: null }] },
      { today: '2027-08-17' },
    ) // prettier-ignore
    const [pack] = plan.packages
    const sow = pack!.steps.find((s) => s.kind === 'sow')!
    if (pack!.fits) expect(sow.chosen <= String(pack!.cutOff.value)).toBe(true)
    expect(plan.figures[pack!.cutOff.id]!.rule).toBe('window.seldom-cut-off')
  })
})
