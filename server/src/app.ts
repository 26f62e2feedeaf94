import { existsSync } from 'node:fs'
import type { IncomingMessage } from 'node:http'
import { join } from 'node:path'
import express, { type Express } from 'express'
import helmet from 'helmet'
import { badlyShaped, DRAFT_BYTES } from '@juvena/core/entities/ceilings'
import { FILE_BYTES } from '@juvena/core/formats/fileSize'
import { openApi } from './openApi.ts'
import { noteBytes } from './sentBytes.ts'
import { asProblem, PICTURE_LIMIT, Refusal, sendProblem } from './problemDocument.ts'
import { apiRoutes } from './routes/api.ts'
import { apiRouter } from './routes/router.ts'
import type { Parts } from './routes/route.ts'

/** A draft and a little round it. */
const SAVE_BYTES = DRAFT_BYTES + 10_000
function lookAt(req: IncomingMessage, _res: unknown, bytes: Buffer): void {
  const wrong = badlyShaped(bytes)
  if (wrong) throw new Refusal(400, 'Not understood', wrong)
  noteBytes(req, bytes.length)
}

const LOOPBACK = /^(localhost|127(?:\.\d+){3}|\[::1\])(:\d+)?$/i

/** How a server is reached: `pages` is the built folder, or nothing while developing. */
export interface Reach {
  pages: string | null
  /** Names other than this computer's are refused. */
  loopbackOnly: boolean
  /** But for the address at which a proxy serves it. */
  publicAddress?: URL | null
}

/** The one server: API and pages. */
export function createApp(
  parts: Parts,
  { pages, loopbackOnly, publicAddress = null }: Reach,
): Express {
  const app = express()
  app.disable('x-powered-by')
  // A hash of every long answer costs more than it saves: nobody asks whether one has changed.
  app.disable('etag')
  app.use(
    helmet({
      contentSecurityPolicy: {
        useDefaults: false,
        directives: {
          defaultSrc: ["'none'"],
          scriptSrc: ["'self'"],
          styleSrc: ["'self'"],
          imgSrc: ["'self'", 'data:'],
          fontSrc: ["'self'"],
          connectSrc: ["'self'"],
          workerSrc: ["'self'"],
          manifestSrc: ["'self'"],
          baseUri: ["'none'"],
          formAction: ["'none'"],
          frameAncestors: ["'none'"],
        },
      },
      strictTransportSecurity: false,
    }),
  )
  app.use((req, _res, next) => {
    const host = req.headers.host ?? ''
    const proxied = publicAddress !== null && host === publicAddress.host
    if (loopbackOnly && !proxied && !LOOPBACK.test(host))
      throw new Refusal(421, 'Wrong address', 'This Juvena answers on this computer only.')
    const origin = req.headers.origin
    const own = publicAddress !== null && origin === publicAddress.origin
    if (origin && req.method !== 'GET' && !own && origin.replace(/^https?:\/\//, '') !== host)
      throw new Refusal(403, 'Another page', 'A change has to come from Juvena’s own pages.')
    next()
  })
  app.use(
    '/api/job-files',
    express.raw({ type: 'application/json', limit: FILE_BYTES, inflate: false }),
  )
  app.use(express.json({ limit: SAVE_BYTES, strict: true, inflate: false, verify: lookAt }))
  app.use(
    express.raw({
      type: ['image/*', 'application/octet-stream'],
      limit: PICTURE_LIMIT,
      inflate: false,
    }),
  )

  const routes = apiRoutes(parts, { open: !loopbackOnly || publicAddress !== null })
  const document = openApi(routes)
  app.get('/api/openapi.json', (_req, res) => void res.json(document))
  app.use('/api', apiRouter(routes))
  app.use('/api', (_req, res) =>
    sendProblem(res, 404, 'Not found', 'There is nothing at this address.'),
  )

  if (pages && existsSync(join(pages, 'index.html'))) {
    app.use(
      '/assets',
      express.static(join(pages, 'assets'), { immutable: true, maxAge: '1y', fallthrough: false }),
    )
    app.use(express.static(pages, { index: false }))
    app.get(
      '/{*page}',
      (_req, res) => void res.set('Cache-Control', 'no-cache').sendFile(join(pages, 'index.html')),
    )
  }
  app.use(asProblem)
  return app
}
