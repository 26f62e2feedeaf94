import type { Day } from '@juvena/core/calendar/day'
import type { DiaryEntry } from '@juvena/core/entities/diary'
import type { Firm } from '@juvena/core/entities/firm'
import { readJob } from '@juvena/core/entities/job'
import { planJob } from '@juvena/core/pipeline'
import { seasonRow, type SeasonRow } from '@juvena/core/present/seasonRow'
import type { StoredJob } from './store/jobStore.ts'

/** Rows for many jobs, planned once per state of job, diary and firm. */
export function seasonPlanner() {
  const cache = new Map<string, { key: string; row: SeasonRow }>()
  return (
    jobs: readonly StoredJob[],
    diaries: Map<string, DiaryEntry[]>,
    firm: Firm,
    firmRevision: number,
    today: (zone: string | null) => Day,
  ): SeasonRow[] => {
    const rows: SeasonRow[] = []
    for (const stored of jobs) {
      const diary = diaries.get(stored.id) ?? []
      const read = readJob(stored.draft)
      if (!read.job) continue
      const day = today(read.job.site.timeZone)
      const key = `${stored.revision}.${diary.length}.${firmRevision}.${day}`
      const known = cache.get(stored.id)
      if (known?.key === key) {
        rows.push(known.row)
        continue
      }
      const row = seasonRow(stored.id, read.job, planJob(read.job, { today: day, firm, diary }), firm.crew ?? 2)
      cache.set(stored.id, { key, row })
      rows.push(row)
    }
    return rows.sort((a, b) => (a.sowDay ?? '9').localeCompare(b.sowDay ?? '9') || a.name.localeCompare(b.name))
  }
}
