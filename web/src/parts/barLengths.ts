import type { UnitSystem } from '@juvena/core/quantities/quantity'

/** Round lengths for a scale bar in the firm's units, m. */
export const barLengths = (units: UnitSystem): number[] =>
  [0.2, 0.5, 1, 2, 5, 10, 20, 50, 100, 200, 500, 1000, 2000].map((n) =>
    units === 'metric' ? n : n * 0.3048,
  )
