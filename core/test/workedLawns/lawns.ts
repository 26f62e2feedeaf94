import type { FirmDraft } from '../../src/entities/firm.ts'
import type { JobDraft, ZoneDraft } from '../../src/entities/job.ts'
import type { StepKind } from '../../src/reference/operations.ts'
import type { Sowing } from '../../src/reference/lists.ts'

/**
 * One made-up lawn: what is read, and what a foreman would do about it. Common practice throughout.
 */
export interface WorkedLawn {
  name: string
  /** Why the foreman says so. */
  because: string
  today: string
  zone: Partial<ZoneDraft>
  job?: Partial<JobDraft>
  firm?: FirmDraft
  sowing: Sowing
  /** Steps that have to be there, and those that must never be. */
  wanted: StepKind[]
  never: StepKind[]
  /** Steps of which each comes on no later day than the next. */
  order?: StepKind[]
  /** Words that stand, or may not stand, in what the customer and crew read. */
  says?: RegExp
  neverSays?: RegExp
  /** The month, 1 to 12, in which the work has to lie. */
  months?: number[]
}

const NORTH = { latitude: 47, longitude: -90, frost: '14 Oct' }
const SOUTH = { latitude: -44.2, longitude: 170.1, frost: '25 Apr' }
const WARM = { latitude: 33, longitude: -84, frost: '10 Nov' }
const HOT = { latitude: 28, longitude: -82, frost: '15 Dec' }
const cover = (wanted: number, weeds = 0, moss = 0): Pick<ZoneDraft, 'cover'> => ({
  cover: { wanted, weeds, moss, bare: 100 - wanted - weeds - moss },
})
/** A lawn with nothing the matter. */
const sound: Partial<ZoneDraft> = {
  ...cover(94, 4, 1),
  thatch: 8,
  penetration: 'easy',
  soilMoist: true,
  sunHours: 7,
  heightOfCut: 45,
  mower: 'rotary',
  texture: 'loam',
  present: ['perennial-ryegrass'],
}
const SEED: StepKind[] = ['sow', 'work-in', 'cover']

