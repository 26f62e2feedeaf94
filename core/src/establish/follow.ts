import { addDays, dayNumber, type Day } from '../calendar/day.ts'
import { windowToWork } from '../climate/windows.ts'
import { growthValues } from '../climate/growth.ts'
import type { Job } from '../entities/job.ts'
import type { Sowing } from '../reference/lists.ts'
import type { Prescription, ZonePlan } from '../plan/prescription.ts'
import type { Workforce } from '../reference/firmSettings.ts'
import type { GrassId } from '../reference/grasses.ts'
import { lagValues } from '../reference/lagValues.ts'
import {
  looksBadValues,
  OPERATIONS,
  operationName,
  operationValues,
  operationWhy,
  type StepKind,
} from '../reference/operations.ts'
import { schoolName, type Schools } from '../reference/schools.ts'
import { WANTED_FROM } from '../climate/sowingLines.ts'
import {
  hoursFigure,
  orderRules,
  workingDay,
  type PackagePlan,
  type PlannedStep,
} from '../schedule/orderOfWork.ts'
import { stepId, type StepRecords } from '../schedule/stepRecords.ts'
import { largestPart } from '../seed/mix.ts'
import { num, type Figure, type Notice } from '../trace/figure.ts'
import { joined, onDay, quantity, say, type Message } from '../trace/message.ts'
import { procedure, rule, tradeValues, value } from '../trace/rule.ts'
import { figureId, packageScope, stepScope, zoneOf, zoneScope } from '../trace/scope.ts'
import type { Trace } from '../trace/trace.ts'
import type { ZoneReadings } from '../walkover/zoneReadings.ts'
import { inPart } from '../work/ground.ts'
import { looksBadDays } from '../work/looksBad.ts'
import { isPlanted, isSown } from '../work/sowing.ts'
import type { StepNeed } from '../work/steps.ts'
import { emergence, emergenceRules, emergenceValues, type Emergence } from './emergence.ts'
import { mowBand, mowRules, mowSchool, mowValues } from './firstMow.ts'
import { planWater, type WaterPlan } from './watering.ts'
import { isBehind } from '../schedule/stepState.ts'

const after = {
  key: 'day',
  stage: 6,
  label: 'Day',
  unit: 'date',
  by: 'establish/follow: laterStep',
  check: 'plan.test.ts',
} as const

export const followRules = {
  visit: procedure({
    ...after,
    id: 'follow.visit',
    standing: 'practice',
    says: 'A month after sowing: look, count, mend, photograph, hand over.',
    values: { days: lagValues.visit },
    inputs: { sown: 'date?' },
    steps: 'the first working day so long after sowing',
  }),
  again: procedure({
    ...after,
    id: 'follow.dress-again',
    standing: 'practice',
    says: 'The next lift {days} on, in growth; on seedlings not before they are mown twice, {twoMows} after their first mow.',
    values: { days: lagValues.dressed, twoMows: lagValues.twoMows },
    inputs: { dressed: 'date?', mow: 'date?' },
    steps: 'the first working day in growth so long after the last lift',
  }),
  weekly: procedure({
    ...after,
    id: 'follow.mow-weekly',
    standing: 'practice',
    says: 'A living sward is mown on, lightly, every {days}, on dry ground.',
    values: { days: lagValues.mowEvery },
    inputs: { mow: 'date?' },
    steps: 'so many days after the mow before',
  }),
  leafAgain: procedure({
    ...after,
    id: 'follow.leaf-again',
    standing: 'practice',
    says: 'Leaf is collected before the mow.',
    inputs: { mow: 'date?' },
    steps: 'the working day before the first mow',
  }),
  uncover: procedure({
    ...after,
    id: 'follow.uncover',
    standing: 'practice',
    says: 'A germination sheet comes off {days} after the seed went down, sooner where the grass stands.',
    values: { days: operationValues.sheet },
    inputs: { sown: 'date?' },
    steps: 'the day so long after sowing',
  }),
  recovers: procedure({
    id: 'follow.recovers',
    key: 'presentable',
    stage: 8,
    label: 'Looks right from',
    unit: 'date',
    standing: 'practice',
    says: 'Turf that is opened and not sown looks right once it has grown over: the longest of what was done to it counts.',
    values: looksBadValues,
    inputs: { worked: 'date' },
    steps: 'the day of the work + the longest of its bad looks',
    by: 'work/looksBad: looksBadDays',
    check: 'plan.test.ts',
  }),
  afterMow: procedure({
    ...after,
    id: 'follow.after-mow',
    standing: 'practice',
    says: 'Once the seedlings have been mown.',
    values: { days: lagValues.afterMow },
    inputs: { mow: 'date?' },
    steps: 'the day after the first mow',
  }),
  mowDay: procedure({
    ...after,
    id: 'follow.mow-day',
    standing: 'model',
    says: 'The middle of its expected band, on a working day.',
    inputs: { band: 'date?' },
    steps: 'middle of the band',
  }),
  wateringDays: rule({
    id: 'follow.watering-days',
    key: 'watering-days',
    stage: 7,
    label: 'Days of seedbed watering',
    unit: 'd',
    standing: 'practice',
    says: 'From sowing until the slowest wanted grass is up.',
    inputs: { sown: 'date', handOver: 'date' },
    formula: 'handOver - sown',
    compute: ({ sown, handOver }) => dayNumber(handOver) - dayNumber(sown),
  }),
  presentable: procedure({
    id: 'follow.presentable',
    key: 'presentable',
    stage: 8,
    label: 'Looks right from',
    unit: 'date',
    standing: 'practice',
    says: 'A sown lawn is presentable six to eight weeks on, slow grasses later.',
    inputs: { sown: 'date', soonest: 'wk', latest: 'wk' },
    steps: 'sowing + weeks to use of the main grass',
    by: 'establish/follow: presentableFrom',
    check: 'plan.test.ts',
  }),
}

