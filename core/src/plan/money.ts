import type { Day } from '../calendar/day.ts'
import type { FigureId } from '../rules/id.ts'
import type { Message } from '../rules/message.ts'
import type { Unit } from '../quantities/show.ts'

export type MoneyGroup =
  'labour' | 'machines' | 'materials' | 'delivery' | 'disposal' | 'water' | 'travel'

/** One line of what a job costs. */
export interface MoneyLine {
  id: string
  group: MoneyGroup
  what: Message
  /** How much of it, and in what; null where it is one thing. */
  amount: { value: number; unit: Unit } | null
  /** In thousandths of the firm’s money, rounded to its smallest coin. */
  money: number
  figure: FigureId
  /** Packs, hire: what the money is for. */
  detail: Message
}

/** A sum of a job, in thousandths, and the figure that shows its working. */
export interface Sum {
  money: number
  figure: FigureId
}

/** One order from one supplier. */
export interface Order {
  /** Id of the supplier; '' where none is named. */
  supplier: string
  name: string
  lines: {
    /** Id of the line of materials. */
    material: string
    what: Message
    product: string
    /** Its id in the price list; '' where it goes by the firm’s seed bags. */
    productId: string
    /** The mix of a seed, the grade of a feed: what a product of any kind stands for here. */
    of: Message
    /** What is wanted of it, in its unit. */
    need: number
    unit: Unit
    packs: { size: number; count: number; unit: Unit }[]
    /** The packs by what is printed on them: “2 × 5 kg + 1 × 1 kg”. */
    says: Message
    money: number
    neededOn: Day | null
  }[]
  delivery: number
  total: number
  /** The last day on which it can be ordered and be there; null where nobody knows how long it takes. */
  orderBy: Day | null
  /** That day is behind. */
  late: boolean
}

/** What a job costs and is sold for; in whole thousandths, sums of rounded lines. */
export interface MoneyPlan {
  lines: MoneyLine[]
  direct: Sum
  overhead: Sum | null
  cost: Sum
  margin: number
  /** Before tax. */
  net: number
  tax: Sum | null
  /** With tax in it, or before tax, as the firm tells its prices. */
  price: Sum
  /** What the customer pays in all, tax in it. */
  total: number
  taxIn: boolean
  /** What the price moves by, either way, for the doubt about the areas; null where no error is known. */
  doubt: Sum | null
  /** What the customer wants to spend; null where nobody said. */
  budget: number | null
  /** What has no price yet, so that it is not in the sums. */
  missing: Message[]
  orders: Order[]
  /** What the customer does, at what it would cost. */
  byCustomer: { what: Message; money: number }[]
}
