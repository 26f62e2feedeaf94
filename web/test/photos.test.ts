// @vitest-environment happy-dom
import 'fake-indexeddb/auto'
import { clear, createStore, entries } from 'idb-keyval'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { usePhotos } from '../src/stores/photos.ts'

const shelf = createStore('juvena-photos', 'waiting')
const picture = (name: string) =>
  new File([new Uint8Array([1, 2, 3])], name, { type: 'image/jpeg' })
/** Answers each picture that is sent; everything else is empty. */
function server(answer: (id: string) => Response) {
  const sent: string[] = []
  vi.stubGlobal('fetch', async (url: string, init?: { method?: string }) => {
    if (init?.method !== 'POST') return new Response('[]')
    const id = new URL(url, 'http://x').searchParams.get('id') ?? ''
    sent.push(id)
    return answer(id)
  })
  return sent
}
const taken = (id: string) => new Response(JSON.stringify({ id }), { status: 201 })

beforeEach(async () => {
  setActivePinia(createPinia())
  await clear(shelf)
})

describe('photographs on their way', () => {
  it.each([
    ['a sign-in page that answers 200', () => new Response('<html>Sign in</html>')],
    ['a yes that names another', () => taken('other')],
    ['401', () => new Response('{"detail":"Sign in."}', { status: 401 })],
    ['413 of a proxy', () => new Response('too large', { status: 413 })],
    ['503', () => new Response('{"detail":"Busy."}', { status: 503 })],
  ])('are kept on %s, and go once there is a yes', async (_, answer) => {
    server(answer)
    const photos = usePhotos()
    await photos.addTo('j1', [picture('a.jpg')])
    expect([photos.held.length, photos.refused.length]).toEqual([1, 0])
    expect((await entries(shelf)).length).toBe(1)
    const sent = server(taken)
    await photos.send()
    expect([sent.length, photos.held.length, (await entries(shelf)).length]).toEqual([1, 0, 0])
  })
  it('refused by Juvena they stay with the reason and hold up no other', async () => {
    const bad = new Set<string>()
    server((id) => {
      if (bad.size === 0) bad.add(id)
      return bad.has(id) ? new Response('{"detail":"Not a picture."}', { status: 415 }) : taken(id)
    })
    const photos = usePhotos()
    await photos.addTo('j1', [picture('a.jpg'), picture('b.jpg')])
    expect(photos.refused.map((p) => [p.name, p.refused])).toEqual([['a.jpg', 'Not a picture.']])
    expect([photos.held.length, (await entries(shelf)).length]).toEqual([1, 1])
    server(taken)
    await photos.tryAgain(photos.refused[0]!.id)
    expect([photos.held.length, (await entries(shelf)).length]).toEqual([0, 0])
  })
})
