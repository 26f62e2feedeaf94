import { PRESETS } from './presets.ts'
import { isWatered, type Job } from '../entities/job.ts'
import type { Ask, Forbid, Strength } from '../findings/asks.ts'
import { isGreen, stolonOnly } from '../findings/findingAsks.ts'
import { findingOf, type Finding } from '../findings/finding.ts'
import { coverLines } from '../findings/lines.ts'
import {
  AIM_NAMES,
  APPROACH_NAMES,
  type AimId,
  type ApproachId,
  type Sowing,
} from '../reference/lists.ts'
import type { Operation } from '../reference/operation.ts'
import {
  isStepKind,
  kindsThat,
  OPERATIONS,
  orderOf,
  type StepKind,
} from '../reference/operations.ts'
import type { Schools } from '../reference/schools.ts'
import { num, type Figure } from '../trace/figure.ts'
import { say, type Message } from '../rules/message.ts'
import type { Trace } from '../trace/trace.ts'
import type { ZoneReadings } from '../walkover/zoneReadings.ts'
import { buriedShare, leafLeft, leafStanding, type Cut } from './burial.ts'
import { groundOf, inPart, SOWN_REPAIRS, sownGround } from './ground.ts'
import { isPlanted, isSown, sowingAsks, sowingForbids } from './sowing.ts'

/** One operation on one zone: who asks for it, how it is done, and on how much ground. */
export interface ZoneOperation {
  operation: StepKind
  asks: Ask[]
  passes: number
  /** mm, where it matters. */
  depth: number | null
  /** Height of cut, mm. */
  height: number | null
  /** Width of tines, mm. */
  tines: number | null
  tool: string | null
  /** m², or m of edge. */
  ground: Figure
  /** A person switched it on or set it. */
  yours: boolean
}

/** What was asked for and is not planned, and why. */
export interface NotPlanned {
  operation: StepKind
  asks: Ask[]
  reason: Message
  /** A person switched it off; or it cannot be switched on. */
  yours: boolean
  barred: boolean
}

/** The work of one zone. */
export interface ZoneWork {
  r: ZoneReadings
  season: 'cool' | 'warm'
  approach: ApproachId
  sowing: Sowing
  /** In the order of work. */
  operations: ZoneOperation[]
  notPlanned: NotPlanned[]
  /** Ground sown or planted, m²; null where nothing is. */
  sown: Figure | null
  /** % of the zone whose lows are buried in one go and sown as new; null where none are. */
  buried: Figure | number | null
  /** Leaf standing when it is dressed, mm. */
  leaf: Figure
}

export const operationOf = (
  work: Pick<ZoneWork, 'operations'>,
  kind: StepKind,
): ZoneOperation | undefined => work.operations.find((o) => o.operation === kind)
export const plans = (work: Pick<ZoneWork, 'operations'>, ...kinds: StepKind[]): boolean =>
  work.operations.some((o) => kinds.includes(o.operation))

export interface WorkBrief {
  r: ZoneReadings
  season: 'cool' | 'warm'
  approach: ApproachId
  findings: readonly Finding[]
  job: Pick<Job, 'aims' | 'dressing' | 'cover' | 'watering' | 'waterer'>
  schools: Schools
  trace: Trace
}

const ask = (
  operation: StepKind,
  by: Ask['by'],
  source: string,
  why: Message,
  strength: Strength = 'should',
  passes?: number,
): Ask => ({
  operation,
  by,
  source,
  why,
  strength,
  ...(passes ? { passes } : {}),
})

/** What was drawn asks for its own work. */
const drawnAsks = ({ r }: WorkBrief): Ask[] => [
  ...(r.trenches.length > 0
    ? [ask('trench', 'drawing', 'trench', 'A trench has settled.', 'must')]
    : []),
  ...(r.worn ? [ask('worn', 'drawing', 'worn', 'Feet have worn a line.', 'must')] : []),
  ...(r.edgeLength ? [ask('edge', 'drawing', 'edge', 'An edge is drawn to be set.')] : []),
]

