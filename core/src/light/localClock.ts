import { sure } from '../quantities/sure.ts'

/** Minutes a zone's clock is ahead of universal time at an instant. */
export function minutesAhead(instant: number, timeZone: string): number {
  const parts = Object.fromEntries(
    new Intl.DateTimeFormat('en', {
      timeZone,
      hourCycle: 'h23',
      year: 'numeric',
      month: 'numeric',
      day: 'numeric',
      hour: 'numeric',
      minute: 'numeric',
    })
      .formatToParts(instant)
      .map((p) => [p.type, Number(p.value)]),
  ) as Record<string, number>
  return Math.round(
    (Date.UTC(sure(parts.year), sure(parts.month) - 1, parts.day, parts.hour, parts.minute) -
      instant) /
      60_000,
  )
}

/**
 * The instant at which clocks at the site show so many minutes past midnight of a day. Without a
 * zone the sun's own time at the longitude is taken.
 */
export function instantAt(
  day: number,
  minutes: number,
  timeZone: string | undefined,
  longitude: number,
): number {
  const nominal = day * 86_400_000 + minutes * 60_000
  if (!timeZone) return nominal - longitude * 4 * 60_000
  try {
    const guess = nominal - minutesAhead(nominal, timeZone) * 60_000
    return nominal - minutesAhead(guess, timeZone) * 60_000
  } catch {
    return nominal - longitude * 4 * 60_000
  }
}
