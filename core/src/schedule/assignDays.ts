import { sure } from '../quantities/sure.ts'
import { isWeekend } from '../calendar/day.ts'
import { OPERATIONS, type StepKind } from '../reference/operations.ts'
import type { Message } from '../rules/message.ts'
import type { StepNeed } from './steps.ts'

export interface Calendar {
  today: string
  weekendWork: boolean
  hoursPerDay: number
  /** Hours of a day that other work of the job fills already, by day number. */
  filled?: ReadonlyMap<number, number>
}

const isEvening = (kind: StepKind): boolean => OPERATIONS[kind].evening === true

/** Days a step may need beyond whole ones before it counts as another day: a few minutes over are
 * worked off the same day.
 */
const MINUTES_OVER = 0.05
/** Longest a step is laid out for, working days: a year of them. */
const MOST_DAYS = 260
/** Hours a day may be overfilled by, so that two short steps share it. */
const OVERTIME = 0.5
/** Rounds in which one step may push another before the days count as impossible. */
const MOST_ROUNDS = 60
/** Days looked through for one that has room. */
const LOOKED_THROUGH = 45

const daysFilled = (need: StepNeed, calendar: Calendar): number =>
  Math.min(MOST_DAYS, Math.max(1, Math.ceil(need.hours / calendar.hoursPerDay - MINUTES_OVER)))

/** A link between two steps of the list, by their place in it. */
export interface IndexedLink {
  from: number
  to: number
  least: number
  most: number
  /** The link asks for more than must hold. */
  soft: boolean
  /** What is given up when it does not hold; empty where it only keeps the order. */
  why: Message
}

/** A package's steps and what fixes them, as numbers. */
export interface Problem {
  needs: readonly StepNeed[]
  shapes: readonly Shape[]
  calendar: Calendar
  /** The step the others hang on. */
  anchor: number
  /** First step still to be done; those before it are done or passed. */
  from: number
  /** Days of what is done: start and end, by step; −Infinity for the others. */
  doneOn: readonly number[]
  /** First day anything may happen, and the first of each step. */
  begin: number
  notBefore: readonly number[]
  /** Pins by step, null where there is none. */
  pins: readonly (number | null)[]
  /** Links as they should be, and as they must be. */
  better: readonly IndexedLink[]
  must: readonly IndexedLink[]
}

/**
 * What stopped a try: the step that had no day, and the later or earlier one it clashed with (−1:
 * its own first day).
 */
export interface Clash {
  step: number
  with: number
}

export interface Days {
  start: number[]
  end: number[]
}

/** Steps by their place: days each fills, and whether they are done after hours. */
interface Shape {
  span: number
  evening: boolean
  hours: number
}

export const shapesOf = (needs: readonly StepNeed[], calendar: Calendar): Shape[] =>
  needs.map((n) => ({
    span: daysFilled(n, calendar),
    evening: isEvening(n.kind),
    hours: n.hours,
  }))

/** Adds the hours of a step to the days it fills, by day number: whole days, and the rest on the last. */
export function fillDays(
  filled: Map<number, number>,
  { start, span, hours }: { start: number; span: number; hours: number },
  hoursPerDay: number,
): void {
  for (let i = 0; i < span; i++) {
    const h = i < span - 1 ? hoursPerDay : hours - (span - 1) * hoursPerDay
    filled.set(start + i, (filled.get(start + i) ?? 0) + Math.max(0, h))
  }
}

/** Whether a step may be done on a day: evening work on any, the crew's on its working days. */
export const worksOn = ({ calendar, shapes }: Problem, day: number, step: number): boolean =>
  calendar.weekendWork || shapes[step]!.evening || !isWeekend(day)

/**
 * Every link of the steps, by place; steps before the anchor also keep their order, those after it
 * follow it.
 */
export function linksOf(
  needs: readonly StepNeed[],
  anchor: number,
  which: 'must' | 'better',
): IndexedLink[] {
  const place = new Map(needs.map((n, i) => [n.kind, i]))
  const links: IndexedLink[] = []
  needs.forEach((need, to) => {
    for (const link of need.links) {
      const from = sure(place.get(link.from))
      const [least, most] = link[which]
      const soft =
        which === 'better' && (link.better[0] > link.must[0] || link.better[1] < link.must[1])
      links.push({ from, to, least, most, soft, why: link.why })
    }
    const order = (from: number) =>
      links.push({ from, to, least: 0, most: Infinity, soft: false, why: '' })
    if (to > anchor) return order(anchor)
    // Evening steps hang on what they are for, so that they never hold the crew's work to another
    // day.
    const evening = isEvening(need.kind)
    const before = evening ? -1 : needs.findLastIndex((n, i) => i < to && !isEvening(n.kind))
    if (before >= 0) order(before)
    else if (to > 0) order(0)
  })
  return links
}

/**
 * Days for all steps with the anchor on `day`: those before it as late as their links allow, those
 * after it as early. Null when they cannot hold; then `clash` says what stood in the way.
 */
export function daysAround(
  p: Problem,
  links: readonly IndexedLink[],
  day: number,
  usePins: boolean,
  clash?: Clash,
): Days | null {
  const upper: number[] = new Array(p.needs.length).fill(Infinity)
  for (let round = 0; round < MOST_ROUNDS; round++) {
    const days = onePass(p, links, day, usePins, upper, clash)
    if (!days) return null
    let moved = false
    for (const link of links) {
      if (link.to > p.anchor || link.to < p.from || link.most === Infinity) continue
      const latest = days.end[link.from]! + link.most
      if (days.start[link.to]! <= latest) continue
      // The later one has to come nearer; the anchor and pins cannot.
      if (link.to === p.anchor || (usePins && p.pins[link.to] !== null) || latest < p.begin) {
        if (clash) [clash.step, clash.with] = [link.to, link.from]
        return null
      }
      upper[link.to] = Math.min(upper[link.to]!, latest)
      moved = true
    }
    if (!moved) return days
  }
  return null
}

