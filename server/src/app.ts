import { existsSync } from 'node:fs'
import { join } from 'node:path'
import express, { type Express } from 'express'
import helmet from 'helmet'
import { FILE_BYTES } from '@juvena/core/formats/fileSize'
import { openApi } from './openApi.ts'
import { asProblem, PICTURE_LIMIT, Refusal, sendProblem } from './problemDocument.ts'
import { apiRouter, apiRoutes } from './routes/api.ts'
import type { Parts } from './routes/route.ts'

const LOOPBACK = /^(localhost|127(?:\.\d+){3}|\[::1\])(:\d+)?$/i

/** The one server: API and pages. `pages` is the built folder, or nothing while developing. `loopbackOnly` refuses names other than this computer's. */
export function createApp(parts: Parts, { pages, loopbackOnly }: { pages: string | null; loopbackOnly: boolean }): Express {
  const app = express()
  app.disable('x-powered-by')
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
    if (loopbackOnly && !LOOPBACK.test(host)) throw new Refusal(421, 'Wrong address', 'This Juvena answers on this computer only.')
    const origin = req.headers.origin
    if (origin && req.method !== 'GET' && origin.replace(/^https?:\/\//, '') !== host)
      throw new Refusal(403, 'Another page', 'A change has to come from Juvena’s own pages.')
    next()
  })
  app.use('/api/job-files', express.json({ limit: FILE_BYTES, strict: true }))
  app.use(express.json({ limit: '4mb', strict: true }))
  app.use(express.raw({ type: ['image/*', 'application/octet-stream'], limit: PICTURE_LIMIT }))

  const routes = apiRoutes(parts)
  const document = openApi(routes)
  app.get('/api/openapi.json', (_req, res) => void res.json(document))
  app.use('/api', apiRouter(routes))
  app.use('/api', (_req, res) => sendProblem(res, 404, 'Not found', 'There is nothing at this address.'))

  if (pages && existsSync(join(pages, 'index.html'))) {
    app.use('/assets', express.static(join(pages, 'assets'), { immutable: true, maxAge: '1y', fallthrough: false }))
    app.use(express.static(pages, { index: false }))
    app.get('/{*page}', (_req, res) => void res.set('Cache-Control', 'no-cache').sendFile(join(pages, 'index.html')))
  }
  app.use(asProblem)
  return app
}
