import type { Request } from 'express'
import { z } from 'zod'
import { seedLotSchema, stockMovement, type SeedLotDraft } from '@juvena/core/entities/stock'
import { shelfOf } from '@juvena/core/stock/shelf'
import { notFound, Refusal } from '../problemDocument.ts'
import type { StoredLot } from '../store/stockStore.ts'
import { answers } from '../../../contract/answers.ts'
import { route, type Parts, type Route } from './route.ts'

const received = z.strictObject({
  kg: z.number().gt(0, 'A weight is above zero.').max(100_000),
  on: z.iso.date(),
})
/** Lots that one request may bring. */
const MOST_LOTS = 1000

export const stockBodies = {
  create: z.strictObject({
    lots: z
      .array(z.strictObject({ lot: seedLotSchema, received: received.nullable().default(null) }))
      .min(1, 'There is no lot in it.')
      .max(MOST_LOTS, `At most ${MOST_LOTS} lots at once.`),
  }),
  save: z.strictObject({ revision: z.number().int().min(0), lot: seedLotSchema }),
  move: z.strictObject({
    movements: z.array(stockMovement).min(1, 'There is no movement in it.').max(500),
  }),
}

export function stockRoutes({ jobs, stockStore, stock, clock }: Parts): Route[] {
  const lotOr404 = async (req: Request): Promise<StoredLot> => {
    const found = await stockStore.get(String(req.params.id))
    if (!found || found.archivedAt) throw notFound('lot')
    return found
  }
  const withShelf = async (lot: StoredLot) => ({
    ...lot,
    shelf: shelfOf((await stockStore.movements(lot.id)).get(lot.id) ?? []),
  })

  /** Two lots of one number from one supplier are one lot twice. */
  async function refuseTwice(lots: readonly SeedLotDraft[], except?: string): Promise<void> {
    const key = (lot: SeedLotDraft) =>
      `${lot.supplier ?? ''} ${(lot.number ?? '').trim().toLowerCase()}`
    const numbered = lots.filter((lot) => (lot.number ?? '').trim() !== '')
    const known = new Set(
      (await stockStore.list()).filter((l) => l.id !== except).map((l) => key(l.draft)),
    )
    const twice = numbered.find(
      (lot, i) =>
        known.has(key(lot)) || numbered.findIndex((other) => key(other) === key(lot)) !== i,
    )
    if (twice)
      throw new Refusal(
        409,
        'A lot twice',
        `Lot ${twice.number} is on the shelf already. Receive more of it there, or give this one another number.`,
      )
  }

  return [
    route({
      method: 'get',
      path: '/stock',
      summary: 'The firm’s lots of seed with what is left of each.',
      answer: answers.stock,
      call: async () => ({ send: { lots: (await stock.shown()).lots } }),
    }),
    route({
      method: 'post',
      path: '/stock',
      summary: 'Adds lots, each with what came in: all of them or none.',
      answer: answers.stock,
      body: stockBodies.create,
      async call(_req, parsed, { lots }) {
        await refuseTwice(lots.map((l) => l.lot))
        const made = await stockStore.create(
          lots.map(({ lot }, i) => ({ lot, received: parsed.lots[i]!.received })),
          clock.now(),
        )
        return { status: 201, send: { lots: await Promise.all(made.map(withShelf)) } }
      },
    }),
    route({
      method: 'put',
      path: '/stock/:id',
      summary: 'Saves a lot’s label on top of a revision.',
      answer: answers.lot,
      body: stockBodies.save,
      async call(req, _body, { revision, lot }) {
        const stored = await lotOr404(req)
        await refuseTwice([lot], stored.id)
        const saved = await stockStore.save(stored.id, revision, lot, clock.now())
        if (!saved)
          throw new Refusal(
            409,
            'Saved elsewhere',
            'This lot was changed in another window. Reload to see it, then change yours.',
          )
        return { send: await withShelf(saved) }
      },
    }),
    route({
      method: 'delete',
      path: '/stock/:id',
      summary: 'Archives a lot. Its movements are kept.',
      answer: answers.archived,
      async call(req) {
        await stockStore.setArchived((await lotOr404(req)).id, clock.now())
        return { send: { archived: true } }
      },
    }),
    route({
      method: 'get',
      path: '/stock/:id/movements',
      summary: 'Every movement of a lot.',
      answer: answers.movements,
      async call(req) {
        const { id } = await lotOr404(req)
        const movements = (await stockStore.movements(id)).get(id) ?? []
        return {
          send: {
            movements,
            jobs: await jobs.names(movements.map((m) => m.job).filter((j) => j !== null)),
          },
        }
      },
    }),
    route({
      method: 'post',
      path: '/stock/:id/movements',
      summary: 'Adds movements of a lot. The same id again changes nothing.',
      answer: answers.lot,
      body: stockBodies.move,
      async call(req, { movements }) {
        const stored = await lotOr404(req)
        const other = movements.find((m) => m.lot !== stored.id)
        if (other)
          throw new Refusal(
            400,
            'Another lot',
            'A movement names another lot than the one it was sent to.',
          )
        await stockStore.move(movements, clock.now())
        return { status: 201, send: await withShelf(stored) }
      },
    }),
  ]
}
