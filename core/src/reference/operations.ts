import { quantity, words, type Message } from '../trace/message.ts'
import { tradeValues, value, type TradeValue } from '../trace/rule.ts'
import type { Trace } from '../trace/trace.ts'
import { treatmentWaits } from './lagValues.ts'
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
  name: Message
  cautions: readonly CautionId[]
  /** What it is for; {name} is one of the operation values. */
  why: string
}

export const OPERATIONS: Record<StepKind, Operation> = {
  notice: { name: words('Give notice'), cautions: [], why: 'Those who use the lawn hear when it closes and for how long.' },
  mark: {
    name: words('Clear and mark'),
    cautions: ['services'],
    why: 'Heads and shallow services are found before steel goes in.',
  },
  spray: {
    name: words('Spray broad-leaved weeds'),
    cautions: ['pesticide'],
    why: 'On uncut, growing weeds; seed waits {sprayWait}, or what the label says.',
  },
  strip: {
    name: words('Lift off the old growth'),
    cautions: ['services', 'lifting'],
    why: 'Nothing is sprayed: the sward comes off with its roots, and the ground is graded.',
  },
  kill: { name: words('Kill off'), cautions: ['pesticide'], why: 'On uncut, growing leaf: no mowing for {uncut} before.' },
  'kill-again': { name: words('Kill regrowth'), cautions: ['pesticide'], why: 'What greens again is caught before it is buried.' },
  'cut-first': { name: words('First cut down'), cautions: ['mower'], why: 'Down in steps: the first heavy cut is thrown aside.' },
  'cut-second': { name: words('{Scalp}, collect'), cautions: ['mower'], why: 'Short growth lets seed and soil reach the ground.' },
  scarify: {
    name: words('{Scarify}, clear'),
    cautions: ['tines'],
    why: 'Blades cut through the mat to soil. On turf dried a day or two.',
  },
  dampen: { name: words('Water, evening before'), cautions: ['trip'], why: '{dampen} the night before if dry; never wet.' },
  core: { name: words('{Core}'), cautions: ['services', 'tines'], why: 'Crossed passes, {coreDepth} deep, in moist soil.' },
  dress: {
    name: words('{Topdress}, level'),
    cautions: ['lifting', 'dust'],
    why: 'Lows come up before the seed; spread from the far corner.',
  },
  sow: { name: words('Sow, crossed'), cautions: [], why: 'Two half-rate passes at right angles. Never on crust: loosen first.' },
  'work-in': { name: words('Work in, firm'), cautions: [], why: 'Seed has to touch soil: mat, rake or roll.' },
  feed: { name: words('Starter feed'), cautions: ['feed'], why: 'Half rate, crossed; granules want water.' },
  cover: { name: words('Cover the seed'), cautions: ['compost'], why: 'Keeps the seed moist; holds a slope.' },
  water: { name: words('Watering begins'), cautions: ['trip'], why: 'Within 2 hours of sowing, before anyone drives off.' },
  'first-mow': {
    name: words('First mow'),
    cautions: ['mower'],
    why: 'Dry ground, sharp blade, no tight turns; seedlings must not pull out.',
  },
  'feed-later': {
    name: words('Starter feed, after mowing'),
    cautions: ['feed'],
    why: 'Held until the seedlings have been mown once.',
  },
  'dress-again': {
    name: words('{Topdress} again'),
    cautions: ['lifting', 'dust'],
    why: 'The next thin lift, in growth, once the tips stand clear.',
  },
  visit: {
    name: words('One-month visit'),
    cautions: [],
    why: 'Look, count, reseed thin places while the season lasts, photograph, hand over.',
  },
}

