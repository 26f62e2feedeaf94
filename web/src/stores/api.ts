import type { Problem } from '@juvena/core/entities/problem'
import { KEPT_SINCE, NOT_HERE } from '../offline/keptAnswers.ts'
import { answeredFrom } from '../offline/signal.ts'

/** What the server answered when it refused, as its problem document. */
export class ApiError extends Error {
  constructor(
    readonly status: number,
    readonly title: string,
    detail: string,
    readonly body: { problems?: Problem[]; theirs?: unknown; unreadable?: string; export?: string },
    /** The answer was a problem document; a proxy's page is none. */
    readonly fromJuvena = true,
  ) {
    super(detail)
  }
}

/** What this is, for the history of a job. */
export const DEVICE = /Mobi|Android/.test(navigator.userAgent) ? 'phone' : 'computer'

/**
 * A refusal of Juvena's own, which another try will meet again; not one of the way there (a sign-in,
 * a full queue, an answer that is not Juvena's).
 */
export const refusedForGood = (error: unknown): error is ApiError =>
  error instanceof ApiError &&
  error.fromJuvena &&
  error.status >= 400 &&
  error.status < 500 &&
  ![401, 403, 407, 408, 425, 429].includes(error.status)

/** Set when the server could not be reached at all. */
export class Unreachable extends Error {
  constructor() {
    super(
      'Juvena’s server does not answer. What you type is kept on this computer and saved when it is back.',
    )
  }
}

/** Set when the server cannot be reached, and what was asked for does not lie on this device either. */
export class NotHere extends Unreachable {
  constructor() {
    super()
    this.message = `Not on this ${DEVICE}: there is no signal, and this was not looked at here before. It comes when the signal is back.`
  }
}

/** What the server answers; throws where it cannot be reached. */
async function answerOf(path: string, ask: RequestInit): Promise<Response> {
  let response: Response
  try {
    response = await fetch(`/api${path}`, ask)
  } catch {
    throw new Unreachable()
  }
  if (response.headers.has(NOT_HERE)) throw new NotHere()
  answeredFrom(response.headers.get(KEPT_SINCE))
  return response
}

/** JSON of an answer, checked; throws what a refusal says. */
async function readAnswer(response: Response): Promise<unknown> {
  const text = await response.text()
  let value: unknown
  try {
    value = text ? JSON.parse(text) : null
  } catch {
    throw new ApiError(
      response.status,
      'Not understood',
      'The server’s answer was cut short, or is not Juvena’s. Try again.',
      {},
      false,
    )
  }
  if (!response.ok) {
    const problem = (value ?? {}) as {
      title?: string
      detail?: string
      problems?: Problem[]
      theirs?: unknown
    }
    throw new ApiError(
      response.status,
      problem.title ?? 'Refused',
      problem.detail ?? 'The server refused that.',
      problem,
      problem.detail !== undefined,
    )
  }
  return value
}

export async function api<T>(
  method: 'GET' | 'POST' | 'PUT' | 'DELETE',
  path: string,
  body?: unknown,
): Promise<T> {
  const response = await answerOf(path, {
    method,
    headers: {
      'juvena-device': DEVICE,
      ...(body === undefined ? {} : { 'content-type': 'application/json' }),
    },
    body: body === undefined ? undefined : typeof body === 'string' ? body : JSON.stringify(body),
  })
  return (await readAnswer(response)) as T
}

/** A file of the server’s with the name it is saved under. */
export async function apiFile(path: string): Promise<{ bytes: Blob; name: string }> {
  const response = await answerOf(path, { headers: { 'juvena-device': DEVICE } })
  if (!response.ok) await readAnswer(response)
  const said = response.headers.get('content-disposition') ?? ''
  // In full where it has more than plain letters, plain otherwise.
  const full = /filename\*=UTF-8''([^;]+)/.exec(said)?.[1]
  const plain = /filename="([^"]+)"/.exec(said)?.[1]
  return {
    bytes: await response.blob(),
    name: full ? decodeURIComponent(full) : (plain ?? 'Juvena'),
  }
}
