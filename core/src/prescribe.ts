import { addDays, dayOf, laterDay, type Day } from './calendar/day.ts'
import { namesProduct } from './entities/diary.ts'
import type { Firm } from './entities/firm.ts'
import { isWatered, type Job } from './entities/job.ts'
import { approachZone, type ZoneApproach } from './approach/approach.ts'
import type { StationClimate } from './climate/placeYear.ts'
import { grassOdds, isRising, springDay } from './climate/grassWindow.ts'
import {
  growingSeason,
  leadTimeValues,
  siteClimate,
  type SiteClimate,
} from './climate/siteClimate.ts'
import { leadOf } from './climate/sowingLines.ts'
import { lastDayToSow, seasonAround } from './climate/sowingWindow.ts'
import type { WeatherDay } from './climate/weatherSeries.ts'
import { findingOf, type Finding } from './findings/finding.ts'
import { findInZone, startOverLine } from './findings/findInZone.ts'
import { stillWanted, type Wanted } from './findings/stillWanted.ts'
import { planCover } from './materials/cover.ts'
import { planDebris } from './materials/debris.ts'
import { planDressing } from './materials/dressing.ts'
import type { Materials } from './materials/lines.ts'
import { firmSettings, looseFor } from './reference/firmSettings.ts'
import type { Grass } from './reference/grasses.ts'
import { USER_NAMES } from './reference/lists.ts'
import { WEEDS, type SeenWeed } from './reference/walkLists.ts'
import { OPERATIONS } from './reference/operations.ts'
import { levelValues, lightLines } from './reference/siteValues.ts'
import type { Schools } from './reference/schools.ts'
import { choiceValues } from './schedule/sowingChoices.ts'
import type { WaitingPeriods } from './schedule/waitingPeriods.ts'
import { judgeBags, judgeMix, type JudgedBag, type Judgement } from './seed/judgeMix.ts'
import { coverLines } from './findings/lines.ts'
import {
  alone,
  mixName,
  seasonOf,
  seedIsNoWay,
  suggestMix,
  weigh,
  type Mix,
  type MixBrief,
  type MixGround,
} from './seed/mix.ts'
import { oneMix, type MixedZone, type OneMix } from './seed/oneMix.ts'
import {
  lotFigures,
  reserveShare,
  seedOrders,
  seedZone,
  type LotFigures,
  type ZoneSeed,
} from './seed/seedPlan.ts'
import type { BagOnShelf } from './stock/seedOnShelf.ts'
import { num, type Figure, type Notice } from './trace/figure.ts'
import type { Memo } from './trace/memo.ts'
import { joined, onDay, quantity, say, type Message } from './trace/message.ts'
import { figureId, JOB, laterRound, zoneScope } from './trace/scope.ts'
import type { Trace } from './trace/trace.ts'
import { surveySite } from './walkover/siteSurvey.ts'
import { surveyNotices, surveySummary, type SurveySummary } from './walkover/surveyNotices.ts'
import { surveyLines, surveyRules } from './walkover/surveyRules.ts'
import { readZone, type ZoneReadings } from './walkover/zoneReadings.ts'
import { isPlanted, isSown } from './work/sowing.ts'
import { workPackages, type WorkPackage } from './work/workPackages.ts'
import { plans, zoneWork, type ZoneWork } from './work/zoneWork.ts'

export interface ZonePlan {
  r: ZoneReadings
  season: 'cool' | 'warm'
  approach: ZoneApproach
  suggestedMix: Mix
  /** What is to be said of a mix that a person chose. */
  judged: Judgement | null
  /** Mixes that lie on the shelf, each held against Juvena's for this zone. */
  bags: JudgedBag[]
  seed: ZoneSeed | null
  work: ZoneWork
  /** The proper sowing that follows a quick cover, where ground is held over. */
  later: { work: ZoneWork; mix: Mix; seed: ZoneSeed | null } | null
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
  /** One mix for all zones that Juvena chose a mix for. */
  oneMix: OneMix | null
  notices: Notice[]
}

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
  const walked = walkOver(brief, climate)
  const lots = lotFigures(job, brief.shelf, trace)
  const others = othersOf(brief, climate)
  const zones = walked.readings.map((r) =>
    trace.recall(brief.memo, `zone ${r.id}`, [r, others, r.fill ? job.drawing : null], () =>
      prescribeZone(brief, climate, lots, r),
    ),
  )
  const seeds = zones.flatMap((z) => z.seed ?? [])
  const laterSeeds = zones.flatMap((z) => z.later?.seed ?? [])
  // A zone taken as worked before did not ask for its lots again.
  for (const { mix } of [...seeds, ...laterSeeds]) for (const part of mix) lots.pls(part.grass)
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
  const { covers, notices: coverNotices } = planCover(
    job,
    [...seeds, ...laterSeeds],
    [...works, ...later],
    trace,
  )
  return {
    climate,
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
    packages: workPackages(worked, later),
    oneMix: oneMix(zones.flatMap(mixedZone)),
    works: [...worked, ...later],
    notices: [
      ...walked.notices,
      ...frostWanted(job, climate, zones.length > 0),
      ...zones.flatMap((z) => z.notices),
      ...(dressing?.notices ?? []),
      ...coverNotices,
    ],
  }
}

