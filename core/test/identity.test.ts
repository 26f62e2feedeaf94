import { describe, expect, it } from 'vitest'
import { type DiaryEntry, diaryEntry } from '../src/entities/diary.ts'
import { readJob, type JobDraft } from '../src/entities/job.ts'
import { currentDraft, JOB_VERSION } from '../src/entities/jobVersions.ts'
import { firmSchema } from '../src/entities/firm.ts'
import { readJobFile } from '../src/formats/jobFile.ts'
import { planJob } from '../src/pipeline.ts'
import { linkedFigure } from '../src/present/figureLink.ts'
import { render } from '../src/present/render.ts'
import { quantity, say, verbatim } from '../src/rules/message.ts'
import { draft, planOf, READER, said, step, TODAY, zone } from './makeJob.ts'

/** Two zones that can be worked together; the second can be given ground of its own. */
const two = (second: object = {}): Partial<JobDraft> => ({
  zones: [zone({ id: 'a', name: 'Front' }), zone({ id: 'b', name: 'Back', ...second })],
})
const done = (kind: string, zones: string[], date = TODAY): DiaryEntry =>
  diaryEntry.parse({
    id: `${kind}-${zones.join('-')}`,
    date,
    what: 'done',
    step: `${kind}/${zones[0]}`,
    stepZones: zones,
  })
const planned = (job: JobDraft, diary: DiaryEntry[] = []) => {
  const read = readJob(job)
  return {
    problems: read.problems,
    plan: said(planJob(read.job!, { today: TODAY, firm: firmSchema.parse({}), diary })),
  }
}

describe('ids', () => {
  it('of a zone named like the whole job cannot be taken for it', () => {
    const plan = planOf({ zones: [zone({ id: 'job' }), zone({ id: 'z2', area: 50 })] })
    expect([plan.figures['zone:job.area']!.value, plan.figures['zone:z2.area']!.value]).toEqual([
      200, 50,
    ])
    expect(plan.figures['job.area']!.value).toBe(250)
  })
  it('given twice are told by number and name, and the other zones still plan', () => {
    const { problems, plan } = planned(
      draft({ zones: [zone({ id: 'a' }), zone({ id: 'b' }), zone({ id: 'a', name: 'Third' })] }),
    )
    expect(problems).toEqual([
      {
        path: 'zones[2].id',
        sentence: 'Two zones share the id “a” (numbers 1 and 3). Give one of them another id.',
      },
    ])
    expect(plan.figures['zone:b.area']!.value).toBe(200)
  })
  it.each([
    ['shapes', { drawing: { shapes: [1, 2].map(() => ({ id: 's', kind: 'bare', at: [[[0, 0], [1, 0], [0, 1]]] })) } }], // prettier-ignore
    [
      'treatments',
      {
        treatments: [1, 2].map(() => ({
          id: 's',
          product: 'Feed',
          kind: 'broadleaf',
          date: TODAY,
        })),
      },
    ],
    ['lots', { lots: [1, 2].map(() => ({ id: 's', grass: 'perennial-ryegrass' })) }],
  ])('of two %s alike are told', (what, change) => {
    const { problems, plan } = planned(draft(change as unknown as JobDraft))
    expect(problems.map((p) => p.sentence)).toContain(
      `Two ${what} share the id “s” (numbers 1 and 2). Give one of them another id.`,
    )
    expect(plan.figures['zone:z1.area']!.value).toBe(200)
  })
  it('an entry that lacks what it cannot be without is left out whole, and the job still plans', () => {
    const { problems, plan } = planned(draft({ treatments: [{ id: 't1' }] } as unknown as JobDraft))
    expect(problems.map((p) => p.path)).toContain('treatments[0].kind')
    expect(plan.figures['zone:z1.area']!.value).toBe(200)
  })
  it('of two diary entries in a file alike are told', () => {
    const entry = done('scarify', ['z1'])
    const file = { format: 'juvena-job', version: JOB_VERSION, job: draft(), diary: [entry, entry] }
    expect(JSON.stringify(readJobFile(file))).toContain('Two diary entries share the id')
  })
})

