import type { Point } from '../src/model/sitePlan.ts'
import { inside } from '../src/survey/geometry.ts'
import { sunThroughDay, type LightInput } from '../src/survey/lightMap.ts'
import { leafThrough, type Obstacle } from '../src/survey/obstacles.ts'

/** Share of the sun that reaches a spot on the ground: a ray from it towards the sun, tried against each obstacle in turn. Shares no geometry with the map. */
export function reaching(at: Point, sun: { azimuth: number; altitude: number }, obstacles: readonly Obstacle[], leaf: number): number {
  const a = (sun.azimuth * Math.PI) / 180
  const e = (sun.altitude * Math.PI) / 180
  const d = [Math.sin(a) * Math.cos(e), Math.cos(a) * Math.cos(e), Math.sin(e)] as const
  let light = 1
  for (const o of obstacles) if (meets(at, d, o)) light *= o.dropsLeaf ? leaf : 0
  return light
}

function meets(at: Point, d: readonly [number, number, number], o: Obstacle): boolean {
  if (o.form === 'crown') {
    // |diag(1/r,1/r,1/half)(p + t d)|² = 1 has a root ahead.
    const p = [(at[0] - o.at[0]) / o.radius, (at[1] - o.at[1]) / o.radius, -o.middle / o.half]
    const v = [d[0] / o.radius, d[1] / o.radius, d[2] / o.half]
    const dot = (x: readonly number[], y: readonly number[]) => x[0]! * y[0]! + x[1]! * y[1]! + x[2]! * y[2]!
    const b = dot(p, v)
    return b < 0 && b * b - dot(v, v) * (dot(p, p) - 1) >= 0
  }
  if (inside(at, o.footprint)) return true
  const reach = o.height / d[2]
  const to: Point = [at[0] + d[0] * reach, at[1] + d[1] * reach]
  if (inside(to, o.footprint)) return true
  const cross = (p: Point, q: Point, r: Point) => (q[0] - p[0]) * (r[1] - p[1]) - (q[1] - p[1]) * (r[0] - p[0])
  return o.footprint.some((ring) =>
    ring.some((p, i) => {
      const q = ring[(i + 1) % ring.length]!
      return cross(at, to, p) > 0 !== cross(at, to, q) > 0 && cross(p, q, at) > 0 !== cross(p, q, to) > 0
    }),
  )
}

/** Hours of sun a day on each cell by rays: cells × obstacles × sun positions. */
export function naiveHours(input: LightInput, cells: readonly number[]): number[] {
  const { grid, days, stepMinutes } = input
  return cells.map((cell) => {
    const at: Point = [grid.west + ((cell % grid.columns) + 0.5) * grid.cell, grid.south + (Math.floor(cell / grid.columns) + 0.5) * grid.cell]
    let sum = 0
    for (const day of days) {
      const leaf = leafThrough(((day + 0.5) % 365.2425) + 0, input.latitude)
      for (const sun of sunThroughDay(day, input.latitude, input.longitude, stepMinutes, input.hills)) sum += reaching(at, sun, input.obstacles, leaf)
    }
    return (sum * stepMinutes) / 60 / days.length
  })
}
