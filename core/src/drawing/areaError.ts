import type { MeasuredBy, Ring } from '../entities/drawing.ts'
import { areaOf, distance, type Area } from './geometry.ts'

/**
 * How well each way of measuring places a corner (m, one standard error, each way) and holds its
 * scale (share of every length). Juvena's model; a phone or a file that states its own error is
 * believed instead.
 */
export const MEASURING: Record<MeasuredBy, { place: number; scale: number }> = {
  tape: { place: 0.03, scale: 0.003 },
  pacing: { place: 0.15, scale: 0.05 },
  phone: { place: 4, scale: 0 },
  traced: { place: 0.25, scale: 0.02 },
  imported: { place: 0.5, scale: 0.002 },
}

/**
 * Share by which an area typed as a number is taken to be out, when how it was measured is said.
 * Juvena's model.
 */
export const TYPED_AREA_ERROR: Record<MeasuredBy, number> = {
  tape: 0.01,
  pacing: 0.1,
  phone: 0.1,
  traced: 0.05,
  imported: 0.01,
}

/**
 * Standard error of a drawn area, m². Errors of the corners are taken as independent: with A =
 * ½Σxᵢ(yᵢ₊₁ − yᵢ₋₁), the variance is σ²/4·Σ|pᵢ₊₁ − pᵢ₋₁|² (first order, true by definition); an
 * error of scale s adds 2·s·A.
 */
export function areaError(rings: Area, by: MeasuredBy, statedPlace: number | null = null): number {
  const { place, scale } = MEASURING[by]
  const sigma = statedPlace ?? place
  let sum = 0
  for (const ring of rings) sum += chords(ring)
  return Math.hypot((sigma / 2) * Math.sqrt(sum), 2 * scale * areaOf(rings))
}

function chords(ring: Ring): number {
  const n = ring.length
  let sum = 0
  for (let i = 0; i < n; i++) sum += distance(ring[(i + 1) % n]!, ring[(i + n - 1) % n]!) ** 2
  // A ring of very many places is one smooth line read many times over: its corners are not
  // independent, so no more than 16 count.
  return n > 16 ? (sum * n) / 16 : sum
}

/** 90 % either way of a standard error. */
export const margin90 = (standardError: number): number => 1.645 * standardError
