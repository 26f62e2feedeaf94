import type { Day } from '../calendar/day.ts'
import type { Outlook } from '../climate/station.ts'
import type { StationClimate } from '../climate/placeYear.ts'
import type { WeatherDay } from '../climate/weatherSeries.ts'
import type { DiaryEntry } from '../entities/diary.ts'
import type { Firm } from '../entities/firm.ts'
import type { StockLot } from '../stock/lotsOfJob.ts'
import type { Memo } from '../trace/memo.ts'

/** Everything a plan depends on besides the job. No clock: `today` is the day at the site. */
export interface Context {
  today: Day
  /** The firm's settings, and the numbers of the trade it has set for itself. */
  firm: Firm
  diary: readonly DiaryEntry[]
  /** Dated weather ahead, where there is any. */
  outlook?: Outlook | null
  /** What is known of the weather station the job goes by, and its last days. */
  station?: StationClimate | null
  recent?: readonly WeatherDay[]
  /** The firm's seed, and which of its jobs this is. */
  stock?: readonly StockLot[]
  jobId?: string | null
  /** Kept by whoever plans the same job again and again. */
  memo?: Memo
}
