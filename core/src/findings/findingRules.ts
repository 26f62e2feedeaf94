import { procedure, rule, type TradeValues } from '../rules/rule.ts'
import { lightLines } from '../reference/siteValues.ts'
import {
  coverLines,
  firmnessLines,
  habitLines,
  moistureLines,
  mossLines,
  phLines,
  slopeLines,
  surfaceLines,
  thatchLines,
} from './lines.ts'

const finding = { stage: 2, unit: 'text' } as const
const memory = 'extension guidance, from memory'

/**
 * Findings that hold a number against its lines. The word they come to says what follows (outcomes
 * in findInZone).
 */
export const findingRules = {
  cover: rule({
    ...finding,
    id: 'finding.cover',
    label: 'Wanted cover',
    standing: 'practice',
    source: memory,
    says: 'Below the line of the school start over; above it keep what is there and overseed, up to {thin}. From {incurable} under incurable grassy weeds nothing less than a kill-off ends them.',
    values: { incurable: coverLines.incurable, thin: coverLines.thin },
    inputs: { wanted: '%', weeds: '%', line: '%' },
    formula:
      'weeds >= incurable ? "incurable grass" : wanted < line ? "start over" : wanted < thin ? "thin" : "well covered"',
    compute: ({ wanted, weeds, line }, { incurable, thin }) =>
      weeds >= incurable
        ? 'incurable grass'
        : wanted < line
          ? 'start over'
          : wanted < thin
            ? 'thin'
            : 'well covered',
  }),
  thatch: rule({
    ...finding,
    id: 'finding.thatch',
    label: 'Thatch',
    standing: 'practice',
    says: 'To {fine}, give or take {same}, fine; above, {scarify}; above {deep} more passes or years, and decide on seed.',
    values: { fine: thatchLines.fine, same: thatchLines.same, deep: thatchLines.deep },
    inputs: { thatch: 'mm' },
    formula: 'thatch > deep + same ? "deep mat" : thatch > fine + same ? "matted" : "fine"',
    compute: ({ thatch }, { fine, same, deep }) =>
      thatch > deep + same ? 'deep mat' : thatch > fine + same ? 'matted' : 'fine',
  }),
  compaction: rule({
    ...finding,
    id: 'finding.compaction',
    label: 'Firmness',
    standing: 'practice',
    source: 'roots nearly stop about 2–2.5 MPa: Taylor, Roberson & Parker 1966, from memory',
    says: 'What will not go in by hand, in moist soil, is compacted. Dry soil fails the test and tells nothing.',
    inputs: { push: 'text' },
    formula:
      'same(push, "will not go in") ? "compacted" : same(push, "with effort") ? "firm" : "open"',
    compute: ({ push }) =>
      push === 'will not go in' ? 'compacted' : push === 'with effort' ? 'firm' : 'open',
  }),
  penetrometer: rule({
    ...finding,
    id: 'finding.penetrometer',
    key: 'finding.compaction',
    label: 'Firmness',
    standing: 'published',
    source: 'Taylor, Roberson & Parker 1966, from memory; the lower line common practice',
    says: 'Roots nearly stop from {stops}; half of that already slows them. In moist soil only.',
    values: firmnessLines,
    inputs: { pressure: 'kPa' },
    formula: 'pressure >= stops ? "compacted" : pressure >= slows ? "firm" : "open"',
    compute: ({ pressure }, { slows, stops }) =>
      pressure >= stops ? 'compacted' : pressure >= slows ? 'firm' : 'open',
  }),
  light: rule({
    ...finding,
    id: 'finding.light',
    label: 'Light',
    standing: 'practice',
    says: 'From {any} any grass; from {cool} cool grasses and zoysia; from {shade} fine fescues; from {marginal} marginal; under that grass is the wrong plant.',
    values: lightLines,
    inputs: { sun: 'h' },
    formula:
      'sun >= any ? "full sun" : sun >= cool ? "part sun" : sun >= shade ? "shade" : sun >= marginal ? "deep shade" : "too dark for grass"',
    compute: ({ sun }, { any, cool, shade, marginal }) =>
      sun >= any
        ? 'full sun'
        : sun >= cool
          ? 'part sun'
          : sun >= shade
            ? 'shade'
            : sun >= marginal
              ? 'deep shade'
              : 'too dark for grass',
  }),
  slope: rule({
    ...finding,
    id: 'finding.slope',
    label: 'Slope',
    standing: 'practice',
    says: 'From {press} press in and mulch; from {bank} pinned blanket and nurse grass; from {steep} no ride-on.',
    values: slopeLines,
    inputs: { slope: 'slope' },
    formula:
      'slope >= steep ? "steep bank" : slope >= bank ? "bank" : slope >= press ? "sloping" : "gentle"',
    compute: ({ slope }, { press, bank, steep }) =>
      slope >= steep
        ? 'steep bank'
        : slope >= bank
          ? 'bank'
          : slope >= press
            ? 'sloping'
            : 'gentle',
  }),
  ph: rule({
    ...finding,
    id: 'finding.ph',
    label: 'pH',
    standing: 'practice',
    says: 'Below {acid} lime by the laboratory’s rate; to {noLime} fine; above that no lime; above {limy} iron locks up. Fine fescues and bents from {acidFine} to {mostFine}, centipede from {acidCentipede} to {mostCentipede}.',
    values: {
      acid: phLines.acid,
      noLime: phLines.noLime,
      limy: phLines.limy,
      acidFine: phLines.acidFine,
      acidCentipede: phLines.acidCentipede,
      mostFine: phLines.mostFine,
      mostCentipede: phLines.mostCentipede,
    },
    inputs: { ph: '1', least: '1', most: '1' },
    formula: 'ph < least ? "acid" : ph > limy ? "limy" : ph > most ? "above its range" : "fine"',
    compute: ({ ph, least, most }, { limy }) =>
      ph < least ? 'acid' : ph > limy ? 'limy' : ph > most ? 'above its range' : 'fine',
  }),
  moss: rule({
    ...finding,
    id: 'finding.moss',
    label: 'Moss',
    standing: 'practice',
    says: 'Moss speaks of shade, wet, acid, thatch or hunger, in any mix. What comes out leaves ground to sow. From {some} it is worth a word, from {mossy} it asks for work of its own.',
    values: mossLines,
    inputs: { moss: '%' },
    formula: 'moss >= mossy ? "mossy" : "some moss"',
    compute: ({ moss }, { mossy }) => (moss >= mossy ? 'mossy' : 'some moss'),
  }),
  lows: rule({
    ...finding,
    id: 'finding.lows',
    label: 'Surface',
    standing: 'practice',
    says: 'Light reel mowers need the truest surface; a rotary above {lowCut} forgives. Lows show from {strict}, or else from {forgiving}.',
    values: surfaceLines,
    inputs: { depth: 'mm', line: 'mm' },
    formula: 'depth > line ? "bumpy" : "true enough"',
    compute: ({ depth, line }) => (depth > line ? 'bumpy' : 'true enough'),
  }),
  cut: rule({
    ...finding,
    id: 'finding.cut',
    label: 'Height of cut',
    standing: 'practice',
    says: 'Mown below the range of the grass that stands it thins out: the cut is raised by a notch of {notch} a week.',
    values: { notch: habitLines.notch },
    inputs: { cut: 'mm', foot: 'mm' },
    formula: 'cut < foot ? "mown too low" : "in its range"',
    compute: ({ cut, foot }) => (cut < foot ? 'mown too low' : 'in its range'),
  }),
  organic: rule({
    ...finding,
    id: 'finding.organic',
    label: 'Organic matter',
    standing: 'practice',
    says: 'A sand green is kept near {greenOrganic} organic matter: below, sand alone; above, {core}, so that sand gets in and organic matter out.',
    values: { greenOrganic: habitLines.greenOrganic, near: habitLines.near },
    inputs: { organic: '%' },
    formula:
      'organic > greenOrganic + near ? "too rich for sand" : organic < greenOrganic - near ? "lean" : "as it should be"',
    compute: ({ organic }, { greenOrganic, near }) =>
      organic > greenOrganic + near
        ? 'too rich for sand'
        : organic < greenOrganic - near
          ? 'lean'
          : 'as it should be',
  }),
}

