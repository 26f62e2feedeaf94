import { expose } from 'comlink'
import type { Firm } from '@juvena/core/entities/firm'
import type { DiaryEntry } from '@juvena/core/entities/diary'
import { readJob, type JobDraft } from '@juvena/core/entities/job'
import type { Problem } from '@juvena/core/entities/problem'
import { planJob, type JobPlan } from '@juvena/core/pipeline'
import type { Outlook } from '@juvena/core/climate/station'

export interface Planned {
  plan: JobPlan | null
  problems: Problem[]
}

/** Reads a draft and plans it, off the page's thread. */
const planner = {
  plan(draft: JobDraft, today: string, firm: Firm, diary: DiaryEntry[], outlook: Outlook | null): Planned {
    const { job, problems } = readJob(draft)
    return { plan: job ? planJob(job, { today, firm, diary, outlook }) : null, problems }
  },
}
export type Planner = typeof planner
expose(planner)
