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
  it('one that is refused is told and holds up nothing', async () => {
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
    state.refuse = 'entry-0003'
    await expect(outbox.write('j1', entry(3))).rejects.toThrow('No such job.')
  })
})
