import { sure } from '../quantities/sure.ts'
import { addDays, dayNumber, laterDay, type Day } from '../calendar/day.ts'
import { growthValues } from '../climate/growth.ts'
import { oddsValues } from '../climate/sowingOdds.ts'
import { mowable, mowingSeason, type MowingSeason } from '../climate/mowingSeason.ts'
import { isRising } from '../climate/windows.ts'
import { activeEntries, type DiaryEntry } from '../entities/diary.ts'
import type { Job } from '../entities/job.ts'
import type { WeatherDay } from '../climate/weatherSeries.ts'
import { isCovered } from './seedbed/ofZone.ts'
import { seedbedModel } from './seedbed/seedbedValues.ts'
import { waterOfDays } from './waterOfDays.ts'
import type { Closed, Follow, PackageFollow, WaterOfDay, WaterPlan } from '../plan/follow.ts'
import { feedProgramme, type FeedProgramme } from './feedRounds.ts'
import { laterStepsOf, middleOf, type LaterBrief } from './laterSteps.ts'
import { presentableFrom, recoversFrom } from './looksRight.ts'
import type { Prescription, ZonePlan } from '../plan/prescription.ts'
import type { GrassId } from '../reference/grasses.ts'
import { OPERATIONS } from '../reference/operations.ts'
import { schoolName } from '../reference/schools.ts'
import { WANTED_FROM } from '../climate/sowingLines.ts'
import type { PackagePlan, PlannedStep } from '../plan/order.ts'
import { num, type Figure, type Notice } from '../trace/figure.ts'
import { onDay, quantity, say } from '../rules/message.ts'
import { rule, tradeValues, value } from '../rules/rule.ts'
import { figureId, packageScope, zoneScope } from '../trace/scope.ts'
import type { ZoneReadings } from '../walkover/zoneReadings.ts'
import { inPart } from '../work/ground.ts'
import { isPlanted, isSown, livingSward } from '../work/sowing.ts'
import type { StepNeed } from '../schedule/steps.ts'
import { paceOf, paceRules, paceValues, warmthBetween, type CountOfDay } from './countedUp.ts'
import { plantCountValues } from './plantCount.ts'
import {
  emergence,
  emergenceRules,
  emergenceValues,
  judgedFrom,
  patienceValues,
  type Emergence,
} from './emergence.ts'
import { mowBand, mowRules, mowSchool, mowValues } from './firstMow.ts'
import { planWater } from './watering.ts'
import { waterIn } from './waterIn.ts'
import { isBehind } from '../plan/stepState.ts'

export const followRules = {
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
  untilRest: rule({
    id: 'follow.watering-until-rest',
    key: 'watering-days',
    stage: 7,
    label: 'Days of seedbed watering',
    unit: 'd',
    standing: 'practice',
    says: 'From sowing until growth stops; it is taken up again in spring.',
    inputs: { sown: 'date', stops: 'date' },
    formula: 'stops - sown',
    compute: ({ sown, stops }) => dayNumber(stops) - dayNumber(sown),
  }),
}

export const phaseValues = tradeValues('phase', {
  growing: value(
    8,
    'd',
    'practice',
    'Growing on is watered every other day until the first mow, at least for',
    [3, 30],
  ),
  summerMm: value(12, 'rain', 'practice', 'A new lawn is watered in its first summer by', [5, 30]),
})

export interface FollowBrief extends Omit<LaterBrief, 'visits'> {
  job: Job
  packages: readonly PackagePlan[]
  /** The steps that come after the seed, by package. */
  laterSteps: ReadonlyMap<string, readonly StepNeed[]>
  today: Day
  diary: readonly DiaryEntry[]
  /** Days on record and ahead, with the site’s own gauge. */
  weather: readonly WeatherDay[]
}

