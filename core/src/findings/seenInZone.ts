import type { Unit } from '../quantities/show.ts'
import {
  BROWNED_NAMES,
  DISEASES,
  PACKED_SIGNS,
  PESTS,
  SURFACE_NAMES,
  WEEDS,
  weedFor,
  type WeedId,
} from '../reference/walkLists.ts'
import type { Schools } from '../reference/schools.ts'
import { isGreen, scalps } from './findingAsks.ts'
import { num, type Figure } from '../trace/figure.ts'
import { joined, onDay, quantity, say, type Message } from '../rules/message.ts'
import { reading } from '../rules/rule.ts'
import { zoneScope } from '../trace/scope.ts'
import type { Trace } from '../trace/trace.ts'
import type { ZoneReadings } from '../walkover/zoneReadings.ts'
import {
  found,
  type Found,
  type FindingContext,
  type FindingKind,
  type Outcome,
} from './finding.ts'
import { findingRules, seenRules } from './findingRules.ts'
import { habitLines, moistureLines, slopeLines, surfaceLines, thatchLines } from './lines.ts'

type SeenKind = keyof typeof seenRules

const noted = (key: string, label: string, unit: Unit = 'text', id = `reading.${key}`) =>
  reading({ key, id, stage: 1, label, unit })

export const seenReadings = {
  ponding: noted('seen.moisture', 'Water stands', 'h', 'reading.seen.ponding'),
  moisture: noted('seen.moisture', 'Moisture'),
  pests: noted('seen.pests', 'Pests'),
  disease: noted('seen.disease', 'Disease'),
  weeds: noted('seen.weeds', 'Weeds seen'),
  lab: noted('seen.lab', 'P and K'),
  organic: noted('organic', 'Organic matter', '%'),
  browned: noted('seen.browned', 'Browned off'),
  dogs: noted('seen.dogs', 'Dogs'),
  trees: noted('seen.trees', 'Trees'),
  sown: noted('seen.age', 'Sown, years ago', 'years'),
  laid: noted('seen.age', 'Laid as turf, years ago', 'years', 'reading.seen.laid'),
  mower: noted('seen.mowing', 'Mower', 'kg', 'reading.seen.mower'),
  mowing: noted('seen.mowing', 'Mowing habit'),
  edges: noted('seen.edges', 'Edges'),
  signs: noted('seen.signs', 'Signs of packed soil'),
  felt: noted('seen.felt', 'Surface underfoot'),
  layer: noted('seen.layer', 'Layer below', 'mm'),
  wrong: noted('seen.wrong', 'Grass there'),
}

/**
 * Soil that sheds water: dust-dry where a wedge is lifted after rain, or a drop that stands.
 * Ponding says otherwise. Common practice.
 */
export const repelsWater = ({ zone }: ZoneReadings, trace: Trace): boolean =>
  (zone.ponding ?? 0) <= trace.value(moistureLines.ponding) &&
  (zone.damp === 'dry' || (zone.dropSeconds ?? 0) > trace.value(moistureLines.drop))

/**
 * What was seen rather than measured, and what the lawn lives with. Nothing is said of what was not
 * looked at.
 */
export const seenInZone = (at: FindingContext): Found[] =>
  [
    moisture,
    pests,
    disease,
    weeds,
    laboratory,
    organic,
    browned,
    dogs,
    trees,
    age,
    mowing,
    edges,
    packedSigns,
    felt,
    layer,
    wrongGrass,
  ].flatMap((look) => look(at) ?? [])

/** A finding from something seen: its word, and what that means. */
function seen(
  { r, trace }: FindingContext,
  kind: SeenKind & FindingKind,
  figure: Figure | null,
  word: string,
  outcome: Outcome,
): Found | null {
  return (
    figure &&
    found(r, kind, trace.found(seenRules[kind], zoneScope(r.id), word, { seen: figure }), outcome)
  )
}

