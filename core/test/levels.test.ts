import { contours } from 'd3-contour'
import { lusolve, multiply, transpose } from 'mathjs'
import volcano from '../../node_modules/vega-datasets/data/volcano.json' with { type: 'json' }
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Level } from '../src/entities/drawing.ts'
import { areaOf } from '../src/drawing/geometry.ts'
import {
  bestPlane,
  enough,
  fallPlane,
  fallTowards,
  levelReport,
  levelSurface,
  type LevelAim,
} from '../src/levels/levels.ts'
import { levelHeight, levelTable } from '../src/formats/levelTable.ts'

const readings = (n: number, size: number, height: (x: number, y: number) => number): Level[] =>
  Array.from({ length: n * n }, (_, i) => {
    const [x, y] = [((i % n) * size) / (n - 1), (Math.floor(i / n) * size) / (n - 1)]
    return { zone: 'z1', x, y, mm: height(x, y) }
  })
const box = (x: number, y: number, w: number, h: number): [number, number][] => [
  [x, y],
  [x + w, y],
  [x + w, y + h],
  [x, y + h],
]
const level: LevelAim = { kind: 'fall', percent: 0, towards: 0 }
const plane: LevelAim = { kind: 'plane' }

describe('the plane of best fit', () => {
  it('is that of the normal equations, solved by mathjs', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.tuple(
            fc.integer({ min: 0, max: 400 }),
            fc.integer({ min: 0, max: 400 }),
            fc.integer({ min: -80, max: 80 }),
          ),
          {
            minLength: 5,
            maxLength: 40,
          },
        ),
        (list) => {
          const at = list.map(([x, y, mm]): Level => ({ zone: null, x: x / 10, y: y / 10, mm }))
          fc.pre(enough(at))
          const A = at.map((r) => [1, r.x, r.y])
          let theirs: number[]
          try {
            theirs = (
              lusolve(
                multiply(transpose(A), A),
                multiply(
                  transpose(A),
                  at.map((r) => [r.mm]),
                ),
              ) as number[][]
            ).map((r) => r[0]!)
          } catch {
            return
          }
          const ours = bestPlane(at)
          for (const r of at)
            expect(ours.base + ours.east * r.x + ours.north * r.y).toBeCloseTo(
              theirs[0]! + theirs[1]! * r.x + theirs[2]! * r.y,
              4,
            )
        },
      ),
    )
  })

  it('asks for three readings not in one line', () => {
    expect(
      enough([
        { x: 0, y: 0 },
        { x: 1, y: 1 },
      ]),
    ).toBe(false)
    expect(
      enough([
        { x: 0, y: 0 },
        { x: 1, y: 1 },
        { x: 2, y: 2 },
      ]),
    ).toBe(false)
    expect(
      enough([
        { x: 0, y: 0 },
        { x: 1, y: 1 },
        { x: 2, y: 0 },
      ]),
    ).toBe(true)
    expect(levelReport(readings(2, 10, () => 0).slice(0, 2), null, plane)).toBeNull()
  })
})

