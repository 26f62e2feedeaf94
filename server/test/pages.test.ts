import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { createServer, request, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Knex } from 'knex'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { createApp } from '../src/app.ts'
import { stoppedClock } from '../src/clock.ts'
import { apiRoutes } from '../src/routes/api.ts'
import type { Parts } from '../src/routes/route.ts'
import { openApi } from '../src/openApi.ts'
import { partsOver } from '../src/parts.ts'
import { openDatabase } from '../src/store/database.ts'

const place = mkdtempSync(join(tmpdir(), 'juvena-pages-'))
let db: Knex
let server: Server
let port: number
let parts: Parts

beforeAll(async () => {
  mkdirSync(join(place, 'dist/assets'), { recursive: true })
  writeFileSync(join(place, 'dist/index.html'), '<!doctype html><title>pages</title>')
  writeFileSync(join(place, 'dist/assets/app-1.js'), 'export {}')
  writeFileSync(join(place, 'secret.txt'), 'secret')
  db = await openDatabase(':memory:')
  parts = partsOver(db, mkdtempSync(join(tmpdir(), 'juvena-firm-')), stoppedClock('2027-02-22'))
  server = createServer(
    createApp(parts, { pages: join(place, 'dist'), loopbackOnly: true }),
  ).listen(0, '127.0.0.1')
  await new Promise((done) => server.once('listening', done))
  port = (server.address() as AddressInfo).port
})
afterAll(async () => {
  server.close()
  await db.destroy()
  rmSync(place, { recursive: true })
})

/** Asks with the path just as written: nothing tidies "..", as a browser would. */
const ask = (
  path: string,
  {
    method = 'GET',
    headers = {},
    body = '',
  }: { method?: string; headers?: Record<string, string>; body?: string } = {},
) =>
  new Promise<{ status: number; type: string; cache: string; text: string }>((done, fail) => {
    const sent = request({ host: '127.0.0.1', port, path, method, headers }, (r) => {
      let text = ''
      r.on('data', (chunk: Buffer) => (text += chunk.toString()))
      r.on('end', () =>
        done({
          status: r.statusCode!,
          type: r.headers['content-type'] ?? '',
          cache: r.headers['cache-control'] ?? '',
          text,
        }),
      )
    })
    sent.on('error', fail)
    sent.end(body)
  })

describe('the pages', () => {
  it('answer any address of the app with the one page, so that a deep link and a reload work', async () => {
    for (const path of [
      '/',
      '/jobs/guesthouse/seed?figure=a.b',
      '/yard/grasses',
      '/anything/else',
    ]) {
      const answer = await ask(path)
      expect([answer.status, answer.text.includes('pages'), answer.cache], path).toEqual([
        200,
        true,
        'no-cache',
      ])
    }
  })
  it('keep built files for long, and do not answer a missing one with a page', async () => {
    expect((await ask('/assets/app-1.js')).cache).toContain('immutable')
    const gone = await ask('/assets/gone.js')
    expect([gone.status, gone.text.includes('nothing at this address')]).toEqual([404, true])
  })
  it('reach nothing outside their folder', async () => {
    for (const path of [
      '/../secret.txt',
      '/%2e%2e/secret.txt',
      '/assets/../../secret.txt',
      '/assets/%2e%2e%2f%2e%2e%2fsecret.txt',
      '/..%5csecret.txt',
    ])
      expect((await ask(path)).text, path).not.toContain('secret')
  })
})

