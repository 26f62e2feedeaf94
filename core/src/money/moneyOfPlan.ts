import { workingDay, type Day } from '../calendar/day.ts'
import { currencyOf, type Firm } from '../entities/firm.ts'
import type { Job } from '../entities/job.ts'
import { isPriced, productFor, type Product, type ProductKind } from '../entities/prices.ts'
import type { MaterialLine } from '../materials/materialLine.ts'
import { bagWords, inKg, packsFor } from '../materials/packs.ts'
import type { JobPlan } from '../plan/jobPlan.ts'
import type { PlannedStep } from '../plan/order.ts'
import { isBehind } from '../plan/stepState.ts'
import { THOUSANDTHS } from '../quantities/money.ts'
import type { Unit } from '../quantities/show.ts'
import { sum } from '../quantities/sum.ts'
import { kindsThat, OPERATIONS, type StepKind } from '../reference/operations.ts'
import { joined, onDay, quantity, say, type Message } from '../rules/message.ts'
import { num, type Figure, type Notice } from '../trace/figure.ts'
import { JOB, stepScope, zoneOf } from '../trace/scope.ts'
import type { Trace } from '../trace/trace.ts'
import { hireFor } from './hire.ts'
import { daysUsed, hireSaid, machineSteps } from './machineDays.ts'
import { moneyRules } from './moneyRules.ts'
import { doubtByZone, type MeasuredZone } from './priceDoubt.ts'
import type { MoneyGroup, MoneyLine, MoneyPlan, Order, Sum } from '../plan/money.ts'

type Priced = Pick<JobPlan, 'steps' | 'materials' | 'follow' | 'zones' | 'today' | 'seedUse'>

export interface MoneyBrief {
  plan: Priced
  job: Job
  firm: Firm
  /** Each zone with its area, m², and the error of that, as a share; zones without an error are left out. */
  areas: readonly MeasuredZone[]
  trace: Trace
}

/** Whether the customer does a step, on every zone of it: mowing what grows, unless told otherwise. */
export const isTheirs = ({ kind, zones }: Pick<PlannedStep, 'kind' | 'zones'>, job: Job): boolean =>
  zones.every((zone) => {
    const own = job.zones.find((z) => z.id === zoneOf(zone))?.operations[kind]?.byCustomer
    return own ?? OPERATIONS[kind].mows !== undefined
  })

/** What the smallest coin is, in thousandths. */
export const coinOf = (firm: Firm): number => THOUSANDTHS / 10 ** currencyOf(firm).decimals

/** To the smallest coin, half up. */
export const toCoin = (thousandths: number, coin: number): number =>
  Math.round(thousandths / coin + 1e-9) * coin

/** A price as the firm rounds it: up to a multiple, never under its least charge. */
export function roundedUp(before: number, roundTo: number | null, least: number | null): number {
  const over = Math.max(before, least ?? 0)
  return roundTo ? Math.ceil(over / roundTo - 1e-9) * roundTo : over
}

/**
 * What a planned job costs and is sold for, by the firm’s prices; null where it has entered none.
 * Every line is rounded to the smallest coin, so that what is shown adds up.
 */
