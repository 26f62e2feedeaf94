import { quantity, words, type Message } from '../trace/message.ts'
import { tradeValues, value, type TradeValue } from '../trace/rule.ts'
import type { Trace } from '../trace/trace.ts'
import { treatmentWaits } from './lagValues.ts'
import type { CautionId } from './cautions.ts'

/**
 * Every operation, in the order of work. Their ids stand in stored pins and diary entries, so none
 * is ever renamed.
 */
export const STEP_KINDS = [
  'notice',
  'mark',
  'recheck',
  'treat-pests',
  'leaf-off',
  'cast-brush',
  'clip-heads',
  'pre-emergence',
  'spray',
  'strip',
  'kill',
  'kill-again',
  'cut-first',
  'cut-second',
  'hand-weed',
  'dig-clumps',
  'dog-soil',
  'edge',
  'trench',
  'worn',
  'rake',
  'scarify',
  'clear',
  'spike',
  'wetting',
  'dampen',
  'core',
  'collect-cores',
  'loosen',
  'amend',
  'grade',
  'firm',
  'roughen',
  'dress',
  'sand-in',
  'lime',
  'plugs',
  'turf',
  'sow',
  'work-in',
  'seed-safe',
  'feed',
  'cover',
  'water',
  'uncover',
  'leaf-again',
  'first-mow',
  'mow-weekly',
  'feed-later',
  'dress-again',
  'visit',
] as const
export type StepKind = (typeof STEP_KINDS)[number]

/** The rungs of the ladder, by what they are for. */
export const RUNG_GROUPS: readonly { name: string; kinds: readonly StepKind[] }[] = [
  {
    name: 'before',
    kinds: ['notice', 'mark', 'recheck', 'treat-pests', 'leaf-off', 'cast-brush', 'clip-heads'],
  },
  {
    name: 'weeds and old growth',
    kinds: [
      'pre-emergence',
      'spray',
      'strip',
      'kill',
      'kill-again',
      'cut-first',
      'cut-second',
      'hand-weed',
      'dig-clumps',
    ],
  },
  { name: 'repairs', kinds: ['dog-soil', 'edge', 'trench', 'worn'] },
  {
    name: 'open',
    kinds: ['rake', 'scarify', 'clear', 'spike', 'wetting', 'dampen', 'core', 'collect-cores'],
  },
  {
    name: 'bed and surface',
    kinds: ['loosen', 'amend', 'grade', 'firm', 'roughen', 'dress', 'sand-in', 'lime'],
  },
  { name: 'sow', kinds: ['plugs', 'turf', 'sow', 'work-in', 'seed-safe', 'cover'] },
  {
    name: 'feed, water and mow',
    kinds: [
      'feed',
      'water',
      'uncover',
      'leaf-again',
      'first-mow',
      'mow-weekly',
      'feed-later',
      'dress-again',
      'visit',
    ],
  },
]

/**
 * What a zone's work is measured by: m², metres of edge, or nothing where an operation takes the
 * same whatever the size.
 */
export type MeasuredBy = 'area' | 'length' | 'nothing'

export interface Operation {
  name: Message
  /** Its name where nothing is sown. */
  unsown?: Message
  cautions: readonly CautionId[]
  /** What it is for; {name} is one of the operation values. */
  why: string
  /** Ground and weather it wants. */
  wants: Message
  by: MeasuredBy
  /** It opens the surface, so that seed touches soil. */
  opens?: true
  /** Ways to do it, the usual one first: each by its rate. */
  tools?: Readonly<Record<string, { name: string; rate: OperationRate }>>
  /** A person may set passes, a depth or a height for it. */
  sets?: readonly ('passes' | 'depth' | 'height' | 'tines' | 'rainFree')[]
}

/**
 * How one person gets on: m² an hour and pass, or metres an hour along an edge. Corrected by the
 * firm's own diary later.
 */
