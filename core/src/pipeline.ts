import type { Context } from './plan/context.ts'
import type { JobPlan, Rung, ZoneSummary } from './plan/jobPlan.ts'
import { dayNumber, type Day } from './calendar/day.ts'
import { soilOn as soilOnDay } from './climate/soilTemperature.ts'
import type { Firm } from './entities/firm.ts'
import { isWatered, type Job } from './entities/job.ts'
import { soilBandAhead } from './climate/soilBand.ts'
import { withGauge } from './climate/siteReadings.ts'
import { weatherHolds } from './schedule/weatherHolds.ts'
import { follow } from './establish/follow.ts'
import { slopeLines } from './findings/lines.ts'
import { planFeeds, programmeNotices, type FeedPlan } from './materials/feed.ts'
import { yearOfFeeds } from './materials/yearOfFeeds.ts'
import { lateOrders, moneyOfPlan } from './money/moneyOfPlan.ts'
import { nitrogenGiven } from './materials/yearNitrogen.ts'
import { materialLines } from './materials/lines.ts'
import type { Prescription, ZonePlan } from './plan/prescription.ts'
import { prescribed } from './prescribed.ts'
import type { Workforce } from './firm/firmSettings.ts'
import type { GrassTable } from './reference/grasses.ts'
import { OPERATIONS, orderOf, type StepKind } from './reference/operations.ts'
import { operationName } from './work/operationWords.ts'
import type { OrderBrief } from './schedule/orderBrief.ts'
import { lawfulFeeds, starterHeld } from './schedule/lawfulFeeds.ts'
import { orderOfWork, stepBrief } from './schedule/orderOfWork.ts'
import type { PackagePlan, PlannedStep } from './plan/order.ts'
import { shortOnShelf } from './stock/lotsOfJob.ts'
import { seedUse, type SeedUse } from './seed/seedUse.ts'
import { num, type Notice } from './trace/figure.ts'
import { workInDepth } from './materials/cover.ts'
import { seedRules } from './seed/seedRules.ts'
import { zoneOf, zoneScope } from './trace/scope.ts'
import type { Trace } from './trace/trace.ts'
import { hoursOnZone } from './schedule/zoneHours.ts'
import { isPlanted } from './work/sowing.ts'
import { stepRef, type StepRecords } from './schedule/stepRecords.ts'
import { howOn, laterSteps } from './schedule/steps.ts'
import type { ZoneWork } from './work/workTypes.ts'

/**
 * A job's whole plan: prescribe (what the ground asks for), schedule (days), follow (water,
 * emergence, first mow). Pure: the same job and context give the same plan, in a browser worker, on
 * the server and on the command line.
 */
export function planJob(entered: Job, context: Context): JobPlan {
  const asAsked = planned(entered, context, [])
  if (asAsked.startersBarred.length === 0) return asAsked.plan
  const school = { ...entered.schools, feed: 'first-mown' }
  const held = planned({ ...entered, schools: school }, context, asAsked.startersBarred)
  return held.held ? held.plan : asAsked.plan
}

