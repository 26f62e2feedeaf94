import { describe, expect, it } from 'vitest'
import { firmSchema } from '@juvena/core/entities/firm'
import { readJob, type JobDraft } from '@juvena/core/entities/job'
import { planJob } from '@juvena/core/pipeline'
import { explain } from '@juvena/core/present/explain'
import { printedFigures } from '../src/places/sheets/notes.ts'

const plan = (draft: Partial<JobDraft>) =>
  planJob(
    readJob({
      name: 'Lawn',
      site: { latitude: -44, frost: '25 Apr', tapFlow: '20 L/min' },
      ...draft,
    }).job!,
    {
      today: '2027-02-22',
      firm: firmSchema.parse({}),
      diary: [],
    },
  )
const ZONES: JobDraft['zones'] = [
  {
    id: 'a',
    name: 'A',
    area: '120 m²',
    sunHours: '7 h',
    cover: { wanted: 50, weeds: 20, moss: 0, bare: 30 },
    thatch: '15 mm',
    heightOfCut: '40 mm',
    lowsDepth: '12 mm',
    lowsShare: '20 %',
  },
  { id: 'b', name: 'B', area: '60 m²', sunHours: '3.2 h' },
]

describe('the printed sheets', () => {
  it('number each figure once, and every one can be explained in full', () => {
    const p = plan({ zones: ZONES })
    const ids = printedFigures(p)
    expect(new Set(ids).size).toBe(ids.length)
    expect(ids.length).toBeGreaterThan(50)
    for (const id of ids) {
      const e = explain(p, id, { units: 'us', dialect: 'dethatch' })!
      expect(e.rule.says.length, id).toBeGreaterThan(8)
      expect(e.formula, id).not.toMatch(/[{}]|undefined|NaN/)
    }
  })
  it('leave out no amount that is to be weighed, poured or ordered', () => {
    const p = plan({ zones: ZONES })
    const printed = new Set(printedFigures(p))
    for (const line of p.materials)
      for (const id of [line.total, ...Object.values(line.cells)])
        expect(printed.has(id), id).toBe(true)
    for (const z of p.follow.water!.zones)
      expect(printed.has(z.sprinkler!.minutes.id) && printed.has(z.litres.id)).toBe(true)
    for (const s of p.steps)
      expect(printed.has(s.day.id) && printed.has(s.hours.id), s.id).toBe(true)
  })
  it('of a job with nothing in it print nothing, and break nothing', () => {
    expect(printedFigures(plan({ zones: [] }))).toEqual([])
    expect(printedFigures(plan({ zones: [{ id: 'a' }] }))).toEqual([])
  })
})
