/** Runs a day that a person can keep. */
export const MOST_RUNS = 8

const CLOCK = /^(\d{1,2})(?:[:.h](\d{2}))?\s*(am|pm)?$/

/** Hours to add to an hour of one half of the day, "am" or "pm"; none where neither is said. */
export const hoursOfHalf = (hour: number, half: string | undefined): number =>
  half === 'pm' && hour < 12 ? 12 : half === 'am' && hour === 12 ? -12 : 0

/** The hour of "HH:MM", 0 to 24. */
export const hourOfClock = (time: string): number =>
  Number(time.slice(0, 2)) + Number(time.slice(3)) / 60

/** Clock times as typed, "7, 13:00 and 4:30 pm", as "HH:MM" in order; null where not understood. */
export function clockTimes(typed: string): string[] | null {
  const words = typed.toLowerCase().split(/,|;|\band\b|&/)
  const times: string[] = []
  for (const word of words.map((w) => w.trim()).filter((w) => w !== '')) {
    const [, hours, minutes = '0', half] = CLOCK.exec(word) ?? []
    if (hours === undefined) return null
    const h = Number(hours) + hoursOfHalf(Number(hours), half)
    if (h > 23 || Number(minutes) > 59) return null
    times.push(`${String(h).padStart(2, '0')}:${minutes.padStart(2, '0')}`)
  }
  const sorted = [...new Set(times)].sort()
  return sorted.length >= 1 && sorted.length <= MOST_RUNS ? sorted : null
}
