import { sure } from '../quantities/sure.ts'
import { quantileSorted } from 'd3-array'
import type { Point, Drawing } from '../entities/drawing.ts'
import { boxOf, splitAlong, areaOf, type Area } from '../drawing/geometry.ts'
import { daysFor, lightMap, type Grid, type LightInput, type LightMap } from './lightMap.ts'
import { obstaclesOf, type Obstacle } from './obstacles.ts'
import { lightLines } from '../reference/siteValues.ts'
import type { MeasuredPlan } from '../drawing/drawnZones.ts'

/**
 * How the sun is spread over a zone, hours a day: a tenth of it gets less than `low`, half less
 * than `median`, a tenth more than `high`.
 */
export interface ZoneLight {
  low: number
  median: number
  high: number
  cells: number
}

export interface LightSeason {
  /** Days since 1970, both counted. */
  from: number
  to: number
}

/** Most cells the quick reading of zones looks at, most days it takes, and its step. */
const QUICK_CELLS = 30_000
const QUICK_DAYS = 8
const QUICK_STEP = 20

/**
 * A grid over areas of cells of about `cell` metres, coarser where there would be many more than
 * `most` of them. Null when there is nothing to cover.
 */
export function gridOver(areas: readonly Area[], cell: number, most: number): Grid | null {
  const box = boxOf(areas.flatMap((a) => a[0]!))
  if (!box) return null
  const [w, h] = [box.east - box.west, box.north - box.south]
  const least = Math.max(cell, Math.sqrt((w * h) / most), Math.max(w, h) / 4000)
  // A little finer where that makes the cells fit both ways: edges are then counted for what they
  // are.
  let size = least
  for (
    let n = Math.max(1, Math.ceil(w / least - 1e-9)), spare = Infinity, last = 1.2 * n;
    w > 0 && n <= last;
    n++
  ) {
    const over = Math.ceil((h / w) * n - 1e-9) - (h / w) * n
    if (over < spare - 1e-9) [size, spare] = [w / n, over]
  }
  const [columns, rows] = [
    Math.max(1, Math.ceil(w / size - 1e-9)),
    Math.max(1, Math.ceil(h / size - 1e-9)),
  ]
  // What the last column and row reach beyond is shared between both sides, so that every middle
  // lies within.
  return {
    west: box.west - (columns * size - w) / 2,
    south: box.south - (rows * size - h) / 2,
    cell: size,
    columns,
    rows,
  }
}

/** Cells of a grid whose middles lie in an area. Scan by row. */
export function cellsIn(areas: readonly Area[], grid: Grid): number[] {
  const found: number[] = []
  for (let row = 0; row < grid.rows; row++) {
    const y = grid.south + (row + 0.5) * grid.cell
    const crossings: number[] = []
    for (const area of areas)
      for (const ring of area)
        for (let i = 0, j = ring.length - 1; i < ring.length; j = i++) {
          const [a, b] = [ring[i]!, ring[j]!]
          if (a[1] > y !== b[1] > y)
            crossings.push(a[0] + ((b[0] - a[0]) * (y - a[1])) / (b[1] - a[1]))
        }
    crossings.sort((a, b) => a - b)
    for (let k = 0; k + 1 < crossings.length; k += 2) {
      const from = Math.max(0, Math.ceil((crossings[k]! - grid.west) / grid.cell - 0.5))
      const to = Math.min(
        grid.columns - 1,
        Math.floor((crossings[k + 1]! - grid.west) / grid.cell - 0.5),
      )
      for (let c = from; c <= to; c++) found.push(row * grid.columns + c)
    }
  }
  return found
}

/** Spread of a map over areas; null when no cell's middle falls on them. */
export function spreadOver(areas: readonly Area[], map: LightMap): ZoneLight | null {
  const hours = cellsIn(areas, map.grid)
    .map((at) => map.hours[at]!)
    .sort((a, b) => a - b)
  if (hours.length === 0) return null
  const at = (share: number) => sure(quantileSorted(hours, share))
  return { low: at(0.1), median: at(0.5), high: at(0.9), cells: hours.length }
}

export const hillsOf = (drawing: Pick<Drawing, 'hills'>): LightInput['hills'] =>
  drawing.hills.flatMap((h) =>
    h.bearing !== null && h.height !== null ? [{ bearing: h.bearing, height: h.height }] : [],
  )

