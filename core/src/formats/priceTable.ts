import {
  PRODUCT_KINDS,
  pricesSchema,
  type PricesDraft,
  type ProductKind,
} from '../entities/prices.ts'
import { parseQuantity } from '../quantities/quantity.ts'
import type { UnitSystem } from '../quantities/quantity.ts'

type ProductDraft = NonNullable<PricesDraft['products']>[number]
type SupplierDraft = NonNullable<PricesDraft['suppliers']>[number]

/** Columns by the headings that people give them. */
const HEADINGS = {
  supplier: ['supplier', 'from', 'merchant', 'yard'],
  kind: ['kind', 'type', 'category'],
  of: ['for', 'grade', 'of'],
  name: ['product', 'name', 'item', 'description'],
  size: ['size', 'pack', 'pack size', 'unit'],
  price: ['price', 'cost', 'each'],
  days: ['days', 'lead time', 'lead days', 'delivery days'],
  delivery: ['delivery', 'carriage'],
  pricedOn: ['date', 'priced on', 'price date'],
  rate: ['rate', 'coverage', 'covers', 'label rate'],
  slowShare: ['slow', 'slow share', 'slow release'],
  yearMost: ['most in a year', 'year', 'yearly most', 'a year'],
} as const
type Column = keyof typeof HEADINGS
const NEEDED: readonly Column[] = ['kind', 'name', 'size', 'price']

/** Words that people write for a kind. */
const KINDS: Record<string, ProductKind> = {
  ...(Object.fromEntries(Object.entries(PRODUCT_KINDS).flatMap(([id, k]) => [[id, id], [k.name, id]])) as Record<string, ProductKind>), // prettier-ignore
  fertilizer: 'feed',
  fertiliser: 'feed',
  starter: 'feed',
  sand: 'soil',
  topsoil: 'soil',
  compost: 'soil',
  dressing: 'soil',
  cover: 'loose-cover',
  coir: 'loose-cover',
  blanket: 'sheet-cover',
  sheet: 'sheet-cover',
  sod: 'turf',
}

export interface PriceTable {
  products: ProductDraft[]
  suppliers: SupplierDraft[]
  /** Lines that could not be read, by their number in the table, and why. */
  problems: { line: number; sentence: string }[]
}

/**
 * A supplier’s price list as a table: a heading, then a line for each pack. Packs of one product
 * from one supplier are put together. A line that is wrong is told and left out; the others stand.
 */
export function priceTable(rows: readonly (readonly string[])[], units: UnitSystem): PriceTable {
  const result: PriceTable = { products: [], suppliers: [], problems: [] }
  const wrong = (line: number, sentence: string) => result.problems.push({ line, sentence })
  const clean = (cell: string | undefined) => (cell ?? '').trim()
  const head = (rows[0] ?? []).map((cell) => clean(cell).toLowerCase())
  const at = Object.fromEntries(
    Object.entries(HEADINGS).map(([column, names]) => [column, head.findIndex((h) => (names as readonly string[]).includes(h))]), // prettier-ignore
  ) as Record<Column, number>
  const lacking = NEEDED.filter((column) => at[column] < 0)
  if (lacking.length > 0) {
    wrong(1, `The heading lacks ${lacking.join(', ')}. Begin with a line like: supplier, kind, for, name, size, price, days, delivery.`) // prettier-ignore
    return result
  }
  const products = new Map<string, ProductDraft>()
  const suppliers = new Map<string, SupplierDraft>()
  rows.slice(1).forEach((row, i) => {
    const line = i + 2
    const cell = (column: Column) => (at[column] < 0 ? '' : clean(row[at[column]]))
    if (row.every((c) => clean(c) === '')) return
    const said = cell('kind').toLowerCase()
    const kind = KINDS[said]
    if (!kind) return wrong(line, `“${cell('kind').slice(0, 40)}” is no kind of product. Write one of: ${Object.values(PRODUCT_KINDS).map((k) => k.name).join(', ')}.`) // prettier-ignore
    const size = parseQuantity(cell('size'), PRODUCT_KINDS[kind].size, units)
    if (!size.ok) return wrong(line, `The size: ${size.sentence}`)
    if (size.value <= 0) return wrong(line, 'A pack holds something: give its size, like 20 kg or 1 m³.') // prettier-ignore
    const price = parseQuantity(cell('price'), 'price', units)
    if (!price.ok) return wrong(line, `The price: ${price.sentence}`)
    if (price.value < 0) return wrong(line, 'A price is not below zero.')
    if (!cell('name')) return wrong(line, 'It has no name.')
    const from = cell('supplier')
    const supplier = from ? `supplier-${idOf(from)}` : ''
    if (from && !suppliers.has(supplier))
      suppliers.set(supplier, { id: supplier, name: from.slice(0, 120), days: cell('days') || null, delivery: cell('delivery') || null }) // prettier-ignore
    // “sand” and “compost” are both a kind and what it stands for.
    const of = cell('of') || (['sand', 'topsoil', 'compost', 'blanket', 'sheet'].includes(said) ? said : '') // prettier-ignore
    const id = `product-${idOf(`${from} ${kind} ${of} ${cell('name')}`)}`
    const known: ProductDraft = products.get(id) ?? { id, kind, of: of.slice(0, 60), name: cell('name').slice(0, 120), supplier, pricedOn: cell('pricedOn').slice(0, 40), ...(kind === 'feed' ? { rate: cell('rate') || null, slowShare: cell('slowShare') || null, yearMost: cell('yearMost') || null } : {}) } // prettier-ignore
    const pack = { size: size.text, price: cell('price') }
    products.set(id, { ...known, packs: [...(known.packs ?? []), pack] })
  })
  result.products = [...products.values()]
  result.suppliers = [...suppliers.values()]
  const checked = pricesSchema.safeParse({ products: result.products, suppliers: result.suppliers })
  if (!checked.success) {
    const [issue] = checked.error.issues
    wrong(1, issue?.message ?? 'This table cannot be read.')
    return { ...result, products: [], suppliers: [] }
  }
  return result
}

/** A short id out of a name, the same for the same name. */
function idOf(name: string): string {
  const word = name.toLowerCase().replace(/[^a-z0-9]+/g, '-').replace(/^-|-$/g, '').slice(0, 18) // prettier-ignore
  let sum = 0
  for (const c of name.toLowerCase()) sum = (Math.imul(sum, 31) + c.charCodeAt(0)) >>> 0
  return `${word}-${sum.toString(36)}`
}

/** The price list as a table again: a line for each pack, in what was typed. */
export function priceRows({ products = [], suppliers = [] }: PricesDraft): string[][] {
  const name = (id: string | undefined) => suppliers.find((s) => s.id === id)
  return [
    [
      'supplier',
      'kind',
      'for',
      'name',
      'size',
      'price',
      'days',
      'delivery',
      'date',
      'rate',
      'slow',
      'most in a year',
    ],
    ...products.flatMap((p) =>
      (p.packs ?? []).map((k) => [
        name(p.supplier)?.name ?? '',
        PRODUCT_KINDS[p.kind].name,
        p.of ?? '',
        p.name ?? '',
        String(k.size ?? ''),
        String(k.price ?? ''),
        String(name(p.supplier)?.days ?? ''),
        String(name(p.supplier)?.delivery ?? ''),
        p.pricedOn ?? '',
        String(p.rate ?? ''),
        String(p.slowShare ?? ''),
        String(p.yearMost ?? ''),
      ]),
    ),
  ]
}
