import { withProbe } from '../climate/siteReadings.ts'
import type { Context } from '../plan/context.ts'
import type { Job } from '../entities/job.ts'
import { grassTable } from '../firm/firmGrasses.ts'
import { onlyKnownGrasses } from '../seed/knownGrasses.ts'
import { lotsOfJob } from '../stock/lotsOfJob.ts'
import { lotValues } from '../stock/lotWorth.ts'
import { seedOnShelf, type BagOnShelf } from '../stock/seedOnShelf.ts'
import type { Notice } from '../trace/figure.ts'
import { Trace } from '../trace/trace.ts'

/**
 * A job as it is planned: with the firm's grasses only, the newest reading of its soil, its lots as
 * they lie on the shelf today, and no customer's date that has passed.
 */
export function jobAsPlanned(
  entered: Job,
  { firm, stock = [], today, diary }: Pick<Context, 'firm' | 'stock' | 'today' | 'diary'>,
): { job: Job; shelf: BagOnShelf[]; notices: Notice[]; trace: Trace } {
  const grasses = grassTable(firm.grasses)
  const trace = new Trace(firm.values, grasses)
  const known = onlyKnownGrasses(withProbe(entered, diary, today), grasses)
  const { job, notices } = lotsOfJob(known.job, stock, grasses, today, trace)
  // Nothing is planned towards a day that has passed.
  const customerDate = job.customerDate !== null && job.customerDate < today ? null : job.customerDate // prettier-ignore
  return {
    job: { ...job, customerDate },
    shelf: seedOnShelf(stock, grasses, today, trace.values(lotValues)),
    notices: [...known.notices, ...notices],
    trace,
  }
}
