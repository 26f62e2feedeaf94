import { randomUUID } from 'node:crypto'
import type { Request } from 'express'
import { z } from 'zod'
import { stationSchema, weatherDay } from '@juvena/core/entities/station'
import { notFound, Refusal } from '../problemDocument.ts'
import type { StoredStation } from '../store/stationStore.ts'
import { answers, type Answer } from '../../../contract/answers.ts'
import { route, type Parts, type Route } from './route.ts'

/** Days that one request may bring: a page sends a long record in pieces. */
const MOST_DAYS = 20_000

export const stationBodies = {
  create: z.strictObject({ station: stationSchema }),
  save: z.strictObject({ revision: z.number().int().min(0), station: stationSchema }),
  days: z.strictObject({
    days: z
      .array(weatherDay)
      .min(1, 'There is no day in it.')
      .max(MOST_DAYS, `At most ${MOST_DAYS} days at once.`),
  }),
}

/** A small season is worked within this, ms: its answer has the whole list of what moved. */
const AT_ONCE = 1_200

/** What a change of the weather moved so far, and how many jobs are still to be planned. */
type Moves = Answer<'moves'>

export function stationRoutes({ stations, weather, season, clock }: Parts): Route[] {
  const stationOr404 = async (req: Request): Promise<StoredStation> => {
    const found = await stations.get(String(req.params.id))
    if (!found || found.archivedAt) throw notFound('station')
    return found
  }
  const shown = async (stored: StoredStation) => ({
    ...stored,
    weather: await weather.ofStation(stored, clock.today()),
  })

  async function movesSince(id: string): Promise<Moves> {
    const working = await season.fresh(AT_ONCE)
    const moved = await season.movedSince(id)
    if (moved === null) throw notFound('change of the weather')
    return { id, working, moved }
  }

  /**
   * Makes a change to the weather and answers at once: what it moved so far, and how many jobs are
   * being planned anew behind it. The rest is asked for by the id of the change.
   */
  async function withMoves<T>(change: () => Promise<T>): Promise<{ done: T; moves: Moves }> {
    await season.fresh(AT_ONCE)
    const id = randomUUID()
    await season.noteSowDays(id)
    const done = await change()
    return { done, moves: await movesSince(id) }
  }

  return [
    route({
      method: 'get',
      path: '/stations',
      summary: 'The firm’s weather stations, each with its climate, its last days and its outlook.',
      answer: answers.stations,
      call: async () => ({
        send: { stations: await Promise.all((await stations.list()).map(shown)) },
      }),
    }),
    route({
      method: 'post',
      path: '/stations',
      summary: 'Adds a weather station.',
      answer: answers.stationChange,
      body: stationBodies.create,
      async call(_req, _body, { station }) {
        const { done, moves } = await withMoves(() => stations.create(station, clock.now()))
        return { status: 201, send: { station: await shown(done), moves } }
      },
    }),
    route({
      method: 'put',
      path: '/stations/:id',
      summary:
        'Saves a station’s name, place and normals on top of a revision, and lists the jobs whose sowing moved.',
      answer: answers.stationChange,
      body: stationBodies.save,
      async call(req, _body, { revision, station }) {
        const stored = await stationOr404(req)
        const { done, moves } = await withMoves(() =>
          stations.save(stored.id, revision, station, clock.now()),
        )
        if (!done)
          throw new Refusal(
            409,
            'Saved elsewhere',
            'This station was changed in another window. Reload to see it, then change yours.',
          )
        return { send: { station: await shown(done), moves } }
      },
    }),
    route({
      method: 'get',
      path: '/season/moves/:change',
      summary:
        'What a change of the weather moved so far, and how many jobs are still planned anew.',
      answer: answers.moves,
      call: async (req) => ({ send: await movesSince(String(req.params.change)) }),
    }),
    route({
      method: 'delete',
      path: '/stations/:id',
      summary: 'Archives a station. Its days are kept.',
      answer: answers.archived,
      async call(req) {
        const stored = await stationOr404(req)
        await stations.setArchived(stored.id, clock.now())
        return { send: { archived: true } }
      },
    }),
    route({
      method: 'get',
      path: '/stations/:id/days',
      summary: 'A station’s days, in order.',
      answer: answers.stationDays,
      call: async (req) => ({ send: { days: await stations.days((await stationOr404(req)).id) } }),
    }),
    route({
      method: 'post',
      path: '/stations/:id/days',
      summary:
        'Adds days to a station. The same days again change nothing; what moved in the season is listed.',
      answer: answers.daysAdded,
      body: stationBodies.days,
      async call(req, { days }) {
        const stored = await stationOr404(req)
        if (stored.simulated)
          throw new Refusal(
            409,
            'A simulated station',
            'Its weather is made up; real days do not belong to it. Add a station of your own.',
          )
        const { done, moves } = await withMoves(() => stations.addDays(stored.id, days))
        return { status: 201, send: { ...done, moves } }
      },
    }),
  ]
}
