import { wrap, type Remote } from 'comlink'
import { onBeforeUnmount, ref, shallowRef, watch, type Ref } from 'vue'
import type { TakeAsked, TakeOfZone } from '@juvena/core/takeOfJob'
import { plain } from '../../../stores/plain.ts'
import { useJob } from '../../../stores/job.ts'
import type { TakeWorker } from '../../../workers/take.worker.ts'

/**
 * Judges a zone that does not come up, in a worker, again whenever what is asked or the plan changes.
 * The last answer stays until the next is there.
 */
export function useTake(asked: Ref<TakeAsked | null>) {
  const job = useJob()
  const thread = new Worker(new URL('../../../workers/take.worker.ts', import.meta.url), {
    type: 'module',
  })
  const worker: Remote<TakeWorker> = wrap<TakeWorker>(thread)
  const found = shallowRef<TakeOfZone | null>(null)
  const failure = ref('')
  let turn = 0
  thread.addEventListener('error', () => (failure.value = 'It could not be worked out.'))
  watch(
    [asked, () => job.plan],
    async () => {
      const of = job.asked()
      if (!asked.value || !of || !job.plan) return
      const mine = ++turn
      try {
        const answer = await worker.judge(plain(of.draft), plain(of.with), plain(asked.value))
        if (mine !== turn) return
        found.value = answer
        failure.value = ''
      } catch (error) {
        if (mine === turn) failure.value = (error as Error).message
      }
    },
    { immediate: true, deep: true },
  )
  onBeforeUnmount(() => thread.terminate())
  return { found, failure }
}
