import { addDays, daysBetween, type Day } from './calendar/day.ts'
import { withGauge } from './climate/siteReadings.ts'
import { placeValues } from './climate/placeYear.ts'
import { activeEntries, type DiaryEntry } from './entities/diary.ts'
import { readJob, type Job, type JobDraft } from './entities/job.ts'
import { withSownAgain } from './entities/sownAgain.ts'
import { emergenceValues } from './establish/emergence.ts'
import { DRY_UNDER } from './establish/canMap.ts'
import { plantCountValues, plantsStanding, type Standing } from './establish/plantCount.ts'
import { dayIsWatered } from './establish/restrictions.ts'
import { groundOf, reachOf } from './establish/seedbed/ofZone.ts'
import { programmeOf } from './establish/seedbed/seedbed.ts'
import { seedbedModel } from './establish/seedbed/seedbedValues.ts'
import { asLogged, seedbedSince, weatherSince, type SeedbedSince } from './establish/seedbed/sinceSown.ts' // prettier-ignore
import { likelihoodValues, priorValues, verdictValues } from './establish/take/causes.ts'
import { judgeTake, type TakeKnown, type TakeVerdict } from './establish/take/judgeTake.ts'
import { knownOf, LEAST_LOGGED, type TakeFacts } from './establish/take/known.ts'
import { logSince, wateredDays } from './establish/waterLog.ts'
import { moistureLines } from './findings/lines.ts'
import { planJob } from './pipeline.ts'
import type { Context } from './plan/context.ts'
import type { JobPlan } from './plan/jobPlan.ts'
import type { SowingChoice } from './plan/order.ts'
import type { ZonePlan } from './plan/prescription.ts'
import { sure } from './quantities/sure.ts'
import { isBehind } from './plan/stepState.ts'
import { prescribed } from './prescribed.ts'
import { OPERATIONS } from './reference/operations.ts'
import type { TakeSeen } from './reference/takeSigns.ts'
import { weatherLines } from './schedule/weatherHolds.ts'
import { lotName, lotValues, lotWorth } from './stock/lotWorth.ts'
import { num, type Figure } from './trace/figure.ts'
import { Memo } from './trace/memo.ts'
import { zoneOf } from './trace/scope.ts'
import type { Trace } from './trace/trace.ts'
import { livingSward } from './work/sowing.ts'
import { waitsUntil } from './work/waitingPeriods.ts'

/** What a person has seen at a zone that does not come up. */
export interface TakeAsked {
  zone: string
  seen: TakeSeen
  /** How much of the zone’s ground is missing, %; all of it where nobody has said. */
  missing: number | null
}

/** Ground that is sown again, planned whole as a job of its own. */
export interface SownAgain {
  /** m². */
  area: number
  kg: number
  /** Kept back when it was first sown, kg of the same mix. */
  reserve: number
  /** As it was sown; null where Juvena is to choose. */
  mix: { grass: string; share: number }[] | null
  name: string
  /** It lies in a sward that stands. */
  inSward: boolean
  /** People’s hours up to the seed. */
  hours: number
  day: Day
  fits: boolean
  /** The last day of this season; null where nobody can say. */
  latest: Day | null
  choices: Pick<SowingChoice, 'season' | 'day' | 'taken' | 'bars'>[]
  odds: number | null
  /** It is too late for the proper seed: a quick cover holds the ground until then. */
  later: { day: Day; kg: number; name: string } | null
}

export interface LotOfTake {
  id: string
  number: string
  supplier: string
  label: number | null
  tested: Day | null
  paper: { sprouted: number; seeds: number; started: Day | null; final: boolean } | null
  kg: number
}

/** Why a zone does not come up, and what to do. */
export interface TakeOfZone {
  zone: string
  sown: Day | null
  /** Bare is normal until then; lost from then. */
  judge: Day | null
  lost: Day | null
  /** It is not to be judged yet. */
  early: boolean
  known: TakeKnown
  verdict: TakeVerdict
  /** The seedbed since it was sown: as told or as logged, and where least falls; null where nothing is sown. */
  bed: {
    near: SeedbedSince
    far: SeedbedSince | null
    /** The share of a run that the driest quarter gets, 0 to 1. */
    reaches: number
    days: number
    /** Days of weather on record. */
    onRecord: number
    rain: number
    log: { logged: number; watered: number; of: number }
    lines: { moist: number; dry: number }
  } | null
  counted: (Standing & { promised: number; on: Day; frames: number; side: number }) | null
  again: SownAgain | null
  lots: LotOfTake[]
}

