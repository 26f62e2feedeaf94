import type { Firm } from '../entities/firm.ts'
import type { Job } from '../entities/job.ts'
import { asNew, levels, sows, type ZoneApproach } from '../approach/approach.ts'
import { firmSettings } from '../reference/firmSettings.ts'
import { DRESSING_NAMES, type DressingId } from '../reference/lists.ts'
import { looseDensity } from '../reference/materialValues.ts'
import type { Schools } from '../reference/schools.ts'
import { num, type Figure, type Notice } from '../trace/figure.ts'
import { quantity, say, type Message } from '../trace/message.ts'
import { figureId, JOB, zoneScope } from '../trace/scope.ts'
import type { Trace } from '../trace/trace.ts'
import type { ZoneReadings } from '../walkover/zoneReadings.ts'
import { dressingReadings, dressingRules, dressingTable, smotherValues } from './dressingRules.ts'

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
  notices: Notice[]
}

/** A zone and the way chosen for it. */
export interface ZoneWay {
  r: ZoneReadings
  approach: ZoneApproach
}

export interface DressingBrief {
  job: Job
  firm: Firm
  schools: Schools
  zones: readonly ZoneWay[]
  trace: Trace
}

/** Dressing where the surface is brought up or a depth was asked for; lifts where it would bury the grass. */
export function planDressing(brief: DressingBrief): DressingPlan | null {
  const { job, firm, zones, trace } = brief
  const wanted = zones.filter(
    ({ r, approach }) => r.area && sows(approach.chosen) && (levels(approach.chosen) || (job.dressing.depth ?? 0) > 0 || r.trenches.length > 0),
  )
  if (wanted.length === 0) return null
  const kind: DressingId = job.dressing.kind ?? 'topsoil'
  const settling = trace.setting(firmSettings.settling, JOB, firm.settling)
  const oversize = trace.setting(firmSettings.oversize, JOB, firm.oversize)
  const made = wanted.map((zone) => dressZone(brief, zone, settling, oversize))
  const total = trace.work(dressingRules.total, JOB, { zones: made.map((z) => z.dressing.order) }, { label: say`${DRESSING_NAMES[kind]}, to order` })
  const density = trace.table(dressingTable.density, JOB, trace.value(looseDensity[kind]))
  const tonnes = trace.work(dressingRules.tonnes, JOB, { volume: total, density })
  const barrow = trace.setting(firmSettings.barrow, JOB, firm.barrow === null ? null : firm.barrow * 1000)
  const barrows = trace.work(dressingRules.barrows, JOB, { volume: total, barrow })
  return { kind, zones: made.map((z) => z.dressing), total, tonnes, barrows, notices: made.flatMap((z) => z.notices) }
}

/** Levels tell where each dip lies; without them, lows are a depth and a share. A typed depth is a blanket over all. */
function depthAndShare({ job, trace }: DressingBrief, { r, approach }: ZoneWay): { depth: Figure; share: Figure; onlyTrench: boolean } {
  const scope = zoneScope(r.id)
  const blanket = job.dressing.depth
  const brings = levels(approach.chosen)
  const onlyTrench = !brings && !((blanket ?? 0) > 0)
  const useLows = brings && !r.fill && r.lowsDepth !== null && blanket === null
  const depth = brings && r.fill ? r.fill.deepest : useLows ? r.lowsDepth! : trace.readOr(dressingReadings.depth, scope, onlyTrench ? 0 : blanket)
  const share = useLows
    ? (r.lowsShare ?? trace.readOr(dressingReadings.lowsShare, scope, null))
    : trace.readOr(dressingReadings.share, scope, job.dressing.share)
  return { depth, share, onlyTrench }
}

function dressZone(brief: DressingBrief, zone: ZoneWay, settling: Figure, oversize: Figure): { dressing: ZoneDressing; notices: Notice[] } {
  const { schools, trace } = brief
  const { r, approach } = zone
  const scope = zoneScope(r.id)
  const { depth, share, onlyTrench } = depthAndShare(brief, zone)
  const leaf = trace.work(dressingRules.leaf, scope, { cut: r.cut })
  const limit = trace.work(dressingRules.limit, scope, { leaf })
  const buries = num(depth) > num(limit) + 1e-9 && !asNew(approach.chosen)
  const inLifts = buries && schools.dressing === 'light-often'
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
  const volume = soilInPlace(brief, zone, { depth, share, onlyTrench })
  const order = trace.work(dressingRules.order, scope, { volume, settling, oversize })
  const about = { stage: 5, zone: r.id } as const
  const notices: Notice[] = []
  if (buries)
    notices.push({
      ...about,
      id: figureId(scope, 'smother'),
      level: inLifts ? 'warn' : 'hold',
      title: say`${r.name} would be buried in one go.`,
      says: buriedSays(brief, zone, { depth, leaf, limit, lifts: inLifts ? num(lifts) : null }),
      figure: limit.id,
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
  return { dressing: { zone: r.id, depth, share, limit, lifts, volume, order }, notices }
}

function buriedSays(
  { trace }: DressingBrief,
  { r, approach }: ZoneWay,
  { depth, leaf, limit, lifts }: { depth: Figure; leaf: Figure; limit: Figure; lifts: number | null },
): Message {
  if (lifts === null) return say`${depth} on leaf standing ${leaf}: the grass under it dies. Sow the fill as new ground, or take thin lifts instead.`
  const deep = levels(approach.chosen) && r.fill ? r.fill.deeperThan(num(limit)) : 0
  const apart = quantity(trace.value(smotherValues.liftsApart), 'd')
  const instead: Message = deep > 0 ? say`; or bury and reseed the ${quantity(deep, 'm2')} that lie deeper than that` : ''
  return say`${depth} on leaf standing ${leaf}: ${limit} is the most at once. It goes down in ${lifts} lifts, ${apart} apart, in growth${instead}.`
}

/** Soil in place: what is spread, and the trenches filled besides. */
function soilInPlace(
  { job, trace }: DressingBrief,
  { r, approach }: ZoneWay,
  { depth, share, onlyTrench }: { depth: Figure; share: Figure; onlyTrench: boolean },
): Figure {
  const scope = zoneScope(r.id)
  const key = r.trenches.length > 0 ? { key: 'dressing.spread' } : {}
  const fill = levels(approach.chosen) ? r.fill : null
  const spread = fill
    ? spreadOverFill(r, fill, job.dressing.depth, key, trace)
    : onlyTrench
      ? null
      : trace.work(dressingRules.volume, scope, { area: r.area!, share, depth }, key)
  if (spread && r.trenches.length === 0) return spread
  return trace.work(dressingRules.withTrenches, scope, { parts: [...(spread ? [spread] : []), ...r.trenches] })
}

/** Dips filled, and a blanket over the whole where one is asked for: the larger at each point. */
function spreadOverFill(
  r: ZoneReadings,
  fill: NonNullable<ZoneReadings['fill']>,
  blanket: number | null,
  key: { key?: string },
  trace: Trace,
): Figure {
  const scope = zoneScope(r.id)
  if (!blanket) return trace.work(dressingRules.fill, scope, { fill: fill.volume }, key)
  trace.read(dressingReadings.blanket, scope, blanket)
  return trace.work(dressingRules.union, scope, { cells: fill.withBlanket(blanket) }, key)
}
