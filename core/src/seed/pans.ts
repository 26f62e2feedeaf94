import { sure } from '../quantities/sure.ts'
import type { Firm } from '../entities/firm.ts'
import { firmSettings } from '../firm/firmSettings.ts'
import type { GrassId } from '../reference/grasses.ts'
import { num, type Figure } from '../trace/figure.ts'
import { say, type Message } from '../rules/message.ts'
import { procedure, rule } from '../rules/rule.ts'
import { zoneScope } from '../trace/scope.ts'
import type { Trace } from '../trace/trace.ts'

const pan = { stage: 4 } as const

/** Seed weighed out for a pass, and the spreader that lays it. */
export const panRules = {
  pan: rule({
    ...pan,
    id: 'seed.pan',
    label: 'Weigh out for each pass',
    unit: 'kg',
    standing: 'practice',
    says: 'Half of the seed, to what the scale shows. The second pass goes at right angles.',
    inputs: { half: 'kg', scale: 'kg' },
    formula: 'round(half / scale) * scale',
    compute: ({ half, scale }) => Math.round(half / scale) * scale,
  }),
  handPan: rule({
    ...pan,
    id: 'seed.hand-pan',
    label: 'Weigh out for the bare patches',
    unit: 'kg',
    standing: 'practice',
    says: 'What the bare patches take once more, to what the scale shows. Each is raked through to soil first.',
    inputs: { kg: 'kg', scale: 'kg' },
    formula: 'round(kg / scale) * scale',
    compute: ({ kg, scale }) => Math.round(kg / scale) * scale,
  }),
  strip: rule({
    ...pan,
    id: 'seed.strip',
    label: 'Strip test',
    unit: 'kg',
    standing: 'calculation',
    says: 'What has to come out over the test strip, one pass at half the rate, on the strip the spreader covers evenly.',
    inputs: { rate: 'g/m2', swath: 'm', strip: 'm' },
    formula: 'rate / 2 * swath * strip',
    compute: ({ rate, swath, strip }) => ((rate / 2) * swath * strip) / 1000,
  }),
  setting: procedure({
    ...pan,
    id: 'seed.setting',
    label: 'Spreader setting',
    unit: '1',
    standing: 'reading',
    source: 'your own strips',
    says: 'Between the two of your own strips that came out nearest below and above.',
    inputs: { rate: 'g/m2', settings: '1[]', rates: 'g/m2[]' },
    steps: 'a straight line between the nearest strips on either side',
    by: 'seed/pans: settingFor',
    check: 'pans.test.ts',
  }),
  handfuls: rule({
    ...pan,
    id: 'seed.handfuls',
    label: 'By hand, handfuls',
    unit: '1',
    standing: 'calculation',
    says: 'The bag rate, in your own handfuls: weigh five and divide.',
    inputs: { rate: 'g/m2', ground: 'm2', handful: 'kg' },
    formula: 'rate * ground / handful',
    compute: ({ rate, ground, handful }) => (rate * ground) / (handful * 1000),
  }),
}

/** A strip that was tried: setting, and what came out, g/m². */
export interface Strip {
  setting: number
  rate: number
}

/**
 * The setting for a rate from strips tried; null where none lie on both sides. Strips of one
 * setting are averaged.
 */
export function settingFor(
  rate: number,
  strips: readonly Strip[],
): { setting: number; between: [Strip, Strip] } | null {
  const bySetting = new Map<number, number[]>()
  for (const s of strips) bySetting.set(s.setting, [...(bySetting.get(s.setting) ?? []), s.rate])
  const tried = [...bySetting]
    .map(([setting, rates]): Strip => ({
      setting,
      rate: rates.reduce((a, b) => a + b, 0) / rates.length,
    }))
    .sort((a, b) => a.rate - b.rate || a.setting - b.setting)
  const at = tried.findIndex((s) => s.rate >= rate - 1e-9)
  const above = tried[at]
  if (!above) return null
  const below = Math.abs(above.rate - rate) < 1e-9 ? above : tried[at - 1]
  if (!below) return null
  const share = above.rate > below.rate ? (rate - below.rate) / (above.rate - below.rate) : 0
  return {
    setting: below.setting + share * (above.setting - below.setting),
    between: [below, above],
  }
}

/**
 * Which setting to try next: on the far side of what was tried, by the line through the nearest
 * two; or that any will do to begin with.
 */
