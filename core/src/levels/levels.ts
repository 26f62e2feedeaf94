import { sure } from '../quantities/sure.ts'
import Delaunator from 'delaunator'
import type { Level, Point } from '../entities/drawing.ts'
import { areaOf, distance, inside, shared, type Area } from '../drawing/geometry.ts'
import { levelValues } from '../reference/siteValues.ts'
import type { Grid } from '../light/lightMap.ts'
import { cellsIn, gridOver } from '../light/zoneLight.ts'

/**
 * What the surface should become: the plane nearest to it, a plane with a chosen fall (percent,
 * towards a compass direction), or itself made smooth.
 */
export type LevelAim =
  | { kind: 'plane' }
  | { kind: 'fall'; percent: number; towards: number }
  | { kind: 'smooth'; radius: number }

/** Height in mm at (x, y) is `base` + `east`·x + `north`·y, mm a metre. */
export interface Plane {
  base: number
  east: number
  north: number
}

const CELLS = 24_000

export interface Dip {
  at: Point
  /** mm at the deepest. */
  depth: number
  area: number
  /** m³ in place. */
  volume: number
}

export interface LevelSurface {
  grid: Grid
  /** Measured surface less aim, mm: above is positive; NaN where nothing was read. */
  deviation: Float32Array
  /** m² that the readings span on the ground wanted, and m² that one cell read stands for. */
  coveredArea: number
  cellArea: number
  aim: LevelAim
  plane: Plane
}

export interface LevelReport {
  readings: number
  /** m² the readings span, and its share of the zone. */
  coveredArea: number
  share: number
  /** m³ in place. */
  fill: number
  spoil: number
  /** Of the readings from the aim, mm. */
  meanError: number
  worstError: number
  deepest: number
  /**
   * Share of the covered ground lying lower than the aim by more than a dip's least depth, %; and
   * how deep it lies on the average, mm.
   */
  lowShare: number
  lowMean: number
  dips: Dip[]
  /**
   * Soil in place when a blanket of so many mm goes down and dips are filled: the larger at each
   * point, m³.
   */
  withBlanket: (mm: number, zoneArea: number) => number
  /** Ground lying lower than the aim by more than so many mm, m². */
  deeperThan: (mm: number) => number
}

/**
 * Plane of least squares through readings. Throws only on fewer than three that are not in line:
 * ask `enough` first.
 */
export function bestPlane(readings: readonly Pick<Level, 'x' | 'y' | 'mm'>[]): Plane {
  const n = readings.length
  const mean = (of: (r: (typeof readings)[number]) => number) =>
    readings.reduce((s, r) => s + of(r), 0) / n
  const [mx, my, mh] = [mean((r) => r.x), mean((r) => r.y), mean((r) => r.mm)]
  let [xx, xy, yy, xh, yh] = [0, 0, 0, 0, 0]
  for (const r of readings) {
    const [x, y, h] = [r.x - mx, r.y - my, r.mm - mh]
    xx += x * x
    xy += x * y
    yy += y * y
    xh += x * h
    yh += y * h
  }
  const det = xx * yy - xy * xy
  const east = (xh * yy - yh * xy) / det
  const north = (yh * xx - xh * xy) / det
  return { base: mh - east * mx - north * my, east, north }
}

/** Whether readings span any ground: three or more, not all in one line. */
export function enough(readings: readonly Pick<Level, 'x' | 'y'>[]): boolean {
  if (readings.length < 3) return false
  const a = readings[0]!
  const far = readings.reduce((best, r) =>
    distance([a.x, a.y], [r.x, r.y]) > distance([a.x, a.y], [best.x, best.y]) ? r : best,
  )
  const length = distance([a.x, a.y], [far.x, far.y])
  return (
    length > 0 &&
    readings.some(
      (r) => Math.abs((far.x - a.x) * (r.y - a.y) - (far.y - a.y) * (r.x - a.x)) / length > 0.05,
    )
  )
}

const heightOn = (p: Plane, x: number, y: number) => p.base + p.east * x + p.north * y

/**
 * A plane with a chosen fall, set so that it lies through the middle of the readings: as much to
 * fill as to take off, about.
 */