describe('a day fixed for a step, and a step ticked off', () => {
  const day = '2027-03-15'
  const pinned = { pins: { 'sow/a': day } }
  const sowing = (change: Partial<JobDraft>, zoneId = 'a') =>
    planOf(change).steps.find((s) => s.kind === 'sow' && s.zones.includes(zoneId))!

  it('stay when the name, the grass or the approach of the zone changes', () => {
    for (const change of [
      { name: 'Renamed' },
      { present: ['tall-fescue' as const] },
      { approach: 'renovate' as const },
      { area: 900 },
    ])
      expect(
        sowing({ zones: [zone({ id: 'a', ...change })], ...pinned }),
        JSON.stringify(change),
      ).toMatchObject({ chosen: day, state: 'pinned' })
  })
  it('stay when zones come to be worked together, and apart', () => {
    expect(sowing({ ...two(), ...pinned })).toMatchObject({ zones: ['a', 'b'], chosen: day })
    const apart = { ...two({ approach: 'renovate' }), ...pinned }
    expect(sowing(apart)).toMatchObject({ zones: ['a'], chosen: day })
    expect(sowing(apart, 'b').state).not.toBe('pinned')
  })
  it('count for the zones they name; a zone that joins later is named as not covered', () => {
    const plan = planOf(two(), { diary: [done('scarify', ['a'])] })
    expect(step(plan, 'scarify')!.state).toBe('done')
    expect(JSON.stringify(plan.notices)).toContain('Back')
  })
  it('are listed when no step is left for them', () => {
    const gone = planOf(
      { ...two(), pins: { 'sow/gone': day } },
      { diary: [done('scarify', ['gone'])] },
    )
    expect(gone.looseRecords).toEqual([
      { kind: 'sow', zones: ['gone'], pin: { key: 'sow/gone', day }, tick: null },
      { kind: 'scarify', zones: ['gone'], pin: null, tick: { entry: 'scarify-gone', day: TODAY } },
    ])
    expect(planOf({ ...two(), ...pinned }).looseRecords).toEqual([])
  })
  it('kept by earlier versions, by work package, still count', () => {
    const old = diaryEntry.parse({
      id: 'before-3',
      date: TODAY,
      what: 'done',
      step: 'sow-cool.scarify',
    })
    const plan = planOf({ pins: { 'sow-cool.sow': day } }, { diary: [old] })
    expect([step(plan, 'sow')!.chosen, step(plan, 'scarify')!.state, plan.looseRecords]).toEqual([
      day,
      'done',
      [],
    ])
  })
})

describe('a job of an earlier version', () => {
  const old = {
    ...draft(),
    plan: { shapes: [{ id: 's', kind: 'bare', at: [[[0, 0], [1, 0], [0, 1]]] }] }, // prettier-ignore
    zones: [
      {
        ...zone(),
        frames: [{ wanted: 50, weeds: 20, moss: 10, bare: 20 }],
        looks: { 'looks-like': 1 },
      },
    ],
    treatments: [{ product: 'One' }, { id: 't1', product: 'Two' }, { product: 'Three' }],
    lots: [{ grass: 'perennial-ryegrass' }],
  }
  it('comes to the names of today with everything in it', () => {
    const now = currentDraft(old) as unknown as Record<string, unknown> & {
      zones: object[]
      treatments: object[]
    }
    expect([now.drawing, 'plan' in now]).toEqual([old.plan, false])
    expect(now.zones[0]).toMatchObject({
      quadrats: old.zones[0]!.frames,
      pointCounts: { 'looks-like': 1 },
    })
    expect(now.treatments).toEqual([
      { id: 't2', product: 'One' },
      { id: 't1', product: 'Two' },
      { id: 't3', product: 'Three' },
    ])
    expect(now.lots).toEqual([{ id: 'l1', grass: 'perennial-ryegrass' }])
  })
  it('of today stays as it is, and so does what is no job', () => {
    const now = currentDraft(old)
    expect(currentDraft(now)).toBe(now)
    for (const nothing of [null, 3, 'x', [], { zones: 'no' }, { plan: null, drawing: 1 }])
      expect(() => currentDraft(nothing)).not.toThrow()
    expect(currentDraft({ plan: 1, drawing: 2 })).toEqual({ plan: 1, drawing: 2 })
  })
  it('is read from a file of either version', () => {
    for (const version of [1, 2]) {
      const read = readJobFile({
        format: 'juvena-job',
        version,
        job: { ...draft(), plan: old.plan },
      })
      expect(read.ok ? read.job.drawing.shapes.map((s) => s.id) : read.problems).toEqual(['s'])
    }
  })
})

describe('links', () => {
  it('to figures under their earlier names still open', () => {
    const { figures } = planOf()
    expect(linkedFigure('zone:z1.area', figures)).toBe('zone:z1.area')
    expect(linkedFigure('z1.area', figures)).toBe('zone:z1.area')
    const day = linkedFigure('sow-cool.scarify.day', figures)
    expect(day).toMatch(/^step:scarify\/z1\.day$/)
    for (const none of ['', 'nothing', 'z9.area', '__proto__'])
      expect(linkedFigure(none, figures)).toBeNull()
  })
})

describe('texts', () => {
  it('keep what a person typed, in any units', () => {
    const us = { ...READER, units: 'us' } as const
    expect(render(say`${verbatim('10 mm strip')}: ${quantity(25.4, 'mm')}`, us)).toBe(
      '10 mm strip: 1 in',
    )
    expect(render(verbatim('Feed 20 kg {scarify} {0}'), us)).toBe('Feed 20 kg {scarify} {0}')
  })
})
