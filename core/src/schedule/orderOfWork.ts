import { addDays, dayNumber, dayOf, daysBetween, nextOn, weekday, type Day } from '../calendar/day.ts'
import type { DiaryEntry } from '../entities/diary.ts'
import type { Job } from '../entities/job.ts'
import { slopeLines } from '../findings/lines.ts'
import { nitrogenValues } from '../materials/feedRules.ts'
import type { CautionId } from '../reference/cautions.ts'
import type { Workforce } from '../reference/firmSettings.ts'
import { lagValues } from '../reference/lagValues.ts'
import { OPERATIONS, operationName, operationWhy, type StepKind } from '../reference/operations.ts'
import { schoolName, type Schools } from '../reference/schools.ts'
import { careRules, careWindow } from '../climate/careWindow.ts'
import { sowingWindow, windowRules, type DayState, type SowingWindow } from '../climate/sowingWindow.ts'
import type { Prescription } from '../prescribe.ts'
import { num, type Figure, type Notice } from '../trace/figure.ts'
import { joined, onDay, say, type Message } from '../trace/message.ts'
import { procedure } from '../trace/rule.ts'
import { figureId, packageScope, stepScope } from '../trace/scope.ts'
import type { Trace } from '../trace/trace.ts'
import { hoursRules } from '../work/hours.ts'
import { isPlanted } from '../work/sowing.ts'
import { plans, type ZoneWork } from '../work/zoneWork.ts'
import { plantsIn, stepsOf, type PackageSteps, type StepBrief, type StepNeed } from '../work/steps.ts'
import type { PackageKind, WorkPackage } from '../work/workPackages.ts'
import { schedulePackage, type Calendar, type Fixed, type Schedule, type ScheduledStep, type WorkWindow } from './schedulePackage.ts'
import { stepId, StepRecords, type StepRef } from './stepRecords.ts'
import type { WaitingPeriods } from './waitingPeriods.ts'
import { whatInstead, type Option } from './whatInstead.ts'

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
  pinned: procedure({ ...stepDay, id: 'order.pinned', standing: 'reading', source: 'your decision', says: 'Pinned by you.', steps: 'your pin' }),
  done: procedure({ ...stepDay, id: 'order.done', standing: 'reading', source: 'your diary', says: 'Done, by the diary.', steps: 'the diary' }),
}

export interface PlannedStep {
  id: string
  workPackage: string
  kind: StepKind
  /** Which of several repeats it is: the third lift, the second mow. */
  part?: number
  name: Message
  why: Message
  zones: string[]
  hours: Figure
  /** People who share it. */
  people: number
  passes: number
  span: number
  earliest: Day | null
  latest: Day | null
  chosen: Day
  day: Figure
  precondition: Message
  /** Heights, depths, passes and tools, by zone where they differ. */
  how: Message
  state: ScheduledStep['state']
  cautions: CautionId[]
}

export interface WindowSpan {
  from: Day
  to: Day
  state: DayState
}