export const operationRates = tradeValues('rate', {
  spray: value(2000, 'm2/h', 'model', 'Spraying', [200, 20_000]),
  strip: value(60, 'm2/h', 'model', 'Lifting off the old growth', [5, 1000]),
  kill: value(2000, 'm2/h', 'model', 'Killing off', [200, 20_000]),
  'kill-again': value(2000, 'm2/h', 'model', 'Killing regrowth', [200, 20_000]),
  'pre-emergence': value(2500, 'm2/h', 'model', 'Putting down a pre-emergence', [200, 20_000]),
  'treat-pests': value(2000, 'm2/h', 'model', 'Treating pests', [200, 20_000]),
  'leaf-off': value(700, 'm2/h', 'model', 'Clearing leaf and needles', [50, 5000]),
  'leaf-again': value(700, 'm2/h', 'model', 'Clearing leaf again', [50, 5000]),
  'cast-brush': value(1500, 'm2/h', 'model', 'Brushing worm casts', [100, 10_000]),
  'clip-heads': value(1500, 'm2/h', 'model', 'Clipping and bagging seed heads', [50, 10_000]),
  'cut-first': value(1500, 'm2/h', 'model', 'Cutting down, first cut', [100, 20_000]),
  'cut-second': value(500, 'm2/h', 'model', 'Cutting down with collection', [50, 10_000]),
  'hand-weed': value(40, 'm2/h', 'model', 'Weeding by hand, ground under weeds', [5, 400]),
  'dig-clumps': value(
    10,
    'm2/h',
    'model',
    'Digging out clumps and refilling, ground under clumps',
    [1, 100],
  ),
  'dog-soil': value(6, 'm2/h', 'model', 'Flushing and changing soil of scorched rings', [1, 60]),
  edge: value(3, 'm/h', 'model', 'Setting an edge', [0.5, 60]),
  trench: value(3, 'm2/h', 'model', 'Filling a trench in layers', [0.5, 40]),
  worn: value(40, 'm2/h', 'model', 'Forking and opening a worn line', [5, 400]),
  rake: value(700, 'm2/h', 'model', 'Raking out, a pass', [50, 10_000]),
  scarify: value(500, 'm2/h', 'model', 'Scarifying, a pass', [50, 10_000]),
  handRake: value(60, 'm2/h', 'model', 'Raking out by hand, a pass', [10, 400]),
  clear: value(700, 'm2/h', 'model', 'Clearing, and a last cut with collection', [50, 10_000]),
  wetting: value(1500, 'm2/h', 'model', 'Drenching with a wetting agent', [100, 10_000]),
  spike: value(1500, 'm2/h', 'model', 'Spiking, a pass', [50, 10_000]),
  core: value(800, 'm2/h', 'model', 'Coring, walk-behind, a pass', [50, 10_000]),
  handCore: value(25, 'm2/h', 'model', 'Coring by hand, a pass', [5, 200]),
  'collect-cores': value(300, 'm2/h', 'model', 'Collecting cores', [30, 5000]),
  loosen: value(300, 'm2/h', 'model', 'Loosening the ground', [20, 5000]),
  amend: value(400, 'm2/h', 'model', 'Working an amendment in', [20, 5000]),
  grade: value(200, 'm2/h', 'model', 'Grading', [20, 5000]),
  firm: value(800, 'm2/h', 'model', 'Rolling, a pass', [50, 10_000]),
  roughen: value(250, 'm2/h', 'model', 'Raking the surface open', [10, 5000]),
  dress: value(400, 'm2/h', 'model', 'Levelling and dragging in', [50, 5000]),
  'sand-in': value(400, 'm2/h', 'model', 'Working sand into the holes', [50, 5000]),
  lime: value(2500, 'm2/h', 'model', 'Liming', [100, 20_000]),
  plugs: value(8, 'm2/h', 'model', 'Setting plugs or runners', [1, 100]),
  turf: value(20, 'm2/h', 'model', 'Laying turf', [2, 200]),
  sow: value(2500, 'm2/h', 'model', 'Sowing, a pass', [100, 20_000]),
  slit: value(700, 'm2/h', 'model', 'Slit seeding', [50, 10_000]),
  'work-in': value(400, 'm2/h', 'model', 'Working seed in', [50, 5000]),
  'seed-safe': value(
    2000,
    'm2/h',
    'model',
    'Putting down a herbicide that seed stands',
    [200, 20_000],
  ),
  feed: value(2500, 'm2/h', 'model', 'Feeding, a pass', [100, 20_000]),
  cover: value(200, 'm2/h', 'model', 'Covering seed', [20, 5000]),
  peatRoller: value(500, 'm2/h', 'model', 'Covering seed with a peat roller', [20, 5000]),
  uncover: value(1000, 'm2/h', 'model', 'Lifting a germination sheet', [100, 10_000]),
  'first-mow': value(700, 'm2/h', 'model', 'First mow', [50, 10_000]),
  'mow-weekly': value(700, 'm2/h', 'model', 'A light weekly mow', [50, 10_000]),
  'feed-later': value(2500, 'm2/h', 'model', 'Feeding after the first mow', [100, 20_000]),
  'dress-again': value(400, 'm2/h', 'model', 'Levelling the next lift', [50, 5000]),
} satisfies Record<string, TradeValue>)
export type OperationRate = keyof typeof operationRates

