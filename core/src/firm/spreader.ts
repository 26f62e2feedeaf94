import type { Firm } from '../entities/firm.ts'
import { say, type Message } from '../rules/message.ts'
import { sure } from '../quantities/sure.ts'
import type { Trace } from '../trace/trace.ts'
import { firmSettings } from './firmSettings.ts'

/** What of the firm its pans and spreader settings go by. */
export type Spreader = Pick<
  Firm,
  'units' | 'swath' | 'strip' | 'scaleStep' | 'handful' | 'calibrations'
>

/** A strip that was tried: setting, and what came out, g/m². */
export interface Strip {
  setting: number
  rate: number
}

/** What is told of a strip test, whatever is spread. */
export const stripTest = {
  label: 'Strip test',
  unit: 'kg',
  standing: 'calculation',
  says: 'What has to come out over the test strip, one pass at half the rate, on the strip the spreader covers evenly.',
  inputs: { rate: 'g/m2', swath: 'm', strip: 'm' },
  formula: 'rate / 2 * swath * strip',
  compute: ({ rate, swath, strip }: { rate: number; swath: number; strip: number }) =>
    ((rate / 2) * swath * strip) / 1000,
} as const

/** What is told of a setting found by strips, whatever is spread. */
export const settingByStrips = {
  label: 'Spreader setting',
  unit: '1',
  standing: 'reading',
  source: 'your own strips',
  says: 'Between the two of your own strips that came out nearest below and above.',
  inputs: { rate: 'g/m2', settings: '1[]', rates: 'g/m2[]' },
  steps: 'a straight line between the nearest strips on either side',
  by: 'firm/spreader: settingFor',
  check: 'pans.test.ts',
} as const

/** The strips that a firm has tried with one seed or one feed. */
export const stripsOf = (
  { calibrations }: Spreader,
  of: (tried: Firm['calibrations'][number]) => boolean,
): Strip[] =>
  calibrations.filter(of).flatMap(({ setting, grams, swath, strip }) =>
    setting !== null && grams !== null && swath !== null && strip !== null
      ? [{ setting, rate: (grams * 1000) / (swath * strip) }] // prettier-ignore
      : [],
  )

/** Swath and test strip of the firm's spreader, m; Juvena's usual ones until it names its own. */
export const spreaderOf = (firm: Spreader, trace: Trace): { swath: number; strip: number } => ({
  swath: firm.swath ?? trace.value(firmSettings.swath.usual),
  strip: firm.strip ?? trace.value(firmSettings.strip.usual),
})

/** What a setting that was found is shown with: rounded to a tenth of a mark, with both strips. */
export const settingShown = (
  { setting, between }: NonNullable<ReturnType<typeof settingFor>>,
  rate: number,
) =>
  [
    Math.round(setting * 10) / 10,
    {
      rate,
      settings: between.map((s) => s.setting),
      rates: between.map((s) => Math.round(s.rate * 100) / 100),
    },
  ] as const

/** What to try on a strip next, of a seed or a feed; '' where the setting is known. */
export function tryNext(rate: number, strips: readonly Strip[], what: string): Message {
  const next = nextStrip(rate, strips)
  if (next === null) return ''
  return next === 'any'
    ? say`No strip of this ${what} is entered: try a low setting, weigh what comes out, and enter it.`
    : say`Try setting ${Math.round(next.setting * 10) / 10} on a strip next.`
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
