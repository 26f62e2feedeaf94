import { createHash, randomUUID } from 'node:crypto'
import { badlyShaped, DRAFT_BYTES, overCeilings } from '@juvena/core/entities/ceilings'
import { diaryEntry, type DiaryEntry } from '@juvena/core/entities/diary'
import { readJob, type JobDraft } from '@juvena/core/entities/job'
import { currentDraft } from '@juvena/core/entities/jobVersions'
import type { Problem } from '@juvena/core/entities/problem'
import { filePhoto, readJobFile, type FilePhoto } from '@juvena/core/formats/jobFile'
import type { Batch } from '../store/pictureFiles.ts'
import { draftText, listedOf, type DraftText, type Listed } from '../store/listedJob.ts'
import { writePicture, type StagedPicture } from './picture.ts'

/** Why something sent is refused, to be answered as it stands. */
export interface Refused {
  title: string
  detail: string
  problems?: Problem[]
}
export type Sent<T> = { ok: T } | { refused: Refused }
const refused = (title: string, detail: string, problems?: Problem[]): { refused: Refused } => ({
  refused: { title, detail, problems },
})

/**
 * A job file made ready to keep: its job and entries under ids of the new job, its pictures written
 * anew to disk as a batch.
 */
export interface ReadyFile {
  id: string
  /** The draft as it is stored, and what lists show of it. */
  body: string
  listed: Listed
  diary: DiaryEntry[]
  photos: (Omit<FilePhoto, 'jpeg'> & { picture: StagedPicture })[]
}

/**
 * A draft made ready to keep, if it can be kept as a job: problems with single entries do not stand
 * in the way.
 */
export function readDraftSent(draft: JobDraft): Sent<DraftText> {
  const over = overCeilings(draft)
  if (over.length > 0) return refused('Too much', over[0]!.sentence, over)
  const { job, problems } = readJob(draft)
  return job
    ? { ok: draftText(draft) }
    : refused('Not a job', 'This cannot be kept as a job.', problems)
}

/** The same of one that comes to a thread as text: handed over much faster than objects. */
export const readLongDraftSent = (text: string): Sent<DraftText> =>
  readDraftSent(JSON.parse(text) as JobDraft)

/**
 * The id of an entry of a file in the job that it becomes: another for every entry, the same for
 * the same.
 */
const idIn = (job: string, entry: string): string =>
  createHash('sha256').update(`${job} ${entry}`).digest('base64url').slice(0, 32)

/**
 * Reads a job file from its bytes. Every picture is opened before anything is kept: a file cut
 * short or spoilt is refused whole.
 */
export async function readFileSent({
  bytes,
  ...batch
}: { bytes: Uint8Array } & Batch): Promise<Sent<ReadyFile>> {
  const shape = badlyShaped(bytes)
  if (shape) return refused('Not a job file', shape)
  let sent: { job: JobDraft; diary?: unknown[]; photos?: unknown[] }
  try {
    sent = JSON.parse(new TextDecoder('utf-8', { fatal: true }).decode(bytes)) as typeof sent
  } catch {
    return refused('Not JSON', 'That could not be read: it is not JSON, or it was cut short.')
  }
  const read = readJobFile(sent)
  if (!read.ok) {
    // A draft with wrong entries is a job all the same: it is kept as it was typed.
    const mendable =
      readJob((sent as { job?: unknown } | null)?.job).job !== null &&
      read.problems.every((p) => p.path.startsWith('job.'))
    if (!mendable)
      return refused(
        'Not a job file',
        read.problems[0]?.sentence ?? 'This is not a job file.',
        read.problems,
      )
  }
  const over = overCeilings(sent.job)
  if (over.length > 0) return refused('Too much', over[0]!.sentence, over)
  const draft = currentDraft(sent.job)
  const body = JSON.stringify(draft)
  if (Buffer.byteLength(body) > DRAFT_BYTES)
    return refused(
      'Too large',
      `The job in this file is larger than ${DRAFT_BYTES / 1e6} MB without its photographs. Split it into several jobs.`,
    )
  const id = randomUUID()
  const photos: ReadyFile['photos'] = []
  const renamed = new Map<string, string>()
  for (const [i, entry] of (sent.photos ?? []).entries()) {
    const { jpeg, ...of } = filePhoto.parse(entry)
    const own = randomUUID()
    const picture = await writePicture(Buffer.from(jpeg, 'base64'), false, { ...batch, id: own })
    if (!picture)
      return refused(
        'A spoilt picture',
        `Photograph ${i + 1} of this file, taken ${of.takenOn}, could not be read as a picture. Export the job again where it came from.`,
        [{ path: `photos[${i}].jpeg`, sentence: 'This is not a picture, or was cut short.' }],
      )
    renamed.set(of.id, own)
    photos.push({ ...of, id: own, picture: { ...picture, position: of.position } })
  }
  const traced = draft.drawing?.picture
  const diary = (sent.diary ?? []).map((entry) => {
    const parsed = diaryEntry.parse(entry)
    return {
      ...parsed,
      id: idIn(id, parsed.id),
      corrects: parsed.corrects && idIn(id, parsed.corrects),
      stands: parsed.stands.map((one) => idIn(id, one)),
    }
  })
  return {
    ok: {
      id,
      body: traced
        ? JSON.stringify({
            ...draft,
            drawing: {
              ...draft.drawing,
              picture: { ...traced, photo: renamed.get(traced.photo) ?? traced.photo },
            },
          })
        : body,
      listed: listedOf(draft),
      diary,
      photos,
    },
  }
}
