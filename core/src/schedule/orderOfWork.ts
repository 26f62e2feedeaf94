import { sure } from '../quantities/sure.ts'
import { type Day, addDays, dayNumber, dayOf, daysBetween } from '../calendar/day.ts'
import { careRule } from '../climate/careWindow.ts'
import { windowRules } from '../climate/sowingLines.ts'
import type { SowingWindow } from '../climate/sowingWindow.ts'
import { windowToSow, windowToWork } from '../climate/windows.ts'
import type { PackagePlan, PlannedStep } from '../plan/order.ts'
import { isWatered } from '../entities/job.ts'
import { isBehind } from '../plan/stepState.ts'
import { lagValues } from '../reference/lagValues.ts'
import { looksBadValues } from '../reference/looksBadValues.ts'
import { OPERATIONS, type StepKind } from '../reference/operations.ts'
import type { StepId } from '../rules/id.ts'
import { onDay, say, type Message } from '../rules/message.ts'
import { drainValues } from '../reference/siteValues.ts'
import { operationValues } from '../reference/operationValues.ts'
import { workInDepth } from '../materials/cover.ts'
import type { Figure, Notice } from '../trace/figure.ts'
import { JOB, packageScope } from '../trace/scope.ts'
import type { Trace } from '../trace/trace.ts'
import type { PackageKind, WorkPackage } from '../work/workPackages.ts'
import { fixedFor, heldNow } from './fixedDays.ts'
import { fillDays } from './assignDays.ts'
import { bestDays } from './bestDays.ts'
import type { OrderBrief } from './orderBrief.ts'
import {
  brokenPin,
  labelNotice,
  liesBare,
  misfitNotice,
  passedNotice,
  uncovered,
} from './orderNotices.ts'
import { DRAWN_DAYS, careOf, cutOffFigure, grassWindows, sownOf, spansOf } from './packageWindow.ts'
import { plannedSteps } from './plannedSteps.ts'
import { type Placed, precedence, toldAhead, waitsOn } from './precedence.ts'
import {
  type Calendar,
  type Fixed,
  type Schedule,
  type WorkWindow,
  hoursOnDays,
  schedulePackage,
} from './schedulePackage.ts'
import { DayWorths, pieceWorth, planWorthRule } from './pieceWorth.ts'
import { chooseSowing, oddsFor } from './sowingChoices.ts'
import { stepRef, StepRecords } from './stepRecords.ts'
import { type PackageSteps, type StepBrief, plantsIn, stepsOf } from './steps.ts'
import { lawfulWindow } from './lawfulFeeds.ts'
import { holdOver, whatInstead } from './whatInstead.ts'

export interface OrderOfWork {
  packages: PackagePlan[]
  /** The worth of the plan; null where nothing is ahead. */
  worth: Figure | null
  notices: Notice[]
  records: StepRecords
}

export function stepBrief({
  job,
  schools,
  prescription,
  workforce,
  trace,
}: Omit<OrderBrief, 'later'>): StepBrief {
  const mixes = new Map(
    [...prescription.laterSeeds, ...prescription.seeds].map((s) => [s.zone, s.mix]),
  )
  return {
    schools,
    told: toldAhead(job),
    dressing: prescription.dressing,
    covers: prescription.covers,
    seedDepth: (zone) => workInDepth(zone, mixes.get(zone), prescription.covers, trace),
    people: workforce.people,
    trace,
  }
}

/**
 * Dates for every step of one job on one calendar: each piece of work takes its own best day, the
 * ones that others wait for first; where two of them want the same days, those with the highest
 * worth of the whole job. Ground held over is sown properly once its cover has stood.
 */
