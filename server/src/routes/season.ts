import { z } from 'zod'
import { SEASON_PAGE } from '../store/plannedStore.ts'
import { answers } from '../../../contract/answers.ts'
import { Refusal } from '../problemDocument.ts'
import { asked, fromNumber, idOf, route, type Parts, type Route } from './route.ts'

/** All jobs at once: the season, its load and its seed, a day's work, the rules that plans go by. */
export function seasonRoutes({ season, clock }: Pick<Parts, 'season' | 'clock'>): Route[] {
  return [
    route({
      method: 'get',
      path: '/season',
      summary:
        'Jobs with their windows, states and next steps, soonest sown first, 150 at a time: ?from= and ?to= those with work on these days, ?skip= the number to begin at. `working` counts those whose row is being worked again.',
      answer: answers.season,
      async call(req) {
        const { from, to, skip } = asked(
          z.object({
            from: z.iso.date().optional(),
            to: z.iso.date().optional(),
            skip: fromNumber,
          }),
          req,
        )
        const working = await season.fresh()
        const { rows, total } = await season.rows(
          { most: SEASON_PAGE, from: skip },
          from && to ? [from, to] : undefined,
        )
        return {
          text: `{"today":"${clock.today()}","working":${working},"total":${total},"rows":[${rows.join(',')}]}`,
        }
      },
    }),
    route({
      method: 'get',
      path: '/season/load',
      summary:
        'Steps, hours of work and jobs under water by day, over all jobs, and the next day with work: ?from= a day, ?days= how many, 62 at most.',
      answer: answers.seasonLoad,
      async call(req) {
        const { from, days } = asked(
          z.object({
            from: z.iso.date().default(clock.today()),
            days: z.coerce.number().int().min(1).max(62).default(24),
          }),
          req,
        )
        await season.fresh()
        return { send: await season.load(from, days) }
      },
    }),
    route({
      method: 'get',
      path: '/season/seed',
      summary: 'The seed that all jobs still have to sow, by mix, and the bags for it bought once.',
      answer: answers.seasonSeed,
      async call() {
        await season.fresh()
        return { text: await season.seed() }
      },
    }),
    route({
      method: 'get',
      path: '/season/orders',
      summary:
        'What jobs still have to order, by supplier, in the cheapest packs for all of them; ?jobs= their ids with commas between, those that want something within eight weeks where none is named.',
      answer: answers.seasonOrders,
      async call(req) {
        const { jobs } = asked(z.object({ jobs: z.string().max(20_000).optional() }), req)
        await season.fresh()
        return { text: await season.orders(jobs === undefined ? null : jobs.split(',')) }
      },
    }),
    route({
      method: 'get',
      path: '/season/machines',
      summary:
        'The firm’s machines over all jobs: which jobs want each on which day, where a day asks for more than it has, and what hiring costs together and apart.',
      answer: answers.seasonMachines,
      async call() {
        await season.fresh()
        return { text: await season.machines() }
      },
    }),
    route({
      method: 'get',
      path: '/day',
      summary:
        'The work of a day on every job, with amounts, holds and cautions; ?on= an ISO day, today where none is given.',
      answer: answers.day,
      async call(req) {
        const today = clock.today()
        const on = req.query.on === undefined ? today : z.iso.date().safeParse(req.query.on).data
        if (!on) throw new Refusal(400, 'Not understood', 'A day is wanted as ?on=2027-03-02.')
        const working = await season.fresh()
        return { send: { today, on, working, ...(await season.day(on, today)) } }
      },
    }),
    route({
      method: 'get',
      path: '/learnt',
      summary:
        'What the diaries of all jobs say of the numbers of the trade: how many observations, their middle, and the number offered in place of Juvena’s.',
      answer: answers.learnt,
      async call() {
        await season.fresh()
        return { send: { numbers: await season.learnt() } }
      },
    }),
    route({
      method: 'get',
      path: '/rules/:id/uses',
      summary: 'How many jobs go by a rule, and the soonest sown of them.',
      answer: answers.uses,
      async call(req) {
        await season.fresh()
        return { send: await season.uses(idOf(req)) }
      },
    }),
  ]
}
