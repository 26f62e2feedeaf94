import type { Day } from '../calendar/day.ts'
import type { PackageFollow } from '../plan/follow.ts'
import type { JobPlan } from '../plan/jobPlan.ts'
import { OPERATIONS } from '../reference/operations.ts'
import { onDay, say, type Message } from '../rules/message.ts'
import { daysOf } from '../trace/figure.ts'

/** How the lawn stands on the customer's date. */
export interface OnTheDate {
  day: Day
  verdict: 'right' | 'tight' | 'late'
  /** In two or three words, for a heading. */
  word: Message
  /** What will be seen that day, as a sentence. */
  seen: Message
}

/**
 * What will be seen on the day the customer names, of the work that is right last; null where no
 * day is named or no work is planned.
 */
export function onTheDate(
  plan: Pick<JobPlan, 'follow' | 'packages'>,
  day: Day | null,
): OnTheDate | null {
  if (day === null) return null
  const stands = plan.follow.packages.flatMap((f) => standing(plan, f, day) ?? [])
  const rank = { late: 0, tight: 1, right: 2 }
  return stands.sort((a, b) => rank[a.verdict] - rank[b.verdict])[0] ?? null
}

function standing(
  { packages }: Pick<JobPlan, 'packages'>,
  follow: PackageFollow,
  day: Day,
): OnTheDate | null {
  const right = daysOf(follow.presentable)
  if (right === null) return null
  const { low, high } = right
  if (day >= high)
    return { day, verdict: 'right', word: 'right by then', seen: say`It looks right by ${onDay(day)}.` } // prettier-ignore
  const verdict = day >= low ? 'tight' : 'late'
  const word = verdict === 'tight' ? 'tight' : 'not right by then'
  return { day, verdict, word, seen: seenOn(packages, follow, day, low) }
}

function seenOn(
  packages: JobPlan['packages'],
  { workPackage, sown, plants, haze }: PackageFollow,
  day: Day,
  low: Day,
): Message {
  const steps = packages.find((p) => p.id === workPackage)?.steps ?? []
  const opened = steps.find((s) => OPERATIONS[s.kind].opens ?? s.kind === 'sow')?.chosen ?? sown
  if (day < opened)
    return say`On ${onDay(day)} it is as it is now: the work that changes it begins ${onDay(opened, true)}.`
  if (day < sown) return say`On ${onDay(day)} it is in the middle of the work: cut down and opened.`
  if (!plants) return say`On ${onDay(day)} it is still rough and thin from the work.`
  if (haze === null || day < haze)
    return say`On ${onDay(day)} it is short, opened and mostly brown, with seed on the soil.`
  return day < low
    ? say`On ${onDay(day)} there is a green haze: young grass, thin and uneven.`
    : say`On ${onDay(day)} it is green and may still be thin in places.`
}
