/** The day at a site, and the moment, from one place: the demo's clock stands still. */
export interface Clock {
  demo: boolean
  now: () => string
  today: (timeZone?: string | null) => string
}

export const realClock: Clock = {
  demo: false,
  now: () => new Date().toISOString(),
  today(timeZone) {
    const format = (zone?: string) =>
      new Intl.DateTimeFormat('en-CA', {
        timeZone: zone,
        year: 'numeric',
        month: '2-digit',
        day: '2-digit',
      }).format(new Date())
    try {
      return format(timeZone || undefined)
    } catch {
      return format()
    }
  },
}

export const stoppedClock = (day: string, demo = false): Clock => ({
  demo,
  now: () => new Date().toISOString(),
  today: () => day,
})
