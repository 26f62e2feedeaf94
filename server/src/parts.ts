import { join } from 'node:path'
import type { Clock } from './clock.ts'
import { seasonKeeper } from './season.ts'
import type { Parts } from './routes/route.ts'
import { siteWeather } from './siteWeather.ts'
import { stockOnShelf } from './stock.ts'
import { damagedRows, restoreRow } from './store/damaged.ts'
import { diaryStore } from './store/diaryStore.ts'
import { firmStore } from './store/firmStore.ts'
import { eraseCustomer } from './store/eraseCustomer.ts'
import { importJob } from './store/importJob.ts'
import { jobStore } from './store/jobStore.ts'
import { plannedStore } from './store/plannedStore.ts'
import { revisionStore } from './store/revisionStore.ts'
import { photoStore } from './store/photoStore.ts'
import { stationStore } from './store/stationStore.ts'
import { stockStore } from './store/stockStore.ts'

/**
 * Everything the routes work with, over one database and the folder it lies in, its photographs
 * beside it.
 */
export function partsOver(
  db: Parameters<typeof jobStore>[0],
  folder: string,
  clock: Clock,
  reopen?: () => void,
): Parts {
  const photoFolder = join(folder, 'photos')
  const stations = stationStore(db)
  const lots = stockStore(db)
  const base = {
    jobs: jobStore(db),
    revisions: revisionStore(db),
    diary: diaryStore(db),
    firm: firmStore(db),
    photos: photoStore(db, photoFolder),
    importJob: importJob(db, photoFolder),
    eraseCustomer: eraseCustomer(db, photoFolder),
    clock,
    folder,
    stations,
    weather: siteWeather(stations),
    stockStore: lots,
    stock: stockOnShelf(lots),
    damaged: {
      rows: () => damagedRows(db),
      restore: (table: string, id: string) => restoreRow(db, folder, table, id),
    },
    reopen,
  }
  return { ...base, season: seasonKeeper({ ...base, planned: plannedStore(db) }) }
}
