import { sure } from '../quantities/sure.ts'
import { dayNumber, dayOf, weekendBetween, type Day } from '../calendar/day.ts'
import { REASONS, type DayState, type HoldReason } from '../climate/dayReasons.ts'
import { OPERATIONS, type StepKind } from '../reference/operations.ts'
import { joined, onDay, quantity, say, type Message } from '../rules/message.ts'
import type { PackageSteps, StepNeed } from './steps.ts'
import {
  daysAround,
  fillDays,
  linksOf,
  shapesOf,
  worksOn,
  type Calendar,
  type Clash,
  type Days,
  type IndexedLink,
  type Problem,
} from './assignDays.ts'
import type { StepState } from '../plan/stepState.ts'

export type { Calendar } from './assignDays.ts'

/**
 * What fixes a step's day from outside: a person's pin, the diary, or the first day it may happen.
 */
export interface Fixed {
  pin: Day | null
  done: Day | null
  notBefore: Day | null
  /** What it waits for until then. */
  holds?: HoldReason | null
}

/** The days on which the anchor of a package may fall. */
export interface WorkWindow {
  start: Day
  states: DayState[]
  cutOff: Day
  /** What a day is worth, by its index: the best is taken. Where not given, the first open one. */
  worth?: (i: number) => number
  /** Somebody waits for a date: seed is not moved by a day for less. */
  hurried?: boolean
}

export interface ScheduledStep {
  need: StepNeed
  earliest: Day | null
  latest: Day | null
  chosen: Day
  /** Working days it fills. */
  span: number
  state: StepState
  /** Set when a pin could not be kept: what stands in the way, in words. */
  broken: Message | null
}

/** A step that is done, the day it was, and the one that should have followed it sooner. */
export interface Stood {
  done: StepKind
  next: StepKind
  on: Day
  why: Message
}

export interface Schedule {
  steps: ScheduledStep[]
  /** Whether the anchor falls inside its window, before this season's cut-off. */
  fits: boolean
  /** The state of the window on the day of the anchor. */
  sowState: DayState
  sowDay: Day
  /** What is only better and was given up, in words. */
  givenUp: Message[]
  /** Work that is done and has stood longer than what follows it asks for. */
  stood: Stood[]
  /** Days on site up to the anchor and what is done with it. */
  visits: number
}

export interface Wishes {
  /** Visits wanted at most; null for as many as it takes. */
  visits: number | null
}

/** So many days after the seed, what was to be done with it is behind. Juvena's model. */
const SEED_DAY = 7

/** Days an anchor already done is followed for. */
const HORIZON_AFTER = 60

/** Working days in a row that may fail before a search is given up. */
const FAILURES = 21

/**
 * Days that all steps take one after another, with the most that their links ask for between them.
 */
const lengthOf = (p: Package, links: readonly IndexedLink[]): number =>
  p.shapes.reduce((sum, s) => sum + Math.ceil(s.span * 1.5), 0) +
  links.reduce((sum, l) => sum + Math.max(0, l.least), 0)

type Accepts = (state: DayState) => boolean
const usable: Accepts = (state) => state !== 'shut'
const good: Accepts = (state) => state === 'open'

interface Found {
  first: Days
  chosen: Days
  last: Days | null
}

/** Everything a package is scheduled from. */
interface Package extends Problem {
  stood: readonly Stood[]
  fixed: readonly Fixed[]
  window: WorkWindow
  windowStart: number
  cutOff: number
}

/**
 * Chooses days for one work package. The anchor rules: the day of the highest worth on which every
 * link holds (where days are not valued the first open one, else the first marginal one); the steps
 * before it lie as close as they may. What is only better is given up, by name, when a pin, the
 * season or the visits wanted ask for it.
 */
export function schedulePackage(
  { needs, anchor }: PackageSteps,
  fixed: readonly Fixed[],
  window: WorkWindow,
  calendar: Calendar,
  wishes: Wishes = { visits: null },
): Schedule {
  const p = outlived(packageOf(needs, anchor, fixed, window, calendar), false)
  if (p.from >= needs.length) return finish(p, null, { pinsUsed: true })
  const pinned = fixed.some((f, i) => f.pin && !f.done && i >= p.from)
  const first = attempt(p, pinned)
  const crowded = wishes.visits !== null && first.schedule.visits > wishes.visits
  if (!crowded) return first.schedule
  const usePins = pinned && first.pinsUsed
  const tight = seek(p, p.must, p.cutOff, usePins)
  const least = tight ? Math.max(sure(wishes.visits), visitsIn(p, tight.chosen)) : Infinity
  const closer = givingUp(p, p.cutOff, usePins, (found) => visitsIn(p, found.chosen) <= least)
  const schedule = closer && finish(p, closer, { pinsUsed: first.pinsUsed, broken: first.broken })
  return schedule && schedule.visits < first.schedule.visits ? schedule : first.schedule
}

