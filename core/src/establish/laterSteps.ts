import { sure } from '../quantities/sure.ts'
import { addDays, dayNumber, laterDay, type Day } from '../calendar/day.ts'
import { mowable, type MowingSeason } from '../climate/mowingSeason.ts'
import type { Care } from '../climate/careWindow.ts'
import { YEAR_DAYS } from '../climate/yearDay.ts'
import { windowToWork } from '../climate/windows.ts'
import { startOverLine } from '../findings/findInZone.ts'
import { mowRules } from './firstMow.ts'
import type { Reason } from '../climate/dayReasons.ts'
import type { DiaryEntry } from '../entities/diary.ts'
import type { Firm } from '../entities/firm.ts'
import { isWatered, type Job } from '../entities/job.ts'
import { nitrogenFrom } from '../firm/nitrogenLaw.ts'
import type { PackageFollow } from '../plan/follow.ts'
import type { PackagePlan, PlannedStep, StepLook } from '../plan/order.ts'
import type { Prescription } from '../plan/prescription.ts'
import type { Workforce } from '../firm/firmSettings.ts'
import { programmeValues } from '../reference/programmeValues.ts'
import { lagValues } from '../reference/lagValues.ts'
import type { Branch, Later, Look, Operation } from '../reference/operation.ts'
import { isStepKind, kindsThat, OPERATIONS } from '../reference/operations.ts'
import { operationName, operationWhy } from '../work/operationWords.ts'
import type { Schools } from '../reference/schools.ts'
import { hoursFigure } from '../schedule/hoursFigure.ts'
import { orderRules } from '../schedule/orderRules.ts'
import { workingDay } from '../schedule/workingDay.ts'
import { stepId, stepRef, type StepRecords } from '../schedule/stepRecords.ts'
import { num, type Figure } from '../trace/figure.ts'
import { joined, onDay, quantity, say, type Message } from '../rules/message.ts'
import { procedure, type Procedure, type TradeValues } from '../rules/rule.ts'
import { stepScope, zoneOf } from '../trace/scope.ts'
import type { Trace } from '../trace/trace.ts'
import type { StepNeed } from '../schedule/steps.ts'
import type { FeedProgramme } from './feedRounds.ts'

/** What the day of a later step is worked from, by what it is dated since. */
const INPUTS = {
  sown: { sown: 'date?' },
  band: { band: 'date?' },
  'first-mow': { mow: 'date?' },
  seedlings: { seedlings: 'date?' },
  lift: { dressed: 'date?', mow: 'date?' },
  work: { after: 'date?' },
  barrier: { after: 'date?' },
  look: { looked: 'date?' },
  fed: { after: 'date?' },
} as const

/** One rule for the day of each operation that is dated after the others, as its record says. */
export const laterRules: Readonly<Record<string, Procedure>> = Object.fromEntries(
  kindsThat((o) => o.later).map((kind) => {
    const { since, days, sinceSown, rule, says, steps } = sure(OPERATIONS[kind].later)
    const of: TradeValues = {
      ...(typeof days === 'number' ? {} : { days }),
      ...(sinceSown ? { sinceSown } : {}),
    }
    return [
      kind,
      procedure({
        key: 'day',
        stage: 6,
        label: 'Day',
        unit: 'date',
        by: 'establish/laterSteps: laterStep',
        check: 'plan.test.ts',
        id: rule,
        standing: since === 'band' && days === 0 ? 'model' : 'practice',
        says,
        values: since === 'lift' ? { ...of, twoMows: lagValues.twoMows } : of,
        inputs: INPUTS[since],
        steps,
      }),
    ]
  }),
)

/** What a look leads to, where its own record says nothing of its day. */
export const branchRule = procedure({
  id: 'follow.branch',
  key: 'day',
  stage: 6,
  label: 'Day',
  unit: 'date',
  standing: 'practice',
  says: 'On the day of the look that asks for it.',
  inputs: INPUTS.look,
  steps: 'the working day of the look',
  by: 'establish/laterSteps: laterStep',
  check: 'looks.test.ts',
})

export interface LaterBrief {
  job: Pick<Job, 'watering' | 'waterer' | 'feed'>
  today: Day
  /** When the law allows no nitrogen. */
  bans: Firm['nitrogenBans']
  /** Days on site for other work of the job. */
  visits: readonly Day[]
  /** Nitrogen that it has had this year; null where nothing asks for it. */
  given: Figure | null
  schools: Schools
  prescription: Prescription
  records: StepRecords
  workforce: Workforce
  trace: Trace
}

