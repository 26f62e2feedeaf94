import { vi } from 'vitest'
import type { JobDraft } from '@juvena/core/entities/job'

/**
 * A server in memory that keeps one job with revisions, and can lose an answer on its way or be
 * gone.
 */
export function fakeServer(draft: JobDraft) {
  const state = {
    revision: 1,
    draft,
    copies: [] as JobDraft[],
    diary: [] as object[],
    puts: 0,
    gone: false,
    loseAnswers: 0,
  }
  const served = () => ({
    id: 'j1',
    revision: state.revision,
    name: '',
    savedAt: '2027-02-22T08:00:00Z',
    archivedAt: null,
    draft: state.draft,
    diary: state.diary,
    today: '2027-02-22',
  })
  const answer = (status: number, body: unknown) => new Response(JSON.stringify(body), { status })
  const fetch = vi.fn(async (url: string, init?: { method?: string; body?: string }) => {
    if (state.gone) throw new TypeError('no connection')
    const method = init?.method ?? 'GET'
    const body = init?.body
      ? (JSON.parse(init.body) as { revision: number; draft: JobDraft })
      : null
    if (url.includes('/weather')) return answer(200, { outlook: null })
    if (url.endsWith('/stock')) return answer(200, { lots: [] })
    if (url.endsWith('/copy')) return (state.copies.push(body!.draft), answer(201, { id: 'copy' }))
    if (url.endsWith('/diary'))
      return (state.diary.push(body!), answer(201, { diary: state.diary }))
    if (method === 'GET') return answer(200, served())
    state.puts++
    if (body!.revision !== state.revision)
      return answer(409, {
        title: 'Saved elsewhere',
        detail: `Version ${state.revision} was saved in another window.`,
        theirs: served(),
      })
    state.revision++
    state.draft = body!.draft
    if (state.loseAnswers-- > 0) throw new TypeError('connection lost')
    return answer(200, { revision: state.revision, savedAt: 'now' })
  })
  vi.stubGlobal('fetch', fetch)
  return { state, fetch }
}
