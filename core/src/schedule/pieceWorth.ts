import { dayOf, dayNumber, daysBetween, type Day } from '../calendar/day.ts'
import { partSaid, pointsOf, shownPoints, worthOfDay, worthValues, type PartOfWorth, type WorthBrief } from '../climate/dayWorth.ts' // prettier-ignore
import type { PieceWorth, WorthOfDay } from '../plan/order.ts'
import { joined, onDay, say } from '../rules/message.ts'
import { sum } from '../quantities/sum.ts'
import { procedure, rule } from '../rules/rule.ts'
import type { Figure } from '../trace/figure.ts'
import type { Scope } from '../trace/scope.ts'
import type { Trace } from '../trace/trace.ts'

export const worthRule = procedure({
  id: 'order.worth',
  key: 'worth',
  stage: 6,
  label: 'Worth of the day',
  unit: '1',
  standing: 'model',
  says: 'A day is worth the years in a hundred in which what is sown on it succeeds, or 100 where nothing is sown; less {wait} for each week of waiting (a third of that after {waitLong}; {dueWait} for each day of due work), {marginal} for a marginal day whose risk is not in those years, {thirsty} for warm weather in which seed is watered more often; for turf that is opened, {heat} for each degree over {heatLine} in the {ahead} after it ({dry} where nobody waters), {closing} for each day short of {closes} before frost, {weeds} for the weeds of spring; and {visit} more where the crew is there anyway. The day of the highest worth on which everything holds is taken.',
  values: worthValues,
  inputs: { day: 'date', cutOff: 'date?' },
  steps: 'the parts, added; shown from 1 to 100',
  by: 'climate/dayWorth: worthOfDay',
  check: 'dayWorth.test.ts',
})

export const planWorthRule = rule({
  id: 'order.planWorth',
  key: 'planWorth',
  stage: 6,
  label: 'Worth of the plan, of 100',
  unit: '1',
  standing: 'model',
  says: 'The mean of what the days of its pieces of work are worth.',
  inputs: { pieces: '1[]' },
  formula: 'round(mean(pieces))',
  compute: ({ pieces }) => Math.round(sum(pieces) / pieces.length),
})

/** What each day of a window is worth for a piece of work, worked when asked. */
export class DayWorths {
  private readonly points = new Map<number, number>()

  constructor(
    private readonly brief: WorthBrief,
    /** Whether the crew is there anyway on a day, by index. */
    private readonly there: (i: number) => boolean,
    private readonly trace: Trace,
    /** The day that serves all work of the job best; null where each takes its own best. */
    private readonly preferred: number | null = null,
  ) {}

  /** Points; minus infinity where the day is shut. */
  readonly at = (i: number): number => {
    let known = this.points.get(i)
    if (known === undefined) {
      known = pointsOf(this.parts(i))
      this.points.set(i, known)
    }
    return known
  }

  /** What days are ranked by: the worth of each, but for one that serves the whole job best. */
  readonly rank = (i: number): number => (i === this.preferred ? Infinity : this.at(i))

  /** Points of a week from the window's first day, by its middle, or by a day of it that is open. */
  ofWeek(w: number): number {
    for (const i of [3, 4, 2, 5, 1, 6, 0]) {
      const points = this.at(7 * w + i)
      if (points > -Infinity) return points
    }
    return -Infinity
  }

  parts(i: number): PartOfWorth[] {
    const parts = worthOfDay(this.brief, i, this.trace)
    return parts.length > 0 && this.there(i)
      ? [...parts, { part: 'visit', points: this.trace.value(worthValues.visit) }]
      : parts
  }

  /** The day of the highest worth between two, the earlier of two alike; null where all are shut. */
  bestOf(from: number, to: number): number | null {
    let best: number | null = null
    for (let i = from; i <= to; i++)
      if (this.at(i) > (best === null ? -Infinity : this.at(best) + 1e-9)) best = i
    return best
  }
}

/** Days round the one that is taken which are priced. */
const AROUND = [-14, -7, 7, 14]
/** Weeks that the shade of a lane is told for. */
const SHADED = 58

/** What the worth of a piece of work is told with. */
export interface PieceDays {
  scope: Scope
  cutOff: Figure | null
  /** The days that other seasons would take. */
  seasons: readonly Day[]
  /** The first day on which it could be done. */
  soonest: Day
}

/** The worth of a piece's day, of the days round it, and by week. */
export function pieceWorth(
  worths: DayWorths,
  start: Day,
  day: Day,
  { scope, cutOff, seasons, soonest }: PieceDays,
  trace: Trace,
): PieceWorth {
  const at = daysBetween(start, day)
  const taken = worths.at(at)
  // What rounds to nothing is not told.
  const told = worths.parts(at).filter((p) => Math.abs(p.points) >= 0.5)
  const others: WorthOfDay[] = AROUND.map((days) => at + days)
    .filter((i) => i >= daysBetween(start, soonest))
    .map((i) => ({ day: dayOf(dayNumber(start) + i), worth: shownPoints(worths.at(i)) }))
  return {
    figure: trace.found(
      worthRule,
      scope,
      shownPoints(taken),
      { day, cutOff },
      {
        label: say`Worth of ${onDay(day, true)}, of 100`,
        change: joined(
          told.map((p) => partSaid(p, trace)),
          '; ',
        ),
      },
    ),
    parts: told.map((p) => partSaid(p, trace)),
    around: others,
    seasons: seasons.map((on) => ({
      day: on,
      worth: shownPoints(worths.at(daysBetween(start, on))),
    })),
    weeks: Array.from({ length: SHADED }, (_, w) => shownPoints(worths.ofWeek(w))),
  }
}
