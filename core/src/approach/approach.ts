import { sure } from '../quantities/sure.ts'
import type { Job } from '../entities/job.ts'
import { findingOf, type Finding } from '../findings/finding.ts'
import { startOverLine } from '../findings/findInZone.ts'
import {
  closesGaps,
  knitsItself,
  livesThere,
  onlyPassing,
  stolonOnly,
} from '../findings/findingAsks.ts'
import { coverLines } from '../findings/lines.ts'
import { APPROACH_NAMES, type ApproachId } from '../reference/lists.ts'
import type { GrassId } from '../reference/grasses.ts'
import { lightLines } from '../reference/siteValues.ts'
import type { Schools } from '../reference/schools.ts'
import { OPERATIONS } from '../reference/operations.ts'
import { num, type Figure, type Notice } from '../trace/figure.ts'
import { setNotSown } from '../seed/whatLeads.ts'
import { joined, quantity, say, type Message } from '../rules/message.ts'
import { procedure } from '../rules/rule.ts'
import { figureId, zoneScope } from '../trace/scope.ts'
import type { Trace } from '../trace/trace.ts'
import { isSown } from '../work/sowing.ts'
import { PRESETS } from '../work/presets.ts'
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
    inputs: {
      wanted: '%?',
      incurable: '%',
      sun: 'h',
      bare: '%?',
      cover: 'text?',
      surface: 'text?',
    },
    steps: 'from the findings',
    by: 'approach/approach: suggest',
    check: 'findings.test.ts',
  }),
}

export interface ZoneApproach {
  zone: string
  chosen: ApproachId
  suggested: ApproachId
  overridden: boolean
  why: Message
  figure: Figure
  notices: Notice[]
}

interface Brief {
  r: ZoneReadings
  findings: readonly Finding[]
  job: Pick<Job, 'aims' | 'dressing'>
  schools: Schools
  /** Why new ground is held over the winter, where it has to be. */
  winterAhead: Message | null
  /** Grasses whose seed passes for a fine hybrid. */
  matching: ReadonlySet<GrassId>
  /** Why seed is not the way here, where it is not. */
  noSeed: Message | null
  /** The patch that is to be mended is a zone of its own. */
  patchApart: boolean
  trace: Trace
}

const isBumpy = ({ findings, r }: Brief) =>
  (['lows', 'felt'] as const).some((kind) => findingOf(findings, r.id, kind)?.verdict === 'act')

/** What the readings ask for; without seed where seed is not the way. */
function suggest(brief: Brief): { approach: ApproachId; why: Message } {
  const found = byReadings(brief)
  if (brief.noSeed === null || !isSown(PRESETS[found.approach].sowing)) return found
  return {
    approach: 'care',
    why: joined([brief.noSeed, 'What the ground asks for is done without seed.'], ' '),
  }
}

function byReadings(brief: Brief): { approach: ApproachId; why: Message } {
  const { r, job, schools, winterAhead, trace } = brief
  const marginal = trace.value(lightLines.marginal)
  if (r.sunKnown && num(r.sun) < marginal && !livesThere(r, trace))
    return {
      approach: 'leave',
      why: say`Under ${quantity(marginal, 'h')} of sun grass is the wrong plant; seed would be money lost.`,
    }
  const wish = r.target && r.present.length > 0 && !r.zone.wrongGrass ? wishFor(brief) : null
  if (wish) return wish
  if (r.zone.wrongGrass)
    return {
      approach: 'renovate',
      why: 'The grass there is the wrong one: it goes as a whole, and the right one is sown.',
    }
  if (num(r.incurable) >= trace.value(coverLines.incurable))
    return {
      approach: 'renovate',
      why: say`${r.incurable} is under grassy weeds with no selective cure; anything less leaves them.`,
    }
  if (onlyPassing(r))
    return {
      approach: 'sow-new',
      why: 'What stands is a quick cover, gone within the year: the proper grass is sown as new, and its dead roots hold the ground until then.',
    }
  if (!r.wanted)
    return {
      approach: 'overseed',
      why: 'Cover is not counted yet; overseeding is the usual middle way.',
    }
  const cover = num(r.wanted)
  const line = startOverLine(schools, trace)
  const unsown = setNotSown(r, brief.matching, trace.grasses)
  const set = stolonOnly(r) || unsown
  if (cover < line && unsown)
    return {
      approach: 'plugs',
      why: say`${r.wanted} wanted grass is left, of a turf whose seed is not to be had: its own plugs or runners, or turf laid.`,
    }
  if (
    cover < line &&
    winterAhead !== null &&
    r.bare !== null &&
    num(r.bare) >= trace.value(coverLines.bareInWinter)
  )
    return { approach: 'hold-over', why: say`${r.bare} is bare going into winter. ${winterAhead}` }
  if (cover < line)
    return {
      approach: 'sow-new',
      why: say`${r.wanted} wanted grass is below the ${quantity(line, '%')} line; low cover alone means new ground, not a kill-off.`,
    }
  const bumpy = isBumpy(brief) || (job.aims.includes('level') && r.lowsDepth !== null)
  const patch = job.aims.includes('mend-patch') && !brief.patchApart
  const bare = r.bare === null ? 0 : num(r.bare)
  // Who asks for one patch is not sold a whole lawn.
  const spared = job.aims.includes('mend-patch') && (brief.patchApart || bare > 0)
  // Warm turf that spreads closes small gaps by itself.
  const heals = closesGaps(r, trace) && !patch
  const knits = heals && !set && knitsItself(r, trace)
  if (cover < trace.value(coverLines.thin) && !spared && !knits)
    return set
      ? {
          approach: 'plugs',
          why: 'Gaps in turf that lives by its runners are filled with its own runners or plugs.',
        }
      : bumpy
        ? {
            approach: 'overseed-level',
            why: say`${r.wanted} cover is worth keeping, and the surface needs bringing up with it.`,
          }
        : {
            approach: 'overseed',
            why: say`${r.wanted} wanted grass is above the ${quantity(line, '%')} line: keep what is there and add to it.`,
          }
  const apart = job.aims.includes('mend-patch') && brief.patchApart
  const spots = repairsSown(brief) || patch || (!apart && !heals && bare >= trace.value(coverLines.mend)) // prettier-ignore
  if (spots)
    return set
      ? { approach: 'plugs', why: 'Bare gaps are filled with runners or plugs of the turf there.' }
      : {
          approach: 'mend',
          why:
            r.bare && num(r.bare) > 0
              ? say`${r.wanted} cover stands; only the bare ${r.bare}, and what is repaired, wants seed.`
              : say`${r.wanted} cover stands; only what is repaired wants seed.`,
        }
  if (bumpy)
    return { approach: 'level', why: say`${r.wanted} cover stands; only the surface wants work.` }
  const room: Message =
    cover < trace.value(coverLines.thin)
      ? say`${r.wanted} cover of turf that spreads: fed, watered and kept free of weeds it closes by its own runners.`
      : say`${r.wanted} cover: seed would find little room.`
  return asksForWork(brief)
    ? { approach: 'care', why: joined([room, 'What the ground asks for is done without it.'], ' ') }
    : { approach: 'leave', why: room }
}

