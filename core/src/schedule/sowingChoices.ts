import { sure } from '../quantities/sure.ts'
import type { Held, SowingChoice } from '../plan/order.ts'
import { choiceValues } from '../climate/choiceValues.ts'
import {
  addDays,
  dayNumber,
  dayOf,
  daysBetween,
  isWeekend,
  laterDay,
  type Day,
} from '../calendar/day.ts'
import {
  CAUSE_NAMES,
  SEASON_NAMES,
  REASONS,
  type Cause,
  type DayState,
  type SeasonName,
} from '../climate/dayReasons.ts'
import type { SiteClimate } from '../climate/siteClimate.ts'
import { oddsRules, oddsValues, type DayOdds } from '../climate/sowingOdds.ts'
import type { SomeOdds } from '../climate/dayWorth.ts'
import { oddsOnDay, oddsThroughYear } from '../climate/windows.ts'
import { WANTED_FROM } from '../climate/sowingLines.ts'
import type { SowingWindow, Sown } from '../climate/sowingWindow.ts'
import { yearDay } from '../climate/yearDay.ts'
import type { Grass } from '../reference/grasses.ts'
import type { Schools } from '../reference/schools.ts'
import type { Figure } from '../trace/figure.ts'
import { joined, onDay, quantity, say, verbatim, type Message } from '../rules/message.ts'
import { packageScope } from '../trace/scope.ts'
import type { Trace } from '../trace/trace.ts'
import { inBed } from './seedbedOdds.ts'
import type { DayWorths } from './pieceWorth.ts'
import type { PackageSteps } from './steps.ts'
import {
  schedulePackage,
  type Calendar,
  type Fixed,
  type Schedule,
  type Wishes,
} from './schedulePackage.ts'

/** A season in which something can be sown: days of the window in a row. */
export interface SeasonSpan {
  season: SeasonName
  /** Indexes into the window. */
  from: number
  to: number
}

/** Shut days inside a season that do not end it. */
const GAP = 21

/**
 * The seasons of a window, in order; where they have no names of their own (`byName` false), days in
 * a row are one season, named by its first day.
 */
export function seasonSpans({ states, seasons }: SowingWindow, byName = true): SeasonSpan[] {
  const spans: SeasonSpan[] = []
  states.forEach((state, i) => {
    if (state === 'shut') return
    const open = spans.at(-1)
    if (open && (!byName || open.season === seasons[i]) && i - open.to <= GAP) open.to = i
    else spans.push({ season: seasons[i]!, from: i, to: i })
  })
  return spans
}

export interface ChoiceBrief {
  pack: string
  steps: PackageSteps
  fixed: readonly Fixed[]
  window: SowingWindow
  /** What is sown; null for work that is not. */
  sown: Sown | null
  /** What is done, to begin a sentence: "Sown", "Fed". */
  done: string
  /** Work whose spring is left out by the school of autumn, as sowing is. */
  bySchool: boolean
  climate: SiteClimate
  schools: Schools
  customerDate: Day | null
  cutOff: Figure
  calendar: Calendar
  wishes: Wishes
  worths: DayWorths
  trace: Trace
}

export interface Chosen {
  schedule: Schedule
  choices: SowingChoice[]
  /** The season that is taken; null where none is. */
  span: SeasonSpan | null
  /** Said first where the day is later than could be, or a season or a year is passed over. */
  passed: { title: Message; says: Message } | null
}

/**
 * Takes one of the next seasons by school and the customer's date, and offers the others. A pinned
 * day is a person's word: its season is taken.
 */
