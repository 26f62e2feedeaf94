import { BROWNED_NAMES, DISEASES, PESTS, WEEDS } from '../reference/walkLists.ts'
import type { ZoneReadings } from '../walkover/zoneReadings.ts'
import { num, rule, type Workings } from '../trace/figure.ts'
import type { Say } from './findings.ts'

export const seenRules = {
  moisture: rule(
    'finding.moisture',
    'Dust-dry at 75 mm after rain, or a drop that stands over a minute: water-repellent. Ponding over an hour: cap, compaction or a hollow that needs grade.',
    'wedge at 75 mm, drop test, ponding',
    'practice',
  ),
  pests: rule('finding.pests', 'Never sow into live pests.', 'seen, and still active?', 'practice'),
  disease: rule('finding.disease', 'Compare the fed with the unfed side before treating anything.', 'seen, and still active?', 'practice'),
  weeds: rule('finding.weeds', 'What grows unasked says what the ground lacks.', 'the kinds seen', 'practice'),
  lab: rule(
    'finding.lab',
    'Index adequate: leave phosphorus and potassium out; more does nothing, and phosphorus may be unlawful.',
    'laboratory index',
    'practice',
  ),
  organic: rule(
    'finding.organic',
    'A sand green is kept near 2 % organic matter: below, sand alone; above, {core}, so that sand gets in and organic matter out.',
    '{0} against 2 %',
    'practice',
  ),
  browned: rule('finding.browned', 'Dead or only dormant? Water a square and wait ten days.', 'what was seen', 'practice'),
  dogs: rule('finding.dogs', 'Scorched rings: flush, change the top soil, reseed; one trained corner is the cure.', 'what was seen', 'practice'),
  trees: rule(
    'finding.trees',
    'A tree gone changes the light, and the old grass is the wrong one. Under evergreens: light and dryness first, litter second.',
    'what was seen',
    'practice',
  ),
  age: rule('finding.age', 'An old sward (20 years) takes in newer cultivars by overseeding.', '{0} against 20 years', 'practice'),
  mowing: rule('finding.mowing', 'Change direction now and then: grass always mown one way leans, ribs and scalps.', 'what was seen', 'practice'),
  rideOn: rule('finding.ride-on', 'No ride-on from 1 in 4.', '{1} against 1 in 4', 'practice'),
  edges: rule('finding.edges', 'Set the edge to the line and bring the lawn up to it.', 'what was seen', 'practice'),
}

/** Soil that sheds water: dust-dry at 75 mm after rain, or a drop that stands over a minute. Ponding says otherwise. Common practice. */
export const repelsWater = ({ zone }: ZoneReadings): boolean => (zone.ponding ?? 0) <= 1 && (zone.damp === 'dry' || (zone.dropSeconds ?? 0) > 60)