export const phaseValues = tradeValues('phase', {
  growing: value(8, 'd', 'practice', 'Growing on is watered every other day for', [3, 30]),
  haze: value(14, 'd', 'practice', 'A green haze shows after', [7, 30]),
})

export interface PackageFollow {
  workPackage: string
  /** Whether anything was sown, set or laid. */
  plants: boolean
  /** The day of the sowing, or of what the days hang on where nothing is sown. */
  sown: Day
  up: { grass: GrassId; figure: Figure }[]
  handOver: Figure | null
  wateringDays: Figure | null
  mowBand: Figure | null
  mow: { zone: string; height: Figure }[]
  presentable: Figure | null
  /** The day of a first green haze; null where nothing is sown. */
  haze: Day | null
  /**
   * Growing on, and from when watering is settled; null while nobody can say when the grass is up.
   */
  phases: { growing: { from: Day; to: Day }; settled: Day } | null
  /**
   * Days on which the watering is left off, so that the ground is dry for the mow of the next: once
   * the seed is up.
   */
  dryDays: Day[]
  /**
   * Days of a mow while seed is still coming up: watered only once it is mown, for seed is not left
   * dry for a day.
   */
  mownFirst: Day[]
}

export interface Follow {
  water: WaterPlan | null
  packages: PackageFollow[]
  later: PlannedStep[]
  /** Steps done, of all, and the next one. */
  done: number
  of: number
  next: PlannedStep | null
}

export interface FollowBrief {
  job: Job
  schools: Schools
  prescription: Prescription
  packages: readonly PackagePlan[]
  records: StepRecords
  /** The steps that come after the seed, by package. */
  laterSteps: ReadonlyMap<string, readonly StepNeed[]>
  today: Day
  workforce: Workforce
  trace: Trace
}

/** Watering, emergence, first mow and the steps that come after the seed is up. */
export function follow(brief: FollowBrief): { follow: Follow; notices: Notice[] } {
  const { job, schools, prescription: p, packages, today, trace } = brief
  const { water, notices: waterNotices } = planWater({
    job,
    schools,
    zones: p.zones.flatMap(wateredGround),
    trace,
  })
  const followed = packages.map((plan) => followPackage(brief, plan))
  const later = followed.flatMap((f) => f.later)
  const all = [...packages.flatMap((s) => s.steps), ...later]
  const done = all.filter(isBehind).length
  const next =
    all
      .filter((s) => s.state === 'planned' || s.state === 'pinned')
      .sort((a, b) => a.chosen.localeCompare(b.chosen))[0] ?? null
  return {
    follow: { water, packages: followed.map((f) => f.follow), later, done, of: all.length, next },
    notices: [...waterNotices, ...followed.flatMap((f) => f.notices), ...overdue(next, today)],
  }
}

