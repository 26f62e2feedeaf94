import { dayNumber, dayOf, type Day } from '../calendar/day.ts'
import type { DayState, SowingWindow } from '../climate/sowingWindow.ts'
import { onDay, say, type Message } from '../trace/message.ts'
import type { StepNeed } from '../work/steps.ts'
import { assignDays, daysFilled, shapesOf, type Calendar, type Search } from './assignDays.ts'

export type { Calendar } from './assignDays.ts'

/** What fixes a step's day from outside: a person's pin, the diary, or the first day it may happen. */
export interface Fixed {
  pin: Day | null
  done: Day | null
  notBefore: Day | null
}

export interface ScheduledStep {
  need: StepNeed
  earliest: Day | null
  latest: Day | null
  chosen: Day
  /** Working days it fills. */
  span: number
  state: 'planned' | 'pinned' | 'done' | 'unrecorded'
  /** Set when a pin or an overdue step breaks a lag: what is broken, in words. */
  broken: Message | null
}

export interface Schedule {
  steps: ScheduledStep[]
  /** Whether sowing falls before this season's cut-off. */
  fits: boolean
  sowState: DayState
  sowDay: Day
  /** Found only with steps further apart than they should be. */
  stretched: boolean
}

/** How far apart steps may lie, days. */
export interface Apart {
  /** From scarifying to seed at most. */
  openedToSow: number
  /** What the lags may be stretched by, where nothing else fits. */
  stretch: number
}

/** Weeks repeat: when no start of two whole weeks works, with nothing fixed still ahead, none will. */
const STARTS_BEFORE_GIVING_UP = 14
/** A chain may come to its sowing this many days later than it could; a window further off is not worth trying yet. */
const LONGEST_WAIT_FOR_WINDOW = 28
/** Days ahead that steps after a sowing already done are looked for. */
const AFTER_SOWING = 60

/** A package's steps, what is fixed of them and where the window lies, as numbers. */
interface Problem {
  needs: readonly StepNeed[]
  fixed: readonly Fixed[]
  calendar: Calendar
  window: SowingWindow
  /** The step that has to fall in the window, and the first still to be done. */
  sow: number
  from: number
  previousEnd: number | null
  windowStart: number
  cutOff: number
}

/**
 * Chooses days for one work package. The sowing day rules: the first open day that all the lags allow, else the first marginal one.
 * Earliest and latest come from the first and last starts that still sow inside the window.
 */
export function schedulePackage(
  needs: readonly StepNeed[],
  fixed: readonly Fixed[],
  window: SowingWindow,
  calendar: Calendar,
  apart: Apart,
): Schedule {
  const sowing = needs.findIndex((n) => n.kind === 'sow')
  const lastDone = fixed.reduce((last, f, i) => (f.done ? i : last), -1)
  const problem: Problem = {
    needs,
    fixed,
    calendar,
    window,
    sow: sowing >= 0 ? sowing : needs.length - 1,
    from: lastDone + 1,
    previousEnd: lastDone >= 0 ? dayNumber(fixed[lastDone]!.done!) : null,
    windowStart: dayNumber(window.start),
    cutOff: dayNumber(window.cutOff),
  }
  const today = dayNumber(calendar.today)
  const { from, previousEnd, cutOff } = problem
  const all = (day: number): Found => ({ first: needs.map(() => day), chosen: needs.map(() => day), last: needs.map(() => day) })
  if (from >= needs.length) return finish(problem, { ...all(today), bounded: false }, { stretched: false, pinsBroken: false })
  const begin = previousEnd === null ? today : Math.max(today, previousEnd + needs[from]!.lag[0])
  const thisSeason = from > problem.sow ? begin + AFTER_SOWING : cutOff
  const pinned = fixed.some((f) => f.pin && !f.done)
  const seek = seeker(problem, begin, thisSeason, apart)
  for (const usePins of pinned ? [true, false] : [false])
    for (const stretched of [false, true]) {
      const found = seek(stretched, usePins, thisSeason)
      if (found) return finish(problem, { ...found, bounded: true }, { stretched, pinsBroken: pinned && !usePins })
    }
  const horizon = problem.windowStart + window.states.length - 1
  const later = seek(false, false, horizon) ?? seek(true, false, horizon)
  if (later) return { ...finish(problem, { ...later, last: null, bounded: true }, { stretched: false, pinsBroken: pinned }), fits: false }
  return { ...finish(problem, { ...all(begin), bounded: false }, { stretched: false, pinsBroken: pinned }), fits: false, sowState: 'shut' }
}

interface Found {
  first: number[]
  chosen: number[]
  last: number[] | null
}

