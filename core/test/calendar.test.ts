import { describe, expect, it } from 'vitest'
import { addDays, dayNumber, daysBetween } from '../src/calendar/day.ts'
import type { JobDraft, ZoneDraft } from '../src/entities/job.ts'
import { OPERATIONS, type StepKind } from '../src/reference/operations.ts'
import { stepAmounts } from '../src/present/dayWork.ts'
import { planOf, step, zone } from './makeJob.ts'

/**
 * Each piece of work by its own season and waits: common practice, in both hemispheres. Windows are
 * those of Juvena's rough climate, bent to the frost date.
 */
const full = { cover: { wanted: 94, weeds: 4, moss: 1, bare: 1 }, sowing: 'none' as const }
const NORTH = { latitude: 50, frost: '30 Oct' }
const WARM = { latitude: 33.5, frost: '10 Nov' }
const plan = (
  today: string,
  site: object,
  zones: Partial<ZoneDraft>[],
  more: Partial<JobDraft> = {},
) =>
  planOf(
    {
      site: site as never,
      waterer: 'owner',
      zones: zones.map((z, i) => zone({ id: `z${i + 1}`, name: `Zone ${i + 1}`, ...z })),
      ...more,
    },
    { today },
  )
const day = (p: ReturnType<typeof planOf>, kind: StepKind, id = 'z1') =>
  p.steps.find((s) => s.kind === kind && s.zones.includes(id))?.chosen

