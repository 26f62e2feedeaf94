import { sure } from '../quantities/sure.ts'
import { coverLines } from '../findings/lines.ts'
import { sum } from '../quantities/sum.ts'
import type { Sowing } from '../reference/lists.ts'
import { kindsThat, OPERATIONS, type StepKind } from '../reference/operations.ts'
import { handGround } from '../reference/handTools.ts'
import { lineWidths } from '../reference/siteValues.ts'
import { num, type Figure } from '../trace/figure.ts'
import { reading, rule, tradeValues, value, type TradeValue } from '../rules/rule.ts'
import { zoneScope } from '../trace/scope.ts'
import type { Trace } from '../trace/trace.ts'
import type { ZoneReadings } from '../walkover/zoneReadings.ts'

export const groundReadings = {
  bare: {
    ...reading({ key: 'seed.bare', stage: 4, label: 'Bare ground', unit: '%' }),
    otherwise: coverLines.assumedBare,
  },
}

/** What is taken for ground that nobody measured. */
export const groundValues = tradeValues('ground', {
  clumps: value(2, '%', 'assumed', 'Ground under coarse clumps, until it is read', [0.1, 40]),
  rings: value(
    1,
    '%',
    'assumed',
    'Ground under scorched rings, until it is drawn as bare patches',
    [0.1, 40],
  ),
  edge: value(
    25,
    '%',
    'assumed',
    'Share of the way round that wants its edge set, until edges are drawn',
    [1, 100],
  ),
  fill: value(30, '%', 'assumed', 'Ground that lies low, until it is read', [1, 100]),
})

const ground = { stage: 3, key: 'ground' } as const

export const groundRules = {
  whole: rule({
    id: 'seed.sown-area',
    key: 'seed.area',
    stage: 4,
    label: 'Ground sown',
    unit: 'm2',
    standing: 'calculation',
    says: 'The whole zone is sown.',
    inputs: { area: 'm2' },
    formula: 'area',
    compute: ({ area }) => area,
  }),
  part: rule({
    id: 'seed.sown-part',
    key: 'seed.area',
    stage: 4,
    label: 'Ground sown',
    unit: 'm2',
    standing: 'calculation',
    says: 'Only a share of the zone is sown: its bare spots, its thin places or the fill of its lows.',
    inputs: { area: 'm2', share: '%' },
    formula: 'area * share',
    compute: ({ area, share }) => (area * share) / 100,
  }),
  spots: rule({
    id: 'seed.sown-spots',
    key: 'seed.area',
    stage: 4,
    label: 'Ground sown',
    unit: 'm2',
    standing: 'calculation',
    says: 'Bare spots, and what is dug, filled or opened as a repair: each is sown as new, and nothing else.',
    inputs: { area: 'm2', bare: '%', repairs: 'm2[]' },
    formula: 'min(area, area * bare + sum(repairs))',
    compute: ({ area, bare, repairs }) => Math.min(area, (area * bare) / 100 + sum(repairs)),
  }),
  thin: rule({
    ...ground,
    id: 'work.thin-share',
    key: 'seed.thin',
    label: 'Thin ground',
    unit: '%',
    standing: 'calculation',
    says: 'What is not under wanted grass.',
    inputs: { wanted: '%' },
    formula: '1 - wanted',
    compute: ({ wanted }) => 100 - wanted,
  }),
  share: rule({
    ...ground,
    id: 'work.ground',
    label: 'Ground worked',
    unit: 'm2',
    standing: 'calculation',
    says: 'The share of the zone that this work is done on.',
    inputs: { area: 'm2', share: '%' },
    formula: 'area * share',
    compute: ({ area, share }) => (area * share) / 100,
  }),
  line: rule({
    ...ground,
    id: 'work.line-ground',
    label: 'Ground worked',
    unit: 'm2',
    standing: 'assumed',
    says: 'Until the line is drawn: once across a square of this size, as wide as such lines usually are.',
    inputs: { area: 'm2', width: 'm' },
    formula: 'min(area, sqrt(area) * width)',
    compute: ({ area, width }) => Math.min(area, Math.sqrt(area) * width),
  }),
  strip: rule({
    ...ground,
    id: 'work.strip',
    key: 'strip.ground',
    label: 'Strip under plants',
    unit: 'm2',
    standing: 'practice',
    says: 'The length of the edge times the usual width of such a strip.',
    inputs: { length: 'm', width: 'm', area: 'm2' },
    formula: 'min(area, length * width)',
    compute: ({ length, width, area }) => Math.min(area, length * width),
  }),
  edge: rule({
    ...ground,
    id: 'work.edge-length',
    label: 'Edge to set',
    unit: 'm',
    standing: 'assumed',
    says: 'Until edges are drawn, a share of the way round a square of this size: {edge}.',
    values: { edge: groundValues.edge },
    inputs: { area: 'm2' },
    formula: '4 * sqrt(area) * edge',
    compute: ({ area }, { edge }) => (4 * Math.sqrt(area) * edge) / 100,
  }),
}

