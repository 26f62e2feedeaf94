import * as turf from '@turf/turf'
import fc from 'fast-check'
import { getArea, getLength } from 'ol/sphere.js'
import GeoJSON from 'ol/format/GeoJSON.js'
import { describe, expect, it } from 'vitest'
import {
  drawingSchema,
  shapeSchema,
  type Point,
  type Ring,
  type ShapeDraft,
} from '../src/entities/drawing.ts'
import { areaError, MEASURING } from '../src/drawing/areaError.ts'
import { measurePlan, trenchVolume, zoneAt } from '../src/drawing/drawnZones.ts'
import {
  areaOf,
  cutAway,
  inside,
  joined,
  lengthOf,
  perimeterOf,
  selfCrossing,
  shared,
  signedArea,
  splitAlong,
} from '../src/drawing/geometry.ts'
import { fromGeoJson, toGeoJson } from '../src/formats/geoJson.ts'
import { projectionError, radiiAt, toEarth, toPlan } from '../src/drawing/localMetres.ts'
import {
  byOffsets,
  circle,
  lShape,
  rectangle,
  triangle,
  withEdge,
  withPiece,
  type Outline,
} from '../src/drawing/typedShapes.ts'

const ringOf = (o: Outline): Ring => {
  if (!o.ok) throw new Error(o.sentence)
  return o.ring
}
const box = (x: number, y: number, w: number, h: number): Ring => [
  [x, y],
  [x + w, y],
  [x + w, y + h],
  [x, y + h],
]
const lawn = (
  id: string,
  zone: string,
  ring: Ring,
  more: Partial<ShapeDraft> = {},
): ShapeDraft => ({ id, kind: 'lawn', zone, at: [ring], ...more })
const plan = (shapes: ShapeDraft[]) => drawingSchema.parse({ shapes })

