import { describe, expect, it } from 'vitest'
import type { JobDraft } from '../src/entities/job.ts'
import { draftDifferences } from '../src/present/draftDifferences.ts'

const before: JobDraft = {
  name: 'Lawn',
  site: { address: '1 Lane', latitude: '-44' },
  zones: [
    { id: 'a', name: 'Front', thatch: '12 mm', heightOfCut: '25 mm', cover: { wanted: 50 } },
    { id: 'b', name: 'Back' },
  ],
  drawing: { shapes: [{ id: 's1', kind: 'lawn', at: [[[0, 0], [1, 0], [1, 1]]] }] }, // prettier-ignore
  pins: { 'sow/a': '2027-03-01' },
}

describe('what differs between two drafts', () => {
  it('nothing, between a draft and itself, and where an entry is blank on one side and absent on the other', () => {
    expect(draftDifferences(before, structuredClone(before))).toEqual([])
    expect(draftDifferences(before, { ...before, customerDate: null })).toEqual([])
  })
  it('fields by zone, with what was typed before and after; entries inside by their own names', () => {
    const after = structuredClone(before)
    Object.assign(after.zones![0]!, { heightOfCut: '1 in', cover: { wanted: 60 }, dogs: true })
    after.site!.address = '2 Lane'
    expect(draftDifferences(before, after)).toEqual([
      { zone: '', what: 'site, address', before: '1 Lane', after: '2 Lane' },
      { zone: 'Front', what: 'height of cut', before: '25 mm', after: '1 in' },
      { zone: 'Front', what: 'cover, wanted', before: '50', after: '60' },
      { zone: 'Front', what: 'dogs', before: '', after: 'yes' },
    ])
  })
  it('zones that came and went, shapes and pins counted', () => {
    const after: JobDraft = { ...before, zones: [{ id: 'b', name: 'Back' }, { id: 'c', name: 'Side' }], drawing: { shapes: [{ id: 's1', kind: 'bed', at: [[[0, 0], [1, 0], [1, 1]]] }, { id: 's2', kind: 'tree', at: [[[3, 3]]] }] }, pins: {} } // prettier-ignore
    expect(draftDifferences(before, after).map((d) => d.what)).toEqual([
      'zone added: Side',
      'zone removed: Front',
      'shapes on the plan: 1 added',
      'shapes on the plan: 1 changed',
      'fixed days changed',
    ])
  })
})