/** Watering, emergence, first mow and the steps that come after the seed is up. */
export function follow(brief: FollowBrief): {
  follow: Follow
  /** How its ground is fed on, by package. */
  programmes: FeedProgramme[]
  notices: Notice[]
} {
  const { job, schools, prescription: p, packages, today, trace } = brief
  const { water, notices: waterNotices } = planWater({
    job,
    schools,
    zones: p.zones.flatMap(wateredGround),
    trace,
    from: packages.find((plan) => plan.plants)?.sowDay ?? today,
    latitude: p.climate.latitude,
  })
  const visits = packages.flatMap((plan) => plan.steps.map((s) => s.chosen))
  const followed: Followed[] = []
  for (const plan of packages.filter((p) => p.kind !== 'due')) {
    const one = followPackage({ ...brief, visits }, plan)
    visits.push(...one.later.map((s) => s.chosen))
    followed.push(one)
  }
  const later = [
    ...followed.flatMap((f) => f.later),
    ...packages
      .filter((plan) => plan.kind === 'due')
      .flatMap((plan) => looksAfter({ ...brief, visits }, plan)),
  ]
  const all = [...packages.flatMap((s) => s.steps), ...later]
  const done = all.filter(isBehind).length
  const next =
    all
      .filter((s) => s.state === 'planned' || s.state === 'pinned')
      .sort((a, b) => a.chosen.localeCompare(b.chosen))[0] ?? null
  return {
    follow: {
      water,
      waterIn: waterIn(brief, packages, later),
      waterDays: water ? followed.flatMap((f) => daysOfWater(brief, f.follow, water)) : [],
      closed: packages.flatMap((plan) =>
        closedBy(
          plan,
          followed.find((f) => f.follow.workPackage === plan.id),
        ),
      ),
      packages: followed.map((f) => f.follow),
      later,
      done,
      of: all.length,
      next,
    },
    programmes: followed.flatMap((f) => f.programme ?? []),
    notices: [...waterNotices, ...followed.flatMap((f) => f.notices), ...overdue(next, today)],
  }
}

/** What is watered of a zone: all of it, or the patches that are sown or set and no more. */
const wateredGround = ({ r, seed, work }: ZonePlan): ZoneReadings[] =>
  seed || (isPlanted(work.sowing) && !isSown(work.sowing) && r.area)
    ? [inPart(work.sowing) && work.sown ? { ...r, area: work.sown } : r]
    : []

/** The water of the days ahead for one piece of work. */
function daysOfWater(
  { job, prescription: p, today, weather, trace }: FollowBrief,
  follow: PackageFollow,
  water: WaterPlan,
): WaterOfDay[] {
  const zones = p.zones.filter((z) =>
    p.packages.some((k) => k.id === follow.workPackage && k.zones.some((w) => w.r.id === z.r.id)),
  )
  // What lies bare dries first.
  const covered = zones.every((z) => isCovered(z, job))
    ? 1 - trace.value(seedbedModel.mulch) / 100
    : 1
  return waterOfDays(follow, {
    water,
    latitude: p.climate.latitude,
    weather,
    covered,
    today,
    trace,
  })
}

const overdue = (next: PlannedStep | null, today: Day): Notice[] =>
  next && next.chosen < today
    ? [
        {
          id: 'follow.overdue',
          stage: 8,
          level: 'warn',
          title: say`${next.name} was due ${onDay(next.chosen)}.`,
          says:
            next.state === 'pinned'
              ? 'Record it in the diary if it is done, or let its pin go.'
              : 'Record it in the diary once it is done.',
        },
      ]
    : []

/**
 * From its first step that closes the lawn to its last, or until the seedlings are mown; turf and
 * plugs until they have rooted, which is when they are mown first.
 */
function closedBy(plan: PackagePlan, followed: Followed | undefined): Closed[] {
  const closing = plan.steps.filter((s) => OPERATIONS[s.kind].closes).map((s) => s.chosen)
  if (closing.length === 0) return []
  const [from, last] = [closing.sort()[0]!, closing.at(-1)!]
  const { follow, later = [] } = followed ?? {}
  const rooted = plan.steps.some(hasRoots)
    ? later.find((s) => s.kind === 'first-mow')?.chosen
    : undefined
  const mown = follow?.seedlingsMown
    ? (follow.seedlingsMown.value as { low: Day }).low
    : (rooted ?? last)
  return [{ workPackage: plan.id, zones: [...plan.zones], from, to: laterDay(last, mown) }]
}

/** Turf and plugs have roots of their own, and are pulled out by a foot until they hold. */
const hasRoots = ({ kind }: PlannedStep) => OPERATIONS[kind].plants && kind !== 'sow'

/** Looks at work that was done when it was due, and what they lead to. */
function looksAfter(brief: FollowBrief & LaterBrief, plan: PackagePlan): PlannedStep[] {
  const needs = brief.laterSteps.get(plan.id) ?? []
  const sow = plan.steps.find((s) => s.kind === plan.anchor)
  if (!sow || needs.length === 0) return []
  const season = mowingSeason(plan.season, brief.prescription.climate.place, brief.trace)
  return laterStepsOf(brief, plan, needs, { sow, band: null, seedlings: null, mow: [], season })
}