export function fallPlane(
  readings: readonly Pick<Level, 'x' | 'y' | 'mm'>[],
  percent: number,
  towards: number,
): Plane {
  const a = (towards * Math.PI) / 180
  const [east, north] = [-Math.sin(a) * percent * 10, -Math.cos(a) * percent * 10]
  const base = readings.reduce((s, r) => s + r.mm - east * r.x - north * r.y, 0) / readings.length
  return { base, east, north }
}

/**
 * The surface through readings, straight between them (Delaunay triangles), held against its aim on
 * a grid. `areas` are the ground wanted; without them all that the readings span. Null when the
 * readings span nothing.
 */
export function levelSurface(
  readings: readonly Level[],
  areas: readonly Area[] | null,
  aim: LevelAim,
): LevelSurface | null {
  if (!enough(readings)) return null
  const { triangles, hull } = Delaunator.from(
    [...readings],
    (r) => r.x,
    (r) => r.y,
  )
  if (triangles.length === 0) return null
  const around: Area = [readings.map((r): Point => [r.x, r.y])]
  const grid = gridOver([around], 0.05, CELLS)
  if (!grid) return null
  const surface = new Float32Array(grid.columns * grid.rows).fill(NaN)
  for (let t = 0; t < triangles.length; t += 3)
    layTriangle(
      readings[triangles[t]!]!,
      readings[triangles[t + 1]!]!,
      readings[triangles[t + 2]!]!,
      grid,
      surface,
    )
  if (areas) {
    const kept = new Uint8Array(surface.length)
    for (const at of cellsIn(areas, grid)) kept[at] = 1
    for (let at = 0; at < surface.length; at++) if (!kept[at]) surface[at] = NaN
  }
  const plane =
    aim.kind === 'fall' ? fallPlane(readings, aim.percent, aim.towards) : bestPlane(readings)
  const deviation = new Float32Array(surface.length)
  if (aim.kind === 'smooth') {
    const smooth = smoothed(surface, grid, aim.radius)
    for (let at = 0; at < deviation.length; at++) deviation[at] = surface[at]! - smooth[at]!
  } else
    for (let row = 0, at = 0; row < grid.rows; row++)
      for (let c = 0; c < grid.columns; c++, at++)
        deviation[at] =
          surface[at]! -
          heightOn(plane, grid.west + (c + 0.5) * grid.cell, grid.south + (row + 0.5) * grid.cell)
  const edge: Area = [Array.from(hull, (i): Point => [readings[i]!.x, readings[i]!.y])]
  const coveredArea = (areas ? shared([edge], areas) : [edge]).reduce(
    (sum, a) => sum + areaOf(a),
    0,
  )
  const cells = deviation.reduce((n, d) => (Number.isNaN(d) ? n : n + 1), 0)
  return { grid, deviation, coveredArea, cellArea: cells > 0 ? coveredArea / cells : 0, aim, plane }
}

function layTriangle(a: Level, b: Level, c: Level, grid: Grid, into: Float32Array): void {
  const det = (b.x - a.x) * (c.y - a.y) - (c.x - a.x) * (b.y - a.y)
  if (Math.abs(det) < 1e-12) return
  const rowOf = (y: number) => (y - grid.south) / grid.cell - 0.5
  const columnOf = (x: number) => (x - grid.west) / grid.cell - 0.5
  const first = Math.max(0, Math.ceil(rowOf(Math.min(a.y, b.y, c.y)) - 1e-9))
  const last = Math.min(grid.rows - 1, Math.floor(rowOf(Math.max(a.y, b.y, c.y)) + 1e-9))
  for (let row = first; row <= last; row++) {
    const y = grid.south + (row + 0.5) * grid.cell
    let [x0, x1] = [Infinity, -Infinity]
    for (const [p, q] of [
      [a, b],
      [b, c],
      [c, a],
    ] as const) {
      if (Math.min(p.y, q.y) > y + 1e-9 || Math.max(p.y, q.y) < y - 1e-9) continue
      const xs = p.y === q.y ? [p.x, q.x] : [p.x + ((q.x - p.x) * (y - p.y)) / (q.y - p.y)]
      for (const x of xs) {
        if (x < x0) x0 = x
        if (x > x1) x1 = x
      }
    }
    const from = Math.max(0, Math.ceil(columnOf(x0) - 1e-9))
    const to = Math.min(grid.columns - 1, Math.floor(columnOf(x1) + 1e-9))
    for (let col = from; col <= to; col++) {
      const x = grid.west + (col + 0.5) * grid.cell
      const u = ((x - a.x) * (c.y - a.y) - (c.x - a.x) * (y - a.y)) / det
      const v = ((b.x - a.x) * (y - a.y) - (x - a.x) * (b.y - a.y)) / det
      into[row * grid.columns + col] = a.mm + u * (b.mm - a.mm) + v * (c.mm - a.mm)
    }
  }
}