function onePass(
  p: Problem,
  links: readonly IndexedLink[],
  anchorDay: number,
  usePins: boolean,
  upper: readonly number[],
  clash?: Clash,
): Days | null {
  const { needs, shapes, calendar, anchor, from, begin } = p
  const count = needs.length
  const start: number[] = [...p.doneOn]
  const end: number[] = [...p.doneOn]
  const load = new Map(calendar.filled)
  // What goes with work pinned to a day off is done on that day too.
  const works = (day: number, i: number) => worksOn(p, day, i) || (i > anchor && day === anchorDay)
  const fits = (day: number, i: number) => {
    const { evening, hours, span } = shapes[i]!
    const already = load.get(day) ?? 0
    const rest = hours - (span - 1) * calendar.hoursPerDay
    return evening || already === 0 || already + rest <= calendar.hoursPerDay + OVERTIME
  }
  const put = (i: number, first: number, last: number) => {
    start[i] = first
    end[i] = last
    const { evening, hours, span } = shapes[i]!
    if (!evening) load.set(last, (load.get(last) ?? 0) + hours - (span - 1) * calendar.hoursPerDay)
  }
  const fail = (step: number, other: number) => {
    if (clash) [clash.step, clash.with] = [step, other]
    return null
  }
  const endFrom = (day: number, i: number) => {
    let last = day
    for (let left = shapes[i]!.span - 1; left > 0;) if (works(++last, i)) left--
    return last
  }
  const startTo = (day: number, i: number) => {
    let first = day
    for (let left = shapes[i]!.span - 1; left > 0;) if (works(--first, i)) left--
    return first
  }
  // A day that other work of the job has filled has no room for the anchor and what is tied to it.
  const elsewhere = calendar.filled?.get(anchorDay) ?? 0
  if (elsewhere > 0 && from <= anchor && !(usePins && p.pins[anchor] !== null)) {
    const tied = links.filter((l) => l.from === anchor && l.most === 0).map((l) => l.to)
    const wanted = [anchor, ...new Set(tied)].reduce(
      (sum, i) => sum + (shapes[i]!.evening ? 0 : shapes[i]!.hours),
      0,
    )
    if (elsewhere + Math.min(wanted, calendar.hoursPerDay) > calendar.hoursPerDay + OVERTIME)
      return fail(anchor, -1)
  }
  // The anchor and what follows it, as early as may be.
  for (let i = Math.max(anchor, from); i < count; i++) {
    const pin = usePins ? p.pins[i]! : null
    let least = i === anchor ? anchorDay : begin
    let most = Infinity
    let holds = -1
    for (const link of links) {
      if (link.to !== i) continue
      // What is done already holds the anchor too.
      if (link.from < from && i === anchor && end[link.from]! + link.least > anchorDay)
        return fail(i, link.from)
      if (link.from < anchor) continue
      const after = end[link.from]! + link.least
      if (after > least) [least, holds] = [after, link.from]
      most = Math.min(most, end[link.from]! + link.most)
    }
    let first = Math.max(least, i === anchor ? -Infinity : p.notBefore[i]!)
    if (pin !== null) {
      if (pin < first || pin > most) return fail(i, holds)
      first = pin
    } else if (i !== anchor) {
      const tied = most === least
      for (
        let tried = 0;
        !tied && tried < LOOKED_THROUGH && first < most && !(works(first, i) && fits(first, i));
        tried++
      )
        first++
    }
    put(i, first, endFrom(first, i))
  }
  // What comes before it, as late as may be.
  for (let i = Math.min(anchor, count) - 1; i >= from; i--) {
    const pin = usePins ? p.pins[i]! : null
    let latest = start[anchor]!
    let holds = anchor
    for (const link of links) {
      if (link.from !== i) continue
      const before = start[link.to]! - link.least
      if (before < latest) [latest, holds] = [before, link.to]
    }
    const least = earliestOf(p, links, i, end)
    if (pin !== null) {
      const last = endFrom(pin, i)
      if (pin < least || last > latest) return fail(i, pin < least ? -1 : holds)
      put(i, pin, last)
      continue
    }
    latest = Math.min(latest, upper[i]! === Infinity ? Infinity : endFrom(upper[i]!, i))
    let last = latest
    for (let tried = 0; tried < LOOKED_THROUGH && !(works(last, i) && fits(last, i)); tried++)
      last--
    let first = startTo(last, i)
    while (!works(first, i)) first--
    if (first > upper[i]!) {
      first = upper[i]!
      while (!works(first, i)) first--
      last = endFrom(first, i)
    }
    if (first < least) return fail(i, holds)
    put(i, first, last)
  }
  return { start, end }
}

/**
 * First day a step before the anchor may take: after what is done, after its own first day, not
 * before today.
 */
function earliestOf(
  p: Problem,
  links: readonly IndexedLink[],
  i: number,
  end: readonly number[],
): number {
  let least = Math.max(p.begin, p.notBefore[i]!)
  for (const link of links)
    if (link.to === i && link.from < p.from) least = Math.max(least, end[link.from]! + link.least)
  return least
}
