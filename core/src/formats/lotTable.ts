import { seedLotSchema, type SeedLotDraft } from '../entities/stock.ts'
import { parseQuantity } from '../quantities/quantity.ts'
import type { GrassId, GrassTable } from '../reference/grasses.ts'

/** Lots of seed out of a table of text: a heading over a line for each lot. */
export interface LotTable {
  lots: {
    lot: SeedLotDraft
    /** On the shelf, kg; null where the line gives none. */ received: number | null
  }[]
  /** Lines that were left out, with what is wrong. */
  problems: { line: number; sentence: string }[]
}

type Column = 'number' | 'grass' | 'cultivar' | 'pure' | 'germination' | 'otherCrop' | 'weedSeed' | 'inert' | 'coating' | 'tested' | 'supplier' | 'bag' | 'price' | 'received' // prettier-ignore
const COLUMNS: [Column, RegExp][] = [
  ['number', /^(lot|number|batch)/i],
  ['grass', /^(grass|species|kind|seed$)/i],
  ['cultivar', /^(cultivar|variety)/i],
  ['pure', /^pur/i],
  ['germination', /^germ/i],
  ['otherCrop', /^(other )?crop/i],
  ['weedSeed', /^weed/i],
  ['inert', /^inert/i],
  ['coating', /^coat/i],
  ['tested', /^test/i],
  ['supplier', /^(supplier|from)/i],
  ['bag', /^bag/i],
  ['price', /^(price|cost)/i],
  ['received', /^(kg|weight|amount|stock|received|on hand)/i],
]

const plain = (name: string) => name.toLowerCase().replace(/\(.*?\)|[^a-z]/g, '')

function grassBy(name: string, grasses: GrassTable): GrassId | null {
  const wanted = plain(name)
  const found = Object.values(grasses).find((g) =>
    [g.id, g.name, g.short].some((n) => plain(n) === wanted),
  )
  return found?.id ?? null
}

/**
 * Reads lots line by line; a wrong line is left out and named, the others stand. `rows` are cells
 * of text, the heading first.
 */
export function lotTable(rows: readonly (readonly string[])[], grasses: GrassTable): LotTable {
  const heading = (rows[0] ?? []).map(
    (cell) => COLUMNS.find(([, words]) => words.test(cell.trim()))?.[0] ?? null,
  )
  if (!heading.includes('grass') || !heading.includes('number'))
    return { lots: [], problems: [{ line: 1, sentence: 'A heading with at least “lot” and “grass” is wanted, like: lot, grass, cultivar, purity, germination, tested, kg.' }] } // prettier-ignore
  const found: LotTable = { lots: [], problems: [] }
  const seen = new Map<string, number>()
  rows.slice(1).forEach((cells, i) => {
    const line = i + 2
    const at = (column: Column) => cells[heading.indexOf(column)]?.trim() ?? ''
    if (cells.every((cell) => cell.trim() === '')) return
    const wrong = (sentence: string) => found.problems.push({ line, sentence })
    const grass = grassBy(at('grass'), grasses)
    if (!grass) return wrong(`“${at('grass').slice(0, 40)}” is no grass in your table.`)
    const number = at('number')
    if (seen.has(number))
      return wrong(`Lot ${number.slice(0, 40)} stands on line ${seen.get(number)} too.`)
    const typed = (column: Column) => at(column) || null
    const lot: SeedLotDraft = {
      number,
      supplier: at('supplier'),
      parts: [
        { grass, cultivar: at('cultivar'), pure: typed('pure'), germination: typed('germination') },
      ],
      otherCrop: typed('otherCrop'),
      weedSeed: typed('weedSeed'),
      inert: typed('inert'),
      coating: typed('coating'),
      tested: typed('tested'),
      bag: typed('bag'),
      price: typed('price'),
    }
    const read = seedLotSchema.safeParse(lot)
    if (!read.success) return wrong(read.error.issues[0]!.message)
    const kg = at('received') === '' ? null : parseQuantity(at('received'), 'mass')
    if (kg && !kg.ok) return wrong(kg.sentence)
    seen.set(number, line)
    found.lots.push({ lot, received: kg?.ok && kg.value > 0 ? kg.value : null })
  })
  return found
}
