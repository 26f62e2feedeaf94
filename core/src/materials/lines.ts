import { group, rollup } from 'd3-array'
import { sure } from '../quantities/sure.ts'
import { dot, sum } from '../quantities/sum.ts'
import type { Firm } from '../entities/firm.ts'
import { productFor } from '../entities/prices.ts'
import { COVER_NAMES, DRESSING_NAMES } from '../reference/lists.ts'
import { FEED_BAGS, packValues, reserveValues, SEED_BAGS } from '../reference/materialValues.ts'
import type { MixOrder, ZoneSeed } from '../seed/seedPlan.ts'
import { num, type Figure } from '../trace/figure.ts'
import type { Unit } from '../quantities/show.ts'
import { joined, quantity, say, verbatim, type Message } from '../rules/message.ts'
import type { ZoneWork } from '../work/workTypes.ts'
import { seedRules } from '../seed/seedRules.ts'
import { procedure, rule } from '../rules/rule.ts'
import { JOB, zoneOf, zoneScope } from '../trace/scope.ts'
import type { Trace } from '../trace/trace.ts'
import type { Job } from '../entities/job.ts'
import { coverComes, loadsOf, ofOwnHeap } from './carrying.ts'
import type { CoverPlan } from './cover.ts'
import type { DebrisLine } from './debris.ts'
import type { DressingLine, DressingPlan } from './dressing.ts'
import type { LimePlan } from './lime.ts'
import { cellsOf, plain, type MaterialLine } from './materialLine.ts'
import { edgingLines } from './edging.ts'
import { plantLines } from './planting.ts'
import { feedRules } from './feedRules.ts'
import { dressingRules } from './dressingRules.ts'
import { OPERATIONS, type StepKind } from '../reference/operations.ts'
import type { SprayPlan } from './liquids.ts'
import type { FeedPlan } from './feed.ts'
import { bagsFor, bagWords, ownBags, sizesInKg, usualBags, type Bags, type Packs } from './packs.ts'

/** What the bags of a line cost together. */
export const costRule = rule({
  id: 'materials.bag-cost',
  stage: 5,
  label: 'Bags, what they cost',
  unit: 'money',
  standing: 'calculation',
  says: 'Each size of bag by its price.',
  inputs: { bags: '1[]', prices: 'money[]' },
  formula: 'dot(bags, prices)',
  compute: ({ bags, prices }) => dot(bags, prices),
})

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
  /** What a job says of how they come and go. */
  job: Pick<Job, 'dressing' | 'debrisTo'>
  seeds: readonly ZoneSeed[]
  orders: readonly MixOrder[]
  /** Seed of the proper sowings that wait for their season. */
  laterSeeds: readonly ZoneSeed[]
  laterOrders: readonly MixOrder[]
  dressing: DressingPlan | null
  covers: readonly CoverPlan[]
  debris: readonly DebrisLine[]
  lime: LimePlan | null
  sprays: readonly SprayPlan[]
  /** Seed put down on top where it lies dormant until spring. */
  dormant?: readonly { zone: string; amount: Figure }[]
  /** The work that is really done. */
  works: readonly ZoneWork[]
}

/** How things are bought: 90 % either way of each area as a share, and the bags that are sold. */
export interface Buying {
  areaErrors: ReadonlyMap<string, number>
  firm: Pick<Firm, 'units' | 'seedBags' | 'prices'>
}