describe('turf that is not sown', () => {
  const green: Partial<ZoneDraft> = { ...full, present: ['browntop'], heightOfCut: 6, texture: 'sand', penetration: 'stops', soilMoist: true, thatch: 12 } // prettier-ignore
  it('a cool green walked in midsummer is cored in late summer, and says so first', () => {
    const p = plan('2027-07-10', NORTH, [green])
    const cored = day(p, 'core')!
    expect(cored >= '2027-08-15' && cored <= '2027-09-25', cored).toBe(true)
    expect(p.notices.filter((n) => n.level !== 'note')[0]!.kind).toBe('season-passed')
    // The same in the south.
    const south = day(plan('2027-01-10', { latitude: -44, frost: '25 Apr' }, [green]), 'core')!
    expect(south >= '2027-02-05' && south <= '2027-03-21', south).toBe(true)
  })
  it('a mat that nobody waters is opened in spring or late summer, never between', () => {
    for (const today of ['2027-05-01', '2027-06-10', '2027-07-12', '2027-08-01']) {
      const p = plan(today, { latitude: 48, frost: '25 Oct' }, [{ ...full, thatch: 24 }], {
        watering: 'nobody',
        waterer: '',
      })
      expect(day(p, 'scarify')!.slice(5, 7), today).toMatch(/04|05|08|09/)
    }
  })
  it('warm turf: the hard cut after last frost, blades and cores weeks later in full green-up, all before eight weeks to frost', () => {
    const p = plan('2027-03-01', WARM, [
      { ...full, present: ['bermudagrass'], heightOfCut: 25, thatch: 22, penetration: 'stops', soilMoist: true, operations: { 'cut-second': { on: true } } } as never, // prettier-ignore
    ])
    const [cut, blades, cores] = [day(p, 'cut-second')!, day(p, 'scarify')!, day(p, 'core')!]
    expect(cut >= '2027-03-20' && cut <= '2027-04-25', cut).toBe(true)
    expect(daysBetween(cut, blades)).toBeGreaterThanOrEqual(14)
    expect(blades <= cores && cores < '2027-07-01', cores).toBe(true)
    const late = plan('2027-09-20', WARM, [
      { ...full, present: ['bermudagrass'], heightOfCut: 25, thatch: 22 },
    ])
    expect(day(late, 'scarify')! > '2028-03-15', day(late, 'scarify')).toBe(true)
  })
  it('warm turf in late summer: its blades go now, and its hard cut, whose spring is over, is only offered; beside it cool turf is sown', () => {
    const p = plan('2027-08-25', { latitude: 36, frost: '5 Nov' }, [
      {
        present: ['tall-fescue'],
        heightOfCut: 75,
        cover: { wanted: 60, weeds: 10, moss: 0, bare: 30 },
      },
      { ...full, present: ['bermudagrass'], heightOfCut: 30, thatch: 20 },
    ])
    expect(day(p, 'scarify', 'z2')! <= '2027-09-10', day(p, 'scarify', 'z2')).toBe(true)
    expect(day(p, 'cut-second', 'z2')).toBeUndefined()
    expect(day(p, 'sow')! < '2027-09-25', day(p, 'sow')).toBe(true)
  })
  it('turf is laid all summer where somebody waters', () => {
    const p = plan('2027-07-15', { latitude: 52, sea: '30 km' }, [
      { cover: { wanted: 20, weeds: 60, moss: 10, bare: 10 }, sowing: 'turf' },
    ])
    expect(daysBetween('2027-07-15', day(p, 'turf')!)).toBeLessThan(14)
  })
  it('cool turf is laid in winter too, while the soil is not frozen', () => {
    const bare = { cover: { wanted: 5, weeds: 5, moss: 0, bare: 90 }, sowing: 'turf' as const }
    const mild = plan('2027-11-01', { latitude: 53, longitude: -1, frost: '5 Nov' }, [bare])
    expect(day(mild, 'turf')! < '2027-11-10', day(mild, 'turf')).toBe(true)
    const frozen = plan('2027-12-20', { latitude: 47, sea: '800 km', frost: '25 Sep' }, [bare])
    expect(day(frozen, 'turf')! > '2028-03-01', day(frozen, 'turf')).toBe(true)
  })
  it('feed goes by its own season: cool turf late into autumn, warm turf not in the weeks before frost', () => {
    const fed = (today: string, site: object, present: string) =>
      day(plan(today, site, [{ ...full, present: [present] as never }], { aims: ['even-colour'] }), 'feed')! // prettier-ignore
    expect(daysBetween('2027-10-20', fed('2027-10-20', NORTH, 'perennial-ryegrass'))).toBeLessThan(
      7,
    )
    const warm = fed('2027-10-05', { latitude: 33.5, frost: '12 Nov' }, 'bermudagrass')
    expect(warm > '2028-03-15' && warm < '2028-06-01', warm).toBe(true)
  })
  it('a pre-emergence goes down before soil holds 12 °C in spring, and round its fall in autumn', () => {
    const barrier = (today: string, weeds: string[]) =>
      day(
        plan(today, { latitude: 39, frost: '20 Oct' }, [
          { ...full, weedsSeen: weeds as never, operations: { 'pre-emergence': { on: true } } },
        ]),
        'pre-emergence',
      )!
    expect(barrier('2027-02-01', ['crabgrass']).slice(5, 7)).toMatch(/03|04/)
    expect(barrier('2027-05-20', ['annual-meadow-grass']).slice(5, 7)).toMatch(/08|09|10/)
    expect(barrier('2027-05-20', ['crabgrass']) > '2028-02-01').toBe(true)
  })
  it('sodden ground drains before tines, and nothing is watered before them', () => {
    const wet = { ...full, damp: 'wet', texture: 'clay', penetration: 'stops', soilMoist: true } as const // prettier-ignore
    const p = plan('2027-09-01', NORTH, [wet], { walked: '2027-09-01' })
    expect(day(p, 'dampen')).toBeUndefined()
    expect(daysBetween('2027-09-01', day(p, 'core')!)).toBeGreaterThanOrEqual(4)
  })
})

