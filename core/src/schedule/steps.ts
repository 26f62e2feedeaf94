import { sure } from '../quantities/sure.ts'
import { MOST_LIFTS } from '../reference/materialValues.ts'
import type { CoverPlan } from '../materials/cover.ts'
import type { DressingPlan } from '../materials/dressing.ts'
import { leafAfterCut, smotherValues } from '../work/leafRules.ts'
import {
  isStepKind,
  kindsThat,
  OPERATIONS,
  orderOf,
  type StepKind,
} from '../reference/operations.ts'
import { spreadingHours } from './zoneHours.ts'
import { operationWants } from '../work/operationWords.ts'
import { operationValues } from '../reference/operationValues.ts'
import { WEEDS } from '../reference/walkLists.ts'
import type { Schools } from '../reference/schools.ts'
import { habitLines, slopeLines } from '../findings/lines.ts'
import { repelsWater } from '../findings/seenInZone.ts'
import { num } from '../trace/figure.ts'
import { MOST_NAMED, joined, quantity, say, type Message } from '../rules/message.ts'
import type { Trace } from '../trace/trace.ts'
import { effortOf, hoursOf, type Effort } from '../work/hours.ts'
import { linksFor, precedence, type Link, type ToldAhead } from './precedence.ts'
import { anchorOf, type PackageKind, type WorkPackage } from '../work/workPackages.ts'
import { isPlanted, isSown } from '../work/sowing.ts'
import { operationOf, type ZoneOperation, type ZoneWork } from '../work/workTypes.ts'

/**
 * One step of a work package before it has a day: who needs it, how long it takes, and how it
 * follows the steps before it.
 */
export interface StepNeed {
  kind: StepKind
  zones: string[]
  hours: number
  effort: Effort
  /** Most passes of any zone. */
  passes: number
  links: Link[]
  /** Ground and weather it wants. */
  precondition: Message
  /** Heights, depths, tools, passes by zone, as set: what the crew reads. */
  how: Message
  /** Which of several repeats it is: the second lift, the third. */
  part?: number
  /** What is counted or seen there decides what is done. */
  decides?: true
  /** The look, and the answer to it, that lead to this; nothing where none does. */
  when?: { look: StepKind; part?: number; answer: 'yes' | 'no' }
}

/** The steps of a package, and the one that its days hang on. */
export interface PackageSteps {
  needs: StepNeed[]
  /** Index of the sowing, or of what the others hang on. */
  anchor: number
}

/** What the steps of a package are worked from. */
export interface StepBrief {
  schools: Schools
  /** Who uses the lawn, and how long ahead they want to know. */
  told: ToldAhead
  dressing: DressingPlan | null
  covers: readonly CoverPlan[]
  /** How deep the seed of a zone may lie at most, mm; null where none is sown. */
  seedDepth: (zone: string) => number | null
  people: number
  trace: Trace
}

interface Share {
  work: ZoneWork
  operation: ZoneOperation
}

const sharesOf = (pack: WorkPackage, kind: StepKind): Share[] =>
  pack.zones.flatMap((work) => {
    const operation = operationOf(work, kind)
    return operation ? [{ work, operation }] : []
  })

/** Steps up to the sowing and on the days of it. */
const FIRST = kindsThat((o) => !o.later)
/** Steps dated after those: from the seed coming up. Lifts of a dressing are counted on their own. */
const AFTERWARDS = kindsThat((o) => o.later && o.later.since !== 'lift' && o.later.since !== 'look')

/** The order of work, as the firm's school has it. */
function inOrder(kinds: readonly StepKind[], { schools }: StepBrief): StepKind[] {
  const coreFirst = schools.order !== 'scarify-first'
  const blades: readonly StepKind[] = ['rake', 'scarify', 'clear']
  const rank = (k: StepKind) =>
    coreFirst && blades.includes(k)
      ? orderOf('collect-cores') + 0.1 + blades.indexOf(k) / 10
      : orderOf(k)
  return [...kinds].sort((a, b) => rank(a) - rank(b))
}

/** Hours of moving what is spread by a step. */
const soilHours = (
  kind: StepKind,
  shares: readonly Share[],
  { dressing, trace }: StepBrief,
): number =>
  spreadingHours(
    kind,
    shares.map((s) => s.work.r.id),
    shares.some((s) => s.operation.tool === 'machine'),
    dressing,
    trace,
  )

