import { schoolsFor, type Firm } from '../entities/firm.ts'
import type { Job } from '../entities/job.ts'
import type { Schools } from '../reference/schools.ts'

/**
 * The schools of a job. A customer who wants no chemicals decides for it, unless the job's own
 * school says otherwise.
 */
export const schoolsOf = (job: Job, firm: Firm): Schools =>
  schoolsFor(
    firm,
    job.aims.includes('no-chemicals') ? { weeds: 'no-chemicals', ...job.schools } : job.schools,
  )