/** The sowing of a zone that is behind; null where none is. */
function sownOn(plan: JobPlan, zone: string) {
  const step = plan.steps.find(
    (s) => s.kind === 'sow' && isBehind(s) && s.zones.some((z) => zoneOf(z) === zone),
  )
  const follow = step && plan.follow.packages.find((p) => p.workPackage === step.workPackage)
  return step && follow ? { step, follow } : null
}

/**
 * Why seed of a zone does not come up: what Juvena knows of it, the causes ranked by that and by what
 * is seen, the seedbed as it was, and the same ground sown again as a plan of its own. Beside the
 * plan: it plans twice. Null where the zone is not in the job.
 */
export function takeOfJob(
  draft: JobDraft,
  context: Context,
  { zone: id, seen, missing }: TakeAsked,
): TakeOfZone | null {
  const { today, diary, stock = [], memo = new Memo() } = context
  const entered = readJob(draft).job
  if (!entered) return null
  const plan = planJob(entered, { ...context, memo })
  const { job, trace, prescription, waits } = prescribed(entered, { ...context, memo })
  const z = prescription.zones.find((zone) => zone.r.id === id)
  if (!z) return null
  const sowing = sownOn(plan, id)
  const sown = sowing?.follow.sown ?? null
  const known = withGauge(context.recent ?? [], diary).filter((w) => w.day <= today)
  const bed = sowing ? bedSince(sowing.follow, z, { job, plan, trace, diary, today, known, climate: prescription.climate }) : null // prettier-ignore
  const lots = lotsOf(id, plan, stock, trace, today)
  const facts = factsOf({ z, job, plan, trace, diary, today, sown, bed, known, lots, wait: sown ? waitsUntil(waits.waits, 'sow', [id]) : null, noWeedkiller: job.treatments.length === 0, mownFrom: (sowing?.follow.seedlingsMown?.value as { low: Day } | undefined)?.low ?? null }) // prettier-ignore
  const answers = {
    bears: trace.value(seedbedModel.bears),
    burst: trace.value(num(z.r.slope) > 0 ? weatherLines.onSlope : weatherLines.downpour),
    hot: trace.value(placeValues.hotDay),
    pondingFrom: trace.value(moistureLines.ponding),
  }
  const told = knownOf(facts, answers)
  const eyes = withCans(seen, id, plan)
  const weights = { ...trace.values(likelihoodValues), ...trace.values(priorValues), ...trace.values(verdictValues) } // prettier-ignore
  const judge = (sowing?.follow.judge?.value as Day | undefined) ?? null
  return {
    zone: id,
    sown,
    judge,
    early: sown !== null && judge !== null && today < judge,
    lost: sowing?.follow.lostFrom ?? null,
    known: told,
    verdict: judgeTake(eyes, told, sown !== null, weights),
    bed,
    counted: countedOf(diary, id, sown, today, z, trace),
    again: sownAgain(draft, context, z, missing, plan, memo),
    lots,
  }
}

/** Cans that stand in the readings answer for themselves, unless a person said otherwise. */
function withCans(seen: TakeSeen, zone: string, { follow }: JobPlan): TakeSeen {
  const sprinkler = follow.water?.zones.find((w) => zoneOf(w.zone) === zone)?.sprinkler
  if (seen.cans || sprinkler?.uniformity.standing !== 'reading') return seen
  return { ...seen, cans: num(sprinkler.uniformity) < DRY_UNDER ? 'uneven' : 'even' }
}

interface BedBrief {
  job: Job
  plan: JobPlan
  trace: Trace
  diary: readonly DiaryEntry[]
  today: Day
  known: ReturnType<typeof withGauge>
  climate: ReturnType<typeof prescribed>['prescription']['climate']
}

function bedSince(
  follow: JobPlan['follow']['packages'][number],
  z: ZonePlan,
  { job, plan, trace, diary, today, known, climate }: BedBrief,
): TakeOfZone['bed'] {
  const { water } = plan.follow
  const values = { ...trace.values(seedbedModel), ...trace.values(emergenceValues) }
  const until = today < follow.sown ? follow.sown : today
  const weather = weatherSince({ latitude: climate.latitude, sown: follow.sown, until, known, usual: climate.place, soil: climate.soilBefore }, values.falls) // prettier-ignore
  const grasses = follow.up.flatMap((u) => trace.grass(u.grass).thermal ?? [])
  const log = wateredDays(diary, z.r.zone.id, today)
  const { rate, reaches, most } = water
    ? reachOf(water, z.r.id, job.site.waterMinutes)
    : { rate: 1, reaches: 1, most: 0 }
  const times = water?.times ?? []
  const mm = water ? Math.min(num(water.dose), most / Math.max(1, times.length)) : 0
  const on = (day: number) => water !== null && job.watering !== 'nobody' && dayIsWatered(water.days, addDays(follow.sown, day), day) // prettier-ignore
  const under = (share: number) =>
    seedbedSince(
      follow.sown,
      weather,
      groundOf(z, job, trace),
      asLogged(programmeOf(times, mm * share, rate, on), log, follow.sown, mm * times.length),
      grasses,
      values,
    )
  return {
    near: under(1),
    far: reaches < 0.95 ? under(reaches) : null,
    reaches,
    days: weather.days,
    onRecord: weather.known,
    rain: known.filter((w) => w.day >= follow.sown).reduce((sum, w) => sum + (w.rain ?? 0), 0),
    log: logSince(log, follow.sown, today),
    lines: { moist: values.moist / 100, dry: values.dry / 100 },
  }
}

