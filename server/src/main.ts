import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import { join, resolve } from 'node:path'
import { createApp } from './app.ts'
import { realClock, stoppedClock } from './clock.ts'
import { fillDemo } from './demo/fill.ts'
import { DEMO_TODAY } from './demo/jobs.ts'
import { partsOver } from './parts.ts'
import { openDatabase } from './store/database.ts'

/** Start-up. --demo fills an empty database and stops the clock. JUVENA_DATA, JUVENA_HOST and JUVENA_PORT say where; JUVENA_TODAY stops the clock on a day. */
const root = resolve(import.meta.dirname, '../..')
const demo = process.argv.includes('--demo')
const folder = process.env.JUVENA_DATA || join(root, '.juvena', demo ? 'demo' : 'firm')
const host = process.env.JUVENA_HOST || '127.0.0.1'
const wanted = Number(process.env.JUVENA_PORT ?? 4173)
const stoppedOn = process.env.JUVENA_TODAY || (demo ? DEMO_TODAY : null)
const loopbackOnly = ['127.0.0.1', 'localhost', '::1'].includes(host)

const db = await openDatabase(folder)
const parts = partsOver(db, join(folder, 'photos'), stoppedOn ? stoppedClock(stoppedOn, demo) : realClock)
if (demo && (await fillDemo(parts))) console.log('Filled an empty database with the demo firm, Tussock Lane Turf.')
const server = createServer(createApp(parts, { pages: process.env.JUVENA_PAGES === 'none' ? null : join(root, 'web/dist'), loopbackOnly }))

let port = wanted
server.on('error', (error: NodeJS.ErrnoException) => {
  if (error.code === 'EADDRINUSE' && process.env.JUVENA_PORT === undefined && port < wanted + 20) server.listen(++port, host)
  else {
    console.error(error.code === 'EADDRINUSE' ? `Port ${port} is taken. Set JUVENA_PORT to another.` : error.message)
    process.exit(1)
  }
})
server.on('listening', () => {
  if (!loopbackOnly) console.log('Open to other computers, without sign-in or HTTPS: put both in front of it, or keep to this computer.')
  const { port: listening } = server.address() as AddressInfo
  console.log(`Juvena is at http://${host === '::1' ? '[::1]' : host}:${listening}/${demo ? `  (demo; its clock stands at ${stoppedOn})` : ''}`)
})
server.listen(port, host)

for (const signal of ['SIGINT', 'SIGTERM'] as const)
  process.on(signal, () => {
    server.close()
    server.closeAllConnections()
    void db.destroy().then(() => process.exit(0))
  })
