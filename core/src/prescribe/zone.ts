import { addDays, dayNumber, dayOf, laterDay, type Day } from '../calendar/day.ts'
import { approachZone } from '../approach/approach.ts'
import { leadTimeValues, type SiteClimate } from '../climate/siteClimate.ts'
import { careValues } from '../climate/careWindow.ts'
import { yearDay } from '../climate/yearDay.ts'
import { lastDayToSow, seasonAround } from '../climate/sowingWindow.ts'
import { springCutOver } from '../climate/windows.ts'
import { isWatered, type Job, type Zone } from '../entities/job.ts'
import type { Finding } from '../findings/finding.ts'
import { findInZone } from '../findings/findInZone.ts'
import { coverLines } from '../findings/lines.ts'
import type { GrassId } from '../reference/grasses.ts'
import { OPERATIONS } from '../reference/operations.ts'
import type { Schools } from '../reference/schools.ts'
import { waitsUntil, type Wait } from '../work/waitingPeriods.ts'
import { judgeBags, judgeMix } from '../seed/judgeMix.ts'
import { mixName, seasonOf, seedIsNoWay, type Mix } from '../seed/mix.ts'
import type { Spreader } from '../firm/spreader.ts'
import { seedZone } from '../seed/seedPlan.ts'
import { hybridSeed } from '../seed/whatLeads.ts'
import type { BagOnShelf } from '../stock/seedOnShelf.ts'
import type { Versioned } from '../trace/memo.ts'
import { onDay, say, type Message } from '../rules/message.ts'
import { laterRound } from '../trace/scope.ts'
import type { Trace } from '../trace/trace.ts'
import type { SiteSurvey } from '../walkover/siteSurvey.ts'
import { readZone, type Recount, type ZoneReadings } from '../walkover/zoneReadings.ts'
import { PRESETS } from '../work/presets.ts'
import { isSown } from '../work/sowing.ts'
import { isSmall } from '../work/ground.ts'
import { plans, type ZoneWork } from '../work/workTypes.ts'
import { zoneWork } from '../work/zoneWork.ts'
import type { ZonePlan } from '../plan/prescription.ts'
import { mixBriefOf, mixFor } from './mixBrief.ts'
import {
  asleep,
  atItsLight,
  keptInMind,
  laidBack,
  leftOpen,
  livePests,
  noSeedFits,
  lateOwn,
  notLabelled,
  reEntry,
  restNextSeason,
  unopened,
  openToWeeds,
  wishRefused,
  withoutSeed,
} from './zoneNotices.ts'

/** What of a job the prescription of one zone goes by, beside the zone itself. */
export type ZoneFacts = Pick<
  Job,
  'walked' | 'aims' | 'users' | 'lots' | 'dressing' | 'cover' | 'watering' | 'waterer' | 'schools'
>

/** What all zones of a job are prescribed by. */
export interface SiteInputs {
  job: ZoneFacts
  firm: Spreader
  schools: Schools
  today: Day
  climate: SiteClimate
  waits: readonly Wait[]
  /** Seed that lies on the firm's shelf. */
  shelf: readonly BagOnShelf[]
}

export interface ZoneInputs {
  zone: Zone
  survey: SiteSurvey
  /** The grasses of the lawn it is a patch of, where none were noted there. */
  lawn: readonly GrassId[]
  /** A patch of the lawn is a zone of its own, and this is not it. */
  patchApart: boolean
  /** Its cover as counted again since the walk; null where it was not. */
  recount: Recount | null
  site: SiteInputs & Versioned
}