/**
 * Days with as little given up as will do: everything that is only better is dropped, then restored
 * one by one where it still holds.
 */
function givingUp(
  p: Package,
  until: number,
  usePins: boolean,
  holds: (found: Found) => boolean = () => true,
): Found | null {
  let links: readonly IndexedLink[] = p.must
  let found = seek(p, links, until, usePins)
  if (!found || !holds(found)) return null
  for (const soft of p.better) {
    if (!soft.soft) continue
    const tried = links.map((l, i) => (l === p.must[i] && p.better[i] === soft ? soft : l))
    const better = seek(p, tried, until, usePins)
    if (!better || !holds(better)) continue
    links = tried
    found = better
  }
  return found
}

interface Attempt {
  schedule: Schedule
  pinsUsed: boolean
  broken: ReadonlyMap<number, Message>
}

/**
 * Tries what should hold, then what must; with pins, then without those that cannot be kept; then a
 * later season.
 */
function attempt(p: Package, pinned: boolean): Attempt {
  const none = new Map<number, Message>()
  const done = (found: Found, pinsUsed: boolean, of = p): Attempt => ({
    schedule: finish(of, found, { pinsUsed, broken: none }),
    pinsUsed,
    broken: none,
  })
  const best = (of: Package, until: number, usePins: boolean) =>
    seek(of, of.better, until, usePins) ?? givingUp(of, until, usePins)
  const whole = best(p, p.cutOff, pinned)
  if (whole) return done(whole, pinned)
  if (p.from > 0 && p.from <= p.anchor) {
    const free = outlived(p, true)
    const found = best(free, p.cutOff, pinned)
    if (found) return done(found, pinned, free)
  }
  const horizon = p.windowStart + p.window.states.length - 1
  if (pinned) {
    const kept = keepPins(p)
    if (kept) return done(kept, true)
    // One pin after another is dropped, the one that clashes first.
    const broken = new Map<number, Message>()
    let left: Package = p
    for (let round = 0; round < p.needs.length; round++) {
      const clash = clashOf(left)
      const loosened =
        clash.step >= 0 && left.pins[clash.step] !== null
          ? clash.step
          : left.pins.findIndex((pin) => pin !== null)
      if (loosened < 0) break
      broken.set(loosened, inTheWay(left, loosened, clash))
      left = { ...left, pins: left.pins.map((pin, i) => (i === loosened ? null : pin)) }
      const more = left.pins.some((pin) => pin !== null)
      const found = best(left, left.cutOff, more) ?? (more ? null : best(left, horizon, false))
      if (found)
        return { schedule: finish(left, found, { pinsUsed: more, broken }), pinsUsed: more, broken }
      const still = more ? keepPins(left) : null
      if (still)
        return { schedule: finish(left, still, { pinsUsed: true, broken }), pinsUsed: true, broken }
    }
  }
  const later = best(p, horizon, false)
  if (later) {
    const found = done({ ...later, last: null }, false)
    return { ...found, schedule: { ...found.schedule, fits: false } }
  }
  const nothing = finish(p, null, { pinsUsed: false })
  return { schedule: { ...nothing, fits: false, sowState: 'shut' }, pinsUsed: false, broken: none }
}

/**
 * Work that is done may have stood longer than what follows it asks for, when rain or another job came
 * between. That wait is over and cannot be mended by a day: what follows is done as soon as it may be,
 * and the work that stood is said. `all` lets go of every such wait, where days off leave no other day.
 */
function outlived(p: Package, all: boolean): Package {
  const stood: Stood[] = []
  const letGo = (link: IndexedLink): IndexedLink => {
    const { from, to, least, most } = link
    if (from >= p.from || to < p.from || most === Infinity) return link
    const last = p.doneOn[from]! + most
    if (!all && last >= p.begin) return link
    const [done, next] = [p.needs[from]!.kind, p.needs[to]!.kind]
    if (last < p.begin && !stood.some((s) => s.done === done && s.next === next))
      stood.push({ done, next, on: dayOf(p.doneOn[from]!), why: link.why })
    return { ...link, least, most: Infinity, soft: false }
  }
  const [better, must] = [p.better.map(letGo), p.must.map(letGo)]
  return { ...p, better, must, stood }
}