/** The plan, and the starters that the law bars on their day; or whether those are held instead. */
function planned(
  entered: Job,
  context: Context,
  barredBefore: readonly PlannedStep[],
): { plan: JobPlan; startersBarred: PlannedStep[]; held: boolean } {
  const { today, firm, diary, outlook = null, recent = [], stock = [], jobId = null } = context
  const {
    job,
    notices: asEntered,
    trace,
    schools,
    workforce,
    waits,
    prescription,
  } = prescribed(entered, context)
  const brief: Omit<OrderBrief, 'later'> = {
    job,
    bans: firm.nitrogenBans,
    schools,
    diary,
    prescription,
    waits,
    today,
    workforce,
    trace,
  }
  const laterByPackage = new Map(
    prescription.packages.map((pack) => [pack.id, laterSteps(pack, stepBrief(brief))]),
  )
  const later = [...laterByPackage].flatMap(([workPackage, needs]) =>
    needs.map(({ kind, zones, part }) => ({ kind, zones, workPackage, ...(part ? { part } : {}) })),
  )
  const given = nitrogenGiven(job, schools, trace)
  const asOrdered = orderOfWork({ ...brief, later })
  const {
    packages,
    barred,
    notices: leftOut,
    startersBarred,
  } = lawfulFeeds(asOrdered.packages, given, brief)
  const order = { ...asOrdered, packages }
  const past = withGauge([...recent, ...(outlook?.days ?? [])], diary)
  const followed = follow({
    ...brief,
    weather: past,
    packages: order.packages,
    records: order.records,
    laterSteps: laterByPackage,
    given,
  })
  const held = starterHeld(barredBefore, followed.follow.later, brief)
  const byLaw = held ? [held, ...leftOut] : leftOut
  const dated = [...order.packages.flatMap((p) => p.steps), ...followed.follow.later]
  const fedOn = (zone: string, step: StepKind) =>
    dated.find((s) => s.kind === step && s.zones.includes(zone))?.day ?? null
  const soilOn = (day: Day) => soilOnDay(prescription.climate.soilBefore, dayNumber(day))
  const feeds = planFeeds({
    job,
    firm,
    schools,
    works: prescription.works,
    fedOn,
    barred,
    given,
    rounds: followed.programmes,
    soilOn,
    soilNow: prescription.climate.soilNow,
    trace,
  })

  const overYear = yearOfFeeds(feeds, { job, firm }, trace)

  // Of one day, what is due comes before the work that wants it done, a count that decides it too, and evening work last.
  const stepsThat = (due: boolean) =>
    order.packages.filter((p) => (p.kind === 'due') === due).flatMap((p) => p.steps)
  const inTheEvening = ({ kind }: { kind: StepKind }) =>
    OPERATIONS[kind].look?.recounts ? -1 : Number(OPERATIONS[kind].evening ?? false)
  const steps = [...stepsThat(true), ...stepsThat(false), ...followed.follow.later].sort(
    (a, b) => a.chosen.localeCompare(b.chosen) || inTheEvening(a) - inTheEvening(b),
  )
  const sloping = prescription.zones.some((z) => num(z.r.slope) >= trace.value(slopeLines.press))
  const warm = new Set(prescription.zones.filter((z) => z.season === 'warm').map((z) => z.r.id))
  const holds = weatherHolds(
    steps,
    { outlook, past: withGauge(recent, diary) },
    { sloping, watered: isWatered(job), warm, rainFree: rainFreeHours(job) },
    trace,
  )
  const summary = summaryOf(
    { ...prescription, dormant: lyingDormant(prescription, order.packages, trace) },
    { feeds, overYear },
    { firm, workforce, trace },
  )
  const fed = withoutFeeds(summary.zones, steps, [
    ...byLaw,
    ...programmeNotices(followed.programmes),
  ])
  const use = seedUse(job.lots, [...prescription.seeds, ...prescription.laterSeeds])
  const money = moneyOfPlan({
    plan: { ...summary, seedUse: use, zones: fed, steps, follow: followed.follow, today },
    job,
    firm,
    areas: prescription.zones.flatMap(({ r }) =>
      r.area && r.areaError > 0 ? [{ zone: r.id, area: num(r.area), error: r.areaError }] : [],
    ),
    trace,
  })
  const plan: JobPlan = {
    today,
    schools,
    seedUse: use,
    notices: worstFirst([
      ...asEntered,
      ...shortOnShelf(job, jobId, stock, wantedByLot(use)),
      ...waits.notices,
      ...stillTrue(prescription.notices, steps),
      ...order.notices,
      ...byLaw,
      ...feeds.flatMap((f) => f.notices),
      ...overYear.notices,
      ...programmeNotices(followed.programmes),
      ...lateOrders(money),
      ...followed.notices,
      ...holds,
    ]),
    ...summary,
    zones: fed,
    money,
    packages: order.packages,
    worth: order.worth?.id ?? null,
    steps,
    looseRecords: order.records.loose(),
    ticks: ticksBy(steps, order.records),
    follow: followed.follow,
    grasses: named(trace.grasses, job, prescription),
    figures: trace.figures,
    firmValues: firm.values,
  }
  return { plan, startersBarred, held: held !== null }
}

