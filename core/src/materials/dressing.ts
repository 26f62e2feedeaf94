import { sure } from '../quantities/sure.ts'
import { deepValues } from '../work/burial.ts'
import { leafRules, smotherValues } from '../work/leafRules.ts'
import type { Firm } from '../entities/firm.ts'
import type { Job } from '../entities/job.ts'
import { isGreen } from '../findings/findingAsks.ts'
import { firmSettings } from '../firm/firmSettings.ts'
import { DRESSING_NAMES, DRESSINGS, type DressingId } from '../reference/lists.ts'
import { looseDensity, MOST_LIFTS } from '../reference/materialValues.ts'
import { OPERATIONS, type StepKind } from '../reference/operations.ts'
import type { Schools } from '../reference/schools.ts'
import { num, type Figure, type Notice } from '../trace/figure.ts'
import { onDay, quantity, say, verbatim, type Message } from '../rules/message.ts'
import { figureOf, figureId, JOB, zoneScope } from '../trace/scope.ts'
import type { Trace } from '../trace/trace.ts'
import { operationOf, plans, type ZoneOperation, type ZoneWork } from '../work/workTypes.ts'
import {
  coringRules,
  coringValues,
  dressingReadings,
  dressingRules,
  dressingTable,
} from './dressingRules.ts'

/** Soil, sand or compost for one operation on one zone. */
export interface SpreadPart {
  zone: string
  /** The step that spreads it. */
  step: StepKind
  kind: DressingId
  /** In how many lifts it goes down. */
  lifts: number
  order: Figure
}

/** How the surface of a zone is brought up. */
export interface ZoneDressing {
  zone: string
  depth: Figure
  share: Figure
  limit: Figure
  lifts: Figure
  order: Figure
}

export interface DressingLine {
  kind: DressingId
  total: Figure
  tonnes: Figure
  bulkBags: Figure
  barrows: Figure
}

export interface DressingPlan {
  parts: SpreadPart[]
  zones: ZoneDressing[]
  lines: DressingLine[]
  notices: Notice[]
}

export interface DressingBrief {
  job: Job
  firm: Firm
  schools: Schools
  works: readonly ZoneWork[]
  trace: Trace
}

interface Loose {
  settling: Figure
  oversize: Figure
}

/**
 * What is spread: dressing where the surface is brought up, fill for trenches, sand for holes, soil
 * for repairs. Nothing is ordered without a step.
 */
export function planDressing(brief: DressingBrief): DressingPlan | null {
  const { job, firm, works, trace } = brief
  const spreading = works.filter(
    (w) => w.r.area && w.operations.some((o) => OPERATIONS[o.operation].spreadsSoil),
  )
  if (spreading.length === 0) return null
  const loose: Loose = {
    settling: trace.setting(firmSettings.settling, JOB, firm.settling),
    oversize: trace.setting(firmSettings.oversize, JOB, firm.oversize),
  }
  const made = spreading.map((work) => {
    // A green is built of sand, and dressed with nothing else.
    const usual: DressingId = isGreen(work.r, trace) ? 'sand' : 'topsoil'
    return spreadIn(brief, work, job.dressing.kind ?? usual, loose)
  })
  const parts = made.flatMap((m) => m.parts)
  if (parts.length === 0) return null
  return {
    parts,
    zones: made.flatMap((m) => m.dressing ?? []),
    lines: linesOf(parts, firm, trace),
    notices: made.flatMap((m) => m.notices),
  }
}

function linesOf(parts: readonly SpreadPart[], firm: Firm, trace: Trace): DressingLine[] {
  const barrow = trace.setting(
    firmSettings.barrow,
    JOB,
    firm.barrow === null ? null : firm.barrow * 1000,
  )
  const kinds = DRESSINGS.filter((kind) => parts.some((p) => p.kind === kind)).sort(
    (a, b) => Number(isDressed(parts, b)) - Number(isDressed(parts, a)),
  )
  return kinds.map((kind, i) => {
    const named = i === 0 ? {} : { part: kind }
    const orders = parts.filter((p) => p.kind === kind).map((p) => p.order)
    const total = trace.work(
      dressingRules.total,
      JOB,
      { zones: orders },
      { ...named, label: say`${DRESSING_NAMES[kind]}, to order` },
    )
    const density = trace.table(dressingTable.density, JOB, trace.value(looseDensity[kind]), named)
    const tonnes = trace.work(dressingRules.tonnes, JOB, { volume: total, density }, named)
    const barrows = trace.work(dressingRules.barrows, JOB, { volume: total, barrow }, named)
    const bulkBags = trace.work(dressingRules.bulkBags, JOB, { volume: total }, named)
    return { kind, total, tonnes, bulkBags, barrows }
  })
}

const isDressed = (parts: readonly SpreadPart[], kind: DressingId) =>
  parts.some((p) => p.kind === kind && p.step === 'dress')

