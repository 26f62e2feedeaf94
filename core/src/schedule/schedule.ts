import { dayNumber, dayOf, showDay, type Day } from '../calendar/day.ts'
import type { DayState, SowingWindow } from '../climate/sowingWindow.ts'
import type { StepNeed } from '../work/workPackages.ts'

export interface Calendar {
  today: Day
  weekendWork: boolean
  hoursPerDay: number
}

/** What fixes a step's day from outside: a person's pin, the diary, or the first day it may happen. */
export interface Fixed {
  pin: Day | null
  done: Day | null
  notBefore: Day | null
}

export interface Placed {
  need: StepNeed
  earliest: Day | null
  latest: Day | null
  chosen: Day
  /** Working days it fills. */
  span: number
  state: 'planned' | 'pinned' | 'done' | 'unrecorded'
  /** Set when a pin or an overdue step breaks a lag: what is broken, in words. */
  broken: string | null
}

export interface Schedule {
  steps: Placed[]
  /** Whether sowing falls before this season's cut-off. */
  fits: boolean
  sowState: 'open' | 'marginal' | 'shut'
  sowDay: Day
  /** Found only with steps further apart than they should be. */
  stretched: boolean
}

/** Scarify to sow: days at most, from the end of the one to the start of the other. */
const SCARIFY_TO_SOW = 3
/** Weeks repeat: when no start of two whole weeks works, with nothing fixed still ahead, none will. */
const HOPELESS = 14
/** A chain may come to its sowing this many days later than it could; a window further off is not worth trying yet. */
const REACH = 28

const EVENING = new Set(['dampen', 'water', 'notice'])

/** What the steps are like, worked out once for all the starts that are tried. */
interface Shape {
  /** Working days each fills. */
  spans: number[]
  /** Done after hours, on any day. */
  evening: boolean[]
  /** Index of the step each has to keep its distance from, or −1. */
  afters: number[]
  scarify: number
}

const daysFilled = (need: StepNeed, calendar: Calendar) => Math.max(1, Math.ceil(need.hours / calendar.hoursPerDay - 0.05))

function shapeOf(needs: readonly StepNeed[], from: number, calendar: Calendar): Shape {
  return {
    spans: needs.map((n) => daysFilled(n, calendar)),
    evening: needs.map((n) => EVENING.has(n.kind)),
    afters: needs.map((n) => (n.after ? needs.findIndex((m) => m.kind === n.after!.kind) : -1)),
    scarify: needs.findIndex((n, i) => n.kind === 'scarify' && i >= from),
  }
}