/** What the later steps of a package are dated from. */
export interface Since {
  sow: PlannedStep
  /** When the first mow is expected; null where nothing says. */
  band: Figure | null
  /** When the seedlings themselves are mown. */
  seedlings: Figure | null
  mow: PackageFollow['mow']
  /** When the quickest grass of the mix shows; null where nothing is sown. */
  shows?: Day | null
  season: MowingSeason
  /** The look that asks for it; null where none does. */
  asked?: PlannedStep | null
  /** When it is fed on, and with how much. */
  programme?: FeedProgramme | null
}

/** The middle of a band; of one that winter cuts in two, of the part before growth stops. */
export function middleOf(band: Figure, season: MowingSeason): Day {
  const { low, high } = band.value as { low: Day; high: Day }
  const stops = season.stops(low)
  const until = stops !== null && stops < high ? stops : high
  return addDays(low, Math.round((dayNumber(until) - dayNumber(low)) / 2))
}

/** How often an operation is repeated: as its record says; a feed as often as its programme has days. */
const timesOf = ({ kind }: StepNeed, { programme }: Since): number =>
  OPERATIONS[kind].later?.since === 'fed'
    ? (programme?.days.length ?? 0)
    : (OPERATIONS[kind].later?.times ?? 1)

/**
 * The steps after the seed is up, or after a dressing is grown through, each dated by its own
 * record; one that is repeated so often.
 */
export function laterStepsOf(
  brief: LaterBrief,
  plan: PackagePlan,
  needs: readonly StepNeed[],
  since: Since,
): PlannedStep[] {
  const repeated = needs.flatMap((need) =>
    Array.from({ length: timesOf(need, since) }, (_, i) =>
      i === 0 ? need : { ...need, part: i + 1 },
    ),
  )
  const days = new Map<string, Day>()
  const steps = new Map<string, PlannedStep>()
  return repeated.flatMap((need) => {
    const asked = need.when && steps.get(`${need.when.look}${need.when.part ?? 1}`)
    // What a look leads to is planned once it says so.
    if (need.when && asked?.look?.answer !== need.when.answer) return []
    const step = laterStep(brief, plan, need, { ...since, asked: asked ?? null }, days)
    days.set(`${need.kind}${need.part ?? 1}`, step.chosen)
    steps.set(`${need.kind}${need.part ?? 1}`, step)
    return [step]
  })
}

/** The dressing that later lifts lie on. */
const firstLift = (plan: PackagePlan) => plan.steps.find((s) => s.kind === 'dress')

/** The first day from one on that is open to a kind of work without seed. */
function firstOpen(
  { job, prescription: p, schools, trace }: LaterBrief,
  plan: PackagePlan,
  care: Care,
  from: Day,
): Day {
  const window = windowToWork(plan.season, care, isWatered(job), p.climate, schools, trace)
  const start = dayNumber(window.start)
  // The window is told for eighteen months; later years are like the first.
  const years = Math.max(0, Math.ceil((dayNumber(from) - start - YEAR_DAYS) / YEAR_DAYS))
  const since = dayNumber(from) - years * YEAR_DAYS
  const at = window.states.findIndex((state, i) => state === 'open' && start + i >= since)
  return at < 0 ? from : addDays(window.start, at + years * YEAR_DAYS)
}

/** A day in growth; of several in a row, each so many days after the one before. */
function awake(season: MowingSeason, day: Day, before: Day | null, days: number, sown: Day): Day {
  const shifted = mowable(season, day, sown)
  if (before === null || shifted > before) return shifted
  return season.from(addDays(before, days)) ?? addDays(before, days)
}

/** High summer, in which thin places are not sown where another season comes. */
const HIGH_SUMMER: readonly Reason[] = ['summer', 'summer-dry']

/**
 * The first day from one on that thin places may be sown again in the package's own window, the last
 * of those, and from when it is surer: a lawn with gaps does not wait for the best season where a fair
 * one comes first.
 */
const nextToSow = (
  plan: PackagePlan,
  from: Day,
): { on: Day; until: Day | null; surer: Day | null } => {
  const ahead = plan.window.filter((w) => w.state !== 'shut' && w.to >= from)
  const open = ahead.find((w) => w.state === 'open')
  const span = ahead.find((w) => !HIGH_SUMMER.includes(w.reason)) ?? open ?? ahead[0]
  return {
    on: span ? laterDay(span.from, from) : from,
    until: span?.to ?? null,
    surer: open && span && open.from > span.to ? open.from : null,
  }
}

