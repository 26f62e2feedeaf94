import { z } from 'zod'
import { diaryEntry } from '@juvena/core/entities/diary'
import { jobSchema } from '@juvena/core/entities/job'
import { jobFileSchema } from '@juvena/core/formats/jobFile'
import { answers } from '../../contract/answers.ts'
import type { Route } from './routes/route.ts'

/** The OpenAPI 3.1 document, generated from the same schemas that check the requests. */
export function openApi(routes: readonly Route[]): object {
  const schema = (type: z.ZodType) => z.toJSONSchema(type, { io: 'input', unrepresentable: 'any' })
  const answerSchema = (type: z.ZodType) =>
    z.toJSONSchema(type, { io: 'output', unrepresentable: 'any' })
  const paths: Record<string, Record<string, object>> = {}
  for (const route of routes) {
    const path = `/api${route.path.replace(/:(\w+)/g, '{$1}')}`
    const named = [...route.path.matchAll(/:(\w+)/g)].map((m) => m[1])
    paths[path] ??= {}
    paths[path][route.method] = {
      summary: route.summary,
      ...(named.length > 0
        ? {
            parameters: named.map((name) => ({
              name,
              in: 'path',
              required: true,
              schema: { type: 'string' },
            })),
          }
        : {}),
      ...(route.body
        ? {
            requestBody: {
              required: true,
              content: { 'application/json': { schema: schema(route.body) } },
            },
          }
        : {}),
      ...(route.bytes
        ? {
            requestBody: {
              required: true,
              content: { 'application/json': { schema: { $ref: '#/components/schemas/JobFile' } } },
            },
          }
        : {}),
      ...(route.picture
        ? {
            requestBody: {
              required: true,
              content: { 'image/*': { schema: { type: 'string', format: 'binary' } } },
            },
          }
        : {}),
      responses: {
        default: {
          description: 'A problem document with a sentence.',
          content: { 'application/problem+json': { schema: schema(answers.problem) } },
        },
        '2XX': route.answer
          ? {
              description: 'Done.',
              content: { 'application/json': { schema: answerSchema(route.answer) } },
            }
          : {
              description: 'A picture, or a file as it lies.',
              content: { '*/*': { schema: { type: 'string', format: 'binary' } } },
            },
      },
    }
  }
  return {
    openapi: '3.1.0',
    info: {
      title: 'Juvena',
      version: '1',
      description: 'Jobs, diary and plans of one firm, on its own computer.',
    },
    paths,
    components: {
      schemas: {
        Job: schema(jobSchema),
        JobFile: schema(jobFileSchema),
        DiaryEntry: schema(diaryEntry),
      },
    },
  }
}
