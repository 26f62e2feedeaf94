import { ref, shallowRef } from 'vue'
import type { Way } from '@juvena/core/approach/ways'
import type { JobDraft } from '@juvena/core/entities/job'
import type { Problem } from '@juvena/core/entities/problem'
import type { JobPlan } from '@juvena/core/plan/jobPlan'
import { useMovedMarks } from './movedMarks.ts'
import { planInWorker, waysInWorker } from './planner.ts'

type Asked = Parameters<typeof planInWorker>[1]

/**
 * The plan of the job that is open, worked in the worker whenever `ask` would say something else;
 * one at a time, the last one asked for always worked. `ask`: the draft and what it is planned
 * with; null while no job is open.
 */
export function usePlanning(ask: () => { draft: JobDraft; with: Asked } | null) {
  const plan = shallowRef<JobPlan | null>(null)
  /** Ready-made ways by zone, worked after the plan. */
  const ways = shallowRef<Record<string, Way[]>>({})
  const problems = shallowRef<Problem[]>([])
  const failure = ref('')
  const marks = useMovedMarks(plan)

  function forget() {
    plan.value = null
    ways.value = {}
    failure.value = ''
    marks.forget()
  }
  let planning = false
  let again = false
  async function replan() {
    if (planning) {
      again = true
      return
    }
    planning = true
    try {
      do {
        again = false
        await planOnce()
      } while (again)
    } finally {
      planning = false
    }
  }
  /** A plan that cannot be worked out leaves the last one standing, and says so. */
  async function planOnce() {
    const asked = ask()
    if (!asked) return
    const stillOpen = () => ask()?.with.jobId === asked.with.jobId
    try {
      const planned = await planInWorker(asked.draft, asked.with)
      if (!stillOpen()) return
      failure.value = ''
      problems.value = planned.problems
      if (!planned.plan) return
      const first = plan.value === null
      plan.value = planned.plan
      if (first) marks.first((ask()?.draft.zones ?? []).length > 0)
      else marks.rememberNew()
      const found = await waysInWorker()
      if (stillOpen()) ways.value = found
    } catch (error) {
      if (stillOpen()) failure.value = (error as Error).message
    }
  }
  return { plan, ways, problems, failure, marks, replan, forget }
}
