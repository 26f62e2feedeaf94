import { sure } from '../quantities/sure.ts'
import type { FigureValue, Unit } from '../quantities/show.ts'
import { GRASSES, type Grass, type GrassId, type GrassTable } from '../reference/grasses.ts'
import { weaker, type EvidenceLevel } from '../rules/evidence.ts'
import type { Figure, InputRef, Override } from './figure.ts'
import { versionOf, type Inputs as KeptInputs, type Memo, type Versioned } from './memo.ts'
import type { Message } from '../rules/message.ts'
import type {
  Computed,
  Declaration,
  Inputs,
  Procedure,
  Reading,
  Rule,
  Setting,
  TableEntry,
  TradeValue,
  TradeValues,
} from '../rules/rule.ts'
import { figureId, type Scope } from './scope.ts'

/** A value given as an input without being a figure itself. */
type Raw<U> = U extends 'date' | 'text' ? string : number
type Given<U> = U extends `${infer B}[]`
  ? readonly Figure[] | readonly Raw<B>[]
  : U extends `${infer B}?`
    ? Figure | Raw<B> | null | undefined
    : Figure | Raw<U>

type GivenInputs<I extends Inputs> = { [K in keyof I]: Given<I[K]> }

export interface Extra {
  /** The quantity it stands for, where a rule yields several: the parts of a count. */
  key?: string
  /** Tells figures of one quantity and scope apart: a grass within a zone. */
  part?: string
  label?: Message
  school?: string
  override?: Override
  change?: Message
}

/** Values a firm has set instead of Juvena's own, by "rule.value". */
export type FirmValues = Readonly<Record<string, number>>

/** A number of the trade: the firm's own where it has set one, or as declared. */
export const valueInForce = (of: TradeValue, firmValues: FirmValues): number =>
  firmValues[of.id] ?? of.is

interface Known {
  /** The weakest evidence among the rule and its values. */
  standing: EvidenceLevel
  /** The unit of each input, of one entry where it is a list. */
  units: Record<string, Unit>
}
/**
 * The numbers as a firm sets them, kept from plan to plan for as long as its settings are the same
 * object.
 */
interface ReadByFirm {
  groups: Map<TradeValues, Record<string, number>>
  declarations: Map<Declaration, Known>
}
const READ = new WeakMap<FirmValues, ReadByFirm>()
const AS_DECLARED: FirmValues = {}

const isFigure = (given: unknown): given is Figure =>
  typeof given === 'object' && given !== null && 'rule' in given

/** Works rules for one plan, and keeps every figure with its working in a flat table. */
export class Trace {
  readonly figures: Record<string, Figure>
  private readonly cached: ReadByFirm
  /** What stands for the firm's numbers and grasses. */
  private readonly firm: Versioned

  /** With the firm's own numbers of the trade, and its table of grasses. */
  constructor(
    readonly firmValues: FirmValues = AS_DECLARED,
    readonly grasses: GrassTable = GRASSES,
    /** Figures that are known already, of the trace that this one is a draft of. */
    known: Readonly<Record<string, Figure>> | null = null,
  ) {
    this.figures = known ? (Object.create(known) as Record<string, Figure>) : {}
    this.cached = READ.get(firmValues) ?? { groups: new Map(), declarations: new Map() }
    READ.set(firmValues, this.cached)
    const own = Object.values(grasses).filter((g) => GRASSES[g.id] !== g)
    const left = Object.keys(GRASSES).filter((id) => !(id in grasses))
    this.firm = { version: versionOf({ firmValues, own, left }) }
  }

  /** One to try with: nothing that it works is kept until it is adopted. */
  draft(): Trace {
    return new Trace(this.firmValues, this.grasses, this.figures)
  }

  /** Keeps what a draft of this trace has worked. */
  adopt(draft: Trace): void {
    for (const figure of Object.values(draft.figures)) this.put(figure)
  }

  /** A number of the trade: the firm's own, or as declared. */
  value(of: TradeValue): number {
    return valueInForce(of, this.firmValues)
  }

  /**
   * A grass as the firm has it. Throws on one that is not in its table: a job is rid of those
   * before it is planned.
   */
  grass(id: GrassId): Grass {
    const found = this.grasses[id]
    if (!found) throw new Error(`No grass ${id}`)
    return found
  }

  /** A group of numbers of the trade: the firm's own where it has set one. */
  values<V extends TradeValues>(group: V): { [K in keyof V]: number } {
    let found = this.cached.groups.get(group)
    if (!found) {
      found = Object.fromEntries(Object.entries(group).map(([name, of]) => [name, this.value(of)]))
      this.cached.groups.set(group, found)
    }
    return found as { [K in keyof V]: number }
  }

  /** What a plan needs to know of a declaration, worked out at its first use. */
  private known(by: Declaration & { inputs: Inputs }): Known {
    let known = this.cached.declarations.get(by)
    if (!known) {
      known = {
        standing: Object.values(by.values).reduce(
          (weakest, of) => weaker(weakest, this.standingOf(of)),
          by.standing,
        ),
        units: Object.fromEntries(
          Object.entries(by.inputs).map(([name, type]) => [
            name,
            type.replace(/\[\]$|\?$/, '') as Unit,
          ]),
        ),
      }
      this.cached.declarations.set(by, known)
    }
    return known
  }

  /** Works a rule in a scope from inputs by name. A figure worked twice is a bug, and throws. */
  work<I extends Inputs, V extends TradeValues>(
    by: Rule<I, V>,
    scope: Scope,
    given: GivenInputs<I>,
    extra: Extra = {},
  ): Figure {
    const { computed, inputs, standing } = this.take(by, given)
    return this.keep(
      by,
      scope,
      by.compute(computed as { [K in keyof I]: Computed<I[K]> }, this.values(by.values)),
      { origin: 'worked', standing, inputs },
      extra,
    )
  }

