import { shown } from '../quantities/show.ts'
import { schoolName, SCHOOL_CHOICES, type SchoolChoiceId } from '../reference/schools.ts'
import { DECLARATIONS, isProcedure, isRule } from '../ruleBook.ts'
import { EVIDENCE_NAMES } from '../rules/evidence.ts'
import { figureInputs, type Figure } from '../trace/figure.ts'
import { quantity, type Message } from '../rules/message.ts'
import type { Declaration, TradeValue } from '../rules/rule.ts'
import { valueInForce, type FirmValues } from '../trace/trace.ts'
import { decidingTest, formulaText, namesOf } from './formulaText.ts'
import { render, type Reader } from './render.ts'

/** What an explanation is read from: a plan, or what was kept of one. */
export interface Explainable {
  figures: Readonly<Record<string, Figure>>
  firmValues: FirmValues
}

export interface ExplainedValue {
  id: string
  says: string
  value: string
  /** Juvena's own, where the firm has set another. */
  instead: string | null
  standing: string
}

export interface Explained {
  figure: Figure
  value: string
  rule: Declaration
  says: string
  /** The formula with this job's values in it, or what the procedure does. */
  formula: string
  /** The test that decided it, where the formula is a choice: "16 mm > 12 mm". */
  decidedBy: string | null
  inputs: Figure[]
  /** The numbers of the trade it goes by. */
  values: ExplainedValue[]
  standing: string
  ruleStanding: string
  school: { question: string; name: string; says: string } | null
  instead: string | null
  change: string | null
}

const ORIGINS: Record<Figure['origin'], string> = {
  typed: 'as entered',
  assumed: 'a usual value',
  setting: 'as set in the Yard',
  table: 'the table',
  worked: '',
}

/** What a declaration says, with its numbers in it. */
export const ruleSays = (by: Declaration, firmValues: FirmValues): Message => ({
  template: by.says,
  parts: Object.fromEntries(
    Object.entries(by.values).map(([name, v]) => [
      name,
      quantity(valueInForce(v, firmValues), v.unit),
    ]),
  ),
})

const explainValue = (v: TradeValue, firmValues: FirmValues, reader: Reader): ExplainedValue => {
  const own = firmValues[v.id]
  return {
    id: v.id,
    says: v.says,
    value: shown(valueInForce(v, firmValues), v.unit, reader.units, reader.currency),
    instead: own === undefined ? null : shown(v.is, v.unit, reader.units, reader.currency),
    standing: EVIDENCE_NAMES[own === undefined ? v.standing : 'reading'],
  }
}

/** Everything that can be said of one figure. Null when the plan does not hold it. */
export function explain(
  { figures, firmValues }: Explainable,
  id: string,
  told: Reader,
): Explained | null {
  const reader = { ...told, exact: true }
  const figure = figures[id]
  const by = figure && DECLARATIONS.get(figure.rule)
  if (!figure || !by) return null
  const worked = isRule(by)
    ? { formula: by.formula, named: namesOf(by, figure, figures, firmValues, reader) }
    : null
  const formula = worked
    ? formulaText(worked.formula, worked.named)
    : isProcedure(by)
      ? render(by.steps, reader)
      : ORIGINS[figure.origin]
  const [choice, school] = (figure.school ?? '').split(':') as [SchoolChoiceId, string]
  const picked =
    school && choice in SCHOOL_CHOICES
      ? (SCHOOL_CHOICES[choice].schools as Record<string, { says: string }>)[school]
      : undefined
  return {
    figure,
    value: shown(figure.value, figure.unit, reader.units, reader.currency),
    rule: by,
    says: render(ruleSays(by, firmValues), reader),
    formula,
    decidedBy: worked && decidingTest(worked.formula, String(figure.value), worked.named),
    inputs: figureInputs(figure).flatMap((input) => figures[input] ?? []),
    values: Object.values(by.values).map((v) => explainValue(v, firmValues, reader)),
    standing: EVIDENCE_NAMES[figure.standing],
    ruleStanding: EVIDENCE_NAMES[by.standing],
    school: picked
      ? {
          question: SCHOOL_CHOICES[choice].question,
          name: schoolName(choice, school),
          says: picked.says,
        }
      : null,
    instead: figure.override
      ? shown(figure.override.instead, figure.override.unit, reader.units, reader.currency)
      : null,
    change: figure.change ? render(figure.change, reader) : null,
  }
}
