import { z } from 'zod'
import { diaryEntry } from '../entities/diary.ts'
import { day } from '../entities/entry.ts'
import { JOB_VERSION, jobSchema, type Job, type JobDraft } from '../entities/job.ts'
import { currentDraft } from '../entities/jobVersions.ts'
import { uniqueIds } from '../entities/uniqueIds.ts'
import { problemsOf, type Problem } from '../entities/problem.ts'

export const JOB_FORMAT = 'juvena-job' as const

/**
 * A photograph as it travels in a job file. The job's plan may name its `id` as the picture it is
 * traced over.
 */
export const filePhoto = z.strictObject({
  id: z
    .string()
    .regex(/^[A-Za-z0-9_-]{1,60}$/, 'A photograph’s id is 1 to 60 letters, digits, _ or -.'),
  zone: z
    .string()
    .regex(/^[A-Za-z0-9_-]{1,40}$/)
    .nullable()
    .default(null),
  kind: z.enum(['ground', 'plan']).default('ground'),
  takenOn: z.iso.date('The day of a photograph is written like 2027-02-19.'),
  note: z.string().max(200).default(''),
  position: z
    .strictObject({
      latitude: z.number().min(-90).max(90),
      longitude: z.number().min(-180).max(180),
    })
    .nullable()
    .default(null),
  /** The picture's own bytes in base64. */
  jpeg: z.string().min(1, 'There is no picture in this.'),
})
export type FilePhoto = z.output<typeof filePhoto>

export const jobFileSchema = z.strictObject(
  {
    format: z.literal(JOB_FORMAT, {
      error: `This is not a Juvena job: "format" has to be "${JOB_FORMAT}".`,
    }),
    version: z.number().int(),
    job: jobSchema,
    diary: uniqueIds(z.array(diaryEntry).max(20_000), 'diary entries').default([]),
    photos: uniqueIds(z.array(filePhoto).max(2_000), 'photographs').default([]),
    today: day,
  },
  {
    error: (issue) =>
      issue.code === 'invalid_type'
        ? `This is not a Juvena job: a file with "format": "${JOB_FORMAT}" is wanted.`
        : undefined,
  },
)
export type JobFile = z.input<typeof jobFileSchema>
export type JobFileRead =
  | {
      ok: true
      job: Job
      draft: JobDraft
      diary: z.output<typeof diaryEntry>[]
      photos: FilePhoto[]
      today: string | null
    }
  | { ok: false; problems: Problem[] }

/**
 * Reads a job file strictly: anything wrong in it refuses the whole file, with every problem and
 * its path.
 */
export function readJobFile(value: unknown): JobFileRead {
  const version = (value as { version?: unknown } | null)?.version
  if (
    typeof version === 'number' &&
    !(Number.isInteger(version) && version >= 1 && version <= JOB_VERSION)
  ) {
    const newer = version > JOB_VERSION
    return {
      ok: false,
      problems: [
        {
          path: 'version',
          sentence: `This file is version ${version}; this Juvena reads versions 1 to ${JOB_VERSION}. ${newer ? 'Open it with a newer Juvena, or export it again as version ' + JOB_VERSION : 'No such version was ever written; check the file'}.`,
        },
      ],
    }
  }
  const file =
    typeof value === 'object' && value !== null && 'job' in value
      ? { ...value, job: currentDraft(value.job) }
      : value
  const parsed = jobFileSchema.safeParse(file)
  if (!parsed.success) return { ok: false, problems: problemsOf(parsed.error) }
  const { job, diary, photos, today } = parsed.data
  return { ok: true, job, draft: (file as JobFile).job, diary, photos, today }
}