export function nextStrip(
  rate: number,
  strips: readonly Strip[],
): { setting: number } | 'any' | null {
  if (strips.length === 0) return 'any'
  if (settingFor(rate, strips)) return null
  const tried = [...strips].sort((a, b) => Math.abs(a.rate - rate) - Math.abs(b.rate - rate))
  const [near] = tried
  const other = tried.find((s) => s.setting !== sure(near).setting && s.rate !== sure(near).rate)
  const slope = other
    ? (sure(near).rate - other.rate) / (sure(near).setting - other.setting)
    : sure(near).rate / Math.max(sure(near).setting, 1e-9)
  if (!(slope > 0)) return 'any'
  // A little beyond, so that the strips lie on both sides.
  return { setting: Math.max(0, sure(near).setting + (1.1 * (rate - sure(near).rate)) / slope) }
}

/**
 * How finely a hand weighs, kg, where the firm names no step of its own: 50 g from a kilogram, 100
 * g from ten.
 */
const handStep = (kg: number): number => (kg >= 10 ? 0.1 : kg >= 1 ? 0.05 : 0)

/** A square yard, m². Source: NIST SP 811. */
const SQUARE_YARD = 0.83612736

export interface Pans {
  pan: Figure
  strip: Figure
  setting: Figure | null
  /** What to try on a strip first, where the setting is not known yet. */
  tryNext: Message
  handfuls: Figure
}

/** What of the firm its pans and spreader settings go by. */
export type Spreader = Pick<
  Firm,
  'units' | 'swath' | 'strip' | 'scaleStep' | 'handful' | 'calibrations'
>

/** The step that a firm's scale tells for an amount, kg. */
const scaleFor = (kg: number, firm: Spreader, trace: Trace): number =>
  firm.scaleStep ?? Math.max(trace.value(firmSettings.scaleStep.usual), handStep(kg))

/** The pan of a zone's bare patches. */
export const handPan = (zone: string, kg: Figure, firm: Spreader, trace: Trace): Figure =>
  trace.work(
    panRules.handPan,
    zoneScope(zone),
    { kg, scale: scaleFor(num(kg), firm, trace) },
    { change: 'The step of your scale, in Yard, Firm.' },
  )

/** Pans, strip, setting and handfuls of one zone. Strips of the same leading grass count. */
export function pansOf(
  zone: string,
  leader: GrassId,
  half: Figure,
  bulk: Figure,
  firm: Spreader,
  trace: Trace,
): Pans {
  const scope = zoneScope(zone)
  const metric = firm.units === 'metric'
  const setting = <K extends 'swath' | 'strip' | 'handful'>(key: K) =>
    firm[key] ?? trace.value(firmSettings[key].usual)
  const strips = firm.calibrations.flatMap(
    ({ grass, setting: at, grams, swath, strip }): Strip[] =>
      grass === leader && at !== null && grams !== null && swath !== null && strip !== null
        ? [{ setting: at, rate: (grams * 1000) / (swath * strip) }]
        : [],
  )
  const wanted = num(bulk) / 2
  const found = settingFor(wanted, strips)
  const next = nextStrip(wanted, strips)
  return {
    pan: trace.work(
      panRules.pan,
      scope,
      { half, scale: scaleFor(num(half), firm, trace) },
      { change: 'The step of your scale, in Yard, Firm.' },
    ),
    strip: trace.work(panRules.strip, scope, {
      rate: bulk,
      swath: setting('swath'),
      strip: setting('strip'),
    }),
    setting:
      found &&
      trace.found(panRules.setting, scope, Math.round(found.setting * 10) / 10, {
        rate: wanted,
        settings: found.between.map((s) => s.setting),
        rates: found.between.map((s) => Math.round(s.rate * 100) / 100),
      }),
    tryNext:
      next === null
        ? ''
        : next === 'any'
          ? 'No strip of this seed is entered: try a low setting, weigh what comes out, and enter it.'
          : say`Try setting ${Math.round(next.setting * 10) / 10} on a strip next.`,
    handfuls: trace.work(
      panRules.handfuls,
      scope,
      { rate: bulk, ground: metric ? 1 : SQUARE_YARD, handful: setting('handful') },
      {
        label: metric
          ? 'By hand, handfuls to a square metre'
          : 'By hand, handfuls to a square yard',
      },
    ),
  }
}
