import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { basename, join } from 'node:path'
import Database from 'better-sqlite3'
import { afterAll, describe, expect, it } from 'vitest'
import { stoppedClock } from '../src/clock.ts'
import { fillDemo } from '../src/demo/fill.ts'
import { DEMO_TODAY } from '../src/demo/jobs.ts'
import { partsOver } from '../src/parts.ts'
import { backupsOf, deleteBackup, writeBackup } from '../src/store/backups.ts'
import { checkBackup, checksOf } from '../src/store/checkBackup.ts'
import { DATABASE } from '../src/store/database.ts'
import { eraseAgain } from '../src/store/eraseCustomer.ts'
import { stillHeld } from '../src/store/erasedJobs.ts'
import { openFirm } from '../src/store/openFirm.ts'
import { restoreBackup } from '../src/store/restore.ts'

const clock = stoppedClock(DEMO_TODAY)
const folders: string[] = []
const folder = () => {
  folders.push(mkdtempSync(join(tmpdir(), 'juvena-trial-')))
  return folders.at(-1)!
}
afterAll(() => folders.forEach((f) => rmSync(f, { recursive: true, force: true })))
const opened = async (at: string) => {
  const firm = await openFirm(at)
  const parts = partsOver(firm.db, at, clock)
  const end = () => parts.season.stop().then(firm.close)
  return { db: firm.db, parts, end }
}

describe('a backup restored for a trial', () => {
  it('is sound where its jobs come to the same plans; what changed since is not held against it', async () => {
    const at = folder()
    const firm = await opened(at)
    await fillDemo(firm.parts)
    const { path } = writeBackup(at, '2027-02-22T10:00:00Z', 'asked')
    const file = basename(path)
    const six = await checkBackup(at, file, clock)
    expect([six.wrong, six.jobs, six.same]).toEqual([[], 8, 6])
    const { draft, revision } = (await firm.parts.jobs.get('quad'))!
    await firm.parts.jobs.save('quad', revision, { ...draft, name: 'Quad, walked again' }, 'then')
    expect(await checkBackup(at, file, clock)).toMatchObject({ wrong: [], same: 5 })
    expect(checksOf(at)).toMatchObject({ [file]: { same: 5 } })
    expect(existsSync(join(at, '.checking'))).toBe(false)

    // A job that is another in the backup under the same revision, one cut short, a picture lost.
    const spoilt = new Database(path)
    spoilt.exec(
      `UPDATE jobs SET body = json_set(body, '$.site.latitude', -38) WHERE id = 'guesthouse'`,
    )
    spoilt.exec(`UPDATE jobs SET body = substr(body, 1, 40) WHERE id = 'green'`)
    spoilt.exec('DELETE FROM backup_photos')
    spoilt.close()
    const wrong = (await checkBackup(at, file, clock)).wrong.join('\n')
    expect(wrong).toMatch(/photographs are not in it/)
    expect(wrong).toMatch(/cannot be read in it/)
    expect(wrong).toMatch(/another plan.*guesthouse/is)
    expect((await checkBackup(at, 'none', clock)).wrong[0]).toContain('no such backup')
    await firm.end()
  }, 60_000)
})

describe('an erased customer', () => {
  const everything = (at: string) =>
    [DATABASE, `${DATABASE}-wal`]
      .map((name) => join(at, name))
      .filter(existsSync)
      .map((path) => readFileSync(path).toString('latin1'))
      .join('')
  it('is left in no byte of the database or its log; the backups that still hold the name are told', async () => {
    const at = folder()
    const firm = await opened(at)
    for (const id of ['a', 'b'])
      await firm.parts.jobs.create({ name: id, customer: `Zzperson ${id}`, zones: [] }, 'then', id)
    for (let revision = 1; revision < 6; revision++)
      await firm.parts.jobs.save('a', revision, { name: 'a', customer: 'Zzperson a', notes: `Zzgate ${'x'.repeat(revision * 900)}`, zones: [] }, `2027-02-2${revision}T09:00:00Z`) // prettier-ignore
    for (const day of [20, 21, 22]) writeBackup(at, `2027-02-${day}T10:00:00Z`, 'daily')
    writeBackup(at, '2027-02-22T11:00:00Z', 'asked')
    expect(everything(at).includes('Zzgate')).toBe(true)
    await firm.parts.jobs.setArchived('a', 'then')
    await firm.parts.eraseCustomer('a', '2027-02-22T12:00:00Z')
    for (const word of ['Zzperson a', 'Zzgate'])
      expect(everything(at).includes(word), word).toBe(false)
    expect(everything(at).includes('Zzperson b')).toBe(true)

    // Seven daily ones are kept: the newest of three goes when seven more have been made.
    const held = stillHeld(at, '2027-02-22')
    expect(held.map((h) => [h.where.slice(8, 13), h.jobs, h.until])).toEqual([
      ['22T11', 1, null],
      ['22T10', 1, '2027-03-01'],
      ['21T10', 1, '2027-02-28'],
      ['20T10', 1, '2027-02-27'],
    ])
    writeBackup(at, '2027-02-22T13:00:00Z', 'daily')
    expect(stillHeld(at, '2027-02-22').length).toBe(4)
    expect(deleteBackup(at, held[0]!.where)).toBe(true)
    expect(deleteBackup(at, '../juvena.sqlite')).toBe(false)
    expect(stillHeld(at, '2027-02-22').length).toBe(3)
    await firm.end()

    // A backup from before brings the name back, until the firm opens.
    restoreBackup(join(at, 'backups', backupsOf(at).at(-1)!.file), at, '2027-02-23T08:00:00Z')
    const again = await opened(at)
    expect((await again.parts.jobs.get('a'))!.draft.customer).toBe('Zzperson a')
    expect(await eraseAgain(again.db, at, '2027-02-23T09:00:00Z')).toBe(1)
    expect(await eraseAgain(again.db, at, '2027-02-23T09:00:00Z')).toBe(0)
    expect(everything(at).includes('Zzperson a')).toBe(false)
    expect((await again.parts.jobs.get('b'))!.draft.customer).toBe('Zzperson b')
    // What the restore moved aside holds the other's name, and is told until somebody deletes it.
    await again.parts.jobs.setArchived('b', 'then')
    await again.parts.eraseCustomer('b', '2027-02-23T10:00:00Z')
    expect(stillHeld(at, '2027-02-23').at(-1)).toEqual({
      where: 'before-restore-2027-02-23T08-00-00',
      jobs: 1,
      until: null,
    })
    await again.end()
  }, 60_000)
})