/** How one person gets on: m² an hour and pass. Nothing for what does not go by area. Corrected by the firm's own diary later. */
export const operationRates = tradeValues('rate', {
  spray: value(2000, 'm2/h', 'model', 'Spraying', [200, 20_000]),
  strip: value(60, 'm2/h', 'model', 'Lifting off the old growth', [5, 1000]),
  kill: value(2000, 'm2/h', 'model', 'Killing off', [200, 20_000]),
  'kill-again': value(2000, 'm2/h', 'model', 'Killing regrowth', [200, 20_000]),
  'cut-first': value(1500, 'm2/h', 'model', 'Cutting down, first cut', [100, 20_000]),
  'cut-second': value(500, 'm2/h', 'model', 'Cutting down with collection', [50, 10_000]),
  scarify: value(500, 'm2/h', 'model', 'Scarifying, a pass', [50, 10_000]),
  core: value(800, 'm2/h', 'model', 'Coring, walk-behind, a pass', [50, 10_000]),
  dress: value(400, 'm2/h', 'model', 'Levelling and dragging in', [50, 5000]),
  sow: value(2500, 'm2/h', 'model', 'Sowing, a pass', [100, 20_000]),
  'work-in': value(400, 'm2/h', 'model', 'Working seed in', [50, 5000]),
  feed: value(2500, 'm2/h', 'model', 'Feeding, a pass', [100, 20_000]),
  cover: value(200, 'm2/h', 'model', 'Covering seed', [20, 5000]),
  'first-mow': value(700, 'm2/h', 'model', 'First mow', [50, 10_000]),
  'feed-later': value(2500, 'm2/h', 'model', 'Feeding after the first mow', [100, 20_000]),
  'dress-again': value(400, 'm2/h', 'model', 'Levelling the next lift', [50, 5000]),
} satisfies Partial<Record<StepKind, TradeValue>>)

/** Setting up and clearing away, whatever the area. */
export const setUpHours = tradeValues('set-up', {
  notice: value(0.25, 'h', 'model', 'Giving notice', [0, 4]),
  mark: value(0.75, 'h', 'model', 'Clearing and marking', [0, 4]),
  spray: value(0.5, 'h', 'model', 'Setting up to spray', [0, 4]),
  strip: value(0.5, 'h', 'model', 'Setting up to strip', [0, 4]),
  kill: value(0.5, 'h', 'model', 'Setting up to kill off', [0, 4]),
  'kill-again': value(0.5, 'h', 'model', 'Setting up to kill regrowth', [0, 4]),
  'cut-first': value(0.25, 'h', 'model', 'Setting up the first cut', [0, 4]),
  'cut-second': value(0.25, 'h', 'model', 'Setting up the second cut', [0, 4]),
  scarify: value(0.5, 'h', 'model', 'Setting up the scarifier', [0, 4]),
  dampen: value(0.25, 'h', 'model', 'Setting out water, evening before', [0, 4]),
  core: value(0.5, 'h', 'model', 'Setting up the corer', [0, 4]),
  dress: value(0.5, 'h', 'model', 'Setting up to dress', [0, 4]),
  sow: value(0.5, 'h', 'model', 'Setting up to sow', [0, 4]),
  'work-in': value(0.25, 'h', 'model', 'Setting up to work in', [0, 4]),
  feed: value(0.25, 'h', 'model', 'Setting up to feed', [0, 4]),
  cover: value(0.25, 'h', 'model', 'Setting up to cover', [0, 4]),
  water: value(0.75, 'h', 'model', 'Setting out the watering', [0, 4]),
  'first-mow': value(0.25, 'h', 'model', 'Setting up the first mow', [0, 4]),
  'feed-later': value(0.25, 'h', 'model', 'Setting up the later feed', [0, 4]),
  'dress-again': value(0.5, 'h', 'model', 'Setting up the next lift', [0, 4]),
  visit: value(0.75, 'h', 'model', 'A visit', [0, 4]),
} satisfies Record<StepKind, TradeValue>)

export const operationValues = tradeValues('operation', {
  shovel: value(0.6, 'm3/h', 'model', 'One person spreads dressing by shovel at', [0.1, 5]),
  sprayWait: treatmentWaits.broadleaf,
  uncut: value(3, 'd', 'practice', 'No mowing before a kill-off for', [1, 10]),
  dampenLeast: value(10, 'mm', 'practice', 'Dry soil is watered the evening before coring by', [5, 25]),
  dampenMost: value(15, 'mm', 'practice', 'and up to', [5, 40]),
  coreLeast: value(75, 'mm', 'practice', 'Cores are taken to', [25, 150]),
  coreMost: value(100, 'mm', 'practice', 'and down to', [25, 250]),
})

/** What an operation is for, with the firm's numbers in it. */
export function operationWhy(kind: StepKind, trace: Trace): Message {
  const v = trace.values(operationValues)
  return {
    template: OPERATIONS[kind].why,
    parts: {
      sprayWait: quantity(v.sprayWait, 'd'),
      uncut: quantity(v.uncut, 'd'),
      dampen: quantity({ low: v.dampenLeast, high: v.dampenMost }, 'mm'),
      coreDepth: quantity({ low: v.coreLeast, high: v.coreMost }, 'mm'),
    },
  }
}

/** Done after hours, on any day. */
export const EVENING_STEPS: ReadonlySet<StepKind> = new Set<StepKind>(['dampen', 'water', 'notice'])
