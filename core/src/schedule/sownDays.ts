import type { Day } from '../calendar/day.ts'
import { activeEntries, type DiaryEntry } from '../entities/diary.ts'
import { OPERATIONS } from '../reference/operations.ts'
import type { ZoneId } from '../rules/id.ts'
import { readStepKey, tickedZones } from './stepRecords.ts'

/** The day each zone was last sown, set or laid, as its diary has it. Second rounds go by their own ids. */
export function sownDays(diary: readonly DiaryEntry[]): ReadonlyMap<ZoneId, Day> {
  const sown = new Map<ZoneId, Day>()
  for (const entry of activeEntries(diary)) {
    const { step, date } = entry
    const key = step === null ? null : readStepKey(step)
    if (!key || (key.kind !== 'sow' && OPERATIONS[key.kind].anchors !== 'plant')) continue
    for (const zone of tickedZones(entry, key))
      if (date > (sown.get(zone) ?? '')) sown.set(zone, date)
  }
  return sown
}