/**
 * Mean of the surface over a square of so many metres either way, twice, counting only what was
 * read: a long swell stays, a dip goes.
 */
function smoothed(surface: Float32Array, grid: Grid, radius: number): Float32Array {
  const { columns, rows } = grid
  const reach = Math.max(1, Math.round(radius / grid.cell))
  const pass = (from: Float32Array): Float32Array => {
    const width = columns + 1
    const sums = new Float64Array(width * (rows + 1))
    const counts = new Float64Array(width * (rows + 1))
    for (let r = 0; r < rows; r++)
      for (let c = 0; c < columns; c++) {
        const value = from[r * columns + c]!
        const at = (r + 1) * width + c + 1
        const known = !Number.isNaN(value)
        sums[at] = (known ? value : 0) + sums[at - 1]! + sums[at - width]! - sums[at - width - 1]!
        counts[at] =
          (known ? 1 : 0) + counts[at - 1]! + counts[at - width]! - counts[at - width - 1]!
      }
    const out = new Float32Array(from.length).fill(NaN)
    for (let r = 0; r < rows; r++)
      for (let c = 0; c < columns; c++) {
        if (Number.isNaN(from[r * columns + c]!)) continue
        // The square shrinks evenly near an edge, so that a slope is not pulled down there.
        const k = Math.min(reach, r, c, rows - 1 - r, columns - 1 - c)
        const [s, n, w, e] = [(r - k) * width, (r + k + 1) * width, c - k, c + k + 1]
        out[r * columns + c] =
          (sums[n + e]! - sums[s + e]! - sums[n + w]! + sums[s + w]!) /
          (counts[n + e]! - counts[s + e]! - counts[n + w]! + counts[s + w]!)
      }
    return out
  }
  return pass(pass(surface))
}

/**
 * High and low summed up: volumes, dips, errors. `areas` as in `levelSurface`; lower than the aim
 * by more than `dip` mm counts as a dip.
 */
export function levelReport(
  readings: readonly Level[],
  areas: readonly Area[] | null,
  aim: LevelAim,
  dip: number = levelValues.dip.is,
): LevelReport | null {
  const surface = levelSurface(readings, areas, aim)
  if (!surface) return null
  const { deviation, plane, coveredArea, cellArea } = surface
  let [cells, fill, spoil, deepest, low, lowSum] = [0, 0, 0, 0, 0, 0]
  for (const d of deviation) {
    if (Number.isNaN(d)) continue
    cells++
    if (d < 0) fill -= d
    else spoil += d
    if (-d > deepest) deepest = -d
    if (-d > dip) {
      low++
      lowSum -= d
    }
  }
  if (cells === 0) return null
  const zoneArea = areas ? areas.reduce((s, a) => s + areaOf(a), 0) : coveredArea
  const errors = readings.map((r) =>
    Math.abs(aim.kind === 'smooth' ? deviationAt(surface, r) : r.mm - heightOn(plane, r.x, r.y)),
  )
  return {
    readings: readings.length,
    coveredArea,
    share: (100 * coveredArea) / zoneArea,
    fill: (fill * cellArea) / 1000,
    spoil: (spoil * cellArea) / 1000,
    meanError: errors.reduce((s, e) => s + e, 0) / errors.length,
    worstError: Math.max(...errors),
    deepest,
    lowShare: (100 * low) / cells,
    lowMean: low > 0 ? lowSum / low : 0,
    dips: dipsOf(surface, dip),
    deeperThan: (mm) => cellArea * deviation.reduce((n, d) => (-d > mm ? n + 1 : n), 0),
    withBlanket(mm, area) {
      let sum = 0
      for (const d of deviation) if (!Number.isNaN(d)) sum += Math.max(mm, -d)
      return (sum * cellArea + Math.max(0, area - coveredArea) * mm) / 1000
    },
  }
}