const moist = words('moist soil, never wet')
const dryTurf = words('turf dried a day or two')
const anyDay = words('any dry day')
const openSurface = words('an open surface, not crusted')

export const OPERATIONS: Record<StepKind, Operation> = {
  notice: {
    name: words('Give notice'),
    cautions: [],
    why: 'Those who use the lawn hear when it closes and for how long.',
    wants: 'nothing',
    by: 'nothing',
  },
  mark: {
    name: words('Clear and mark'),
    cautions: ['services'],
    why: 'Heads and shallow services are found before steel goes in.',
    wants: 'notice given',
    by: 'nothing',
  },
  recheck: {
    name: words('Water a square, look again'),
    cautions: [],
    why: 'Brown grass may only be asleep. Tufts that green after {recheck} are alive, and the ground is counted again.',
    wants: 'a watered square',
    by: 'nothing',
  },
  'treat-pests': {
    name: words('Deal with the pests'),
    cautions: ['pesticide'],
    why: 'Seedlings are the first they take. Look again after {pests} before anything is sown; a licensed hand and the label decide the cure.',
    wants: 'pests still active',
    by: 'area',
  },
  'leaf-off': {
    name: words('Clear leaf and needles'),
    cautions: [],
    why: 'Blades, tines and seed have to reach the ground.',
    wants: anyDay,
    by: 'area',
  },
  'cast-brush': {
    name: words('Brush worm casts'),
    cautions: [],
    why: 'Smeared casts make a skin that seedlings cannot break: let them dry and brush.',
    wants: 'casts dry, and the ground not wet',
    by: 'area',
  },
  'clip-heads': {
    name: words('Clip and bag seed heads'),
    cautions: ['mower'],
    why: 'Before they drop. Never skip {scarify} for fear of them: clear with suction after.',
    wants: anyDay,
    by: 'area',
  },
  'pre-emergence': {
    name: words('Put down a pre-emergence'),
    cautions: ['pesticide'],
    why: 'Stops annual grasses where nothing will be sown: half before cores are taken and half straight after, to renew the barrier; cutting down alone does not break it. It keeps seed out for months: the label decides.',
    wants: 'nothing sown here for {preEmergence}',
    by: 'area',
  },
  spray: {
    name: words('Spray broad-leaved weeds'),
    cautions: ['pesticide'],
    why: 'On uncut weeds, small and growing; they show it in days to weeks. Seed waits {sprayWait}, or what the label says.',
    wants: 'growing weeds, uncut for {uncut}',
    by: 'area',
    sets: ['rainFree'],
  },
  strip: {
    name: words('Lift off the old growth'),
    cautions: ['services', 'lifting'],
    why: 'The sward comes off with its roots, and the ground is graded.',
    wants: moist,
    by: 'area',
  },
  kill: {
    name: words('Kill off'),
    cautions: ['pesticide'],
    why: 'On uncut, growing leaf: no mowing for {uncut} before.',
    wants: 'growing leaf, uncut for {uncut}',
    by: 'area',
    sets: ['rainFree'],
  },
  'kill-again': {
    name: words('Kill regrowth'),
    cautions: ['pesticide'],
    why: 'What greens again is caught before it is buried.',
    wants: 'what regrows',
    by: 'area',
    sets: ['rainFree'],
  },
  'cut-first': {
    name: words('First cut down'),
    cautions: ['mower'],
    why: 'Down in steps: the first heavy cut is thrown aside.',
    wants: 'dry leaf',
    by: 'area',
    sets: ['height'],
  },
  'cut-second': {
    name: words('{Scalp}, collect'),
    cautions: ['mower'],
    why: 'Short growth lets air, seed and soil reach the ground. Stop at brown stalks, not at soil.',
    wants: 'dry leaf',
    by: 'area',
    sets: ['height'],
  },
  'hand-weed': {
    name: words('Weed by hand'),
    cautions: ['burns'],
    why: 'Digging takes the whole root and spreads no seed.',
    wants: 'soil moist enough to give up roots',
    by: 'area',
  },
  'dig-clumps': {
    name: words('Dig out coarse clumps, refill'),
    cautions: ['services'],
    why: 'Clumps cut down grow again: they come out with their roots, and the holes are filled to level and sown.',
    wants: moist,
    by: 'area',
  },
  'dog-soil': {
    name: words('Flush and change scorched soil'),
    cautions: [],
    why: 'Flush the rings, take the top soil off, bring clean soil to level. One trained corner is the cure.',
    wants: 'water at hand',
    by: 'area',
  },
  edge: {
    name: words('Set the edge'),
    cautions: ['services', 'edging'],
    why: 'Lift a bulged run, set a straight level line, set the edge to the line and bring the lawn up to it.',
    wants: moist,
    by: 'length',
  },
  trench: {
    name: words('Fill the trench'),
    cautions: ['lifting'],
    why: 'Over-full, firmed in layers, so that it settles to level.',
    wants: 'soil dry enough to firm',
    by: 'area',
  },
  worn: {
    name: words('Open the worn line'),
    cautions: [],
    why: 'Feet have closed it: fork and rake it open before grass that wears is sown. Stepping stones end it for good.',
    wants: moist,
    by: 'area',
    opens: true,
  },
  rake: {
    name: words('{Rake}'),
    cautions: ['tines'],
    why: 'Dead growth comes up and the surface is roughened.',
    wants: dryTurf,
    by: 'area',
    opens: true,
    tools: {
      machine: { name: 'spring-tine machine', rate: 'rake' },
      hand: { name: 'hand rake', rate: 'handRake' },
    },
    sets: ['passes'],
  },
  scarify: {
    name: words('{Scarify}'),
    cautions: ['tines'],
    why: 'Blades cut through the mat to soil. Edges first, one pass, clear, look: enough when the foot no longer sinks and soil just shows.',
    wants: dryTurf,
    by: 'area',
    opens: true,
    tools: {
      machine: { name: 'walk-behind blades', rate: 'scarify' },
      hand: { name: 'hand rake', rate: 'handRake' },
    },
    sets: ['passes', 'depth'],
  },
  clear: {
    name: words('Clear, last cut with collection'),
    cautions: ['mower'],
    why: 'What the blades lifted is carted off; a last mow with the box on tidies, and its box fills two or three times.',
    wants: 'dry debris',
    by: 'area',
  },
  wetting: {
    name: words('Wetting agent, slow water'),
    cautions: [],
    why: 'Soil that sheds water takes it again. What it does is its maker’s claim; slow water is what is sure.',
    wants: 'after spiking, water to follow',
    by: 'area',
  },
  spike: {
    name: words('Spike'),
    cautions: ['services'],
    why: 'Shallow solid tines, {spikeDepth} at most, let water in without drying the ground further.',
    wants: moist,
    by: 'area',
    sets: ['passes', 'depth'],
  },
  dampen: {
    name: words('Water, evening before'),
    cautions: ['trip'],
    why: '{dampen} the night before if dry; never wet.',
    wants: 'only if the soil is dry',
    by: 'nothing',
  },
  core: {
    name: words('{Core}'),
    cautions: ['services', 'tines'],
    why: 'Crossed passes, {coreDepth} deep, in moist soil, with fine weather to follow.',
    wants: moist,
    by: 'area',
    opens: true,
    tools: {
      machine: { name: 'walk-behind corer', rate: 'core' },
      hand: { name: 'hand corer', rate: 'handCore' },
    },
    sets: ['passes', 'depth', 'tines'],
  },
  'collect-cores': {
    name: words('Collect the cores'),
    cautions: ['lifting'],
    why: 'Clean holes take seed, sand and dressing.',
    wants: 'cores dry enough to lift',
    by: 'area',
  },
  loosen: {
    name: words('Loosen the ground'),
    cautions: ['services', 'tines'],
    why: 'Seed never goes on hard dirt or crust: the top is broken up. Hard clay is wetted first.',
    wants: 'moist, crumbling soil',
    by: 'area',
    opens: true,
    sets: ['passes', 'depth'],
  },
  amend: {
    name: words('Work an amendment in'),
    cautions: ['compost', 'dust'],
    why: 'Compost or what the laboratory asks for, mixed into the loosened top.',
    wants: 'loosened soil',
    by: 'area',
  },
  grade: {
    name: words('Grade'),
    cautions: ['lifting'],
    why: 'Falls set, lows filled, stones off.',
    wants: 'loose, dry soil',
    by: 'area',
  },
  firm: {
    name: words('Firm until it shows true'),
    cautions: [],
    why: 'A ballasted roller and a drag mat, several passes, until a string shows it true and a heel leaves no hole.',
    wants: 'dry soil',
    by: 'area',
    sets: ['passes'],
  },
  roughen: {
    name: words('Rake the surface open'),
    cautions: [],
    why: 'A firmed or crusted surface is scratched open, so that seed lies in soil and not on it.',
    wants: 'dry surface',
    by: 'area',
    opens: true,
  },
  dress: {
    name: words('{Topdress}, level'),
    cautions: ['lifting', 'dust'],
    why: 'From the far corner, worked in until tips show; look, and go round the same day with a second light one. Then water settles it.',
    wants: 'cores off or dragged in, dry leaf, growth',
    by: 'area',
    tools: {
      shovel: { name: 'shovel and barrow', rate: 'dress' },
      machine: { name: 'spreader', rate: 'dress' },
    },
    sets: ['depth'],
  },
  'sand-in': {
    name: words('Sand into the holes'),
    cautions: ['lifting', 'dust'],
    why: 'Dry sand, brushed until the holes are full and tips show. Sand commits to sand.',
    wants: 'cores off, dry sand, dry leaf',
    by: 'area',
  },
  lime: {
    name: words('Lime'),
    cautions: ['dust'],
    why: 'By the laboratory’s rate only.',
    wants: anyDay,
    by: 'area',
  },
  plugs: {
    name: words('Set plugs or runners'),
    cautions: [],
    why: 'Of the turf that grows there, inside each gap as well as from its edge: about twice as fast. Skip edging for a week to have runners.',
    wants: 'warm, moist soil in growth',
    by: 'area',
  },
  turf: {
    name: words('Lay turf'),
    cautions: ['lifting'],
    why: 'Tight joints, rolled, watered the same hour.',
    wants: 'firm, raked, moist soil',
    by: 'area',
  },
  sow: {
    name: words('Sow, crossed'),
    cautions: [],
    why: 'Two half-rate passes at right angles; in heat a lower setting and more passes, along mowing stripes. Never on crust: loosen first.',
    wants: openSurface,
    by: 'area',
    tools: {
      spreader: { name: 'spreader', rate: 'sow' },
      slit: { name: 'slit seeder', rate: 'slit' },
    },
  },
  'work-in': {
    name: words('Work in, firm'),
    cautions: [],
    why: 'Seed has to touch soil: a light blade pass, rake, mat, roller or feet. No deeper than two or three times the seed is thick.',
    wants: 'seed down',
    by: 'area',
  },
  'seed-safe': {
    name: words('Herbicide that seed stands'),
    cautions: ['pesticide'],
    why: 'Before or after the seed as labelled. Treated weeds may bleach white for weeks: tell the customer. Keep the herbicide off turf it is not labelled for.',
    wants: 'the label of the product, and every grass sown named on it',
    by: 'area',
    sets: ['rainFree'],
  },
  feed: {
    name: words('Starter feed'),
    unsown: words('Feed'),
    cautions: ['feed'],
    why: 'Half rate, crossed; in heat a lower setting and more passes, along mowing stripes. Granules want water.',
    wants: 'growth, and rain or water to follow',
    by: 'area',
  },
  cover: {
    name: words('Cover the seed'),
    cautions: ['compost'],
    why: 'Keeps the seed moist; holds a slope.',
    wants: 'seed worked in',
    by: 'area',
    tools: {
      hand: { name: 'by hand', rate: 'cover' },
      roller: { name: 'peat roller', rate: 'peatRoller' },
    },
  },
  water: {
    name: words('Watering begins'),
    unsown: words('Water in'),
    cautions: ['trip'],
    why: 'Within 2 hours of sowing, before anyone drives off.',
    wants: 'the same day',
    by: 'nothing',
  },
  uncover: {
    name: words('Lift the germination sheet'),
    cautions: ['trip'],
    why: 'Looked under every day: it is hot below, and seedlings damp off or burn. It comes off {sheet} on, or as soon as the grass stands; cut soon after.',
    wants: 'grass up, a cool hour',
    by: 'area',
  },
  'leaf-again': {
    name: words('Clear leaf again'),
    cautions: [],
    why: 'Leaf smothers seedlings in days: collect it before each mow.',
    wants: anyDay,
    by: 'area',
  },
  'first-mow': {
    name: words('First mow'),
    cautions: ['mower'],
    why: 'Dry ground, sharp blade, no tight turns; seedlings must not pull out.',
    wants: 'dry ground, and the height',
    by: 'area',
  },
  'mow-weekly': {
    name: words('Mow, lightly'),
    cautions: ['mower'],
    why: 'The sward that stands is kept from shading the seedlings: every week, a light cut on dry ground, with the watering left off for the day before.',
    wants: 'dry ground: no water the day before',
    by: 'area',
  },
  'feed-later': {
    name: words('Starter feed, after mowing'),
    cautions: ['feed'],
    why: 'Held until the seedlings have been mown once.',
    wants: 'mown once',
    by: 'area',
  },
  'dress-again': {
    name: words('{Topdress} again'),
    cautions: ['lifting', 'dust'],
    why: 'The next thin lift, in growth, once the tips stand clear; none on seedlings before they are mown twice.',
    wants: 'tips standing clear, in growth',
    by: 'area',
  },
  visit: {
    name: words('One-month visit'),
    cautions: [],
    why: 'Look, count, reseed thin places while the season lasts, lift temporary water lines, photograph, hand over.',
    wants: 'a month on',
    by: 'nothing',
  },
}

