import { daysBetween, type Day } from '../calendar/day.ts'
import { isStepKind, OPERATIONS, orderOf, type StepKind } from '../reference/operations.ts'
import { isPlanted, isSown } from './sowing.ts'
import { plans, type ZoneOperation, type ZoneWork } from './workTypes.ts'

/**
 * What kind of work zones share: it decides which step the days hang on, and which season it goes
 * by. `due` work has no season; a `barrier` is a pre-emergence.
 */
export type PackageKind =
  'due' | 'kill' | 'hold' | 'later' | 'sow' | 'plant' | 'scalp' | 'care' | 'barrier' | 'feed'

/** The order in which kinds of work are told: what the job is about first. */
const TOLD: readonly PackageKind[] = [
  'hold',
  'kill',
  'sow',
  'plant',
  'later',
  'care',
  'scalp',
  'barrier',
  'feed',
  'due',
]

/** Zones worked on together, the same season and the same kind of work: their steps share days. */
export interface WorkPackage {
  id: string
  kind: PackageKind
  /** The season of what is sown, or of the turf where nothing is. */
  season: 'cool' | 'warm'
  /** The zones with the operations of this package alone. */
  zones: ZoneWork[]
}

/** What the sowing pulls to itself, or what turf that is not sown is opened and dressed with. */
function mainKind(work: ZoneWork): PackageKind {
  if (work.sowing === 'cover-then-sow') return 'hold'
  if (isSown(work.sowing)) return plans(work, 'kill', 'strip') ? 'kill' : 'sow'
  return work.sowing === 'plugs' || work.sowing === 'turf' ? 'plant' : 'care'
}

/** The cutting down of warm turf in spring. */
const CUT_DOWN: readonly StepKind[] = ['cut-first', 'cut-second']
/** Goes with whatever it is needed for, and is no work of its own. */
const goesAlong = (kind: StepKind) =>
  kind === 'notice' ||
  kind === 'mark' ||
  kind === 'water' ||
  (OPERATIONS[kind].along !== undefined && OPERATIONS[kind].later?.since !== 'work')

/**
 * The piece of work that an operation of a zone belongs to: what has its own season or is due is
 * dated by itself, everything else hangs on the main work.
 */
function pieceOf(kind: StepKind, work: ZoneWork): PackageKind {
  const main = mainKind(work)
  if (OPERATIONS[kind].due) return 'due'
  if (kind === 'feed-lawn' || (kind === 'feed-round' && plans(work, 'feed-lawn'))) return 'feed'
  if (isPlanted(work.sowing)) return main
  if (kind === 'pre-emergence') return 'barrier'
  if (OPERATIONS[kind].feeds) return 'feed'
  return work.season === 'warm' && CUT_DOWN.includes(kind) && plans(work, 'cut-second')
    ? 'scalp'
    : main
}

interface Piece {
  kind: PackageKind
  /** Due work is dated one operation at a time. */
  of: string
  operations: ZoneOperation[]
}

/**
 * The pieces of work of a zone. What goes along joins the first piece that has a season; whoever
 * uses the ground is told of each piece that closes it.
 */
function piecesOf(work: ZoneWork): Piece[] {
  const pieces = new Map<string, Piece>()
  const along: ZoneOperation[] = []
  const notice = work.operations.find((o) => OPERATIONS[o.operation].eachPiece)
  for (const o of work.operations) {
    if (o === notice) continue
    if (goesAlong(o.operation)) {
      along.push(o)
      continue
    }
    const { later } = OPERATIONS[o.operation]
    // What is dated from another operation belongs to its piece of work.
    const dated = later?.since === 'work' ? later.of : undefined
    const after = dated && isStepKind(dated) ? dated : o.operation
    const kind = pieceOf(after, work)
    const of = kind === 'due' ? `${kind}-${after}` : kind
    const piece = pieces.get(of) ?? { kind, of, operations: [] }
    piece.operations.push(o)
    pieces.set(of, piece)
  }
  const list = [...pieces.values()]
  const rank: readonly PackageKind[] = ['care', 'scalp', 'feed', 'barrier', 'due']
  const host =
    list.find((p) => p.kind === mainKind(work)) ??
    list.sort((a, b) => rank.indexOf(a.kind) - rank.indexOf(b.kind))[0]
  host?.operations.push(...along)
  if (notice) {
    const closing = list.filter((p) => p.operations.some((o) => OPERATIONS[o.operation].closes))
    for (const p of closing.length > 0 ? closing : host ? [host] : []) p.operations.push(notice)
  }
  for (const p of list) p.operations.sort((a, b) => orderOf(a.operation) - orderOf(b.operation))
  return list
}