describe('volumes', () => {
  // A tilted plane is its own best plane: nothing to fill.
  it('of a plane are none against itself, and half a wedge each way against the level', () => {
    const tilted = readings(5, 10, (x) => 10 * x)
    const own = levelReport(tilted, null, plane)!
    expect(own.fill).toBeLessThan(1e-6)
    expect(own.worstError).toBeLessThan(1e-6)
    // Level at its middle: a wedge 5 m long, 0 to 50 mm, 10 m wide = 1.25 m³ to fill and as much to
    // take off.
    const flat = levelReport(tilted, null, level)!
    expect(flat.fill).toBeCloseTo(1.25, 2)
    expect(flat.spoil).toBeCloseTo(1.25, 2)
    expect(flat.meanError).toBeCloseTo(30, 6)
  })

  // Paraboloid z = −h(1 − r²/R²): volume ½πR²h. Cap of a sphere: πh(3a² + h²)/6. True by
  // definition.
  it.each([
    ['a paraboloid', (r: number) => -100 * Math.max(0, 1 - (r / 4) ** 2), (Math.PI * 16 * 0.1) / 2],
    [
      'a cap of a sphere',
      (r: number) =>
        r < 4 ? 1000 * ((16 + 0.01) / 0.2 - 0.1 - Math.sqrt(((16 + 0.01) / 0.2) ** 2 - r * r)) : 0,
      (Math.PI * 0.1 * (3 * 16 + 0.01)) / 6,
    ],
  ])('of %s, 8 m across and 100 mm deep, to one in a hundred', (_, depth, volume) => {
    const dip = readings(81, 10, (x, y) => depth(Math.hypot(x - 5, y - 5)))
    // The datum is the lawn round about: its own height is nothing, so hold the surface against
    // nothing.
    const surface = levelSurface(dip, null, level)!
    const lift =
      bestPlane(dip.filter((d) => Math.hypot(d.x - 5, d.y - 5) > 4.2)).base - surface.plane.base
    const filled = surface.deviation.reduce(
      (sum, d) => sum + (Number.isNaN(d) ? 0 : (Math.max(0, lift - d) * surface.cellArea) / 1000),
      0,
    )
    expect(filled / volume).toBeGreaterThan(0.99)
    expect(filled / volume).toBeLessThan(1.01)
  })

  it('of a real 87 × 61 height grid agree with contours summed by level', () => {
    // vega-datasets, volcano.json: heights in metres; here 1 m apart and read as centimetres, so a
    // lumpy 86 × 60 m field.
    const { width, height, values } = volcano as { width: number; height: number; values: number[] }
    const field: Level[] = values.map((v, i) => ({
      zone: null,
      x: i % width,
      y: Math.floor(i / width),
      mm: 10 * v,
    }))
    const report = levelReport(field.slice(0, 5307), null, level)!
    const mean = values.reduce((a, b) => a + b) / values.length
    // Independent: the volume under the mean is the sum over thin layers of the area lying lower,
    // from d3-contour's isolines (which carry values at cell middles).
    const step = 0.5
    let fill = 0
    const low = Math.min(...values)
    const layers: number[] = []
    for (let z = low + step / 2; z < mean; z += step) layers.push(z)
    const rings = (z: number) =>
      contours()
        .size([width, height])
        .thresholds([z])(values)[0]!
        .coordinates.reduce(
          (sum, polygon) => sum + areaOf(polygon.map((r) => r.slice(0, -1) as [number, number][])),
          0,
        )
    for (const z of layers) fill += (width * height - rings(z)) * step
    // d3 gives every reading a whole cell, edges too; ours spans from outer reading to outer
    // reading: 86 × 60 of 87 × 61.
    const perArea = [(report.fill * 100) / (86 * 60), fill / (87 * 61)]
    expect(perArea[0]! / perArea[1]!).toBeGreaterThan(0.97)
    expect(perArea[0]! / perArea[1]!).toBeLessThan(1.03)
    // And by the prism rule on each square of four readings, with no contouring at all.
    let prism = 0
    const n = 8
    for (let y = 0; y < height - 1; y++)
      for (let x = 0; x < width - 1; x++)
        for (let a = 0; a < n; a++)
          for (let b = 0; b < n; b++) {
            const [u, v] = [(a + 0.5) / n, (b + 0.5) / n]
            const at = (dx: number, dy: number) => values[(y + dy) * width + x + dx]!
            prism +=
              Math.max(
                0,
                mean -
                  ((1 - u) * (1 - v) * at(0, 0) +
                    u * (1 - v) * at(1, 0) +
                    (1 - u) * v * at(0, 1) +
                    u * v * at(1, 1)),
              ) /
              (n * n)
          }
    expect((report.fill * 100) / prism).toBeCloseTo(1, 1)
    expect(Math.abs((report.fill * 100) / prism - 1)).toBeLessThan(0.01)
  })
})

