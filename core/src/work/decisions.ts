import type { Ask, Forbid, Strength } from '../findings/asks.ts'
import { isGreen } from '../findings/findingAsks.ts'
import { APPROACH_NAMES, type Sowing } from '../reference/lists.ts'
import { isStepKind, OPERATIONS, orderOf, type StepKind } from '../reference/operations.ts'
import { say, type Message } from '../rules/message.ts'
import { num } from '../trace/figure.ts'
import { allAsks, ask, clearing, followingAsks } from './asksOf.ts'
import { inPart } from './ground.ts'
import { operationName } from './operationWords.ts'
import { PRESETS } from './presets.ts'
import { isHard, isPlanted, isSown, sowingForbids } from './sowing.ts'
import { kept, standingForbids } from './standingForbids.ts'
import type { WorkBrief } from './workTypes.ts'

export interface Decision {
  operation: StepKind
  asks: Ask[]
  reason: Message | null
  yours: boolean
  barred: boolean
}

const rank = { must: 0, should: 1, may: 2 } as const

/** Lower by less than this is not low, mm. */
const HAIR = 0.1

/** Nothing to bring up: lows were read as none, and no dressing is entered. */
const nothingLow = ({ r, job }: WorkBrief): boolean => {
  if ((job.dressing.depth ?? r.zone.operations.dress?.depth ?? 0) > 0)
    return job.dressing.share === 0
  if (r.fill) return num(r.fill.deepest) < HAIR || num(r.fill.volume) <= 0
  return (
    (r.lowsShare !== null && num(r.lowsShare) <= 0) ||
    (r.lowsDepth !== null && num(r.lowsDepth) < HAIR)
  )
}

/** Decides one operation: planned, or why not. */
function decide(
  brief: WorkBrief,
  sowing: Sowing,
  operation: StepKind,
  asks: Ask[],
  forbids: readonly Forbid[],
): Decision {
  const { r, approach } = brief
  const own = r.zone.operations[operation]
  const mine = forbids.filter((f) => f.operation === operation)
  const hard = mine.find((f) => f.hard)
  const wanted = asks.filter((a) => a.by !== 'you')
  const strength = wanted.reduce<Strength>(
    (s, a) => (rank[a.strength] < rank[s] ? a.strength : s),
    'may',
  )
  const decision = (reason: Message | null, more: Partial<Decision> = {}): Decision => ({
    operation,
    asks,
    reason,
    yours: false,
    barred: false,
    ...more,
  })
  if (hard) return decision(hard.why, { barred: true })
  const { needs, along } = OPERATIONS[operation]
  if (
    needs === 'standing'
      ? isPlanted(sowing)
      : needs && !(needs === 'seed' ? isSown(sowing) : isPlanted(sowing))
  )
    return decision(needs === 'standing' ? 'Something is sown.' : 'Nothing is sown.', {
      barred: true,
    })
  if (operation === 'cover' && brief.job.cover === 'none')
    return decision('You entered no cover.', { yours: true, barred: true })
  if (OPERATIONS[operation].later?.since === 'look')
    return decision('It follows from what is counted at a visit.', { barred: true })
  if (operation === 'dress-again')
    return decision('Lifts follow from the depth of the dressing.', { barred: true })
  if (operation === 'trench' && r.trenches.length === 0)
    return decision('Draw the trench under Walk-over: its size says what it takes.', {
      barred: true,
    })
  if (operation === 'lay-back' && !r.fill && !r.lowsDepth)
    return decision('Enter how deep the lows are: their depth says what it takes.', {
      barred: true,
    })
  if (operation === 'dress' && nothingLow(brief))
    return decision('No ground lies low.', { barred: true })
  if (operation === 'sow' && !isSown(sowing))
    return decision(
      sowing === 'none' && r.zone.sowing === 'none'
        ? 'You chose that nothing is sown.'
        : sowing === 'none'
          ? say`Not part of “${APPROACH_NAMES[approach]}”.`
          : 'Runners, plugs or turf are set instead.',
      { barred: true },
    )
  if ((operation === 'plugs' || operation === 'turf') && sowing !== operation)
    return decision('Choose it under “What is sown”.', { barred: true })
  if (operation === 'pre-emergence-again' && !asks.some((a) => a.by === 'work'))
    return decision('It follows on coring, where a pre-emergence is down.')
  if (own?.on === false) return decision('Your choice.', { yours: true })
  // What is sown is fed once: with the seed, or once it is mown.
  if (operation === 'feed-later' && r.zone.operations.feed?.on === true)
    return decision('You feed with the seed.')
  if (own?.on === true) return decision(null, { yours: true })
  if (mine[0]) return decision(mine[0].why)
  if (operation === 'feed' && isSown(sowing) && brief.schools.feed !== 'with-seed')
    return decision('It is held until the seedlings have been mown.')
  const preset = PRESETS[approach]
  // A sowing that a person chose brings its own work, whatever the ready-made way.
  if (
    preset.only &&
    sowing === preset.sowing &&
    !preset.only.includes(operation) &&
    along !== 'with-work'
  )
    return decision(say`Not part of “${APPROACH_NAMES[approach]}”.`)
  if (operation === 'core' && brief.schools.tines === 'worms' && strength !== 'must')
    return decision('Worms do the work: only compacted ground is cored.')
  if (operation === 'lime' && r.zone.lab.lime === null)
    return decision(
      'It waits for the laboratory’s rate: enter it under Walk-over, or switch it on by a guess.',
    )
  if (strength === 'may' && !asks.some((a) => a.by === 'you'))
    return decision('Offered; switch it on if you want it.')
  return decision(null)
}

