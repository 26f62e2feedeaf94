import { availableParallelism } from 'node:os'
import { Piscina } from 'piscina'
import { logFault, Refusal } from '../problemDocument.ts'
import type { JobPlan } from '@juvena/core/plan/jobPlan'
import type { JobDraft } from '@juvena/core/entities/job'
import type { DraftText } from '../store/listedJob.ts'
import type { Batch } from '../store/pictureFiles.ts'
import type { BackupCheck } from '../store/checkBackup.ts'
import type { BackupContents } from '../store/backups.ts'
import { keptPlan, type KeptPlan } from '../store/keptPlan.ts'
import { failedPlan, type PlanAsk } from './planForSeason.ts'
import type { Firm } from '@juvena/core/entities/firm'
import type { OfAllJobs, RuleUses } from '../store/overAllJobs.ts'
import type { OrdersAsk } from './ordersOfJobs.ts'
import type { MachinesAsk } from './machinesOfJobs.ts'
import type { PaperAsk } from '../documents/paperPdf.ts'
import type { LearntNumber } from '@juvena/core/present/learntNumbers'
import type { FirmValues } from '@juvena/core/trace/trace'
import type { PictureAsk, StagedPicture } from './picture.ts'
import { NoTurn, turns } from './turns.ts'
import type * as Work from './work.ts'
import { readDraftSent, type ReadyFile, type Refused, type Sent } from './readSent.ts'

/**
 * The most a job may take: time, s, and memory of its thread, MB. Tests on a slow machine say how
 * slow it is, and get up to twice as long.
 */
const MOST_SECONDS = Math.round(20 * Math.min(2, Number(process.env.JUVENA_SLOWNESS ?? 1)))
const MOST_MEGABYTES = 768

/** Said of a job whose plan took too long or too much. */
export const TOO_MUCH = `This job asks for more than can be planned in ${MOST_SECONDS} s. Simplify its drawing or split it into several jobs; what is typed in it is kept.`

/**
 * Built, a thread begins at a file beside this one; run from the sources, at one that can read
 * them.
 */
const BEGINS = import.meta.url.endsWith('.ts') ? './thread.mjs' : './thread.js'

/**
 * One set of threads for the process, started when first asked. A thread that is stopped is
 * replaced; what waits goes on.
 */
const started = new Map<'work' | 'backup', Piscina>()
/** One more than plan the season at a time: whoever waits at a page is not behind it. */
const MOST_THREADS = Math.max(2, Math.min(4, availableParallelism()))
/** Backups have a thread of their own: they take long, and queue for one another. */
function pool(kind: 'work' | 'backup'): Piscina {
  const known = started.get(kind)
  if (known) return known
  const threads = new Piscina({
    filename: new URL(BEGINS, import.meta.url).href,
    execArgv: [],
    minThreads: kind === 'work' ? 1 : 0,
    maxThreads: kind === 'work' ? MOST_THREADS : 1,
    idleTimeout: kind === 'work' ? Infinity : 10_000,
    resourceLimits: { maxOldGenerationSizeMb: MOST_MEGABYTES },
    atomics: 'disabled',
  })
  // A thread that dies fails its own job, which says so; the others go on.
  threads.on('error', () => undefined)
  started.set(kind, threads)
  return threads
}

/** How many jobs of the season are planned at once. */
export const planningAtOnce = (): number => MOST_THREADS - 1

/** What waits for a thread, at most; beyond that whoever asks is told to come again. */
const MOST_WAITING = 40
const inTurn = { work: turns(MOST_THREADS, MOST_WAITING), backup: turns(1, 3) }

/** Work in a thread. Its time runs from when the thread begins: waiting for one is no work. */
async function within<T>(
  name: Exclude<keyof typeof Work, 'default'>,
  ask: unknown,
  seconds = MOST_SECONDS,
  handedOver: ArrayBuffer[] = [],
): Promise<T> {
  const kind = name === 'backup' || name === 'checkBackup' ? 'backup' : 'work'
  const run = async (): Promise<T> => {
    const stop = new AbortController()
    const late = setTimeout(() => stop.abort(), seconds * 1000)
    try {
      const asked = { name, signal: stop.signal, transferList: handedOver }
      return (await pool(kind).run(ask, asked)) as T
    } catch (error) {
      if (error instanceof Error) throw error
      const { message, ...fault } = error as Work.ThreadFault
      throw Object.assign(new Error(message), fault)
    } finally {
      clearTimeout(late)
    }
  }
  try {
    // The season is planned behind: nobody at a page waits for a row.
    return await inTurn[kind](run, name === 'row')
  } catch (error) {
    if (error instanceof NoTurn) throw new Refusal(503, 'Busy', BUSY)
    throw error
  }
}
const BUSY = 'Juvena is at other work just now. What you sent is kept where you are; try again in a moment.' // prettier-ignore
const ranOut = (error: unknown): boolean => {
  const { name, code } = error as { name?: string; code?: string }
  return name === 'AbortError' || code === 'ERR_WORKER_OUT_OF_MEMORY'
}

