/**
 * Where a thread begins when the server runs from its sources: it takes no loader from the process,
 * so it registers the one for TypeScript itself.
 */
import { register } from 'tsx/esm/api'

register()
export const {
  backup,
  checkBackup,
  picture,
  plan,
  row,
  seedOfAll,
  learntOfAll,
  machinesOfJobs,
  ordersOfJobs,
  paperPdf,
  usesOfRule,
  readLongDraftSent,
  readFileSent,
} = await import('./work.ts')
