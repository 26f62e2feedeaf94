import { spawn } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { Agent, request } from 'node:http'
import { tmpdir } from 'node:os'
import { join, resolve } from 'node:path'
import { performance } from 'node:perf_hooks'
import { fileURLToPath } from 'node:url'
import Database from 'better-sqlite3'
import express from 'express'
import sharp from 'sharp'
import { addDays } from '../core/src/calendar/day.ts'
import { sure } from '../core/src/quantities/sure.ts'
import { startServer } from '../e2e/startServer.ts'
import { stoppedClock } from '../server/src/clock.ts'
import { fillDemo } from '../server/src/demo/fill.ts'
import { demoFirm, demoJobs, DEMO_TODAY } from '../server/src/demo/jobs.ts'
import { partsOver } from '../server/src/parts.ts'
import { buildOf } from '../server/src/season.ts'
import { openDatabase } from '../server/src/store/database.ts'
import { jobStore } from '../server/src/store/jobStore.ts'
import { keptPlan } from '../server/src/store/keptPlan.ts'
import { plannedStore } from '../server/src/store/plannedStore.ts'
import { asOne } from '../server/src/store/transaction.ts'
import { row, type PlannedJob } from '../server/src/threads/planForSeason.ts'
import { atMost, reference, TINY, told } from './speed.ts'

/**
 * A firm of 10,000 jobs: season, search and reading a job, alone and for 100 clients at once,
 * beside a bare route that hands out the same bytes from the same database; and how long another
 * client waits while the worst file known is read.
 */
const self = fileURLToPath(import.meta.url)
const root = resolve(import.meta.dirname, '..')
const JOBS = TINY ? 40 : 10_000
const CLIENTS = atMost(100)

/** The bare route: Express and SQLite, nothing else. */
async function bare(folder: string): Promise<void> {
  const db = new Database(join(folder, 'juvena.sqlite'), { readonly: true })
  const job = db.prepare('SELECT body FROM jobs WHERE id = ?')
  const app = express()
  app.disable('x-powered-by')
  app.get('/api/jobs/:id', (req, res) => {
    const row = job.get(req.params.id) as { body: string } | undefined
    res.type('json').send(`{"draft":${row?.body ?? 'null'}}`)
  })
  const server = app.listen(0, '127.0.0.1', () =>
    console.log(`http://127.0.0.1:${(server.address() as { port: number }).port}`),
  )
}

/** Sends a file, and says what was answered after how long. */
async function send(url: string, path: string): Promise<void> {
  const body = readFileSync(path)
  const from = performance.now()
  const answer = await fetch(url, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body,
  })
  await answer.arrayBuffer()
  console.log(`${answer.status} after ${((performance.now() - from) / 1000).toFixed(1)} s`)
}

const nameOf = (i: number) => `Lawn ${i} of ${['Hill', 'Lake', 'Marsh', 'Ridge'][i % 4]} road`
/**
 * A firm of many jobs, written by the stores themselves: the demo's jobs again and again under
 * other names, each planned already, their days spread over a quarter of a year.
 */
async function fill(folder: string): Promise<void> {
  const db = await openDatabase(folder)
  const clock = stoppedClock(DEMO_TODAY)
  const parts = partsOver(db, folder, clock)
  await fillDemo(parts)
  const planned = plannedStore(db)
  const made: PlannedJob[] = []
  for (const { id } of demoJobs)
    made.push(row(await parts.season.askOf(sure(await parts.jobs.text(id)))))
  /** What was planned, as that of another job so many days later. */
  const again = (of: PlannedJob, id: string, name: string, days: number): PlannedJob => {
    const later = JSON.parse(
      JSON.stringify(of).replaceAll(
        /"20\d\d-\d\d-\d\d"/g,
        (day) => `"${addDays(day.slice(1, -1), days)}"`,
      ),
    ) as PlannedJob
    return {
      ...later,
      row: { ...later.row, id, name },
      work: later.work && { ...later.work, id, name },
      seed: later.seed.map((s) => ({ ...s, job: id, name })),
      orders: later.orders.map((o) => ({ ...o, job: id, name })),
      machines: later.machines.map((m) => ({ ...m, job: id, name })),
    }
  }
  for (let from = 0; from < JOBS; from += 500)
    await asOne(db, async (trx) => {
      for (let i = from; i < Math.min(JOBS, from + 500); i++) {
        const { draft } = demoJobs[i % demoJobs.length]!
        const [id, name] = [`job-${i}`, nameOf(i)]
        const typed = { ...draft, name, customer: `Customer ${i}`, site: { ...draft.site, address: `${i} Lane` } } // prettier-ignore
        await jobStore(trx).create(
          typed,
          `2027-02-${String(1 + (i % 22)).padStart(2, '0')}T09:00:00Z`,
          id,
        )
      }
    })
  // The keeper of the sources looks for changes each minute, and would find another build.
  await parts.season.stop()
  // As the built server looks for itself when it starts: it finds nothing changed.
  await parts.season.heed(buildOf(join(root, 'server/dist')))
  const stale = await planned.stale(2 * JOBS)
  for (let from = 0; from < stale.length; from += 500)
    await asOne(db, async (trx) => {
      for (const { job, touched } of stale.slice(from, from + 500)) {
        const i = Number(job.replace('job-', '')) || 0
        const plan = again(made[i % made.length]!, job, nameOf(i), i % 90)
        await plannedStore(trx).keep(job, touched, DEMO_TODAY, keptPlan(plan))
      }
    })
  await db.destroy()
}