/** Setting up and clearing away, whatever the area. */
export const setUpHours = tradeValues('set-up', {
  notice: value(0.25, 'h', 'model', 'Giving notice', [0, 4]),
  mark: value(0.75, 'h', 'model', 'Clearing and marking', [0, 4]),
  recheck: value(0.25, 'h', 'model', 'Watering a square and looking again', [0, 4]),
  'treat-pests': value(0.5, 'h', 'model', 'Setting up to treat pests', [0, 4]),
  'leaf-off': value(0.25, 'h', 'model', 'Setting up to clear leaf', [0, 4]),
  'leaf-again': value(0.25, 'h', 'model', 'Setting up to clear leaf again', [0, 4]),
  'cast-brush': value(0.25, 'h', 'model', 'Setting up to brush casts', [0, 4]),
  'clip-heads': value(0.25, 'h', 'model', 'Setting up to clip seed heads', [0, 4]),
  'pre-emergence': value(0.5, 'h', 'model', 'Setting up for a pre-emergence', [0, 4]),
  spray: value(0.5, 'h', 'model', 'Setting up to spray', [0, 4]),
  strip: value(0.5, 'h', 'model', 'Setting up to strip', [0, 4]),
  kill: value(0.5, 'h', 'model', 'Setting up to kill off', [0, 4]),
  'kill-again': value(0.5, 'h', 'model', 'Setting up to kill regrowth', [0, 4]),
  'cut-first': value(0.25, 'h', 'model', 'Setting up the first cut', [0, 4]),
  'cut-second': value(0.25, 'h', 'model', 'Setting up the second cut', [0, 4]),
  'hand-weed': value(0.1, 'h', 'model', 'Setting up to weed', [0, 4]),
  'dig-clumps': value(0.25, 'h', 'model', 'Setting up to dig clumps', [0, 4]),
  'dog-soil': value(0.25, 'h', 'model', 'Setting up to change soil', [0, 4]),
  edge: value(0.5, 'h', 'model', 'Setting out an edge', [0, 4]),
  trench: value(0.5, 'h', 'model', 'Setting up to fill a trench', [0, 4]),
  worn: value(0.25, 'h', 'model', 'Setting up on a worn line', [0, 4]),
  rake: value(0.25, 'h', 'model', 'Setting up to rake out', [0, 4]),
  scarify: value(0.5, 'h', 'model', 'Setting up the scarifier', [0, 4]),
  clear: value(0.25, 'h', 'model', 'Setting up to clear', [0, 4]),
  wetting: value(0.5, 'h', 'model', 'Setting up to drench', [0, 4]),
  spike: value(0.25, 'h', 'model', 'Setting up to spike', [0, 4]),
  dampen: value(0.25, 'h', 'model', 'Setting out water, evening before', [0, 4]),
  core: value(0.5, 'h', 'model', 'Setting up the corer', [0, 4]),
  'collect-cores': value(0.25, 'h', 'model', 'Setting up to collect cores', [0, 4]),
  loosen: value(0.5, 'h', 'model', 'Setting up to loosen', [0, 4]),
  amend: value(0.5, 'h', 'model', 'Setting up to amend', [0, 4]),
  grade: value(0.5, 'h', 'model', 'Setting up to grade', [0, 4]),
  firm: value(0.25, 'h', 'model', 'Setting up to roll', [0, 4]),
  roughen: value(0.1, 'h', 'model', 'Setting up to rake open', [0, 4]),
  dress: value(0.5, 'h', 'model', 'Setting up to dress', [0, 4]),
  'sand-in': value(0.5, 'h', 'model', 'Setting up to sand', [0, 4]),
  lime: value(0.25, 'h', 'model', 'Setting up to lime', [0, 4]),
  plugs: value(0.5, 'h', 'model', 'Setting up to plug', [0, 4]),
  turf: value(0.5, 'h', 'model', 'Setting up to turf', [0, 4]),
  sow: value(0.5, 'h', 'model', 'Setting up to sow', [0, 4]),
  'work-in': value(0.25, 'h', 'model', 'Setting up to work in', [0, 4]),
  'seed-safe': value(0.5, 'h', 'model', 'Setting up for a herbicide that seed stands', [0, 4]),
  feed: value(0.25, 'h', 'model', 'Setting up to feed', [0, 4]),
  cover: value(0.25, 'h', 'model', 'Setting up to cover', [0, 4]),
  water: value(0.75, 'h', 'model', 'Setting out the watering', [0, 4]),
  uncover: value(0.25, 'h', 'model', 'Setting up to lift a sheet', [0, 4]),
  'first-mow': value(0.25, 'h', 'model', 'Setting up the first mow', [0, 4]),
  'mow-weekly': value(0.25, 'h', 'model', 'Setting up a light mow', [0, 4]),
  'feed-later': value(0.25, 'h', 'model', 'Setting up the later feed', [0, 4]),
  'dress-again': value(0.5, 'h', 'model', 'Setting up the next lift', [0, 4]),
  visit: value(0.75, 'h', 'model', 'A visit', [0, 4]),
} satisfies Record<StepKind, TradeValue>)

