import type { Job } from '@juvena/core/entities/job'
import { simulatedStation, type Outlook } from '@juvena/core/climate/station'

/** Where the weather comes from. A simulated station stands in, and says that it does. */
export interface WeatherSource {
  outlook: (job: Job, today: string, days: number) => Outlook
}

/** Deterministic by place: neighbours share their weather. */
export const simulatedWeather: WeatherSource = {
  outlook(job, today, days) {
    const latitude = job.site.latitude ?? 45
    const seed = Math.round(latitude * 10) * 1000 + Math.round((job.site.longitude ?? 0) * 10)
    const reading = job.site.soilTemperature === null ? null : { day: job.site.soilReadOn ?? job.walked ?? today, celsius: job.site.soilTemperature }
    return simulatedStation(latitude, today, days, seed, reading)
  },
}