export function chooseSowing(b: ChoiceBrief): Chosen {
  const { window, steps, fixed } = b
  const hurried = b.customerDate !== null
  // Warm grass has one season, from late spring to midsummer and a little past it.
  const spans = seasonSpans(window, (b.sown !== null && window.lead !== 'warm') || b.bySchool)
  const whole = () =>
    schedulePackage(
      steps,
      fixed,
      { ...window, worth: b.worths.rank, hurried },
      b.calendar,
      b.wishes,
    )
  const anchor = fixed[steps.anchor]!
  if (anchor.done) return { schedule: whole(), choices: [], span: null, passed: null }
  const start = dayNumber(window.start)
  const pinned =
    anchor.pin === null ? null : spans.find((s) => inSpan(s, dayNumber(sure(anchor.pin)) - start))
  const mask = ({ from, to }: SeasonSpan) => ({
    start: window.start,
    states: window.states.map((s, i): DayState => (i >= from && i <= to ? s : 'shut')),
    cutOff: dayOf(start + to),
    worth: b.worths.rank,
    hurried,
  })
  const known = new Map<SeasonSpan, Schedule>()
  /** The work in one season: tried once, whoever asks. */
  const tried = (span: SeasonSpan): Schedule => {
    const schedule = known.get(span) ?? schedulePackage(steps, fixed, mask(span), b.calendar, b.wishes) // prettier-ignore
    known.set(span, schedule)
    return schedule
  }
  const offered = spans
    .map((span) => ({ span, day: firstIn(b, span) }))
    .filter((o): o is { span: SeasonSpan; day: Day } => o.day !== null)
  const order = pinned ? offered.filter((o) => o.span === pinned) : byDate(b, offered)
  const tries = order.flatMap(({ span, day }) =>
    span === pinned
      ? [{ span, part: span }]
      : worthParts(b, span, day, offered).map((part) => ({ span, part })),
  )
  // What is not sown takes the season that is worth most, waiting counted.
  if (!b.sown) tries.sort((x, y) => bestWorth(b, y.part) - bestWorth(b, x.part))
  let taken: { span: SeasonSpan; schedule: Schedule } | null = null
  if (anchor.pin === null || pinned)
    for (const { span, part } of tries.slice(0, MOST_TRIED)) {
      const schedule = tried(part)
      if (!schedule.fits) continue
      taken = { span, schedule }
      break
    }
  const schedule = taken?.schedule ?? whole()
  // A season that is there and not worth it is left to a person's word.
  const poor = taken === null && b.sown !== null && order.length > 0 && !pinned
  const shown = offered
    .filter(
      ({ span, day }) =>
        span === taken?.span ||
        (!passedBy(b, span, offered) &&
          daysBetween(window.start, day) <= OFFERED_WITHIN &&
          (b.sown !== null || Math.abs(daysBetween(day, schedule.sowDay)) > ANOTHER_SEASON)),
    )
    .slice(0, MOST_OFFERED)
  if (taken && !shown.some((o) => o.span === taken.span))
    shown.push({ span: taken.span, day: schedule.sowDay })
  const choices = shown.map(({ span, day }, i): SowingChoice => {
    const isTaken = span === taken?.span
    const own = isTaken ? schedule : tried(span)
    const bars = isTaken || (own.fits && inSpan(span, daysBetween(window.start, own.sowDay))) ? null : barsOf(b, span) // prettier-ignore
    const on = isTaken ? schedule.sowDay : bars ? dayShown(b, span, day) : laterDay(dayShown(b, span, day), own.sowDay) // prettier-ignore
    return { ...choiceOf(b, seasonOn(b, span, on), on, isTaken, i), bars }
  })
  const untried = choices.filter((_, i) => !tries.some(({ span }) => span === shown[i]!.span))
  const inCutOff =
    !b.sown ||
    bySchool(window, schedule.sowDay) ||
    // Where no frost ends a season, none is missed.
    b.climate.frostMonthDay === null ||
    schedule.sowDay <= window.cutOff ||
    isPastRule(window, schedule.sowDay) ||
    (b.sown?.purpose === 'cover' && daysBetween(window.start, schedule.sowDay) <= COVER_WITHIN)
  const fits = schedule.fits && !poor && (taken === null || inCutOff || pinned !== null)
  return {
    schedule: { ...schedule, fits },
    choices,
    span: taken?.span ?? null,
    passed: pinned || !fits ? null : passedOver(b, choices, untried, schedule.sowDay),
  }
}