export function orderOfWork(brief: OrderBrief): OrderOfWork {
  const { prescription, later } = brief
  const needs = prescription.packages.map((pack) => ({
    pack,
    steps: stepsOf(pack, stepBrief(brief)),
  }))
  const planned = needs.flatMap(({ pack, steps }) => steps.needs.map((n) => stepRef(n, pack.id)))
  const records = new StepRecords(brief.job.pins, brief.diary, [...planned, ...later])
  const wanted = needs.filter((n) => n.steps.needs.length > 0)
  let inTurn = [...wanted].sort((a, b) => turn(a.pack) - turn(b.pack))
  let each = inOneCalendar(brief, inTurn, records, NO_WISH)
  const idle = nothingToRenew(each, brief.trace)
  if (idle.size > 0) {
    inTurn = inTurn.map((n) => (idle.has(n.pack.id) ? { ...n, steps: withoutRenewal(n.steps) } : n))
    each = inOneCalendar(brief, inTurn, records, NO_WISH)
  }
  const together = wishesOf(each, brief.workforce.hoursPerDay)
  const tried = together && inOneCalendar(brief, inTurn, records, together)
  const best = tried && tried.worth > each.worth ? tried : each
  brief.trace.adopt(best.trace)
  const ordered = wanted.map(({ pack }) => sure(best.byPack.get(pack.id)))
  halveBarriers(ordered.map((o) => o.plan))
  oneNotice(
    ordered.map((o) => o.plan),
    brief.trace,
  )
  const pieces = ordered.flatMap((o) => (o.plan.worth ? [o.plan.worth.figure] : []))
  return {
    packages: ordered.map((o) => o.plan),
    worth: pieces.length > 0 ? brief.trace.work(planWorthRule, JOB, { pieces }) : null,
    notices: ordered.flatMap((o) => o.notices),
    records,
  }
}

/** The other half of a pre-emergence, put down over the holes. */
const RENEWS: StepKind = 'pre-emergence-again'
const shareGround = (a: { zones: readonly string[] }, b: { zones: readonly string[] }) =>
  a.zones.some((zone) => b.zones.includes(zone))

/** One notice tells of all work of its ground that closes it soon after. */
function oneNotice(plans: readonly PackagePlan[], trace: Trace): void {
  const serves = trace.value(lagValues.noticeServes)
  const given = stepsThat(plans, 'notice').sort((a, b) => a.chosen.localeCompare(b.chosen))
  const needless = new Set<StepId>()
  for (const late of given) {
    const told = given.some(
      (early) =>
        early !== late &&
        !needless.has(early.id) &&
        early.chosen <= late.chosen &&
        daysBetween(early.chosen, late.chosen) <= serves &&
        late.zones.every((zone) => early.zones.includes(zone)),
    )
    if (told && late.state === 'planned') needless.add(late.id)
  }
  for (const plan of plans) plan.steps = plan.steps.filter((s) => !needless.has(s.id))
}

/** The steps of all packages, of one kind. */
const stepsThat = (plans: readonly PackagePlan[], kind: StepKind): PlannedStep[] =>
  plans.flatMap((p) => p.steps.filter((s) => s.kind === kind))

/**
 * Packages that core after the barrier has worn off, before it is down or hardly after: nothing is
 * to be renewed.
 */
function nothingToRenew({ byPack }: Tried, trace: Trace): Set<string> {
  const plans = [...byPack.values()].map((o) => o.plan)
  const lasts = trace.value(operationValues.preEmergence)
  const fresh = trace.value(lagValues.barrierFresh)
  const stands = (again: PlannedStep) =>
    stepsThat(plans, 'pre-emergence').some((first) => {
      const days = daysBetween(first.chosen, again.chosen)
      return shareGround(first, again) && days >= fresh && days <= lasts
    })
  const idle = stepsThat(plans, RENEWS).filter((s) => !isBehind(s) && !stands(s))
  return new Set(idle.map((s) => s.workPackage))
}

/** The steps of a package without the other half of the barrier, which nothing hangs on. */
function withoutRenewal({ needs, anchor }: PackageSteps): PackageSteps {
  const kept = needs.filter((n) => n.kind !== RENEWS)
  return { needs: kept, anchor: kept.indexOf(needs[anchor]!) }
}

/** Where the other half follows on coring, the first is put down at half the dose. */
function halveBarriers(plans: readonly PackagePlan[]): void {
  for (const again of stepsThat(plans, RENEWS)) {
    again.how = HALF
    for (const first of stepsThat(plans, 'pre-emergence'))
      if (shareGround(first, again))
        first.how = say`${HALF}; the other half straight after coring, ${onDay(again.chosen)}`
  }
}
const HALF: Message = 'half the dose of the label'

interface Ordered {
  plan: PackagePlan
  notices: Notice[]
  /** What is known of its days, to weigh it against other work; null where its day is settled. */
  piece: Piece | null
}

/** A piece of work whose day is free within a season. */
interface Piece {
  day: number
  worth: number
  /** Day numbers that its season lasts from and to. */
  from: number
  to: number
  /** Days it fills, as day numbers. */
  filled: number[]
  worthOn: (day: number) => number
  hoursOn: (days: readonly number[]) => ([day: number, hours: number][] | null)[]
}

/** Days wanted for some packages, so that the job as a whole is worth most. */
type WantedDays = ReadonlyMap<string, Day>
const NO_WISH: WantedDays = new Map()