function moisture(at: FindingContext): Found | null {
  const { r, trace } = at
  const { ponding, damp, dropSeconds } = r.zone
  const scope = zoneScope(r.id)
  if ((ponding ?? 0) > trace.value(moistureLines.ponding))
    return seen(at, 'moisture', trace.read(seenReadings.ponding, scope, ponding), 'ponding', {
      verdict: 'act',
      says: 'A cap, compaction or a hollow.',
      asks: 'Look for the hollow first: it needs grade, not only holes.',
    })
  if (repelsWater(r, trace))
    return seen(
      at,
      'moisture',
      trace.read(
        seenReadings.moisture,
        scope,
        damp === 'dry' ? 'dry at depth' : `drop stands ${dropSeconds} s`,
      ),
      'water-repellent',
      {
        verdict: 'act',
        says: 'Water runs off or past the roots.',
        asks: say`Shallow spiking (${quantity(trace.value(moistureLines.spike), 'mm')} at most), a wetting agent, slow water; not deep coring first.`,
      },
    )
  if (damp === 'wet')
    return seen(at, 'moisture', trace.read(seenReadings.moisture, scope, 'wet'), 'sodden', {
      verdict: 'act',
      says: 'Water shines in the hole and footprints fill.',
      asks: 'No wheels, tines, blades or roller until it has drained; nothing is watered before them.',
    })
  if (!damp && dropSeconds === null && ponding === null) return null
  return seen(
    at,
    'moisture',
    trace.read(seenReadings.moisture, scope, damp ?? 'takes water'),
    'takes water',
    {
      verdict: 'fine',
      says: 'Water goes in.',
      asks: 'Nothing.',
    },
  )
}

const listed = (names: readonly string[]) => names.join(', ')

function pests(at: FindingContext): Found | null {
  const { r, trace } = at
  const all = r.zone.pests
  if (all.length === 0) return null
  const figure = trace.read(
    seenReadings.pests,
    zoneScope(r.id),
    listed(all.map((x) => PESTS[x.kind].name.split(':')[0]!)),
  )
  const live = all.filter((x) => x.active !== false)
  if (live.length === 0)
    return seen(at, 'pests', figure, 'pests gone', {
      verdict: 'fine',
      says: 'Seen, and no longer active.',
      asks: 'Nothing.',
    })
  const says = PESTS[live[0]!.kind].says
  if (live.every((x) => x.kind === 'worms'))
    return seen(at, 'pests', figure, 'worm casts', {
      verdict: 'act',
      says,
      asks: 'Brush casts dry before seed.',
    })
  return seen(at, 'pests', figure, 'live pests', {
    verdict: 'hold',
    says,
    asks: 'Deal with them before sowing: never sow into live pests. The label and a licensed hand decide.',
  })
}

function disease(at: FindingContext): Found | null {
  const { r, trace } = at
  const all = r.zone.diseases
  if (all.length === 0) return null
  const figure = trace.read(
    seenReadings.disease,
    zoneScope(r.id),
    listed(all.map((x) => DISEASES[x.kind].name)),
  )
  const live = all.filter((x) => x.active !== false)
  if (live.length === 0)
    return seen(at, 'disease', figure, 'healed', {
      verdict: 'fine',
      says: 'Seen, and no longer active.',
      asks: 'Nothing.',
    })
  return seen(
    at,
    'disease',
    figure,
    live.every((x) => x.kind === 'dog-rings') ? 'dog rings' : 'disease',
    {
      verdict: 'act',
      says: DISEASES[live[0]!.kind].says,
      asks: live.some((x) => x.worse === 'unfed')
        ? 'Worse where unfed: feed it in season before anything else.'
        : 'Put the cause right first.',
    },
  )
}

const PACKED_SOIL = ['plantain', 'knotweed', 'annual-meadow-grass', 'goosegrass']

