import type { Firm } from './entities/firm.ts'
import type { Job } from './entities/job.ts'
import { addDays, dayNumber, nextOn, type Day } from './calendar/day.ts'
import { approachZone, asNew, sows, type ZoneApproach } from './approach/approach.ts'
import { stillWanted, type Wanted } from './findings/stillWanted.ts'
import { findInZone, type Finding } from './findings/findings.ts'
import { repelsWater } from './findings/seenInZone.ts'
import { planCover, planDebris, planDressing, type CoverPlan, type DebrisPlan, type DressingPlan } from './materials/dressing.ts'
import { planFeed, type FeedPlan } from './materials/feed.ts'
import type { ApproachId } from './reference/lists.ts'
import { GRASSES, type GrassId } from './reference/grasses.ts'
import { mixName, seasonOf, suggestMix, type Mix } from './seed/mix.ts'
import { checkMix, lotFigures, seedOrders, seedZone, usualPlsFigure, type MixOrder, type ZoneSeed } from './seed/seedPlan.ts'
import { scarifies, strandsOf, wantsCores, type Strand, type ZoneWork } from './work/workPackages.ts'
import { surveySite, type SiteSurvey } from './walkover/siteSurvey.ts'
import { surveyNotices, surveySummary, type SurveySummary } from './walkover/surveyNotices.ts'
import { readZone, surveyRules, type ZoneReadings } from './walkover/zoneReadings.ts'
import type { Waits } from './schedule/waitingPeriods.ts'
import { countedFrost, frostLead } from './climate/sowingWindow.ts'
import { soilCurve, soilRules, warmingDays } from './climate/soilYear.ts'
import { frostRules, oneInTen, usualFrost } from './climate/frost.ts'
import { num, type Figure, type Notice, type Workings } from './trace/figure.ts'
import type { Schools } from './reference/schools.ts'

/** Days ahead that the soil curve and the windows reach. */
const HORIZON = 560
/** Days back that a job may have been sown and still be followed. */
const LOOK_BACK = 200
/** Days it usually takes before seed can go down: notice and opening the turf; with a kill-off before it. Juvena's model. */
const PREPARE_DAYS = 7
const KILL_DAYS = 30

/** Where the job stands in the year: frost, soil by day. */
export interface Ground {
  latitude: number
  frostMonthDay: string
  frost: Figure
  frostTenth: Figure
  /** Soil at 50 mm, °C, by day from today. */
  soil: Float64Array
  /** The same, reaching back from today to what may have been sown already. */
  soilBefore: { soil: Float64Array; start: Day }
  warming: Uint8Array
  start: Day
  soilNow: Figure
}

export interface ZonePlan {
  r: ZoneReadings
  season: 'cool' | 'warm'
  approach: ZoneApproach
  suggestedMix: Mix
  seed: ZoneSeed | null
  work: ZoneWork
}

export interface Prescription {
  ground: Ground
  zones: ZonePlan[]
  survey: SurveySummary
  /** By zone, what else is worth reading. */
  wanted: Record<string, Wanted[]>
  findings: Finding[]
  totalArea: Figure | null
  orders: MixOrder[]
  feed: FeedPlan | null
  dressing: DressingPlan | null
  covers: CoverPlan[]
  debris: DebrisPlan | null
  strands: Strand[]
}

