import { showDay } from '@juvena/core/calendar/day'

/** A day with its year whenever that is not this one. */
export const dayText = (day: string, today: string): string =>
  showDay(day, day.slice(0, 4) !== today.slice(0, 4))

/**
 * A day from the address of a page; the other where there is none, or what stands there is no day.
 */
export const dayInAddress = (asked: unknown, otherwise: string): string =>
  typeof asked === 'string' && /^\d{4}-\d\d-\d\d$/.test(asked) ? asked : otherwise

export const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1)

/** The day of a drawn row of days under the pointer, counted from its first. */
export function dayUnder(event: PointerEvent, days: number): number {
  const box = (event.currentTarget as Element).getBoundingClientRect()
  return Math.max(
    0,
    Math.min(days - 1, Math.floor(((event.clientX - box.left) / box.width) * days)),
  )
}

/**
 * Where a key leads from a day of the row: a day or a week on, or an end; it may lie beyond either.
 * Null for any other key.
 */
export function dayByKey(key: string, from: number, days: number): number | null {
  const step = { ArrowLeft: -1, ArrowRight: 1, PageUp: -7, PageDown: 7 }[key]
  return key === 'Home' ? 0 : key === 'End' ? days - 1 : step === undefined ? null : from + step
}
