import { COVER_KINDS, DRESSING_KINDS } from '../reference/lists.ts'
import type { MixOrder, ZoneSeed } from '../seed/seedPlan.ts'
import { num, type Figure } from '../working/figure.ts'
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
  /** Figures that say the total in other words: tonnes, barrows. */
  also: string[]
}

/** Bags sold, kg. Common practice. */
const SEED_BAGS = [20, 10, 5, 1]
const FEED_BAGS = [20, 10]

export function materialLines(
  seeds: readonly ZoneSeed[],
  orders: readonly MixOrder[],
  feed: FeedPlan | null,
  dressing: DressingPlan | null,
  covers: readonly CoverPlan[],
  debris: DebrisPlan | null,
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
      tonnes: 0,
      also: [],
    })
  return lines
}