const AIM_ASKS: Partial<Record<AimId, readonly [StepKind, Message, Strength?][]>> = {
  thicker: [['feed', 'A thicker lawn is fed.']],
  'weed-free': [['hand-weed', 'A lawn free of weeds is wanted.']],
  level: [['dress', 'A level lawn is wanted.']],
  'even-colour': [['feed', 'Even colour comes from an even feed.']],
  'low-upkeep': [['feed', 'The least programme: one slow feed, and mowing.', 'may']],
  'hard-wear': [['core', 'Ground that is played on is cored every year.', 'may']],
  'no-chemicals': [['hand-weed', 'Nothing is sprayed: weeds are dug.', 'may']],
}

const aimAsks = ({ job }: WorkBrief): Ask[] =>
  job.aims.flatMap((aim) =>
    (AIM_ASKS[aim] ?? []).map(([operation, why, strength]) =>
      ask(operation, 'aim', AIM_NAMES[aim], why, strength),
    ),
  )

function schoolAsks({ r, schools, trace }: WorkBrief, asked: ReadonlySet<StepKind>): Ask[] {
  const weedy = r.weeds !== null && num(r.weeds) >= trace.value(coverLines.weedy)
  return [
    ...(schools.weeds === 'spray-then-sow' && weedy
      ? [ask('spray', 'school', 'spray, then sow', say`${r.weeds!} is under weeds.`)]
      : []),
    ...(schools.weeds === 'safe-at-seeding' && weedy
      ? [ask('seed-safe', 'school', 'safe at seeding', say`${r.weeds!} is under weeds.`)]
      : []),
    ...(schools.tines === 'solid' && asked.has('core')
      ? [
          ask(
            'spike',
            'school',
            'solid tines',
            'The whole lawn is spiked deep instead of cored.',
            'should',
            2,
          ),
        ]
      : []),
    ...(schools.cores !== 'drag-in' && asked.has('core') && schools.tines !== 'solid'
      ? [ask('collect-cores', 'school', 'collect', 'Cores come off before seed.')]
      : []),
  ]
}

/** What stands on its own, whatever anybody asks: turf, chemicals, light. */
function standingForbids({ r, season, schools, findings }: WorkBrief): Forbid[] {
  // A sand green is cored whatever the school: its organic matter has to come out.
  const carriedOff = findings.some(
    (f) => f.zone === r.zone.id && f.wants.some((w) => w.operation === 'collect-cores'),
  )
  const no = (operation: StepKind, why: Message): Forbid => ({ operation, hard: true, why })
  return [
    ...(stolonOnly(r)
      ? [
          no(
            'scarify',
            'Turf that lives by runners above ground is never scarified: nothing below would bring it back.',
          ),
          no(
            'cut-second',
            'Turf that lives by runners above ground is never cut to the ground: a modest cut only.',
          ),
        ]
      : []),
    ...(schools.tines === 'solid' && !carriedOff
      ? [
          {
            operation: 'core',
            hard: false,
            why: 'Solid tines will do: it is spiked instead.',
          } satisfies Forbid,
        ]
      : []),
    ...(season === 'warm' ? [no('seed-safe', 'Most warm turf does not stand it.')] : []),
    ...(r.zone.present.includes('browntop') ? [no('seed-safe', 'Bents do not stand it.')] : []),
    ...(schools.weeds === 'no-chemicals'
      ? kindsThat((o) => o.sprays).map((op): Forbid => ({
          operation: op,
          hard: false,
          why: 'Nothing is sprayed: no chemicals.',
        }))
      : []),
  ]
}

const LEADING = kindsThat((o) => o.leadsTo)

/**
 * Asked-for work that leads to more: blades leave debris, tines want marks and moist soil, feed
 * wants water.
 */
