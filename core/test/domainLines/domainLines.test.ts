import { describe, expect, it } from 'vitest'
import { SEED_BAGS, FEED_BAGS } from '../../src/reference/materialValues.ts'
import { GRASSES, GRASS_IDS } from '../../src/reference/grasses.ts'
import { WATERING_TIMES } from '../../src/establish/waterRules.ts'
import { VALUES } from '../../src/ruleBook.ts'
import { TRAITS, TRAIT_COLUMNS, type Range } from '../../src/reference/grassTraits.ts'
import { GRASS_COLUMNS, GRASS_LINES } from './grasses.ts'
import { VALUE_LINES } from './values.ts'

const lines = (text: string) => text.trim().split('\n')

describe('no number of the trade moves unnoticed', () => {
  it('every value stands as the list has it: its number, its unit, how far it is to be trusted, and its range', () => {
    const code = [...VALUES.values()].map(
      (v) => `${v.id} ${v.is} ${v.unit} ${v.standing} ${v.range[0]}..${v.range[1]}`,
    )
    expect(code.sort()).toEqual(
      lines(VALUE_LINES)
        .map((line) => line.split(/ +/).join(' '))
        .sort(),
    )
  })
  it('every grass stands as the handbooks have it', () => {
    const told = (value: Range | number | string | null) =>
      value === null ? '—' : typeof value === 'object' ? value.join('-') : String(value)
    const rows = GRASS_IDS.map((id) => {
      const g = GRASSES[id]!
      const thermal = g.thermal ? `${g.thermal.theta}/${g.thermal.base}` : '—'
      const traits = TRAIT_COLUMNS.map((c) => told(c.of(g)))
      return [id, g.season, thermal, g.stands.mesotrione, ...traits].join('; ')
    })
    expect(['id', 'season', 'thermal', 'mesotrione', ...Object.keys(TRAITS)].join('; ')).toBe(
      GRASS_COLUMNS.trim().replaceAll(/\s+/g, ' '),
    )
    expect(rows).toEqual(lines(GRASS_LINES))
  })
  it('cover over seed, in all at most: rye and tall fescue 6 mm, fine fescue 5, bluegrass and bermuda 3, bent 2 (common practice)', () => {
    const depth = (...ids: string[]) => ids.map((id) => GRASSES[id]!.depth)
    expect(depth('perennial-ryegrass', 'tall-fescue', 'annual-ryegrass')).toEqual([6, 6, 6])
    expect(depth('creeping-red-fescue', 'chewings-fescue', 'hard-fescue')).toEqual([5, 5, 5])
    expect(depth('kentucky-bluegrass', 'bermudagrass', 'browntop')).toEqual([3, 3, 2])
  })
  it('a usable lawn takes rye 6 to 8 weeks, bluegrass 12 and more, seeded zoysia 4 months to 2 years (common practice)', () => {
    const { zoysia } = GRASSES
    expect([
      GRASSES['perennial-ryegrass']!.weeksToUse,
      GRASSES['kentucky-bluegrass']!.weeksToUse[0],
      zoysia!.weeksToUse,
    ]).toEqual([[6, 8], 12, [16, 104]])
  })
  it('bags as they are sold, and the times of the watering schools (common practice)', () => {
    expect([SEED_BAGS.kg, FEED_BAGS.kg, SEED_BAGS.lb, FEED_BAGS.lb]).toEqual([
      [20, 10, 5, 1],
      [20, 10],
      [50, 25, 10, 5],
      [50, 25],
    ])
    expect(WATERING_TIMES).toEqual({
      'little-often': ['10:00', '13:00', '16:00'],
      'once-a-day': ['06:00'],
      'day-dusk': ['13:00', '19:00'],
    })
  })
})
