import { z } from 'zod'
import { parseQuantity, type Kind } from '../quantities/quantity.ts'
import { STEP_KINDS } from '../reference/operations.ts'
import { bagRate, oneOf, quantity, text } from './entry.ts'
import { uniqueIds } from './uniqueIds.ts'

/** The highest price that is believed, in the firm’s money. */
const MOST = 10_000_000
const price = (what: string) => quantity('price', { min: 0, max: MOST, what })
const share = (what: string, max: number, because?: string) =>
  quantity('percent', { min: 0, max, what, ...(because ? { because } : {}) })
const id = text(40)

/** What can be bought, and what its packs are measured in. */
export const PRODUCT_KINDS = {
  seed: { name: 'seed', size: 'mass' },
  feed: { name: 'feed', size: 'mass' },
  lime: { name: 'lime', size: 'mass' },
  soil: { name: 'soil, sand or compost', size: 'volume' },
  'loose-cover': { name: 'loose cover over seed', size: 'volume' },
  'sheet-cover': { name: 'blanket or sheet', size: 'area' },
  plugs: { name: 'plugs', size: 'ratio' },
  turf: { name: 'turf', size: 'area' },
  edging: { name: 'edging', size: 'length' },
  spray: { name: 'spray', size: 'volume' },
} as const satisfies Record<string, { name: string; size: Kind }>
export type ProductKind = keyof typeof PRODUCT_KINDS
const KIND_IDS = Object.keys(PRODUCT_KINDS) as [ProductKind, ...ProductKind[]]

/** Hours of a half day, above which a whole one is hired. */
export const HALF_DAY_HOURS = 4

const product = z
  .strictObject({
    id,
    kind: oneOf(KIND_IDS, 'a kind of product'),
    name: text(120),
    /** What it stands for: a grade, a dressing, a cover, a grass; nothing for any of its kind. */
    of: text(60),
    supplier: text(40),
    /** Of a feed, by its label: what goes down at once, and how much of its nitrogen is slow. */
    rate: bagRate,
    slowShare: share('The slow share', 100),
    /** The most of it in a year, by its label. */
    yearMost: quantity('rate', { min: 1, max: 1000, what: 'The most in a year' }),
    /** The day its prices were read. */
    pricedOn: text(40),
    packs: z
      .array(
        z.strictObject({
          size: z
            .union([z.number(), z.string().max(60)])
            .nullable()
            .default(null),
          price: price('A price'),
        }),
      )
      .max(12)
      .default([]),
  })
  .transform((p, ctx) => ({
    ...p,
    packs: p.packs.map(({ size, price }, i) => ({ price, size: sizeOf(p.kind, size, (message) => ctx.addIssue({ code: 'custom', path: ['packs', i, 'size'], message })) })), // prettier-ignore
  }))

/** A pack’s size in the core’s unit of its kind: kg, m³, m², m or pieces; null where none is given. */
function sizeOf(
  kind: ProductKind,
  entered: number | string | null,
  wrong: (sentence: string) => void,
): number | null {
  if (entered === null || entered === '') return null
  const read = typeof entered === 'number' ? { ok: true as const, value: entered } : parseQuantity(entered, PRODUCT_KINDS[kind].size) // prettier-ignore
  if (!read.ok) return (wrong(read.sentence), null)
  if (!(read.value > 0 && read.value <= 1_000_000)) {
    wrong('A pack holds something: give its size, like 20 kg, 1 m³ or 50 m².')
    return null
  }
  return read.value
}

const machine = z.strictObject({
  id,
  name: text(80),
  /** What it does, and with which tool of that work; '' for any. */
  does: oneOf(STEP_KINDS as unknown as [string, ...string[]], 'an operation'),
  tool: text(20),
  /** What an hour of the firm’s own costs; or what hiring one costs. */
  own: price('An hour of a machine'),
  half: price('A half day'),
  day: price('A day'),
  weekend: price('A weekend'),
  /** What a new one costs, for whoever asks whether to buy. */
  buy: price('A machine'),
  keeps: quantity('ratio', { min: 1, max: 40, what: 'Years that it lasts' }),
})

const supplier = z.strictObject({
  id,
  name: text(120),
  /** Working days from an order to its delivery. */
  days: quantity('days', { min: 0, max: 180, what: 'Days to deliver' }),
  delivery: price('A delivery'),
})

/** What the firm’s work and materials cost, and how it makes a price of that. */
export const pricesSchema = z.strictObject({
  /** An hour of one person, all in. */
  labour: price('An hour of work'),
  /** A visit: the van there and back. */
  travel: price('A visit'),
  water: price('A cubic metre of water'),
  /** Debris taken to a tip, for a loose cubic metre. */
  disposal: price('A cubic metre to the tip'),
  overhead: share('Overhead', 300),
  /** Share of the price before tax. */
  margin: share('The margin', 90, 'it is a share of the price, so it stays well under 100 %.'),
  tax: share('Tax', 60),
  /** Prices are told with tax in them. */
  taxIn: z.boolean().default(false),
  /** A price is rounded up to a multiple of so much, and is never less than so much. */
  roundTo: price('What prices are rounded to'),
  least: price('The least charge'),
  machines: uniqueIds(z.array(machine).max(60), 'machines').default([]),
  suppliers: uniqueIds(z.array(supplier).max(60), 'suppliers').default([]),
  products: uniqueIds(z.array(product).max(500), 'products').default([]),
})
export type Prices = z.output<typeof pricesSchema>
export type PricesDraft = z.input<typeof pricesSchema>
export type Product = Prices['products'][number]
export type Machine = Prices['machines'][number]

/** Whether the firm has said anything of what things cost. */
export const isPriced = (p: Prices): boolean =>
  p.labour !== null || p.machines.length > 0 || p.products.length > 0

/** What a line of materials is bought as: a product with a pack of known size and price. */
export function productFor(prices: Prices, kind: ProductKind, of: string): Product | null {
  const sold = prices.products.filter((p) => p.kind === kind && p.packs.some((k) => k.size !== null && k.price !== null)) // prettier-ignore
  const like = (a: string) => a.trim().toLowerCase()
  return (
    sold.find((p) => p.of !== '' && like(p.of) === like(of)) ??
    sold.find((p) => p.of === '') ??
    null
  )
}