/**
 * A job's place in the season. One that cannot be planned, or asks for too much, shows as such; it
 * never takes others down.
 */
export async function planRow(ask: PlanAsk): Promise<KeptPlan> {
  try {
    return await within<KeptPlan>('row', ask)
  } catch (error) {
    if (!ranOut(error)) {
      console.error(`Job ${ask.jobId} could not be planned:`)
      logFault(error)
    }
    return keptPlan(failedPlan(ask.jobId, ask.name, ranOut(error) ? TOO_MUCH : undefined))
  }
}

/** The whole plan of a job; null where its draft is no job, or it asks for too much. */
export async function planWhole(ask: PlanAsk): Promise<JobPlan | null> {
  try {
    return await within<JobPlan | null>('plan', ask)
  } catch (error) {
    if (ranOut(error)) return null
    throw error
  }
}

/** The seed of all jobs of a folder by mix, and the bags for it bought once. */
export const seedOfAll = (folder: string, firm: Firm): Promise<OfAllJobs> =>
  within('seedOfAll', { folder, firm })
/** What some jobs of a folder still have to order, bought once. */
export const ordersOfJobs = (ask: OrdersAsk): Promise<OfAllJobs> => within('ordersOfJobs', ask)
/** The firm’s machines over the jobs of a folder. */
export const machinesOfJobs = (ask: MachinesAsk): Promise<OfAllJobs> =>
  within('machinesOfJobs', ask)
/** What the diaries of a folder say of the firm’s own numbers. */
export const learntOfAll = (folder: string, own: FirmValues): Promise<LearntNumber[]> =>
  within('learntOfAll', { folder, own })
/** A paper as a PDF file. */
export const paperAsPdf = (ask: PaperAsk): Promise<Uint8Array> => within('paperPdf', ask)
/** The jobs of a folder whose plans go by a rule. */
export const usesOfRule = (folder: string, rule: string): Promise<RuleUses> =>
  within('usesOfRule', { folder, rule })

/** A draft of this many bytes takes a moment to read, and is read in a thread. */
const LONG_DRAFT = 100_000

/** A draft made ready to keep, if it can be kept as a job. */
export async function draftSent(draft: JobDraft, bytes: number): Promise<Sent<DraftText>> {
  if (bytes < LONG_DRAFT) return readDraftSent(draft)
  return within<Sent<DraftText>>('readLongDraftSent', JSON.stringify(draft)).catch(
    (error: unknown) => lateOr(error, MOST_SECONDS),
  )
}

/** A file may hold many photographs, each of which is written anew, s. */
const MOST_FILE_SECONDS = 180

/**
 * Bytes that a thread may take over instead of a copy: those that share their memory with nothing
 * else. Whoever sends them has them no longer.
 */
const own = (bytes: Uint8Array): ArrayBuffer[] =>
  bytes.byteLength === bytes.buffer.byteLength ? [bytes.buffer as ArrayBuffer] : []

/** A job file made ready to keep, its pictures written as a batch. The bytes are handed over. */
export const fileSent = (bytes: Uint8Array, batch: Batch): Promise<Sent<ReadyFile>> =>
  within<Sent<ReadyFile>>('readFileSent', { bytes, ...batch }, MOST_FILE_SECONDS, own(bytes)).catch(
    (error: unknown) => lateOr(error, MOST_FILE_SECONDS),
  )

/**
 * A photograph written as a batch of its own; null where it is none. The bytes are handed over.
 */
export const pictureSent = (ask: PictureAsk): Promise<StagedPicture | null> =>
  within<StagedPicture | null>('picture', ask, MOST_SECONDS, own(ask.bytes)).catch(
    (error: unknown) => {
      if (ranOut(error)) throw new Refusal(422, 'Too much', SLOW_PICTURE)
      throw error
    },
  )
const SLOW_PICTURE = `That picture could not be read in ${MOST_SECONDS} s. Take it smaller and send it again.`

/** A backup may take long: photographs are copied. */
const MOST_BACKUP_SECONDS = 1_800

/** Writes a backup of a folder; where it lies, and what it holds. */
export const backupInThread = (
  folder: string,
  kind: 'daily' | 'asked',
): Promise<{ path: string; contents: BackupContents }> =>
  within('backup', { folder, kind, madeAt: new Date().toISOString() }, MOST_BACKUP_SECONDS)

/** Restores a backup of a folder for a trial; the clock may stand on a day. */
export const checkInThread = (
  folder: string,
  file: string,
  today: string | null = null,
): Promise<BackupCheck> => within('checkBackup', { folder, file, today }, MOST_BACKUP_SECONDS)

/** The refusal of what took too long or too much; any other fault is thrown on. */
function lateOr(error: unknown, seconds: number): { refused: Refused } {
  if (ranOut(error))
    return {
      refused: {
        title: 'Too much',
        detail: `That could not be read in ${seconds} s. Simplify it or split it into several jobs.`,
      },
    }
  throw error
}

/** Ends the threads, and whatever they were at. */
export async function stopThreads(): Promise<void> {
  const ended = [...started.values()]
  started.clear()
  await Promise.all(ended.map((threads) => threads.destroy()))
}
