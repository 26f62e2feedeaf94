/**
 * A value that says what it was made from: where two have the same version they are the same, so
 * that a large one (a place's hundred years) need not be read through to be known again.
 */
export interface Versioned {
  readonly version: string
}

/** Plain data, or what carries a version: what a kept answer may hang on. */
type AsInput<T> = T extends Versioned
  ? T
  : T extends (...given: never[]) => unknown
    ? never
    : T extends Float64Array | Float32Array | ReadonlyMap<unknown, unknown> | ReadonlySet<unknown>
      ? never
      : T

/** Inputs of a piece of work, by name. */
export type Inputs<I> = Readonly<{ [K in keyof I]: AsInput<I[K]> }>

const isVersioned = (value: unknown): value is Versioned =>
  typeof value === 'object' &&
  value !== null &&
  typeof (value as { version?: unknown }).version === 'string'

/** A text's digest of 106 bits, in hexadecimal: the public-domain cyrb53 hash with two seeds, from memory. */
function digest(text: string): string {
  let [a, b, c, d] = [0xdeadbeee, 0x41c6ce56, 0xdeadbeed, 0x41c6ce55]
  for (let i = 0; i < text.length; i++) {
    const code = text.charCodeAt(i)
    a = Math.imul(a ^ code, 2654435761)
    b = Math.imul(b ^ code, 1597334677)
    c = Math.imul(c ^ code, 2246822519)
    d = Math.imul(d ^ code, 3266489917)
  }
  const mixed = (x: number, y: number): string => {
    const low = Math.imul(x ^ (x >>> 16), 2246822507) ^ Math.imul(y ^ (y >>> 13), 3266489909)
    const high = Math.imul(y ^ (y >>> 16), 2246822507) ^ Math.imul(low ^ (low >>> 13), 3266489909)
    return (4294967296 * (2097151 & high) + (low >>> 0)).toString(16)
  }
  return `${mixed(a, b)}.${mixed(c, d)}.${text.length}`
}

/** What stands for some inputs, all of them together: the version of each, else all that is in it. */
function keyOf(inputs: object): string {
  let key = ''
  for (const value of Object.values(inputs))
    key += `${isVersioned(value) ? value.version : JSON.stringify(value)}\u0001`
  return key
}

/** A short text that stands for some inputs, all of them together. */
export const versionOf = (inputs: object): string => digest(keyOf(inputs))

/** Inputs as one value that carries its version, made once for all who are given it. */
export const versioned = <I extends object>(inputs: I & Inputs<I>): Readonly<I> & Versioned =>
  Object.freeze({ ...inputs, version: versionOf(inputs) })

/** Room of a memo where nothing else is asked for, in ordinary answers. */
const USUAL_ROOM = 1024

interface Kept {
  key: string
  answer: unknown
  weighs: number
}

/**
 * The last answer of each slow piece of work, by name, with the inputs it was worked from. Whoever
 * plans again and again (a page's worker, a server's thread) keeps one and hands it in; a piece is
 * worked again only when its own inputs differ. The work is given its inputs and nothing else, so
 * that a kept answer cannot hang on what is not in its key. What was not asked for longest goes
 * first when the room is full.
 */
export class Memo {
  private readonly kept = new Map<string, Kept>()
  private full = 0

  /** `room` is told in ordinary answers: the largest name of one has to fit in. */
  constructor(private readonly room = USUAL_ROOM) {}

  /**
   * The answer of a piece of work, kept or worked. `weighs` says how many ordinary answers it takes
   * the room of.
   */
  recall<I extends object, T>(
    name: string,
    inputs: I & Inputs<I>,
    work: (inputs: I) => T,
    weighs = 1,
  ): T {
    const key = keyOf(inputs)
    const last = this.kept.get(name)
    if (last?.key === key) {
      this.kept.delete(name)
      this.kept.set(name, last)
      return last.answer as T
    }
    const answer = work(Object.freeze({ ...inputs }))
    this.keep(name, { key, answer, weighs })
    return answer
  }

  /** Answers kept, and the room they take. */
  get size(): { answers: number; room: number } {
    return { answers: this.kept.size, room: this.full }
  }

  private keep(name: string, entry: Kept): void {
    this.forget(name)
    this.kept.set(name, entry)
    this.full += entry.weighs
    for (const [other] of this.kept) {
      if (this.full <= this.room || other === name) break
      this.forget(other)
    }
  }

  private forget(name: string): void {
    this.full -= this.kept.get(name)?.weighs ?? 0
    this.kept.delete(name)
  }
}