describe('work that is due', () => {
  it('ripe heads are clipped now and live pests treated two weeks after the flight, whatever the sowing waits for', () => {
    const p = plan('2027-06-15', NORTH, [
      { seedHeads: true, weedsSeen: ['annual-meadow-grass'], thatch: 18, pests: [{ kind: 'larvae', active: true, peak: '2027-06-10' }] } as never, // prettier-ignore
    ])
    expect(daysBetween('2027-06-15', day(p, 'clip-heads')!)).toBeLessThanOrEqual(3)
    expect(day(p, 'treat-pests')).toBe('2027-06-24')
    expect(day(p, 'sow')! > '2027-08-01').toBe(true)
    expect(p.notices[0]!.level).toBe('hold')
  })
  it('dormant or not is looked at first; every cut, blade and seed of that ground waits, and no other ground does', () => {
    const brown = { thatch: 16, browned: 'unsure' } as const
    const p = plan('2027-08-10', NORTH, [brown, { thatch: 16 }])
    const looked = day(p, 'recheck')!
    for (const kind of ['cut-first', 'cut-second', 'scarify', 'sow'] as const)
      expect(day(p, kind)! >= addDays(looked, 10), kind).toBe(true)
    const alone = plan('2027-08-10', NORTH, [{ id: 'z2', thatch: 16 }])
    expect(day(p, 'sow', 'z2')).toBe(day(alone, 'sow', 'z2'))
  })
  it('seed of a corner sown lately holds the blades of that corner alone', () => {
    const treatments = [{ kind: 'seeded', date: '2027-08-01', zones: ['z2'] }] as never
    const p = plan('2027-08-15', NORTH, [{ thatch: 16 }, { thatch: 16 }], { treatments })
    expect(day(p, 'scarify')! < '2027-09-05', day(p, 'scarify')).toBe(true)
    expect(daysBetween('2027-08-01', day(p, 'scarify', 'z2')!)).toBeGreaterThanOrEqual(56)
  })
})

describe('feed, each zone by what is done there', () => {
  it('a named starter goes where something is sown, and not on the turf beside it', () => {
    const p = plan('2027-08-20', NORTH, [{ thatch: 16 }, { ...full }], {
      feed: { grade: '16-20-8' },
      aims: ['thicker'],
    } as never)
    const lines = p.materials.filter((m) => m.id.startsWith('feed'))
    const zonesOf = (grade: string) =>
      lines.filter((m) => String(m.name).includes(grade)).flatMap((m) => Object.keys(m.cells))
    expect(zonesOf('16-20-8')).toEqual(['z1'])
    expect(lines.flatMap((m) => Object.keys(m.cells)).sort()).toEqual(['z1', 'z2'])
  })
})

describe('ground held over and sown again', () => {
  const held = plan('2027-09-20', { latitude: 45, frost: '15 Oct' }, [
    { cover: { wanted: 0, weeds: 0, moss: 0, bare: 100 }, sowing: 'cover-then-sow', present: [] },
  ])
  it('what the two sowings are fed adds up to what is ordered', () => {
    const fed = held.steps
      .filter((s) => s.kind === 'feed')
      .flatMap((s) => stepAmounts(s as never, held as never, { lots: [] }))
    const ordered = held.materials.filter((m) => m.id.startsWith('feed')).map((m) => Number(held.figures[m.total]!.value)) // prettier-ignore
    expect(fed).toHaveLength(2)
    const sum = fed.reduce((all, a) => all + Number(a.value), 0)
    expect(sum).toBeCloseTo(
      ordered.reduce((a, b) => a + b, 0),
      6,
    )
  })
  it('the cover is cut low and opened before the proper grass is sown into it', () => {
    const later = held.packages.find((p) => p.kind === 'later')!
    expect(later.steps.map((s) => s.kind)).toEqual(
      expect.arrayContaining(['cut-first', 'cut-second', 'scarify', 'sow']) as string[],
    )
  })
})

describe('what was done before', () => {
  it('a lawn cored three weeks ago is not cored again at once; a seeded one not sprayed for four weeks', () => {
    const packed = { ...full, penetration: 'stops', soilMoist: true } as const
    const cored = (treatments: object[]) =>
      day(plan('2027-08-25', NORTH, [packed], { treatments: treatments as never }), 'core')!
    expect(cored([]) < '2027-09-05').toBe(true)
    const again = cored([{ kind: 'cored', date: '2027-08-03' }])
    expect(daysBetween('2027-08-03', again), again).toBeGreaterThanOrEqual(42)
    const weedy = { ...full, cover: { wanted: 65, weeds: 32, moss: 0, bare: 3 }, weedsSeen: ['dandelion'] } as never // prettier-ignore
    const p = plan('2027-08-25', NORTH, [weedy], {
      schools: { weeds: 'spray-then-sow' },
      treatments: [{ kind: 'seeded', date: '2027-08-14' }] as never,
    })
    expect(daysBetween('2027-08-14', day(p, 'spray')!)).toBeGreaterThanOrEqual(28)
    expect(p.notices.some((n) => String(n.title).startsWith('Seeded'))).toBe(true)
  })
})

