import type { Point } from '../entities/drawing.ts'

/**
 * Between degrees on the earth and metres on the plan. East and north are laid off along the WGS 84
 * ellipsoid's own radii of curvature at the origin.
 */
export interface Origin {
  latitude: number
  longitude: number
}

const A = 6_378_137
const E2 = 0.00669437999014
const RAD = Math.PI / 180

/**
 * Radii of curvature at a latitude, m: along the meridian, and across it. WGS 84; true by
 * definition.
 */
export function radiiAt(latitude: number): { meridian: number; across: number } {
  const w = 1 - E2 * Math.sin(latitude * RAD) ** 2
  return { meridian: (A * (1 - E2)) / w ** 1.5, across: A / Math.sqrt(w) }
}

export function toPlan([longitude, latitude]: readonly [number, number], origin: Origin): Point {
  const { meridian, across } = radiiAt(origin.latitude)
  const turn = ((((longitude - origin.longitude) % 360) + 540) % 360) - 180
  return [
    turn * RAD * across * Math.cos(origin.latitude * RAD),
    (latitude - origin.latitude) * RAD * meridian,
  ]
}

export function toEarth([x, y]: Point, origin: Origin): [longitude: number, latitude: number] {
  const { meridian, across } = radiiAt(origin.latitude)
  return [
    origin.longitude + x / (RAD * across * Math.cos(origin.latitude * RAD)),
    origin.latitude + y / (RAD * meridian),
  ]
}

/**
 * Most a length so far from the origin is out, as a share: the plan takes cos(latitude) at its
 * origin, so east–west lengths drift by tan(latitude) for each radian of northing (first order).
 */
export const projectionError = (metresAway: number, origin: Origin): number =>
  (Math.abs(Math.tan(origin.latitude * RAD)) * metresAway) / A
