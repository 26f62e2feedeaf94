import type { Job } from '../entities/job.ts'
import type { Finding } from '../findings/finding.ts'
import { scalps, stolonOnly } from '../findings/findingAsks.ts'
import { coverLines } from '../findings/lines.ts'
import type { ApproachId } from '../reference/lists.ts'
import { OPERATIONS, type StepKind } from '../reference/operations.ts'
import type { Schools } from '../reference/schools.ts'
import { num } from '../trace/figure.ts'
import type { Message } from '../rules/message.ts'
import { Trace, type FirmValues } from '../trace/trace.ts'
import type { ZoneReadings } from '../walkover/zoneReadings.ts'
import type { ZoneOperation, ZoneWork } from '../work/workTypes.ts'
import { coverAhead, type CoverAhead } from '../work/coverAhead.ts'
import { looksBadDays } from '../work/looksBad.ts'
import { zoneWork } from '../work/zoneWork.ts'
import { isPlanted } from '../work/sowing.ts'
import { LADDER, PRESETS } from '../work/presets.ts'

/** A ready-made way for a zone, beside the others. */
export interface Way {
  approach: ApproachId
  fit: 'suggested' | 'cheaper' | 'dearer' | 'possible'
  /** Person-hours. */
  hours: number
  /** Days on site at least: kills, sprays and rechecks want days of their own. */
  visits: number
  /** Days it looks bad. */
  badDays: number
  /** % that lies bare after blades and rake; null where neither go over it. */
  bareAfter: number | null
  /** Wanted cover it leads to, where it takes; null where no cover was read. */
  cover: CoverAhead | null
  /** It stays open for a season: nothing is sown on it. */
  staysOpen: boolean
  /** Something is sown, set or laid. */
  plants: boolean
  /** What stays wrong. */
  leaves: Message
  /** Operations this way does and the chosen one does not, and the other way round. */
  more: StepKind[]
  less: StepKind[]
}

export interface WaysBrief {
  r: ZoneReadings
  season: 'cool' | 'warm'
  findings: readonly Finding[]
  job: Job
  schools: Schools
  suggested: ApproachId
  chosen: ApproachId
  firmValues: FirmValues
  /** Hours a working day has for the people of the firm together. */
  dayHours: number
  /** Person-hours of an operation in the work of a zone, soil and later lifts with it. */
  hoursOf: (work: ZoneWork, operation: ZoneOperation, trace: Trace) => number
}

/** Whether a way can be taken on this ground at all. */
function possible(
  approach: ApproachId,
  { r, suggested, season }: WaysBrief,
  trace: Trace,
): boolean {
  if (approach === suggested) return true
  const cover = r.wanted === null ? null : num(r.wanted)
  const living = cover === null || cover >= trace.value(coverLines.nothingLeft)
  const incurable = num(r.incurable) >= trace.value(coverLines.incurable)
  const dark =
    suggested === 'leave' && r.sunKnown && cover !== null && cover < trace.value(coverLines.thin)
  if (dark) return approach === 'care'
  switch (approach) {
    case 'leave':
    case 'care':
    case 'level':
      return living && (approach !== 'level' || r.lowsDepth !== null)
    case 'mend':
      return (
        cover !== null &&
        cover >= trace.value(coverLines.mendable) &&
        r.bare !== null &&
        num(r.bare) > 0 &&
        !stolonOnly(r)
      )
    case 'overseed':
      return living && !stolonOnly(r)
    case 'overseed-level':
      return living && r.lowsDepth !== null && !stolonOnly(r)
    case 'sow-new':
      return !living && !incurable
    case 'renovate':
      return incurable || r.target !== null
    case 'hold-over':
      return !living || suggested === 'sow-new' || suggested === 'renovate'
    case 'plugs':
      return season === 'warm' && living && r.zone.present.length > 0
    case 'returf':
      return suggested === 'sow-new' || suggested === 'renovate'
    case 'blend':
    case 'winter-green':
      return scalps(r) && living
  }
}

