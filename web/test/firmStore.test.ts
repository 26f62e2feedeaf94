// @vitest-environment happy-dom
import { quantity, say } from '@juvena/core/rules/message'
import { createPinia, setActivePinia } from 'pinia'
import { nextTick } from 'vue'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { useFirm } from '../src/stores/firm.ts'

interface Put {
  revision: number
  firm: Record<string, unknown>
}
function server(start: Record<string, unknown> = {}) {
  const state = { revision: 1, draft: start, puts: [] as Put[], status: 200, slow: 0, gone: false }
  vi.stubGlobal('fetch', async (url: string, init?: { method?: string; body?: string }) => {
    if (url.endsWith('/today'))
      return new Response(JSON.stringify({ today: '2027-02-22', demo: true }))
    if (init?.method === 'PUT') {
      const put = JSON.parse(init.body!) as Put
      if (state.slow > 0) await new Promise((done) => setTimeout(done, state.slow))
      state.puts.push(put)
      if (state.gone) throw new TypeError('down')
      if (put.revision !== state.revision)
        return new Response(JSON.stringify({ detail: 'An older revision.' }), { status: 409 })
      if (state.status !== 200)
        return new Response(
          JSON.stringify({ detail: 'These settings were changed in another window.' }),
          { status: state.status },
        )
      state.revision++
      state.draft = put.firm
    }
    return new Response(JSON.stringify({ revision: state.revision, draft: state.draft }))
  })
  return state
}
async function loaded(start: Record<string, unknown> = {}) {
  const state = server(start)
  const firm = useFirm()
  await firm.load()
  return { state, firm }
}

beforeEach(() => {
  vi.useFakeTimers()
  setActivePinia(createPinia())
  localStorage.clear()
})
afterEach(() => vi.useRealTimers())

