import { expose } from 'comlink'
import { readJob, type JobDraft } from '@juvena/core/entities/job'
import { seedbedOfJob, type SeedbedOfPackage } from '@juvena/core/seedbedOfJob'
import type { Setting } from './plan.worker.ts'

/**
 * The seedbed of a job's sowings through a hundred simulated years: slow, so in a worker of its
 * own. It tells what it has as it goes, and is ended by ending the worker.
 */
const seedbed = {
  search(
    draft: JobDraft,
    setting: Setting,
    tell: (so: SeedbedOfPackage, done: number) => void,
  ): SeedbedOfPackage[] {
    const { job } = readJob(draft)
    if (!job) return []
    return seedbedOfJob(job, setting, (so, done) => (tell(so, done), false))
  },
}
export type SeedbedWorker = typeof seedbed
expose(seedbed)
