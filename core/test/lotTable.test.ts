import { describe, expect, it } from 'vitest'
import { lotTable } from '../src/formats/lotTable.ts'
import { grassTable } from '../src/firm/firmGrasses.ts'
import { GRASSES } from '../src/reference/grasses.ts'
import { ownGrassSchema } from '../src/entities/grass.ts'
import { planOf, zone } from './makeJob.ts'

const heading = [
  'Lot',
  'Grass',
  'Cultivar',
  'Purity',
  'Germination',
  'Inert',
  'Tested',
  'Bag',
  'Price',
  'kg',
]
const line = (lot: string, grass = 'perennial ryegrass', pure = '97.5', germination = '88', kg = '40') => [lot, grass, 'Tarn', pure, germination, '2.5', '2026-10-01', '10 kg', '96', kg] // prettier-ignore

describe('lots out of a table', () => {
  it('400 lines with three wrong ones: 397 lots, and each wrong line named', () => {
    const rows = [heading, ...Array.from({ length: 400 }, (_, i) => line(`27-${i}`))]
    rows[10] = line('27-9', 'perennial ryegrass', '104')
    rows[200] = line('27-199', 'moon grass')
    rows[399] = line('27-5')
    const { lots, problems } = lotTable(rows, GRASSES)
    expect(lots).toHaveLength(397)
    expect(problems.map((p) => p.line)).toEqual([11, 201, 400])
    expect(problems[1]!.sentence).toContain('moon grass')
    expect(problems[2]!.sentence).toContain('line 7 too')
    expect(lots[0]).toMatchObject({
      received: 40,
      lot: { number: '27-0', parts: [{ grass: 'perennial-ryegrass', pure: '97.5' }] },
    })
  })
  it('knows grasses by name, short name and id, and wants a heading', () => {
    const grass = (name: string) =>
      lotTable([heading, line('1', name)], GRASSES).lots[0]?.lot.parts?.[0]?.grass
    expect([
      grass('Red fescue'),
      grass('kentucky-bluegrass'),
      grass('Kentucky bluegrass'),
      grass('COUCH'),
    ]).toEqual(['creeping-red-fescue', 'kentucky-bluegrass', 'kentucky-bluegrass', undefined])
    expect(lotTable([['a', 'b'], ['1', '2']], GRASSES).problems[0]!.sentence).toContain('heading') // prettier-ignore
    expect(lotTable([], GRASSES).problems).toHaveLength(1)
  })
})

describe('a firm’s own grasses', () => {
  const own = (change: object) => [
    ownGrassSchema.parse({
      id: 'north-rye',
      from: 'perennial-ryegrass',
      name: 'North rye',
      short: 'north rye',
      ...change,
    }),
  ]
  it('take what is not changed from the grass they go by; Juvena’s row stays as it was', () => {
    const table = grassTable(own({ newLow: '20 g/m2', newHigh: '25 g/m2', wear: 'low' }))
    expect(table['north-rye']).toMatchObject({
      of: 'perennial-ryegrass',
      newRate: [20, 25],
      overseedRate: [15, 25],
      wear: 'low',
      seedsPerGram: 550,
    })
    expect(table['perennial-ryegrass']).toBe(GRASSES['perennial-ryegrass'])
    expect(
      grassTable(own({ id: 'perennial-ryegrass', sunLeast: '5 h' }))['perennial-ryegrass'],
    ).toMatchObject({ sunLeast: 5, sunGood: 5 })
    expect(GRASSES['perennial-ryegrass']!.sunLeast).toBe(4)
    // A ryegrass that spreads by short stolons knits; one that says nothing of it does not.
    expect(grassTable(own({ creeps: '2 mm' }))['north-rye']).toMatchObject({
      spreads: true,
      creeps: 2,
    })
    expect(table['north-rye']!.spreads).toBe(false)
  })
  it('are planned with: a rate the firm has changed changes what is weighed out', () => {
    const rye = zone({
      mix: [{ grass: 'perennial-ryegrass', share: 100 }],
      cover: { wanted: 5, weeds: 5, moss: 0, bare: 90 },
    })
    const kg = (grasses: object[]) =>
      planOf({ zones: [rye] }, { firm: { grasses } as never }).zones[0]!.seed!.rate.value
    expect(kg([])).toBe(35)
    expect(
      kg([
        {
          id: 'perennial-ryegrass',
          from: 'perennial-ryegrass',
          newLow: '40 g/m2',
          newHigh: '50 g/m2',
        },
      ]),
    ).toBe(45)
  })
  it('a job that names a grass no longer in the table plans without it, and says so', () => {
    const plan = planOf({ zones: [zone({ present: ['north-rye', 'perennial-ryegrass'], mix: [{ grass: 'north-rye', share: 50 }, { grass: 'perennial-ryegrass', share: 50 }] })] }) // prettier-ignore
    expect(plan.notices.find((n) => n.id.endsWith('unknown-grass.north-rye'))!.title).toContain(
      'north-rye',
    )
    expect(plan.zones[0]!.seed!.mix.map((m) => m.grass)).toEqual(['perennial-ryegrass'])
  })
})
