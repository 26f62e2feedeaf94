import { sows, type ZoneApproach } from '../approach/approach.ts'
import { findingOf, type Finding } from '../findings/finding.ts'
import { slopeLines } from '../findings/lines.ts'
import { repelsWater } from '../findings/seenInZone.ts'
import { lightLines } from '../reference/siteValues.ts'
import { num } from '../trace/figure.ts'
import type { Trace } from '../trace/trace.ts'
import type { ZoneReadings } from '../walkover/zoneReadings.ts'

export interface ZoneWork {
  r: ZoneReadings
  approach: ZoneApproach
  season: 'cool' | 'warm'
}

export type PackageKind = 'kill' | 'hold' | 'sow' | 'feed'

/** Zones worked on together, the same season and the same kind of work: their steps share days. */
export interface WorkPackage {
  id: string
  kind: PackageKind
  season: 'cool' | 'warm'
  zones: ZoneWork[]
}

/** Ground too dark for grass that is left alone: nothing is done to it at all. */
const untouched = ({ r, approach }: ZoneWork, trace: Trace) => approach.chosen === 'leave' && num(r.sun) < trace.value(lightLines.marginal)

const kindOf = ({ approach: { chosen } }: ZoneWork): PackageKind =>
  chosen === 'renovate' ? 'kill' : chosen === 'hold-over' ? 'hold' : sows(chosen) ? 'sow' : 'feed'

export function workPackages(work: readonly ZoneWork[], trace: Trace): WorkPackage[] {
  const packages = new Map<string, WorkPackage>()
  for (const zone of work) {
    if (!zone.r.area || untouched(zone, trace)) continue
    const kind = kindOf(zone)
    const id = `${kind}-${zone.season}`
    const known = packages.get(id) ?? { id, kind, season: zone.season, zones: [] }
    known.zones.push(zone)
    packages.set(id, known)
  }
  return [...packages.values()].sort((a, b) => a.id.localeCompare(b.id))
}

/** Turf that may be scarified: never stolon-only, nor new ground. */
export function scarifies({ r, approach: { chosen } }: ZoneWork, findings: readonly Finding[], trace: Trace): boolean {
  if (chosen === 'sow-new' || chosen === 'mend' || chosen === 'hold-over') return false
  if (r.zone.present.includes('st-augustine') || num(r.slope) >= trace.value(slopeLines.steep)) return false
  return r.thatch !== null && findingOf(findings, r.id, 'thatch')?.verdict !== 'fine'
}

/** Packed soil asks for cores, and so does a sand green too rich in organic matter; a bank does not bear them. */
export const wantsCores = ({ r, approach: { chosen } }: ZoneWork, findings: readonly Finding[], trace: Trace): boolean =>
  chosen !== 'hold-over' &&
  chosen !== 'mend' &&
  num(r.slope) < trace.value(slopeLines.bank) &&
  (['compaction', 'organic'] as const).some((kind) => findingOf(findings, r.id, kind)?.verdict === 'act')

/** Soil that repels water is put right first: cores wait for it. */
export const cores = (zone: ZoneWork, findings: readonly Finding[], trace: Trace): boolean =>
  !repelsWater(zone.r, trace) && wantsCores(zone, findings, trace)
