import { ref } from 'vue'

/** What the keys do on the screen that is open; each place hangs its own here while it stands. */
export const actions: {
  stage?: (stage: number) => void
  working?: () => void
  neighbour?: (step: 1 | -1) => void | Promise<void>
  /** The day before or after, on a screen that shows one day. */
  day?: (step: 1 | -1) => void
  undo?: () => boolean
  redo?: () => boolean
} = {}

/** The job opened last, for the top strip. */
export const lastJob = ref(localStorage.getItem('juvena.last-job'))
export function rememberJob(id: string | null) {
  lastJob.value = id
  if (id) localStorage.setItem('juvena.last-job', id)
  else localStorage.removeItem('juvena.last-job')
}