function groundOf(job: Job, today: Day, schools: Schools, w: Workings): Ground {
  const latitude = job.site.latitude ?? (job.zones.some((z) => z.present.some((g) => GRASSES[g].season === 'warm')) ? 31 : 45)
  if (job.site.latitude === null) w.add(1, 'job.latitude', 'Latitude', latitude, '1', frostRules.none)
  const frostMonthDay = job.site.frost ?? usualFrost(latitude)
  const frost = w.add(
    6,
    'job.frost',
    'First −2 °C night, even odds',
    nextOn(frostMonthDay, today),
    'date',
    job.site.frost ? frostRules.median : frostRules.none,
  )
  const frostTenth = w.add(6, 'job.frost-tenth', 'First −2 °C night, 1 in 10', oneInTen(frost.value as Day), 'date', frostRules.tenth, [frost], {
    school: `cutOff:${schools.cutOff}`,
  })
  const reading = w.read(1, 'job.soil-reading', 'Soil at 50 mm, read', job.site.soilTemperature, 'C')
  const readOn = job.site.soilReadOn ?? job.walked ?? today
  const before = addDays(today, -LOOK_BACK)
  const whole = soilCurve(
    latitude,
    dayNumber(before),
    LOOK_BACK + HORIZON,
    job.site.soilTemperature === null ? null : { day: readOn, celsius: job.site.soilTemperature },
  )
  const soil = whole.subarray(LOOK_BACK)
  const soilNow = w.add(6, 'job.soil-now', 'Soil at 50 mm, today', Math.round(soil[0]! * 10) / 10, 'C', soilRules.curve, [reading])
  return {
    latitude,
    frostMonthDay,
    frost,
    frostTenth,
    soil,
    soilBefore: { soil: whole, start: before },
    warming: warmingDays(latitude, dayNumber(today), HORIZON),
    start: today,
    soilNow,
  }
}

/** Soil warm enough for cool grass to grow, °C; days before the first sowing at the earliest; days from sowing to a first mow and on. Juvena's model. */
const GROWS_FROM = 8
const GROWING_DAYS = 70

/** The ten weeks the light is judged by: from the first day a week or more ahead on which the soil lets grass grow. Days since 1970. */
function growingWeeks(ground: Ground): { from: number; to: number } {
  let first = PREPARE_DAYS
  while (first < 365 && ground.soil[first]! < GROWS_FROM) first++
  const from = dayNumber(ground.start) + (first < 365 ? first : PREPARE_DAYS)
  return { from, to: from + GROWING_DAYS - 1 }
}

