import { addDays, dayNumber, dayOf, weekday, type Day, laterDay } from '../calendar/day.ts'
import type { DiaryEntry } from '../entities/diary.ts'
import { isWatered, type Job } from '../entities/job.ts'
import { slopeLines } from '../findings/lines.ts'
import type { Workforce } from '../firm/firmSettings.ts'
import { lagValues } from '../reference/lagValues.ts'
import { OPERATIONS, type StepKind } from '../reference/operations.ts'
import { operationName, operationWhy } from '../work/operationWords.ts'
import { operationValues } from '../reference/operationValues.ts'
import { schoolName, type Schools } from '../reference/schools.ts'
import { careRules, type Care } from '../climate/careWindow.ts'
import type { DayState } from '../climate/dayReasons.ts'
import { placeValues } from '../climate/placeYear.ts'
import { grassWindow, windowToSow, windowToWork } from '../climate/windows.ts'
import { leadValues, WANTED_FROM, windowRules } from '../climate/sowingLines.ts'
import { lastDayOf, seasonAround, type SowingWindow, type Sown } from '../climate/sowingWindow.ts'
import { yearDay } from '../climate/yearDay.ts'
import type { GrassWindow, PackagePlan, PlannedStep, WindowSpan, StepRef } from '../plan/order.ts'
import type { Prescription } from '../plan/prescription.ts'
import { deepestSeed } from '../seed/seedDepth.ts'
import { num, type Figure, type Notice } from '../trace/figure.ts'
import { joined, onDay, say, type Message } from '../rules/message.ts'
import { procedure } from '../rules/rule.ts'
import { figureId, packageScope, stepScope, type Scope } from '../trace/scope.ts'
import type { Trace } from '../trace/trace.ts'
import { hoursRules } from '../work/hours.ts'
import { isPlanted } from '../work/sowing.ts'
import { plans, type ZoneWork } from '../work/zoneWork.ts'
import { plantsIn, stepsOf, type PackageSteps, type StepBrief, type StepNeed } from './steps.ts'
import type { WorkPackage } from '../work/workPackages.ts'
import { chooseSowing } from './sowingChoices.ts'
import {
  schedulePackage,
  type Calendar,
  type Fixed,
  type Schedule,
  type WorkWindow,
} from './schedulePackage.ts'
import { stepId, StepRecords } from './stepRecords.ts'
import { waitsUntil, type WaitingPeriods } from '../work/waitingPeriods.ts'
import { whatInstead } from './whatInstead.ts'
import { isBehind } from '../plan/stepState.ts'

const stepDay = {
  key: 'day',
  stage: 6,
  label: 'Day',
  unit: 'date',
  by: 'schedule/schedulePackage: schedulePackage',
  check: 'schedule.test.ts',
} as const

export const orderRules = {
  day: procedure({
    ...stepDay,
    id: 'order.day',
    standing: 'practice',
    says: 'The first open day to sow that every lag, wait and working day allows; the steps before it lie as close as they should.',
    inputs: { before: 'date?', cutOff: 'date?', window: 'text?', waits: 'date[]' },
    steps: 'after the step before it, as early as may be',
  }),
  first: procedure({
    ...stepDay,
    id: 'order.first',
    standing: 'practice',
    says: 'The first step, as near as the rest allows.',
    steps: 'so that the steps after it keep their lags',
  }),
  pinned: procedure({
    ...stepDay,
    id: 'order.pinned',
    standing: 'reading',
    source: 'your decision',
    says: 'Pinned by you.',
    steps: 'your pin',
  }),
  done: procedure({
    ...stepDay,
    id: 'order.done',
    standing: 'reading',
    source: 'your diary',
    says: 'Done, by the diary.',
    steps: 'the diary',
  }),
}

export interface OrderOfWork {
  packages: PackagePlan[]
  notices: Notice[]
  records: StepRecords
}