function deviationAt({ grid, deviation }: LevelSurface, r: Level): number {
  const c = Math.min(grid.columns - 1, Math.max(0, Math.floor((r.x - grid.west) / grid.cell)))
  const row = Math.min(grid.rows - 1, Math.max(0, Math.floor((r.y - grid.south) / grid.cell)))
  const value = deviation[row * grid.columns + c]!
  return Number.isNaN(value) ? 0 : value
}

/**
 * Runs of neighbouring cells lower than the aim by more than a dip's least depth, deepest first.
 * Specks under 0.05 m² are left out.
 */
function dipsOf({ grid, deviation, cellArea }: LevelSurface, dip: number): Dip[] {
  const seen = new Uint8Array(deviation.length)
  const dips: Dip[] = []
  const isLow = (at: number) => -deviation[at]! > dip
  for (let start = 0; start < deviation.length; start++) {
    if (seen[start] || !isLow(start)) continue
    seen[start] = 1
    const stack = [start]
    let [count, sum, deepest] = [0, 0, start]
    while (stack.length > 0) {
      const at = sure(stack.pop())
      count++
      sum -= deviation[at]!
      if (deviation[at]! < deviation[deepest]!) deepest = at
      const c = at % grid.columns
      for (const next of [
        c > 0 ? at - 1 : -1,
        c < grid.columns - 1 ? at + 1 : -1,
        at - grid.columns,
        at + grid.columns,
      ])
        if (next >= 0 && next < deviation.length && !seen[next] && isLow(next)) {
          seen[next] = 1
          stack.push(next)
        }
    }
    if (count * cellArea < 0.05) continue
    dips.push({
      at: [
        grid.west + ((deepest % grid.columns) + 0.5) * grid.cell,
        grid.south + (Math.floor(deepest / grid.columns) + 0.5) * grid.cell,
      ],
      depth: -deviation[deepest]!,
      area: count * cellArea,
      volume: (sum * cellArea) / 1000,
    })
  }
  return dips.sort((a, b) => b.depth - a.depth)
}

/**
 * How the ground beside a building falls, % towards it (positive) or away: the plane through the
 * readings within `reach` metres of it, or through all where fewer than three lie so near. Null
 * when no reading lies within twice the reach.
 */
export function fallTowards(readings: readonly Level[], building: Area, reach = 5): number | null {
  const near = readings
    .map((r) => ({ r, to: nearestOn(building, [r.x, r.y]) }))
    .map((x) => ({ ...x, away: distance([x.r.x, x.r.y], x.to) }))
  if (!near.some((n) => n.away <= 2 * reach) || !enough(readings)) return null
  const close = near.filter((n) => n.away <= reach)
  const used = enough(close.map((c) => c.r))
    ? close
    : near.filter((n) => n.away <= 2 * reach).length >= 3
      ? near
      : null
  if (!used) return null
  const plane = bestPlane(used.map((u) => u.r))
  const outside = used.filter((u) => u.away > 1e-6)
  if (outside.length === 0) return null
  const towards = outside.reduce<Point>(
    (s, u) => [s[0] + (u.to[0] - u.r.x) / u.away, s[1] + (u.to[1] - u.r.y) / u.away],
    [0, 0],
  )
  const length = Math.hypot(...towards)
  return length < 1e-9 ? null : -(plane.east * towards[0] + plane.north * towards[1]) / length / 10
}

/** The place of an area nearest to another; that place itself when it lies inside. */
export function nearestOn(area: Area, p: Point): Point {
  if (inside(p, area)) return p
  let best: Point = area[0]![0]!
  for (const ring of area)
    for (let i = 0, j = ring.length - 1; i < ring.length; j = i++) {
      const [a, b] = [ring[j]!, ring[i]!]
      const length = distance(a, b) ** 2
      const t =
        length === 0
          ? 0
          : Math.max(
              0,
              Math.min(1, ((p[0] - a[0]) * (b[0] - a[0]) + (p[1] - a[1]) * (b[1] - a[1])) / length),
            )
      const q: Point = [a[0] + t * (b[0] - a[0]), a[1] + t * (b[1] - a[1])]
      if (distance(p, q) < distance(p, best)) best = q
    }
  return best
}