/** The steps with their days, what states them, and whether sowing fits. */
function finish(
  { needs, fixed, calendar, window, sow, from, windowStart, cutOff }: Problem,
  { first, chosen, last, bounded }: Found & { bounded: boolean },
  { stretched, pinsBroken }: { stretched: boolean; pinsBroken: boolean },
): Schedule {
  const steps = needs.map((need, i): ScheduledStep => {
    const { pin, done } = fixed[i]!
    const nextDone = fixed.slice(i).find((x) => x.done)?.done
    const brokenPin = pin && pinsBroken && !done ? pin : null
    return {
      need,
      earliest: bounded && i >= from ? dayOf(first[i]!) : null,
      latest: bounded && last && i >= from ? dayOf(last[i]!) : null,
      chosen: done ?? (i < from ? nextDone! : (brokenPin ?? dayOf(chosen[i]!))),
      span: daysFilled(need, calendar),
      state: done ? 'done' : i < from ? 'unrecorded' : pin ? 'pinned' : 'planned',
      broken: brokenPin ? say`Pinned to ${onDay(brokenPin)}; the steps around it, or a waiting period, ask for ${onDay(dayOf(chosen[i]!))}.` : null,
    }
  })
  const sowDay = steps[sow]!.chosen
  const sowState = window.states[dayNumber(sowDay) - windowStart] ?? 'shut'
  const fits = from > sow || (dayNumber(sowDay) <= cutOff && sowState !== 'shut')
  return { steps, fits, sowState, sowDay, stretched }
}

/** From each day, the index of the next day in a wanted state. */
function nextOf(states: readonly DayState[], wanted: (state: DayState) => boolean): number[] {
  const next: number[] = new Array(states.length).fill(Infinity)
  for (let i = states.length - 1; i >= 0; i--) next[i] = wanted(states[i]!) ? i : (next[i + 1] ?? Infinity)
  return next
}

type Accepts = (state: DayState) => boolean
const usable: Accepts = (state) => state !== 'shut'
const good: Accepts = (state) => state === 'open'

/** Looks for days from `begin` on: with pins or without, lags stretched or not, sowing no later than `until`. */
function seeker(p: Problem, begin: number, thisSeason: number, apart: Apart) {
  const { needs, fixed, from, sow, windowStart } = p
  const past = from > sow
  const stateOn = (day: number) => p.window.states[day - windowStart] ?? 'shut'
  const pins = fixed.map((f) => (f.pin ? dayNumber(f.pin) : null))
  const notBefore = fixed.map((f) => (f.notBefore ? dayNumber(f.notBefore) : -Infinity))
  const base = {
    shapes: shapesOf(needs, from, p.calendar),
    needs,
    calendar: p.calendar,
    from,
    previousEnd: p.previousEnd,
    openedToSow: apart.openedToSow,
    pins,
    notBefore,
    doneOn: fixed.map((f) => (f.done ? dayNumber(f.done) : -Infinity)),
    sow,
  }
  // Days a chain needs at least before it sows, and from each day the next on which it could.
  const leastToSow = needs.slice(from + 1, sow + 1).reduce((sum, n) => sum + n.lag[0], 0)
  const nextUsable = nextOf(p.window.states, usable)
  const nextGood = nextOf(p.window.states, good)
  const lastFixed = Math.max(begin, ...pins.map((pin) => pin ?? 0), ...notBefore) + STARTS_BEFORE_GIVING_UP

  return (stretched: boolean, usePins: boolean, until: number): Found | null => {
    const searching = (accepts: (day: number) => boolean): Search => ({ ...base, stretch: stretched ? apart.stretch : null, usePins, accepts })
    const anyDay = searching(() => true)
    const into = (wanted: Accepts) => searching((day) => past || (day <= until && wanted(stateOn(day))))
    const [notShut, openOnly] = [into(usable), into(good)]
    const sowsIn = (days: number[], wanted: Accepts) => past || (days[sow]! <= until && wanted(stateOn(days[sow]!)))
    /** The first start whose chain is usable, and the first whose chain sows on an open day. */
    const firstStarts = () => {
      let first: number[] | null = null
      let failures = 0
      let pickedAt = begin
      let start = begin
      for (; start + leastToSow <= until; start++) {
        const soonest = start + leastToSow - windowStart
        const next = first ? nextGood[soonest]! : nextUsable[soonest]!
        if (!past && fixed[sow]!.pin === null && next - soonest > LONGEST_WAIT_FOR_WINDOW) continue
        const days = assignDays(notShut, start)
        if (!days || !sowsIn(days, usable)) {
          // Shut weather passes; lags that cannot hold do not.
          failures = assignDays(anyDay, start) ? 0 : failures + 1
          if (failures >= STARTS_BEFORE_GIVING_UP && start > lastFixed) break
          continue
        }
        failures = 0
        if (!first) [first, pickedAt] = [days, start]
        const reachable = nextGood[soonest]! - soonest <= LONGEST_WAIT_FOR_WINDOW
        const open = sowsIn(days, good) ? days : reachable ? assignDays(openOnly, start) : null
        if (open && sowsIn(open, good)) return { first, open, pickedAt: start, next: start + 1 }
      }
      return first && { first, open: null, pickedAt, next: start }
    }
    const starts = firstStarts()
    if (!starts) return null
    // The same sowing day from a later start: the steps before it lie as close as they should.
    const pick = starts.open ?? starts.first
    let chosen = pick
    for (let closer = starts.pickedAt + 1; closer < pick[sow]! && !past; closer++) {
      const days = assignDays(starts.open ? openOnly : notShut, closer)
      if (days?.[sow] !== pick[sow]) break
      chosen = days!
    }
    if (until > thisSeason) return { first: starts.first, chosen, last: starts.first }
    let last = chosen
    for (let late = until - leastToSow; late >= starts.next && !past; late--) {
      const days = assignDays(notShut, late)
      if (days && sowsIn(days, usable)) {
        last = days
        break
      }
    }
    return { first: starts.first, chosen, last }
  }
}