/** Why a season leaves no day for the work. */
function barsOf({ window, fixed, steps, done }: ChoiceBrief, { to }: SeasonSpan): Message {
  const ends = onDay(addDays(window.start, to), true)
  const held = lastHold(fixed, steps.anchor)
  return held && daysBetween(window.start, held.until) > to
    ? say`Not before ${onDay(held.until, true)}: ${REASONS[held.why]}. The season ends ${ends}.`
    : say`The season ends ${ends}, before the work and what it waits for let it be ${lowered(done)}.`
}
const lowered = (done: string) => done.charAt(0).toLowerCase() + done.slice(1)

/**
 * High summer is no season for cool grass beside another one. Warm grass is sown in it, a quick
 * cover whenever ground is bare, and high country may have no other season.
 */
const passedBy = (
  { window: { lead }, sown, bySchool }: ChoiceBrief,
  span: SeasonSpan,
  offered: readonly { span: SeasonSpan }[],
): boolean =>
  span.season === 'summer' &&
  (sown
    ? lead !== 'warm' && sown.purpose !== 'cover' && offered.some((o) => o.span.season !== 'summer')
    : bySchool)

/** The name of the season a day lies in: what warm grass has is spring and summer in one. */
const seasonOn = ({ window }: ChoiceBrief, span: SeasonSpan, on: Day): SeasonName =>
  window.lead === 'warm'
    ? (window.seasons[daysBetween(window.start, on)] ?? span.season)
    : span.season

const MOST_TRIED = 4
/** Work that is not sown is offered in another season, not some days later, days. */
const ANOTHER_SEASON = 42
const MOST_OFFERED = 3
/** Seasons that begin further off are no choice yet, days. */
const OFFERED_WITHIN = 330
/** A quick cover holds ground that is bare now: later than this it does not. */
export const COVER_WITHIN = 60

/** Whether a day past the last one is one that the contractor's school sows on all the same. */
const bySchool = (window: SowingWindow, day: Day) => {
  const reason = window.reasons[daysBetween(window.start, day)]
  return reason === 'dormant' || reason === 'after-frosts'
}

/** Whether a day lies past the last day by the rule, where a living sward still bears a sowing. */
export const isPastRule = (window: SowingWindow, day: Day) =>
  window.reasons[daysBetween(window.start, day)] === 'past-rule'
const inSpan = ({ from, to }: SeasonSpan, i: number) => i >= from && i <= to

/** What the anchor and the steps before it wait for longest; null where nothing holds them. */
function lastHold(fixed: readonly Fixed[], anchor: number): Held | null {
  let last: Held | null = null
  for (const { notBefore, holds, done } of fixed.slice(0, anchor + 1))
    if (notBefore && !done && (last === null || notBefore > last.until))
      last = { until: notBefore, why: holds ?? 'waiting' }
  return last
}

/** Whether the crew works on a day of a window. */
const worksOn = ({ start }: SowingWindow, { weekendWork }: Calendar, i: number): boolean =>
  weekendWork || !isWeekend(dayNumber(start) + i)

/**
 * The first good day of a season that seed could go down, else the first marginal one; where the
 * season ends sooner than a job usually takes, the first day that is left. Null where the season is
 * over by then.
 */
function firstIn(
  { window, sown, trace, fixed, steps, calendar }: ChoiceBrief,
  { from, to }: SeasonSpan,
): Day | null {
  const held = lastHold(fixed, steps.anchor)
  const free = Math.max(from, 1, held ? daysBetween(window.start, held.until) : 0)
  const soonest = Math.max(
    free,
    trace.value(sown?.purpose === 'cover' ? choiceValues.coverSoon : choiceValues.soon),
  )
  const works = (i: number) => worksOn(window, calendar, i)
  const usable = (i: number) => window.states[i] !== 'shut' && works(i)
  let marginal: number | null = null
  for (let i = soonest; i <= to; i++) {
    if (window.states[i] === 'open' && works(i)) return addDays(window.start, i)
    if (usable(i)) marginal ??= i
  }
  for (let i = free; i <= to && marginal === null; i++) if (usable(i)) marginal = i
  return marginal === null ? null : addDays(window.start, marginal)
}

