import { describe, expect, it } from 'vitest'
import { beforeAndAfter } from '../src/present/beforeAfter.ts'

const photo = (id: string, takenOn: string, zone: string | null = 'a', kind = 'ground') => ({ id, takenOn, zone, kind }) // prettier-ignore

describe('photographs before and after', () => {
  it('pairs the last of before the work with the newest since, zone by zone', () => {
    const photos = [photo('late', '2027-05-01'), photo('old', '2026-10-01'), photo('walk', '2027-02-19'), photo('mid', '2027-03-20'), photo('plan', '2027-06-01', 'a', 'plan'), photo('other', '2027-05-02', 'b'), photo('loose', '2027-05-02', null)] // prettier-ignore
    const began = new Map([['a', '2027-02-25'], ['b', '2027-02-25'], ['c', '2027-02-25']]) // prettier-ignore
    expect(beforeAndAfter(photos, began).map((p) => [p.zone, p.before.id, p.after.id])).toEqual([['a', 'walk', 'late']]) // prettier-ignore
    // One of the day itself is of before: it is taken when the crew comes.
    expect(beforeAndAfter([photo('x', '2027-02-25'), photo('y', '2027-02-26')], began)[0]!.before.id).toBe('x') // prettier-ignore
    expect(beforeAndAfter([photo('x', '2027-02-25')], began)).toEqual([])
  })
})
