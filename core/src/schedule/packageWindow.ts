import { type Day, dayNumber, dayOf } from '../calendar/day.ts'
import { type Care, careLead, careRules } from '../climate/careWindow.ts'
import { WANTED_FROM, leadValues, windowRules } from '../climate/sowingLines.ts'
import { type SowingWindow, type Sown, lastDayOf, seasonAround } from '../climate/sowingWindow.ts'
import { grassWindow } from '../climate/windows.ts'
import { isWatered } from '../entities/job.ts'
import type { GrassWindow, Held, WindowSpan } from '../plan/order.ts'
import { OPERATIONS } from '../reference/operations.ts'
import { operationValues } from '../reference/operationValues.ts'
import { WINTER_ANNUALS } from '../reference/walkLists.ts'
import type { Figure } from '../trace/figure.ts'
import type { Scope } from '../trace/scope.ts'
import type { Trace } from '../trace/trace.ts'
import type { WorkPackage } from '../work/workPackages.ts'
import { largestPart } from '../seed/mix.ts'
import { seedbedLoses } from './seedbedOdds.ts'
import type { OrderBrief } from './orderBrief.ts'

/** What a package sows, and as what: its window goes by that, not by the turf that stands there. */
export function sownOf({ prescription: p, job, trace }: OrderBrief, pack: WorkPackage): Sown {
  const seeds = pack.kind === 'later' ? p.laterSeeds : p.seeds
  const sown = pack.zones
    .map((z) => seeds.find((s) => s.zone === z.r.id)?.mix ?? [])
    .filter((mix) => mix.length > 0)
  const parts = sown.flat()
  const usual = [
    {
      grass: pack.season === 'cool' ? ('perennial-ryegrass' as const) : ('bermudagrass' as const),
      share: 100,
    },
  ]
  const all = (sowing: string) => pack.zones.every((z) => z.sowing === sowing)
  return {
    parts: parts.length > 0 ? parts : usual,
    ...(sown.length > 0 ? { leads: [...new Set(sown.map((mix) => largestPart(mix).grass))] } : {}),
    purpose:
      pack.kind === 'hold'
        ? 'cover'
        : all('winter-green')
          ? 'winter-green'
          : all('blend')
            ? 'blend'
            : 'lawn',
    watered: isWatered(job),
    over: all('over'),
    bedLoses: seedbedLoses(pack.zones, trace),
  }
}

/** Light work: what turf takes between its seasons where it is watered. */
const isLight = ({ zones }: WorkPackage, thin: number): boolean =>
  zones.every((z) =>
    z.operations.every(
      ({ operation: kind, passes, depth }) =>
        kind === 'spike' ||
        (kind === 'dress'
          ? depth !== null && depth <= thin
          : kind === 'rake' || kind === 'scarify'
            ? passes === 1
            : !OPERATIONS[kind].opens && !OPERATIONS[kind].spreadsSoil),
    ),
  )

/** The window that a package goes by where nothing is sown. */
export function careOf(pack: WorkPackage, trace: Trace): Care {
  if (pack.kind === 'scalp' || pack.kind === 'feed' || pack.kind === 'due') return pack.kind
  // Plugs and warm turf are set all through growth where somebody waters, cool turf in winter too.
  if (pack.kind === 'plant')
    return pack.season === 'cool' && pack.zones.every((z) => z.sowing === 'turf') ? 'turf' : 'light'
  if (pack.kind === 'barrier') {
    const seen = new Set(pack.zones.flatMap((z) => z.r.zone.weedsSeen))
    const spring = seen.has('crabgrass')
    const autumn = WINTER_ANNUALS.some((w) => seen.has(w))
    return spring === autumn ? 'barrier' : spring ? 'barrier-spring' : 'barrier-autumn'
  }
  return isLight(pack, trace.value(operationValues.thinDressing)) ? 'light' : 'open'
}

/** Days of a window that are kept for drawing. */
export const DRAWN_DAYS = 500

/**
 * Spans of days in one state and for one reason, for drawing a window; days inside a wait are shut
 * by it.
 */
export function spansOf(
  window: SowingWindow,
  days: number,
  hold: Held | null = null,
): WindowSpan[] {
  const spans: WindowSpan[] = []
  const first = dayNumber(window.start)
  for (let i = 0; i < Math.min(days, window.states.length); i++) {
    const waits = hold !== null && dayOf(first + i) < hold.until
    const state = waits ? 'shut' : window.states[i]!
    const reason = waits ? hold.why : window.reasons[i]!
    const open = spans.at(-1)
    if (open && open.state === state && open.reason === reason) open.to = dayOf(first + i)
    else spans.push({ from: dayOf(first + i), to: dayOf(first + i), state, reason })
  }
  return spans
}

/** The windows of the grasses of a mix, each sown alone. */
export function grassWindows(
  { prescription: { climate }, schools, trace }: OrderBrief,
  sown: Sown,
  hold: Held | null,
): GrassWindow[] {
  const wanted = [...new Set(sown.parts.filter((p) => p.share >= WANTED_FROM).map((p) => p.grass))]
  if (wanted.length < 2) return []
  return wanted.map((grass) => {
    const window = grassWindow(grass, sown, climate, schools, trace)
    return { grass, window: spansOf(window, DRAWN_DAYS, hold), cutOff: window.cutOff }
  })
}

/** The last day of the season that a day belongs to, by the frost school and what is sown. */
export function cutOffFigure(
  { schools, prescription: { climate }, trace }: OrderBrief,
  pack: WorkPackage,
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
  if (!seeded) {
    const lead = careLead(pack.season, careOf(pack, trace), trace)
    if (lead === null)
      return trace.found(careRules.yearEnds, scope, dayOf(season.coldest), { frost }, about)
    if (pack.kind === 'feed') return trace.work(careRules.feedCutOff, scope, { frost }, about)
    return pack.season === 'warm'
      ? trace.work(careRules.warmCutOff, scope, { frost }, about)
      : trace.work(careRules.cutOff, scope, { frost }, about)
  }
  if (season.frost === null) return trace.found(windowRules.seldom, scope, date, { frost }, about)
  const byWeeks = dayOf(lastDayOf(season, trace.value(leadValues[window.lead])))
  const byGrowth =
    window.cutOff !== byWeeks && on === window.start && schools.stands === 'degree-days'
  return byGrowth
    ? trace.found(windowRules.growth, scope, window.cutOff, { frost }, about)
    : trace.work(windowRules[window.lead], scope, { frost }, about)
}
