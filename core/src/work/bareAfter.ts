import { healsItself } from '../findings/findingAsks.ts'
import type { StepKind } from '../reference/operations.ts'
import { rule, tradeValues, value } from '../rules/rule.ts'
import { num, type Figure } from '../trace/figure.ts'
import { zoneScope } from '../trace/scope.ts'
import type { Trace } from '../trace/trace.ts'
import type { ZoneReadings } from '../walkover/zoneReadings.ts'
import type { ZoneOperation } from './workTypes.ts'

/** What is left of a sward after blades, and how much of it closes again. */
export const bareValues = tradeValues('bare', {
  blades: value(8, '%', 'model', 'A pass of the blades takes of the living sward', [0, 40]),
  rake: value(3, '%', 'model', 'Raking out takes of it', [0, 30]),
  closes: value(
    20,
    '%',
    'practice',
    'Without seed a sward of bunches does not close in a season from more bare ground than',
    [5, 60],
  ),
  knits: value(25, '%', 'practice', 'and one in which something spreads, than', [5, 60]),
})

/** The part of a living sward that so many passes of the blades and the rake leave, 0 to 1. */
export const leftOfSward = (
  passes: number,
  raked: number,
  { blades, rake }: { blades: number; rake: number },
): number => (1 - blades / 100) ** passes * (1 - rake / 100) ** raked

export const bareRules = {
  after: rule({
    id: 'work.bare-after',
    key: 'bare.after',
    stage: 3,
    label: 'Bare after the blades',
    unit: '%',
    standing: 'model',
    says: 'What is bare now, the moss that comes out, and what the blades take of the living sward: {blades} a pass, raking {rake}.',
    values: { blades: bareValues.blades, rake: bareValues.rake },
    inputs: { bare: '%', moss: '%', wanted: '%', passes: '1', raked: '1' },
    formula: 'min(1, bare + moss + wanted * (1 - (1 - blades) ^ passes * (1 - rake) ^ raked))',
    compute: ({ bare, moss, wanted, passes, raked }, values) =>
      Math.min(100, bare + moss + wanted * (1 - leftOfSward(passes, raked, values))),
  }),
}

/**
 * How much of a zone lies bare once moss, mat and what the blades take of the sward are out, %; null
 * where neither blades nor rake go over it, or its cover was not read.
 */
export function bareAfter(
  r: ZoneReadings,
  operations: readonly ZoneOperation[],
  trace: Trace,
): Figure | null {
  const passesOf = (kind: StepKind) => operations.find((o) => o.operation === kind)?.passes ?? 0
  const passes = passesOf('scarify')
  const raked = passesOf('rake')
  if (passes + raked === 0 || r.wanted === null) return null
  const read = (part: Figure | null) => part ?? 0
  return trace.work(bareRules.after, zoneScope(r.id), {
    bare: read(r.bare),
    moss: read(r.moss),
    wanted: r.wanted,
    passes,
    raked,
  })
}

/**
 * Whether ground that is not sown stays open for a season: more of it lies bare than closes by
 * itself. Warm turf that spreads by runners closes in its summer.
 */
export const staysOpen = (r: ZoneReadings, bare: Figure | null, trace: Trace): boolean =>
  bare !== null &&
  !healsItself(r) &&
  num(bare) > trace.value(r.present.some((g) => g.spreads) ? bareValues.knits : bareValues.closes)
