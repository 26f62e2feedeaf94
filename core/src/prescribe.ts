import { addDays, type Day } from './calendar/day.ts'
import type { Firm } from './entities/firm.ts'
import type { Job } from './entities/job.ts'
import { approachZone, asNew, sows, type ZoneApproach } from './approach/approach.ts'
import { growingWeeks, leadTimeValues, siteClimate, type SiteClimate } from './climate/siteClimate.ts'
import { lastDayToSow, leadOf } from './climate/sowingWindow.ts'
import { findingOf, type Finding } from './findings/finding.ts'
import { findInZone, startOverLine } from './findings/findInZone.ts'
import { moistureLines } from './findings/lines.ts'
import { repelsWater } from './findings/seenInZone.ts'
import { stillWanted, type Wanted } from './findings/stillWanted.ts'
import { planCover } from './materials/cover.ts'
import { planDebris } from './materials/debris.ts'
import { planDressing } from './materials/dressing.ts'
import { planFeed } from './materials/feed.ts'
import type { Materials } from './materials/lines.ts'
import { firmSettings, looseFor } from './reference/firmSettings.ts'
import type { GrassId } from './reference/grasses.ts'
import { levelValues, lightLines } from './reference/siteValues.ts'
import type { Schools } from './reference/schools.ts'
import type { WaitingPeriods } from './schedule/waitingPeriods.ts'
import { mixName, seasonOf, suggestMix, type Mix } from './seed/mix.ts'
import { checkMix, lotFigures, seedOrders, seedZone, type LotFigures, type ZoneSeed } from './seed/seedPlan.ts'
import { num, type Figure, type Notice } from './trace/figure.ts'
import type { Memo } from './trace/memo.ts'
import { joined, quantity, say, type Message } from './trace/message.ts'
import { figureId, JOB, zoneScope } from './trace/scope.ts'
import type { Trace } from './trace/trace.ts'
import { surveySite } from './walkover/siteSurvey.ts'
import { surveyNotices, surveySummary, type SurveySummary } from './walkover/surveyNotices.ts'
import { surveyLines, surveyRules } from './walkover/surveyRules.ts'
import { readZone, type ZoneReadings } from './walkover/zoneReadings.ts'
import { scarifies, wantsCores, workPackages, type WorkPackage, type ZoneWork } from './work/workPackages.ts'

export interface ZonePlan {
  r: ZoneReadings
  season: 'cool' | 'warm'
  approach: ZoneApproach
  suggestedMix: Mix
  seed: ZoneSeed | null
  work: ZoneWork
  findings: Finding[]
  notices: Notice[]
}

export interface Prescription extends Materials {
  climate: SiteClimate
  zones: ZonePlan[]
  survey: SurveySummary
  /** By zone, what else is worth reading. */
  wanted: Record<string, Wanted[]>
  findings: Finding[]
  totalArea: Figure | null
  packages: WorkPackage[]
  notices: Notice[]
}

export interface PrescribeBrief {
  job: Job
  firm: Firm
  schools: Schools
  today: Day
  waits: WaitingPeriods
  memo: Memo
  trace: Trace
}

/** From the walk-over to the work: findings, approach, seed, materials and work packages, before any step has a day. */
export function prescribe(brief: PrescribeBrief): Prescription {
  const { job, firm, schools, today, trace } = brief
  const climate = siteClimate(job, today, schools, trace)
  const walked = walkOver(brief, climate)
  const lots = lotFigures(job, trace)
  const zones = walked.readings.map((r) => prescribeZone(brief, climate, lots, r))
  const seeds = zones.flatMap((z) => z.seed ?? [])
  const orders = seedOrders(seeds, firm.reserve, trace)
  const fed = zones.filter((z) => isFed(z, trace)).map((z) => ({ zone: z.r.id, area: z.seed?.sownArea ?? z.r.area! }))
  const feed = planFeed({ job, firm, schools, fed, soil: climate.soilNow, trace })
  const dressing = planDressing({ job, firm, schools, zones, trace })
  const { covers, notices: coverNotices } = planCover(job, seeds, zones, trace)
  const findings = zones.flatMap((z) => z.findings)
  const off = zones.map((z) => ({ r: z.r, scarifies: sows(z.approach.chosen) && scarifies(z.work, findings, trace) }))
  const worked = zones.filter((z) => z.seed || z.approach.chosen === 'leave')
  return {
    climate,
    zones,
    survey: walked.survey,
    wanted: Object.fromEntries(zones.map((z) => [z.r.id, stillWanted(z.r, z.findings, job, trace)])),
    findings,
    totalArea: walked.totalArea,
    seeds,
    orders,
    feed,
    dressing,
    covers,
    debris: planDebris(off, trace),
    packages: workPackages(worked.map((z) => z.work), trace), // prettier-ignore
    notices: [
      ...walked.notices,
      ...frostWanted(job, climate, zones.length > 0),
      ...zones.flatMap((z) => z.notices),
      ...(feed?.notices ?? []),
      ...(dressing?.notices ?? []),
      ...coverNotices,
    ],
  }
}

