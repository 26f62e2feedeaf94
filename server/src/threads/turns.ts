/** Too many wait already. */
export class NoTurn extends Error {}

/**
 * Lets so much work run at once; the rest waits its turn in the order it came. Work of which there
 * waits too much already throws `NoTurn` at once, unless it is patient.
 */
export function turns(atOnce: number, mostWaiting: number) {
  let free = atOnce
  const waiting: (() => void)[] = []
  return async <T>(work: () => Promise<T>, patient = false): Promise<T> => {
    if (free > 0) free--
    else {
      if (!patient && waiting.length >= mostWaiting) throw new NoTurn('Too many wait already.')
      await new Promise<void>((called) => waiting.push(called))
    }
    try {
      return await work()
    } finally {
      const next = waiting.shift()
      if (next) next()
      else free++
    }
  }
}