const seen = <const V extends TradeValues>(
  kind: string,
  label: string,
  says: string,
  steps: string,
  values?: V,
) =>
  procedure({
    ...finding,
    id: `finding.${kind}`,
    label,
    standing: 'practice',
    says,
    steps,
    by: 'findings/seenInZone: seenInZone',
    check: 'findings.test.ts',
    inputs: { seen: 'text' },
    values: values ?? {},
  })

/** Findings from what was seen rather than measured. */
export const seenRules = {
  moisture: seen(
    'moisture',
    'Moisture',
    'Dust-dry after rain where a wedge is lifted, or a drop that stands longer than {drop}: water-repellent. Water standing longer than {ponding}: a cap, compaction or a hollow that needs grade.',
    'wedge, drop test, ponding',
    moistureLines,
  ),
  pests: seen('pests', 'Pests', 'Never sow into live pests.', 'seen, and still active?'),
  disease: seen(
    'disease',
    'Disease',
    'Compare the fed with the unfed side before treating anything.',
    'seen, and still active?',
  ),
  weeds: seen(
    'weeds',
    'Weeds seen',
    'What grows unasked says what the ground lacks.',
    'the kinds seen',
  ),
  lab: seen(
    'lab',
    'P and K',
    'Index adequate: leave phosphorus and potassium out; more does nothing, and phosphorus may be unlawful.',
    'laboratory index',
  ),
  browned: seen(
    'browned',
    'Browned off',
    'Dead or only dormant? Water a square and wait ten days.',
    'what was seen',
  ),
  dogs: seen(
    'dogs',
    'Dogs',
    'Scorched rings: flush, change the top soil, reseed; one trained corner is the cure.',
    'what was seen',
  ),
  trees: seen(
    'trees',
    'Trees',
    'A tree gone changes the light, and the old grass is the wrong one. Under evergreens: light and dryness first, litter second.',
    'what was seen',
  ),
  age: seen(
    'age',
    'Age of the sward',
    'An old sward, from {oldSward}, takes in newer cultivars by overseeding.',
    'years since it was laid',
    {
      oldSward: habitLines.oldSward,
    },
  ),
  mowing: seen(
    'mowing',
    'Mowing habit',
    'Change direction now and then: grass always mown one way leans, ribs and scalps. No ride-on from {steep}.',
    'what was seen',
    {
      rideOn: habitLines.rideOn,
      steep: slopeLines.steep,
    },
  ),
  edges: seen(
    'edges',
    'Edges',
    'Set the edge to the line and bring the lawn up to it.',
    'what was seen',
  ),
  signs: seen(
    'signs',
    'Signs of packed soil',
    'Wheel marks, trouble that persists under a good programme, and bare spots that never fill speak of packed soil.',
    'what was seen',
  ),
  felt: seen(
    'felt',
    'Surface underfoot',
    'Felt through the mower, or by a rolled ball; a string line or a laser tells it in mm.',
    'what was felt',
  ),
  layer: seen(
    'layer',
    'Layer below',
    'A layer of another stuff holds water and roots above it: from {layer} it is pierced by cores.',
    'its depth in a plug',
    {
      layer: thatchLines.layer,
    },
  ),
  wrong: seen(
    'wrong',
    'Grass there',
    'Low cover alone means new ground; killing off is for incurable grassy weeds, or for a grass that is wrong.',
    'what the customer and the site want',
  ),
}
