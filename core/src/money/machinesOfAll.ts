import { group } from 'd3-array'
import { addDays, type Day } from '../calendar/day.ts'
import type { Firm } from '../entities/firm.ts'
import type { Job } from '../entities/job.ts'
import { workforceOf } from '../firm/firmSettings.ts'
import type { JobPlan } from '../plan/jobPlan.ts'
import { isBehind } from '../plan/stepState.ts'
import { sum } from '../quantities/sum.ts'
import type { Message } from '../rules/message.ts'
import { Trace } from '../trace/trace.ts'
import { buyFrom, hireFor, type Hire, type HirePrices } from './hire.ts'
import { daysUsed, hireSaid, machineSteps } from './machineDays.ts'
import { coinOf, isTheirs, toCoin } from './moneyOfPlan.ts'

/** A machine of the firm’s that a job still wants: its hours on each day. */
export interface MachineWanted {
  job: string
  name: string
  /** Its id in the price list. */
  machine: string
  /** The work it is wanted for: what it goes by where it has no name. */
  work: Message
  days: { day: Day; hours: number }[]
}

/** The machines that a job still wants. */
export const machinesWanted = (
  id: string,
  job: Job,
  plan: Pick<JobPlan, 'steps' | 'zones'>,
  firm: Pick<Firm, 'prices'>,
): MachineWanted[] =>
  machineSteps(
    plan.steps.filter((s) => !isTheirs(s, job) && !isBehind(s)),
    plan,
    firm,
  ).flatMap(([m, steps]) =>
    steps[0]
      ? [{ job: id, name: job.name, machine: m.id, work: steps[0].name, days: daysUsed(steps) }]
      : [],
  )

/** A machine over all jobs: which want it on which day, and what it costs hired for all or for each. */
export interface MachineOfAll {
  machine: string
  name: Message
  own: boolean
  days: {
    day: Day
    hours: number
    jobs: { job: string; name: string; hours: number }[]
    /** More hours than one machine has in a day. */
    over: boolean
  }[]
  /** Hired once for all of them, and for each job apart, thousandths; null where it is the firm’s own, or no price covers it. */
  together: { cost: number; says: Message } | null
  apart: number | null
  /** Jobs that want it within a year from today, and from how many owning one is cheaper. */
  jobs: number
  buyFrom: number | null
}

/**
 * What several jobs want of the firm’s machines from today on. Jobs that share a day share its hire;
 * where a day asks for more hours than it has, a second machine is hired for the rest.
 */
export function machinesOfAll(
  wanted: readonly MachineWanted[],
  firm: Firm,
  today: Day,
): MachineOfAll[] {
  const { hoursPerDay } = workforceOf(firm, new Trace(firm.values))
  const coin = coinOf(firm)
  const ahead = wanted
    .map((w) => ({ ...w, days: w.days.filter((d) => d.day >= today) }))
    .filter((w) => w.days.length > 0)
  return firm.prices.machines.flatMap((m): MachineOfAll[] => {
    const mine = ahead.filter((w) => w.machine === m.id)
    const [first] = mine
    if (!first) return []
    const uses = mine.flatMap(({ job, name, days }) => days.map((d) => ({ ...d, job, name })))
    const days = [...group(uses, (u) => u.day)]
      .sort(([a], [b]) => a.localeCompare(b))
      .map(([day, jobs]) => {
        const hours = sum(jobs.map((j) => j.hours))
        return {
          day,
          hours,
          jobs: jobs.map((j) => ({ job: j.job, name: j.name, hours: j.hours })),
          over: hours > hoursPerDay + 1e-9,
        }
      })
    const own = m.own !== null
    const each = own ? null : added(mine.map((w) => hireFor(w.days, m)))
    const shared = own ? null : hireForAll(days, hoursPerDay, m)
    // Two half days may be cheaper than one whole one.
    const together = each && shared && each.cost < shared.cost ? each : shared
    const within = new Set(uses.filter((u) => u.day < addDays(today, 365)).map((u) => u.job)).size
    return [
      {
        machine: m.id,
        name: m.name || first.work,
        own,
        days,
        together: together && { cost: toCoin(together.cost, coin), says: hireSaid(together) },
        apart: each && toCoin(each.cost, coin),
        jobs: within,
        buyFrom: together && buyFrom(m, together.cost / mine.length),
      },
    ]
  })
}

/** Hires together; null where one of them has no price. */
const added = (hires: readonly (Hire | null)[]): Hire | null =>
  hires.reduce<Hire | null>(
    (all, h) =>
      all &&
      h && {
        halves: all.halves + h.halves,
        days: all.days + h.days,
        weekends: all.weekends + h.weekends,
        cost: all.cost + h.cost,
      },
    { halves: 0, days: 0, weekends: 0, cost: 0 },
  )

/** The cheapest hire over days of which some want more than one machine. */
function hireForAll(
  days: readonly { day: Day; hours: number }[],
  hoursPerDay: number,
  prices: HirePrices,
): Hire | null {
  const machines = Math.max(...days.map((d) => Math.ceil(d.hours / hoursPerDay - 1e-9)))
  return added(
    Array.from({ length: machines }, (_, nth) =>
      hireFor(
        days.flatMap(({ day, hours }) => {
          const left = hours - nth * hoursPerDay
          return left > 1e-9 ? [{ day, hours: Math.min(hoursPerDay, left) }] : []
        }),
        prices,
      ),
    ),
  )
}