/** What to buy, carry and weigh out. `areaErrors` is 90 % either way by zone, as a share. */
export function materialLines(
  m: Materials,
  feeds: readonly FeedPlan[],
  buying: Buying,
  trace: Trace,
): MaterialLine[] {
  return [
    ...m.orders.map((order) =>
      seedLine(order, m.seeds, { many: m.orders.length > 1, later: false }, buying, trace),
    ),
    ...m.laterOrders.map((order) =>
      seedLine(order, m.laterSeeds, { many: m.laterOrders.length > 1, later: true }, buying, trace),
    ),
    ...(m.dormant?.length ? [dormantLine(m.dormant, trace)] : []),
    ...byGrade(feeds).map((same) => feedLine(same, buying, trace)),
    ...(m.lime ? [limeLine(m.lime, buying, trace)] : []),
    ...m.sprays.map((s) => sprayLine(s, trace)),
    ...plantLines(m.works, trace),
    ...edgingLines(m.works, trace),
    ...(m.dressing?.lines.map((line) => dressingLine(line, sure(m.dressing), m.job, trace)) ?? []),
    ...m.covers.map((c) => coverLine(c, trace)),
    ...m.debris.map((d) => debrisLine(d, m.job, trace)),
  ].map((line) => (line.doubt === '' ? { ...line, doubt: doubtOf(line, buying, trace) } : line))
}

/** What goes by the area of a zone, beside what comes in bags: metres of edge and single plants do not. */
const BY_AREA: readonly Unit[] = ['kg', 'L', 'loose-L', 'm3', 'm2']

/** What the error of the areas moves a line by that is in no bags; nothing where no error is known. */
function doubtOf({ cells, total }: MaterialLine, { areaErrors }: Buying, trace: Trace): Message {
  const { unit } = sure(trace.figures[total])
  const swing = Math.hypot(
    ...Object.entries(cells).map(
      ([zone, id]) => num(sure(trace.figures[id])) * (areaErrors.get(zoneOf(zone)) ?? 0),
    ),
  )
  return swing > 0 && BY_AREA.includes(unit)
    ? say`± ${quantity(Number(swing.toPrecision(1)), unit)} for the area`
    : ''
}

interface Bagged {
  key: string
  order: Figure
  zones: readonly { zone: string; amount: Figure }[]
  /** Ordered without the reserve, kg; null where there is none. */
  net: number | null
  bags: Bags
  areaErrors: Buying['areaErrors']
  trace: Trace
}

/**
 * The bags for an order, as a figure that opens, and what the doubt about the areas makes of them.
 */
function bagged({
  key,
  order,
  net,
  zones,
  bags: sold,
  areaErrors,
  trace,
}: Bagged): Pick<MaterialLine, 'packs' | 'doubt' | 'tonnes'> {
  const bags = (kg: number) => bagsFor(kg, sold)
  const whole = bags(num(order))
  const bare = net === null ? null : bags(net)
  // A reserve that would force a bag for next to nothing is left short, and that is said.
  const short = bare && net !== null ? num(order) - bare.bought : 0
  const leftShort =
    bare !== null &&
    short > 1e-9 &&
    short <= ((num(order) - sure(net)) * trace.value(reserveValues.forces)) / 100
  const packs = leftShort ? { ...bare, left: 0 } : whole
  const figure = trace.found(
    packRule,
    JOB,
    packs.bought,
    { order, sizes: sizesInKg(sold) },
    { part: key },
  )
  const cost =
    packs.cost === null
      ? null
      : trace.work(
          costRule,
          JOB,
          {
            bags: packs.counts.map((c) => c.count),
            prices: packs.counts.map((c) => sure(sold.sizes.find((s) => s.size === c.size)).price),
          },
          { part: key },
        )
  return {
    packs: { ...packs, figure: figure.id, costs: cost?.id ?? null },
    doubt: joined(
      [
        leftShort &&
          say`${quantity(Number(short.toPrecision(2)), 'kg')} short of the reserve; ${bagWords(whole)} would hold all of it`,
        bare !== null &&
          bare.bought < packs.bought - 1e-9 &&
          say`${bagWords(bare)} would do without the reserve`,
        doubtInBags(
          { total: num(order), packs },
          zones.map((z) => ({ amount: num(z.amount), error: areaErrors.get(zoneOf(z.zone)) ?? 0 })),
          bags,
        ),
      ],
      '; ',
    ),
    tonnes: num(order) / 1000,
  }
}

