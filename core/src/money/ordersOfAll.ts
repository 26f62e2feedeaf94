import { group } from 'd3-array'
import { daysBetween, type Day } from '../calendar/day.ts'
import type { Firm } from '../entities/firm.ts'
import { packsFor } from '../materials/packs.ts'
import type { JobPlan } from '../plan/jobPlan.ts'
import type { Order } from '../plan/money.ts'
import { sum } from '../quantities/sum.ts'
import type { Message } from '../rules/message.ts'
import { coinOf, packsSaid, soldOf, toCoin, workingDaysBefore } from './moneyOfPlan.ts'

/** One line of what a job still has to order, and from whom. */
export type OrderWanted = Pick<Order, 'supplier'> &
  Omit<Order['lines'][number], 'material' | 'packs'> & { job: string; name: string }

/** What a job still has to order. */
export const ordersWanted = (
  job: string,
  name: string,
  { money }: Pick<JobPlan, 'money'>,
): OrderWanted[] =>
  (money?.orders ?? []).flatMap(
    ({ supplier, lines }) =>
    lines.map(({ what, product, productId, of, need, unit, says, money: cost, neededOn }) => ({ job, name, supplier, what, product, productId, of, need, unit, says, money: cost, neededOn })), // prettier-ignore
  )

/** One order from one supplier for several jobs. */
export interface JointOrder {
  supplier: string
  name: string
  lines: {
    what: Message
    of: Message
    product: string
    says: Message
    money: number
    jobs: Pick<OrderWanted, 'job' | 'name' | 'need' | 'unit' | 'neededOn'>[]
  }[]
  delivery: number
  total: number
  /** What the same would cost ordered job by job, each with its own delivery. */
  apart: number
  /** The last day to order for the soonest of them; null where nobody knows how long it takes. */
  orderBy: Day | null
  late: boolean
}

/**
 * What several jobs still have to order, bought once: the same product in the cheapest packs for all of
 * them, and one delivery from each supplier. Money in thousandths.
 */
export function ordersOfAll(wanted: readonly OrderWanted[], firm: Firm, today: Day): JointOrder[] {
  const coin = coinOf(firm)
  return [...group(wanted, (w) => w.supplier)]
    .map(([id, mine]): JointOrder => {
      const supplier = firm.prices.suppliers.find((s) => s.id === id)
      const lines = [...group(mine, (w) => JSON.stringify([w.productId, w.unit, w.of]))].map(([, of]) => lineOf(of, firm, coin)) // prettier-ignore
      const delivery = supplier?.delivery ?? 0
      const deliveries = delivery * new Set(mine.map((w) => w.job)).size
      const first = mine.flatMap((w) => w.neededOn ?? []).sort()[0]
      const days = supplier?.days ?? null
      const orderBy = first && days !== null ? workingDaysBefore(first, days) : null
      return {
        supplier: id,
        name: supplier?.name ?? 'no supplier named',
        lines,
        delivery,
        total: sum(lines.map((l) => l.money)) + delivery,
        apart: sum(mine.map((w) => w.money)) + deliveries,
        orderBy,
        late: orderBy !== null && orderBy < today,
      }
    })
    .sort((a, b) => (a.orderBy ?? '9').localeCompare(b.orderBy ?? '9') || a.name.localeCompare(b.name)) // prettier-ignore
}

/** Days ahead in which what is wanted is ordered now. */
const ORDERED_AHEAD = 56

/** Jobs that want something soon, or on no day that is known: all of them where none does. */
export function dueSoon(wanted: readonly OrderWanted[], today: Day): string[] {
  const soon = wanted.filter(({ neededOn }) => neededOn === null || daysBetween(today, neededOn) <= ORDERED_AHEAD) // prettier-ignore
  return [...new Set((soon.length > 0 ? soon : wanted).map((w) => w.job))]
}

/** One product for all who want it; what is in no price list is bought as each job had it. */
function lineOf(of: readonly OrderWanted[], firm: Firm, coin: number): JointOrder['lines'][number] {
  const [first] = of as [OrderWanted]
  const jobs = of.map(({ job, name, need, unit, neededOn }) => ({
    job,
    name,
    need,
    unit,
    neededOn,
  }))
  const sold = soldOf(firm, first.productId)
  const apart = sum(of.map((w) => w.money))
  if (of.length === 1 || sold.length === 0)
    return {
      what: first.what,
      of: first.of,
      product: first.product,
      says: first.says,
      money: apart,
      jobs,
    }
  const { counts, cost } = packsFor(sum(of.map((w) => w.need)), sold)
  return { what: first.what, of: first.of, product: first.product, says: packsSaid(counts, first.unit), money: toCoin(cost, coin), jobs } // prettier-ignore
}
