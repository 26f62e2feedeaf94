import { readCatches } from '../entities/catches.ts'

/** Cans in the rows they stood in, mm; a sentence where they cannot be read. */
export function canRows(typed: string): number[][] | string {
  const all = readCatches(typed)
  if (typeof all === 'string') return all
  // A new line or “;” begins a new row; catches are read all together, so that one unit stands for all.
  const counts = typed
    .split(/[;\n]+/)
    .map((row) => (row.match(/-?(?:\d+(?:\.\d+)?|\.\d+)/g) ?? []).length)
    .filter((n) => n > 0)
  let at = 0
  return counts.map((n) => all.slice(at, (at += n)))
}

/**
 * What falls between the cans, mm, as a grid of `wide` × `high` over rows that stand evenly apart, each
 * row spread over the whole width: by the straight line between neighbours, along rows and then across.
 * Between the least and the most that was caught.
 */
export function fallBetween(
  rows: readonly (readonly number[])[],
  wide: number,
  high: number,
): Float64Array {
  const grid = new Float64Array(wide * high)
  const along = (row: readonly number[], x: number): number => {
    const at = x * (row.length - 1)
    const i = Math.min(Math.floor(at), Math.max(0, row.length - 2))
    return row[i]! + (at - i) * ((row[i + 1] ?? row[i]!) - row[i]!)
  }
  for (let j = 0; j < high; j++) {
    const y = high === 1 ? 0 : (j / (high - 1)) * (rows.length - 1)
    const r = Math.min(Math.floor(y), Math.max(0, rows.length - 2))
    for (let i = 0; i < wide; i++) {
      const x = wide === 1 ? 0 : i / (wide - 1)
      const above = along(rows[r]!, x)
      grid[j * wide + i] = above + (y - r) * (along(rows[r + 1] ?? rows[r]!, x) - above)
    }
  }
  return grid
}

/** Ground that gets less than so much of the mean is dry, and a sprinkler whose driest quarter does uneven; common practice. */
export const DRY_UNDER = 0.6

/** Share of the ground that gets less than so much of the mean, 0 to 1. */
export function dryShare(grid: Float64Array, under: number): number {
  const mean = grid.reduce((a, b) => a + b, 0) / grid.length
  return grid.reduce((n, x) => n + (x < under * mean ? 1 : 0), 0) / grid.length
}