/** Processor time of a process so far, ms; NaN where the system does not tell. */
function processor(pid: number): number {
  try {
    const fields = readFileSync(`/proc/${pid}/stat`, 'utf8').split(') ')[1]!.split(' ')
    return (Number(fields[11]) + Number(fields[12])) * 10
  } catch {
    return NaN
  }
}
const at = (times: number[], share: number) =>
  times.sort((a, b) => a - b)[Math.min(times.length - 1, Math.floor(share * times.length))]!
const ms = (n: number) => `${n.toFixed(1)} ms`
const get = async (url: string): Promise<number> => {
  const from = performance.now()
  const answer = await fetch(url)
  await answer.arrayBuffer()
  if (!answer.ok) throw new Error(`${url}: ${answer.status}`)
  return performance.now() - from
}
const some = (i: number) => `job-${(i * 7919) % JOBS}`

async function alone(
  name: string,
  of: (i: number) => string,
  runs = 300,
  budget: number | null = 50,
): Promise<void> {
  for (let i = 0; i < atMost(20); i++) await get(of(i))
  const times: number[] = []
  for (let i = 0; i < atMost(runs); i++) times.push(await get(of(i)))
  console.log(
    `${name.padEnd(34)} median ${told(name, at(times, 0.5))}, p95 ${told(`${name}, p95`, at(times, 0.95), budget ?? undefined)}`,
  )
}
/**
 * A client with one connection of its own, as a page has: `fetch` shares its connections out among
 * all who ask, and some then wait for seconds, whatever the server does.
 */
function client(): { get: (url: string) => Promise<number>; gone: () => void } {
  const agent = new Agent({ keepAlive: true, maxSockets: 1 })
  const get = (url: string) =>
    new Promise<number>((done, fail) => {
      const from = performance.now()
      const asked = request(url, { agent }, (answer) => {
        answer.on('end', () =>
          answer.statusCode === 200
            ? done(performance.now() - from)
            : fail(new Error(`${url}: ${answer.statusCode}`)),
        )
        answer.resume()
      })
      asked.on('error', fail)
      asked.end()
    })
  return { get, gone: () => agent.destroy() }
}

async function together(
  name: string,
  of: (i: number) => string,
  pid: number,
  requests = 6000,
): Promise<number> {
  const times: number[] = []
  let next = 0
  const clients = Array.from({ length: CLIENTS }, client)
  // All of them open their connections at the same moment: told apart, as a burst is.
  const opened = await Promise.all(clients.map((c, i) => c.get(of(i))))
  const [from, before] = [performance.now(), processor(pid)]
  await Promise.all(
    clients.map(async (c) => {
      while (next < atMost(requests)) times.push(await c.get(of(next++)))
      c.gone()
    }),
  )
  const each = (processor(pid) - before) / atMost(requests)
  const rate = (1000 * atMost(requests)) / (performance.now() - from)
  console.log(
    `${name.padEnd(34)} ${rate.toFixed(0)} a second, p95 ${ms(at(times, 0.95))}, p99 ${ms(at(times, 0.99))}, longest ${ms(at(times, 1))}, opening all at once ${ms(at(opened, 1))}, processor ${each.toFixed(2)} ms each`,
  )
  return each
}

/**
 * The longest another client waits for a job while files are read that ask for as much as a file
 * can.
 */