describe('one calendar for a job', () => {
  it('two lots of work never fill a day over the crew’s hours', () => {
    const big = { area: '3000 m2', penetration: 'stops', soilMoist: true, thatch: 20 } as const
    const p = plan('2027-08-20', NORTH, [{ ...big, ...full }, big])
    const hours = new Map<string, number>()
    for (const s of p.steps.filter((x) => !OPERATIONS[x.kind].evening && x.span === 1))
      hours.set(s.chosen, (hours.get(s.chosen) ?? 0) + Number(s.hours.value))
    for (const [on, sum] of hours) expect(sum, on).toBeLessThanOrEqual(8.5)
  })
  it('what is no reading moves nothing: notes, names, addresses', () => {
    const zones = [{ thatch: 20, penetration: 'stops', soilMoist: true }, full] as const
    const days = (more: object) =>
      plan('2027-08-20', NORTH, zones as never, more as never).steps.map((s) => [s.id, s.chosen])
    const moved = days({ notes: 'Gate code 12.', customer: 'Someone', name: 'Another name', phone: '1' }) // prettier-ignore
    expect(moved).toEqual(days({}))
  })
  it('debris is cleared before anything is wetted', () => {
    const p = plan('2027-08-20', NORTH, [{ thatch: 20, penetration: 'stops', soilMoist: true }])
    expect(day(p, 'clear')! <= day(p, 'dampen')!, day(p, 'clear')).toBe(true)
  })
  it('what goes with a sowing pinned to a Saturday stands on that Saturday', () => {
    const p = plan('2027-08-20', NORTH, [{ thatch: 16 }], { pins: { 'sow/z1': '2027-09-04' } })
    expect([day(p, 'sow'), day(p, 'feed'), day(p, 'water')]).toEqual(Array(3).fill('2027-09-04'))
  })
})

describe('what follows a sowing', () => {
  const bare = { cover: { wanted: 2, weeds: 0, moss: 0, bare: 98 }, sowing: 'new' } as const
  it('nothing is mown, and no seedbed watered, in dormancy', () => {
    // Sown by a pin, too late to be mown before winter.
    const p = plan('2027-09-20', { latitude: 46, frost: '20 Oct', sea: '800 km' }, [{ ...bare, present: ['tall-fescue'] }], { pins: { 'sow/z1': '2027-10-05' } }) // prettier-ignore
    const follow = p.follow.packages.find((f) => f.plants)!
    for (const s of p.steps.filter((x) => x.kind === 'first-mow' || x.kind === 'mow-weekly'))
      expect(s.chosen.slice(5, 7), s.chosen).not.toMatch(/12|01|02/)
    expect(follow.rest).not.toBeNull()
    expect(Number(follow.wateringDays!.value)).toBeLessThan(90)
  })
  it('a spring sowing is watered through its first summer, and says so', () => {
    const p = plan('2027-03-05', NORTH, [{ cover: { wanted: 60, weeds: 5, moss: 5, bare: 30 } }])
    expect(step(p, 'sow')!.chosen.slice(5, 7)).toMatch(/04|05/)
    expect(p.notices.some((n) => String(n.title).includes('first summer'))).toBe(true)
  })
  it('everybody keeps off until the seedlings are mown, after the sward is', () => {
    const p = plan('2027-08-20', NORTH, [{ cover: { wanted: 60, weeds: 5, moss: 5, bare: 30 } }])
    const { mowBand, seedlingsMown } = p.follow.packages[0]!
    const low = (f: typeof mowBand) => (f!.value as { low: string }).low
    expect(low(seedlingsMown) > low(mowBand)).toBe(true)
  })
  // Seed to a broad-leaved weedkiller: 28 days and three mows (common practice).
  it('weeds that came up with the seed are sprayed after four weeks and three mows, where that is the school', () => {
    const weedy = { cover: { wanted: 60, weeds: 20, moss: 0, bare: 20 }, weedsSeen: ['dandelion'] } as never // prettier-ignore
    const schools = (weeds: string) => ({ schools: { weeds } }) as Partial<JobDraft>
    const p = plan('2027-08-14', NORTH, [weedy], schools('after-mows'))
    const sprayed = day(p, 'spray-later')!
    const mown = p.follow.packages[0]!.seedlingsMown!.value as { low: string }
    expect(daysBetween(day(p, 'sow')!, sprayed)).toBeGreaterThanOrEqual(28)
    expect(daysBetween(mown.low, sprayed)).toBeGreaterThanOrEqual(14)
    expect(p.steps.some((s) => s.kind === 'spray' || s.kind === 'seed-safe')).toBe(false)
    expect(day(plan('2027-08-14', NORTH, [weedy], schools('no-chemicals')), 'spray-later')).toBeUndefined() // prettier-ignore
  })
  it('the odds of a customer’s date agree with the days it is told to look right between', () => {
    for (const today of ['2027-03-10', '2027-08-14']) {
      const thin = { cover: { wanted: 55, weeds: 5, moss: 5, bare: 35 } }
      const first = plan(today, NORTH, [thin])
      const { low, high } = first.follow.packages[0]!.presentable!.value as { low: string; high: string } // prettier-ignore
      const by = (customerDate: string) => {
        const p = plan(today, NORTH, [thin], { customerDate, pins: { 'sow/z1': day(first, 'sow')! } }) // prettier-ignore
        const taken = p.packages.find((x) => x.plants)!.choices.find((c) => c.taken)!
        return Number(taken.inTime!.value) / Math.max(1, Number(taken.odds!.value))
      }
      expect(by(addDays(low, -12)), today).toBeLessThan(0.1)
      expect(by(addDays(high, 12)), today).toBeGreaterThan(0.9)
    }
  })
})

