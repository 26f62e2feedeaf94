import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import { join, resolve } from 'node:path'
import { createApp } from './app.ts'
import { realClock, stoppedClock } from './clock.ts'
import { dailyBackups } from './dailyBackups.ts'
import { fillDemo } from './demo/fill.ts'
import { DEMO_TODAY } from './demo/jobs.ts'
import { partsOver } from './parts.ts'
import { eraseAgain } from './store/eraseCustomer.ts'
import { openFirm } from './store/openFirm.ts'
import { readSettings, type Settings } from './start/settings.ts'
import { startSentence } from './start/startFailure.ts'
import { stopThreads } from './threads/pool.ts'

/**
 * Start-up. --demo fills an empty database and stops the clock. JUVENA_DATA, JUVENA_HOST and
 * JUVENA_PORT say where; JUVENA_TODAY stops the clock on a day; JUVENA_PUBLIC is the address of a
 * proxy in front of it.
 */
const root = resolve(import.meta.dirname, '../..')
// What is written here is its owner's alone.
process.umask(0o077)

async function start(settings: Settings): Promise<void> {
  const { demo, folder, host, port, stoppedOn, publicAddress, loopback, pages } = settings
  const { db, close } = await openFirm(folder)
  const clock = stoppedOn ? stoppedClock(stoppedOn, demo) : realClock
  const parts = partsOver(db, folder, clock, () => void reopen())
  const swept = await parts.photos.sweep()
  if (swept.halves + swept.orphans > 0)
    console.log(
      `Removed what a server that was stopped left: ${swept.halves} half files, ${swept.orphans} pictures without a job.`,
    )
  const again = await eraseAgain(db, folder, clock.now())
  if (again > 0)
    console.log(`Erased ${again} customers again that a restored backup had brought back.`)
  if (demo && (await fillDemo(parts)))
    console.log('Filled an empty database with the demo firm, Tussock Lane Turf.')
  const app = createApp(parts, {
    pages: pages ? join(root, 'web/dist') : null,
    loopbackOnly: loopback,
    publicAddress,
  })
  // Longer than proxies and browsers hold a connection open: it is never closed at the moment a
  // request is sent over it.
  const server = createServer({ keepAliveTimeout: 75_000, headersTimeout: 80_000 }, app)
  const backups = demo ? null : dailyBackups(folder)

  const wanted = port ?? 4173
  let at = wanted
  server.on('error', (error: NodeJS.ErrnoException) => {
    if (error.code === 'EADDRINUSE' && port === null && at < wanted + 20)
      return void server.listen(++at, host)
    const says: Record<string, string> = {
      EADDRINUSE: `Port ${at} is taken. Set JUVENA_PORT to another.`,
      EACCES: `This account may not answer on port ${at}. Set JUVENA_PORT to one above 1024.`,
      EADDRNOTAVAIL: `JUVENA_HOST is ${host}, which is no address of this computer. Set it to one, or leave it unset.`,
      ENOTFOUND: `JUVENA_HOST is ${host}, which is no address of this computer. Set it to one, or leave it unset.`,
    }
    fail(says[error.code ?? ''] ?? `Juvena cannot answer on ${host}: ${error.code}.`)
  })
  server.on('listening', () => {
    parts.season.begin()
    if (!loopback)
      console.log(
        'Open to other computers, without sign-in: whoever reaches this address can read and change everything.',
      )
    const { port: listening } = server.address() as AddressInfo
    at = listening
    console.log(
      `Juvena is at http://${host === '::1' ? '[::1]' : host}:${listening}/${demo ? `  (demo; its clock stands at ${stoppedOn})` : ''}`,
    )
  })
  server.listen(at, host)

  let ending = false
  async function end() {
    ending = true
    const closed = new Promise<void>((done) => server.close(() => done()))
    server.closeAllConnections()
    backups?.stop()
    await Promise.all([stopThreads(), parts.season.stop(), closed])
    await close()
  }
  /** Closes the firm and opens it anew on the same port: a restore is done in between. */
  async function reopen() {
    if (ending) return
    try {
      await end()
      for (const signal of SIGNALS) process.off(signal, stop)
      await start({ ...settings, port: at })
    } catch (error) {
      fail(
        startSentence(error, folder) ??
          `Juvena could not open the firm again: ${(error as Error).message}`,
      )
    }
  }
  const stop = () => {
    if (!ending) void end().finally(() => process.exit(0))
  }
  for (const signal of SIGNALS) process.on(signal, stop)
}
const SIGNALS = ['SIGINT', 'SIGTERM'] as const

function fail(sentence: string): never {
  console.error(sentence)
  process.exit(1)
}

let folder = ''
try {
  const settings = readSettings(process.env, process.argv.slice(2), root, DEMO_TODAY)
  folder = settings.folder
  await start(settings)
} catch (error) {
  fail(
    startSentence(error, folder) ??
      `Juvena could not start: ${(error as Error).message.split('\n')[0]}`,
  )
}