/** The firm's own seed bags where it has entered any, else the usual ones. */
export function seedBags(
  { units, seedBags: own }: Pick<Buying['firm'], 'units' | 'seedBags'>,
  trace: Trace,
): Bags {
  const exponent = trace.value(packValues.exponent)
  return ownBags(own, units, exponent) ?? usualBags(SEED_BAGS, units, exponent)
}

/** Bags of a mix: those of the firm’s price list, else the seed bags it has entered, else the usual ones. */
const mixBags = (leader: string, firm: Buying['firm'], trace: Trace): Bags =>
  ownBags(productFor(firm.prices, 'seed', leader)?.packs ?? [], firm.units, trace.value(packValues.exponent)) ?? // prettier-ignore
  seedBags(firm, trace)

/** Bags of a feed: those of the firm’s own price list, else the usual ones. */
function feedBags(grade: string, { units, prices }: Buying['firm'], trace: Trace): Bags {
  const exponent = trace.value(packValues.exponent)
  const sold = productFor(prices, 'feed', grade)?.packs ?? []
  return ownBags(sold, units, exponent) ?? usualBags(FEED_BAGS, units, exponent)
}

/**
 * What the error of the areas moves an order by: kilograms either way, and whether the bags stay
 * the same. Errors of zones are independent.
 */
function doubtInBags(
  { total, packs: mid }: { total: number; packs: Packs },
  zones: readonly { amount: number; error: number }[],
  bags: (kg: number) => Packs,
): Message {
  const net = zones.reduce((sum, z) => sum + z.amount, 0)
  const swing = (Math.hypot(...zones.map((z) => z.amount * z.error)) / net) * total
  if (!(swing > 0)) return ''
  const [low, high] = [bags(total - swing), bags(total + swing)]
  const doubt = say`± ${quantity(Number(swing.toPrecision(1)), 'kg')} for the area`
  if (high.bought > mid.bought) return say`${doubt}: at most ${bagWords(high)}`
  if (low.bought < mid.bought) return say`${doubt}: could do with ${bagWords(low)}`
  return say`${doubt}: same bags`
}

function seedLine(
  order: MixOrder,
  seeds: readonly ZoneSeed[],
  { many, later }: { many: boolean; later: boolean },
  buying: Buying,
  trace: Trace,
): MaterialLine {
  const zones = seeds
    .filter((s) => s.key === order.key)
    .map((s) => ({ zone: s.zone, amount: s.kg }))
  const key = later ? `later.${order.key}` : order.key
  return {
    id: `seed.${key}`,
    kind: 'seed',
    of: order.leader,
    name: later ? 'Seed for the proper sowing' : many ? `Seed, ${order.leader} mix` : 'Seed',
    detail: say`${order.name} by weight`,
    cells: cellsOf(key, zones, trace),
    total: order.total.id,
    ...bagged({
      key,
      order: order.total,
      net: order.net,
      zones,
      bags: mixBags(order.leader, buying.firm, trace),
      areaErrors: buying.areaErrors,
      trace,
    }),
    also: [order.reserve.id],
  }
}

function dormantLine(
  zones: readonly { zone: string; amount: Figure }[],
  trace: Trace,
): MaterialLine {
  const total = trace.work(seedRules.dormantTotal, JOB, { zones: zones.map((z) => z.amount) })
  return {
    ...plain,
    id: 'seed.dormant',
    kind: 'seed',
    of: '',
    name: 'Seed, more for lying dormant',
    detail: 'with the same mixes, on top of the pans',
    cells: cellsOf('dormant', zones, trace),
    total: total.id,
    tonnes: num(total) / 1000,
    also: [],
  }
}

/** Feeds of one grade are one product: bought together. */
const byGrade = (feeds: readonly FeedPlan[]): FeedPlan[][] => [...group(feeds, (f) => f.gradeText).values()] // prettier-ignore

