import { showDay } from '@juvena/core/calendar/day'
import { REASONS } from '@juvena/core/climate/dayReasons'
import type { JobPlan } from '@juvena/core/plan/jobPlan'
import type { Held, PackagePlan, PlannedStep } from '@juvena/core/plan/order'
import { isBehind } from '@juvena/core/plan/stepState'
import { differsText, otherDays } from '@juvena/core/present/otherDays'
import { OPERATIONS } from '@juvena/core/reference/operations'
import type { Message } from '@juvena/core/rules/message'
import { zoneOf } from '@juvena/core/trace/scope'
import { capital, dayText } from '../../parts/dayRow.ts'
import { placeOf } from './timeLine.ts'

/** Work of a lane that lies on one day or close to it, drawn as one core. */
export interface Piece {
  key: string
  /** Where it lies, 0 to 1 of the lane. */
  at: number
  /** In a word each, the weightiest first. */
  words: string[]
  says: string
  plants: boolean
  done: boolean
  /** A look that nobody has taken yet: what follows hangs on it. */
  looks: boolean
  /** What moves with it: the step that its days hang on, or the weightiest. */
  step: PlannedStep
  /** Whether its step is the one that the whole lane hangs on. */
  leads: boolean
}

export interface Lane {
  id: string
  pack: PackagePlan | null
  name: string
  sub: string
  cutOff: string | null
  pieces: Piece[]
  why: string
  other: string
}

type Told = (m: Message) => string

/** Steps so near that their cores would lie on one another are one core. */
const APART = 0.095

/** The cores of a lane, by day. */
export function piecesOf(
  steps: readonly PlannedStep[],
  anchor: string | null,
  today: string,
  told: Told,
): Piece[] {
  const groups: { at: number; steps: PlannedStep[] }[] = []
  for (const s of [...steps].sort((a, b) => a.chosen.localeCompare(b.chosen))) {
    if (OPERATIONS[s.kind].short[1] === 0 && steps.length > 1) continue
    const at = placeOf(today, s.chosen)
    const near = groups.at(-1)
    if (near && at - near.at < APART) near.steps.push(s)
    else groups.push({ at, steps: [s] })
  }
  return groups.map(({ at, steps: near }, g) => {
    const weights = new Map<string, number>()
    for (const s of near) {
      const [word, weight] = OPERATIONS[s.kind].short
      const name = told(word) || told(s.name)
      weights.set(name, Math.max(weight, weights.get(name) ?? 0))
    }
    const lead = near.find((s) => s.kind === anchor)
    const weightiest = [...near].sort(
      (a, b) => OPERATIONS[b.kind].short[1] - OPERATIONS[a.kind].short[1],
    )[0]!
    // It lies on the day that it hangs on, where the next one leaves room for it there.
    const led = lead ? placeOf(today, lead.chosen) : at
    const next = groups[g + 1]?.at ?? Infinity
    return {
      key: near[0]!.id,
      at: next - led < APART ? at : led,
      words: [...weights].sort((a, b) => b[1] - a[1]).map(([name]) => name),
      says: near.map((s) => `${showDay(s.chosen)}: ${told(s.name)}`).join('; '),
      plants: near.some((s) => OPERATIONS[s.kind].plants),
      done: near.every(isBehind),
      looks: near.some((s) => s.look && s.look.answer === null),
      step: lead ?? weightiest,
      leads: lead !== undefined,
    }
  })
}

/** Of the seasons round a job's work, the nearest days before and after, and other seasons. */
const OTHERS_SHOWN = 4
function othersText(pack: PackagePlan, today: string): string {
  if (!pack.worth) return ''
  const all = otherDays(pack.worth)
  // A week either way tells most; with room, a fortnight.
  const near = all.slice(0, pack.worth.around.length)
  const far = all.slice(pack.worth.around.length)
  const shown = [...near.slice(0, Math.max(2, OTHERS_SHOWN - far.length)), ...far]
  return shown
    .sort((a, b) => a.day.localeCompare(b.day))
    .map((o) => `${dayText(o.day, today)} ${differsText(o.differs)}`)
    .join(' · ')
}