describe('what is told of a calendar', () => {
  const packed = { thatch: 20, penetration: 'stops', soilMoist: true } as const
  const said = (p: ReturnType<typeof plan>, kind: string) => p.notices.find((n) => n.kind === kind)
  it('a weekend between blades and cores', () => {
    const told: boolean[] = []
    for (const today of ['2027-08-09', '2027-08-11', '2027-08-13', '2027-08-16', '2027-08-18']) {
      const p = plan(today, NORTH, [packed])
      const weekend = [day(p, 'scarify')!, day(p, 'core')!].map(
        (d) => Math.floor((dayNumber(d) + 3) / 7), // weeks begin on Monday
      )
      told.push(said(p, 'weekend') !== undefined)
      expect(told.at(-1), today).toBe(weekend[0] !== weekend[1])
    }
  })
  it('seed is moved by a day or two for it where that costs next to nothing, and not where a date is waited for', () => {
    const weekends = (more: object) =>
      Array.from({ length: 10 }, (_, i) => addDays('2027-08-09', i)).filter((today) =>
        said(plan(today, NORTH, [packed], more), 'weekend'),
      ).length
    expect(weekends({})).toBe(0)
    expect(weekends({ customerDate: '2027-10-20' })).toBeGreaterThan(0)
  })
  it('turf is kept off until it has rooted, which is when it is mown first', () => {
    const p = plan('2027-08-20', NORTH, [{ approach: 'returf', cover: { wanted: 5, weeds: 5, moss: 0, bare: 90 } }]) // prettier-ignore
    const closed = p.follow.closed.find((c) => c.workPackage === step(p, 'turf')!.workPackage)!
    expect(closed.to).toBe(day(p, 'first-mow'))
    expect(daysBetween(day(p, 'turf')!, closed.to)).toBeGreaterThanOrEqual(14)
  })
  it('notice as long as those who use it ask for, and for how long it is closed', () => {
    const p = plan('2027-06-01', NORTH, [packed], { users: ['public'] as never, notice: '10 weeks' as never }) // prettier-ignore
    const [notice, cut] = [day(p, 'notice')!, day(p, 'cut-first')!]
    expect(daysBetween(notice, cut)).toBeGreaterThanOrEqual(70)
    const closed = p.follow.closed.find((c) => c.workPackage === step(p, 'sow')!.workPackage)!
    expect(closed.from <= day(p, 'scarify')!).toBe(true)
    const mown = p.follow.packages[0]!.seedlingsMown!.value as { low: string }
    expect(closed.to).toBe(mown.low)
    // Nothing asked: a day ahead, and 5 on turf the public uses.
    const usual = plan('2027-07-25', NORTH, [packed], { users: ['public'] as never })
    expect(daysBetween(day(usual, 'notice')!, day(usual, 'cut-first')!)).toBeGreaterThanOrEqual(5)
  })
  it('work that closes turf of the public weeks after other work has a notice of its own', () => {
    const lawn = { ...full, present: ['bermuda'] as never, thatch: 25, heightOfCut: 30, operations: { 'cut-first': { on: true }, 'cut-second': { on: true } } as never } // prettier-ignore
    const p = plan('2027-02-20', WARM, [lawn], { users: ['public'] as never })
    for (const kind of ['cut-first', 'scarify'] as const) {
      const told = p.steps.filter((s) => s.kind === 'notice').map((s) => daysBetween(s.chosen, day(p, kind)!)) // prettier-ignore
      expect(Math.min(...told.filter((d) => d >= 0)), kind).toBeGreaterThanOrEqual(5)
      expect(Math.min(...told.filter((d) => d >= 0)), kind).toBeLessThan(21)
    }
    expect(daysBetween(day(p, 'cut-first')!, day(p, 'scarify')!)).toBeGreaterThan(14)
    expect(new Set(p.steps.filter((s) => s.kind === 'notice').map((s) => s.id)).size).toBe(2)
  })
  it('a place known by its latitude alone is a guess, and says what betters it', () => {
    const typed = said(plan('2027-08-10', NORTH, [packed]), 'guess')!
    expect([typed.level, String(typed.says)]).toEqual(['note', expect.stringContaining('soil reading')]) // prettier-ignore
    expect(said(plan('2027-08-10', { latitude: 50 }, [packed]), 'guess')!.level).toBe('warn')
  })
  it('what work waits for is told with its own reason, not as seed that would not come up', () => {
    const p = plan('2027-03-01', WARM, [
      { ...full, present: ['bermudagrass'], heightOfCut: 25, thatch: 22, penetration: 'stops', soilMoist: true, operations: { 'cut-second': { on: true } } } as never, // prettier-ignore
    ])
    expect(step(p, 'scarify')!.holds!.why).toBe('cut-greens')
    const care = p.packages.find((x) => x.kind === 'care')!
    expect(care.window[0]!.reason).toBe('cut-greens')
    const live = plan('2027-06-05', NORTH, [{ pests: [{ kind: 'larvae', active: true, peak: '2027-06-01' }] } as never]) // prettier-ignore
    expect(step(live, 'treat-pests')!.holds!.why).toBe('flight')
  })
})

