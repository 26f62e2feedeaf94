import { setPriority } from 'node:os'
import { isMainThread } from 'node:worker_threads'

/** What can be asked of a thread, by name. */
export { backup } from './backup.ts'
export { picture } from './picture.ts'
export { plan, row } from './planForSeason.ts'
export { readDraftSent, readFileSent } from './readSent.ts'

// Whoever waits at a page comes first. Only Linux gives each thread a priority of its own;
// elsewhere this would slow the whole process.
if (!isMainThread && process.platform === 'linux') setPriority(10)