/** What was seen rather than measured: water in the ground, pests, disease, weeds, the laboratory's index. Nothing is said of what was not looked at. */
export function seenInZone(r: ZoneReadings, say: Say, year: number, w: Workings): void {
  const { zone } = r
  const seen = (key: string, label: string, value: string) => w.read(1, `${r.id}.seen.${key}`, label, value, '1', r.id)
  const ponds = (zone.ponding ?? 0) > 1
  if (ponds)
    say(
      'moisture',
      seenRules.moisture,
      [w.read(1, `${r.id}.seen.moisture`, 'Water stands', zone.ponding, 'h', r.id)],
      'act',
      'ponding',
      'A cap, compaction or a hollow.',
      'Look for the hollow first: it needs grade, not only holes.',
    )
  else if (repelsWater(r))
    say(
      'moisture',
      seenRules.moisture,
      [seen('moisture', 'Moisture', zone.damp === 'dry' ? 'dry at 75 mm' : `drop stands ${zone.dropSeconds} s`)],
      'act',
      'water-repellent',
      'Water runs off or past the roots.',
      'Shallow spiking (50 mm at most), a wetting agent, slow water; not deep coring first.',
    )
  else if (zone.damp || zone.dropSeconds !== null || zone.ponding !== null)
    say(
      'moisture',
      seenRules.moisture,
      [seen('moisture', 'Moisture', zone.damp ?? 'takes water')],
      'fine',
      'takes water',
      'Water goes in.',
      'Nothing.',
    )

  const list = (names: readonly string[]) => names.join(', ')
  if (zone.pests.length > 0) {
    const live = zone.pests.filter((x) => x.active !== false)
    const figure = seen('pests', 'Pests', list(zone.pests.map((x) => PESTS[x.kind].name.split(':')[0]!)))
    const casts = live.every((x) => x.kind === 'worms')
    say(
      'pests',
      seenRules.pests,
      [figure],
      live.length === 0 ? 'fine' : casts ? 'act' : 'hold',
      live.length === 0 ? 'pests gone' : casts ? 'worm casts' : 'live pests',
      live.length === 0 ? 'Seen, and no longer active.' : PESTS[live[0]!.kind].says,
      live.length === 0
        ? 'Nothing.'
        : casts
          ? 'Brush casts dry before seed.'
          : 'Deal with them before sowing: never sow into live pests. The label and a licensed hand decide.',
    )
  }
  if (zone.diseases.length > 0) {
    const live = zone.diseases.filter((x) => x.active !== false)
    const figure = seen('disease', 'Disease', list(zone.diseases.map((x) => DISEASES[x.kind].name)))
    say(
      'disease',
      seenRules.disease,
      [figure],
      live.length === 0 ? 'fine' : 'act',
      live.length === 0 ? 'healed' : live.every((x) => x.kind === 'dog-rings') ? 'dog rings' : 'disease',
      live.length === 0 ? 'Seen, and no longer active.' : DISEASES[live[0]!.kind].says,
      live.length === 0
        ? 'Nothing.'
        : live.some((x) => x.worse === 'unfed')
          ? 'Worse where unfed: feed it in season before anything else.'
          : 'Put the cause right first.',
    )
  }
  if (zone.weedsSeen.length > 0) {
    const figure = seen('weeds', 'Weeds seen', list(zone.weedsSeen.map((id) => WEEDS[id].name)))
    const says = [...new Set(zone.weedsSeen.map((id) => WEEDS[id].says))].slice(0, 3).join(' ')
    const packed = zone.weedsSeen.some((id) => ['plantain', 'knotweed', 'annual-meadow-grass'].includes(id))
    say(
      'weeds',
      seenRules.weeds,
      [figure],
      packed || zone.seedHeads ? 'act' : 'fine',
      packed ? 'weeds of packed soil' : zone.weedsSeen.includes('clover') ? 'hungry' : 'weedy',
      says,
      zone.seedHeads ? 'Clip and bag the heads before they drop.' : 'Nothing.',
    )
  }
  const { phosphorus, potassium } = zone.lab
  if (phosphorus || potassium) {
    const figure = seen('lab', 'P and K', [phosphorus && `P ${phosphorus}`, potassium && `K ${potassium}`].filter(Boolean).join(', '))
    const low = [phosphorus === 'low' && 'phosphorus', potassium === 'low' && 'potassium'].filter(Boolean)
    say(
      'lab',
      seenRules.lab,
      [figure],
      low.length > 0 ? 'act' : 'fine',
      low.length > 0 ? `short of ${low.join(' and ')}` : 'fed enough',
      low.length > 0 ? 'The laboratory finds too little.' : 'More would do nothing.',
      low.length > 0 ? `A starter with ${low.join(' and ')}, where the law allows.` : 'Leave phosphorus and potassium out after the starter.',
    )
  }
  habitsInZone(r, say, year, w)
}

/** A sward this old is older than the cultivars sold now by a generation. Common practice. */
const OLD_SWARD = 20
/** A mower heavier than this is one that carries somebody, kg; from 1 in 4 none of those belongs on the slope. Juvena's model; common practice. */
const RIDE_ON = 120
const NO_RIDE_ON_FROM = 25
/** Organic matter a sand green is kept at, %, and how near counts as there. Common practice; Juvena's model. */
const GREEN_ORGANIC = 2
const NEAR = 0.5