/** What is watered of a zone: all of it, or the patches that are sown or set and no more. */
const wateredGround = ({ r, seed, work }: ZonePlan): ZoneReadings[] =>
  seed || (isPlanted(work.sowing) && !isSown(work.sowing) && r.area)
    ? [inPart(work.sowing) && work.sown ? { ...r, area: work.sown } : r]
    : []

const overdue = (next: PlannedStep | null, today: Day): Notice[] =>
  next && next.chosen < today
    ? [
        {
          id: 'follow.overdue',
          stage: 8,
          level: 'warn',
          title: say`${next.name} was due ${onDay(next.chosen)}.`,
          says: 'Record it in the diary if it is done, or let its pin go.',
        },
      ]
    : []

interface Followed {
  follow: PackageFollow
  later: PlannedStep[]
  notices: Notice[]
}

const roundsOf = (p: Prescription, plan: PackagePlan): ZonePlan[] =>
  p.zones.flatMap((z) => {
    if (plan.zones.includes(z.r.id)) return [z]
    const later = z.later && plan.zones.includes(z.later.work.r.id) ? z.later : null
    return later ? [{ ...z, r: later.work.r, work: later.work, seed: later.seed }] : []
  })

/**
 * What follows the work of one package: emergence and mowing where it is sown, when it looks right
 * in any case.
 */
function followPackage(brief: FollowBrief, plan: PackagePlan): Followed {
  const { prescription: p } = brief
  const rounds = roundsOf(p, plan)
  const sow = plan.steps.find((s) => s.kind === 'sow')
  const anchor =
    sow ?? plan.steps.find((s) => s.chosen === plan.sowDay && s.kind !== 'notice') ?? plan.steps[0]!
  const zones = sow ? rounds.filter((z) => z.seed) : []
  const bands = sow ? bandsOf(brief, plan, sow, zones) : NO_BANDS
  const heights = zones.map((z) => firstMowOf(brief, z))
  const mow = heights.map(({ zone, height }) => ({ zone, height }))
  const main = zones
    .flatMap((z) => z.seed!.mix)
    .filter((m) => bands.byGrass.has(m.grass))
    .sort((a, b) => b.share - a.share || a.grass.localeCompare(b.grass))[0]?.grass
  const band =
    sow && main && mow.length > 0 ? mowBandOf(brief, plan, sow, zones, { main, mow, bands }) : null
  const presentable = sow
    ? band
      ? presentableFrom(brief, plan, sow, zones)
      : null
    : recoversFrom(brief, plan, anchor, rounds)
  const later = laterStepsOf(brief, plan, brief.laterSteps.get(plan.id) ?? [], {
    sow: anchor,
    band,
    mow,
  })
  const mows = later.filter((s) => s.kind === 'first-mow' || s.kind === 'mow-weekly')
  const phases = sow ? phasesOf(brief, sow, bands.handOver) : { haze: null, phases: null }
  return {
    follow: {
      workPackage: plan.id,
      plants: plan.plants,
      sown: anchor.chosen,
      up: bands.up,
      handOver: bands.handOver,
      wateringDays: bands.wateringDays,
      mowBand: band,
      mow,
      presentable: presentable?.figure ?? null,
      ...phases,
      ...aroundMows(
        mows.map((s) => s.chosen),
        bands.handOver,
      ),
    },
    later,
    notices: [...heights.flatMap((h) => h.notices), ...(presentable?.notices ?? [])],
  }
}

interface Bands {
  byGrass: Map<GrassId, Emergence>
  up: { grass: GrassId; figure: Figure }[]
  handOver: Figure | null
  wateringDays: Figure | null
}

const NO_BANDS: Bands = { byGrass: new Map(), up: [], handOver: null, wateringDays: null }

/** When each wanted grass shows, and how long the surface is kept moist for the slowest. */
function bandsOf(
  { prescription: p, trace }: FollowBrief,
  plan: PackagePlan,
  sow: PlannedStep,
  zones: readonly ZonePlan[],
): Bands {
  const scope = packageScope(plan.id)
  const shares = trace.values(emergenceValues)
  const byGrass = new Map<GrassId, Emergence>()
  const grasses = [
    ...new Set(
      zones.flatMap((z) => z.seed!.mix.filter((m) => m.share >= WANTED_FROM).map((m) => m.grass)),
    ),
  ]
  const up = grasses.flatMap((grass) => {
    const e = emergence(trace.grass(grass), sow.chosen, p.climate.soilBefore, shares)
    if (!e) return []
    byGrass.set(grass, e)
    const { theta, base } = trace.grass(grass).thermal!
    const figure = trace.found(
      emergenceRules.band,
      scope,
      { low: e.first, high: e.last },
      { sown: sow.day, soil: p.climate.soilNow, warmth: theta, base },
      {
        part: grass,
        label: say`${trace.grass(grass).short} shows`,
        change: 'Warmer or colder soil, and any day it dries.',
      },
    )
    return [{ grass, figure }]
  })
  if (byGrass.size === 0) return { byGrass, up, handOver: null, wateringDays: null }
  const handOver = trace.work(emergenceRules.slowest, scope, {
    last: [...byGrass.values()].map((e) => e.last),
  })
  return {
    byGrass,
    up,
    handOver,
    wateringDays: trace.work(followRules.wateringDays, scope, { sown: sow.day, handOver }),
  }
}