export function moneyOfPlan(brief: MoneyBrief): MoneyPlan | null {
  const { firm, job, plan, trace } = brief
  const { prices } = firm
  if (!isPriced(prices)) return null
  const coin = coinOf(firm)
  const lines: MoneyLine[] = []
  const missing: Message[] = []
  const add = (
    group: MoneyGroup,
    id: string,
    what: Message,
    figure: Figure,
    more: Partial<Pick<MoneyLine, 'amount' | 'detail'>> = {},
  ) =>
    lines.push({ id, group, what, amount: null, detail: '', ...more, money: toCoin(num(figure), coin), figure: figure.id }) // prettier-ignore

  const ours = plan.steps.filter((s) => !isTheirs(s, job))
  const theirs = plan.steps.filter((s) => isTheirs(s, job))
  if (prices.labour === null) missing.push('an hour of work')
  else
    for (const step of ours) {
      const figure = labourOf(step, prices.labour, trace)
      const hours = num(step.hours) * step.people
      if (hours > 0)
        add('labour', `labour.${step.id}`, step.name, figure, { amount: { value: hours, unit: 'work-h' } }) // prettier-ignore
    }
  for (const { id, what, figure, detail } of machinesOf(ours, brief, missing))
    add('machines', id, what, figure, { detail })

  const bought = buyAll(brief, missing)
  for (const { line, figure, packs, says, unit } of bought)
    add('materials', `material.${line.id}`, line.name, figure, { amount: { value: sum(packs.map((p) => p.size * p.count)), unit }, detail: says }) // prettier-ignore
  const orders = ordersOf(bought, brief, coin)
  for (const order of orders.filter((o) => o.delivery > 0))
    add('delivery', `delivery.${order.supplier}`, say`Delivery, ${order.name}`, trace.work(moneyRules.delivery, JOB, { delivery: order.delivery }, { part: order.supplier })) // prettier-ignore
  if (prices.disposal !== null && job.debrisTo === 'tip')
    for (const line of plan.materials.filter((m) => m.kind === 'debris')) {
      const total = trace.figures[line.total]!
      add('disposal', `disposal.${line.id}`, line.name, trace.work(moneyRules.disposal, JOB, { volume: total, each: prices.disposal }, { part: line.id }), { amount: { value: num(total), unit: 'm3' } }) // prettier-ignore
    }
  const days = Math.max(0, ...plan.follow.packages.map((f) => f.wateringDays ? num(f.wateringDays) : 0)) // prettier-ignore
  if (prices.water !== null && plan.follow.water && days > 0) {
    const { daily } = plan.follow.water
    add('water', 'water', moneyRules.water.label, trace.work(moneyRules.water, JOB, { daily, days, each: prices.water }), { amount: { value: num(daily) * days, unit: 'L' } }) // prettier-ignore
  }
  const visits = new Set(ours.filter((s) => !OPERATIONS[s.kind].evening).map((s) => s.chosen)).size
  if (prices.travel !== null && visits > 0)
    add('travel', 'travel', say`Travel, ${String(visits)} ${visits === 1 ? 'visit' : 'visits'}`, trace.work(moneyRules.travel, JOB, { visits, each: prices.travel })) // prettier-ignore

  const sums = sumsOf(lines, firm, coin, trace)
  const zones = doubtByZone(lines, { ...plan, figures: trace.figures }, brief.areas)
  const doubt =
    zones.length > 0 && sums.direct.money > 0
      ? trace.found(
          moneyRules.doubt,
          JOB,
          toCoin((Math.hypot(...zones) * sums.price.money) / sums.direct.money, coin),
          { zones, price: sums.price.money, direct: sums.direct.money },
        )
      : null
  return {
    lines,
    ...sums,
    doubt: doubt && { money: num(doubt), figure: doubt.id },
    budget: job.budget,
    missing,
    orders,
    byCustomer:
      prices.labour === null
        ? []
        : theirs.map((s) => ({
            what: s.name,
            money: toCoin(num(s.hours) * s.people * (prices.labour ?? 0), coin),
          })),
  }
}

const labourOf = (step: PlannedStep, labour: number, trace: Trace): Figure =>
  trace.work(
    moneyRules.labour,
    stepScope(step.id),
    { hours: step.hours, people: step.people, labour },
    { label: say`${step.name}: labour` },
  )

/** From the lines to the price: overhead, margin, rounding, tax; each to the smallest coin. */
function sumsOf(
  lines: readonly MoneyLine[],
  { prices }: Firm,
  coin: number,
  trace: Trace,
): Pick<
  MoneyPlan,
  'direct' | 'overhead' | 'cost' | 'margin' | 'net' | 'tax' | 'price' | 'total' | 'taxIn'
> {
  const at = (figure: Figure): Sum => ({ money: toCoin(num(figure), coin), figure: figure.id })
  const direct = at(trace.work(moneyRules.direct, JOB, { lines: lines.map((l) => l.money) }))
  const overhead = prices.overhead
    ? at(trace.work(moneyRules.overhead, JOB, { direct: direct.money, share: prices.overhead }))
    : null
  const cost = at(trace.work(moneyRules.cost, JOB, { direct: direct.money, overhead: overhead?.money ?? 0 })) // prettier-ignore
  const before = trace.work(moneyRules.beforeTax, JOB, { cost: cost.money, margin: prices.margin ?? 0 }) // prettier-ignore
  const tax = prices.tax ?? 0
  const { roundTo, least, taxIn } = prices
  const wanted = num(before) * (taxIn ? 1 + tax / 100 : 1)
  const priceFigure = trace.found(
    moneyRules.price,
    JOB,
    toCoin(roundedUp(toCoin(wanted, coin), roundTo, least), coin),
    { before, tax, roundTo: roundTo ?? coin, least: least ?? 0 },
  )
  const price = at(priceFigure)
  const taxSum =
    tax > 0
      ? at(
          trace.work(taxIn ? moneyRules.taxIn : moneyRules.taxOn, JOB, { price: price.money, tax }),
        )
      : null
  const net = taxIn ? price.money - (taxSum?.money ?? 0) : price.money
  return {
    direct,
    overhead,
    cost,
    margin: net - cost.money,
    net,
    tax: taxSum,
    price,
    total: net + (taxSum?.money ?? 0),
    taxIn,
  }
}

