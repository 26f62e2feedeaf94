import type { Request } from 'express'
import { z } from 'zod'
import { Refusal } from '../problemDocument.ts'
import type { Clock } from '../clock.ts'
import type { SiteWeather } from '../siteWeather.ts'
import type { DiaryStore } from '../store/diaryStore.ts'
import type { FirmStore } from '../store/firmStore.ts'
import type { EraseCustomer } from '../store/eraseCustomer.ts'
import type { ImportJob } from '../store/importJob.ts'
import type { JobStore } from '../store/jobStore.ts'
import type { SeasonKeeper } from '../season.ts'
import type { RevisionStore } from '../store/revisionStore.ts'
import type { PhotoStore } from '../store/photoStore.ts'
import type { Stock } from '../stock.ts'
import type { StationStore } from '../store/stationStore.ts'
import type { DamagedRow } from '../store/damaged.ts'
import type { StockStore } from '../store/stockStore.ts'

/** What the routes work with. */
export interface Parts {
  jobs: JobStore
  revisions: RevisionStore
  season: SeasonKeeper
  diary: DiaryStore
  firm: FirmStore
  photos: PhotoStore
  importJob: ImportJob
  eraseCustomer: EraseCustomer
  clock: Clock
  /** Where the firm's data lies. */
  folder: string
  stations: StationStore
  weather: SiteWeather
  stockStore: StockStore
  stock: Stock
  /** Rows that cannot be read, and one restored from a backup: the file it came from. */
  damaged: {
    rows(): DamagedRow[]
    restore(table: string, id: string): Promise<string | null>
  }
  /** Closes the firm and opens it anew, in the same process; absent where nobody serves. */
  reopen?: () => void
}

/**
 * One route: what it takes, checked before it is called, and what it says of itself in the OpenAPI
 * document.
 */
export interface Route {
  method: 'get' | 'post' | 'put' | 'delete'
  path: string
  summary: string
  body?: z.ZodType
  /** What it answers when it succeeds. */
  answer?: z.ZodType
  /** The body is a picture's own bytes, not JSON. */
  picture?: boolean
  /** The body is JSON that the route reads itself, from its bytes. */
  bytes?: boolean
  /** Called with the body as its schema reads it, and as it was typed. */
  call(req: Request, body: unknown, typed: unknown): Promise<Reply<unknown>>
}

/**
 * An answer: `send` as JSON, or `text` that is JSON already, `plain` that is none, `pdf` the bytes
 * of one; `path` is a picture on disk, `file` the name it is saved under.
 */
interface Reply<Sent> {
  status?: number
  send?: Sent
  text?: string
  plain?: string
  pdf?: Uint8Array
  file?: string
  path?: string
}

/** What a schema names of a thing: further fields of a loose one are not asked about. */
type Named<T> = T extends readonly (infer Each)[]
  ? readonly Named<Each>[]
  : T extends object
    ? { [K in keyof T as string extends K ? never : K]: Named<T[K]> }
    : T

/** Declares a route: its answer and its body are typed by their schemas. */
export const route = <A extends z.ZodType = z.ZodNull, B extends z.ZodType = z.ZodUnknown>(
  declared: Omit<Route, 'answer' | 'body' | 'call'> & {
    answer?: A
    body?: B
    call(req: Request, body: z.output<B>, typed: z.input<B>): Promise<Reply<Named<z.output<A>>>>
  },
): Route => declared

export const revision = z.number().int().min(0)
export const idOf = (req: Request): string => String(req.params.id)
/** A number to begin at, in an address. */
export const fromNumber = z.coerce.number().int().min(0).max(10_000_000).default(0)
/** What an address asks for behind its question mark. Throws a refusal where it cannot be read. */
export function asked<T extends z.ZodType>(of: T, req: Request): z.output<T> {
  const read = of.safeParse(req.query)
  if (!read.success)
    throw new Refusal(
      400,
      'Not understood',
      'What this address asks for could not be understood. Days are written like 2027-03-02.',
    )
  return read.data
}