export interface PackagePlan {
  id: string
  kind: PackageKind
  season: 'cool' | 'warm'
  zones: string[]
  fits: boolean
  cutOff: Figure
  /** Days the cut-off lies before the frost. */
  lead: number
  window: WindowSpan[]
  sowDay: Day
  /** Whether anything is sown, set or laid. */
  plants: boolean
  /** What is only better and was given up: for the season, a pin or the visits asked for. */
  givenUp: Message[]
  /** Days on site up to the sowing, or up to what its days hang on. */
  visits: number
  /** First what cannot be done and why, then what can. Empty when it fits. */
  verdict: Message
  options: Option[]
  steps: PlannedStep[]
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

/** Spans of days in one state, for drawing a window. */
export function spansOf(window: SowingWindow, days: number): WindowSpan[] {
  const spans: WindowSpan[] = []
  const first = dayNumber(window.start)
  for (let i = 0; i < Math.min(days, window.states.length); i++) {
    const state = window.states[i]!
    const open = spans.at(-1)
    if (open && open.state === state) open.to = dayOf(first + i)
    else spans.push({ from: dayOf(first + i), to: dayOf(first + i), state })
  }
  return spans
}

/** Days of a window that are kept for drawing. */
const DRAWN_DAYS = 500

export const stepBrief = ({ schools, prescription, workforce, trace }: Omit<OrderBrief, 'later'>): StepBrief => ({
  schools,
  dressing: prescription.dressing,
  covers: prescription.covers,
  people: workforce.people,
  trace,
})

/** Dates for every step of one job, package by package: ground held over is sown properly once its cover has stood. */
export function orderOfWork(brief: OrderBrief): OrderOfWork {
  const { prescription, later } = brief
  const needs = prescription.packages.map((pack) => ({ pack, steps: stepsOf(pack, stepBrief(brief)) }))
  const planned = needs.flatMap(({ pack, steps }) => steps.needs.map((n): StepRef => ({ kind: n.kind, zones: n.zones, workPackage: pack.id })))
  const records = new StepRecords(brief.job.pins, brief.diary, [...planned, ...later])
  const ordered: { plan: PackagePlan; notices: Notice[] }[] = []
  for (const { pack, steps } of needs.filter((n) => n.steps.needs.length > 0)) {
    const held = ordered.find((o) => o.plan.kind === 'hold')?.plan.sowDay ?? null
    ordered.push(orderPackage(brief, pack, steps, records, held))
  }
  return { packages: ordered.map((o) => o.plan), notices: ordered.flatMap((o) => o.notices), records }
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
  const calendar: Calendar = { today, weekendWork: workforce.weekendWork, hoursPerDay: workforce.hoursPerDay }
  const seeded = needs.some((n) => n.kind === 'sow')
  const window = windowOf(brief, pack, seeded)
  const scope = packageScope(pack.id)
  const coverStands = pack.kind === 'later' && heldFrom ? addDays(heldFrom, trace.value(lagValues.coverStands)) : null
  const fixed = needs.map((need) => fixedFor(need, pack, records, waits, coverStands))
  const schedule = schedulePackage(steps, fixed, seasonOf(window, pack), calendar, { visits: job.visits })
  const nextFrost = schools.cutOff === 'safe' ? climate.frostTenth : climate.frost
  // A second sowing counts back from the frost of its own year.
  const frost = pack.kind === 'later' ? nextOn(climate.frostMonthDay, schedule.sowDay) : nextFrost
  const about = { school: `cutOff:${schools.cutOff}`, change: 'The other frost school, or a quicker mix.' }
  const cutOff = seeded ? trace.work(windowRules[window.lead], scope, { frost }, about) : trace.work(careRules.cutOff, scope, { frost }, about)
  const inputs = { soil: climate.soilNow, cutOff }
  const windowState = seeded
    ? trace.found(windowRules.soil, scope, schedule.sowState, inputs)
    : pack.kind === 'scalp'
      ? trace.found(careRules.scalp, scope, schedule.sowState, inputs)
      : trace.found(careRules.growth, scope, schedule.sowState, inputs)
  const planned = plannedSteps(brief, pack, steps, schedule, { cutOff, windowState })
  const fits = schedule.fits || (pack.kind === 'later' && schedule.sowState !== 'shut')
  const instead =
    fits || !seeded
      ? { verdict: '', options: [] }
      : whatInstead({ pack, schedule, window, climate, zones: p.zones, waits, calendar, steps: stepBrief(brief) })
  const plan: PackagePlan = {
    id: pack.id,
    kind: pack.kind,
    season: pack.season,
    zones: pack.zones.map((z) => z.r.id),
    fits: fits || !seeded,
    cutOff,
    lead: window.leadDays,
    window: spansOf(window, DRAWN_DAYS),
    sowDay: schedule.sowDay,
    plants: plantsIn(pack),
    givenUp: schedule.givenUp,
    visits: schedule.visits,
    ...instead,
    steps: planned,
  }
  const pins = schedule.steps.flatMap((s, i) => (s.broken ? [brokenPin(s.need.kind, s.broken, planned[i]!)] : []))
  const ticks = needs.flatMap((need, i) => uncovered(brief, pack, need, planned[i]!, records))
  return { plan, notices: [...misfitNotice(brief, pack, plan, schedule, windowState), ...pins, ...ticks] }
}

/** A second sowing waits for an open season; everything else takes what there is. */
const seasonOf = (window: SowingWindow, pack: WorkPackage): WorkWindow =>
  pack.kind === 'later'
    ? { start: window.start, states: window.states.map((s) => (s === 'marginal' ? 'shut' : s)), cutOff: addDays(window.start, window.states.length) }
    : window

function windowOf({ prescription: p, schools, trace }: OrderBrief, pack: WorkPackage, seeded: boolean): SowingWindow {
  if (!seeded) return careWindow(pack.season, pack.kind === 'scalp', p.climate, trace)
  const seeds = pack.kind === 'later' ? p.laterSeeds : p.seeds
  const parts = pack.zones.flatMap((z) => seeds.find((s) => s.zone === z.r.id)?.mix ?? [])
  const usual = [{ grass: pack.season === 'cool' ? ('perennial-ryegrass' as const) : ('bermudagrass' as const), share: 100 }]
  return sowingWindow(parts.length > 0 ? parts : usual, pack.season, p.climate, schools.cutOff, trace)
}

/** Steps that go into the ground: young seedlings stand in their way. */
const OPENS: readonly StepKind[] = ['rake', 'scarify', 'core', 'spike', 'loosen']
/** Steps that put seed, plugs or turf down. */
const PLANTS: readonly StepKind[] = ['sow', 'plugs', 'turf']

function fixedFor({ kind, zones }: StepNeed, pack: WorkPackage, records: StepRecords, waits: WaitingPeriods, coverStands: Day | null): Fixed {
  const step: StepRef = { kind, zones, workPackage: pack.id }
  const wait = PLANTS.includes(kind)
    ? waits.sow(zones)
    : OPENS.includes(kind)
      ? waits.open(zones)
      : kind === 'dress' || kind === 'sand-in'
        ? waits.dress(zones)
        : null
  const stands = coverStands && (kind === 'sow' || kind === 'cut-first' || kind === 'roughen' || kind === 'loosen') ? coverStands : null
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
  if (by === 'length') return trace.work(hoursRules.byLength, scope, { setUp, lengths: grounds, rate, people }, named)
  return trace.work(hoursRules.byArea, scope, { setUp, zones: grounds, passes, rate, spreading, people }, named)
}

function plannedSteps(
  { job, schools, waits, prescription: { climate }, trace }: OrderBrief,
  pack: WorkPackage,
  { anchor }: PackageSteps,
  schedule: Schedule,
  { cutOff, windowState }: { cutOff: Figure; windowState: Figure },
): PlannedStep[] {
  const slope = trace.value(slopeLines.bank)
  const heat = trace.value(nitrogenValues.heat)
  const hot = (day: Day) => (climate.soil[daysBetween(climate.start, day)] ?? 0) >= heat
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
    const inputs = { before, cutOff: rules ? cutOff : null, window: rules ? windowState : null, waits: rules ? waits.figures : [] }
    const day: Figure =
      s.state === 'done' || s.state === 'unrecorded'
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
      why: kind === 'core' ? joined([why, coresSaid(mine, schools)]) : kind === 'water' && !sown ? UNSOWN_WATER : why,
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
      how: s.need.how,
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
  if (collected.length === zones.length) return say`Cores: ${schools.cores === 'collect' ? schoolName('cores', 'collect') : 'collected'}.`
  return say`Cores: collected in ${collected.map((z) => z.r.name).join(', ')}, dragged in elsewhere.`
}

const UNSOWN_WATER = 'Opened turf dries, a dressing settles with water, and granules want it.'

const brokenPin = (kind: StepKind, broken: Message, step: PlannedStep): Notice => ({
  id: figureId(stepScope(step.id), 'pin'),
  stage: 6,
  level: 'warn',
  title: say`${OPERATIONS[kind].name}: your pin does not agree with the plan.`,
  says: joined([broken, 'Move the pin, or let the step float.']),
  figure: step.day.id,
})

/** Zones that joined a step after it was ticked off. */
function uncovered({ prescription }: OrderBrief, pack: WorkPackage, need: StepNeed, step: PlannedStep, records: StepRecords): Notice[] {
  const left = records.doneOf({ kind: need.kind, zones: need.zones, workPackage: pack.id })?.uncovered ?? []
  if (left.length === 0) return []
  const names = left.map((zone) => prescription.zones.find((z) => z.r.id === zone)!.r.name)
  return [
    {
      id: figureId(stepScope(step.id), 'uncovered'),
      stage: 6,
      level: 'warn',
      title: say`${step.name}: ticked off, but not for ${names.join(', ')}.`,
      says: 'It was recorded before this ground belonged to it. Record it again when it is done here too.',
      figure: step.day.id,
    },
  ]
}

function misfitNotice({ job }: OrderBrief, pack: WorkPackage, plan: PackagePlan, schedule: Schedule, windowState: Figure): Notice[] {
  const id = (key: string) => figureId(packageScope(pack.id), key)
  const zones = pack.zones.map((z) => z.r.name).join(', ')
  const found: Notice[] = []
  if (plan.verdict !== '')
    found.push({
      id: id('fits'),
      stage: 6,
      level: 'hold',
      title: plan.verdict,
      says: joined(plan.options.map((o) => say`${o.title}: ${o.says}`)),
      figure: plan.cutOff.id,
    })
  else if (schedule.sowState !== 'open' && pack.kind !== 'feed')
    found.push({
      id: id('marginal'),
      stage: 6,
      level: 'warn',
      title: plan.plants
        ? say`Sowing ${zones} on ${onDay(schedule.sowDay)} is ${schedule.sowState}.`
        : say`Working ${zones} on ${onDay(schedule.sowDay)} is ${schedule.sowState}.`,
      says: plan.plants
        ? 'Soil is outside the good range for it. Odds are fair, not good; tell the customer.'
        : 'Turf hardly grows then: it stays open and bare for longer. Tell the customer.',
      figure: windowState.id,
    })
  if (schedule.givenUp.length > 0)
    found.push({
      id: id('given-up'),
      stage: 6,
      level: 'warn',
      title: say`Given up: ${joined(schedule.givenUp, ', ')}.`,
      says: 'These are only better, not required. What must hold still holds. More crew, weekend work, more visits or the lawn in parts would bring them back.',
    })
  if (job.visits !== null && schedule.visits > job.visits)
    found.push({
      id: id('visits'),
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
