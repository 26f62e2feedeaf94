import { beforeEach, describe, expect, it } from 'vitest'
import { readJob, type JobDraft } from '../src/entities/job.ts'
import type { Point, Ring, ShapeDraft } from '../src/entities/drawing.ts'
import { shapeAt } from '../src/drawing/shapeAt.ts'
import { areaOf } from '../src/drawing/geometry.ts'
import {
  addShape,
  cutOverlap,
  freeGround,
  mergeZones,
  moveShape,
  removeShape,
  reshape,
  scalePicture,
  splitZone,
  turnNorth,
} from '../src/drawing/shapeEdits.ts'

const box = (x: number, y: number, w: number, h: number): Ring => [
  [x, y],
  [x + w, y],
  [x + w, y + h],
  [x, y + h],
]
const size = (d: JobDraft, zone: string) =>
  (d.drawing?.shapes ?? [])
    .filter((s) => s.zone === zone && s.kind === 'lawn')
    .reduce((sum, s) => sum + areaOf(s.at as Ring[]), 0)
let d: JobDraft
beforeEach(() => {
  d = { name: 'x', zones: [] }
})

describe('drawing', () => {
  it('a lawn makes a zone of its own, others do not; ids stay apart when one is taken out', () => {
    const a = addShape(d, 'lawn', [box(0, 0, 10, 10)], 'tape')
    addShape(d, 'bed', [box(1, 1, 1, 1)], 'tape')
    removeShape(d, a)
    expect(d.zones).toHaveLength(1)
    addShape(d, 'lawn', [box(0, 0, 4, 4)], 'tape', { zone: 'z1' })
    expect(new Set(d.drawing!.shapes!.map((s) => s.id)).size).toBe(2)
    moveShape(d, d.drawing!.shapes![1]!.id, 1.0004, 0)
    expect((d.drawing!.shapes![1]!.at as Ring[])[0]![0]).toEqual([1, 0])
    reshape(d, d.drawing!.shapes![1]!.id, [box(0, 0, 2, 2)])
    expect(size(d, 'z1')).toBe(4)
    expect(readJob(d).problems).toEqual([])
  })

  it('a cut makes two zones of one, with the same readings and no typed size, and a merge makes one of two', () => {
    addShape(d, 'lawn', [box(0, 0, 10, 10)], 'traced')
    Object.assign(d.zones![0]!, { thatch: '14 mm', area: '99 m²' })
    const made = splitZone(d, 'z1', [3, -1], [3, 11])!
    expect([size(d, 'z1'), size(d, made)]).toEqual([70, 30])
    expect(d.zones![1]).toMatchObject({ thatch: '14 mm', area: null, name: 'Lawn, second' })
    d.drawing!.levels = [{ zone: made, x: 1, y: 1, mm: 0 }]
    expect(mergeZones(d, 'z1', made)).toBe(true)
    expect([size(d, 'z1'), d.zones!.length, d.drawing!.levels[0]!.zone]).toEqual([100, 1, 'z1'])
    expect(d.drawing!.shapes).toHaveLength(1)
  })

  it('a cut that misses, or a merge with itself, does nothing', () => {
    addShape(d, 'lawn', [box(0, 0, 10, 10)], 'tape')
    const before = JSON.stringify(d)
    expect([
      splitZone(d, 'z1', [20, 0], [20, 5]),
      mergeZones(d, 'z1', 'z1'),
      cutOverlap(d, 'z1', 'z1'),
    ]).toEqual([null, false, false])
    expect(JSON.stringify(d)).toBe(before)
  })

  it('an overlap comes off the one and not the other', () => {
    addShape(d, 'lawn', [box(0, 0, 10, 10)], 'tape')
    addShape(d, 'lawn', [box(8, 0, 10, 10)], 'tape')
    expect(cutOverlap(d, 'z1', 'z2')).toBe(true)
    expect([size(d, 'z1'), size(d, 'z2')]).toEqual([100, 80])
    expect(freeGround(d.drawing!.shapes!)).toEqual([20, 0])
  })

  it('a picture scaled by a known length takes what was traced with it; turned, a line points north', () => {
    d.drawing = {
      picture: { photo: 'p', width: 1000, height: 500, metresPerPixel: 0.05, x: 0, y: 0 },
    }
    addShape(d, 'lawn', [box(10, 5, 10, 10)], 'traced')
    addShape(d, 'lawn', [box(0, 0, 5, 5)], 'tape')
    expect(scalePicture(d, [10, 5], [20, 5], 8)).toBe(true)
    expect(d.drawing.picture!.metresPerPixel).toBeCloseTo(0.04, 12)
    expect([size(d, 'z1'), size(d, 'z2')]).toEqual([64, 25])
    // A second look at the scale moves the picture only: what was traced has been measured by then.
    scalePicture(d, [10, 5], [18, 5], 16)
    expect(size(d, 'z1')).toBe(64)
    const [from, to]: [Point, Point] = [
      [10, 5],
      [18, 5],
    ]
    expect(turnNorth(d, from, to)).toBe(true)
    expect(d.drawing.picture!.turned).toBeCloseTo(90, 9)
    const ring = (d.drawing.shapes![0]!.at as Ring[])[0]!
    expect(ring[1]![0]).toBeCloseTo(ring[0]![0], 2)
    expect(ring[1]![1]).toBeGreaterThan(ring[0]![1])
    expect([scalePicture(d, from, from, 3), scalePicture(d, from, to, -1)]).toEqual([false, false])
  })
})

