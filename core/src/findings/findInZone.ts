import { sure } from '../quantities/sure.ts'
import type { FigureValue } from '../quantities/show.ts'
import { PENETRATION_NAMES } from '../reference/lists.ts'
import { lightLines, lightTrust } from '../reference/siteValues.ts'
import type { Schools } from '../reference/schools.ts'
import { num } from '../trace/figure.ts'
import { joined, quantity, say, type Message } from '../rules/message.ts'
import { reading } from '../rules/rule.ts'
import { zoneScope } from '../trace/scope.ts'
import type { Trace } from '../trace/trace.ts'
import type { ZoneReadings } from '../walkover/zoneReadings.ts'
import { found, unread, type Finding, type Found, type Outcome } from './finding.ts'
import { findingRules } from './findingRules.ts'
import {
  coverLines,
  moistureLines,
  mossLines,
  phLines,
  slopeLines,
  surfaceLines,
  thatchLines,
} from './lines.ts'
import {
  isGreen,
  livesThere,
  nothingLasts,
  onlyPassing,
  operationsOf,
  knitsItself,
  stolonOnly,
} from './findingAsks.ts'
import { seenInZone, wantsTrueSurface } from './seenInZone.ts'

export const findingReadings = {
  penetrometer: reading({ key: 'push', stage: 1, label: 'Penetrometer', unit: 'kPa' }),
  push: reading({
    key: 'push',
    id: 'reading.push-test',
    stage: 1,
    label: 'Push test',
    unit: 'text',
  }),
}

/** The line below which the firm starts over: that of its school. */
export const startOverLine = (schools: Schools, trace: Trace): number =>
  trace.value(schools.cover === 'fifty' ? coverLines.fifty : coverLines.thirty)

/**
 * What one zone's readings mean, by the lines of the trade. `year` is the year of the walk; `resting`
 * says that warm turf slept on its day, `cutOver` that the season of its hard cut has passed.
 */
export function findInZone(
  r: ZoneReadings,
  schools: Schools,
  year: number,
  trace: Trace,
  { resting, cutOver }: { resting: boolean; cutOver: boolean },
): Finding[] {
  const measured = [
    coverFinding(r, schools, trace),
    thatchFinding(r, trace),
    firmnessFinding(r, trace),
    lightFinding(r, schools, trace),
    slopeFinding(r, trace),
    phFinding(r, trace),
    mossFinding(r, trace),
    lowsFinding(r, trace),
    cutFinding(r, trace),
  ]
  const all = [
    ...measured.filter((f) => f !== null),
    ...seenInZone({ r, schools, trace, year, resting }),
  ]
  return all.map((f) => ({ ...f, ...operationsOf(f, { r, schools, trace, cutOver }) }))
}

function coverFinding(r: ZoneReadings, schools: Schools, trace: Trace): Found {
  if (!r.wanted)
    return unread(
      r,
      'cover',
      'Decides between leaving, overseeding and starting over.',
      'Count it by frame or step-and-look.',
    )
  const percent = startOverLine(schools, trace)
  const unsprayed = schools.weeds === 'no-chemicals'
  const line = quantity(percent, '%')
  const outcomes: Record<string, Outcome> = {
    'incurable grass': {
      verdict: 'hold',
      says: 'Perennial grassy weeds with no selective cure hold the ground.',
      asks: unsprayed
        ? 'Lift the old growth off with its roots, clear and sow; or live with them.'
        : 'Kill off, clear and sow; or live with them.',
    },
    'start over': {
      verdict: 'act',
      says: say`Below the ${line} line: too little wanted grass to build on.`,
      asks: unsprayed
        ? 'Sow as new ground.'
        : 'Sow as new ground. Killing off is only for incurable grassy weeds.',
    },
    thin: {
      verdict: 'act',
      says: say`Above the ${line} line: worth keeping, with room for seed.`,
      asks: 'Overseed the whole zone.',
    },
    'well covered': {
      verdict: 'fine',
      says: 'Seed would find little room.',
      asks: 'Feed; mend what is bare.',
    },
  }
  if (onlyPassing(r))
    for (const word of ['thin', 'well covered'])
      outcomes[word] = {
        verdict: 'act',
        says: 'It is a quick cover, gone within the year: not wanted cover, and its thin places need no mending.',
        asks: 'Sow the proper grass as new ground in its season.',
      }
  if (r.sunKnown && num(r.sun) < trace.value(lightLines.marginal))
    for (const word of ['start over', 'thin', 'incurable grass'])
      outcomes[word] = {
        ...outcomes[word]!,
        asks: 'Nothing: grass is the wrong plant in this light.',
      }
  else if (nothingLasts(r, schools, trace))
    for (const word of ['start over', 'thin'])
      outcomes[word] = {
        ...outcomes[word]!,
        asks: 'Open the canopy before anything is sown: in this light it does not last.',
      }
  else if (stolonOnly(r))
    outcomes.thin = {
      ...sure(outcomes.thin),
      asks: 'Fill the gaps with runners or plugs of the turf there.',
    }
  else if (knitsItself(r, trace))
    outcomes.thin = {
      verdict: 'act',
      says: say`Above the ${line} line, and its runners fill what is open.`,
      asks: 'Keep weeds out, feed and water it through its summer: no seed.',
    }
  const figure = trace.work(
    findingRules.cover,
    zoneScope(r.id),
    { wanted: r.wanted, weeds: r.incurable, line: percent },
    { school: `cover:${schools.cover}` },
  )
  return found(r, 'cover', figure, outcomes[figure.value as string]!)
}

