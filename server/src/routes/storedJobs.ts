import type { Request } from 'express'
import { notFound } from '../problemDocument.ts'
import { UnreadableJob, type JobText, type StoredJob } from '../store/jobStore.ts'
import { idOf, type Parts } from './route.ts'

/** Jobs as the routes ask for them: there, or refused. */
export interface StoredJobs {
  jobOr404: (req: Request) => Promise<StoredJob>
  textOr404: (id: string) => Promise<JobText>
  /** A job as text that can be read here. */
  soundOr404: (id: string) => Promise<JobText>
  /** A job with its diary as JSON. */
  full: (id: string) => Promise<string>
}

export function storedJobs({
  jobs,
  diary,
  clock,
}: Pick<Parts, 'jobs' | 'diary' | 'clock'>): StoredJobs {
  const jobOr404 = async (req: Request) => {
    const job = await jobs.get(idOf(req))
    if (!job) throw notFound('job')
    return job
  }
  const textOr404 = async (id: string): Promise<JobText> => {
    const text = await jobs.text(id)
    if (!text) throw notFound('job')
    return text
  }
  /** A job as text that can be read here. */
  const soundOr404 = async (id: string): Promise<JobText> => {
    const text = await textOr404(id)
    if (text.wrong) throw new UnreadableJob(id, text.wrong)
    return text
  }
  const full = async (id: string): Promise<string> => {
    const job = await soundOr404(id)
    const { revision: at, name, savedAt, archivedAt } = job
    const head = JSON.stringify({
      id,
      revision: at,
      name,
      savedAt,
      archivedAt,
      today: clock.today(job.timeZone || null),
    })
    return `${head.slice(0, -1)},"draft":${job.body},"diary":${await diary.text(id)}}`
  }

  return { jobOr404, textOr404, soundOr404, full }
}