/** What the lawn lives with: drought, dogs, trees, age, the mower, its edges. */
function habitsInZone(r: ZoneReadings, say: Say, year: number, w: Workings): void {
  const { zone } = r
  const seen = (key: string, label: string, value: string) => w.read(1, `${r.id}.seen.${key}`, label, value, '1', r.id)
  const organic = zone.texture === 'sand' ? w.read(1, `${r.id}.organic`, 'Organic matter', zone.lab.organic, '%', r.id) : null
  if (organic) {
    const off = num(organic) - GREEN_ORGANIC
    say(
      'organic',
      seenRules.organic,
      [organic],
      off > NEAR ? 'act' : 'fine',
      off > NEAR ? 'too rich for sand' : off < -NEAR ? 'lean' : 'as it should be',
      off > NEAR ? 'It holds water at the top and seals the sand.' : 'Sand drains through it.',
      off > NEAR ? '{Core}, so that sand gets in and organic matter out.' : '{Topdress} with sand alone.',
    )
  }
  if (zone.browned !== null && zone.browned !== 'no') {
    const dead = zone.browned === 'dead'
    say(
      'browned',
      seenRules.browned,
      [seen('browned', 'Browned off', BROWNED_NAMES[zone.browned])],
      'act',
      dead ? 'dead' : zone.browned === 'dormant' ? 'dormant' : 'dead or dormant?',
      dead ? 'Counted as bare: seed has to bring it back.' : 'Tufts that green between straw are alive, and a count made now calls them bare.',
      dead ? 'Find what killed it first.' : 'Water a square, wait ten days and count again before starting over.',
    )
  }
  if (zone.dogs)
    say(
      'dogs',
      seenRules.dogs,
      [seen('dogs', 'Dogs', 'on the lawn')],
      'act',
      'dogs',
      'Urine scorches in rings, and seedlings first.',
      'Flush, change the top soil of scorched rings, reseed; one trained corner is the cure.',
    )
  const litter = zone.litter === 'leaf' || zone.litter === 'needles' ? zone.litter : null
  if (zone.treeGone || litter)
    say(
      'trees',
      seenRules.trees,
      [seen('trees', 'Trees', [zone.treeGone && 'one lately gone', litter && `${litter} on the ground`].filter(Boolean).join(', '))],
      'act',
      zone.treeGone ? 'light has changed' : litter === 'needles' ? 'under needles' : 'under leaf',
      zone.treeGone
        ? 'The grass there was for the old shade.'
        : litter === 'needles'
          ? 'Light and dryness first, litter second.'
          : 'Leaf smothers seedlings in days.',
      [zone.treeGone && 'Read the sun anew, and choose seed for it.', litter && 'Collect before seed and before each mow.'].filter(Boolean).join(' '),
    )
  const age = zone.laidIn === null ? null : year - zone.laidIn
  if (age !== null && age >= OLD_SWARD)
    say(
      'age',
      seenRules.age,
      [w.read(1, `${r.id}.seen.age`, zone.laidAs === 'turf' ? 'Laid as turf, years ago' : 'Sown, years ago', age, '1', r.id)],
      'fine',
      'old sward',
      'The cultivars sold now are thicker and sounder than what was sown then.',
      'Overseeding brings them in.',
    )
  if (zone.mowerWeight !== null && zone.mowerWeight >= RIDE_ON && num(r.slope) >= NO_RIDE_ON_FROM)
    say(
      'mowing',
      seenRules.rideOn,
      [w.read(1, `${r.id}.seen.mowing`, 'Mower', zone.mowerWeight, 'kg', r.id), r.slope],
      'hold',
      'too steep to ride',
      'A machine that carries somebody can turn over here.',
      'A pedestrian mower here.',
    )
  else if (zone.oneWay)
    say(
      'mowing',
      seenRules.mowing,
      [seen('mowing', 'Mowing habit', 'always one way')],
      'act',
      'mown one way',
      'The grass leans, stands in ribs, and is scalped where the mower turns.',
      'Cut across the lean, and change direction from now on.',
    )
  if (zone.edges === 'bulged' || zone.edges === 'bare')
    say(
      'edges',
      seenRules.edges,
      [seen('edges', 'Edges', zone.edges)],
      'act',
      zone.edges === 'bulged' ? 'edges bulged' : 'edges bare',
      zone.edges === 'bulged' ? 'The weight of soil has pushed them out.' : 'Plants hung over and shaded the strip out.',
      zone.edges === 'bulged'
        ? 'Lift the bulged run, set a straight level line, and bring the lawn up to it.'
        : 'Hold the plants back, roughen and sow the strip.',
    )
}
