import { COVER_NAMES, DRESSING_NAMES } from '../reference/lists.ts'
import { FEED_BAGS, packValues, SEED_BAGS } from '../reference/materialValues.ts'
import type { MixOrder, ZoneSeed } from '../seed/seedPlan.ts'
import { num, type Figure } from '../trace/figure.ts'
import { joined, quantity, say, type Message } from '../trace/message.ts'
import { procedure } from '../trace/rule.ts'
import { JOB } from '../trace/scope.ts'
import type { Trace } from '../trace/trace.ts'
import type { CoverPlan } from './cover.ts'
import type { DebrisPlan } from './debris.ts'
import type { DressingPlan } from './dressing.ts'
import type { FeedPlan } from './feed.ts'
import { packsFor, type Packs } from './packs.ts'

/** One line of what to buy, carry and weigh out: a figure for each zone that takes some, and one for the order. */
export interface MaterialLine {
  id: string
  name: Message
  detail: Message
  cells: Record<string, string>
  total: string
  packs: (Packs & { figure: string }) | null
  /** Weight on the barrow, t. */
  tonnes: number
  /** What the doubt about the area is worth, where the area's error is known. */
  doubt: Message
  /** Figures that say the total in other words: tonnes, barrows. */
  also: string[]
}

export const packRule = procedure({
  id: 'materials.packs',
  stage: 5,
  label: 'Bags to buy',
  unit: 'kg',
  standing: 'model',
  says: 'The cheapest set of bags that covers the order. Until prices are known a bag costs its size to the power {exponent}.',
  values: packValues,
  inputs: { order: 'kg', sizes: 'kg[]' },
  steps: 'least cost over all sets that cover the order',
  by: 'materials/packs: packsFor',
  check: 'materials.test.ts, against every set',
})

export interface Materials {
  seeds: readonly ZoneSeed[]
  orders: readonly MixOrder[]
  feed: FeedPlan | null
  dressing: DressingPlan | null
  covers: readonly CoverPlan[]
  debris: DebrisPlan | null
}

/** What to buy, carry and weigh out. `areaErrors` is 90 % either way by zone, as a share. */
export function materialLines(m: Materials, areaErrors: ReadonlyMap<string, number>, trace: Trace): MaterialLine[] {
  return [
    ...m.orders.map((order) => seedLine(order, m, areaErrors, trace)),
    ...(m.feed ? [feedLine(m.feed, areaErrors, trace)] : []),
    ...(m.dressing ? [dressingLine(m.dressing)] : []),
    ...m.covers.map(coverLine),
    ...(m.debris ? [debrisLine(m.debris)] : []),
  ]
}

const cellsOf = (list: readonly { zone: string; amount: Figure }[]) => Object.fromEntries(list.map((x) => [x.zone, x.amount.id]))
const plain = { packs: null, tonnes: 0, doubt: '' as Message, also: [] as string[] }

interface Bagged {
  key: string
  order: Figure
  zones: readonly { zone: string; amount: Figure }[]
  sizes: readonly number[]
  areaErrors: ReadonlyMap<string, number>
  trace: Trace
}

/** The bags for an order, as a figure that opens, and what the doubt about the areas makes of them. */
function bagged({ key, order, zones, sizes, areaErrors, trace }: Bagged): Pick<MaterialLine, 'packs' | 'doubt' | 'tonnes'> {
  const exponent = trace.value(packValues.exponent)
  const bags = (kg: number) => packsFor(kg, sizes, exponent)
  const packs = bags(num(order))
  const figure = trace.found(packRule, JOB, packs.bought, { order, sizes }, { part: key })
  return {
    packs: { ...packs, figure: figure.id },
    doubt: doubtInBags(
      { total: num(order), packs },
      zones.map((z) => ({ amount: num(z.amount), error: areaErrors.get(z.zone) ?? 0 })),
      bags,
    ),
    tonnes: num(order) / 1000,
  }
}