/**
 * What a zone's prescription depends on besides its own readings, as one text: an edit in one zone
 * leaves the others as they were worked.
 */
function othersOf(
  { job, firm, schools, shelf, today, waits }: PrescribeBrief,
  climate: SiteClimate,
): string {
  const { zones: _zones, drawing: _drawing, pins: _pins, ...rest } = job
  const frosts = [
    climate.latitude,
    climate.frostMonthDay,
    climate.frostSpread,
    climate.place.warmest,
    climate.place.coldest,
  ]
  const { grasses, units, swath, strip, scaleStep, handful, calibrations } = firm
  return JSON.stringify([
    rest,
    shelf,
    schools,
    grasses,
    units,
    swath,
    strip,
    scaleStep,
    handful,
    calibrations,
    today,
    frosts,
    waits.figures.map((f) => [f.id, f.value]),
  ])
}

/** Reads every zone by the survey of the site. */
function walkOver({ job, firm, schools, memo, trace }: PrescribeBrief, climate: SiteClimate) {
  const values = {
    dip: trace.value(levelValues.dip),
    levelWithin: trace.value(surveyLines.levelWithin),
    leastTilt: trace.value(surveyLines.leastTilt),
  }
  const surveyed = surveySite(job, growingSeason(climate, job, trace), values, memo)
  const readings = job.zones.map((zone) => readZone(zone, surveyed, trace))
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
    readings,
    survey,
    totalArea,
    notices: surveyNotices(job.drawing, surveyed, survey, readings, trace),
  }
}

const frostWanted = (job: Job, climate: SiteClimate, walked: boolean): Notice[] =>
  job.site.frost === null && walked && !climate.place.frostOnRecord
    ? [
        {
          id: 'frost.wanted',
          stage: 6,
          level: 'warn',
          title: 'The last day to sow is a guess.',
          says: say`No frost date is given, so it goes by a rough climate for the latitude. Enter the median date of the first ${quantity(-2, 'C')} night under Walk-over, Site and season.`,
          figure: climate.frost.id,
        },
      ]
    : []

