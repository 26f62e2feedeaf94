import { PENETRATION_NAMES } from '../reference/lists.ts'
import { GRASSES } from '../reference/grasses.ts'
import type { ZoneReadings } from '../walkover/zoneReadings.ts'
import { num, rule, type Figure, type Rule, type Workings } from '../trace/figure.ts'
import type { Schools } from '../reference/schools.ts'
import { seenInZone } from './seenInZone.ts'

export const findingRules = {
  coverThirty: rule(
    'finding.cover.thirty',
    'Below 30 % wanted grass start over; from 30 % overseed.',
    '{0} against 30 %',
    'practice',
    'extension guidance, from memory',
  ),
  coverFifty: rule('finding.cover.fifty', 'Below 50 % wanted grass start over.', '{0} against 50 %', 'practice', 'extension guidance, from memory'),
  thatch: rule(
    'finding.thatch',
    'To 12 mm fine; above, {scarify}; above 25 mm more passes or years, and decide on seed.',
    '{0} against 12 mm and 25 mm',
    'practice',
  ),
  compaction: rule(
    'finding.compaction',
    'What will not go in by hand, in moist soil, is compacted. Dry soil fails the test and tells nothing.',
    'push test, in moist soil',
    'practice',
    'roots nearly stop about 2–2.5 MPa: Taylor, Roberson & Parker 1966, from memory',
  ),
  light: rule(
    'finding.light',
    '7 h any grass; 4–7 h cool grasses and zoysia; 3–4 h fine fescues; 2–3 h marginal; under 2 h grass is the wrong plant.',
    '{0} against 7, 4, 3 and 2 h',
    'practice',
  ),
  slope: rule(
    'finding.slope',
    '1 in 10: press in and mulch. 1 in 5: pinned blanket and nurse grass. 1 in 4: no ride-on.',
    '{0} against 1 in 10, 1 in 5, 1 in 4',
    'practice',
  ),
  ph: rule(
    'finding.ph',
    'Below 6.0 lime by the laboratory’s rate; 6.0–6.5 fine; above 6.5 no lime; above 7.5 iron locks up. Fine fescues and bents 5.5–6.5.',
    '{0} against 6.0, 6.5 and 7.5',
    'practice',
  ),
  moss: rule(
    'finding.moss',
    'Moss speaks of shade, wet, acid, thatch or hunger, in any mix. What comes out leaves ground to sow.',
    '{0} of the ground',
    'practice',
  ),
  penetrometer: rule(
    'finding.penetrometer',
    'Roots nearly stop at about 2 to 2.5 MPa (300 to 360 psi); half of that already slows them. In moist soil only.',
    '{0} against 1,000 and 2,000 kPa',
    'published',
    'Taylor, Roberson & Parker 1966, from memory; the lower line common practice',
  ),
  lows: rule('finding.lows', 'Light reel mowers need the truest surface; a rotary above 40 mm forgives.', '{0} over {1}', 'practice'),
}

export type FindingKind =
  | 'cover'
  | 'thatch'
  | 'compaction'
  | 'light'
  | 'slope'
  | 'ph'
  | 'moss'
  | 'lows'
  | 'moisture'
  | 'pests'
  | 'disease'
  | 'weeds'
  | 'lab'
  | 'organic'
  | 'browned'
  | 'dogs'
  | 'trees'
  | 'age'
  | 'mowing'
  | 'edges'
export type FindingVerdict = 'fine' | 'act' | 'hold' | 'unread'

/** A reading held against the trade's line: what it means and what it asks for. */
export interface Finding {
  zone: string
  kind: FindingKind
  verdict: FindingVerdict
  /** One short phrase for the spine: "thatch 22 mm". */
  word: string
  says: string
  asks: string
  figure: string | null
}

export const FINDING_NAMES: Record<FindingKind, string> = {
  cover: 'Wanted cover',
  thatch: 'Thatch',
  compaction: 'Firmness',
  light: 'Light',
  slope: 'Slope',
  ph: 'pH',
  moss: 'Moss',
  lows: 'Surface',
  moisture: 'Moisture',
  pests: 'Pests',
  disease: 'Disease',
  weeds: 'Weeds seen',
  lab: 'P and K',
  organic: 'Organic matter',
  browned: 'Browned off',
  dogs: 'Dogs',
  trees: 'Trees',
  age: 'Age of the sward',
  mowing: 'Mowing habit',
  edges: 'Edges',
}

export type Say = (kind: FindingKind, by: Rule, inputs: (Figure | null)[], verdict: FindingVerdict, word: string, says: string, asks: string) => void

