import type { Normals } from '../climate/normals.ts'
import type { UnitSystem } from '../quantities/quantity.ts'
import { numberOf } from './weatherCsv.ts'

export type ParsedNormals = { ok: true; normals: Normals } | { ok: false; sentence: string }

/**
 * Monthly normals as pasted: four rows of twelve numbers or twelve rows of four, in the order mean
 * minimum, mean maximum, rain, wet days. A name before the numbers of a row is passed over. °C and
 * mm, or °F and in for a firm that works in them.
 */
export function parseNormals(text: string, units: UnitSystem): ParsedNormals {
  const rows = text
    .split(/\r?\n/)
    .map((line) => line.split(/[\t;]+|,\s+|\s+/).flatMap((cell) => numberOf(cell) ?? []))
    .filter((row) => row.length > 0)
  const across = rows.length === 4 && rows.every((row) => row.length === 12)
  const down = rows.length === 12 && rows.every((row) => row.length === 4)
  if (!across && !down)
    return {
      ok: false,
      sentence: `This is ${rows.length} rows of ${[...new Set(rows.map((r) => r.length))].join(', ') || 'no'} numbers. Give four rows of twelve, or twelve rows of four: minimum, maximum, rain, wet days.`,
    }
  const [low, high, rain, wetDays] = [0, 1, 2, 3].map((k) =>
    across ? rows[k]! : rows.map((row) => row[k]!),
  ) as [number[], number[], number[], number[]]
  const celsius = (x: number) => (units === 'us' ? ((x - 32) * 5) / 9 : x)
  return {
    ok: true,
    normals: {
      low: low.map(celsius),
      high: high.map(celsius),
      rain: rain.map((x) => (units === 'us' ? x * 25.4 : x)),
      wetDays,
    },
  }
}
