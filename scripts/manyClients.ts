import { sure } from '../core/src/quantities/sure.ts'
import { spawn } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { performance } from 'node:perf_hooks'
import { fileURLToPath } from 'node:url'
import Database from 'better-sqlite3'
import express from 'express'
import sharp from 'sharp'
import { startServer } from '../e2e/startServer.ts'
import { atMost, reference, TINY, told } from './speed.ts'
import { demoJobs } from '../server/src/demo/jobs.ts'
import { openDatabase } from '../server/src/store/database.ts'

/**
 * A firm of 10,000 jobs: season, search and reading a job, alone and for 100 clients at once,
 * beside a bare route that hands out the same bytes from the same database; and how long another
 * client waits while the worst file known is read.
 */
const self = fileURLToPath(import.meta.url)
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

async function fill(folder: string): Promise<void> {
  const knex = await openDatabase(folder)
  await knex.destroy()
  const db = new Database(join(folder, 'juvena.sqlite'))
  const drafts = demoJobs.map((j) => j.draft)
  const job = db.prepare('INSERT INTO jobs (id, revision, version, name, body, saved_at, put_away_at, customer, place, time_zone) VALUES (?, 1, 4, ?, ?, ?, NULL, ?, ?, ?)') // prettier-ignore
  // Worked already, as a firm's rows are: the season page is measured, not the first plan of ten
  // thousand jobs.
  const planned = db.prepare('INSERT INTO planned (job_id, touched, stale, time_zone, planned_on, sow_day, row, work, seed, rules) VALUES (?, 1, 0, ?, ?, ?, ?, NULL, NULL, ?)') // prettier-ignore
  const day = db.prepare(
    'INSERT INTO planned_days (job_id, day, steps, open, crew_hours) VALUES (?, ?, 1, 1, 2)',
  )
  const row = (id: string, name: string, sowDay: string) =>
    JSON.stringify({ id, name, customer: '', area: 100, zones: 2, customerDate: null, state: 'planned', options: [], trouble: null, approach: 'overseed', window: Array.from({ length: 6 }, (_, i) => ({ from: `2027-0${i + 1}-01`, to: `2027-0${i + 1}-20`, state: 'open', reason: 'good' })), byGrass: [], cutOff: '2027-03-14', sowDay, sows: true, steps: Array.from({ length: 10 }, (_, i) => ({ id: `step ${i}`, kind: 'sow', name: 'Sow', day: sowDay, span: 1, state: 'planned', hours: 1, people: 2 })), next: { name: 'Sow', day: sowDay }, soil: Array.from({ length: 30 }, () => 17.4) }) // prettier-ignore
  db.transaction(() => {
    for (let i = 0; i < JOBS; i++) {
      const draft = {
        ...drafts[i % drafts.length]!,
        name: `Lawn ${i} of ${['Hill', 'Lake', 'Marsh', 'Ridge'][i % 4]} road`,
      }
      const zone = draft.site?.timeZone ?? ''
      const sow = new Date(Date.UTC(2027, 1, 22 + (i % 90))).toISOString().slice(0, 10)
      job.run(
        `job-${i}`,
        draft.name,
        JSON.stringify(draft),
        `2027-02-${String(1 + (i % 22)).padStart(2, '0')}T09:00:00Z`,
        `Customer ${i}`,
        `${i} Lane`,
        zone,
      )
      planned.run(`job-${i}`, zone, '2027-02-22', sow, row(`job-${i}`, draft.name, sow), '[]')
      day.run(`job-${i}`, sow)
    }
  })()
  db.close()
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

async function alone(name: string, of: (i: number) => string, runs = 300): Promise<void> {
  for (let i = 0; i < atMost(20); i++) await get(of(i))
  const times: number[] = []
  for (let i = 0; i < atMost(runs); i++) times.push(await get(of(i)))
  console.log(
    `${name.padEnd(34)} median ${told(name, at(times, 0.5))}, p95 ${told(`${name}, p95`, at(times, 0.95), 50)}`,
  )
}
async function together(
  name: string,
  of: (i: number) => string,
  pid: number,
  requests = 6000,
): Promise<number> {
  const times: number[] = []
  let next = 0
  const [from, before] = [performance.now(), processor(pid)]
  await Promise.all(
    Array.from({ length: CLIENTS }, async () => {
      while (next < atMost(requests)) times.push(await get(of(next++)))
    }),
  )
  const each = (processor(pid) - before) / atMost(requests)
  const rate = (1000 * atMost(requests)) / (performance.now() - from)
  console.log(
    `${name.padEnd(34)} ${rate.toFixed(0)} a second, p95 ${ms(at(times, 0.95))}, p99 ${ms(at(times, 0.99))}, processor ${each.toFixed(2)} ms each`,
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
    ['a million brackets', '['.repeat(1_000_000)],
  ]
  for (const [name, body] of TINY ? worst.slice(-1) : worst) {
    let done = false
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
        done = true
        rmSync(path)
        gone(said)
      })
    })
    const times: number[] = []
    while (!done) {
      times.push(await get(`${base}/api/jobs/${some(times.length)}`))
      await new Promise((go) => setTimeout(go, 5))
    }
    const status = await sending
    console.log(
      `a read during ${name.padEnd(27)} at most ${ms(at(times, 1))} of ${times.length} (budget 100 ms); the file: ${status.trim()}`,
    )
  }
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
      await get(`${juvena.address}/api/season`)
      // The first look marks all of them stale, for nobody had looked before: here they are said to
      // be current.
      const db = new Database(join(folder, 'juvena.sqlite'), { timeout: 10_000 })
      for (let i = 0; i < atMost(20); i++) {
        db.exec('UPDATE planned SET stale = 0')
        await new Promise((go) => setTimeout(go, 150))
      }
      db.close()
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
      await whileWorst(juvena.address)
    } finally {
      juvena.server.kill('SIGKILL')
      plain.server.kill('SIGKILL')
    }
  } finally {
    rmSync(folder, { recursive: true, force: true })
  }
}
