import type { SiteSurvey } from './siteSurvey.ts'
import type { ZoneReadings } from './zoneReadings.ts'

/** Where a zone's size was taken from. */
export type SizeFrom = 'typed' | 'drawn' | 'sides'

/** One of several sizes of a zone, m², beds and paths taken off. */
export interface ZoneSize {
  from: SizeFrom
  area: number
}

/**
 * The sizes of a zone that disagree by more than `differ` (a share) and than the plan may be out;
 * the one that counts comes first. Empty where they agree.
 */
export function sizesThatDiffer(
  { id, zone }: ZoneReadings,
  survey: SiteSurvey,
  differ: number,
): ZoneSize[] {
  const drawn = survey.measured.zones.get(id)
  const off = zone.deductions.reduce((sum, d) => sum + (d.area ?? 0), 0)
  const sizes: ZoneSize[] = []
  if (zone.area !== null) sizes.push({ from: 'typed', area: zone.area - off })
  if (drawn && drawn.area > 0) sizes.push({ from: 'drawn', area: drawn.area })
  if (zone.length !== null && zone.width !== null)
    sizes.push({ from: 'sides', area: zone.length * zone.width - off })
  const [first, ...others] = sizes
  if (!first) return []
  const bound = (other: ZoneSize) =>
    Math.max(
      differ * first.area,
      first.from === 'drawn' || other.from === 'drawn' ? (drawn?.error ?? 0) : 0,
    )
  const apart = others.filter((o) => Math.abs(o.area - first.area) > bound(o))
  return apart.length > 0 ? [first, ...apart] : []
}

/**
 * Wanted cover typed and counted, %, where the typed one lies outside what the count leaves open;
 * null where they agree or there is one alone.
 */
export function coversThatDiffer(
  { id, zone }: ZoneReadings,
  survey: SiteSurvey,
): { typed: number; counted: number; low: number; high: number } | null {
  const count = survey.counts.get(id)
  const typed = zone.cover.wanted
  if (!count || typed === null) return null
  const { mean, low, high } = count.parts.wanted
  return typed < low || typed > high ? { typed, counted: mean, low, high } : null
}