/** Height of cut of a step in a zone, mm: as set, or worked down in steps. */
function cutHeight(
  kind: StepKind,
  work: ZoneWork,
  operation: ZoneOperation,
  trace: Trace,
): number | null {
  if (kind !== 'cut-first' && kind !== 'cut-second') return null
  if (operation.height !== null) return operation.height
  const cut = num(work.r.cut)
  const short = leafAfterCut(cut, work.r.foot, trace.values(smotherValues))
  return Math.round(kind === 'cut-second' ? short : (cut + short) / 2)
}

/** How one zone takes a step: what has to be alike for zones to be told together. */
interface Manner {
  passes: number
  depth: number | null
  tines: number | null
  tool: string | null
  height: number | null
  /** What is put down against which weeds. */
  against: string
  /** How deep seed may lie at most, mm. */
  seedDepth: number | null
  /** Along the contour, on a bank. */
  contour: boolean
  /** From which height of cut to which, and in how many weeks. */
  raised: Message
}

/** The actives that cure the weeds seen, by common name: common practice, the label decides. */
function against(kind: StepKind, { work }: Share): string {
  if (kind !== 'spray') return ''
  const byActive = new Map<string, string[]>()
  for (const id of work.r.zone.weedsSeen)
    byActive.set(WEEDS[id].active, [...(byActive.get(WEEDS[id].active) ?? []), WEEDS[id].name])
  return [...byActive].map(([active, names]) => `${names.join(', ')}: ${active}`).join('; ')
}

const mannerOf = (
  kind: StepKind,
  { work, operation }: Share,
  seedDepth: StepBrief['seedDepth'],
  trace: Trace,
): Manner => ({
  passes: OPERATIONS[kind].halved ? 1 : operation.passes,
  depth: operation.depth,
  tines: operation.tines,
  tool: operation.tool,
  height: cutHeight(kind, work, operation, trace),
  against: against(kind, { work, operation }),
  seedDepth: kind === 'work-in' ? seedDepth(work.r.id) : null,
  raised: kind === 'raise-cut' ? notches(work, trace) : '',
  contour: kind === 'loosen' && num(work.r.slope) >= trace.value(slopeLines.bank),
})
/** "from 30 mm to 50 mm, 7 mm a week, 3 weeks". */
function notches({ r }: ZoneWork, trace: Trace): Message {
  const notch = trace.value(habitLines.notch)
  const weeks = Math.max(1, Math.ceil((num(r.keep) - num(r.cut)) / notch - 1e-9))
  return say`from ${r.cut} to ${r.keep}, ${quantity(notch, 'mm')} a week at most, in ${weeks === 1 ? 'one week' : `${weeks} weeks`}`
}
/** Seed that may lie no deeper than this is not worked in at all, mm. */
const PRESSED = 2

const alike = (a: Manner, b: Manner) =>
  (Object.keys(a) as (keyof Manner)[]).every((k) => a[k] === b[k])

/** One manner in words; `apart` says a single pass too, beside zones that take more. */
function mannerSaid(
  kind: StepKind,
  { passes, depth, tines, tool, height, against: weeds, seedDepth, contour, raised }: Manner,
  apart: boolean,
  trace: Trace,
): Message {
  const usual =
    kind === 'core' && depth === null
      ? { low: trace.value(operationValues.coreLeast), high: trace.value(operationValues.coreMost) }
      : depth
  const parts: Message[] = []
  if ((passes > 1 || apart) && height === null)
    parts.push(passes === 1 ? '1 pass' : say`${passes} passes`)
  if (height !== null) parts.push(say`to ${quantity(height, 'mm')}`)
  if (usual !== null) parts.push(say`${quantity(usual, 'mm')} deep`)
  if (tines !== null) parts.push(say`${quantity(tines, 'mm')} tines`)
  if (weeds) parts.push(weeds)
  if (seedDepth !== null)
    parts.push(
      seedDepth < PRESSED
        ? 'only pressed in: the cover does the rest'
        : say`no deeper than ${quantity(seedDepth, 'mm')}`,
    )
  if (raised) parts.push(raised)
  if (contour) parts.push('shallow, along the contour')
  if (tool) parts.push(sure(OPERATIONS[kind].tools)[tool]!.name)
  return joined(parts, ', ')
}

