/** Runs a day that a person can keep. */
export const MOST_RUNS = 8

const CLOCK = /^(\d{1,2})(?:[:.h](\d{2}))?\s*(am|pm)?$/
const BY_SUN =
  /^(?:(\d+(?:\.\d+)?)\s*(h|hours?|hrs?|min|minutes?|mins?)\s+(before|after)\s+)?(dawn|sunrise|dusk|sunset)$/

/** Hours to add to an hour of one half of the day, "am" or "pm"; none where neither is said. */
export const hoursOfHalf = (hour: number, half: string | undefined): number =>
  half === 'pm' && hour < 12 ? 12 : half === 'am' && hour === 12 ? -12 : 0

/** The hour of "HH:MM", 0 to 24. */
export const hourOfClock = (time: string): number =>
  Number(time.slice(0, 2)) + Number(time.slice(3)) / 60

/** Minutes past midnight as "HH:MM". */
export const clockText = (minutes: number): string =>
  `${String(Math.floor(minutes / 60)).padStart(2, '0')}:${String(minutes % 60).padStart(2, '0')}`

/** Minutes that a time by the sun is rounded to. */
const ROUND = 5
const HALF_DAY = 12

/** One run as typed: its clock time "HH:MM", and the words it was written in where they are the sun’s. */
export interface RunTime {
  time: string
  bySun: string | null
}

/** The time of "dusk" or "30 min before dusk"; null where it is none of the sun’s. */
function timeBySun(word: string, sun: { dawn: number; dusk: number }): string | null {
  const [, much = '0', unit = 'h', side, of] = BY_SUN.exec(word) ?? []
  if (of === undefined) return null
  const off = Number(much) * (unit.startsWith('m') ? 1 : 60) * (side === 'before' ? -1 : 1)
  if (Math.abs(off) > HALF_DAY * 60) return null
  const at = 60 * (of === 'dawn' || of === 'sunrise' ? sun.dawn : sun.dusk) + off
  return clockText(Math.min(1435, Math.max(0, ROUND * Math.round(at / ROUND))))
}

/** Where nobody knows when the sun rises: about when it does. */
export const USUAL_SUN = { dawn: 6, dusk: 19 }

/**
 * Runs as typed, "7, 13:00 and 4:30 pm" or "dawn, 1 pm, 30 min before dusk", in order of the clock;
 * null where not understood.
 */
export function runTimes(
  typed: string,
  sun: { dawn: number; dusk: number } = USUAL_SUN,
): RunTime[] | null {
  const words = typed.toLowerCase().split(/,|;|\band\b|&/)
  const times = new Map<string, string | null>()
  for (const word of words
    .map((w) => w.trim().replace(/\s+/g, ' ').replace(/^at /, ''))
    .filter((w) => w !== '')) {
    const bySun = timeBySun(word, sun)
    if (bySun !== null) {
      times.set(bySun, word)
      continue
    }
    const [, hours, minutes = '0', half] = CLOCK.exec(word) ?? []
    if (hours === undefined) return null
    const h = Number(hours) + hoursOfHalf(Number(hours), half)
    if (h > 23 || Number(minutes) > 59) return null
    times.set(clockText(60 * h + Number(minutes)), null)
  }
  const sorted = [...times]
    .map(([time, bySun]): RunTime => ({ time, bySun }))
    .sort((a, b) => a.time.localeCompare(b.time))
  return sorted.length >= 1 && sorted.length <= MOST_RUNS ? sorted : null
}
