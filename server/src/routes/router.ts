import { Router } from 'express'
import { pathText } from '@juvena/core/entities/problem'
import { Refusal } from '../problemDocument.ts'
import type { Route } from './route.ts'

/** Express routes of the declarations: bodies are checked before a route is called. */
export function apiRouter(routes: readonly Route[]): Router {
  const router = Router()
  for (const route of routes)
    router[route.method](route.path, async (req, res) => {
      let body: unknown = req.body
      if (route.body) {
        const parsed = route.body.safeParse(req.body)
        if (!parsed.success)
          throw new Refusal(400, 'Not understood', parsed.error.issues[0]!.message, {
            problems: parsed.error.issues.map((i) => ({
              path: pathText(i.path),
              sentence: i.message,
            })),
          })
        body = parsed.data
      }
      const reply = await route.call(req, body, req.body)
      const { status = 200, send, text, plain, pdf, file, path } = reply
      if (path && file) return void res.attachment(file).sendFile(path, { dotfiles: 'allow' })
      if (path)
        return void res
          .set('Cache-Control', 'private, max-age=31536000, immutable')
          .type('image/jpeg')
          .sendFile(path, { dotfiles: 'allow' })
      if (file) res.attachment(file)
      if (plain !== undefined) res.status(status).type('text/plain').send(plain)
      else if (pdf) res.status(status).type('application/pdf').send(Buffer.from(pdf))
      else if (text !== undefined) res.status(status).type('json').send(text)
      else res.status(status).json(send)
    })
  return router
}
