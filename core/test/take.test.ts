import { describe, expect, it } from 'vitest'
import {
  CAUSE_IDS,
  likelihoodValues,
  priorValues,
  TAKE_CAUSES,
  verdictValues,
  type Sign,
} from '../src/establish/take/causes.ts'
import { judgeTake, likelihood } from '../src/establish/take/judgeTake.ts'
import { answersOf, TAKE_SIGN_IDS } from '../src/reference/takeSigns.ts'
import { declared } from './makeJob.ts'
import { STORIES } from './takeStories.ts'

const V = { ...declared(likelihoodValues), ...declared(priorValues), ...declared(verdictValues) }
const ranksOf = (name: string) => {
  const { seen, known, sown, cause } = STORIES[name]!
  const verdict = judgeTake(seen, known ?? {}, sown ?? true, V)
  return { verdict, rank: 1 + verdict.causes.findIndex((c) => c.cause === cause) }
}

describe('why it did not take', () => {
  it('finds the true cause first in 24 of thirty failures, and among the first two in all', () => {
    const ranks = Object.keys(STORIES).map((name) => ({ name, rank: ranksOf(name).rank }))
    expect(ranks.length).toBe(30)
    expect(ranks.filter((r) => r.rank > 2)).toEqual([])
    expect(ranks.filter((r) => r.rank === 1).length).toBeGreaterThanOrEqual(24)
  })
  it('cannot tell before anything is seen, nor where two causes are as likely', () => {
    expect(judgeTake({}, { wait: 'within' }, true, V).likely).toBeNull()
    expect(judgeTake({ seedlings: 'none' }, {}, true, V).likely).toBeNull()
    // Hard seed, all of it, no log: never wet or merely cold and dry.
    expect(judgeTake({ seedlings: 'patches', dug: 'none' }, {}, true, V).likely).toBeNull()
  })
  it('is the product of what is stated: two causes by hand', () => {
    // Dug up soft: a dead lot 10 of 10+3+3+0.2×3 = 16.6; too cold 0.2 of 10+3+4×0.2 = 13.8.
    expect(likelihood('dead-lot', 'dug', 'rotten', V)).toBeCloseTo(10 / 16.6, 10)
    expect(likelihood('cold', 'dug', 'rotten', V)).toBeCloseTo(0.2 / 13.8, 10)
    const { causes } = judgeTake({ dug: 'rotten' }, {}, true, V)
    const share = (cause: string) => causes.find((c) => c.cause === cause)!.share
    expect(share('dead-lot') / share('cold')).toBeCloseTo((3 * (10 / 16.6) ** 0.7) / (6 * (0.2 / 13.8) ** 0.7), 8) // prettier-ignore
    expect(causes.reduce((sum, c) => sum + c.share, 0)).toBeCloseTo(100, 8)
  })
  it('gives every answer of every sign a likelihood, and names no answer that does not exist', () => {
    for (const cause of CAUSE_IDS)
      for (const [sign, shows] of Object.entries(TAKE_CAUSES[cause].shows)) {
        for (const answer of Object.values(shows).flat())
          expect(likelihood(cause, sign as Sign, answer, V), `${cause} ${sign} ${answer}`).not.toBe(likelihood(cause, sign as Sign, 'no such answer', V)) // prettier-ignore
      }
    for (const sign of TAKE_SIGN_IDS)
      for (const cause of CAUSE_IDS)
        expect(answersOf(sign).reduce((sum, a) => sum + likelihood(cause, sign, a, V), 0)).toBeCloseTo(1, 10) // prettier-ignore
  })
  it('asks next for what tells most, and for nothing that cannot be seen', () => {
    // No seedlings at all: the seed in the ground says most; nobody asks how they died.
    expect(judgeTake({ seedlings: 'none' }, {}, true, V).next?.sign).toBe('dug')
    const gone = judgeTake({ seedlings: 'gone', follows: 'nothing', dug: 'sprouted' }, {}, true, V)
    expect(gone.next?.sign).toBe('died')
    const bare = judgeTake({ follows: 'wheels' }, {}, false, V)
    expect(['ground', 'cans']).toContain(bare.next?.sign)
    expect(bare.causes.every((c) => TAKE_CAUSES[c.cause].unsown)).toBe(true)
  })
  it('says what speaks for and against', () => {
    const { causes } = judgeTake({ seedlings: 'patches', follows: 'sprinkler', dug: 'hard' }, { lot: 'good' }, true, V) // prettier-ignore
    expect(causes[0]!.cause).toBe('part-dry')
    expect(causes[0]!.for.map((e) => e.answer)).toContain('sprinkler')
    expect(causes.find((c) => c.cause === 'dead-lot')!.against[0]!.answer).toBe('sprinkler')
  })
})
