import { firmSettings } from '../firm/firmSettings.ts'
import {
  settingByStrips,
  settingFor,
  settingShown,
  spreaderOf,
  stripTest,
  stripsOf,
  tryNext,
  type Spreader,
} from '../firm/spreader.ts'
import type { GrassId } from '../reference/grasses.ts'
import { num, type Figure } from '../trace/figure.ts'
import type { Message } from '../rules/message.ts'
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
  strip: rule({ ...pan, ...stripTest, id: 'seed.strip' }),
  setting: procedure({ ...pan, ...settingByStrips, id: 'seed.setting' }),
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
  const strips = stripsOf(firm, (tried) => tried.feed === null && tried.grass === leader)
  const wanted = num(bulk) / 2
  const found = settingFor(wanted, strips)
  return {
    pan: trace.work(
      panRules.pan,
      scope,
      { half, scale: scaleFor(num(half), firm, trace) },
      { change: 'The step of your scale, in Yard, Firm.' },
    ),
    strip: trace.work(panRules.strip, scope, { rate: bulk, ...spreaderOf(firm, trace) }),
    setting: found && trace.found(panRules.setting, scope, ...settingShown(found, wanted)),
    tryNext: tryNext(wanted, strips, 'seed'),
    handfuls: trace.work(
      panRules.handfuls,
      scope,
      {
        rate: bulk,
        ground: metric ? 1 : SQUARE_YARD,
        handful: firm.handful ?? trace.value(firmSettings.handful.usual),
      },
      {
        label: metric
          ? 'By hand, handfuls to a square metre'
          : 'By hand, handfuls to a square yard',
      },
    ),
  }
}