describe('areas', () => {
  // By hand: 20 × 10 less a 4 × 3 bed is 188; round it, 60 + 14.
  it('of a rectangle with a hole, and its edge', () => {
    const rings = [box(0, 0, 20, 10), box(5, 4, 4, 3)]
    expect(areaOf(rings)).toBe(188)
    expect(perimeterOf(rings)).toBe(74)
    expect(signedArea(box(0, 0, 2, 3))).toBe(6)
    expect(signedArea([...box(0, 0, 2, 3)].reverse())).toBe(-6)
  })

  it('of a triangle by three sides is Heron’s', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 80, noNaN: true }),
        fc.double({ min: 1, max: 80, noNaN: true }),
        fc.double({ min: 0.05, max: 0.95, noNaN: true }),
        (a, b, t) => {
          const c = Math.abs(a - b) + t * (a + b - Math.abs(a - b))
          const s = (a + b + c) / 2
          const heron = Math.sqrt(s * (s - a) * (s - b) * (s - c))
          const ring = ringOf(triangle(a, b, c))
          expect(areaOf([ring])).toBeCloseTo(heron, 6)
          expect(lengthOf(ring, true)).toBeCloseTo(a + b + c, 6)
        },
      ),
    )
    expect(triangle(3, 4, 8)).toMatchObject({
      ok: false,
      sentence: expect.stringContaining('do not close'),
    })
  })

  it('of typed shapes are those of the textbook', () => {
    expect(areaOf([ringOf(rectangle(20.5, 8.4))])).toBeCloseTo(172.2, 9)
    expect(areaOf([ringOf(lShape(10, 8, 4, 3))])).toBe(68)
    expect(areaOf([ringOf(circle(10))])).toBeCloseTo(Math.PI * 25, 9)
    // Trapezoid rule by hand: (2+4)/2·5 + (4+3)/2·5 = 32.5.
    expect(
      areaOf([
        ringOf(
          byOffsets([
            { along: 0, off: 2 },
            { along: 5, off: 4 },
            { along: 10, off: 3 },
          ]),
        ),
      ]),
    ).toBe(32.5)
    for (const bad of [
      rectangle(0, 4),
      rectangle(NaN, 4),
      lShape(4, 4, 5, 1),
      circle(-1),
      byOffsets([]),
      byOffsets([
        { along: 3, off: 1 },
        { along: 2, off: 1 },
      ]),
    ])
      expect(bad).toMatchObject({ ok: false, sentence: expect.stringMatching(/\.$/) })
  })

  it('follow an edge made exact: a rectangle stays one', () => {
    expect(withEdge(box(0, 0, 10, 4), 0, 12)).toEqual(box(0, 0, 12, 4))
    expect(areaOf([withEdge(box(0, 0, 10, 4), 1, 5)])).toBe(50)
    expect(
      withPiece(
        [
          [0, 0],
          [4, 0],
          [4, 3],
        ],
        0,
        6,
      ),
    ).toEqual([
      [0, 0],
      [6, 0],
      [6, 3],
    ])
    expect(
      withPiece(
        [
          [0, 0],
          [4, 0],
        ],
        0,
        -1,
      ),
    ).toEqual([
      [0, 0],
      [4, 0],
    ])
    const bent = withEdge(
      [
        [0, 0],
        [10, 0],
        [4, 8],
      ],
      0,
      12,
    )
    expect(Math.hypot(bent[1]![0] - bent[0]![0], bent[1]![1] - bent[0]![1])).toBe(12)
  })

  it('agree with turf for any outline, and with its clipping', () => {
    // turf measures on a sphere of 6,371,008.8 m: near the equator at this size a plane of the same
    // radius differs by parts in a million.
    const degrees = 180 / Math.PI / 6_371_008.8
    const onSphere = (areas: Ring[][]) =>
      areas.reduce(
        (s, rings) =>
          s +
          turf.area(
            turf.polygon(
              rings.map((r) => [...r, r[0]!].map(([x, y]) => [x * degrees, y * degrees])),
            ),
          ),
        0,
      )
    const size = (areas: Ring[][]) => areas.reduce((s, a) => s + areaOf(a), 0)
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 3, max: 30 }), { minLength: 3, maxLength: 12 }),
        fc.integer({ min: -200, max: 200 }),
        (radii, tenths) => {
          const shift = tenths / 10 + 0.03
          const star = radii.map((r, i): Point => [
            r * Math.cos((2 * Math.PI * i) / radii.length),
            r * Math.sin((2 * Math.PI * i) / radii.length),
          ])
          const square = box(shift, shift, 15, 15)
          expect(areaOf([star]) / onSphere([[star]])).toBeCloseTo(1, 4)
          const [off, both, all] = [
            cutAway([[star]], [[square]]),
            shared([[star]], [[square]]),
            joined([[star], [square]]),
          ]
          expect(size(off) + size(both)).toBeCloseTo(areaOf([star]), 1)
          expect(size(all)).toBeCloseTo(size(off) + 225, 1)
          const theirs = turf.intersect(
            turf.featureCollection([
              turf.polygon([[...star, star[0]!]]),
              turf.polygon([[...square, square[0]!]]),
            ]),
          )
          const rings = theirs
            ? theirs.geometry.type === 'Polygon'
              ? [theirs.geometry.coordinates]
              : theirs.geometry.coordinates
            : []
          expect(size(both)).toBeCloseTo(
            size(rings.map((r) => r.map((ring) => ring.slice(0, -1) as Ring))),
            1,
          )
          const [left, right] = splitAlong([[star]], [shift / 4, -50], [shift / 4 + 3, 50])
          expect(size(left) + size(right)).toBeCloseTo(areaOf([star]), 1)
        },
      ),
      { numRuns: 60 },
    )
  })

  it('say where an outline crosses itself, and what lies inside', () => {
    expect(
      selfCrossing([
        [0, 0],
        [10, 10],
        [10, 0],
        [0, 10],
      ]),
    ).toEqual([5, 5])
    expect(selfCrossing(box(0, 0, 4, 4))).toBeNull()
    expect(inside([1, 1], [box(0, 0, 4, 4), box(0.5, 0.5, 1, 1)])).toBe(false)
  })

  it('carry the error their measuring allows: it grows with the corners’ and is found again by drawing them anew', () => {
    const ring = box(0, 0, 20, 10)
    const sigma = MEASURING.phone.place
    // Monte Carlo against the first-order formula, seeded.
    let seed = 7
    const uniform = () => (seed = (seed * 16807) % 2147483647) / 2147483647
    const normal = () => Math.sqrt(-2 * Math.log(uniform())) * Math.cos(2 * Math.PI * uniform())
    const areas = Array.from({ length: 20_000 }, () =>
      signedArea(ring.map(([x, y]): Point => [x + 0.2 * normal(), y + 0.2 * normal()])),
    )
    const mean = areas.reduce((a, b) => a + b) / areas.length
    const sd = Math.sqrt(areas.reduce((s, a) => s + (a - mean) ** 2, 0) / areas.length)
    expect(areaError([ring], 'phone', 0.2) / sd).toBeCloseTo(1, 1)
    expect(areaError([ring], 'phone') / areaError([ring], 'phone', 0.2)).toBeCloseTo(sigma / 0.2, 6)
    expect(areaError([ring], 'tape')).toBeLessThan(areaError([ring], 'pacing'))
  })
})