function spreadIn(
  brief: DressingBrief,
  work: ZoneWork,
  surface: DressingId,
  loose: Loose,
): { parts: SpreadPart[]; dressing: ZoneDressing | null; notices: Notice[] } {
  const { trace } = brief
  const { r } = work
  const scope = zoneScope(r.id)
  const { settling, oversize } = loose
  const parts: SpreadPart[] = []
  const put = (step: StepKind, kind: DressingId, order: Figure, lifts = 1) =>
    parts.push({ zone: r.id, step, kind, lifts, order })
  const dressed = plans(work, 'dress') ? dressZone(brief, work, loose) : null
  if (dressed && num(dressed.dressing.order) > 0)
    put('dress', surface, dressed.dressing.order, num(dressed.dressing.lifts))
  if (plans(work, 'trench') && r.trenches.length > 0)
    put(
      'trench',
      'topsoil',
      trace.work(dressingRules.trenchOrder, scope, { trenches: r.trenches, oversize }),
    )
  const laidBack = operationOf(work, 'lay-back')
  if (laidBack) put('lay-back', 'topsoil', fillUnder(brief, work, laidBack, loose))
  const sanded = operationOf(work, 'sand-in')
  if (sanded) {
    const holes = holesOf(work, operationOf(work, 'core') ?? sanded, trace)
    put('sand-in', 'sand', trace.work(coringRules.sand, scope, { holes, oversize }))
  }
  for (const step of ['dog-soil', 'dig-clumps'] as const) {
    const repair = operationOf(work, step)
    if (repair)
      put(
        step,
        'topsoil',
        trace.work(
          dressingRules.repairOrder,
          scope,
          { ground: repair.ground, settling, oversize },
          { part: step },
        ),
      )
  }
  const notices = [
    ...(dressed?.notices ?? []),
    ...(dressed ? otherKindBefore(brief.job, work, surface) : []),
  ]
  return { parts, dressing: dressed?.dressing ?? null, notices }
}

/** How a dressing is told by the words a person writes of it. */
const CALLED: Record<DressingId, RegExp> = {
  topsoil: /soil|loam/i,
  sand: /sand/i,
  compost: /compost/i,
}

/** What was put down before is of another kind: layers that alternate hold water and roots up. */
function otherKindBefore({ treatments }: Job, { r }: ZoneWork, kind: DressingId): Notice[] {
  const called = (t: Job['treatments'][number]) =>
    DRESSINGS.filter((d) => CALLED[d].test(t.product ?? ''))
  const [last] = treatments
    .filter(
      (t) =>
        t.kind === 'dressed' &&
        t.date !== null &&
        (t.zones.length === 0 || t.zones.includes(r.zone.id)) &&
        called(t).length > 0,
    )
    .sort((a, b) => sure(b.date).localeCompare(sure(a.date)))
  if (!last || called(last).includes(kind)) return []
  return [
    {
      id: figureId(zoneScope(r.id), 'dressing.other-kind'),
      stage: 5,
      zone: r.zone.id,
      level: 'warn',
      title: say`${r.name}: dressed with ${verbatim(last.product)} ${onDay(sure(last.date), true)}, now with ${verbatim(DRESSING_NAMES[kind])}.`,
      says: 'Layers of different kinds hold water and roots up between them. Keep to one kind: choose the earlier one under Materials, or core through before the new one goes on.',
    },
  ]
}

/** Soil under turf that is lifted and laid back: the lows, filled a little over-full. */
function fillUnder(
  brief: DressingBrief,
  work: ZoneWork,
  { ground }: ZoneOperation,
  { settling, oversize }: Loose,
): Figure {
  const { trace } = brief
  const scope = zoneScope(work.r.id)
  const { fill, lowsDepth } = work.r
  const volume = fill
    ? trace.work(dressingRules.fill, scope, { fill: fill.volume }, { part: 'lay-back' })
    : trace.work(
        dressingRules.under,
        scope,
        { ground, depth: lowsDepth ?? 0 },
        { part: 'lay-back' },
      )
  return trace.work(
    dressingRules.order,
    scope,
    { volume, settling, oversize },
    { part: 'lay-back', label: 'Soil under the turf, to order' },
  )
}

/**
 * The holes of the cores of a zone, m³, by the tines, their spacing, depth and passes. Worked once.
 */
export function holesOf(
  { r }: ZoneWork,
  { passes, tines, depth, ground }: ZoneOperation,
  trace: Trace,
): Figure {
  const scope = zoneScope(r.id)
  const known = figureOf(trace, coringRules.holes, scope)
  if (known) return known
  const usual = trace.values(coringValues)
  const opened = trace.work(coringRules.opened, scope, {
    tine: tines ?? usual.tine,
    spacing: r.zone.operations.core?.spacing ?? usual.spacing,
    passes,
  })
  return trace.work(coringRules.holes, scope, { area: ground, opened, depth: depth ?? usual.depth })
}

/**
 * Levels tell where each dip lies; without them, lows are a depth and a share. A typed depth is a
 * blanket over all.
 */
