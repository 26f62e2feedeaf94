import { z } from 'zod'
import { answers } from '../../../contract/answers.ts'
import { backupRoutes } from './backups.ts'
import { firmRoutes } from './firm.ts'
import { documentRoutes } from './documents.ts'
import { jobFileRoutes } from './jobFiles.ts'
import { jobRoutes } from './jobs.ts'
import { photoRoutes } from './photos.ts'
import { asked, route, type Parts, type Route } from './route.ts'
import { seasonRoutes } from './season.ts'
import { stationRoutes } from './stations.ts'
import { stockRoutes } from './stock.ts'
import { storedJobs } from './storedJobs.ts'
import { yearRoutes } from './year.ts'
import { townsNamed } from '../towns.ts'

const townAsked = z.object({ name: z.string().max(80).default('') })

/** `open`: others than this computer can reach it, without a sign-in of Juvena's own. */
export function apiRoutes(parts: Parts, { open = false } = {}): Route[] {
  const { clock } = parts
  const stored = storedJobs(parts)
  return [
    route({
      method: 'get',
      path: '/today',
      summary: 'The day it is, and whether this is the demo.',
      answer: answers.today,
      call: async () => ({ send: { today: clock.today(), demo: clock.demo, open } }),
    }),
    route({
      method: 'get',
      path: '/towns',
      summary: 'Towns by name (?name=), with their place on the globe and their time zone.',
      answer: answers.towns,
      call: async (req) => ({ send: { towns: await townsNamed(asked(townAsked, req).name) } }),
    }),
    ...firmRoutes(parts),
    ...jobRoutes(parts, stored),
    ...jobFileRoutes(parts, stored),
    ...documentRoutes(parts, stored),
    ...photoRoutes(parts, stored),
    ...stockRoutes(parts),
    ...stationRoutes(parts),
    ...backupRoutes(parts),
    ...seasonRoutes(parts),
    ...yearRoutes(parts),
  ]
}