/** One zone from its readings to its seed. */
function prescribeZone(
  brief: PrescribeBrief,
  climate: SiteClimate,
  lots: LotFigures,
  r: ZoneReadings,
): ZonePlan {
  const { job, firm, schools, today, trace } = brief
  const findings = findInZone(r, schools, Number((job.walked ?? today).slice(0, 4)), trace)
  const season = seasonOf(r, climate, trace)
  const own = r.zone.mix?.filter((p) => (p.share ?? 0) > 0) ?? []
  // Whoever chose a mix has decided that seed is the way.
  const noSeed =
    own.length > 0
      ? null
      : seedIsNoWay(
          mixBriefOf(brief, climate, lots, { r, sowing: 'over', season, operations: [] }),
          trace.value(coverLines.heals),
        )
  const approach = approachZone({
    r,
    findings,
    job,
    schools,
    winterAhead: winterAhead(brief, climate, r, season),
    noSeed,
    trace,
  })
  const work = zoneWork({ r, season, approach: approach.chosen, findings, job, schools, trace })
  const mixing = mixBriefOf(brief, climate, lots, work)
  const suggested = mixFor(mixing)
  const held = work.sowing === 'cover-then-sow'
  const chosen = (by: Mix): Mix =>
    own.length > 0
      ? {
          ...by,
          parts: own.map((p) => ({ grass: p.grass, share: p.share ?? 0, reason: 'your choice' })),
          nothing: null,
        }
      : by
  const mix = held ? suggested : chosen(suggested)
  const overridden =
    own.length > 0 && !held && mixName(mix.parts, trace) !== mixName(suggested.parts, trace)
  const seed = seedZone({ work, mix, overridden, lots, firm, schools, trace })
  const judged =
    isSown(work.sowing) && own.length > 0 && !held ? judgeMix(mix.parts, suggested, mixing) : null
  const later = held ? properSowing(brief, climate, lots, work, findings, chosen) : null
  const notices = [
    ...approach.notices,
    ...livePests(r, work, findings),
    ...(isSown(work.sowing)
      ? [
          ...(judged?.notices ?? []),
          ...(seed?.notices ?? []),
          ...(!seed && r.area ? [noSeedFits(r, suggested.nothing)] : []),
        ]
      : []),
    ...(noSeed !== null && approach.chosen === 'care' && !approach.overridden
      ? [withoutSeed(r, noSeed)]
      : []),
    ...unopened(work),
    ...restNextSeason(work),
    ...keptInMind(r),
    ...reEntry(job, work),
    ...notLabelled(work, seed, trace),
  ]
  return {
    r,
    season,
    approach,
    suggestedMix: suggested,
    judged,
    bags: isSown(work.sowing) && !held ? judgeBags(brief.shelf, suggested, mixing) : [],
    seed,
    work,
    later,
    findings,
    notices,
  }
}

/**
 * Why new ground cannot be sown properly any more this season though a quick cover still can: the
 * last day has passed and killing frost is ahead. Null where it can, where the frost has come, or
 * where the school sows on.
 */
function winterAhead(
  { schools, today, waits, trace }: PrescribeBrief,
  climate: SiteClimate,
  r: ZoneReadings,
  season: 'cool' | 'warm',
): Message | null {
  if (schools.late !== 'stop') return null
  const ready = addDays(today, trace.value(leadTimeValues.prepare))
  const wait = waits.sow([r.id])
  const from = laterDay(ready, wait)
  const { warmest, frost } = seasonAround(climate, from, schools.cutOff)
  const last = lastDayToSow(season, climate, from, schools.cutOff, trace)
  // A quick cover is raked in within days, whatever the proper sowing would take.
  const covered = laterDay(addDays(today, 2), wait)
  if (frost === null || dayOf(warmest) > from || from <= last || covered > dayOf(frost)) return null
  return say`${onDay(last)} was the last day to sow it properly, and killing frost is due by ${onDay(dayOf(frost))}: a quick cover holds it, and the proper grass follows in its season.`
}

/**
 * Ground held over is sown properly in its season: over what stands by then, as new where hardly
 * anything did.
 */
function properSowing(
  brief: PrescribeBrief,
  climate: SiteClimate,
  lots: LotFigures,
  held: ZoneWork,
  findings: readonly Finding[],
  chosen: (by: Mix) => Mix,
): NonNullable<ZonePlan['later']> {
  const { job, firm, schools, trace } = brief
  const r: ZoneReadings = {
    ...held.r,
    id: laterRound(held.r.id),
    zone: { ...held.r.zone, sowing: 'new' },
  }
  const work = zoneWork({
    r,
    season: held.season,
    approach: 'sow-new',
    findings,
    job,
    schools,
    trace,
  })
  const mix = chosen(mixFor(mixBriefOf(brief, climate, lots, work)))
  return {
    work,
    mix,
    seed: seedZone({ work, mix, overridden: false, lots, firm, schools: brief.schools, trace }),
  }
}

const mixedZone = ({ r, seed, suggestedMix: { search } }: ZonePlan): MixedZone[] =>
  seed && search && r.area
    ? [{ zone: r.id, area: num(r.area), problem: search.problem, best: search.shares }]
    : []

