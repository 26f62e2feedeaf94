import type { Reason } from '../src/climate/dayReasons.ts'
import { siteClimate, type SiteClimate } from '../src/climate/siteClimate.ts'
import { sowingWindow, type SowingWindow, type Sown } from '../src/climate/sowingWindow.ts'
import { readJob, type JobDraft } from '../src/entities/job.ts'
import type { GrassId } from '../src/reference/grasses.ts'
import { DEFAULT_SCHOOLS, type Schools } from '../src/reference/schools.ts'
import { Memo } from '../src/trace/memo.ts'
import { Trace } from '../src/trace/trace.ts'

export type SiteDraft = NonNullable<JobDraft['site']>

/** The year at a site with no station, from a day on. */
export function climateAt(
  site: SiteDraft,
  today: string,
  schools: Partial<Schools> = {},
  values: Record<string, number> = {},
): SiteClimate {
  const { job } = readJob({ name: 'place', site })
  return siteClimate({
    job: job!,
    today,
    schools: { ...DEFAULT_SCHOOLS, ...schools },
    station: null,
    recent: [],
    memo: new Memo(),
    trace: new Trace(values),
  })
}

export function windowAt(
  site: SiteDraft,
  today: string,
  grass: GrassId,
  {
    purpose = 'lawn',
    watered = true,
    over = false,
    schools = {},
  }: Partial<Omit<Sown, 'parts'>> & { schools?: Partial<Schools> } = {},
): SowingWindow {
  const sown: Sown = { parts: [{ grass, share: 100 }], purpose, watered, over }
  return sowingWindow(
    sown,
    climateAt(site, today, schools),
    { ...DEFAULT_SCHOOLS, ...schools },
    new Trace(),
  )
}

/** State and reason on a day after the window's first. */
export const after = (w: SowingWindow, days: number): [string, Reason] => [
  w.states[days]!,
  w.reasons[days]!,
]