/** How feeds of one product go down: how often, and how much each time. */
function feedsSaid(feeds: readonly FeedPlan[]): Message {
  const said = [...group(feeds, (f) => num(f.rate).toPrecision(6)).values()].map((same) => {
    // On one zone one after the other; on several zones each for itself.
    const times = rollup(same.flatMap((f) => f.zones), (of) => sum(of.map((z) => z.times)), (z) => z.zone) // prettier-ignore
    return { times: Math.max(...times.values()), rate: sure(same[0]).rate }
  })
  if (said.length === 1 && said[0]?.times === 1) return ''
  return joined(said.map(({ times, rate }) => times === 1 ? say`once ${rate}` : say`${String(times)} times ${rate}`), ', ') // prettier-ignore
}

/** How the spreader is set for a feed: by its own strips, or what a strip test has to bring. */
const spreaderSaid = ({ setting, strip }: FeedPlan['spreader']): Message =>
  setting ? say`setting ${setting}, strip test ${strip}` : say`strip test ${strip}`

function feedLine(feeds: readonly FeedPlan[], buying: Buying, trace: Trace): MaterialLine {
  const first = sure(feeds[0])
  const { id, gradeText } = first
  const zones = feeds.flatMap((feed) => feed.zones.map((z) => ({ zone: z.zone, amount: z.kg })))
  const many = feeds.length > 1
  const total = many
    ? trace.work(
        feedRules.total,
        { id: `feed:${gradeText}` },
        { zones: feeds.map((f) => f.total) },
        { label: say`Feed ${gradeText} to order` },
      )
    : first.total
  return {
    id: id === 'feed' ? 'feed' : `feed.${id}`,
    kind: 'feed',
    of: gradeText,
    name: many ? say`Feed ${gradeText}` : first.name,
    detail: joined([feedsSaid(feeds), 'crossed, sweep the paving'], ', '), // prettier-ignore
    cells: cellsOf(id, zones, trace),
    total: total.id,
    spread: feeds.flatMap((feed) =>
      feed.zones.map((z) => ({
        step: z.step,
        zone: z.zone,
        figure: z.kg.id,
        lifts: z.times,
        set: z.byHand ? '' : spreaderSaid(feed.spreader),
      })),
    ),
    ...bagged({
      key: id,
      order: total,
      net: null,
      zones,
      bags: feedBags(gradeText, buying.firm, trace),
      areaErrors: buying.areaErrors,
      trace,
    }),
    also: many ? [] : [first.nitrogen.id],
  }
}

function limeLine(lime: LimePlan, { firm, areaErrors }: Buying, trace: Trace): MaterialLine {
  const zones = lime.zones.map((z) => ({ zone: z.zone, amount: z.kg }))
  const exponent = trace.value(packValues.exponent)
  const sold = productFor(firm.prices, 'lime', '')?.packs ?? []
  return {
    id: 'lime',
    kind: 'lime',
    of: '',
    name: 'Lime',
    detail: 'crossed, on a still day; sweep the paving',
    cells: cellsOf('lime', zones, trace),
    total: lime.total.id,
    spread: lime.zones.map((z) => ({ step: 'lime', zone: z.zone, figure: z.kg.id, lifts: 1 })),
    ...bagged({
      key: 'lime',
      order: lime.total,
      net: null,
      zones,
      bags: ownBags(sold, firm.units, exponent) ?? usualBags(FEED_BAGS, firm.units, exponent),
      areaErrors,
      trace,
    }),
    also: [...new Set(lime.zones.map((z) => z.now.id))],
  }
}

const sprayLine = (s: SprayPlan, trace: Trace): MaterialLine => ({
  ...plain,
  id: `spray.${s.id}`,
  kind: 'spray',
  of: s.product,
  name: s.product ? say`${verbatim(s.product)}` : OPERATIONS[s.does].name,
  detail: s.fills,
  people: s.people,
  cells: cellsOf(`spray.${s.id}`, s.zones, trace),
  total: s.total.id,
  also: s.also.map((f) => f.id),
  spread: s.zones.map((z) => ({ step: s.does, zone: z.zone, figure: z.amount.id, lifts: 1 })),
})

