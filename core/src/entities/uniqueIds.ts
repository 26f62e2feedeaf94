import { z } from 'zod'

/**
 * A list whose entries have ids of their own. The second of two alike is named, with what to do.
 */
export const uniqueIds = <T extends z.ZodType<readonly { id: string }[]>>(list: T, what: string) =>
  list.superRefine((entries, ctx) => {
    const first = new Map<string, number>()
    entries.forEach(({ id }, i) => {
      const known = first.get(id)
      if (known === undefined) first.set(id, i)
      else
        ctx.addIssue({
          code: 'custom',
          path: [i, 'id'],
          message: `Two ${what} share the id “${id}” (numbers ${known + 1} and ${i + 1}). Give one of them another id.`,
        })
    })
  })