function thatchFinding(r: ZoneReadings, trace: Trace): Found | null {
  // Blades would cut the runners it lives by.
  const raked = stolonOnly(r) ? 'Rake it out by hand, over years: its runners are never cut.' : null
  const outcomes: Record<string, Outcome> = {
    'deep mat': {
      verdict: 'hold',
      says: 'Thatch keeps rain from roots and seed from soil.',
      asks: raked ?? '{Scarify} in several passes or over years; decide on seed as you go.',
    },
    matted: {
      verdict: 'act',
      says: 'Thatch keeps rain from roots and seed from soil.',
      asks: raked ?? '{Scarify}, and before any seed.',
    },
    fine: { verdict: 'fine', says: 'No bar to seed.', asks: 'Nothing.' },
  }
  if (r.thatch) {
    const figure = trace.work(findingRules.thatch, zoneScope(r.id), { thatch: r.thatch })
    return found(r, 'thatch', figure, outcomes[figure.value as string]!)
  }
  if (r.wanted && num(r.wanted) < trace.value(coverLines.nothingLeft)) return null
  return unread(
    r,
    'thatch',
    'Decides whether seed can reach soil.',
    'Cut two or three plugs and measure.',
  )
}

/**
 * How hard the ground is, by the push test or else the penetrometer; null where neither was read.
 */
function firmness({ zone }: ZoneReadings, trace: Trace): FigureValue | null {
  const { compaction, penetrometer } = findingRules
  if (zone.penetration) return compaction.compute({ push: PENETRATION_NAMES[zone.penetration] }, {})
  return zone.pressure === null
    ? null
    : penetrometer.compute({ pressure: zone.pressure }, trace.values(penetrometer.values))
}

function firmnessFinding(r: ZoneReadings, trace: Trace): Found {
  const scope = zoneScope(r.id)
  const { penetration, pressure, soilMoist } = r.zone
  const firm = firmness(r, trace)
  if (firm === null)
    return unread(
      r,
      'compaction',
      'Decides whether cores come out.',
      'Push a screwdriver in, in moist soil.',
    )
  if (soilMoist !== true && firm !== 'open')
    return unread(
      r,
      'compaction',
      soilMoist === false
        ? 'Read in dry soil: it tells nothing.'
        : 'Whether the soil was moist is not noted: in dry soil the test tells nothing.',
      'Push again in soil near field capacity.',
    )
  const figure = penetration
    ? trace.work(findingRules.compaction, scope, {
        push: sure(trace.read(findingReadings.push, scope, PENETRATION_NAMES[penetration])),
      })
    : trace.work(findingRules.penetrometer, scope, {
        pressure: sure(trace.read(findingReadings.penetrometer, scope, pressure)),
      })
  const outcomes: Record<string, Outcome> = {
    open: { verdict: 'fine', says: 'Roots find their way.', asks: 'Nothing.' },
    firm: {
      verdict: 'act',
      says: 'Water and roots are held up.',
      asks: '{Core}, two crossed passes; new ground is loosened instead.',
    },
    compacted: {
      verdict: 'act',
      says: 'Water and roots are held up.',
      asks: '{Core}, two crossed passes, three where it is worst; new ground is loosened instead.',
    },
  }
  return found(r, 'compaction', figure, outcomes[figure.value as string]!)
}

