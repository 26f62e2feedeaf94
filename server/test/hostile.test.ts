import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { gzipSync } from 'node:zlib'
import { randomLcg } from 'd3-random'
import sharp from 'sharp'
import { CEILINGS } from '@juvena/core/entities/ceilings'
import { JOB_FORMAT } from '@juvena/core/formats/jobFile'
import { JOB_VERSION } from '@juvena/core/entities/job'
import { testServer, type TestServer } from './testServer.ts'

let served: TestServer
beforeAll(async () => {
  served = await testServer(({ jobs }) =>
    jobs.create(
      { name: 'Fine', zones: [{ id: 'z1', name: 'Back', area: '100 m²' }] },
      'then',
      'fine',
    ),
  )
})
afterAll(() => served.stop())

/** One request of raw bytes. */
async function send(
  path: string,
  body: string | Buffer,
  headers: Record<string, string> = { 'content-type': 'application/json' },
  method = 'POST',
) {
  const answer = await fetch(served.base + path, {
    method,
    headers,
    body: typeof body === 'string' ? body : new Uint8Array(body),
  })
  return {
    status: answer.status,
    body: JSON.parse(await answer.text()) as {
      detail?: string
      id: string
      rows?: { id: string; state: string }[]
    },
  }
}
const site = { latitude: -44.2, longitude: 170.1, frost: '25 Apr' }
const square = (x: number, y: number, side: number) => [[[x, y], [x + side, y], [x + side, y + side], [x, y + side]]] // prettier-ignore
const lawn = (at: number[][][], more: object[] = []) => ({ name: 'Drawn', site, zones: [{ id: 'z1', name: 'Lawn' }], drawing: { shapes: [{ id: 's', kind: 'lawn', zone: 'z1', at }, ...more] } }) // prettier-ignore
const many = <T>(n: number, of: (i: number) => T) => Array.from({ length: n }, (_, i) => of(i))
const even = randomLcg(0.37)

/** Drafts that ask for much, make no sense, or use names that mean something to a program. */
const DRAFTS: [name: string, draft: object, refused?: string][] = [
  ['a lawn ten kilometres square', lawn(square(0, 0, 10_000))],
  ['a lawn forty kilometres square', lawn(square(-20_000, -20_000, 40_000))],
  ['an outline that crosses itself everywhere', lawn([many(700, () => [even() * 60, even() * 60])])],
  ['a thousand beds over one another', lawn(square(0, 0, 100), many(1000, (i) => ({ id: `b${i}`, kind: 'bed', at: square(even() * 90, even() * 90, 8) })))],
  ['two thousand trees', lawn(square(0, 0, 100), many(1990, (i) => ({ id: `t${i}`, kind: 'tree', at: [[[even() * 100, even() * 100]]], height: '9', crown: '6' }))), '1,990 trees, walls and buildings; up to 600'],
  ['a hundred lawns over one another', { name: 'x', site, zones: many(100, (i) => ({ id: `z${i}` })), drawing: { shapes: many(100, (i) => ({ id: `s${i}`, kind: 'lawn', zone: `z${i}`, at: square(i / 9, i / 7, 30) })) } }],
  ['a hundred thousand zones', { name: 'x', zones: many(100_000, (i) => ({ id: `z${i}` })) }, `up to ${CEILINGS.zones} are taken`],
  ['two zones of one id', { name: 'x', zones: [{ id: 'z1', area: '10' }, { id: 'z1', area: '20' }] }],
  ['a zone called job', { name: 'x', zones: [{ id: 'job', name: 'job', area: '10 m²', sunHours: '6' }] }],
  ['names of a language', { name: '__proto__', zones: [{ id: 'constructor', name: 'toString', area: '10 m²', present: ['hasOwnProperty'] }], schools: { shade: 'toString', season: '__proto__' } }],
  ['schools of no school', { name: 'x', schools: JSON.parse('{"__proto__":"x","toString":"y"}') as object }],
  ['numbers beyond numbers', { name: 'x', site: { latitude: 1e308, longitude: 'NaN' }, zones: [{ id: 'z1', area: '1e400 m²', thatch: 'Infinity mm', sunHours: '-0' }] }],
  ['days beyond days', { name: 'x', walked: '9999-12-31', customerDate: '0000-00-00', pins: { 'sow/z1': '9999-12-31' }, zones: [{ id: 'z1', area: '10 m²' }] }],
  ['a mile of text', { name: 'x'.repeat(100_000), notes: '<script>alert(1)</script>'.repeat(4000), zones: [] }],
  ['a hundred hectares to dig by hand', { name: 'x', site, zones: [{ id: 'z1', area: '100 ha', thatch: '60 mm', penetration: 'stops', cover: { wanted: 5, weeds: 90, moss: 0, bare: 5 } }] }],
] // prettier-ignore

