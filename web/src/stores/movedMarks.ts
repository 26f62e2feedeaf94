import { computed, shallowRef, type Ref } from 'vue'
import type { JobPlan } from '@juvena/core/plan/jobPlan'
import type { FigureValue } from '@juvena/core/quantities/show'
import type { Stage } from '@juvena/core/rules/rule'
import type { Figure } from '@juvena/core/trace/figure'

const ALL_STAGES = [1, 2, 3, 4, 5, 6, 7, 8] as const
const derived = (f: Figure) => f.origin !== 'typed' && f.origin !== 'assumed'
const same = (a: unknown, b: unknown) =>
  a === b ||
  (typeof a === 'number' && typeof b === 'number'
    ? Math.abs(a - b) <= 1e-9 * Math.max(1, Math.abs(a))
    : JSON.stringify(a) === JSON.stringify(b))

/** What moved in a plan since each of its stages was last looked at. */
export function useMovedMarks(plan: Ref<JobPlan | null>) {
  const seen = shallowRef<Record<string, FigureValue>>({})
  /**
   * Stages looked at since the job was opened; a stage nobody has seen yet has nothing to have
   * moved from.
   */
  const looked = new Set<Stage>()
  const figures = () => Object.values(plan.value?.figures ?? {})
  const valuesOf = (of: Figure[]) => Object.fromEntries(of.map((f) => [f.id, f.value]))
  const current = (stage: (s: Stage) => boolean) =>
    valuesOf(figures().filter((f) => stage(f.stage)))

  function forget() {
    seen.value = {}
  }
  /** The first plan of a job. One with zones has been looked at before. */
  function first(hasZones: boolean) {
    looked.clear()
    if (hasZones) for (const stage of ALL_STAGES) looked.add(stage)
    seen.value = current(() => true)
  }
  /** Figures that were not there before are seen as they are. */
  function rememberNew() {
    seen.value = {
      ...seen.value,
      ...current((stage) => !looked.has(stage)),
      ...valuesOf(figures().filter((f) => !(f.id in seen.value))),
    }
  }
  /** From now on this stage's figures count as looked at. */
  function lookedAt(stage: Stage) {
    looked.add(stage)
    seen.value = { ...seen.value, ...current((s) => s === stage) }
  }
  /** Worked figures that differ from when their stage was last looked at, with the old value. */
  const moved = computed(() => {
    const map = new Map<string, FigureValue>()
    for (const f of figures()) {
      const before = seen.value[f.id]
      if (before !== undefined && derived(f) && !same(before, f.value)) map.set(f.id, before)
    }
    return map
  })
  const movedIn = (stage: Stage) =>
    [...moved.value.keys()].filter((key) => plan.value?.figures[key]?.stage === stage).length
  return { forget, first, rememberNew, lookedAt, moved, movedIn }
}
