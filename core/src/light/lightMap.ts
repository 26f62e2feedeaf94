import { isBehind, crownTransmittance, shadowStep, type Obstacle } from './obstacles.ts'
import { fromPlace, sunPlace, type SunPosition } from './sun.ts'
import type { Area } from '../drawing/geometry.ts'
import type { Point } from '../entities/drawing.ts'

/** Cells of the plan, square, from the south-west corner; row by row northwards. Metres. */
export interface Grid {
  west: number
  south: number
  cell: number
  columns: number
  rows: number
}

export interface LightInput {
  latitude: number
  longitude: number
  obstacles: readonly Obstacle[]
  /** Height of the land, degrees, by compass direction, degrees. */
  hills: readonly { bearing: number; height: number }[]
  grid: Grid
  /** Days since 1970 that stand for the season. */
  days: readonly number[]
  stepMinutes: number
}

export interface LightMap {
  grid: Grid
  /** Hours of direct sun a day under a clear sky, cell by cell, mean of the days. */
  hours: Float32Array
  /** The same with nothing standing in the way but the hills. */
  open: number
}

/**
 * The sun counts as direct from here up, degrees: about where a recorder begins to burn, 120 W/m²
 * (WMO, from memory).
 */
export const DIRECT_FROM = 3

/**
 * Height of the hill line in a direction, degrees: straight between the directions given, round the
 * compass.
 */
export function hillAt(bearing: number, hills: LightInput['hills']): number {
  if (hills.length === 0) return 0
  const sorted = [...hills].sort((a, b) => a.bearing - b.bearing)
  const after = sorted.find((h) => h.bearing >= bearing) ?? {
    ...sorted[0]!,
    bearing: sorted[0]!.bearing + 360,
  }
  const before = sorted.findLast((h) => h.bearing <= bearing) ?? {
    ...sorted.at(-1)!,
    bearing: sorted.at(-1)!.bearing - 360,
  }
  const span = after.bearing - before.bearing
  return span === 0
    ? after.height
    : before.height + ((after.height - before.height) * (bearing - before.bearing)) / span
}

/**
 * The sun through one day at a place, at the middle of each step, while it stands clear of the
 * hills. `day` is days since 1970, by the sun's own noon.
 */
export function sunThroughDay(
  day: number,
  latitude: number,
  longitude: number,
  stepMinutes: number,
  hills: LightInput['hills'],
): (SunPosition & { hour: number })[] {
  const found: (SunPosition & { hour: number })[] = []
  for (let minute = stepMinutes / 2; minute < 1440; minute += stepMinutes) {
    const sun = fromPlace(
      sunPlace((day * 1440 + minute - longitude * 4) * 60_000),
      latitude,
      longitude,
    )
    if (sun.altitude > Math.max(DIRECT_FROM, hillAt(sun.azimuth, hills)))
      found.push({ ...sun, hour: minute / 60 })
  }
  return found
}

/**
 * Counts, cell by cell, how often a bit was set: word by word, thirty-two cells at once, with a
 * carry from one binary place to the next.
 */
class CellCounter {
  private places: Uint32Array[] = []
  constructor(private readonly words: number) {}
  add(at: number, bits: number): void {
    for (let place = 0; bits !== 0; place++) {
      const row = (this.places[place] ??= new Uint32Array(this.words))
      const carry = row[at]! & bits
      row[at]! ^= bits
      bits = carry
    }
  }
  /** Adds the counts times `weight` to `into` (32 cells a word) and begins again. */
  drain(into: Float64Array, weight: number): void {
    for (const [place, row] of this.places.entries()) {
      const worth = weight * 2 ** place
      for (let word = 0; word < row.length; word++) {
        let bits = row[word]!
        while (bits !== 0) {
          const low = bits & -bits
          into[word * 32 + 31 - Math.clz32(low)]! += worth
          bits ^= low
        }
      }
    }
    this.places = []
  }
}

/**
 * Hours of direct sun on each cell. Shadows fall as on level ground; ground known to slope loses
 * the sun behind it as well. They are laid on the grid one sun position at a time, as spans of bits
 * by row, so the work goes with the length of the shadows' edges and not with cells times
 * obstacles. Leaf-dropping crowns lie in layers of their own: light comes through one, two or three
 * of them by the product of their shares; a fourth is taken as a third. Yields the share done, so
 * that whoever runs it can show progress or stop.
 */
