import { activeEntries, type DiaryEntry } from '../entities/diary.ts'
import { OPERATIONS } from '../reference/operations.ts'
import type { ZoneId } from '../rules/id.ts'
import { zoneOf } from '../trace/scope.ts'
import type { Recount } from '../walkover/zoneReadings.ts'
import { readStepKey } from './stepRecords.ts'

/**
 * Cover counted again at a look whose count takes the place of the one on the walk, by zone: the
 * last that stands in the diary.
 */
export function recountsOf(diary: readonly DiaryEntry[]): ReadonlyMap<ZoneId, Recount> {
  const found = new Map<ZoneId, Recount>()
  for (const { step, stepZones, found: counted, date } of activeEntries(diary)) {
    const key = step === null ? null : readStepKey(step)
    const cover = counted?.cover ?? null
    if (!key || cover === null || !OPERATIONS[key.kind].look?.recounts) continue
    const zones = stepZones.length > 0 ? stepZones : key.zone === null ? [] : [key.zone]
    for (const zone of zones.map(zoneOf))
      if (date >= (found.get(zone)?.on ?? '')) found.set(zone, { cover, on: date })
  }
  return found
}