function lotsOf(
  zone: string,
  plan: JobPlan,
  stock: NonNullable<Context['stock']>,
  trace: Trace,
  today: Day,
): LotOfTake[] {
  return plan.seedUse
    .filter((u) => zoneOf(u.zone) === zone && u.stock !== '')
    .flatMap((u) => {
      const found = stock.find((s) => s.id === u.stock)
      if (!found) return []
      const { lot } = found
      const worth = lotWorth(lot, trace.grasses, today, trace.values(lotValues))
      const { first, last, seeds, started } = lot.test
      const counted = last ?? first
      return [
        {
          id: found.id,
          number: lotName(lot),
          supplier: lot.supplier,
          label: Math.min(...lot.parts.map((p) => p.germination ?? Infinity)),
          tested: lot.tested,
          paper: worth.test?.result && seeds !== null && counted !== null
              ? { sprouted: counted, seeds, started, final: last !== null }
              : null, // prettier-ignore
          kg: u.kg,
        },
      ].map((l) => ({ ...l, label: Number.isFinite(l.label) ? l.label : null }))
    })
}

interface FactsBrief {
  z: ZonePlan
  job: Job
  plan: JobPlan
  trace: Trace
  diary: readonly DiaryEntry[]
  today: Day
  sown: Day | null
  bed: TakeOfZone['bed']
  known: ReturnType<typeof withGauge>
  lots: readonly LotOfTake[]
  wait: Day | null
  noWeedkiller: boolean
  mownFrom: Day | null
}

function factsOf(b: FactsBrief): TakeFacts {
  const { z, plan, trace, diary, today, sown, bed, known, lots, wait } = b
  const { zone } = z.r
  const since = sown ? known.filter((w) => w.day >= sown) : []
  const weathered = since.length > 0
  const onIt = (s: JobPlan['steps'][number]) => s.zones.some((id) => zoneOf(id) === zone.id)
  const opening = plan.steps.filter((s) => onIt(s) && OPERATIONS[s.kind].opens)
  const ticks = activeEntries(diary).filter(
    (e) => e.step !== null && (e.zone === null || e.zone === zone.id),
  )
  const mowTick = ticks.find((e) => {
    const kind = sure(e.step).split('/')[0] as keyof typeof OPERATIONS
    return OPERATIONS[kind]?.mows && sown !== null && e.date > sown
  })
  const cored = plan.steps.some((s) => s.kind === 'core' && onIt(s) && s.state === 'done')
  const depth = zone.operations['work-in']?.depth ?? null
  const bears = z.seed ? Math.min(...z.seed.mix.map((m) => trace.grass(m.grass).depth)) : Infinity
  const least = z.seed ? Math.min(...z.seed.mix.map((m) => trace.grass(m.grass).sunLeast)) : 0
  const { freshFor } = trace.values(lotValues)
  // Where nobody waters, rain alone tells; else only what was written down does.
  const waterKnown =
    bed !== null &&
    (bed.log.logged >= LEAST_LOGGED || (b.job.watering === 'nobody' && bed.onRecord > 0))
  return {
    lot:
      lots.length > 0
        ? {
            worth: lots.reduce<number | null>((w, l) => {
              if (!l.paper || l.label === null) return w
              const share = (100 * l.paper.sprouted) / l.paper.seeds / l.label
              return w === null || share < w ? share : w
            }, null),
            old: lots.some((l) => l.tested !== null && daysBetween(l.tested, today) > freshFor * 30.44), // prettier-ignore
          }
        : null,
    warmth: bed ? bed.near.warmthThere : null,
    moist: bed && waterKnown ? bed.near.warmth : null,
    dryHours: bed && waterKnown ? bed.near.dryHours : null,
    log: bed ? bed.log : null,
    depth: depth !== null && Number.isFinite(bears) ? { lies: depth, bears } : null,
    withinWait: sown === null ? null : wait !== null && wait > sown ? true : b.noWeedkiller ? null : false, // prettier-ignore
    burst: weathered ? Math.max(0, ...since.map((w) => w.rain ?? 0)) : null,
    opened: opening.length === 0 ? (sown ? false : null) : opening.some((s) => s.state === 'done') ? true : null, // prettier-ignore
    mownSoon: mowTick && b.mownFrom ? mowTick.date < b.mownFrom : null,
    hottest: weathered ? Math.max(...since.map((w) => w.high ?? -Infinity)) : null,
    sun: z.r.sunKnown && z.seed ? { hours: num(z.r.sun), least } : null,
    // What was packed when it was walked has been cored since.
    penetration: cored ? null : zone.penetration,
    ponding: zone.ponding,
    dogs: zone.dogs,
    pests: zone.pests.length > 0 ? zone.pests.some((p) => p.active !== false) : null,
  }
}

