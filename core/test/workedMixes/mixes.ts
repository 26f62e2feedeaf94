import type { JobDraft, ZoneDraft } from '../../src/entities/job.ts'

/** One made-up zone, and what a foreman would put in the bag. Common practice throughout. */
export interface WorkedMix {
  name: string
  because: string
  zone: Partial<ZoneDraft>
  place?: 'mild' | 'cold' | 'between' | 'hot'
  job?: Partial<JobDraft>
  today?: string
  /** Grasses that must be in it, and those that must not. */
  has: string[]
  hasNot?: string[]
  /** The mix is these grasses and no others. */
  only?: true
  /** What a grass is in it for, as the contractor reads it. */
  why?: Record<string, RegExp>
  /** What it is set with, where nothing is sown. */
  set?: 'plugs'
  /** No seed fits. */
  nothing?: RegExp
}

const bare: Pick<ZoneDraft, 'cover' | 'present'> = {
  cover: { wanted: 2, weeds: 8, moss: 0, bare: 90 },
  present: [],
}
const RYE = 'perennial-ryegrass'
const BLUE = 'kentucky-bluegrass'
const TALL = 'tall-fescue'
const FINE = ['creeping-red-fescue', 'chewings-fescue', 'hard-fescue']

export const MIXES: WorkedMix[] = [
  { name: 'pure rye at 19 mm under a reel', because: 'A pure sward gets its own kind: anything else shows.', zone: { present: [RYE], heightOfCut: 19, mower: 'reel' }, has: [RYE], only: true, why: { [RYE]: /already there/ } },
  { name: 'rye and bluegrass at four inches', because: 'High for both, and still theirs: the mower does not choose the grass.', place: 'cold', zone: { present: [RYE, BLUE], heightOfCut: 102, sunHours: 8 }, has: [RYE, BLUE], only: true },
  { name: 'fine fescue in shade with moss', because: 'It lives on three hours; a broad leaf would stand out.', zone: { present: FINE.slice(0, 2), sunHours: 3.4, heightOfCut: 50, cover: { wanted: 50, weeds: 5, moss: 35, bare: 10 } }, has: ['creeping-red-fescue'], hasNot: [RYE, BLUE, TALL] },
  { name: 'couch in half shade', because: 'Couch starves there, and nothing foreign goes into it.', place: 'hot', zone: { present: ['bermudagrass'], sunHours: 5, heightOfCut: 30, cover: { wanted: 25, weeds: 30, moss: 0, bare: 45 } }, has: [], nothing: /St Augustine/ },
  { name: 'couch in the sun', because: 'Its own kind, never kikuyu.', place: 'hot', zone: { present: ['bermudagrass'], sunHours: 9, heightOfCut: 30 }, has: ['bermudagrass'], only: true },
  { name: 'kikuyu', because: 'Its own kind.', place: 'hot', zone: { present: ['kikuyu'], sunHours: 8, heightOfCut: 40 }, has: ['kikuyu'], only: true },
  { name: 'St Augustine with gaps', because: 'It has no seed to buy: its own plugs.', place: 'hot', zone: { present: ['st-augustine'], sunHours: 5, heightOfCut: 75 }, has: [], set: 'plugs' },
  { name: 'a fine hybrid couch with gaps', because: 'Common seed does not match a hybrid.', place: 'hot', zone: { present: ['bermudagrass'], hybrid: true, sunHours: 9, heightOfCut: 15 }, has: [], set: 'plugs' },
  { name: 'a green of creeping bent', because: 'Nothing else is cut at 5 mm.', place: 'cold', zone: { present: ['creeping-bent'], sunHours: 9, heightOfCut: 5, mower: 'reel', texture: 'sand' }, has: ['creeping-bent'], only: true },
  { name: 'a green of fescue and browntop', because: 'Both are kept; a tenth of bent by weight is half of the plants.', zone: { present: ['chewings-fescue', 'browntop'], sunHours: 8, heightOfCut: 12, mower: 'reel' }, has: ['chewings-fescue', 'browntop'], only: true },
  { name: 'two to three hours, the school of what lasts', because: 'No grass lasts there.', zone: { present: ['creeping-red-fescue'], sunHours: 2.4, cover: { wanted: 25, weeds: 30, moss: 20, bare: 25 } }, has: [], nothing: /3 h of sun/ },
  { name: 'two to three hours, the school that renews', because: 'Shade ryegrass, sown again each year.', zone: { present: ['creeping-red-fescue'], sunHours: 2.4, cover: { wanted: 25, weeds: 30, moss: 20, bare: 25 } }, job: { schools: { shade: 'renewed' } }, has: ['shade-ryegrass'], only: true },
  { name: 'a bare shady strip', because: 'Fine fescue that lasts, and a little shade rye to hold the ground.', zone: { ...bare, sunHours: 3.2 }, has: ['creeping-red-fescue', 'shade-ryegrass'], hasNot: [RYE, BLUE, TALL], why: { 'shade-ryegrass': /shows in 3 days and holds the ground/, 'creeping-red-fescue': /knits bare spots/ } },
  { name: 'a salted edge', because: 'Alkaligrass is the one that stands it.', place: 'cold', zone: { ...bare, salty: true }, has: ['alkaligrass'], hasNot: [BLUE], why: { alkaligrass: /stands salt/, 'creeping-red-fescue': /knits bare spots/ } },
  { name: 'no salt, no alkaligrass', because: 'It is worth sowing only in salt.', place: 'cold', zone: { ...bare }, has: [], hasNot: ['alkaligrass'] },
  { name: 'bluegrass, late', because: 'It wanted sowing two weeks before the others; rye still stands.', zone: { present: [BLUE], sunHours: 8 }, today: '2027-02-24', has: [], hasNot: [BLUE] },
  { name: 'bluegrass, in time', because: 'Its own kind, slow as it is.', zone: { present: [BLUE], sunHours: 8 }, today: '2027-01-20', has: [BLUE], only: true },
  { name: 'a new lawn in mild country', because: 'Rye leads, and something knits.', zone: bare, has: [RYE], hasNot: [TALL, 'browntop'] },
  { name: 'a new lawn in cold country', because: 'Bluegrass stands the winter and mends; rye holds the ground till it is up.', place: 'cold', zone: { ...bare, heightOfCut: 40 }, has: [BLUE, RYE] },
  { name: 'a new lawn where summers are hot', because: 'Tall fescue, and a little bluegrass to knit.', place: 'between', zone: { ...bare, heightOfCut: 75 }, has: [TALL], hasNot: ['hard-fescue'] },
  { name: 'sand, and nobody to water', because: 'Tall fescue roots deepest.', place: 'between', zone: { ...bare, heightOfCut: 75, texture: 'sand' }, job: { waterer: '' }, has: [TALL] },
  { name: 'a bare bank', because: 'A nurse that is up in days.', zone: { ...bare, slope: '1 in 5', heightOfCut: 60 }, has: ['annual-ryegrass'] },
  { name: 'level ground', because: 'A nurse crowds the rest where rain moves nothing.', zone: { ...bare, slope: 0 }, has: [], hasNot: ['annual-ryegrass'] },
  { name: 'games on a rye lawn', because: 'Rye bears it, and it is there.', zone: { present: [RYE], wear: 'high', sunHours: 8 }, has: [RYE], only: true },
  { name: 'games on a fescue lawn', because: 'Fescue does not bear it, so tougher grass joins.', zone: { present: ['creeping-red-fescue'], wear: 'high', sunHours: 8 }, has: [RYE], why: { [RYE]: /shows in 3 days/ } },
  { name: 'tall fescue at three inches', because: 'Its own kind; a second species in a pure sward is a patch.', place: 'between', zone: { present: [TALL], sunHours: 7, heightOfCut: 80 }, has: [TALL], only: true },
  { name: 'tall fescue is not put among rye', because: 'Its tufts stand out for years.', zone: { present: [RYE], sunHours: 7, heightOfCut: 60 }, has: [RYE], hasNot: [TALL] },
  { name: 'a blend on purpose', because: 'A cool grass with runners holds its own in living couch.', place: 'hot', zone: { present: ['bermudagrass'], sunHours: 8, heightOfCut: 25, approach: 'blend' }, has: [BLUE], only: true },
  { name: 'green for the winter', because: 'Rye that goes when couch wakes.', place: 'hot', zone: { present: ['bermudagrass'], sunHours: 8, heightOfCut: 25, approach: 'winter-green' }, has: [RYE], only: true },
  { name: 'a lawn of annual ryegrass', because: 'It is gone within the year: what follows is sown for good.', zone: { present: ['annual-ryegrass'], cover: { wanted: 60, weeds: 10, moss: 0, bare: 30 } }, has: [RYE], hasNot: ['annual-ryegrass'] },
  { name: 'little upkeep wanted', because: 'Fescue asks least.', zone: bare, job: { aims: ['low-upkeep'] }, has: ['creeping-red-fescue'] },
  { name: 'wet shade', because: 'Rough bluegrass is at home there and nowhere else.', zone: { ...bare, sunHours: 3.5, ponding: 5, damp: 'wet', wear: 'low' }, has: ['rough-bluegrass'], why: { 'rough-bluegrass': /stands wet feet/ } },
  { name: 'a warm new lawn in half shade', because: 'Zoysia, not couch.', place: 'hot', zone: { ...bare, sunHours: 4.5, heightOfCut: 40 }, has: ['zoysia'], hasNot: ['bermudagrass', 'bahiagrass'] },
] // prettier-ignore
