import { randomUUID } from 'node:crypto'
import type { Request } from 'express'
import { z } from 'zod'
import { diaryEntry, namesProduct, STRUCK_OUT } from '@juvena/core/entities/diary'
import { blankJob, type JobDraft } from '@juvena/core/entities/job'
import { readStepKey } from '@juvena/core/schedule/stepRecords'
import { answers } from '../../../contract/answers.ts'
import { notFound, readOr400, Refusal } from '../problemDocument.ts'
import { bytesOf } from '../sentBytes.ts'
import { draftSent, planWhole, TOO_MUCH } from '../threads/pool.ts'
import { asked, fromNumber, idOf, revision, route, type Parts, type Route } from './route.ts'
import type { DraftText } from '../store/listedJob.ts'
import type { StoredJobs } from './storedJobs.ts'

const bodies = {
  create: z.strictObject({ name: z.string().trim().min(1, 'Give the job a name.').max(120) }),
  save: z.strictObject({ revision, draft: z.looseObject({}) }),
}

/** Jobs as typed, what is kept of them, their diary, their plan. */
export function jobRoutes(
  parts: Parts,
  { jobOr404, textOr404, soundOr404, full }: StoredJobs,
): Route[] {
  const { jobs, revisions, diary, clock, season } = parts
  /** A draft that can be kept as a job, as it is kept; a long one is read in a thread. */
  const readable = async (req: Request, draft: unknown): Promise<DraftText> =>
    readOr400(await draftSent(draft as JobDraft, bytesOf(req)))

  return [
    route({
      method: 'get',
      path: '/jobs',
      summary:
        'Jobs, newest save first, 500 at a time; with ?archived=1 the archived ones, ?search= by name, customer or address, ?from= the number to begin at.',
      answer: answers.jobs,
      async call(req) {
        const { archived, search, from } = asked(
          z.object({
            archived: z.literal('1').optional(),
            search: z.string().max(120).default(''),
            from: fromNumber,
          }),
          req,
        )
        return { send: await jobs.list(archived === '1', { search: search.trim(), from }) }
      },
    }),
    route({
      method: 'post',
      path: '/jobs',
      summary: 'Begins a job.',
      answer: answers.job,
      body: bodies.create,
      call: async (_req, { name }) => ({
        status: 201,
        send: await jobs.create(blankJob(name), clock.now()),
      }),
    }),
    route({
      method: 'get',
      path: '/jobs/:id',
      summary: 'A job as typed, with its diary.',
      answer: answers.fullJob,
      call: async (req) => ({ text: await full(idOf(req)) }),
    }),
    route({
      method: 'put',
      path: '/jobs/:id',
      summary:
        'Saves a job on top of a revision; an older one is refused with both versions named.',
      answer: answers.saved,
      body: bodies.save,
      async call(req, { revision: from, draft }) {
        const result = await jobs.saveText(
          idOf(req),
          from,
          await readable(req, draft),
          clock.now(),
          String(req.headers['juvena-device'] ?? ''),
        )
        if ('missing' in result) throw notFound('job')
        if ('archived' in result)
          throw new Refusal(
            409,
            'Archived',
            'This job was archived meanwhile. Restore it to go on with it; what you typed is kept here until then.',
          )
        if ('conflict' in result)
          throw new Refusal(
            409,
            'Saved elsewhere',
            `Version ${result.conflict.revision} of this job was saved in another window; yours began from version ${from}. Nothing was overwritten.`,
            { yours: from, theirs: result.conflict },
          )
        return { send: result.saved }
      },
    }),
    route({
      method: 'delete',
      path: '/jobs/:id',
      summary: 'Archives a job. It can be restored.',
      answer: answers.archived,
      async call(req) {
        if (!(await jobs.setArchived(idOf(req), clock.now()))) throw notFound('job')
        return { send: { archived: true } }
      },
    }),
    route({
      method: 'post',
      path: '/jobs/:id/restore',
      summary: 'Restores an archived job.',
      answer: answers.archived,
      async call(req) {
        if (!(await jobs.setArchived(idOf(req), null))) throw notFound('job')
        return { send: { archived: false } }
      },
    }),
    route({
      method: 'post',
      path: '/jobs/:id/erase',
      summary:
        'Erases the customer of an archived job for good. Records of products put down stay, as the law asks; backups made before still hold the rest.',
      answer: answers.erased,
      async call(req) {
        await textOr404(idOf(req))
        const erased = await parts.eraseCustomer(idOf(req), clock.now())
        if (!erased)
          throw new Refusal(
            409,
            'Not archived',
            'Archive this job first: only an archived one can be erased.',
          )
        return { send: erased }
      },
    }),
    route({
      method: 'post',
      path: '/jobs/:id/copy',
      summary: 'Keeps a draft as a job of its own beside another.',
      answer: answers.job,
      body: bodies.save,
      async call(req, { draft }) {
        await jobOr404(req)
        const text = await readable(req, draft)
        const made = await jobs.createText(randomUUID(), text, clock.now())
        return { status: 201, send: { ...made, draft: JSON.parse(text.body) as JobDraft } }
      },
    }),
    route({
      method: 'post',
      path: '/jobs/:id/diary',
      summary: 'Adds a diary entry. The same id twice is kept once.',
      answer: answers.diary,
      body: diaryEntry,
      async call(req, entry) {
        await jobOr404(req)
        const ticked = entry.step === null ? null : readStepKey(entry.step)
        if (
          ticked &&
          namesProduct(ticked.kind) &&
          entry.product.trim() === '' &&
          entry.what !== STRUCK_OUT
        )
          throw new Refusal(
            400,
            'Product wanted',
            'A record of what was put down names its product, as on the label. Read the label and enter it; licensed practice and local code decide.',
          )
        const added = await diary.append(idOf(req), entry, clock.now())
        return { status: added ? 201 : 200, send: { added, diary: await diary.of(idOf(req)) } }
      },
    }),
    route({
      method: 'get',
      path: '/jobs/:id/stored',
      summary: 'What is stored of a job, as it lies there: for a job that cannot be read.',
      async call(req) {
        const stored = await textOr404(idOf(req))
        return { plain: stored.body, file: `job-${stored.id.slice(0, 8)}.txt` }
      },
    }),
    route({
      method: 'get',
      path: '/jobs/:id/revisions',
      summary: 'The saves of a job that are kept, newest first: thinned with age.',
      answer: answers.revisions,
      async call(req) {
        await textOr404(idOf(req))
        return { send: { revisions: await revisions.of(idOf(req)) } }
      },
    }),
    route({
      method: 'get',
      path: '/jobs/:id/revisions/:revision',
      summary: 'The draft of a job as it was after one save.',
      answer: answers.revision,
      async call(req) {
        const at = Number(req.params.revision)
        const draft = Number.isSafeInteger(at) ? await revisions.draft(idOf(req), at) : null
        if (!draft)
          throw new Refusal(404, 'Not found', 'That save is not kept: older saves are thinned out.')
        return { send: { revision: at, draft } }
      },
    }),
    route({
      method: 'get',
      path: '/jobs/:id/plan',
      summary: 'The plan of a job, worked out afresh.',
      answer: answers.plan,
      async call(req) {
        const plan = await planWhole(await season.askOf(await soundOr404(idOf(req))))
        if (!plan) throw new Refusal(422, 'Too much', TOO_MUCH)
        return { send: plan }
      },
    }),
  ]
}
