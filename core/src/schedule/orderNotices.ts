import { sure } from '../quantities/sure.ts'
import { dayNumber, daysBetween, weekendBetween, type Day } from '../calendar/day.ts'
import { REASONS, SEASON_NAMES, type Reason } from '../climate/dayReasons.ts'
import type { Option, PackagePlan, PlannedStep, SowingChoice } from '../plan/order.ts'
import { isBehind } from '../plan/stepState.ts'
import { lagValues } from '../reference/lagValues.ts'
import { OPERATIONS, type StepKind } from '../reference/operations.ts'
import { isEmpty, joined, onDay, quantity, say, type Message } from '../rules/message.ts'
import type { Figure, Notice } from '../trace/figure.ts'
import { figureId, packageScope, stepScope } from '../trace/scope.ts'
import type { Trace } from '../trace/trace.ts'
import type { WorkPackage } from '../work/workPackages.ts'
import type { OrderBrief } from './orderBrief.ts'
import type { Schedule } from './schedulePackage.ts'
import { stepRef, StepRecords } from './stepRecords.ts'
import type { StepNeed } from './steps.ts'

export const brokenPin = (kind: StepKind, broken: Message, step: PlannedStep): Notice => ({
  id: figureId(stepScope(step.id), 'pin'),
  kind: 'pin',
  step: step.id,
  stage: 6,
  level: 'warn',
  title: say`${OPERATIONS[kind].name}: your pin does not agree with the plan.`,
  says: joined([broken, 'Move the pin, or let the step float.']),
  figure: step.day.id,
})

/** Zones that joined a step after it was ticked off. */
export function uncovered(
  { prescription }: OrderBrief,
  pack: WorkPackage,
  need: StepNeed,
  step: PlannedStep,
  records: StepRecords,
): Notice[] {
  const left = records.doneOf(stepRef(need, pack.id))?.uncovered ?? []
  if (left.length === 0) return []
  const names = left.map((zone) => sure(prescription.zones.find((z) => z.r.id === zone)).r.name)
  return [
    {
      id: figureId(stepScope(step.id), 'uncovered'),
      kind: 'part-ticked',
      step: step.id,
      stage: 6,
      level: 'warn',
      title: say`${step.name}: ticked off, but not for ${names.join(', ')}.`,
      says: 'It was recorded before this ground belonged to it. Record it again when it is done here too.',
      figure: step.day.id,
    },
  ]
}

/** A season passed over, or weeks in which nothing can be sown, is the first thing said. */
export const passedNotice = (
  pack: WorkPackage,
  plan: PackagePlan,
  passed: { title: Message; says: Message } | null,
): Notice[] =>
  passed
    ? [
        {
          id: figureId(packageScope(pack.id), 'season'),
          kind: 'season-passed',
          stage: 6,
          level: 'warn',
          title: joined([say`${pack.zones.map((z) => z.r.name).join(', ')}:`, passed.title], ' '),
          says: passed.says,
          figure: plan.cutOff.id,
        },
      ]
    : []

/** Bare ground that waits for weeks for its grass is offered a quick cover, whatever the season. */
export const liesBare = (
  pack: WorkPackage,
  plan: PackagePlan,
  today: Day,
  trace: Trace,
  covers: () => readonly Option[],
): Notice[] => {
  const weeks = Math.floor(daysBetween(today, plan.sowDay) / 7)
  if (weeks <= trace.value(lagValues.bareWeeks)) return []
  const [cover] = covers()
  if (!cover) return []
  return [
    {
      id: figureId(packageScope(pack.id), 'lies-bare'),
      stage: 6,
      level: 'warn',
      title: say`${pack.zones.map((z) => z.r.name).join(', ')}: bare for ${quantity(weeks, 'wk')} until it is sown.`,
      says: joined(
        [
          'Bare so long it crusts, washes and fills with weeds.',
          cover.says,
          'Choose “hold over” under Approach, or cover it with mulch.',
        ],
        ' ',
      ),
      figure: plan.cutOff.id,
    },
  ]
}

/** Why the day that is taken is what it is. */
const reasonOn = ({ window, sowDay }: PackagePlan): Reason =>
  window.find((w) => w.from <= sowDay && sowDay <= w.to)?.reason ?? 'good-work'