/** What the weeds tell, each thing once and after the names of those that tell it; three at most. */
function saysOf(seen: readonly WeedId[], schools: Schools): Message {
  const tellers = new Map<string, string[]>()
  for (const id of seen) {
    const { name, says } = weedFor(id, schools)
    tellers.set(says, [...(tellers.get(says) ?? []), name])
  }
  return [...tellers]
    .slice(0, 3)
    .map(([says, names]) => `${capital(listed(names))}: ${says}`)
    .join(' ')
}

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1)

function weeds(at: FindingContext): Found | null {
  const { r, trace } = at
  const { weedsSeen, seedHeads } = r.zone
  if (weedsSeen.length === 0 && !seedHeads) return null
  const figure = trace.read(
    seenReadings.weeds,
    zoneScope(r.id),
    weedsSeen.length > 0 ? listed(weedsSeen.map((id) => WEEDS[id].name)) : 'seed heads',
  )
  const packed = weedsSeen.some((id) => PACKED_SOIL.includes(id))
  return seen(
    at,
    'weeds',
    figure,
    packed
      ? 'weeds of packed soil'
      : weedsSeen.every((id) => id === 'clover') && weedsSeen.length > 0
        ? 'hungry'
        : 'weedy',
    {
      verdict: packed || seedHeads || weedsSeen.includes('clover') ? 'act' : 'fine',
      says:
        saysOf(weedsSeen, at.schools) ||
        'Heads that ripen drop next year’s weeds, or thin the sward that bears them.',
      asks: seedHeads
        ? 'Clip and bag the heads before they drop.'
        : packed
          ? 'Open the soil before the weeds: they come back to packed ground.'
          : weedsSeen.includes('clover')
            ? 'Feed it: clover makes its own nitrogen where grass finds none.'
            : 'Nothing.',
    },
  )
}

/** A low cut, or a reel, shows every dip. */
export const wantsTrueSurface = (r: ZoneReadings, trace: Trace): boolean =>
  r.zone.mower === 'reel' || num(r.cut) <= trace.value(surfaceLines.lowCut)

function packedSigns(at: FindingContext): Found | null {
  const signs = at.r.zone.packedSigns
  if (signs.length === 0) return null
  const figure = at.trace.read(
    seenReadings.signs,
    zoneScope(at.r.id),
    listed(signs.map((s) => PACKED_SIGNS[s].name)),
  )
  return seen(at, 'signs', figure, 'packed by the signs', {
    verdict: 'act',
    says: signs.map((s) => PACKED_SIGNS[s].says).join(' '),
    asks: '{Core}; push a screwdriver in, in moist soil, to be sure.',
  })
}

function felt(at: FindingContext): Found | null {
  const { r, trace } = at
  const { surface } = r.zone
  // Levels that were read tell more than feet.
  if (surface === null || r.lowsDepth || r.fill) return null
  const figure = trace.read(seenReadings.felt, zoneScope(r.id), SURFACE_NAMES[surface])
  if (surface === 'true')
    return seen(at, 'felt', figure, 'true underfoot', {
      verdict: 'fine',
      says: 'No dips were felt.',
      asks: 'Nothing.',
    })
  const strict = wantsTrueSurface(r, trace)
  const worth = strict || surface === 'rutted'
  return seen(at, 'felt', figure, surface === 'rutted' ? 'humps and ruts' : 'uneven', {
    verdict: worth ? 'act' : 'fine',
    says: strict ? 'A low cut shows every dip.' : 'A rotary set high forgives small dips.',
    asks: worth
      ? 'Level. Read the lows by string line first: their depth decides on lifts and soil.'
      : 'Nothing.',
  })
}

function layer(at: FindingContext): Found | null {
  const { r, trace } = at
  const figure = r.zone.layer ? trace.read(seenReadings.layer, zoneScope(r.id), r.zone.layer) : null
  if (!figure) return null
  const holds = num(figure) >= trace.value(thatchLines.layer)
  return seen(at, 'layer', figure, holds ? 'layered' : 'thin layer', {
    verdict: holds ? 'act' : 'fine',
    says: holds ? 'Water and roots stop at the layer.' : 'Too thin to hold anything up.',
    asks: holds
      ? '{Core} through it, and dress with soil like that below from now on.'
      : 'Nothing.',
  })
}

