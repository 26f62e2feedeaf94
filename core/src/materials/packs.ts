import { sure } from '../quantities/sure.ts'
import { joined, type Message } from '../rules/message.ts'
export interface Packs {
  /** Bags by what is printed on them, in their own unit. */
  counts: { size: number; count: number }[]
  unit: 'kg' | 'lb'
  /** kg. */
  bought: number
  left: number
  /** In thousandths of the firm's money; null until prices are known. */
  cost: number | null
}

/** A size that is sold, in the unit it is printed in, and what it costs. */
export interface PackSize {
  size: number
  price: number
}

const EQUAL = 1e-9

/**
 * The cheapest set of packs that covers a need; of equals the one that buys least, then the one of
 * fewest packs. Exact: every set is tried but those that a bound shows to be dearer. Sizes and need
 * in the same unit.
 */
export function packsFor(
  need: number,
  sold: readonly PackSize[],
): Pick<Packs, 'counts' | 'bought'> & { cost: number } {
  // Cheapest by weight first, so that a good set is found at once and bounds the rest.
  const sizes = [...sold].sort((a, b) => a.price / a.size - b.price / b.size || b.size - a.size)
  let best: { counts: number[]; bought: number; cost: number; packs: number } | null = null
  const fill = (index: number, left: number, counts: number[], bought: number, cost: number) => {
    const packs = counts.reduce((a, b) => a + b, 0)
    if (left <= EQUAL) {
      const found = { counts: [...counts], bought, cost, packs }
      if (
        !best ||
        cost < best.cost - EQUAL ||
        (cost <= best.cost + EQUAL &&
          (bought < best.bought - EQUAL || (bought <= best.bought + EQUAL && packs < best.packs)))
      )
        best = found
      return
    }
    const one = sizes[index]
    if (!one) return
    const next = sizes[index + 1]
    for (let count = Math.ceil(left / one.size - EQUAL); count >= 0; count--) {
      const [rest, spent] = [left - count * one.size, cost + count * one.price]
      // Whatever comes after is dearer by weight: fewer of this size only cost more.
      if (
        best &&
        rest > EQUAL &&
        spent + (next ? (rest * next.price) / next.size : Infinity) > best.cost + EQUAL
      )
        break
      fill(index + 1, rest, [...counts, count], bought + count * one.size, spent)
    }
  }
  fill(0, need, [], 0, 0)
  const { counts, bought, cost } = best ?? { counts: [] as number[], bought: 0, cost: 0 }
  return {
    counts: sizes
      .flatMap(({ size }, i) => (counts[i] ? [{ size, count: counts[i]! }] : []))
      .sort((a, b) => b.size - a.size),
    bought,
    cost,
  }
}

/** One pound in kilograms. Source: NIST SP 811. */
const POUND = 0.45359237

/** The bags a firm buys: its own with their prices, or those that are usual where it works. */
export interface Bags {
  sizes: readonly PackSize[]
  unit: 'kg' | 'lb'
  /** The prices are the firm's own. */
  priced: boolean
}

/**
 * Usual bags. Until prices are known a pack is taken to cost its size to the power `exponent`:
 * large packs are cheaper by weight.
 */
export const usualBags = (
  sizes: { kg: readonly number[]; lb: readonly number[] },
  units: 'metric' | 'us',
  exponent: number,
): Bags => {
  const unit = units === 'metric' ? 'kg' : 'lb'
  return {
    unit,
    priced: false,
    sizes: sizes[unit].map((size) => ({ size, price: Math.pow(size, exponent) })),
  }
}

/**
 * A firm's own bags, kept in kg, in the unit it works in. Where any of them has no price, large
 * packs are taken to be cheaper by weight.
 */
export function ownBags(
  own: readonly { size: number | null; price: number | null }[],
  units: 'metric' | 'us',
  exponent: number,
): Bags | null {
  const sized = own.flatMap((b) => (b.size === null ? [] : [{ size: b.size, price: b.price }]))
  if (sized.length === 0) return null
  const priced = sized.every((b) => b.price !== null)
  const per = units === 'metric' ? 1 : POUND
  return {
    unit: units === 'metric' ? 'kg' : 'lb',
    priced,
    sizes: sized.map(({ size, price }) => {
      const shown = Number((size / per).toPrecision(6))
      return { size: shown, price: priced ? sure(price) : Math.pow(shown, exponent) }
    }),
  }
}

/** Bags for a need in kg; what is bought and left in kg too. */
export function bagsFor(need: number, { sizes, unit, priced }: Bags): Packs {
  const per = unit === 'kg' ? 1 : POUND
  const { counts, bought, cost } = packsFor(need / per, sizes)
  return {
    counts,
    unit,
    bought: bought * per,
    left: bought * per - need,
    cost: priced ? cost : null,
  }
}

/** Sizes of bags in kg. */
export const sizesInKg = ({ sizes, unit }: Bags): number[] =>
  sizes.map((s) => s.size * (unit === 'kg' ? 1 : POUND))

/**
 * A set of bags in words. A bag's size is what is printed on it, so it stays as it is in any units.
 */
export const bagWords = (p: Pick<Packs, 'counts' | 'unit'>): Message => joined(p.counts.map((c) => `${c.count} × ${c.size} ${p.unit}`), ' + ') // prettier-ignore

/** A set of bags by its kilograms. */
export const inKg = ({ counts, unit }: Pick<Packs, 'counts' | 'unit'>): Packs['counts'] =>
  counts.map((c) => ({ ...c, size: unit === 'lb' ? c.size * POUND : c.size }))