function firstMowOf(
  { schools, trace }: FollowBrief,
  { r, work }: ZonePlan,
): { zone: string; height: Figure; notices: Notice[] } {
  const scope = zoneScope(r.id)
  if (livingSward(work.sowing))
    return { zone: r.id, height: trace.work(mowRules.goesOn, scope, { cut: r.cut }), notices: [] }
  const school = mowSchool(schools.firstMow, num(r.cut), trace.value(mowValues.inchFrom))
  const inch = school === 'inch-over'
  const about = {
    school: `firstMow:${school}`,
    change: say`The “${schoolName('firstMow', inch ? 'one-third' : 'inch-over')}” school.`,
  }
  const height = inch
    ? trace.work(mowRules.inchOver, scope, { cut: r.cut }, about)
    : trace.work(mowRules.oneThird, scope, { cut: r.cut }, about)
  if (school === schools.firstMow) return { zone: r.id, height, notices: [] }
  const notice: Notice = {
    id: figureId(scope, 'mow-school'),
    stage: 8,
    zone: r.id,
    level: 'note',
    title: say`${r.name}: inch-over is refused at ${r.cut}.`,
    says: say`Under ${quantity(trace.value(mowValues.inchFrom), 'mm')} an inch is too much of the leaf. The one-third school is used here.`,
  }
  return { zone: r.id, height, notices: [notice] }
}

/** How the watering makes room for the mows. */
function aroundMows(
  mows: readonly Day[],
  handOver: Figure | null,
): Pick<PackageFollow, 'dryDays' | 'mownFirst'> {
  const isUp = (mow: Day) => handOver === null || mow > (handOver.value as Day)
  return {
    dryDays: mows.filter(isUp).map((mow) => addDays(mow, -1)),
    mownFirst: mows.filter((mow) => !isUp(mow)),
  }
}

/** When watering changes, and when a first haze shows: once, for every screen and sheet. */
function phasesOf(
  { trace }: FollowBrief,
  sow: PlannedStep,
  handOver: Figure | null,
): Pick<PackageFollow, 'haze' | 'phases'> {
  const { growing, haze } = trace.values(phaseValues)
  const from = handOver && addDays(handOver.value as Day, 1)
  const to = from && addDays(from, growing - 1)
  return {
    haze: addDays(sow.chosen, haze),
    phases: from && to ? { growing: { from, to }, settled: addDays(to, 1) } : null,
  }
}

const largest = (zones: readonly ZonePlan[]): ZonePlan =>
  [...zones].sort((a, b) => num(b.r.area!) - num(a.r.area!) || a.r.id.localeCompare(b.r.id))[0]!

/** Whether grass stands where it is sown. */
const livingSward = (sowing: Sowing): boolean =>
  sowing === 'over' ||
  sowing === 'thin' ||
  sowing === 'spots' ||
  sowing === 'blend' ||
  sowing === 'winter-green'

/**
 * When the first mow is expected: by the lowest height asked for, from the main grass or from the
 * living sward.
 */
function mowBandOf(
  { prescription: p, trace }: FollowBrief,
  plan: PackagePlan,
  sow: PlannedStep,
  zones: readonly ZonePlan[],
  { main, mow, bands }: { main: GrassId; mow: { zone: string; height: Figure }[]; bands: Bands },
): Figure {
  const scope = packageScope(plan.id)
  const lowest = mow.reduce((a, b) => (num(b.height) < num(a.height) ? b : a)).height
  const biggest = largest(zones)
  const leaf = livingSward(biggest.work.sowing) ? num(biggest.work.leaf) : null
  const { soil, start } = p.climate.soilBefore
  const growing = {
    height: num(lowest),
    season: plan.season,
    soil,
    start,
    sward: leaf === null ? null : { sown: sow.chosen, leaf },
  }
  const expected = mowBand(bands.byGrass.get(main)!, growing, trace.values(growthValues))
  const shows = bands.up.find((u) => u.grass === main)?.figure ?? null
  return leaf === null
    ? trace.found(mowRules.band, scope, expected, { height: lowest, shows })
    : trace.found(mowRules.swardBand, scope, expected, { height: lowest, leaf, sown: sow.day })
}

