import { spawnSync } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import sharp from 'sharp'
import { startServer } from './startServer.ts'

/**
 * A disk that is full, and one that may only be read: what every kind of write says then, and what
 * the commands say. Part of `npm run soak` where a small disk may be mounted. Gives what is wrong,
 * in words.
 */
export async function fullDisk(): Promise<string[] | null> {
  const disk = mkdtempSync(join(tmpdir(), 'juvena-disk-'))
  const mount = (...args: string[]) => spawnSync('mount', [...args, disk]).status === 0
  if (!mount('-t', 'tmpfs', '-o', 'size=12m', 'tmpfs')) {
    rmSync(disk, { recursive: true })
    return null
  }
  const folder = join(disk, 'firm')
  const env = { JUVENA_PORT: '0', JUVENA_DATA: folder, JUVENA_PAGES: 'none' }
  const wrong: string[] = []
  try {
    const { server, address } = await startServer(['server/dist/main.js'], env)
    const send = async (method: string, path: string, body: object | Buffer = {}) => {
      const bytes = Buffer.isBuffer(body)
      const answer = await fetch(address + path, {
        method,
        headers: { 'content-type': bytes ? 'image/jpeg' : 'application/json' },
        body: bytes ? new Uint8Array(body) : JSON.stringify(body),
      })
      return { status: answer.status, body: (await answer.json()) as { id?: string } }
    }
    const { id } = (await send('POST', '/api/jobs', { name: 'Lawn' })).body
    const noise = { type: 'gaussian', mean: 128, sigma: 40 } as const
    const jpeg = await sharp({ create: { width: 1600, height: 1200, channels: 3, background: '#7a8f55', noise } }).jpeg().toBuffer() // prettier-ignore
    for (const size of [400_000, 4_096])
      for (let n = 0; ; n++)
        try {
          writeFileSync(join(disk, `${size}.${n}`), Buffer.alloc(size))
        } catch {
          break
        }
    const photo = { takenOn: '2027-02-22', jpeg: jpeg.toString('base64') }
    const file = { format: 'juvena-job', version: 4, job: { name: 'I', zones: [] }, photos: [1, 2, 3].map((i) => ({ id: `p${i}`, ...photo })) } // prettier-ignore
    const entry = { id: 'entry-00001', date: '2027-02-22', what: 'walked', note: 'z'.repeat(2000) }
    const writes: [string, string, object | Buffer][] = [
      ['POST', `/api/jobs/${id}/photos?kind=ground`, jpeg],
      ['POST', '/api/job-files', file],
      ['PUT', `/api/jobs/${id}`, { revision: 1, draft: { name: 'Lawn', notes: 'x'.repeat(9000) } }],
      ['POST', `/api/jobs/${id}/diary`, entry],
      ['PUT', '/api/firm', { revision: 0, firm: { name: 'F'.repeat(90) } }],
      ['POST', '/api/stations', { station: { name: 'Hill', latitude: -44, longitude: 170 } }],
      ['POST', '/api/backups', {}],
      ['DELETE', `/api/jobs/${id}`, {}],
    ]
    for (const [method, path, body] of writes) {
      const { status } = await send(method, path, body)
      if (status !== 507) wrong.push(`full: ${method} ${path} says ${status}, not 507`)
    }
    const job = await (await fetch(`${address}/api/jobs/${id}`)).json()
    if ((job as { revision: number }).revision !== 1) wrong.push('full: a refused save was kept')
    const gone = new Promise((done) => server.once('exit', done))
    server.kill()
    await gone
    const says = (kind: string, told: RegExp, ...command: string[]) => {
      const { status, stderr } = spawnSync(process.execPath, command, { env: { ...process.env, ...env }, encoding: 'utf8' }) // prettier-ignore
      if (status !== 1 || !told.test(stderr) || stderr.includes('    at '))
        wrong.push(`${kind}: ${command[0]} ended with ${status}: ${stderr.slice(0, 200)}`)
    }
    const [main, backup] = ['server/dist/main.js', 'server/dist/backupCommand.js']
    for (const command of [main, backup]) says('full', /is full/, command)
    if (mount('-o', 'remount,ro'))
      for (const command of [main, backup]) says('read-only', /cannot be (written|opened)/, command)
  } finally {
    spawnSync('umount', [disk])
    rmSync(disk, { recursive: true, force: true })
  }
  return wrong
}