/**
 * How a step is done, as the crew reads it: heights, depths, passes, tools; zones alike are told
 * together.
 */
function howOf(
  kind: StepKind,
  shares: readonly Share[],
  seedDepth: StepBrief['seedDepth'],
  trace: Trace,
): Message {
  const groups: { manner: Manner; names: string[] }[] = []
  for (const share of shares) {
    const manner = mannerOf(kind, share, seedDepth, trace)
    const known = groups.find((g) => alike(g.manner, manner))
    if (known) known.names.push(share.work.r.name)
    else groups.push({ manner, names: [share.work.r.name] })
  }
  if (groups.length === 1) return mannerSaid(kind, groups[0]!.manner, false, trace)
  // Of many zones the largest lot of them is told last, without its names.
  const most = groups.reduce((a, b) => (b.names.length > a.names.length ? b : a))
  const rest = most.names.length > MOST_NAMED ? most : null
  const told = [...groups.filter((g) => g !== rest), ...(rest ? [rest] : [])]
  return joined(
    told.map((g) => say`${g === rest ? 'the others' : g.names.join(', ')}: ${mannerSaid(kind, g.manner, true, trace)}`), // prettier-ignore
    '; ',
  )
}

/** How an operation is done on one zone. */
export const howOn = (
  kind: StepKind,
  work: ZoneWork,
  operation: ZoneOperation,
  seedDepth: number | null,
  trace: Trace,
): Message => howOf(kind, [{ work, operation }], () => seedDepth, trace)

/** Zones whose lifts, feed or cover are really planned: a step without its material is none. */
function withMaterial(kind: StepKind, shares: Share[], { dressing, covers }: StepBrief): Share[] {
  if (kind === 'cover')
    return shares.filter((s) => covers.some((c) => c.zones.some((z) => z.zone === s.work.r.id)))
  if (kind === 'dress' || kind === 'trench' || kind === 'sand-in')
    return shares.filter(
      (s) =>
        kind === 'trench' || dressing?.parts.some((p) => p.step === kind && p.zone === s.work.r.id),
    )
  return shares
}

/** The ground a step wants; soil that sheds water is spiked as dry as it is. */
const wantedGround = (kind: StepKind, shares: readonly Share[], trace: Trace): Message =>
  kind === 'spike' && shares.every((s) => repelsWater(s.work.r, trace))
    ? 'soil as dry as it is: the wetting agent and slow water follow into the holes'
    : operationWants(kind, trace)

function needOf(
  kind: StepKind,
  shares: readonly Share[],
  brief: StepBrief,
): Omit<StepNeed, 'links'> {
  const { people, trace } = brief
  const effort = effortOf(kind, shares.map((s) => s.operation), soilHours(kind, shares, brief), people, trace) // prettier-ignore
  return {
    kind,
    zones: shares.map((s) => s.work.r.id),
    hours: hoursOf(effort),
    effort,
    passes: Math.max(...shares.map((s) => s.operation.passes)),
    precondition: wantedGround(kind, shares, trace),
    how: howOf(kind, shares, brief.seedDepth, trace),
  }
}

/** What a zone has once for each piece of work is told apart by this; its main work has none. */
const PIECE_PART: Partial<Record<PackageKind, number>> = { scalp: 2, barrier: 3, feed: 4, due: 5 }

/**
 * The steps a package needs up to its sowing and on the days of it, in the order of work, with what
 * holds them together.
 */
export function stepsOf(pack: WorkPackage, brief: StepBrief): PackageSteps {
  const kinds = inOrder(FIRST, brief)
  const table = precedence(pack.kind, brief.told, brief.trace)
  const needs: StepNeed[] = []
  for (const kind of kinds) {
    const shares = withMaterial(kind, sharesOf(pack, kind), brief)
    if (shares.length === 0) continue
    const part = OPERATIONS[kind].eachPiece ? PIECE_PART[pack.kind] : undefined
    const need = { ...needOf(kind, shares, brief), ...(part ? { part } : {}) }
    needs.push({ ...need, links: linksFor(need, needs, table) })
  }
  const anchor = anchorOf(
    pack.kind,
    needs.map((n) => n.kind),
  )
  return { needs, anchor: needs.findIndex((n) => n.kind === anchor) }
}

