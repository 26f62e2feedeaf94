import type { Answer } from '../../../contract/answers.ts'
import { addDays, type Day } from '@juvena/core/calendar/day'
import { api } from '../stores/api.ts'
import { keptSince } from './signal.ts'

/** Days of work that lie on this device, from today on. */
const DAYS = 7
/** Jobs that lie on it with their photographs, beside those with work on these days. */
const MOST_JOBS = 60
/** Between one look at what lies here and the next, ms. */
const AGAIN = 30 * 60_000
/** Pages first, then what is kept for later, ms. */
const AFTER = 4_000
const WHEN = 'juvena.broughtHere'

/** Lets the pages open without signal. Only over HTTPS, or on this computer: browsers ask for it. */
export async function keepPages(): Promise<boolean> {
  if (!import.meta.env.PROD || !('serviceWorker' in navigator)) return false
  try {
    await navigator.serviceWorker.register('/service-worker.js')
    await navigator.serviceWorker.ready
    return true
  } catch {
    return false
  }
}

/**
 * Asks for the next days of work and for the jobs that are live, so that the service worker has
 * them when there is no signal: now, when signal comes back, and every half hour.
 */
export async function keepWork(today: () => Day): Promise<void> {
  if (!(await keepPages())) return
  const bring = async () => {
    if (keptSince.value !== null || Date.now() - Number(localStorage.getItem(WHEN)) < AGAIN) return
    localStorage.setItem(WHEN, String(Date.now()))
    await bringHere(today()).catch(() => localStorage.removeItem(WHEN))
  }
  setTimeout(() => void bring(), AFTER)
  setInterval(() => void bring(), AGAIN)
  window.addEventListener('online', () => void bring())
}

async function bringHere(today: Day): Promise<void> {
  const ids = new Set<string>()
  for (let i = 0; i < DAYS; i++) {
    const { jobs } = await api<Answer<'day'>>('GET', `/day?on=${addDays(today, i)}`)
    for (const { id } of jobs) ids.add(id)
  }
  const { rows } = await api<Answer<'season'>>('GET', '/season')
  for (const { id } of rows) if (ids.size < MOST_JOBS) ids.add(id)
  for (const path of ['/firm', '/today', '/stock', '/stations', '/weather']) await api('GET', path)
  await api('GET', `/season/load?from=${today}&days=24`)
  for (const id of ids) {
    const job = encodeURIComponent(id)
    for (const path of [`/jobs/${job}`, `/weather?job=${job}`, `/jobs/${job}/photos`])
      await api('GET', path)
  }
}
