import { addDays, dayNumber, daysBetween, type Day } from '../calendar/day.ts'
import { yearDay } from '../climate/yearDay.ts'
import type { Job } from '../entities/job.ts'
import type { WaterIn } from '../plan/follow.ts'
import type { PackagePlan, PlannedStep } from '../plan/order.ts'
import type { Prescription } from '../plan/prescription.ts'
import { type StepKind } from '../reference/operations.ts'
import type { Schools } from '../reference/schools.ts'
import { rule, tradeValues, value, type TradeValue } from '../rules/rule.ts'
import type { Figure } from '../trace/figure.ts'
import { stepScope, zoneOf } from '../trace/scope.ts'
import type { ZoneReadings } from '../walkover/zoneReadings.ts'
import type { Trace } from '../trace/trace.ts'
import { runMinutes, sprinklerOf, tapFlow, tooSmallForSprinkler } from './watering.ts'

const perDose = (is: number, says: string, range: readonly [number, number]) =>
  value(is, 'rain', 'practice', says, range)

export const waterInValues = tradeValues('water-in', {
  feed: perDose(5.5, 'Feed is watered in with', [2, 12]),
  dress: perDose(4, 'A dressing is settled with', [1, 10]),
  core: perDose(8, 'Cored turf is watered with', [3, 15]),
  opened: value(5, 'rain', 'model', 'Turf that blades opened is watered with', [2, 15]),
  light: value(4, 'rain', 'model', 'Holes that dry are watered lightly with', [1, 10]),
  close: value(14, 'd', 'practice', 'Core holes close in about', [7, 28]),
  warm: value(22, 'C', 'model', 'Holes dry turf on usual days of', [15, 30]),
})

export const waterInRules = {
  need: rule({
    id: 'water.in',
    key: 'water.in',
    stage: 7,
    label: 'Water in',
    unit: 'rain',
    standing: 'practice',
    says: 'What the work of that day wants: the most of feed, dressing, blades and cores. The same day in heat, within two to three days in cool weather; rain counts.',
    inputs: { doses: 'rain[]' },
    formula: 'most(doses)',
    compute: ({ doses }) => Math.max(...doses),
  }),
  litres: rule({
    id: 'water.in-litres',
    key: 'water.in-litres',
    stage: 7,
    label: 'Water in, litres',
    unit: 'L',
    standing: 'calculation',
    says: 'A millimetre on a square metre is a litre.',
    inputs: { need: 'rain', area: 'm2' },
    formula: 'need * area',
    compute: ({ need, area }) => need * area,
  }),
}

/** Rate and evenness of the sprinklers of a zone. */
function rateOf(by: { trace: Trace }, r: ZoneReadings, flow: Figure | null) {
  const { precipitation, uniformity } = sprinklerOf(by, r, flow)
  return { rate: precipitation, uniformity }
}

/** What each operation wants that wants water after it. */
const DOSES: Partial<Record<StepKind, TradeValue>> = {
  feed: waterInValues.feed,
  'feed-lawn': waterInValues.feed,
  'feed-round': waterInValues.feed,
  dress: waterInValues.dress,
  'dress-again': waterInValues.dress,
  'sand-in': waterInValues.dress,
  core: waterInValues.core,
  scarify: waterInValues.opened,
  wetting: waterInValues.core,
  wake: waterInValues.core,
  'lay-back': waterInValues.core,
  'pre-emergence': waterInValues.feed,
  'pre-emergence-again': waterInValues.feed,
}

interface WaterInBrief {
  job: Job
  schools: Schools
  prescription: Prescription
  trace: Trace
}

/**
 * Water after work without seed, by zone: mm, minutes, litres; on ground too small for a sprinkler
 * litres alone. What of it is the step that waters, or the work itself where no step does.
 */
export function waterIn(
  { job, schools, prescription: p, trace }: WaterInBrief,
  packages: readonly PackagePlan[],
  later: readonly PlannedStep[],
): WaterIn[] {
  const flow = tapFlow(job, trace)
  const v = trace.values(waterInValues)
  const unsown = new Set(
    packages.filter((plan) => !plan.plants || plan.kind === 'due').map((plan) => plan.id),
  )
  const steps = [...packages.flatMap((plan) => plan.steps), ...later].filter(
    (s) =>
      // Turf that was laid back is watered whatever else is sown beside it; so is a later feed.
      unsown.has(s.workPackage) || s.kind === 'lay-back' || s.kind === 'feed-round',
  )
  return p.zones
    .flatMap(({ r }) => visitsTo(r.id, steps).map((mine) => ({ r, mine })))
    .flatMap(({ r, mine }): WaterIn[] => {
      const wet = mine.filter((s) => DOSES[s.kind])
      const step = mine.find((s) => s.kind === 'water') ?? wet.at(-1)
      if (!r.area || !step || wet.length === 0) return []
      const scope = stepScope(`${step.id} ${r.id}`)
      const need = trace.work(waterInRules.need, scope, {
        doses: wet.map((s) => trace.value(DOSES[s.kind]!)),
      })
      const small = tooSmallForSprinkler(r, trace)
      return [
        {
          step: step.id,
          zone: r.id,
          day: step.chosen,
          need,
          minutes: small
            ? null
            : runMinutes(
                { schools, trace },
                scope,
                { need, ...rateOf({ trace }, r, flow) },
                {
                  key: 'water.in-minutes',
                  label: 'Water in, minutes',
                },
              ),
          litres: trace.work(waterInRules.litres, scope, { need, area: r.area }),
          until: holesOpen(p, wet, v),
          light: v.light,
        },
      ]
    })
}

/** The work on a zone by visit: each with the watering that follows it within days. */
function visitsTo(zone: string, steps: readonly PlannedStep[]): PlannedStep[][] {
  const mine = steps.filter((s) => s.zones.some((z) => zoneOf(z) === zone))
  const visits: PlannedStep[][] = []
  for (const s of [...mine].sort((a, b) => a.chosen.localeCompare(b.chosen))) {
    const last = visits.at(-1)
    // What is watered a day or two after the work is one watering with it.
    if (last && daysBetween(last[0]!.chosen, s.chosen) <= ONE_WATERING) last.push(s)
    else if (DOSES[s.kind]) visits.push([s])
  }
  // Where the evening before coring is watered anyway, that is the water after blades.
  const dampened = mine.filter((s) => s.kind === 'dampen').map((s) => s.chosen)
  return visits.filter(
    (visit) =>
      !dampened.some((day) => {
        const after = daysBetween(visit.at(-1)!.chosen, day)
        return after >= 0 && after <= UNTIL_DAMPENED
      }),
  )
}
/** Days within which the watering before coring serves the work before it. */
const UNTIL_DAMPENED = 5
/** Days within which work shares a watering. */
const ONE_WATERING = 2

/** Until when core holes are looked at daily, in weather that dries them; null where none are. */
function holesOpen(
  { climate }: Prescription,
  steps: readonly PlannedStep[],
  { close, warm }: { close: number; warm: number },
): Day | null {
  const core = steps.find((s) => s.kind === 'core')
  if (!core || climate.place.high[yearDay(dayNumber(core.chosen))]! < warm) return null
  return addDays(core.chosen, close)
}
