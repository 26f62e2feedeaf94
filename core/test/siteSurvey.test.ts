import { readings, surveyRules } from '../src/walkover/surveyRules.ts'
import { ZONE_FIGURES } from '../src/walkover/zoneFigures.ts'
import { describe, expect, it } from 'vitest'
import type { JobDraft } from '../src/entities/job.ts'
import type { ShapeDraft } from '../src/entities/drawing.ts'
import { num } from '../src/trace/figure.ts'
import { classByFeel, nextFeel } from '../src/reference/walkLists.ts'
import { planOf, valueOf, zone } from './makeJob.ts'

const box = (x: number, y: number, w: number, h: number): [number, number][] => [
  [x, y],
  [x + w, y],
  [x + w, y + h],
  [x, y + h],
]
const lawn = (ring: [number, number][], z = 'z1', more: Partial<ShapeDraft> = {}): ShapeDraft => ({
  id: `l-${z}`,
  kind: 'lawn',
  zone: z,
  at: [ring],
  ...more,
})
const drawnZone = (more = {}) => zone({ area: null, sunHours: null, ...more })
const site = { latitude: -44.2, longitude: 170.1, frost: '25 Apr', soilTemperature: '17.4 °C' }
const job = (shapes: ShapeDraft[], zones = [drawnZone()], more: Partial<JobDraft> = {}) =>
  planOf({
    zones,
    drawing: { shapes, ...more.drawing },
    site,
    ...more,
    ...(more.drawing ? { drawing: { shapes, ...more.drawing } } : {}),
  })
const notice = (plan: ReturnType<typeof planOf>, id: string) =>
  plan.notices.find((n) => n.id === id)
const house: ShapeDraft = {
  id: 'h',
  kind: 'building',
  name: 'house',
  at: [box(0, 20, 20, 8)],
  height: '6 m',
}

