import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { readJob, type JobDraft } from '../src/entities/job.ts'
import { defaultFirm } from '../src/entities/firm.ts'
import {
  SHAPE_KINDS,
  SHAPE_KIND_IDS,
  type Point,
  type Ring,
  type ShapeDraft,
  type ShapeKind,
} from '../src/entities/drawing.ts'
import { planJob } from '../src/pipeline.ts'
import { measurePlan } from '../src/drawing/drawnZones.ts'
import { areaOf } from '../src/drawing/geometry.ts'
import { fromGeoJson, toGeoJson } from '../src/formats/geoJson.ts'
import {
  addShape,
  cutOverlap,
  mergeZones,
  moveShape,
  removeShape,
  splitZone,
} from '../src/drawing/shapeEdits.ts'
import { explain } from '../src/present/explain.ts'
import { READER } from './makeJob.ts'

/**
 * Whatever a person draws, crossed, touching or laid on itself: it is measured, planned and told.
 */
const place: fc.Arbitrary<Point> = fc.oneof(
  fc.tuple(fc.integer({ min: 0, max: 12 }), fc.integer({ min: 0, max: 12 })),
  fc.tuple(
    fc.double({ min: 0, max: 12, noNaN: true }),
    fc.double({ min: 0, max: 12, noNaN: true }),
  ),
)
const maybe = <T>(arb: fc.Arbitrary<T>) => fc.option(arb, { nil: null })
const anyShape: fc.Arbitrary<ShapeDraft> = fc.constantFrom(...SHAPE_KIND_IDS).chain((kind) => {
  const draws = SHAPE_KINDS[kind].draws
  const [least, most] = draws === 'area' ? [3, 7] : draws === 'line' ? [2, 5] : [1, 1]
  return fc.record({
    id: fc.constant('s'),
    kind: fc.constant(kind as ShapeKind),
    zone: kind === 'lawn' ? fc.constantFrom('z0', 'z1') : maybe(fc.constantFrom('z0', 'z1')),
    at: fc.array(fc.array(place, { minLength: least, maxLength: most }), {
      minLength: 1,
      maxLength: draws === 'area' ? 2 : 1,
    }),
    by: fc.constantFrom('tape', 'pacing', 'phone', 'traced', 'imported'),
    height: maybe(fc.double({ min: 0.1, max: 20, noNaN: true })),
    width: maybe(fc.double({ min: 0.02, max: 3, noNaN: true })),
    crown: maybe(fc.double({ min: 0.2, max: 12, noNaN: true })),
    stem: maybe(fc.double({ min: 0, max: 20, noNaN: true })),
    dropsLeaf: fc.boolean(),
    whatIf: fc.constantFrom('as-is', 'gone', 'cut'),
    cutTo: maybe(fc.double({ min: 0, max: 6, noNaN: true })),
    agreed: fc.boolean(),
    depth: maybe(fc.integer({ min: 0, max: 400 })),
  }) as fc.Arbitrary<ShapeDraft>
})
const anyDraft: fc.Arbitrary<JobDraft> = fc.record({
  name: fc.constant('Any plan'),
  site: fc.record({
    latitude: maybe(fc.double({ min: -60, max: 60, noNaN: true })),
    longitude: maybe(fc.double({ min: -180, max: 180, noNaN: true })),
  }),
  zones: fc
    .record({
      levelAim: fc.constantFrom('plane', 'fall', 'smooth'),
      mower: maybe(fc.constantFrom('reel', 'rotary')),
    })
    .map((z) => [
      { id: 'z0', name: 'One', ...z },
      { id: 'z1', name: 'Two', area: 30 },
    ]),
  drawing: fc.record({
    shapes: fc
      .array(anyShape, { maxLength: 9 })
      .map((list) => list.map((s, i) => ({ ...s, id: `s${i}` }))),
    levels: fc.array(
      fc.record({
        zone: maybe(fc.constantFrom('z0', 'z1', 'gone')),
        x: fc.integer({ min: 0, max: 12 }),
        y: fc.integer({ min: 0, max: 12 }),
        mm: fc.integer({ min: -60, max: 60 }),
      }),
      { maxLength: 12 },
    ),
    hills: fc.array(
      fc.record({
        bearing: fc.integer({ min: 0, max: 360 }),
        height: fc.integer({ min: 0, max: 80 }),
      }),
      { maxLength: 3 },
    ),
  }),
}) as fc.Arbitrary<JobDraft>

const read = (draft: JobDraft) => {
  const { job, problems } = readJob(draft)
  if (!job || problems.length > 0) throw new Error(JSON.stringify(problems))
  return job
}

/** Random drawings and their plans, made once for what is to hold of them. */
const drawn = fc.sample(anyDraft, 160).map((draft) => {
  const job = read(draft)
  return { job, plan: planJob(job, { today: '2027-02-22', firm: defaultFirm(), diary: [] }) }
})

