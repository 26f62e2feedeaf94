import { sure } from '../quantities/sure.ts'
import type { Day } from '../calendar/day.ts'
import { activeEntries, type DiaryEntry } from '../entities/diary.ts'
import type { Job } from '../entities/job.ts'
import type { WeatherDay } from './weatherSeries.ts'

/**
 * A job with the newest soil reading of the site: that of the form, or a later one in the diary.
 */
export function withProbe(job: Job, diary: readonly DiaryEntry[], today: Day): Job {
  const typed =
    job.site.soilTemperature === null ? '' : (job.site.soilReadOn ?? job.walked ?? today)
  const newest = activeEntries(diary).reduce<DiaryEntry | null>(
    (last, e) =>
      e.read?.soil != null && e.date <= today && e.date >= (last?.date ?? typed) ? e : last,
    null,
  )
  return newest
    ? {
        ...job,
        site: { ...job.site, soilTemperature: sure(newest.read).soil, soilReadOn: newest.date },
      }
    : job
}

/**
 * Days of weather with the site's own rain gauge in them: what it read wins over the station.
 * Several readings of a day add up.
 */
export function withGauge(
  days: readonly WeatherDay[],
  diary: readonly DiaryEntry[],
): (WeatherDay & { gauged?: true })[] {
  const read = new Map<Day, number>()
  for (const e of activeEntries(diary))
    if (e.read?.rain != null) read.set(e.date, (read.get(e.date) ?? 0) + e.read.rain)
  const known = new Set(days.map((d) => d.day))
  const only = [...read].flatMap(([day, rain]) =>
    known.has(day)
      ? []
      : [{ day, low: null, high: null, rain, wind: null, soil: null, gauged: true as const }],
  )
  return [
    ...days.map((d) =>
      read.has(d.day) ? { ...d, rain: sure(read.get(d.day)), gauged: true as const } : d,
    ),
    ...only,
  ].sort((a, b) => a.day.localeCompare(b.day))
}
