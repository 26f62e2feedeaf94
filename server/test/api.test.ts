import { townsNamed } from '../src/towns.ts'
import { execFileSync, spawn } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { createServer, request, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join, resolve } from 'node:path'
import type { Knex } from 'knex'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { createApp } from '../src/app.ts'
import { stoppedClock } from '../src/clock.ts'
import { fillDemo } from '../src/demo/fill.ts'
import { DEMO_TODAY } from '../src/demo/jobs.ts'
import { apiRoutes } from '../src/routes/api.ts'
import type { Parts } from '../src/routes/route.ts'
import { partsOver } from '../src/parts.ts'
import { openDatabase } from '../src/store/database.ts'
import { jobStore } from '../src/store/jobStore.ts'

const root = resolve(import.meta.dirname, '../..')
let db: Knex
let server: Server
let base: string
let parts: Parts

beforeAll(async () => {
  const folder = mkdtempSync(join(tmpdir(), 'juvena-firm-'))
  db = await openDatabase(folder)
  parts = partsOver(db, folder, stoppedClock(DEMO_TODAY))
  await fillDemo(parts)
  server = createServer(createApp(parts, { pages: null, loopbackOnly: true })).listen(
    0,
    '127.0.0.1',
  )
  await new Promise((done) => server.once('listening', done))
  base = `http://127.0.0.1:${(server.address() as AddressInfo).port}`
})
afterAll(async () => {
  server.close()
  await db.destroy()
})

interface Answer {
  status: number
  headers: Headers
  // The tests read many shapes of answer.
  // eslint-disable-next-line @typescript-eslint/no-explicit-any
  body: any
}
async function call(
  method: string,
  path: string,
  body?: unknown,
  headers: Record<string, string> = {},
): Promise<Answer> {
  const response = await fetch(base + path, {
    method,
    headers: { ...(body === undefined ? {} : { 'content-type': 'application/json' }), ...headers },
    body: body === undefined ? undefined : typeof body === 'string' ? body : JSON.stringify(body),
  })
  const text = await response.text()
  return {
    status: response.status,
    headers: response.headers,
    body: text ? JSON.parse(text) : null,
  }
}
const begin = async (name = 'Test lawn') =>
  (await call('POST', '/api/jobs', { name })).body as { id: string; revision: number }

