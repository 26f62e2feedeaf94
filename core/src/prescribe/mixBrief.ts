import { addDays, daysBetween, laterDay, type Day } from '../calendar/day.ts'
import { leadTimeValues, type SiteClimate } from '../climate/siteClimate.ts'
import { leadOf } from '../climate/sowingLines.ts'
import { lastDayToSow } from '../climate/sowingWindow.ts'
import { grassOdds, grassWindow, isRising, springDay } from '../climate/windows.ts'
import { isWatered } from '../entities/job.ts'
import type { Grass } from '../reference/grasses.ts'
import { operationValues } from '../reference/operationValues.ts'
import type { Schools } from '../reference/schools.ts'
import { choiceValues } from '../climate/choiceValues.ts'
import { larvaeFrom, waitsUntil } from '../work/waitingPeriods.ts'
import { alone, suggestMix, weigh, type Mix, type MixBrief, type MixGround } from '../seed/mix.ts'
import { isOfThePlace } from '../seed/fit/judging.ts'
import { bagOf } from '../seed/seedPlan.ts'
import { hybridSeed } from '../seed/whatLeads.ts'
import type { Trace } from '../trace/trace.ts'
import { isSmall } from '../work/ground.ts'
import { plans, type ZoneWork } from '../work/workTypes.ts'
import type { SiteInputs } from './zone.ts'

/** What a zone's mix is chosen for. */
export function mixBriefOf(
  { job, schools, shelf, today, waits, climate }: SiteInputs,
  work: Pick<ZoneWork, 'r' | 'sowing' | 'season' | 'operations'>,
  trace: Trace,
): MixBrief {
  const { r, sowing, season } = work
  const { prepare, byHand, kill } = trace.values(leadTimeValues)
  const days = plans(work, 'kill') ? kill : isSmall(r, trace) ? byHand : prepare
  const ready = addDays(today, days)
  const from = laterDay(
    laterDay(ready, waitsUntil(waits, 'sow', [r.id])),
    lookedAgain(work, today, trace),
  )
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
    sowingFrom: from,
    tooSlow: tooSlowForSpring(
      { r, season, sowing, from, watered: isWatered(job) },
      climate,
      schools,
      trace,
    ),
    untilSpring: schools.late === 'dormant' && (lastSowing(trace.grass(QUICK.cool)) ?? from) < from,
    oddsNow: (grass) => grassOdds(grass, isWatered(job), from, climate, schools, trace),
    lastSowing: slowOnes(lastSowing, season, today, trace),
    shutToLast: shutToLast({ r, from, watered: isWatered(job), season }, climate, schools, trace),
    renovated: plans(work, 'kill', 'strip'),
    matching: hybridSeed(r.zone, trace.grasses, shelf),
    trace,
  }
  const bag = (grass: string) => bagOf(grass, job.lots, shelf, trace)
  return { ...ground, weighed: weigh(ground), shelf, bag }
}

/** The look before which nothing is sown, at live pests or at brown grass; null where none is due. */
function lookedAgain(
  { r, operations }: Pick<ZoneWork, 'r' | 'operations'>,
  today: Day,
  trace: Trace,
): Day | null {
  const v = trace.values(operationValues)
  const treated = laterDay(addDays(today, 1), larvaeFrom(r.zone.pests, v.afterFlight))
  const pests = plans({ operations }, 'treat-pests') ? addDays(treated, v.pests) : null
  return plans({ operations }, 'recheck') ? laterDay(addDays(today, v.recheck), pests) : pests
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
 * Whether no day is left to a slow grass between heat and its last day, or only days of odds so poor
 * that nobody sows on them while a quick grass would stand; or, where summers are hot and it is neither
 * there nor wished for, only marginal days, much poorer than the best that the quick ones have after
 * it. The spring before counts only where it would be taken: where its odds are fair, and the school
 * sows in spring.
 */
const shutToLast =
  (
    { r, from, watered, season }: Pick<ZoneWork, 'r' | 'season'> & { from: Day; watered: boolean },
    climate: SiteClimate,
    schools: Schools,
    trace: Trace,
  ) =>
  (grass: Grass, last: Day): boolean => {
    /** The best odds of a grass up to a day, spring left out; and whether its window is open on any. */
    const best = (g: Grass, until: Day): { odds: number; open: boolean } => {
      const { start, states, seasons } = grassWindow(g.id, { purpose: 'lawn', watered }, climate, schools, trace) // prettier-ignore
      let [odds, open] = [0, false]
      for (let i = Math.max(0, daysBetween(start, from)); i <= daysBetween(start, until); i++) {
        if (states[i] === 'shut' || seasons[i] === 'spring') continue
        if (states[i] === 'open') open = true
        odds = Math.max(odds, grassOdds(g, watered, addDays(start, i), climate, schools, trace))
      }
      return { odds, open }
    }
    const costsMuch = (slow: Grass, until: Day): boolean => {
      const quick = trace.grass(QUICK[season])
      const lead = leadOf(quick)
      const quickLast = lead === 'cover' ? null : lastDayToSow(lead, climate, from, schools.cutOff, trace) // prettier-ignore
      const own = best(slow, until)
      if (quickLast === null || own.open) return false
      return best(quick, quickLast).odds - own.odds >= trace.value(choiceValues.slowCosts)
    }
    const fair = (g: Grass, day: Day) =>
      grassOdds(g, watered, day, climate, schools, trace) >= trace.value(choiceValues.worthLate)
    const window = grassWindow(grass.id, { purpose: 'lawn', watered }, climate, schools, trace)
    const spring =
      schools.season !== 'autumn' && isRising(climate, from)
        ? springDay(grass, watered, from, climate, schools, trace)
        : null
    if (spring !== null && fair(grass, spring)) return false
    const to = daysBetween(window.start, last)
    const hot = climate.place.mean[climate.place.warmest]! >= trace.value(choiceValues.hotSummer)
    if (hot && !isOfThePlace(grass, r) && costsMuch(grass, last)) return true
    for (let i = Math.max(0, daysBetween(window.start, from)); i <= to; i++) {
      if (window.states[i] === 'shut' || window.seasons[i] === 'spring') continue
      const first = addDays(window.start, i)
      return !fair(grass, first) && fair(trace.grass(QUICK[season]), first)
    }
    return true
  }

/** The quickest lawn grass of a season. */
const QUICK = { cool: 'perennial-ryegrass', warm: 'bermudagrass' } as const

/**
 * The mix Juvena would sow: a quick cover where ground is held over, a cool grass where one is put
 * into warm turf on purpose, else what suits it.
 */
export function mixFor(brief: MixBrief): Mix {
  switch (brief.sowing) {
    case 'cover-then-sow':
      return brief.r.zone.coverGrass
        ? alone(brief.r.zone.coverGrass, 'the quick cover you chose')
        : alone('annual-ryegrass', 'quick cover; gone within the year')
    case 'winter-green':
      return alone('perennial-ryegrass', 'green over dormant turf; gone when it wakes')
    case 'blend':
      return alone('kentucky-bluegrass', 'a cool grass with runners holds its own in warm turf')
    default:
      return suggestMix(brief)
  }
}

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
  const quickest = lastSowing(trace.grass(QUICK[season]))
  return (grass) => {
    const last = lastSowing(grass)
    return last === null || quickest === null || quickest < today || last >= quickest ? null : last
  }
}
