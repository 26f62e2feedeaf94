import { addDays, dayNumber, type Day } from '../calendar/day.ts'
import { asNew } from '../approach/approach.ts'
import type { Job } from '../entities/job.ts'
import { leafAfterCut, smotherValues } from '../materials/dressingRules.ts'
import type { Prescription, ZonePlan } from '../prescribe.ts'
import type { Workforce } from '../reference/firmSettings.ts'
import { GRASSES, type GrassId } from '../reference/grasses.ts'
import { lagValues } from '../reference/lagValues.ts'
import { OPERATIONS, operationWhy } from '../reference/operations.ts'
import { schoolName, type Schools } from '../reference/schools.ts'
import { WANTED_FROM } from '../climate/sowingWindow.ts'
import { hoursFigure, orderRules, workingDay, type PackagePlan, type PlannedStep } from '../schedule/orderOfWork.ts'
import { stepId, type StepRecords } from '../schedule/stepRecords.ts'
import { largestPart } from '../seed/mix.ts'
import { num, type Figure, type Notice } from '../trace/figure.ts'
import { onDay, quantity, say } from '../trace/message.ts'
import { procedure, rule, tradeValues, value } from '../trace/rule.ts'
import { figureId, packageScope, stepScope, zoneScope } from '../trace/scope.ts'
import type { Trace } from '../trace/trace.ts'
import type { StepNeed } from '../work/steps.ts'
import { emergence, emergenceRules, emergenceValues, type Emergence } from './emergence.ts'
import { growthValues, mowBand, mowRules, mowSchool, mowValues } from './firstMow.ts'
import { planWater, type WaterPlan } from './watering.ts'

const after = { key: 'day', stage: 6, label: 'Day', unit: 'date', by: 'establish/follow: laterStep', check: 'plan.test.ts' } as const

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
    says: 'The next lift {days} on, in growth.',
    values: { days: lagValues.dressed },
    inputs: { dressed: 'date?' },
    steps: 'the first working day so long after the last lift',
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
  sown: Day
  up: { grass: GrassId; figure: Figure }[]
  handOver: Figure | null
  wateringDays: Figure | null
  mowBand: Figure | null
  mow: { zone: string; height: Figure }[]
  presentable: Figure | null
  /** The day of a first green haze. */
  haze: Day
  /** Growing on, and from when watering is settled; null while nobody can say when the grass is up. */
  phases: { growing: { from: Day; to: Day }; settled: Day } | null
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
  const { water, notices: waterNotices } = planWater({ job, schools, zones: p.zones.filter((z) => z.seed).map((z) => z.r), trace }) // prettier-ignore
  const followed = packages.flatMap((plan) => followPackage(brief, plan) ?? [])
  const later = followed.flatMap((f) => f.later)
  const all = [...packages.flatMap((s) => s.steps), ...later]
  const done = all.filter((s) => s.state === 'done' || s.state === 'unrecorded').length
  const next = all.filter((s) => s.state === 'planned' || s.state === 'pinned').sort((a, b) => a.chosen.localeCompare(b.chosen))[0] ?? null
  return {
    follow: { water, packages: followed.map((f) => f.follow), later, done, of: all.length, next },
    notices: [...waterNotices, ...followed.flatMap((f) => f.notices), ...overdue(next, today)],
  }
}

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

/** What follows the seed of one package; null when nothing is sown in it. */
function followPackage(brief: FollowBrief, plan: PackagePlan): { follow: PackageFollow; later: PlannedStep[]; notices: Notice[] } | null {
  const sow = plan.steps.find((s) => s.kind === 'sow')
  if (!sow) return null
  const zones = brief.prescription.zones.filter((z) => plan.zones.includes(z.r.id) && z.seed)
  const bands = bandsOf(brief, plan, sow, zones)
  const heights = zones.map((z) => firstMowOf(brief, z))
  const mow = heights.map(({ zone, height }) => ({ zone, height }))
  const main = zones
    .flatMap((z) => z.seed!.mix)
    .filter((m) => bands.byGrass.has(m.grass))
    .sort((a, b) => b.share - a.share)[0]?.grass
  const band = main && mow.length > 0 ? mowBandOf(brief, plan, sow, zones, { main, mow, bands }) : null
  const presentable = band ? presentableFrom(brief, plan, sow, zones) : null
  const needs = brief.laterSteps.get(plan.id) ?? []
  return {
    follow: { workPackage: plan.id, sown: sow.chosen, up: bands.up, handOver: bands.handOver, wateringDays: bands.wateringDays, mowBand: band, mow, presentable: presentable?.figure ?? null, ...phasesOf(brief, sow, bands.handOver) }, // prettier-ignore
    later: needs.map((need) => laterStep(brief, plan, need, { sow, band })),
    notices: [...heights.flatMap((h) => h.notices), ...(presentable?.notices ?? [])],
  }
}