function wrongGrass(at: FindingContext): Found | null {
  const { r, trace } = at
  if (!r.zone.wrongGrass) return null
  return seen(
    at,
    'wrong',
    trace.read(seenReadings.wrong, zoneScope(r.id), 'not the one wanted'),
    'wrong grass',
    {
      verdict: 'hold',
      says: 'The grass there is to go, whatever its cover: seed over it would never take its place.',
      asks: 'Kill off, clear and sow the right one.',
    },
  )
}

function laboratory(at: FindingContext): Found | null {
  const { r, trace } = at
  const { phosphorus, potassium } = r.zone.lab
  if (!phosphorus && !potassium) return null
  const report = listed([
    ...(phosphorus ? [`P ${phosphorus}`] : []),
    ...(potassium ? [`K ${potassium}`] : []),
  ])
  const figure = trace.read(seenReadings.lab, zoneScope(r.id), report)
  const low = [phosphorus === 'low' && 'phosphorus', potassium === 'low' && 'potassium']
    .filter(Boolean)
    .join(' and ')
  if (!low)
    return seen(at, 'lab', figure, 'fed enough', {
      verdict: 'fine',
      says: 'More would do nothing.',
      asks: 'Leave phosphorus and potassium out after the starter.',
    })
  return seen(at, 'lab', figure, `short of ${low}`, {
    verdict: 'act',
    says: 'The laboratory finds too little.',
    asks: `A starter with ${low}, where the law allows.`,
  })
}

function organic({ r, trace }: FindingContext): Found | null {
  const scope = zoneScope(r.id)
  // The two percent is a line for greens: a home lawn on sandy soil lives well with more.
  const green = isGreen(r, trace)
  const read = green ? trace.read(seenReadings.organic, scope, r.zone.lab.organic) : null
  if (!read) return null
  const figure = trace.work(findingRules.organic, scope, { organic: read })
  const rich = figure.value === 'too rich for sand'
  return found(r, 'organic', figure, {
    verdict: rich ? 'act' : 'fine',
    says: rich ? 'It holds water at the top and seals the sand.' : 'Sand drains through it.',
    asks: rich
      ? '{Core}, so that sand gets in and organic matter out.'
      : '{Topdress} with sand alone.',
  })
}

function browned(at: FindingContext): Found | null {
  const state = at.r.zone.browned
  if (state === null || state === 'no') return null
  const dead = state === 'dead'
  const figure = at.trace.read(seenReadings.browned, zoneScope(at.r.id), BROWNED_NAMES[state])
  if (at.r.recounted && at.r.wanted && !dead)
    return seen(at, 'browned', figure, 'counted again', {
      verdict: 'fine',
      says: say`Counted again ${onDay(at.r.recounted)}: ${at.r.wanted} is alive.`,
      asks: 'Nothing more: the plan goes by that count.',
    })
  if (state === 'dormant' && scalps(at.r) && at.resting)
    return seen(at, 'browned', figure, 'at rest', {
      verdict: 'act',
      says: 'Warm turf sleeps through every winter: brown, and alive.',
      asks: 'Cut it hard after the last frost; count the cover once it has greened up.',
    })
  return seen(
    at,
    'browned',
    figure,
    dead ? 'dead' : state === 'dormant' ? 'dormant' : 'dead or dormant?',
    {
      verdict: dead ? 'act' : 'hold',
      says: dead
        ? 'Counted as bare, all of it: seed has to bring it back.'
        : 'Tufts that green between straw are alive, and a count made now calls them bare.',
      asks: dead
        ? 'Find what killed it first.'
        : 'Water a square, wait ten days and count again. Until then nothing cuts, opens, kills or sows it; straw may come out, with shallow holes, water and a light feed.',
    },
  )
}