describe('the plan measured', () => {
  it('counts a trench where two lawns overlap once', () => {
    const trench = { id: 't', kind: 'trench' as const, at: [[[6, 5], [8, 5]]] as [number, number][][], width: 0.5, depth: '200 mm' } // prettier-ignore
    const m = measurePlan(
      plan([lawn('a', 'z1', box(0, 0, 10, 10)), lawn('b', 'z2', box(5, 0, 10, 10)), trench]),
    )
    expect([...m.zones.values()].map((z) => z.trenches.length)).toEqual([1, 0])
  })
  it('takes beds and buildings off, adds parts, and counts patches, lines and trenches where they lie', () => {
    const m = measurePlan(
      plan([
        lawn('a', 'z1', box(0, 0, 20, 10)),
        lawn('b', 'z1', box(30, 0, 5, 5)),
        { id: 'bed', kind: 'bed', at: [box(18, 8, 4, 4)] },
        { id: 'house', kind: 'building', at: [box(-5, -5, 6, 6)] },
        { id: 'p', kind: 'bare', at: [box(2, 2, 2, 1)] },
        {
          id: 'w',
          kind: 'worn',
          at: [
            [
              [3, 3],
              [13, 3],
            ],
          ],
          width: '800 mm',
        },
        {
          id: 't',
          kind: 'trench',
          at: [
            [
              [5, 5],
              [15, 5],
            ],
          ],
          width: 0.5,
          depth: '200 mm',
          settling: 15,
        },
        {
          id: 'e',
          kind: 'edge',
          zone: 'z1',
          at: [
            [
              [0, 0],
              [20, 0],
            ],
          ],
        },
      ]),
    ).zones.get('z1')!
    expect(m.gross).toBe(225)
    expect(m.area).toBeCloseTo(225 - 4 - 1, 9)
    expect(m.patches).toEqual({ count: 1, area: 2 })
    expect([m.worn, m.edges]).toEqual([8, 20])
    // 10 × 0.5 × 0.2 × 1.15, by hand.
    const { length, width, depth } = m.trenches[0]!
    expect(trenchVolume({ length, width, depth, settling: 15 })).toBeCloseTo(1.15, 9)
    expect(length).toBe(10)
  })

  it('counts of a mark what lies on each lawn, a line at its edge whole, and names the rest', () => {
    const run = (x1: number, y1: number, x2: number, y2: number) => [[[x1, y1], [x2, y2]]] as [number, number][][] // prettier-ignore
    const m = measurePlan(
      plan([
        lawn('a', 'z1', box(0, 0, 10, 10)),
        lawn('b', 'z2', box(10, 0, 10, 10)),
        // Half on each lawn; a quarter on the second and the rest on none; on none at all.
        { id: 'both', kind: 'bare', at: [box(9, 2, 2, 1)] },
        { id: 'over', kind: 'bare', at: [box(18, 9, 4, 1)] },
        { id: 'off', kind: 'low', at: [box(40, 40, 2, 2)], depth: '20 mm' },
        // From the first lawn out over its edge; along the edge a hand's breadth outside it.
        { id: 'path', kind: 'worn', at: run(5, 5, 5, 15), width: '500 mm' },
        { id: 'kerb', kind: 'edge', at: run(0, -0.2, 10, -0.2) },
        { id: 'mine', kind: 'bare', zone: 'z1', at: [box(9, 6, 2, 1)] },
      ]),
    )
    const [first, second] = [m.zones.get('z1')!, m.zones.get('z2')!]
    expect([first.patches.area, second.patches.area]).toEqual([1 + 1, 1 + 2])
    // 5 m, and the 0.3 m that still counts as at the edge.
    expect(first.worn).toBeCloseTo(5.3 * 0.5, 4)
    expect([first.edges, second.lows.area]).toEqual([10, 0])
    const partly = m.marks.map(({ shape, on, whole }) => [shape, Math.round(on * 10) / 10, whole])
    expect(partly).toEqual([
      ['over', 2, 4],
      ['off', 0, 4],
      ['path', 5.3, 10],
      ['mine', 1, 2],
    ])
  })
  it('says where zones overlap, and knows touching from overlapping', () => {
    const m = measurePlan(
      plan([
        lawn('a', 'z1', box(0, 0, 10, 10)),
        lawn('b', 'z2', box(8, 0, 10, 10)),
        lawn('c', 'z3', box(18, 0, 5, 5)),
      ]),
    )
    expect(m.overlaps).toHaveLength(1)
    expect(m.overlaps[0]).toMatchObject({ zones: ['z1', 'z2'], at: [9, 5] })
    expect(m.overlaps[0]!.area).toBeCloseTo(20, 9)
    expect(zoneAt([20, 2], plan([lawn('c', 'z3', box(18, 0, 5, 5))]))).toBe('z3')
  })

  it('stays whole on 60 zones and 300 shapes', () => {
    const shapes = Array.from({ length: 60 }, (_, i) =>
      lawn(`l${i}`, `z${i}`, box((i % 10) * 12, Math.floor(i / 10) * 12, 11, 11)),
    )
    const beds = Array.from({ length: 240 }, (_, i): ShapeDraft => ({
      id: `b${i}`,
      kind: 'bed',
      at: [box((i % 20) * 6 + 1, Math.floor(i / 20) * 6 + 1, 2, 2)],
    }))
    const m = measurePlan(plan([...shapes, ...beds]))
    expect(m.marks).toEqual([])
    const total = [...m.zones.values()].reduce((s, z) => s + z.area, 0)
    expect(total).toBeCloseTo(60 * 121 - 240 * 4, 6)
  })
})

