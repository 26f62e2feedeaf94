import type { ApproachId } from '../reference/lists.ts'
import { OPERATIONS, SHOVEL_RATE, type StepKind } from '../reference/operations.ts'
import { findingOf, type Finding } from '../findings/findings.ts'
import { sows, type ZoneApproach } from '../approach/approach.ts'
import type { CoverPlan, DressingPlan } from '../materials/dressing.ts'
import type { ZoneReadings } from '../walkover/zoneReadings.ts'
import { repelsWater } from '../findings/seenInZone.ts'
import { num } from '../trace/figure.ts'
import type { Schools } from '../reference/schools.ts'

/** One step of a strand before it has a day: who needs it, how long it takes, and how it follows the one before. */
export interface StepNeed {
  kind: StepKind
  zones: string[]
  hours: number
  passes: number
  /** Days after the step before: at least, and at most (Infinity where it does not matter). */
  lag: readonly [number, number]
  waits: string
  /** At least so many days after another step, besides the one before. */
  after?: { kind: StepKind; days: number }
}

export interface ZoneWork {
  r: ZoneReadings
  approach: ZoneApproach
  season: 'cool' | 'warm'
}

/** Zones worked on together: the same season, and a kill-off or not. Their steps share days. */
export interface Strand {
  id: string
  season: 'cool' | 'warm'
  kills: boolean
  zones: ZoneWork[]
}

export function strandsOf(work: readonly ZoneWork[]): Strand[] {
  const strands = new Map<string, Strand>()
  for (const zone of work) {
    const chosen = zone.approach.chosen
    if (!zone.r.area || (chosen === 'leave' && num(zone.r.sun) < 2)) continue
    const kills = chosen === 'renovate'
    const id = `${kills ? 'kill' : chosen === 'hold-over' ? 'hold' : sows(chosen) ? 'sow' : 'feed'}-${zone.season}`
    const strand = strands.get(id) ?? { id, season: zone.season, kills, zones: [] }
    strand.zones.push(zone)
    strands.set(id, strand)
  }
  return [...strands.values()].sort((a, b) => a.id.localeCompare(b.id))
}

/** Turf that may be scarified: never stolon-only, nor new ground. */
export function scarifies(zone: ZoneWork, findings: readonly Finding[]): boolean {
  const { r, approach } = zone
  if (approach.chosen === 'sow-new') return false
  if (r.zone.present.includes('st-augustine') || approach.chosen === 'mend' || approach.chosen === 'hold-over' || num(r.slope) >= 25) return false
  return r.thatch !== null && findingOf(findings, r.id, 'thatch')?.verdict !== 'fine'
}

/** Packed soil asks for cores, and so does a sand green too rich in organic matter; a bank does not bear them. */
export const wantsCores = ({ r, approach }: ZoneWork, findings: readonly Finding[]): boolean =>
  approach.chosen !== 'hold-over' &&
  approach.chosen !== 'mend' &&
  num(r.slope) < 20 &&
  (['compaction', 'organic'] as const).some((kind) => findingOf(findings, r.id, kind)?.verdict === 'act')

/** Soil that repels water is put right first: cores wait for it. */
export const cores = (zone: ZoneWork, findings: readonly Finding[]): boolean => !repelsWater(zone.r) && wantsCores(zone, findings)

/** Weeds from this share of the ground are worth a spray of their own, in that school. Juvena's model. */
const WEEDY = 15
/** Days from a broad-leaved spray to seed, where the label says no other. Common practice. */
const SPRAY_WAIT = 28

