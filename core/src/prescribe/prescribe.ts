import type { Day } from '../calendar/day.ts'
import type { ZoneId } from '../rules/id.ts'
import type { StationClimate } from '../climate/placeYear.ts'
import { growingSeason, siteClimate, type SiteClimate } from '../climate/siteClimate.ts'
import type { WeatherDay } from '../climate/weatherSeries.ts'
import type { Firm } from '../entities/firm.ts'
import type { Job, Zone } from '../entities/job.ts'
import { startOverLine } from '../findings/findInZone.ts'
import { stillWanted } from '../findings/stillWanted.ts'
import { planCover } from '../materials/cover.ts'
import { planSprays } from '../materials/liquids.ts'
import { planLime } from '../materials/lime.ts'
import { planDebris } from '../materials/debris.ts'
import { planDressing } from '../materials/dressing.ts'
import type { Prescription, ZonePlan } from '../plan/prescription.ts'
import { firmSettings, looseFor } from '../firm/firmSettings.ts'
import type { GrassId } from '../reference/grasses.ts'
import { handGround } from '../reference/handTools.ts'
import { levelValues, lightLines } from '../reference/siteValues.ts'
import type { Schools } from '../reference/schools.ts'
import type { WaitingPeriods } from '../work/waitingPeriods.ts'
import { oneMix, type MixedZone } from '../seed/oneMix.ts'
import { plsOf, reserveShare, seedOrders } from '../seed/seedPlan.ts'
import type { BagOnShelf } from '../stock/seedOnShelf.ts'
import { num, type Notice } from '../trace/figure.ts'
import { versioned, type Memo, type Versioned } from '../trace/memo.ts'
import { quantity, say } from '../rules/message.ts'
import { JOB } from '../trace/scope.ts'
import { Trace } from '../trace/trace.ts'
import { surveySite, type SiteSurvey } from '../walkover/siteSurvey.ts'
import { surveyNotices, surveySummary } from '../walkover/surveyNotices.ts'
import { surveyLines, surveyRules } from '../walkover/surveyRules.ts'
import type { Recount, ZoneReadings } from '../walkover/zoneReadings.ts'
import { isSown } from '../work/sowing.ts'
import { sowingsOf, workPackages } from '../work/workPackages.ts'
import { prescribeZone, type SiteInputs } from './zone.ts'

export interface PrescribeBrief {
  job: Job
  firm: Firm
  schools: Schools
  today: Day
  waits: WaitingPeriods
  /** What is known of the weather station the job goes by, its last days and the outlook. */
  station: StationClimate | null
  recent: readonly WeatherDay[]
  /** Seed that lies on the firm's shelf. */
  shelf: readonly BagOnShelf[]
  /** Cover counted again since the walk, by zone. */
  recounts: ReadonlyMap<string, Recount>
  /** The day each zone was sown, where it was. */
  sown: ReadonlyMap<string, Day>
  memo: Memo
  trace: Trace
}

/**
 * From the walk-over to the work: findings, approach, work, seed, materials and work packages,
 * before any step has a day.
 */
