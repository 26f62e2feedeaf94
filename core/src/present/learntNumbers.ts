import { ownNumber, learningValues, type OwnNumber } from '../learning/ownNumber.ts'
import { PACE, type Observation } from '../learning/observations.ts'
import type { Unit } from '../quantities/show.ts'
import { GRASSES } from '../reference/grasses.ts'
import { RULES, VALUES } from '../ruleBook.ts'
import type { TradeValue } from '../rules/rule.ts'
import type { FirmValues } from '../trace/trace.ts'

/** One observation with the job it comes from. */
export interface SeenOn extends Observation {
  job: string
  name: string
}

/** A number of the trade with what the diaries say of it. */
export interface LearntNumber extends OwnNumber {
  /** Id of the trade value, or `pace.` and a grass. */
  value: string
  says: string
  unit: Unit
  /** Juvena’s own. */
  usual: number
  newest: SeenOn[]
}

/** Observations that are named of those a number rests on. */
const NAMED = 12
/** A grass takes between so many times the warmth of its table. */
const PACES = [0.5, 2] as const

/** What a number is of: with the rule it stands in, where it has one. */
function titled(value: TradeValue): string {
  const rule = RULES.get(value.id.slice(0, value.id.lastIndexOf('.')))
  return typeof rule?.label === 'string'
    ? `${rule.label}: ${value.says.charAt(0).toLowerCase()}${value.says.slice(1)}`
    : value.says
}

/** What the diaries of all jobs say, by number, those with most observations first. */
export function learntNumbers(seen: readonly SeenOn[], own: FirmValues): LearntNumber[] {
  const prior = own[learningValues.prior.id] ?? learningValues.prior.is
  const by = new Map<string, SeenOn[]>()
  for (const s of seen) by.set(s.value, [...(by.get(s.value) ?? []), s])
  return [...by]
    .flatMap(([id, all]) => {
      const value = VALUES.get(id)
      const grass = id.startsWith(PACE) ? GRASSES[id.slice(PACE.length)] : null
      // A number of an older Juvena, or a grass of the firm's own that is gone, says nothing now.
      if (!value && !grass) return []
      const usual = value?.is ?? 1
      return [
        {
          value: id,
          says: (value && titled(value)) ?? `${grass?.name}: warmth to come up, times its table`,
          unit: value?.unit ?? ('1' as const),
          usual,
          ...ownNumber(all.map((s) => s.is), usual, prior, value?.range ?? PACES), // prettier-ignore
          newest: [...all].sort((a, b) => b.on.localeCompare(a.on)).slice(0, NAMED),
        },
      ]
    })
    .sort((a, b) => b.n - a.n || a.says.localeCompare(b.says))
}