function followingAsks(planned: ReadonlySet<StepKind>, sown: boolean, green: boolean): Ask[] {
  const has = (is: (operation: Operation) => unknown) =>
    [...planned].some((kind) => is(OPERATIONS[kind]))
  const found: Ask[] = []
  const add = (operation: StepKind, source: StepKind, why: Message) =>
    found.push(ask(operation, 'work', source, why, 'must'))
  // Of several that lead to the same the last says so.
  for (const kind of [...LEADING].reverse().filter((k) => planned.has(k)))
    for (const { operation, why } of OPERATIONS[kind].leadsTo ?? [])
      if (isStepKind(operation) && !found.some((a) => a.operation === operation))
        add(operation, kind, why)
  if (green && planned.has('core')) {
    add('collect-cores', 'core', 'Cores come off a green.')
    add('sand-in', 'core', 'Sand keeps the holes of a green open and its surface true.')
  }
  if (has((o) => o.steel)) add('mark', 'mark', 'Steel goes into the ground.')
  if (!sown && has((o) => o.wetted))
    add('water', 'feed', 'Opened, dressed and fed turf wants water.')
  if (has((o) => o.closes)) add('notice', 'notice', 'The lawn is out of use.')
  return found
}

interface Decision {
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
  if (needs && !(needs === 'seed' ? isSown(sowing) : isPlanted(sowing)))
    return decision('Nothing is sown.', { barred: true })
  if (operation === 'cover' && brief.job.cover === 'none')
    return decision('You entered no cover.', { yours: true, barred: true })
  if (operation === 'dress-again')
    return decision('Lifts follow from the depth of the dressing.', { barred: true })
  if (operation === 'trench' && r.trenches.length === 0)
    return decision('Draw the trench under Walk-over: its size says what it takes.', {
      barred: true,
    })
  if (operation === 'dress' && nothingLow(brief))
    return decision('No ground lies low.', { barred: true })
  if (operation === 'sow' && !isSown(sowing))
    return decision(
      sowing === 'none'
        ? say`Not part of “${APPROACH_NAMES[approach]}”.`
        : 'Runners, plugs or turf are set instead.',
      { barred: true },
    )
  if ((operation === 'plugs' || operation === 'turf') && sowing !== operation)
    return decision('Choose it under “What is sown”.', { barred: true })
  if (own?.on === false) return decision('Your choice.', { yours: true })
  if (own?.on === true) return decision(null, { yours: true })
  if (mine[0]) return decision(mine[0].why)
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
  if (operation === 'lime') return decision('It waits for the laboratory’s rate.')
  if (strength === 'may' && !asks.some((a) => a.by === 'you'))
    return decision('Offered; switch it on if you want it.')
  return decision(null)
}

/** All that asks for something in a zone, but for what follows from other work. */
function allAsks(brief: WorkBrief, sowing: Sowing, forbids: readonly Forbid[]): Ask[] {
  const { r, approach, findings, job, schools, trace } = brief
  const base = [
    ...findings.filter((f) => f.zone === r.zone.id).flatMap((f) => f.wants),
    ...drawnAsks(brief),
    ...aimAsks(brief),
    ...(PRESETS[approach].adds ?? []).map((op) =>
      ask(op, 'way', approach, say`Part of “${APPROACH_NAMES[approach]}”.`),
    ),
    ...((job.dressing.depth ?? 0) > 0
      ? [ask('dress', 'you', 'dressing', 'You entered a dressing.', 'must')]
      : []),
    ...(isSown(sowing) && job.cover && job.cover !== 'none'
      ? [ask('cover', 'you', 'cover', 'You entered a cover.', 'must')]
      : []),
    ...(isSown(sowing) && job.cover === 'sheet'
      ? [ask('uncover', 'you', 'cover', 'The sheet comes off again.', 'must')]
      : []),
  ]
  const barred = new Set(forbids.filter((f) => f.hard).map((f) => f.operation))
  const asked = new Set(
    base.filter((a) => a.strength !== 'may' && !barred.has(a.operation)).map((a) => a.operation),
  )
  const { killed, stripped } = clearing(brief, sowing)
  const sown = sowingAsks(sowing, { r, schools, asked, killed, stripped, trace })
  const all = [...base, ...sown, ...schoolAsks(brief, asked)]
  // A mat that no machine may take is raked out by hand; so is growth that may not be scarified.
  const instead =
    all.some((a) => a.operation === 'scarify') &&
    barred.has('scarify') &&
    !all.some((a) => a.operation === 'rake')
  return instead
    ? [
        ...all,
        ask('rake', 'finding', 'scarify', 'Raked out instead: blades are ruled out here.', 'must'),
      ]
    : all
}

