import fc from 'fast-check'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { z } from 'zod'
import { fillDemo } from '../src/demo/fill.ts'
import { apiRoutes } from '../src/routes/api.ts'
import type { Route } from '../src/routes/route.ts'
import { testServer, type TestServer } from './testServer.ts'

let served: TestServer
beforeAll(async () => {
  served = await testServer(fillDemo)
}, 60_000)
afterAll(() => served.stop())

const TABLES = [
  'jobs',
  'diary',
  'photos',
  'seed_lots',
  'stock_movements',
  'stations',
  'station_days',
  'firm',
  'job_revisions',
]
/** The data of the firm as one text: what changes nothing leaves it the same. */
const held = async () => JSON.stringify(await Promise.all(TABLES.map((t) => served.db(t))))

/** Something a schema would accept, with one part of it spoilt now and then; or anything at all. */
function bodyFor(schema: z.ZodType): fc.Arbitrary<unknown> {
  const json = z.toJSONSchema(schema, { io: 'input', unrepresentable: 'any' })
  const nonsense = fc.oneof(
    fc.jsonValue({ maxDepth: 3 }),
    fc.constantFrom(
      '__proto__',
      'toString',
      '9999-12-31',
      '-1',
      'NaN',
      '1e400',
      '<script>',
      '../x',
    ),
  )
  const of = (s: z.core.JSONSchema.BaseSchema, depth: number): fc.Arbitrary<unknown> => {
    const right = (): fc.Arbitrary<unknown> => {
      if (s.const !== undefined) return fc.constant(s.const)
      if (s.enum) return fc.constantFrom(...s.enum)
      const options = (s.anyOf ?? s.oneOf) as z.core.JSONSchema.BaseSchema[] | undefined
      if (options) return fc.oneof(...options.map((o) => of(o, depth)))
      if (s.type === 'object' && depth > 0) {
        const keys = Object.entries(
          (s.properties ?? {}) as Record<string, z.core.JSONSchema.BaseSchema>,
        )
        return fc.record(Object.fromEntries(keys.map(([k, v]) => [k, of(v, depth - 1)])), {
          requiredKeys: (s.required ?? []).filter((k) => keys.some(([key]) => key === k)),
        })
      }
      if (s.type === 'array' && depth > 0)
        return fc.array(of((s.items ?? {}) as z.core.JSONSchema.BaseSchema, depth - 1), {
          maxLength: 3,
        })
      if (s.type === 'integer' || s.type === 'number')
        return fc.oneof(fc.integer({ min: -2, max: 9 }), fc.double({ noNaN: true }))
      if (s.type === 'boolean') return fc.boolean()
      if (s.type === 'null') return fc.constant(null)
      return fc.oneof(
        fc.string({ maxLength: 12 }),
        fc.constantFrom('2027-02-22', 'entry-0001', 'guesthouse', '12 mm'),
      )
    }
    return fc.oneof({ weight: 6, arbitrary: right() }, { weight: 1, arbitrary: nonsense })
  }
  return fc.oneof(
    { weight: 5, arbitrary: of(json as z.core.JSONSchema.BaseSchema, 5) },
    { weight: 1, arbitrary: nonsense },
  )
}
const ids = fc.oneof(
  fc.constantFrom(
    'guesthouse',
    'quad',
    'tarnmere',
    'lot-25-061',
    'none',
    '__proto__',
    '%00',
    '..%2F..',
    "'; DROP TABLE jobs;--",
  ),
  fc.string({ maxLength: 8 }),
)
const queries = fc.dictionary(fc.constantFrom('archived', 'search', 'from', 'to', 'skip', 'on', 'station', 'job', 'photos', 'size', 'id', 'zone', 'kind'), fc.oneof(fc.string({ maxLength: 8 }), fc.constantFrom('1', '-1', '2027-02-22', '99999999999', 'guesthouse', 'tarnmere'), ids), { maxKeys: 3 }) // prettier-ignore

/** One request of a route, its parts drawn at random. */
const request = (route: Route) =>
  fc.record({
    id: ids,
    other: ids,
    query: queries,
    body: route.body ? bodyFor(route.body) : fc.jsonValue({ maxDepth: 2 }),
  })

describe('whatever is asked of any route', () => {
  const routes = apiRoutes({ season: {} } as never).map(
    (r) => [`${r.method} ${r.path}`, r] as const,
  )
  it('there are routes', () => expect(routes.length).toBeGreaterThan(25))
  it.each(routes)(
    '%s: no fault of the server, no stack, and a refusal changes nothing',
    async (_, route) => {
      await fc.assert(
        fc.asyncProperty(request(route), async ({ id, other, query, body }) => {
          const path = route.path
            .replace(':id', encodeURIComponent(id) || 'x')
            .replace(/:(revision|file)/, encodeURIComponent(other) || 'x')
          const sends = route.method === 'post' || route.method === 'put'
          const before = sends ? await held() : ''
          const answer = await fetch(
            `${served.base}/api${path}?${new URLSearchParams(query).toString()}`,
            {
              method: route.method.toUpperCase(),
              headers: sends
                ? { 'content-type': route.picture ? 'image/jpeg' : 'application/json' }
                : {},
              body: sends ? (JSON.stringify(body) ?? 'null') : undefined,
            },
          )
          const text = await answer.text()
          expect(answer.status, text.slice(0, 200)).toBeLessThan(500)
          if (answer.status < 400) return
          const problem = JSON.parse(text) as { detail: string; title: string }
          expect(problem.detail).toMatch(/[.?]$/)
          expect(text).not.toMatch(/\bat \/|node_modules|SQLITE/)
          if (sends) expect(await held()).toBe(before)
        }),
        {
          numRuns: route.path.includes('backups') ? 3 : 14,
          seed: Number(process.env.JUVENA_SEED ?? 5),
        },
      )
    },
    120_000,
  )
})