interface MachineCost {
  id: string
  what: Message
  figure: Figure
  detail: Message
}

/** What the machines cost: own ones by the hour, others by the cheapest hire over their days. */
function machinesOf(
  ours: readonly PlannedStep[],
  { plan, firm, trace }: MoneyBrief,
  missing: Message[],
): MachineCost[] {
  return machineSteps(ours, plan, firm).flatMap(([m, steps]): MachineCost[] => {
    const what: Message = m.name || steps[0]!.name
    const id = `machine.${m.id}`
    if (m.own !== null) {
      const figure = trace.work(moneyRules.ownMachine, JOB, { hours: steps.map((s) => s.hours), own: m.own }, { part: m.id }) // prettier-ignore
      return [{ id, what, figure, detail: 'your own, by the hour' }]
    }
    const used = daysUsed(steps)
    const hire = hireFor(used, m)
    if (!hire) {
      missing.push(what)
      return []
    }
    const figure = trace.found(
      moneyRules.hire,
      JOB,
      hire.cost,
      {
        days: used.map((u) => u.day),
        hours: used.map((u) => u.hours),
        prices: [m.half, m.day, m.weekend].flatMap((p) => p ?? []),
      },
      { part: m.id },
    )
    return [{ id, what, figure, detail: hireSaid(hire) }]
  })
}

interface Bought {
  line: MaterialLine
  product: Product | null
  /** In the core’s unit of what it is. */
  packs: Pack[]
  /** The packs by what is printed on them. */
  says: Message
  /** What is wanted of it, in the same unit. */
  need: number
  unit: Unit
  figure: Figure
}
interface Pack {
  size: number
  count: number
}

/** What a line of materials is sold as. */
function soldAs(line: MaterialLine): ProductKind | null {
  switch (line.kind) {
    case 'dressing':
    case 'soil':
      return 'soil'
    case 'cover':
      return line.of === 'blanket' || line.of === 'sheet' ? 'sheet-cover' : 'loose-cover'
    case 'debris':
      return null
    default:
      return line.kind
  }
}

const SOLD_IN: Record<ProductKind, Unit> = { seed: 'kg', feed: 'kg', lime: 'kg', soil: 'm3', 'loose-cover': 'm3', 'sheet-cover': 'm2', plugs: '1', turf: 'm2', edging: 'm', spray: 'm3' } // prettier-ignore

/** The cheapest packs of each line of materials that has a price. */
function buyAll({ plan, firm, trace }: MoneyBrief, missing: Message[]): Bought[] {
  return plan.materials.flatMap((line): Bought[] => {
    const kind = soldAs(line)
    if (!kind) return []
    const own = line.packs?.costs ? trace.figures[line.packs.costs] : null
    const product = productFor(firm.prices, kind, line.of)
    if (own && line.packs)
      return [{ line, product, packs: inKg(line.packs), says: bagWords(line.packs), need: num(trace.figures[line.total]!), unit: 'kg', figure: own }] // prettier-ignore
    const total = trace.figures[line.total]
    const sold = product?.packs.flatMap((p) => p.size !== null && p.price !== null ? [{ size: p.size, price: p.price }] : []) ?? [] // prettier-ignore
    if (!total || !product || sold.length === 0) {
      missing.push(line.name)
      return []
    }
    const need = total.unit === 'L' || total.unit === 'loose-L' ? num(total) / 1000 : num(total)
    const { counts } = packsFor(need, sold)
    const priceOf = (size: number) => sold.find((s) => s.size === size)?.price ?? 0
    const figure = trace.work(
      moneyRules.packs,
      JOB,
      { packs: counts.map((c) => c.count), prices: counts.map((c) => priceOf(c.size)) },
      { part: line.id },
    )
    const unit = SOLD_IN[kind]
    return [{ line, product, packs: counts, says: packsSaid(counts, unit), need, unit, figure }]
  })
}

/** Packs by what they hold. */
export const packsSaid = (packs: readonly Pack[], unit: Unit): Message =>
  joined(packs.map((p) => unit === '1' ? `${p.count} × ${p.size}` : say`${String(p.count)} × ${quantity(p.size, unit)}`), ' + ') // prettier-ignore

