import { sure } from '../quantities/sure.ts'
import { WINTER_ANNUALS } from '../reference/walkLists.ts'
import { kindsThat, type StepKind } from '../reference/operations.ts'
import { lightLines, lightTrust } from '../reference/siteValues.ts'
import { operationValues } from '../reference/operationValues.ts'
import type { Schools } from '../reference/schools.ts'
import { num } from '../trace/figure.ts'
import { quantity, say, type Message } from '../rules/message.ts'
import type { Trace } from '../trace/trace.ts'
import type { ZoneReadings } from '../walkover/zoneReadings.ts'
import type { Ask, Forbid, Strength } from './asks.ts'
import type { Finding, FindingKind, Found } from './finding.ts'
import { coverLines, habitLines, thatchLines } from './lines.ts'

export interface AskContext {
  r: ZoneReadings
  schools: Schools
  /** The season of the hard cut of warm turf has passed. */
  cutOver: boolean
  trace: Trace
}

type Operations = Pick<Finding, 'wants' | 'forbids'>
type Line = readonly [StepKind, Strength, Message, { passes?: number; depth?: number }?]
type No = readonly [StepKind, Message, 'hard'?]
interface Answer {
  wants?: readonly Line[]
  forbids?: readonly No[]
}

/** Weeds that stand as coarse clumps, and those that a fork takes whole. */
const CLUMPS: readonly string[] = ['yorkshire-fog', 'rough-meadow-grass']
const DUG: readonly string[] = ['dandelion', 'plantain', 'daisy', 'buttercup', 'self-heal', 'sedge']

/**
 * What stands is a quick cover, gone within the year: it is not wanted cover, and thin places in it
 * need no mending.
 */
export const onlyPassing = (r: ZoneReadings): boolean =>
  r.present.length > 0 && r.present.every((g) => g.passing)

/** Warm turf that lives by runners above ground only: it has nothing below to come back from. */
export const stolonOnly = (r: ZoneReadings): boolean => r.present.some((g) => g.stolonOnly)

/** Warm turf with runners below ground: it may be cut to its stalks and comes back. */
export const scalps = (r: ZoneReadings): boolean =>
  r.present.length > 0 && r.present.every((g) => g.season === 'warm' && /rhizome/.test(g.spread))

/** What stands covers so much that it lives there, whatever the light reads. */
export const livesThere = (r: ZoneReadings, trace: Trace): boolean =>
  r.present.length > 0 && r.wanted !== null && num(r.wanted) >= trace.value(lightTrust.lives)

/**
 * So little light that nothing sown lasts, read well below the line, where shade rye is not renewed
 * and nothing lives there as it is.
 */
export function nothingLasts(r: ZoneReadings, schools: Schools, trace: Trace): boolean {
  if (!r.sunKnown || livesThere(r, trace)) return false
  const { marginal, shade } = trace.values(lightLines)
  const reading = trace.value(lightTrust.reading)
  const line = schools.shade === 'renewed' ? marginal : shade - reading
  return num(r.sun) < line
}

/** A green: sand, mown short. */
export const isGreen = (r: ZoneReadings, trace: Trace): boolean =>
  r.zone.texture === 'sand' && num(r.cut) <= trace.value(habitLines.greenCut)

/** Warm turf that spreads by runners: small gaps close by themselves. */
export const healsItself = (r: ZoneReadings): boolean =>
  r.present.length > 0 && r.present.every((g) => g.season === 'warm' && g.spreads)

/** Whether its gaps are small enough to close so. */
export const closesGaps = (r: ZoneReadings, trace: Trace): boolean =>
  healsItself(r) && (r.bare === null ? 0 : num(r.bare)) < trace.value(coverLines.gaps)

/**
 * Warm turf that spreads and covers most of its ground: what is open closes by its own runners in a
 * summer, without seed.
 */
export const knitsItself = (r: ZoneReadings, trace: Trace): boolean =>
  closesGaps(r, trace) && r.wanted !== null && num(r.wanted) >= trace.value(coverLines.heals)

const STAYS_OPEN: Message = 'Nothing sown lasts in this light: what blades open here stays open.'
const DARK: Message = 'Grass is the wrong plant in this light: work on it is money lost.'
const IN_THE_DARK = kindsThat((o) => o.lostInTheDark)

