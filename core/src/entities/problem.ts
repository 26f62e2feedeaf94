import type { z } from 'zod'
import './sentences.ts'

/**
 * Something a person can put right: where it is ("zones[0].area"), and a sentence saying what is
 * wrong and what would be right.
 */
export interface Problem {
  path: string
  sentence: string
}

export const pathText = (path: readonly PropertyKey[]): string =>
  path
    .map((piece, i) =>
      typeof piece === 'number' ? `[${piece}]` : (i > 0 ? '.' : '') + String(piece),
    )
    .join('') || '(whole file)'

/**
 * What a schema found wrong, in sentences. `under` is where the checked thing lies in a larger one.
 */
export const problemsOf = (error: z.ZodError, under: PropertyKey[] = []): Problem[] =>
  error.issues.map((issue) => ({
    path: pathText([...under, ...issue.path]),
    sentence:
      issue.code === 'unrecognized_keys'
        ? `Not known here: ${issue.keys.map((key) => `“${key.slice(0, 40)}”`).join(', ')}. Check the spelling or take it out.`
        : issue.code === 'too_big' && issue.origin === 'array'
          ? `Too many: up to ${issue.maximum} are kept here.`
          : issue.message,
  }))
