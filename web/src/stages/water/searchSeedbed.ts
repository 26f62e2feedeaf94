import { proxy, wrap } from 'comlink'
import type { SeedbedOfPackage } from '@juvena/core/seedbedOfJob'
import { plain } from '../../stores/plain.ts'
import type { SeedbedWorker } from '../../workers/seedbed.worker.ts'

type Asked = Parameters<SeedbedWorker['search']>

/**
 * Searches the seedbeds of a job in a worker of their own. `tell` gets what is found so far, and how
 * far the search is, 0 to 1. Gives what ends it.
 */
export function searchSeedbed(
  draft: Asked[0],
  setting: Asked[1],
  tell: (so: SeedbedOfPackage, done: number) => void,
  failed: (error: Error) => void,
): () => void {
  const thread = new Worker(new URL('../../workers/seedbed.worker.ts', import.meta.url), {
    type: 'module',
  })
  const end = () => thread.terminate()
  thread.addEventListener('error', () => failed(new Error('The search stopped.')))
  void wrap<SeedbedWorker>(thread)
    .search(plain(draft), plain(setting), proxy(tell))
    .then((all) => {
      for (const so of all) tell(so, 1)
      end()
    }, failed)
  return end
}