/** A feed that is left out, by law or because its year has enough, is no rung of the ladder that is planned. */
const withoutFeeds = (
  zones: readonly ZoneSummary[],
  steps: readonly PlannedStep[],
  why: readonly Notice[],
): ZoneSummary[] =>
  zones.map((zone) => ({
    ...zone,
    rungs: zone.rungs.map((rung) =>
      rung.planned &&
      OPERATIONS[rung.operation].feeds &&
      !steps.some((s) => s.kind === rung.operation && s.zones.includes(zone.id))
        ? { ...rung, planned: false, reason: why[0]?.title ?? 'No day is right for it.' }
        : rung,
    ),
  }))

/** Entries that tick each step off. */
const ticksBy = (steps: readonly PlannedStep[], records: StepRecords): JobPlan['ticks'] =>
  Object.fromEntries(
    steps.flatMap((s) => {
      const ticks = records.ticksOf(stepRef(s, s.workPackage))
      return ticks.length > 0 ? [[s.id, ticks]] : []
    }),
  )

/** Without the pests that a look since has found gone. */
const stillTrue = (notices: readonly Notice[], steps: readonly PlannedStep[]): Notice[] =>
  notices.filter(
    (n) =>
      n.kind !== 'live-pests' ||
      !steps.some(
        (s) =>
          s.kind === 'look-moths' && s.look?.answer === 'no' && n.zone && s.zones.includes(n.zone),
      ),
  )

/** Hours that a zone's products have to stay dry, as their labels say, by operation. */
const rainFreeHours =
  (job: Job) =>
  (kind: StepKind, zones: readonly string[]): number | null => {
    const named = job.zones
      .filter((z) => zones.some((id) => zoneOf(id) === z.id))
      .flatMap((z) => z.operations[kind]?.rainFree ?? [])
    return named.length > 0 ? Math.max(...named) : null
  }

/** More seed for the zones whose sowing lies dormant until spring. */
function lyingDormant(
  { seeds }: Prescription,
  packages: readonly PackagePlan[],
  trace: Trace,
): NonNullable<Prescription['dormant']> {
  const dormant = packages.filter((p) =>
    p.window.some((w) => w.reason === 'dormant' && w.from <= p.sowDay && p.sowDay <= w.to),
  )
  const zones = new Set(dormant.flatMap((p) => p.zones))
  return seeds
    .filter((s) => zones.has(s.zone))
    .map((s) => ({
      zone: s.zone,
      amount: trace.work(seedRules.dormant, zoneScope(s.zone), { kg: s.kg }),
    }))
}

/** Grasses that grow there, that are sown, and that are left out, by their names. */
function named(grasses: GrassTable, job: Job, p: Prescription): JobPlan['grasses'] {
  const seeds = [...p.seeds, ...p.laterSeeds]
  const ids = new Set([
    ...job.zones.flatMap((z) => z.present),
    ...seeds.flatMap((s) => [...s.mix, ...s.chosen.left].map((m) => m.grass)),
  ])
  return Object.fromEntries(
    [...ids].map((id) => [id, { name: grasses[id]!.name, short: grasses[id]!.short }]),
  )
}

/** kg by lot of the job. */
function wantedByLot(use: readonly SeedUse[]): Map<string, number> {
  const wanted = new Map<string, number>()
  for (const { lot, kg } of use) wanted.set(lot, (wanted.get(lot) ?? 0) + kg)
  return wanted
}

/** Days of soil temperature that a plan carries for drawing. */
const SOIL_DRAWN = 120

/**
 * A package that does not fit first, then holds, a season that is waited for, warnings and notes,
 * each in the order of the stages.
 */
function worstFirst(notices: readonly Notice[]): Notice[] {
  const weight = (n: Notice) =>
    n.kind === 'does-not-fit'
      ? 0
      : n.level === 'hold'
        ? 1
        : n.kind === 'season-passed'
          ? 2
          : { warn: 3, note: 4 }[n.level]
  return [...notices].sort((a, b) => weight(a) - weight(b))
}

/** What was prescribed, as ids of figures and plain lists. */
function summaryOf(
  p: Prescription,
  { feeds, overYear }: { feeds: readonly FeedPlan[]; overYear: ReturnType<typeof yearOfFeeds> },
  brief: SummaryBrief,
): Pick<
  JobPlan,
  | 'zones'
  | 'survey'
  | 'wanted'
  | 'findings'
  | 'totalArea'
  | 'oneMix'
  | 'materials'
  | 'feed'
  | 'frost'
  | 'soilAhead'
  | 'soilBand'