/** What a zone's mix is chosen for. */
function mixBriefOf(
  { job, schools, shelf, today, waits, trace }: PrescribeBrief,
  climate: SiteClimate,
  lots: LotFigures,
  work: Pick<ZoneWork, 'r' | 'sowing' | 'season' | 'operations'>,
): MixBrief {
  const { r, sowing, season } = work
  const { prepare, kill } = trace.values(leadTimeValues)
  const ready = addDays(today, plans(work, 'kill') ? kill : prepare)
  const wait = waits.sow([r.id])
  const lastSowing = (grass: Grass): Day | null => {
    const lead = leadOf(grass)
    return lead === 'cover' ? null : lastDayToSow(lead, climate, today, schools.cutOff, trace)
  }
  const ground: MixGround = {
    r,
    job,
    schools,
    season,
    sowing,
    place: climate.place,
    sowingFrom: laterDay(ready, wait),
    tooSlow: tooSlowForSpring(
      { r, season, sowing, from: laterDay(ready, wait), watered: isWatered(job) },
      climate,
      schools,
      trace,
    ),
    lastSowing: slowOnes(lastSowing, season, today, trace),
    renovated: plans(work, 'kill', 'strip'),
    trace,
  }
  return { ...ground, weighed: weigh(ground), shelf, bag: lots.bag }
}

/**
 * Spring is for quick grasses: where one that stands there already, or any on new ground, is worth
 * sowing in the spring that runs, those that the heat would meet before they stand are left out of
 * its mix.
 */
function tooSlowForSpring(
  {
    r,
    season,
    sowing,
    from,
    watered,
  }: Pick<ZoneWork, 'r' | 'season' | 'sowing'> & { from: Day; watered: boolean },
  climate: SiteClimate,
  schools: Schools,
  trace: Trace,
): (grass: Grass) => boolean {
  const none = () => false
  if (season !== 'cool' || schools.season === 'autumn' || !isRising(climate, from)) return none
  const day = (grass: Grass) => springDay(grass, watered, from, climate, schools, trace)
  const stands = r.present.filter((g) => g.season === 'cool' && !g.passing)
  const quick = (
    sowing === 'new' || stands.length === 0 ? [trace.grass('perennial-ryegrass')] : stands
  ).some((grass) => {
    const on = day(grass)
    return (
      on !== null &&
      grassOdds(grass, watered, on, climate, schools, trace) >= trace.value(choiceValues.worth)
    )
  })
  return quick ? (grass) => grass.season === 'cool' && !grass.passing && day(grass) === null : none
}

/**
 * The mix Juvena would sow: a quick cover where ground is held over, a cool grass where one is put
 * into warm turf on purpose, else what suits it.
 */
function mixFor(brief: MixBrief): Mix {
  switch (brief.sowing) {
    case 'cover-then-sow':
      return alone('annual-ryegrass', 'quick cover; gone within the year')
    case 'winter-green':
      return alone('perennial-ryegrass', 'green over dormant turf; gone when it wakes')
    case 'blend':
      return alone('kentucky-bluegrass', 'a cool grass with runners holds its own in warm turf')
    default:
      return suggestMix(brief)
  }
}

/**
 * Grasses in the mix that a herbicide at seeding harms: bents never stand it, fine fescues only as
 * the label says.
 */
const notLabelled = (work: ZoneWork, seed: ZoneSeed | null, trace: Trace): Notice[] => {
  const { r } = work
  const harmed = plans(work, 'seed-safe')
    ? (seed?.mix ?? [])
        .map((m) => trace.grass(m.grass))
        .filter((g) => g.stands.mesotrione !== 'yes')
    : []
  if (harmed.length === 0) return []
  const never = harmed.some((g) => g.stands.mesotrione === 'no')
  return [
    {
      id: figureId(zoneScope(r.id), 'seed-safe'),
      stage: 6,
      zone: r.zone.id,
      level: never ? 'hold' : 'warn',
      title: say`${r.name}: ${harmed.map((g) => g.short).join(', ')} in the seed, and a herbicide at seeding.`,
      says: never
        ? 'It would not come up. Leave the herbicide out, or change the mix. The label decides.'
        : 'They stand only some of them, and at lower rates. Read the label before it is opened.',
    },
  ]
}

/** Seed on ground that nothing opens is said: a person switched the opening off. */
const unopened = (work: ZoneWork): Notice[] => {
  const { r } = work
  if (!r.area || !plans(work, 'sow') || work.operations.some((o) => OPERATIONS[o.operation].opens))
    return []
  return [
    {
      id: figureId(zoneScope(r.id), 'unopened'),
      stage: 6,
      zone: r.zone.id,
      level: 'warn',
      title: say`${r.name}: nothing opens the ground before seed.`,
      says: 'Seed on crust or hard ground does not touch soil, and one in five or fewer comes up. Switch on a rake, blades or cores under Approach.',
    },
  ]
}