/** From the walk-over to the work: findings, approach, seed, materials and the strands of steps, before any of them has a day. */
export function prescribe(job: Job, firm: Firm, schools: Schools, today: Day, waits: Waits, w: Workings, notices: Notice[]): Prescription {
  const ground = groundOf(job, today, schools, w)
  const surveyed: SiteSurvey = surveySite(job, growingWeeks(ground))
  const readings = job.zones.map((zone) => readZone(zone, surveyed, w))
  const survey = surveySummary(job, firm, schools, surveyed, readings)
  surveyNotices(job, surveyed, survey, readings, notices)
  const measured = readings.filter((r) => r.area)
  const totalArea =
    measured.length > 0
      ? w.add(
          1,
          'job.area',
          'All zones',
          measured.reduce((sum, r) => sum + num(r.area!), 0),
          'm2',
          surveyRules.totalArea,
          measured.map((r) => r.area),
        )
      : null
  const areaError = Math.hypot(...measured.map((r) => num(r.area!) * r.areaError))
  if (totalArea && areaError > 0) w.add(1, 'job.area.error', 'All zones, give or take', areaError, 'm2', surveyRules.error, [totalArea])
  const findings: Finding[] = []
  const wanted: Record<string, Wanted[]> = {}
  const lots = lotFigures(job, w)
  const usualPls = usualPlsFigure(w)
  const lastSowing = (grass: GrassId): Day | null => {
    const lead = frostLead(grass)
    const counted = countedFrost(ground.frostMonthDay, today, schools.cutOff)
    return lead === 0 ? null : addDays(counted, -lead)
  }
  const soonest = (approach: ApproachId): Day => {
    const ready = addDays(today, approach === 'renovate' ? KILL_DAYS : PREPARE_DAYS)
    return waits.sow !== null && waits.sow > ready ? waits.sow : ready
  }
  if (job.site.frost === null && readings.length > 0)
    notices.push({
      id: 'frost.wanted',
      stage: 6,
      level: 'warn',
      title: 'The last day to sow is a guess.',
      says: 'No frost date is given, so it goes by latitude. Enter the median date of the first −2 °C night under Walk-over, Site and season.',
      figure: ground.frost.id,
    })
  const zones: ZonePlan[] = readings.map((r) => {
    const found = findInZone(r, schools, Number((job.walked ?? today).slice(0, 4)), w)
    findings.push(...found)
    wanted[r.id] = stillWanted(r, found, job)
    const approach = approachZone(r, found, job, schools, w, notices)
    const pests = found.find((f) => f.kind === 'pests' && f.verdict === 'hold')
    if (pests && sows(approach.chosen))
      notices.push({
        id: `${r.id}.live-pests`,
        stage: 6,
        zone: r.id,
        level: 'hold',
        title: `${r.name}: live pests.`,
        says: `${pests.says} Never sow into live pests: seedlings are the first they take. Note them as gone under Zones when they are.`,
        ...(pests.figure ? { figure: pests.figure } : {}),
      })
    const season = seasonOf(r, ground.latitude)
    const work = { r, approach, season }
    if (repelsWater(r) && sows(approach.chosen) && wantsCores(work, found))
      notices.push({
        id: `${r.id}.cores-wait`,
        stage: 6,
        zone: r.id,
        level: 'warn',
        title: `${r.name}: no cores yet.`,
        says: 'Cores are wanted, but the soil sheds water: holes would dry it further. Spike to 50 mm at most, a wetting agent and slow water first; core once a drop goes in.',
      })
    const suggested: Mix =
      approach.chosen === 'hold-over'
        ? { parts: [{ grass: 'annual-ryegrass', share: 100, reason: 'quick cover; gone within the year' }], runnerUp: null, nothing: null }
        : suggestMix(r, season, soonest(approach.chosen), slowOnes(lastSowing, season, today), !asNew(approach.chosen))
    const own = r.zone.mix?.filter((p) => (p.share ?? 0) > 0) ?? []
    const mix: Mix =
      own.length > 0
        ? { ...suggested, parts: own.map((p) => ({ grass: p.grass, share: p.share ?? 0, reason: 'your choice' })), nothing: null }
        : suggested
    const seed = seedZone(r, approach, mix, own.length > 0 && mixName(mix.parts) !== mixName(suggested.parts), lots, usualPls, w)
    if (own.length > 0 && sows(approach.chosen)) checkMix(r, mix.parts, season, notices)
    if (!seed && r.area && sows(approach.chosen))
      notices.push({
        id: `${r.id}.no-seed`,
        stage: 4,
        zone: r.id,
        level: 'hold',
        title: `${r.name}: no seed fits here.`,
        says: `${suggested.nothing ?? ''} ${r.zone.present.includes('st-augustine') ? 'Fill gaps with runners or plugs of the turf there.' : 'Change the light or the height of cut, or choose another plant.'}`.trim(),
      })
    return { r, season, approach, suggestedMix: suggested, seed, work }
  })
  const seeds = zones.map((z) => z.seed).filter((s) => s !== null)
  const orders = seedOrders(seeds, firm.reserve, w)
  const fed = zones
    .filter((z) => z.r.area && (z.seed || (z.approach.chosen === 'leave' && num(z.r.sun) >= 2)))
    .map((z) => ({ zone: z.r.id, area: z.seed?.sownArea ?? z.r.area! }))
  const feed = planFeed(job, firm, schools, fed, ground.soilNow, w, notices)
  const dressing = planDressing(job, firm, schools, zones, w, notices)
  const covers = planCover(job, seeds, zones, w, notices)
  const debris = planDebris(
    zones.map((z) => ({ r: z.r, scarifies: sows(z.approach.chosen) && scarifies(z.work, findings) })),
    w,
  )
  const withSeed = zones.filter((z) => z.seed || z.approach.chosen === 'leave').map((z) => z.work)
  return { ground, zones, survey, wanted, findings, totalArea, orders, feed, dressing, covers, debris, strands: strandsOf(withSeed) }
}

/**
 * Last sowing days, for the grasses slower than the season's quickest only: whether the season itself fits is the schedule's to say.
 * Once even the quickest has passed, the plan is for next season and nothing is ruled out by date.
 */
function slowOnes(lastSowing: (g: GrassId) => Day | null, season: 'cool' | 'warm', today: Day): (g: GrassId) => Day | null {
  const quickest = lastSowing(season === 'cool' ? 'perennial-ryegrass' : 'bermudagrass')
  return (grass) => {
    const last = lastSowing(grass)
    return last === null || quickest === null || quickest < today || last >= quickest ? null : last
  }
}
