import type { CautionId } from './cautions.ts'

export const STEP_KINDS = [
  'notice',
  'mark',
  'spray',
  'strip',
  'kill',
  'kill-again',
  'cut-first',
  'cut-second',
  'scarify',
  'dampen',
  'core',
  'dress',
  'sow',
  'work-in',
  'feed',
  'cover',
  'water',
  'first-mow',
  'feed-later',
  'dress-again',
  'visit',
] as const
export type StepKind = (typeof STEP_KINDS)[number]

export interface Operation {
  name: string
  /** How one person gets on: m² an hour and pass, or nothing where it is not by area. Juvena's model; corrected by the firm's own diary later. */
  rate: number | null
  /** Fixed hours, whatever the area. */
  fixed: number
  cautions: readonly CautionId[]
  why: string
}

export const OPERATIONS: Record<StepKind, Operation> = {
  notice: { name: 'Give notice', rate: null, fixed: 0.25, cautions: [], why: 'Those who use the lawn hear when it closes and for how long.' },
  mark: {
    name: 'Clear and mark',
    rate: null,
    fixed: 0.75,
    cautions: ['services'],
    why: 'Heads and shallow services are found before steel goes in.',
  },
  spray: {
    name: 'Spray broad-leaved weeds',
    rate: 2000,
    fixed: 0.5,
    cautions: ['pesticide'],
    why: 'On uncut, growing weeds; seed waits 28 days, or what the label says.',
  },
  strip: {
    name: 'Lift off the old growth',
    rate: 60,
    fixed: 0.5,
    cautions: ['services', 'lifting'],
    why: 'Nothing is sprayed: the sward comes off with its roots, and the ground is graded.',
  },
  kill: { name: 'Kill off', rate: 2000, fixed: 0.5, cautions: ['pesticide'], why: 'On uncut, growing leaf: no mowing for 3 days before.' },
  'kill-again': { name: 'Kill regrowth', rate: 2000, fixed: 0.5, cautions: ['pesticide'], why: 'What greens again is caught before it is buried.' },
  'cut-first': { name: 'First cut down', rate: 1500, fixed: 0.25, cautions: ['mower'], why: 'Down in steps: the first heavy cut is thrown aside.' },
  'cut-second': { name: '{Scalp}, collect', rate: 500, fixed: 0.25, cautions: ['mower'], why: 'Short growth lets seed and soil reach the ground.' },
  scarify: {
    name: '{Scarify}, clear',
    rate: 500,
    fixed: 0.5,
    cautions: ['tines'],
    why: 'Blades cut through the mat to soil. On turf dried a day or two.',
  },
  dampen: { name: 'Water, evening before', rate: null, fixed: 0.25, cautions: ['trip'], why: '10–15 mm the night before if dry; never wet.' },
  core: { name: '{Core}', rate: 800, fixed: 0.5, cautions: ['services', 'tines'], why: 'Crossed passes, 75–100 mm deep, in moist soil.' },
  dress: {
    name: '{Topdress}, level',
    rate: 400,
    fixed: 0.5,
    cautions: ['lifting', 'dust'],
    why: 'Lows come up before the seed; spread from the far corner.',
  },
  sow: { name: 'Sow, crossed', rate: 2500, fixed: 0.5, cautions: [], why: 'Two half-rate passes at right angles. Never on crust: loosen first.' },
  'work-in': { name: 'Work in, firm', rate: 400, fixed: 0.25, cautions: [], why: 'Seed has to touch soil: mat, rake or roll.' },
  feed: { name: 'Starter feed', rate: 2500, fixed: 0.25, cautions: ['feed'], why: 'Half rate, crossed; granules want water.' },
  cover: { name: 'Cover the seed', rate: 200, fixed: 0.25, cautions: ['compost'], why: 'Keeps the seed moist; holds a slope.' },
  water: { name: 'Watering begins', rate: null, fixed: 0.75, cautions: ['trip'], why: 'Within 2 hours of sowing, before anyone drives off.' },
  'first-mow': {
    name: 'First mow',
    rate: 700,
    fixed: 0.25,
    cautions: ['mower'],
    why: 'Dry ground, sharp blade, no tight turns; seedlings must not pull out.',
  },
  'feed-later': {
    name: 'Starter feed, after mowing',
    rate: 2500,
    fixed: 0.25,
    cautions: ['feed'],
    why: 'Held until the seedlings have been mown once.',
  },
  'dress-again': {
    name: '{Topdress} again',
    rate: 400,
    fixed: 0.5,
    cautions: ['lifting', 'dust'],
    why: 'The next thin lift, in growth, once the tips stand clear.',
  },
  visit: {
    name: 'One-month visit',
    rate: null,
    fixed: 0.75,
    cautions: [],
    why: 'Look, count, reseed thin places while the season lasts, photograph, hand over.',
  },
}

/** Spreading dressing by shovel, m³ per person and hour. Juvena's model. */
export const SHOVEL_RATE = 0.6