function lightFinding(r: ZoneReadings, schools: Schools, trace: Trace): Found {
  if (!r.sunKnown)
    return unread(
      r,
      'light',
      'Decides which grass can live here.',
      'Note hours of direct sun in the growing weeks.',
    )
  const { marginal, shade, cool } = trace.values(lightLines)
  const reading = trace.value(lightTrust.reading)
  const sun = num(r.sun)
  const stands = livesThere(r, trace)
  const there = r.present.map((g) => g.short).join(', ')
  const keeps: Outcome = {
    verdict: 'act',
    says: say`${there} stands on it all the same: what covers so much lives there.`,
    asks: 'More of the same, thinly expected; raise the cut, and let more light in where you may.',
  }
  const renewed: Message = 'shade ryegrass, and renew it every year'
  const outcomes: Record<string, Outcome> = {
    'full sun': { verdict: 'fine', says: 'Any grass.', asks: 'Nothing.' },
    'part sun': {
      verdict: 'fine',
      says: 'Cool grasses, zoysia, St Augustine.',
      asks: 'No sun-only grass.',
    },
    shade:
      stands && r.present.every((g) => g.sunLeast > sun)
        ? keeps
        : {
            verdict: 'act',
            says: 'Fine fescues; thin expectations.',
            asks: 'Shade grasses, and raise the cut.',
          },
    'deep shade': stands
      ? keeps
      : {
          verdict: 'act',
          says: 'Marginal for any grass.',
          asks:
            schools.shade === 'renewed'
              ? say`Open the canopy if you may; else sow ${renewed}.`
              : !nothingLasts(r, schools, trace)
                ? 'Open the canopy if you may; else fine fescue, at the end of what it bears.'
                : say`Open the canopy if you may: nothing sown here lasts. One school sows ${renewed}.`,
        },
    'too dark for grass': stands
      ? keeps
      : {
          verdict: 'hold',
          says: 'Grass is the wrong plant here.',
          asks: 'Lift or fell, change the plant, or one school renews shade ryegrass each year.',
        },
  }
  const figure = trace.work(findingRules.light, zoneScope(r.id), { sun: r.sun })
  const outcome = outcomes[figure.value as string]!
  const line = [marginal, shade, cool].find((at) => Math.abs(sun - at) < reading)
  return found(r, 'light', figure, {
    ...outcome,
    says:
      line === undefined
        ? outcome.says
        : joined(
            [
              outcome.says,
              say`A reading is good to ${quantity(reading, 'h')} at best, and the line is at ${quantity(line, 'h')}: it may lie on either side.`,
            ],
            ' ',
          ),
  })
}

function slopeFinding(r: ZoneReadings, trace: Trace): Found | null {
  if (num(r.slope) < trace.value(slopeLines.press)) return null
  const blanket = 'Pinned blanket and a nurse grass.'
  const outcomes: Record<string, Outcome> = {
    sloping: {
      verdict: 'act',
      says: 'Rain can move seed here.',
      asks: 'Press the seed in and mulch.',
    },
    bank: { verdict: 'act', says: 'Rain moves seed and soil here.', asks: blanket },
    'steep bank': {
      verdict: 'hold',
      says: 'Rain moves seed and soil here.',
      asks: joined([blanket, 'No ride-on.']),
    },
  }
  const figure = trace.work(findingRules.slope, zoneScope(r.id), { slope: r.slope })
  return found(r, 'slope', figure, outcomes[figure.value as string]!)
}

/**
 * The pH that the grasses there like, from the one below which they want lime: centipede lives
 * lowest, fine fescues and bents low.
 */
function phRange({ present }: ZoneReadings, trace: Trace): { least: number; most: number } {
  const v = trace.values(phLines)
  const all = (test: (g: (typeof present)[number]) => boolean) =>
    present.length > 0 && present.every(test)
  if (all((g) => g.id === 'centipedegrass'))
    return { least: v.acidCentipede, most: v.mostCentipede }
  return all((g) => g.fine)
    ? { least: v.acidFine, most: v.mostFine }
    : { least: v.acid, most: v.limy }
}