/** Whether the old growth is killed or lifted off. */
function clearing(
  { approach, schools, r, findings }: WorkBrief,
  sowing: Sowing,
): { killed: boolean; stripped: boolean } {
  const incurable = findingOf(findings, r.zone.id, 'cover')?.word === 'incurable grass'
  const goes = (sowing === 'new' && (approach === 'renovate' || incurable)) || sowing === 'turf'
  const stripped = goes && (schools.weeds === 'no-chemicals' || sowing === 'turf')
  return { killed: goes && !stripped, stripped }
}

/** The work of a zone: everything asked for, each operation planned or with the reason why not. */
export function zoneWork(brief: WorkBrief): ZoneWork {
  const { r, season, approach, schools, trace } = brief
  const asked = r.zone.sowing ?? PRESETS[approach].sowing
  const first = decisionsFor(brief, asked)
  const cut = cutBefore(first)
  const dressed = first.some((d) => d.operation === 'dress' && d.reason === null)
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
  return {
    r,
    season,
    approach,
    sowing,
    operations: r.area
      ? done.map((d) => operationIn(brief, d, sowing, sown, repaired.get(d.operation)))
      : [],
    notPlanned: decisions
      .filter((d) => d.reason !== null && d.asks.length > 0)
      .map(({ operation, asks, reason, yours, barred }) => ({
        operation,
        asks,
        reason: reason!,
        yours,
        barred,
      })),
    sown,
    buried,
    leaf: leafStanding(r, cutBefore(decisions), trace),
  }
}

/** What is cut down before a dressing goes on. */
function cutBefore(decisions: readonly Decision[]): Cut {
  const planned = (kind: StepKind) =>
    decisions.some((d) => d.operation === kind && d.reason === null)
  return planned('cut-second') ? 'short' : planned('cut-first') ? 'first' : 'standing'
}

/** Every operation asked for with a sowing, in the order of work: planned, or why not. */
function decisionsFor(brief: WorkBrief, sowing: Sowing): Decision[] {
  const { r, trace } = brief
  const { killed, stripped } = clearing(brief, sowing)
  const forbids = [
    ...standingForbids(brief),
    ...(sowing === 'new' || sowing === 'turf'
      ? []
      : (['kill', 'kill-again', 'strip'] as const).map(kept)),
    ...brief.findings.filter((f) => f.zone === r.zone.id).flatMap((f) => f.forbids),
    ...sowingForbids(sowing, { r, killed, stripped, trace }),
  ]
  const asks = allAsks(brief, sowing, forbids)
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
    followingAsks(planned, isPlanted(sowing), isGreen(r, trace)),
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
  return [...merged.values()].sort((a, b) => orderOf(a.operation) - orderOf(b.operation))
}

const kept = (operation: StepKind): Forbid => ({
  operation,
  hard: true,
  why: 'What stands here is kept.',
})

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
    tool: own?.tool && OPERATIONS[operation].tools?.[own.tool] ? own.tool : null,
    ground,
    yours: yours || own?.passes != null || own?.depth != null || own?.height != null,
  }
}
