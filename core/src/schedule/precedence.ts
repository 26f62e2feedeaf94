import { lagValues } from '../reference/lagValues.ts'
import { looksBadValues } from '../reference/looksBadValues.ts'
import { isStepKind, kindsThat, OPERATIONS, type StepKind } from '../reference/operations.ts'
import { operationValues } from '../reference/operationValues.ts'
import type { Job } from '../entities/job.ts'
import type { UserId } from '../reference/lists.ts'
import type { HoldReason } from '../climate/dayReasons.ts'
import type { Message } from '../rules/message.ts'
import type { TradeValue } from '../rules/rule.ts'
import type { Trace } from '../trace/trace.ts'
import type { PackageKind } from '../work/workPackages.ts'

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
const OPENS = kindsThat((o) => o.opens)
const CLOSES = kindsThat((o) => o.closes)
const FOLLOWING = kindsThat((o) => o.follows)

interface Pair {
  from: readonly StepKind[]
  to: readonly StepKind[]
  must?: readonly [number, number]
  better?: readonly [number, number]
  why: Message
}

/** Links that an operation's own record names. */
const ownPairs = (trace: Trace): Pair[] =>
  FOLLOWING.flatMap((to) =>
    (OPERATIONS[to].follows ?? []).flatMap(({ after, least, most, onlyBetter, why }): Pair[] => {
      if (!isStepKind(after)) return []
      const days = (of: TradeValue | number) => (typeof of === 'number' ? of : trace.value(of))
      const span = [days(least), most === undefined ? Infinity : days(most)] as const
      return [{ from: [after], to: [to], ...(onlyBetter ? { better: span } : { must: span }), why }]
    }),
  )

/** What people and labels ask for: who uses the lawn, and the days ahead they ask to know; null where they ask for none. */
export interface ToldAhead {
  users: readonly UserId[]
  notice: number | null
  /** Days before seed that the label of what is sprayed asks for; Juvena’s own where it says none. */
  waits: (spray: StepKind) => number | null
}

/** What a job says of that. */
export const toldAhead = ({
  users,
  notice,
  sprays,
}: Pick<Job, 'users' | 'notice' | 'sprays'>): ToldAhead => ({
  users,
  notice,
  waits: (spray) => sprays.find((s) => s.does === spray)?.waitSow ?? null,
})

/** Pairs of steps, by the later one. */
export type Precedence = ReadonlyMap<StepKind, readonly Pair[]>

/** What holds steps together: the trade's pairs and those of the operations' own records. */
export function precedence(kind: PackageKind, told: ToldAhead, trace: Trace): Precedence {
  const byLater = new Map<StepKind, Pair[]>()
  for (const pair of [...tradePairs(kind, told, trace), ...ownPairs(trace)])
    for (const to of pair.to) {
      const known = byLater.get(to)
      if (known) known.push(pair)
      else byLater.set(to, [pair])
    }
  return byLater
}