interface Bands {
  byGrass: Map<GrassId, Emergence>
  up: { grass: GrassId; figure: Figure }[]
  handOver: Figure | null
  wateringDays: Figure | null
}

/** When each wanted grass shows, and how long the surface is kept moist for the slowest. */
function bandsOf({ prescription: p, trace }: FollowBrief, plan: PackagePlan, sow: PlannedStep, zones: readonly ZonePlan[]): Bands {
  const scope = packageScope(plan.id)
  const shares = trace.values(emergenceValues)
  const byGrass = new Map<GrassId, Emergence>()
  const grasses = [...new Set(zones.flatMap((z) => z.seed!.mix.filter((m) => m.share >= WANTED_FROM).map((m) => m.grass)))]
  const up = grasses.flatMap((grass) => {
    const e = emergence(grass, sow.chosen, p.climate.soilBefore, shares)
    if (!e) return []
    byGrass.set(grass, e)
    const { theta, base } = GRASSES[grass].thermal!
    const figure = trace.found(
      emergenceRules.band,
      scope,
      { low: e.first, high: e.last },
      { sown: sow.day, soil: p.climate.soilNow, warmth: theta, base },
      { part: grass, label: say`${GRASSES[grass].short} shows`, change: 'Warmer or colder soil, and any day it dries.' },
    )
    return [{ grass, figure }]
  })
  if (byGrass.size === 0) return { byGrass, up, handOver: null, wateringDays: null }
  const handOver = trace.work(emergenceRules.slowest, scope, { last: [...byGrass.values()].map((e) => e.last) })
  return { byGrass, up, handOver, wateringDays: trace.work(followRules.wateringDays, scope, { sown: sow.day, handOver }) }
}

function firstMowOf({ schools, trace }: FollowBrief, { r }: ZonePlan): { zone: string; height: Figure; notices: Notice[] } {
  const scope = zoneScope(r.id)
  const school = mowSchool(schools.firstMow, num(r.cut), trace.value(mowValues.inchFrom))
  const inch = school === 'inch-over'
  const about = { school: `firstMow:${school}`, change: say`The “${schoolName('firstMow', inch ? 'one-third' : 'inch-over')}” school.` }
  const height = inch ? trace.work(mowRules.inchOver, scope, { cut: r.cut }, about) : trace.work(mowRules.oneThird, scope, { cut: r.cut }, about)
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

/** When watering changes, and when a first haze shows: once, for every screen and sheet. */
function phasesOf({ trace }: FollowBrief, sow: PlannedStep, handOver: Figure | null): Pick<PackageFollow, 'haze' | 'phases'> {
  const { growing, haze } = trace.values(phaseValues)
  const from = handOver && addDays(handOver.value as Day, 1)
  const to = from && addDays(from, growing - 1)
  return { haze: addDays(sow.chosen, haze), phases: from && to ? { growing: { from, to }, settled: addDays(to, 1) } : null }
}

const largest = (zones: readonly ZonePlan[]): ZonePlan => zones.reduce((a, b) => (num(b.r.area!) > num(a.r.area!) ? b : a))

/** When the first mow is expected: by the lowest height asked for, from the main grass or from the living sward. */
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
  const leaf = asNew(biggest.approach.chosen) ? null : leafAfterCut(num(biggest.r.cut), trace.values(smotherValues))
  const { soil, start } = p.climate.soilBefore
  const growing = { height: num(lowest), season: plan.season, soil, start, sward: leaf === null ? null : { sown: sow.chosen, leaf } }
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
  const scope = packageScope(plan.id)
  const main = largestPart(largest(zones).seed!.mix).grass
  const [soonest, latest] = GRASSES[main].weeksToUse
  const low = addDays(sow.chosen, soonest * 7)
  const high = addDays(sow.chosen, latest * 7)
  const figure = trace.found(followRules.presentable, scope, { low, high }, { sown: sow.day, soonest, latest })
  if (!job.customerDate || high <= job.customerDate || !plan.fits) return { figure, notices: [] }
  const late = low > job.customerDate
  const instead = late
    ? 'Tell the customer now, or choose a quicker mix, or turf for that day.'
    : 'Do not let the sowing slip, and feed once it is mown.'
  const notice: Notice = {
    id: figureId(scope, 'customer-date'),
    stage: 6,
    level: late ? 'warn' : 'note',
    title: late ? say`It will not look right by ${onDay(job.customerDate)}.` : say`Tight for ${onDay(job.customerDate)}.`,
    says: say`Sown ${onDay(sow.chosen)}, it looks right between ${onDay(low)} and ${onDay(high)}. ${instead}`,
    figure: figure.id,
  }
  return { figure, notices: [notice] }
}