/** What the odds of the sowing that is taken are called: the word follows the figure. */
function oddsSaid({ choices }: PackagePlan): Message {
  const odds = choices.find((c) => c.taken)?.odds
  if (!odds) return 'Tell the customer.'
  const years = Number(odds.value)
  const word = years >= GOOD_ODDS ? 'good' : years >= FAIR_ODDS ? 'fair, not good' : 'poor'
  return say`Odds are ${word}: ${String(years)} years in a hundred. Tell the customer.`
}
/** The season taken and a later one so much surer that the customer should hear; null where none is. */
function surerLater({ choices, plants }: PackagePlan): { taken: Known; later: Known } | null {
  const known = choices.filter((c): c is Known => c.odds !== null)
  const taken = known.find((c) => c.taken)
  if (!plants || !taken) return null
  const surer = Number(taken.odds.value) + MUCH_SURER
  // The same season a year on is no other choice.
  const later = known.find(
    (c) => c.day > taken.day && c.season !== taken.season && Number(c.odds.value) >= surer,
  )
  return later ? { taken, later } : null
}
/** A season whose odds are known. */
type Known = SowingChoice & { odds: Figure }
/** Years in a hundred by which a later season is worth a word. */
const MUCH_SURER = 20

const poorOdds = ({ choices }: PackagePlan): boolean =>
  choices.some((c) => c.taken && c.odds !== null && Number(c.odds.value) < FAIR_ODDS)
/** Years in a hundred from which odds are called good, and fair. */
const GOOD_ODDS = 75
const FAIR_ODDS = 50

/**
 * Where a usual wait, for want of a label, carries a sowing past its last day: the longest wait with
 * which it would still fit.
 */
export function labelNotice(
  { waits, today }: OrderBrief,
  pack: WorkPackage,
  plan: PackagePlan,
  cutOff: Day,
): Notice[] {
  const ids = new Set(pack.zones.map((z) => z.r.zone.id))
  const holding = waits.waits.filter(
    (w) =>
      w.keeps === 'sow' &&
      w.guessedFrom !== undefined &&
      w.until > cutOff &&
      (w.zones.length === 0 || w.zones.some((zone) => ids.has(zone))),
  )
  if (!plan.plants || holding.length === 0 || cutOff <= today) return []
  const began = holding
    .map((w) => sure(w.guessedFrom))
    .sort()
    .at(-1)!
  return [
    {
      id: figureId(packageScope(pack.id), 'label'),
      kind: 'label',
      stage: 6,
      level: 'warn',
      title: say`${pack.zones.map((z) => z.r.name).join(', ')}: read the label of what was put down.`,
      says: say`The longest usual wait is counted, and carries the sowing past ${onDay(cutOff)}. If the label asks for ${quantity(daysBetween(began, cutOff), 'd')} or less, it can still be sown by then. Enter its days under Walk-over, History.`,
      figure: plan.cutOff.id,
    },
  ]
}

/** Blades and cores of one piece of work with days between on which nobody works. */
function overWeekend({ steps }: Schedule): { blades: Day; cores: Day } | null {
  const open = (kind: StepKind) => steps.find((s) => s.need.kind === kind && !isBehind(s))?.chosen
  const [blades, cores] = [open('scarify'), open('core')]
  return blades && cores && weekendBetween(dayNumber(blades), dayNumber(cores))
    ? { blades, cores }
    : null
}

/** What is done again, or what it costs, where work has stood longer than what follows it asks for. */
function standing({ stood, steps }: Schedule): { since: Day; says: Message[] } | null {
  if (stood.length === 0) return null
  // What opens the ground and is still to come opens it again.
  const opensStill = steps.some((s) => !isBehind(s) && OPERATIONS[s.need.kind].opens)
  const opened = stood.filter((s) => OPERATIONS[s.done].opens && s.next === 'sow')
  const watered = stood.find((s) => s.done === 'dampen')
  const debris = stood.find((s) => s.next === 'clear')
  const others = stood.filter((s) => !opened.includes(s) && s !== watered && s !== debris && !isEmpty(s.why)) // prettier-ignore
  return {
    since: stood.map((s) => s.on).sort()[0]!,
    says: [
      ...(opened.length > 0 && !opensStill ? ['Opened ground crusts and closes: rake it open again, lightly, straight before the seed.'] : []), // prettier-ignore
      ...(watered ? [`Water again the evening before it is ${watered.next === 'core' ? 'cored' : 'loosened'}, unless rain did it.`] : []), // prettier-ignore
      ...(debris ? ['Take the debris off before anything else: it keeps light and air from the turf.'] : []), // prettier-ignore
      ...(others.length > 0 ? [say`Later than it should be: ${joined(others.map((s) => s.why), ', ')}.`] : []), // prettier-ignore
    ],
  }
}