function packageOf(
  needs: readonly StepNeed[],
  anchor: number,
  fixed: readonly Fixed[],
  window: WorkWindow,
  calendar: Calendar,
): Package {
  const ticked = fixed.reduce((last, f, i) => (f.done ? i : last), -1)
  const today = dayNumber(calendar.today)
  // What belongs to the day of seed was done with it, or is too late: nobody rakes seedlings in.
  const sown = needs[anchor]?.kind === 'sow' ? fixed[anchor]?.done : null
  const over =
    sown != null &&
    today - dayNumber(sown) > SEED_DAY &&
    !fixed.some((f, i) => i > anchor && f.pin && !f.done)
  const lastDone = over ? needs.length - 1 : ticked
  return {
    needs,
    calendar,
    anchor,
    from: lastDone + 1,
    doneOn: fixed.map((f, i) => {
      const next = fixed.slice(i).find((x) => x.done)?.done
      const passed = next ?? (over ? sown : null)
      return f.done ? dayNumber(f.done) : i <= lastDone && passed ? dayNumber(passed) : -Infinity
    }),
    begin: ticked >= 0 ? Math.max(today, dayNumber(sure(fixed[ticked]!.done))) : today,
    notBefore: fixed.map((f) => (f.notBefore ? dayNumber(f.notBefore) : -Infinity)),
    pins: fixed.map((f) => (f.pin && !f.done ? dayNumber(f.pin) : null)),
    better: linksOf(needs, anchor, 'better'),
    must: linksOf(needs, anchor, 'must'),
    stood: [],
    fixed,
    window,
    windowStart: dayNumber(window.start),
    cutOff: dayNumber(window.cutOff),
    shapes: shapesOf(needs, calendar),
  }
}

/** From each day, the index of the next day in a wanted state. */
function nextOf(states: readonly DayState[], wanted: Accepts): number[] {
  const next: number[] = new Array(states.length).fill(Infinity)
  for (let i = states.length - 1; i >= 0; i--)
    next[i] = wanted(states[i]!) ? i : (next[i + 1] ?? Infinity)
  return next
}

/**
 * The first day of the anchor that holds, open before marginal, and the last; null when none does
 * by `until`.
 */
function seek(
  p: Package,
  links: readonly IndexedLink[],
  until: number,
  usePins: boolean,
): Found | null {
  const { anchor, from } = p
  if (from > anchor) {
    const days = daysAround(p, links, p.doneOn[anchor]!, usePins)
    return days && { first: days, chosen: days, last: null }
  }
  const pin = usePins ? p.pins[anchor]! : null
  const least = Math.max(p.begin, p.notBefore[anchor]!)
  const at = (day: number) => daysAround(p, links, day, usePins)
  if (pin !== null) {
    const state = p.window.states[pin - p.windowStart] ?? 'shut'
    const days = pin >= least && pin <= until && usable(state) ? at(pin) : null
    return days && { first: days, chosen: days, last: days }
  }
  const settled =
    Math.max(least, ...p.notBefore, ...(usePins ? p.pins.flatMap((x) => x ?? []) : [])) +
    lengthOf(p, links)
  const onDays = (accepts: Accepts) => {
    const next = nextOf(p.window.states, accepts)
    return (day: number) => {
      const i = next[Math.max(0, day - p.windowStart)] ?? Infinity
      return p.windowStart + i
    }
  }
  const firstOn = (accepts: Accepts): { day: number; days: Days } | null => {
    const nextDay = onDays(accepts)
    let failures = 0
    for (let day = nextDay(least); day <= until; day = nextDay(day + 1)) {
      if (!worksOn(p, day, p.anchor)) continue
      const days = at(day)
      if (days) return { day, days }
      // Weeks repeat: what does not hold on three whole ones, with everything fixed well behind,
      // never will.
      if (day > settled && ++failures >= FAILURES) return null
    }
    return null
  }
  const any = firstOn(usable)
  if (!any) return null
  const best = p.window.worth ? bestOf(p, any, until, at) : firstOn(good)
  const chosen = withoutWeekend(p, best ?? any, { from: any.day, until }, at)
  let last = chosen.days
  const stateOn = (day: number) => p.window.states[day - p.windowStart] ?? 'shut'
  for (
    let day = Math.min(until, p.cutOff), tried = 0;
    day > chosen.day && tried < FAILURES;
    day--, tried++
  ) {
    const days = usable(stateOn(day)) && worksOn(p, day, p.anchor) ? at(day) : null
    if (days) {
      last = days
      break
    }
  }
  return { first: any.days, chosen: chosen.days, last }
}