  /** Keeps what a procedure found, with what it was found from. */
  found<I extends Inputs, V extends TradeValues>(
    by: Procedure<I, V>,
    scope: Scope,
    found: FigureValue,
    given: GivenInputs<I>,
    extra: Extra = {},
  ): Figure {
    const { inputs, standing } = this.take(by, given)
    return this.keep(by, scope, found, { origin: 'worked', standing, inputs }, extra)
  }

  /**
   * Inputs as their plain values, as references, and the weakest evidence among the rule, its
   * values and its inputs.
   */
  private take(by: Declaration & { inputs: Inputs }, given: Record<string, unknown>) {
    const known = this.known(by)
    let standing = known.standing
    const inputs: Record<string, InputRef> = {}
    const computed: Record<string, unknown> = {}
    for (const name in by.inputs) {
      const unit = known.units[name]!
      const input = given[name]
      if (Array.isArray(input)) {
        const figures = input.length > 0 && isFigure(input[0])
        computed[name] = figures ? (input as Figure[]).map((f) => f.value) : input
        inputs[name] = figures
          ? (input as Figure[]).map((f) => f.id)
          : { values: input as (number | string)[], unit }
        if (figures) for (const f of input as Figure[]) standing = weaker(standing, f.standing)
      } else if (isFigure(input)) {
        computed[name] = input.value
        inputs[name] = input.id
        standing = weaker(standing, input.standing)
      } else {
        computed[name] = input ?? null
        inputs[name] = { value: (input ?? null) as FigureValue | null, unit }
      }
    }
    return { computed, inputs, standing }
  }

  /** What someone read or typed; null where it was not. */
  read(by: Reading, scope: Scope, typed: FigureValue | null, extra: Extra = {}): Figure | null {
    return typed === null
      ? null
      : this.keep(by, scope, typed, { origin: 'typed', standing: 'reading', inputs: {} }, extra)
  }

  /**
   * The reading, or else what is assumed in its place. Throws on a reading that has nothing to
   * assume.
   */
  readOr(by: Reading, scope: Scope, typed: FigureValue | null, extra: Extra = {}): Figure {
    if (typed !== null) return sure(this.read(by, scope, typed, extra))
    if (!by.otherwise) throw new Error(`${by.id} has nothing to assume`)
    return this.keep(
      by,
      scope,
      this.value(by.otherwise),
      { origin: 'assumed', standing: 'assumed', inputs: {} },
      extra,
    )
  }

  private standingOf(of: TradeValue): EvidenceLevel {
    return of.id in this.firmValues ? 'reading' : of.standing
  }

  /** A setting of the firm: its own, or the usual one. */
  setting(by: Setting, scope: Scope, own: number | null, extra: Extra = {}): Figure {
    const standing = own === null ? this.standingOf(by.usual) : 'reading'
    return this.keep(
      by,
      scope,
      own ?? this.value(by.usual),
      { origin: 'setting', standing, inputs: {} },
      extra,
    )
  }

  /** A value out of a reference table. */
  table(by: TableEntry, scope: Scope, entry: FigureValue, extra: Extra = {}): Figure {
    return this.keep(
      by,
      scope,
      entry,
      { origin: 'table', standing: by.standing, inputs: {} },
      extra,
    )
  }

  private keep(
    by: Declaration,
    scope: Scope,
    value: FigureValue,
    from: Pick<Figure, 'origin' | 'standing' | 'inputs'>,
    extra: Extra,
  ): Figure {
    const id = figureId(scope, extra.key ?? by.key, extra.part)
    const figure: Figure = {
      id,
      rule: by.id,
      label: extra.label ?? by.label,
      value,
      unit: by.unit,
      ...from,
      stage: by.stage,
    }
    if (scope.zone !== undefined) figure.zone = scope.zone
    if (extra.school) figure.school = extra.school
    if (extra.override) figure.override = extra.override
    if (extra.change) figure.change = extra.change
    return this.put(figure)
  }

  private put(figure: Figure): Figure {
    if (figure.id in this.figures) throw new Error(`Figure ${figure.id} is worked twice`)
    this.figures[figure.id] = figure
    this.recording?.push(figure)
    return figure
  }

  private recording: Figure[] | null = null

  /**
   * A figure that belongs to the whole job, worked by whoever asks for it first: it is not kept with
   * what `recall` is working.
   */
  apart(id: string, work: () => Figure): Figure {
    const known = this.figures[id]
    if (known) return known
    const outer = this.recording
    this.recording = null
    try {
      return work()
    } finally {
      this.recording = outer
    }
  }

  /**
   * Works something from `inputs`, the firm's numbers and its grasses alone, or takes it as worked
   * before, with every figure it made. The work is given its inputs and this trace, and its answer
   * is read only: it is handed out again.
   */
  recall<I extends object, T>(
    memo: Memo,
    name: string,
    inputs: I & KeptInputs<I>,
    work: (inputs: I, trace: Trace) => T,
  ): T {
    let fresh = false
    const given = { ...inputs, firm: this.firm }
    // The one place where more than inputs is in reach: the trace keeps what the work makes.
    // eslint-disable-next-line no-restricted-syntax
    const { answer, figures } = memo.recall(name, given as object, () => {
      fresh = true
      const outer = this.recording
      const made: Figure[] = []
      this.recording = made
      try {
        return { answer: work(Object.freeze({ ...inputs }), this), figures: made }
      } finally {
        this.recording = outer
        outer?.push(...made)
      }
    })
    if (!fresh) for (const figure of figures) this.put(figure)
    return answer
  }
}
