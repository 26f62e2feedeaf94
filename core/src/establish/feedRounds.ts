import { addDays, dayNumber, daysBetween, laterDay, type Day } from '../calendar/day.ts'
import { seasonAround } from '../climate/sowingWindow.ts'
import { soilOn } from '../climate/soilTemperature.ts'
import { isRising, windowToWork } from '../climate/windows.ts'
import { windowValues } from '../climate/sowingLines.ts'
import { daysOn, yearDay, YEAR_DAYS } from '../climate/yearDay.ts'
import { isWatered } from '../entities/job.ts'
import { nitrogenBanOn } from '../firm/nitrogenLaw.ts'
import { mainNitrogen, type Rounds } from '../materials/feed.ts'
import { nitrogenValues } from '../materials/feedRules.ts'
import { leftOfYear, nitrogenOfYear, standingGrass, yearRules } from '../materials/yearNitrogen.ts'
import type { PackagePlan } from '../plan/order.ts'
import { lagValues } from '../reference/lagValues.ts'
import { OPERATIONS } from '../reference/operations.ts'
import { programmeValues } from '../reference/programmeValues.ts'
import { onDay, quantity, say, type Message } from '../rules/message.ts'
import { workingDay } from '../schedule/workingDay.ts'
import type { StepNeed } from '../schedule/steps.ts'
import { largestPart } from '../seed/mix.ts'
import { num, type Figure } from '../trace/figure.ts'
import { packageScope, zoneOf } from '../trace/scope.ts'
import type { LaterBrief } from './laterSteps.ts'

/** The feeding programme of one package, and the first right day from one on; null where there is none. */
export interface FeedProgramme extends Rounds {
  next: (day: Day) => Day | null
}

/** Days that are searched for one that is right, from the day a feed is due. */
const SEARCHED = 200
/** Rounds of one package at most. */
const MOST_ROUNDS = 12

/**
 * When ground is fed on after its first feed, and with how much: by the school of the job, in days
 * that are right for its grass and lawful, and never past what its grass wants in a year. `mown` is
 * when its seedlings are mown; null where it has none.
 */
export function feedProgramme(
  brief: LaterBrief,
  plan: PackagePlan,
  needs: readonly StepNeed[],
  mown: Day | null,
): FeedProgramme | null {
  const need = needs.find((n) => n.kind === 'feed-round')
  const { job, schools, prescription: p, trace } = brief
  const way = schools.programme
  if (!need || way === 'one-dose') return null
  const v = trace.values(programmeValues)
  const scope = packageScope(plan.id)
  const fedOn = plan.steps.find((s) => OPERATIONS[s.kind].feeds)?.chosen ?? null
  // Fed with the seed, or once it is mown.
  const start = fedOn ?? (mown ? workingDay(addDays(mown, trace.value(lagValues.afterMow)), brief.workforce.weekendWork) : plan.sowDay) // prettier-ignore
  const seedlings = mown !== null && way === 'spoon'
  const seasonOf = (day: Day) => seasonAround(p.climate, day, schools.cutOff)
  const { frost, coldest } = seasonOf(start)
  /** Of the same growing year as the first feed. */
  const sameYear = (day: Day) => seasonOf(day).coldest === coldest
  // From late summer to the coldest of the year.
  const late = trace.value(windowValues.afterWarmest)
  const fall = (day: Day) =>
    !isRising(p.climate, day) && daysOn(p.climate.place.warmest, yearDay(dayNumber(day))) >= late

  const n = trace.values(nitrogenValues)
  const inHeat = (day: Day) => soilOn(p.climate.soilBefore, dayNumber(day)) >= n.heat

  const wanted = nitrogenOfYear(
    p.zones
      .filter((z) => need.zones.some((id) => zoneOf(id) === z.r.id))
      .map((z) => (z.seed ? largestPart(z.seed.mix).grass : standingGrass(z.r))), // prettier-ignore
    plan.season,
    job,
    scope,
    trace,
  )
  const main = mainNitrogen(job, way === 'spoon' && !plan.plants, trace)
  const given = sameYear(brief.today) ? brief.given : null
  const left = leftOfYear(wanted, given, main)
  const inputs = { need: wanted, given: given ?? 0, main }

  const next = nextRightDay(brief, plan, (day) =>
    way === 'spoon'
      ? (frost === null || dayNumber(day) < frost) && (seedlings || plan.season === 'warm' || fall(day)) // prettier-ignore
      : way === 'harden' || plan.season === 'warm' || (fall(day) && !inHeat(day)),
  )
  const every = seedlings ? v.seedlingsEvery : way === 'spoon' ? v.spoonEvery : v.between
  const slow = (job.feed.slowShare ?? 0) >= v.slow ? addDays(start, v.slowLasts) : start
  const soonest = laterDay(
    laterDay(addDays(start, seedlings ? 1 : every), slow),
    mown === null ? start : addDays(mown, fedOn !== null && fedOn < mown ? 1 : every),
  )
  const inOneYear = (from: Day, most: number): Day[] => {
    const days: Day[] = []
    for (let due: Day | null = from; days.length < most; due = addDays(due, every)) {
      due = next(due)
      if (due === null || !sameYear(due)) break
      if (days.length > 0 && daysBetween(days.at(-1)!, due) > 2 * every) break
      days.push(due)
    }
    return days
  }
  const rounds = (days: Day[], nitrogen: Figure | null, says: Rounds['says']): FeedProgramme => ({
    workPackage: plan.id,
    zones: need.zones,
    way: seedlings ? 'seedlings' : way,
    days,
    every,
    nitrogen,
    says,
    next,
  })
  const said = (title: Message, says: Message) => ({ title, says, figure: wanted.id })
  const nothingLeft = () =>
    rounds([], null, said('No further feed this year.', say`${wanted} is what its grass wants in a year, and that is given.`)) // prettier-ignore

  if (way === 'harden') {
    const day = hardeningDay({ soonest, frost, before: v.hardenBefore, next, sameYear, start })
    return rounds(
      day ? [day] : [],
      null,
      day
        ? null
        : said(
            'No hardening feed this year.',
            frost === null
              ? 'Most years have no frost here: there is nothing to harden turf against.'
              : say`Its days are over: it goes down about ${quantity(v.hardenBefore, 'd')} before frost, and ${quantity(v.between, 'd')} after the feed before.`,
          ),
    )
  }
  if (left < v.worthwhile) return nothingLeft()
  if (way === 'spoon') {
    const dose = seedlings
      ? trace.work(yearRules.seedlings, scope, inputs)
      : trace.work(yearRules.spoon, scope, inputs)
    const most = Math.max(1, Math.floor(left / num(dose) + 1e-9))
    const days = inOneYear(soonest, seedlings ? Math.min(v.seedlingDoses, most) : Math.min(MOST_ROUNDS, most)) // prettier-ignore
    return rounds(days, dose, days.length > 0 ? null : seasonOver(start, wanted))
  }
  const first = plan.season === 'warm' || fall(start) ? main : 0
  const share = plan.season === 'warm' ? 100 : v.autumnShare
  const total = Math.min((share / 100) * num(wanted) - first, left)
  if (total < v.worthwhile) return nothingLeft()
  // Warm turf is fed in heat, by half as much at once.
  const most = plan.season === 'warm' && inOneYear(soonest, MOST_ROUNDS).some(inHeat) ? (n.quick * n.inHeat) / 100 : n.quick // prettier-ignore
  const days = inOneYear(soonest, Math.min(MOST_ROUNDS, Math.ceil(total / most - 1e-9)))
  if (days.length === 0) return rounds([], null, seasonOver(start, wanted))
  const dose = trace.work(yearRules.dose, scope, {
    ...inputs,
    share,
    first,
    doses: days.length,
    most,
  })
  const lacks = total - num(dose) * days.length
  return rounds(
    days,
    dose,
    lacks < v.worthwhile
      ? null
      : said(
          say`${quantity(lacks, 'g/m2')} of the year’s nitrogen finds no day.`,
          say`The season of feeding leaves ${quantity(days.length, '1')} more after ${onDay(start)}; a larger dose burns, so the rest is left out.`,
        ),
  )
}

