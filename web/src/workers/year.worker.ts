import { expose } from 'comlink'
import type { Firm } from '@juvena/core/entities/firm'
import { readJob } from '@juvena/core/entities/job'
import { siteClimate } from '@juvena/core/climate/siteClimate'
import type { StationClimate } from '@juvena/core/climate/placeYear'
import { yearDay } from '@juvena/core/climate/yearDay'
import { dayNumber } from '@juvena/core/calendar/day'
import { schoolsOf } from '@juvena/core/firm/schoolsOf'
import { oddsOverHundreds, type RowOdds } from '@juvena/core/present/yearOdds'
import { grassTable } from '@juvena/core/firm/firmGrasses'
import { Memo } from '@juvena/core/trace/memo'
import { Trace } from '@juvena/core/trace/trace'

/** Where a station stands; height in m. */
export interface StationSite {
  latitude: number
  longitude: number
  elevation: number
}

export interface YearsAsk {
  site: StationSite
  station: StationClimate | null
  firm: Firm
  today: string
  /** First day of the page. */
  first: string
  hundreds: number
}
export type OddsByRow = Record<string, RowOdds | null>

/**
 * More years than a page can wait for, off its thread. Whoever no longer wants them ends the
 * worker.
 */
const years = {
  /** Tells what is known after each hundred years. */
  async odds(
    { site, station, firm, today, first, hundreds }: YearsAsk,
    tell: (share: number, known: OddsByRow) => void | Promise<void>,
  ): Promise<void> {
    const { job } = readJob({ name: 'the year at a place', site })
    if (!job) throw new Error('The site cannot be read.')
    const grasses = grassTable(firm.grasses)
    const schools = schoolsOf(job, firm)
    // Each hundred has a memo of its own: nothing of it is asked for again.
    const climateOf = (hundred: number, trace: Trace) =>
      siteClimate({ job, today, schools, station, recent: [], memo: new Memo(), trace, hundred })
    let done = 0
    for (const known of oddsOverHundreds(
      climateOf,
      hundreds,
      yearDay(dayNumber(first)),
      schools,
      () => new Trace(firm.values, grasses),
    ))
      await tell(++done / hundreds, known)
  },
}
export type Years = typeof years
expose(years)
