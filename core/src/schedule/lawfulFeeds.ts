import { dayNumber, dayOf, daysBetween, showMonthDay } from '../calendar/day.ts'
import type { SowingWindow } from '../climate/sowingWindow.ts'
import { YEAR_DAYS } from '../climate/yearDay.ts'
import type { Firm } from '../entities/firm.ts'
import { nitrogenBanOn, nitrogenFrom } from '../firm/nitrogenLaw.ts'
import { leftOfYear, nitrogenOfYear, standingGrass } from '../materials/yearNitrogen.ts'
import type { PackagePlan, PlannedStep } from '../plan/order.ts'
import { OPERATIONS, type StepKind } from '../reference/operations.ts'
import { programmeValues } from '../reference/programmeValues.ts'
import { joined, onDay, say } from '../rules/message.ts'
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
  /** The sowing day of each starter, where the law bars all of them that go with seed. */
  startersBarred: PlannedStep[]
} {
  const found = packages.flatMap((pack) =>
    pack.steps.flatMap((step): Barred[] => {
      if (!OPERATIONS[step.kind].feeds || step.state === 'done') return []
      const notice = byLaw(step, brief.bans) ?? byYear(step, pack, given, brief)
      return notice ? [{ step, notice }] : []
    }),
  )
  const out = new Set(found.map((f) => f.step))
  const starters = packages
    .filter((p) => p.plants)
    .flatMap((p) => p.steps.filter((s) => s.kind === 'feed' && s.state !== 'done'))
  return {
    packages: packages
      // Without its feed a package of nothing else is none.
      .filter((p) => !p.steps.some((s) => s.kind === p.anchor && out.has(s)))
      .map((p) => (p.steps.some((s) => out.has(s)) ? { ...p, steps: p.steps.filter((s) => !out.has(s)) } : p)), // prettier-ignore
    barred: (zone, kind) => found.some(({ step }) => step.kind === kind && step.zones.includes(zone)), // prettier-ignore
    notices: found.map((f) => f.notice),
    startersBarred: starters.every((s) => out.has(s)) ? starters : [],
  }
}

/**
 * A starter that the law bars with its seed goes down once the seedlings are mown, where that is
 * soon enough to feed them; null where it is not, or where the law bars it then too.
 */
export function starterHeld(
  barred: readonly PlannedStep[],
  later: readonly PlannedStep[],
  { bans, trace }: Pick<OrderBrief, 'bans' | 'trace'>,
): Notice | null {
  const given = later.filter((s) => s.kind === 'feed-later')
  const [first] = barred
  const ban = first && nitrogenBanOn(bans, first.chosen)
  const most = trace.value(programmeValues.heldMost)
  const soon = barred.every((b) =>
    b.zones.every((zone) =>
      given.some(
        (s) =>
          s.zones.includes(zone) &&
          daysBetween(b.chosen, s.chosen) <= most &&
          !nitrogenBanOn(bans, s.chosen),
      ),
    ),
  )
  if (!ban || !soon) return null
  const days = [...new Set(given.map((s) => s.chosen))].sort()
  return {
    id: 'feed-law.held',
    stage: 5,
    level: 'warn',
    title: say`No starter with the seed on ${onDay(first.chosen)}: the law allows no nitrogen then.`,
    says: say`From ${showMonthDay(ban.from)} to ${showMonthDay(ban.to)} nothing with nitrogen may go down, so it is held until the seedlings are mown, ${joined(
      days.map((d) => say`${onDay(d, true)}`),
      ' and ',
    )}.`,
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
