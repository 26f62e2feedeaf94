// @vitest-environment happy-dom
import 'fake-indexeddb/auto'
import { clear, createStore, entries, set } from 'idb-keyval'
import { createPinia, setActivePinia } from 'pinia'
import { nextTick } from 'vue'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { JobDraft } from '@juvena/core/entities/job'
import { fakeServer } from './fakeServer.ts'
import { worker } from './workerInPlace.ts'

vi.mock('comlink', async () => (await import('./workerInPlace.ts')).comlink)
await import('../src/workers/plan.worker.ts')
const { useJob } = await import('../src/stores/job.ts')
const { keepUnsaved } = await import('../src/stores/unsaved.ts')

const LAWN: JobDraft = {
  name: 'Lawn',
  site: { latitude: -44, frost: '25 Apr' },
  zones: [{ id: 'z1', name: 'Back', area: '100 m²', sunHours: '7 h' }],
}
const settle = async (ms: number) => {
  await vi.advanceTimersByTimeAsync(ms)
  // The browser's database answers between other work, not at a time.
  for (let i = 0; i < 20; i++) {
    await nextTick()
    await new Promise((go) => setImmediate(go))
  }
  await vi.advanceTimersByTimeAsync(0)
}
const setArea = (job: ReturnType<typeof useJob>, area: string) =>
  job.edit('z1.area', (d) => (d.zones![0]!.area = area))
const drafts = createStore('juvena-unsaved', 'drafts')
const unsaved = async () => (await entries(drafts)).length

beforeEach(async () => {
  vi.useFakeTimers({
    now: new Date('2027-02-22T08:00:00Z'),
    toFake: ['setTimeout', 'clearTimeout', 'Date'],
  })
  setActivePinia(createPinia())
  await clear(drafts)
  Object.assign(worker, { fails: '', heard: [] })
})
afterEach(() => vi.useRealTimers())

async function opened(draft: JobDraft = LAWN) {
  const server = fakeServer(draft)
  const job = useJob()
  await job.open('j1')
  await settle(1)
  return { ...server, job }
}

