import { dayNumber, dayOf, weekday, type Day } from '../calendar/day.ts'
import type { DiaryEntry } from '../entities/diary.ts'
import type { Job } from '../entities/job.ts'
import { slopeLines } from '../findings/lines.ts'
import type { CautionId } from '../reference/cautions.ts'
import type { Workforce } from '../reference/firmSettings.ts'
import { lagValues } from '../reference/lagValues.ts'
import { OPERATIONS, operationRates, operationWhy, type StepKind } from '../reference/operations.ts'
import { schoolName, type Schools } from '../reference/schools.ts'
import { sowingWindow, windowRules, type DayState, type SowingWindow } from '../climate/sowingWindow.ts'
import type { Prescription } from '../prescribe.ts'
import { num, type Figure, type Notice } from '../trace/figure.ts'
import { joined, onDay, quantity, say, type Message } from '../trace/message.ts'
import { procedure } from '../trace/rule.ts'
import { figureId, packageScope, stepScope } from '../trace/scope.ts'
import type { Trace } from '../trace/trace.ts'
import { hoursRules } from '../work/hours.ts'
import { stepsOf, type StepBrief, type StepNeed } from '../work/steps.ts'
import type { PackageKind, WorkPackage } from '../work/workPackages.ts'
import { schedulePackage, type Calendar, type Fixed, type Schedule, type ScheduledStep } from './schedulePackage.ts'
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
  findings: prescription.findings,
  schools,
  dressing: prescription.dressing,
  covers: prescription.covers,
  people: workforce.people,
  trace,
})

/** Dates for every step of one job, package by package. */
export function orderOfWork(brief: OrderBrief): OrderOfWork {
  const { prescription, later } = brief
  const needs = prescription.packages.map((pack) => ({ pack, needs: stepsOf(pack, stepBrief(brief)) }))
  const planned = needs.flatMap(({ pack, needs: list }) => list.map((n): StepRef => ({ kind: n.kind, zones: n.zones, workPackage: pack.id })))
  const records = new StepRecords(brief.job.pins, brief.diary, [...planned, ...later])
  const ordered = needs.map((n) => orderPackage(brief, n.pack, n.needs, records))
  return { packages: ordered.map((o) => o.plan), notices: ordered.flatMap((o) => o.notices), records }
}

function orderPackage(
  brief: OrderBrief,
  pack: WorkPackage,
  needs: readonly StepNeed[],
  records: StepRecords,
): { plan: PackagePlan; notices: Notice[] } {
  const { schools, prescription: p, waits, today, workforce, trace } = brief
  const { climate } = p
  const calendar: Calendar = { today, weekendWork: workforce.weekendWork, hoursPerDay: workforce.hoursPerDay }
  const window = windowOf(brief, pack)
  const scope = packageScope(pack.id)
  const fixed = needs.map((need) => fixedFor(need, pack, records, waits))
  const lag = trace.values(lagValues)
  const schedule = schedulePackage(needs, fixed, window, calendar, { openedToSow: lag.openedToSow, stretch: lag.stretch })
  const cutOff = trace.work(
    windowRules[window.lead],
    scope,
    { frost: schools.cutOff === 'safe' ? climate.frostTenth : climate.frost },
    { school: `cutOff:${schools.cutOff}`, change: 'The other frost school, or a quicker mix.' },
  )
  const windowState = trace.found(windowRules.soil, scope, schedule.sowState, { soil: climate.soilNow, cutOff })
  const steps = plannedSteps(brief, pack, schedule, { cutOff, windowState })
  const instead =
    schedule.fits || pack.kind === 'feed'
      ? { verdict: '', options: [] }
      : whatInstead({ pack, schedule, window, climate, zones: p.zones, waits, calendar, steps: stepBrief(brief) })
  const plan: PackagePlan = {
    id: pack.id,
    kind: pack.kind,
    season: pack.season,
    zones: pack.zones.map((z) => z.r.id),
    fits: schedule.fits,
    cutOff,
    lead: window.leadDays,
    window: spansOf(window, DRAWN_DAYS),
    sowDay: schedule.sowDay,
    ...instead,
    steps,
  }
  const pins = schedule.steps.flatMap((s, i) => (s.broken ? [brokenPin(s.need.kind, s.broken, steps[i]!)] : []))
  const ticks = needs.flatMap((need, i) => uncovered(brief, pack, need, steps[i]!, records))
  return { plan, notices: [...misfitNotice(pack, plan, schedule, windowState, lag.openedToSow), ...pins, ...ticks] }
}

function windowOf({ prescription: p, schools, trace }: OrderBrief, pack: WorkPackage): SowingWindow {
  const parts = pack.zones.flatMap((z) => p.zones.find((x) => x.r.id === z.r.id)?.seed?.mix ?? [])
  const usual = [{ grass: pack.season === 'cool' ? ('perennial-ryegrass' as const) : ('bermudagrass' as const), share: 100 }]
  return sowingWindow(parts.length > 0 ? parts : usual, pack.season, p.climate, schools.cutOff, trace)
}

