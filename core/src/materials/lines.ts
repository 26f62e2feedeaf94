import { COVER_KINDS, DRESSING_KINDS } from '../reference/lists.ts'
import type { MixOrder, ZoneSeed } from '../seed/seedPlan.ts'
import { showNumber } from '../quantities/show.ts'
import { num, type Figure } from '../trace/figure.ts'
import type { CoverPlan, DebrisPlan, DressingPlan } from './dressing.ts'
import type { FeedPlan } from './feed.ts'
import { packsFor, type Packs } from './packs.ts'

/** One line of what to buy, carry and weigh out: a figure for each zone that takes some, and one for the order. */
export interface MaterialLine {
  id: string
  name: string
  detail: string
  cells: Record<string, string>
  total: string
  packs: Packs | null
  /** Weight on the barrow, t. */
  tonnes: number
  /** What the doubt about the area is worth, in words, where the area's error is known. */
  doubt: string
  /** Figures that say the total in other words: tonnes, barrows. */
  also: string[]
}

/** Bags sold, kg. Common practice. */
const SEED_BAGS = [20, 10, 5, 1]
const FEED_BAGS = [20, 10]

/** What the error of the areas moves an order by: kilograms either way, and whether the bags stay the same. Errors of zones are independent. */
function inBags(total: number, zones: readonly { amount: number; error: number }[], sizes: readonly number[]): string {
  const net = zones.reduce((sum, z) => sum + z.amount, 0)
  const swing = (Math.hypot(...zones.map((z) => z.amount * z.error)) / net) * total
  if (!(swing > 0)) return ''
  const bags = (kg: number) => packsFor(kg, sizes)
  const [low, mid, high] = [bags(total - swing), bags(total), bags(total + swing)]
  const words = (p: Packs) => p.counts.map((c) => `${c.count} × ${c.size} kg`).join(' + ')
  const doubt = `± ${showNumber(swing)} kg for the area`
  if (words(high) !== words(mid) && high.bought > mid.bought) return `${doubt}: at most ${words(high)}`
  if (words(low) !== words(mid) && low.bought < mid.bought) return `${doubt}: could do with ${words(low)}`
  return `${doubt}: same bags`
}

export function materialLines(
  seeds: readonly ZoneSeed[],
  orders: readonly MixOrder[],
  feed: FeedPlan | null,
  dressing: DressingPlan | null,
  covers: readonly CoverPlan[],
  debris: DebrisPlan | null,
  areaErrors: ReadonlyMap<string, number>,
): MaterialLine[] {
  const lines: MaterialLine[] = []
  const cells = (list: readonly { zone: string; amount: Figure }[]) => Object.fromEntries(list.map((x) => [x.zone, x.amount.id]))
  for (const order of orders)
    lines.push({
      id: `seed.${order.key}`,
      name: orders.length > 1 ? `Seed, ${order.leader} mix` : 'Seed',
      detail: `${order.name} by weight`,
      cells: cells(seeds.filter((s) => s.key === order.key).map((s) => ({ zone: s.zone, amount: s.kg }))),
      total: order.total.id,
      packs: packsFor(num(order.total), SEED_BAGS),
      doubt: inBags(
        num(order.total),
        seeds.filter((s) => s.key === order.key).map((s) => ({ amount: num(s.kg), error: areaErrors.get(s.zone) ?? 0 })),
        SEED_BAGS,
      ),
      tonnes: num(order.total) / 1000,
      also: [order.reserve.id],
    })
  if (feed)
    lines.push({
      id: 'feed',
      name: `Starter feed ${feed.gradeText}`,
      detail: 'crossed, sweep the paving',
      cells: cells(feed.zones.map((z) => ({ zone: z.zone, amount: z.kg }))),
      total: feed.total.id,
      packs: packsFor(num(feed.total), FEED_BAGS),
      doubt: inBags(
        num(feed.total),
        feed.zones.map((z) => ({ amount: num(z.kg), error: areaErrors.get(z.zone) ?? 0 })),
        FEED_BAGS,
      ),
      tonnes: num(feed.total) / 1000,
      also: [feed.nitrogen.id],
    })
  if (dressing) {
    const name = DRESSING_KINDS[dressing.kind].name
    lines.push({
      id: 'dressing',
      name: name.charAt(0).toUpperCase() + name.slice(1),
      detail: dressing.zones.some((z) => num(z.lifts) > 1) ? 'in lifts, tips showing' : 'worked in, tips showing',
      cells: cells(dressing.zones.map((z) => ({ zone: z.zone, amount: z.order }))),
      total: dressing.total.id,
      packs: null,
      doubt: '',
      tonnes: num(dressing.tonnes),
      also: [dressing.tonnes.id, dressing.barrows.id],
    })
  }
  for (const cover of covers)
    lines.push({
      id: `cover.${cover.kind}`,
      name: `Over the seed: ${COVER_KINDS[cover.kind].name}`,
      detail: cover.kind === 'blanket' ? 'pinned, a tenth for overlaps' : 'thin enough to see through',
      cells: cells(cover.zones),
      total: cover.total.id,
      packs: null,
      doubt: '',
      tonnes: 0,
      also: [],
    })
  if (debris)
    lines.push({
      id: 'debris',
      name: 'Off: thatch',
      detail: 'loose, to green waste',
      cells: cells(debris.zones),
      total: debris.total.id,
      packs: null,
      doubt: '',
      tonnes: 0,
      also: [],
    })
  return lines
}