/** Steps that come after the seed is up, or after a dressing has been grown through. */
export function laterSteps(pack: WorkPackage, brief: StepBrief): StepNeed[] {
  const found: StepNeed[] = []
  for (const kind of AFTERWARDS) {
    const shares = sharesOf(pack, kind)
    if (shares.length === 0) continue
    if (OPERATIONS[kind].look && decidesIn(pack, kind, shares))
      found.push(...looksOf(kind, shares, brief))
    else found.push({ ...needOf(kind, shares, brief), links: [] })
  }
  const lifts = (brief.dressing?.parts ?? []).filter((p) => p.step === 'dress' && p.lifts > 1)
  const most = Math.min(MOST_LIFTS, Math.max(1, ...lifts.map((p) => p.lifts)))
  for (let lift = 2; lift <= most; lift++) {
    const zones = new Set(lifts.filter((p) => p.lifts >= lift).map((p) => p.zone))
    const shares = sharesOf(pack, 'dress').filter((s) => zones.has(s.work.r.id))
    if (shares.length > 0)
      found.push({
        ...needOf('dress-again', shares, brief),
        ...liftHours(shares, brief),
        links: [],
        ...(lift > 2 ? { part: lift } : {}),
      })
  }
  return found
}

/**
 * Whether a look decides anything there: thin places are sown again where something is sown for good;
 * a quick cover needs no mending, and laid turf no seed.
 */
function decidesIn({ kind: pack }: WorkPackage, kind: StepKind, shares: readonly Share[]): boolean {
  const { yes, no } = sure(OPERATIONS[kind].look)
  return [...yes.does, ...no.does]
    .filter(isStepKind)
    .every(
      (operation) =>
        OPERATIONS[operation].needs !== 'seed' ||
        (pack !== 'hold' && shares.every((s) => isSown(s.work.sowing))),
    )
}

/** A look with what each answer leads to, and the looks after it where it is taken again. */
function looksOf(kind: StepKind, shares: readonly Share[], brief: StepBrief): StepNeed[] {
  const { yes, no, part: first } = sure(OPERATIONS[kind].look)
  const times = Math.max(1, yes.again ?? 1, no.again ?? 1)
  const needs: StepNeed[] = []
  for (let i = 1; i <= times; i++) {
    const part = i > 1 ? { part: i } : {}
    const before = { look: kind, ...(i > 2 ? { part: i - 1 } : {}) }
    const again = yes.again ? ('yes' as const) : ('no' as const)
    needs.push({
      ...needOf(kind, shares, brief),
      links: [],
      decides: true,
      ...part,
      ...(i > 1 ? { when: { ...before, answer: again } } : {}),
    })
    for (const [answer, { does }] of [
      ['yes', yes],
      ['no', no],
    ] as const)
      // prettier-ignore
      for (const operation of does.filter(isStepKind))
        needs.push({
          ...needOf(operation, shares.map((s) => insteadOf(s, operation)), brief),
          links: [],
          part: first + i - 1,
          when: { look: kind, ...part, answer },
        })
  }
  return needs
}

/** Another operation on the same ground, done in the usual way. */
const insteadOf = ({ work, operation: o }: Share, operation: StepKind): Share => ({
  work,
  operation: {
    ...o,
    operation,
    passes: OPERATIONS[operation].halved ? 2 : 1,
    depth: null,
    height: null,
    tines: null,
    tool: null,
    ground: OPERATIONS[operation].ground === 'sown' && work.sown ? work.sown : o.ground,
  },
})

function liftHours(shares: readonly Share[], brief: StepBrief): Pick<StepNeed, 'hours' | 'effort'> {
  const effort = effortOf('dress-again', shares.map((s) => s.operation), soilHours('dress', shares, brief), brief.people, brief.trace) // prettier-ignore
  return { effort, hours: hoursOf(effort) }
}

/** Whether anything is sown or set in a package. */
export const plantsIn = (pack: WorkPackage): boolean => pack.zones.some((z) => isPlanted(z.sowing))