/** What stands is killed twice, or lifted off with its roots where nothing is sprayed. */
const goesAsAWhole = (schools: Schools, why: Message): Line[] =>
  schools.weeds === 'no-chemicals'
    ? [['strip', 'must', why]]
    : [
        ['kill', 'must', why],
        ['kill-again', 'must', 'What regrows is killed again.'],
      ]

/** Weeds that come up in autumn and live through the winter. */

/** How many passes a mat asks for, by its depth. */
function scarifyPasses(thatch: number, trace: Trace): number {
  const { fine, same, deep, veryDeep } = trace.values(thatchLines)
  const over = (line: number) => thatch > line + same
  return over(veryDeep) ? 3 : over(deep) ? 2 : over(fine) ? 1 : 0
}

/** What each finding that is worth work asks for and forbids. */
const ANSWERS: Partial<Record<FindingKind, (f: Found, at: AskContext) => Answer>> = {
  cover: ({ word }, { r, schools, trace }) => {
    if (word === 'incurable grass') {
      return {
        wants: [
          ...goesAsAWhole(schools, 'Nothing less ends incurable grassy weeds.'),
          ['sow', 'must', 'The ground is sown anew.'],
        ],
      }
    }
    if (word === 'start over' && nothingLasts(r, schools, trace))
      return {
        forbids: (['scarify', 'rake', 'core'] as const).map((op): No => [op, STAYS_OPEN]),
      }
    if (word === 'start over')
      return { wants: [['sow', 'must', 'Too little wanted grass to build on.']] }
    const clumps = num(r.incurable) >= trace.value(coverLines.clumps)
    return {
      wants: [
        ...(word === 'thin' && !knitsItself(r, trace)
          ? [['sow', 'should', 'There is room for seed.'] as Line]
          : []),
        ...(clumps
          ? [
              [
                'dig-clumps',
                'should',
                say`${r.incurable} is under grassy weeds with no selective cure: dig them out, or they spread.`,
              ] as Line,
            ]
          : []),
        ...(word === 'thin' && r.present.length > 0 && r.present.every((g) => g.season === 'warm')
          ? [
              [
                'look-cover',
                'should',
                'Thin warm turf is counted in autumn, when winter weeds come up.',
              ] as Line,
            ]
          : []),
      ],
    }
  },
  thatch: (_, { r, trace, cutOver }) => {
    const passes = scarifyPasses(num(sure(r.thatch)), trace)
    if (passes === 0) return {}
    const short: Message =
      'Warm turf with a mat is cut hard before blades: it comes back from below.'
    const late: Message =
      'Its season is spring. Cut now it waits weeks for its leaf before blades go in; it spreads, though, and seeds less.'
    const [strength, why] = cutOver ? (['may', late] as const) : (['should', short] as const)
    const cuts: Line[] = scalps(r)
      ? [
          ['cut-first', strength, why],
          ['cut-second', strength, why],
        ]
      : []
    return {
      wants: [['scarify', 'must', say`The mat is ${sure(r.thatch)} deep.`, { passes }], ...cuts],
    }
  },
  compaction: ({ word }, { r }) => {
    const hard = r.zone.penetration === 'stops'
    if (word === 'firm')
      return { wants: [['core', 'should', 'Water and roots are held up.', { passes: 2 }]] }
    return word === 'compacted'
      ? { wants: [['core', 'must', 'The ground is compacted.', { passes: hard ? 3 : 2 }]] }
      : {}
  },
  light: ({ word }, { r, trace }) =>
    word === 'too dark for grass' && !livesThere(r, trace)
      ? { forbids: IN_THE_DARK.map((operation): No => [operation, DARK]) }
      : {},
  slope: ({ word }) => {
    const bank: No[] =
      word === 'sloping'
        ? []
        : [['core', 'No corer on a bank: it runs away, and the holes wash.', 'hard']]
    const steep: No[] =
      word === 'steep bank'
        ? [['scarify', 'No scarifier on so steep a bank: it is raked by hand.', 'hard']]
        : []
    return { wants: [['cover', 'must', 'Rain moves seed here.']], forbids: [...bank, ...steep] }
  },
  ph: ({ word }) => (word === 'acid' ? { wants: [['lime', 'should', 'The soil is acid.']] } : {}),
  moss: ({ word }) =>
    word === 'mossy'
      ? {
          wants: [
            ['scarify', 'should', 'Moss comes out, and leaves ground to sow.', { passes: 1 }],
          ],
        }
      : {},
  lows: ({ word }) =>
    word === 'bumpy' ? { wants: [['dress', 'must', 'The lows are brought up.']] } : {},
  moisture: ({ word }, { trace }) => {
    if (word === 'ponding')
      return {
        wants: [
          [
            'grade',
            'may',
            'A hollow that ponds needs grade, not only holes: survey it, and bring it up.',
          ],
        ],
      }
    if (word !== 'water-repellent') return {}
    const depth = trace.value(operationValues.spikeDepth)
    return {
      wants: [
        ['spike', 'must', 'The soil sheds water.', { passes: 2, depth }],
        ['wetting', 'must', 'The soil sheds water.'],
      ],
      forbids: [
        [
          'core',
          say`The soil sheds water: holes would dry it further. Spike to ${quantity(depth, 'mm')} at most first; core once a drop goes in.`,
          'hard',
        ],
      ],
    }
  },
  pests: ({ word }, { r }) =>
    word === 'live pests'
      ? {
          wants: [
            ['treat-pests', 'must', 'Never sow into live pests.'],
            ...(r.zone.pests.some((p) => p.kind === 'larvae' && p.active !== false)
              ? [['look-moths', 'must', 'Moths that still fly lay again.'] as Line]
              : []),
          ],
        }
      : word === 'worm casts'
        ? {
            wants: [
              ['cast-brush', 'must', 'Smeared casts make a skin that seedlings cannot break.'],
              ['spike', 'may', 'Spiking opens what casts have closed.', { passes: 1 }],
            ],
          }
        : {},
  disease: ({ word }, { r }) => {
    const rings = r.zone.diseases.some((d) => d.kind === 'dog-rings' && d.active !== false)
    const hungry = r.zone.diseases.some(
      (d) => d.active !== false && (d.worse === 'unfed' || d.kind === 'red-thread'),
    )
    return word === 'healed'
      ? {}
      : {
          wants: [
            ...(rings
              ? [
                  [
                    'dog-soil',
                    'must',
                    'Scorched soil grows nothing until it is flushed and changed.',
                  ] as Line,
                ]
              : []),
            ...(hungry ? [['feed', 'should', 'It is worse where nothing was fed.'] as Line] : []),
          ],
        }
  },
  weeds: ({ word }, { r, schools, trace }) => {
    const { weedsSeen, seedHeads } = r.zone
    const handful = r.weeds !== null && num(r.weeds) <= trace.value(coverLines.handWeeded)
    const dug = weedsSeen.some((w) => DUG.includes(w))
    // Who wants no chemicals is never told to use one.
    const unsprayed = schools.weeds === 'no-chemicals'
    return {
      wants: [
        ...(word === 'weeds of packed soil'
          ? [
              [
                'core',
                'should',
                'Weeds of packed soil: treat the soil first.',
                { passes: 2 },
              ] as Line,
            ]
          : []),
        ...(word === 'hungry'
          ? [['feed', 'should', 'Clover speaks of too little nitrogen.'] as Line]
          : []),
        ...(seedHeads ? [['clip-heads', 'must', 'The heads are ripe.'] as Line] : []),
        ...(dug && handful
          ? [
              [
                'hand-weed',
                schools.weeds === 'spray-then-sow' ? 'may' : 'should',
                'A fork takes the whole root and spreads no seed.',
              ] as Line,
            ]
          : []),
        ...(!unsprayed && (weedsSeen.includes('crabgrass') || weedsSeen.includes('goosegrass'))
          ? [
              [
                'pre-emergence',
                'may',
                'Where nothing is sown, a pre-emergence stops next year’s.',
              ] as Line,
            ]
          : []),
        ...(!unsprayed && weedsSeen.some((w) => WINTER_ANNUALS.includes(w))
          ? [
              [
                'pre-emergence',
                'may',
                'Where nothing is sown, an autumn pre-emergence stops winter annuals.',
              ] as Line,
            ]
          : []),
        ...(weedsSeen.some((w) => CLUMPS.includes(w))
          ? [['dig-clumps', 'should', 'Coarse clumps cut down grow again.'] as Line]
          : []),
      ],
    }
  },
  organic: ({ word }) =>
    word === 'too rich for sand'
      ? {
          wants: [
            ['core', 'must', 'Organic matter has to come out.', { passes: 2 }],
            ['collect-cores', 'must', 'The cores carry the organic matter off.'],
            ['sand-in', 'must', 'Sand has to get in.'],
          ],
        }
      : word === 'lean'
        ? {
            wants: [
              ['dress', 'should', 'Short of organic matter: sand alone, a little and often.'],
            ],
          }
        : {},
  browned: ({ word }) => {
    if (word === 'dead') return {}
    // Warm turf sleeps through every winter: dormant there is no question.
    const sure = word === 'at rest'
    const recheck: Line = ['recheck', sure ? 'may' : 'must', 'Brown grass may only be asleep.']
    const wake: Line = ['wake', 'should', 'Until it is counted again, this is what it may have.']
    if (!sure) return { wants: word === 'counted again' ? [recheck] : [recheck, wake] }
    const green: Message = 'Dormant warm turf cut hard after the last frost greens up weeks sooner.'
    return { wants: [recheck, ['cut-first', 'should', green], ['cut-second', 'should', green]] }
  },
  dogs: () => ({
    wants: [['dog-soil', 'should', 'Urine scorches in rings, and seedlings first.']],
  }),
  trees: (_, { r }) =>
    r.zone.litter === 'leaf' || r.zone.litter === 'needles'
      ? {
          wants: [
            ['leaf-off', 'must', 'Blades and seed have to reach the ground.'],
            ['leaf-again', 'must', 'Leaf smothers seedlings in days.'],
          ],
        }
      : {},
  signs: (_, { r }) => ({
    // Soil that was pushed and let the blade in is not packed, whatever the signs.
    wants: [
      [
        'core',
        r.zone.penetration === 'easy' && r.zone.soilMoist ? 'may' : 'should',
        'The signs are those of packed soil.',
        { passes: 2 },
      ],
    ],
  }),
  felt: ({ word, verdict }) => ({
    wants: [
      [
        'dress',
        word === 'humps and ruts' ? 'must' : verdict === 'act' ? 'should' : 'may',
        'The surface was felt to be uneven.',
      ],
    ],
  }),
  layer: ({ word }) =>
    word === 'layered'
      ? { wants: [['core', 'must', 'A layer below holds water and roots up.', { passes: 2 }]] }
      : {},
  wrong: (_, { schools }) => ({
    wants: [
      ...goesAsAWhole(schools, 'The grass there is to go.'),
      ['sow', 'must', 'The ground is sown anew.'],
    ],
  }),
  cut: () => ({
    wants: [['raise-cut', 'must', 'Mown below its range it thins out whatever else is done.']],
  }),
  age: () => ({ wants: [['sow', 'may', 'Overseeding brings in newer cultivars.']] }),
  edges: ({ word }) => ({
    wants: [
      word === 'edges bulged'
        ? ['edge', 'must', 'Soil has pushed the edge out.']
        : ['plant-strip', 'must', 'Plants shaded it out: it is sown, the edge is sound.'],
    ],
  }),
}

/** The operations a finding asks for and forbids. */
export function operationsOf(finding: Found, at: AskContext): Operations {
  const answer = (finding.verdict === 'unread' ? null : ANSWERS[finding.kind]?.(finding, at)) ?? {}
  return {
    wants: (answer.wants ?? []).map(([operation, strength, why, more]): Ask => ({
      operation,
      by: 'finding',
      source: finding.kind,
      strength,
      why,
      ...more,
    })),
    forbids: (answer.forbids ?? []).map(([operation, why, hard]): Forbid => ({
      operation,
      hard: hard === 'hard',
      why,
    })),
  }
}
