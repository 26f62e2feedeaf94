import { shown } from '../quantities/show.ts'
import type { UnitSystem } from '../quantities/quantity.ts'
import { RULES } from '../ruleBook.ts'
import { STANDING_NAMES, type Figure, type Rule } from '../trace/figure.ts'
import { SCHOOL_CHOICES, schoolName, type SchoolChoiceId } from '../reference/schools.ts'

export interface Explained {
  figure: Figure
  value: string
  rule: Rule
  /** The formula with this job's values in it. */
  formula: string
  inputs: Figure[]
  standing: string
  ruleStanding: string
  school: { question: string; name: string; says: string } | null
  instead: string | null
  change: string | null
}

/** Everything that can be said of one figure. Null when the table does not hold it. */
export function explain(figures: Record<string, Figure>, id: string, system: UnitSystem): Explained | null {
  const figure = figures[id]
  const rule = figure && RULES.get(figure.rule)
  if (!figure || !rule) return null
  const inputs = figure.inputs.map((input) => figures[input]).filter((f) => f !== undefined)
  const say = (f: Figure | undefined) => (f ? shown(f.value, f.unit, system) : '—')
  const formula = rule.formula
    .replace(/\{(\d+)\}/g, (_, i: string) => say(inputs[Number(i)]))
    .replace('{*}', inputs.length > 6 ? `${inputs.slice(0, 6).map(say).join(', ')} …` : inputs.map(say).join(', ') || '—')
  const [choice, school] = (figure.school ?? '').split(':') as [SchoolChoiceId, string]
  const picked = school && choice in SCHOOL_CHOICES ? (SCHOOL_CHOICES[choice].schools as Record<string, { says: string }>)[school] : undefined
  return {
    figure,
    value: say(figure),
    rule,
    formula,
    inputs,
    standing: STANDING_NAMES[figure.standing],
    ruleStanding: STANDING_NAMES[rule.standing],
    school: picked ? { question: SCHOOL_CHOICES[choice].question, name: schoolName(choice, school), says: picked.says } : null,
    instead: figure.override ? shown(figure.override.instead, figure.override.unit, system) : null,
    change: figure.change ?? null,
  }
}
