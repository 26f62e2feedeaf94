import { diaryEntry } from '@juvena/core/entities/diary'
import type { Parts } from '../routes/route.ts'
import { addDays } from '@juvena/core/calendar/day'
import { modelFromNormals } from '@juvena/core/climate/climateModel'
import { simulatedStationDays } from '../standIns/simulatedWeather.ts'
import { demoFirm, demoJobs, demoStation, DEMO_TODAY } from './jobs.ts'
import { stockMovement } from '@juvena/core/entities/stock'
import { demoStock } from './stock.ts'
import { pastJobs } from './pastJobs.ts'
import { DEMO_PICTURES } from './pictures.ts'

/** Eight years of weather. */
const DEMO_RECORD_FROM = '2019-02-22'

/** Fills an empty database with the invented firm; one that holds anything is kept as it is. */
export async function fillDemo({
  jobs,
  diary,
  firm,
  photos,
  season,
  stations,
  stockStore,
  clock,
}: Parts): Promise<boolean> {
  if (
    (await firm.get()).revision > 0 ||
    (await jobs.count(false)) > 0 ||
    (await jobs.count(true)) > 0
  )
    return false
  await firm.save(0, demoFirm, clock.now())
  await stations.create(demoStation, clock.now(), { id: 'tarnmere', simulated: true })
  const model = modelFromNormals(demoStation.normals)
  const days = simulatedStationDays('tarnmere', model, DEMO_RECORD_FROM, addDays(DEMO_TODAY, -1))
  // A real record has holes, and a probe is read now and then.
  const kept = days.filter((_, i) => i % 241 !== 100)
  await stations.addDays(
    'tarnmere',
    kept.map((d, i) => ({ ...d, soil: i % 9 === 4 ? d.soil : null })),
  )
  await stockStore.create(
    demoStock.map(({ id, lot }) => ({ id, lot, received: null })),
    clock.now(),
  )
  await stockStore.move(
    demoStock.flatMap(({ id, movements }) =>
      movements.map((m, i) => stockMovement.parse({ ...m, id: `demo.${id}.${i}`, lot: id })),
    ),
    clock.now(),
  )
  for (const { id, draft, diary: entries } of [...demoJobs].reverse()) {
    await jobs.create(draft, clock.now(), id)
    for (const entry of entries ?? []) await diary.append(id, diaryEntry.parse(entry), clock.now())
  }
  // What lies behind was planned once, so that its diary has something to say, and is archived.
  for (const { id, draft, diary: entries, archivedOn } of pastJobs) {
    await jobs.create(draft, clock.now(), id)
    for (const entry of entries) await diary.append(id, diaryEntry.parse(entry), clock.now())
    await season.planNow(id)
    await jobs.setArchived(id, archivedOn)
  }
  for (const { zone, on, note, picture } of DEMO_PICTURES)
    await photos.add(
      { jobId: 'guesthouse', zone, kind: 'ground', takenOn: on, note },
      await picture(),
      clock.now(),
    )
  return true
}