/** Passes of the blades that are left for next season, because the sward would not close again. */
const restNextSeason = ({ r, operations }: ZoneWork): Notice[] => {
  const scarify = operations.find((o) => o.operation === 'scarify')
  const asked = Math.max(0, ...(scarify?.asks ?? []).map((a) => a.passes ?? 1))
  if (!scarify || scarify.yours || asked <= scarify.passes) return []
  return [
    {
      id: figureId(zoneScope(r.id), 'rest-next-season'),
      stage: 3,
      zone: r.zone.id,
      level: 'note',
      title: say`${r.name}: one pass of the blades now, the rest next season.`,
      says: 'The mat asks for more, but each pass takes living grass too, and this grass does not spread: without seed that is watered nothing would close the ground. Sow and water it, or plan the next pass for its next season.',
    },
  ]
}

/** What the weeds seen want next year, in its right month. */
const keptInMind = (r: ZoneReadings): Notice[] =>
  r.zone.weedsSeen.flatMap((id): Notice[] => {
    const weed: SeenWeed = WEEDS[id]
    return weed.nextYear
      ? [
          {
            id: figureId(zoneScope(r.id), `next-year.${id}`),
            stage: 2,
            zone: r.zone.id,
            level: 'note',
            title: say`${r.name}: for next year, ${weed.name}.`,
            says: weed.nextYear,
          },
        ]
      : []
  })

/** Children and pets on ground that is sprayed. */
const reEntry = ({ users }: Job, { r, operations }: ZoneWork): Notice[] => {
  const who = users.filter((u) => u !== 'public').map((u) => USER_NAMES[u])
  if (who.length === 0 || !operations.some((o) => namesProduct(o.operation))) return []
  return [
    {
      id: figureId(zoneScope(r.id), 're-entry'),
      stage: 6,
      zone: r.zone.id,
      level: 'warn',
      title: say`${r.name}: ${who.join(' and ')} on ground that is sprayed.`,
      says: 'They stay off until the label’s time of re-entry is past. Tell the household the day and the hour, or choose the way without chemicals under Approach.',
    },
  ]
}

const livePests = (r: ZoneReadings, work: ZoneWork, findings: readonly Finding[]): Notice[] => {
  const pests = findingOf(findings, r.id, 'pests')
  if (pests?.verdict !== 'hold' || !isPlanted(work.sowing)) return []
  return [
    {
      id: figureId(zoneScope(r.id), 'live-pests'),
      stage: 6,
      zone: r.id,
      level: 'hold',
      title: say`${r.name}: live pests.`,
      says: joined([
        pests.says,
        'Never sow into live pests: seedlings are the first they take. The sowing waits for a look again; note them as gone under Zones when they are.',
      ]),
      ...(pests.figure ? { figure: pests.figure } : {}),
    },
  ]
}

const withoutSeed = (r: ZoneReadings, why: Message): Notice => ({
  id: figureId(zoneScope(r.id), 'without-seed'),
  stage: 4,
  zone: r.id,
  level: 'warn',
  title: say`${r.name}: no seed.`,
  says: why,
})

const noSeedFits = (r: ZoneReadings, nothing: Message | null): Notice => ({
  id: figureId(zoneScope(r.id), 'no-seed'),
  stage: 4,
  zone: r.id,
  level: 'hold',
  title: say`${r.name}: no seed fits here.`,
  says: joined([
    nothing,
    r.present.some((g) => g.newRate === null)
      ? 'Fill gaps with runners or plugs of the turf there.'
      : 'Change the light or the height of cut, or choose another plant.',
  ]),
})

/**
 * Last sowing days, for the grasses slower than the season's quickest only: whether the season
 * itself fits is the schedule's to say. Once even the quickest has passed, the plan is for next
 * season and nothing is ruled out by date.
 */
function slowOnes(
  lastSowing: (g: Grass) => Day | null,
  season: 'cool' | 'warm',
  today: Day,
  trace: Trace,
): (g: Grass) => Day | null {
  const quickest = lastSowing(
    trace.grass(season === 'cool' ? 'perennial-ryegrass' : 'bermudagrass'),
  )
  return (grass) => {
    const last = lastSowing(grass)
    return last === null || quickest === null || quickest < today || last >= quickest ? null : last
  }
}
