import { sure } from '../quantities/sure.ts'
import { addDays, daysBetween, laterDay, type Day } from '../calendar/day.ts'
import { sownGrass } from '../climate/sowingLines.ts'
import { daysToUse } from '../climate/sowingOdds.ts'
import type { Job } from '../entities/job.ts'
import type { PackagePlan, PlannedStep } from '../plan/order.ts'
import type { ZonePlan } from '../plan/prescription.ts'
import type { GrassId } from '../reference/grasses.ts'
import { looksBadValues } from '../reference/looksBadValues.ts'
import { largestPart } from '../seed/mix.ts'
import type { Figure, Notice } from '../trace/figure.ts'
import { joined, onDay, say, type Message } from '../rules/message.ts'
import { procedure } from '../rules/rule.ts'
import { figureId, packageScope } from '../trace/scope.ts'
import type { Trace } from '../trace/trace.ts'
import { looksBadDays } from '../work/looksBad.ts'

export const looksRules = {
  recovers: procedure({
    id: 'follow.recovers',
    key: 'presentable',
    stage: 8,
    label: 'Looks right from',
    unit: 'date',
    standing: 'practice',
    says: 'Turf that is opened and not sown looks right once it has grown over: the longest of what was done to it counts.',
    values: looksBadValues,
    inputs: { worked: 'date', lift: 'date?' },
    steps:
      'the day of the work + the longest of its bad looks; not before the last lift of a dressing has grown through',
    by: 'work/looksBad: looksBadDays',
    check: 'plan.test.ts',
  }),
  presentable: procedure({
    id: 'follow.presentable',
    key: 'presentable',
    stage: 8,
    label: 'Looks right from',
    unit: 'date',
    standing: 'practice',
    says: 'A sown lawn is presentable six to eight weeks on, slow grasses later, and in soil that brings them up late so much later; never before its seedlings are mown.',
    inputs: { sown: 'date', soonest: 'wk', latest: 'wk', shows: 'date?', mow: 'date?' },
    steps:
      'sowing + weeks to use of the main grass of the slowest zone + the days it shows later than in good warmth; not before the first mow of the seedlings',
    by: 'establish/looksRight: presentableFrom',
    check: 'plan.test.ts',
  }),
}

interface LooksBrief {
  job: Pick<Job, 'customerDate' | 'treatments' | 'walked'>
  trace: Trace
}

/** How what was sown comes up, and when its seedlings are mown. */
interface Grown {
  up: readonly { grass: GrassId; figure: Figure }[]
  halfUp: ReadonlyMap<GrassId, Day>
  seedlings: Figure | null
}

/** When it looks right, and whether that is in time for the customer's date. */
export function presentableFrom(
  { job, trace }: LooksBrief,
  plan: PackagePlan,
  sow: PlannedStep,
  zones: readonly ZonePlan[],
  { up, halfUp, seedlings }: Grown,
): { figure: Figure; notices: Notice[] } {
  // The slowest zone decides: nobody calls a lawn right while a part of it is bare.
  const leads = zones.map((z) => {
    const grass = trace.grass(largestPart(sure(z.seed).mix).grass)
    const half = halfUp.get(grass.id)
    const sown = sownGrass(grass, trace)
    const shown = half ? daysBetween(sow.chosen, half) : 0
    const days = sown
      ? daysToUse(sown, shown)
      : { soonest: grass.weeksToUse[0] * 7, latest: grass.weeksToUse[1] * 7 }
    return { grass, ...days }
  })
  const slowest = leads.reduce((a, b) => (b.latest > a.latest ? b : a))
  const [soonest, latest] = slowest.grass.weeksToUse
  const mown = seedlings?.value as { low: Day; high: Day } | undefined
  const after = (days: number, mow: Day | undefined) =>
    laterDay(addDays(sow.chosen, days), mow ?? null)
  const low = after(Math.max(...leads.map((l) => l.soonest)), mown?.low)
  const high = laterDay(after(slowest.latest, mown?.high), low)
  const figure = trace.found(
    looksRules.presentable,
    packageScope(plan.id),
    { low, high },
    {
      sown: sow.day,
      soonest,
      latest,
      shows: up.find((u) => u.grass === slowest.grass.id)?.figure ?? null,
      mow: seedlings,
    },
  )
  const says = say`Sown ${onDay(sow.chosen)}, it looks right between ${onDay(low)} and ${onDay(high)}.`
  return { figure, notices: inTime(job, plan, { low, high }, says, figure) }
}

/** When turf that is not sown has grown over what was done to it. */
export function recoversFrom(
  { job, trace }: LooksBrief,
  plan: PackagePlan,
  anchor: PlannedStep,
  rounds: readonly ZonePlan[],
  later: readonly PlannedStep[],
): { figure: Figure; notices: Notice[] } | null {
  // Ground that does not close in a season is promised no date.
  if (rounds.some((z) => z.work.staysOpen)) return null
  // Only what this package does: other work of the same ground looks right by its own day.
  const done = new Set(plan.steps.map((s) => s.kind))
  const days = Math.max(
    0,
    ...rounds.map(({ work }) =>
      looksBadDays(
        {
          ...work,
          sowing: plan.plants ? work.sowing : 'none',
          operations: work.operations.filter((o) => done.has(o.operation)),
        },
        job,
        trace,
      ),
    ),
  )
  if (days === 0) return null
  const lifts = later.filter((s) => s.kind === 'dress-again')
  const last = lifts.reduce((at, s) => (s.chosen > at.chosen ? s : at), anchor)
  const lifted = last === anchor ? null : addDays(last.chosen, trace.value(looksBadValues.dressed))
  const day = laterDay(addDays(anchor.chosen, days), lifted)
  const figure = trace.found(looksRules.recovers, packageScope(plan.id), day, {
    worked: anchor.day,
    lift: last === anchor ? null : last.day,
  })
  return {
    figure,
    notices: inTime(
      job,
      plan,
      { low: day, high: day },
      say`Worked ${onDay(anchor.chosen)}, it looks right from ${onDay(day)}.`,
      figure,
    ),
  }
}

/** Whether it looks right in time for the customer's date. */
function inTime(
  job: Pick<Job, 'customerDate'>,
  plan: PackagePlan,
  { low, high }: { low: Day; high: Day },
  says: Message,
  figure: Figure,
): Notice[] {
  if (!job.customerDate || high <= job.customerDate || !plan.fits) return []
  const late = low > job.customerDate
  const instead = !plan.plants
    ? 'Work earlier, or after that day.'
    : late
      ? 'Tell the customer now, or choose a quicker mix, or turf for that day.'
      : 'Do not let the sowing slip, and feed once it is mown.'
  return [
    {
      id: figureId(packageScope(plan.id), 'customer-date'),
      stage: 6,
      level: late ? 'warn' : 'note',
      title: late
        ? say`It will not look right by ${onDay(job.customerDate)}.`
        : say`Tight for ${onDay(job.customerDate)}.`,
      says: joined([says, instead]),
      figure: figure.id,
    },
  ]
}