describe('a drawn zone in the plan', () => {
  it('takes its area from the outline, holes off, and the slope into account where it was traced', () => {
    const bed: ShapeDraft = { id: 'b', kind: 'bed', at: [box(2, 2, 4, 3)] }
    expect(valueOf(job([lawn(box(0, 0, 20, 10)), bed]), 'zone:z1.area')).toBeCloseTo(188, 6)
    // 1 in 5: √(1 + 0.2²) = 1.0198, true by definition; a tape has gone down the slope already.
    const traced = (by: 'traced' | 'tape') =>
      valueOf(
        job([lawn(box(0, 0, 20, 10), 'z1', { by })], [drawnZone({ slope: '1 in 5' })]),
        'zone:z1.area',
      )
    expect(traced('traced')).toBeCloseTo(200 * 1.0198, 2)
    expect(traced('tape')).toBe(200)
  })

  it('counts a typed area first, says when the two disagree, and needs no drawing at all', () => {
    const both = job([lawn(box(0, 0, 20, 10))], [zone({ area: '150 m²' })])
    expect(valueOf(both, 'zone:z1.area')).toBe(150)
    expect(notice(both, 'zone:z1.two-areas')?.says).toContain('200 m² is drawn')
    expect(
      notice(job([lawn(box(0, 0, 20, 10))], [zone({ area: '199 m²' })]), 'zone:z1.two-areas'),
    ).toBeUndefined()
    expect(
      planOf({ zones: [zone({ area: '150 m²' })] }).notices.filter((n) => n.stage === 1),
    ).toEqual([])
  })

  it('a level at the edge of a lawn is of it, and one outside every lawn is told', () => {
    const at = (x: number, y: number) => ({ x, y, mm: 0, zone: null })
    const levels = [at(1, 1), at(10, 1), at(1, 9), at(20.2, 5)]
    const plan = (more: object[] = []) =>
      job([lawn(box(0, 0, 20, 10))], [drawnZone()], {
        drawing: { levels: [...levels, ...more] },
      } as never)
    expect(plan().survey.zones.z1!.levels?.readings).toBe(4)
    expect(notice(plan(), 'levels-outside')).toBeUndefined()
    const told = notice(plan([at(25, 5), at(-3, 2)]), 'levels-outside')
    expect([told?.title, told?.says]).toEqual(['2 level readings lie outside every lawn.', expect.stringContaining('25 m east and 5 m north') as string]) // prettier-ignore
    expect(plan([at(25, 5)]).survey.zones.z1!.levels?.readings).toBe(4)
  })

  it('asks which of several sizes is right, the one that counts first; beds come off what is typed', () => {
    const sizes = (z: object, shapes = [lawn(box(0, 0, 20, 10))]) =>
      job(shapes, [zone({ area: null, ...z })]).survey.zones.z1!.sizes
    expect(sizes({ area: '150 m²', length: '20 m', width: '9 m' })).toEqual([{ from: 'typed', area: 150 }, { from: 'drawn', area: 200 }, { from: 'sides', area: 180 }]) // prettier-ignore
    expect(sizes({ length: '30 m', width: '10 m' }).map((s) => s.from)).toEqual(['drawn', 'sides'])
    expect(sizes({ area: '230 m²', deductions: [{ what: 'bed', area: '30 m²' }] })).toEqual([])
    expect(sizes({ area: '100 m²', length: '10 m', width: '10 m' }, [])).toEqual([])
  })

  it('asks which cover is right where the typed one lies outside what the count leaves open', () => {
    const covers = (wanted: number | null, more = {}) => job([], [zone({ cover: { wanted, weeds: wanted === null ? null : 100 - wanted, moss: wanted === null ? null : 0, bare: wanted === null ? null : 0 }, pointCounts: { wanted: 30, weeds: 10, moss: 0, bare: 20 }, ...more })]) // prettier-ignore
    expect(covers(80).survey.zones.z1!.covers).toMatchObject({ typed: 80, counted: 50 })
    expect(notice(covers(80), 'zone:z1.two-covers')?.says).toContain('80 %')
    expect(covers(52).survey.zones.z1!.covers).toBeNull()
    expect(covers(null).survey.zones.z1!.covers).toBeNull()
    expect(covers(80, { pointCounts: null }).survey.zones.z1!.covers).toBeNull()
  })

  it('says how far its area may be out, and what that is worth in bags', () => {
    const paced = job([lawn(box(0, 0, 20, 10), 'z1', { by: 'pacing' })])
    expect(valueOf(paced, 'zone:z1.area.error')).toBeGreaterThan(20)
    const seed = paced.materials.find((m) => m.id.startsWith('seed'))!
    expect(seed.doubt).toMatch(/± [\d.]+ k?g for the area: /)
    const taped = job([lawn(box(0, 0, 20, 10))])
    expect(valueOf(taped, 'zone:z1.area.error')).toBeLessThan(
      valueOf(paced, 'zone:z1.area.error') as number,
    )
    expect(
      planOf({ zones: [zone()] }).materials.some((m) => m.doubt.includes('for the area')),
    ).toBe(false)
  })

  it('overlapping another says so, once, and how much', () => {
    const plan = job(
      [lawn(box(0, 0, 10, 10), 'z1'), lawn(box(8, 0, 10, 10), 'z2')],
      [drawnZone(), drawnZone({ id: 'z2', name: 'Second' })],
    )
    expect(notice(plan, 'overlap.z1.z2')?.says).toContain('20 m²')
  })
})

