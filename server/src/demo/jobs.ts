import { demoPrices } from './prices.ts'
import type { DiaryEntry } from '@juvena/core/entities/diary'
import type { FirmDraft } from '@juvena/core/entities/firm'
import type { JobDraft } from '@juvena/core/entities/job'
import type { StationDraft } from '@juvena/core/entities/station'
import { guesthouseDrawing } from './guesthouseDrawing.ts'

/** The demo's clock stands still on this day. */
export const DEMO_TODAY = '2027-02-22'

/**
 * An invented firm in an invented lake district of the southern hemisphere. No name here belongs to
 * anyone.
 */
export const demoFirm: FirmDraft = {
  name: 'Tussock Lane Turf',
  units: 'metric',
  dialect: 'scarify',
  currency: '$',
  prices: demoPrices,
  crew: 2,
  hoursPerDay: 8,
  feedGrade: '16-20-8',
  reserve: 12,
  settling: 12,
  oversize: '6 %',
  barrow: '80 L',
  phosphorusLaw: 'new-seed-only',
  seedBags: [
    { id: 'bag-20', size: '20 kg', price: 168 },
    { id: 'bag-10', size: '10 kg', price: 92 },
    { id: 'bag-5', size: '5 kg', price: 51 },
    { id: 'bag-1', size: '1 kg', price: 13 },
  ],
  swath: '2 m',
  strip: '10 m',
  calibrations: [
    {
      id: 'strip-1',
      grass: 'perennial-ryegrass',
      setting: 12,
      grams: '145 g',
      swath: '2 m',
      strip: '10 m',
    },
    {
      id: 'strip-2',
      grass: 'perennial-ryegrass',
      setting: 16,
      grams: '255 g',
      swath: '2 m',
      strip: '10 m',
    },
  ],
  schools: { firstMow: 'one-third', watering: 'little-often' },
}

/**
 * The invented station of the lake district, 340 m above the sea: its normals, from which its
 * weather is made up.
 */
export const demoStation = {
  name: 'Tarnmere',
  latitude: -44.21,
  longitude: 170.08,
  elevation: 340,
  normals: {
    low: [10.4, 10.2, 8, 4.8, 1.8, -0.8, -1.8, -0.6, 1.8, 4, 6.2, 8.8],
    high: [23.2, 23, 20.4, 16.4, 12, 8.4, 7.8, 10.2, 13.4, 16.2, 18.8, 21.4],
    rain: [48, 42, 50, 52, 60, 56, 50, 54, 48, 52, 50, 54],
    wetDays: [8, 7, 8, 9, 10, 10, 10, 10, 9, 10, 9, 9],
  },
} satisfies StationDraft & { normals: object }

/** Where all of the demo lies, and how its soil was read. */
export const demoSite = {
  elevation: '400 m',
  latitude: -44.2,
  longitude: 170.1,
  timeZone: 'Pacific/Auckland',
  frost: '25 Apr',
  soilTemperature: '17.4 °C',
  soilReadOn: '2027-02-22',
}