describe('saving as you type', () => {
  it('saves once after a pause, on top of the revision it began from, and forgets what it kept', async () => {
    const { state, job } = await opened()
    for (const area of ['2', '20', '200 m²']) setArea(job, area)
    expect([job.saving, state.puts, await unsaved()]).toEqual(['waiting', 0, 1])
    await settle(700)
    expect([job.saving, state.puts, job.revision, await unsaved()]).toEqual(['saved', 1, 2, 0])
    expect(state.draft.zones![0]!.area).toBe('200 m²')
  })
  it('what is typed while a save is on its way goes with the next', async () => {
    const { state, job } = await opened()
    setArea(job, '150 m²')
    await vi.advanceTimersByTimeAsync(600)
    setArea(job, '160 m²')
    await settle(1500)
    expect([job.saving, state.draft.zones![0]!.area]).toEqual(['saved', '160 m²'])
  })
  it('goes on trying while the server is gone, and keeps everything meanwhile', async () => {
    const { state, job } = await opened()
    state.gone = true
    setArea(job, '170 m²')
    await settle(700)
    expect([job.saving, await unsaved()]).toEqual(['unreachable', 1])
    expect(job.failure).toContain('kept on this computer')
    state.gone = false
    await settle(3100)
    expect([job.saving, state.draft.zones![0]!.area]).toEqual(['saved', '170 m²'])
  })
  it('a save whose answer was lost is not taken for another window’s', async () => {
    const { state, job } = await opened()
    state.loseAnswers = 1
    setArea(job, '180 m²')
    await settle(700)
    expect(job.saving).toBe('unreachable')
    setArea(job, '190 m²')
    await settle(5000)
    expect([job.saving, job.conflict, state.draft.zones![0]!.area]).toEqual([
      'saved',
      null,
      '190 m²',
    ])
  })
  it('a reload while a save was on its way takes it up again', async () => {
    const { state, job } = await opened()
    state.loseAnswers = 1
    setArea(job, '210 m²')
    await settle(700)
    setActivePinia(createPinia())
    const reloaded = useJob()
    await reloaded.open('j1')
    await settle(1000)
    expect([reloaded.saving, reloaded.conflict, reloaded.draft!.zones![0]!.area]).toEqual([
      'saved',
      null,
      '210 m²',
    ])
    expect(state.draft.zones![0]!.area).toBe('210 m²')
  })
  it('a save of the page before that lands after this one has read the job is no conflict', async () => {
    const first = { ...LAWN, name: 'Sent before' }
    await set(
      ['j1', 'gone'],
      {
        revision: 1,
        draft: { ...first, customer: 'Typed since' },
        sent: JSON.stringify(first),
        at: 0,
      },
      drafts,
    )
    const { state } = fakeServer(LAWN)
    const job = useJob()
    await job.open('j1')
    Object.assign(state, { revision: 2, draft: first })
    await settle(1000)
    expect([job.saving, job.conflict, state.draft]).toEqual([
      'saved',
      null,
      { ...first, customer: 'Typed since' },
    ])
  })
  it('takes up what a window that is gone had left, but not a living one’s', async () => {
    // Of an earlier version, as a computer not used for long may hold.
    const left = (at: number) =>
      set(
        ['j1', 'other'],
        {
          revision: 1,
          draft: { ...LAWN, name: 'Left behind', plan: { shapes: [] } },
          sent: null,
          at,
        },
        drafts,
      )
    await left(Date.now() - 2000)
    expect((await opened()).job.draft!.name).toBe('Lawn')
    setActivePinia(createPinia())
    await left(Date.now() - 60_000)
    const { job, state } = await opened()
    expect([job.draft!.name, job.draft!.drawing, 'plan' in job.draft!]).toEqual([
      'Left behind',
      { shapes: [] },
      false,
    ])
    await settle(1000)
    expect(state.draft.name).toBe('Left behind')
  })
  it('survives nonsense in what was kept', async () => {
    await keepUnsaved('j1', { revision: 1, draft: LAWN, sent: null })
    const [key] = (await entries(drafts))[0]!
    await set(key, 'nonsense', drafts)
    expect((await opened()).job.draft!.name).toBe('Lawn')
  })
})

describe('another window', () => {
  async function clash() {
    const all = await opened()
    all.state.revision = 5
    all.state.draft = { ...LAWN, name: 'Theirs' }
    setArea(all.job, '300 m²')
    await settle(700)
    return all
  }
  it('is told, and nothing goes further by itself', async () => {
    const { state, job } = await clash()
    expect([job.saving, job.conflict!.revision, state.draft.name]).toEqual([
      'conflict',
      5,
      'Theirs',
    ])
    setArea(job, '301 m²')
    await settle(5000)
    expect([job.saving, state.draft.name]).toEqual(['conflict', 'Theirs'])
  })
  it('going on with mine keeps theirs as a job of its own', async () => {
    const { state, job } = await clash()
    await job.settle('mine')
    await settle(700)
    expect(state.copies.map((c) => c.name)).toEqual(['Theirs (other version)'])
    expect([job.saving, state.draft.name, state.draft.zones![0]!.area]).toEqual([
      'saved',
      'Lawn',
      '300 m²',
    ])
  })
  it('going on with theirs keeps mine as a job of its own, and undo brings it back here', async () => {
    const { state, job } = await clash()
    await job.settle('theirs')
    expect(state.copies.map((c) => [c.name, c.zones![0]!.area])).toEqual([
      ['Lawn (other version)', '300 m²'],
    ])
    expect([job.draft!.name, job.saving, await unsaved()]).toEqual(['Theirs', 'saved', 0])
    job.undo()
    expect(job.draft!.zones![0]!.area).toBe('300 m²')
  })
})

