import { appendFileSync, existsSync, writeFileSync } from 'node:fs'
import { resolve } from 'node:path'
import { performance } from 'node:perf_hooks'

/**
 * What the benches share: a reference that says how fast this machine is just now, times told in
 * ms and in units of it, and the file in which they are kept.
 */

/** In `npm test` every bench runs in a tiny form, so that it cannot rot: its figures say nothing. */
export const TINY = process.env.JUVENA_BENCH === 'tiny'
/** So many runs, or jobs, or clients: one or two in the tiny form. */
export const atMost = (many: number): number => (TINY ? Math.min(2, many) : many)

/** A budget in ms is meant where the reference takes so long, ms. */
const UNIT_MS = 20

/** A fixed piece of work like that of a plan: small objects, maps, text and numbers. */
function kernel(): number {
  let sum = 0
  const kept = new Map<string, { id: string; value: number; inputs: string[] }>()
  for (let i = 0; i < 9000; i++) {
    const id = `zone:${i % 97}.figure.${i}`
    const inputs = [`a${i % 13}`, `b${i % 7}`]
    kept.set(id, { id, value: Math.sqrt(i) * Math.exp(-i / 9000), inputs })
  }
  for (const { id, value, inputs } of kept.values()) sum += value * id.length + inputs.length
  const text = JSON.stringify([...kept.values()])
  for (let i = 0; i < text.length; i += 3) sum = (sum * 31 + text.charCodeAt(i)) % 1e9
  const series = new Float64Array(100_000)
  for (let i = 1; i < series.length; i++) series[i] = series[i - 1]! * 0.97 + Math.sin(i / 58)
  return sum + series.at(-1)!
}

export function median(times: number[]): number {
  return times.sort((a, b) => a - b)[Math.floor(times.length / 2)]!
}

/** The median time of some work, ms, once it is warm. */
export function time(work: () => unknown, runs: number): number {
  const [warm, timed] = [Math.min(20, Math.ceil(runs / 10)), atMost(runs)]
  for (let i = 0; i < atMost(warm); i++) work()
  return median(
    Array.from({ length: timed }, () => {
      const from = performance.now()
      work()
      return performance.now() - from
    }),
  )
}

let unit: number | null = null
/** How long the reference takes here and now, ms: told once, first thing. */
export function reference(): number {
  if (unit === null) {
    unit = time(kernel, 40)
    console.log(
      `reference: ${unit.toFixed(1)} ms. Budgets in ms are meant where it takes ${UNIT_MS}; every time is told in its units (u) too.`,
    )
  }
  return unit
}

const RECORD = resolve(import.meta.dirname, '../docs/speed.csv')
/** What this run is called in the record; nothing is kept without it: `npm run bench -- --record "what changed"`. */
const label = process.env.JUVENA_BENCH_RECORD ?? ''

/**
 * A time in words: ms, units, and whether it keeps its budget (ms, where the reference takes 20).
 * The units are what counts: machines differ by a factor of two, and so does one from hour to hour.
 */
export function told(name: string, ms: number, budget?: number): string {
  const units = ms / reference()
  if (label && !TINY) {
    if (!existsSync(RECORD)) writeFileSync(RECORD, 'day,change,what,ms,units\n')
    const day = new Date().toISOString().slice(0, 10)
    appendFileSync(RECORD, `${day},"${label}","${name}",${ms.toFixed(2)},${units.toFixed(3)}\n`)
  }
  const shown = `${ms < 10 ? ms.toFixed(2) : ms.toFixed(0)} ms = ${units.toPrecision(2)} u`
  if (budget === undefined) return shown
  const most = budget / UNIT_MS
  return `${shown} (budget ${most.toPrecision(2)} u: ${units <= most ? 'kept' : 'OVER'})`
}