export const demoJobs: {
  id: string
  draft: JobDraft
  diary?: (Partial<DiaryEntry> & { id: string; date: string; what: string })[]
}[] = [
  {
    id: 'guesthouse',
    draft: {
      name: 'Lakeside guesthouse, event lawn',
      customer: 'Hollowbank guesthouse',
      walked: '2027-02-19',
      customerDate: '24 Apr 2027',
      aims: ['level', 'thicker'],
      notes: 'Gate code with the housekeeper. Marquee pegs on the terrace lawn: mark them.',
      site: { ...demoSite, tapFlow: '22 L/min', waterMinutes: '6 h' },
      waterer: 'the housekeeper, mornings and at 4',
      zones: [
        {
          id: 'terrace',
          name: 'Terrace lawn',
          slope: '2 %',
          cover: { wanted: 62, weeds: 14, moss: 6, bare: 18 },
          incurable: 4,
          thatch: '16 mm',
          penetration: 'stops',
          soilMoist: true,
          texture: 'loam',
          ph: 6.2,
          heightOfCut: '30 mm',
          mower: 'rotary',
          present: ['perennial-ryegrass', 'creeping-red-fescue'],
          wear: 'high',
          precipitation: '6 mm/h',
          uniformity: 0.7,
        },
        {
          id: 'lower',
          name: 'Lower lawn',
          slope: '3 %',
          cover: { wanted: 66, weeds: 12, moss: 4, bare: 18 },
          thatch: '14 mm',
          penetration: 'effort',
          soilMoist: true,
          texture: 'loam',
          ph: 6.2,
          heightOfCut: '30 mm',
          mower: 'rotary',
          present: ['perennial-ryegrass', 'creeping-red-fescue'],
          wear: 'high',
          precipitation: '7 mm/h',
          uniformity: 0.65,
        },
        {
          id: 'hedge',
          name: 'Hedge strip',
          slope: 'flat',
          pointCounts: { wanted: 25, weeds: 5, moss: 18, bare: 12 },
          plugs: ['14 mm', '13 mm', '21 mm'],
          weedsSeen: ['plantain', 'daisy'],
          litter: 'leaf',
          penetration: 'effort',
          soilMoist: true,
          texture: 'loam',
          heightOfCut: '35 mm',
          mower: 'rotary',
          present: ['creeping-red-fescue'],
          wear: 'low',
          precipitation: '9 mm/h',
          uniformity: 0.6,
        },
      ],
      drawing: guesthouseDrawing,
      treatments: [{ id: 't1', kind: 'feed', date: '2026-10-12', product: '' }],
      lots: [
        {
          id: 'l-perennial-ryegrass',
          grass: 'perennial-ryegrass',
          name: '27-118',
          stock: 'lot-27-118',
        },
        {
          id: 'l-creeping-red-fescue',
          grass: 'creeping-red-fescue',
          name: '27-120',
          stock: 'lot-27-120',
        },
      ],
    },
  },
  {
    id: 'quad',
    draft: {
      name: 'School quad',
      customer: 'Fernhollow school',
      walked: '2027-02-17',
      customerDate: '3 May 2027',
      aims: ['hard-wear', 'thicker'],
      notes: 'Holiday ends 8 March. Hall shades the north end.',
      site: { ...demoSite, tapFlow: '30 L/min', waterMinutes: '8 h' },
      waterer: 'caretaker',
      zones: [
        {
          id: 'open',
          name: 'Open side',
          area: '430 m²',
          slope: '1 %',
          sunHours: '6.5 h',
          cover: { wanted: 48, weeds: 22, moss: 0, bare: 30 },
          thatch: '6 mm',
          penetration: 'stops',
          soilMoist: true,
          texture: 'clay-loam',
          ph: 6.4,
          heightOfCut: '35 mm',
          mower: 'rotary',
          present: ['perennial-ryegrass'],
          wear: 'high',
        },
        {
          id: 'hall',
          name: 'By the hall',
          area: '180 m²',
          slope: '1 %',
          sunHours: '3.4 h',
          cover: { wanted: 33, weeds: 10, moss: 22, bare: 35 },
          thatch: '8 mm',
          penetration: 'stops',
          soilMoist: true,
          texture: 'clay-loam',
          heightOfCut: '40 mm',
          mower: 'rotary',
          present: ['perennial-ryegrass'],
          wear: 'mid',
        },
      ],
    },
    diary: [
      {
        id: 'demo-quad-notice',
        date: '2027-02-18',
        step: 'sow-cool.notice',
        what: 'Give notice',
        who: 'Owner',
        note: 'Told the office; tape goes up on the day.',
      },
    ],
  },
  {
    id: 'green',
    draft: {
      name: 'Retirement village green',
      customer: 'Kettle Brae village',
      walked: '2027-02-16',
      aims: ['level', 'even-colour'],
      site: { ...demoSite, tapFlow: '40 L/min' },
      waterer: 'groundsman',
      zones: [
        {
          id: 'green',
          name: 'The green',
          area: '940 m²',
          slope: 'flat',
          sunHours: '8 h',
          cover: { wanted: 71, weeds: 9, moss: 12, bare: 8 },
          thatch: '28 mm',
          penetration: 'effort',
          soilMoist: true,
          texture: 'sandy-loam',
          ph: 5.8,
          heightOfCut: '14 mm',
          mower: 'reel',
          present: ['chewings-fescue', 'browntop'],
          wear: 'mid',
          lowsDepth: '6 mm',
          lowsShare: '20 %',
          precipitation: '10 mm/h',
          uniformity: 0.75,
        },
      ],
      dressing: { kind: 'sand' },
    },
  },
  {
    id: 'bank',
    draft: {
      name: 'Drain bank',
      customer: 'Sedgewater depot',
      walked: '2027-02-20',
      aims: ['low-upkeep'],
      site: { ...demoSite },
      waterer: '',
      zones: [
        {
          id: 'bank',
          name: 'The bank',
          length: '46 m',
          width: '5 m',
          slope: '1 in 5',
          sunHours: '7 h',
          cover: { wanted: 0, weeds: 5, moss: 0, bare: 95 },
          penetration: 'effort',
          soilMoist: true,
          texture: 'clay-loam',
          heightOfCut: '60 mm',
          mower: 'rotary',
          wear: 'low',
        },
      ],
    },
  },
  {
    id: 'strip',
    draft: {
      name: 'Terrace strip with dogs',
      customer: 'Bramble Row, number 6',
      walked: '2027-02-21',
      aims: ['thicker', 'no-chemicals'],
      site: {
        ...demoSite,
        tapFlow: '14 L/min',
        beside: 'pale stone paving along the house: sweep granules off before the dew',
        restrictions: 'no sprinklers: a hose held by hand only',
      },
      waterer: 'the owners',
      zones: [
        {
          id: 'strip',
          name: 'The strip',
          length: '16 m',
          width: '4 m',
          slope: '4 %',
          sunHours: '4.2 h',
          cover: { wanted: 38, weeds: 6, moss: 38, bare: 18 },
          thatch: '19 mm',
          penetration: 'effort',
          soilMoist: false,
          texture: 'loam',
          ph: 5.6,
          heightOfCut: '40 mm',
          mower: 'rotary',
          present: ['perennial-ryegrass', 'creeping-red-fescue'],
          wear: 'high',
          dogs: true,
          edges: 'bare',
          notes:
            'Two dogs, out at the steps by seven. The lavender hung over the lower edge until last week.',
        },
      ],
      treatments: [
        { id: 't1', kind: 'feed-and-weed', date: '2027-02-02', product: 'from the shed' },
      ],
    },
  },
  {
    id: 'community',
    draft: {
      name: 'Community green',
      customer: 'Tarnmere commons group',
      walked: '2027-02-18',
      aims: ['hard-wear', 'weed-free'],
      notes: 'A kill-off was asked for. Goalmouths worst; a worn line runs corner to corner.',
      site: { ...demoSite, tapFlow: '60 L/min' },
      waterer: 'volunteers, two rotas',
      zones: [
        {
          id: 'field',
          name: 'The field',
          area: '1,850 m²',
          slope: '1 %',
          sunHours: '8 h',
          cover: { wanted: 36, weeds: 46, moss: 0, bare: 18 },
          incurable: 44,
          thatch: '9 mm',
          penetration: 'stops',
          soilMoist: true,
          texture: 'loam',
          heightOfCut: '40 mm',
          mower: 'rotary',
          present: ['perennial-ryegrass'],
          wear: 'high',
        },
      ],
      treatments: [
        { id: 't1', kind: 'broadleaf', date: '2027-01-28', waitDays: '28 days', product: '' },
      ],
    },
  },
]
