import type { Job } from '../entities/job.ts'
import { findingOf, type Finding } from '../findings/finding.ts'
import { startOverLine } from '../findings/findInZone.ts'
import { coverLines } from '../findings/lines.ts'
import { APPROACH_NAMES, type ApproachId } from '../reference/lists.ts'
import { lightLines } from '../reference/siteValues.ts'
import type { Schools } from '../reference/schools.ts'
import { num, type Figure, type Notice } from '../trace/figure.ts'
import { quantity, say, type Message } from '../trace/message.ts'
import { procedure, tradeValues, value, type TradeValue } from '../trace/rule.ts'
import { figureId, zoneFigure, zoneScope } from '../trace/scope.ts'
import type { Trace } from '../trace/trace.ts'
import type { ZoneReadings } from '../walkover/zoneReadings.ts'

export const approachRules = {
  choose: procedure({
    id: 'approach.choose',
    key: 'approach',
    stage: 3,
    label: 'Approach',
    unit: 'text',
    standing: 'practice',
    says: 'Cover, incurable weeds, light, surface and aims decide, in that order.',
    values: coverLines,
    inputs: { wanted: '%?', incurable: '%', sun: 'h', bare: '%?', cover: 'text?', surface: 'text?' },
    steps: 'from the findings',
    by: 'approach/approach: suggest',
    check: 'findings.test.ts',
  }),
}

/** Days the ground looks bad. */
export const badDays = tradeValues('bad-days', {
  leave: value(0, 'd', 'model', 'Left and fed, it looks bad for', [0, 60]),
  mend: value(28, 'd', 'model', 'Mended spots look bad for', [0, 120]),
  overseed: value(21, 'd', 'model', 'Overseeded, it looks bad for', [0, 120]),
  'overseed-level': value(35, 'd', 'model', 'Overseeded and levelled, it looks bad for', [0, 150]),
  renovate: value(70, 'd', 'model', 'Renovated, it looks bad for', [0, 250]),
  'sow-new': value(49, 'd', 'model', 'Sown as new ground, it looks bad for', [0, 250]),
  'hold-over': value(14, 'd', 'model', 'Held over with a quick cover, it looks bad for', [0, 120]),
} satisfies Record<ApproachId, TradeValue>)

export interface Candidate {
  approach: ApproachId
  fit: 'best' | 'cheaper' | 'possible' | 'ruled out'
  why: Message
  /** Days it looks bad. */
  badDays: number
}

export interface ZoneApproach {
  zone: string
  chosen: ApproachId
  suggested: ApproachId
  overridden: boolean
  why: Message
  candidates: Candidate[]
  figure: Figure
  notices: Notice[]
}

/** Dearest last; used only to name a cheaper rung. */
const LADDER: readonly ApproachId[] = ['leave', 'hold-over', 'mend', 'overseed', 'overseed-level', 'sow-new', 'renovate']

interface Brief {
  r: ZoneReadings
  findings: readonly Finding[]
  job: Job
  schools: Schools
  trace: Trace
}

const isBumpy = ({ findings, r }: Brief) => findingOf(findings, r.id, 'lows')?.verdict === 'act'

function suggest(brief: Brief): { approach: ApproachId; why: Message } {
  const { r, job, schools, trace } = brief
  const marginal = trace.value(lightLines.marginal)
  if (r.sunKnown && num(r.sun) < marginal)
    return { approach: 'leave', why: say`Under ${quantity(marginal, 'h')} of sun grass is the wrong plant; seed would be money lost.` }
  if (num(r.incurable) >= trace.value(coverLines.incurable))
    return { approach: 'renovate', why: say`${r.incurable} is under grassy weeds with no selective cure; anything less leaves them.` }
  if (!r.wanted) return { approach: 'overseed', why: 'Cover is not counted yet; overseeding is the usual middle way.' }
  const cover = num(r.wanted)
  const line = startOverLine(schools, trace)
  if (cover < line)
    return {
      approach: 'sow-new',
      why: say`${r.wanted} wanted grass is below the ${quantity(line, '%')} line; low cover alone means new ground, not a kill-off.`,
    }
  if (isBumpy(brief) && cover < trace.value(coverLines.levelled))
    return { approach: 'overseed-level', why: say`${r.wanted} cover is worth keeping, and the surface needs bringing up with it.` }
  const spots = r.bare !== null && num(r.bare) >= trace.value(coverLines.mend)
  if (cover >= trace.value(coverLines.thin) && spots && !job.aims.includes('thicker'))
    return { approach: 'mend', why: say`${r.wanted} cover stands; only the bare ${r.bare!} wants seed.` }
  if (cover >= trace.value(coverLines.full)) return { approach: spots ? 'mend' : 'leave', why: say`${r.wanted} cover: seed would find little room.` }
  return { approach: 'overseed', why: say`${r.wanted} wanted grass is above the ${quantity(line, '%')} line: keep it and add to it.` }
}