describe('hostile drafts', () => {
  it.each(DRAFTS)(
    '%s: saved and planned, or refused in a sentence; nothing else is touched',
    async (_, draft, refused) => {
      const { id } = (await send('/api/jobs', '{"name":"x"}')).body
      const saved = await send(
        `/api/jobs/${id}`,
        JSON.stringify({ revision: 1, draft }),
        { 'content-type': 'application/json' },
        'PUT',
      )
      const file = await send(
        '/api/job-files',
        JSON.stringify({ format: JOB_FORMAT, version: JOB_VERSION, job: draft }),
      )
      if (refused) {
        expect([saved.status, file.status]).toEqual([400, 400])
        for (const { body } of [saved, file]) expect(body.detail).toContain(refused)
      } else {
        expect(saved.status).toBe(200)
        // A file may be refused for what a draft typed here may hold; it is then said why.
        expect([201, 400]).toContain(file.status)
        if (file.status === 400) expect(file.body.detail).toMatch(/\.$/)
      }
      const plan = await fetch(`${served.base}/api/jobs/${id}/plan`)
      expect([200, 422]).toContain(plan.status)
      expect(await served.parts.season.fresh(60_000)).toBe(0)
      const season = await send('/api/season', '', {}, 'GET').catch(() =>
        served.call('GET', '/api/season'),
      )
      const rows = season.body.rows as { id: string; state: string }[]
      expect(rows.find((r) => r.id === 'fine')?.state).not.toBe('failed')
      expect(rows.map((r) => r.id)).toContain(id)
    },
    90_000,
  )

  it('a diary entry of a day beyond days is planned with, or refused', async () => {
    const { id } = (await send('/api/jobs', '{"name":"x"}')).body
    const entry = await send(
      `/api/jobs/${id}/diary`,
      JSON.stringify({ id: 'entry-9999', date: '9999-12-31', what: 'x' }),
    )
    expect([201, 400]).toContain(entry.status)
    expect((await fetch(`${served.base}/api/jobs/${id}/plan`)).status).toBe(200)
    expect(await served.parts.season.fresh(60_000)).toBe(0)
    expect((await served.call('GET', '/api/season')).status).toBe(200)
  })
})