/** A set of bags in words. A bag's size is what is printed on it, so it stays as it is in any units. */
const bagWords = (p: Packs): Message => joined(p.counts.map((c) => `${c.count} × ${c.size} kg`), ' + ') // prettier-ignore

/** What the error of the areas moves an order by: kilograms either way, and whether the bags stay the same. Errors of zones are independent. */
function doubtInBags(
  { total, packs: mid }: { total: number; packs: Packs },
  zones: readonly { amount: number; error: number }[],
  bags: (kg: number) => Packs,
): Message {
  const net = zones.reduce((sum, z) => sum + z.amount, 0)
  const swing = (Math.hypot(...zones.map((z) => z.amount * z.error)) / net) * total
  if (!(swing > 0)) return ''
  const [low, high] = [bags(total - swing), bags(total + swing)]
  const differ = (a: Packs, b: Packs) =>
    a.counts.length !== b.counts.length || a.counts.some((c, i) => c.size !== b.counts[i]!.size || c.count !== b.counts[i]!.count)
  const doubt = say`± ${quantity(Number(swing.toPrecision(1)), 'kg')} for the area`
  if (differ(high, mid) && high.bought > mid.bought) return say`${doubt}: at most ${bagWords(high)}`
  if (differ(low, mid) && low.bought < mid.bought) return say`${doubt}: could do with ${bagWords(low)}`
  return say`${doubt}: same bags`
}

function seedLine(order: MixOrder, { seeds, orders }: Materials, areaErrors: ReadonlyMap<string, number>, trace: Trace): MaterialLine {
  const zones = seeds.filter((s) => s.key === order.key).map((s) => ({ zone: s.zone, amount: s.kg }))
  return {
    id: `seed.${order.key}`,
    name: orders.length > 1 ? `Seed, ${order.leader} mix` : 'Seed',
    detail: say`${order.name} by weight`,
    cells: cellsOf(zones),
    total: order.total.id,
    ...bagged({ key: order.key, order: order.total, zones, sizes: SEED_BAGS, areaErrors, trace }),
    also: [order.reserve.id],
  }
}

function feedLine(feed: FeedPlan, areaErrors: ReadonlyMap<string, number>, trace: Trace): MaterialLine {
  const zones = feed.zones.map((z) => ({ zone: z.zone, amount: z.kg }))
  return {
    id: 'feed',
    name: say`Starter feed ${feed.gradeText}`,
    detail: 'crossed, sweep the paving',
    cells: cellsOf(zones),
    total: feed.total.id,
    ...bagged({ key: 'feed', order: feed.total, zones, sizes: FEED_BAGS, areaErrors, trace }),
    also: [feed.nitrogen.id],
  }
}

function dressingLine(dressing: DressingPlan): MaterialLine {
  const name = DRESSING_NAMES[dressing.kind]
  return {
    ...plain,
    id: 'dressing',
    name: name.charAt(0).toUpperCase() + name.slice(1),
    detail: dressing.zones.some((z) => num(z.lifts) > 1) ? 'in lifts, tips showing' : 'worked in, tips showing',
    cells: cellsOf(dressing.zones.map((z) => ({ zone: z.zone, amount: z.order }))),
    total: dressing.total.id,
    tonnes: num(dressing.tonnes),
    also: [dressing.tonnes.id, dressing.barrows.id],
  }
}

const coverLine = (cover: CoverPlan): MaterialLine => ({
  ...plain,
  id: `cover.${cover.kind}`,
  name: `Over the seed: ${COVER_NAMES[cover.kind]}`,
  detail: cover.kind === 'blanket' ? 'pinned, a tenth for overlaps' : 'thin enough to see through',
  cells: cellsOf(cover.zones),
  total: cover.total.id,
})

const debrisLine = (debris: DebrisPlan): MaterialLine => ({
  ...plain,
  id: 'debris',
  name: 'Off: thatch',
  detail: 'loose, to green waste',
  cells: cellsOf(debris.zones),
  total: debris.total.id,
})