/** Repairs that leave bare soil: sown with the spots. */
export const SOWN_REPAIRS = kindsThat((o) => o.leavesBare)

/**
 * The ground a sowing covers; null where nothing is sown. `fill` is the share of lows that are
 * buried and sown as new,
 * `repairs` the ground of repairs that leave bare soil.
 */
export function sownGround(
  r: ZoneReadings,
  sowing: Sowing,
  fill: Figure | number | null,
  repairs: readonly Figure[],
  trace: Trace,
): Figure | null {
  if (!r.area || sowing === 'none' || sowing === 'turf') return null
  const scope = zoneScope(r.id)
  const part = (share: Figure | number) =>
    trace.work(groundRules.part, scope, { area: sure(r.area), share })
  if (fill !== null) return part(fill)
  if (sowing === 'spots' && repairs.length > 0)
    return trace.work(groundRules.spots, scope, { area: r.area, bare: r.bare ?? 0, repairs })
  if (sowing === 'spots' || sowing === 'plugs')
    return part(r.bare ?? trace.readOr(groundReadings.bare, scope, null))
  if (sowing === 'thin')
    return part(
      r.wanted
        ? trace.work(groundRules.thin, scope, { wanted: r.wanted })
        : trace.readOr(groundReadings.bare, scope, null),
    )
  return trace.work(groundRules.whole, scope, { area: r.area })
}

/** Sowings that touch part of a zone. */
export const inPart = (sowing: Sowing): boolean =>
  sowing === 'spots' || sowing === 'thin' || sowing === 'plugs'

/** The ground an operation is done on: a figure in m² (m for an edge). */
export function groundOf(
  operation: StepKind,
  r: ZoneReadings,
  sown: Figure | null,
  part: boolean,
  trace: Trace,
): Figure {
  const area = sure(r.area)
  const scope = zoneScope(r.id)
  const share = (of: Figure | number) =>
    trace.work(groundRules.share, scope, { area, share: of }, { part: operation })
  const across = (width: TradeValue) =>
    trace.work(groundRules.line, scope, { area, width: trace.value(width) }, { part: operation })
  const { clumps, rings } = trace.values(groundValues)
  switch (OPERATIONS[operation].ground) {
    case 'sown':
      return part && sown ? sown : area
    case 'weeds':
      return share(r.weeds && num(r.weeds) > 0 ? r.weeds : clumps)
    case 'clumps':
      return share(num(r.incurable) > 0 ? r.incurable : clumps)
    case 'rings':
      return r.patches ?? share(rings)
    case 'trench':
      return r.trenchGround ?? across(lineWidths.trench)
    case 'worn':
      return r.worn ?? across(lineWidths.worn)
    case 'strip':
      return trace.work(groundRules.strip, scope, {
        length: r.edgeLength ?? trace.work(groundRules.edge, scope, { area }, { part: 'strip' }),
        width: trace.value(lineWidths.strip),
        area,
      })
    case 'lows':
      return r.fill
        ? share(Math.min(100, (100 * r.fill.deeperThan(0)) / num(area)))
        : share(r.lowsShare ?? trace.value(groundValues.fill))
    case 'edge':
      return r.edgeLength ?? trace.work(groundRules.edge, scope, { area })
    default:
      return area
  }
}

/** Ground too small for a machine: it is worked with hand tools. */
export const isSmall = (r: Pick<ZoneReadings, 'area'>, trace: Trace): boolean =>
  r.area !== null && num(r.area) < trace.value(handGround.least)
