import { describe, expect, it } from 'vitest'
import { pricesSchema } from '../src/entities/prices.ts'
import { priceRows, priceTable } from '../src/formats/priceTable.ts'

const rows = (text: string) => text.trim().split('\n').map((l) => l.trim().split('|').map((c) => c.trim())) // prettier-ignore

describe('a price list as a table', () => {
  const list = rows(`
    Supplier | Type | For | Product | Pack size | Price | Days | Delivery
    Ridge Yard | sand | | Washed sand | 1 m³ | 96,50 | 2 | 65
    Ridge Yard | sand | | Washed sand | 0.5 m³ | $52 | 2 | 65
    Ridge Yard | wool | | Felt | 1 m² | 4 | 2 | 65
    Ridge Yard | feed | 16-20-8 | Starter | 20 L | 70 | 2 | 65
    Ridge Yard | feed | 16-20-8 | Starter | 20 kg | dear | 2 | 65
    Seed House | seed | | Mix | 50 lb | 245 | |
  `)
  it('adds what is right, packs of one product together, and names each wrong line', () => {
    const found = priceTable(list, 'metric')
    expect(found.problems.map((p) => p.line)).toEqual([4, 5, 6])
    expect(found.problems[0]!.sentence).toContain('“wool” is no kind of product')
    expect(found.problems[1]!.sentence).toContain('The size')
    expect(found.problems[2]!.sentence).toContain('not a price')
    const read = pricesSchema.parse({ products: found.products, suppliers: found.suppliers })
    expect(
      read.products.map((p) => [
        p.name,
        p.of,
        p.packs.map((k) => [Number(k.size!.toFixed(3)), k.price]),
      ]),
    ).toEqual([
      // prettier-ignore
      ['Washed sand', 'sand', [[1, 96_500], [0.5, 52_000]]],
      ['Mix', '', [[22.68, 245_000]]],
    ])
    expect(read.suppliers.map((s) => [s.name, s.days, s.delivery])).toEqual([['Ridge Yard', 2, 65_000], ['Seed House', null, null]]) // prettier-ignore
    expect(read.products[0]!.supplier).toBe(read.suppliers[0]!.id)
  })
  it('goes out and comes in as the same list', () => {
    const first = priceTable(list, 'metric')
    const again = priceTable(priceRows(first), 'metric')
    expect([again.problems, again.products, again.suppliers]).toEqual([[], first.products, first.suppliers]) // prettier-ignore
  })
  it('without its headings says which are wanted', () => {
    expect(priceTable(rows('a | b\n 1 | 2'), 'metric').problems[0]!.sentence).toContain('kind, name, size, price') // prettier-ignore
    expect(priceTable([], 'metric').problems).toHaveLength(1)
  })
})