describe('saving', () => {
  it('keeps a draft just as it was typed, wrong entries too', async () => {
    const { id } = await begin()
    const draft = {
      name: '<b>Lawn</b>',
      zones: [{ id: 'z1', name: "'; DROP TABLE jobs;--", area: 'abc', thatch: '3/4 in' }],
    }
    const saved = await call('PUT', `/api/jobs/${id}`, { revision: 1, draft })
    expect([saved.status, saved.body.revision]).toEqual([200, 2])
    expect((await call('GET', `/api/jobs/${id}`)).body.draft).toEqual(draft)
  })
  it('refuses a save on an old revision, with both versions named, and overwrites nothing', async () => {
    const { id } = await begin()
    await call('PUT', `/api/jobs/${id}`, { revision: 1, draft: { name: 'first', zones: [] } })
    const late = await call('PUT', `/api/jobs/${id}`, {
      revision: 1,
      draft: { name: 'second', zones: [] },
    })
    expect(late.status).toBe(409)
    expect(late.headers.get('content-type')).toContain('application/problem+json')
    expect(late.body).toMatchObject({ yours: 1, theirs: { revision: 2, draft: { name: 'first' } } })
    expect(late.body.detail).toContain('Version 2')
    expect((await call('GET', `/api/jobs/${id}`)).body.draft.name).toBe('first')
  })
  it('the same save may come twice, as when its answer was lost: it counts once', async () => {
    const { id } = await begin()
    const save = { revision: 1, draft: { name: 'first', zones: [] } }
    for (const _ of [1, 2]) {
      const saved = await call('PUT', `/api/jobs/${id}`, save)
      expect([saved.status, saved.body.revision]).toEqual([200, 2])
    }
    const { revision } = (await call('GET', '/api/firm')).body
    const firm = { revision, firm: { name: `Saved twice ${id}` } }
    for (const _ of [1, 2]) {
      const saved = await call('PUT', '/api/firm', firm)
      expect([saved.status, saved.body.revision]).toEqual([200, revision + 1])
    }
  })
  it('of many saves at once on one revision, one wins', async () => {
    const { id } = await begin()
    const all = await Promise.all(
      Array.from({ length: 12 }, (_, i) =>
        call('PUT', `/api/jobs/${id}`, { revision: 1, draft: { name: `n${i}`, zones: [] } }),
      ),
    )
    expect(all.map((a) => a.status).sort()).toEqual([200, ...Array<number>(11).fill(409)])
  })
  it('archives and restores', async () => {
    const { id } = await begin('Away lawn')
    const listed = async (away: string) =>
      ((await call('GET', `/api/jobs${away}`)).body as { id: string }[]).some((j) => j.id === id)
    await call('DELETE', `/api/jobs/${id}`)
    expect([await listed(''), await listed('?archived=1')]).toEqual([false, true])
    await call('POST', `/api/jobs/${id}/restore`)
    expect(await listed('')).toBe(true)
  })
  it('the firm’s settings are checked and revised alike', async () => {
    const { revision } = (await call('GET', '/api/firm')).body
    expect((await call('PUT', '/api/firm', { revision, firm: { units: 'cubits' } })).status).toBe(
      400,
    )
    expect(
      (
        await call('PUT', '/api/firm', {
          revision,
          firm: { name: 'Tussock Lane Turf', units: 'metric', barrow: '75 L' },
        })
      ).status,
    ).toBe(200)
    expect((await call('PUT', '/api/firm', { revision, firm: {} })).status).toBe(409)
  })
})

describe('the diary', () => {
  const entry = (id: string) => ({
    id,
    date: '2027-02-23',
    what: 'cut',
    amount: '',
    who: '',
    note: '',
    zone: null,
    step: 'sow-cool.cut-first',
    corrects: null,
  })
  it('keeps an entry sent twice once, and the plan knows the step is done', async () => {
    expect((await call('POST', '/api/jobs/guesthouse/diary', entry('entry-0001'))).status).toBe(201)
    const again = await call('POST', '/api/jobs/guesthouse/diary', entry('entry-0001'))
    expect([again.status, again.body.diary.length]).toEqual([200, 1])
    const plan = (await call('GET', '/api/jobs/guesthouse/plan')).body
    expect(plan.steps.find((s: { kind: string }) => s.kind === 'cut-first').state).toBe('done')
  })
  it('can be neither changed nor deleted, even in the database', async () => {
    await expect(db('diary').where({ id: 'entry-0001' }).update({ body: '{}' })).rejects.toThrow(
      'append-only',
    )
    await expect(db('diary').del()).rejects.toThrow('append-only')
  })
  it('wants a job that exists and an entry that makes sense', async () => {
    expect((await call('POST', '/api/jobs/nobody/diary', entry('entry-0002'))).status).toBe(404)
    expect(
      (
        await call('POST', '/api/jobs/guesthouse/diary', {
          ...entry('entry-0003'),
          date: '2027-02-30',
        })
      ).status,
    ).toBe(400)
  })
})

