import { sure } from '../quantities/sure.ts'
import {
  Clipper,
  Clipper64,
  ClipType,
  EndType,
  FillRule,
  JoinType,
  PolyTree64,
  type Paths64,
  type PolyPath64,
} from 'clipper2-ts'
import type { Point, Ring } from '../entities/drawing.ts'

/**
 * Plane geometry of the plan, metres. Rings are not closed; the first ring of an area is its
 * outside, the rest are holes.
 */

export type Area = Ring[]

/**
 * Signed area of a ring, m²; positive when it runs anticlockwise. Shoelace formula, true by
 * definition.
 */
export function signedArea(ring: Ring): number {
  let twice = 0
  for (let i = 0, j = ring.length - 1; i < ring.length; j = i++)
    twice += ring[j]![0] * ring[i]![1] - ring[i]![0] * ring[j]![1]
  return twice / 2
}

/** Area of an outside ring less its holes, m². */
export const areaOf = (rings: Area): number =>
  rings.reduce((sum, ring, i) => sum + (i === 0 ? 1 : -1) * Math.abs(signedArea(ring)), 0)

export const distance = (a: Point, b: Point): number => Math.hypot(a[0] - b[0], a[1] - b[1])

/** Length of a run of places, m; of a ring when `closed`. */
export function lengthOf(run: readonly Point[], closed = false): number {
  let sum = closed && run.length > 1 ? distance(run.at(-1)!, run[0]!) : 0
  for (let i = 1; i < run.length; i++) sum += distance(run[i - 1]!, run[i]!)
  return sum
}

/** All that bounds an area, holes too, m. */
export const perimeterOf = (rings: Area): number =>
  rings.reduce((sum, ring) => sum + lengthOf(ring, true), 0)

/** Whether a place lies in an area (even-odd over its rings). */
export function inside([x, y]: Point, rings: Area): boolean {
  let odd = false
  for (const ring of rings)
    for (let i = 0, j = ring.length - 1; i < ring.length; j = i++) {
      const [xi, yi] = ring[i]!
      const [xj, yj] = ring[j]!
      if (yi > y !== yj > y && x < ((xj - xi) * (y - yi)) / (yj - yi) + xi) odd = !odd
    }
  return odd
}

export const insideAny = (p: Point, areas: readonly Area[]): boolean =>
  areas.some((area) => inside(p, area))

export function centreOf(ring: Ring): Point {
  const a = signedArea(ring)
  if (Math.abs(a) < 1e-9)
    return [
      ring.reduce((s, p) => s + p[0], 0) / ring.length,
      ring.reduce((s, p) => s + p[1], 0) / ring.length,
    ]
  let [x, y] = [0, 0]
  for (let i = 0, j = ring.length - 1; i < ring.length; j = i++) {
    const cross = ring[j]![0] * ring[i]![1] - ring[i]![0] * ring[j]![1]
    x += (ring[j]![0] + ring[i]![0]) * cross
    y += (ring[j]![1] + ring[i]![1]) * cross
  }
  return [x / (6 * a), y / (6 * a)]
}

export interface Box {
  west: number
  south: number
  east: number
  north: number
}
export function boxOf(places: Iterable<Point>): Box | null {
  let box: Box | null = null
  for (const [x, y] of places) {
    box ??= { west: x, east: x, south: y, north: y }
    if (x < box.west) box.west = x
    if (x > box.east) box.east = x
    if (y < box.south) box.south = y
    if (y > box.north) box.north = y
  }
  return box
}

/**
 * Clipping works in whole numbers, of 10 µm: it cannot lose its way among edges that all but
 * coincide, and a site of kilometres stays exact.
 */
const PER_METRE = 1e5
const sizable = (areas: Area[]): Area[] => areas.filter((area) => areaOf(area) > 1e-6)

interface Whole {
  x: number
  y: number
}
const inWhole = ([x, y]: Point): Whole => ({
  x: Math.round(x * PER_METRE),
  y: Math.round(y * PER_METRE),
})

/**
 * A ring without doubled places, places on a straight run, and spikes that go out and straight
 * back: clipping never ends on some of those.
 */
function plainRing(ring: Ring): Whole[] {
  let places = ring.map(inWhole)
  for (let before = -1; places.length >= 3 && places.length !== before;) {
    before = places.length
    const kept: Whole[] = []
    places.forEach((b, i) => {
      const a = kept.at(-1) ?? places.at(-1)!
      const c = places[(i + 1) % places.length]!
      const turns = (b.x - a.x) * (c.y - b.y) - (b.y - a.y) * (c.x - b.x)
      if (turns !== 0) kept.push(b)
    })
    places = kept
  }
  return places.length < 3 ? [] : places
}
/** What the areas cover together, each by the even-odd rule. */
const covered = (areas: readonly Area[]): Paths64 =>
  areas.flatMap((area) =>
    Clipper.union(
      area.map(plainRing).filter((ring) => ring.length > 0),
      FillRule.EvenOdd,
    ),
  )
