import type { Request } from 'express'
import type { z } from 'zod'
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
  /**
   * Its answer: `send` as JSON, or `text` that is JSON already, `plain` that is none; `path` is a
   * picture on disk, `file` the name it is saved under.
   */
  call: (
    req: Request,
    body: unknown,
  ) => Promise<{
    status?: number
    send?: unknown
    text?: string
    plain?: string
    file?: string
    path?: string
  }>
}