export interface OrderBrief {
  job: Job
  schools: Schools
  diary: readonly DiaryEntry[]
  prescription: Prescription
  waits: WaitingPeriods
  today: Day
  workforce: Workforce
  /** The kinds that follow the seed, so that their pins and ticks are known too. */
  later: readonly StepRef[]
  trace: Trace
}

/**
 * Spans of days in one state and for one reason, for drawing a window; days inside a wait are shut
 * by it.
 */
export function spansOf(
  window: SowingWindow,
  days: number,
  waitsUntil: Day | null = null,
): WindowSpan[] {
  const spans: WindowSpan[] = []
  const first = dayNumber(window.start)
  for (let i = 0; i < Math.min(days, window.states.length); i++) {
    const waits = waitsUntil !== null && dayOf(first + i) < waitsUntil
    const state = waits ? 'shut' : window.states[i]!
    const reason = waits ? 'waiting' : window.reasons[i]!
    const open = spans.at(-1)
    if (open && open.state === state && open.reason === reason) open.to = dayOf(first + i)
    else spans.push({ from: dayOf(first + i), to: dayOf(first + i), state, reason })
  }
  return spans
}

/** Days of a window that are kept for drawing. */
const DRAWN_DAYS = 500

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
    users: job.users,
    dressing: prescription.dressing,
    covers: prescription.covers,
    seedDepth: (zone) => deepestSeed(mixes.get(zone), trace),
    people: workforce.people,
    trace,
  }
}

/**
 * Dates for every step of one job, package by package: ground held over is sown properly once its
 * cover has stood.
 */
export function orderOfWork(brief: OrderBrief): OrderOfWork {
  const { prescription, later } = brief
  const needs = prescription.packages.map((pack) => ({
    pack,
    steps: stepsOf(pack, stepBrief(brief)),
  }))
  const planned = needs.flatMap(({ pack, steps }) =>
    steps.needs.map((n): StepRef => ({ kind: n.kind, zones: n.zones, workPackage: pack.id })),
  )
  const records = new StepRecords(brief.job.pins, brief.diary, [...planned, ...later])
  const ordered: { plan: PackagePlan; notices: Notice[] }[] = []
  for (const { pack, steps } of needs.filter((n) => n.steps.needs.length > 0)) {
    const held = ordered.find((o) => o.plan.kind === 'hold')?.plan.sowDay ?? null
    ordered.push(orderPackage(brief, pack, steps, records, held))
  }
  return {
    packages: ordered.map((o) => o.plan),
    notices: ordered.flatMap((o) => o.notices),
    records,
  }
}

