import { OPERATIONS, orderOf, type StepKind } from '../reference/operations.ts'
import { isSown } from './sowing.ts'
import { plans, type ZoneWork } from './workTypes.ts'

/**
 * What kind of work zones share: it decides which step the days hang on, and which season it goes
 * by.
 */
export type PackageKind = 'kill' | 'hold' | 'later' | 'sow' | 'plant' | 'scalp' | 'care' | 'feed'

/** Zones worked on together, the same season and the same kind of work: their steps share days. */
export interface WorkPackage {
  id: string
  kind: PackageKind
  /** The season of what is sown, or of the turf where nothing is. */
  season: 'cool' | 'warm'
  zones: ZoneWork[]
}

function kindOf(work: ZoneWork): PackageKind | null {
  if (work.sowing === 'cover-then-sow') return 'hold'
  if (isSown(work.sowing)) return plans(work, 'kill', 'strip') ? 'kill' : 'sow'
  if (work.sowing === 'plugs' || work.sowing === 'turf') return 'plant'
  if (plans(work, 'cut-second') && !plans(work, 'scarify', 'core', 'dress')) return 'scalp'
  if (work.operations.length === 0) return null
  return work.operations.every((o) => o.operation === 'feed' || o.operation === 'water')
    ? 'feed'
    : 'care'
}

/** Whether what is sown is a cool grass though warm turf stands there. */
const sowsCool = ({ sowing }: ZoneWork) =>
  sowing === 'cover-then-sow' || sowing === 'blend' || sowing === 'winter-green'

/**
 * The zones in packages. `later` are the second rounds of ground held over, sown in their season.
 */
export function workPackages(work: readonly ZoneWork[], later: readonly ZoneWork[]): WorkPackage[] {
  const packages = new Map<string, WorkPackage>()
  const put = (zone: ZoneWork, kind: PackageKind | null) => {
    if (!zone.r.area || kind === null) return
    const season = sowsCool(zone) ? 'cool' : zone.season
    const id = `${kind}-${season}`
    const known = packages.get(id) ?? { id, kind, season, zones: [] }
    known.zones.push(zone)
    packages.set(id, known)
  }
  for (const zone of work) put(zone, kindOf(zone))
  for (const zone of later) put(zone, 'later')
  return [...packages.values()].sort((a, b) => a.id.localeCompare(b.id))
}

/**
 * The step of a package that its days hang on: the sowing, or the last of what opens or covers the
 * ground.
 */
export function anchorOf(kind: PackageKind, steps: readonly StepKind[]): StepKind {
  const found = steps.filter((k) => anchors(kind, k)).sort((a, b) => orderOf(a) - orderOf(b))
  return found.at(-1) ?? steps.filter((k) => k !== 'water' && k !== 'feed').at(-1) ?? steps.at(-1)!
}

const anchors = (kind: PackageKind, step: StepKind): boolean =>
  kind === 'plant' || kind === 'scalp' || kind === 'care' || kind === 'feed'
    ? OPERATIONS[step].anchors === kind
    : step === 'sow'