/** The day a later step falls on by its record, before the crew's working days. */
function usualDay(
  brief: LaterBrief,
  plan: PackagePlan,
  { kind, part }: StepNeed,
  {
    since,
    of: after,
    days: of,
    sinceSown,
    times,
    inGrowth: grows,
    inSeason,
    notDormant,
    judges,
  }: Later,
  { sow, band, seedlings, shows, season, asked, programme }: Since,
  known: ReadonlyMap<string, Day>,
): Day {
  const { trace } = brief
  const lag = trace.values(lagValues)
  const days = typeof of === 'number' ? of : trace.value(of)
  // A sward that stands is mown on from the early end of its band.
  const early = band?.rule === mowRules.swardBand.id
  const expected = band
    ? early
      ? (band.value as { low: Day }).low
      : middleOf(band, season)
    : addDays(sow.chosen, lag.firstMowGuess)
  const grown = seedlings ? middleOf(seedlings, season) : expected
  const before = times && part ? known.get(`${kind}${part - 1}`) : undefined
  const mow = known.get('first-mow1') ?? expected
  const from = {
    sown: () => sow.chosen,
    // A look that is taken again counts from the one before, what is done once from its work.
    work: () => asked?.chosen ?? plan.steps.find((s) => s.kind === after)?.chosen ?? sow.chosen,
    barrier: () => sow.chosen,
    look: () => asked?.chosen ?? sow.chosen,
    band: () =>
      laterDay(
        band ? expected : mow,
        kind === 'first-mow' ? (known.get('uncover1') ?? null) : null,
      ),
    'first-mow': () => before ?? mow,
    seedlings: () => grown,
    fed: () => {
      const usual = programme?.days[(part ?? 1) - 1] ?? sow.chosen
      const last = part ? known.get(`${kind}${part - 1}`) : undefined
      // Given later than planned, the next waits as long all the same.
      const due = last && programme ? addDays(last, programme.every) : usual
      const on = due > usual ? (programme?.next(due) ?? due) : usual
      // A round waits a few days for a visit that comes anyway.
      const visits = [...brief.visits, ...plan.steps.map((s) => s.chosen), ...known.values()].filter(
        (v) => v >= on && v <= addDays(on, trace.value(programmeValues.joins)) && programme?.next(v) === v,
      ) // prettier-ignore
      return visits.sort()[0] ?? on
    },
    lift: () => {
      const dressed = firstLift(plan)?.chosen ?? sow.chosen
      if (!part) return dressed
      // The second lift is the first repeat; the third and on carry their number.
      return known.get(part === 3 ? 'dress-again1' : `dress-again${part - 1}`) ?? dressed
    },
  }[since]()
  const soonest = [
    sinceSown ? addDays(sow.chosen, trace.value(sinceSown)) : null,
    judges && shows ? addDays(shows, lag.judged) : null,
  ]
  const due = soonest.reduce((day: Day, other) => laterDay(day, other), addDays(from, days))
  const mown = since === 'lift' && plan.plants ? laterDay(due, addDays(grown, lag.twoMows)) : due
  if (grows) return firstOpen(brief, plan, 'open', mown)
  if (since === 'barrier') return firstOpen(brief, plan, 'barrier-autumn', mown)
  if (inSeason) return nextToSow(plan, mown).on
  const on = notDormant
    ? awake(season, mown, since === 'first-mow' ? (before ?? mow) : null, days, sow.chosen)
    : mown
  if (!OPERATIONS[kind].feeds) return on
  // The law may hold a feed until turf grows again.
  const lawful = nitrogenFrom(brief.bans, on) ?? on
  return lawful === on ? on : (season.from(lawful) ?? lawful)
}

/** The figure of its day: done, pinned, or worked from what it is dated since. */
function dayFigure(
  trace: Trace,
  id: string,
  plan: PackagePlan,
  { kind }: StepNeed,
  { sow, band, seedlings, asked }: Since,
  chosen: Day,
  state: PlannedStep['state'],
): Figure {
  const named = { label: operationName(kind, plan.plants) }
  const scope = stepScope(id)
  if (state === 'done') return trace.found(orderRules.done, scope, chosen, {}, named)
  if (state === 'pinned') return trace.found(orderRules.pinned, scope, chosen, {}, named)
  const inputs: Record<string, Figure | null> = {
    sown: { sown: sow.day },
    band: { band },
    'first-mow': { mow: band },
    seedlings: { seedlings },
    lift: {
      dressed: firstLift(plan)?.day ?? null,
      mow: plan.plants ? seedlings : null,
    },
    work: { after: asked?.day ?? sow.day },
    barrier: { after: sow.day },
    look: { looked: asked?.day ?? null },
    fed: { after: plan.steps.find((s) => OPERATIONS[s.kind].feeds)?.day ?? seedlings },
  }[OPERATIONS[kind].later?.since ?? 'look']
  return trace.found(laterRules[kind] ?? branchRule, scope, chosen, inputs, named)
}

