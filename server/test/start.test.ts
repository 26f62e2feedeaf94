import { spawnSync } from 'node:child_process'
import {
  closeSync,
  copyFileSync,
  existsSync,
  ftruncateSync,
  mkdirSync,
  mkdtempSync,
  openSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs'
import { tmpdir } from 'node:os'
import { basename, join } from 'node:path'
import Sqlite from 'better-sqlite3'
import { afterEach, describe, expect, it } from 'vitest'
import { diaryEntry } from '@juvena/core/entities/diary'
import { stoppedClock } from '../src/clock.ts'
import { partsOver } from '../src/parts.ts'
import { lockFolder, openFirm } from '../src/store/openFirm.ts'
import { ACCEPT_OPEN, readSettings } from '../src/start/settings.ts'
import { startSentence } from '../src/start/startFailure.ts'
import {
  backupPath,
  backupsOf,
  contentsOf,
  newestBackup,
  writeBackup,
} from '../src/store/backups.ts'
import {
  finishRestore,
  restoreAtStart,
  restoreBackup,
  askForRestore,
} from '../src/store/restore.ts'
import { DATABASE } from '../src/store/database.ts'

const folders: string[] = []
afterEach(() => folders.splice(0).forEach((f) => rmSync(f, { recursive: true, force: true })))
const folder = () => {
  const made = mkdtempSync(join(tmpdir(), 'juvena-start-'))
  folders.push(made)
  return made
}
const read = (env: Record<string, string>, ...args: string[]) =>
  readSettings(env, args, '/root', '2027-02-22')
/** A firm of two jobs, one entry and one picture. */
async function firmIn(at: string) {
  const opened = await openFirm(at)
  const parts = partsOver(opened.db, at, stoppedClock('2027-02-22'))
  await parts.jobs.create({ name: 'One' }, '2027-02-22T09:00:00Z', 'one')
  await parts.jobs.create({ name: 'Two' }, '2027-02-22T09:00:00Z', 'two')
  await parts.diary.append(
    'one',
    diaryEntry.parse({ id: 'entry-0001', date: '2027-02-22', what: 'walked' }),
    'then',
  )
  const picture = {
    large: Buffer.from('large'),
    small: Buffer.from('small'),
    width: 1,
    height: 1,
    takenOn: null,
    position: null,
  }
  await parts.photos.add(
    { id: 'photo-0001', jobId: 'one', zone: null, kind: 'ground', takenOn: '2027-02-22', note: '' },
    picture,
    'then',
  )
  return { ...opened, parts, end: async () => (await parts.season.stop(), opened.close()) }
}
/** The sentence that opening a folder ends with. */
const said = async (at: string) => {
  try {
    const { close } = await openFirm(at)
    await close()
    return 'opened'
  } catch (error) {
    return startSentence(error, at) ?? String(error)
  }
}

describe('how it is started', () => {
  it('as usual: this computer, the next free port, the real clock', () => {
    expect(read({})).toMatchObject({
      host: '127.0.0.1',
      port: null,
      stoppedOn: null,
      loopback: true,
      publicAddress: null,
      folder: '/root/.juvena/firm',
    })
    expect(read({}, '--demo')).toMatchObject({
      stoppedOn: '2027-02-22',
      folder: '/root/.juvena/demo',
    })
    for (const host of ['localhost', '::1', '127.0.0.2'])
      expect(read({ JUVENA_HOST: host }).loopback).toBe(true)
  })
  it.each([
    [
      { JUVENA_PORT: 'web' },
      'JUVENA_PORT is “web”: it has to be a number from 0 (any free one) to 65535',
    ],
    [{ JUVENA_PORT: '70000' }, 'JUVENA_PORT'],
    [
      { JUVENA_TODAY: '2027-02-30' },
      'JUVENA_TODAY is “2027-02-30”: it has to be a day like 2027-02-22',
    ],
    [{ JUVENA_HOST: '0.0.0.0' }, ACCEPT_OPEN],
    [{ JUVENA_HOST: '127.example.org' }, 'no sign-in'],
    [{ JUVENA_PUBLIC: 'http://lawns.example.org' }, 'https'],
    [{ JUVENA_PUBLIC: 'lawns' }, 'JUVENA_PUBLIC'],
  ])('%j ends with a sentence', (env, says) => {
    expect(() => read(env as Record<string, string>)).toThrow(says)
  })
  it('is open to others only where that is accepted, and knows its proxy’s address', () => {
    expect(read({ JUVENA_HOST: '0.0.0.0' }, ACCEPT_OPEN).loopback).toBe(false)
    expect(read({ JUVENA_PUBLIC: 'https://lawns.example.org' }).publicAddress!.host).toBe(
      'lawns.example.org',
    )
  })
})

describe('a folder that cannot be opened', () => {
  it('says what is wrong and what to do, and changes nothing', async () => {
    const file = join(folder(), 'file')
    writeFileSync(file, 'x')
    expect(await said(file)).toContain('is a file, not a folder')
    const garbage = folder()
    writeFileSync(join(garbage, DATABASE), 'no database at all, '.repeat(100))
    expect(await said(garbage)).toContain('is damaged, or is none. Restore a backup')
    const other = folder()
    mkdirSync(join(other, 'photos'))
    writeFileSync(join(other, 'photos', 'a.jpg'), 'x')
    expect(await said(other)).toContain('photographs but no database')
    expect(existsSync(join(other, DATABASE))).toBe(false)
    expect(startSentence({ code: 'ENOSPC' }, '/d')).toContain('full')
    // The lock of migrations keeps SQLite's words and drops the code.
    expect(startSentence(new Error('update `x` - attempt to write a readonly database'), '/d')).toContain('cannot be written to') // prettier-ignore
    expect(startSentence(new Error('a fault of Juvena’s own'), '/d')).toBeNull()
    expect(startSentence({ code: 'SQLITE_READONLY_DBMOVED' }, '/d')).toContain(
      'cannot be written to',
    )
    expect(startSentence({ code: 'EACCES' }, '/d')).toContain('may not write')
    expect(startSentence(new TypeError('x'), '/d')).toBeNull()
  })
  it('cut short or of a newer Juvena; the newest good backup is named', async () => {
    const at = folder()
    await (await firmIn(at)).end()
    const { path } = writeBackup(at, '2027-02-22T10:00:00Z', 'daily')
    writeFileSync(join(at, 'backups', '2027-02-23T10-00-00-daily.juvena-backup'), 'cut short')
    expect(newestBackup(at)).toBe(path)
    const handle = openSync(join(at, DATABASE), 'r+')
    ftruncateSync(handle, Math.floor(statSync(join(at, DATABASE)).size / 8192) * 4096)
    closeSync(handle)
    expect(await said(at)).toContain(`The newest good backup is ${path}`)

    const newer = folder()
    const firm = await firmIn(newer)
    await firm
      .db('knex_migrations')
      .insert({ name: '999-later', batch: 9, migration_time: new Date() })
    await firm.end()
    expect(await said(newer)).toContain('written by a newer Juvena')
  })
  it('belongs to one server at a time', async () => {
    const at = folder()
    const { close } = await openFirm(at)
    expect(await said(at)).toContain('Another Juvena runs on')
    await close()
    expect(await said(at)).toBe('opened')
  })
})

describe('the command', () => {
  it('ends with one sentence and code 1, without a stack', () => {
    const at = folder()
    writeFileSync(join(at, DATABASE), 'no database at all, '.repeat(100))
    const main = join(import.meta.dirname, '../src/main.ts')
    for (const [env, says] of [
      [{ JUVENA_PORT: 'x' }, 'JUVENA_PORT'],
      [{ JUVENA_HOST: '0.0.0.0' }, 'no sign-in'],
      [{ JUVENA_DATA: at }, 'is damaged'],
    ] as const) {
      const { status, stderr } = spawnSync(process.execPath, ['--import', 'tsx', main], {
        env: { ...process.env, JUVENA_DATA: folder(), ...env },
        encoding: 'utf8',
      })
      expect(status).toBe(1)
      expect(stderr.trim().split('\n')).toEqual([expect.stringContaining(says)])
    }
  }, 60_000)
})

describe('backups', () => {
  it('hold the whole firm in one file, and restore to the same', async () => {
    const at = folder()
    const firm = await firmIn(at)
    // Written while the database is open and written to.
    const writing = Promise.all(
      Array.from({ length: 20 }, (_, i) =>
        firm.parts.jobs.create({ name: `J${i}` }, 'then', `j${i}`),
      ),
    )
    const { path, contents } = writeBackup(at, '2027-02-22T10:00:00Z', 'asked')
    await writing
    await firm.end()
    expect(contents).toMatchObject({ entries: 1, photographs: 1, madeAt: '2027-02-22T10:00:00Z' })
    expect(contents.jobs).toBeGreaterThanOrEqual(2)
    expect(backupsOf(at)).toEqual([
      {
        file: expect.stringMatching(/^2027-02-22T10-00-00-[0-9a-f]{6}-asked\.juvena-backup$/),
        madeAt: '2027-02-22T10:00:00Z',
        bytes: statSync(path).size,
      },
    ])
    expect(backupPath(at, '../juvena.sqlite')).toBeNull()

    const empty = folder()
    expect(restoreBackup(path, empty, '2027-02-23T08:00:00Z')).toEqual({ contents, aside: null })
    const back = await openFirm(empty)
    const parts = partsOver(back.db, empty, stoppedClock('2027-02-22'))
    expect((await parts.jobs.get('one'))!.draft).toEqual({ name: 'One' })
    expect((await parts.diary.of('one')).map((e) => e.what)).toEqual(['walked'])
    expect((await parts.photos.read('photo-0001'))!.toString()).toBe('large')
    expect(readdirSync(join(empty, 'photos')).sort()).toEqual([
      'photo-0001.jpg',
      'photo-0001.small.jpg',
    ])
    expect((await back.db('sqlite_master').where('name', 'like', 'backup%')).length).toBe(0)
    await parts.season.stop()
    await back.close()
  })
  it('are checked before they replace anything, and move aside what was there', async () => {
    const [at, other] = [folder(), folder()]
    await (await firmIn(at)).end()
    const { path } = writeBackup(at, '2027-02-22T10:00:00Z', 'asked')
    const before = readFileSync(join(at, DATABASE))
    for (const [name, bytes] of [
      ['cut', readFileSync(path).subarray(0, 9000)],
      ['text', Buffer.from('hello')],
      ['plain', before],
    ] as const) {
      const bad = join(other, name)
      writeFileSync(bad, bytes)
      expect(restoreBackup(bad, at, '2027-02-23T08:00:00Z'), name).toContain('Choose another')
      expect(readFileSync(join(at, DATABASE)).equals(before)).toBe(true)
    }
    expect(contentsOf(join(other, 'nothing'))).toContain('There is no file')
    const done = restoreBackup(path, at, '2027-02-23T08:00:00Z')
    expect(done).toMatchObject({ aside: join(at, 'before-restore-2027-02-23T08-00-00') })
    expect(
      readFileSync(join(at, 'before-restore-2027-02-23T08-00-00', DATABASE)).equals(before),
    ).toBe(true)
    expect(await said(at)).toBe('opened')
  })
  it('a restore cut off anywhere leaves the old firm or the new one, whole, and the next start says which', async () => {
    const source = folder()
    await (await firmIn(source)).end()
    const { path } = writeBackup(source, '2027-02-22T10:00:00Z', 'asked')
    for (const stage of ['checked', 'laid', 'marked', 'aside', 'database', 'photos'] as const) {
      // A firm of three other jobs whose last writes lie beside its database, as a kill leaves it.
      const [alive, at] = [folder(), folder()]
      const old = await openFirm(alive)
      const parts = partsOver(old.db, alive, stoppedClock('2027-02-22'))
      for (const id of ['a', 'b', 'c']) await parts.jobs.create({ name: id }, 'then', id)
      for (const name of [DATABASE, `${DATABASE}-wal`])
        copyFileSync(join(alive, name), join(at, name))
      await parts.season.stop()
      await old.close()
      const cut = (now: string) => {
        if (now === stage) throw new Error('cut off')
      }
      expect(() => restoreBackup(path, at, '2027-02-23T08:00:00Z', cut), stage).toThrow('cut off')
      const said = restoreAtStart(at, '2027-02-23T09:00:00Z')
      const began = stage !== 'checked' && stage !== 'laid'
      expect(said !== null, stage).toBe(began)
      const opened = await openFirm(at)
      const ids = (await opened.db('jobs').orderBy('id').select('id')).map(
        (r: { id: string }) => r.id,
      )
      expect(ids, stage).toEqual(began ? ['one', 'two'] : ['a', 'b', 'c'])
      await opened.close()
      expect(existsSync(join(at, 'photos', 'photo-0001.jpg')), stage).toBe(began)
      expect(
        readdirSync(at).filter((n) => /restor/.test(n)),
        stage,
      ).toEqual(began ? ['before-restore-2027-02-23T08-00-00'] : [])
      if (began) {
        const aside = await openFirm(join(at, 'before-restore-2027-02-23T08-00-00'))
        expect((await aside.db('jobs').select('id')).length, stage).toBe(3)
        await aside.close()
      }
    }
  })
  it('one asked for at a page is restored by the next start; what is no backup is refused at once', async () => {
    const at = folder()
    const firm = await firmIn(at)
    const { path } = writeBackup(at, '2027-02-22T10:00:00Z', 'asked')
    await firm.parts.jobs.create({ name: 'later' }, 'then', 'later')
    expect(askForRestore(at, 'nothing.juvena-backup')).toContain('no such backup')
    writeFileSync(join(at, 'backups', '2027-02-23T10-00-00-asked.juvena-backup'), 'cut short')
    expect(askForRestore(at, '2027-02-23T10-00-00-asked.juvena-backup')).toContain('Choose another')
    expect(askForRestore(at, basename(path))).toBeNull()
    await firm.end()
    const { db, close } = await openFirm(at)
    expect((await db('jobs').select('id')).length).toBe(2)
    await close()
    expect(finishRestore(at)).toBeNull()
  })
  it('are refused before anything moves where a table is missing or a newer Juvena made them', async () => {
    const at = folder()
    await (await firmIn(at)).end()
    const { path } = writeBackup(at, '2027-02-22T10:00:00Z', 'asked')
    const changed = (sql: string) => {
      const db = new Sqlite(path)
      db.exec(sql)
      db.close()
      return restoreBackup(path, at, '2027-02-23T08:00:00Z')
    }
    expect(changed("INSERT INTO knex_migrations (name) VALUES ('999-later')")).toContain('newer')
    expect(changed('DROP TABLE diary')).toContain('lacks its table “diary”')
    expect(await said(at)).toBe('opened')
  })
  it('an empty firm is not begun beside backups, and never pushes good ones out', async () => {
    const at = folder()
    await (await firmIn(at)).end()
    const { path } = writeBackup(at, '2027-01-01T10:00:00Z', 'daily')
    for (const empty of [
      () => rmSync(join(at, DATABASE)),
      () => writeFileSync(join(at, DATABASE), ''),
    ]) {
      empty()
      expect(await said(at)).toContain(`The newest good backup is ${path}`)
    }
    // Somebody begins anew in spite of it.
    const fresh = folder()
    mkdirSync(join(fresh, 'backups'))
    await (await openFirm(fresh)).close()
    copyFileSync(path, join(fresh, 'backups', basename(path)))
    for (let day = 1; day <= 9; day++) writeBackup(fresh, `2027-02-0${day}T10:00:00Z`, 'daily')
    expect(newestBackup(fresh)).not.toBeNull()
    expect(existsSync(join(fresh, 'backups', basename(path)))).toBe(true)
  })
  it('two of one second are two files, and what a cut-off one left is swept at start', async () => {
    const at = folder()
    await (await firmIn(at)).end()
    for (let i = 0; i < 2; i++) writeBackup(at, '2027-02-22T10:00:00Z', 'asked')
    writeFileSync(join(at, 'backups', 'x.juvena-backup.half'), 'half')
    await (await openFirm(at)).close()
    expect(backupsOf(at).length).toBe(2)
    expect(readdirSync(join(at, 'backups')).length).toBe(2)
  })
  it('daily ones are kept for a week; those asked for stay', async () => {
    const at = folder()
    await (await firmIn(at)).end()
    writeBackup(at, '2027-01-01T10:00:00Z', 'asked')
    for (let day = 1; day <= 9; day++) writeBackup(at, `2027-02-0${day}T10:00:00Z`, 'daily')
    expect(backupsOf(at).map((b) => b.file.slice(0, 10))).toEqual(
      ['09', '08', '07', '06', '05', '04', '03'].map((d) => `2027-02-${d}`).concat('2027-01-01'),
    )
  })
  it('nobody restores into a folder that is in use', async () => {
    const at = folder()
    const { close } = await openFirm(at)
    expect(() => lockFolder(at)).toThrow('Another Juvena runs on')
    await close()
  })
})

describe('what a killed server left', () => {
  it('is swept at start: half files and pictures without a row', async () => {
    const at = folder()
    const firm = await firmIn(at)
    const photos = join(at, 'photos')
    for (const name of [
      'photo-0009.jpg',
      'photo-0009.small.jpg',
      'photo-0002.jpg.1234.half',
      'note.txt',
    ])
      writeFileSync(join(photos, name), 'x')
    expect(await firm.parts.photos.sweep()).toEqual({ halves: 1, orphans: 2 })
    expect(readdirSync(photos).sort()).toEqual([
      'note.txt',
      'photo-0001.jpg',
      'photo-0001.small.jpg',
    ])
    await firm.end()
  })
})
