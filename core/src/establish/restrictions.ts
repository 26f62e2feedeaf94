import { sure } from '../quantities/sure.ts'
import { clockText, hourOfClock, hoursOfHalf } from '../entities/clockTimes.ts'
import { dayNumber, WEEKDAYS, weekday, type Day } from '../calendar/day.ts'

/** When water may be put on, as far as a restriction in words is understood. */
export interface Restriction {
  /** Clock hours in which none may be, from and to, 0 to 24; to may be the next day's. */
  shut: [number, number][]
  /** Days of the week on which some may be, 0 Sunday to 6; null where any day will do. */
  weekdays: number[] | null
  /** Days of the month on which some may be; null where any will do. */
  parity: 'odd' | 'even' | null
  /** Days in a week on which some may be, whichever they are; null where there is no such limit. */
  daysAWeek: number | null
  /** What waters where no sprinkler may: a hose held by hand, or cans alone; null where any may. */
  byHand: 'hose' | 'can' | null
  /** What is not understood of it; empty where all of it is. */
  left: string
}

const FREE: Restriction = { shut: [], weekdays: null, parity: null, daysAWeek: null, byHand: null, left: '' } // prettier-ignore

const CLOCK = String.raw`(?:(?:at\s+)?(\d{1,2})(?:[:.h](\d{2}))?\s*(am|pm|a\.m\.|p\.m\.|h|hrs?|o’clock|o'clock)?|(noon|midday|midnight))(?![\d%])`
const BETWEEN = new RegExp(
  `(?:from|between)?\\s*${CLOCK}\\s*(?:-|–|—|to|and|until|till)\\s*${CLOCK}`,
)
const ONE_SIDE = new RegExp(`\\b(before|until|till|by|after|from)\\s+${CLOCK}`)
const NO = /\b(no|not|never|none|ban|bans|banned|forbidden|prohibited|off|without|except|don’t|don't)\b/ // prettier-ignore
const ALLOWS = /^(?!.*\bnot (?:allowed|permitted)\b).*\b(?:only|just|allowed|permitted|may|can)\b/s
/** Parts of the day by name, hours. */
const PARTS: [RegExp, [number, number]][] = [
  [/\b(?:day ?time|during the day|midday|in the heat)\b/, [10, 17]],
  [/\b(?:early )?mornings?\b/, [4, 10]],
  [/\bafternoons?\b/, [12, 18]],
  [/\bevenings?\b/, [17, 23]],
  [/\b(?:at )?nights?(?: ?time)?\b/, [20, 30]],
]
const DAY = String.raw`(?:sun|mon|tue|tues|wed|wednes|thu|thur|thurs|fri|sat|satur)(?:day)?s?`
const DAY_LIST = new RegExp(`\\b${DAY}(?:\\s*(?:,|&|/|\\+|-|–|and|to|or)\\s*${DAY})*\\b`)
const NUMBERS: Record<string, number> = { once: 1, one: 1, twice: 2, two: 2, three: 3, thrice: 3, four: 4, five: 5 } // prettier-ignore
const A_WEEK = /\b(once|twice|thrice|(?:one|two|three|four|five|\d)(?: times| days?)?)\s*(?:a|per|each|every|\/)\s*week\b/ // prettier-ignore
const HELD_HOSE = /\b(?:(?:a )?hand[- ]?held hoses?(?: only)?|(?:a )?hoses? held by hand(?: only)?|hoses? by hand(?: only)?)\b/ // prettier-ignore
const CANS_ONLY = /\b(?:no|without) (?:hose ?pipes?|hoses?)(?: (?:and|or|nor) sprinklers?)?\b|\bhose ?pipe ban\b|\b(?:by hand|cans?|watering cans?) only\b|\bonly (?:by hand|cans?|watering cans?)\b/ // prettier-ignore
const NO_SPRINKLER = /\b(?:no|without) sprinklers?\b/
/** Words that say nothing by themselves. */
const FILLERS = /\b(?:no|not|never|ban|bans|banned|forbidden|prohibited|only|just|allowed|permitted|may|can|be|is|are|water|watering|waters|watered|irrigat\w*|use|used|of|hoses?|hose ?pipes?|sprinklers?|the|a|an|on|in|at|during|between|from|and|or|to|until|there|we|you|hours?|time|times|days?|dates?|turns?|council|city|rule|rules|here|please|any|but|off|all|with|each|every|week|by|this|summer)\b/g // prettier-ignore

/** An hour of the day, 0 to 24; null where it is none. */
function hourOf(
  [hours, minutes, half, name]: (string | undefined)[],
  like: string | undefined = undefined,
): number | null {
  if (name) return name === 'midnight' ? 24 : 12
  const h = Number(hours)
  const of = (half ?? like ?? '').replaceAll('.', '')
  const at = h + Number(minutes ?? 0) / 60 + hoursOfHalf(h, of)
  return h <= 24 && at <= 24 ? at : null
}

/** The hours outside of some, from and to. */
const outside = ([from, to]: [number, number]): [number, number] => [to % 24, from + (from <= to % 24 ? 24 : 0)] // prettier-ignore

/**
 * Reads a restriction on watering as a person writes it: "no hoses 10–16", "only Mon, Wed, Fri",
 * "odd days, before 9". A range of hours or days without a word that says whether it is allowed is
 * not guessed at.
 */
export function readRestriction(text: string): Restriction {
  const found: Restriction = { ...FREE, shut: [] }
  const left: string[] = []
  for (const clause of text
    .toLowerCase()
    .split(/[;\n]|\.(?=\s|$)|,(?=\s*(?:no|not|only|never)\b)/)) {
    const read: Restriction = { ...FREE, shut: [] }
    const rest = readClause(clause, read)
    const days = read.weekdays !== null || read.parity !== null
    // "Not from 10 to 16 on weekdays" bars neither those hours always nor those days whole.
    const both = days && read.shut.length > 0 && NO.test(clause) && !ALLOWS.test(clause)
    if (both || /[\p{L}\d]/u.test(rest)) left.push(clause.trim())
    else {
      found.shut.push(...read.shut)
      found.weekdays = bothOf(found.weekdays, read.weekdays)
      found.parity = read.parity ?? found.parity
      found.daysAWeek = read.daysAWeek ?? found.daysAWeek
      found.byHand = read.byHand ?? found.byHand
    }
  }
  return { ...found, left: left.join('; ') }
}

/** Reads one clause into what was found so far; what is not understood of it. */
function readClause(clause: string, found: Restriction): string {
  let rest = clause.trim()
  if (/^(?:none|no restrictions?|nothing|any ?time|-+|—)$/.test(rest)) return ''
  const allows = ALLOWS.test(rest)
  const bars = NO.test(rest) && !allows
  const shut = (hours: [number, number]) => found.shut.push(hours)
  const takeOut = (pattern: RegExp, take: (match: RegExpExecArray) => boolean): void => {
    const match = pattern.exec(rest)
    if (match && take(match)) rest = rest.slice(0, match.index) + ' ' + rest.slice(match.index + match[0].length) // prettier-ignore
  }
  // With hours or days beside it, a hose or sprinkler is barred then; without, always.
  const always = !/\d|day|mon|tue|wed|thu|fri|sat|sun|week|morning|evening|night|odd|even/.test(
    rest,
  )
  if (always) {
    takeOut(HELD_HOSE, () => ((found.byHand = 'hose'), true))
    takeOut(CANS_ONLY, () => ((found.byHand ??= 'can'), true))
    takeOut(NO_SPRINKLER, () => ((found.byHand ??= 'hose'), true))
  }
  takeOut(/\b(odd|even)[- ]?(?:numbered )?(?:days?|dates?|turns?)?\b/, ([, parity]) => {
    if (bars) found.parity = parity === 'odd' ? 'even' : 'odd'
    else found.parity = parity as 'odd' | 'even'
    return true
  })
  takeOut(/\bevery (?:other|second) day\b|\balternate days\b/, () => {
    found.daysAWeek = 3
    return true
  })
  takeOut(A_WEEK, ([, times]) => {
    const word = sure(times).split(' ')[0]!
    const n = NUMBERS[word] ?? Number(word)
    if (!(n >= 1 && n <= 7)) return false
    found.daysAWeek = n
    return true
  })
  takeOut(/\bweek-?ends?\b|\bweek ?days?\b/, ([word]) => {
    const ends = word.startsWith('weeke') || word.startsWith('week-e')
    found.weekdays = ends === bars ? [1, 2, 3, 4, 5] : [0, 6]
    return true
  })
  takeOut(DAY_LIST, ([list]) => {
    const named = daysNamed(list)
    const on = bars ? [0, 1, 2, 3, 4, 5, 6].filter((d) => !named.includes(d)) : named
    found.weekdays = bothOf(found.weekdays, on)
    return true
  })
  takeOut(BETWEEN, (m) => {
    const [a, b] = [m.slice(1, 5), m.slice(5, 9)]
    const to = hourOf(b)
    // "6 to 9 am": the first has the half of the second, unless that turns them round.
    let from = hourOf(a, b[2])
    if (from !== null && to !== null && a[2] === undefined && b[2] !== undefined && from > to) from = hourOf(a) // prettier-ignore
    if (from === null || to === null || (!bars && !allows)) return false
    shut(bars ? [from, to <= from ? to + 24 : to] : outside([from, to]))
    return true
  })
  for (let i = 0; i < 2; i++)
    takeOut(ONE_SIDE, (m) => {
      const at = hourOf(m.slice(2, 6))
      if (at === null) return false
      const sooner = ['before', 'until', 'till', 'by'].includes(m[1]!)
      const open = bars ? !sooner : sooner
      shut(open ? [at, 24] : [0, at])
      return true
    })
  for (const [pattern, hours] of PARTS)
    takeOut(pattern, () => {
      if (!bars && !allows) return false
      shut(bars ? hours : outside(hours))
      return true
    })
  return rest.replace(NO, ' ').replace(FILLERS, ' ')
}

const bothOf = (a: number[] | null, b: number[] | null): number[] | null =>
  a && b ? a.filter((d) => b.includes(d)) : (a ?? b)

function daysNamed(list: string): number[] {
  const named: number[] = []
  const pieces = [...list.matchAll(new RegExp(`(-|–|\\bto\\b)?\\s*(${DAY})`, 'g'))]
  for (const [, through, name] of pieces) {
    const day = WEEKDAYS.findIndex((known) => known.toLowerCase() === sure(name).slice(0, 3))
    const last = named.at(-1)
    if (through && last !== undefined)
      for (let d = (last + 1) % 7; d !== day; d = (d + 1) % 7) named.push(d)
    named.push(day)
  }
  return [...new Set(named)].sort()
}

/** Whether a clock hour, 0 to 24, is free. */
export const hourIsFree = ({ shut }: Restriction, hour: number): boolean =>
  shut.every(([from, to]) => (hour < from || hour >= to) && (hour + 24 < from || hour + 24 >= to))

/** Whether a day is one of those on which water may be put on. */
export function dayIsFree(
  { weekdays, parity }: Pick<Restriction, 'weekdays' | 'parity'>,
  day: Day,
): boolean {
  if (weekdays && !weekdays.includes(weekday(dayNumber(day)))) return false
  return parity === null || (Number(day.slice(8)) % 2 === 1) === (parity === 'odd')
}

/**
 * Whether a day so many days after the sowing is watered, where only some are: of so many a week
 * they lie evenly, the day of the sowing first.
 */
export function dayIsWatered(
  days: Pick<Restriction, 'weekdays' | 'parity' | 'daysAWeek'> | null,
  day: Day,
  since: number,
): boolean {
  if (days === null) return true
  if (!dayIsFree(days, day)) return false
  const { daysAWeek: n } = days
  return n === null || Math.floor((since * n) / 7) !== Math.floor(((since - 1) * n) / 7)
}

/** Hours in which a run may begin, by half hours. */
const [EARLIEST, LATEST] = [4, 22]
const HOURS = Array.from({ length: 2 * (LATEST - EARLIEST) + 1 }, (_, i) => EARLIEST + i / 2)
/** Between one run and the next, and free from the beginning of a run on, hours. */
const [APART, LONG] = [2, 0.5]

/**
 * Clock times as wanted ("13:00"), each moved to the nearest one that is free; fewer where there is
 * no room for all.
 */
export function freeTimes(wanted: readonly string[], restriction: Restriction): string[] {
  const taken: number[] = []
  for (const time of wanted) {
    const at = hourOfClock(time)
    let best: number | null = null
    // The hour that is wanted, where it may be; else the nearest that may.
    for (const hour of [at, ...HOURS]) {
      const free = hourIsFree(restriction, hour) && hourIsFree(restriction, hour + LONG - 0.01)
      const clear = taken.every((other) => Math.abs(other - hour) >= APART)
      if (free && clear && (best === null || Math.abs(hour - at) < Math.abs(best - at))) best = hour
    }
    if (best !== null) taken.push(best)
  }
  return taken.sort((a, b) => a - b).map(clock)
}

const clock = (hour: number) => clockText(Math.round(60 * (hour % 24)))

/** What is understood of a restriction, in words; empty where nothing is restricted. */
export function restrictionSaid(r: Restriction): string {
  return [
    ...r.shut.map(([from, to]) => `no water ${clock(from)} to ${to === 24 ? '24:00' : clock(to)}`),
    daysSaid(r),
    r.byHand === 'can' ? 'no hose or sprinkler: by can' : r.byHand === 'hose' ? 'no sprinkler: by a hose held by hand' : '', // prettier-ignore
  ]
    .filter(Boolean)
    .join('; ')
}

/** Days of the week by name: the few that are left out, or the few that are there. */
function weekdaysSaid(weekdays: readonly number[]): string {
  const names = (wanted: boolean) => WEEKDAYS.filter((_, d) => weekdays.includes(d) === wanted).join(', ') // prettier-ignore
  if (weekdays.length === 0) return 'on no day'
  return weekdays.length >= 5 ? `not on ${names(false)}` : `${names(true)} only`
}

/** The days on which water may be put on, in words; empty where any will do. */
export const daysSaid = ({ weekdays, parity, daysAWeek }: Restriction): string =>
  [
    weekdays ? weekdaysSaid(weekdays) : '',
    parity ? `${parity} days only` : '',
    daysAWeek ? `${daysAWeek} ${daysAWeek === 1 ? 'day' : 'days'} a week` : '',
  ]
    .filter(Boolean)
    .join(', ')