/**
 * What of a season is taken without a person's word, in the order it is tried: spring by school and
 * odds; nothing of high summer; days past the rule after the others, as long as their odds are
 * worth it.
 */
function worthParts(
  b: ChoiceBrief,
  span: SeasonSpan,
  day: Day,
  offered: readonly { span: SeasonSpan }[],
): SeasonSpan[] {
  const { window, sown, schools, trace } = b
  const { worth, worthLate } = trace.values(choiceValues)
  const succeeds = (on: Day, least: number) => (oddsOf(b, on)?.succeed ?? 100) >= least
  if (passedBy(b, span, offered)) return []
  if (!sown)
    return b.bySchool && span.season === 'spring' && schools.season === 'autumn' ? [] : [span]
  if (span.season === 'spring' && window.lead !== 'warm' && sown.purpose === 'lawn')
    return schools.season !== 'autumn' &&
      succeeds(dayShown(b, span, day), worth) &&
      (succeeds(dayShown(b, span, day), worthLate) || !laterIsBetter(b, span, offered))
      ? [span]
      : []
  // What the school sows on is a person's word already; otherwise a sowing of poor odds is not taken.
  if (bySchool(window, day)) return [span]
  if (tooLate(b, bestDay(b, span), worthLate)) return []
  let rule = span.to
  while (rule >= span.from && isPastRule(window, addDays(window.start, rule))) rule--
  let to = span.to
  while (to > rule && !succeeds(addDays(window.start, to), worthLate)) to--
  return [...new Set([rule, to])]
    .filter((end) => end >= span.from)
    .map((end) => ({ ...span, to: end }))
}

/**
 * A sowing that so few years let succeed, for most of which it comes too late: it is not taken
 * without a person's word. Odds that are poor for want of water are told, and no reason to wait.
 */
function tooLate(b: ChoiceBrief, day: Day, least: number): boolean {
  const odds = oddsOf(b, day)
  return (
    b.sown?.purpose !== 'cover' &&
    odds !== null &&
    odds.succeed < least &&
    odds.fails.frost + odds.fails.cold >= (100 - odds.succeed) / 2
  )
}

/** What the best day of a season is worth; minus infinity where none is open. */
function bestWorth(b: ChoiceBrief, { from, to }: SeasonSpan): number {
  const best = b.worths.bestOf(from, to)
  return best === null ? -Infinity : b.worths.at(best)
}

/** Whether a later season is worth more than one of poor odds, waiting counted. */
const laterIsBetter = (
  b: ChoiceBrief,
  span: SeasonSpan,
  offered: readonly { span: SeasonSpan }[],
): boolean =>
  offered.some(
    (o) =>
      o.span.from > span.to &&
      o.span.season !== 'summer' &&
      bestWorth(b, o.span) > bestWorth(b, span),
  )

/** The day of a season that is worth most. */
const bestDay = (b: ChoiceBrief, span: SeasonSpan): Day =>
  addDays(b.window.start, b.worths.bestOf(span.from, span.to) ?? span.from)

/** The day a season that is not taken is shown with: the best of those that could still be had. */
const dayShown = (b: ChoiceBrief, span: SeasonSpan, day: Day): Day =>
  addDays(
    b.window.start,
    b.worths.bestOf(daysBetween(b.window.start, day), span.to) ?? daysBetween(b.window.start, day),
  )

/** Seasons in their order; where the customer names a date, those that stand by then come first. */
function byDate(
  { customerDate, sown, trace }: ChoiceBrief,
  offered: readonly { span: SeasonSpan; day: Day }[],
) {
  if (customerDate === null || !sown) return offered
  const weeks = Math.max(
    0,
    ...(sown.leads ?? sown.parts.map((p) => p.grass)).map((g) => trace.grass(g).weeksToUse[0]),
  )
  const stands = (day: Day) => addDays(day, weeks * 7) <= customerDate
  return [...offered.filter((o) => stands(o.day)), ...offered.filter((o) => !stands(o.day))]
}

