import type { Figure } from '@juvena/core/trace/figure'

/** The year of a day that is not in this one, to stand beside it; else nothing. */
export const otherYear = (figure: Figure | null, today: string): string =>
  figure?.unit === 'date' &&
  typeof figure.value === 'string' &&
  figure.value.slice(0, 4) !== today.slice(0, 4)
    ? figure.value.slice(0, 4)
    : ''
