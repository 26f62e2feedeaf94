import { type Day, addDays } from '../calendar/day.ts'
import { type Care, careRules } from '../climate/careWindow.ts'
import type { DayState } from '../climate/dayReasons.ts'
import { windowRules } from '../climate/sowingLines.ts'
import type { SowingWindow } from '../climate/sowingWindow.ts'
import { windowToSow, windowToWork } from '../climate/windows.ts'
import type { PackagePlan, StepRef } from '../plan/order.ts'
import { lagValues } from '../reference/lagValues.ts'
import { operationValues } from '../reference/operationValues.ts'
import { deepestSeed } from '../seed/seedDepth.ts'
import type { Figure, Notice } from '../trace/figure.ts'
import { packageScope } from '../trace/scope.ts'
import type { WorkPackage } from '../work/workPackages.ts'
import { fixedFor } from './fixedDays.ts'
import type { OrderBrief } from './orderBrief.ts'
import { brokenPin, misfitNotice, passedNotice, uncovered } from './orderNotices.ts'
import { DRAWN_DAYS, careOf, cutOffFigure, grassWindows, sownOf, spansOf } from './packageWindow.ts'
import { plannedSteps } from './plannedSteps.ts'
import {
  type Calendar,
  type Fixed,
  type Schedule,
  type WorkWindow,
  schedulePackage,
} from './schedulePackage.ts'
import { chooseSowing } from './sowingChoices.ts'
import { StepRecords } from './stepRecords.ts'
import { type PackageSteps, type StepBrief, plantsIn, stepsOf } from './steps.ts'
import { whatInstead } from './whatInstead.ts'

export interface OrderOfWork {
  packages: PackagePlan[]
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
