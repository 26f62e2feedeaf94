import type { Day } from '../calendar/day.ts'
import { activeEntries, tickedTwice, type DiaryEntry } from '../entities/diary.ts'
import type { Firm } from '../entities/firm.ts'
import type { JobPlan } from '../plan/jobPlan.ts'
import type { PlannedStep } from '../plan/order.ts'
import { parseQuantity } from '../quantities/quantity.ts'
import { sum } from '../quantities/sum.ts'
import { isStepKind, OPERATIONS, orderOf, type StepKind } from '../reference/operations.ts'
import type { Message } from '../rules/message.ts'
import { num } from '../trace/figure.ts'
import { agreedOn, offersOf } from '../money/offerOf.ts'
import { stepAmounts } from './dayWork.ts'

/** One kind of work: what it was quoted and planned at, and what it took. */
export interface TaskActual {
  kind: StepKind
  what: Message
  /** Hours in the offer that was accepted; null where none was, or it held no such work. */
  quoted: number | null
  planned: number
  /** Hours as written down; null where nobody has. */
  taken: number | null
  /** Its steps that are done, with hours or without, and how many there are. */
  done: number
  of: number
  /** What was weighed out and what went down, kg; null where either is not told in kilograms. */
  amount: { planned: number; used: number } | null
}

export interface Actuals {
  tasks: TaskActual[]
  /** Over the work with hours written down: as quoted, or else as planned, and as it was. */
  hours: { expected: number; taken: number }
  /** What the difference is in wages, thousandths; null until the firm has said what an hour costs. */
  money: number | null
  /** Quoted, and agreed on with every change since; null where nothing was accepted. */
  sold: { quoted: number | null; agreed: number } | null
}

/** Kilograms out of an amount as typed; null where it is told otherwise. */
function kilograms(amount: string): number | null {
  const read = parseQuantity(amount, 'mass')
  return read.ok && read.value > 0 ? read.value : null
}

/**
 * What a job took beside what it was quoted and planned at, by kind of work; null while no hours or
 * amounts are written down and nothing was accepted.
 */
export function actualsOf(
  plan: JobPlan,
  diary: readonly DiaryEntry[],
  firm: Firm,
  today: Day,
): Actuals | null {
  const twice = new Set(tickedTwice(diary).map((e) => e.id))
  const entries = new Map(activeEntries(diary).filter((e) => !twice.has(e.id)).map((e) => [e.id, e])) // prettier-ignore
  const accepted = offersOf(diary, today).find((o) => o.state === 'accepted')
  const quoted = new Map((accepted?.way?.tasks ?? []).map((t) => [t.kind, t.hours]))
  const kinds = [...new Set([...plan.steps.map((s) => s.kind), ...quoted.keys()])].filter(
    isStepKind,
  )
  const tasks = kinds
    .sort((a, b) => orderOf(a) - orderOf(b))
    .map((kind): TaskActual => {
      const steps = plan.steps.filter((s) => s.kind === kind)
      const ticks = steps.flatMap((s) => (plan.ticks[s.id] ?? []).flatMap((id) => entries.get(id) ?? [])) // prettier-ignore
      const hours = ticks.flatMap((e) => e.hours ?? [])
      return {
        kind,
        what: steps[0]?.name ?? OPERATIONS[kind].name,
        quoted: quoted.get(kind) ?? null,
        planned: sum(steps.map((s) => num(s.hours) * s.people)),
        taken: hours.length > 0 ? sum(hours) : null,
        done: steps.filter((s) => s.state === 'done').length,
        of: steps.length,
        amount: amountOf(steps, ticks, plan),
      }
    })
    .filter((t) => t.planned > 0 || t.taken !== null || t.quoted !== null)
  const known = tasks.filter((t) => t.taken !== null)
  const agreed = agreedOn(diary, today)
  if (known.length === 0 && agreed === null && tasks.every((t) => t.amount === null)) return null
  const expected = sum(known.map((t) => t.quoted ?? t.planned))
  const taken = sum(known.map((t) => t.taken ?? 0))
  const { labour } = firm.prices
  return {
    tasks,
    hours: { expected, taken },
    money: labour === null ? null : Math.round((taken - expected) * labour),
    sold: agreed === null ? null : { quoted: accepted?.way?.price ?? null, agreed },
  }
}

/** Kilograms planned and put down by some steps: seed by its lots, the rest by what was typed. */
function amountOf(
  steps: readonly PlannedStep[],
  ticks: readonly DiaryEntry[],
  plan: JobPlan,
): TaskActual['amount'] {
  const done = steps.filter((s) => (plan.ticks[s.id] ?? []).length > 0)
  const used = ticks.flatMap((e) => e.lots.length > 0 ? [sum(e.lots.map((l) => l.kg))] : (kilograms(e.amount) ?? [])) // prettier-ignore
  if (used.length === 0 || used.length < ticks.length) return null
  const planned = done.flatMap((s) => stepAmounts(s, plan, { lots: [] })).filter((a) => a.unit === 'kg') // prettier-ignore
  const sums = planned.map((a) => Number(a.value) * a.pans)
  return sums.length === 0 ? null : { planned: sum(sums), used: sum(used) }
}