/** Reads every zone by the survey of the site. */
function walkOver({ job, firm, schools, memo, trace }: PrescribeBrief, climate: SiteClimate) {
  const values = {
    dip: trace.value(levelValues.dip),
    levelWithin: trace.value(surveyLines.levelWithin),
    leastTilt: trace.value(surveyLines.leastTilt),
  }
  const surveyed = surveySite(job, growingWeeks(climate, trace), values, memo)
  const readings = job.zones.map((zone) => readZone(zone, surveyed, trace))
  const survey = surveySummary(surveyed, readings, {
    schoolLine: startOverLine(schools, trace),
    loose: looseFor(firm.settling ?? trace.value(firmSettings.settling.usual), firm.oversize ?? trace.value(firmSettings.oversize.usual)),
    barrow: firm.barrow ?? trace.value(firmSettings.barrow.usual) / 1000,
    lights: { shade: trace.value(lightLines.shade), sun: trace.value(lightLines.cool) },
  })
  const areas = readings.flatMap((r) => r.area ?? [])
  const errors = readings.flatMap((r) => r.areaErrorFigure ?? [])
  const totalArea = areas.length > 0 ? trace.work(surveyRules.totalArea, JOB, { zones: areas }) : null
  if (errors.length > 0) trace.work(surveyRules.totalError, JOB, { zones: errors })
  return { readings, survey, totalArea, notices: surveyNotices(job.drawing, surveyed, survey, readings, trace) }
}

const frostWanted = (job: Job, climate: SiteClimate, walked: boolean): Notice[] =>
  job.site.frost === null && walked
    ? [
        {
          id: 'frost.wanted',
          stage: 6,
          level: 'warn',
          title: 'The last day to sow is a guess.',
          says: say`No frost date is given, so it goes by latitude. Enter the median date of the first ${quantity(-2, 'C')} night under Walk-over, Site and season.`,
          figure: climate.frost.id,
        },
      ]
    : []

/** Ground that gets a starter: what is sown, and what is left with light enough to live. */
const isFed = ({ r, seed, approach }: ZonePlan, trace: Trace): boolean =>
  r.area !== null && (seed !== null || (approach.chosen === 'leave' && num(r.sun) >= trace.value(lightLines.marginal)))

/** One zone from its readings to its seed. */
function prescribeZone(brief: PrescribeBrief, climate: SiteClimate, lots: LotFigures, r: ZoneReadings): ZonePlan {
  const { job, schools, today, trace } = brief
  const findings = findInZone(r, schools, Number((job.walked ?? today).slice(0, 4)), trace)
  const approach = approachZone({ r, findings, job, schools, trace })
  const season = seasonOf(r, climate.latitude)
  const work = { r, approach, season }
  const suggested = mixFor(brief, climate, work)
  const own = r.zone.mix?.filter((p) => (p.share ?? 0) > 0) ?? []
  const mix: Mix =
    own.length > 0
      ? { ...suggested, parts: own.map((p) => ({ grass: p.grass, share: p.share ?? 0, reason: 'your choice' })), nothing: null }
      : suggested
  const overridden = own.length > 0 && mixName(mix.parts) !== mixName(suggested.parts)
  const seed = seedZone({ r, approach, mix, overridden, lots, trace })
  const notices = [
    ...approach.notices,
    ...(sows(approach.chosen)
      ? [
          ...livePests(r, findings),
          ...coresWait(work, findings, trace),
          ...(own.length > 0 ? checkMix(r, mix.parts, season) : []),
          ...(!seed && r.area ? [noSeedFits(r, suggested.nothing)] : []),
        ]
      : []),
  ]
  return { r, season, approach, suggestedMix: suggested, seed, work, findings, notices }
}

/** The mix Juvena would sow: a quick cover where ground is held over, else what suits it. */
function mixFor({ schools, today, waits, trace }: PrescribeBrief, climate: SiteClimate, { r, approach: { chosen }, season }: ZoneWork): Mix {
  if (chosen === 'hold-over')
    return { parts: [{ grass: 'annual-ryegrass', share: 100, reason: 'quick cover; gone within the year' }], runnerUp: null, nothing: null }
  const { prepare, kill } = trace.values(leadTimeValues)
  const ready = addDays(today, chosen === 'renovate' ? kill : prepare)
  const sowingFrom = waits.sow !== null && waits.sow > ready ? waits.sow : ready
  const lastSowing = (grass: GrassId): Day | null => {
    const lead = leadOf(grass)
    return lead === 'cover' ? null : lastDayToSow(lead, climate.frostMonthDay, today, schools.cutOff, trace)
  }
  return suggestMix({ r, season, sowingFrom, lastSowing: slowOnes(lastSowing, season, today), overseeding: !asNew(chosen), trace })
}

const livePests = (r: ZoneReadings, findings: readonly Finding[]): Notice[] => {
  const pests = findingOf(findings, r.id, 'pests')
  if (pests?.verdict !== 'hold') return []
  return [
    {
      id: figureId(zoneScope(r.id), 'live-pests'),
      stage: 6,
      zone: r.id,
      level: 'hold',
      title: say`${r.name}: live pests.`,
      says: joined([pests.says, 'Never sow into live pests: seedlings are the first they take. Note them as gone under Zones when they are.']),
      ...(pests.figure ? { figure: pests.figure } : {}),
    },
  ]
}

const coresWait = (work: ZoneWork, findings: readonly Finding[], trace: Trace): Notice[] => {
  const { r } = work
  if (!repelsWater(r, trace) || !wantsCores(work, findings, trace)) return []
  return [
    {
      id: figureId(zoneScope(r.id), 'cores-wait'),
      stage: 6,
      zone: r.id,
      level: 'warn',
      title: say`${r.name}: no cores yet.`,
      says: say`Cores are wanted, but the soil sheds water: holes would dry it further. Spike to ${quantity(trace.value(moistureLines.spike), 'mm')} at most, a wetting agent and slow water first; core once a drop goes in.`,
    },
  ]
}

const noSeedFits = (r: ZoneReadings, nothing: Message | null): Notice => ({
  id: figureId(zoneScope(r.id), 'no-seed'),
  stage: 4,
  zone: r.id,
  level: 'hold',
  title: say`${r.name}: no seed fits here.`,
  says: joined([
    nothing,
    r.zone.present.includes('st-augustine')
      ? 'Fill gaps with runners or plugs of the turf there.'
      : 'Change the light or the height of cut, or choose another plant.',
  ]),
})

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