describe('light from the plan', () => {
  it('decides the grass where nobody noted the hours, and gives way to whoever did', () => {
    const walled = [lawn(box(0, 0, 20, 4)), { ...house, at: [box(-10, 5, 40, 8)], height: '12 m' }]
    const cast = job(walled)
    expect(cast.figures['zone:z1.sun']?.rule).toBe('survey.light')
    expect(valueOf(cast, 'zone:z1.sun')).toBeLessThan(5.5)
    expect(cast.findings.find((f) => f.kind === 'light')?.verdict).not.toBe('unread')
    const typed = job(walled, [drawnZone({ sunHours: '6 h' })])
    expect(valueOf(typed, 'zone:z1.sun')).toBe(6)
    expect(valueOf(typed, 'zone:z1.sun.cast')).toBe(valueOf(cast, 'zone:z1.sun'))
  })

  it('counts the sun lost behind a bank, noted or read off its levels; a slope with no direction hides none', () => {
    const far: ShapeDraft = { id: 'h', kind: 'building', at: [box(200, 0, 5, 5)], height: '3 m' }
    const sun = (more: object, levels: { x: number; y: number; mm: number }[] = []) =>
      valueOf(
        job([lawn(box(0, 0, 20, 10)), far], [drawnZone(more)], { drawing: { levels } }),
        'zone:z1.sun',
      ) as number
    const flat = sun({})
    expect(sun({ slope: '1 in 1.5' })).toBe(flat)
    const south = sun({ slope: '1 in 1.5', slopeTowards: 180 })
    expect(south).toBeLessThan(flat - 0.2)
    expect(sun({ slope: '1 in 3', slopeTowards: 0 })).toBeGreaterThan(south)
    // The same bank as four heights: two thirds of a metre down each metre southwards.
    const read = [1, 19].flatMap((x) => [1, 9].map((y) => ({ x, y, mm: (1000 * y) / 1.5 })))
    expect(sun({}, read)).toBe(south)
  })

  it('is not cast without a place or with nothing in the way', () => {
    expect(job([lawn(box(0, 0, 20, 4))]).findings.find((f) => f.kind === 'light')?.verdict).toBe(
      'unread',
    )
    expect(
      job([lawn(box(0, 0, 20, 4)), house], [drawnZone()], { site: {} }).figures['zone:z1.sun']
        ?.standing,
    ).toBe('assumed')
  })

  it('tells the hours a what-if would gain, and counts on it only once agreed', () => {
    const tree: ShapeDraft = {
      id: 't',
      kind: 'tree',
      at: [[[10, 7]]],
      height: '14 m',
      crown: '12 m',
      stem: '1 m',
      whatIf: 'gone',
    }
    const shapes = [lawn(box(0, 0, 20, 5)), tree]
    const asked = job(shapes)
    expect(valueOf(asked, 'zone:z1.sun.if')).toBeGreaterThan(
      (valueOf(asked, 'zone:z1.sun') as number) + 1,
    )
    const agreed = job([shapes[0]!, { ...tree, agreed: true }])
    expect(valueOf(agreed, 'zone:z1.sun')).toBe(valueOf(asked, 'zone:z1.sun.if'))
  })

  it('offers a zone of two lights as two', () => {
    const wings: ShapeDraft[] = [-9, 21].map((x) => ({
      id: `w${x}`,
      kind: 'building',
      at: [box(x, 14, 8, 10)],
      height: '22 m',
    }))
    const plan = job([
      lawn(box(0, 0, 20, 24)),
      { ...house, at: [box(-30, 24.5, 80, 8)], height: '26 m' },
      ...wings,
    ])
    expect(plan.survey.mixedLight).toEqual(['z1'])
    expect(notice(plan, 'zone:z1.mixed-light')?.says).toContain('cut in two')
  })
})

describe('levels in the plan', () => {
  const levels = Array.from({ length: 441 }, (_, i) => {
    const [x, y] = [i % 21, Math.floor(i / 21)]
    return { zone: 'z1', x, y, mm: -30 * Math.max(0, 1 - Math.hypot(x - 10, y - 10) / 5) }
  })
  const shapes = [lawn(box(0, 0, 20, 20))]
  const planned = (more: Partial<JobDraft> = {}) =>
    job(shapes, [drawnZone({ sunHours: '7 h', mower: 'reel', heightOfCut: '20 mm' })], {
      drawing: { levels },
      ...more,
    })

  it('ask for levelling, fill each dip, in lifts by the smother line, with barrows', () => {
    const plan = planned()
    expect(plan.zones[0]!.approach.chosen).toBe('overseed-level')
    const fill = valueOf(plan, 'zone:z1.fill') as number
    // A cone 10 m across and 30 mm deep holds 0.785 m³; the plane sinks into it a little.
    expect(fill).toBeGreaterThan(0.55)
    expect(fill).toBeLessThan(0.95)
    expect(valueOf(plan, 'zone:z1.dressing.volume')).toBe(fill)
    const lifts = num(plan.figures['zone:z1.dressing.lifts']!)
    expect(lifts).toBe(
      Math.ceil(
        num(plan.figures['zone:z1.lows.deepest']!) / num(plan.figures['zone:z1.dressing.limit']!),
      ),
    )
    expect(lifts).toBeGreaterThan(5)
    expect(notice(plan, 'zone:z1.smother')?.says).toMatch(
      /bury and reseed the [\d.]+ m² that lie deeper/,
    )
    const [dip] = plan.survey.zones.z1!.levels!.dips
    expect(dip!.barrows).toBe(Math.ceil((dip!.volume * 1.12) / 0.95 / 0.08))
  })

  it('given a fall and no direction, fall away from the building; with one, that way', () => {
    // The house stands north of the lawn, so away from it is south: a surface that already falls 1
    // % south needs next to nothing.
    const southward = levels.map((l) => ({ ...l, mm: 10 * l.y }))
    const fill = (zone: object) =>
      valueOf(
        job(
          [...shapes, house],
          [drawnZone({ sunHours: '7 h', levelAim: 'fall', fall: '1 %', ...zone })],
          { drawing: { levels: southward } },
        ),
        'zone:z1.fill',
      )
    expect(fill({})).toBeLessThan(0.05)
    expect(fill({ fallTowards: 0 })).toBeGreaterThan(5)
  })

  it('lie under a blanket without being counted twice', () => {
    const [fill, both] = [
      valueOf(planned(), 'zone:z1.fill') as number,
      valueOf(planned({ dressing: { depth: '6 mm' } }), 'zone:z1.dressing.volume') as number,
    ]
    expect(both).toBeGreaterThan(2.4)
    expect(both).toBeLessThan(2.4 + fill)
  })

  it('and a settled trench comes on top, even where nothing else is dressed', () => {
    const trench: ShapeDraft = {
      id: 't',
      kind: 'trench',
      zone: 'z1',
      at: [
        [
          [0, 0],
          [10, 0],
        ],
      ],
      width: 0.5,
      depth: 100,
      settling: 20,
    }
    const plan = job([...shapes, trench], [drawnZone({ sunHours: '7 h' })])
    // 0.6 m³ with what it settles, once; ÷ 0.95 for what is raked off.
    expect(valueOf(plan, 'zone:z1.trench.order')).toBeCloseTo((10 * 0.5 * 0.1 * 1.2) / 0.95, 9)
    expect(plan.materials.find((m) => m.id === 'soil.topsoil')).toBeDefined()
    expect(plan.steps.find((s) => s.kind === 'trench')!.hours.value).toBeGreaterThan(0)
  })

  it('warn when the ground falls to the house, and when they leave most of it unread', () => {
    const falling = levels.map((l) => ({ ...l, mm: -20 * l.y }))
    expect(
      notice(
        job([...shapes, house], [drawnZone()], { drawing: { levels: falling } }),
        'zone:z1.falls-to.h',
      )?.says,
    ).toContain('2 %')
    expect(
      notice(
        job(shapes, [drawnZone()], { drawing: { levels: levels.filter((l) => l.x < 10) } }),
        'zone:z1.levels-short',
      ),
    ).toBeDefined()
  })
})