describe('undo', () => {
  it('takes a field’s run of typing as one step, another field as another', async () => {
    const { job } = await opened()
    for (const area of ['1', '12', '120 m²']) setArea(job, area)
    job.edit('name', (d) => (d.name = 'New'))
    job.undo()
    expect([job.draft!.name, job.draft!.zones![0]!.area]).toEqual(['Lawn', '120 m²'])
    job.undo()
    expect(job.draft!.zones![0]!.area).toBe('100 m²')
    job.redo()
    job.redo()
    expect(job.draft!.name).toBe('New')
    job.redo()
    expect(job.draft!.name).toBe('New')
  })
  it('a new edit ends what could be redone; a long pause begins a new step', async () => {
    const { job } = await opened()
    setArea(job, '120 m²')
    await settle(2000)
    setArea(job, '130 m²')
    job.undo()
    expect(job.draft!.zones![0]!.area).toBe('120 m²')
    setArea(job, '140 m²')
    expect(job.canRedo).toBe(false)
  })
})

describe('the worker', () => {
  it('is told everything once, then only what changed', async () => {
    const { job } = await opened()
    setArea(job, '200 m²')
    await settle(10)
    expect(worker.heard).toHaveLength(2)
    expect(worker.heard[1]).toEqual({
      draft: { set: { zones: job.draft!.zones }, gone: [] },
      setting: { set: {}, gone: [] },
    })
    expect(job.figure('zone:z1.area')!.value).toBe(200)
  })
  it('failing leaves the last plan and what was typed, says so, and planning goes on', async () => {
    const { job } = await opened()
    const before = job.plan
    worker.fails = 'out of memory'
    setArea(job, '200 m²')
    await settle(10)
    expect([job.planFailure, job.plan, job.draft!.zones![0]!.area]).toEqual([
      'out of memory',
      before,
      '200 m²',
    ])
    worker.fails = ''
    await job.replan()
    expect([job.planFailure, job.plan === before]).toEqual(['', false])
    setArea(job, '300 m²')
    await settle(10)
    expect(job.figure('zone:z1.area')!.value).toBe(300)
  })
})

describe('what moved', () => {
  it('is marked with its old value until its stage is looked at, then no more', async () => {
    const { job } = await opened()
    await settle(10)
    setArea(job, '200 m²')
    await settle(10)
    expect(job.moved.get('zone:z1.feed.kg')).toBeCloseTo(2, 6)
    expect(job.movedIn(5)).toBeGreaterThan(0)
    job.lookedAt(5)
    expect(job.movedIn(5)).toBe(0)
    expect(job.movedIn(4)).toBeGreaterThan(0)
  })
  it('never marks what a person typed, nor stages of a new job nobody has seen', async () => {
    const { job } = await opened({ name: 'New', zones: [] })
    await settle(10)
    job.edit('zones', (d) => (d.zones = [{ id: 'z1', area: '1 m²' }]))
    await settle(10)
    setArea(job, '100 m²')
    await settle(10)
    expect(job.moved.size).toBe(0)
    const known = await opened()
    setArea(known.job, '500 m²')
    await settle(10)
    expect([...known.job.moved.keys()].some((id) => id.endsWith('area.typed'))).toBe(false)
  })
})

describe('reading and planning', () => {
  it('a wrong entry is listed at its path, and the rest still plans', async () => {
    const { job } = await opened()
    setArea(job, 'abc')
    await settle(10)
    expect(job.problemAt('zones[0].area')).toContain('is not an area')
    expect(job.bands[0]!.markSays).toBe('1 entry to correct')
    expect(job.draft!.zones![0]!.area).toBe('abc')
  })
  it('a job that is not there says so', async () => {
    fakeServer(LAWN)
    vi.stubGlobal(
      'fetch',
      async () =>
        new Response(JSON.stringify({ detail: 'There is no such job here.' }), { status: 404 }),
    )
    const job = useJob()
    await job.open('nope')
    expect([job.loadFailure, job.id]).toEqual(['There is no such job here.', null])
  })
  it('an answer cut short is a sentence, not a crash', async () => {
    vi.stubGlobal('fetch', async () => new Response('{"draf', { status: 200 }))
    const job = useJob()
    await job.open('j1')
    expect(job.loadFailure).toContain('cut short')
  })
})
