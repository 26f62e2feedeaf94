import { sure } from '../quantities/sure.ts'
import { parseQuantity, type UnitSystem } from '../quantities/quantity.ts'

/**
 * Level readings from rows of text, as pasted or from a file: each row x, y and height, in the
 * order a heading names them or else in that order. Lengths in metres and heights in millimetres
 * (feet and inches for a firm that works in them), unless a heading says "mm", "cm", "m", "ft" or
 * "in".
 */
export interface LevelRow {
  x: number
  y: number
  mm: number
}
export interface LevelTable {
  rows: LevelRow[]
  problems: string[]
}

const TO_METRES: Record<string, number> = { m: 1, cm: 0.01, mm: 0.001, ft: 0.3048, in: 0.0254 }
const NAMES: [column: 'x' | 'y' | 'mm', words: RegExp][] = [
  ['x', /^(x|east|easting|across)\b/i],
  ['y', /^(y|north|northing|along|up)\b/i],
  ['mm', /^(h|z|height|level|reading|mm)\b/i],
]
const MOST = 5000

export function levelTable(
  cells: readonly (readonly string[])[],
  system: UnitSystem = 'metric',
): LevelTable {
  const rows: LevelRow[] = []
  const problems: string[] = []
  let order = { x: 0, y: 1, mm: 2 }
  let scale = system === 'us' ? { x: 0.3048, y: 0.3048, mm: 25.4 } : { x: 1, y: 1, mm: 1 }
  for (const [i, row] of cells.entries()) {
    const trimmed = row.map((c) => c.trim())
    if (trimmed.every((c) => c === '')) continue
    const numbers = trimmed.map((c) =>
      c === '' ? NaN : Number(c.replace('−', '-').replace(/^\+/, '')),
    )
    if (rows.length === 0 && problems.length === 0 && numbers.every((n) => Number.isNaN(n))) {
      const heading = { ...order }
      const unit = { ...scale }
      for (const [column, words] of NAMES) {
        const at = trimmed.findIndex((c) => words.test(c))
        if (at < 0) {
          problems.push(
            `No column for ${column === 'mm' ? 'height' : column}. Name three columns, like “x, y, height mm”.`,
          )
          continue
        }
        heading[column] = at
        const named = /\b(mm|cm|m|ft|in)\b\)?\s*$/i.exec(trimmed[at]!)?.[1]?.toLowerCase()
        if (named) unit[column] = TO_METRES[named]! * (column === 'mm' ? 1000 : 1)
      }
      if (problems.length > 0) return { rows, problems }
      order = heading
      scale = unit
      continue
    }
    const [x, y, mm] = [
      numbers[order.x]! * scale.x,
      numbers[order.y]! * scale.y,
      numbers[order.mm]! * scale.mm,
    ]
    if (![x, y, mm].every((n) => Number.isFinite(n))) {
      if (problems.length < 20)
        problems.push(
          `Row ${i + 1}: “${trimmed.join(', ').slice(0, 60)}” is not three numbers, x, y and height.`,
        )
    } else if (Math.abs(x) > 20_000 || Math.abs(y) > 20_000 || Math.abs(mm) > 20_000)
      problems.push(
        `Row ${i + 1}: ${[x, y, mm].join(', ')} is too far off. Metres for places and millimetres for heights are wanted.`,
      )
    else if (rows.length >= MOST) {
      problems.push(`More than ${MOST} readings: the rest were left out.`)
      break
    } else rows.push({ x, y, mm })
  }
  return { rows, problems }
}

/**
 * A height typed above (+) or below (−) a mark, mm: any unit of depth, the system's own where none
 * is written. Null when it is no height.
 */
export function levelHeight(typed: string, system: UnitSystem): number | null {
  const m = /^\s*([+−-])?\s*(.+)$/.exec(typed)
  const parsed = m ? parseQuantity(m[2]!, 'depth', system) : null
  if (!parsed?.ok || parsed.value < 0 || parsed.value > 20_000) return null
  const size = Math.round(parsed.value * 100) / 100
  return sure(m)[1] && sure(m)[1] !== '+' ? -size : size
}