describe('every route', () => {
  it('answers just as its schema says', async () => {
    const { id, revision } = await begin('Answers')
    const entry = { id: 'answers-entry', date: DEMO_TODAY, what: 'Mown' }
    const asked: [path: string, method: string, to: string, body?: unknown][] = [
      ['/today', 'get', '/today'],
      ['/firm', 'get', '/firm'],
      [
        '/firm',
        'put',
        '/firm',
        {
          revision: (await call('GET', '/api/firm')).body.revision,
          firm: (await call('GET', '/api/firm')).body.draft,
        },
      ],
      ['/jobs', 'get', '/jobs'],
      ['/jobs', 'post', '/jobs', { name: 'Another' }],
      ['/jobs/:id', 'get', `/jobs/${id}`],
      ['/jobs/:id', 'get', '/jobs/guesthouse'],
      ['/jobs/:id', 'put', `/jobs/${id}`, { revision, draft: { name: 'Answers', zones: [] } }],
      [
        '/jobs/:id/copy',
        'post',
        `/jobs/${id}/copy`,
        { revision: revision + 1, draft: { name: 'Copy' } },
      ],
      ['/jobs/:id/diary', 'post', `/jobs/${id}/diary`, entry],
      ['/jobs/:id/plan', 'get', '/jobs/guesthouse/plan'],
      ['/jobs/:id/plan', 'get', `/jobs/${id}/plan`],
      ['/jobs/:id/photos', 'get', '/jobs/guesthouse/photos'],
      ['/jobs/:id/file', 'get', '/jobs/guesthouse/file'],
      ['/season', 'get', '/season'],
      ['/season/orders', 'get', '/season/orders'],
      ['/season/machines', 'get', '/season/machines'],
      ['/season/orders', 'get', '/season/orders?jobs=quad,bank'],
      ['/rules/:id/uses', 'get', '/rules/seed.bulk/uses'],
      ['/weather', 'get', '/weather?job=guesthouse'],
      ['/jobs/:id', 'delete', `/jobs/${id}`],
      ['/jobs/:id/restore', 'post', `/jobs/${id}/restore`, {}],
    ]
    const known = new Map(apiRoutes(parts).map((r) => [`${r.method} ${r.path}`, r]))
    const wrong: string[] = []
    for (const [path, method, to, body] of asked) {
      const route = known.get(`${method} ${path}`)
      const { status, body: answer } = await call(method.toUpperCase(), `/api${to}`, body)
      const read = route?.answer?.safeParse(answer)
      if (status >= 300 || !read?.success)
        wrong.push(
          `${method} ${to}: ${status} ${read ? JSON.stringify(read.error?.issues.slice(0, 2)) : 'no such route'}`,
        )
    }
    expect(wrong).toEqual([])
  })
})

describe('job files', () => {
  it('go out and come in without loss', async () => {
    const out = (await call('GET', '/api/jobs/quad/file')).body
    const back = await call('POST', '/api/job-files', out)
    expect(back.status).toBe(201)
    const again = (await call('GET', `/api/jobs/${back.body.id}/file`)).body
    expect(again.job).toEqual(out.job)
    const bare = (list: { id: string }[]) => list.map((e) => ({ ...e, id: '' }))
    expect(bare(again.diary)).toEqual(bare(out.diary))
    // Taken in twice, it is two jobs; neither diary loses an entry.
    expect((await call('POST', '/api/job-files', out)).body.diary.length).toBe(out.diary.length)
  })
  it('a draft still with entries to mend comes in as it was typed', async () => {
    const file = {
      format: 'juvena-job',
      version: 1,
      job: { name: 'Half done', zones: [{ id: 'z1', area: 'about so' }] },
      diary: [],
    }
    expect((await call('POST', '/api/job-files', file)).body.draft.zones[0].area).toBe('about so')
  })
  it('another version, another kind of file, a truncated and an enormous one are refused with a sentence', async () => {
    expect(
      (
        await call('POST', '/api/job-files', {
          format: 'juvena-job',
          version: 9,
          job: { name: 'x' },
        })
      ).body.detail,
    ).toContain('version 9')
    expect((await call('POST', '/api/job-files', { hello: 1 })).status).toBe(400)
    expect(
      (await call('POST', '/api/job-files', '{"format":"juvena-job","vers')).body.detail,
    ).toContain('cut short')
    const big = await call(
      'POST',
      '/api/job-files',
      `{"format":"${'x'.repeat(65_000_000)}"}`,
    ).catch(() => null)
    if (big)
      expect([big.status, big.body.detail]).toEqual([413, expect.stringContaining('up to 64 MB')])
    expect((await call('GET', '/api/today')).status).toBe(200)
  })
})