export const operationValues = tradeValues('operation', {
  shovel: value(0.6, 'm3/h', 'model', 'One person spreads dressing by shovel at', [0.1, 5]),
  machine: value(6, 'm3/h', 'model', 'and with a machine at', [1, 30]),
  sprayWait: treatmentWaits.broadleaf,
  preEmergence: treatmentWaits['pre-emergence'],
  uncut: value(3, 'd', 'practice', 'No mowing before a kill-off for', [1, 10]),
  recheck: value(10, 'd', 'practice', 'Brown grass is watered and looked at again after', [5, 21]),
  afterFlight: value(
    14,
    'd',
    'practice',
    'Larvae are treated after the flight of moths was at its peak by',
    [5, 30],
  ),
  pests: value(14, 'd', 'practice', 'Pests are looked for again after treating in', [5, 42]),
  dampenLeast: value(
    10,
    'rain',
    'practice',
    'Dry soil is watered the evening before coring by',
    [5, 25],
  ),
  dampenMost: value(15, 'rain', 'practice', 'and up to', [5, 40]),
  coreLeast: value(75, 'mm', 'practice', 'Cores are taken to', [25, 150]),
  coreMost: value(100, 'mm', 'practice', 'and down to', [25, 250]),
  sheet: value(10, 'd', 'practice', 'A germination sheet is lifted after', [5, 21]),
  spikeDepth: value(
    50,
    'mm',
    'practice',
    'Soil that sheds water is spiked no deeper than',
    [20, 100],
  ),
})