/**
 * The way to a grass that the owner wants among others: set where it has no seed; sown into a cool
 * sward, which fades in the heat that warm grass wants; in place of turf that runs, which would take
 * it back. Null where too little stands to matter.
 */
function wishFor({ r, schools, trace }: Brief): { approach: ApproachId; why: Message } | null {
  const target = sure(r.target)
  if (r.wanted === null || num(r.wanted) < startOverLine(schools, trace)) return null
  const name = target.short
  if (target.newRate === null)
    return {
      approach: 'plugs',
      why: say`${name} is wanted, and has no seed: runners or plugs are set into what stands, or turf is laid.`,
    }
  const runs = r.present.some((g) => g.season === 'warm' && g.spreads)
  if (runs)
    return {
      approach: 'renovate',
      why: say`${name} is wanted where ${r.present.map((g) => g.short).join(', ')} runs: sown into it, it would be taken back, so the old turf goes first.`,
    }
  return {
    approach: 'overseed',
    why:
      target.season === 'warm'
        ? say`${name} is wanted: cut low, opened and sown when it is warm, it takes over as the cool grass fades in heat. Killing that first is the other way.`
        : say`${name} is wanted: it is brought in over what stands. Killing that first is the surer way, and the dearer.`,
  }
}

/** Repairs that leave bare soil to sow. */
const repairsSown = ({ r, findings, trace }: Brief): boolean =>
  r.worn !== null ||
  r.trenches.length > 0 ||
  num(r.incurable) >= trace.value(coverLines.clumps) ||
  findings.some(
    (f) =>
      f.zone === r.zone.id &&
      f.wants.some((w) => w.strength === 'must' && OPERATIONS[w.operation].leavesBare),
  )

/** Findings or drawings that ask for work on a lawn that is not sown. */
const asksForWork = ({ findings, r, job }: Brief): boolean =>
  r.trenches.length > 0 ||
  r.worn !== null ||
  r.edgeLength !== null ||
  (job.dressing.depth ?? 0) > 0 ||
  findings.some(
    (f) =>
      f.zone === r.id &&
      f.wants.some(
        (w) =>
          w.strength !== 'may' &&
          w.operation !== 'sow' &&
          w.operation !== 'feed' &&
          w.operation !== 'cover',
      ),
  )

/**
 * The approach for a zone: what the findings ask for, or what a person decided instead, with the
 * candidates beside it.
 */
export function approachZone(brief: Brief): ZoneApproach {
  const { r, schools, trace } = brief
  const scope = zoneScope(r.id)
  const suggested = suggest(brief)
  const chosen = r.zone.approach ?? suggested.approach
  const overridden = r.zone.approach !== null && r.zone.approach !== suggested.approach
  const finding = (kind: string) => trace.figures[figureId(scope, `finding.${kind}`)] ?? null
  const figure = trace.found(
    approachRules.choose,
    scope,
    APPROACH_NAMES[chosen],
    {
      wanted: r.wanted,
      incurable: r.incurable,
      sun: r.sun,
      bare: r.bare,
      cover: finding('cover'),
      surface: finding('lows'),
    },
    {
      school: `cover:${schools.cover}`,
      ...(overridden
        ? { override: { instead: APPROACH_NAMES[suggested.approach], unit: 'text' as const } }
        : {}),
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
  return {
    zone: r.id,
    chosen,
    suggested: suggested.approach,
    overridden,
    why: overridden ? 'Overridden by you.' : suggested.why,
    figure,
    notices,
  }
}