function dogs(at: FindingContext): Found | null {
  if (!at.r.zone.dogs) return null
  return seen(
    at,
    'dogs',
    at.trace.read(seenReadings.dogs, zoneScope(at.r.id), 'on the lawn'),
    'dogs',
    {
      verdict: 'act',
      says: 'Urine scorches in rings, and seedlings first.',
      asks: 'Flush, change the top soil of scorched rings, reseed; one trained corner is the cure.',
    },
  )
}

function trees(at: FindingContext): Found | null {
  const { treeGone, litter: lying } = at.r.zone
  const litter = lying === 'leaf' || lying === 'needles' ? lying : null
  if (!treeGone && !litter) return null
  const was = listed(
    [treeGone ? 'one lately gone' : '', litter ? `${litter} on the ground` : ''].filter(Boolean),
  )
  const asks: Message[] = [
    ...(treeGone ? ['Read the sun anew, and choose seed for it.'] : []),
    ...(litter ? ['Collect before seed and before each mow.'] : []),
  ]
  return seen(
    at,
    'trees',
    at.trace.read(seenReadings.trees, zoneScope(at.r.id), was),
    treeGone ? 'light has changed' : litter === 'needles' ? 'under needles' : 'under leaf',
    {
      verdict: 'act',
      says: treeGone
        ? 'The grass there was for the old shade.'
        : litter === 'needles'
          ? 'Light and dryness first, litter second.'
          : 'Leaf smothers seedlings in days.',
      asks: joined(asks),
    },
  )
}

function age(at: FindingContext): Found | null {
  const { r, trace, year } = at
  const years = r.zone.laidIn === null ? null : year - r.zone.laidIn
  if (years === null || years < trace.value(habitLines.oldSward)) return null
  const figure = trace.read(
    r.zone.laidAs === 'turf' ? seenReadings.laid : seenReadings.sown,
    zoneScope(r.id),
    years,
  )
  return seen(at, 'age', figure, 'old sward', {
    verdict: 'fine',
    says: 'The cultivars sold now are thicker and sounder than what was sown then.',
    asks: 'Overseeding brings them in.',
  })
}

function mowing(at: FindingContext): Found | null {
  const { r, trace } = at
  const { mowerWeight, oneWay } = r.zone
  const scope = zoneScope(r.id)
  if (
    mowerWeight !== null &&
    mowerWeight >= trace.value(habitLines.rideOn) &&
    num(r.slope) >= trace.value(slopeLines.steep)
  )
    return seen(
      at,
      'mowing',
      trace.read(seenReadings.mower, scope, mowerWeight),
      'too steep to ride',
      {
        verdict: 'hold',
        says: 'A machine that carries somebody can turn over here.',
        asks: 'A pedestrian mower here.',
      },
    )
  if (!oneWay) return null
  return seen(
    at,
    'mowing',
    trace.read(seenReadings.mowing, scope, 'always one way'),
    'mown one way',
    {
      verdict: 'act',
      says: 'The grass leans, stands in ribs, and is scalped where the mower turns.',
      asks: 'Cut across the lean, and change direction from now on.',
    },
  )
}

function edges(at: FindingContext): Found | null {
  const state = at.r.zone.edges
  if (state !== 'bulged' && state !== 'bare') return null
  const bulged = state === 'bulged'
  return seen(
    at,
    'edges',
    at.trace.read(seenReadings.edges, zoneScope(at.r.id), state),
    bulged ? 'edges bulged' : 'edges bare',
    {
      verdict: 'act',
      says: bulged
        ? 'The weight of soil has pushed them out.'
        : 'Plants hung over and shaded the strip out.',
      asks: bulged
        ? 'Lift the bulged run, set a straight level line, and bring the lawn up to it.'
        : 'Hold the plants back, roughen and sow the strip.',
    },
  )
}
