import type { StepKind } from '../reference/operations.ts'
import { EVENING_STEPS } from '../reference/operations.ts'
import type { StepNeed } from '../work/steps.ts'

export interface Calendar {
  today: string
  weekendWork: boolean
  hoursPerDay: number
}

/** Days a step may need beyond whole ones before it counts as another day: a few minutes over are worked off the same day. */
const MINUTES_OVER = 0.05
/** Most days tried for one step from its first. */
const DAYS_TRIED = 8
/** Hours a day may be overfilled by, so that two short steps share it. */
const OVERTIME = 0.5

export const daysFilled = (need: StepNeed, calendar: Calendar): number => Math.max(1, Math.ceil(need.hours / calendar.hoursPerDay - MINUTES_OVER))

/** What the steps are like, worked out once for all the starts that are tried. */
export interface StepShapes {
  /** Working days each fills. */
  spans: number[]
  /** Done after hours, on any day. */
  evening: boolean[]
  /** Index of the step each has to keep its distance from, or −1. */
  afters: number[]
  /** Index of the scarifying still to come, or −1. */
  scarify: number
}

export function shapesOf(needs: readonly StepNeed[], from: number, calendar: Calendar): StepShapes {
  const indexOf = (kind: StepKind) => needs.findIndex((m) => m.kind === kind)
  return {
    spans: needs.map((n) => daysFilled(n, calendar)),
    evening: needs.map((n) => EVENING_STEPS.has(n.kind)),
    afters: needs.map((n) => (n.after ? indexOf(n.after.kind) : -1)),
    scarify: needs.findIndex((n, i) => n.kind === 'scarify' && i >= from),
  }
}

export interface Search {
  shapes: StepShapes
  needs: readonly StepNeed[]
  calendar: Calendar
  /** Index of the first step still to be done, and the day the one before it ended. */
  from: number
  previousEnd: number | null
  /** Days that steps may lie further apart than they should; none at first. */
  stretch: number | null
  /** Days at most from scarifying to seed. */
  openedToSow: number
  usePins: boolean
  /** Day numbers of pins and of first days, null and −Infinity where there are none. */
  pins: readonly (number | null)[]
  notBefore: readonly number[]
  /** The step that has to fall in the window, and the days it may. */
  sow: number
  accepts: (day: number) => boolean
  /** Days of the steps already done, −Infinity for the others. */
  doneOn: readonly number[]
}

const isWeekend = (day: number) => (day + 4) % 7 % 6 === 0 // prettier-ignore

/** Days for the steps from index `from`, each as early as its lags allow, starting on `start`; null when the lags cannot all hold. */
export function assignDays(s: Search, start: number): number[] | null {
  const { needs, calendar } = s
  const { spans, evening, scarify } = s.shapes
  const days: number[] = new Array(needs.length).fill(start)
  const ends: number[] = new Array(needs.length).fill(start)
  // Hours already in each day, counted from the start.
  const load: number[] = []
  // Where a partial chain has failed before: what follows depends on no more than this.
  let failedStates: Set<number> | null = null
  const hoursOn = (day: number) => load[day - start] ?? 0
  const works = (day: number, i: number) => calendar.weekendWork || evening[i]! || !isWeekend(day)
  const endFrom = (day: number, i: number) => {
    let end = day
    for (let left = spans[i]! - 1; left > 0;) if (works(++end, i)) left--
    return end
  }
  const stateAt = (i: number, previous: number | null) => {
    const sincePrevious = i === s.from ? 0 : previous! - start
    const sinceScarify = scarify >= 0 && i > scarify ? ends[scarify]! - start : 0
    return ((i * 512 + sincePrevious) * 512 + sinceScarify) * 128 + Math.round(hoursOn(previous ?? start) * 4)
  }
  const search = (i: number): boolean => {
    if (i === needs.length) return true
    const need = needs[i]!
    const previous = i === s.from ? s.previousEnd : ends[i - 1]!
    const state = stateAt(i, previous)
    if (failedStates?.has(state)) return false
    const first = firstDay(s, i, previous, start, ends)
    const last = lastDay(s, i, previous, first, ends)
    const notBefore = s.notBefore[i]!
    const pin = s.usePins ? s.pins[i]! : null
    for (let day = pin ?? Math.max(first, notBefore), n = 0; n < DAYS_TRIED; day++, n++) {
      if (day < first || day < notBefore || day > last) break
      const already = hoursOn(day)
      const full = already > 0 && need.lag[1] !== 0 && already + need.hours > calendar.hoursPerDay + OVERTIME
      if (pin === null && (!works(day, i) || (i === s.sow && !s.accepts(day)) || full)) continue
      days[i] = day
      ends[i] = endFrom(day, i)
      const end = ends[i]!
      const before = hoursOn(end)
      load[end - start] = before + need.hours - (spans[i]! - 1) * calendar.hoursPerDay
      if (search(i + 1)) return true
      load[end - start] = before
      if (pin !== null) break
    }
    failedStates ??= new Set<number>()
    failedStates.add(state)
    return false
  }
  return search(s.from) ? days : null
}

/** First day a step may take by its lags, from the end of the one before. */
function firstDay(s: Search, i: number, previous: number | null, start: number, ends: readonly number[]): number {
  const need = s.needs[i]!
  const after = s.shapes.afters[i]!
  const lagged = i === s.from ? start : Math.max(start, previous! + need.lag[0])
  return after >= 0 ? Math.max(lagged, (after >= s.from ? ends[after]! : s.doneOn[after]!) + need.after!.days) : lagged
}

/** Last day a step may take; that of the first one is its first. */
function lastDay(s: Search, i: number, previous: number | null, first: number, ends: readonly number[]): number {
  if (previous === null || i === s.from) return first
  const need = s.needs[i]!
  const stretched = s.stretch !== null && need.lag[1] !== 0
  const last = previous + need.lag[1] + (stretched ? s.stretch! : 0)
  const scarified = s.shapes.scarify
  return need.kind === 'sow' && s.stretch === null && scarified >= 0 ? Math.min(last, ends[scarified]! + s.openedToSow) : last
}