function middleOf(band: Figure): Day {
  const { low, high } = band.value as { low: Day; high: Day }
  return addDays(low, Math.round((dayNumber(high) - dayNumber(low)) / 2))
}

/** A step after the seed is up: first mow, later feed, next lift, visit. */
function laterStep(brief: FollowBrief, plan: PackagePlan, need: StepNeed, { sow, band }: { sow: PlannedStep; band: Figure | null }): PlannedStep {
  const { records, workforce, prescription: p, trace } = brief
  const { kind, zones } = need
  const id = stepId(kind, zones)
  const op = OPERATIONS[kind]
  const lag = trace.values(lagValues)
  const step = { kind, zones, workPackage: plan.id }
  const done = records.doneOf(step)?.day ?? null
  const pin = records.pinOf(step)
  const mow = band ? middleOf(band) : addDays(sow.chosen, lag.firstMowGuess)
  const dressed = plan.steps.find((s) => s.kind === 'dress')
  const usual =
    kind === 'first-mow'
      ? mow
      : kind === 'feed-later'
        ? addDays(mow, lag.afterMow)
        : kind === 'dress-again'
          ? addDays(dressed?.chosen ?? sow.chosen, lag.dressed)
          : addDays(sow.chosen, lag.visit)
  const chosen = done ?? pin ?? workingDay(usual, workforce.weekendWork)
  const scope = stepScope(id)
  const named = { label: op.name }
  const day = (): Figure => {
    if (done) return trace.found(orderRules.done, scope, chosen, {}, named)
    if (pin) return trace.found(orderRules.pinned, scope, chosen, {}, named)
    if (kind === 'first-mow') return trace.found(followRules.mowDay, scope, chosen, { band }, named)
    if (kind === 'feed-later') return trace.found(followRules.afterMow, scope, chosen, { mow: band }, named)
    if (kind === 'dress-again') return trace.found(followRules.again, scope, chosen, { dressed: dressed?.day ?? null }, named)
    return trace.found(followRules.visit, scope, chosen, { sown: sow.day }, named)
  }
  const limits = kind === 'first-mow' && band ? (band.value as { low: Day; high: Day }) : null
  const areas = p.zones.filter((z) => plan.zones.includes(z.r.id) && z.r.area).map((z) => z.r.area!)
  return {
    id,
    workPackage: plan.id,
    kind,
    name: op.name,
    why: operationWhy(kind, trace),
    zones,
    hours: hoursFigure(need, areas, trace),
    people: need.effort.people,
    passes: 1,
    span: 1,
    earliest: limits?.low ?? null,
    latest: limits?.high ?? null,
    chosen,
    day: day(),
    precondition: kind === 'first-mow' ? 'dry ground, and the height' : kind === 'dress-again' ? 'tips standing clear' : '',
    state: done ? 'done' : pin ? 'pinned' : 'planned',
    cautions: [...op.cautions],
  }
}
