import { lagValues } from '../reference/lagValues.ts'
import { looksBadValues, operationValues, type StepKind } from '../reference/operations.ts'
import type { UserId } from '../reference/lists.ts'
import type { Message } from '../trace/message.ts'
import type { Trace } from '../trace/trace.ts'
import type { PackageKind } from './workPackages.ts'

/**
 * Days from one step to a later one: what must hold, and what is only better and may be given up by
 * name.
 */
export interface Link {
  from: StepKind
  /** At least, and at most (Infinity where it does not matter). */
  must: readonly [number, number]
  better: readonly [number, number]
  /** What is given up when the better does not hold. */
  why: Message
}

const ANY: readonly [number, number] = [0, Infinity]

interface Pair {
  from: readonly StepKind[]
  to: readonly StepKind[]
  must?: readonly [number, number]
  better?: readonly [number, number]
  why: Message
}

/** The trade's pairs of steps, with the firm's numbers in them. */
export function precedence(kind: PackageKind, users: readonly UserId[], trace: Trace): Pair[] {
  const v = trace.values(lagValues)
  const o = trace.values(operationValues)
  const cuts: StepKind[] = ['cut-first', 'cut-second']
  const opens: StepKind[] = ['rake', 'scarify', 'core', 'worn', 'loosen', 'roughen']
  const greens = trace.value(looksBadValues.scalped)
  const soon = kind === 'kill' || kind === 'later' ? v.clearedToSow : v.openedToSow
  return [
    {
      from: ['notice'],
      to: ['spray', 'strip', 'kill', 'cut-first', 'scarify', 'core', 'sow'],
      better: [users.includes('public') ? v.noticePublic : v.noticeAhead, Infinity],
      why: users.includes('public') ? 'notice to the public days ahead' : 'notice a day ahead',
    },
    {
      from: ['recheck'],
      to: ['kill', 'strip', 'cut-first', 'loosen', 'scarify', 'sow'],
      must: [o.recheck, Infinity],
      why: 'ten days to see whether brown grass wakes',
    },
    {
      from: ['treat-pests'],
      to: ['sow', 'plugs', 'turf'],
      must: [o.pests, Infinity],
      why: 'a look again before anything is sown into pests',
    },
    {
      from: ['kill'],
      to: ['kill-again'],
      must: [v.killAgainLeast, v.killAgainMost],
      why: 'regrowth before the second kill',
    },
    {
      from: ['kill-again', 'spray'],
      to: cuts,
      must: [v.afterKill, Infinity],
      why: 'leaf uncut until the weedkiller has gone down',
    },
    {
      from: ['kill-again'],
      to: ['scarify', 'loosen', 'sow'],
      must: [v.afterKill, Infinity],
      why: 'the wait after the last kill',
    },
    {
      from: ['spray'],
      to: ['sow', 'plugs', 'turf'],
      must: [o.sprayWait, Infinity],
      why: 'the wait after the spray',
    },
    {
      from: ['cut-first'],
      to: ['cut-second'],
      must: [0, Infinity],
      better: [v.secondCutLeast, v.secondCutMost],
      why: 'cutting down over several days',
    },
    {
      from: cuts,
      to: ['scarify', 'rake'],
      better: [v.dries, v.scarifyMost],
      why: 'a day for the turf to dry before blades',
    },
    {
      from: ['scarify', 'rake'],
      to: ['dampen'],
      must: [-1, Infinity],
      better: [0, v.dampenMost],
      why: 'blades on turf that was not watered the evening before',
    },
    {
      from: ['dampen'],
      to: ['core'],
      must: [v.coreAfterWater, v.coreAfterWater],
      why: 'soil moist enough to core',
    },
    {
      from: ['scarify', 'rake'],
      to: ['clear'],
      must: [0, 1],
      why: 'debris off the same or the next day',
    },
    {
      from: ['core', 'collect-cores'],
      to: ['dress', 'sand-in'],
      better: [0, v.dressMost],
      why: 'dressing straight after coring',
    },
    { from: ['spike'], to: ['wetting'], must: [0, 1], why: 'wetting agent into open holes' },
    {
      from: ['trench', 'grade'],
      to: ['sow'],
      better: [v.settles, Infinity],
      why: 'settling of a fill before seed',
    },
    { from: opens, to: ['sow'], better: [0, soon], why: 'seed on freshly opened ground' },
    { from: ['dress'], to: ['sow'], better: [0, 1], why: 'seed straight onto the dressing' },
    {
      from: ['sow', 'turf', 'plugs'],
      to: ['work-in', 'water'],
      must: [0, 0],
      why: 'water on the day',
    },
    {
      from: ['sow', 'rake', 'scarify', 'core', 'dress', 'sand-in'],
      to: ['feed'],
      better: [0, v.feedMost],
      why: 'feed straight after',
    },
    {
      from: ['clear', 'collect-cores'],
      to: ['feed'],
      must: [0, Infinity],
      why: 'debris off before granules go down',
    },
    {
      from: ['sow'],
      to: ['seed-safe'],
      must: [0, 0],
      why: 'the herbicide goes down with the seed',
    },
    { from: ['sow'], to: ['cover'], must: [0, v.coverMost], why: 'cover before the seed dries' },
    ...(kind === 'scalp'
      ? [
          {
            from: ['cut-second'] as const,
            to: ['feed'] as const,
            better: [greens, Infinity] as const,
            why: 'feed once it greens up',
          },
        ]
      : []),
    {
      from: ['feed', 'core', 'scarify', 'dress', 'sand-in', 'wetting', 'cut-second'],
      to: ['water'],
      must: [0, 2],
      why: 'water soon after',
    },
  ]
}

/** A step as far as others are linked to it. */
interface Placed {
  kind: StepKind
  zones: readonly string[]
}

/**
 * What holds a step to the earlier ones on its ground. Only the last step that opens the ground is
 * held to the sowing's few days.
 */
export function linksFor(
  { kind, zones }: Placed,
  earlier: readonly Placed[],
  table: readonly Pair[],
): Link[] {
  const before = earlier.filter((b) => b.zones.some((z) => zones.includes(z))).map((b) => b.kind)
  const planted = before.findLast((b) => b === 'sow' || b === 'plugs' || b === 'turf')
  return table.flatMap((p): Link[] => {
    if (!p.to.includes(kind)) return []
    // Once it is sown, water and feed hang on the sowing alone.
    if (planted && (kind === 'water' || kind === 'feed') && !p.from.includes(planted)) return []
    const found = before.filter((b) => p.from.includes(b))
    if (found.length === 0) return []
    const from = planted && p.from.includes(planted) ? planted : found.at(-1)!
    return [{ from, must: p.must ?? ANY, better: p.better ?? p.must ?? ANY, why: p.why }]
  })
}

/** Steps dated after the others: from the seed coming up, or from a dressing grown through. */
export const LATER: ReadonlySet<StepKind> = new Set<StepKind>([
  'uncover',
  'leaf-again',
  'first-mow',
  'mow-weekly',
  'feed-later',
  'dress-again',
  'visit',
])
