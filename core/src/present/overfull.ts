import { sure } from '../quantities/sure.ts'
import { daysBetween, type Day } from '../calendar/day.ts'
import type { Message } from '../rules/message.ts'
import { isBehind } from '../plan/stepState.ts'
import type { DayJob } from './dayWork.ts'

/** Work of a day that may wait, and for what day there is room. */
export interface MayWait {
  job: string
  jobName: string
  step: Message
  /** Hours of work, all people together. */
  hours: number
  /** The last day it may be done and still fall in its season. */
  until: Day
  /** The first day after with room for it, of those that are known; null where there is none. */
  roomOn: Day | null
}

/** A day with more work than the crew has hours. */
export interface Overfull {
  hours: number
  capacity: number
  mayWait: MayWait[]
}

/** Hours over that are worked off the same day. */
const OVERTIME = 0.5
/** Pieces of work that are named at most. */
const MOST = 4

/**
 * What can wait on a day with more work than the crew has hours: the largest pieces with slack
 * first, until the rest fits. Null where the day is not overfull. `load` is hours of work by day
 * for the days after it.
 */
export function overfull(
  on: Day,
  jobs: readonly Pick<DayJob, 'id' | 'name' | 'steps'>[],
  load: ReadonlyMap<Day, number>,
  capacity: number,
): Overfull | null {
  const open = jobs.flatMap((job) =>
    job.steps.filter((s) => !isBehind(s)).map((s) => ({ job, step: s, hours: s.hours * s.people })),
  )
  const hours = open.reduce((sum, o) => sum + o.hours, 0)
  if (hours <= capacity + OVERTIME) return null
  const room = new Map(load)
  const mayWait: MayWait[] = []
  let over = hours - capacity
  const slack = open
    .filter(({ step }) => step.state === 'planned' && step.latest !== null && step.latest > on)
    .sort((a, b) => b.hours - a.hours || daysBetween(sure(a.step.latest), sure(b.step.latest)))
  for (const { job, step, hours: needs } of slack) {
    if (over <= 0 || mayWait.length === MOST) break
    const until = sure(step.latest)
    const roomOn =
      [...room].filter(([day, filled]) => day > on && day <= until && filled + needs <= capacity).map(([day]) => day).sort()[0] ?? null // prettier-ignore
    if (roomOn) room.set(roomOn, sure(room.get(roomOn)) + needs)
    mayWait.push({ job: job.id, jobName: job.name, step: step.name, hours: needs, until, roomOn })
    over -= needs
  }
  return { hours, capacity, mayWait }
}
