import type { Firm } from '../entities/firm.ts'
import type { Job } from '../entities/job.ts'
import { showNumber } from '../quantities/show.ts'
import { asNew, levels, sows, type ZoneApproach } from '../approach/approach.ts'
import { COVER_KINDS, DRESSING_KINDS, type CoverId, type DressingId } from '../reference/lists.ts'
import { GRASSES } from '../reference/grasses.ts'
import type { ZoneSeed } from '../seed/seedPlan.ts'
import type { ZoneReadings } from '../walkover/zoneReadings.ts'
import { num, readings, rule, type Figure, type Notice, type Workings } from '../trace/figure.ts'
import type { Schools } from '../reference/schools.ts'

export const dressingRules = {
  volume: rule('dressing.volume', 'Area times share times depth.', '{0} × {1} × {2}', 'calculation'),
  fill: rule('dressing.fill', 'Dips filled to the aim, from the levels.', '{0}', 'calculation'),
  union: rule(
    'dressing.union',
    'Fill and blanket dressing overlap: at each point the larger goes down.',
    'Σ cell × larger of (aim − surface, {1}); fill alone {0}',
    'calculation',
  ),
  withTrench: rule('dressing.with-trench', 'Trenches are filled besides.', 'sum of {*}', 'calculation'),
  trenchOnly: rule('dressing.trench-only', 'Only the settled trench is filled.', 'sum of {*}', 'calculation'),
  order: rule('dressing.order', 'Loose soil settles, and what is screened off is not used.', '{0} × (1 + {1}) ÷ (1 − {2})', 'calculation'),
  leaf: rule(
    'dressing.leaf',
    'Leaf standing on the day, after the cut down: half the height of cut, never below 10 mm.',
    'max({0} ÷ 2, 10 mm), or the cut itself where that is less',
    'model',
  ),
  limit: rule(
    'dressing.limit',
    'Tips must show after working in: at most 12 mm, and at most a third of the leaf standing.',
    'min(12 mm, {0} ÷ 3)',
    'model',
  ),
  lifts: rule('dressing.lifts', 'Deeper than the limit goes down in lifts, about 28 days apart, in growth.', '⌈{0} ÷ {1}⌉', 'model'),
  total: rule('dressing.total', 'All zones together.', 'sum of zones', 'calculation'),
  tonnes: rule('dressing.tonnes', 'Loose volume times loose density.', '{0} × {1}', 'practice'),
  barrows: rule('dressing.barrows', 'Loose volume over a barrow.', '⌈{0} ÷ {1}⌉', 'calculation'),
  coverDepth: rule(
    'dressing.cover-depth',
    'No deeper than the seed with the least reach: two to three times its size.',
    'least of {0} and the depth its seed bears',
    'practice',
  ),
  coverVolume: rule('dressing.cover-volume', 'Ground sown times depth.', '{0} × {1}', 'calculation'),
  debrisDepth: rule('dressing.debris-depth', 'A pass takes out about a quarter of the mat, up to 3 mm of it.', 'min({0}, 12 mm) ÷ 4', 'model'),
  blanket: rule('dressing.blanket', 'Ground sown, and a tenth for overlaps and edges.', '{0} × 1.1', 'practice'),
  debris: rule('dressing.debris', 'What scarifying lifts lies about four times as loose as it grew.', '{0} × {1} × 4', 'model'),
}

/** Leaf left standing by the cut-down, mm, for a height of cut in mm. Juvena's model. */
export const leafAfterCut = (cut: number): number => Math.min(cut, Math.max(cut / 2, 10))

/** Most dressing at once, mm, for a leaf standing so high. Juvena's model. */
export const smotherLimit = (leaf: number): number => Math.min(12, leaf / 3)

export interface ZoneDressing {
  zone: string
  depth: Figure
  share: Figure
  limit: Figure
  lifts: Figure
  volume: Figure
  order: Figure
}
export interface DressingPlan {
  kind: DressingId
  zones: ZoneDressing[]
  total: Figure
  tonnes: Figure
  barrows: Figure
}
export interface CoverPlan {
  kind: CoverId
  zones: { zone: string; amount: Figure }[]
  total: Figure
}
export interface DebrisPlan {
  zones: { zone: string; amount: Figure }[]
  total: Figure
}

