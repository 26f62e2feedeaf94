import { activeEntries, type DiaryEntry } from '../entities/diary.ts'
import { OPERATIONS } from '../reference/operations.ts'
import type { ZoneId } from '../rules/id.ts'
import { zoneOf } from '../trace/scope.ts'
import type { Recount } from '../walkover/zoneReadings.ts'
import { readStepKey, tickedZones } from './stepRecords.ts'

/**
 * Cover counted again at a look whose count takes the place of the one on the walk, by zone: the
 * last that stands in the diary.
 */
export function recountsOf(diary: readonly DiaryEntry[]): ReadonlyMap<ZoneId, Recount> {
  const found = new Map<ZoneId, Recount>()
  for (const entry of activeEntries(diary)) {
    const { step, found: counted, date } = entry
    const key = step === null ? null : readStepKey(step)
    const cover = counted?.cover ?? null
    if (!key || cover === null || !OPERATIONS[key.kind].look?.recounts) continue
    for (const zone of tickedZones(entry, key).map(zoneOf))
      if (date >= (found.get(zone)?.on ?? '')) found.set(zone, { cover, on: date })
  }
  return found
}
