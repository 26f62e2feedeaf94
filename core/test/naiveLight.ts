import type { Point } from '../src/entities/drawing.ts'
import { inside } from '../src/drawing/geometry.ts'
import { sunThroughDay, type LightInput } from '../src/light/lightMap.ts'
import { crownTransmittance, type Obstacle } from '../src/light/obstacles.ts'

/**
 * Share of the sun that reaches a spot on the ground: a ray from it towards the sun, tried against
 * each obstacle in turn. Shares no geometry with the map.
 */
export function reaching(
  at: Point,
  sun: { azimuth: number; altitude: number },
  obstacles: readonly Obstacle[],
  leaf: number,
): number {
  const a = (sun.azimuth * Math.PI) / 180
  const e = (sun.altitude * Math.PI) / 180
  const d = [Math.sin(a) * Math.cos(e), Math.cos(a) * Math.cos(e), Math.sin(e)] as const
  let light = 1
  for (const o of obstacles) if (meets(at, d, o)) light *= o.dropsLeaf ? leaf : 0
  return light
}

function meets(at: Point, d: readonly [number, number, number], o: Obstacle): boolean {
  if (o.form === 'tilt') {
    // The ray dips into the plane when it leans away from its normal.
    const b = (o.towards * Math.PI) / 180
    return (
      o.areas.some((area) => inside(at, area)) &&
      d[0] * o.fall * Math.sin(b) + d[1] * o.fall * Math.cos(b) + d[2] <= 0
    )
  }
  if (o.form === 'crown') {
    // |S(p + t·d)|² = 1 with S = diag(1/r, 1/r, 1/half) has a root ahead.
    const px = (at[0] - o.at[0]) / o.radius
    const py = (at[1] - o.at[1]) / o.radius
    const pz = -o.middle / o.half
    const vx = d[0] / o.radius
    const vy = d[1] / o.radius
    const vz = d[2] / o.half
    const b = px * vx + py * vy + pz * vz
    return b < 0 && b * b - (vx * vx + vy * vy + vz * vz) * (px * px + py * py + pz * pz - 1) >= 0
  }
  if (inside(at, o.footprint)) return true
  const reach = o.height / d[2]
  const to: Point = [at[0] + d[0] * reach, at[1] + d[1] * reach]
  if (inside(to, o.footprint)) return true
  for (const ring of o.footprint)
    for (let i = 0, j = ring.length - 1; i < ring.length; j = i++) {
      const p = ring[j]!
      const q = ring[i]!
      if (
        cross(at, to, p) > 0 !== cross(at, to, q) > 0 &&
        cross(p, q, at) > 0 !== cross(p, q, to) > 0
      )
        return true
    }
  return false
}

const cross = (p: Point, q: Point, r: Point) =>
  (q[0] - p[0]) * (r[1] - p[1]) - (q[1] - p[1]) * (r[0] - p[0])

/** Hours of sun a day on each cell by rays: cells × obstacles × sun positions. */
export function naiveHours(input: LightInput, cells: readonly number[]): number[] {
  const { grid, days, stepMinutes } = input
  const suns = days.flatMap((day) => {
    const leaf = crownTransmittance((day + 0.5) % 365.2425, input.latitude)
    return sunThroughDay(day, input.latitude, input.longitude, stepMinutes, input.hills).map(
      (sun) => ({ sun, leaf }),
    )
  })
  return cells.map((cell) => {
    const at: Point = [
      grid.west + ((cell % grid.columns) + 0.5) * grid.cell,
      grid.south + (Math.floor(cell / grid.columns) + 0.5) * grid.cell,
    ]
    const sum = suns.reduce(
      (total, { sun, leaf }) => total + reaching(at, sun, input.obstacles, leaf),
      0,
    )
    return (sum * stepMinutes) / 60 / days.length
  })
}
