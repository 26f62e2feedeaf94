import type { ErrorRequestHandler, Response } from 'express'
import { FILE_BYTES } from '@juvena/core/formats/fileSize'
import { OtherJobsEntry } from './store/diaryStore.ts'
import { UnreadableJob } from './store/jobStore.ts'
import type { Sent } from './threads/readSent.ts'
import type { Problem } from '@juvena/core/entities/problem'

/** Most bytes of a picture that are accepted. */
export const PICTURE_LIMIT = 40 * 1024 * 1024

/**
 * An error a person can act on, as a problem document (RFC 9457): a sentence, and the fields it is
 * about.
 */
export class Refusal extends Error {
  constructor(
    readonly status: number,
    readonly title: string,
    detail: string,
    readonly extra: { problems?: Problem[]; [key: string]: unknown } = {},
  ) {
    super(detail)
  }
}

/** What a thread has read of something sent; thrown as a refusal where it was refused. */
export function readOr400<T>(sent: Sent<T>): T {
  if ('ok' in sent) return sent.ok
  const { title, detail, problems = [] } = sent.refused
  throw new Refusal(400, title, detail, { problems })
}

export const notFound = (what: string) =>
  new Refusal(
    404,
    'Not found',
    `There is no such ${what} here. It may have been made on another computer.`,
  )

export function sendProblem(
  res: Response,
  status: number,
  title: string,
  detail: string,
  extra: object = {},
): void {
  res
    .status(status)
    .type('application/problem+json')
    .send(JSON.stringify({ type: 'about:blank', title, status, detail, ...extra }))
}

export const DISK_FULL =
  'The disk of the computer that keeps Juvena’s data is full, and nothing was changed. Free some room; what you typed is kept here and sent again.'
const isFull = (error: unknown): boolean =>
  ['SQLITE_FULL', 'ENOSPC', 'EDQUOT'].includes(String((error as { code?: unknown } | null)?.code))

/**
 * Writes what failed to the log, and where in the code, but nothing of a job: messages of the
 * database hold what was being written.
 */
export function logFault(error: unknown): void {
  const { name, code, stack } = error as { name?: string; code?: string; stack?: string }
  const places = (stack ?? '').split('\n').filter((line) => /^\s+at /.test(line))
  console.error([`${name ?? 'Error'}${code ? ` ${code}` : ''}`, ...places.slice(0, 12)].join('\n'))
}

/**
 * Turns anything thrown into a problem document; what nobody foresaw is logged here and not told in
 * detail.
 */
export const asProblem: ErrorRequestHandler = (error: unknown, _req, res, next) => {
  if (res.headersSent) return next(error)
  if (error instanceof Refusal) {
    if (error.status === 503) res.set('Retry-After', '5')
    return sendProblem(res, error.status, error.title, error.message, error.extra)
  }
  if (error instanceof UnreadableJob)
    return sendProblem(res, 422, 'Cannot be read', error.message, {
      unreadable: error.kind,
      export: `/api/jobs/${error.job}/stored`,
    })
  if (error instanceof OtherJobsEntry) return sendProblem(res, 409, 'Of another job', error.message)
  if (isFull(error)) return sendProblem(res, 507, 'Disk full', DISK_FULL)
  const type = (error as { type?: string }).type
  if (type === 'entity.too.large') {
    const { limit } = error as { limit?: number }
    return sendProblem(
      res,
      413,
      'Too large',
      limit === PICTURE_LIMIT
        ? 'That picture is larger than 40 MB. Take it smaller, or save it as JPEG.'
        : `That is larger than ${limit === FILE_BYTES ? 'a job file' : 'a job'} can be: up to ${Math.floor((limit ?? 0) / 1e6)} MB is taken. Check that it is a job file.`,
    )
  }
  if (type === 'entity.parse.failed')
    return sendProblem(
      res,
      400,
      'Not JSON',
      'That could not be read: it is not JSON, or it was cut short.',
    )
  if (type === 'encoding.unsupported' || type === 'charset.unsupported')
    return sendProblem(res, 415, 'Unknown encoding', 'Send plain JSON in UTF-8.')
  const { status } = error as { status?: number }
  if (status === 403 || status === 404)
    return sendProblem(res, 404, 'Not found', 'There is nothing at this address.')
  if (status && status >= 400 && status < 500)
    return sendProblem(res, status, 'Not understood', 'That request could not be understood.')
  logFault(error)
  sendProblem(
    res,
    500,
    'Something broke',
    'Juvena failed at that, and nothing was changed. Try again; if it happens twice, the server’s log says why.',
  )
}