describe('what a label or a delay changes', () => {
  const packed = { thatch: 20, penetration: 'stops', soilMoist: true } as const
  it('without a label the longest usual wait is counted, and the longest that would still fit is told', () => {
    const p = plan('2027-08-05', NORTH, [packed], {
      treatments: [{ kind: 'unknown-herbicide', date: '2027-08-01' }] as never,
    })
    const told = p.notices.find((n) => n.kind === 'label')!
    expect(told.level).toBe('warn')
    const fits = Number(/asks for (\d+)/.exec(String(told.says))![1])
    const read = plan('2027-08-05', NORTH, [packed], {
      treatments: [{ kind: 'unknown-herbicide', date: '2027-08-01', waitDays: fits }] as never,
    })
    expect(read.notices.some((n) => n.kind === 'label')).toBe(false)
    expect(addDays('2027-08-01', fits)).toBe(String(p.packages[0]!.cutOff.value))
  })
  it('a bed that has lain over three days is raked open again before its seed', () => {
    const said = (pins: object) =>
      JSON.stringify(step(plan('2027-08-20', NORTH, [{ thatch: 16, penetration: 'easy' }], { pins: pins as never }), 'sow')!.how) // prettier-ignore
    expect(said({ 'scarify/z1': '2027-08-25', 'sow/z1': '2027-09-01' })).toContain('rake the bed open again') // prettier-ignore
    expect(said({})).not.toContain('again')
  })
})
