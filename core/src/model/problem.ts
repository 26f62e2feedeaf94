/** Something a person can put right: where it is ("zones[0].area"), and a sentence saying what is wrong and what would be right. */
export interface Problem {
  path: string
  sentence: string
}

export const pathText = (path: readonly PropertyKey[]): string =>
  path.map((piece, i) => (typeof piece === 'number' ? `[${piece}]` : (i > 0 ? '.' : '') + String(piece))).join('') || '(whole file)'
