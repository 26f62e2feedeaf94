import { dayOf, showDay } from '@juvena/core/calendar/day'

/** The day on this device's own calendar, ISO. */
export const localDay = (at: Date): string =>
  dayOf((at.getTime() - at.getTimezoneOffset() * 60_000) / 86_400_000 - 0.5)

/** An ISO moment on this device's own clock: "Thu 26 Nov 2026, 20:40"; null where it is none. */
export function showMoment(iso: string): string | null {
  const at = new Date(iso)
  if (Number.isNaN(at.getTime())) return null
  const two = (n: number) => String(n).padStart(2, '0')
  return `${showDay(`${at.getFullYear()}-${two(at.getMonth() + 1)}-${two(at.getDate())}`, true)}, ${two(at.getHours())}:${two(at.getMinutes())}`
}