/** The steps a strand needs, in the order of work, with their lags. */
export function stepsOf(
  strand: Strand,
  findings: readonly Finding[],
  schools: Schools,
  dressing: DressingPlan | null,
  covers: readonly CoverPlan[],
  crew: number,
): StepNeed[] {
  const steps: StepNeed[] = []
  const all = strand.zones
  const who = (test: (z: ZoneWork) => boolean) => all.filter(test)
  const areaOf = (zones: readonly ZoneWork[]) => zones.reduce((sum, z) => sum + num(z.r.area!), 0)
  const isOne =
    (...kinds: ApproachId[]) =>
    (z: ZoneWork) =>
      kinds.includes(z.approach.chosen)
  const add = (kind: StepKind, zones: readonly ZoneWork[], lag: readonly [number, number], waits: string, passes = 1, extraHours = 0) => {
    if (zones.length === 0) return
    const op = OPERATIONS[kind]
    const hours = op.fixed + (op.rate ? (passes * areaOf(zones)) / op.rate : 0) + extraHours
    steps.push({ kind, zones: zones.map((z) => z.r.id), hours: hours / Math.min(2, Math.max(1, crew)), passes, lag, waits })
  }
  const ever = Infinity
  if (strand.id.startsWith('feed')) {
    add('feed', all, [0, ever], 'growth, and rain or water to follow')
    return steps
  }
  add('notice', all, [0, ever], 'nothing')
  const opens = who((z) => scarifies(z, findings) || cores(z, findings))
  add('mark', opens, [0, ever], 'notice given')
  const noSpray = schools.weeds === 'no-chemicals'
  const stripped = strand.kills && noSpray
  if (stripped) add('strip', all, [1, ever], 'notice given')
  const weedy = who((z) => z.r.weeds !== null && num(z.r.weeds) >= WEEDY && !isOne('hold-over')(z))
  const sprays = schools.weeds === 'spray-then-sow' && !strand.kills && weedy.length > 0
  if (sprays) add('spray', weedy, [1, ever], 'growing weeds, uncut for 3 days')
  if (strand.kills && !noSpray) {
    add('kill', all, [1, ever], 'growing leaf, uncut for 3 days')
    add('kill-again', all, [14, 28], 'what regrows after 14 days')
  }
  const cutting = who(
    (z) => !stripped && !isOne('mend', 'hold-over')(z) && !(z.approach.chosen === 'sow-new' && (z.r.wanted === null || num(z.r.wanted) < 15)),
  )
  const short = who((z) => cutting.includes(z) && !z.r.zone.present.includes('st-augustine'))
  const [afterSpray, why] = strand.kills
    ? [7, '7 days after the last kill']
    : sprays
      ? [20, 'so long after the spray that seed may follow']
      : [1, 'a growing sward']
  add('cut-first', cutting, [afterSpray, ever], why)
  add('cut-second', short, [2, 6], '2 days after the first cut')
  const scarifying = who((z) => !stripped && scarifies(z, findings))
  const passes = (z: ZoneWork) => (findingOf(findings, z.r.id, 'thatch')?.verdict === 'hold' ? 2 : 1)
  const coring = who((z) => cores(z, findings))
  const corePasses = (z: ZoneWork) => (z.r.zone.penetration === 'stops' ? 3 : 2)
  const most = (zones: readonly ZoneWork[], of: (z: ZoneWork) => number) => Math.max(1, ...zones.map(of))
  const doScarify = () => add('scarify', scarifying, [1, 3], 'turf dried a day or two', most(scarifying, passes))
  const doCore = (first: boolean) => {
    add('dampen', coring, [first ? 1 : 0, 4], 'only if the soil is dry')
    add('core', coring, [1, 1], 'moist soil, never wet', most(coring, corePasses))
  }
  if (schools.order === 'core-first') {
    doCore(true)
    doScarify()
  } else {
    doScarify()
    doCore(false)
  }
  const dressed = who((z) => dressing?.zones.some((d) => d.zone === z.r.id) ?? false)
  const dressings = dressing?.zones.filter((d) => dressed.some((z) => z.r.id === d.zone)) ?? []
  const shovel = dressings.reduce((sum, d) => sum + num(d.order) / num(d.lifts), 0) / SHOVEL_RATE
  add('dress', dressed, [0, 1], 'cores off or dragged in', 1, shovel)
  const unopened = steps.at(-1)?.kind === 'notice' || steps.at(-1)?.kind === 'mark'
  add('sow', all, unopened ? [1, ever] : [0, strand.kills ? 14 : 3], 'an open surface, not crusted')
  if (sprays) steps.at(-1)!.after = { kind: 'spray', days: SPRAY_WAIT }
  add('work-in', all, [0, 0], 'seed down')
  if (schools.feed === 'with-seed') add('feed', all, [0, 1], 'seed worked in')
  const covered = who((z) => covers.some((c) => c.zones.some((x) => x.zone === z.r.id)))
  add('cover', covered, [0, 1], 'seed worked in')
  add('water', all, [0, 0], 'within 2 hours of sowing')
  return steps
}

/** Steps that come after the seed is up. */
export function laterSteps(strand: Strand, schools: Schools, dressing: DressingPlan | null, crew: number): StepNeed[] {
  if (strand.id.startsWith('feed')) return []
  const all = strand.zones
  const zones = all.map((z) => z.r.id)
  const area = all.reduce((sum, z) => sum + num(z.r.area!), 0)
  const need = (kind: StepKind, of: string[], extra = 0): StepNeed => {
    const op = OPERATIONS[kind]
    return {
      kind,
      zones: of,
      hours: (op.fixed + (op.rate ? area / op.rate : 0) + extra) / Math.min(2, Math.max(1, crew)),
      passes: 1,
      lag: [0, Infinity],
      waits: '',
    }
  }
  const list = [need('first-mow', zones)]
  if (schools.feed === 'first-mown') list.push(need('feed-later', zones))
  list.push(need('visit', zones))
  const again = dressing?.zones.filter((d) => zones.includes(d.zone) && num(d.lifts) > 1) ?? []
  if (again.length > 0)
    list.push(
      need(
        'dress-again',
        again.map((d) => d.zone),
        again.reduce((sum, d) => sum + num(d.order) / num(d.lifts), 0) / SHOVEL_RATE,
      ),
    )
  return list
}
