import { changePaper, offerPaper, type Paper, type PaperFor } from '@juvena/core/present/offerPaper'
import type { DiaryEntry } from '@juvena/core/entities/diary'
import { notFound } from '../problemDocument.ts'
import { paperAsPdf } from '../threads/pool.ts'
import { route, type Parts, type Route } from './route.ts'
import type { StoredJobs } from './storedJobs.ts'

type Written = (diary: DiaryEntry[], entry: string, today: string, who: PaperFor) => Paper | null

/** What a customer is handed as a file: offers, and changes to the work. */
export function documentRoutes({ diary, season, clock }: Parts, { jobOr404 }: StoredJobs): Route[] {
  const pdfOf = (path: string, what: string, summary: string, written: Written) =>
    route({
      method: 'get',
      path,
      summary,
      async call(req) {
        const job = await jobOr404(req)
        const { name, address, phone, paper: size } = (await season.firmNow()).settings
        const draft = job.draft
        const paper = written(await diary.of(job.id), String(req.params.entry), clock.today(), {
          firm: { name, address, phone },
          customer: draft.customer ?? '',
          address: draft.site?.address ?? '',
          job: job.name,
        })
        if (!paper) throw notFound(what)
        const pdf = await paperAsPdf({ paper, letter: size === 'letter' })
        return { send: null, pdf, file: `${paper.fileName}.pdf` }
      },
    })
  return [
    pdfOf(
      '/jobs/:id/offers/:entry/pdf',
      'offer',
      'An offer as it was given, as a PDF file: by the diary entry it was given in.',
      offerPaper,
    ),
    pdfOf(
      '/jobs/:id/changes/:entry/pdf',
      'change',
      'A change to the work as it was agreed on, as a PDF file.',
      changePaper,
    ),
  ]
}
