import type { Job } from '../entities/job.ts'
import { findingOf, type Finding } from '../findings/findings.ts'
import { APPROACH_NAMES, type ApproachId } from '../reference/lists.ts'
import type { ZoneReadings } from '../walkover/zoneReadings.ts'
import { num, rule, type Figure, type Notice, type Workings } from '../trace/figure.ts'
import type { Schools } from '../reference/schools.ts'

export const approachRules = {
  choose: rule('approach.choose', 'Cover, incurable weeds, light, surface and aims decide, in that order.', 'from the findings', 'practice'),
}

export interface Candidate {
  approach: ApproachId
  fit: 'best' | 'cheaper' | 'possible' | 'ruled out'
  why: string
  /** Days it looks bad. Common practice. */
  badDays: number
}

export interface ZoneApproach {
  zone: string
  chosen: ApproachId
  suggested: ApproachId
  overridden: boolean
  why: string
  candidates: Candidate[]
  figure: Figure
}

const BAD_DAYS: Record<ApproachId, number> = { leave: 0, mend: 28, overseed: 21, 'overseed-level': 35, renovate: 70, 'sow-new': 49, 'hold-over': 14 }
/** Dearest last; used only to name a cheaper rung. */
const LADDER: readonly ApproachId[] = ['leave', 'hold-over', 'mend', 'overseed', 'overseed-level', 'sow-new', 'renovate']

/** Grassy weeds above this share force a kill-off. Juvena's model. */
const INCURABLE_LINE = 40

function suggest(r: ZoneReadings, findings: readonly Finding[], job: Job, schools: Schools): { approach: ApproachId; why: string } {
  const sun = num(r.sun)
  const line = schools.cover === 'fifty' ? 50 : 30
  if (r.sunKnown && sun < 2) return { approach: 'leave', why: 'Under 2 h of sun grass is the wrong plant; seed would be money lost.' }
  if (num(r.incurable) >= INCURABLE_LINE)
    return { approach: 'renovate', why: `${num(r.incurable)} % is under grassy weeds with no selective cure; anything less leaves them.` }
  if (!r.wanted) return { approach: 'overseed', why: 'Cover is not counted yet; overseeding is the usual middle way.' }
  const cover = num(r.wanted)
  const bare = r.bare ? num(r.bare) : 0
  if (cover < line)
    return { approach: 'sow-new', why: `${cover} % wanted grass is below the ${line} % line; low cover alone means new ground, not a kill-off.` }
  const bumpy = findingOf(findings, r.id, 'lows')?.verdict === 'act'
  if (bumpy && cover < 97) return { approach: 'overseed-level', why: `${cover} % cover is worth keeping, and the surface needs bringing up with it.` }
  if (cover >= 85 && bare >= 3 && !job.aims.includes('thicker'))
    return { approach: 'mend', why: `${cover} % cover stands; only the bare ${bare} % wants seed.` }
  if (cover >= 90) return { approach: bare >= 3 ? 'mend' : 'leave', why: `${cover} % cover: seed would find little room.` }
  return { approach: 'overseed', why: `${cover} % wanted grass is above the ${line} % line: keep it and add to it.` }
}

/** The approach for a zone: what the findings ask for, or what a person decided instead, with the candidates beside it. */
export function approachZone(
  r: ZoneReadings,
  findings: readonly Finding[],
  job: Job,
  schools: Schools,
  w: Workings,
  notices: Notice[],
): ZoneApproach {
  const suggested = suggest(r, findings, job, schools)
  const chosen = r.zone.approach ?? suggested.approach
  const overridden = r.zone.approach !== null && r.zone.approach !== suggested.approach
  const bumpy = findingOf(findings, r.id, 'lows')?.verdict === 'act'
  const candidates: Candidate[] = []
  const offer = (approach: ApproachId, fit: Candidate['fit'], why: string) => {
    if (!candidates.some((c) => c.approach === approach)) candidates.push({ approach, fit, why, badDays: BAD_DAYS[approach] })
  }
  offer(suggested.approach, 'best', suggested.why)
  const cover = r.wanted ? num(r.wanted) : 50
  const cheaper = LADDER.slice(0, LADDER.indexOf(suggested.approach)).filter(
    (a) => a !== 'hold-over' && (a !== 'mend' || (cover >= 60 && r.bare !== null && num(r.bare) > 0)),
  )
  for (const approach of cheaper.reverse())
    offer(
      approach,
      'cheaper',
      approach === 'leave'
        ? 'Feed and mow well; slow, and only what is there thickens.'
        : approach === 'mend'
          ? 'Seed only where it is bare; the rest stays thin.'
          : approach === 'overseed'
            ? suggested.approach === 'renovate'
              ? 'Keeps the incurable grasses, in better company; no kill-off to wait for.'
              : 'Seed into what is there; lows and worst weeds stay.'
            : 'One rung below: less soil moved.',
    )
  if (bumpy) offer('overseed-level', 'possible', 'Brings the surface up as well.')
  offer(
    'renovate',
    num(r.incurable) >= INCURABLE_LINE ? 'possible' : 'ruled out',
    'A kill-off is for incurable grassy weeds or the wrong grass; neither is read here.',
  )
  offer('hold-over', 'possible', 'Quick cover now, proper sowing in season.')
  if (r.zone.approach) offer(r.zone.approach, 'possible', 'Your choice.')
  const figure = w.add(
    3,
    `${r.id}.approach`,
    'Approach',
    APPROACH_NAMES[chosen],
    '1',
    approachRules.choose,
    [r.wanted, r.incurable, r.sun, r.bare, ...['cover', 'lows'].map((k) => w.figures[`${r.id}.finding.${k}`])],
    {
      zone: r.id,
      school: `cover:${schools.cover}`,
      ...(overridden ? { override: { instead: APPROACH_NAMES[suggested.approach], unit: '1' as const } } : {}),
    },
  )
  if (overridden)
    notices.push({
      id: `${r.id}.overridden`,
      stage: 3,
      zone: r.id,
      level: 'note',
      title: `${r.name}: your choice, ${APPROACH_NAMES[chosen]}.`,
      says: `The findings ask for “${APPROACH_NAMES[suggested.approach]}”: ${suggested.why}`,
      figure: figure.id,
    })
  if (asNew(chosen) && (r.zone.browned === 'dormant' || r.zone.browned === 'unsure'))
    notices.push({
      id: `${r.id}.dormant`,
      stage: 3,
      zone: r.id,
      level: 'warn',
      title: `${r.name}: it may only be dormant.`,
      says: 'Brown grass was noted, and a count taken then reads sleeping grass as bare. Water a square and wait ten days: tufts that green between straw are alive, and starting over would throw them away.',
      figure: figure.id,
    })
  return { zone: r.id, chosen, suggested: suggested.approach, overridden, why: overridden ? 'Overridden by you.' : suggested.why, candidates, figure }
}

export const sows = (a: ApproachId): boolean => a !== 'leave'
export const asNew = (a: ApproachId): boolean => a === 'renovate' || a === 'sow-new'
export const levels = (a: ApproachId): boolean => a === 'overseed-level'