interface Tried {
  byPack: Map<string, Ordered>
  /** The worth of all pieces together. */
  worth: number
  trace: Trace
}

/** All packages of a job in turn on one calendar, worked in a draft of the job's trace. */
function inOneCalendar(
  brief: OrderBrief,
  inTurn: readonly { pack: WorkPackage; steps: PackageSteps }[],
  records: StepRecords,
  wishes: WantedDays,
): Tried {
  const trace = brief.trace.draft()
  const days: JobDays = { filled: new Map(), placed: [], visits: new Set() }
  const byPack = new Map<string, Ordered>()
  for (const { pack, steps } of inTurn) {
    const held = [...byPack.values()].find((o) => o.plan.kind === 'hold')?.plan.sowDay ?? null
    const wish = wishes.get(pack.id) ?? null
    byPack.set(pack.id, orderPackage({ ...brief, trace }, pack, steps, records, { held, wish, days })) // prettier-ignore
  }
  const worth = [...byPack.values()].reduce((sum, o) => sum + (o.piece?.worth ?? 0), 0)
  return { byPack, worth, trace }
}

/** Work that lies so near that it may want the same days. */
const NEAR = 7
/** Days before and after its own best that a piece of work is tried on. */
const TRIED_BEFORE = 14
const TRIED_AFTER = 28

/**
 * The days that serve all pieces of a job best, where some lie so near that one may have pushed
 * another away; null where none do.
 */
function wishesOf({ byPack }: Tried, hoursPerDay: number): WantedDays | null {
  const pieces = [...byPack].flatMap(([id, { piece }]) => (piece ? [{ id, piece }] : []))
  const near = (a: Piece, b: Piece) =>
    a.filled.some((x) => b.filled.some((y) => Math.abs(x - y) <= NEAR))
  const close = pieces.filter(({ piece }) =>
    pieces.some((o) => o.piece !== piece && near(piece, o.piece)),
  )
  if (close.length < 2) return null
  const options = close.map(({ piece }) => {
    const days: number[] = []
    const [from, to] = [Math.max(piece.from, piece.day - TRIED_BEFORE), Math.min(piece.to, piece.day + TRIED_AFTER)] // prettier-ignore
    for (let day = from; day <= to; day++) if (piece.worthOn(day) > -Infinity) days.push(day)
    const hours = piece.hoursOn(days)
    return days.flatMap((day, i) =>
      hours[i] ? [{ day, worth: piece.worthOn(day), hours: hours[i] }] : [],
    )
  })
  if (options.some((days) => days.length === 0)) return null
  const best = bestDays(options, [], hoursPerDay)
  return best && new Map(close.map(({ id }, i) => [id, dayOf(options[i]![best[i]!]!.day)] as const))
}

/** The days of a job as far as they are filled: one calendar for all its work. */
interface JobDays {
  /** Hours by day number. */
  filled: Map<number, number>
  placed: Placed[]
  /** Days on site, as day numbers. */
  visits: Set<number>
}

/** Which work gets its days first: what others wait for, then what has a season, then the rest. */
function turn({ kind, zones }: WorkPackage): number {
  if (kind === 'feed') return 3
  if (kind === 'care') return 2
  if (kind !== 'due') return 1
  const due = (when: 'first' | 'now') =>
    zones.some((z) => z.operations.some((o) => OPERATIONS[o.operation].due === when))
  return due('first') || due('now') ? 0 : LAST
}
const LAST = 4

/** Enters the days of a package in the calendar of its job. */
function fill(days: JobDays, { steps }: Schedule, hoursPerDay: number): void {
  for (const { need, chosen, span, state } of steps) {
    const start = dayNumber(chosen)
    days.placed.push({ kind: need.kind, zones: need.zones, end: start + span - 1 })
    if (OPERATIONS[need.kind].evening || isBehind({ state })) continue
    fillDays(days.filled, { start, span, hours: need.hours }, hoursPerDay)
    for (let i = 0; i < span; i++) days.visits.add(start + i)
  }
}

/**
 * A day on which the crew is there anyway, for work that can wait for it: the first (or the last)
 * within `within` days of the first day that is right for it. Null where there is none.
 */
function visitToJoin(
  days: JobDays,
  { start, states }: WorkWindow,
  from: number,
  within: number,
  last: boolean,
): Day | null {
  const first = dayNumber(start)
  const open = (n: number) => states[n - first] === 'open'
  let soonest = from
  while (soonest - first < states.length && !open(soonest)) soonest++
  const found = [...days.visits]
    .filter((n) => n >= soonest && n <= soonest + within && open(n))
    .sort((a, b) => (last ? b - a : a - b))[0]
  return found === undefined ? null : dayOf(found)
}

