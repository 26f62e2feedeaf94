/** Runs a day that a person can keep. */
export const MOST_RUNS = 8

const CLOCK = /^(\d{1,2})(?:[:.h](\d{2}))?\s*(am|pm)?$/

/** Clock times as typed, "7, 13:00 and 4:30 pm", as "HH:MM" in order; null where not understood. */
export function clockTimes(typed: string): string[] | null {
  const words = typed.toLowerCase().split(/\s*(?:,|;|\band\b|&)\s*/).map((w) => w.trim()).filter((w) => w !== '') // prettier-ignore
  const times: string[] = []
  for (const word of words) {
    const [, hours, minutes = '0', half] = CLOCK.exec(word) ?? []
    if (hours === undefined) return null
    const h = Number(hours) + (half === 'pm' && Number(hours) < 12 ? 12 : half === 'am' && Number(hours) === 12 ? -12 : 0) // prettier-ignore
    if (h > 23 || Number(minutes) > 59) return null
    times.push(`${String(h).padStart(2, '0')}:${minutes.padStart(2, '0')}`)
  }
  const sorted = [...new Set(times)].sort()
  return sorted.length >= 1 && sorted.length <= MOST_RUNS ? sorted : null
}