describe('the firm on the page', () => {
  it('shows in its units, switches at once, and a new default takes the place of the switch', async () => {
    const { firm } = await loaded({ units: 'metric' })
    expect(firm.text(92.90304, 'm2')).toBe('92.9 m²')
    firm.toggleUnits()
    expect(firm.text(92.90304, 'm2')).toBe('1,000 ft²')
    expect(firm.say(say`To ${quantity(12, 'mm')} fine; {scarify} above.`)).toBe(
      'To ½ in fine; scarify above.',
    )
    firm.change({ units: 'metric' })
    expect(firm.units).toBe('metric')
  })
  it('speaks the firm’s words', async () => {
    const { firm } = await loaded({ dialect: 'dethatch' })
    expect(firm.say('{Scarify}, then {core}')).toBe('Verticut, then core aerate')
  })
  it('a change made while another is being saved is saved after it, and “saved” is not said before', async () => {
    const { state, firm } = await loaded()
    state.slow = 1000
    firm.change({ name: 'A' })
    await vi.advanceTimersByTimeAsync(600)
    firm.change({ name: 'B' })
    await vi.advanceTimersByTimeAsync(900)
    expect([firm.saving, state.puts.map((p) => p.firm.name)]).toEqual(['saving', ['A']])
    await vi.advanceTimersByTimeAsync(3000)
    expect([firm.saving, state.puts.map((p) => p.firm.name)]).toEqual(['saved', ['A', 'B']])
  })
  it('saves a while after the last change, once, on its revision', async () => {
    const { state, firm } = await loaded()
    firm.change({ name: 'A' })
    firm.change({ name: 'AB' })
    expect(firm.saving).toBe('saving')
    await vi.advanceTimersByTimeAsync(500)
    expect(state.puts).toEqual([{ revision: 1, firm: { name: 'AB' } }])
    expect(firm.saving).toBe('saved')
    firm.change({ crew: '3' })
    await vi.advanceTimersByTimeAsync(500)
    expect(state.puts[1]!.revision).toBe(2)
  })
  it('keeps a wrong setting on the page with its sentence, goes on with the usual one, and saves what else was changed without it', async () => {
    const { state, firm } = await loaded()
    firm.change({ crew: 'a few' })
    await vi.advanceTimersByTimeAsync(500)
    expect([firm.draft.crew, firm.settings.crew]).toEqual(['a few', null])
    firm.change({ address: '1 Tussock Lane' })
    await vi.advanceTimersByTimeAsync(500)
    const sent = state.puts.at(-1)!.firm as { crew?: string; address?: string }
    expect([sent.crew, sent.address, firm.saving]).toEqual([undefined, '1 Tussock Lane', 'saved'])
    expect(firm.problems[0]).toMatchObject({
      path: 'crew',
      sentence: expect.stringContaining('is not a number') as string,
    })
    firm.change({ crew: '4' })
    await vi.advanceTimersByTimeAsync(500)
    expect((state.puts.at(-1)!.firm as { crew?: string }).crew).toBe('4')
  })
  it('says when a save was refused', async () => {
    const { state, firm } = await loaded()
    state.status = 409
    firm.change({ name: 'Mine' })
    await vi.advanceTimersByTimeAsync(500)
    expect([firm.saving, firm.failure]).toEqual([
      'failed',
      'These settings were changed in another window.',
    ])
  })
  it('leaving the page before a save, or with the server down, loses nothing that was typed, wrong entries included', async () => {
    const { state, firm } = await loaded({ name: 'Before' })
    firm.change({ name: 'After', crew: 'a few' })
    setActivePinia(createPinia())
    const next = useFirm()
    state.gone = true
    await next.load()
    expect([next.draft.name, next.draft.crew, next.problems[0]?.path]).toEqual([
      'After',
      'a few',
      'crew',
    ])
    await vi.advanceTimersByTimeAsync(1000)
    expect([next.saving, state.draft.name]).toEqual(['failed', 'Before'])
    state.gone = false
    await vi.advanceTimersByTimeAsync(16_000)
    expect([next.saving, state.draft.name, state.draft.crew]).toEqual(['saved', 'After', undefined])
  })
  it('two windows: each keeps the field it typed; where both typed one, the first saved stands and the other is told', async () => {
    const { state, firm } = await loaded({ name: 'Before' })
    Object.assign(state, { revision: 2, draft: { name: 'Before', phone: '2' } })
    firm.change({ crew: '3' })
    await vi.advanceTimersByTimeAsync(500)
    expect([firm.saving, state.draft]).toEqual(['saved', { name: 'Before', phone: '2', crew: '3' }])
    Object.assign(state, { revision: 9, draft: { ...state.draft, name: 'Theirs' } })
    firm.change({ name: 'Mine', address: 'here' })
    await vi.advanceTimersByTimeAsync(500)
    expect([firm.draft.name, state.draft.name, state.draft.address]).toEqual([
      'Theirs',
      'Theirs',
      'here',
    ])
    expect([firm.saving, firm.failure]).toEqual([
      'failed',
      expect.stringContaining('another window') as string,
    ])
  })
  it('a save that went on top of another window’s after the server was down is no failure', async () => {
    const { state, firm } = await loaded({ name: 'Before' })
    state.gone = true
    firm.change({ crew: '3' })
    await vi.advanceTimersByTimeAsync(500)
    expect(firm.saving).toBe('failed')
    Object.assign(state, { gone: false, revision: 7, draft: { name: 'Before', phone: '2' } })
    await vi.advanceTimersByTimeAsync(16_000)
    expect([firm.saving, firm.failure, state.draft]).toEqual([
      'saved',
      '',
      { name: 'Before', phone: '2', crew: '3' },
    ])
  })
  it('a save whose answer was lost is not a conflict', async () => {
    const { state, firm } = await loaded({ name: 'Before' })
    firm.change({ name: 'Once' })
    await vi.advanceTimersByTimeAsync(500)
    state.slow = 5000
    firm.change({ name: 'Twice' })
    await vi.advanceTimersByTimeAsync(500)
    firm.change({ name: 'Thrice' })
    setActivePinia(createPinia())
    await vi.advanceTimersByTimeAsync(100)
    Object.assign(state, { slow: 0, revision: state.revision + 1, draft: { name: 'Twice' } })
    const next = useFirm()
    await next.load()
    await vi.advanceTimersByTimeAsync(500)
    expect([next.draft.name, state.draft.name, next.saving]).toEqual(['Thrice', 'Thrice', 'saved'])
  })
  it('tries again while the server does not answer', async () => {
    const firm = useFirm()
    vi.stubGlobal('fetch', async () => {
      throw new TypeError('down')
    })
    await firm.load()
    expect([firm.ready, firm.failure.length > 20]).toEqual([false, true])
    server({ name: 'Back' })
    await vi.advanceTimersByTimeAsync(3100)
    expect([firm.ready, firm.draft.name, firm.failure]).toEqual([true, 'Back', ''])
  })
  it('remembers the field theme on this computer', async () => {
    const { firm } = await loaded()
    firm.field = true
    await nextTick()
    expect([document.documentElement.dataset.theme, localStorage.getItem('juvena.field')]).toEqual([
      'field',
      '1',
    ])
    firm.field = false
    await nextTick()
    expect(document.documentElement.dataset.theme).toBe('paper')
  })
})
