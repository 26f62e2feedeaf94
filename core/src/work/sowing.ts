import type { Ask, Forbid, Strength } from '../findings/asks.ts'
import { scalps, stolonOnly } from '../findings/findingAsks.ts'
import { coverLines, slopeLines } from '../findings/lines.ts'
import { SOWING_NAMES, type Sowing } from '../reference/lists.ts'
import type { StepKind } from '../reference/operations.ts'
import { sprinklerValues } from '../reference/siteValues.ts'
import type { Schools } from '../reference/schools.ts'
import { num } from '../trace/figure.ts'
import { isSmall } from './ground.ts'
import { leafAfterCut, smotherValues } from './leafRules.ts'
import { say, type Message } from '../rules/message.ts'
import type { Trace } from '../trace/trace.ts'
import type { ZoneReadings } from '../walkover/zoneReadings.ts'

interface SowingContext {
  r: ZoneReadings
  schools: Schools
  /** Operations that something else asks for already. */
  asked: ReadonlySet<StepKind>
  /** The old growth is killed or lifted off first. */
  killed: boolean
  stripped: boolean
  trace: Trace
}

type Line = readonly [StepKind, Message, Strength?, number?]

/** Whether any seed is sown. */
export const isSown = (sowing: Sowing): boolean =>
  sowing !== 'none' && sowing !== 'plugs' && sowing !== 'turf'
/** Whether grass stands where seed is sown. */
export const livingSward = (sowing: Sowing): boolean =>
  sowing === 'over' ||
  sowing === 'thin' ||
  sowing === 'spots' ||
  sowing === 'blend' ||
  sowing === 'winter-green'
/** Whether the ground takes anything new at all: seed, plugs or turf. */
export const isPlanted = (sowing: Sowing): boolean => sowing !== 'none'

/**
 * How much of the ground something grows on, %: what is wanted, weeds and moss together. Null where
 * none of it was read.
 */
function growthOn(r: ZoneReadings): number | null {
  const parts = [r.wanted, r.weeds, r.moss].flatMap((p) => (p ? [num(p)] : []))
  return parts.length === 0 ? null : parts.reduce((a, b) => a + b, 0)
}

/**
 * What grows on ground that is sown as new comes off; where that is a sward, living or dead, or a
 * mat was read, it is cut out down to soil.
 */
function cleared({ r, killed, stripped, trace }: SowingContext): Line[] {
  // Ground held over bears its quick cover when the proper grass is sown.
  if (r.id !== r.zone.id && !stripped)
    return [
      ['cut-first', COVER_OFF],
      ['cut-second', COVER_OFF],
      ['scarify', 'What is left of the quick cover is cut out down to soil.', 'must', 2],
    ]
  const { nothingLeft, sward } = trace.values(coverLines)
  const growth = growthOn(r)
  if (stripped || growth === null || growth < nothingLeft) return []
  const comesOff = killed ? 'Dead growth comes off.' : 'What grows there comes off.'
  if (!killed && growth < sward && (r.thatch === null || num(r.thatch) === 0))
    return [['cut-first', comesOff]]
  return [
    ['cut-first', comesOff],
    ['cut-second', comesOff],
    ['scarify', 'Down to soil: what is left of the mat comes out.', 'must', 2],
  ]
}

const COVER_OFF: Message =
  'The quick cover is cut low and opened; where it is killed instead, the label says how long seed waits.'
const FIRMED: Message = 'The bed is firmed until it shows true.'
const OPENED: Message = 'Seed has to touch soil.'

function opening({ r, asked, trace }: SowingContext): Line[] {
  // Cores alone leave the ground between them shut, so it is raked; with a scarifier asked for,
  // that opens it.
  if (asked.has('scarify') && !isSmall(r, trace)) return []
  return stolonOnly(r) || asked.has('core') || isSmall(r, trace)
    ? [['rake', OPENED]]
    : [['scarify', OPENED, 'should', 1]]
}

const LINES: Record<Exclude<Sowing, 'none'>, (at: SowingContext) => Line[]> = {
  over: (at) => [
    ['cut-first', 'Short growth lets seed reach the ground.', 'should'],
    ['cut-second', 'Short growth lets seed reach the ground.', 'should'],
    ...opening(at),
  ],
  thin: (at) => opening(at),
  spots: () => [['roughen', 'Each spot is raked through to soil.']],
  new: (at) => [
    ...cleared(at),
    ['loosen', 'New ground is always opened: seed never goes on hard dirt.'],
    ['grade', 'The surface is set before it is sown.'],
    ['firm', FIRMED, 'must', 2],
    ['roughen', 'A firmed bed is scratched open for seed.'],
  ],
  'cover-then-sow': ({ asked }) => [
    ...(asked.has('core') ? ([['loosen', 'Hard ground is broken up before seed.']] as Line[]) : []),
    ['roughen', OPENED],
  ],
  blend: ({ r }) => [
    ['cut-first', 'Stepped down over a week.'],
    ...(scalps(r) ? ([['cut-second', 'Stepped down over a week.']] as Line[]) : []),
    ['rake', OPENED],
  ],
  'winter-green': ({ r }) => [
    ['cut-first', 'Cool seed has to reach the ground.'],
    ...(scalps(r) ? ([['cut-second', 'Cool seed has to reach the ground.']] as Line[]) : []),
    ['rake', OPENED],
  ],
  plugs: () => [],
  turf: ({ stripped }) => [
    ...(stripped ? [] : ([['strip', 'Turf lies on soil, not on turf.']] as Line[])),
    ['loosen', 'Roots go down into loosened soil.'],
    ['grade', 'The surface is set before it is laid.'],
    ['firm', FIRMED, 'must', 2],
  ],
}

