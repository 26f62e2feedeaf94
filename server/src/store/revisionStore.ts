import type { Knex } from 'knex'
import type { JobDraft } from '@juvena/core/entities/job'
import { readDraft } from './listedJob.ts'

/** A job as it was after one save. */
export interface Revision {
  revision: number
  savedAt: string
  /**
   * What it was saved from: "phone", "laptop" or a name somebody gave it; empty where it did not
   * say.
   */
  device: string
}

interface Row {
  job_id: string
  revision: number
  saved_at: string
  device: string
  body: string
}

const MINUTE = 60_000
const DAY = 24 * 60 * MINUTE
/** Of saves older than `over`, one is kept for every stretch of `each`. */
const THINNED = [
  { over: 10 * MINUTE, each: 10 * MINUTE },
  { over: DAY, each: 3 * 60 * MINUTE },
  { over: 30 * DAY, each: DAY },
  { over: 365 * DAY, each: 30 * DAY },
] as const

/**
 * Which of some saves are dropped: of those in one stretch the last stays. `revisions` oldest
 * first.
 */
export function thinned(
  revisions: readonly Pick<Revision, 'revision' | 'savedAt'>[],
  now: string,
): number[] {
  const at = Date.parse(now)
  const stretch = ({ savedAt }: Pick<Revision, 'savedAt'>): string | null => {
    const age = at - Date.parse(savedAt)
    const rule = THINNED.findLast(({ over }) => age > over)
    return rule ? `${rule.each} ${Math.floor(Date.parse(savedAt) / rule.each)}` : null
  }
  return revisions.slice(0, -1).flatMap((r, i) => {
    const own = stretch(r)
    return own !== null && own === stretch(revisions[i + 1]!) ? [r.revision] : []
  })
}

/** Keeps a save in the history of its job, and thins what is old. */
export async function keepRevision(
  db: Knex,
  {
    id,
    revision,
    saved_at,
    body,
  }: { id: string; revision: number; saved_at: string; body: string },
  device: string,
): Promise<void> {
  await db<Row>('job_revisions').insert({
    job_id: id,
    revision,
    saved_at,
    device: device.slice(0, 60),
    body,
  })
  if (revision % 20 !== 0) return
  const all = await db<Row>('job_revisions')
    .where({ job_id: id })
    .select('revision', 'saved_at')
    .orderBy('revision')
  const gone = thinned(
    all.map((r) => ({ revision: r.revision, savedAt: r.saved_at })),
    saved_at,
  )
  for (let i = 0; i < gone.length; i += 200)
    await db<Row>('job_revisions')
      .where({ job_id: id })
      .whereIn('revision', gone.slice(i, i + 200))
      .delete()
}

export const revisionStore = (db: Knex) => ({
  /** A job's saves, newest first. */
  async of(job: string): Promise<Revision[]> {
    const rows = await db<Row>('job_revisions')
      .where({ job_id: job })
      .select('revision', 'saved_at', 'device')
      .orderBy('revision', 'desc')
    return rows.map((r) => ({ revision: r.revision, savedAt: r.saved_at, device: r.device }))
  },

  /** The draft as it was after a save; null where that save is not kept, or its text is damaged. */
  async draft(job: string, revision: number): Promise<JobDraft | null> {
    const row = await db<Row>('job_revisions')
      .where({ job_id: job, revision })
      .select('body')
      .first()
    return row ? readDraft(row.body) : null
  },
})
export type RevisionStore = ReturnType<typeof revisionStore>
