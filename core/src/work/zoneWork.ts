import { sure } from '../quantities/sure.ts'
import { isWatered } from '../entities/job.ts'
import type { Sowing } from '../reference/lists.ts'
import { stolonOnly } from '../findings/findingAsks.ts'
import { slopeLines } from '../findings/lines.ts'
import { num } from '../trace/figure.ts'
import type { Trace } from '../trace/trace.ts'
import { OPERATIONS, type StepKind } from '../reference/operations.ts'
import type { Figure } from '../trace/figure.ts'
import { buriedShare, fillWay, leafLeft, leafStanding, type Cut } from './burial.ts'
import { decisionsFor, type Decision } from './decisions.ts'
import { SOWN_REPAIRS, groundOf, inPart, isSmall, sownGround } from './ground.ts'
import { PRESETS } from './presets.ts'
import { ask } from './asksOf.ts'
import { bareAfter, staysOpen } from './bareAfter.ts'
import { isPlanted, isSown } from './sowing.ts'
import type { WorkBrief, ZoneOperation, ZoneWork } from './workTypes.ts'

/** The work of a zone: everything asked for, each operation planned or with the reason why not. */
export function zoneWork(brief: WorkBrief): ZoneWork {
  const { r, season, approach, schools, trace } = brief
  const asked = r.zone.sowing ?? PRESETS[approach].sowing
  const first = decisionsFor(brief, asked)
  const cut = cutBefore(first, season, asked)
  const dressed = first.some((d) => d.operation === 'dress' && d.reason === null)
  if (dressed && !brief.laidBack && isLaidBack(brief, asked))
    return zoneWork({ ...brief, laidBack: true })
  const buried =
    dressed && schools.dressing === 'bury-reseed' && asked !== 'new'
      ? buriedShare(r, leafLeft(r, cut, trace), trace)
      : null
  // Lows buried in one go are sown, and they alone, where nothing else is.
  const sowing = asked === 'none' && buried !== null ? 'spots' : asked
  const decisions = sowing === asked ? first : decisionsFor(brief, sowing)
  const done = decisions.filter((d) => d.reason === null)
  // A repair's ground is worked once, and both its own step and the sowing go by it.
  const repaired = new Map(
    r.area && sowing === 'spots'
      ? done.flatMap((d) =>
          SOWN_REPAIRS.includes(d.operation)
            ? [[d.operation, groundOf(d.operation, r, null, false, trace)] as const]
            : [],
        )
      : [],
  )
  const sown = r.area
    ? sownGround(r, sowing, asked === 'none' ? buried : null, [...repaired.values()], trace)
    : null
  const operations = r.area
    ? done.map((d) => operationIn(brief, d, sowing, sown, repaired.get(d.operation)))
    : []
  const bare = bareAfter(r, operations, trace)
  const open = !isPlanted(sowing) && staysOpen(r, bare, trace)
  if (open && plansBlades(operations)) operations.push(countAfter(brief, sowing, sown))
  return {
    r,
    season,
    approach,
    sowing,
    operations,
    bareAfter: bare,
    staysOpen: open,
    notPlanned: decisions
      .filter((d) => d.reason !== null && d.asks.length > 0 && !isUnspoken(d, brief))
      .map(({ operation, asks, reason, yours, barred }) => ({
        operation,
        asks,
        reason: sure(reason),
        yours,
        barred,
      })),
    sown,
    buried,
    leaf: leafStanding(r, cutBefore(decisions, season, sowing), trace),
  }
}

/**
 * Whether turf over the lows is lifted and laid back: where they are too deep for lifts, unless a
 * person entered a dressing over all of it, switched one of the two, or the ground is sown as new.
 */
function isLaidBack({ r, job, schools, trace }: WorkBrief, sowing: Sowing): boolean {
  const lows = r.fill !== null || r.lowsDepth !== null
  const own = r.zone.operations
  const blanket = job.dressing.depth ?? own.dress?.depth ?? null
  const decided = own.dress?.on === true || own['lay-back']?.on === false
  return (
    lows &&
    blanket === null &&
    !decided &&
    sowing !== 'new' &&
    sowing !== 'turf' &&
    fillWay(r, schools, trace) === 'lay-back'
  )
}