export function* castLight(input: LightInput): Generator<number, LightMap> {
  const { grid, latitude, longitude, hills, days, stepMinutes } = input
  const { columns, rows } = grid
  const words = (columns + 31) >> 5
  const solid = new Uint32Array(words * rows)
  const leafy = [0, 1, 2].map(() => new Uint32Array(words * rows))
  const solidCount = new CellCounter(words * rows)
  const leafyCount = leafy.map(() => new CellCounter(words * rows))
  const shade = new Float64Array(words * rows * 32)
  const [one, two, three] = leafy as [Uint32Array, Uint32Array, Uint32Array]
  const shadows = input.obstacles.map((o) => ({
    o,
    convex: o.form === 'block' && o.footprint.length === 1 && isConvex(o.footprint[0]!),
  }))
  const anyLeafy = input.obstacles.some((o) => o.dropsLeaf)
  let open = 0

  type Lay = (at: number, bits: number) => void
  const setBits: Lay = (at, bits) => {
    solid[at]! |= bits
  }
  const addLeaf: Lay = (at, bits) => {
    three[at]! |= two[at]! & bits
    two[at]! |= one[at]! & bits
    one[at]! |= bits
  }
  /** Lays the cells of a row whose middles lie between two eastings. */
  const span = (row: number, x0: number, x1: number, lay: Lay) => {
    const from = Math.max(0, Math.ceil((x0 - grid.west) / grid.cell - 0.5))
    const to = Math.min(columns - 1, Math.floor((x1 - grid.west) / grid.cell - 0.5))
    if (from > to) return
    const base = row * words
    const [a, b] = [from >> 5, to >> 5]
    const head = 0xffffffff << (from & 31)
    const tail = 0xffffffff >>> (31 - (to & 31))
    if (a === b) return lay(base + a, head & tail)
    lay(base + a, head)
    for (let word = a + 1; word < b; word++) lay(base + word, 0xffffffff)
    lay(base + b, tail)
  }
  const firstRow = (y: number) => Math.max(0, Math.ceil((y - grid.south) / grid.cell - 0.5))
  const lastRow = (y: number) => Math.min(rows - 1, Math.floor((y - grid.south) / grid.cell - 0.5))
  // Grows where an outline crosses a row more often: none is left out.
  let crossings = new Float64Array(64)
  const fillArea = (rings: Area, lay: Lay) => {
    let [y0, y1] = [Infinity, -Infinity]
    for (const [, y] of rings[0]!) {
      if (y < y0) y0 = y
      if (y > y1) y1 = y
    }
    for (let row = firstRow(y0), last = lastRow(y1); row <= last; row++) {
      const y = grid.south + (row + 0.5) * grid.cell
      let n = 0
      for (const ring of rings)
        for (let i = 0, j = ring.length - 1; i < ring.length; j = i++) {
          const [a, b] = [ring[i]!, ring[j]!]
          if (a[1] > y === b[1] > y) continue
          if (n === crossings.length) {
            const longer = new Float64Array(2 * n)
            longer.set(crossings)
            crossings = longer
          }
          crossings[n++] = a[0] + ((b[0] - a[0]) * (y - a[1])) / (b[1] - a[1])
        }
      if (n === 2)
        span(
          row,
          Math.min(crossings[0]!, crossings[1]!),
          Math.max(crossings[0]!, crossings[1]!),
          lay,
        )
      else if (n > 2) {
        const sorted = crossings.subarray(0, n).sort()
        for (let i = 0; i + 1 < n; i += 2) span(row, sorted[i]!, sorted[i + 1]!, lay)
      }
    }
  }
  const left = new Float64Array(rows)
  const right = new Float64Array(rows)
  /**
   * Edge by edge, each row's westmost and eastmost crossing: for a convex ring those two are all
   * there are.
   */
  const fillConvex = (ring: readonly Point[], lay: Lay) => {
    let [y0, y1] = [Infinity, -Infinity]
    for (const [, y] of ring) {
      if (y < y0) y0 = y
      if (y > y1) y1 = y
    }
    const [first, last] = [firstRow(y0), lastRow(y1)]
    for (let row = first; row <= last; row++) {
      left[row] = Infinity
      right[row] = -Infinity
    }
    for (let i = 0, j = ring.length - 1; i < ring.length; j = i++) {
      const [low, high] = ring[i]![1] < ring[j]![1] ? [ring[i]!, ring[j]!] : [ring[j]!, ring[i]!]
      const slope = (high[0] - low[0]) / (high[1] - low[1])
      for (let row = firstRow(low[1]), to = lastRow(high[1]); row <= to; row++) {
        const x = low[0] + slope * (grid.south + (row + 0.5) * grid.cell - low[1])
        if (x < left[row]!) left[row] = x
        if (x > right[row]!) right[row] = x
      }
    }
    for (let row = first; row <= last; row++) span(row, left[row]!, right[row]!, lay)
  }
  const fillCrown = (o: Obstacle & { form: 'crown' }, dx: number, dy: number, lay: Lay) => {
    // The shadow is the ellipse (x−c)ᵀM⁻¹(x−c) ≤ 1 with M = r²·I + half²·ddᵀ.
    const [mxx, mxy, myy] = [
      o.radius ** 2 + (o.half * dx) ** 2,
      o.half ** 2 * dx * dy,
      o.radius ** 2 + (o.half * dy) ** 2,
    ]
    const [cx, cy] = [o.at[0] + dx * o.middle, o.at[1] + dy * o.middle]
    const tall = Math.sqrt(myy)
    const determinant = mxx * myy - mxy * mxy
    for (let row = firstRow(cy - tall), last = lastRow(cy + tall); row <= last; row++) {
      const v = grid.south + (row + 0.5) * grid.cell - cy
      const wide = Math.sqrt(Math.max(0, determinant * (myy - v * v))) / myy
      const middle = cx + (mxy / myy) * v
      span(row, middle - wide, middle + wide, lay)
    }
  }

  let leaf = -1
  const drainLeaf = () =>
    leafyCount.forEach((counter, layer) => counter.drain(shade, leaf ** layer * (1 - leaf)))
  for (const [index, day] of days.entries()) {
    // In hundredths, so that the layers are weighed only when the leaf has changed.
    const today = Math.round(crownTransmittance(dayOfYear(day), latitude) * 100) / 100
    if (today !== leaf) drainLeaf()
    leaf = today
    for (const sun of sunThroughDay(day, latitude, longitude, stepMinutes, hills)) {
      open++
      if (shadows.length === 0) continue
      const [dx, dy] = shadowStep(sun)
      solid.fill(0)
      if (anyLeafy) leafy.forEach((layer) => layer.fill(0))
      for (const { o, convex } of shadows) {
        const lay = o.dropsLeaf ? addLeaf : setBits
        if (o.form === 'tilt') {
          if (isBehind(o, sun)) for (const area of o.areas) fillArea(area, lay)
          continue
        }
        if (o.form === 'crown') {
          fillCrown(o, dx, dy, lay)
          continue
        }
        const [sx, sy] = [dx * o.height, dy * o.height]
        const outer = o.footprint[0]!
        if (convex || o.dropsLeaf) fillConvex(hull(outer, sx, sy), lay)
        else {
          fillArea(o.footprint, lay)
          for (let i = 0, j = outer.length - 1; i < outer.length; j = i++) {
            const [a, b] = [outer[j]!, outer[i]!]
            fillArea([[a, b, [b[0] + sx, b[1] + sy], [a[0] + sx, a[1] + sy]]], lay)
          }
        }
      }
      for (let at = 0; at < solid.length; at++) {
        const bits = solid[at]!
        if (bits !== 0) solidCount.add(at, bits)
        if (anyLeafy && one[at] !== 0)
          for (let layer = 0; layer < 3; layer++) {
            const through = leafy[layer]![at]! & ~bits
            if (through !== 0) leafyCount[layer]!.add(at, through)
          }
      }
    }
    yield (index + 1) / days.length
  }
  drainLeaf()
  solidCount.drain(shade, 1)
  const perStep = stepMinutes / 60 / Math.max(1, days.length)
  const hours = new Float32Array(columns * rows)
  for (let row = 0, at = 0; row < rows; row++)
    for (let c = 0; c < columns; c++, at++)
      hours[at] = (open - shade[row * words * 32 + c]!) * perStep
  return { grid, hours, open: open * perStep }
}

