/**
 * The best mix, exactly. Shares go in steps that a person weighs (5 %); every set of at most `most`
 * components that may be mixed is tried with every division of 100 % in those steps, unless a bound
 * shows that it cannot beat what is known. The same problem as a mixed-integer program is its
 * check.
 */

export interface Component {
  /** What tells it from the others: a grass, or a lot of it. */
  id: string
  /** Its grass: two lots of one grass never stand in one mix. */
  grass: string
  /** 0 to 100. */
  fit: number
  /** How far it serves each need, 0 to 1. */
  serves: readonly number[]
  /** Live seeds in a gram of the bag. */
  seeds: number
  /**
   * Least and most by weight, and most by plants, % in company. Alone it may stand whatever they
   * say.
   */
  least: number
  most: number
  mostPlants: number
  /** What a kilogram of mix made of it alone would cost; 0 where not known. */
  cost: number
}

export interface Need {
  /** Points, where it is served in full. */
  weight: number
  /** Served in full from this share, 0 to 1. */
  enough: number
}

export interface MixProblem {
  components: readonly Component[]
  needs: readonly Need[]
  /** Components at most. */
  most: number
  /** Steps of share, %. */
  step: number
  /** Points for company, and against each component after the first. */
  company: number
  each: number
  /** Whether two grasses may stand in one mix. */
  together: (a: Component, b: Component) => boolean
}

export interface ComposedMix {
  parts: { component: Component; share: number }[]
  value: number
  cost: number
}

const EQUAL = 1e-9

/** Points of a mix: fit by weight, needs as far as they are served, company. Shares in %. */
export function valueOf(
  { needs, company, each }: MixProblem,
  set: readonly Component[],
  shares: readonly number[],
): number {
  let value = set.length > 1 ? company - each * (set.length - 1) : 0
  for (let i = 0; i < set.length; i++) value += (shares[i]! / 100) * set[i]!.fit
  for (let j = 0; j < needs.length; j++) {
    let served = 0
    for (let i = 0; i < set.length; i++) served += (shares[i]! / 100) * set[i]!.serves[j]!
    value += needs[j]!.weight * Math.min(1, served / needs[j]!.enough)
  }
  return value
}

/** Nothing that these components make can be worth more. */
function boundOf({ needs, company, each }: MixProblem, set: readonly Component[]): number {
  let value = set.length > 1 ? company - each * (set.length - 1) : 0
  value += Math.max(...set.map((c) => c.fit))
  for (let j = 0; j < needs.length; j++)
    value +=
      needs[j]!.weight * Math.min(1, Math.max(...set.map((c) => c.serves[j]!)) / needs[j]!.enough)
  return value
}

/** Whether each keeps within its most by plants. */
export function withinPlants(set: readonly Component[], shares: readonly number[]): boolean {
  let all = 0
  for (let i = 0; i < set.length; i++) all += shares[i]! * set[i]!.seeds
  return set.every((c, i) => 100 * shares[i]! * c.seeds <= c.mostPlants * all + EQUAL)
}

/** Whether shares keep within the limits by weight and by plants. */
export const allowed = (set: readonly Component[], shares: readonly number[]): boolean =>
  set.length === 1 ||
  (set.every((c, i) => shares[i]! >= c.least - EQUAL && shares[i]! <= c.most + EQUAL) &&
    withinPlants(set, shares))

/**
 * The best mix; null where there is nothing to mix. Of equals the cheaper, then the one whose ids
 * come first: the order of candidates does not matter.
 */
export function composeMix(
  problem: MixProblem,
  without: ReadonlySet<string> = new Set(),
): ComposedMix | null {
  const { most, step, together } = problem
  const usable = problem.components
    .filter((c) => !without.has(c.grass))
    .sort((a, b) => b.fit - a.fit || a.cost - b.cost || (a.id < b.id ? -1 : 1))
  let best: ComposedMix | null = null
  const offer = (set: readonly Component[], shares: readonly number[]) => {
    if (!allowed(set, shares)) return
    const value = valueOf(problem, set, shares)
    if (best && value < best.value - EQUAL) return
    const cost = set.reduce((sum, c, i) => sum + (shares[i]! / 100) * c.cost, 0)
    const found = {
      parts: set.map((component, i) => ({ component, share: shares[i]! })),
      value,
      cost,
    }
    if (
      !best ||
      value > best.value + EQUAL ||
      cost < best.cost - EQUAL ||
      (cost <= best.cost + EQUAL && before(found, best))
    )
      best = found
  }
  const divide = (set: readonly Component[], shares: number[], left: number) => {
    const at = shares.length
    if (at === set.length - 1) return offer(set, [...shares, left])
    const c = set[at]!
    // Whole steps only, and enough left over for the least of the others.
    const rest = set.slice(at + 1).reduce((sum, o) => sum + o.least, 0)
    for (
      let share = Math.ceil(c.least / step) * step;
      share <= Math.min(c.most, left - rest);
      share += step
    )
      divide(set, [...shares, share], left - share)
  }
  const grow = (set: readonly Component[], from: number) => {
    for (let i = from; i < usable.length; i++) {
      const next = usable[i]!
      if (set.some((c) => c.grass === next.grass || !together(c, next))) continue
      const grown = [...set, next]
      if (!best || boundOf(problem, grown) >= best.value - EQUAL) {
        if (grown.length === 1) offer(grown, [100])
        else divide(grown, [], 100)
      }
      if (grown.length < most) grow(grown, i + 1)
    }
  }
  grow([], 0)
  return best
}

const nameOf = (m: ComposedMix) =>
  [...m.parts]
    .sort((a, b) => (a.component.id < b.component.id ? -1 : 1))
    .map((p) => `${p.component.id} ${String(p.share).padStart(3, '0')}`)
    .join()
const before = (a: ComposedMix, b: ComposedMix): boolean => nameOf(a) < nameOf(b)