function phFinding(r: ZoneReadings, trace: Trace): Found | null {
  if (!r.ph) return null
  const figure = trace.work(findingRules.ph, zoneScope(r.id), {
    ph: r.ph,
    ...phRange(r, trace),
  })
  const above = num(r.ph) > trace.value(phLines.noLime)
  const outcomes: Record<string, Outcome> = {
    acid: {
      verdict: 'act',
      says: 'Below what these grasses like.',
      asks: 'Lime, by the laboratory’s rate only.',
    },
    'above its range': {
      verdict: 'act',
      says: 'Above what these grasses like: they pale for want of iron.',
      asks: 'No lime; iron by leaf where it pales, and feeds that acidify.',
    },
    limy: { verdict: 'act', says: 'Iron locks up.', asks: 'No lime; iron by leaf if it pales.' },
    fine: {
      verdict: 'fine',
      says: above ? 'Above where lime helps.' : 'In range.',
      asks:
        r.zone.litter === 'needles'
          ? 'No lime: liming under evergreens is a habit, and the test does not ask for it.'
          : 'No lime.',
    },
  }
  return found(r, 'ph', figure, outcomes[figure.value as string]!)
}

function mossFinding(r: ZoneReadings, trace: Trace): Found | null {
  if (!r.moss || num(r.moss) < trace.value(mossLines.some)) return null
  const firm = firmness(r, trace)
  const causes: Message[] = [
    ...(num(r.sun) < trace.value(lightLines.cool) ? ['shade'] : []),
    ...(r.thatch && num(r.thatch) > trace.value(thatchLines.fine) ? ['thatch'] : []),
    ...(r.ph && num(r.ph) < phRange(r, trace).least ? ['acid'] : []),
    ...((firm !== null && firm !== 'open') || r.zone.packedSigns.length > 0 ? ['compaction'] : []),
    ...(r.zone.damp === 'wet' || (r.zone.ponding ?? 0) > trace.value(moistureLines.ponding)
      ? ['wet']
      : []),
    ...(r.zone.weedsSeen.includes('clover') ||
    r.zone.diseases.some((d) => d.kind === 'red-thread' && d.active !== false)
      ? ['hunger']
      : []),
  ]
  const figure = trace.work(findingRules.moss, zoneScope(r.id), { moss: r.moss })
  return found(r, 'moss', figure, {
    verdict: figure.value === 'mossy' ? 'act' : 'fine',
    says:
      causes.length > 0 ? say`One story with ${causes}.` : 'Look for shade, wet, acid or hunger.',
    asks:
      figure.value === 'mossy'
        ? 'Put the cause right, or it returns.'
        : 'Nothing by itself: so little goes with its cause.',
  })
}

function lowsFinding(r: ZoneReadings, trace: Trace): Found | null {
  if (!r.lowsDepth || num(r.lowsDepth) <= 0) return null
  const lowCut = trace.value(surfaceLines.lowCut)
  const strict = wantsTrueSurface(r, trace)
  const line = trace.value(strict ? surfaceLines.strict : surfaceLines.forgiving)
  const figure = trace.work(findingRules.lows, zoneScope(r.id), { depth: r.lowsDepth, line })
  const bumpy = figure.value === 'bumpy'
  return found(r, 'lows', figure, {
    verdict: bumpy ? 'act' : 'fine',
    says: strict
      ? 'A low cut shows every dip.'
      : say`A rotary above ${quantity(lowCut, 'mm')} forgives small dips.`,
    asks: bumpy ? 'Level.' : 'Nothing.',
  })
}

/** Mown below the range of every grass there; nothing is said of what is in it, or of greens. */
function cutFinding(r: ZoneReadings, trace: Trace): Found | null {
  if (r.zone.heightOfCut === null || num(r.cut) >= r.foot || isGreen(r, trace)) return null
  const low = r.present.reduce((a, b) => (b.cut[0] < a.cut[0] ? b : a))
  const figure = trace.work(findingRules.cut, zoneScope(r.id), { cut: r.cut, foot: r.foot })
  return found(r, 'cut', figure, {
    verdict: 'act',
    says: say`${low.short} is kept at ${quantity({ low: low.cut[0], high: low.cut[1] }, 'mm')}: lower it thins out, whatever else is done.`,
    asks: say`Raise the cut by a notch a week to ${r.keep}: often the first and cheapest cure.`,
  })
}