describe('the server', () => {
  it('answers the season with windows, states and next steps; a job too late says so', async () => {
    const rows = (await call('GET', '/api/season')).body.rows as {
      id: string
      state: string
      cutOff: string
      next: object
      options: string[]
    }[]
    const community = rows.find((r) => r.id === 'community')!
    expect([community.state, community.cutOff]).toEqual(['cannot', '2027-03-14'])
    expect(community.options).toContain('Overseed instead')
    expect(rows.find((r) => r.id === 'guesthouse')!.next).toBeTruthy()
  })
  it('describes itself from the same schemas', async () => {
    const document = (await call('GET', '/api/openapi.json')).body
    expect(document.openapi).toBe('3.1.0')
    expect(Object.keys(document.paths)).toContain('/api/jobs/{id}')
    expect(document.components.schemas.Job.properties.zones.items.properties).toHaveProperty(
      'heightOfCut',
    )
  })
  it('carries a strict content policy, and answers on this computer’s names only, to its own pages', async () => {
    const policy = (await call('GET', '/api/today')).headers.get('content-security-policy')!
    expect(policy).toContain("default-src 'none'")
    expect(policy).not.toContain('unsafe')
    const asked = (headers: Record<string, string>, method = 'GET') =>
      new Promise<number>((done) =>
        request(
          `${base}/api/jobs`,
          { method, headers },
          (r) => (r.resume(), done(r.statusCode!)),
        ).end(),
      )
    expect(await asked({ host: 'elsewhere.example' })).toBe(421)
    expect(await asked({ origin: 'http://elsewhere.example' }, 'POST')).toBe(403)
  })
  it('says in a sentence what is not there', async () => {
    expect((await call('GET', '/api/nothing')).body.detail).toContain('nothing at this address')
    expect((await call('GET', '/api/jobs/none')).body.detail).toContain('no such job')
    expect((await call('POST', '/api/jobs', { name: '  ' })).body.detail).toContain(
      'Give the job a name',
    )
  })
})

describe('the gazetteer', () => {
  it('finds a town by the start of its name, by its state, and without its accents', async () => {
    const [one] = await townsNamed('Springfield, Mo')
    // From memory: 37.2° N 93.3° W, US Central time.
    expect(one).toMatchObject({ region: 'Missouri', timeZone: 'America/Chicago' })
    expect(one!.latitude).toBeCloseTo(37.2, 1)
    expect(one!.longitude).toBeCloseTo(-93.3, 1)
    expect((await townsNamed('zurich'))[0]).toMatchObject({ name: 'Zürich' })
    expect((await townsNamed('york')).map((t) => t.name)).toContain('New York')
  })
  it('finds nothing for nothing, and no more than eight', async () => {
    for (const typed of ['', '  ', ',', '%', 'qqqqqq', '<script>'])
      expect(await townsNamed(typed)).toEqual([])
    expect((await townsNamed('san')).length).toBe(8)
  })
})

describe('killed while writing', () => {
  it('loses nothing that was answered, and the database opens whole', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'juvena-kill-'))
    const child = spawn(process.execPath, ['--import', 'tsx', join(root, 'server/src/main.ts')], {
      cwd: root,
      env: { ...process.env, JUVENA_DATA: folder, JUVENA_PORT: '47811', JUVENA_PAGES: 'none' },
      stdio: 'pipe',
    })
    await new Promise<void>((done) =>
      child.stdout.on('data', (text: Buffer) => text.toString().includes('Juvena is at') && done()),
    )
    const at = 'http://127.0.0.1:47811/api/jobs'
    const send = (method: string, url: string, body: object) =>
      fetch(url, {
        method,
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(body),
      }).then((r) => r.json() as Promise<{ id: string; revision: number }>)
    const { id } = await send('POST', at, { name: 'Killed' })
    let answered = 1
    const writing = (async () => {
      for (let revision = 1; revision < 5000; revision++) {
        const saved = await send('PUT', `${at}/${id}`, {
          revision,
          draft: { name: `n${revision + 1}`, zones: [] },
        }).catch(() => null)
        if (!saved) break
        answered = saved.revision
      }
    })()
    await new Promise((done) => setTimeout(done, 600))
    child.kill('SIGKILL')
    await writing
    const reopened = await openDatabase(folder)
    const job = (await jobStore(reopened).get(id))!
    expect(answered).toBeGreaterThan(1)
    // The last write may have been kept without its answer arriving.
    expect([answered, answered + 1]).toContain(job.revision)
    expect(job.draft.name).toBe(`n${job.revision}`)
    expect(await reopened.raw('PRAGMA integrity_check')).toEqual([{ integrity_check: 'ok' }])
    await reopened.destroy()
    rmSync(folder, { recursive: true })
  })
})