const reasonOf = (pack: PackagePlan): Message =>
  REASONS[pack.window.find((w) => w.from <= pack.sowDay && pack.sowDay <= w.to)?.reason ?? 'good']

const heldSaid = ({ until, why }: Held, day: (d: string) => string, told: Told): string =>
  why === 'with-visit'
    ? ` ${capital(told(REASONS[why]))}.`
    : ` Not before ${day(until)}: ${told(REASONS[why])}.`

/** What the looks of a lane decide, in a sentence each. */
const looksSaid = (steps: readonly PlannedStep[], today: string, told: Told): string[] =>
  steps.flatMap(({ look, chosen, name }) =>
    look && look.answer === null
      ? [
          `${told(name)} ${dayText(chosen, today)}: ${told(look.yes.when)}, ${told(look.yes.says)}; else ${told(look.no.says)}.`,
        ]
      : [],
  )

/** The lanes of a job: due work first, then each piece of work and what follows it. */
export function lanesOf(
  plan: JobPlan,
  { today, told, titleOf }: { today: string; told: Told; titleOf: (pack: PackagePlan) => string },
): Lane[] {
  const later = new Set(plan.follow.later.map((s) => s.id))
  const all = plan.zones.filter((z) => z.area)
  const zonesText = (ids: readonly string[]) =>
    ids.length === all.length && ids.length > 1
      ? 'all zones'
      : ids.map((id) => all.find((z) => z.id === zoneOf(id))?.name ?? id).join(', ')
  const day = (d: string) => dayText(d, today)
  const dueFirst = [...plan.packages].sort(
    (a, b) => Number(b.kind === 'due') - Number(a.kind === 'due'),
  )
  return dueFirst.flatMap((pack): Lane[] => {
    const mine = plan.steps.filter((s) => s.workPackage === pack.id)
    const work = mine.filter((s) => !later.has(s.id))
    const after = mine.filter((s) => later.has(s.id))
    const odds = pack.choices.find((c) => c.taken)?.odds
    const due = pack.kind === 'due'
    const held = work.find((s) => s.kind === pack.anchor)?.holds
    const hasCutOff = !due && pack.kind !== 'feed' && pack.kind !== 'barrier'
    const lane: Lane = {
      id: pack.id,
      pack,
      name: due ? told(work.find((s) => s.kind === pack.anchor)?.name ?? '') : titleOf(pack),
      sub: due ? zonesText(pack.zones) : '',
      cutOff: hasCutOff ? String(pack.cutOff.value) : null,
      pieces: piecesOf(work, pack.anchor, today, told),
      why: due
        ? `${day(pack.sowDay)}: ${held ? `due from ${day(held.until)}; ${told(REASONS[held.why])}` : 'due, it waits for nothing else'}.`
        : `${day(pack.sowDay)}: ${odds ? `${odds.value} years in 100; ` : ''}${told(reasonOf(pack))}.${held ? heldSaid(held, day, told) : ''}`,
      other: due ? '' : othersText(pack, today),
    }
    if (after.length === 0) return [lane]
    const follow = plan.follow.packages.find((x) => x.workPackage === pack.id)
    const growing = follow?.phases?.growing
    return [
      lane,
      {
        id: `${pack.id} after`,
        pack: null,
        name: due ? 'Looked at again' : pack.plants ? 'Waters, then grows on' : 'Afterwards',
        sub: follow?.wateringDays
          ? `${follow.wateringDays.value} days kept moist`
          : zonesText(pack.zones),
        cutOff: null,
        pieces: piecesOf(after, null, today, told),
        why: [
          growing ? `Growing on ${day(growing.from)} to ${day(growing.to)}.` : '',
          ...looksSaid(after, today, told),
        ]
          .filter(Boolean)
          .join(' '),
        other: follow?.rest
          ? `nothing grows ${day(follow.rest.from)} to ${day(follow.rest.to)}`
          : '',
      },
    ]
  })
}