const TOO_DEEP: Message =
  'The lows are too deep for thin lifts: the turf is lifted, the ground filled, the turf laid back.'

/** Every operation asked for with a sowing, in the order of work: planned, or why not. */
export function decisionsFor(brief: WorkBrief, sowing: Sowing): Decision[] {
  const { r, trace } = brief
  const { killed, stripped } = clearing(brief, sowing)
  const forbids = [
    ...standingForbids(brief),
    ...(sowing === 'new' || sowing === 'turf'
      ? []
      : (['kill', 'kill-again', 'strip'] as const).map(kept)),
    ...brief.findings.filter((f) => f.zone === r.zone.id).flatMap((f) => f.forbids),
    ...sowingForbids(sowing, { r, killed, stripped, trace }),
    ...(brief.laidBack
      ? [{ operation: 'dress', hard: false, why: TOO_DEEP } satisfies Forbid]
      : []),
  ]
  const lifted = (a: Ask): Ask[] =>
    brief.laidBack && a.operation === 'dress' && a.by !== 'you'
      ? [a, { ...a, operation: 'lay-back', strength: 'must' }]
      : [a]
  // A feed that the lawn asks for is no starter where only spots of it are sown.
  const round = (a: Ask): Ask =>
    inPart(sowing) && a.operation === 'feed' && a.by !== 'sowing' && a.by !== 'you'
      ? { ...a, operation: 'feed-lawn' }
      : a
  const asks = allAsks(brief, sowing, forbids).flatMap(lifted).map(round)
  if (stripped && !asks.some((a) => a.operation === 'strip'))
    asks.push(ask('strip', 'sowing', sowing, 'The old growth comes off with its roots.', 'must'))
  const byYou = Object.entries(r.zone.operations).flatMap(([op, own]) =>
    own?.on === true ? [ask(op as StepKind, 'you', 'you', 'Your choice.', 'must')] : [],
  )
  const first = decideAll(brief, sowing, [...asks, ...byYou], forbids)
  const planned = new Set(first.filter((d) => d.reason === null).map((d) => d.operation))
  const merged = new Map(first.map((d) => [d.operation, d]))
  for (const d of decideAll(
    brief,
    sowing,
    followingAsks(
      planned,
      isPlanted(sowing),
      isGreen(r, trace),
      isHardClay(r),
      // A quick cover is not fed on.
      sowing === 'cover-then-sow' ? 'one-dose' : brief.schools.programme,
    ),
    forbids,
  )) {
    const known = merged.get(d.operation)
    const stays = known && (known.reason === null || known.yours || known.barred)
    merged.set(
      d.operation,
      known
        ? { ...known, asks: [...known.asks, ...d.asks], reason: stays ? known.reason : d.reason }
        : d,
    )
  }
  return [...merged.values()]
    .map((d) => followsNothing(d, merged))
    .sort((a, b) => orderOf(a.operation) - orderOf(b.operation))
}

/** Clay that dried hard: it breaks into clods unless it is wetted first. */
const isHardClay = (r: WorkBrief['r']): boolean =>
  (r.zone.texture?.startsWith('clay') ?? false) && isHard(r) && r.zone.damp !== 'wet'

/** What goes with other work, or is dated from it, has no day where that is not done. */
function followsNothing(d: Decision, all: ReadonlyMap<StepKind, Decision>): Decision {
  const { along, later } = OPERATIONS[d.operation]
  const of = later?.of
  const alone =
    along === 'with-work' &&
    ![...all.values()].some((x) => x.reason === null && OPERATIONS[x.operation].along !== along)
  if (d.reason === null && alone)
    return { ...d, reason: 'It goes with other work, and none is planned.', barred: true }
  if (d.reason !== null || !of || !isStepKind(of) || all.get(of)?.reason === null) return d
  return {
    ...d,
    reason: say`It follows “${operationName(of, false)}”, which is not planned.`,
    barred: true,
  }
}

function decideAll(
  brief: WorkBrief,
  sowing: Sowing,
  asks: readonly Ask[],
  forbids: readonly Forbid[],
): Decision[] {
  const byOperation = new Map<StepKind, Ask[]>()
  for (const a of asks) byOperation.set(a.operation, [...(byOperation.get(a.operation) ?? []), a])
  return [...byOperation].map(([operation, list]) =>
    decide(brief, sowing, operation, list, forbids),
  )
}