/** The newest count of seedlings on a zone, against what was promised. */
function countedOf(
  diary: readonly DiaryEntry[],
  zone: string,
  sown: Day | null,
  today: Day,
  z: ZonePlan,
  trace: Trace,
): TakeOfZone['counted'] {
  if (!z.seed || sown === null) return null
  const newest = activeEntries(diary)
    .filter((e) => e.counted && e.zone === zone && e.date >= sown && e.date <= today)
    .reduce<DiaryEntry | null>((last, e) => (last && last.date > e.date ? last : e), null)
  if (!newest?.counted) return null
  const { plants, side } = newest.counted
  const promised = num(z.seed.plantsExpected)
  const standing = plantsStanding(plants, 1e4 * side * side, promised, trace.value(plantCountValues.prior)) // prettier-ignore
  return { ...standing, promised, on: newest.date, frames: plants.length, side }
}

/** The same ground sown again, planned whole: a zone of its own, with nothing done on it yet. */
function sownAgain(
  draft: JobDraft,
  context: Context,
  z: ZonePlan,
  missing: number | null,
  plan: JobPlan,
  memo: Memo,
): SownAgain | null {
  const sownArea = z.seed ? num(z.seed.sownArea) : z.r.area ? num(z.r.area) : 0
  const area = (sownArea * (missing ?? 100)) / 100
  const mix = z.seed?.mix ?? []
  if (area <= 0 || mix.length === 0) return null
  const id = AGAIN
  const inSward = livingSward(z.work.sowing)
  // What failed as a quick cover is not sown as one again where the proper seed may follow now.
  const ofMix = z.work.sowing === 'cover-then-sow' ? null : mix.map(({ grass, share }) => ({ grass, share })) // prettier-ignore
  const whole = withSownAgain(draft, z.r.zone.id, {
    id,
    name: `${z.r.name} again`,
    area,
    mix: ofMix,
    inSward,
  })
  const read = readJob({
    ...whole,
    zones: whole.zones?.filter((zone) => zone.id === id),
    drawing: undefined,
    pins: {},
  }).job
  if (!read) return null
  const again = planJob(read, { ...context, diary: context.diary.filter((e) => e.step === null), memo }) // prettier-ignore
  const sow = again.steps.find((s) => s.kind === 'sow' && s.zones.some((zone) => zone === id))
  const seed = again.zones[0]?.seed
  if (!sow || !seed) return null
  const pack = sure(again.packages.find((p) => p.id === sow.workPackage))
  const hours = again.steps
    .filter((s) => s.workPackage === sow.workPackage && s.chosen <= addDays(sow.chosen, 1))
    .reduce((sum, s) => sum + num(s.hours) * s.people, 0)
  const taken = pack.choices.find((c) => c.taken)
  return {
    area,
    kg: num(seed.kg),
    reserve: reserveOf(z, plan),
    mix: ofMix,
    name: seed.name,
    inSward,
    hours,
    day: sow.chosen,
    fits: pack.fits,
    latest: sow.latest,
    choices: pack.choices.map(({ season, day, taken, bars }) => ({ season, day, taken, bars })),
    odds: taken?.odds ? num(taken.odds) : null,
    later: laterSowing(again),
  }
}
const AGAIN = 'again'

/** The proper sowing that follows a quick cover. */
function laterSowing(plan: JobPlan): SownAgain['later'] {
  const seed = plan.zones[0]?.later?.seed
  const sow = plan.steps.find((s) => s.kind === 'sow' && s.zones.some((z) => z !== zoneOf(z)))
  return seed && sow ? { day: sow.chosen, kg: num(seed.kg), name: seed.name } : null
}

const reserveOf = (z: ZonePlan, plan: JobPlan): number => {
  const figure: Figure | undefined = plan.figures[`job.seed.reserve.${z.seed?.key ?? ''}`]
  return figure ? num(figure) : 0
}