/** The grasses of a mix that are wanted for themselves; one sown alone always is. */
const wantedOf = ({ parts }: Sown, trace: Trace): Grass[] =>
  parts.filter((p) => p.share >= WANTED_FROM || parts.length === 1).map((p) => trace.grass(p.grass))

/** What the odds of a sowing hang on. */
type OddsOf = Pick<ChoiceBrief, 'window' | 'sown' | 'climate' | 'schools' | 'customerDate' | 'trace'> // prettier-ignore

const oddsBrief = (sown: Sown, schools: Schools, trace: Trace) => ({
  watered: sown.watered,
  lawn: sown.purpose === 'lawn' || sown.purpose === 'blend',
  standsBy: schools.stands,
  ...(sown.purpose === 'winter-green' ? { lead: trace.value(oddsValues.winterGreen) } : {}),
})

/** Seed that lies until spring is not followed by the odds. */
const liesUntilSpring = ({ window }: OddsOf, i: number) => window.reasons[i] === 'dormant'

/** Odds of sowing on a day; null where nothing is sown, or it lies until spring. */
function oddsOf(b: OddsOf, day: Day): DayOdds | null {
  const { climate, sown, schools, customerDate, trace } = b
  if (!sown || liesUntilSpring(b, daysBetween(b.window.start, day))) return null
  const within = customerDate === null ? null : daysBetween(day, customerDate)
  const brief = { ...oddsBrief(sown, schools, trace), within }
  const odds = oddsOnDay(wantedOf(sown, trace), yearDay(dayNumber(day)), brief, climate, trace, sown.leads) // prettier-ignore
  return odds && inBed(odds, sown.bedLoses ?? 0)
}

/** Days between two on which the odds by a customer's date are worked. */
const DATED_EVERY = 7

/**
 * Odds of a sowing by index into its window, for weighing days against each other: worked once a
 * week, straight between.
 */
export function oddsFor(b: OddsOf): (i: number) => SomeOdds | null {
  const { climate, sown, schools, window, customerDate, trace } = b
  if (!sown) return () => null
  const start = dayNumber(window.start)
  if (customerDate === null) {
    const year = oddsThroughYear(
      wantedOf(sown, trace),
      oddsBrief(sown, schools, trace),
      climate,
      trace,
    )
    return (i) => {
      if (year === null || liesUntilSpring(b, i)) return null
      const succeed = year(yearDay(start + i)) * (1 - (sown.bedLoses ?? 0) / 100)
      return { succeed, inTime: succeed }
    }
  }
  const known = new Map<number, DayOdds | null>()
  const at = (i: number) => {
    const had = known.get(i)
    if (had !== undefined) return had
    const odds = oddsOf(b, dayOf(start + i))
    known.set(i, odds)
    return odds
  }
  return (i) => {
    const low = Math.floor(i / DATED_EVERY) * DATED_EVERY
    const [from, to] = [at(low), at(low + DATED_EVERY)]
    if (!from || !to) return from ?? to
    const between = (x: number, y: number) => x + ((y - x) * (i - low)) / DATED_EVERY
    return {
      succeed: between(from.succeed, to.succeed),
      inTime: between(from.inTime, to.inTime),
    }
  }
}