export function prescribe(brief: PrescribeBrief): Prescription {
  const { job, firm, trace } = brief
  const climate = siteClimate(brief)
  const survey = surveyOf(brief, climate)
  const site = siteInputs(brief, climate)
  const asSown = sitesAsSown(brief)
  const isPatch = (zone: Zone) => isSmallZone(zone, survey, trace)
  const hasPatch = job.zones.some(isPatch) && !job.zones.every(isPatch)
  const zones = job.zones.map((zone) =>
    trace.recall(
      brief.memo,
      // Ways beside each other do not push each other out.
      `zone ${zone.id} ${zone.approach ?? ''}`,
      {
        zone,
        lawn: lawnOf(zone, job, survey, trace),
        patchApart: hasPatch && !isPatch(zone),
        survey,
        recount: brief.recounts.get(zone.id) ?? null,
        site: asSown(zone.id) ?? site,
      },
      prescribeZone,
    ),
  )
  const walked = walkOver(
    brief,
    survey,
    zones.map((z) => z.r),
  )
  const seeds = zones.flatMap((z) => z.seed ?? [])
  const laterSeeds = zones.flatMap((z) => z.later?.seed ?? [])
  // A zone taken as worked before did not ask for its lots again.
  for (const { mix } of [...seeds, ...laterSeeds])
    for (const { grass } of mix) plsOf(grass, job.lots, trace)
  const reserve = seeds.length + laterSeeds.length > 0 ? reserveShare(firm.reserve, trace) : null
  const works = zones.map((z) => z.work)
  // Ground whose grass is set aside because no seed fits is not worked either.
  const worked = zones.filter((z) => z.seed || !isSown(z.work.sowing)).map((z) => z.work)
  const later = zones.flatMap((z) => (z.later?.seed ? [z.later.work] : []))
  const dressing = planDressing({
    job,
    firm,
    schools: brief.schools,
    works: [...worked, ...later],
    trace,
  })
  const { sprays, notices: sprayNotices } = planSprays(
    job,
    [...worked, ...later],
    [...seeds, ...laterSeeds],
    trace,
  )
  const lime = planLime(job, [...worked, ...later], brief.today, trace)
  const { covers, notices: coverNotices } = planCover(
    job,
    [...seeds, ...laterSeeds],
    [...works, ...later],
    trace,
  )
  return {
    climate,
    job: { dressing: job.dressing, debrisTo: job.debrisTo },
    zones,
    survey: walked.survey,
    wanted: Object.fromEntries(
      zones.map((z) => [z.r.id, stillWanted(z.r, z.findings, job, trace)]),
    ),
    findings: zones.flatMap((z) => z.findings),
    totalArea: walked.totalArea,
    seeds,
    orders: reserve ? seedOrders(seeds, reserve, false, trace) : [],
    laterSeeds,
    laterOrders: reserve ? seedOrders(laterSeeds, reserve, true, trace) : [],
    dressing,
    covers,
    debris: planDebris([...worked, ...later], trace),
    lime,
    sprays,
    packages: workPackages(
      worked,
      later,
      ({ r }) =>
        brief.waits.waits.some((w) => w.until > brief.today && w.zones.includes(r.zone.id)),
      sowingsOf(brief.sown),
    ),
    oneMix: oneMix(zones.flatMap(mixedZone)),
    works: [...worked, ...later],
    notices: [
      ...walked.notices,
      ...frostWanted(job, climate, zones.length > 0),
      ...zones.flatMap((z) => z.notices),
      ...(dressing?.notices ?? []),
      ...(lime?.notices ?? []),
      ...sprayNotices,
      ...coverNotices,
    ],
  }
}

/** The size of a zone as typed or drawn, m²; 0 where neither is known. */
const sizeOf = (z: Zone, survey: SiteSurvey): number =>
  z.area ?? survey.measured.zones.get(z.id)?.area ?? (z.length ?? 0) * (z.width ?? 0)

const isSmallZone = (zone: Zone, survey: SiteSurvey, trace: Trace): boolean => {
  const size = sizeOf(zone, survey)
  return size > 0 && size < trace.value(handGround.least)
}

/** The grasses of the largest zone beside a small one; none beside a larger. */
function lawnOf(zone: Zone, { zones }: Job, survey: SiteSurvey, trace: Trace): readonly GrassId[] {
  if (zone.present.length > 0 || !isSmallZone(zone, survey, trace)) return []
  const lawns = zones.filter((z) => z.present.length > 0 && !isSmallZone(z, survey, trace))
  return [...lawns].sort((a, b) => sizeOf(b, survey) - sizeOf(a, survey))[0]?.present ?? []
}

/** What all zones hang on, as one value: an edit in one zone leaves the others as they were worked. */
function siteInputs(
  { job, firm, schools, shelf, today, waits }: PrescribeBrief,
  climate: SiteClimate,
): SiteInputs & Versioned {
  const { walked, aims, users, lots, dressing, cover, watering, waterer, schools: own } = job
  const { units, swath, strip, scaleStep, handful, calibrations } = firm
  return versioned<SiteInputs>({
    job: { walked, aims, users, lots, dressing, cover, watering, waterer, schools: own },
    firm: { units, swath, strip, scaleStep, handful, calibrations },
    schools,
    today,
    climate,
    waits: waits.waits,
    shelf,
  })
}