/** The work that puts a line of materials down. */
const putBy = ({ kind, spread }: MaterialLine): readonly StepKind[] =>
  spread?.map((s) => s.step) ??
  (kind === 'seed' ? ['sow'] : kindsThat((o) => o.puts?.some((put) => put === kind)))

/** What of a line lies on the shelf already: seed of the job’s lots, kg. */
const onShelf = ({ kind, cells }: MaterialLine, { seedUse }: Priced): number =>
  kind === 'seed' ? sum(seedUse.filter((u) => u.stock !== '' && u.zone in cells).map((u) => u.kg)) : 0 // prettier-ignore

/** What a product is sold in: its own packs, or the seed bags that the firm has entered. */
export const soldOf = ({ prices, seedBags }: Firm, id: string): { size: number; price: number }[] =>
  (prices.products.find((p) => p.id === id)?.packs ?? (id === '' ? seedBags : [])).flatMap(
    ({ size, price }) => (size !== null && price !== null ? [{ size, price }] : []),
  )

/** The packs for what the shelf does not have; null where it has it all. */
function restToBuy(
  of: Bought,
  { plan, firm }: MoneyBrief,
): (Pick<Bought, 'packs' | 'says' | 'need'> & { cost: number }) | null {
  const shelf = onShelf(of.line, plan)
  if (shelf <= 0) return { ...of, cost: num(of.figure) }
  const need = of.need - shelf
  if (need <= 0.005) return null
  const sold = soldOf(firm, of.product?.id ?? '')
  if (sold.length === 0) return { ...of, cost: num(of.figure) }
  const { counts, cost } = packsFor(need, sold)
  return { packs: counts, says: packsSaid(counts, of.unit), need, cost }
}

/** One order from each supplier for what is still to be put down and lies on no shelf, and by when. */
function ordersOf(bought: readonly Bought[], brief: MoneyBrief, coin: number): Order[] {
  const { plan, firm } = brief
  const orders = new Map<string, Order>()
  for (const of of bought) {
    const { line, product, unit } = of
    const by = putBy(line)
    const zones = Object.keys(line.cells)
    const steps = plan.steps.filter((s) => by.includes(s.kind) && s.zones.some((z) => zones.includes(zoneOf(z)))) // prettier-ignore
    const ahead = steps.filter((s) => !isBehind(s)).map((s) => s.chosen)
    if (steps.length > 0 && ahead.length === 0) continue
    const rest = restToBuy(of, brief)
    if (!rest) continue
    const { packs, says, need, cost } = rest
    const neededOn = ahead.sort()[0] ?? null
    const supplier = firm.prices.suppliers.find((s) => s.id === product?.supplier)
    const id = supplier?.id ?? ''
    const order = orders.get(id) ?? { supplier: id, name: supplier?.name ?? 'no supplier named', lines: [], delivery: supplier?.delivery ?? 0, total: 0, orderBy: null, late: false } // prettier-ignore
    const money = toCoin(cost, coin)
    order.lines.push({ material: line.id, what: line.name, product: product?.name ?? '', productId: product?.id ?? '', of: line.kind === 'seed' ? line.detail : line.of, need, unit, packs: packs.map((p) => ({ ...p, unit })), says, money, neededOn }) // prettier-ignore
    order.total += money
    if (supplier && supplier.days !== null && neededOn) {
      const last = workingDaysBefore(neededOn, supplier.days)
      if (!order.orderBy || last < order.orderBy) order.orderBy = last
    }
    orders.set(id, order)
  }
  return [...orders.values()].map((o) => ({
    ...o,
    total: o.total + o.delivery,
    late: o.orderBy !== null && o.orderBy < plan.today,
  }))
}

/** Orders that cannot be there in time. */
export const lateOrders = (money: MoneyPlan | null): Notice[] =>
  (money?.orders ?? []).flatMap((o): Notice[] => {
    const wanted = o.lines.flatMap((l) => l.neededOn ?? []).sort()[0]
    return o.late && o.orderBy && wanted
      ? [
          {
            id: `money.late.${o.supplier}`,
            stage: 5,
            level: 'warn',
            title: say`${o.name} cannot deliver in time.`,
            says: say`${joined(o.lines.map((l) => l.what), ', ')}: wanted on ${onDay(wanted)}, so ordered by ${onDay(o.orderBy)}. Fetch it, ask another supplier, or do the work later.`, // prettier-ignore
          },
        ]
      : []
  })

/** The working day so many working days before another. */
export function workingDaysBefore(day: Day, days: number): Day {
  let at = day
  for (let i = 0; i < Math.ceil(days); i++) at = workingDay(at, -1, false)
  return at
}