async function whileWorst(base: string): Promise<void> {
  const square = (x: number, y: number, side: number) => [[[x, y], [x + side, y], [x + side, y + side], [x, y + side]]] // prettier-ignore
  const jpeg = (await sharp({ create: { width: 2400, height: 1800, channels: 3, background: '#7a8f55', noise: { type: 'gaussian', mean: 128, sigma: 40 } } }).jpeg({ quality: 95 }).toBuffer()).toString('base64') // prettier-ignore
  const file = (job: object, photos: object[] = []) =>
    JSON.stringify({ format: 'juvena-job', version: 4, job, photos })
  const zones = Array.from({ length: 100 }, (_, i) => ({ id: `z${i}`, name: `Zone ${i}` }))
  const worst: [string, string][] = [
    ['a drawing of 60,000 corners', file({ name: 'w', zones: [{ id: 'z0' }], drawing: { shapes: Array.from({ length: 30 }, (_, k) => ({ id: `s${k}`, kind: k ? 'bed' : 'lawn', zone: 'z0', at: [Array.from({ length: 1990 }, (_, i) => [20 * Math.cos((i * Math.PI) / 995) + k / 3, 20 * Math.sin((i * Math.PI) / 995)])] })) } })], // prettier-ignore
    ['100 lawns over one another', file({ name: 'w', site: { latitude: -44 }, zones, drawing: { shapes: zones.map((z, i) => ({ id: `s${i}`, kind: 'lawn', zone: z.id, at: square(i / 9, i / 7, 30) })) } })], // prettier-ignore
    ['44 MB of photographs', file({ name: 'w', zones: [] }, Array.from({ length: Math.floor(42e6 / (jpeg.length * 0.75)) }, (_, i) => ({ id: `p${i}`, takenOn: '2027-02-22', jpeg })))], // prettier-ignore
    ['20 MB of fields', `{"format":"juvena-job","version":4,"job":{${Array.from({ length: 1_600_000 }, (_, i) => `"k${i}":1`).join(',')}}}`], // prettier-ignore
    ['a million brackets', '['.repeat(1_000_000)],
  ]
  for (const [name, body] of TINY ? worst.slice(-1) : worst) {
    // Sent from a process of its own: one that writes 44 MB cannot time what it reads meanwhile.
    const path = join(tmpdir(), `juvena-worst-${process.pid}.json`)
    writeFileSync(path, body)
    const sending = new Promise<string>((gone) => {
      const child = spawn(
        process.execPath,
        ['--import', 'tsx', self, '--send', `${base}/api/job-files`, path],
        {
          stdio: ['ignore', 'pipe', 'inherit'],
        },
      )
      let said = ''
      child.stdout.on('data', (text: Buffer) => (said += text.toString()))
      child.on('close', () => {
        rmSync(path)
        gone(said)
      })
    })
    const longest = await readsDuring(base, sending)
    console.log(
      `a read during ${name.padEnd(27)} at most ${ms(longest)} (budget 100 ms); the file: ${(await sending).trim()}`,
    )
  }
}

/** The longest another client waits for a job while something else is asked for, ms. */
async function readsDuring(base: string, other: Promise<unknown>): Promise<number> {
  let done = false
  void other.finally(() => (done = true))
  const times: number[] = []
  do {
    times.push(await get(`${base}/api/jobs/${some(times.length)}`))
    await new Promise((go) => setTimeout(go, 5))
  } while (!done)
  return at(times, 1)
}

/** Clients that each open a connection of their own at the same moment. */
async function burst(base: string): Promise<void> {
  const from = performance.now()
  const times = await Promise.all(
    Array.from({ length: atMost(400) }, async (_, i) => {
      const answer = await fetch(`${base}/api/jobs/${some(i)}`, {
        headers: { connection: 'close' },
      })
      await answer.arrayBuffer()
      return answer.ok ? performance.now() - from : NaN
    }),
  )
  console.log(
    `${`${times.length} new connections at once`.padEnd(34)} ${times.filter((t) => Number.isNaN(t)).length} refused, the last answered after ${ms(at(times, 1))}`,
  )
}

