import type { Day } from '../calendar/day.ts'
import { activeEntries, type DiaryEntry } from '../entities/diary.ts'
import { OPERATIONS } from '../reference/operations.ts'
import type { ZoneId } from '../rules/id.ts'
import { readStepKey } from './stepRecords.ts'

/** The day each zone was last sown, set or laid, as its diary has it. Second rounds go by their own ids. */
export function sownDays(diary: readonly DiaryEntry[]): ReadonlyMap<ZoneId, Day> {
  const sown = new Map<ZoneId, Day>()
  for (const { step, stepZones, date } of activeEntries(diary)) {
    const key = step === null ? null : readStepKey(step)
    if (!key || (key.kind !== 'sow' && OPERATIONS[key.kind].anchors !== 'plant')) continue
    const zones = stepZones.length > 0 ? stepZones : key.zone === null ? [] : [key.zone]
    for (const zone of zones) if (date > (sown.get(zone) ?? '')) sown.set(zone, date)
  }
  return sown
}