/** Other work of this ground waits for some of its own. */
const waitsFirst = (work: ZoneWork): boolean =>
  work.operations.some((o) => OPERATIONS[o.operation].due === 'first')

/** Whether what is sown is a cool grass though warm turf stands there. */
const sowsCool = ({ sowing }: ZoneWork) =>
  sowing === 'cover-then-sow' || sowing === 'blend' || sowing === 'winter-green'

/** Sown within so many days of each other, zones are one sowing. Juvena's model. */
const ONE_SOWING = 7
/** Pieces of work that end with a sowing. */
const SOWN_KINDS: readonly PackageKind[] = ['hold', 'kill', 'sow']

/**
 * Tells sowings apart by the days on which zones were sown: the first sowing has no mark, nor has
 * anything while nothing is sown; later ones go by their day, and what is still to be sown by "unsown".
 */
export function sowingsOf(sown: ReadonlyMap<string, Day>): (zone: ZoneWork) => string {
  const days = [...new Set(sown.values())].sort()
  const marks = new Map<Day, string>()
  let mark = ''
  days.forEach((day, i) => {
    if (i > 0 && daysBetween(days[i - 1]!, day) > ONE_SOWING) mark = `-sown-${day}`
    marks.set(day, mark)
  })
  return ({ r }) => {
    const day = sown.get(r.id)
    return days.length === 0 ? '' : day === undefined ? '-unsown' : (marks.get(day) ?? '')
  }
}

/**
 * The zones in packages. `later` are the second rounds of ground held over, sown in their season.
 * Ground that has to wait (`held`, or for work of its own) holds no other; what was sown at another
 * time, or is still to be sown where other ground is, is a sowing of its own (`sowing` tells them apart).
 */
export function workPackages(
  work: readonly ZoneWork[],
  later: readonly ZoneWork[],
  held: (zone: ZoneWork) => boolean = () => false,
  sowing: (zone: ZoneWork) => string = () => '',
): WorkPackage[] {
  const packages = new Map<string, WorkPackage>()
  const put = (zone: ZoneWork, kind: PackageKind, of: string) => {
    const season = sowsCool(zone) ? 'cool' : zone.season
    const id = `${of}-${season}`
    const known = packages.get(id) ?? { id, kind, season, zones: [] }
    known.zones.push(zone)
    packages.set(id, known)
  }
  for (const zone of work)
    if (zone.r.area)
      for (const { kind, of, operations } of piecesOf(zone)) {
        const apart = kind !== 'due' && kind !== 'feed' && (held(zone) || waitsFirst(zone))
        // The feed of a lawn is no part of what is sown in spots of it.
        const whatIsSown = kind === 'feed' ? 'none' : zone.sowing
        const own = SOWN_KINDS.includes(kind) ? sowing(zone) : ''
        put({ ...zone, sowing: whatIsSown, operations }, kind, `${of}${own}${apart ? '-held' : ''}`)
      }
  for (const zone of later) if (zone.r.area) put(zone, 'later', 'later')
  return [...packages.values()].sort(
    (a, b) => TOLD.indexOf(a.kind) - TOLD.indexOf(b.kind) || a.id.localeCompare(b.id),
  )
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
    : kind === 'due'
      ? OPERATIONS[step].due !== undefined
      : kind === 'barrier'
        ? step === 'pre-emergence'
        : step === 'sow'
