import { mkdtempSync, rmSync } from 'node:fs'
import { createServer, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Knex } from 'knex'
import { createApp } from '../src/app.ts'
import { stoppedClock } from '../src/clock.ts'
import { DEMO_TODAY } from '../src/demo/jobs.ts'
import { partsOver } from '../src/parts.ts'
import type { Parts } from '../src/routes/route.ts'
import { openDatabase } from '../src/store/database.ts'

/** A server over a database in a folder of its own, on a free port, with the clock stopped on the demo's day. */
export interface TestServer {
  db: Knex
  parts: Parts
  server: Server
  base: string
  /** One request, its answer read as JSON. */
  // The tests read many shapes of answer.
  // eslint-disable-next-line @typescript-eslint/no-explicit-any
  call: (method: string, path: string, body?: unknown) => Promise<{ status: number; body: any }>
  stop: () => Promise<void>
}

export async function testServer(
  fill: (parts: Parts) => Promise<unknown> = async () => undefined,
): Promise<TestServer> {
  const folder = mkdtempSync(join(tmpdir(), 'juvena-firm-'))
  const db = await openDatabase(folder)
  const parts = partsOver(db, folder, stoppedClock(DEMO_TODAY))
  await fill(parts)
  // As the server itself: a connection of a busy test is not closed under it.
  const server = createServer(
    { keepAliveTimeout: 75_000, headersTimeout: 80_000 },
    createApp(parts, { pages: null, loopbackOnly: true }),
  ).listen(0, '127.0.0.1')
  await new Promise((done) => server.once('listening', done))
  const base = `http://127.0.0.1:${(server.address() as AddressInfo).port}`
  return {
    db,
    parts,
    server,
    base,
    async call(method, path, body) {
      const response = await fetch(base + path, {
        method,
        headers: body === undefined ? {} : { 'content-type': 'application/json' },
        body: body === undefined ? undefined : JSON.stringify(body),
      })
      return { status: response.status, body: await response.json() }
    },
    async stop() {
      server.close()
      await parts.season.stop()
      await db.destroy()
      rmSync(folder, { recursive: true, force: true })
    },
  }
}