describe('the command line', () => {
  const run = (input: string) => {
    try {
      return {
        out: execFileSync(
          process.execPath,
          ['--import', 'tsx', join(root, 'server/src/planFile.ts'), '-'],
          {
            cwd: root,
            input,
            encoding: 'utf8',
            stdio: 'pipe',
          },
        ),
        err: '',
        code: 0,
      }
    } catch (error) {
      const e = error as { status: number; stdout: string; stderr: string }
      return { out: e.stdout, err: e.stderr, code: e.status }
    }
  }
  it('plans a file, or lists its problems with their paths on standard error', () => {
    const job = {
      name: 'x',
      zones: [{ id: 'z1', area: 100, cover: { wanted: 60, weeds: 40, moss: 20, bare: 10 } }],
    }
    const wrong = run(JSON.stringify({ format: 'juvena-job', version: 1, job }))
    expect([wrong.code, wrong.out]).toEqual([1, ''])
    expect(wrong.err).toContain('job.zones[0].cover: Cover adds up to 130 %')
    const right = run(
      JSON.stringify({
        format: 'juvena-job',
        version: 1,
        today: '2027-02-22',
        job: { name: 'x', zones: [{ id: 'z1', area: '100 m²' }] },
      }),
    )
    expect(JSON.parse(right.out).figures['zone:z1.area'].value).toBe(100)
  })
})

describe('what the diaries say', () => {
  it('counts jobs that are archived, and an hour that is written beside a tick', async () => {
    const numbers = async () => (await call('GET', '/api/learnt')).body.numbers as { value: string; n: number; offered: number; usual: number }[] // prettier-ignore
    const cored = async () => (await numbers()).find((n) => n.value === 'rate.core')!.n
    // The row of a job is worked again behind the answer.
    const becomes = (n: number) => expect.poll(cored, { timeout: 30_000, interval: 100 }).toBe(n)
    const core = (await numbers()).find((n) => n.value === 'rate.core')!
    expect([core.n, core.usual]).toEqual([2, 800])
    expect(core.offered).toBeLessThan(800)
    const { body } = await call('GET', '/api/jobs/quad')
    const plan = await call('GET', '/api/jobs/quad/plan')
    const step = plan.body.steps.find((s: { kind: string }) => s.kind === 'core')
    const entry = { id: 'hours-of-core', date: body.today, step: step.id, stepZones: step.zones, what: 'Core', hours: 9 } // prettier-ignore
    expect((await call('POST', '/api/jobs/quad/diary', entry)).status).toBeLessThan(300)
    await becomes(3)
    const wrong = await call('POST', '/api/jobs/quad/diary', { ...entry, id: 'hours-of-none', hours: -1 }) // prettier-ignore
    expect([wrong.status, JSON.stringify(wrong.body)]).toEqual([400, expect.stringContaining('no time')]) // prettier-ignore
    const out = await call('POST', '/api/jobs/quad/diary', { id: 'hours-struck', date: body.today, what: 'struck out', corrects: entry.id }) // prettier-ignore
    expect(out.status).toBeLessThan(300)
    await becomes(2)
  })
})
