import { currencyOf, type Firm } from '../entities/firm.ts'
import type { JobPlan } from '../plan/jobPlan.ts'
import type { Order, Sum } from '../plan/money.ts'
import type { JobWay, PlannedWay } from '../plannedWays.ts'
import { THOUSANDTHS } from '../quantities/money.ts'
import { APPROACH_NAMES } from '../reference/lists.ts'
import type { ZoneId } from '../rules/id.ts'
import { render, type Reader } from './render.ts'

/** The ways of one zone, planned whole. */
export interface WaysOfZone {
  zone: ZoneId
  chosen: string
  ways: readonly PlannedWay[]
}

/**
 * What a job costs, its ways and its orders as whole numbers of the smallest coin, for whoever reads
 * the plan as JSON: `docs/formats/money.md`.
 */
export function moneyAnswer(
  plan: JobPlan,
  ofJob: readonly JobWay[],
  waysOf: readonly WaysOfZone[],
  firm: Firm,
  reader: Reader,
) {
  const { sign, decimals } = currencyOf(firm)
  const minor = (thousandths: number): number => Math.round((thousandths / THOUSANDTHS) * 10 ** decimals) // prettier-ignore
  const { money } = plan
  const sum = (s: Sum | null) => s && { minor: minor(s.money), figure: s.figure }
  return {
    money: money && {
      currency: sign,
      decimals,
      lines: money.lines.map((l) => ({
        id: l.id,
        group: l.group,
        what: render(l.what, reader),
        amount: l.amount?.value ?? null,
        unit: l.amount?.unit ?? null,
        detail: render(l.detail, reader),
        minor: minor(l.money),
        figure: l.figure,
      })),
      totals: {
        direct: sum(money.direct),
        overhead: sum(money.overhead),
        cost: sum(money.cost),
        margin: minor(money.margin),
        net: minor(money.net),
        tax: sum(money.tax),
        price: sum(money.price),
        doubt: sum(money.doubt),
        total: minor(money.total),
        taxIn: money.taxIn,
      },
      missing: money.missing.map((m) => render(m, reader)),
      byCustomer: money.byCustomer.map((b) => ({ what: render(b.what, reader), minor: minor(b.money) })), // prettier-ignore
    },
    ways: ofJob.map((w) => ({ ...wayAnswer(w, minor, reader), id: w.id, name: render(w.name, reader), chosen: w.chosen, cover: coverOf(w, waysOf) })), // prettier-ignore
    waysByZone: waysOf.flatMap(({ zone, chosen, ways }) =>
      ways.map((w) => ({
        ...wayAnswer(w, minor, reader),
        id: `${zone}/${w.approach}`,
        zone,
        name: APPROACH_NAMES[w.approach],
        chosen: w.approach === chosen,
        cover: w.cover,
      })),
    ),
    orders: (money?.orders ?? []).map((o: Order) => ({
      supplier: o.name,
      lines: o.lines.map((l) => ({
        material: l.material,
        what: render(l.what, reader),
        product: l.product,
        packs: l.packs,
        minor: minor(l.money),
        neededOn: l.neededOn,
      })),
      delivery: minor(o.delivery),
      total: minor(o.total),
      orderBy: o.orderBy,
      late: o.late,
    })),
  }
}

const wayAnswer = (
  w: Omit<PlannedWay, 'cover'>,
  minor: (thousandths: number) => number,
  reader: Reader,
) => ({
  price: w.money && minor(w.money.price),
  cost: w.money && minor(w.money.cost),
  hours: w.hours,
  visits: w.days?.visits ?? 0,
  firstDay: w.days?.first ?? null,
  lastDay: w.days?.last ?? null,
  fits: w.fits,
  odds: w.odds,
  inTime: w.inTime,
  hire: render(w.hire, reader),
  overBudget: w.overBudget === null ? null : minor(w.overBudget),
})

/** Cover by week of a way of the whole job: that of its first zone which knows the way. */
const coverOf = (w: JobWay, waysOf: readonly WaysOfZone[]) =>
  waysOf.flatMap((z) => z.ways.filter((x) => x.approach === w.approach)).find((x) => x.cover.length > 0)?.cover ?? [] // prettier-ignore