describe('any plan', () => {
  it('is measured and planned: finite, never below zero, every figure explained, no notice twice', () => {
    for (const { job, plan } of drawn) {
      const shown = JSON.stringify(job.drawing)
      for (const f of Object.values(plan.figures)) {
        if (typeof f.value === 'number')
          expect(
            Number.isFinite(f.value) && (f.value >= 0 || f.unit === 'C' || f.unit === 'deg'),
            `${f.id} ${f.value} of ${shown}`,
          ).toBe(true)
        expect(explain(plan, f.id, READER)?.formula, shown).not.toMatch(/\{|NaN|undefined/)
      }
      const ids = plan.notices.map((n) => n.id)
      expect(new Set(ids).size, shown).toBe(ids.length)
    }
  })

  it('has zones no larger than they were drawn, holes or not, and a sun no longer than the day', () => {
    for (const { job, plan } of drawn) {
      const shown = JSON.stringify(job.drawing)
      for (const zone of measurePlan(job.drawing).zones.values()) {
        expect(zone.area, shown).toBeLessThanOrEqual(zone.gross + 1e-3)
        expect(
          zone.net.every((a) => areaOf(a) > 0),
          shown,
        ).toBe(true)
        expect(zone.error, shown).toBeGreaterThan(0)
      }
      for (const key of ['sun', 'sun.low', 'sun.high', 'sun.if']) {
        const f = plan.figures[`zone:z0.${key}`]
        if (f) expect(f.value, shown).toBeLessThanOrEqual(18)
      }
      const [low, middle, high] = ['sun.low', 'sun', 'sun.high'].map(
        (key) => plan.figures[`zone:z0.${key}`]?.value as number | undefined,
      )
      if (low !== undefined && high !== undefined && middle !== undefined)
        expect(low <= middle && middle <= high, shown).toBe(true)
    }
    expect(drawn.filter(({ plan }) => plan.figures['zone:z0.sun.low']).length).toBeGreaterThan(10)
  })

  it('is left as drawn by a building of no size: cutting it out would only round the lawn', () => {
    const lawn = { id: 's0', kind: 'lawn', zone: 'z0', at: [[[0, 0.00035], [3, 3], [1, 0], [6, 6], [0, 0]]] } // prettier-ignore
    const speck = { id: 's1', kind: 'building', at: [[[0, 0], [0, 0], [5e-324, 5e-324]]] } // prettier-ignore
    const job = read({ name: 'x', drawing: { shapes: [lawn, speck] } } as JobDraft)
    const zone = measurePlan(job.drawing).zones.get('z0')!
    expect(zone.area).toBe(zone.gross)
    expect(zone.off).toEqual([])
  })

  it('goes out as GeoJSON and comes back the same size', () => {
    fc.assert(
      fc.property(anyDraft, (draft) => {
        const origin = { latitude: -44.2, longitude: 170.1 }
        const shapes = draft.drawing!.shapes!.filter(
          (s) => SHAPE_KINDS[s.kind as ShapeKind].draws !== 'area' || areaOf(s.at as Ring[]) > 0.5,
        )
        fc.pre(shapes.length > 0)
        const back = fromGeoJson(JSON.parse(JSON.stringify(toGeoJson(shapes, origin))), origin)
        if (!back.ok) throw new Error(back.sentence)
        expect(back.shapes.map((s) => s.kind)).toEqual(shapes.map((s) => s.kind))
        back.shapes.forEach((s, i) => {
          if (SHAPE_KINDS[s.kind].draws === 'area')
            expect(Math.abs(areaOf(s.at) - areaOf(shapes[i]!.at as Ring[]))).toBeLessThan(2)
        })
      }),
      { numRuns: 80 },
    )
  })

  it('stands any run of edits: it reads without a problem after each, and no lawn is left without its zone', () => {
    const edit = fc.tuple(
      fc.constantFrom('add', 'split', 'merge', 'cut', 'move', 'remove'),
      place,
      place,
      fc.nat(20),
    )
    fc.assert(
      fc.property(fc.array(edit, { maxLength: 12 }), (edits) => {
        const d: JobDraft = { name: 'x', zones: [] }
        for (const [what, a, b, n] of edits) {
          const zones = (d.zones ?? []).map((z) => z.id)
          const shapes = d.drawing?.shapes ?? []
          const [one, two] = [zones[n % (zones.length || 1)], zones[(n + 1) % (zones.length || 1)]]
          if (what === 'add')
            addShape(
              d,
              'lawn',
              [
                [
                  [a[0], a[1]],
                  [a[0] + 6, a[1]],
                  [a[0] + 6, a[1] + 5],
                  [a[0], a[1] + 5],
                ],
              ],
              'tape',
            )
          else if (what === 'split' && one) splitZone(d, one, a, b)
          else if (what === 'merge' && one && two) mergeZones(d, one, two)
          else if (what === 'cut' && one && two && one !== two) cutOverlap(d, one, two)
          else if (what === 'move' && shapes.length)
            moveShape(d, shapes[n % shapes.length]!.id, 0.1, -0.2)
          else if (what === 'remove' && shapes.length) removeShape(d, shapes[n % shapes.length]!.id)
          const job = read(d)
          const known = new Set(job.zones.map((z) => z.id))
          expect(
            job.drawing.shapes.filter((s) => s.kind === 'lawn').every((s) => known.has(s.zone!)),
          ).toBe(true)
          expect(new Set(job.drawing.shapes.map((s) => s.id)).size).toBe(job.drawing.shapes.length)
        }
      }),
      { numRuns: 150 },
    )
  })
})
