import { performance } from 'node:perf_hooks'

/**
 * Limits of time follow the machine: a fixed piece of work is timed once, at the start of the tests,
 * and every limit is stretched by how much slower than usual it was.
 */

/** How long the work takes on a usual, quiet machine, ms. */
const USUAL = 30
/** A machine slower than this is not waited for. */
const MOST = 6

function work() {
  const kept = new Map()
  for (let i = 0; i < 40_000; i++) kept.set(`key ${i % 997}.${i}`, { i, half: i / 2 })
  let sum = JSON.stringify([...kept.values()]).length
  for (let i = 1; i < 400_000; i++) sum += Math.sin(i) / i
  return sum
}

/** How many times as long as usual things take here and now, at least 1. */
export function measureSlowness() {
  const times = Array.from({ length: 7 }, () => {
    const from = performance.now()
    work()
    return performance.now() - from
  }).sort((a, b) => a - b)
  return Math.min(MOST, Math.max(1, times[3] / USUAL))
}

/** A limit of time for this machine, ms. */
export const limit = (ms) => Math.round(ms * Number(process.env.JUVENA_SLOWNESS ?? 1))