/** How what a look leads to is dated: with the look. */
const BRANCH: Later = { since: 'look', days: 0, rule: '', says: '', steps: '' }

/** What is decided at a look, with the answer as recorded. */
function lookAt(
  { counts, asks, line, yes, no }: Look,
  { found, chosen }: { found: DiaryEntry['found']; chosen: Day },
  plan: PackagePlan,
  { schools, trace }: Pick<LaterBrief, 'schools' | 'trace'>,
): StepLook {
  // What is sown again has the season of the sowing.
  const told = ({ says, does }: Branch): Message => {
    if (!does.some((id) => isStepKind(id) && OPERATIONS[id].later?.inSeason)) return says
    const { on, until, surer } = nextToSow(plan, chosen)
    if (until === null) return says
    const then = surer ? say`, or surer from ${onDay(surer, true)}` : ''
    return on === chosen
      ? say`${says}: last day ${onDay(until)}${then}`
      : say`${says} in the next season, ${onDay(on, true)}${then}`
  }
  const under =
    line === 'start-over' ? startOverLine(schools, trace) : line ? trace.value(line) : null
  const cover = found?.cover ?? null
  const is =
    counts === 'seen'
      ? (found?.seen ?? null)
      : cover === null || under === null
        ? null
        : cover < under
  return {
    counts,
    asks,
    yes: { when: under === null ? 'yes' : say`under ${quantity(under, '%')}`, says: told(yes) },
    no: { when: under === null ? 'no' : say`${quantity(under, '%')} and more`, says: told(no) },
    answer: is === null ? null : is ? 'yes' : 'no',
  }
}

function laterStep(
  brief: LaterBrief,
  plan: PackagePlan,
  need: StepNeed,
  since: Since,
  known: ReadonlyMap<string, Day>,
): PlannedStep {
  const { records, workforce, trace } = brief
  const { kind, zones, part } = need
  const { later = BRANCH, mows, cautions, look } = OPERATIONS[kind]
  const id = stepId(kind, zones, part)
  const name =
    kind === 'feed-round' && since.programme?.way === 'harden'
      ? 'Hardening feed'
      : operationName(kind, plan.plants)
  const ref = stepRef(need, plan.id)
  const done = records.doneOf(ref)?.day ?? null
  const pin = records.pinOf(ref)
  const anyDay = workforce.weekendWork || later.anyDay === true
  const chosen = done ?? pin ?? workingDay(usualDay(brief, plan, need, later, since, known), anyDay)
  const state = done ? 'done' : pin ? 'pinned' : 'planned'
  const { band, mow } = since
  const limits =
    later.since === 'band' && later.days === 0 && band
      ? (band.value as { low: Day; high: Day })
      : null
  return {
    id,
    workPackage: plan.id,
    kind,
    ...(part ? { part } : {}),
    name: part && !need.when?.answer ? say`${name}, ${part}` : name,
    why: operationWhy(kind, trace),
    zones,
    hours: hoursFigure(need, name, trace),
    people: need.effort.people,
    passes: 1,
    span: 1,
    earliest: limits?.low ?? null,
    latest: limits?.high ?? null,
    chosen,
    day: dayFigure(trace, id, plan, need, since, chosen, state),
    precondition: need.precondition,
    holds: null,
    how: mows
      ? joined(
          heightsSaid(
            brief,
            mows,
            mow.filter((h) => zones.includes(h.zone)),
          ),
          '; ',
        )
      : need.how,
    state,
    ...(look && need.decides
      ? { look: lookAt(look, { found: records.foundAt(ref), chosen }, plan, brief) }
      : {}),
    cautions: [...cautions],
  }
}

/** "when it stands 60 mm", "to 40 mm", by zone where they differ. */
function heightsSaid(
  { prescription: p }: LaterBrief,
  by: NonNullable<Operation['mows']>,
  heights: PackageFollow['mow'],
): Message[] {
  const zoneAt = (id: string) => sure(p.zones.find((z) => z.r.id === zoneOf(id))).r
  const one = ({ zone, height }: PackageFollow['mow'][number]): Message =>
    by === 'standing' ? say`when it stands ${height}` : say`to ${zoneAt(zone).keep}`
  const worth = (h: PackageFollow['mow'][number]) =>
    num(by === 'standing' ? h.height : zoneAt(h.zone).keep)
  if (heights.every((h) => worth(h) === worth(heights[0]!))) return heights.slice(0, 1).map(one)
  return heights.map((h) => say`${zoneAt(h.zone).name}: ${one(h)}`)
}
