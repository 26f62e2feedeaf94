import { sure } from '../quantities/sure.ts'
import type { Ask, Forbid, Strength } from '../findings/asks.ts'
import { findingOf } from '../findings/finding.ts'
import { coverLines } from '../findings/lines.ts'
import { AIM_NAMES, APPROACH_NAMES, type AimId, type Sowing } from '../reference/lists.ts'
import type { Operation } from '../reference/operation.ts'
import { OPERATIONS, isStepKind, kindsThat, type StepKind } from '../reference/operations.ts'
import { say, type Message } from '../rules/message.ts'
import { num } from '../trace/figure.ts'
import { smotherValues } from './leafRules.ts'
import { PRESETS } from './presets.ts'
import { schoolName, type Schools } from '../reference/schools.ts'
import { isPlanted, isSown, sowingAsks } from './sowing.ts'
import type { WorkBrief } from './workTypes.ts'

export const ask = (
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
  ...(r.edgeLength && r.zone.edges !== 'bare'
    ? [ask('edge', 'drawing', 'edge', 'A run of edge is to be set.')]
    : []),
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

function schoolAsks(
  { job, r, schools, trace }: WorkBrief,
  sowing: Sowing,
  asked: ReadonlySet<StepKind>,
): Ask[] {
  const weedy = r.weeds !== null && num(r.weeds) >= trace.value(coverLines.weedy)
  return [
    ...(schools.weeds === 'spray-then-sow' && weedy
      ? [ask('spray', 'school', 'spray, then sow', say`${sure(r.weeds)} is under weeds.`)]
      : []),
    ...(schools.weeds === 'safe-at-seeding' && weedy
      ? [ask('seed-safe', 'school', 'safe at seeding', say`${sure(r.weeds)} is under weeds.`)]
      : []),
    ...(schools.weeds === 'after-mows' && weedy
      ? [ask('spray-later', 'school', 'seed, then spray', say`${sure(r.weeds)} is under weeds.`)]
      : []),
    // A firm’s usual programme goes with a feed; one chosen for a job asks for it.
    ...((job.schools.programme ?? 'one-dose') !== 'one-dose' && !isPlanted(sowing)
      ? [ask('feed', 'school', schoolName('programme', schools.programme), 'You chose how it is fed on.')] // prettier-ignore
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

const LEADING = kindsThat((o) => o.leadsTo)

/**
 * Asked-for work that leads to more: blades leave debris, tines want marks and moist soil, feed
 * wants water.
 */
export function followingAsks(
  planned: ReadonlySet<StepKind>,
  sown: boolean,
  green: boolean,
  hardClay: boolean,
  programme: Schools['programme'],
): Ask[] {
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
  if (!sown && planned.has('core')) {
    add('look-holes', 'core', 'Open holes are looked at until they close.')
    if (planned.has('pre-emergence'))
      add('pre-emergence-again', 'core', 'Coring breaks the barrier: half of it goes down after.')
  }
  if (hardClay && planned.has('loosen'))
    add(
      'dampen',
      'loosen',
      'Hard dry clay is wetted the evening before, and loosened once it crumbles.',
    )
  if (has((o) => o.steel)) add('mark', 'mark', 'Steel goes into the ground.')
  if (!sown && has((o) => o.wetted))
    add('water', 'feed', 'Opened, dressed and fed turf wants water.')
  if (!sown && planned.has('dress'))
    add('feed', 'dress', 'A light feed helps turf through a dressing.')
  if (programme !== 'one-dose' && has((o) => o.feeds))
    add('feed-round', 'feed', say`Fed on: ${schoolName('programme', programme)}.`)
  if (has((o) => o.closes)) add('notice', 'notice', 'The lawn is out of use.')
  return found
}

/** Tall leaf that is dressed is lowered first: soil lies on it and does not reach the ground. */
function tallFirst({ r, job, findings, approach, trace }: WorkBrief, sowing: Sowing): Ask[] {
  const dressed =
    (job.dressing.depth ?? 0) > 0 ||
    (PRESETS[approach].adds ?? []).includes('dress') ||
    findings.some((f) => f.zone === r.zone.id && f.wants.some((w) => w.operation === 'dress'))
  return dressed && sowing !== 'new' && num(r.cut) >= trace.value(smotherValues.tall)
    ? [
        ask(
          'cut-first',
          'work',
          'dress',
          'Tall leaf is lowered and thinned before soil goes on it.',
        ),
      ]
    : []
}

/** All that asks for something in a zone, but for what follows from other work. */
export function allAsks(brief: WorkBrief, sowing: Sowing, forbids: readonly Forbid[]): Ask[] {
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
    ...(r.zone.lab.lime === null
      ? []
      : [ask('lime', 'finding', 'ph', 'The laboratory asks for it.')]),
    ...tallFirst(brief, sowing),
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
  const all = [...base, ...sown, ...schoolAsks(brief, sowing, asked)]
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
export function clearing(
  { approach, schools, r, findings }: WorkBrief,
  sowing: Sowing,
): { killed: boolean; stripped: boolean } {
  const incurable = findingOf(findings, r.zone.id, 'cover')?.word === 'incurable grass'
  const goes = (sowing === 'new' && (approach === 'renovate' || incurable)) || sowing === 'turf'
  const stripped = goes && (schools.weeds === 'no-chemicals' || sowing === 'turf')
  return { killed: goes && !stripped, stripped }
}
