import { quantity, say, verbatim, type Message } from '../rules/message.ts'
import { allowed, valueOf, withinPlants, type Component, type MixProblem } from './composeMix.ts'
import type { Fit } from './fit/fit.ts'
import { FIT_PART_NAMES } from './fit/parts.ts'

/** What the needs of a mix are, in their order; those after them keep the kinds that grow there. */
const NEEDS: readonly Message[] = [
  'less of it would show too late',
  'less of it would knit too slowly',
]
const KEEPS: Message = 'it grows there, and so much keeps it'

/**
 * What holds the share of one grass of a mix from below: why a step less of it, given to the other
 * that could best have it, would serve worse or is not allowed. Null where a step less would serve
 * as well. `shares` are those of the search, before any nurse; `fits` are of the same grasses in
 * the same order.
 */
export function whatHolds(
  problem: MixProblem,
  set: readonly Component[],
  shares: readonly number[],
  fits: readonly Fit[],
  index: number,
): Message | null {
  const { step } = problem
  const value = valueOf(problem, set, shares)
  const moved = set.flatMap((_, to) => {
    if (to === index) return []
    const other = shares.map((s, i) => s + (i === to ? step : i === index ? -step : 0))
    return [
      { to, other, loses: allowed(set, other) ? value - valueOf(problem, set, other) : Infinity },
    ]
  })
  if (moved.length === 0) return null
  const { to, other, loses } = moved.reduce((a, b) => (b.loses < a.loses ? b : a))
  if (loses === Infinity) return forbidden(set, other, index, to, fits)
  if (loses < LITTLE) return null
  const served = (of: readonly number[], need: number) =>
    set.reduce((sum, c, i) => sum + (of[i]! / 100) * c.serves[need]!, 0)
  const lost = problem.needs.map(
    ({ weight, enough }, j) =>
      weight * (Math.min(1, served(shares, j) / enough) - Math.min(1, served(other, j) / enough)),
  )
  const byFit = (step / 100) * (set[index]!.fit - set[to]!.fit)
  const most = lost.reduce((best, l, j) => (l > lost[best]! ? j : best), 0)
  if (lost.length > 0 && lost[most]! >= byFit) return NEEDS[most] ?? KEEPS
  return better(fits[index]!, fits[to]!)
}
/** Points of 100 that nobody would notice. */
const LITTLE = 0.05

/** Which limit a step would break. */
function forbidden(
  set: readonly Component[],
  shares: readonly number[],
  index: number,
  to: number,
  fits: readonly Fit[],
): Message {
  const [less, more] = [set[index]!, set[to]!]
  const name = verbatim(fits[to]!.grass.short)
  if (shares[index]! < less.least)
    return say`in company at least ${quantity(less.least, '%')} of it`
  if (shares[to]! > more.most) return say`in company at most ${quantity(more.most, '%')} ${name}`
  return withinPlants(set, shares)
    ? say`no more ${name} may stand in its place`
    : say`more ${name} would be too many of the plants`
}

/**
 * In what one grass is most ahead of another here: what speaks against the other, else what speaks
 * for it.
 */
function better(fit: Fit, other: Fit): Message | null {
  const ahead = fit.parts.flatMap((p) => {
    const theirs = other.parts.find((o) => o.part === p.part)
    return theirs ? [{ mine: p, theirs, by: p.weight * (p.rating - theirs.rating) }] : []
  })
  const most = ahead.reduce<(typeof ahead)[number] | null>(
    (a, b) => (a === null || b.by > a.by ? b : a),
    null,
  )
  if (!most || most.by <= 0) return null
  return most.theirs.rating < 70
    ? say`${verbatim(other.grass.short)}, ${FIT_PART_NAMES[most.mine.part]}: ${most.theirs.says}`
    : say`${FIT_PART_NAMES[most.mine.part]}: ${most.mine.says}`
}
