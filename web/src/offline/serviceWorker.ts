import { ANSWERS, isKept, KEPT_SINCE, NOT_HERE } from './keptAnswers.ts'

/**
 * Lets Juvena open and work without signal: its own files lie on the device, and so do the answers
 * of the server that were given last. While the server answers, its answer always goes first.
 */
declare const self: ServiceWorkerGlobalScope
/** Put in when it is built: every file of the pages, and what stands for all of them. */
declare const __FILES__: readonly string[]
declare const __VERSION__: string

const APP = 'juvena-pages-'
const PAGES = APP + __VERSION__
/** A server that takes longer for a page counts as none where there is a copy, ms. */
const PAGE_WAIT = 4_000
/** The same for an answer: a weak signal is not waited for. */
const ANSWER_WAIT = 8_000
/** An answer is dropped when nobody asked for it for so long, days. */
const KEPT_DAYS = 21
/** What a proxy says when the server behind it is gone. */
const NO_SERVER = [502, 503, 504]

self.addEventListener('install', (event) => event.waitUntil(install()))
async function install(): Promise<void> {
  const cache = await caches.open(PAGES)
  await Promise.all(
    __FILES__.map(async (file) => {
      // A file whose name tells what is in it need not be fetched again.
      const known = file.startsWith('/assets/') ? await caches.match(file) : undefined
      await (known ? cache.put(file, known) : cache.add(new Request(file, { cache: 'no-cache' })))
    }),
  )
  await self.skipWaiting()
}

self.addEventListener('activate', (event) => event.waitUntil(activate()))
async function activate(): Promise<void> {
  // A page that is open may still ask for files of the version before.
  const versions = (await caches.keys()).filter((name) => name.startsWith(APP) && name !== PAGES)
  await Promise.all(versions.slice(0, -1).map((name) => caches.delete(name)))
  await dropOld()
  await self.clients.claim()
}
async function dropOld(): Promise<void> {
  const cache = await caches.open(ANSWERS)
  const since = new Date(Date.now() - KEPT_DAYS * 86_400_000).toISOString()
  for (const request of await cache.keys()) {
    const kept = await cache.match(request)
    if ((kept?.headers.get(KEPT_SINCE) ?? '') < since) await cache.delete(request)
  }
}

self.addEventListener('fetch', (event) => {
  const { request } = event
  const url = new URL(request.url)
  if (request.method !== 'GET' || url.origin !== self.location.origin) return
  if (request.mode === 'navigate') return event.respondWith(page(request))
  if (!url.pathname.startsWith('/api/')) return event.respondWith(file(request))
  if (isKept(url)) event.respondWith(answer(request))
})

/** Juvena itself says so, being busy: there is signal. */
const isOurs = (answer: Response): boolean =>
  answer.headers.get('content-type')?.startsWith('application/problem+json') ?? false

/** The server's answer; null where none comes in time. */
async function fromServer(request: Request, wait: number): Promise<Response | null> {
  const late = new Promise<null>((done) => setTimeout(() => done(null), wait))
  const given = fetch(request).catch(() => null)
  const first = await Promise.race([given, late])
  return first && NO_SERVER.includes(first.status) && !isOurs(first) ? null : first
}

async function page(request: Request): Promise<Response> {
  const copy = await caches.match('/index.html', { cacheName: PAGES })
  return (await fromServer(request, copy ? PAGE_WAIT : 600_000)) ?? copy ?? Response.error()
}

const file = async (request: Request): Promise<Response> =>
  (await caches.match(request, { cacheName: PAGES })) ??
  (await caches.match(request)) ??
  fetch(request)

async function answer(request: Request): Promise<Response> {
  const cache = await caches.open(ANSWERS)
  const copy = await cache.match(request)
  const live = await fromServer(request, copy ? ANSWER_WAIT : 600_000)
  if (live?.ok) {
    const headers = new Headers(live.headers)
    headers.set(KEPT_SINCE, new Date().toISOString())
    const kept = new Response(await live.clone().arrayBuffer(), { headers })
    // A full device still shows what the server says.
    await cache.put(request, kept).catch(() => undefined)
  }
  return (
    live ??
    copy ??
    new Response('{}', {
      status: 503,
      headers: { 'content-type': 'application/json', [NOT_HERE]: 'yes' },
    })
  )
}