/**
 * The ways that could be taken, the suggested one first, then gentler ones, nearest first, then
 * others.
 */
export function waysOf(brief: WaysBrief): Way[] {
  const { r, suggested, chosen } = brief
  if (!r.area) return []
  const trace = new Trace(brief.firmValues)
  const rungs = (list: readonly ApproachId[]) => list.filter((a) => possible(a, brief, trace))
  const at = LADDER.indexOf(suggested)
  const gentler = rungs(LADDER.slice(0, Math.max(0, at))).reverse()
  const others = rungs([...LADDER.slice(at + 1), 'hold-over', 'blend', 'winter-green'])
    .filter((a) => a !== suggested)
    // Beside sowing what the owner wants into the sward stands killing that first.
    .sort((a, b) => (r.target ? Number(b === 'renovate') - Number(a === 'renovate') : 0))
  // One gentler way and one other stand among the first in any case.
  const order = [suggested, ...gentler.slice(0, 2), ...others, ...gentler.slice(2)]
  const shown = [...new Set([suggested, chosen, ...order])]
  const place = (approach: ApproachId) =>
    order.includes(approach) ? order.indexOf(approach) : order.length
  const standing = operationsBy(brief, chosen)
  const asked = suggested === chosen ? standing : operationsBy(brief, suggested)
  return shown
    .sort((a, b) => place(a) - place(b))
    .map((approach): Way => {
      const own = approach === chosen ? standing : operationsBy(brief, approach)
      return {
        approach,
        fit:
          approach === suggested
            ? 'suggested'
            : // While work has no price its hours tell which costs less.
              own.hours < asked.hours - SAME_HOURS
              ? 'cheaper'
              : own.hours > asked.hours + SAME_HOURS
                ? 'dearer'
                : 'possible',
        hours: own.hours,
        visits: own.visits,
        badDays: own.badDays,
        bareAfter: own.bareAfter,
        cover: own.cover,
        staysOpen: own.staysOpen,
        plants: own.plants,
        leaves: PRESETS[approach].leaves,
        more: own.kinds.filter((k) => !standing.kinds.includes(k)),
        less: standing.kinds.filter((k) => !own.kinds.includes(k)),
      }
    })
}

/** Hours within which two ways cost the same. */
const SAME_HOURS = 0.25

/** What a way comes to on this zone, worked beside the plan and kept out of its figures. */
function operationsBy(
  { r, season, findings, job, schools, firmValues, dayHours, chosen, hoursOf }: WaysBrief,
  approach: ApproachId,
): Pick<Way, 'hours' | 'visits' | 'badDays' | 'bareAfter' | 'cover' | 'staysOpen' | 'plants'> & {
  kinds: StepKind[]
} {
  // What a person switched in the chosen way is theirs; another way is shown as it comes.
  const zone = approach === chosen ? r.zone : { ...r.zone, sowing: null, operations: {} }
  const round = (by: ApproachId) => {
    const trace = new Trace(firmValues)
    const brief = { r: { ...r, zone }, season, approach: by, findings, job, schools, trace }
    return { work: zoneWork(brief), trace }
  }
  const first = round(approach)
  const { work, trace } = first
  // Ground that is held over is sown a second time.
  const rounds = work.sowing === 'cover-then-sow' ? [first, round('sow-new')] : [first]
  const hours = rounds
    .flatMap((one) => one.work.operations.map((o) => hoursOf(one.work, o, one.trace)))
    .reduce((sum, h) => sum + h, 0)
  const kinds = work.operations.map((o) => o.operation)
  const onSite = work.operations.some((o) => !OPERATIONS[o.operation].evening) ? 1 : 0
  return {
    kinds,
    hours,
    visits:
      onSite + kinds.filter((k) => OPERATIONS[k].ownDay).length + Math.floor(hours / dayHours),
    badDays: looksBadDays(work, job, trace),
    bareAfter: work.bareAfter && num(work.bareAfter),
    cover: coverAhead(work, trace),
    staysOpen: work.staysOpen,
    plants: isPlanted(work.sowing),
  }
}