describe('hostile bytes', () => {
  const file = JSON.stringify({
    format: JOB_FORMAT,
    version: JOB_VERSION,
    job: { name: 'x', zones: [] },
  })
  it.each([
    ['a million brackets', '/api/job-files', '['.repeat(1_000_000), 'brackets deep'],
    ['brackets in a save', '/api/jobs', `{"name":${'['.repeat(60)}${']'.repeat(60)}}`, 'brackets deep'],
    ['a file cut short', '/api/job-files', file.slice(0, -5), 'cut short'],
    ['text that is no UTF-8', '/api/job-files', Buffer.from([0x7b, 0xff, 0xfe, 0x7d]), 'not JSON'],
    ['a file of a later version', '/api/job-files', file.replace(`"version":${JOB_VERSION}`, `"version":${JOB_VERSION + 5}`), 'newer Juvena'],
    ['a file of no job', '/api/job-files', '[1,2,3]', 'not a Juvena job'],
    ['a job larger than a save may be', '/api/job-files', JSON.stringify({ format: JOB_FORMAT, version: JOB_VERSION, job: { name: 'x', zones: [], notes: 'x'.repeat(4_100_000) } }), 'larger than 4 MB'],
  ])('%s is refused in a sentence', async (_, path, body, says) => {
    const before = await served.parts.jobs.count(false)
    const answer = await send(path, body)
    expect(answer.status).toBe(400)
    expect(answer.body.detail).toContain(says)
    expect(await served.parts.jobs.count(false)).toBe(before)
  }) // prettier-ignore
  it('what is compressed is refused before it is opened, and so is what is too large', async () => {
    const packed = { 'content-type': 'application/json', 'content-encoding': 'gzip' }
    expect((await send('/api/job-files', gzipSync(file), packed)).status).toBe(415)
    expect((await send('/api/jobs', gzipSync('{"name":"x"}'), packed)).status).toBe(415)
    expect((await send('/api/jobs', JSON.stringify({ name: 'x'.repeat(4_200_000) }))).status).toBe(
      413,
    )
  })
  it.each([
    ['a drawing', async () => Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"><image href="file:///etc/passwd"/></svg>')],
    ['a bomb of pixels', () => sharp({ create: { width: 16_000, height: 16_000, channels: 3, background: '#fff' }, limitInputPixels: false }).png().toBuffer()],
    ['a GIF', () => sharp({ create: { width: 9, height: 9, channels: 3, background: '#fff' } }).gif().toBuffer()],
    ['noise', async () => Buffer.from(many(5000, () => Math.floor(even() * 256)))],
  ])('%s is no photograph', async (_, bytes) => {
    const answer = await send('/api/jobs/fine/photos', await bytes(), { 'content-type': 'image/jpeg' })
    expect(answer.status).toBe(415)
    expect(answer.body.detail).toContain('could not be read as a picture')
  }, 60_000) // prettier-ignore
})

describe('ids that are taken', () => {
  it('an entry of another job is refused, not lost', async () => {
    const other = (await send('/api/jobs', '{"name":"Other"}')).body.id
    const entry = JSON.stringify({ id: 'entry-0001', date: '2027-02-22', what: 'walked' })
    expect((await send('/api/jobs/fine/diary', entry)).status).toBe(201)
    expect((await send('/api/jobs/fine/diary', entry)).status).toBe(200)
    const elsewhere = await send(`/api/jobs/${other}/diary`, entry)
    expect([elsewhere.status, elsewhere.body.detail]).toEqual([
      409,
      expect.stringContaining('belongs to another job'),
    ])
  })
  it('entries of a file that begin alike are all kept, and counted', async () => {
    const alike = many(3, (i) => ({
      id: `${'a'.repeat(50)}-${i}`,
      date: '2027-02-22',
      what: `line ${i}`,
      corrects: i === 2 ? `${'a'.repeat(50)}-0` : null,
    }))
    const sent = await send(
      '/api/job-files',
      JSON.stringify({
        format: JOB_FORMAT,
        version: JOB_VERSION,
        job: { name: 'x', zones: [] },
        diary: alike,
      }),
    )
    const { diary, imported } = sent.body as unknown as {
      diary: { id: string; what: string; corrects: string | null }[]
      imported: object
    }
    expect(imported).toEqual({ entries: 3, photographs: 0 })
    expect(diary.map((e) => e.what)).toEqual(['line 0', 'line 1', 'line 2'])
    expect(diary[2]!.corrects).toBe(diary[0]!.id)
  })
  it('a copy of no job, and a save on an archived one, say so', async () => {
    const draft = JSON.stringify({ revision: 1, draft: { name: 'x', zones: [] } })
    expect((await send('/api/jobs/none/copy', draft)).status).toBe(404)
    const { id } = (await send('/api/jobs', '{"name":"Away"}')).body
    await served.call('DELETE', `/api/jobs/${id}`)
    const saved = await send(
      `/api/jobs/${id}`,
      draft,
      { 'content-type': 'application/json' },
      'PUT',
    )
    expect([saved.status, saved.body.detail]).toEqual([409, expect.stringContaining('archived')])
  })
})

describe('a full disk', () => {
  it('is told as such, changes nothing, and is over once there is room', async () => {
    const [{ page_count: pages }] = (await served.db.raw('PRAGMA page_count')) as [
      { page_count: number },
    ]
    await served.db.raw(`PRAGMA max_page_count = ${pages}`)
    const big = JSON.stringify({ name: 'x', zones: [], notes: 'y'.repeat(3000) })
    const full = await send(
      '/api/job-files',
      JSON.stringify({
        format: JOB_FORMAT,
        version: JOB_VERSION,
        job: { name: 'Full', zones: many(100, (i) => ({ id: `z${i}`, notes: 'n'.repeat(900) })) },
      }),
    )
    expect([full.status, full.body.detail]).toEqual([507, expect.stringContaining('disk')])
    expect((await served.call('GET', '/api/jobs?search=Full')).body).toEqual([])
    expect((await served.call('GET', '/api/jobs/fine')).status).toBe(200)
    await served.db.raw('PRAGMA max_page_count = 1073741823')
    expect(
      (
        await send(
          '/api/job-files',
          JSON.stringify({
            format: JOB_FORMAT,
            version: JOB_VERSION,
            job: JSON.parse(big) as object,
          }),
        )
      ).status,
    ).toBe(201)
  })
})