describe('pointing at the plan', () => {
  const shapes: ShapeDraft[] = [
    { id: 'lawn', kind: 'lawn', zone: 'z', at: [box(0, 0, 20, 10)] },
    { id: 'bed', kind: 'bed', at: [box(4, 4, 2, 2)] },
    {
      id: 'cable',
      kind: 'cable',
      at: [
        [
          [0, 5],
          [20, 5],
        ],
      ],
    },
    {
      id: 'hedge',
      kind: 'wall',
      at: [
        [
          [0, 12],
          [20, 12],
        ],
      ],
    },
    { id: 'tree', kind: 'tree', at: [[[15, 3]]] },
    { id: 'tap', kind: 'tap', at: [[[10, 5]]] },
  ]
  const sizes = { crownOf: () => 4, thicknessOf: () => 1 }
  it.each([
    [[2, 2], 'lawn'],
    [[4.6, 4.4], 'bed'],
    [[5, 5], 'cable'],
    [[10.1, 5.1], 'tap'],
    [[15, 3.1], 'tree'],
    [[16.5, 3], 'tree'],
    [[17.5, 3], 'lawn'],
    [[3, 12.6], 'hedge'],
    [[3, 12.9], null],
    [[20.2, 8], 'lawn'],
    [[30, 30], null],
  ] as [Point, string | null][])('%j means the %s', (at, id) => {
    expect(shapeAt(at, shapes, 0.3, sizes)?.id ?? null).toBe(id)
  })
})

describe('a plan with something wrong in it', () => {
  const good = { id: 'ok', kind: 'lawn', zone: 'z1', at: [box(0, 0, 10, 8)] }
  const draft = (shapes: unknown[], levels: unknown[] = []) =>
    ({ name: 'x', zones: [{ id: 'z1' }], drawing: { shapes, levels } }) as unknown as JobDraft

  it('keeps all the rest: what has no place is left out whole, a bad reading alone', () => {
    const { job, problems } = readJob(
      draft(
        [
          {
            id: 'a',
            kind: 'lawn',
            at: [
              [
                [0, 0],
                [1, 1],
              ],
            ],
          },
          good,
          { id: 'b', kind: 'rocket', at: [[[0, 0]]] },
          { id: 'c', kind: 'tree', at: [['here']] },
          { id: 'd', kind: 'tree', at: [[[1, 1]]], height: '900 m', crown: '4 m' },
          { id: 'e', kind: 'tree' },
        ],
        [
          { x: 1, y: 1, mm: 4 },
          { x: 'left', y: 2, mm: 3 },
          { x: 2, y: 2, mm: 5 },
        ],
      ),
    )
    expect(job!.drawing.shapes.map((s) => s.id)).toEqual(['ok', 'd'])
    expect(job!.drawing.shapes[1]).toMatchObject({ height: null, crown: 4 })
    expect(job!.drawing.levels.map((l) => l.mm)).toEqual([4, 5])
    expect(problems.map((p) => p.path)).toEqual(
      expect.arrayContaining([
        'drawing.shapes[0].at',
        'drawing.shapes[4].height',
        'drawing.levels[1].x',
      ]),
    )
    for (const p of problems) expect(p.sentence.length).toBeGreaterThan(10)
  })

  it('stands anything in place of a plan, and holds no more than it says', () => {
    for (const plan of [
      null,
      7,
      'plan',
      [],
      { shapes: 'many' },
      { shapes: [null, 3] },
      { picture: { photo: 1 } },
      { hills: [{ bearing: 400, height: 5 }] },
    ]) {
      const { job } = readJob({ name: 'x', zones: [{ id: 'z1', area: 50 }], plan } as never)
      expect(job?.zones[0]?.area).toBe(50)
    }
    const many = readJob(draft(Array.from({ length: 2001 }, (_, i) => ({ ...good, id: `s${i}` }))))
    expect(many.problems[0]!.sentence).toContain('up to 2000')
  })
})
