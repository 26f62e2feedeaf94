import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import knex, { type Knex } from 'knex'
import { describe, expect, it } from 'vitest'
import { stoppedClock } from '../src/clock.ts'
import { partsOver } from '../src/parts.ts'
import { DATABASE, openDatabase } from '../src/store/database.ts'
import { migrations } from '../src/store/migrations.ts'

/** The tables as they were after the first of some migrations. */
async function asOf(
  folder: string,
  count: number,
  last?: (typeof migrations)[number],
): Promise<Knex> {
  const db = knex({
    client: 'better-sqlite3',
    connection: { filename: join(folder, DATABASE) },
    useNullAsDefault: true,
    pool: { min: 1, max: 1 },
  })
  const some = [...migrations.slice(0, count), ...(last ? [last] : [])]
  await db.migrate.latest({ migrationSource: { getMigrations: async () => some, getMigrationName: (m: (typeof some)[number]) => m.name, getMigration: async (m: (typeof some)[number]) => m } }) // prettier-ignore
  return db
}
/** A firm with a job, an archived one, a damaged one, and a diary. */
async function fill(db: Knex): Promise<void> {
  const job = (id: string, body: string, away: string | null) => ({
    id,
    revision: 4,
    version: 2,
    name: id,
    body,
    saved_at: '2026-01-01T00:00:00Z',
    put_away_at: away,
  })
  await db('jobs').insert(
    job(
      'lawn',
      '{"name":"Lawn","customer":"A","site":{"address":"1 Lane"},"zones":[{"id":"z1","area":"80 m²","frames":[{"wanted":9}]}]}',
      null,
    ),
  )
  await db('jobs').insert(job('away', '{"name":"Away","zones":[]}', '2026-02-01'))
  await db('jobs').insert(job('damaged', '{"name":"Dam', null))
  await db('diary').insert({
    id: 'entry-0001',
    job_id: 'lawn',
    body: '{"id":"entry-0001","date":"2026-01-02","what":"walked"}',
    received_at: 'then',
  })
  await db('firm').insert({ id: 1, revision: 7, body: '{"name":"Firm"}', saved_at: 'then' })
}
async function within<T>(act: (folder: string) => Promise<T>): Promise<T> {
  const folder = mkdtempSync(join(tmpdir(), 'juvena-migrate-'))
  try {
    return await act(folder)
  } finally {
    rmSync(folder, { recursive: true, force: true })
  }
}
/** Opens a folder with today's Juvena and holds what is in it against what was put in. */
async function holds(folder: string): Promise<void> {
  const db = await openDatabase(folder)
  const parts = partsOver(db, folder, stoppedClock('2027-02-22'))
  const lawn = (await parts.jobs.get('lawn'))!
  expect([lawn.revision, lawn.draft.zones![0]!.area]).toEqual([4, '80 m²'])
  expect((await parts.diary.of('lawn')).map((e) => e.what)).toEqual(['walked'])
  expect((await parts.jobs.list(true)).map((j) => j.id)).toEqual(['away'])
  expect((await parts.firm.get()).revision).toBe(7)
  expect((await parts.jobs.list(false, { search: '1 Lane' })).map((j) => j.id)).toEqual(['lawn'])
  expect((await parts.revisions.of('lawn')).map((r) => r.revision)).toEqual([4])
  expect(await parts.season.fresh(60_000)).toBe(0)
  expect((await parts.season.rows()).total).toBe(2)
  await parts.season.stop()
  await db.destroy()
}

describe('a database of an earlier version', () => {
  it.each(migrations.slice(0, -1).map((m, i) => [m.name, i + 1] as const))(
    'as of %s, filled, is brought up to date, once',
    (_, count) =>
      within(async (folder) => {
        const db = await asOf(folder, count)
        await fill(db)
        // Tables that came later and were there already are filled by what writes them; here the jobs
        // alone matter.
        if (count >= 6)
          for (const id of ['lawn', 'damaged']) await db('planned').insert({ job_id: id })
        if (count >= 6)
          await db('job_revisions').insert({
            job_id: 'lawn',
            revision: 4,
            saved_at: 'then',
            device: '',
            body: '{}',
          })
        if (count >= 6) await db('jobs').where({ id: 'lawn' }).update({ place: '1 Lane' })
        await db.destroy()
        await holds(folder)
        await holds(folder)
      }),
  )
  it('one that ends midway leaves the tables as they were, and is done the next time', () =>
    within(async (folder) => {
      const count = migrations.findIndex((m) => m.name.startsWith('006'))
      const before = await asOf(folder, count)
      await fill(before)
      await before.destroy()
      const killed = {
        ...migrations[count]!,
        up: async (db: Knex) => (
          await migrations[count]!.up(db),
          Promise.reject(new Error('killed'))
        ),
      }
      await expect(asOf(folder, count, killed)).rejects.toThrow('killed')
      await holds(folder)
    }))
})
