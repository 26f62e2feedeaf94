import { applyPatches, enablePatches, produceWithPatches, type Patch } from 'immer'
import { computed, shallowRef } from 'vue'
import type { JobDraft } from '@juvena/core/entities/job'
import { plain } from './plain.ts'

enablePatches()

/** One step of undo: what it changed, not a copy of the job. */
interface Step {
  forward: Patch[]
  back: Patch[]
}
const DEPTH = 200
/** Edits of the same field within this many ms are one step. */
const RUN = 1500

/** Undo and redo of a draft, kept as changes. */
export function useHistory() {
  const past = shallowRef<Step[]>([])
  const future = shallowRef<Step[]>([])
  let field = ''
  let at = 0

  const add = (step: Step) => (past.value = [...past.value.slice(-DEPTH + 1), step])

  function clear() {
    past.value = []
    future.value = []
    field = ''
  }
  /** The draft with a change to a field made, or the same draft when it changed nothing. */
  function changed(draft: JobDraft, name: string, change: (draft: JobDraft) => void): JobDraft {
    const [, patches, back] = produceWithPatches(draft, (copy: JobDraft) => void change(copy))
    if (patches.length === 0) return draft
    const forward = plain(patches)
    const now = Date.now()
    const last = past.value.at(-1)
    if (last && name === field && now - at <= RUN)
      past.value = [
        ...past.value.slice(0, -1),
        { forward: [...last.forward, ...forward], back: [...back, ...last.back] },
      ]
    else add({ forward, back })
    field = name
    at = now
    future.value = []
    return applyPatches(draft, forward)
  }
  /** Another draft put in this one's place, as one step. */
  function replaced(draft: JobDraft, other: JobDraft): JobDraft {
    const whole = (value: JobDraft): Patch[] => [{ op: 'replace', path: [], value }]
    add({ forward: whole(other), back: whole(draft) })
    future.value = []
    field = ''
    return other
  }
  function undone(draft: JobDraft): JobDraft {
    const step = past.value.at(-1)
    if (!step) return draft
    past.value = past.value.slice(0, -1)
    future.value = [...future.value, step]
    field = ''
    return applyPatches(draft, step.back)
  }
  function redone(draft: JobDraft): JobDraft {
    const step = future.value.at(-1)
    if (!step) return draft
    future.value = future.value.slice(0, -1)
    past.value = [...past.value, step]
    field = ''
    return applyPatches(draft, step.forward)
  }
  const canUndo = computed(() => past.value.length > 0)
  const canRedo = computed(() => future.value.length > 0)
  return { clear, changed, replaced, undone, redone, canUndo, canRedo }
}