function orderPackage(
  brief: OrderBrief,
  pack: WorkPackage,
  steps: PackageSteps,
  records: StepRecords,
  { held: heldFrom, wish, days }: { held: Day | null; wish: Day | null; days: JobDays },
): Ordered {
  const { job, schools, prescription: p, waits, today, workforce, trace } = brief
  const { climate } = p
  const { needs } = steps
  const calendar: Calendar = {
    today,
    weekendWork: workforce.weekendWork,
    hoursPerDay: workforce.hoursPerDay,
    filled: days.filled,
  }
  const care = careOf(pack, trace)
  const sown = needs.some((n) => n.kind === 'sow') ? sownOf(brief, pack) : null
  const window = sown
    ? windowToSow(sown, climate, schools, trace)
    : lawfulWindow(windowToWork(pack.season, care, isWatered(job), climate, schools, trace), pack.kind === 'feed' ? brief.bans : []) // prettier-ignore
  const scope = packageScope(pack.id)
  const coverStands =
    pack.kind === 'later' && heldFrom ? addDays(heldFrom, trace.value(lagValues.coverStands)) : null
  const table = precedence(pack.kind, toldAhead(job), trace)
  // What opens turf comes weeks after its hard cut, unless there is a good day long before it.
  const here = new Set(pack.zones.map((z) => z.r.id))
  const cut = days.placed
    .filter((s) => s.kind === 'cut-second' && s.zones.some((zone) => here.has(zone)))
    .map((s) => s.end)
  const greens = trace.value(looksBadValues.scalped)
  const before = Math.min(...cut) - greens - dayNumber(window.start)
  const greensUp = window.states.some((state, i) => state === 'open' && i < before) ? 0 : greens
  const joins =
    pack.kind === 'feed'
      ? trace.value(operationValues.feedJoins)
      : pack.kind === 'due' && turn(pack) === LAST
        ? trace.value(operationValues.dueWithin)
        : null
  const visit =
    joins === null ? null : visitToJoin(days, window, dayNumber(today), joins, pack.kind === 'feed')
  const held = needs.map((need) =>
    fixedFor(need, pack, {
      records,
      waits,
      coverStands,
      walked: job.walked ?? today,
      drains: trace.values(drainValues),
      after: () => {
        const wait = waitsOn(need, days.placed, table, greensUp)
        return wait && { until: dayOf(wait.from), why: wait.why }
      },
      afterFlight: trace.value(operationValues.afterFlight),
    }),
  )
  const fixed = held.map((f, i) =>
    i === steps.anchor && visit && visit > (f.notBefore ?? '')
      ? { ...f, notBefore: visit, holds: 'with-visit' as const }
      : f,
  )
  const first = dayNumber(window.start)
  // The visits of other work, not those that it makes itself.
  const there = new Set(days.visits)
  const worths = new DayWorths(
    {
      window,
      care: sown ? null : care,
      watered: isWatered(job),
      climate,
      schools,
      odds: oddsFor({ window, sown, climate, schools, customerDate: job.customerDate, trace }),
    },
    (i) => there.has(first + i),
    trace,
    wish === null ? null : dayNumber(wish) - first,
  )
  // A second sowing counts back from the frost of its own year.
  const later =
    pack.kind === 'later' ? scheduleLater(steps, fixed, window, calendar, job.visits) : null
  const cutOff = cutOffFigure(brief, pack, window, scope, {
    seeded: sown !== null,
    on: later?.sowDay ?? today,
  })
  const chosen =
    pack.kind !== 'due' && !later
      ? chooseSowing({
          pack: pack.id,
          steps,
          fixed,
          window,
          sown,
          done: DONE[pack.kind],
          bySchool: pack.season === 'cool' && pack.kind === 'care',
          climate,
          schools,
          customerDate: job.customerDate,
          cutOff,
          calendar,
          wishes: { visits: job.visits },
          worths,
          trace,
        })
      : {
          schedule:
            later ?? schedulePackage(steps, fixed, window, calendar, { visits: job.visits }),
          choices: [],
          span: null,
          passed: null,
        }
  const { schedule } = chosen
  const inputs = { soil: climate.soilNow, cutOff }
  const windowState = sown
    ? trace.found(windowRules.soil, scope, schedule.sowState, inputs)
    : trace.found(careRule(pack.season, care), scope, schedule.sowState, inputs)
  fill(days, schedule, workforce.hoursPerDay)
  const planned = plannedSteps(brief, pack, steps, schedule, { cutOff, windowState, fixed })
  const fits = schedule.fits || (pack.kind === 'later' && schedule.sowState !== 'shut')
  const instead =
    fits || !sown
      ? { verdict: '', options: [] }
      : whatInstead({
          pack,
          schedule,
          window,
          climate,
          zones: p.zones,
          waits,
          calendar,
          schools,
          choices: chosen.choices,
          watered: sown.watered,
          steps: stepBrief(brief),
        })
  const hold = heldNow(held[steps.anchor]!, today)
  const plan: PackagePlan = {
    id: pack.id,
    kind: pack.kind,
    season: pack.season,
    zones: pack.zones.map((z) => z.r.id),
    fits: fits || !sown,
    cutOff,
    lead: window.leadDays,
    window: spansOf(window, DRAWN_DAYS, hold),
    byGrass: sown ? grassWindows(brief, sown, hold) : [],
    choices: chosen.choices,
    sowDay: schedule.sowDay,
    worth:
      schedule.sowDay < today
        ? null
        : pieceWorth(
            worths,
            window.start,
            schedule.sowDay,
            {
              scope,
              cutOff: pack.kind === 'due' ? null : cutOff,
              seasons: chosen.choices.filter((c) => !c.taken).map((c) => c.day),
              soonest: schedule.steps[steps.anchor]!.earliest ?? schedule.sowDay,
            },
            trace,
          ),
    anchor: needs[steps.anchor]!.kind,
    plants: plantsIn(pack),
    givenUp: schedule.givenUp,
    visits: schedule.visits,
    ...instead,
    steps: planned,
  }
  const pins = schedule.steps.flatMap((s, i) =>
    s.broken ? [brokenPin(s.need.kind, s.broken, planned[i]!)] : [],
  )
  const ticks = needs.flatMap((need, i) => uncovered(brief, pack, need, planned[i]!, records))
  const { span } = chosen
  const free = span && plan.fits && planned.every((s) => s.state === 'planned')
  const at = dayNumber(schedule.sowDay)
  const piece: Piece | null = free
    ? {
        day: at,
        worth: worths.at(at - first),
        from: first + span.from,
        to: first + span.to,
        filled: schedule.steps.flatMap((s) =>
          Array.from({ length: s.span }, (_, i) => dayNumber(s.chosen) + i),
        ),
        worthOn: (day) => worths.at(day - first),
        hoursOn: (on) => hoursOnDays(steps, fixed, window, { ...calendar, filled: new Map() }, on),
      }
    : null
  return {
    plan,
    piece,
    notices: [
      ...labelNotice(brief, pack, plan, window.cutOff),
      ...passedNotice(pack, plan, chosen.passed),
      ...(fits && sown && plan.plants && pack.kind !== 'hold' && pack.kind !== 'later'
        ? liesBare(pack, plan, today, trace, () =>
            holdOver({
              pack,
              climate,
              waits,
              calendar,
              schools,
              watered: sown.watered,
              steps: stepBrief(brief),
            }),
          )
        : []),
      ...misfitNotice(brief, pack, plan, schedule, windowState),
      ...pins,
      ...ticks,
    ],
  }
}

/** What is done, to begin a sentence about its day. */
const DONE: Record<PackageKind, string> = {
  due: 'Done',
  kill: 'Sown',
  hold: 'Sown',
  later: 'Sown',
  sow: 'Sown',
  plant: 'Set',
  scalp: 'Cut hard',
  care: 'Worked',
  barrier: 'Put down',
  feed: 'Fed',
}

/** A second sowing waits for an open season; everything else takes what there is. */
const openOnly = (window: SowingWindow): WorkWindow => ({
  start: window.start,
  states: window.states.map((s) => (s === 'marginal' ? 'shut' : s)),
  cutOff: addDays(window.start, window.states.length),
})

/**
 * The proper sowing after a quick cover: on an open day, else on a marginal one, in whatever season
 * has one once the cover has stood.
 */
function scheduleLater(
  steps: PackageSteps,
  fixed: readonly Fixed[],
  window: SowingWindow,
  calendar: Calendar,
  visits: number | null,
): Schedule {
  const open = schedulePackage(steps, fixed, openOnly(window), calendar, { visits })
  return open.fits
    ? open
    : schedulePackage(
        steps,
        fixed,
        { ...window, cutOff: addDays(window.start, window.states.length) },
        calendar,
        { visits },
      )
}
