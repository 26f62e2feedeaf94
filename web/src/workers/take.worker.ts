import { expose } from 'comlink'
import type { JobDraft } from '@juvena/core/entities/job'
import { takeOfJob, type TakeAsked, type TakeOfZone } from '@juvena/core/takeOfJob'
import { Memo } from '@juvena/core/trace/memo'
import type { Setting } from './plan.worker.ts'

/** Why a zone does not come up: it plans the job and the ground sown again, so in a worker. */
const memo = new Memo()
const take = {
  judge: (draft: JobDraft, setting: Setting, asked: TakeAsked): TakeOfZone | null =>
    takeOfJob(draft, { ...setting, memo }, asked),
}
export type TakeWorker = typeof take
expose(take)