interface Search {
  shape: Shape
  needs: readonly StepNeed[]
  calendar: Calendar
  from: number
  prevEnd: number | null
  stretched: boolean
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

/** Days for the steps from index `from`, each as early as its lags allow, starting on `start`; null when the lags cannot all hold. */
function place(s: Search, start: number): number[] | null {
  const { needs, calendar } = s
  const days: number[] = new Array(needs.length).fill(start)
  const ends: number[] = new Array(needs.length).fill(start)
  const load = new Map<number, number>()
  const { spans, evening, afters, scarify } = s.shape
  // Where a partial chain has failed before; what follows depends on no more than this.
  const dead = new Set<number>()
  const works = (day: number, i: number) => calendar.weekendWork || evening[i]! || ((day + 4) % 7) % 6 !== 0
  const endFrom = (day: number, i: number) => {
    let end = day
    for (let left = spans[i]! - 1; left > 0;) if (works(++end, i)) left--
    return end
  }
  const go = (i: number): boolean => {
    if (i === needs.length) return true
    const need = needs[i]!
    const prev = i === s.from ? (s.prevEnd ?? null) : ends[i - 1]!
    const state =
      ((i * 512 + (i === s.from ? 0 : prev! - start)) * 512 + (scarify >= 0 && i > scarify ? ends[scarify]! - start : 0)) * 128 +
      Math.round((load.get(prev ?? start) ?? 0) * 4)
    if (dead.has(state)) return false
    const after = afters[i]!
    const lagged = i === s.from ? start : Math.max(start, prev! + need.lag[0])
    const first = after >= 0 ? Math.max(lagged, (after >= s.from ? ends[after]! : s.doneOn[after]!) + need.after!.days) : lagged
    const sameDay = need.lag[1] === 0
    let last = prev === null || i === s.from ? first : s.stretched && !sameDay ? prev + need.lag[1] + 5 : prev + need.lag[1]
    if (need.kind === 'sow' && !s.stretched && scarify >= 0) last = Math.min(last, ends[scarify]! + SCARIFY_TO_SOW)
    const pin = s.usePins ? s.pins[i]! : null
    const notBefore = s.notBefore[i]!
    const from = Math.max(first, notBefore)
    const options = pin === null ? null : [pin]
    for (let day = options ? options[0]! : from, n = 0; n < 8; day++, n++) {
      if (day < first || day < notBefore || day > last) {
        if (options || day > last) break
        continue
      }
      if (!options && !works(day, i)) continue
      if (i === s.sow && !options && !s.accepts(day)) continue
      const already = load.get(day) ?? 0
      if (!options && already > 0 && !sameDay && already + need.hours > calendar.hoursPerDay + 0.5) continue
      days[i] = day
      ends[i] = endFrom(day, i)
      const onLast = spans[i]! > 1 ? need.hours - (spans[i]! - 1) * calendar.hoursPerDay : need.hours
      const before = load.get(ends[i]!)
      load.set(ends[i]!, (before ?? 0) + onLast)
      if (go(i + 1)) return true
      if (before === undefined) load.delete(ends[i]!)
      else load.set(ends[i]!, before)
      if (options) break
    }
    dead.add(state)
    return false
  }
  return go(s.from) ? days : null
}

/** From each day, the index of the next day in a wanted state. */
function nextOf(states: readonly DayState[], wanted: (state: DayState) => boolean): number[] {
  const next: number[] = new Array(states.length).fill(Infinity)
  for (let i = states.length - 1; i >= 0; i--) next[i] = wanted(states[i]!) ? i : (next[i + 1] ?? Infinity)
  return next
}

/**
 * Chooses days for one strand. The sowing day rules: the first open day that all the lags allow, else the first marginal one.
 * Earliest and latest come from the first and last starts that still sow inside the window.
 */
export function scheduleStrand(needs: readonly StepNeed[], fixed: readonly Fixed[], window: SowingWindow, calendar: Calendar): Schedule {
  const sowing = needs.findIndex((n) => n.kind === 'sow')
  const sow = sowing >= 0 ? sowing : needs.length - 1
  const lastDone = fixed.reduce((last, f, i) => (f.done ? i : last), -1)
  const from = lastDone + 1
  const today = dayNumber(calendar.today)
  const windowStart = dayNumber(window.start)
  const cutOff = dayNumber(window.cutOff)
  const stateOn = (day: number) => window.states[day - windowStart] ?? 'shut'
  const prevEnd = lastDone >= 0 ? dayNumber(fixed[lastDone]!.done!) : null
  const finish = (
    days: number[],
    earliest: number[] | null,
    latest: number[] | null,
    extra: { stretched: boolean; brokenPins: boolean },
  ): Schedule => {
    const steps: Placed[] = needs.map((need, i) => {
      const f = fixed[i]!
      const state = f.done ? 'done' : i < from ? 'unrecorded' : f.pin ? 'pinned' : 'planned'
      const nextDone = fixed.slice(i).find((x) => x.done)?.done
      const chosen = f.done ?? (i < from ? nextDone! : f.pin && extra.brokenPins ? f.pin : dayOf(days[i]!))
      let broken: string | null = null
      if (f.pin && extra.brokenPins && !f.done)
        broken = `Pinned to ${showDay(f.pin)}; the steps around it, or a waiting period, ask for ${showDay(dayOf(days[i]!))}.`
      return {
        need,
        earliest: earliest && i >= from ? dayOf(earliest[i]!) : null,
        latest: latest && i >= from ? dayOf(latest[i]!) : null,
        chosen,
        span: daysFilled(need, calendar),
        state,
        broken,
      }
    })
    const sowDay = steps[sow]!.chosen
    const sowState = stateOn(dayNumber(sowDay))
    const fits = from > sow || (dayNumber(sowDay) <= cutOff && sowState !== 'shut')
    return { steps, fits, sowState, sowDay, stretched: extra.stretched }
  }
  if (from >= needs.length)
    return finish(
      needs.map(() => today),
      null,
      null,
      { stretched: false, brokenPins: false },
    )
  const begin = prevEnd === null ? today : Math.max(today, prevEnd + needs[from]!.lag[0])
  const horizon = windowStart + window.states.length - 1
  // Days a chain needs at least before it sows, and from each day the next on which it could.
  const leastToSow = needs.slice(from + 1, sow + 1).reduce((sum, n) => sum + n.lag[0], 0)
  const nextUsable = nextOf(window.states, (state) => state !== 'shut')
  const nextOpen = nextOf(window.states, (state) => state === 'open')
  const pinnedSow = fixed[sow]!.pin !== null
  const pins = fixed.map((f) => (f.pin ? dayNumber(f.pin) : null))
  const notBefore = fixed.map((f) => (f.notBefore ? dayNumber(f.notBefore) : -Infinity))
  const doneOn = fixed.map((f) => (f.done ? dayNumber(f.done) : -Infinity))
  const lastFixed = Math.max(begin, ...pins.map((p) => p ?? 0), ...notBefore) + HOPELESS
  const shape = shapeOf(needs, from, calendar)
  const thisSeason = from > sow ? begin + 60 : cutOff
  const seek = (stretched: boolean, usePins: boolean, until: number) => {
    const into = (accepts: (day: number) => boolean): Search => ({
      shape,
      needs,
      calendar,
      from,
      prevEnd,
      stretched,
      usePins,
      pins,
      notBefore,
      doneOn,
      sow,
      accepts,
    })
    const past = from > sow
    const anyDay = into(() => true)
    const notShut = into((day) => past || (day <= until && stateOn(day) !== 'shut'))
    const openOnly = into((day) => past || (day <= until && stateOn(day) === 'open'))
    const sowsIn = (days: number[], wanted: (state: DayState) => boolean) => past || (days[sow]! <= until && wanted(stateOn(days[sow]!)))
    let first: number[] | null = null
    let firstOpen: number[] | null = null
    let failures = 0
    let pickedAt = begin
    let start = begin
    for (; start + leastToSow <= until && !firstOpen; start++) {
      const soonest = start + leastToSow - windowStart
      const next = first ? nextOpen[soonest]! : nextUsable[soonest]!
      if (!past && !pinnedSow && next - soonest > REACH) continue
      const days = place(notShut, start)
      if (!days || !sowsIn(days, (state) => state !== 'shut')) {
        // Shut weather passes; lags that cannot hold do not.
        failures = place(anyDay, start) ? 0 : failures + 1
        if (failures >= HOPELESS && start > lastFixed) break
        continue
      }
      failures = 0
      if (!first) {
        first = days
        pickedAt = start
      }
      const open = sowsIn(days, (state) => state === 'open') ? days : nextOpen[soonest]! - soonest <= REACH ? place(openOnly, start) : null
      if (open && sowsIn(open, (state) => state === 'open')) {
        firstOpen = open
        pickedAt = start
      }
    }
    if (!first) return null
    // The same sowing day from a later start: the steps before it lie as close as they should.
    const pick = firstOpen ?? first
    let chosen = pick
    for (let closer = pickedAt + 1; closer < pick[sow]! && !past; closer++) {
      const days = place(firstOpen ? openOnly : notShut, closer)
      if (!days || days[sow]! !== pick[sow]!) break
      chosen = days
    }
    if (until > thisSeason) return { first, chosen, last: first }
    let last = chosen
    for (let late = until - leastToSow; late >= start && !past; late--) {
      const days = place(notShut, late)
      if (days && sowsIn(days, (state) => state !== 'shut')) {
        last = days
        break
      }
    }
    return { first, chosen, last }
  }
  const pinned = fixed.some((f) => f.pin && !f.done)
  for (const usePins of pinned ? [true, false] : [false])
    for (const stretched of [false, true]) {
      const found = seek(stretched, usePins, thisSeason)
      if (found) return finish(found.chosen, found.first, found.last, { stretched, brokenPins: pinned && !usePins })
    }
  const later = seek(false, false, horizon) ?? seek(true, false, horizon)
  if (later) return { ...finish(later.chosen, later.first, null, { stretched: false, brokenPins: pinned }), fits: false }
  return {
    ...finish(
      needs.map(() => begin),
      null,
      null,
      { stretched: false, brokenPins: pinned },
    ),
    fits: false,
    sowState: 'shut',
  }
}