interface Followed {
  follow: PackageFollow
  later: PlannedStep[]
  programme: FeedProgramme | null
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
function followPackage(brief: FollowBrief & LaterBrief, plan: PackagePlan): Followed {
  const { prescription: p } = brief
  const rounds = roundsOf(p, plan)
  const sow = plan.steps.find((s) => s.kind === 'sow')
  const anchor =
    sow ?? plan.steps.find((s) => s.chosen === plan.sowDay && s.kind !== 'notice') ?? plan.steps[0]!
  const zones = sow ? rounds.filter((z) => z.seed) : []
  const bands = sow ? bandsOf(brief, plan, sow, zones) : NO_BANDS
  const heights = zones.map((z) => firstMowOf(brief, z))
  const mow = heights.map(({ zone, height }) => ({ zone, height }))
  const season = mowingSeason(plan.season, p.climate.place, brief.trace)
  const main = leadingGrass(zones, bands)
  const mows =
    sow && main && mow.length > 0
      ? mowBandsOf(brief, plan, sow, zones, { main, mow, bands, season })
      : { band: null, seedlings: null }
  const { band, seedlings } = mows
  const needs = brief.laterSteps.get(plan.id) ?? []
  const programme = feedProgramme(brief, plan, needs, seedlings && middleOf(seedlings, season))
  const later = laterStepsOf(brief, plan, needs, {
    programme,
    sow: anchor,
    band,
    seedlings,
    mow,
    shows: [...bands.byGrass.values()].map((e) => e.half).sort()[0] ?? null,
    season,
  })
  const presentable = sow
    ? band
      ? presentableFrom(brief, plan, sow, zones, {
          up: bands.up,
          halfUp: new Map([...bands.byGrass].map(([grass, { half }]) => [grass, half])),
          seedlings,
        })
      : null
    : recoversFrom(brief, plan, anchor, rounds, later)
  const mowSteps = later.filter((s) => OPERATIONS[s.kind].mows)
  const phases = sow
    ? phasesOf(brief, sow, bands, seedlings, season)
    : { haze: null, phases: null, rest: null }
  const summer =
    sow && phases.phases && isRising(p.climate, sow.chosen)
      ? [firstSummer(brief, plan, phases.phases.settled)]
      : []
  return {
    follow: {
      workPackage: plan.id,
      plants: plan.plants,
      sown: anchor.chosen,
      up: bands.up,
      pace: bands.pace,
      handOver: bands.handOver,
      wateringDays: bands.wateringDays,
      judge: bands.judge,
      lostFrom: bands.lostFrom,
      mowBand: band,
      seedlingsMown: seedlings,
      mow,
      presentable: presentable?.figure ?? null,
      ...phases,
      ...aroundMows(
        mowSteps.map((s) => s.chosen),
        bands.handOver,
      ),
    },
    later,
    programme,
    notices: [...heights.flatMap((h) => h.notices), ...(presentable?.notices ?? []), ...summer],
  }
}

interface Bands {
  byGrass: Map<GrassId, Emergence>
  up: { grass: GrassId; figure: Figure }[]
  pace: Figure | null
  handOver: Figure | null
  wateringDays: Figure | null
  judge: Figure | null
  lostFrom: Day | null
}

const NO_BANDS: Bands = {
  byGrass: new Map(),
  up: [],
  pace: null,
  handOver: null,
  wateringDays: null,
  judge: null,
  lostFrom: null,
}

/** When each wanted grass shows, and how long the surface is kept moist for the slowest. */
function bandsOf(
  brief: FollowBrief,
  plan: PackagePlan,
  sow: PlannedStep,
  zones: readonly ZonePlan[],
): Bands {
  const { prescription: p, trace } = brief
  const scope = packageScope(plan.id)
  const shares = trace.values(emergenceValues)
  const byGrass = new Map<GrassId, Emergence>()
  const grasses = [
    ...new Set(
      zones.flatMap((z) =>
        sure(z.seed)
          .mix.filter((m) => m.share >= WANTED_FROM)
          .map((m) => m.grass),
      ),
    ),
  ]
  const pace = countedPace(brief, plan, sow, zones)
  const up = grasses.flatMap((grass) => {
    const { thermal } = trace.grass(grass)
    const asCounted = thermal && { ...thermal, theta: thermal.theta * (pace ? num(pace) : 1) }
    const e = emergence({ thermal: asCounted }, sow.chosen, p.climate.soilBefore, shares)
    if (!e) return []
    byGrass.set(grass, e)
    const { theta, base } = sure(asCounted)
    const figure = trace.found(
      emergenceRules.band,
      scope,
      { low: e.first, high: e.last },
      { sown: sow.day, soil: p.climate.soilNow, warmth: theta, base, pace },
      {
        part: grass,
        label: say`${trace.grass(grass).short} shows`,
        change: 'Warmer or colder soil, and any day it dries.',
      },
    )
    return [{ grass, figure }]
  })
  if (byGrass.size === 0) return { ...NO_BANDS, up }
  const handOver = trace.work(emergenceRules.slowest, scope, {
    last: [...byGrass.values()].map((e) => e.last),
  })
  const judged = judgedFrom(
    sow.chosen,
    [...byGrass].map(([grass, { last }]) => ({ of: trace.grass(grass), last })),
    trace.value(patienceValues.warm),
  )
  const judge = trace.found(emergenceRules.judge, scope, judged, { sown: sow.day, last: handOver })
  const lost = addDays(sow.chosen, Math.round(trace.value(oddsValues.longest)))
  const stops = mowingSeason(plan.season, p.climate.place, trace).stops(sow.chosen)
  const rests = stops !== null && stops <= (handOver.value as Day)
  return {
    byGrass,
    up,
    pace,
    handOver,
    judge,
    lostFrom: laterDay(lost, addDays(judged, 1)),
    wateringDays: rests
      ? trace.work(followRules.untilRest, scope, { sown: sow.day, stops })
      : trace.work(followRules.wateringDays, scope, { sown: sow.day, handOver }),
  }
}

/** How much warmth a sowing takes by the seedlings counted since; null where none were. */
function countedPace(
  { prescription: p, trace, diary, today }: FollowBrief,
  plan: PackagePlan,
  sow: PlannedStep,
  zones: readonly ZonePlan[],
): Figure | null {
  const counts = activeEntries(diary).flatMap((e): (CountOfDay & { expected: number })[] => {
    const seed = zones.find((z) => z.r.zone.id === e.zone)?.seed
    if (!seed || !e.counted || e.date < sow.chosen || e.date > today) return []
    const { plants, side } = e.counted
    return [
      {
        plants: plants.reduce((a, b) => a + b, 0),
        ground: 1e4 * side * side * plants.length,
        expected: num(seed.plantsExpected),
        grasses: seed.plants.flatMap(({ grass, share }) => {
          const { thermal } = trace.grass(grass)
          if (!thermal) return []
          const had = warmthBetween(thermal.base, sow.chosen, e.date, p.climate.soilBefore)
          return [{ warmth: had / thermal.theta, share: num(share) / 100 }]
        }),
      },
    ]
  })
  if (counts.length === 0) return null
  const expected = counts.reduce((a, c) => a + c.expected, 0) / counts.length
  const values = { ...trace.values(paceValues), ...trace.values(plantCountValues), ...trace.values(emergenceValues) } // prettier-ignore
  const { pace } = paceOf(counts, expected, values)
  return trace.found(paceRules.pace, packageScope(plan.id), pace, {
    expected,
    counted: counts.reduce((a, c) => a + c.plants, 0),
    sown: sow.day,
  })
}

/** Parts of a mix from here on lead it, %. */
const LEADS_FROM = 20

/** The quick grass that leads a mix: of its larger parts the one that is up first. */
function leadingGrass(zones: readonly ZonePlan[], { byGrass }: Bands): GrassId | undefined {
  const parts = zones.flatMap((z) => z.seed?.mix ?? []).filter((m) => byGrass.has(m.grass))
  const large = parts.filter((m) => m.share >= LEADS_FROM)
  return [...(large.length > 0 ? large : parts)].sort(
    (a, b) =>
      sure(byGrass.get(a.grass)).half.localeCompare(sure(byGrass.get(b.grass)).half) ||
      b.share - a.share ||
      a.grass.localeCompare(b.grass),
  )[0]?.grass
}

/** A spring sowing has its first summer ahead. */
function firstSummer({ trace }: FollowBrief, plan: PackagePlan, settled: Day): Notice {
  const { summerMm } = trace.values(phaseValues)
  return {
    id: figureId(packageScope(plan.id), 'first-summer'),
    stage: 7,
    level: 'note',
    title: 'It needs water through its first summer.',
    says: say`From ${onDay(settled)} about ${quantity(summerMm, 'rain')} each 3 to 4 days, rain counted, until late summer; in heat more.`,
  }
}

function firstMowOf(
  { schools, trace }: FollowBrief,
  { r, work }: ZonePlan,
): { zone: string; height: Figure; notices: Notice[] } {
  const scope = zoneScope(r.id)
  if (livingSward(work.sowing))
    return { zone: r.id, height: trace.work(mowRules.goesOn, scope, { cut: r.keep }), notices: [] }
  const school = mowSchool(schools.firstMow, num(r.keep), trace.value(mowValues.inchFrom))
  const inch = school === 'inch-over'
  const about = {
    school: `firstMow:${school}`,
    change: say`The “${schoolName('firstMow', inch ? 'one-third' : 'inch-over')}” school.`,
  }
  const height = inch
    ? trace.work(mowRules.inchOver, scope, { cut: r.keep }, about)
    : trace.work(mowRules.oneThird, scope, { cut: r.keep }, about)
  if (school === schools.firstMow) return { zone: r.id, height, notices: [] }
  const notice: Notice = {
    id: figureId(scope, 'mow-school'),
    stage: 8,
    zone: r.id,
    level: 'note',
    title: say`${r.name}: inch-over is refused at ${r.keep}.`,
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
  { handOver, byGrass }: Bands,
  seedlings: Figure | null,
  season: MowingSeason,
): Pick<PackageFollow, 'haze' | 'phases' | 'rest'> {
  const { growing } = trace.values(phaseValues)
  const from = handOver && addDays(handOver.value as Day, 1)
  // Growing on lasts until the seedlings are mown.
  const mown = seedlings && (seedlings.value as { low: Day }).low
  const to = from && laterDay(addDays(from, growing - 1), mown && addDays(mown, -1))
  const stops = season.stops(sow.chosen)
  const again = stops && season.from(stops)
  return {
    haze: [...byGrass.values()].map((e) => e.half).sort()[0] ?? null,
    phases: from && to ? { growing: { from, to }, settled: addDays(to, 1) } : null,
    rest: stops && again && to && stops <= to ? { from: stops, to: addDays(again, -1) } : null,
  }
}

const largest = (zones: readonly ZonePlan[]): ZonePlan =>
  [...zones].sort(
    (a, b) => num(sure(b.r.area)) - num(sure(a.r.area)) || a.r.id.localeCompare(b.r.id),
  )[0]!

/**
 * When the first mow is expected, by the lowest height asked for: of the sward that stands, or of
 * the seedlings where none does; and when the seedlings themselves are mown.
 */
function mowBandsOf(
  { prescription: p, trace }: FollowBrief,
  plan: PackagePlan,
  sow: PlannedStep,
  zones: readonly ZonePlan[],
  {
    main,
    mow,
    bands,
    season,
  }: {
    main: GrassId
    mow: { zone: string; height: Figure }[]
    bands: Bands
    season: MowingSeason
  },
): { band: Figure; seedlings: Figure } {
  const scope = packageScope(plan.id)
  const lowest = mow.reduce((a, b) => (num(b.height) < num(a.height) ? b : a)).height
  const biggest = largest(zones)
  const leaf = livingSward(biggest.work.sowing) ? num(biggest.work.leaf) : null
  const { soil, start } = p.climate.soilBefore
  const up = sure(bands.byGrass.get(main))
  const bandOf = (sward: { sown: Day; leaf: number } | null) => {
    const growing = { height: num(lowest), season: plan.season, soil, start, sward }
    const { low, high } = mowBand(up, growing, trace.values(growthValues))
    const first = mowable(season, low, up.first)
    return { low: first, high: laterDay(first, mowable(season, high, up.first)) }
  }
  const shows = bands.up.find((u) => u.grass === main)?.figure ?? null
  const inputs = { height: lowest, shows }
  if (leaf === null) {
    const band = trace.found(mowRules.band, scope, bandOf(null), inputs)
    return { band, seedlings: band }
  }
  return {
    band: trace.found(mowRules.swardBand, scope, bandOf({ sown: sow.chosen, leaf }), {
      height: lowest,
      leaf,
      sown: sow.day,
    }),
    seedlings: trace.found(mowRules.seedlings, scope, bandOf(null), inputs),
  }
}
