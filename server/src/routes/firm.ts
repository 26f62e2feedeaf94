import { z } from 'zod'
import { firmSchema } from '@juvena/core/entities/firm'
import { checkFirmValues } from '@juvena/core/ruleBook'
import { answers } from '../../../contract/answers.ts'
import { Refusal } from '../problemDocument.ts'
import { revision, route, type Parts, type Route } from './route.ts'

/** The firm's settings. */
export function firmRoutes({ firm, clock }: Pick<Parts, 'firm' | 'clock'>): Route[] {
  return [
    route({
      method: 'get',
      path: '/firm',
      summary: 'The firm’s settings as typed.',
      answer: answers.firm,
      call: async () => ({ send: await firm.get() }),
    }),
    route({
      method: 'put',
      path: '/firm',
      summary: 'Saves the firm’s settings on top of a revision.',
      answer: answers.firm,
      body: z.strictObject({ revision, firm: firmSchema }),
      async call(_req, _body, { revision: from, firm: draft }) {
        const wrong = checkFirmValues(draft.values ?? {})
        if (wrong.length > 0)
          throw new Refusal(400, 'Not understood', wrong[0]!.sentence, {
            problems: wrong.map(({ id, sentence }) => ({ path: `firm.values.${id}`, sentence })),
          })
        const saved = await firm.save(from, draft, clock.now())
        if (!saved)
          throw new Refusal(
            409,
            'Saved elsewhere',
            'These settings were changed in another window. Reload to see them, then change yours.',
            {
              theirs: await firm.get(),
            },
          )
        return { send: saved }
      },
    }),
  ]
}
