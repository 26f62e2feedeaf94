// @vitest-environment happy-dom
import 'fake-indexeddb/auto'
import { clear, createStore, entries } from 'idb-keyval'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { diaryEntry } from '@juvena/core/entities/diary'
import { useOutbox } from '../src/stores/outbox.ts'

const kept = createStore('juvena-outbox', 'diary')
const entry = (n: number) =>
  diaryEntry.parse({
    id: `entry-${String(n).padStart(4, '0')}`,
    date: '2027-02-22',
    what: `line ${n}`,
  })
/** A server that keeps each id once, and may be gone, lose its answer, or refuse. */
function server() {
  const state = { diary: [] as { id: string }[], gone: false, loseAnswers: 0, refuse: '', posts: 0 }
  vi.stubGlobal('fetch', async (_url: string, init: { body: string }) => {
    if (state.gone) throw new TypeError('no connection')
    state.posts++
    const body = JSON.parse(init.body) as { id: string }
    if (state.refuse === body.id)
      return new Response(JSON.stringify({ detail: 'No such job.' }), { status: 404 })
    if (state.diary.every((e) => e.id !== body.id)) state.diary.push(body)
    if (state.loseAnswers-- > 0) throw new TypeError('connection lost')
    return new Response(JSON.stringify({ diary: state.diary }), { status: 201 })
  })
  return state
}
beforeEach(async () => {
  setActivePinia(createPinia())
  await clear(kept)
})

describe('diary entries on their way', () => {
  it('go at once where the server answers, and nothing is left here', async () => {
    const state = server()
    const outbox = useOutbox()
    await outbox.write('j1', entry(1))
    expect([state.diary.length, outbox.count, (await entries(kept)).length]).toEqual([1, 0, 0])
  })
  it('wait in order while it is gone, through a reload too, and arrive once', async () => {
    const state = server()
    state.gone = true
    const outbox = useOutbox()
    await outbox.write('j1', entry(1))
    await outbox.write('j2', entry(2))
    expect([outbox.count, outbox.withWaiting('j1', []).map((e) => e.what)]).toEqual([2, ['line 1']])
    setActivePinia(createPinia())
    const reloaded = useOutbox()
    await reloaded.ready
    expect(reloaded.count).toBe(2)
    state.gone = false
    await reloaded.send()
    await outbox.send()
    expect([state.diary.map((e) => e.id), reloaded.count, (await entries(kept)).length]).toEqual([
      ['entry-0001', 'entry-0002'],
      0,
      0,
    ])
  })
  it('an answer that was lost sends it again, and it is kept once', async () => {
    const state = server()
    state.loseAnswers = 1
    const outbox = useOutbox()
    await outbox.write('j1', entry(1))
    await outbox.send()
    expect([outbox.count, state.posts, state.diary.length]).toEqual([0, 2, 1])
  })
  it('one that is refused is told, holds up nothing, and stays with its reason through a reload', async () => {
    const state = server()
    state.gone = true
    const outbox = useOutbox()
    await outbox.write('j1', entry(1))
    await outbox.write('j1', entry(2))
    state.gone = false
    state.refuse = 'entry-0001'
    await outbox.send()
    expect([state.diary.map((e) => e.id), outbox.count, outbox.refused]).toEqual([
      ['entry-0002'],
      0,
      '“line 1” was not kept: No such job.',
    ])
    // It is no longer shown as recorded, and is not lost.
    expect(outbox.withWaiting('j1', [])).toEqual([])
    setActivePinia(createPinia())
    const reloaded = useOutbox()
    await reloaded.ready
    expect(reloaded.held.map((w) => [w.id, w.refused])).toEqual([['entry-0001', 'No such job.']])
    state.refuse = ''
    await reloaded.tryAgain('entry-0001')
    expect([state.diary.length, reloaded.held.length, (await entries(kept)).length]).toEqual([
      2, 0, 0,
    ])
    state.refuse = 'entry-0003'
    await expect(reloaded.write('j1', entry(3))).rejects.toThrow('No such job.')
    await reloaded.discard('entry-0003')
    expect((await entries(kept)).length).toBe(0)
  })
  it.each([
    ['a sign-in page that answers 200', () => new Response('<html>Sign in</html>')],
    ['JSON that names nothing', () => new Response('{"ok":true}')],
    ['another diary', () => new Response('{"diary":[{"id":"entry-9999"}]}', { status: 201 })],
    ['401 of a proxy', () => new Response('{"detail":"Sign in."}', { status: 401 })],
    ['403', () => new Response('Forbidden', { status: 403 })],
    ['404 that is no problem document', () => new Response('<h1>Not found</h1>', { status: 404 })],
    ['429', () => new Response('{"detail":"Too many."}', { status: 429 })],
    ['503', () => new Response('{"detail":"Busy."}', { status: 503 })],
  ])('goes on waiting on %s, and arrives once Juvena answers', async (_, answer) => {
    vi.stubGlobal('fetch', async () => answer())
    const outbox = useOutbox()
    await outbox.write('j1', entry(1))
    expect([outbox.count, outbox.held.length, (await entries(kept)).length]).toEqual([1, 0, 1])
    const state = server()
    await outbox.send()
    expect([state.diary.length, outbox.count, (await entries(kept)).length]).toEqual([1, 0, 0])
  })
  it('a record of the same step that is accepted takes the place of the refused one', async () => {
    const state = server()
    const step = (n: number) => diaryEntry.parse({ ...entry(n), step: 'spray/z1' })
    state.refuse = 'entry-0001'
    const outbox = useOutbox()
    await expect(outbox.write('j1', step(1))).rejects.toThrow('No such job.')
    expect(outbox.held.length).toBe(1)
    // Without signal nothing is accepted, and the refused one stays.
    state.gone = true
    await outbox.write('j1', step(3))
    expect([outbox.held.length, outbox.count]).toEqual([1, 1])
    await outbox.discard('entry-0003')
    state.gone = false
    await outbox.write('j1', step(2))
    expect([outbox.held.length, state.diary.length]).toEqual([0, 1])
  })
})
