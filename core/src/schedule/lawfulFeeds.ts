import { dayNumber, dayOf, daysBetween, showMonthDay } from '../calendar/day.ts'
import type { SowingWindow } from '../climate/sowingWindow.ts'
import { YEAR_DAYS } from '../climate/yearDay.ts'
import type { Firm } from '../entities/firm.ts'
import { nitrogenBanOn, nitrogenFrom } from '../firm/nitrogenLaw.ts'
import { leftOfYear, nitrogenOfYear, standingGrass } from '../materials/yearNitrogen.ts'
import type { PackagePlan, PlannedStep } from '../plan/order.ts'
import { OPERATIONS, type StepKind } from '../reference/operations.ts'
import { programmeValues } from '../reference/programmeValues.ts'
import { onDay, say } from '../rules/message.ts'
import { num, type Figure, type Notice } from '../trace/figure.ts'
import { zoneOf, zoneScope } from '../trace/scope.ts'
import type { OrderBrief } from './orderBrief.ts'

type Bans = Firm['nitrogenBans']

/** A window of feeding with the dates shut on which the law allows no nitrogen. */
export function lawfulWindow(window: SowingWindow, bans: Bans): SowingWindow {
  if (bans.length === 0) return window
  const first = dayNumber(window.start)
  const shut = window.states.map((_, i) => nitrogenBanOn(bans, dayOf(first + i)) !== null)
  return {
    ...window,
    states: window.states.map((state, i) => (shut[i] ? 'shut' : state)),
    reasons: window.reasons.map((reason, i) => (shut[i] ? 'feed-law' : reason)),
  }
}

/** Why a feed is left out of the plan. */
interface Barred {
  step: PlannedStep
  notice: Notice
}

/**
 * Work packages without the feeds that may not be given: those on a date on which the law allows no
 * nitrogen (a starter goes with its seed, and the seed does not wait), and those of turf that has had
 * all that its grass wants this year. What is done already stays.
 */
export function lawfulFeeds(
  packages: readonly PackagePlan[],
  given: Figure | null,
  brief: Omit<OrderBrief, 'later'>,
): {
  packages: PackagePlan[]
  /** Whether the feed of a zone is left out. */
  barred: (zone: string, step: StepKind) => boolean
  notices: Notice[]
} {
  const found = packages.flatMap((pack) =>
    pack.steps.flatMap((step): Barred[] => {
      if (!OPERATIONS[step.kind].feeds || step.state === 'done') return []
      const notice = byLaw(step, brief.bans) ?? byYear(step, pack, given, brief)
      return notice ? [{ step, notice }] : []
    }),
  )
  const out = new Set(found.map((f) => f.step))
  return {
    packages: packages
      // Without its feed a package of nothing else is none.
      .filter((p) => !p.steps.some((s) => s.kind === p.anchor && out.has(s)))
      .map((p) => (p.steps.some((s) => out.has(s)) ? { ...p, steps: p.steps.filter((s) => !out.has(s)) } : p)), // prettier-ignore
    barred: (zone, kind) => found.some(({ step }) => step.kind === kind && step.zones.includes(zone)), // prettier-ignore
    notices: found.map((f) => f.notice),
  }
}

function byLaw(step: PlannedStep, bans: Bans): Notice | null {
  const ban = nitrogenBanOn(bans, step.chosen)
  if (!ban) return null
  const next = nitrogenFrom(bans, step.chosen)
  return {
    id: `feed-law.${step.id}`,
    stage: 5,
    level: 'warn',
    title: say`No feed on ${onDay(step.chosen)}: the law allows no nitrogen then.`,
    says: next
      ? say`From ${showMonthDay(ban.from)} to ${showMonthDay(ban.to)} nothing with nitrogen may go down, so this feed is left out of the plan and of the order. From ${onDay(next, true)}, once turf grows, it may be fed.`
      : 'The dates entered in the Yard leave no day of the year to feed on: correct them there.',
  }
}

/** All of its ground has had what its grass wants this year. */
function byYear(
  step: PlannedStep,
  { season, plants }: PackagePlan,
  given: Figure | null,
  { job, today, prescription: p, trace }: Omit<OrderBrief, 'later'>,
): Notice | null {
  if (plants || !given || num(given) <= 0 || daysBetween(today, step.chosen) > YEAR_DAYS / 2)
    return null
  const needs = p.zones
    .filter((z) => step.zones.some((zone) => zoneOf(zone) === z.r.id))
    .map(({ r }) => nitrogenOfYear([standingGrass(r)], season, job, zoneScope(r.id), trace)) // prettier-ignore
  const worthwhile = trace.value(programmeValues.worthwhile)
  if (needs.length === 0 || needs.some((need) => leftOfYear(need, given, 0) >= worthwhile))
    return null
  return {
    id: `feed-year.${step.id}`,
    stage: 5,
    level: 'warn',
    title: 'No feed: it has had its nitrogen for this year.',
    says: say`${given} is given, where its grass wants ${needs[0]!} in a year. More makes soft growth and thatch, so this feed is left out of the plan and of the order.`,
    figure: needs[0]!.id,
  }
}