function orderPackage(
  brief: OrderBrief,
  pack: WorkPackage,
  steps: PackageSteps,
  records: StepRecords,
  heldFrom: Day | null,
): { plan: PackagePlan; notices: Notice[] } {
  const { job, schools, prescription: p, waits, today, workforce, trace } = brief
  const { climate } = p
  const { needs } = steps
  const calendar: Calendar = {
    today,
    weekendWork: workforce.weekendWork,
    hoursPerDay: workforce.hoursPerDay,
  }
  const sown = needs.some((n) => n.kind === 'sow') ? sownOf(brief, pack) : null
  const window = sown
    ? windowToSow(sown, climate, schools, trace)
    : windowToWork(pack.season, careOf(pack), climate, schools, trace)
  const scope = packageScope(pack.id)
  const coverStands =
    pack.kind === 'later' && heldFrom ? addDays(heldFrom, trace.value(lagValues.coverStands)) : null
  const fixed = needs.map((need) =>
    fixedFor(need, pack, {
      records,
      waits,
      coverStands,
      afterFlight: trace.value(operationValues.afterFlight),
    }),
  )
  // A second sowing counts back from the frost of its own year.
  const later =
    pack.kind === 'later' ? scheduleLater(steps, fixed, window, calendar, job.visits) : null
  const cutOff = cutOffFigure(brief, window, scope, {
    seeded: sown !== null,
    on: later?.sowDay ?? today,
  })
  const chosen =
    sown && !later
      ? chooseSowing({
          pack: pack.id,
          steps,
          fixed,
          window,
          sown,
          climate,
          schools,
          customerDate: job.customerDate,
          cutOff,
          calendar,
          wishes: { visits: job.visits },
          trace,
        })
      : {
          schedule:
            later ?? schedulePackage(steps, fixed, window, calendar, { visits: job.visits }),
          choices: [],
          passed: null,
        }
  const { schedule } = chosen
  const inputs = { soil: climate.soilNow, cutOff }
  const careState = (care: Care, state: DayState): Figure =>
    care === 'scalp'
      ? trace.found(careRules.scalp, scope, state, inputs)
      : care === 'feed'
        ? trace.found(careRules.feed, scope, state, inputs)
        : trace.found(careRules.growth, scope, state, inputs)
  const windowState = sown
    ? trace.found(windowRules.soil, scope, schedule.sowState, inputs)
    : careState(careOf(pack), schedule.sowState)
  const planned = plannedSteps(brief, pack, steps, schedule, { cutOff, windowState })
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
  const waitsUntil = fixed[steps.anchor]?.notBefore ?? null
  const plan: PackagePlan = {
    id: pack.id,
    kind: pack.kind,
    season: pack.season,
    zones: pack.zones.map((z) => z.r.id),
    fits: fits || !sown,
    cutOff,
    lead: window.leadDays,
    window: spansOf(window, DRAWN_DAYS, waitsUntil),
    byGrass: sown ? grassWindows(brief, sown, waitsUntil) : [],
    choices: chosen.choices,
    sowDay: schedule.sowDay,
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
  return {
    plan,
    notices: [
      ...passedNotice(pack, plan, chosen.passed),
      ...misfitNotice(brief, pack, plan, schedule, windowState),
      ...pins,
      ...ticks,
    ],
  }
}

/** A second sowing waits for an open season; everything else takes what there is. */
const openOnly = (window: SowingWindow): WorkWindow => ({
  start: window.start,
  states: window.states.map((s) => (s === 'marginal' ? 'shut' : s)),
  cutOff: addDays(window.start, window.states.length),
})

const careOf = (pack: WorkPackage): Care =>
  pack.kind === 'scalp' ? 'scalp' : pack.kind === 'feed' ? 'feed' : 'open'

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

/** What a package sows, and as what: its window goes by that, not by the turf that stands there. */
function sownOf({ prescription: p, job }: OrderBrief, pack: WorkPackage): Sown {
  const seeds = pack.kind === 'later' ? p.laterSeeds : p.seeds
  const parts = pack.zones.flatMap((z) => seeds.find((s) => s.zone === z.r.id)?.mix ?? [])
  const usual = [
    {
      grass: pack.season === 'cool' ? ('perennial-ryegrass' as const) : ('bermudagrass' as const),
      share: 100,
    },
  ]
  const all = (sowing: string) => pack.zones.every((z) => z.sowing === sowing)
  return {
    parts: parts.length > 0 ? parts : usual,
    purpose: pack.kind === 'hold' ? 'cover' : all('winter-green') ? 'winter-green' : 'lawn',
    watered: isWatered(job),
    over: all('over'),
  }
}

/** The windows of the grasses of a mix, each sown alone. */
function grassWindows(
  { prescription: { climate }, schools, trace }: OrderBrief,
  sown: Sown,
  waitsUntil: Day | null,
): GrassWindow[] {
  const wanted = [...new Set(sown.parts.filter((p) => p.share >= WANTED_FROM).map((p) => p.grass))]
  if (wanted.length < 2) return []
  return wanted.map((grass) => {
    const window = grassWindow(grass, sown, climate, schools, trace)
    return { grass, window: spansOf(window, DRAWN_DAYS, waitsUntil), cutOff: window.cutOff }
  })
}

/** The last day of the season that a day belongs to, by the frost school and what is sown. */
function cutOffFigure(
  { schools, prescription: { climate }, trace }: OrderBrief,
  window: SowingWindow,
  scope: Scope,
  { seeded, on }: { seeded: boolean; on: Day },
): Figure {
  const next = schools.cutOff === 'safe' ? climate.frostTenth : climate.frost
  const season = seasonAround(climate, on, schools.cutOff)
  const date = dayOf(season.frost ?? season.coldest)
  const frost = date === next.value ? next : date
  const about = {
    school: `cutOff:${schools.cutOff}`,
    change: 'The other frost school, or a quicker mix.',
  }
  if (!seeded) return trace.work(careRules.cutOff, scope, { frost }, about)
  if (season.frost === null) return trace.found(windowRules.seldom, scope, date, { frost }, about)
  const byWeeks = dayOf(lastDayOf(season, trace.value(leadValues[window.lead])))
  const byGrowth =
    window.cutOff !== byWeeks && on === window.start && schools.stands === 'degree-days'
  return byGrowth
    ? trace.found(windowRules.growth, scope, window.cutOff, { frost }, about)
    : trace.work(windowRules[window.lead], scope, { frost }, about)
}

interface FixedBy {
  records: StepRecords
  waits: WaitingPeriods
  /** From this day the cover has stood long enough; null where ground is not held over. */
  coverStands: Day | null
  /** Days from the peak of a flight of moths to the treatment. */
  afterFlight: number
}

/**
 * The first day on which larvae are treated: so long after the flight was at its peak. Null where
 * no peak was noted.
 */
const larvaeFrom = (pack: WorkPackage, zones: readonly string[], afterFlight: number): Day | null =>
  pack.zones
    .filter((z) => zones.includes(z.r.id))
    .flatMap((z) => z.r.zone.pests)
    .reduce<Day | null>(
      (last, p) =>
        p.peak && p.active !== false ? laterDay(addDays(p.peak, afterFlight), last) : last,
      null,
    )

function fixedFor(
  { kind, zones }: StepNeed,
  pack: WorkPackage,
  { records, waits, coverStands, afterFlight }: FixedBy,
): Fixed {
  const step: StepRef = { kind, zones, workPackage: pack.id }
  const { waitsFor, afterQuickCover } = OPERATIONS[kind]
  const wait =
    waitsFor === 'moths'
      ? larvaeFrom(pack, zones, afterFlight)
      : waitsFor
        ? waitsUntil(waits.waits, waitsFor, zones)
        : null
  const stands = afterQuickCover ? coverStands : null
  return {
    pin: records.pinOf(step),
    done: records.doneOf(step)?.day ?? null,
    notBefore: wait && stands ? (wait > stands ? wait : stands) : (wait ?? stands),
  }
}

/** The hours of a step as a figure: what `hoursOf` worked from, with the grounds as figures. */
export function hoursFigure(need: StepNeed, name: Message, trace: Trace): Figure {
  const { setUp, passes, rate, spreading, people, by, grounds } = need.effort
  const scope = stepScope(stepId(need.kind, need.zones, need.part))
  const named = { label: say`${name}: hours` }
  if (by === 'nothing') return trace.work(hoursRules.fixed, scope, { setUp, people }, named)
  if (by === 'length')
    return trace.work(hoursRules.byLength, scope, { setUp, lengths: grounds, rate, people }, named)
  return trace.work(
    hoursRules.byArea,
    scope,
    { setUp, zones: grounds, passes, rate, spreading, people },
    named,
  )
}

function plannedSteps(
  { job, schools, waits, prescription: { climate }, trace }: OrderBrief,
  pack: WorkPackage,
  { anchor }: PackageSteps,
  schedule: Schedule,
  { cutOff, windowState }: { cutOff: Figure; windowState: Figure },
): PlannedStep[] {
  const slope = trace.value(slopeLines.bank)
  const heat = trace.value(placeValues.hotWork)
  const hot = (day: Day) => climate.place.high[yearDay(dayNumber(day))]! >= heat
  let before: Figure | null = null
  return schedule.steps.map((s, i): PlannedStep => {
    const { kind, zones, effort } = s.need
    const op = OPERATIONS[kind]
    const id = stepId(kind, zones)
    const mine = pack.zones.filter((z) => zones.includes(z.r.id))
    const sown = mine.some((z) => isPlanted(z.sowing))
    const name = operationName(kind, sown)
    const change: Message = s.latest
      ? say`It may slip to ${onDay(s.latest)} and still fall in the window.`
      : 'A pin, the crew’s working days, or the steps before it.'
    const named = { label: name, change }
    const rules = i === anchor
    const inputs = {
      before,
      cutOff: rules ? cutOff : null,
      window: rules ? windowState : null,
      waits: rules ? waits.figures : [],
    }
    const day: Figure = isBehind(s)
      ? trace.found(orderRules.done, stepScope(id), s.chosen, {}, named)
      : s.state === 'pinned'
        ? trace.found(orderRules.pinned, stepScope(id), s.chosen, {}, named)
        : before || rules
          ? trace.found(orderRules.day, stepScope(id), s.chosen, inputs, named)
          : trace.found(orderRules.first, stepScope(id), s.chosen, {}, named)
    before = day
    const dusty = kind === 'dress' && job.dressing.kind === 'compost'
    const steep = op.by === 'area' && mine.some((z) => num(z.r.slope) >= slope)
    const why = operationWhy(kind, trace)
    return {
      id,
      workPackage: pack.id,
      kind,
      name,
      why:
        kind === 'core'
          ? joined([why, coresSaid(mine, schools)])
          : kind === 'water' && !sown
            ? UNSOWN_WATER
            : why,
      zones,
      hours: hoursFigure(s.need, name, trace),
      people: effort.people,
      passes: s.need.passes,
      span: s.span,
      earliest: s.earliest,
      latest: s.latest,
      chosen: s.chosen,
      day,
      precondition: s.need.precondition,
      how:
        op.halved && hot(s.chosen)
          ? joined(
              [s.need.how, IN_HEAT].filter((m) => m !== ''),
              '; ',
            )
          : s.need.how,
      state: s.state,
      cautions: [
        ...op.cautions,
        ...(steep ? (['slope'] as const) : []),
        ...(dusty ? (['compost'] as const) : []),
        ...(hot(s.chosen) ? (['heat'] as const) : []),
      ],
    }
  })
}

/** What becomes of the cores of some zones. */
function coresSaid(zones: readonly ZoneWork[], schools: Schools): Message {
  const collected = zones.filter((z) => plans(z, 'collect-cores'))
  if (collected.length === 0) return say`Cores: ${schoolName('cores', 'drag-in')}.`
  if (collected.length === zones.length)
    return say`Cores: ${schools.cores === 'drag-in' ? 'collected' : schoolName('cores', schools.cores)}.`
  return say`Cores: collected in ${collected.map((z) => z.r.name).join(', ')}, dragged in elsewhere.`
}

const IN_HEAT: Message = 'in heat a lower setting and more passes, by the mowing stripes'
const UNSOWN_WATER = 'Opened turf dries, a dressing settles with water, and granules want it.'

const brokenPin = (kind: StepKind, broken: Message, step: PlannedStep): Notice => ({
  id: figureId(stepScope(step.id), 'pin'),
  kind: 'pin',
  step: step.id,
  stage: 6,
  level: 'warn',
  title: say`${OPERATIONS[kind].name}: your pin does not agree with the plan.`,
  says: joined([broken, 'Move the pin, or let the step float.']),
  figure: step.day.id,
})

/** Zones that joined a step after it was ticked off. */
function uncovered(
  { prescription }: OrderBrief,
  pack: WorkPackage,
  need: StepNeed,
  step: PlannedStep,
  records: StepRecords,
): Notice[] {
  const left =
    records.doneOf({ kind: need.kind, zones: need.zones, workPackage: pack.id })?.uncovered ?? []
  if (left.length === 0) return []
  const names = left.map((zone) => prescription.zones.find((z) => z.r.id === zone)!.r.name)
  return [
    {
      id: figureId(stepScope(step.id), 'uncovered'),
      kind: 'part-ticked',
      step: step.id,
      stage: 6,
      level: 'warn',
      title: say`${step.name}: ticked off, but not for ${names.join(', ')}.`,
      says: 'It was recorded before this ground belonged to it. Record it again when it is done here too.',
      figure: step.day.id,
    },
  ]
}

/** A season passed over, or weeks in which nothing can be sown, is the first thing said. */
const passedNotice = (
  pack: WorkPackage,
  plan: PackagePlan,
  passed: { title: Message; says: Message } | null,
): Notice[] =>
  passed
    ? [
        {
          id: figureId(packageScope(pack.id), 'season'),
          kind: 'season-passed',
          stage: 6,
          level: 'warn',
          title: joined([say`${pack.zones.map((z) => z.r.name).join(', ')}:`, passed.title], ' '),
          says: passed.says,
          figure: plan.cutOff.id,
        },
      ]
    : []

function misfitNotice(
  { job, today }: OrderBrief,
  pack: WorkPackage,
  plan: PackagePlan,
  schedule: Schedule,
  windowState: Figure,
): Notice[] {
  const id = (key: string) => figureId(packageScope(pack.id), key)
  const zones = pack.zones.map((z) => z.r.name).join(', ')
  const day = onDay(schedule.sowDay, schedule.sowDay.slice(0, 4) !== today.slice(0, 4))
  const found: Notice[] = []
  if (plan.verdict !== '')
    found.push({
      id: id('fits'),
      kind: 'does-not-fit',
      stage: 6,
      level: 'hold',
      title: plan.verdict,
      says: joined(plan.options.map((o) => say`${o.title}: ${o.says}`)),
      figure: plan.cutOff.id,
    })
  else if (schedule.sowState !== 'open' && pack.kind !== 'feed')
    found.push({
      id: id('marginal'),
      kind: 'marginal',
      stage: 6,
      level: 'warn',
      title: plan.plants
        ? say`Sowing ${zones} on ${day} is ${schedule.sowState}: ${plan.choices.find((c) => c.taken)?.reason ?? 'soil is outside the good range'}.`
        : say`Working ${zones} on ${day} is ${schedule.sowState}.`,
      says: plan.plants
        ? 'Odds are fair, not good; tell the customer.'
        : 'Turf hardly grows then: it stays open and bare for longer. Tell the customer.',
      figure: windowState.id,
    })
  if (schedule.givenUp.length > 0)
    found.push({
      id: id('given-up'),
      kind: 'given-up',
      stage: 6,
      level: 'warn',
      title: say`Given up: ${joined(schedule.givenUp, ', ')}.`,
      says: 'These are only better, not required. What must hold still holds. More crew, weekend work, more visits or the lawn in parts would bring them back.',
    })
  if (job.visits !== null && schedule.visits > job.visits)
    found.push({
      id: id('visits'),
      kind: 'visits',
      stage: 6,
      level: 'warn',
      title: say`${schedule.visits} visits, not ${job.visits}.`,
      says: 'The waits between its steps, or the hours of the work, need more days on site than you asked for.',
    })
  return found
}

/** The next day the crew works, on or after a day. */
export function workingDay(day: Day, weekendWork: boolean): Day {
  let d = dayNumber(day)
  while (!weekendWork && (weekday(d) === 0 || weekday(d) === 6)) d++
  return dayOf(d)
}