/** Dressing where the surface is brought up or a depth was asked for; lifts where it would bury the grass. */
export function planDressing(
  job: Job,
  firm: Firm,
  schools: Schools,
  zones: readonly { r: ZoneReadings; approach: ZoneApproach }[],
  w: Workings,
  notices: Notice[],
): DressingPlan | null {
  const kind: DressingId = job.dressing.kind ?? 'topsoil'
  const wanted = zones.filter(
    ({ r, approach }) => r.area && sows(approach.chosen) && (levels(approach.chosen) || (job.dressing.depth ?? 0) > 0 || r.trenches.length > 0),
  )
  if (wanted.length === 0) return null
  const settle = w.add(5, 'job.dressing.settle', 'Settling', firm.settling ?? 12, '%', firm.settling === null ? readings.house : readings.firm)
  const oversize = w.add(
    5,
    'job.dressing.oversize',
    'Oversize raked off',
    firm.oversize ?? 5,
    '%',
    firm.oversize === null ? readings.house : readings.firm,
  )
  const made: ZoneDressing[] = []
  for (const { r, approach } of wanted) {
    const z = { zone: r.id }
    const at = (key: string) => `${r.id}.dressing.${key}`
    // Levels tell where each dip lies; without them, lows are a depth and a share. A typed depth is a blanket over all.
    const filled = levels(approach.chosen) ? r.fill : null
    const blanket = job.dressing.depth
    const onlyTrench = !levels(approach.chosen) && !((blanket ?? 0) > 0)
    const useLows = !filled && levels(approach.chosen) && r.lowsDepth !== null && blanket === null
    const depth = filled
      ? filled.deepest
      : useLows
        ? r.lowsDepth!
        : w.readOr(5, at('depth'), 'Dressing depth', onlyTrench ? 0 : blanket, 6, 'mm', r.id)
    const share = useLows
      ? (r.lowsShare ?? w.readOr(5, at('share'), 'Share dressed', null, 30, '%', r.id))
      : w.readOr(5, at('share'), 'Share dressed', job.dressing.share, 100, '%', r.id)
    const leaf = w.add(5, at('leaf'), 'Leaf standing on the day', leafAfterCut(num(r.cut)), 'mm', dressingRules.leaf, [r.cut], z)
    const limit = w.add(5, at('limit'), 'Most dressing at once', smotherLimit(num(leaf)), 'mm', dressingRules.limit, [leaf], z)
    const buries = num(depth) > num(limit) + 1e-9 && !asNew(approach.chosen)
    const inLifts = buries && schools.dressing === 'light-often'
    const lifts = w.add(5, at('lifts'), 'Lifts', inLifts ? Math.ceil(num(depth) / num(limit) - 1e-9) : 1, '1', dressingRules.lifts, [depth, limit], {
      ...z,
      school: `dressing:${schools.dressing}`,
      change: inLifts
        ? 'The bury-and-reseed school fills to level in one go and sows the fill as new ground.'
        : 'The light-and-often school goes down in thin lifts, tips showing.',
    })
    const spread = filled
      ? blanketed(r, filled, blanket, at, w)
      : onlyTrench
        ? null
        : w.add(
            5,
            at(r.trenches.length > 0 ? 'spread' : 'volume'),
            'Dressing in place',
            (((num(r.area!) * num(share)) / 100) * num(depth)) / 1000,
            'm3',
            dressingRules.volume,
            [r.area, share, depth],
            z,
          )
    const volume =
      r.trenches.length === 0 && spread
        ? spread
        : w.add(
            5,
            at('volume'),
            'Soil in place',
            [...(spread ? [spread] : []), ...r.trenches].reduce((sum, f) => sum + num(f), 0),
            'm3',
            spread ? dressingRules.withTrench : dressingRules.trenchOnly,
            [spread, ...r.trenches],
            z,
          )
    const order = w.add(
      5,
      at('order'),
      'Dressing, loose',
      (num(volume) * (1 + num(settle) / 100)) / (1 - num(oversize) / 100),
      'm3',
      dressingRules.order,
      [volume, settle, oversize],
      z,
    )
    made.push({ zone: r.id, depth, share, limit, lifts, volume, order })
    const deep = filled ? filled.deeperThan(num(limit)) : 0
    if (buries)
      notices.push({
        id: `${r.id}.smother`,
        stage: 5,
        zone: r.id,
        level: inLifts ? 'warn' : 'hold',
        title: `${r.name} would be buried in one go.`,
        says: inLifts
          ? `${showNumber(num(depth))} mm on leaf standing ${showNumber(num(leaf))} mm: ${showNumber(num(limit))} mm is the most at once. It goes down in ${num(lifts)} lifts, 28 days apart, in growth${deep > 0 ? `; or bury and reseed the ${showNumber(deep)} m² that lie deeper than that` : ''}.`
          : `${showNumber(num(depth))} mm on leaf standing ${showNumber(num(leaf))} mm: the grass under it dies. Sow the fill as new ground, or take thin lifts instead.`,
        figure: limit.id,
      })
    if (num(depth) > 50)
      notices.push({
        id: `${r.id}.deep`,
        stage: 5,
        zone: r.id,
        level: 'warn',
        title: `${showNumber(num(depth))} mm is no thin dressing.`,
        says: 'Check the unit (inches for mm?). A fill this deep is firmed in layers and sown as new ground.',
        figure: depth.id,
      })
  }
  const total = w.add(
    5,
    'job.dressing.total',
    `${DRESSING_KINDS[kind].name}, to order`,
    made.reduce((sum, z) => sum + num(z.order), 0),
    'm3',
    dressingRules.total,
    made.map((z) => z.order),
  )
  const density = w.add(5, 'job.dressing.density', 'Loose density', DRESSING_KINDS[kind].density, 't/m3', readings.table)
  const tonnes = w.add(5, 'job.dressing.tonnes', 'Weight', num(total) * num(density), 't', dressingRules.tonnes, [total, density])
  const barrow = w.add(5, 'job.dressing.barrow', 'A barrow', (firm.barrow ?? 0.08) * 1000, 'L', firm.barrow === null ? readings.house : readings.firm)
  const barrows = w.add(5, 'job.dressing.barrows', 'Barrow loads', Math.ceil((num(total) * 1000) / num(barrow) - 1e-9), '1', dressingRules.barrows, [
    total,
    barrow,
  ])
  return { kind, zones: made, total, tonnes, barrows }
}

