import type { FigureValue, Unit } from '../quantities/show.ts'

/** How far a value can be trusted, strongest first. A figure stands no firmer than the weakest among its rule and its inputs. */
export const STANDINGS = ['calculation', 'reading', 'published', 'practice', 'model', 'assumed'] as const
export type Standing = (typeof STANDINGS)[number]

export const STANDING_NAMES: Record<Standing, string> = {
  calculation: 'calculation',
  reading: 'your reading',
  published: 'published',
  practice: 'common practice',
  model: "Juvena's model",
  assumed: 'assumed, not read',
}

export type Stage = 1 | 2 | 3 | 4 | 5 | 6 | 7 | 8

/** A rule of the trade. In `formula`, {0}, {1} … stand for the inputs in order. `source` is named, or "from memory", or "common practice". */
export interface Rule {
  id: string
  version: number
  says: string
  formula: string
  standing: Standing
  source: string
}

export const rule = (
  id: string,
  says: string,
  formula: string,
  standing: Standing,
  source = standing === 'calculation' ? 'true by definition' : STANDING_NAMES[standing],
): Rule => ({
  id,
  version: 1,
  says,
  formula,
  standing,
  source,
})

export interface Override {
  /** What the plan would have said. */
  instead: FigureValue
  unit: Unit
}

/** One worked value. In the core's units or ISO; `inputs` are ids in the same table. */
export interface Figure {
  id: string
  label: string
  value: FigureValue
  unit: Unit
  rule: string
  inputs: string[]
  standing: Standing
  stage: Stage
  zone?: string
  /** "choice:school", when a school decided it. */
  school?: string
  override?: Override
  /** What would change it, in words. */
  change?: string
}

type Extra = Partial<Pick<Figure, 'school' | 'override' | 'change' | 'zone'>>

const rank = new Map(STANDINGS.map((standing, i) => [standing, i]))

/** Gathers the figures of one plan in a flat table. */
export class Workings {
  readonly figures: Record<string, Figure> = {}

  /** Adds a figure worked by a rule from other figures. Null inputs are left out; a repeated id is a bug. */
  add(
    stage: Stage,
    id: string,
    label: string,
    value: FigureValue,
    unit: Unit,
    by: Rule,
    inputs: readonly (Figure | null | undefined)[] = [],
    extra: Extra = {},
  ): Figure {
    if (id in this.figures) throw new Error(`Figure ${id} is worked twice`)
    let weakest = rank.get(by.standing)!
    const ids: string[] = []
    for (const input of inputs) {
      if (!input) continue
      ids.push(input.id)
      weakest = Math.max(weakest, rank.get(input.standing)!)
    }
    const figure: Figure = { id, label, value, unit, rule: by.id, inputs: ids, standing: STANDINGS[weakest]!, stage, ...extra }
    this.figures[id] = figure
    return figure
  }

  /** A figure someone read or typed; null where it was not. */
  read(stage: Stage, id: string, label: string, value: FigureValue | null, unit: Unit, zone?: string): Figure | null {
    return value === null ? null : this.add(stage, id, label, value, unit, readings.typed, [], zone ? { zone } : {})
  }

  /** The reading, or else a stated assumption in its place. */
  readOr(stage: Stage, id: string, label: string, value: FigureValue | null, otherwise: FigureValue, unit: Unit, zone?: string): Figure {
    const extra = zone ? { zone } : {}
    return value === null
      ? this.add(stage, id, label, otherwise, unit, readings.assumed, [], extra)
      : this.add(stage, id, label, value, unit, readings.typed, [], extra)
  }
}

export const readings = {
  typed: rule('reading.typed', 'Read or decided on site and typed in.', 'as entered', 'reading', 'your entry'),
  assumed: rule('reading.assumed', 'Not read. Juvena goes on with a usual value until it is.', 'a usual value', 'assumed', "Juvena's assumption"),
  firm: rule('reading.firm', 'A setting of your firm, in the Yard.', 'as set in the Yard', 'reading', 'your firm'),
  house: rule('reading.house', 'Not set by your firm. Juvena uses a usual value; set your own in the Yard.', 'a usual value', 'model'),
  table: rule(
    'reading.table',
    'From the reference table of the trade, middle of its range.',
    'the table',
    'practice',
    'extension handbooks, from memory, ±15 %',
  ),
}

export const num = (figure: Figure): number => figure.value as number

/** A sentence on the plan that stops or warns: what is wrong, why it matters, what to do. */
export interface Notice {
  id: string
  stage: Stage
  zone?: string
  level: 'hold' | 'warn' | 'note'
  title: string
  says: string
  figure?: string
}