describe('what comes in', () => {
  const json = { 'content-type': 'application/json' }
  it('has to be JSON of a sane size, from a page of this server, under this computer’s name', async () => {
    const post = (body: string, headers: Record<string, string> = json) =>
      ask('/api/jobs', { method: 'POST', headers, body })
    expect((await post('{"name":')).status).toBe(400)
    expect((await post('"just text"')).status).toBe(400)
    expect((await post('[1,2]')).status).toBe(400)
    expect(
      (await post('name=x', { 'content-type': 'application/x-www-form-urlencoded' })).status,
    ).toBe(400)
    expect((await post(JSON.stringify({ name: 'x', extra: 1 }))).status).toBe(400)
    expect((await post(JSON.stringify({ name: 'x'.repeat(121) }))).status).toBe(400)
    expect((await post('{"name":"x"}', { ...json, origin: 'http://127.0.0.1:1' })).status).toBe(403)
    expect((await post('{"name":"x"}', { ...json, host: 'juvena.example' })).status).toBe(421)
    expect(
      (await post('{"name":"x"}', { ...json, origin: `http://127.0.0.1:${port}` })).status,
    ).toBe(201)
  })
  it('through a proxy at the address that is configured, and only there', async () => {
    const app = createApp(parts, {
      pages: null,
      loopbackOnly: true,
      publicAddress: new URL('https://lawns.example.org'),
    })
    const behind = createServer(app).listen(0, '127.0.0.1')
    await new Promise((done) => behind.once('listening', done))
    const to = {
      host: '127.0.0.1',
      port: (behind.address() as AddressInfo).port,
      method: 'POST',
      path: '/api/jobs',
    }
    const post = (host: string, origin: string) =>
      new Promise<number>((done, failed) => {
        const sent = request({ ...to, headers: { ...json, host, origin } }, (answer) =>
          done(answer.resume().statusCode!),
        ).on('error', failed)
        sent.end('{"name":"x"}')
      })
    expect(await post('lawns.example.org', 'https://lawns.example.org')).toBe(201)
    expect(await post('lawns.example.org', 'https://elsewhere.example.org')).toBe(403)
    expect(await post('elsewhere.example.org', 'https://elsewhere.example.org')).toBe(421)
    expect(await post(`127.0.0.1:${to.port}`, `http://127.0.0.1:${to.port}`)).toBe(201)
    behind.close()
  })
  it('is refused as a problem document, with a sentence and nothing of the inside', async () => {
    for (const [method, path, body] of [
      ['POST', '/api/jobs', '{"name":""}'],
      ['PUT', '/api/jobs/none', '{"revision":1,"draft":{"name":"x"}}'],
      ['PUT', '/api/jobs/none', '{"revision":"1","draft":{}}'],
      ['POST', '/api/jobs/none/diary', '{"id":"entry-0001","date":"2027-02-01","what":"x"}'],
      ['DELETE', '/api/jobs/none', ''],
      ['GET', '/api/jobs/none/plan', ''],
      ['GET', '/api/nothing', ''],
      ['POST', '/api/job-files', '{"format":"juvena-job","version":1,"job":"no"}'],
    ] as const) {
      const answer = await ask(path, { method, headers: body ? json : {}, body })
      expect(answer.status, `${method} ${path}`).toBeGreaterThanOrEqual(400)
      expect(answer.type, `${method} ${path}`).toContain('application/problem+json')
      const problem = JSON.parse(answer.text) as { title: string; detail: string; status: number }
      expect(problem.detail.length, `${method} ${path}`).toBeGreaterThan(15)
      expect(problem.status).toBe(answer.status)
      expect(answer.text).not.toMatch(/node_modules|SQLITE| at \w+ \(/)
    }
  })
})

describe('the OpenAPI document', () => {
  it('has every route, its parameters and its body, and no schema it cannot express', () => {
    const routes = apiRoutes(parts)
    const document = openApi(routes) as {
      paths: Record<
        string,
        Record<string, { summary: string; parameters?: object[]; requestBody?: object }>
      >
    }
    for (const r of routes) {
      const described = document.paths[`/api${r.path.replace(/:(\w+)/g, '{$1}')}`]?.[r.method]
      expect(described?.summary, `${r.method} ${r.path}`).toBe(r.summary)
      expect(Boolean(described!.requestBody)).toBe(Boolean(r.body ?? r.picture ?? r.bytes))
      expect(described!.parameters?.length ?? 0).toBe(r.path.split(':').length - 1)
    }
    expect(() => JSON.stringify(document)).not.toThrow()
  })
})