/** Dips filled, and a blanket over the whole where one is asked for: the larger at each point. */
function blanketed(
  r: ZoneReadings,
  fill: NonNullable<ZoneReadings['fill']>,
  blanket: number | null,
  at: (key: string) => string,
  w: Workings,
): Figure {
  const id = at(r.trenches.length > 0 ? 'spread' : 'volume')
  const z = { zone: r.id }
  if (!blanket) return w.add(5, id, 'Fill in place', num(fill.volume), 'm3', dressingRules.fill, [fill.volume], z)
  const depth = w.read(5, at('blanket'), 'Dressing depth, all over', blanket, 'mm', r.id)
  return w.add(5, id, 'Fill and dressing, larger at each point', fill.withBlanket(blanket), 'm3', dressingRules.union, [fill.volume, depth], z)
}

/** Cover over seed: none on a living sward unless asked for; new ground and spots get a thin one; banks a blanket. */
export function planCover(
  job: Job,
  seeds: readonly ZoneSeed[],
  zones: readonly { r: ZoneReadings; approach: ZoneApproach }[],
  w: Workings,
  notices: Notice[],
): CoverPlan[] {
  const groups = new Map<CoverId, CoverPlan['zones']>()
  for (const seed of seeds) {
    const { r, approach } = zones.find((z) => z.r.id === seed.zone)!
    const bank = num(r.slope) >= 20
    const kind: CoverId =
      job.cover ?? (bank ? 'blanket' : asNew(approach.chosen) || approach.chosen === 'mend' || num(r.slope) >= 10 ? 'peat-free' : 'none')
    if (kind === 'none') continue
    const z = { zone: r.id }
    let amount: Figure
    if (kind === 'blanket')
      amount = w.add(5, `${r.id}.cover.area`, 'Blanket', num(seed.sownArea) * 1.1, 'm2', dressingRules.blanket, [seed.sownArea], z)
    else {
      const bears = Math.min(...seed.mix.filter((p) => p.share >= 5).map((p) => GRASSES[p.grass].depth))
      const usual = w.add(5, `${r.id}.cover.usual`, 'Cover as usual', COVER_KINDS[kind].depth, 'mm', readings.table, [], z)
      const depth = w.add(5, `${r.id}.cover.depth`, 'Cover over seed', Math.min(num(usual), bears), 'mm', dressingRules.coverDepth, [usual], z)
      amount = w.add(
        5,
        `${r.id}.cover.litres`,
        COVER_KINDS[kind].name,
        num(seed.sownArea) * num(depth),
        'L',
        dressingRules.coverVolume,
        [seed.sownArea, depth],
        z,
      )
    }
    if (bank && kind !== 'blanket')
      notices.push({
        id: `${r.id}.bank-cover`,
        stage: 5,
        zone: r.id,
        level: 'warn',
        title: `${r.name}: loose cover on a bank.`,
        says: 'At 1 in 5 rain takes it with the seed. Pin a blanket.',
        figure: r.slope.id,
      })
    const list = groups.get(kind) ?? []
    list.push({ zone: r.id, amount })
    groups.set(kind, list)
  }
  return [...groups].map(([kind, list]) => ({
    kind,
    zones: list,
    total: w.add(
      5,
      `job.cover.${kind}`,
      `${COVER_KINDS[kind].name}, to order`,
      list.reduce((sum, z) => sum + num(z.amount), 0),
      kind === 'blanket' ? 'm2' : 'L',
      dressingRules.total,
      list.map((z) => z.amount),
    ),
  }))
}

/** What scarifying lifts, loose, to be carted off. */
export function planDebris(zones: readonly { r: ZoneReadings; scarifies: boolean }[], w: Workings): DebrisPlan | null {
  const list = zones.flatMap(({ r, scarifies }) => {
    if (!scarifies || !r.area || !r.thatch) return []
    const off = Math.min(num(r.thatch), 12)
    const removed = w.add(5, `${r.id}.debris.depth`, 'Mat taken out', off / 4, 'mm', dressingRules.debrisDepth, [r.thatch], { zone: r.id })
    return [
      {
        zone: r.id,
        amount: w.add(
          5,
          `${r.id}.debris`,
          'Thatch off, loose',
          (num(r.area) * num(removed) * 4) / 1000,
          'm3',
          dressingRules.debris,
          [r.area, removed],
          { zone: r.id },
        ),
      },
    ]
  })
  if (list.length === 0) return null
  return {
    zones: list,
    total: w.add(
      5,
      'job.debris',
      'Off: thatch, loose',
      list.reduce((sum, z) => sum + num(z.amount), 0),
      'm3',
      dressingRules.total,
      list.map((z) => z.amount),
    ),
  }
}