> {
  const { survey, wanted, findings, climate } = p
  const feed = feeds[0]
  return {
    zones: p.zones.map((z) => zoneSummary(z, p, brief)),
    survey,
    wanted,
    findings,
    totalArea: p.totalArea?.id ?? null,
    oneMix: p.oneMix,
    materials: materialLines(
      p,
      feeds,
      { areaErrors: new Map(p.zones.map((z) => [z.r.id, z.r.areaError])), firm: brief.firm },
      brief.trace,
    ),
    feed: feed
      ? {
          use: feed.use,
          grade: feed.gradeText,
          rate: feed.rate.id,
          nitrogen: feed.nitrogen.id,
          ceiling: feed.ceiling.id,
          p2o5: feed.lays.p2o5.id,
          k2o: feed.lays.k2o.id,
          p: feed.lays.p.id,
          k: feed.lays.k.id,
          strip: feed.spreader.strip.id,
          setting: feed.spreader.setting?.id ?? null,
          tryNext: feed.spreader.tryNext,
          year: { p2o5: overYear.p2o5?.id ?? null, k2o: overYear.k2o?.id ?? null },
        }
      : null,
    frost: { median: climate.frost.id, tenth: climate.frostTenth.id, soilNow: climate.soilNow.id },
    soilAhead: Array.from(climate.soil.subarray(0, SOIL_DRAWN)),
    soilBand: soilBandAhead(climate, SOIL_DRAWN),
  }
}

interface SummaryBrief {
  firm: Firm
  workforce: Workforce
  trace: Trace
}

function zoneSummary(
  { r, season, approach, seed, suggestedMix, judged, bags, work, later }: ZonePlan,
  p: Prescription,
  { workforce, trace }: SummaryBrief,
): ZoneSummary {
  const dressing = p.dressing?.zones.find((d) => d.zone === r.id)
  const { chosen, suggested, overridden, why, figure } = approach
  return {
    id: r.id,
    name: r.name,
    area: r.area?.id ?? null,
    season,
    approach: { chosen, suggested, overridden, why, figure: figure.id },
    sowing: work.sowing,
    rungs: rungsOf(
      work,
      workInDepth(r.id, seed?.mix, p.covers, trace),
      p.dressing,
      workforce,
      trace,
    ),
    seed,
    nothing: suggestedMix.nothing,
    suggested: suggestedMix.parts,
    bags,
    judged: judged && { loses: judged.loses, verdict: judged.verdict },
    bare: work.bareAfter && { after: work.bareAfter.id, staysOpen: work.staysOpen },
    later: later && { seed: later.seed, nothing: later.mix.nothing },
    dressing: dressing
      ? { limit: dressing.limit.id, lifts: dressing.lifts.id, depth: dressing.depth.id }
      : null,
  }
}

function rungsOf(
  work: ZoneWork,
  seedDepth: number | null,
  dressing: Prescription['dressing'],
  { people }: Workforce,
  trace: Trace,
): Rung[] {
  const sown = isPlanted(work.sowing)
  const planned = work.operations.map((o): Rung => {
    return {
      operation: o.operation,
      name: operationName(o.operation, sown),
      planned: true,
      asks: o.asks,
      reason: '',
      yours: o.yours,
      barred: false,
      passes: o.passes,
      how: howOn(o.operation, work, o, seedDepth, trace),
      tool: o.tool,
      hours: hoursOnZone(work.r.id, o, dressing, people, trace) * people,
      sets: OPERATIONS[o.operation].sets ?? [],
    }
  })
  const not = work.notPlanned.map((n): Rung => ({
    operation: n.operation,
    name: operationName(n.operation, sown),
    planned: false,
    asks: n.asks,
    reason: n.reason,
    yours: n.yours,
    barred: n.barred,
    passes: 0,
    how: '',
    tool: null,
    hours: 0,
    sets: [],
  }))
  return [...planned, ...not].sort((a, b) => orderOf(a.operation) - orderOf(b.operation))
}