describe('between the earth and the plan', () => {
  const origin = { latitude: -44.2, longitude: 170.1 }
  it('there and back is the same place', () => {
    const [x, y] = toPlan(toEarth([123.4, -56.7], origin), origin)
    expect(x).toBeCloseTo(123.4, 6)
    expect(y).toBeCloseTo(-56.7, 6)
    expect(toPlan([-179.999, 10], { latitude: 10, longitude: 179.999 })[0]).toBeCloseTo(219, 0)
  })

  it('measures an imported outline as the earth does, to 0.1 %, and says how far it drifts', () => {
    // ol/sphere measures on a sphere; the plan on the WGS 84 ellipsoid. Given the ellipsoid’s own
    // radius there (Gauss, √(meridian·across)) they must agree.
    for (const latitude of [-66, -44.2, 0, 35, 60]) {
      const at = { latitude, longitude: 12 }
      const ring: Ring = [
        [-40, -30],
        [45, -25],
        [60, 30],
        [0, 55],
        [-50, 20],
      ]
      const file = toGeoJson([lawn('a', 'z1', ring)], at)
      const read = fromGeoJson(JSON.parse(JSON.stringify(file)), null)
      if (!read.ok) throw new Error(read.sentence)
      const geometry = new GeoJSON().readGeometry(file.features[0]!.geometry!)
      const { meridian, across } = radiiAt(latitude)
      const theirs = getArea(geometry!, {
        projection: 'EPSG:4326',
        radius: Math.sqrt(meridian * across),
      })
      expect(areaOf(read.shapes[0]!.at) / theirs).toBeCloseTo(1, 3)
      expect(Math.abs(areaOf(read.shapes[0]!.at) / theirs - 1)).toBeLessThan(0.001)
      // With its own mean sphere it is the ellipsoid’s flattening out, at most 0.7 %.
      expect(
        Math.abs(areaOf(read.shapes[0]!.at) / getArea(geometry!, { projection: 'EPSG:4326' }) - 1),
      ).toBeLessThan(0.008)
      const line = new GeoJSON().readGeometry({
        type: 'LineString',
        coordinates: [
          [0, 0],
          [100, 0],
        ].map((p) => toEarth(p as Point, at)),
      })
      expect(getLength(line!, { projection: 'EPSG:4326', radius: across }) / 100).toBeCloseTo(1, 4)
    }
    expect(projectionError(1000, origin)).toBeLessThan(0.0002)
  })

  it('writes what RFC 7946 asks: closed rings, outsides anticlockwise, holes clockwise; and takes its own writing back', () => {
    const shapes: ShapeDraft[] = [
      lawn('a', 'z1', [...box(0, 0, 20, 10)].reverse(), { name: 'Lower lawn' }),
      { id: 'h', kind: 'lawn', zone: 'z2', at: [box(30, 0, 9, 9), box(32, 2, 2, 2)] },
      {
        id: 'c',
        kind: 'cable',
        at: [
          [
            [0, 0],
            [4, 5],
            [9, 5],
          ],
        ],
      },
      { id: 't', kind: 'tree', at: [[[3, 12]]], height: '9 m', crown: '6 m', dropsLeaf: true },
    ]
    const file = toGeoJson(shapes, origin)
    for (const f of file.features) {
      if (f.geometry!.type !== 'Polygon') continue
      const rings = f.geometry!.coordinates as [number, number][][]
      for (const [i, ring] of rings.entries()) {
        expect(ring[0]).toEqual(ring.at(-1))
        expect(turf.booleanClockwise(ring)).toBe(i > 0)
      }
    }
    const read = fromGeoJson(file, origin)
    if (!read.ok) throw new Error(read.sentence)
    expect(read.shapes.map((s) => s.kind)).toEqual(['lawn', 'lawn', 'cable', 'tree'])
    expect(read.shapes[0]!.name).toBe('Lower lawn')
    for (const [i, s] of read.shapes.entries()) {
      const was = shapes[i]!.at as Ring[]
      const flat = (rings: Ring[]) => [...rings[0]!].sort((a, b) => a[0] - b[0] || a[1] - b[1])
      flat(s.at).forEach((p, k) =>
        expect(Math.hypot(p[0] - flat(was)[k]![0], p[1] - flat(was)[k]![1])).toBeLessThan(0.02),
      )
    }
  })

  it.each([
    ['nothing', null, 'not GeoJSON'],
    ['a list', [1, 2], 'not GeoJSON'],
    ['an empty collection', { type: 'FeatureCollection', features: [] }, 'no outlines'],
    [
      'metres for degrees',
      {
        type: 'Polygon',
        coordinates: [
          [
            [1571234, 5170000],
            [1571300, 5170000],
            [1571300, 5170100],
          ],
        ],
      },
      'longitude and latitude',
    ],
    [
      'a script for a place',
      { type: 'Point', coordinates: ['<script>', 'x'] },
      'longitude and latitude',
    ],
    [
      'two places for an outline',
      {
        type: 'Polygon',
        coordinates: [
          [
            [1, 1],
            [1, 2],
          ],
        ],
      },
      'fewer than three',
    ],
    [
      'half the world',
      {
        type: 'LineString',
        coordinates: [
          [0, 0],
          [90, 45],
        ],
      },
      'km across',
    ],
    [
      'an unknown geometry',
      { type: 'Feature', geometry: { type: 'Curve', coordinates: [] } },
      'not known here',
    ],
    [
      'a hole in the data',
      { type: 'FeatureCollection', features: [null, { type: 'Feature', geometry: null }] },
      'no outlines',
    ],
    [
      'an enormous outline',
      { type: 'LineString', coordinates: Array.from({ length: 20_001 }, (_, i) => [i * 1e-8, 0]) },
      'too much for one site',
    ],
  ])('refuses %s in a sentence', (_, file, says) => {
    const read = fromGeoJson(file, null)
    expect(read).toMatchObject({ ok: false, sentence: expect.stringContaining(says) })
  })

  it('takes a walk that comes round for an outline, and one that does not for a line', () => {
    const walk = (ends: number) => ({
      type: 'LineString',
      coordinates: [
        [0, 0],
        [20, 0],
        [20, 15],
        [0, 15],
        [0, ends],
      ].map((p) => toEarth(p as Point, origin)),
    })
    expect(fromGeoJson(walk(1), null)).toMatchObject({ ok: true, shapes: [{ kind: 'lawn' }] })
    expect(
      fromGeoJson(
        { ...walk(1), coordinates: (walk(1).coordinates as unknown[]).slice(0, 3) },
        null,
      ),
    ).toMatchObject({
      ok: true,
      shapes: [{ kind: 'worn' }],
    })
  })

  it('keeps a shape’s own rules: enough places, heights in any unit', () => {
    expect(
      shapeSchema.safeParse({
        id: 'a',
        kind: 'lawn',
        at: [
          [
            [0, 0],
            [1, 1],
          ],
        ],
      }).error?.issues[0]?.message,
    ).toContain('at least 3 places')
    expect(
      shapeSchema.parse({ id: 'a', kind: 'tree', at: [[[0, 0]]], height: '30 ft' }).height,
    ).toBeCloseTo(9.144, 9)
    expect(shapeSchema.safeParse({ id: 'a', kind: 'tree', at: [[[NaN, 0]]] }).success).toBe(false)
  })
})

describe('an outline that runs out and straight back', () => {
  it('is clipped all the same: spikes and doubled corners are nothing, what is round them stays', () => {
    const thread: Point[] = [[0, 0], [7, 0], [7.22695, 0], [0, 0], [2, 8], [0, 0], [0, 0]] // prettier-ignore
    expect(joined([[thread]])).toEqual([])
    const lawn: Point[] = [[0, 0], [10, 0], [10, 0], [10, 10], [15, 10], [10, 10], [0, 10]] // prettier-ignore
    expect(joined([[lawn]]).reduce((sum, area) => sum + areaOf(area), 0)).toBeCloseTo(100, 6)
  })
})
