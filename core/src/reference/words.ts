export type Dialect = 'dethatch' | 'scarify'

/**
 * Twins of trade words. Messages carry the mark in braces; what is shown is the firm's own word,
 * never both.
 */
const TWINS: Record<string, Record<Dialect, string>> = {
  scarify: { dethatch: 'verticut', scarify: 'scarify' },
  scarified: { dethatch: 'verticut', scarify: 'scarified' },
  scarifier: { dethatch: 'verticutter', scarify: 'scarifier' },
  core: { dethatch: 'core aerate', scarify: 'hollow-tine' },
  cored: { dethatch: 'core aerated', scarify: 'hollow-tined' },
  corer: { dethatch: 'core aerator', scarify: 'hollow-tiner' },
  scalp: { dethatch: 'scalp', scarify: 'cut hard down' },
  topdress: { dethatch: 'top-dress', scarify: 'top dress' },
  autumn: { dethatch: 'fall', scarify: 'autumn' },
  rake: { dethatch: 'dethatch', scarify: 'rake out' },
}

/**
 * The firm's own word for a marked one, or null where the mark is no trade word; a capital in the
 * mark keeps its capital.
 */
export function twin(word: string, dialect: Dialect): string | null {
  const own = TWINS[word.toLowerCase()]?.[dialect]
  if (!own) return null
  return word[0] === word[0]!.toUpperCase() ? own.charAt(0).toUpperCase() + own.slice(1) : own
}
