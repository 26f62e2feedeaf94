import type { ChildProcess } from 'node:child_process'
import { mkdtempSync, readdirSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import sharp from 'sharp'
import { fullDisk } from './fullDisk.ts'
import { startServer } from './startServer.ts'

/**
 * A server killed at random moments under writes of every kind. What it acknowledged has to be
 * there when it is back, nothing may be half there, and no file may be left without its row. `npm
 * run soak` runs many rounds of it; the tests run a few.
 */
/** Entries and pictures of a job file. */
const ENTRIES = 10
const PICTURES = 3
/** A slow machine is not waited for longer before a kill, ms. */
const MOST_WAIT = 15_000

export interface Tally {
  kills: number
  acknowledged: number
  imports: number
  backups: number
  /** Restores that were killed on the way, and found done or undone. */
  restores: number
  /** Backups that lie there. */
  files: string[]
  /** What was lost, half there or left over, in words. */
  wrong: string[]
}

interface Known {
  /** Revision a save was acknowledged at, by job. */
  jobs: Map<string, number>
  entries: Map<string, string>
  photos: Map<string, string>
  firmRevision: number
}

const started = async (folder: string) => {
  const env = {
    JUVENA_PORT: '0',
    JUVENA_DATA: folder,
    JUVENA_TODAY: '2027-02-22',
    JUVENA_PAGES: 'none',
  }
  const { server, address } = await startServer(['server/dist/main.js'], env)
  return { server, base: address }
}

/** Chance that is the same for the same seed. */
function chance(seed: number): () => number {
  let at = seed
  return () => (at = (at * 1_103_515_245 + 12_345) % 2_147_483_648) / 2_147_483_648
}

export async function killAgainAndAgain(
  rounds: number,
  seed = 5,
  tell: (line: string) => void = () => undefined,
): Promise<Tally> {
  const folder = mkdtempSync(join(tmpdir(), 'juvena-kills-'))
  const random = chance(seed)
  const jpeg = await sharp({
    create: { width: 300, height: 200, channels: 3, background: '#7a8f55' },
  })
    .jpeg()
    .toBuffer()
  const tally: Tally = { kills: 0, acknowledged: 0, imports: 0, backups: 0, restores: 0, files: [], wrong: [] } // prettier-ignore
  const known: Known = { jobs: new Map(), entries: new Map(), photos: new Map(), firmRevision: 0 }
  let made = 0
  const name = () => `${seed}-${String(++made).padStart(8, '0')}`
  const file = (of: string) => ({
    format: 'juvena-job',
    version: 4,
    job: { name: `Imported ${of}`, zones: [{ id: 'z1', name: 'Back', area: '80 m²' }] },
    diary: Array.from({ length: ENTRIES }, (_, i) => ({
      id: `${of}-entry-${i}`,
      date: '2027-02-22',
      what: `line ${i}`,
    })),
    photos: Array.from({ length: PICTURES }, (_, i) => ({
      id: `p${i}`,
      takenOn: '2027-02-22',
      jpeg: jpeg.toString('base64'),
    })),
  })

  /** Jobs that were read through once, and are read again now and then. */
  const read = new Set<string>()

  /**
   * Whether all that was acknowledged is there: every job by its id; inside, whatever was written
   * since, and one in ten of the others, or `all` of them. What is lost stays lost: the last look,
   * at all of them, finds it too.
   */
  async function check(base: string, all: boolean) {
    const get = async <T>(path: string) => (await (await fetch(base + path)).json()) as T
    const jobs: { id: string; name: string }[] = []
    for (;;) {
      const page = await get<{ id: string; name: string }[]>(`/api/jobs?from=${jobs.length}`)
      jobs.push(...page)
      if (page.length === 0) break
    }
    const here = new Set(jobs.map((j) => j.id))
    for (const [id, revision] of known.jobs) {
      if (!here.has(id)) tally.wrong.push(`job ${id} is lost`)
      else if (!all && read.has(id) && random() > 0.1) continue
      else if ((await get<{ revision: number }>(`/api/jobs/${id}`)).revision < revision)
        tally.wrong.push(`a save of job ${id} is lost`)
    }
    const byJob = (at: Map<string, string>) => {
      const lists = new Map<string, string[]>()
      for (const [what, job] of at) lists.set(job, [...(lists.get(job) ?? []), what])
      return lists
    }
    const [entries, pictures] = [byJob(known.entries), byJob(known.photos)]
    // The newest job may still be written to.
    const newest = [...known.jobs.keys()].at(-1)
    let rows = 0
    for (const { id, name: of } of jobs) {
      if (!all && read.has(id) && random() > 0.1) continue
      if (id !== newest) read.add(id)
      const [job, photos] = [
        await get<{ diary: { id: string }[] }>(`/api/jobs/${id}`),
        await get<{ id: string }[]>(`/api/jobs/${id}/photos`),
      ]
      rows += photos.length
      if (of.startsWith('Imported') && (job.diary.length !== ENTRIES || photos.length !== PICTURES))
        tally.wrong.push(
          `${of} is half there: ${job.diary.length} entries, ${photos.length} photographs`,
        )
      const [written, taken] = [new Set(job.diary.map((e) => e.id)), new Set(photos.map((p) => p.id))] // prettier-ignore
      for (const entry of entries.get(id) ?? [])
        if (!written.has(entry)) tally.wrong.push(`diary entry ${entry} is lost`)
      for (const photo of pictures.get(id) ?? [])
        if (!taken.has(photo)) tally.wrong.push(`photograph ${photo} is lost`)
      for (const { id: photo } of photos)
        if (!(await fetch(`${base}/api/photos/${photo}`)).ok)
          tally.wrong.push(`photograph ${photo} has no file`)
    }
    if ((await get<{ revision: number }>('/api/firm')).revision < known.firmRevision)
      tally.wrong.push('settings of the firm are lost')
    if (!all) return
    const files = (() => {
      try {
        return readdirSync(join(folder, 'photos'))
      } catch {
        return []
      }
    })()
    if (files.length !== 2 * rows)
      tally.wrong.push(
        `${files.length} files for ${rows} photographs: ${files.length - 2 * rows} are left over`,
      )
  }

  /** Writes of every kind until the server is gone. */
  async function write(base: string, alive: () => boolean) {
    const send = async <T>(method: string, path: string, body: unknown): Promise<T | null> => {
      const bytes = Buffer.isBuffer(body)
      const answer = await fetch(base + path, {
        method,
        headers: { 'content-type': bytes ? 'image/jpeg' : 'application/json' },
        body: bytes ? new Uint8Array(body) : JSON.stringify(body),
      }).catch(() => null)
      if (!answer?.ok) return null
      const value = (await answer.json().catch(() => null)) as T | null
      if (value) tally.acknowledged++
      return value
    }
    const backUp = async () => {
      // Now and then: each copies the whole firm.
      await new Promise((go) => setTimeout(go, 150 + random() * 600))
      if (!alive()) return
      const made = await send<{ backup: { file: string } }>('POST', '/api/backups', {})
      if (made) {
        tally.backups++
        await send('POST', `/api/backups/${made.backup.file}/check`, {})
        for (const old of tally.files.splice(0, tally.files.length - 1))
          await fetch(`${base}/api/backups/${old}`, { method: 'DELETE' }).catch(() => null)
        tally.files.push(made.backup.file)
      }
    }
    const lanes = [
      backUp,
      async () => {
        const job = await send<{ id: string }>('POST', '/api/jobs', { name: `Job ${name()}` })
        if (job) known.jobs.set(job.id, 1)
      },
      async () => {
        const [id, revision] = [...known.jobs].at(-1) ?? []
        if (id === undefined) return
        const saved = await send<{ revision: number }>('PUT', `/api/jobs/${id}`, {
          revision,
          draft: { name: `Saved ${name()}`, zones: [] },
        })
        if (saved) known.jobs.set(id, saved.revision)
        else if (alive()) known.jobs.delete(id)
      },
      async () => {
        const id = [...known.jobs.keys()].at(-1)
        const entry = `entry-${name()}`
        if (
          id &&
          (await send('POST', `/api/jobs/${id}/diary`, {
            id: entry,
            date: '2027-02-22',
            what: 'walked',
          }))
        )
          known.entries.set(entry, id)
      },
      async () => {
        const id = [...known.jobs.keys()].at(-1)
        const photo = id ? await send<{ id: string }>('POST', `/api/jobs/${id}/photos`, jpeg) : null
        if (photo) known.photos.set(photo.id, id!)
      },
      async () => {
        if (await send('POST', '/api/job-files', file(name()))) tally.imports++
      },
      async () => {
        const saved = await send<{ revision: number }>('PUT', '/api/firm', {
          revision: known.firmRevision,
          firm: { name: `Firm ${name()}` },
        })
        if (saved) known.firmRevision = saved.revision
        // A save whose answer was lost has come first: go on from there.
        else if (alive())
          known.firmRevision =
            (
              (await (await fetch(`${base}/api/firm`)).json().catch(() => null)) as {
                revision: number
              } | null
            )?.revision ?? known.firmRevision
      },
    ]
    await Promise.all(
      lanes.map(async (lane) => {
        while (alive()) {
          await lane().catch(() => undefined)
          // One with nothing to do yet leaves the others their turn.
          await new Promise((go) => setTimeout(go, 10))
        }
      }),
    )
  }

  /**
   * Restores a backup made just now, in which all is, and kills the server on the way: whichever
   * firm is there after, everything acknowledged is in it.
   */
  async function restoreAndKill(server: ChildProcess, base: string) {
    const made = (await (await fetch(`${base}/api/backups`, { method: 'POST' })).json()) as {
      backup?: { file: string }
    }
    const gone = new Promise((done) => server.once('exit', done))
    if (made.backup) {
      tally.files.push(made.backup.file)
      await fetch(`${base}/api/backups/${made.backup.file}/restore`, { method: 'POST' })
      tally.restores++
    }
    await new Promise((go) => setTimeout(go, random() * 700))
    server.kill('SIGKILL')
    await gone
    tally.kills++
  }

  try {
    for (let round = 0; round <= rounds; round++) {
      let { server, base } = await started(folder)
      if (round % 10 === 4) {
        await restoreAndKill(server, base)
        ;({ server, base } = await started(folder))
        await check(base, round % 100 === 94)
        for (const name of readdirSync(folder))
          if (name.startsWith('before-restore-')) rmSync(join(folder, name), { recursive: true })
      }
      if (round % 5 === 0 || round === rounds)
        await check(base, round % 25 === 0 || round === rounds)
      if (round < rounds) {
        let alive = true
        const gone = new Promise((done) => server.once('exit', done))
        const writing = write(base, () => alive)
        // Killed after so many writes; now and then once a file has been imported, for that takes
        // longest.
        const enough = tally.acknowledged + 5 + random() * 25
        const files = tally.imports + (round % 5 === 2 ? 1 : 0)
        for (
          let waited = 0;
          waited < MOST_WAIT && (tally.acknowledged < enough || tally.imports < files);
          waited += 10
        )
          await new Promise((go) => setTimeout(go, 10))
        await new Promise((go) => setTimeout(go, random() * 120))
        alive = false
        server.kill('SIGKILL')
        await Promise.all([gone, writing])
        tally.kills++
        tell(
          `${tally.kills} kills, ${tally.acknowledged} acknowledged writes, ${tally.imports} imports, ${tally.backups} backups, ${tally.restores} restores, ${tally.wrong.length} wrong`,
        )
      } else {
        const gone = new Promise((done) => server.once('exit', done))
        server.kill()
        await gone
      }
    }
  } finally {
    rmSync(folder, { recursive: true, force: true })
  }
  return tally
}

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  const rounds = Number(process.argv[2] ?? 100)
  const tally = await killAgainAndAgain(
    rounds,
    Number(process.argv[3] ?? Date.now() % 100_000),
    (line) => console.log(line),
  )
  const full = await fullDisk()
  console.log(full === null ? 'No small disk may be mounted here: a full one was not tried.' : 'A full disk and one that may only be read were tried.') // prettier-ignore
  const wrong = [...tally.wrong, ...(full ?? [])]
  for (const line of wrong.slice(0, 20)) console.error(line)
  process.exit(wrong.length === 0 ? 0 : 1)
}