function depthAndShare(
  { job, trace }: DressingBrief,
  { r }: ZoneWork,
): { depth: Figure; share: Figure; fills: boolean } {
  const scope = zoneScope(r.id)
  const blanket = job.dressing.depth ?? r.zone.operations.dress?.depth ?? null
  const fills = blanket === null && (r.fill !== null || r.lowsDepth !== null)
  const useLows = fills && !r.fill
  const depth = r.fill
    ? r.fill.deepest
    : useLows
      ? sure(r.lowsDepth)
      : trace.readOr(dressingReadings.depth, scope, blanket)
  const share = useLows
    ? (r.lowsShare ?? trace.readOr(dressingReadings.lowsShare, scope, null))
    : trace.readOr(dressingReadings.share, scope, job.dressing.share)
  return { depth, share, fills: fills || r.fill !== null }
}

function dressZone(
  brief: DressingBrief,
  work: ZoneWork,
  { settling, oversize }: Loose,
): { dressing: ZoneDressing; notices: Notice[] } {
  const { schools, trace } = brief
  const { r, leaf } = work
  const scope = zoneScope(r.id)
  const { depth, share, fills } = depthAndShare(brief, work)
  const limit = trace.work(leafRules.limit, scope, { leaf })
  const buries = num(depth) > num(limit) + 1e-9 && work.sowing !== 'new'
  const inLifts = buries && schools.dressing !== 'bury-reseed'
  const lifts = trace.work(
    dressingRules.lifts,
    scope,
    { depth, limit, inLifts: inLifts ? 1 : 0 },
    {
      school: `dressing:${schools.dressing}`,
      change: inLifts
        ? 'The bury-and-reseed school fills to level in one go and sows the fill as new ground.'
        : 'The light-and-often school goes down in thin lifts, tips showing.',
    },
  )
  const volume = soilInPlace(brief, work, { depth, share })
  const order = fills
    ? trace.work(dressingRules.order, scope, { volume, settling, oversize })
    : trace.work(dressingRules.thinOrder, scope, { volume, oversize })
  const about = { stage: 5, zone: r.zone.id } as const
  const notices: Notice[] = []
  if (buries)
    notices.push({
      ...about,
      id: figureId(scope, 'smother'),
      level: inLifts || work.buried !== null ? 'warn' : 'hold',
      title: say`${r.name} would be buried in one go.`,
      says: buriedSays(brief, work, { depth, limit, lifts: inLifts ? num(lifts) : null }),
      figure: limit.id,
    })
  if (num(lifts) > MOST_LIFTS)
    notices.push({
      ...about,
      id: figureId(scope, 'lifts'),
      level: 'hold',
      title: say`${r.name}: ${lifts} lifts are no plan.`,
      says: say`Only the first ${MOST_LIFTS} get days. Grade it and sow it as new ground, or fill the lows in one go and reseed the fill.`,
      figure: lifts.id,
    })
  if (num(depth) > trace.value(smotherValues.tooDeep))
    notices.push({
      ...about,
      id: figureId(scope, 'deep'),
      level: 'warn',
      title: say`${depth} is no thin dressing.`,
      says: 'Check the unit (inches for mm?). A fill this deep is firmed in layers and sown as new ground.',
      figure: depth.id,
    })
  return { dressing: { zone: r.id, depth, share, limit, lifts, order }, notices }
}

function buriedSays(
  { trace }: DressingBrief,
  { r, leaf, buried }: ZoneWork,
  { depth, limit, lifts }: { depth: Figure; limit: Figure; lifts: number | null },
): Message {
  if (lifts === null)
    return buried !== null
      ? say`${depth} on leaf standing ${leaf}: the grass under it dies, so the fill, and only the fill, is sown as new ground.`
      : say`${depth} on leaf standing ${leaf}: the grass under it dies. Take thin lifts instead, or sow what is buried.`
  const deep = r.fill ? r.fill.deeperThan(num(limit)) : 0
  const apart = quantity(trace.value(smotherValues.liftsApart), 'd')
  const instead: Message =
    deep > 0 ? say`; or bury and reseed the ${quantity(deep, 'm2')} that lie deeper than that` : ''
  const many: Message =
    lifts > trace.value(deepValues.lifts)
      ? ' So many lifts take more than a season: lifting the turf and laying it back, or filling and sowing, is sooner; choose either above.'
      : ''
  return say`${depth} on leaf standing ${leaf}: ${limit} is the most at once. It goes down in ${lifts} lifts, ${apart} apart, in growth${instead}.${many}`
}

/** Soil in place: lows filled, a dressing spread, or both, the larger at each point. */
function soilInPlace(
  { job, trace }: DressingBrief,
  { r }: ZoneWork,
  { depth, share }: { depth: Figure; share: Figure },
): Figure {
  const scope = zoneScope(r.id)
  const blanket = job.dressing.depth ?? r.zone.operations.dress?.depth ?? null
  if (!r.fill) return trace.work(dressingRules.volume, scope, { area: sure(r.area), share, depth })
  if (!blanket) return trace.work(dressingRules.fill, scope, { fill: r.fill.volume })
  trace.read(dressingReadings.blanket, scope, blanket)
  return trace.work(dressingRules.union, scope, { cells: r.fill.withBlanket(blanket) })
}