/** The trade's pairs of steps, with the firm's numbers in them. */
function tradePairs(kind: PackageKind, { users, notice, waits }: ToldAhead, trace: Trace): Pair[] {
  const v = trace.values(lagValues)
  const o = trace.values(operationValues)
  const cuts: StepKind[] = ['cut-first', 'cut-second']
  const greens = trace.value(looksBadValues.scalped)
  const soon = kind === 'kill' || kind === 'later' ? v.clearedToSow : v.openedToSow
  return [
    {
      from: ['notice'],
      to: CLOSES,
      // What they ask for is kept; what is usual is given up for a short season.
      ...(notice === null
        ? {
            better: [users.includes('public') ? v.noticePublic : v.noticeAhead, Infinity] as const,
          }
        : { must: [notice, Infinity] as const }),
      why:
        notice !== null
          ? 'the notice that those who use it ask for'
          : users.includes('public')
            ? 'notice to the public days ahead'
            : 'notice a day ahead',
    },
    {
      from: ['recheck'],
      to: [
        'kill',
        'spray',
        'strip',
        'cut-first',
        'cut-second',
        'loosen',
        'rake',
        'scarify',
        'core',
        'dress',
        'sow',
        'plugs',
        'turf',
      ],
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
      to: [...cuts, 'rake', 'scarify', 'clear', 'core'],
      must: [v.afterKill, Infinity],
      why: 'leaf uncut until the weedkiller has gone down',
    },
    {
      from: ['kill-again'],
      to: ['scarify', 'loosen', 'sow'],
      must: [v.afterKill, Infinity],
      why: 'the wait after the last kill',
    },
    ...(['kill', 'kill-again', 'pre-emergence'] as const).flatMap((spray): Pair[] => {
      const label = waits(spray)
      return label === null
        ? []
        : [{ from: [spray], to: ['sow', 'plugs', 'turf'], must: [label, Infinity], why: 'the wait that the label asks for' }] // prettier-ignore
    }),
    {
      from: ['spray'],
      to: ['sow', 'plugs', 'turf'],
      must: [waits('spray') ?? o.sprayWait, Infinity],
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
      from: ['clear'],
      to: ['dampen'],
      must: [0, Infinity],
      why: 'debris off before anything is wetted',
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
      to: ['core', 'loosen'],
      must: [v.coreAfterWater, v.coreAfterWater],
      why: 'soil moist enough to core',
    },
    {
      from: ['scarify', 'rake'],
      to: ['clear'],
      must: [0, 1],
      why: 'debris is off the same day or the next',
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
    { from: OPENS, to: ['sow'], better: [0, soon], why: 'seed on freshly opened ground' },
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

/** A step of other work of the job that has its day: `end`, its last day as a day number. */
export interface Placed {
  kind: StepKind
  zones: readonly string[]
  end: number
}

/** What opens or buries turf: it comes weeks after a hard cut that is work of its own. */
const AFTER_THE_CUT: readonly StepKind[] = ['rake', 'scarify', 'spike', 'core', 'dress', 'feed']

/**
 * The first day, as a day number, that a step may fall on after work that others on its ground wait
 * for, with what it waits for; null where nothing holds it. `greensUp`: days in which a hard cut
 * greens up; 0 where the cut comes long after.
 */
export function waitsOn(
  { kind, zones }: { kind: StepKind; zones: readonly string[] },
  placed: readonly Placed[],
  table: Precedence,
  greensUp: number,
): { from: number; why: HoldReason } | null {
  let last: { from: number; why: HoldReason } | null = null
  const hold = (from: number, why: HoldReason) => {
    if (last === null || from > last.from) last = { from, why }
  }
  const onGround = placed.filter((before) => before.zones.some((z) => zones.includes(z)))
  if (greensUp > 0 && AFTER_THE_CUT.includes(kind))
    for (const cut of onGround.filter((before) => before.kind === 'cut-second'))
      hold(cut.end + greensUp, 'cut-greens')
  for (const pair of table.get(kind) ?? [])
    for (const before of onGround)
      if (pair.must && OPERATIONS[before.kind].due === 'first' && pair.from.includes(before.kind))
        hold(before.end + pair.must[0], before.kind === 'recheck' ? 'may-wake' : 'due-first')
  return last
}

/** A step as far as others are linked to it. */
interface Linked {
  kind: StepKind
  zones: readonly string[]
}

/**
 * What holds a step to the earlier ones on its ground. Only the last step that opens the ground is
 * held to the sowing's few days.
 */
export function linksFor(
  { kind, zones }: Linked,
  earlier: readonly Linked[],
  table: Precedence,
): Link[] {
  const pairs = table.get(kind)
  if (!pairs) return []
  const before = earlier.filter((b) => b.zones.some((z) => zones.includes(z))).map((b) => b.kind)
  const planted = before.findLast((b) => OPERATIONS[b].plants)
  const hangsOnSeed = planted !== undefined && (kind === 'water' || kind === 'feed')
  return pairs.flatMap((p): Link[] => {
    // Once it is sown, water and feed hang on the sowing alone.
    if (hangsOnSeed && !p.from.includes(planted)) return []
    const from =
      planted && p.from.includes(planted) ? planted : before.findLast((b) => p.from.includes(b))
    if (from === undefined) return []
    return [{ from, must: p.must ?? ANY, better: p.better ?? p.must ?? ANY, why: p.why }]
  })
}
