import { type Message, say } from '../rules/message.ts'
import type { Figure } from '../trace/figure.ts'
import { stepScope } from '../trace/scope.ts'
import type { Trace } from '../trace/trace.ts'
import { hoursRules } from '../work/hours.ts'
import { stepId } from './stepRecords.ts'
import type { StepNeed } from './steps.ts'

/** The hours of a step as a figure: what `hoursOf` worked from, with the grounds as figures. */
export function hoursFigure(need: StepNeed, name: Message, trace: Trace): Figure {
  const { setUp, passes, rate, rates, spreading, people, by, grounds } = need.effort
  const scope = stepScope(stepId(need.kind, need.zones, need.part))
  const named = { label: say`${name}: hours` }
  if (by === 'nothing') return trace.work(hoursRules.fixed, scope, { setUp, people }, named)
  if (by === 'length')
    return trace.work(hoursRules.byLength, scope, { setUp, lengths: grounds, rate, people }, named)
  if (rates)
    return trace.work(
      hoursRules.byTools,
      scope,
      { setUp, zones: grounds, passes, rates, spreading, people },
      named,
    )
  return trace.work(
    hoursRules.byArea,
    scope,
    { setUp, zones: grounds, passes, rate, spreading, people },
    named,
  )
}
