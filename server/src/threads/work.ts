import { setPriority } from 'node:os'
import { isMainThread } from 'node:worker_threads'

import { backup as writeBackup, check as checkIt } from './backup.ts'
import { usesOfRule as usesOf } from '../store/overAllJobs.ts'
import { seedOfAll as seedOf } from './seedOfAll.ts'
import { ordersOfJobs as ordersOf } from './ordersOfJobs.ts'
import { machinesOfJobs as machinesOf } from './machinesOfJobs.ts'
import { learntOfAll as learntOf } from './learntOfAll.ts'
import { picture as takePicture } from './picture.ts'
import { paperPdf as writePaper } from '../documents/paperPdf.ts'
import { keptPlan } from '../store/keptPlan.ts'
import { plan as planJob, row as planRow, type PlanAsk } from './planForSeason.ts'
import { readFileSent as readFile, readLongDraftSent as readLongDraft } from './readSent.ts'

/** An error loses its code on the way out of a thread; a plain object does not. */
const coded =
  <A, T>(work: (ask: A) => T | Promise<T>) =>
  async (ask: A): Promise<T> => {
    try {
      return await work(ask)
    } catch (error) {
      const { name, message, stack, code } = error as NodeJS.ErrnoException
      throw { name, message, stack, code } satisfies ThreadFault
    }
  }
/** What a thread says when it fails. */
export interface ThreadFault {
  name: string
  message: string
  stack: string | undefined
  code: string | undefined
}

/** What can be asked of a thread, by name. */
export const backup = coded(writeBackup)
export const checkBackup = coded(checkIt)
export const picture = coded(takePicture)
export const plan = coded(planJob)
export const row = coded((ask: PlanAsk) => keptPlan(planRow(ask)))
export const seedOfAll = coded(seedOf)
export const ordersOfJobs = coded(ordersOf)
export const machinesOfJobs = coded(machinesOf)
export const learntOfAll = coded(learntOf)
export const paperPdf = coded(writePaper)
export const usesOfRule = coded(usesOf)
export const readLongDraftSent = coded(readLongDraft)
export const readFileSent = coded(readFile)

// Whoever waits at a page comes first. Only Linux gives each thread a priority of its own;
// elsewhere this would slow the whole process.
if (!isMainThread && process.platform === 'linux') setPriority(10)
