import type { JobDraft } from '@juvena/core/entities/job'
import type { GrassId } from '@juvena/core/reference/grasses'
import { newId } from '../../stores/newId.ts'

type LotDraft = NonNullable<JobDraft['lots']>[number]

/** Changes the job's lot of a grass, or begins one. */
export function setLotOfGrass(draft: JobDraft, grass: GrassId, patch: Partial<LotDraft>): void {
  const lots = (draft.lots ??= [])
  const known = lots.find((l) => l.grass === grass)
  if (known) Object.assign(known, patch)
  else lots.push({ id: newId(), grass, ...patch })
}
