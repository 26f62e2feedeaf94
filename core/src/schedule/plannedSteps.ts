import { type Day, dayNumber } from '../calendar/day.ts'
import { REASONS } from '../climate/dayReasons.ts'
import { placeValues } from '../climate/placeYear.ts'
import { yearDay } from '../climate/yearDay.ts'
import { slopeLines } from '../findings/lines.ts'
import type { PlannedStep } from '../plan/order.ts'
import { isBehind } from '../plan/stepState.ts'
import { lagValues } from '../reference/lagValues.ts'
import { OPERATIONS } from '../reference/operations.ts'
import { type Schools, schoolName } from '../reference/schools.ts'
import { type Message, joined, onDay, quantity, say } from '../rules/message.ts'
import { type Figure, num } from '../trace/figure.ts'
import { stepScope } from '../trace/scope.ts'
import type { Trace } from '../trace/trace.ts'
import { operationName, operationWhy } from '../work/operationWords.ts'
import { isPlanted } from '../work/sowing.ts'
import type { WorkPackage } from '../work/workPackages.ts'
import { type ZoneWork, operationOf, plans } from '../work/workTypes.ts'
import { hoursFigure } from './hoursFigure.ts'
import type { OrderBrief } from './orderBrief.ts'
import { orderRules } from './orderRules.ts'
import { heldNow } from './fixedDays.ts'
import type { Fixed, Schedule } from './schedulePackage.ts'
import { stepId } from './stepRecords.ts'
import type { PackageSteps } from './steps.ts'

export function plannedSteps(
  { job, schools, waits, today, prescription: { climate }, trace }: OrderBrief,
  pack: WorkPackage,
  { anchor }: PackageSteps,
  schedule: Schedule,
  { cutOff, windowState, fixed }: { cutOff: Figure; windowState: Figure; fixed: readonly Fixed[] },
): PlannedStep[] {
  const slope = trace.value(slopeLines.bank)
  const heat = trace.value(placeValues.hotWork)
  const hot = (day: Day) => climate.place.high[yearDay(dayNumber(day))]! >= heat
  let before: Figure | null = null
  return schedule.steps.map((s, i): PlannedStep => {
    const { kind, zones, effort, part } = s.need
    const op = OPERATIONS[kind]
    const id = stepId(kind, zones, part)
    const mine = pack.zones.filter((z) => zones.includes(z.r.id))
    const sown = mine.some((z) => isPlanted(z.sowing))
    const name = operationName(kind, sown)
    const holds = heldNow(fixed[i]!, today)
    const slip: Message = s.latest
      ? say`It may slip to ${onDay(s.latest)} and still fall in the window.`
      : 'A pin, the crew’s working days, or the steps before it.'
    const change = holds
      ? joined([say`Not before ${onDay(holds.until)}: ${REASONS[holds.why]}.`, slip])
      : slip
    const named = { label: name, change }
    const rules = i === anchor
    const inputs = {
      before,
      cutOff: rules ? cutOff : null,
      window: rules ? windowState : null,
      waits: rules ? waits.figures : [],
    }
    const day: Figure = isBehind(s)
      ? trace.found(orderRules.done, stepScope(id), s.chosen, {}, named)
      : s.state === 'pinned'
        ? trace.found(orderRules.pinned, stepScope(id), s.chosen, {}, named)
        : before || rules
          ? trace.found(orderRules.day, stepScope(id), s.chosen, inputs, named)
          : trace.found(orderRules.first, stepScope(id), s.chosen, {}, named)
    before = day
    const dusty = kind === 'dress' && job.dressing.kind === 'compost'
    const steep = op.by === 'area' && mine.some((z) => num(z.r.slope) >= slope)
    const why = operationWhy(kind, trace)
    const handed = mine.every((z) => operationOf(z, kind)?.tool === 'hand')
    return {
      id,
      workPackage: pack.id,
      kind,
      ...(part ? { part } : {}),
      name,
      why:
        kind === 'core'
          ? joined([why, coresSaid(mine, schools)])
          : kind === 'water' && !sown
            ? UNSOWN_WATER
            : why,
      zones,
      hours: hoursFigure(s.need, name, trace),
      people: effort.people,
      passes: s.need.passes,
      span: s.span,
      earliest: s.earliest,
      latest: s.latest,
      chosen: s.chosen,
      day,
      precondition: s.need.precondition,
      holds,
      how: joined(
        [
          s.need.how,
          op.halved && !handed && hot(s.chosen) ? IN_HEAT : '',
          lain(schedule, i, trace),
        ],
        '; ',
      ),
      state: s.state,
      cautions: [
        ...op.cautions,
        ...(steep ? (['slope'] as const) : []),
        ...(dusty ? (['compost'] as const) : []),
        ...(hot(s.chosen) ? (['heat'] as const) : []),
      ],
    }
  })
}

/** What is done first to a bed that has lain open too long before its seed; empty where none has. */
function lain({ steps }: Schedule, sow: number, trace: Trace): Message {
  const { need, chosen } = steps[sow]!
  if (need.kind !== 'sow') return ''
  const opened = steps
    .slice(0, sow)
    .filter(
      (s) => OPERATIONS[s.need.kind].opens && s.need.zones.some((z) => need.zones.includes(z)),
    )
    .map((s) => dayNumber(s.chosen) + s.span - 1)
  const days = dayNumber(chosen) - Math.max(...opened)
  return opened.length > 0 && days > trace.value(lagValues.openedToSow)
    ? say`rake the bed open again first: it has lain ${quantity(days, 'd')}`
    : ''
}

/** What becomes of the cores of some zones. */
function coresSaid(zones: readonly ZoneWork[], schools: Schools): Message {
  const collected = zones.filter((z) => plans(z, 'collect-cores'))
  if (collected.length === 0) return say`Cores: ${schoolName('cores', 'drag-in')}.`
  if (collected.length === zones.length)
    return say`Cores: ${schools.cores === 'drag-in' ? 'collected' : schoolName('cores', schools.cores)}.`
  return say`Cores: collected in ${collected.map((z) => z.r.name).join(', ')}, dragged in elsewhere.`
}

const IN_HEAT: Message = 'in heat a lower setting and more passes, by the mowing stripes'
const UNSOWN_WATER = 'Opened turf dries, a dressing settles with water, and granules want it.'