/** What other clients wait while the firm's large answers are asked for, and while much is planned. */
async function whileAsked(base: string, pid: number): Promise<void> {
  const post = (method: string, path: string, body: object) => async () => {
    const answer = await fetch(base + path, {
      method,
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    })
    await answer.arrayBuffer()
    if (!answer.ok) throw new Error(`${path}: ${answer.status}`)
  }
  const { revision, draft } = (await (await fetch(`${base}/api/jobs/job-1`)).json()) as { revision: number; draft: { notes?: string } } // prettier-ignore
  const corners = Array.from({ length: 1900 }, (_, i) => [20 * Math.cos((i * Math.PI) / 950), 20 * Math.sin((i * Math.PI) / 950)]) // prettier-ignore
  const shapes = Array.from({ length: 16 }, (_, i) => ({ id: `s${i}`, kind: 'bed', at: [corners] }))
  const long = JSON.stringify({ revision, draft: { ...draft, drawing: { shapes } } })
  /** In pieces, so that nobody knows beforehand how long it is. */
  const inPieces = () =>
    new Promise<void>((done, fail) => {
      const asked = request(`${base}/api/jobs/job-1`, { method: 'PUT', headers: { 'content-type': 'application/json' } }, (answer) => answer.resume().on('end', () => done())) // prettier-ignore
      asked.on('error', fail)
      for (let i = 0; i < long.length; i += 60_000) asked.write(long.slice(i, i + 60_000))
      asked.end()
    })
  const station = { name: 'Hill', latitude: -44, longitude: 170, elevation: 300 }
  const asks: [string, () => Promise<unknown>][] = [
    ['seed to buy', () => get(`${base}/api/season/seed`)],
    ['orders of all jobs', () => get(`${base}/api/season/orders`)],
    ['machines of all jobs', () => get(`${base}/api/season/machines`)],
    ['jobs that go by a rule', () => get(`${base}/api/rules/seed.bulk/uses`)],
    [`a draft of ${(long.length / 1e6).toFixed(1)} MB in pieces`, inPieces],
    ['settings of the firm saved', post('PUT', '/api/firm', { revision: 1, firm: demoFirm })],
    ['a station added', post('POST', '/api/stations', { station })],
  ]
  for (const [name, ask] of asks) {
    const from = performance.now()
    let took = 0
    const longest = await readsDuring(
      base,
      ask().then(() => (took = performance.now() - from)),
    )
    console.log(`a read during ${name.padEnd(27)} at most ${ms(longest)} (budget 100 ms); it took ${ms(took)}`) // prettier-ignore
  }
  const { working } = (await (await fetch(`${base}/api/season`)).json()) as { working: number }
  await together(`read a job while ${working} are planned`, (i) => `${base}/api/jobs/${some(i)}`, pid, 3000) // prettier-ignore
}

if (process.argv[2] === '--bare') await bare(process.argv[3]!)
else if (process.argv[2] === '--send') await send(process.argv[3]!, process.argv[4]!)
else {
  reference()
  const folder = mkdtempSync(join(tmpdir(), 'juvena-bench-'))
  try {
    await fill(folder)
    const juvena = await startServer(['server/dist/main.js'], {
      JUVENA_PORT: '0',
      JUVENA_DATA: folder,
      JUVENA_TODAY: '2027-02-22',
      JUVENA_PAGES: 'none',
    })
    const plain = await startServer([self, '--bare', folder], {})
    try {
      const { working } = (await (await fetch(`${juvena.address}/api/season`)).json()) as { working: number } // prettier-ignore
      if (working > 0)
        throw new Error(`${working} jobs are planned anew: these figures would be of that.`)
      await alone('season, first page of 10,000 jobs', () => `${juvena.address}/api/season`, 100)
      await alone(
        'season, three weeks',
        () => `${juvena.address}/api/season?from=2027-03-01&to=2027-03-21`,
        100,
      )
      await alone(
        'search',
        (i) =>
          `${juvena.address}/api/jobs?search=${['Ridge', 'Customer 77', '91 Lane', 'nothing'][i % 4]}`,
      )
      await alone('read a job', (i) => `${juvena.address}/api/jobs/${some(i)}`)
      const own = await together(
        `read a job, ${CLIENTS} clients`,
        (i) => `${juvena.address}/api/jobs/${some(i)}`,
        sure(juvena.server.pid),
      )
      const other = await together(
        'the bare route, the same',
        (i) => `${plain.address}/api/jobs/${some(i)}`,
        sure(plain.server.pid),
      )
      console.log(`processor of a read: ${(own / other).toFixed(1)} × the bare route's (budget 3)`)
      await together(
        `season, ${CLIENTS} clients`,
        () => `${juvena.address}/api/season?from=2027-03-01&to=2027-03-04`,
        sure(juvena.server.pid),
        600,
      )
      await alone('seed to buy', () => `${juvena.address}/api/season/seed`, 10, null)
      await alone(
        'jobs that go by a rule',
        () => `${juvena.address}/api/rules/seed.bulk/uses`,
        10,
        null,
      )
      await burst(juvena.address)
      await whileWorst(juvena.address)
      await whileAsked(juvena.address, sure(juvena.server.pid))
    } finally {
      juvena.server.kill('SIGKILL')
      plain.server.kill('SIGKILL')
    }
  } finally {
    rmSync(folder, { recursive: true, force: true })
  }
}