const seasonOver = (fed: Day, wanted: Figure): Rounds['says'] => ({
  title: 'No day is left this season to feed it again.',
  says: say`After the feed of ${onDay(fed, true)} its season ends; the programme goes on next year, with ${wanted} of nitrogen in all.`,
  figure: wanted.id,
})

/** The first working day from one on that is open to feeding, that the law allows and that `also` holds for. */
function nextRightDay(
  { job, schools, prescription: p, bans, workforce, trace }: LaterBrief,
  plan: PackagePlan,
  also: (day: Day) => boolean,
): (day: Day) => Day | null {
  const { start, states } = windowToWork(plan.season, 'feed', isWatered(job), p.climate, schools, trace) // prettier-ignore
  const first = dayNumber(start)
  // The window is told for eighteen months; other years are like these.
  const stateOn = (day: Day) => {
    let i = dayNumber(day) - first
    while (i < 0) i += YEAR_DAYS
    while (i >= states.length) i -= YEAR_DAYS
    return states[i]
  }
  return (from) => {
    for (let i = 0; i < SEARCHED; i++) {
      const day = addDays(from, i)
      if (stateOn(day) !== 'open' || nitrogenBanOn(bans, day) || !also(day)) continue
      if (workingDay(day, workforce.weekendWork) === day) return day
    }
    return null
  }
}

interface Hardening {
  soonest: Day
  /** Day number of its frost; null where most years have none. */
  frost: number | null
  /** Days before that. */
  before: number
  next: (day: Day) => Day | null
  sameYear: (day: Day) => boolean
  start: Day
}

/**
 * The latest right day that leaves the wanted days before frost; of a feed that went down late the
 * first right day after it that still comes before frost.
 */
function hardeningDay({ soonest, frost, before, next, sameYear, start }: Hardening): Day | null {
  if (frost === null) return null
  const wanted = addDays(start, frost - before - dayNumber(start))
  for (let day = wanted; day >= soonest; day = addDays(day, -1)) if (next(day) === day) return day
  const late = next(laterDay(soonest, wanted))
  return late !== null && dayNumber(late) < frost && sameYear(late) ? late : null
}