function choiceOf(
  b: ChoiceBrief,
  season: SeasonName,
  day: Day,
  taken: boolean,
  index: number,
): Omit<SowingChoice, 'bars'> {
  const i = daysBetween(b.window.start, day)
  const state = b.window.states[i] ?? 'shut'
  const reason = REASONS[b.window.reasons[i] ?? 'good']
  const odds = oddsOf(b, day)
  const fails = odds
    ? (Object.entries(odds.fails) as [Cause, number][])
        .filter(([, n]) => n > 0)
        .sort((x, y) => y[1] - x[1])
    : []
  const rest: Message =
    fails.length > 0
      ? say`What fails the rest: ${fails.map(([cause, n]) => `${n} ${CAUSE_NAMES[cause]}`).join(', ')}.`
      : ''
  const warmth = soilThen(b, day)
  const part = `choice ${index + 1}`
  const scope = packageScope(b.pack)
  const sown = odds
    ? b.trace.found(
        oddsRules.sowing,
        scope,
        odds.succeed,
        { sown: day, soil: b.climate.soilNow, cutOff: b.cutOff },
        { part, label: say`Sown ${onDay(day, true)}: years in a hundred that succeed` },
      )
    : null
  return {
    season,
    day,
    state,
    reason,
    odds: sown,
    inTime:
      odds && sown && b.customerDate && day <= b.customerDate
        ? b.trace.found(
            oddsRules.inTime,
            scope,
            odds.inTime,
            { sown: day, date: b.customerDate, odds: sown },
            {
              part,
              label: say`Sown ${onDay(day, true)}: years in a hundred that it is right by ${onDay(b.customerDate, true)}`,
            },
          )
        : null,
    costs: joined([rest, warmth], ' '),
    taken,
  }
}

/**
 * The soil on a day, where one of the wanted grasses comes up best in colder or warmer; the one
 * that is furthest off.
 */
function soilThen({ climate, sown, trace }: ChoiceBrief, day: Day): Message {
  const soil = climate.soil[daysBetween(climate.start, day)]
  if (soil === undefined || !sown) return ''
  const off = ({ soilGood: [low, high] }: Grass) => Math.max(low - soil, soil - high)
  const [worst] = wantedOf(sown, trace).sort((x, y) => off(y) - off(x))
  if (!worst || off(worst) < SOIL_OFF) return ''
  const [low, high] = worst.soilGood
  return say`Soil is then about ${quantity(Math.round(soil), 'C')}; ${verbatim(worst.short)} comes up best from ${quantity(low, 'C')} to ${quantity(high, 'C')}.`
}
/**
 * Soil so far outside of what is good is told, °C: what the usual soil of a day is good for.
 * Juvena's model.
 */
const SOIL_OFF = 1

/** Years in a hundred by which a day has to be better before it is said. */
const BETTER = 2

/** The first day that seed could go down, a week from now at the soonest; null where it is the one taken. */
function firstUsable(b: ChoiceBrief, sowDay: Day): Day | null {
  const { window, calendar, trace } = b
  const until = daysBetween(window.start, sowDay)
  for (let i = trace.value(choiceValues.soon); i < until; i++)
    if (window.states[i] === 'open' && worksOn(window, calendar, i)) return addDays(window.start, i)
  return null
}

/** Why a season of poor odds is passed over for the one that is taken. */
function betterOdds(soonest: SowingChoice, choices: readonly SowingChoice[]): Message {
  const taken = choices.find((c) => c.taken)?.odds
  const then = say`Then ${String(sure(soonest.odds).value)} years in a hundred succeed`
  return taken ? say`${then}, on the day taken ${String(taken.value)}.` : say`${then}.`
}

/**
 * What is said first where the sowing is later than could be, where a season is passed over, or
 * where nothing can be sown for weeks.
 */