export const LAWNS: WorkedLawn[] = [
  {
    name: 'a bare bank five days before killing frost',
    because: 'It crusts and washes if it lies open: a quick cover goes on at once, the proper grass follows in its season.',
    today: '2026-10-20', job: { site: { latitude: 45, frost: '25 Oct' } },
    zone: { ...sound, ...cover(3, 7), slope: '1 in 5', present: [] },
    sowing: 'cover-then-sow', wanted: ['sow', 'cover'], never: ['core', 'kill'],
  },
  {
    name: 'the same bank in August',
    because: 'There is time to sow it properly.',
    today: '2026-08-15', job: { site: { latitude: 45, frost: '25 Oct' } },
    zone: { ...sound, ...cover(3, 7), slope: '1 in 5', present: [] },
    sowing: 'new', wanted: ['sow', 'cover'], never: ['core'], months: [8, 9, 10],
  },
  {
    name: 'the bank late, where the firm sows dormant',
    because: 'The school sows on; nothing is held over.',
    today: '2026-10-20', job: { site: { latitude: 45, frost: '25 Oct' }, schools: { late: 'dormant' } },
    zone: { ...sound, ...cover(3, 7), slope: '1 in 5', present: [] },
    sowing: 'new', wanted: ['sow'], never: [],
  },
  {
    name: 'weeds in a thin rye lawn, by the school that is safe at seeding',
    because: 'What seed stands goes down with it on the day; weeds bleach, and the customer is told.',
    today: '2026-08-20', job: { site: NORTH, schools: { weeds: 'safe-at-seeding' } },
    zone: { ...sound, ...cover(60, 30), mix: [{ grass: 'perennial-ryegrass', share: 100 }] },
    sowing: 'over', wanted: ['sow', 'seed-safe', 'water'], never: ['spray', 'kill'], order: ['sow', 'seed-safe'], says: /bleach white/,
  },
  {
    name: 'the same with bent in the lawn',
    because: 'Bents do not stand it.',
    today: '2026-08-20', job: { site: NORTH, schools: { weeds: 'safe-at-seeding' } },
    zone: { ...sound, ...cover(60, 30), present: ['browntop', 'creeping-red-fescue'], heightOfCut: 15 },
    sowing: 'over', wanted: ['sow'], never: ['seed-safe', 'spray'],
  },
  {
    name: 'a couch lawn to be levelled in early summer, a few gaps in it',
    because: 'Couch runs into small gaps by itself: level it in growth, in thin lifts, and sow nothing.',
    today: '2026-11-10', job: { site: { latitude: -27.5, longitude: 153, frost: '20 Jun' }, aims: ['level'] },
    zone: { ...sound, cover: { wanted: 92, weeds: 5, moss: 0, bare: 3 }, present: ['bermudagrass'], heightOfCut: 20, mower: 'reel', lowsDepth: 15, lowsShare: 25, thatch: 10 },
    sowing: 'none', wanted: ['dress', 'dress-again', 'water'], never: [...SEED, 'scarify', 'plugs'], months: [11, 12],
  },
  {
    name: 'kikuyu on a deep mat, late spring',
    because: 'Down hard, two passes of the blades, cleared and fed: it closes over by itself.',
    today: '2026-10-20', job: { site: { latitude: -27.5, longitude: 153, frost: '20 Jun' } },
    zone: { ...sound, cover: { wanted: 92, weeds: 5, moss: 0, bare: 3 }, present: ['kikuyu'], heightOfCut: 40, thatch: 35 },
    sowing: 'none', wanted: ['cut-first', 'cut-second', 'scarify', 'clear', 'feed'], never: SEED, order: ['cut-first', 'cut-second', 'scarify'],
  },
  {
    name: 'a full lawn on a mat, north',
    because: 'There is no room for seed: the mat comes out, and it closes in a fortnight.',
    today: '2026-08-25', job: { site: NORTH }, zone: { ...sound, thatch: 18 },
    sowing: 'none', wanted: ['scarify', 'clear', 'feed', 'water'], never: SEED, order: ['scarify', 'clear', 'feed'], neverSays: /starter|with the seed|sowing/i,
  },
  {
    name: 'the same in the south',
    because: 'February is its August.',
    today: '2027-02-22', job: { site: SOUTH }, zone: { ...sound, thatch: 18 },
    sowing: 'none', wanted: ['scarify', 'clear', 'feed'], never: SEED, months: [2, 3],
  },
  {
    name: 'a full lawn on a deep mat, looked at in winter',
    because: 'Nothing is torn open that cannot grow: it waits for spring growth.',
    today: '2026-12-10', job: { site: NORTH }, zone: { ...sound, thatch: 30 },
    sowing: 'none', wanted: ['scarify', 'clear'], never: SEED, months: [4, 5, 6],
  },
  {
    name: 'a packed sports lawn, full cover',
    because: 'Cores alone: the evening before it is watered, and no seed is lost in it.',
    today: '2026-09-01', job: { site: NORTH, aims: ['hard-wear'] }, zone: { ...sound, penetration: 'stops', wear: 'high' },
    sowing: 'none', wanted: ['mark', 'dampen', 'core', 'feed'], never: [...SEED, 'cut-second'], order: ['dampen', 'core', 'feed'],
  },
  {
    name: 'a putting green too rich at the top',
    because: 'Cores out and carried off, dry sand in.',
    today: '2026-08-25', job: { site: NORTH }, zone: { ...sound, texture: 'sand', heightOfCut: 5, mower: 'reel', present: ['browntop'], lab: { organic: 5 } },
    sowing: 'none', wanted: ['core', 'collect-cores', 'sand-in'], never: [...SEED, 'cut-first', 'cut-second'], order: ['core', 'collect-cores', 'sand-in'],
  },
  {
    name: 'sandy home lawn with the same organic matter',
    because: 'The two per cent is a line for greens; a home lawn lives well with more.',
    today: '2026-08-25', job: { site: NORTH }, zone: { ...sound, texture: 'sand', lab: { organic: 5 } },
    sowing: 'none', wanted: ['feed'], never: [...SEED, 'core', 'sand-in'],
  },
  {
    name: 'a sound lawn that is bumpy under a reel',
    because: 'Level it, and nothing else: no cut-down is forced on it.',
    today: '2026-08-25', job: { site: NORTH, aims: ['level'] }, zone: { ...sound, mower: 'reel', heightOfCut: 18, lowsDepth: 10, lowsShare: 30 },
    sowing: 'none', wanted: ['dress', 'dress-again', 'water'], never: [...SEED, 'cut-first', 'cut-second', 'scarify'],
  },
  {
    name: 'the same by the school that buries and reseeds',
    because: 'The fill kills what it buries, so the fill is sown, and only the fill.',
    today: '2026-08-25', job: { site: NORTH, schools: { dressing: 'bury-reseed' } }, zone: { ...sound, mower: 'reel', heightOfCut: 18, lowsDepth: 30, lowsShare: 20 },
    sowing: 'spots', wanted: ['dress', 'sow', 'water'], never: ['dress-again', 'cut-second'], order: ['dress', 'sow'],
  },
  {
    name: 'a dry bank of soil that sheds water',
    because: 'Shallow spikes, a wetting agent and slow water; cores would dry it further.',
    today: '2026-08-25', job: { site: NORTH }, zone: { ...sound, damp: 'dry', dropSeconds: 200, penetration: 'stops' },
    sowing: 'none', wanted: ['spike', 'wetting', 'feed'], never: [...SEED, 'core'], order: ['spike', 'wetting'],
  },
  {
    name: 'dormant bermuda in winter',
    because: 'Cut hard once the last frost is past; fed when it greens.',
    today: '2027-01-20', job: { site: WARM }, zone: { ...sound, present: ['bermudagrass'], heightOfCut: 40, browned: 'dormant' },
    sowing: 'none', wanted: ['cut-first', 'cut-second', 'feed'], never: [...SEED, 'recheck'], order: ['cut-first', 'cut-second', 'feed'], months: [3, 4, 5],
  },
  {
    name: 'St Augustine with a mat and gaps',
    because: 'Nothing below ground would bring it back: no blades, no scalp; runners into the gaps.',
    today: '2027-05-10', job: { site: HOT }, zone: { ...sound, ...cover(75, 10), present: ['st-augustine'], thatch: 22, heightOfCut: 80 },
    sowing: 'plugs', wanted: ['rake', 'plugs', 'water'], never: ['scarify', 'cut-second', 'sow', 'kill'],
  },
  {
    name: 'buffalograss with a mat',
    because: 'Its runners lie on top as well.',
    today: '2027-06-10', job: { site: WARM }, zone: { ...sound, present: ['buffalograss'], thatch: 20, heightOfCut: 70 },
    sowing: 'none', wanted: ['rake'], never: ['scarify', 'cut-second', 'sow'],
  },
  {
    name: 'under conifers, full enough',
    because: 'Needles off, fed lightly; nothing grows from seed in that.',
    today: '2026-09-05', job: { site: NORTH }, zone: { ...sound, ...cover(86, 6, 7), sunHours: 3.2, litter: 'needles', present: ['creeping-red-fescue'] },
    sowing: 'none', wanted: ['leaf-off'], never: [...SEED, 'kill'],
  },
  {
    name: 'deep under conifers',
    because: 'Grass is the wrong plant there: no money goes into it.',
    today: '2026-09-05', job: { site: NORTH }, zone: { ...sound, ...cover(20, 10, 30), sunHours: 1.2, thatch: 20, penetration: 'stops', litter: 'needles' },
    sowing: 'none', wanted: ['leaf-off'], never: [...SEED, 'core', 'scarify', 'feed', 'kill'],
  },
  {
    name: 'thin rye on a mat, packed',
    because: 'Down, blades, cores, seed onto open ground, water the same day.',
    today: '2026-08-20', job: { site: NORTH }, zone: { ...sound, ...cover(60, 20, 5), thatch: 16, penetration: 'stops' },
    sowing: 'over', wanted: ['notice', 'mark', 'cut-first', 'cut-second', 'scarify', 'clear', 'dampen', 'core', 'sow', 'work-in', 'feed', 'water', 'first-mow', 'mow-weekly', 'visit'], never: ['kill', 'loosen'], order: ['cut-first', 'cut-second', 'scarify', 'core', 'sow', 'first-mow'],
  },
  {
    name: 'thin rye on fine ground',
    because: 'Thatch is fine, but seed on a closed sward is seed for birds: it is opened.',
    today: '2026-08-20', job: { site: NORTH }, zone: { ...sound, ...cover(65, 15), thatch: 6 },
    sowing: 'over', wanted: ['scarify', 'sow', 'water'], never: ['core', 'kill'], order: ['scarify', 'sow'],
  },
  {
    name: 'cores first',
    because: 'The cores are raked through with the mat.',
    today: '2026-08-20', job: { site: NORTH, schools: { order: 'core-first', cores: 'collect' } }, zone: { ...sound, ...cover(60, 20, 5), thatch: 16, penetration: 'stops' },
    sowing: 'over', wanted: ['core', 'collect-cores', 'scarify', 'sow'], never: ['kill'], order: ['core', 'scarify', 'sow'],
  },
  {
    name: 'bare new ground, hard',
    because: 'Never onto hard dirt: loosen, grade, firm, scratch open, sow, cover.',
    today: '2026-08-20', job: { site: NORTH }, zone: { ...sound, ...cover(2, 3), thatch: null, penetration: 'stops', present: [] },
    sowing: 'new', wanted: ['mark', 'loosen', 'grade', 'firm', 'roughen', 'sow', 'work-in', 'cover', 'water'], never: ['cut-first', 'scarify', 'core', 'mow-weekly'], order: ['loosen', 'grade', 'firm', 'roughen', 'sow', 'water'],
  },
  {
    name: 'hardly any grass among weeds and mat',
    because: 'What grows is cut and torn down to soil, then it is a new bed.',
    today: '2026-08-20', job: { site: NORTH }, zone: { ...sound, ...cover(12, 60, 8), thatch: 20 },
    sowing: 'new', wanted: ['cut-second', 'scarify', 'clear', 'loosen', 'grade', 'firm', 'sow'], never: ['kill', 'core'], order: ['cut-second', 'scarify', 'loosen', 'sow'],
  },
  {
    name: 'couch through everything',
    because: 'Nothing less than two kills ends it; a week from the last to any cut.',
    today: '2026-07-01', job: { site: NORTH }, zone: { ...sound, ...cover(40, 50), incurable: 60 },
    sowing: 'new', wanted: ['kill', 'kill-again', 'cut-first', 'scarify', 'loosen', 'grade', 'firm', 'sow'], never: ['core', 'hand-weed'], order: ['kill', 'kill-again', 'cut-first', 'scarify', 'loosen', 'sow'],
  },
  {
    name: 'couch, and no chemicals',
    because: 'It comes off with its roots instead.',
    today: '2026-08-10', job: { site: NORTH, aims: ['no-chemicals'] }, zone: { ...sound, ...cover(40, 50), incurable: 60 },
    sowing: 'new', wanted: ['strip', 'loosen', 'grade', 'firm', 'sow'], never: ['kill', 'kill-again', 'spray', 'cut-first', 'scarify'], order: ['strip', 'loosen', 'sow'],
  },
  {
    name: 'couch in clumps only',
    because: 'A tenth is dug out, refilled and sown; the rest of a good lawn stands.',
    today: '2026-08-20', job: { site: NORTH }, zone: { ...sound, ...cover(88, 10), incurable: 8 },
    sowing: 'spots', wanted: ['dig-clumps', 'sow'], never: ['kill', 'strip'],
  },
  {
    name: 'two bare patches in a good lawn',
    because: 'Mend the patches; the lawn is left alone.',
    today: '2026-08-25', job: { site: NORTH, aims: ['mend-patch'] }, zone: { ...sound, ...cover(90, 4), penetration: 'easy' },
    sowing: 'spots', wanted: ['roughen', 'sow', 'work-in', 'cover', 'water'], never: ['cut-second', 'scarify', 'kill'], order: ['roughen', 'sow'],
  },
  {
    name: 'dogs, rings scorched',
    because: 'Flush, fresh soil, then seed; it scorches again without a corner.',
    today: '2026-08-25', job: { site: NORTH }, zone: { ...sound, ...cover(86, 4), dogs: true, diseases: [{ kind: 'dog-rings', active: true }] },
    sowing: 'spots', wanted: ['dog-soil', 'roughen', 'sow'], never: ['kill'], order: ['dog-soil', 'sow'],
  },
  {
    name: 'edges pushed out',
    because: 'The edge is set to a line and the lawn brought up to it.',
    today: '2026-08-25', job: { site: NORTH }, zone: { ...sound, edges: 'bulged' },
    sowing: 'none', wanted: ['edge', 'mark'], never: SEED,
  },
  {
    name: 'worm casts and seed heads',
    because: 'Brush the casts when dry, bag the heads, and never skip the blades for fear of meadow-grass.',
    today: '2026-08-25', job: { site: NORTH }, zone: { ...sound, thatch: 16, seedHeads: true, weedsSeen: ['annual-meadow-grass'], pests: [{ kind: 'worms', active: true }] },
    sowing: 'none', wanted: ['cast-brush', 'clip-heads', 'scarify'], never: SEED, order: ['clip-heads', 'scarify'],
  },
  {
    name: 'live grubs under a thin lawn',
    because: 'Never sow into live pests: deal with them, look again in two weeks.',
    today: '2026-08-10', job: { site: NORTH }, zone: { ...sound, ...cover(60, 15), pests: [{ kind: 'grubs', active: true }] },
    sowing: 'over', wanted: ['treat-pests', 'scarify', 'sow'], never: ['kill'], order: ['treat-pests', 'sow'], says: /live pests/,
  },
  {
    name: 'dandelions in a good lawn',
    because: 'A fork takes the root whole.',
    today: '2026-08-25', job: { site: NORTH, aims: ['weed-free'] }, zone: { ...sound, ...cover(88, 10), weedsSeen: ['dandelion'] },
    sowing: 'none', wanted: ['hand-weed'], never: [...SEED, 'spray'],
  },
  {
    name: 'broad-leaved weeds, by the school that sprays',
    because: 'Sprayed uncut and growing; four weeks before any seed.',
    today: '2026-07-20', job: { site: NORTH, schools: { weeds: 'spray-then-sow' } }, zone: { ...sound, ...cover(60, 30) },
    sowing: 'over', wanted: ['spray', 'cut-first', 'sow'], never: ['kill'], order: ['spray', 'cut-first', 'sow'],
  },
  {
    name: 'a bank of 1 in 5, bare in autumn',
    because: 'The grade is the asset: raked open only, pinned blanket, no corer.',
    today: '2027-02-22', job: { site: SOUTH }, zone: { ...sound, ...cover(4, 4), slope: '1 in 5', penetration: 'stops', thatch: null },
    sowing: 'new', wanted: ['roughen', 'sow', 'cover', 'water'], never: ['core', 'loosen', 'scarify'], says: /blanket/,
  },
  {
    name: 'the same after the last day to sow',
    because: 'A quick cover holds it through winter; the proper grass goes in when its season comes, in the same job.',
    today: '2027-04-05', job: { site: SOUTH }, zone: { ...sound, ...cover(4, 4), slope: '1 in 5', approach: 'hold-over', thatch: null },
    sowing: 'cover-then-sow', wanted: ['roughen', 'sow', 'cover', 'water'], never: ['core', 'loosen'],
  },
  {
    name: 'a bank of 1 in 4 with a mat',
    because: 'No machine stands on it: the mat is raked out by hand.',
    today: '2026-08-25', job: { site: NORTH }, zone: { ...sound, slope: '1 in 4', thatch: 18 },
    sowing: 'none', wanted: ['rake'], never: ['scarify', 'core', ...SEED],
  },
  {
    name: 'a mossy, shaded strip',
    because: 'Moss comes out with the blades and leaves ground to sow.',
    today: '2026-08-20', job: { site: NORTH }, zone: { ...sound, ...cover(55, 5, 35), sunHours: 3.5, thatch: 10, present: ['creeping-red-fescue'] },
    sowing: 'over', wanted: ['scarify', 'sow'], never: ['kill'], order: ['scarify', 'sow'],
  },
  {
    name: 'brown and unsure in a hot summer',
    because: 'Water a square and wait ten days before anything is started over.',
    today: '2026-07-15', job: { site: NORTH }, zone: { ...sound, ...cover(20, 20), browned: 'unsure' },
    sowing: 'new', wanted: ['recheck', 'sow'], never: ['kill'], order: ['recheck', 'sow'],
  },
  {
    name: 'winter green over bermuda',
    because: 'Rye into scalped turf in autumn, chosen on purpose; its season is the rye’s, not the bermuda’s.',
    today: '2026-09-15', job: { site: WARM }, zone: { ...sound, present: ['bermudagrass'], approach: 'winter-green' },
    sowing: 'winter-green', wanted: ['cut-first', 'rake', 'sow', 'water'], never: ['kill', 'scarify'], order: ['cut-first', 'rake', 'sow'], months: [9, 10, 11],
  },
  {
    name: 'turf for a date',
    because: 'The old sward comes off, the bed is set, turf is laid and watered the same hour.',
    today: '2026-08-25', job: { site: NORTH }, zone: { ...sound, ...cover(10, 60), approach: 'returf' },
    sowing: 'turf', wanted: ['strip', 'loosen', 'grade', 'firm', 'turf', 'water'], never: ['sow', 'kill', 'core'], order: ['strip', 'loosen', 'grade', 'firm', 'turf'],
  },
  {
    name: 'signs of packed soil where nobody pushed a blade in',
    because: 'Wheel marks and spots that never fill say what the screwdriver would: cores.',
    today: '2026-08-25', job: { site: NORTH }, zone: { ...sound, penetration: null, packedSigns: ['wheels', 'never-fills'] },
    sowing: 'none', wanted: ['core'], never: SEED,
  },
  {
    name: 'the same signs, and the blade went in easily',
    because: 'The soil was pushed, moist, and let the blade in: the cause is another.',
    today: '2026-08-25', job: { site: NORTH }, zone: { ...sound, packedSigns: ['never-fills'] },
    sowing: 'none', wanted: [], never: ['core', ...SEED],
  },
  {
    name: 'a buried layer',
    because: 'Water and roots stop at it: cores pierce it.',
    today: '2026-08-25', job: { site: NORTH }, zone: { ...sound, layer: '15 mm' },
    sowing: 'none', wanted: ['core'], never: SEED,
  },
  {
    name: 'ruts felt through the mower, no levels read',
    because: 'They are filled in thin lifts; a string line first would tell how deep.',
    today: '2027-05-10', job: { site: NORTH }, zone: { ...sound, surface: 'rutted' },
    sowing: 'none', wanted: ['dress'], never: SEED,
  },
  {
    name: 'a good sward of the wrong grass',
    because: 'Cover does not save it: it goes as a whole, and the right one is sown.',
    today: '2026-07-20', job: { site: NORTH }, zone: { ...sound, present: ['annual-ryegrass'], wrongGrass: true },
    sowing: 'new', wanted: ['kill', 'kill-again', 'sow'], never: [], order: ['kill', 'kill-again', 'sow'],
  },
  {
    name: 'a deep mat in bunch grass that nobody waters',
    because: 'Each pass takes living grass too, and nothing would close it: one pass now, the rest next season.',
    today: '2026-08-25', job: { site: NORTH, waterer: '' }, zone: { ...sound, thatch: 30 },
    sowing: 'none', wanted: ['scarify'], never: SEED, says: /the rest next season/,
  },
  {
    name: 'the same mat in grass that spreads',
    because: 'Rhizomes close it again: two passes.',
    today: '2026-08-25', job: { site: NORTH, waterer: '' }, zone: { ...sound, thatch: 30, present: ['kentucky-bluegrass'] },
    sowing: 'none', wanted: ['scarify'], never: SEED, says: /2 passes/, neverSays: /the rest next season/,
  },
  {
    name: 'packed ground, by the school of solid tines',
    because: 'The whole lawn is spiked deep, and nothing is carried off.',
    today: '2026-08-25', job: { site: NORTH, schools: { tines: 'solid', cores: 'collect' } }, zone: { ...sound, penetration: 'stops' },
    sowing: 'none', wanted: ['spike'], never: ['core', 'collect-cores', ...SEED],
  },
  {
    name: 'firm ground, by the school that leaves it to worms',
    because: 'It is firm, not compacted: worms do the work.',
    today: '2026-08-25', job: { site: NORTH, schools: { tines: 'worms' } }, zone: { ...sound, penetration: 'effort' },
    sowing: 'none', wanted: [], never: ['core', ...SEED],
  },
  {
    name: 'compacted ground, by the same school',
    because: 'No worm lives in it yet: it is cored.',
    today: '2026-08-25', job: { site: NORTH, schools: { tines: 'worms' } }, zone: { ...sound, penetration: 'stops' },
    sowing: 'none', wanted: ['core'], never: SEED,
  },
  {
    name: 'bare ground under a germination sheet',
    because: 'The sheet keeps it moist and warm; it comes off after ten days, before the first cut.',
    today: '2026-08-20', job: { site: NORTH, cover: 'sheet' }, zone: { ...sound, ...cover(5, 5), present: [] },
    sowing: 'new', wanted: ['sow', 'cover', 'uncover', 'first-mow'], never: ['kill'], order: ['sow', 'cover', 'uncover', 'first-mow'],
  },
  {
    name: 'a public green',
    because: 'Those who use it hear days ahead, not the day before.',
    today: '2026-08-20', job: { site: NORTH, users: ['public'] }, zone: { ...sound, thatch: 20 },
    sowing: 'none', wanted: ['notice', 'scarify'], never: SEED, order: ['notice', 'scarify'],
  },
  {
    name: 'sprayed where children play',
    because: 'They stay off until the label lets them back; each weed has its own cure.',
    today: '2026-07-20', job: { site: NORTH, schools: { weeds: 'spray-then-sow' }, users: ['children', 'pets'] },
    zone: { ...sound, ...cover(60, 30), weedsSeen: ['clover', 'dandelion', 'knotweed'] },
    sowing: 'over', wanted: ['spray', 'sow'], never: [], says: /children and pets on ground that is sprayed.*|clover: clopyralid/,
  },
  {
    name: 'a quick cover standing well, in its season for the proper grass',
    because: 'Annual rye is gone within the year: it is not wanted cover, however thick.',
    today: '2026-08-15', job: { site: NORTH }, zone: { ...sound, present: ['annual-ryegrass'] },
    sowing: 'new', wanted: ['sow'], never: ['kill'],
  },
  {
    name: 'leave and feed, chosen against a mat',
    because: 'The customer wants it fed and no more; the mat is said, not forgotten.',
    today: '2026-08-25', job: { site: NORTH }, zone: { ...sound, thatch: 20, approach: 'leave' },
    sowing: 'none', wanted: ['feed'], never: ['scarify', ...SEED],
  },
  {
    name: 'a packed sand green, its organic matter not measured',
    because: 'A green that is cored is sanded: open holes close again, and the ball finds them.',
    today: '2026-08-20', job: { site: NORTH }, zone: { ...sound, texture: 'sand', heightOfCut: 5, mower: 'reel', present: ['creeping-bent'], penetration: 'stops' },
    sowing: 'none', wanted: ['core', 'collect-cores', 'sand-in'], never: SEED, order: ['core', 'collect-cores', 'sand-in'],
  },
  {
    name: 'rye over couch, chosen on a full sward',
    because: 'What is sown was chosen: the work that it wants comes with it.',
    today: '2026-09-15', job: { site: WARM }, zone: { ...sound, present: ['bermudagrass'], sowing: 'winter-green' },
    sowing: 'winter-green', wanted: ['cut-first', 'rake', 'sow', 'water'], never: ['kill'], months: [9, 10, 11],
  },
  {
    name: 'couch to be levelled where no day is hot',
    because: 'It grows best in its own early summer, however mild: soil goes on then.',
    today: '2026-12-01', job: { site: { latitude: -33, sea: '20 km' }, aims: ['level'] },
    zone: { ...sound, present: ['bermudagrass'], heightOfCut: 20, mower: 'reel', lowsDepth: 15, lowsShare: 20 },
    sowing: 'none', wanted: ['dress', 'dress-again', 'water'], never: SEED, months: [12],
  },
  {
    name: 'new ground far inland, past its season',
    because: 'A cover now; the proper grass in a season of its own, however short that is, never on top of it.',
    today: '2027-09-20', job: { site: { latitude: 44, frost: '12 Oct', sea: '500 km' } }, zone: { ...sound, ...cover(0, 5), present: [] },
    sowing: 'cover-then-sow', wanted: ['sow'], never: ['kill'],
  },
  {
    name: 'bluegrass with a deep mat, a week too late for its seed',
    because: 'It closes by its own rhizomes; rye among it would show for years.',
    today: '2026-08-25', job: { site: NORTH }, zone: { ...sound, ...cover(80, 10), thatch: 30, heightOfCut: 65, present: ['kentucky-bluegrass'] },
    sowing: 'none', wanted: ['scarify', 'clear', 'feed'], never: SEED,
  },
  {
    name: 'thin rye four days before the last day',
    because: 'There is a day and a half for it: all of it is cut down at once.',
    today: '2027-03-10', job: { site: SOUTH, waterer: 'owner' }, zone: { ...sound, ...cover(55, 20, 5), thatch: 15 },
    sowing: 'over', wanted: ['scarify', 'sow', 'water'], never: ['kill'], months: [3], says: /Given up: cutting down over several days/, neverSays: /is marginal/,
  },
  {
    name: 'thin rye three days after it',
    because: 'A living sward bears a late sowing, and rye is quick: it goes in within the week, with its odds told.',
    today: '2027-03-17', job: { site: SOUTH, waterer: 'owner' }, zone: { ...sound, ...cover(55, 20, 5), thatch: 15 },
    sowing: 'over', wanted: ['scarify', 'sow', 'water'], never: ['kill'], months: [3], says: /is marginal: late: past the last day.*Odds are (fair|poor)/, neverSays: /Too late/,
  },
  {
    name: 'thin rye eleven days after it',
    because: 'The odds are poor: spring is better, though who wants to may sow now. Nobody sows a nurse grass into a lawn that stands.',
    today: '2027-03-25', job: { site: SOUTH, waterer: 'owner' }, zone: { ...sound, ...cover(55, 20, 5), thatch: 15 },
    sowing: 'over', wanted: ['sow'], never: ['kill'], months: [10, 11], says: /Too late.*Sow late, Fri 26 Mar/, neverSays: /annual ryegrass/,
  },
  {
    name: 'bluegrass three days after its own last day',
    because: 'Slow seed does not come up in time.',
    today: '2026-08-22', job: { site: NORTH, waterer: 'owner' }, zone: { ...sound, ...cover(60, 20), present: ['kentucky-bluegrass'], mix: [{ grass: 'kentucky-bluegrass', share: 100 }] },
    sowing: 'over', wanted: ['sow'], never: ['kill'], neverSays: /is marginal: late/,
  },
  {
    name: 'a bare plot with some weeds on it',
    because: 'There is no mat to cut out: the weeds are mown off, the ground is loosened, set and firmed.',
    today: '2026-08-01', job: { site: { latitude: 44, longitude: -79, frost: '20 Oct' }, waterer: 'owner' },
    zone: { ...sound, ...cover(0, 30), thatch: null, texture: 'clay', penetration: 'stops', heightOfCut: 65, present: [] },
    sowing: 'new', wanted: ['cut-first', 'loosen', 'grade', 'firm', 'sow', 'cover', 'water'], never: ['scarify', 'cut-second', 'core', 'kill'],
    order: ['cut-first', 'loosen', 'grade', 'firm', 'sow'],
  },
  {
    name: 'an old pasture to be sown as a lawn',
    because: 'What grows there is a sward: it is cut out down to soil first.',
    today: '2026-08-01', job: { site: { latitude: 44, longitude: -79, frost: '20 Oct' }, waterer: 'owner' },
    zone: { ...sound, ...cover(10, 75), thatch: null, heightOfCut: 65, present: [] },
    sowing: 'new', wanted: ['cut-first', 'cut-second', 'scarify', 'loosen', 'sow'], never: [],
  },
  {
    name: 'a bare plot under a hot sun at 34° N in May',
    because: 'Warm grass, now: a cool one would meet the heat.',
    today: '2026-05-20', job: { site: { latitude: 34, longitude: -84, frost: '8 Nov' }, waterer: 'owner' },
    zone: { ...sound, ...cover(0, 10), thatch: null, sunHours: 8, heightOfCut: 40, present: [] },
    sowing: 'new', wanted: ['loosen', 'sow', 'water'], never: ['scarify'], months: [5, 6],
  },
  {
    name: 'bluegrass with a deep mat in late October',
    because: 'A few bare spots in a lawn that stands are not held over with a nurse grass.',
    today: '2026-10-20', job: { site: NORTH, waterer: 'owner' }, zone: { ...sound, ...cover(85, 5, 5), thatch: 22, heightOfCut: 65, present: ['kentucky-bluegrass'] },
    sowing: 'spots', wanted: ['scarify'], never: ['kill'], neverSays: /annual ryegrass/,
  },
  {
    name: 'couch with bare patches in a mild October',
    because: 'It waits for warmer days, and says that; whoever will not wait pins a day.',
    today: '2026-10-10', job: { site: { latitude: -27.5, sea: '15 km' }, waterer: 'owner' },
    zone: { ...sound, ...cover(70, 5), present: ['bermudagrass'], heightOfCut: 25 },
    sowing: 'over', wanted: ['sow', 'water'], never: ['kill'], months: [11], says: /Days until then are marginal: soil is warm enough, days are still cool/, neverSays: /season is open today/,
  },
  {
    name: 'under firs, too dark for any seed',
    because: 'Needles off, mat out, fed: what can be done is done, and seed is not wasted.',
    today: '2026-08-25', job: { site: NORTH }, zone: { ...sound, ...cover(29, 5, 20), sunHours: 2.3, litter: 'needles', present: ['creeping-red-fescue'] },
    sowing: 'none', wanted: ['leaf-off', 'feed'], never: SEED,
  },
  {
    name: 'couch at four fifths of its ground, with weeds between, in February',
    because: 'It closes by its own runners: cut hard after frost, opened once it is green, fed; no seed.',
    today: '2027-02-25', job: { site: { latitude: 32, longitude: -98, frost: '18 Nov' }, waterer: 'owner', aims: ['thicker'] },
    zone: { ...sound, ...cover(82, 15), thatch: 19, present: ['bermudagrass'], sunHours: 9, heightOfCut: 50 },
    sowing: 'none', wanted: ['cut-second', 'scarify', 'feed'], never: SEED, order: ['cut-second', 'scarify'], months: [4],
  },
  {
    name: 'couch with a mat in July',
    because: 'Its spring cut is over: blades go in now, and wait for no cut.',
    today: '2027-07-06', job: { site: WARM, waterer: 'owner' }, zone: { ...sound, thatch: 20, present: ['bermudagrass'], sunHours: 8, heightOfCut: 38 },
    sowing: 'none', wanted: ['scarify'], never: ['cut-second', ...SEED], months: [7],
  },
  {
    name: 'bumpy couch cut hard in spring',
    because: 'By the day of the sand it has grown again: two lifts do it, fed along the way.',
    today: '2027-09-12', job: { site: { latitude: -33.9, longitude: 151, frost: '5 Jul' }, waterer: 'owner', dressing: { kind: 'sand' } },
    zone: { ...sound, thatch: 28, present: ['bermudagrass'], sunHours: 8, heightOfCut: 20, mower: 'reel', lowsDepth: 12, lowsShare: 30 },
    sowing: 'none', wanted: ['cut-second', 'dress', 'dress-again', 'feed'], never: SEED, order: ['cut-second', 'dress', 'dress-again'], says: /12 mm on leaf standing 20 mm.*in 2 lifts/,
  },
  {
    name: 'thin rye kept lower than its range',
    because: 'It is cut once for the seed, and kept higher from the first mow on.',
    today: '2027-08-28', job: { site: { latitude: 53, longitude: -1, frost: '5 Nov' }, waterer: 'owner' },
    zone: { ...sound, ...cover(55, 20, 5), heightOfCut: 8, mower: 'reel' },
    sowing: 'over', wanted: ['cut-second', 'sow'], never: ['cut-first', 'raise-cut'],
  },
  {
    name: 'a patch of six square metres',
    because: 'So little is cut down at once, by hand.',
    today: '2027-08-28', job: { site: { latitude: 53, longitude: -1, frost: '5 Nov' }, waterer: 'owner' },
    zone: { ...sound, ...cover(55, 20, 5), area: 6 },
    sowing: 'over', wanted: ['cut-second', 'sow'], never: ['cut-first', 'scarify'],
  },
  {
    name: 'thin couch in a winter without frost',
    because: 'Nothing is missed there: seed waits for warmth, and no last day is told.',
    today: '2027-07-15', job: { site: { latitude: -27.5, longitude: 153 }, waterer: 'owner' }, zone: { ...sound, ...cover(55, 20), present: ['bermudagrass'], heightOfCut: 30 },
    sowing: 'over', wanted: ['sow'], never: ['kill'], says: /Nothing is sown before/, neverSays: /does not fit|Too late/,
  },
  {
    name: 'a high plain near the tropic in winter',
    because: 'Its land is warmed by the land round it: warm turf is sown there in its summer.',
    today: '2027-08-10', job: { site: { latitude: -26.2, longitude: 28, frost: '25 May', elevation: '1700 m' }, waterer: 'owner' },
    zone: { ...sound, ...cover(50, 20), present: ['kikuyu'], sunHours: 9, heightOfCut: 30 },
    sowing: 'over', wanted: ['sow'], never: ['kill'], neverSays: /without your word/,
  },
] // prettier-ignore
