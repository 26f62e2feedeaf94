import { diaryEntry } from '@juvena/core/entities/diary'
import type { Parts } from '../routes/route.ts'
import { demoFirm, demoJobs } from './jobs.ts'
import { DEMO_PICTURES } from './pictures.ts'

/** Fills an empty database with the invented firm; one that holds anything is kept as it is. */
export async function fillDemo({ jobs, diary, firm, photos, clock }: Parts): Promise<boolean> {
  if ((await firm.get()).revision > 0 || (await jobs.list(false, 1)).length > 0 || (await jobs.list(true, 1)).length > 0) return false
  await firm.save(0, demoFirm, clock.now())
  for (const { id, draft, diary: entries } of [...demoJobs].reverse()) {
    await jobs.create(draft, clock.now(), id)
    for (const entry of entries ?? []) await diary.append(id, diaryEntry.parse(entry), clock.now())
  }
  for (const { zone, on, note, picture } of DEMO_PICTURES)
    await photos.add({ jobId: 'guesthouse', zone, kind: 'ground', takenOn: on, note }, await picture(), clock.now())
  return true
}