/** Who wants no chemicals is not told of the sprays that are left out. */
const isUnspoken = ({ operation }: Decision, { r, schools }: WorkBrief): boolean =>
  schools.weeds === 'no-chemicals' &&
  OPERATIONS[operation].sprays === true &&
  r.zone.operations[operation] === undefined

const plansBlades = (operations: readonly ZoneOperation[]) =>
  operations.some((o) => o.operation === 'scarify')

/** The count after the first pass, where what the blades leave may not close. */
const countAfter = (brief: WorkBrief, sowing: Sowing, sown: Figure | null): ZoneOperation =>
  operationIn(
    brief,
    {
      operation: 'look-bare',
      asks: [ask('look-bare', 'work', 'scarify', 'What the blades leave may not close by itself.')],
      reason: null,
      yours: false,
      barred: false,
    },
    sowing,
    sown,
  )

/**
 * What is cut down before a dressing goes on. The hard cut of warm turf that is not sown is an earlier
 * visit of its own: by the day of the dressing it has grown again.
 */
function cutBefore(decisions: readonly Decision[], season: 'cool' | 'warm', sowing: Sowing): Cut {
  const planned = (kind: StepKind) =>
    decisions.some((d) => d.operation === kind && d.reason === null)
  if (season === 'warm' && !isPlanted(sowing) && planned('cut-second')) return 'standing'
  return planned('cut-second') ? 'short' : planned('cut-first') ? 'first' : 'standing'
}

/**
 * Whether the sward closes again after several passes of blades: grass that spreads does, or seed
 * that is watered closes it. Where neither is so, one pass is taken and the rest is left for next
 * season.
 */
const healsAfter = ({ r, job }: Pick<WorkBrief, 'r' | 'job'>, sowing: Sowing): boolean =>
  sowing === 'new' ||
  r.present.length === 0 ||
  r.present.some((g) => g.spreads) ||
  (isSown(sowing) && isWatered(job))

/** The hand tool, where a machine is too big for the ground, tears its runners or slides off it. */
function byHand(
  operation: StepKind,
  r: WorkBrief['r'],
  ground: Figure,
  trace: Trace,
): string | null {
  if (!OPERATIONS[operation].tools?.hand) return null
  if (operation === 'sow' && isSmall({ area: ground }, trace)) return 'hand'
  const torn =
    operation === 'rake' && (stolonOnly(r) || num(r.slope) >= trace.value(slopeLines.steep))
  return torn || isSmall(r, trace) ? 'hand' : null
}

/** How a planned operation is done: as the person set it, or as those who ask want it. */
function operationIn(
  brief: WorkBrief,
  { operation, asks, yours }: Decision,
  sowing: Sowing,
  sown: Figure | null,
  known?: Figure,
): ZoneOperation {
  const { r, trace } = brief
  const own = r.zone.operations[operation]
  const asked = Math.min(
    operation === 'scarify' && !healsAfter(brief, sowing) ? 1 : Infinity,
    Math.max(1, ...asks.map((a) => a.passes ?? 1)),
  )
  const least = OPERATIONS[operation].halved ? 2 : 1
  const fed = operation === 'feed' && inPart(sowing) && asks.every((a) => a.by === 'sowing')
  const ground = known ?? (fed && sown ? sown : groundOf(operation, r, sown, inPart(sowing), trace))
  return {
    operation,
    asks,
    passes: own?.passes ?? Math.max(least, asked),
    depth: own?.depth ?? asks.find((a) => a.depth !== undefined)?.depth ?? null,
    height: own?.height ?? null,
    tines: own?.tines ?? null,
    tool: own?.tool && OPERATIONS[operation].tools?.[own.tool] ? own.tool : byHand(operation, r, ground, trace), // prettier-ignore
    ground,
    yours: yours || own?.passes != null || own?.depth != null || own?.height != null,
  }
}
