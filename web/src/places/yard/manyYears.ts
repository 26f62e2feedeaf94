import { wrap } from 'comlink'
import type { Years } from '../../workers/year.worker.ts'

/** A worker that tries many simulated years; ended, it is gone. */
export function startYears() {
  const thread = new Worker(new URL('../../workers/year.worker.ts', import.meta.url), {
    type: 'module',
  })
  return { worker: wrap<Years>(thread), end: () => thread.terminate() }
}
