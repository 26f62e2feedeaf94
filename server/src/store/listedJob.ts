import type { JobDraft } from '@juvena/core/entities/job'
import { currentDraft } from '@juvena/core/entities/jobVersions'

/** A draft from its stored text; null where the text is damaged or holds no object. */
export function readDraft(body: string): JobDraft | null {
  try {
    const draft: unknown = JSON.parse(body)
    return typeof draft === 'object' && draft !== null && !Array.isArray(draft) ? draft : null
  } catch {
    return null
  }
}

const words = (value: unknown): string => (typeof value === 'string' ? value : '')

/**
 * What lists and searches show of a job, and the time zone its day is told in, as columns of their
 * own.
 */
export interface Listed {
  name: string
  customer: string
  place: string
  time_zone: string
}

export const listedOf = (draft: JobDraft | null): Listed => ({
  name: words(draft?.name),
  customer: words(draft?.customer),
  place: words(draft?.site?.address),
  time_zone: words(draft?.site?.timeZone),
})

/** A draft as it is stored, and what lists show of it. */
export interface DraftText {
  body: string
  listed: Listed
}
/** A draft of any version as text of today's. */
export function draftText(given: JobDraft): DraftText {
  const draft = currentDraft(given)
  return { body: JSON.stringify(draft), listed: listedOf(draft) }
}