/** The day of the highest worth that holds, from the first that does; the earlier of two alike. */
function bestOf(
  p: Package,
  any: { day: number; days: Days },
  until: number,
  at: (day: number) => Days | null,
): { day: number; days: Days } {
  const worth = (day: number) => sure(p.window.worth)(day - p.windowStart)
  const from = worth(any.day)
  const better: { day: number; worth: number }[] = []
  for (let day = any.day + 1; day <= until; day++) {
    const state = p.window.states[day - p.windowStart] ?? 'shut'
    if (state === 'shut' || !worksOn(p, day, p.anchor)) continue
    const w = worth(day)
    if (w > from + LEAST_GAIN) better.push({ day, worth: w })
  }
  better.sort((a, b) => b.worth - a.worth || a.day - b.day)
  for (const { day } of better) {
    const days = at(day)
    if (days) return { day, days }
  }
  return any
}

/**
 * A day near the one chosen on which opened turf does not lie over a weekend between blades and
 * cores, where it is worth little less.
 */
function withoutWeekend(
  p: Package,
  chosen: { day: number; days: Days },
  { from, until }: { from: number; until: number },
  at: (day: number) => Days | null,
): { day: number; days: Days } {
  const liesOver = ({ start }: Days) => {
    const on = (kind: StepKind) =>
      start[p.needs.findIndex((n, i) => n.kind === kind && i >= p.from)]
    const [a, b] = [on('scarify'), on('core')]
    return a !== undefined && b !== undefined && weekendBetween(a, b)
  }
  // Seed is moved by a day or two, and only where that costs next to nothing.
  const sown = OPERATIONS[p.needs[p.anchor]!.kind].plants === true
  const waits = sown && (!p.window.worth || p.window.hurried === true)
  if (p.calendar.weekendWork || waits || !liesOver(chosen.days)) return chosen
  const worth = (day: number) => p.window.worth?.(day - p.windowStart) ?? 0
  const stateOn = (day: number) => p.window.states[day - p.windowStart] ?? 'shut'
  // A day that serves the other work of the job best has no figure: any near it will do.
  const little = (day: number) =>
    worth(chosen.day) === Infinity ||
    worth(chosen.day) - worth(day) <= (sown ? SEED_COSTS : WEEKEND_COSTS)
  const near = Array.from({ length: sown ? 2 : 7 }, (_, i) => [
    chosen.day + i + 1,
    chosen.day - i - 1,
  ])
    .flat()
    .filter(
      (day) =>
        day >= from &&
        day <= until &&
        stateOn(day) === stateOn(chosen.day) &&
        worksOn(p, day, p.anchor) &&
        little(day),
    )
  for (const day of near) {
    const days = at(day)
    if (days && !liesOver(days)) return { day, days }
  }
  return chosen
}
/** Points that opened turf over a weekend costs. */
const WEEKEND_COSTS = 3
/** The same where seed is moved for it. */
const SEED_COSTS = 1

/** Points by which a later day has to be better. */
const LEAST_GAIN = 0.5

/**
 * The hours that a package fills by day with its anchor on each of some days of an empty calendar;
 * null for days on which it does not hold.
 */
export function hoursOnDays(
  { needs, anchor }: PackageSteps,
  fixed: readonly Fixed[],
  window: WorkWindow,
  calendar: Calendar,
  days: readonly number[],
): ([day: number, hours: number][] | null)[] {
  const p = packageOf(needs, anchor, fixed, window, calendar)
  return days.map((day) => {
    const found = worksOn(p, day, anchor) ? daysAround(p, p.better, day, false) : null
    if (!found) return null
    const filled = new Map<number, number>()
    p.shapes.forEach(({ evening, hours, span }, i) => {
      if (!evening) fillDays(filled, { start: found.start[i]!, span, hours }, calendar.hoursPerDay)
    })
    return [...filled]
  })
}

/** A pin outside the window is a person's word: it is kept where everything that must hold does. */
function keepPins(p: Package): Found | null {
  const pin = p.pins[p.anchor] ?? null
  const from = pin ?? Math.max(p.begin, p.notBefore[p.anchor]!)
  const until = pin ?? from + HORIZON_AFTER
  if (from < Math.max(p.begin, p.notBefore[p.anchor]!)) return null
  for (const links of [p.better, p.must])
    for (let day = from; day <= until; day++) {
      if (pin === null && !worksOn(p, day, p.anchor)) continue
      const days = daysAround(p, links, day, true)
      if (days) return { first: days, chosen: days, last: null }
    }
  return null
}

/**
 * What stands in the way of the pins, with only what must hold asked for: two pins against each
 * other first.
 */