export interface LightPlace {
  latitude: number
  longitude: number
}

/**
 * Sun hours of each drawn zone over a season, quickly: one grid over all of them, and a few days
 * that stand for the season.
 */
export function lightOfZones(
  drawing: Pick<Drawing, 'shapes' | 'hills'>,
  measured: MeasuredPlan,
  place: LightPlace,
  season: LightSeason,
  { tilts = [], whatIf = false }: { tilts?: readonly Obstacle[]; whatIf?: boolean } = {},
): Map<string, ZoneLight> {
  const obstacles = [...obstaclesOf(drawing.shapes, { whatIf }), ...tilts]
  const found = new Map<string, ZoneLight>()
  const days = daysFor(season.from, season.to, QUICK_DAYS)
  const zones = [...measured.zones]
  const grid = gridOver(
    zones.flatMap(([, zone]) => zone.net),
    0.25,
    QUICK_CELLS,
  )
  const map =
    grid &&
    lightMap({ ...place, obstacles, hills: hillsOf(drawing), grid, days, stepMinutes: QUICK_STEP })
  for (const [id, zone] of zones) {
    const spread = map && spreadOver(zone.net, map)
    if (spread) found.set(id, spread)
  }
  return found
}

/** Deep shade ends at the one line and light for any cool grass begins at the other, h. */
export interface TwoLights {
  shade: number
  sun: number
}
const USUAL_LINES: TwoLights = { shade: lightLines.shade.is, sun: lightLines.cool.is }

/**
 * A zone is offered as two when a tenth of it lies under the one line and a tenth above the other.
 */
export const isMixed = (light: ZoneLight, lines: TwoLights = USUAL_LINES): boolean =>
  light.low < lines.shade && light.high >= lines.sun

export interface LightSplit {
  from: Point
  to: Point
  shade: Area[]
  sun: Area[]
}

/**
 * The straight line that best parts a zone's shade from its sun: across the line between the two
 * middles, moved to where fewest cells fall on the wrong side. Null when one side would be next to
 * nothing.
 */
export function splitByLight(
  areas: readonly Area[],
  map: LightMap,
  lines: TwoLights = USUAL_LINES,
): LightSplit | null {
  const line = (lines.shade + lines.sun) / 2
  const { grid } = map
  const cells = cellsIn(areas, grid).map((at) => ({
    x: grid.west + ((at % grid.columns) + 0.5) * grid.cell,
    y: grid.south + (Math.floor(at / grid.columns) + 0.5) * grid.cell,
    dark: map.hours[at]! < line,
  }))
  const dark = cells.filter((c) => c.dark)
  const light = cells.filter((c) => !c.dark)
  if (dark.length < cells.length * 0.05 || light.length < cells.length * 0.05) return null
  const middle = (list: typeof cells): Point => [
    list.reduce((s, c) => s + c.x, 0) / list.length,
    list.reduce((s, c) => s + c.y, 0) / list.length,
  ]
  const [d, l] = [middle(dark), middle(light)]
  const span = Math.hypot(l[0] - d[0], l[1] - d[1])
  if (span < 1e-6) return null
  const [ux, uy] = [(l[0] - d[0]) / span, (l[1] - d[1]) / span]
  const sorted = cells
    .map((c) => ({ t: (c.x - d[0]) * ux + (c.y - d[1]) * uy, dark: c.dark }))
    .sort((a, b) => a.t - b.t)
  let wrong = dark.length
  let [best, at] = [Infinity, 0]
  for (const [i, c] of sorted.entries()) {
    wrong += c.dark ? -1 : 1
    if (wrong < best) [best, at] = [wrong, (c.t + (sorted[i + 1]?.t ?? c.t)) / 2]
  }
  const on: Point = [d[0] + ux * at, d[1] + uy * at]
  const from: Point = [on[0] - uy, on[1] + ux]
  const to: Point = [on[0] + uy, on[1] - ux]
  const [left, right] = splitAlong(areas, from, to)
  const size = (list: readonly Area[]) => list.reduce((s, a) => s + areaOf(a), 0)
  if (Math.min(size(left), size(right)) < 0.03 * (size(left) + size(right))) return null
  // Left of a line running this way lies towards the light.
  return { from, to, sun: left, shade: right }
}
