import { addDays, type Day } from '@juvena/core/calendar/day'
import { weatherOn, type WeatherAtSite } from '@juvena/core/climate/weatherOn'
import type { DiaryEntry } from '@juvena/core/entities/diary'
import type { Firm } from '@juvena/core/entities/firm'
import { readJob, type Job } from '@juvena/core/entities/job'
import { seedBags } from '@juvena/core/materials/lines'
import { planJob, type Context } from '@juvena/core/pipeline'
import { dayWork, type DayJob } from '@juvena/core/present/dayWork'
import { failedRow, seasonRow, type SeasonRow } from '@juvena/core/present/seasonRow'
import { grassTable } from '@juvena/core/reference/firmGrasses'
import type { StockLot } from '@juvena/core/stock/lotsOfJob'
import { seedToBuy, seedWanted, type SeedToBuy, type SeedWanted } from '@juvena/core/stock/seedToBuy'
import { Memo } from '@juvena/core/trace/memo'
import { Trace } from '@juvena/core/trace/trace'
import type { StoredJob } from './store/jobStore.ts'

interface Planned {
  row: SeasonRow
  /** Its work day by day; null where it could not be planned. */
  work: DayJob | null
  /** The seed it still has to sow. */
  seed: SeedWanted[]
  /** Ids of the rules its plan goes by. */
  rules: string[]
}

/** What the rows of a season are worked from. */
export interface SeasonBrief {
  jobs: readonly StoredJob[]
  /** By job, what its plan knows of the weather. */
  weather: ReadonlyMap<string, WeatherAtSite | null>
  diaries: ReadonlyMap<string, readonly DiaryEntry[]>
  firm: Firm
  firmRevision: number
  /** The firm's seed, and its state. */
  stock: readonly StockLot[]
  stockVersion: string
  today: (zone: string | null) => Day
}

/** A job whose plan fails shows as such in its own row; the others stand. */
function plan(stored: StoredJob, job: Job, context: Context): Planned {
  try {
    const planned = planJob(job, context)
    return {
      row: seasonRow(stored.id, job, planned),
      work: dayWork(stored.id, job, planned),
      seed: seedWanted(stored.id, job.name, planned),
      rules: [...new Set(Object.values(planned.figures).map((f) => f.rule))],
    }
  } catch (error) {
    console.error(`Job ${stored.id} could not be planned:`, error)
    return { row: failedRow(stored.id, stored.name), work: null, seed: [], rules: [] }
  }
}

/** Plans many jobs, each once per state of job, diary and firm. */
export function seasonPlanner() {
  const cache = new Map<string, { key: string; planned: Planned }>()
  // Jobs of one place share the year of it.
  const memo = new Memo()
  const planned = ({ jobs, weather, diaries, firm, firmRevision, stock, stockVersion, today }: SeasonBrief): Planned[] =>
    jobs.map((stored) => {
      const diary = diaries.get(stored.id) ?? []
      const { job } = readJob(stored.draft)
      if (!job) return { row: failedRow(stored.id, stored.name), work: null, seed: [], rules: [] }
      const day = today(job.site.timeZone)
      const at = weather.get(stored.id)
      const record = at?.station?.record
      // Only a job that sows from the shelf hangs on it.
      const shelf = job.lots.some((l) => l.stock !== '') ? stockVersion : ''
      const key = `${shelf}.${stored.revision}.${diary.length}.${firmRevision}.${day}.${at?.station?.station.id}.${JSON.stringify(record)}.${JSON.stringify(at?.recent.at(-1))}`
      const known = cache.get(stored.id)
      if (known?.key === key) return known.planned
      const made = plan(stored, job, {
        today: day,
        firm,
        diary,
        memo,
        station: at?.station ?? null,
        recent: at?.recent ?? [],
        outlook: at?.outlook ?? null,
        stock,
        jobId: stored.id,
      })
      cache.set(stored.id, { key, planned: made })
      return made
    })
  return {
    /** One row a job, the soonest sown first. */
    rows: (brief: SeasonBrief): SeasonRow[] =>
      planned(brief)
        .map((p) => p.row)
        .sort((a, b) => (a.sowDay ?? '9').localeCompare(b.sowDay ?? '9') || a.name.localeCompare(b.name)),

    /** The work of one day on every job: its steps, and on today itself those left over from days before. Beside it, how much lies on each day round it. */
    day(brief: SeasonBrief, on: Day, today: Day): { jobs: (DayJob & { weather: DiaryEntry['weather'] })[]; week: { day: Day; steps: number }[] } {
      const work = planned(brief).flatMap((p) => p.work ?? [])
      const open = (s: DayJob['steps'][number]) => s.state !== 'done' && s.state !== 'unrecorded'
      const isOn = (s: DayJob['steps'][number]) => s.day === on || (on === today && s.day < today && open(s))
      return {
        jobs: work
          .map((job) => ({ ...job, steps: job.steps.filter(isOn), weather: weatherOn(brief.weather.get(job.id) ?? null, on) }))
          .filter((job) => job.steps.length > 0),
        week: Array.from({ length: 7 }, (_, i) => addDays(on, i - 1)).map((day) => ({
          day,
          steps: work.reduce((sum, job) => sum + job.steps.filter((s) => s.day === day && open(s)).length, 0),
        })),
      }
    },

    /** The seed of all jobs by mix, and the bags for it bought once. */
    seed(brief: SeasonBrief): SeedToBuy[] {
      const trace = new Trace(brief.firm.values, grassTable(brief.firm.grasses))
      return seedToBuy(
        planned(brief).flatMap((p) => p.seed),
        seedBags(brief.firm, trace),
      )
    },

    /** By rule, the jobs whose plans go by it. */
    uses(brief: SeasonBrief): Record<string, { id: string; name: string }[]> {
      const uses: Record<string, { id: string; name: string }[]> = {}
      for (const { row, rules } of planned(brief)) for (const rule of rules) (uses[rule] ??= []).push({ id: row.id, name: row.name })
      return uses
    },
  }
}
