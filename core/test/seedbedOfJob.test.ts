import { describe, expect, it } from 'vitest'
import { firmSchema } from '../src/entities/firm.ts'
import { readJob, type JobDraft } from '../src/entities/job.ts'
import { seedbedOfJob } from '../src/seedbedOfJob.ts'
import { draft, SOUTH, TODAY, zone } from './makeJob.ts'

const firm = firmSchema.parse({})
const bedsOf = (change: Partial<JobDraft>) =>
  seedbedOfJob(readJob(draft(change)).job!, { today: TODAY, firm, diary: [] })
const BARE = { wanted: 2, weeds: 10, moss: 0, bare: 88 }

describe('the seedbed of a job', () => {
  it('goes by the plan’s own runs, and finds simpler ones that are sure', () => {
    const [bed] = bedsOf({})
    expect(bed!.planned!.times).toEqual(['10:00', '13:00', '16:00'])
    expect(bed!.planned!.outcome.odds).toBeGreaterThan(bed!.nothing.odds)
    expect(bed!.planned!.kept.up).toBeGreaterThanOrEqual(bed!.planned!.outcome.up)
    expect(bed!.found.filter((f) => f.sure).length).toBeGreaterThan(1)
    const own = bedsOf({ site: { ...SOUTH, runsAt: '7, 19', runDepth: '3 mm' } })[0]!
    expect([own.planned!.times, own.planned!.mm]).toEqual([['07:00', '19:00'], 3])
  })
  it('of two zones goes by the one that dries fastest, and says where loam is taken', () => {
    const [bed] = bedsOf({ zones: [zone({ texture: null, cover: BARE }), zone({ id: 'z2', name: 'B', cover: BARE, texture: 'clay' })] }) // prettier-ignore
    expect(['z1', 'z2']).toContain(bed!.zone)
    expect(bed!.assumed).toBe(bed!.zone === 'z1')
  })
  it('offers nothing beyond the tap and its time, nor where no hour is left', () => {
    const [short] = bedsOf({ site: { ...SOUTH, tapFlow: 6, waterMinutes: 1 }, zones: [zone({ area: 600, precipitation: null })] }) // prettier-ignore
    expect(short!.short).toBe(true)
    // 6 L/min for an hour on 600 m² is 0.6 mm a day: a fifth of it in each of three runs is 0.2.
    expect(short!.planned!.mm * 3).toBeLessThan(0.7)
    expect(short!.found).toEqual([])
    const [none] = bedsOf({ site: { ...SOUTH, restrictions: 'no water 0-24' } })
    expect([none!.planned, none!.found]).toEqual([null, []])
  })
  it('says that nobody waters, and is silent where nothing is sown', () => {
    expect(bedsOf({ watering: 'nobody' })[0]!.watered).toBe(false)
    expect(bedsOf({ zones: [zone({ approach: 'returf', cover: BARE })] })).toEqual([])
  })
})