/** When it looks right, and whether that is in time for the customer's date. */
function presentableFrom(
  { job, trace }: FollowBrief,
  plan: PackagePlan,
  sow: PlannedStep,
  zones: readonly ZonePlan[],
): { figure: Figure; notices: Notice[] } {
  // The slowest zone decides: nobody calls a lawn right while a part of it is bare.
  const weeks = zones.map((z) => trace.grass(largestPart(z.seed!.mix).grass).weeksToUse)
  const soonest = Math.max(...weeks.map((w) => w[0]))
  const latest = Math.max(...weeks.map((w) => w[1]))
  const low = addDays(sow.chosen, soonest * 7)
  const high = addDays(sow.chosen, latest * 7)
  const figure = trace.found(
    followRules.presentable,
    packageScope(plan.id),
    { low, high },
    { sown: sow.day, soonest, latest },
  )
  const says = say`Sown ${onDay(sow.chosen)}, it looks right between ${onDay(low)} and ${onDay(high)}.`
  return { figure, notices: inTime(job, plan, { low, high }, says, figure) }
}

/** When turf that is not sown has grown over what was done to it. */
function recoversFrom(
  { job, trace }: FollowBrief,
  plan: PackagePlan,
  anchor: PlannedStep,
  rounds: readonly ZonePlan[],
): { figure: Figure; notices: Notice[] } | null {
  const days = Math.max(0, ...rounds.map((z) => looksBadDays(z.work, job, trace)))
  if (days === 0) return null
  const day = addDays(anchor.chosen, days)
  const figure = trace.found(followRules.recovers, packageScope(plan.id), day, {
    worked: anchor.day,
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
  job: Job,
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

function middleOf(band: Figure): Day {
  const { low, high } = band.value as { low: Day; high: Day }
  return addDays(low, Math.round((dayNumber(high) - dayNumber(low)) / 2))
}

/** What the later steps of a package are dated from. */
interface Since {
  sow: PlannedStep
  band: Figure | null
  mow: PackageFollow['mow']
}

/**
 * The steps after the seed is up, or after a dressing is grown through: weekly mows are repeated
 * until the visit.
 */
function laterStepsOf(
  brief: FollowBrief,
  plan: PackagePlan,
  needs: readonly StepNeed[],
  since: Since,
): PlannedStep[] {
  const { trace } = brief
  const every = trace.value(lagValues.mowEvery)
  const repeated = needs.flatMap((need) =>
    need.kind === 'mow-weekly'
      ? [1, 2, 3].map((part) => (part === 1 ? need : { ...need, part }))
      : [need],
  )
  const days = new Map<string, Day>()
  return repeated.map((need) => {
    const step = laterStep(brief, plan, need, since, { days, every })
    days.set(`${need.kind}${need.part ?? 1}`, step.chosen)
    return step
  })
}

/** The first day from one on that turf grows enough to be dressed. */
function inGrowth(
  { prescription: p, schools, trace }: FollowBrief,
  plan: PackagePlan,
  from: Day,
): Day {
  const window = windowToWork(plan.season, 'open', p.climate, schools, trace)
  const start = dayNumber(window.start)
  const at = window.states.findIndex((state, i) => state !== 'shut' && start + i >= dayNumber(from))
  return at < 0 ? from : addDays(window.start, at)
}

function laterStep(
  brief: FollowBrief,
  plan: PackagePlan,
  need: StepNeed,
  { sow, band, mow: heights }: Since,
  { days, every }: { days: ReadonlyMap<string, Day>; every: number },
): PlannedStep {
  const { records, workforce, trace } = brief
  const { kind, zones, part } = need
  const id = stepId(kind, zones, part)
  const name = operationName(kind, plan.plants)
  const lag = trace.values(lagValues)
  const ref = { kind, zones, workPackage: plan.id, ...(part ? { part } : {}) }
  const done = records.doneOf(ref)?.day ?? null
  const pin = records.pinOf(ref)
  const mow =
    days.get('first-mow1') ?? (band ? middleOf(band) : addDays(sow.chosen, lag.firstMowGuess))
  const dressed = plan.steps.find((s) => s.kind === 'dress')
  const scope = stepScope(id)
  const named = { label: name }
  const sown = plan.plants
  // The second lift is the first repeat; the third and on carry their number.
  const liftBefore =
    days.get(part === undefined || part === 3 ? 'dress-again1' : `dress-again${part - 1}`) ??
    dressed?.chosen ??
    sow.chosen
  const lifted = addDays(part ? liftBefore : (dressed?.chosen ?? sow.chosen), lag.dressed)
  const mownTwice = addDays(mow, lag.twoMows)
  const usual: Record<string, () => Day> = {
    'first-mow': () => (band ? middleOf(band) : mow),
    'mow-weekly': () => addDays(mow, every * (part ?? 1)),
    'leaf-again': () => addDays(band ? middleOf(band) : mow, -1),
    'feed-later': () => addDays(mow, lag.afterMow),
    'dress-again': () => inGrowth(brief, plan, sown && mownTwice > lifted ? mownTwice : lifted),
    uncover: () => addDays(sow.chosen, trace.value(operationValues.sheet)),
    visit: () => addDays(sow.chosen, lag.visit),
  }
  // A sheet is not left on over a weekend: grass burns under it.
  const chosen =
    done ?? pin ?? workingDay(usual[kind]!(), workforce.weekendWork || kind === 'uncover')
  const day = (): Figure => {
    if (done) return trace.found(orderRules.done, scope, chosen, {}, named)
    if (pin) return trace.found(orderRules.pinned, scope, chosen, {}, named)
    if (kind === 'uncover')
      return trace.found(followRules.uncover, scope, chosen, { sown: sow.day }, named)
    if (kind === 'first-mow') return trace.found(followRules.mowDay, scope, chosen, { band }, named)
    if (kind === 'mow-weekly')
      return trace.found(followRules.weekly, scope, chosen, { mow: band }, named)
    if (kind === 'leaf-again')
      return trace.found(followRules.leafAgain, scope, chosen, { mow: band }, named)
    if (kind === 'feed-later')
      return trace.found(followRules.afterMow, scope, chosen, { mow: band }, named)
    if (kind === 'dress-again')
      return trace.found(
        followRules.again,
        scope,
        chosen,
        { dressed: dressed?.day ?? null, mow: sown ? band : null },
        named,
      )
    return trace.found(followRules.visit, scope, chosen, { sown: sow.day }, named)
  }
  const limits = kind === 'first-mow' && band ? (band.value as { low: Day; high: Day }) : null
  return {
    id,
    workPackage: plan.id,
    kind,
    ...(part ? { part } : {}),
    name: part ? say`${name}, ${part}` : name,
    why: operationWhy(kind, trace),
    zones,
    hours: hoursFigure(need, name, trace),
    people: need.effort.people,
    passes: 1,
    span: 1,
    earliest: limits?.low ?? null,
    latest: limits?.high ?? null,
    chosen,
    day: day(),
    precondition: need.precondition,
    how: kind === 'first-mow' || kind === 'mow-weekly' ? joined(heightsSaid(brief, kind, heights.filter((h) => zones.includes(h.zone))), '; ') : need.how, // prettier-ignore
    state: done ? 'done' : pin ? 'pinned' : 'planned',
    cautions: [...OPERATIONS[kind].cautions],
  }
}

/** "when it stands 60 mm", "to 40 mm", by zone where they differ. */
function heightsSaid(
  { prescription: p }: FollowBrief,
  kind: StepKind,
  heights: PackageFollow['mow'],
): Message[] {
  const zoneAt = (id: string) => p.zones.find((z) => z.r.id === zoneOf(id))!.r
  const one = ({ zone, height }: PackageFollow['mow'][number]): Message =>
    kind === 'first-mow' ? say`when it stands ${height}` : say`to ${zoneAt(zone).cut}`
  const worth = (h: PackageFollow['mow'][number]) =>
    num(kind === 'first-mow' ? h.height : zoneAt(h.zone).cut)
  if (heights.every((h) => worth(h) === worth(heights[0]!))) return heights.slice(0, 1).map(one)
  return heights.map((h) => say`${zoneAt(h.zone).name}: ${one(h)}`)
}
