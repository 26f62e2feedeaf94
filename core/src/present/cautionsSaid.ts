import { CAUTIONS, type CautionId } from '../reference/cautions.ts'

/**
 * The cautions of steps, or of days, that are read one after another: in full at the first that wants
 * one, then by its first words, so that each stands where the step is and is still read.
 */
export function cautionsInTurn(
  steps: readonly { id: string; cautions: readonly CautionId[] }[],
): Map<string, string[]> {
  const told = new Set<CautionId>()
  return new Map(
    steps.map(({ id, cautions }) => [
      id,
      cautions.map((c) => {
        if (told.has(c)) return `${CAUTIONS[c].split(/[.:]/)[0]}, as above.`
        told.add(c)
        return CAUTIONS[c]
      }),
    ]),
  )
}
