/** Cans that one test may have. */
export const MOST_CANS = 120
/** The fewest that say how even a sprinkler is. */
export const LEAST_CANS = 4
/** The deepest catch that is believed, mm. */
const DEEPEST = 150

const UNITS: Record<string, number> = { mm: 1, cm: 10, in: 25.4, '"': 25.4 }

/** A number with or without its unit; or a word that is none. */
const CATCH = /(-?(?:\d+(?:\.\d+)?|\.\d+))\s*(mm|cm|in|")?(?=[\s,;]|$)|[^\s,;]+/g

/**
 * What cans caught as it is typed, "8 9.5, 7 10 mm" or "0.3, 0.4 in", mm; a sentence where it
 * cannot be read. Each number may have a unit of its own; one at the end stands for all without.
 */
export function readCatches(typed: string): number[] | string {
  const parts: { value: number; unit: string }[] = []
  for (const [word, number, unit = ''] of typed.toLowerCase().matchAll(CATCH)) {
    if (number === undefined) return `“${word}” is no catch. Write them like “8, 9.5, 7 mm”.`
    parts.push({ value: Number(number), unit })
  }
  const all = parts.at(-1)?.unit ?? ''
  const catches = parts.map(({ value, unit }) => value * (UNITS[unit || all] ?? 1))
  if (catches.some((c) => c < 0)) return 'A can catches nothing or more, never less than nothing.'
  if (catches.some((c) => c > DEEPEST)) return `No can catches more than ${DEEPEST} mm in a test. Check the unit.` // prettier-ignore
  if (catches.length < LEAST_CANS) return `${LEAST_CANS} cans or more say how even it falls; eight or nine are better.` // prettier-ignore
  if (catches.length > MOST_CANS) return `Up to ${MOST_CANS} cans are taken.`
  if (catches.every((c) => c === 0))
    return 'Every can stayed dry: run the sprinkler and look again.'
  return catches
}
