import type { Clock } from './clock.ts'
import type { Parts } from './routes/route.ts'
import { siteWeather } from './siteWeather.ts'
import { stockOnShelf } from './stock.ts'
import { diaryStore } from './store/diaryStore.ts'
import { firmStore } from './store/firmStore.ts'
import { jobStore } from './store/jobStore.ts'
import { photoStore } from './store/photoStore.ts'
import { stationStore } from './store/stationStore.ts'
import { stockStore } from './store/stockStore.ts'

/** Everything the routes work with, over one database and one folder of photographs. */
export function partsOver(db: Parameters<typeof jobStore>[0], photoFolder: string, clock: Clock): Parts {
  const stations = stationStore(db)
  const lots = stockStore(db)
  return {
    jobs: jobStore(db),
    diary: diaryStore(db),
    firm: firmStore(db),
    photos: photoStore(db, photoFolder),
    clock,
    stations,
    weather: siteWeather(stations),
    stockStore: lots,
    stock: stockOnShelf(lots),
  }
}
