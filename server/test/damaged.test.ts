import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { fillDemo } from '../src/demo/fill.ts'
import { writeBackup } from '../src/store/backups.ts'
import { testServer, type TestServer } from './testServer.ts'

let served: TestServer
let call: TestServer['call']
beforeAll(async () => {
  served = await testServer(fillDemo)
  call = served.call
  writeBackup(served.parts.folder, '2027-02-22T10:00:00Z', 'asked')
}, 60_000)
afterAll(() => served.stop())

const PAGES = [
  '/api/season',
  '/api/season/load?from=2027-02-22',
  '/api/season/seed',
  '/api/season/orders',
  '/api/season/machines',
  '/api/day',
  '/api/stock',
  '/api/stations',
  '/api/weather',
  '/api/firm',
  '/api/rules/seed.bulk/uses',
  '/api/jobs/guesthouse',
]

describe('a damaged row', () => {
  it.each([
    ['stations', 'id', 'weather station'],
    ['seed_lots', 'id', 'seed lot'],
    ['stock_movements', 'id', 'movement of the stock'],
    ['firm', 'id', 'settings of the firm'],
  ])(
    'of %s fails alone, is named with its id, and is restored alone from a backup',
    async (table, key, what) => {
      const row = await served.db(table).orderBy(key).first()
      const before = await Promise.all(PAGES.map((path) => call('GET', path)))
      await served
        .db(table)
        .where({ id: row.id })
        .update({ body: row.body.slice(0, -3) })
      if (table === 'stock_movements')
        await served.db('seed_lots').where({ id: row.lot_id }).increment('revision', 1)
      else await served.db(table).where({ id: row.id }).increment('revision', 1)
      for (const path of PAGES) expect((await call('GET', path)).status, path).not.toBe(500)
      expect((await call('GET', '/api/season')).body.rows.length).toBe(before[0]!.body.rows.length)
      expect((await call('GET', '/api/damaged')).body.rows).toEqual([
        { table, id: String(row.id), what },
      ])
      const restored = await call('POST', `/api/damaged/${table}/${row.id}/restore`)
      expect(restored.status, JSON.stringify(restored.body)).toBe(200)
      expect((await served.db(table).where({ id: row.id }).first()).body).toBe(row.body)
      expect((await call('GET', '/api/damaged')).body.rows).toEqual([])
      for (const [i, path] of PAGES.entries())
        expect((await call('GET', path)).status, path).toBe(before[i]!.status)
    },
  )
  it('of what was planned is planned again: the season, the day, the load and the seed go on', async () => {
    const names = async () =>
      ((await call('GET', '/api/season')).body.rows as { name: string }[]).map((r) => r.name).sort()
    const before = await names()
    for (const column of ['row', 'work', 'seed', 'orders', 'machines', 'rules'])
      await served
        .db('planned_parts')
        .where({ job_id: 'guesthouse' })
        .update({ [column]: '{"half' })
    for (const path of PAGES) expect((await call('GET', path)).status, path).not.toBe(500)
    for (let i = 0; i < 40 && (await call('GET', '/api/season')).body.working > 0; i++)
      await new Promise((done) => setTimeout(done, 250))
    expect(await names()).toEqual(before)
    const { row } = await served.db('planned_parts').where({ job_id: 'guesthouse' }).first()
    expect(JSON.parse(row).name).toContain('guesthouse')
    const { work, seed } = await served.db('planned_parts').where({ job_id: 'quad' }).first()
    expect([typeof JSON.parse(work), typeof JSON.parse(seed)]).toEqual(['object', 'object'])
  }, 30_000)
  it('and a rule names the jobs whose plans go by it, all of them counted', async () => {
    const used = (await call('GET', '/api/rules/seed.bulk/uses')).body
    expect(used.total).toBe(6)
    expect(used.jobs.map((j: { id: string }) => j.id)).toContain('guesthouse')
    expect((await call('GET', '/api/rules/no.such/uses')).body).toEqual({ total: 0, jobs: [] })
  })
  it('that no backup holds, or of no such table, is refused in a sentence', async () => {
    for (const path of ['stations/none', 'jobs/guesthouse', 'sqlite_master/x']) {
      const { status, body } = await call('POST', `/api/damaged/${path}/restore`)
      expect([status, body.detail]).toEqual([409, expect.stringContaining('No backup here')])
    }
  })
})