const SPREAD_FOR: Partial<Record<StepKind, string>> = {
  dress: 'worked in, tips showing',
  trench: 'trenches, firmed in layers',
  'lay-back': 'under turf that is laid back, firmed in layers',
  'sand-in': 'dry, into the holes',
  'dog-soil': 'scorched rings',
  'dig-clumps': 'where clumps come out',
}

/** A zone may take the same soil for several things: its cell is what they come to. */
function dressingLine(
  { kind, total, tonnes, bulkBags, barrows }: DressingLine,
  { parts }: DressingPlan,
  job: Materials['job'],
  trace: Trace,
): MaterialLine {
  const name = DRESSING_NAMES[kind]
  const mine = parts.filter((p) => p.kind === kind)
  const zones = [...new Set(mine.map((p) => p.zone))].map((zone) => {
    const orders = mine.filter((p) => p.zone === zone).map((p) => p.order)
    return {
      zone,
      amount:
        orders.length === 1
          ? orders[0]!
          : trace.work(dressingRules.zoneTotal, zoneScope(zone), { orders }, { part: kind }),
    }
  })
  const uses = [
    ...new Set(
      mine.map((p) =>
        p.step === 'dress' && p.lifts > 1 ? 'in lifts, tips showing' : SPREAD_FOR[p.step]!,
      ),
    ),
  ]
  return {
    ...plain,
    id: mine.some((p) => p.step === 'dress') ? 'dressing' : `soil.${kind}`,
    kind: mine.some((p) => p.step === 'dress') ? 'dressing' : 'soil',
    of: kind,
    name: name.charAt(0).toUpperCase() + name.slice(1),
    detail: uses.join('; '),
    cells: cellsOf(kind, zones, trace),
    total: total.id,
    tonnes: num(tonnes),
    also: [tonnes, bulkBags, barrows, ...ofOwnHeap(job, kind, total, trace)].map((f) => f.id),
    spread: mine.map((p) => ({ step: p.step, zone: p.zone, figure: p.order.id, lifts: p.lifts })),
  }
}

const coverLine = (cover: CoverPlan, trace: Trace): MaterialLine => ({
  ...plain,
  id: `cover.${cover.kind}`,
  kind: 'cover',
  of: cover.kind,
  name: `Over the seed: ${COVER_NAMES[cover.kind]}`,
  detail:
    cover.kind === 'sheet'
      ? 'held down at the edges, a tenth for overlaps'
      : cover.kind === 'blanket'
        ? 'pinned, a tenth for overlaps'
        : 'thin enough to see through',
  cells: cellsOf(cover.kind, cover.zones, trace),
  total: cover.total.id,
  also: coverComes(cover.kind, cover.total, trace).map((f) => f.id),
})

const OFF: Record<DebrisLine['what'], string> = {
  thatch: 'Off: thatch',
  cores: 'Off: cores',
  sward: 'Off: old growth',
}

const debrisLine = (
  debris: DebrisLine,
  { debrisTo }: Materials['job'],
  trace: Trace,
): MaterialLine => ({
  ...plain,
  id: debris.what === 'thatch' ? 'debris' : `debris.${debris.what}`,
  kind: 'debris',
  of: debris.what,
  name: OFF[debris.what],
  detail:
    debrisTo === 'heap'
      ? 'loose, onto the heap on site'
      : debris.what === 'cores'
        ? 'loose'
        : 'loose, to green waste',
  cells: cellsOf(debris.what, debris.zones, trace),
  total: debris.total.id,
  also: debrisTo === 'heap' ? [] : [loadsOf(debris.total, debris.what, trace).id],
})