function clashOf(p: Package): Clash {
  const least = Math.max(p.begin, p.notBefore[p.anchor]!)
  const early = p.pins.findIndex(
    (pin, i) => pin !== null && pin < Math.max(p.begin, p.notBefore[i]!),
  )
  if (early >= 0) return { step: early, with: -1 }
  for (const link of p.must) {
    const [from, to] = [p.pins[link.from] ?? null, p.pins[link.to] ?? null]
    if (from !== null && to !== null && (to - from < link.least || to - from > link.most))
      return { step: link.to, with: link.from }
  }
  const clash: Clash = { step: -1, with: -1 }
  const pins = p.pins.flatMap((pin) => pin ?? [])
  daysAround(p, p.must, p.pins[p.anchor] ?? Math.max(least, ...pins), true, clash)
  return clash
}

/** In words, the wait that keeps a pin from holding, and what it is for. */
function inTheWay(p: Package, pinned: number, clash: Clash): Message {
  const name = (i: number) => OPERATIONS[p.needs[i]!.kind].name
  const at = p.pins[pinned]!
  const own = Math.max(p.begin, p.notBefore[pinned]!)
  if (at < own)
    return p.notBefore[pinned]! > p.begin
      ? say`Not before ${onDay(dayOf(p.notBefore[pinned]!))}: ${REASONS[p.fixed[pinned]!.holds ?? 'waiting']}.`
      : 'That day has passed, or the steps done come after it.'
  const [a, b] = [Math.min(clash.step, clash.with), Math.max(clash.step, clash.with)]
  const link =
    a >= 0
      ? p.must.find((l) => l.from === a && l.to === b && (l.least > 0 || l.most < Infinity))
      : undefined
  if (!link) return 'The steps before it do not fit in the days that are left.'
  return link.least > 0
    ? say`${name(b)} waits ${quantity(link.least, 'd')} after ${name(a)}: ${link.why}.`
    : say`${name(b)} comes within ${quantity(link.most, 'd')} of ${name(a)}: ${link.why}.`
}

/** What is only better and does not hold. */
function givenUpIn(p: Package, days: Days): Message[] {
  const said = new Map<string, Message>()
  for (const link of p.better) {
    if (!link.soft || link.to < p.from) continue
    const gap = days.start[link.to]! - days.end[link.from]!
    if (gap >= link.least && gap <= link.most) continue
    said.set(typeof link.why === 'string' ? link.why : link.why.template, link.why)
  }
  return [...said.values()]
}

/** Days on site up to the anchor and with it: evenings and what others do are none. */
function visitsIn(p: Package, days: Days): number {
  const on = new Set<number>()
  p.needs.forEach((_, i) => {
    if (p.shapes[i]!.evening) return
    for (let day = days.start[i]!; day <= days.end[i]!; day++) on.add(day)
  })
  return on.size
}

/** The steps with their days, what states them, and whether the anchor fits. */
function finish(
  p: Package,
  found: Found | null,
  { pinsUsed, broken }: { pinsUsed: boolean; broken?: ReadonlyMap<number, Message> },
): Schedule {
  const { needs, fixed, anchor, from, window } = p
  const standing: Days = found?.chosen ?? {
    start: needs.map((_, i) => (i < from ? p.doneOn[i]! : p.begin)),
    end: needs.map((_, i) => (i < from ? p.doneOn[i]! : p.begin)),
  }
  const steps = needs.map((need, i): ScheduledStep => {
    const { pin, done } = fixed[i]!
    const chosen = dayOf(standing.start[i]!)
    const why = broken?.get(i)
    return {
      need,
      earliest: found && i >= from ? dayOf(found.first.start[i]!) : null,
      latest: found?.last && i >= from ? dayOf(found.last.start[i]!) : null,
      chosen: done ?? chosen,
      span: p.shapes[i]!.span,
      state: done
        ? 'done'
        : i < from
          ? 'unrecorded'
          : pin && pinsUsed && !why
            ? 'pinned'
            : 'planned',
      broken:
        pin && !done && i >= from && (why || !pinsUsed)
          ? joined([
              say`Pinned to ${onDay(pin)}, planned for ${onDay(chosen)}.`,
              why ?? 'The steps around it, or a waiting period, ask for another day.',
            ])
          : null,
    }
  })
  const sowDay = steps[anchor]!.chosen
  const sowState = window.states[dayNumber(sowDay) - p.windowStart] ?? 'shut'
  const fits = from > anchor || (dayNumber(sowDay) <= p.cutOff && sowState !== 'shut')
  return {
    steps,
    fits,
    sowState,
    sowDay,
    givenUp: found ? givenUpIn(p, found.chosen) : [],
    stood: [...p.stood],
    visits: visitsIn(p, standing),
  }
}