/**
 * How long the ground looks bad after what is done to it, days: the longest of its operations
 * counts.
 */
export const looksBadValues = tradeValues('looks-bad', {
  scarifyYearly: value(14, 'd', 'practice', 'A lawn scarified every year looks bad for', [3, 60]),
  scarifyNeglected: value(
    42,
    'd',
    'practice',
    'A neglected lawn, scarified, looks bad for',
    [14, 120],
  ),
  cored: value(18, 'd', 'practice', 'Cored turf looks bad for; 2 to 3 weeks', [3, 60]),
  dressed: value(14, 'd', 'model', 'A thin dressing shows for', [3, 60]),
  scalped: value(
    18,
    'd',
    'practice',
    'Warm turf cut to its stalks in spring greens up in',
    [7, 45],
  ),
  killed: value(70, 'd', 'model', 'Killed off and sown anew, it looks bad for', [0, 250]),
  raked: value(7, 'd', 'model', 'Raked-out turf looks bad for', [1, 30]),
})

const wordsOf = (template: string, trace: Trace): Message => {
  const v = trace.values(operationValues)
  return {
    template,
    parts: {
      sprayWait: quantity(v.sprayWait, 'd'),
      preEmergence: quantity(v.preEmergence, 'd'),
      uncut: quantity(v.uncut, 'd'),
      recheck: quantity(v.recheck, 'd'),
      pests: quantity(v.pests, 'd'),
      sheet: quantity(v.sheet, 'd'),
      spikeDepth: quantity(v.spikeDepth, 'mm'),
      dampen: quantity({ low: v.dampenLeast, high: v.dampenMost }, 'rain'),
      coreDepth: quantity({ low: v.coreLeast, high: v.coreMost }, 'mm'),
    },
  }
}

/** What an operation is for, with the firm's numbers in it. */
export const operationWhy = (kind: StepKind, trace: Trace): Message =>
  wordsOf(OPERATIONS[kind].why, trace)

/** The ground and weather an operation wants, with the firm's numbers in it. */
export const operationWants = (kind: StepKind, trace: Trace): Message => {
  const { wants } = OPERATIONS[kind]
  return typeof wants === 'string' ? wordsOf(wants, trace) : wants
}

/** The name of an operation where something is sown, or where nothing is. */
export const operationName = (kind: StepKind, sown: boolean): Message =>
  sown ? OPERATIONS[kind].name : (OPERATIONS[kind].unsown ?? OPERATIONS[kind].name)

/** Done after hours, on any day. */
export const EVENING_STEPS: ReadonlySet<StepKind> = new Set<StepKind>(['dampen', 'water', 'notice'])

/** Place of an operation in the order of work. */
export const orderOf = (kind: StepKind): number => PLACES[kind]
const PLACES = Object.fromEntries(STEP_KINDS.map((kind, i) => [kind, i])) as Record<
  StepKind,
  number
>