describe('dips, blankets and falls', () => {
  const dented = readings(
    41,
    20,
    (x, y) =>
      -40 * Math.max(0, 1 - Math.hypot(x - 5, y - 5) / 2) -
      20 * Math.max(0, 1 - Math.hypot(x - 15, y - 12) / 3),
  )
  const report = levelReport(dented, [[box(0, 0, 20, 20)]], plane)!

  it('are listed deepest first, where they lie, each with its own volume', () => {
    expect(report.dips).toHaveLength(2)
    const [first, second] = report.dips
    expect(Math.hypot(first!.at[0] - 5, first!.at[1] - 5)).toBeLessThan(0.5)
    expect(Math.hypot(second!.at[0] - 15, second!.at[1] - 12)).toBeLessThan(0.5)
    expect(first!.depth).toBeGreaterThan(second!.depth)
    // A cone of 2 m by 40 mm holds πr²h/3 = 0.168 m³; the best plane sinks a little into the field,
    // and the rim under 5 mm is left.
    expect(first!.volume).toBeGreaterThan(0.1)
    expect(first!.volume).toBeLessThan(0.168)
    expect(report.fill).toBeGreaterThan(report.dips.reduce((s, d) => s + d.volume, 0))
  })

  it('and a blanket take the larger at each point: more than either, less than both', () => {
    const both = report.withBlanket(6, 400)
    expect(both).toBeGreaterThan(Math.max(report.fill, 400 * 0.006))
    expect(both).toBeLessThan(report.fill + 400 * 0.006)
    expect(report.withBlanket(0, 400)).toBeCloseTo(report.fill, 9)
    // Ground no reading spans takes the blanket alone.
    expect(report.withBlanket(6, 500) - both).toBeCloseTo(100 * 0.006, 9)
  })

  it('smoothed, a long swell stays and a dip goes', () => {
    const swell = levelReport(
      readings(41, 40, (x) => 60 * Math.sin(x / 12)),
      null,
      { kind: 'smooth', radius: 2 },
    )!
    const bumps = levelReport(
      readings(41, 40, (x) => 60 * Math.sin(x * 1.5)),
      null,
      { kind: 'smooth', radius: 4 },
    )!
    expect(swell.meanError).toBeLessThan(3)
    expect(bumps.meanError).toBeGreaterThan(20)
  })

  it('with a chosen fall runs down the way it is told, through the middle of the readings', () => {
    const p = fallPlane(
      readings(3, 10, () => 50),
      2,
      90,
    )
    expect([p.east, p.north].map((g) => Math.round(g * 1e9) / 1e9 + 0)).toEqual([-20, 0])
    expect(p.base + p.east * 5 + p.north * 5).toBeCloseTo(50, 9)
  })

  it('says when the ground falls towards a building, and how steeply', () => {
    const house = [box(-5, 0, 5, 10)]
    expect(
      fallTowards(
        readings(5, 8, (x) => 20 * x),
        house,
      ),
    ).toBeCloseTo(2, 6)
    expect(
      fallTowards(
        readings(5, 8, (x) => -10 * x),
        house,
      ),
    ).toBeCloseTo(-1, 6)
    expect(
      fallTowards(
        readings(5, 8, () => 0),
        [box(-60, 0, 5, 10)],
      ),
    ).toBeNull()
  })
})

describe('level readings as text', () => {
  it('are read with or without a heading, in its units and order', () => {
    expect(
      levelTable([
        ['0', '0', '-4'],
        ['2.5', '0', '+6'],
        ['', '', ''],
      ]).rows,
    ).toEqual([
      { x: 0, y: 0, mm: -4 },
      { x: 2.5, y: 0, mm: 6 },
    ])
    const inFeet = levelTable([['10', '20', '-0.5']], 'us').rows[0]!
    expect([inFeet.x, inFeet.y, inFeet.mm]).toEqual([
      expect.closeTo(3.048, 9),
      expect.closeTo(6.096, 9),
      expect.closeTo(-12.7, 9),
    ])
    const named = levelTable([
      ['Height (in)', 'x ft', 'y ft'],
      ['1', '10', '20'],
    ])
    expect(named.problems).toEqual([])
    expect(named.rows[0]!.mm).toBeCloseTo(25.4, 9)
    expect(named.rows[0]!.x).toBeCloseTo(3.048, 9)
    expect(
      levelTable([
        ['x', 'y', 'height m'],
        ['1', '2', '−0.03'],
      ]).rows[0]!.mm,
    ).toBeCloseTo(-30, 9)
  })
  it.each([
    [[['1', '2']], 'not three numbers'],
    [
      [
        ['a', 'b', 'c'],
        ['1', '2', '3'],
      ],
      'No column for x',
    ],
    [[['1', '2', '<script>']], 'not three numbers'],
    [[['1', '2', '1e9']], 'too far off'],
    [[['NaN', '2', '3']], 'not three numbers'],
    [Array.from({ length: 5002 }, (_, i) => [String(i), '0', '0']), 'More than 5000'],
  ])('says what is wrong: %#', (rows, says) => {
    expect(levelTable(rows).problems.join(' ')).toContain(says)
  })
})

describe('a height typed at a place', () => {
  it.each([
    ['-14', 'metric', -14],
    ['−14 mm', 'metric', -14],
    ['+ 1.4 cm', 'metric', 14],
    ['1/2', 'us', 12.7],
    ['-3/4 in', 'us', -19.05],
    ['-12 mm', 'us', -12],
    ['0', 'us', 0],
    ['', 'metric', null],
    ['--14', 'metric', null],
    ['a hand', 'metric', null],
    ['3 kg', 'metric', null],
    ['99 m', 'metric', null],
  ] as const)('“%s”, %s', (typed, system, mm) => expect(levelHeight(typed, system)).toBe(mm))
})