function passedOver(
  b: ChoiceBrief,
  choices: readonly SowingChoice[],
  untried: readonly SowingChoice[],
  sowDay: Day,
): Chosen['passed'] {
  const { window, calendar, schools, trace } = b
  const late = trace.value(choiceValues.late)
  const soonest = choices.find((c) => !c.taken && daysBetween(c.day, sowDay) > late)
  const year = (day: Day) => day.slice(0, 4)
  const season = choices.find((c) => c.taken)?.season ?? 'autumn'
  if (soonest?.bars)
    return {
      title: say`${b.done} ${onDay(sowDay, true)}, in ${SEASON_NAMES[season]}: ${SEASON_NAMES[soonest.season]} leaves no day.`,
      says: soonest.bars,
    }
  if (soonest) {
    const why: Message =
      soonest.season === 'spring' && schools.season === 'autumn'
        ? b.sown
          ? 'Your school sows cool grass in autumn only.'
          : 'Your school works cool turf in autumn only.'
        : soonest.odds && untried.includes(soonest)
          ? betterOdds(soonest, choices)
          : b.customerDate
            ? 'The customer’s date asks for another.'
            : 'The season that is taken is worth more.'
    return {
      title: say`${b.done} ${onDay(sowDay, true)}, in ${SEASON_NAMES[season]}; it could be ${onDay(soonest.day, true)}, in ${SEASON_NAMES[soonest.season]}.`,
      says: joined([why, 'Take the other under Order of work.'], ' '),
    }
  }
  if (
    daysBetween(calendar.today, sowDay) <= late + trace.value(choiceValues.soon) &&
    year(sowDay) === year(calendar.today)
  )
    return null
  const today = window.reasons[0]
  const held = lastHold(b.fixed, b.steps.anchor)
  const notAtOnce = say`${b.done} ${onDay(sowDay, true)}, in ${SEASON_NAMES[season]}, not at once.`
  if (
    window.states[0] === 'marginal' &&
    window.states[daysBetween(window.start, sowDay)] === 'open'
  )
    return {
      title: notAtOnce,
      says: joined(
        [
          say`Days until then are marginal: ${REASONS[sure(today)]}.`,
          // What has to be waited for leaves none of them.
          held && daysBetween(held.until, sowDay) <= late
            ? say`Not before ${onDay(held.until, true)}: ${REASONS[held.why]}.`
            : 'The first good day is taken; a sooner one may be pinned.',
        ],
        ' ',
      ),
    }
  if (held && held.until > calendar.today && window.states[0] !== 'shut')
    return {
      title: notAtOnce,
      says: say`Not before ${onDay(held.until, true)}: ${REASONS[held.why]}. The first good day after that is taken.`,
    }
  const ends = window.states.findIndex((state) => state !== 'open')
  if (ends > 0 && ends < daysBetween(window.start, sowDay))
    return {
      title: notAtOnce,
      says: joined([
        say`The season ends ${onDay(addDays(window.start, ends - 1), true)}: the work does not fit into the days that are left.`,
        say`After that: ${REASONS[window.reasons[ends]!]}.`,
        window.states[ends] === 'marginal' ? 'A day of those may be pinned.' : '',
      ]),
    }
  const first = window.states[0] !== 'shut' ? firstUsable(b, sowDay) : null
  const odds = first && oddsOf(b, first)
  const taken = oddsOf(b, sowDay)
  if (first && odds && taken && taken.succeed >= odds.succeed + BETTER)
    return {
      title: notAtOnce,
      says: say`The season is open sooner, and the odds are better then: sown ${onDay(first, true)} it succeeds in ${String(odds.succeed)} years in a hundred, on the day taken in ${String(taken.succeed)}.`,
    }
  if (window.states[0] !== 'shut' || today === undefined)
    return {
      title: notAtOnce,
      says: say`The season is open today, ${onDay(calendar.today, true)}: the steps before it, and what has to be waited for, take the days between.`,
    }
  return {
    title: b.sown
      ? say`Nothing is sown before ${onDay(sowDay, true)}, in ${SEASON_NAMES[season]}.`
      : say`${b.done} ${onDay(sowDay, true)}, in ${SEASON_NAMES[season]}, not before.`,
    says: joined([say`Until then: ${REASONS[today]}.`, marginalSooner(window, sowDay)], ' '),
  }
}

/** From when days are marginal, well before the one that is taken; nothing where they are not. */
function marginalSooner({ start, states, reasons }: SowingWindow, sowDay: Day): Message {
  const first = states.findIndex((s) => s !== 'shut')
  const sooner = daysBetween(start, sowDay) - first
  return first > 0 && states[first] === 'marginal' && sooner > MUCH_SOONER
    ? say`From ${onDay(addDays(start, first), true)} days are marginal: ${REASONS[reasons[first]!]}; one of those may be pinned.`
    : ''
}
/** Days by which a marginal day comes sooner before it is said. */
const MUCH_SOONER = 10