/**
 * What ground that was sown is prescribed by: the day it was sown, and the seasons as they lay
 * ahead then. What went down does not become another mix because a season ends. Null where nothing
 * was sown before today.
 */
function sitesAsSown(brief: PrescribeBrief): (zone: ZoneId) => (SiteInputs & Versioned) | null {
  const sites = new Map<Day, SiteInputs & Versioned>()
  return (zone) => {
    const day = brief.sown.get(zone)
    if (day === undefined || day >= brief.today) return null
    const known = sites.get(day)
    if (known) return known
    const then = { ...brief, today: day }
    // Its frost date and soil are those of then: the plan's own figures stay today's.
    const site = siteInputs(
      then,
      siteClimate({ ...then, trace: new Trace(brief.trace.firmValues, brief.trace.grasses) }),
    )
    sites.set(day, site)
    return site
  }
}

/** All that was drawn, counted and levelled on the site. */
function surveyOf({ job, memo, trace }: PrescribeBrief, climate: SiteClimate): SiteSurvey {
  const values = {
    dip: trace.value(levelValues.dip),
    levelWithin: trace.value(surveyLines.levelWithin),
    leastTilt: trace.value(surveyLines.leastTilt),
  }
  return surveySite(job, growingSeason(climate, job, trace), values, memo)
}

/** What the zones come to together, and what is to be said of the survey. */
function walkOver(
  { job, firm, schools, trace }: PrescribeBrief,
  surveyed: SiteSurvey,
  readings: readonly ZoneReadings[],
) {
  const survey = surveySummary(surveyed, readings, {
    schoolLine: startOverLine(schools, trace),
    loose: looseFor(
      firm.settling ?? trace.value(firmSettings.settling.usual),
      firm.oversize ?? trace.value(firmSettings.oversize.usual),
    ),
    barrow: firm.barrow ?? trace.value(firmSettings.barrow.usual) / 1000,
    lights: { shade: trace.value(lightLines.shade), sun: trace.value(lightLines.cool) },
    twoSizes: trace.value(surveyLines.twoSizes) / 100,
  })
  const areas = readings.flatMap((r) => r.area ?? [])
  const errors = readings.flatMap((r) => r.areaErrorFigure ?? [])
  const totalArea =
    areas.length > 0 ? trace.work(surveyRules.totalArea, JOB, { zones: areas }) : null
  if (errors.length > 0) trace.work(surveyRules.totalError, JOB, { zones: errors })
  return {
    survey,
    totalArea,
    notices: surveyNotices(job.drawing, surveyed, survey, readings, trace),
  }
}

function frostWanted(job: Job, climate: SiteClimate, walked: boolean): Notice[] {
  if (!walked) return []
  const told = { kind: 'guess', stage: 6, figure: climate.frost.id } as const
  const { basis, frostOnRecord, firstFrost } = climate.place
  if (job.site.frost === null && !frostOnRecord)
    return firstFrost.median === null
      ? [
          {
            ...told,
            id: 'frost.none',
            level: 'note',
            title: 'No frost is expected here.',
            says: 'No frost date is given, and by the usual year of the latitude none comes: nothing is held back for it. Where frost does come, enter its date under Walk-over, Site and season.',
          },
        ]
      : [
          {
            ...told,
            id: 'frost.wanted',
            level: job.site.frostGuessed ? 'note' : 'warn',
            title: 'The last day to sow is a guess.',
            says: job.site.frostGuessed
              ? 'Nobody knows the frost date here, so it goes by a rough climate for the latitude: it may be three weeks out.'
              : say`No frost date is given, so it goes by a rough climate for the latitude. Enter the median date of the first ${quantity(-2, 'C')} night under Walk-over, Site and season.`,
          },
        ]
  if (basis !== 'rough') return []
  return [
    {
      ...told,
      id: 'place.guess',
      level: 'note',
      title: 'The climate here is a rough guess.',
      says: 'Days go by the usual year of the latitude, with its nights bent to your frost date. A station’s record under Year, or a soil reading on the site, makes them surer.',
    },
  ]
}

const mixedZone = ({ r, seed, suggestedMix: { search } }: ZonePlan): MixedZone[] =>
  seed && search && r.area
    ? [{ zone: r.id, area: num(r.area), problem: search.problem, best: search.shares }]
    : []