const cheaperWhy = (approach: ApproachId, instead: ApproachId): Message =>
  approach === 'leave'
    ? 'Feed and mow well; slow, and only what is there thickens.'
    : approach === 'mend'
      ? 'Seed only where it is bare; the rest stays thin.'
      : approach === 'overseed'
        ? instead === 'renovate'
          ? 'Keeps the incurable grasses, in better company; no kill-off to wait for.'
          : 'Seed into what is there; lows and worst weeds stay.'
        : 'One rung below: less soil moved.'

/** The ways that could be taken, the suggested one first, each at most once. */
function candidatesOf(brief: Brief, suggested: { approach: ApproachId; why: Message }): Candidate[] {
  const { r, trace } = brief
  const candidates: Candidate[] = []
  const offer = (approach: ApproachId, fit: Candidate['fit'], why: Message) => {
    if (!candidates.some((c) => c.approach === approach)) candidates.push({ approach, fit, why, badDays: trace.value(badDays[approach]) })
  }
  offer(suggested.approach, 'best', suggested.why)
  const mendable = r.wanted !== null && num(r.wanted) >= trace.value(coverLines.mendable) && r.bare !== null && num(r.bare) > 0
  const cheaper = LADDER.slice(0, LADDER.indexOf(suggested.approach)).filter((a) => a !== 'hold-over' && (a !== 'mend' || mendable))
  for (const approach of cheaper.reverse()) offer(approach, 'cheaper', cheaperWhy(approach, suggested.approach))
  if (isBumpy(brief)) offer('overseed-level', 'possible', 'Brings the surface up as well.')
  const incurable = num(r.incurable) >= trace.value(coverLines.incurable)
  offer('renovate', incurable ? 'possible' : 'ruled out', 'A kill-off is for incurable grassy weeds or the wrong grass; neither is read here.')
  offer('hold-over', 'possible', 'Quick cover now, proper sowing in season.')
  if (r.zone.approach) offer(r.zone.approach, 'possible', 'Your choice.')
  return candidates
}

/** The approach for a zone: what the findings ask for, or what a person decided instead, with the candidates beside it. */
export function approachZone(brief: Brief): ZoneApproach {
  const { r, schools, trace } = brief
  const scope = zoneScope(r.id)
  const suggested = suggest(brief)
  const chosen = r.zone.approach ?? suggested.approach
  const overridden = r.zone.approach !== null && r.zone.approach !== suggested.approach
  const finding = (kind: string) => trace.figures[zoneFigure(r.id, `finding.${kind}`)] ?? null
  const figure = trace.found(
    approachRules.choose,
    scope,
    APPROACH_NAMES[chosen],
    { wanted: r.wanted, incurable: r.incurable, sun: r.sun, bare: r.bare, cover: finding('cover'), surface: finding('lows') },
    {
      school: `cover:${schools.cover}`,
      ...(overridden ? { override: { instead: APPROACH_NAMES[suggested.approach], unit: 'text' as const } } : {}),
    },
  )
  const about = { stage: 3, zone: r.id, figure: figure.id } as const
  const notices: Notice[] = []
  if (overridden)
    notices.push({
      ...about,
      id: figureId(scope, 'overridden'),
      level: 'note',
      title: say`${r.name}: your choice, ${APPROACH_NAMES[chosen]}.`,
      says: say`The findings ask for “${APPROACH_NAMES[suggested.approach]}”: ${suggested.why}`,
    })
  if (asNew(chosen) && (r.zone.browned === 'dormant' || r.zone.browned === 'unsure'))
    notices.push({
      ...about,
      id: figureId(scope, 'dormant'),
      level: 'warn',
      title: say`${r.name}: it may only be dormant.`,
      says: 'Brown grass was noted, and a count taken then reads sleeping grass as bare. Water a square and wait ten days: tufts that green between straw are alive, and starting over would throw them away.',
    })
  return {
    zone: r.id,
    chosen,
    suggested: suggested.approach,
    overridden,
    why: overridden ? 'Overridden by you.' : suggested.why,
    candidates: candidatesOf(brief, suggested),
    figure,
    notices,
  }
}

export const sows = (a: ApproachId): boolean => a !== 'leave'
export const asNew = (a: ApproachId): boolean => a === 'renovate' || a === 'sow-new'
export const levels = (a: ApproachId): boolean => a === 'overseed-level'
