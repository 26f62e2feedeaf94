export type Dialect = 'dethatch' | 'scarify'

/** Twins of trade words. Texts in the core carry the mark in braces; what is shown is the firm's own word, never both. */
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

/** A text in the firm's own trade words; a capital in the mark keeps its capital. */
export function speak(text: string, dialect: Dialect): string {
  return text.replace(/\{(\w+)\}/g, (mark, word: string) => {
    const twin = TWINS[word.toLowerCase()]?.[dialect]
    if (!twin) return mark
    return word[0] === word[0]!.toUpperCase() ? twin.charAt(0).toUpperCase() + twin.slice(1) : twin
  })
}
