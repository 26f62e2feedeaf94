import { addDays } from '../calendar/day.ts'
import type { PlannedStep } from '../schedule/orderOfWork.ts'
import type { Notice } from '../trace/figure.ts'
import { quantity, say } from '../trace/message.ts'
import { tradeValues, value } from '../trace/rule.ts'
import { figureId, stepScope } from '../trace/scope.ts'
import type { Trace } from '../trace/trace.ts'
import type { Outlook } from './station.ts'

export const weatherLines = tradeValues('weather', {
  wetDay: value(8, 'mm', 'model', 'Rain on the day that makes ground too wet for blades and tines', [1, 40]),
  wetBefore: value(15, 'mm', 'model', 'Rain the day before that does', [2, 60]),
  downpour: value(25, 'mm', 'practice', 'Rain on fresh seed that washes it', [5, 80]),
  onSlope: value(12, 'mm', 'model', 'The same on a slope', [2, 60]),
})

/** Steps of the days ahead that the outlook speaks against: wet ground, and a downpour on fresh seed. */
export function weatherHolds(steps: readonly PlannedStep[], outlook: Outlook | null, sloping: boolean, trace: Trace): Notice[] {
  if (!outlook) return []
  const v = trace.values(weatherLines)
  const rainOn = new Map(outlook.days.map((d) => [d.day, d.rain]))
  return steps.flatMap((step): Notice[] => {
    if (step.state === 'done' || step.state === 'unrecorded') return []
    const [before, here, after] = [-1, 0, 1].map((days) => rainOn.get(addDays(step.chosen, days)) ?? 0) as [number, number, number]
    const about = { stage: 6, level: 'warn', figure: step.day.id } as const
    const opens = step.kind === 'scarify' || step.kind === 'core'
    if (opens && (here >= v.wetDay || before >= v.wetBefore))
      return [
        {
          ...about,
          id: figureId(stepScope(step.id), 'wet'),
          title: say`${step.name}: wet ground likely.`,
          says: say`${quantity(here >= v.wetDay ? here : before, 'mm')} of rain in the outlook (${outlook.source}). Tines and blades want it moist, never wet: look that morning, or slip a day.`,
        },
      ]
    const rain = Math.max(here, after)
    if (step.kind === 'sow' && rain > (sloping ? v.onSlope : v.downpour))
      return [
        {
          ...about,
          id: figureId(stepScope(step.id), 'downpour'),
          title: say`${step.name}: a downpour on fresh seed.`,
          says: say`${quantity(rain, 'mm')} in the outlook (${outlook.source}). Bare${sloping ? ' and sloping' : ''} ground washes: sow after it.`,
        },
      ]
    return []
  })
}
