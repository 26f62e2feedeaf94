// @vitest-environment happy-dom
import 'fake-indexeddb/auto'
import { clear, createStore, entries, set } from 'idb-keyval'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import type { JobDraft } from '@juvena/core/entities/job'

/** Locks as a browser keeps them, of which a test may say that other windows hold some. */
const held = new Set<string>()
vi.stubGlobal('navigator', {
  userAgent: 'test',
  locks: {
    async request(name: string, _options: object, act: (lock: object | null) => unknown) {
      if (held.has(name)) return act(null)
      held.add(name)
      const done = await act({})
      held.delete(name)
      return done
    },
    query: async () => ({ held: [...held].map((name) => ({ name })) }),
  },
})
const { useLeftDrafts } = await import('../src/stores/leftDrafts.ts')
const { findUnsaved } = await import('../src/stores/unsaved.ts')
const { thisWindow, alone } = await import('../src/stores/thisWindow.ts')

/** The store in a window whose page has no job open. */
const noneOpen = async () => {
  const store = useLeftDrafts()
  store.opened(null)
  await store.send()
  return store
}
const drafts = createStore('juvena-unsaved', 'drafts')
const kept = async () =>
  (await entries<[string, string], { draft: JobDraft }>(drafts)).map(
    ([[job, window], { draft }]) => [job, window, draft.name],
  )
const left = (job: string, window: string, name: string, more: object = {}) =>
  set([job, window], { revision: 1, draft: { name }, sent: null, at: Date.now(), ...more }, drafts)
/** A server of many jobs. */
function server() {
  const state = {
    jobs: new Map<string, { revision: number; draft: JobDraft }>(),
    gone: false,
    fault: 0,
    puts: [] as string[],
  }
  vi.stubGlobal('fetch', async (url: string, init: { method: string; body: string }) => {
    if (state.gone) throw new TypeError('no connection')
    if (state.fault)
      return new Response(JSON.stringify({ detail: 'The disk is full.' }), { status: state.fault })
    const id = url.split('/').at(-1)!
    if (init.method === 'GET') {
      const there = state.jobs.get(id)
      return there
        ? new Response(JSON.stringify(there))
        : new Response(JSON.stringify({ detail: 'There is no such job here.' }), { status: 404 })
    }
    state.puts.push(id)
    const { revision, draft } = JSON.parse(init.body) as { revision: number; draft: JobDraft }
    const job = state.jobs.get(id)
    if (!job)
      return new Response(JSON.stringify({ detail: 'There is no such job here.' }), { status: 404 })
    if (job.revision !== revision)
      return new Response(JSON.stringify({ detail: 'Saved elsewhere', theirs: job }), {
        status: 409,
      })
    state.jobs.set(id, { revision: revision + 1, draft })
    return new Response(JSON.stringify({ revision: revision + 1, savedAt: 'now' }))
  })
  return state
}
beforeEach(async () => {
  setActivePinia(createPinia())
  await clear(drafts)
  for (const name of held) if (name !== `juvena.window.${await thisWindow}`) held.delete(name)
})

describe('changes to a job that is not open', () => {
  it('go when they can: those of a closed tab, and those of a job this tab left; a living tab’s and the open job’s stay', async () => {
    const state = server()
    for (const job of ['closed', 'mine', 'living', 'open'])
      state.jobs.set(job, { revision: 1, draft: {} })
    held.add('juvena.window.alive')
    await left('closed', 'dead', 'Closed')
    await left('mine', await thisWindow, 'Mine')
    await left('living', 'alive', 'Living')
    await left('open', await thisWindow, 'Open')
    const store = useLeftDrafts()
    store.opened('open')
    await store.send()
    expect(state.puts.sort()).toEqual(['closed', 'mine'])
    expect(state.jobs.get('mine')!.draft).toEqual({ name: 'Mine' })
    expect([store.count, (await kept()).map(([job]) => job).sort()]).toEqual([
      0,
      ['living', 'open'],
    ])
  })
  it('wait, and are shown, while the server is gone or its disk is full', async () => {
    const state = server()
    state.jobs.set('a', { revision: 1, draft: {} })
    await left('a', 'dead', 'Back lawn')
    state.gone = true
    const store = await noneOpen()
    expect(store.left).toEqual([{ job: 'a', name: 'Back lawn', asks: '' }])
    ;[state.gone, state.fault] = [false, 507]
    await store.send()
    expect(store.left[0]!.asks).toBe('The disk is full.')
    state.fault = 0
    await store.send()
    expect([store.count, state.jobs.get('a')!.draft, await kept()]).toEqual([
      0,
      { name: 'Back lawn' },
      [],
    ])
  })
  it('an answer that was lost is no conflict: what was typed since goes on top', async () => {
    const state = server()
    state.jobs.set('a', { revision: 2, draft: { name: 'sent' } })
    await left('a', 'dead', 'typed since', { sent: JSON.stringify({ name: 'sent' }) })
    await (await noneOpen()).send()
    expect(state.jobs.get('a')).toEqual({ revision: 3, draft: { name: 'typed since' } })
    state.jobs.set('b', { revision: 2, draft: { name: 'all of it' } })
    await left('b', 'dead', 'all of it')
    await (await noneOpen()).send()
    expect([state.jobs.get('b')!.revision, await kept()]).toEqual([2, []])
  })
  it('what was changed elsewhere too, or is no longer there, asks for a person and is kept', async () => {
    const state = server()
    state.jobs.set('a', { revision: 5, draft: { name: 'theirs' } })
    await left('a', 'dead', 'mine')
    await left('gone', 'dead', 'of no job')
    const store = await noneOpen()
    expect(store.left.map((l) => [l.job, l.asks]).sort()).toEqual([['a', 'It was changed elsewhere too: open it to choose.'], ['gone', 'There is no such job here.']]) // prettier-ignore
    expect([state.jobs.get('a')!.draft, (await kept()).length]).toEqual([{ name: 'theirs' }, 2])
  })
})

describe('windows', () => {
  it('a tab that was closed a moment ago leaves its work to the next at once, the newest of several', async () => {
    await left('a', 'dead1', 'older', { at: Date.now() - 5000 })
    await left('a', 'dead2', 'newer')
    expect((await findUnsaved('a'))!.draft.name).toBe('newer')
    expect((await kept()).map(([, window, name]) => [window === 'dead1', name]).sort()).toEqual([[false, 'newer'], [true, 'older']]) // prettier-ignore
  })
  it('what another living tab types is its own', async () => {
    held.add('juvena.window.alive')
    await left('a', 'alive', 'theirs', { at: Date.now() - 60_000 })
    expect(await findUnsaved('a')).toBeNull()
  })
  it('a duplicated tab, which carries the same name along, takes one of its own', async () => {
    const first = await thisWindow
    vi.resetModules()
    const copy = await import('../src/stores/thisWindow.ts')
    expect(await copy.thisWindow).not.toBe(first)
  })
  it('only one window sends at a time', async () => {
    const state = server()
    state.jobs.set('a', { revision: 1, draft: {} })
    await left('a', 'dead', 'x')
    let release = () => undefined as void
    const other = alone('sending', () => new Promise<void>((go) => (release = go)))
    await (await noneOpen()).send()
    expect(state.puts).toEqual([])
    release()
    await other
    await (await noneOpen()).send()
    expect(state.puts).toEqual(['a'])
  })
})