/** What a sowing needs before and after it. */
export function sowingAsks(sowing: Sowing, at: SowingContext): Ask[] {
  if (sowing === 'none') return []
  const { r, schools, trace } = at
  const name = SOWING_NAMES[sowing]
  const plant: StepKind = sowing === 'plugs' ? 'plugs' : sowing === 'turf' ? 'turf' : 'sow'
  const seeded = plant === 'sow'
  const sward =
    sowing === 'over' || sowing === 'thin' || sowing === 'blend' || sowing === 'winter-green'
  const covered =
    sowing === 'spots' ||
    sowing === 'new' ||
    sowing === 'cover-then-sow' ||
    num(r.slope) >= trace.value(slopeLines.press)
  const why: Message = say`${name.charAt(0).toUpperCase()}${name.slice(1)}.`
  const { cansMinutes, precipitation, headFlow } = r.zone
  const guessed = cansMinutes === null && precipitation === null && headFlow === null
  const sprinkled = r.area !== null && num(r.area) >= trace.value(sprinklerValues.least)
  const after: Line[] = [
    ...(guessed && sprinkled
      ? ([['cans', 'Nobody has measured what the sprinklers give.', 'may']] as Line[])
      : []),
    [plant, why],
    ...(seeded
      ? ([
          ['work-in', 'Seed has to touch soil.'],
          [
            schools.feed === 'with-seed' ? 'feed' : 'feed-later',
            'Seedlings are fed once.',
            'should',
          ],
        ] as Line[])
      : []),
    ...(seeded && covered ? ([['cover', 'Bare seed dries first.', 'should']] as Line[]) : []),
    ['water', 'Nothing that is sown or set may dry.'],
    ['first-mow', 'Mowing makes grass tiller.'],
    ...(seeded && sward
      ? ([['mow-weekly', 'The sward that stands goes on growing.', 'should']] as Line[])
      : []),
    ['visit', 'Look, count and mend while the season lasts.', 'should'],
  ]
  return [...LINES[sowing](at), ...after].map(
    ([operation, says, strength = 'must', passes]): Ask => ({
      operation,
      by: 'sowing',
      source: sowing,
      strength,
      why: says,
      ...(passes ? { passes } : {}),
    }),
  )
}

/** A screwdriver stops in it, in soil that was moist or dry. */
export const isHard = (r: ZoneReadings): boolean => r.zone.penetration === 'stops'

/** What a sowing rules out. */
export function sowingForbids(
  sowing: Sowing,
  { r, killed, stripped, trace }: Pick<SowingContext, 'r' | 'killed' | 'stripped' | 'trace'>,
): Forbid[] {
  const no = (operation: StepKind, why: Message, hard = false): Forbid => ({ operation, why, hard })
  const seeded = isPlanted(sowing)
    ? [no('pre-emergence', 'It would keep out the seed that is sown here.', true)]
    : []
  const gone: Message = 'The old growth is lifted off.'
  const lifted = stripped
    ? (['cut-first', 'cut-second', 'rake', 'scarify'] as const).map((op) => no(op, gone))
    : []
  const bank = num(r.slope) >= trace.value(slopeLines.bank)
  const byHand: Message =
    'Too small for a machine: it is roughened, sown, dusted over and firmed by hand.'
  const small = isSmall(r, trace)
    ? [
        no('scarify', byHand),
        no('grade', byHand),
        no('firm', byHand),
        ...(isHard(r) ? [] : [no('loosen', byHand)]),
      ]
    : []
  const held: Message =
    'On a bank the grade is the asset, and loose soil slides: it is raked open only.'
  const loosened: Message = isHard(r)
    ? 'Loose soil slides on a bank. A screwdriver stops here, though: switch it on to loosen it shallow, along the contour.'
    : held
  if (sowing === 'new' || sowing === 'turf')
    return [
      ...seeded,
      ...lifted,
      ...small,
      ...(bank
        ? [no('loosen', loosened), no('grade', held), no('firm', held)]
        : [no('spike', 'The ground is loosened all over instead.')]),
      no('core', 'The ground is loosened all over instead.'),
      no('collect-cores', 'No cores are taken.'),
      ...(killed || stripped
        ? [
            no('hand-weed', 'The old growth goes as a whole.'),
            no('dig-clumps', 'The old growth goes as a whole.'),
            no('spray', 'The old growth goes as a whole.'),
          ]
        : []),
    ]
  if (sowing === 'cover-then-sow')
    return [
      ...seeded,
      ...(
        ['cut-first', 'cut-second', 'rake', 'scarify', 'core', 'dress', 'collect-cores'] as const
      ).map((op) => no(op, 'It waits for the proper sowing.')),
    ]
  // Kept so short already, there is nothing to step down to; on a patch it is one cut by hand.
  const cut = num(r.cut)
  const oneCut: Message | null = isSmall(r, trace)
    ? 'So little ground is cut down at once.'
    : leafAfterCut(cut, r.foot, trace.values(smotherValues)) >= cut
      ? 'It is kept as short already: one cut is enough.'
      : null
  return [
    ...seeded,
    ...lifted,
    ...(isSmall(r, trace) ? [no('scarify', byHand)] : []),
    ...(oneCut ? [no('cut-first', oneCut)] : []),
    // What is cut down for seed is not raised meanwhile.
    ...(sowing === 'over'
      ? [no('raise-cut', 'It is cut short for the seed, and kept at that height from the first mow on.')] // prettier-ignore
      : []),
  ]
}