export function misfitNotice(
  { job, today }: OrderBrief,
  pack: WorkPackage,
  plan: PackagePlan,
  schedule: Schedule,
  windowState: Figure,
): Notice[] {
  const id = (key: string) => figureId(packageScope(pack.id), key)
  const zones = pack.zones.map((z) => z.r.name).join(', ')
  const day = onDay(schedule.sowDay, schedule.sowDay.slice(0, 4) !== today.slice(0, 4))
  const found: Notice[] = []
  // What is sown is sown: its day is told by what comes up, not by a season that may be over now.
  if (plan.steps.some((s) => s.kind === plan.anchor && s.state === 'done')) return []
  if (plan.verdict !== '')
    found.push({
      id: id('fits'),
      kind: 'does-not-fit',
      stage: 6,
      level: 'hold',
      title: plan.verdict,
      says: joined(plan.options.map((o) => say`${o.title}: ${o.says}`)),
      figure: plan.cutOff.id,
    })
  else if (schedule.sowState !== 'open' && pack.kind !== 'feed')
    found.push({
      id: id('marginal'),
      kind: 'marginal',
      stage: 6,
      level: 'warn',
      title: plan.plants
        ? say`Sowing ${zones} on ${day} is ${schedule.sowState}: ${plan.choices.find((c) => c.taken)?.reason ?? REASONS[reasonOn(plan)]}.`
        : say`Working ${zones} on ${day} is ${schedule.sowState}: ${REASONS[reasonOn(plan)]}.`,
      says: plan.plants ? oddsSaid(plan) : 'It stays open and bare for longer. Tell the customer.',
      figure: windowState.id,
    })
  else if (plan.plants && poorOdds(plan))
    found.push({
      id: id('marginal'),
      kind: 'marginal',
      stage: 6,
      level: 'warn',
      title: say`Sowing ${zones} on ${day}: the season is open, its odds are not.`,
      says: oddsSaid(plan),
      figure: windowState.id,
    })
  // A quick cover is for now.
  const surer = pack.kind === 'hold' ? null : surerLater(plan)
  if (surer)
    found.push({
      id: id('surer-later'),
      kind: 'surer-later',
      stage: 6,
      level: 'note',
      title: say`${zones}: ${SEASON_NAMES[surer.later.season]} would be surer.`,
      says: say`Sown ${onDay(surer.taken.day, true)}, ${String(surer.taken.odds.value)} years in a hundred succeed; sown ${onDay(surer.later.day, true)}, ${String(surer.later.odds.value)}. The wait is the customer’s to judge: take the other under Order of work.`,
      figure: windowState.id,
    })
  const stood = standing(schedule)
  if (stood)
    found.push({
      id: id('stood'),
      kind: 'stood',
      stage: 6,
      level: 'warn',
      title: say`${zones}: the work has stood since ${onDay(stood.since)}.`,
      says: joined(stood.says),
      figure: windowState.id,
    })
  if (schedule.givenUp.length > 0)
    found.push({
      id: id('given-up'),
      kind: 'given-up',
      stage: 6,
      level: 'warn',
      title: say`Given up: ${joined(schedule.givenUp, ', ')}.`,
      says: 'These are only better, not required. What must hold still holds. More crew, weekend work, more visits or the lawn in parts would bring them back.',
    })
  const weekend = overWeekend(schedule)
  if (weekend)
    found.push({
      id: id('weekend'),
      kind: 'weekend',
      stage: 6,
      level: 'note',
      title: say`${zones}: a weekend lies between blades and cores.`,
      says: say`Scarified ${onDay(weekend.blades)}, cored ${onDay(weekend.cores)}: opened turf lies dry for so long. Have it watered once between, work on the Saturday, or pin either to another day.`,
    })
  if (job.visits !== null && schedule.visits > job.visits)
    found.push({
      id: id('visits'),
      kind: 'visits',
      stage: 6,
      level: 'warn',
      title: say`${schedule.visits} visits, not ${job.visits}.`,
      says: 'The waits between its steps, or the hours of the work, need more days on site than you asked for.',
    })
  return found
}