/** Everything at once, for whoever need not show progress. */
export function lightMap(input: LightInput): LightMap {
  const cast = castLight(input)
  for (;;) {
    const step = cast.next()
    if (step.done) return step.value
  }
}

const isConvex = (ring: readonly Point[]): boolean => hull(ring, 0, 0).length >= ring.length

/** Convex hull of a footprint and of its top laid over by the sun. */
function hull(ring: readonly Point[], sx: number, sy: number): Point[] {
  const points = [...ring, ...ring.map(([x, y]): Point => [x + sx, y + sy])].sort(
    (a, b) => a[0] - b[0] || a[1] - b[1],
  )
  const turn = (o: Point, a: Point, b: Point) =>
    (a[0] - o[0]) * (b[1] - o[1]) - (a[1] - o[1]) * (b[0] - o[0])
  const half = (list: readonly Point[]) => {
    const line: Point[] = []
    for (const p of list) {
      while (line.length > 1 && turn(line.at(-2)!, line.at(-1)!, p) <= 0) line.pop()
      line.push(p)
    }
    return line.slice(0, -1)
  }
  return [...half(points), ...half(points.reverse())]
}

const dayOfYear = (day: number): number => {
  const years = Math.floor((day + 0.5) / 365.2425)
  return day + 0.5 - years * 365.2425
}

/** Up to `most` days spread evenly over a season, each the middle of its share. Days since 1970. */
export function daysFor(from: number, to: number, most: number): number[] {
  const length = Math.max(1, to - from + 1)
  const n = Math.min(most, length)
  return Array.from({ length: n }, (_, i) => from + Math.floor(((i + 0.5) * length) / n))
}
