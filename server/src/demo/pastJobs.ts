import type { DiaryEntry } from '@juvena/core/entities/diary'
import type { JobDraft } from '@juvena/core/entities/job'
import { demoSite } from './jobs.ts'

/** A job of a season that is over, with the diary it was left with. */
export interface PastJob {
  id: string
  draft: JobDraft
  archivedOn: string
  diary: (Partial<DiaryEntry> & { id: string; date: string; what: string })[]
}

/** Hours of everybody together, by step, of an autumn overseeding; and plants in frames later. */
const autumn = (
  id: string,
  zone: string,
  hours: Record<string, [day: string, hours: number]>,
  counted: [day: string, plants: number[]],
): PastJob['diary'] => [
  ...Object.entries(hours).map(([step, [date, h]], i) => ({
    id: `demo-${id}-${i}-tick`,
    date,
    step: `${step}/${zone}`,
    stepZones: [zone],
    what: `Done: ${step}`,
    hours: h,
    who: i % 2 ? 'Pip' : 'Owner',
  })),
  {
    id: `demo-${id}-count`,
    date: counted[0],
    zone,
    what: 'Counted seedlings',
    counted: { side: 0.1, plants: counted[1] },
    who: 'Owner',
  },
]

const lawn = (
  id: string,
  name: string,
  area: string,
  more: Partial<NonNullable<JobDraft['zones']>[number]> = {},
) => ({
  id,
  name,
  area,
  slope: 'flat',
  sunHours: '7 h',
  cover: { wanted: 52, weeds: 18, moss: 6, bare: 24 },
  thatch: '18 mm',
  penetration: 'stops' as const,
  soilMoist: true,
  texture: 'loam' as const,
  ph: 6.3,
  heightOfCut: '40 mm',
  mower: 'rotary' as const,
  present: ['perennial-ryegrass'],
  mix: [{ grass: 'perennial-ryegrass', share: 100 }],
  precipitation: '8 mm/h',
  uniformity: 0.7,
  ...more,
})

/** Lawns of last autumn, archived: what the firm has learnt from. */
export const pastJobs: PastJob[] = [
  {
    id: 'jetty',
    archivedOn: '2026-11-30T09:00:00.000Z',
    draft: {
      name: 'Old jetty lawn',
      customer: 'Teal Point boathouse',
      walked: '2026-02-20',
      site: { ...demoSite, soilTemperature: '', soilReadOn: '' },
      waterer: 'the boathouse keeper',
      zones: [lawn('jetty', 'Jetty lawn', '520 m²')],
    },
    diary: autumn(
      'jetty',
      'jetty',
      {
        'cut-first': ['2026-03-02', 0.75],
        scarify: ['2026-03-04', 1.75],
        core: ['2026-03-05', 3.5],
        sow: ['2026-03-06', 0.75],
        feed: ['2026-03-06', 0.75],
      },
      ['2026-04-20', [62, 71, 40, 55, 68, 59]],
    ),
  },
  {
    id: 'orchard',
    archivedOn: '2026-11-30T09:00:00.000Z',
    draft: {
      name: 'Orchard house, front',
      customer: 'Orchard house',
      walked: '2026-02-25',
      site: { ...demoSite, soilTemperature: '', soilReadOn: '' },
      waterer: 'the owners',
      zones: [lawn('front', 'Front lawn', '310 m²', { thatch: '14 mm' })],
    },
    diary: autumn(
      'orchard',
      'front',
      {
        scarify: ['2026-03-09', 1.25],
        core: ['2026-03-10', 2.25],
        sow: ['2026-03-10', 0.5],
        feed: ['2026-03-10', 0.5],
      },
      ['2026-04-25', [48, 39, 51, 44, 60, 35]],
    ),
  },
]