/** The reading a finding is about, as a figure of its zone. */
export const READING_OF: Record<FindingKind, string> = {
  cover: 'wanted',
  thatch: 'thatch',
  compaction: 'push',
  light: 'sun',
  slope: 'slope',
  ph: 'ph',
  moss: 'moss',
  lows: 'lows.depth',
  moisture: 'seen.moisture',
  pests: 'seen.pests',
  disease: 'seen.disease',
  weeds: 'seen.weeds',
  lab: 'seen.lab',
  organic: 'organic',
  browned: 'seen.browned',
  dogs: 'seen.dogs',
  trees: 'seen.trees',
  age: 'seen.age',
  mowing: 'seen.mowing',
  edges: 'seen.edges',
}

/** What one zone's readings mean, by the lines of the trade. `year` is the year of the walk. */
export function findInZone(r: ZoneReadings, schools: Schools, year: number, w: Workings): Finding[] {
  const found: Finding[] = []
  const say = (
    kind: FindingKind,
    by: Rule,
    inputs: (Figure | null)[],
    verdict: FindingVerdict,
    word: string,
    says: string,
    asks: string,
    school?: string,
  ) => {
    const figure =
      verdict === 'unread'
        ? null
        : w.add(2, `${r.id}.finding.${kind}`, FINDING_NAMES[kind], word, '1', by, inputs, { zone: r.id, ...(school ? { school } : {}) })
    found.push({ zone: r.id, kind, verdict, word, says, asks, figure: figure?.id ?? null })
  }
  const unread = (kind: FindingKind, says: string, asks: string) => say(kind, findingRules.light, [], 'unread', 'not read', says, asks)

  const line = schools.cover === 'fifty' ? 50 : 30
  if (r.wanted) {
    const c = num(r.wanted)
    const by = schools.cover === 'fifty' ? findingRules.coverFifty : findingRules.coverThirty
    const incurable = num(r.incurable)
    const [verdict, word, says, asks]: [FindingVerdict, string, string, string] =
      incurable >= 40
        ? ['hold', 'incurable grass', 'Perennial grassy weeds with no selective cure hold the ground.', 'Kill off, clear and sow; or live with them.']
        : c < line
          ? [
              'act',
              'start over',
              `Below the ${line} % line: too little wanted grass to build on.`,
              'Sow as new ground. Killing off is only for incurable grassy weeds.',
            ]
          : c < 85
            ? ['act', 'thin', `Above the ${line} % line: worth keeping, with room for seed.`, 'Overseed the whole zone.']
            : ['fine', 'well covered', 'Seed would find little room.', 'Feed; mend what is bare.']
    say('cover', by, [r.wanted, r.incurable], verdict, word, says, asks, `cover:${schools.cover}`)
  } else unread('cover', 'Decides between leaving, overseeding and starting over.', 'Count it by frame or step-and-look.')

  if (r.thatch) {
    const t = num(r.thatch)
    say(
      'thatch',
      findingRules.thatch,
      [r.thatch],
      t > 25 ? 'hold' : t > 12 ? 'act' : 'fine',
      t > 25 ? 'deep mat' : t > 12 ? 'matted' : 'fine',
      t > 12 ? 'Thatch keeps rain from roots and seed from soil.' : 'No bar to seed.',
      t > 25 ? '{Scarify} in several passes or over years; decide on seed as you go.' : t > 12 ? '{Scarify} before seed.' : 'Nothing.',
    )
  } else if (!r.wanted || num(r.wanted) >= 15) unread('thatch', 'Decides whether seed can reach soil.', 'Cut two or three plugs and measure.')

  const pressed = r.zone.pressure
  const p = r.zone.penetration ?? (pressed === null ? null : pressed >= 2000 ? 'stops' : pressed >= 1000 ? 'effort' : 'easy')
  if (p && (r.zone.soilMoist === true || p === 'easy')) {
    const metered = r.zone.penetration === null && pressed !== null
    const push = metered
      ? w.read(1, `${r.id}.push`, 'Penetrometer', pressed, 'kPa', r.id)
      : w.read(1, `${r.id}.push`, 'Push test', PENETRATION_NAMES[p], '1', r.id)
    const [verdict, word] =
      p === 'stops' ? (['act', 'compacted'] as const) : p === 'effort' ? (['act', 'firm'] as const) : (['fine', 'open'] as const)
    say(
      'compaction',
      metered ? findingRules.penetrometer : findingRules.compaction,
      [push],
      verdict,
      word,
      p === 'easy' ? 'Roots find their way.' : 'Water and roots are held up.',
      p === 'easy' ? 'Nothing.' : p === 'effort' ? '{Core}, two crossed passes.' : '{Core}, two crossed passes; three where it is worst.',
    )
  } else if (p) {
    unread(
      'compaction',
      r.zone.soilMoist === false
        ? 'Read in dry soil: it tells nothing.'
        : 'Whether the soil was moist is not noted: in dry soil the test tells nothing.',
      'Push again in soil near field capacity.',
    )
  } else unread('compaction', 'Decides whether cores come out.', 'Push a screwdriver in, in moist soil.')

  const sun = num(r.sun)
  const light = (verdict: FindingVerdict, word: string, says: string, asks: string) =>
    !r.sunKnown
      ? unread('light', 'Decides which grass can live here.', 'Note hours of direct sun in the growing weeks.')
      : say('light', findingRules.light, [r.sun], verdict, word, says, asks)
  if (sun >= 7) light('fine', 'full sun', 'Any grass.', 'Nothing.')
  else if (sun >= 4) light('fine', 'part sun', 'Cool grasses, zoysia, St Augustine.', 'No sun-only grass.')
  else if (sun >= 3) light('act', 'shade', 'Fine fescues; thin expectations.', 'Shade grasses, and raise the cut.')
  else if (sun >= 2) light('act', 'deep shade', 'Marginal for any grass.', 'Open the canopy if you may; else sow fine fescue yearly.')
  else
    light(
      'hold',
      'too dark for grass',
      'Grass is the wrong plant here.',
      'Lift or fell, change the plant, or one school renews shade ryegrass each year.',
    )

  const slope = num(r.slope)
  if (slope >= 10)
    say(
      'slope',
      findingRules.slope,
      [r.slope],
      slope >= 25 ? 'hold' : 'act',
      slope >= 25 ? 'steep bank' : slope >= 20 ? 'bank' : 'sloping',
      slope >= 20 ? 'Rain moves seed and soil here.' : 'Rain can move seed here.',
      `${slope >= 20 ? 'Pinned blanket and a nurse grass.' : 'Press the seed in and mulch.'}${slope >= 25 ? ' No ride-on.' : ''}`,
    )

  if (r.ph) {
    const ph = num(r.ph)
    const acidLovers = r.zone.present.length > 0 && r.zone.present.every((g) => GRASSES[g].fine)
    const low = acidLovers ? 5.5 : 6
    say(
      'ph',
      findingRules.ph,
      [r.ph],
      ph < low || ph > 7.5 ? 'act' : 'fine',
      ph < low ? 'acid' : ph > 7.5 ? 'limy' : 'fine',
      ph < low ? 'Below what these grasses like.' : ph > 7.5 ? 'Iron locks up.' : ph > 6.5 ? 'Above where lime helps.' : 'In range.',
      ph < low ? 'Lime, by the laboratory’s rate only.' : ph > 7.5 ? 'No lime; iron by leaf if it pales.' : 'No lime.',
    )
  }
  if (r.moss && num(r.moss) >= 5) {
    const m = num(r.moss)
    const why = [
      sun < 4 && 'shade',
      r.thatch && num(r.thatch) > 12 && 'thatch',
      r.ph && num(r.ph) < 6 && 'acid',
      p && p !== 'easy' && 'compaction',
    ].filter(Boolean)
    say(
      'moss',
      findingRules.moss,
      [r.moss],
      m >= 20 ? 'act' : 'fine',
      m >= 20 ? 'mossy' : 'some moss',
      why.length ? `One story with ${why.join(', ')}.` : 'Look for shade, wet, acid or hunger.',
      'Put the cause right, or it returns.',
    )
  }
  if (r.lowsDepth && num(r.lowsDepth) > 0) {
    const strict = r.zone.mower === 'reel' || num(r.cut) <= 40
    const d = num(r.lowsDepth)
    say(
      'lows',
      findingRules.lows,
      [r.lowsDepth, r.lowsShare],
      d > (strict ? 5 : 15) ? 'act' : 'fine',
      d > (strict ? 5 : 15) ? 'bumpy' : 'true enough',
      strict ? 'A low cut shows every dip.' : 'A rotary above 40 mm forgives small dips.',
      d > (strict ? 5 : 15) ? 'Level.' : 'Nothing.',
    )
  }
  seenInZone(r, say, year, w)
  return found
}

export const findingOf = (findings: readonly Finding[], zone: string, kind: FindingKind) => findings.find((f) => f.zone === zone && f.kind === kind)