describe('counts and what was seen', () => {
  it('a count stands in for typed cover, with its interval, and says what would settle the line', () => {
    const pointCounts = { wanted: 25, weeds: 5, moss: 20, bare: 10 }
    const plan = planOf({ zones: [zone({ cover: {}, pointCounts })], schools: { cover: 'fifty' } })
    expect(valueOf(plan, 'zone:z1.wanted')).toBeCloseTo(41.7, 1)
    expect(plan.figures['zone:z1.wanted.interval']?.value).toMatchObject({ low: 31, high: 53 })
    expect(notice(plan, 'zone:z1.count-open')?.says).toMatch(/About \d+ more looks/)
    expect(
      notice(
        planOf({ zones: [zone({ cover: {}, pointCounts })], schools: { cover: 'thirty' } }),
        'zone:z1.count-open',
      ),
    ).toBeUndefined()
  })

  it.each([
    [{ thatch: null, plugs: ['10 mm', '20 mm', '24 mm'] }, 'thatch', 'act', 'matted'],
    [{ penetration: null, pressure: '2.4 MPa' }, 'compaction', 'act', 'compacted'],
    [{ penetration: null, pressure: '80 psi' }, 'compaction', 'fine', 'open'],
    [{ damp: 'dry' as const }, 'moisture', 'act', 'water-repellent'],
    [{ ponding: '3 h' }, 'moisture', 'act', 'ponding'],
    [{ pests: [{ kind: 'larvae' as const, active: true }] }, 'pests', 'hold', 'live pests'],
    [{ pests: [{ kind: 'larvae' as const, active: false }] }, 'pests', 'fine', 'pests gone'],
    [{ weedsSeen: ['clover' as const] }, 'weeds', 'act', 'hungry'],
    [{ weedsSeen: ['plantain' as const] }, 'weeds', 'act', 'weeds of packed soil'],
    [{ diseases: [{ kind: 'dog-rings' as const, active: true }] }, 'disease', 'act', 'dog rings'],
    [{ lab: { phosphorus: 'low' as const } }, 'lab', 'act', 'short of phosphorus'],
  ])('%j is read as %s: %s, %s', (change, kind, verdict, word) => {
    expect(planOf({ zones: [zone(change)] }).findings.find((f) => f.kind === kind)).toMatchObject({
      verdict,
      word,
    })
  })

  it('live pests stand against sowing until they are gone', () => {
    const plan = (active: boolean) =>
      planOf({ zones: [zone({ pests: [{ kind: 'grubs', active }] })] })
    expect(notice(plan(true), 'zone:z1.live-pests')).toMatchObject({
      level: 'hold',
      says: expect.stringContaining('Never sow into live pests'),
    })
    expect(notice(plan(false), 'zone:z1.live-pests')).toBeUndefined()
  })

  it.each([
    ['pH', { cover: { wanted: 50, weeds: 10, moss: 30, bare: 10 } }, { ph: 5.8 }],
    ['How long water stands', { penetration: 'stops' as const }, { ponding: '10 min' }],
    ['Levels', { mower: 'reel' as const }, { lowsDepth: '4 mm' }],
    ['Three plugs of thatch', { thatch: '13 mm' }, { plugs: ['12 mm', '13 mm', '14 mm'] }],
    ['Texture', { texture: null }, { texture: 'loam' as const }],
    ['The grass there now', { present: [] }, { present: ['browntop' as const] }],
    ['A wedge at 75 mm', { thatch: '28 mm' }, { damp: 'moist' as const }],
    ['How it was measured', { area: '600 m²' }, { by: 'tape' as const }],
  ])(
    '%s is wanted while its answer could change something, with why, and no longer once it is read',
    (what, before, read) => {
      const wanted = (change: object) =>
        planOf({ zones: [zone(change)] }).wanted.z1!.find((x) => x.what === what)
      expect(wanted(before)?.why).toMatch(/\.$/)
      expect(wanted({ ...before, ...read })).toBeUndefined()
    },
  )

  it('a bucket under the tap is a flow', () => {
    const plan = planOf({ zones: [zone()], site: { ...site, bucket: '10 L', bucketSeconds: 30 } })
    expect(valueOf(plan, 'job.water.flow')).toBe(20)
  })

  it('the feel test asks no more than it needs and ends in a class', () => {
    expect([
      nextFeel({}),
      nextFeel({ ball: 'yes' }),
      nextFeel({ ball: 'yes', ribbon: 'short' }),
      nextFeel({ ball: 'no' }),
    ]).toEqual(['ball', 'ribbon', 'grit', null])
    expect(classByFeel({ ball: 'no' })).toBe('sand')
    expect(classByFeel({ ball: 'yes', ribbon: 'short', grit: 'gritty' })).toBe('sandy-loam')
    expect([
      classByFeel({ ball: 'yes', ribbon: 'short', grit: 'smooth' }),
      classByFeel({ ball: 'yes', ribbon: 'mid' }),
      classByFeel({ ball: 'yes', ribbon: 'long' }),
    ]).toEqual(['loam', 'clay-loam', 'clay'])
    expect(classByFeel({ ball: 'yes' })).toBeNull()
  })
  it('how a mix stands in each light is told only where light was cast and differs; shade keeps more of the fescue', () => {
    const mix = [{ grass: 'perennial-ryegrass', share: 60 }, { grass: 'creeping-red-fescue', share: 40 }] // prettier-ignore
    const seed = (sun: object) => job([lawn(box(0, 0, 20, 14)), { ...house, at: [box(-10, 14.5, 40, 8)], height: '9 m' }], [drawnZone({ mix, ...sun })]).zones[0]!.seed! // prettier-ignore
    const [dark, middle, bright] = seed({}).inLight
    const fescue = (x: typeof dark) =>
      x!.plants.find((p) => p.grass === 'creeping-red-fescue')!.share
    expect(Number(dark!.lasts.value)).toBeLessThan(Number(bright!.lasts.value))
    expect(Number(middle!.sun.value)).toBeGreaterThan(Number(dark!.sun.value))
    expect(fescue(dark)).toBeGreaterThan(fescue(bright))
    for (const light of [dark!, middle!, bright!])
      expect(light.plants.reduce((sum, p) => sum + p.share, 0)).toBeCloseTo(100, 9)
    expect(seed({ sunHours: '4 h' }).inLight).toEqual([])
  })
})

describe('the figures that pages ask for', () => {
  it('each have a rule or a reading of their key', () => {
    const declared = [...Object.values(surveyRules), ...Object.values(readings)].map((d) => d.key)
    // The two that one rule yields in parts are named where they are worked.
    const parts = ['sun.cast', 'sun.high']
    for (const key of Object.values(ZONE_FIGURES)) expect([...declared, ...parts]).toContain(key)
  })
})