/** One zone from its readings to its seed. */
export function prescribeZone(
  { zone: entered, lawn, patchApart, survey, recount, site }: ZoneInputs,
  trace: Trace,
): ZonePlan {
  const zone = entered.present.length > 0 ? entered : { ...entered, present: [...lawn] }
  const r = readZone(zone, survey, trace, recount)
  const { job, firm, schools, today, climate } = site
  const { lots } = job
  const walked = job.walked ?? today
  const resting =
    climate.place.soil[yearDay(dayNumber(walked))]! < trace.value(careValues.warmWakes)
  const warm = r.present.some((g) => g.season === 'warm')
  const findings = findInZone(r, schools, Number(walked.slice(0, 4)), trace, {
    resting,
    cutOver: warm && springCutOver(isWatered(job), climate, schools, trace),
  })
  const wished = seasonOf(r, climate, schools, trace)
  // What the owner wants has a say where something is sown; what stands, where nothing is.
  const standing = r.target ? seasonOf({ ...r, target: null }, climate, schools, trace) : wished
  const own = r.zone.mix?.filter((p) => (p.share ?? 0) > 0) ?? []
  // Whoever chose a mix has decided that seed is the way.
  const noSeed =
    own.length > 0
      ? null
      : seedIsNoWay(
          mixBriefOf(site, { r, sowing: 'over', season: wished, operations: [] }, trace),
          trace.value(coverLines.heals),
        )
  const approach = approachZone({
    r,
    findings,
    job,
    schools,
    winterAhead: winterAhead(site, r, wished, trace),
    matching: hybridSeed(zone, trace.grasses, site.shelf),
    noSeed,
    patchApart,
    trace,
  })
  const sowing = zone.sowing ?? PRESETS[approach.chosen].sowing
  const season = sowing === 'none' ? standing : wished
  const work = zoneWork({ r, season, approach: approach.chosen, findings, job, schools, trace })
  const mixing = mixBriefOf(site, work, trace)
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
  // A quick cover has a rate of its own.
  const seed = seedZone({
    work: held
      ? { ...work, r: { ...r, zone: { ...r.zone, seedRate: r.zone.coverRate, seedRateOf: 'bag' } } }
      : work,
    mix,
    overridden,
    lots,
    firm,
    schools,
    trace,
  })
  const judged =
    isSown(work.sowing) && own.length > 0 && !held ? judgeMix(mix.parts, suggested, mixing) : null
  const later = held ? properSowing(site, work, findings, chosen, trace) : null
  const notices = [
    ...approach.notices,
    ...livePests(r, work, findings),
    ...(isSown(work.sowing)
      ? [
          ...(judged?.notices ?? []),
          ...(seed?.notices ?? []),
          ...(held ? [] : atItsLight(work, seed, schools, trace)),
          ...(held ? [] : wishRefused(work, seed, mixing.weighed, schools, trace)),
          ...(held ? [] : lateOwn(work, seed, mixing.weighed)),
          ...(!seed && r.area ? [noSeedFits(r, suggested.nothing)] : []),
        ]
      : []),
    ...(noSeed !== null && approach.chosen === 'care' && !approach.overridden
      ? [withoutSeed(r, noSeed)]
      : []),
    ...asleep(work),
    ...unopened(work),
    ...restNextSeason(work),
    ...leftOpen(work),
    ...laidBack(work, trace),
    ...openToWeeds(work, site),
    ...keptInMind(r, schools),
    ...reEntry(job, work),
    ...notLabelled(work, seed, trace),
  ]
  return {
    r,
    season,
    approach,
    suggestedMix: suggested,
    judged,
    bags: isSown(work.sowing) && !held ? judgeBags(site.shelf, suggested, mixing) : [],
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
  { schools, today, waits, climate }: SiteInputs,
  r: ZoneReadings,
  season: 'cool' | 'warm',
  trace: Trace,
): Message | null {
  if (schools.late !== 'stop') return null
  const { prepareLeast, byHand } = trace.values(leadTimeValues)
  const ready = addDays(today, isSmall(r, trace) ? byHand : prepareLeast)
  const wait = waitsUntil(waits, 'sow', [r.id])
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
  site: SiteInputs,
  held: ZoneWork,
  findings: readonly Finding[],
  chosen: (by: Mix) => Mix,
  trace: Trace,
): NonNullable<ZonePlan['later']> {
  const { job, firm, schools } = site
  const r: ZoneReadings = {
    ...held.r,
    id: laterRound(held.r.id),
    zone: { ...held.r.zone, sowing: 'new' },
  }
  const asked = zoneWork({
    r,
    season: held.season,
    approach: 'sow-new',
    findings,
    job,
    schools,
    trace,
  })
  // What was repaired with the quick cover is not repaired again.
  const work = {
    ...asked,
    operations: asked.operations.filter(
      (o) => OPERATIONS[o.operation].group !== 'repairs' || !plans(held, o.operation),
    ),
  }
  const mix = chosen(mixFor(mixBriefOf(site, work, trace)))
  return {
    work,
    mix,
    seed: seedZone({ work, mix, overridden: false, lots: job.lots, firm, schools, trace }),
  }
}