/** Every outside ring of a tree with its holes. */
function areasIn(tree: PolyPath64): Area[] {
  const ring = (path: PolyPath64): Ring =>
    (path.poly ?? []).map(({ x, y }): Point => [x / PER_METRE, y / PER_METRE])
  const children = (path: PolyPath64) => Array.from({ length: path.count }, (_, i) => path.child(i))
  return children(tree).flatMap((outside) => [
    [ring(outside), ...children(outside).map(ring)],
    ...children(outside).flatMap(areasIn),
  ])
}
function clip(kind: ClipType, a: readonly Area[], b: readonly Area[]): Area[] {
  const tree = new PolyTree64()
  Clipper.booleanOpWithPolyTree(kind, covered(a), covered(b), tree, FillRule.NonZero)
  return sizable(areasIn(tree))
}

/** What `from` covers and none of `off` does. */
export const cutAway = (from: readonly Area[], off: readonly Area[]): Area[] =>
  from.length === 0
    ? []
    : off.length === 0
      ? sizable([...from])
      : clip(ClipType.Difference, from, off)
/** What any of them covers, counted once. */
export const joined = (areas: readonly Area[]): Area[] =>
  areas.length === 0 ? [] : clip(ClipType.Union, areas, [])
/** What both cover. */
export const shared = (a: readonly Area[], b: readonly Area[]): Area[] =>
  a.length === 0 || b.length === 0 ? [] : clip(ClipType.Intersection, a, b)

/** How much of a run lies on areas or within `slack` metres of them, m. */
export function lengthOn(run: readonly Point[], areas: readonly Area[], slack: number): number {
  const clipper = new Clipper64()
  clipper.addOpenSubject([run.map(inWhole)])
  clipper.addClip(
    Clipper.inflatePaths(covered(areas), slack * PER_METRE, JoinType.Miter, EndType.Polygon),
  )
  const open: Paths64 = []
  clipper.execute(ClipType.Intersection, FillRule.NonZero, [], open)
  return open.reduce(
    (sum, path) => sum + lengthOf(path.map(({ x, y }): Point => [x / PER_METRE, y / PER_METRE])),
    0,
  )
}

/**
 * Cuts an area in two along the line through two places: left of it, right of it. Either may be
 * empty.
 */
export function splitAlong(
  areas: readonly Area[],
  from: Point,
  to: Point,
): [left: Area[], right: Area[]] {
  const length = distance(from, to)
  if (length < 1e-9) return [[...areas], []]
  const [ux, uy] = [(to[0] - from[0]) / length, (to[1] - from[1]) / length]
  const box = sure(boxOf(areas.flat(2).concat([from, to])))
  const far = 2 * Math.hypot(box.east - box.west, box.north - box.south) + 1
  const half = (side: 1 | -1): Area => {
    const [nx, ny] = [-uy * side * far, ux * side * far]
    const a: Point = [from[0] - ux * far, from[1] - uy * far]
    const b: Point = [from[0] + ux * far, from[1] + uy * far]
    return [[a, b, [b[0] + nx, b[1] + ny], [a[0] + nx, a[1] + ny]]]
  }
  return [shared(areas, [half(1)]), shared(areas, [half(-1)])]
}

/** Where a ring crosses itself, or null when it does not. */
export function selfCrossing(ring: Ring): Point | null {
  const n = ring.length
  for (let i = 0; i < n; i++) {
    const [a, b] = [ring[i]!, ring[(i + 1) % n]!]
    for (let j = i + 2; j < n; j++) {
      if (i === 0 && j === n - 1) continue
      const crossing = crossingOf(a, b, ring[j]!, ring[(j + 1) % n]!)
      if (crossing) return crossing
    }
  }
  return null
}

function crossingOf(a: Point, b: Point, c: Point, d: Point): Point | null {
  const [rx, ry] = [b[0] - a[0], b[1] - a[1]]
  const [sx, sy] = [d[0] - c[0], d[1] - c[1]]
  const cross = rx * sy - ry * sx
  if (Math.abs(cross) < 1e-12) return null
  const t = ((c[0] - a[0]) * sy - (c[1] - a[1]) * sx) / cross
  const u = ((c[0] - a[0]) * ry - (c[1] - a[1]) * rx) / cross
  return t > 1e-9 && t < 1 - 1e-9 && u > 1e-9 && u < 1 - 1e-9
    ? [a[0] + t * rx, a[1] + t * ry]
    : null
}

/** A run of places given a width, as one rectangle for each piece; square ends. */
export function widened(run: readonly Point[], width: number): Area[] {
  const pieces: Area[] = []
  for (let i = 1; i < run.length; i++) {
    const [a, b] = [run[i - 1]!, run[i]!]
    const length = distance(a, b)
    if (length < 1e-9) continue
    const [nx, ny] = [
      ((a[1] - b[1]) / length) * (width / 2),
      ((b[0] - a[0]) / length) * (width / 2),
    ]
    pieces.push([
      [
        [a[0] + nx, a[1] + ny],
        [a[0] - nx, a[1] - ny],
        [b[0] - nx, b[1] - ny],
        [b[0] + nx, b[1] + ny],
      ],
    ])
  }
  return pieces
}