function fixedFor({ kind, zones }: StepNeed, pack: WorkPackage, records: StepRecords, waits: WaitingPeriods): Fixed {
  const step: StepRef = { kind, zones, workPackage: pack.id }
  const opens = kind === 'scarify' || kind === 'core'
  return {
    pin: records.pinOf(step),
    done: records.doneOf(step)?.day ?? null,
    notBefore: kind === 'sow' ? waits.sow : opens ? waits.open : kind === 'dress' ? waits.dress : null,
  }
}

/** The hours of a step as a figure: what `hoursOf` worked from, with the areas as figures. */
export function hoursFigure(need: StepNeed, areas: readonly Figure[], trace: Trace): Figure {
  const { setUp, passes, rate, spreading, people } = need.effort
  const scope = stepScope(stepId(need.kind, need.zones))
  const named = { label: say`${OPERATIONS[need.kind].name}: hours` }
  return rate === null
    ? trace.work(hoursRules.fixed, scope, { setUp, people }, named)
    : trace.work(hoursRules.byArea, scope, { setUp, zones: areas, passes, rate, spreading, people }, named)
}

function plannedSteps(
  { schools, waits, trace }: OrderBrief,
  pack: WorkPackage,
  schedule: Schedule,
  { cutOff, windowState }: { cutOff: Figure; windowState: Figure },
): PlannedStep[] {
  const slope = trace.value(slopeLines.bank)
  let before: Figure | null = null
  return schedule.steps.map((s): PlannedStep => {
    const { kind, zones, effort } = s.need
    const op = OPERATIONS[kind]
    const id = stepId(kind, zones)
    const mine = pack.zones.filter((z) => zones.includes(z.r.id))
    const hours = hoursFigure(s.need, mine.map((z) => z.r.area!), trace) // prettier-ignore
    const change: Message = s.latest
      ? say`It may slip to ${onDay(s.latest)} and still sow in the window.`
      : 'A pin, the crew’s working days, or the steps before it.'
    const named = { label: op.name, change }
    const sows = kind === 'sow' || pack.kind === 'feed'
    const inputs = { before, cutOff: sows ? cutOff : null, window: sows ? windowState : null, waits: kind === 'sow' ? waits.figures : [] }
    const day: Figure =
      s.state === 'done' || s.state === 'unrecorded'
        ? trace.found(orderRules.done, stepScope(id), s.chosen, {}, named)
        : s.state === 'pinned'
          ? trace.found(orderRules.pinned, stepScope(id), s.chosen, {}, named)
          : before || sows
            ? trace.found(orderRules.day, stepScope(id), s.chosen, inputs, named)
            : trace.found(orderRules.first, stepScope(id), s.chosen, {}, named)
    before = day
    const steep = kind in operationRates && mine.some((z) => num(z.r.slope) >= slope)
    const why = operationWhy(kind, trace)
    return {
      id,
      workPackage: pack.id,
      kind,
      name: op.name,
      why: kind === 'core' ? joined([why, say`Cores: ${schoolName('cores', schools.cores)}.`]) : why,
      zones,
      hours,
      people: effort.people,
      passes: s.need.passes,
      span: s.span,
      earliest: s.earliest,
      latest: s.latest,
      chosen: s.chosen,
      day,
      precondition: s.need.precondition,
      state: s.state,
      cautions: [...op.cautions, ...(steep ? (['slope'] as const) : [])],
    }
  })
}

const brokenPin = (kind: StepKind, broken: Message, step: PlannedStep): Notice => ({
  id: figureId(stepScope(step.id), 'pin'),
  stage: 6,
  level: 'warn',
  title: say`${OPERATIONS[kind].name}: your pin does not agree with the plan.`,
  says: joined([broken, 'Your pin is kept. Move it, or let the step float.']),
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

function misfitNotice(pack: WorkPackage, plan: PackagePlan, schedule: Schedule, windowState: Figure, openedToSow: number): Notice[] {
  const id = (key: string) => figureId(packageScope(pack.id), key)
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
  else if (schedule.sowState === 'marginal' && pack.kind !== 'feed')
    found.push({
      id: id('marginal'),
      stage: 6,
      level: 'warn',
      title: say`Sowing ${pack.zones.map((z) => z.r.name).join(', ')} on ${onDay(schedule.sowDay)} is marginal.`,
      says: 'Soil is outside the good range for it. Odds are fair, not good; tell the customer.',
      figure: windowState.id,
    })
  if (schedule.stretched)
    found.push({
      id: id('stretched'),
      stage: 6,
      level: 'warn',
      title: 'The steps lie further apart than they should.',
      says: say`Opened turf should be sown within ${quantity(openedToSow, 'd')}. More crew, weekend work, or the lawn in parts would close the gap.`,
    })
  return found
}

/** The next day the crew works, on or after a day. */
export function workingDay(day: Day, weekendWork: boolean): Day {
  let d = dayNumber(day)
  while (!weekendWork && (weekday(d) === 0 || weekday(d) === 6)) d++
  return dayOf(d)
}
