import type { StockMovement } from '../entities/stock.ts'
import type { Day } from '../calendar/day.ts'

/** What is left of a lot, kg. */
export interface OnShelf {
  /** On the shelf, reserved or not. */
  held: number
  reserved: number
  /** Held and not reserved; below zero where more is promised than there is. */
  free: number
  /** In bags that are open. */
  opened: number
  used: number
  received: number
  writtenOff: number
  /** By job, what is reserved for it. */
  forJobs: Record<string, number>
  /** By job and zone, "job/zone", what went there. */
  usedIn: Record<string, number>
  /** The first movement after which less than nothing was on the shelf, with how much. */
  short: { on: Day; kg: number; movement: string } | null
}

const ROUND = 1e-9
const SIGN = {
  received: 1,
  returned: 1,
  used: -1,
  'written-off': -1,
  reserved: 0,
  released: 0,
  opened: 0,
} as const
/** On one day, seed comes in before it goes out. */
const byDay = (a: StockMovement, b: StockMovement) =>
  a.on < b.on ? -1 : a.on > b.on ? 1 : SIGN[b.kind] - SIGN[a.kind] || (a.id < b.id ? -1 : 1)

/**
 * A lot's shelf from its movements, in whatever order they arrived: each id counts once, and they
 * are taken by their day. What is used for a job comes out of what was reserved for it. Nothing is
 * refused: a shelf below zero says so.
 */
export function shelfOf(movements: readonly StockMovement[]): OnShelf {
  const once = [...new Map(movements.map((m) => [m.id, m])).values()].sort(byDay)
  const s: OnShelf = {
    held: 0,
    reserved: 0,
    free: 0,
    opened: 0,
    used: 0,
    received: 0,
    writtenOff: 0,
    forJobs: {},
    usedIn: {},
    short: null,
  }
  for (const m of once) {
    s.held += SIGN[m.kind] * m.kg
    const job = m.job ?? ''
    if (m.kind === 'received') s.received += m.kg
    if (m.kind === 'opened') s.opened += m.kg
    if (m.kind === 'written-off') s.writtenOff += m.kg
    if (m.kind === 'reserved') s.forJobs[job] = (s.forJobs[job] ?? 0) + m.kg
    if (m.kind === 'released') s.forJobs[job] = Math.max(0, (s.forJobs[job] ?? 0) - m.kg)
    if (m.kind === 'returned') {
      const place = `${job}/${m.zone ?? ''}`
      s.usedIn[place] = (s.usedIn[place] ?? 0) - m.kg
      s.used -= m.kg
    }
    if (m.kind === 'used') {
      const place = `${job}/${m.zone ?? ''}`
      s.used += m.kg
      s.usedIn[place] = (s.usedIn[place] ?? 0) + m.kg
      s.opened = Math.max(0, s.opened - m.kg)
      if (s.forJobs[job] !== undefined) s.forJobs[job] = Math.max(0, s.forJobs[job] - m.kg)
    }
    if (s.held < -ROUND && !s.short) s.short = { on: m.on, kg: -s.held, movement: m.id }
  }
  for (const [place, kg] of Object.entries(s.usedIn))
    if (Math.abs(kg) < ROUND) delete s.usedIn[place]
  s.reserved = Object.values(s.forJobs).reduce((a, b) => a + b, 0)
  s.opened = Math.min(s.opened, Math.max(0, s.held))
  s.free = s.held - s.reserved
  return s
}
