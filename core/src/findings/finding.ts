import type { FigureId, ZoneId } from '../rules/id.ts'
import { figureId, zoneScope } from '../trace/scope.ts'
import type { Schools } from '../reference/schools.ts'
import type { Message } from '../rules/message.ts'
import type { ZoneReadings } from '../walkover/zoneReadings.ts'
import type { Trace } from '../trace/trace.ts'
import type { Figure } from '../trace/figure.ts'
import type { Ask, Forbid } from './asks.ts'

export const FINDING_NAMES = {
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
  cut: 'Height of cut',
  mowing: 'Mowing habit',
  edges: 'Edges',
  signs: 'Signs of packed soil',
  felt: 'Surface underfoot',
  layer: 'Layer below',
  wrong: 'Grass there',
} as const
export type FindingKind = keyof typeof FINDING_NAMES
export type FindingVerdict = 'fine' | 'act' | 'hold' | 'unread'

/** The reading a finding is about, as the key of its zone's figure. */
const READING_OF: Record<FindingKind, string> = {
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
  cut: 'cut',
  mowing: 'seen.mowing',
  edges: 'seen.edges',
  signs: 'seen.signs',
  felt: 'seen.felt',
  layer: 'seen.layer',
  wrong: 'seen.wrong',
}

/** What a finding comes to: how it weighs, what it means and what it asks for. */
export interface Outcome {
  verdict: FindingVerdict
  says: Message
  asks: Message
}

/**
 * A reading held against the trade's line: what it means and what it asks for, in words and as
 * operations.
 */
export interface Finding extends Outcome {
  zone: string
  kind: FindingKind
  /** One short phrase for the spine: "deep mat". */
  word: string
  figure: string | null
  wants: Ask[]
  forbids: Forbid[]
}
/** A finding before it is known which operations it asks for. */
export type Found = Omit<Finding, 'wants' | 'forbids'>

/** What findings are worked from. `year` is the year of the walk. */
export interface FindingContext {
  r: ZoneReadings
  schools: Schools
  trace: Trace
  year: number
  /** Grass there rests by the season: warm turf in its winter. */
  resting: boolean
}

export const found = (
  r: ZoneReadings,
  kind: FindingKind,
  figure: Figure,
  outcome: Outcome,
): Found => ({
  zone: r.id,
  kind,
  word: figure.value as string,
  figure: figure.id,
  ...outcome,
})

export const unread = (
  r: ZoneReadings,
  kind: FindingKind,
  says: Message,
  asks: Message,
): Found => ({
  zone: r.id,
  kind,
  verdict: 'unread',
  word: 'not read',
  says,
  asks,
  figure: null,
})

export const findingOf = (findings: readonly Finding[], zone: string, kind: FindingKind) =>
  findings.find((f) => f.zone === zone && f.kind === kind)

/** Where the reading that a finding judges lies in a plan. */
export const readingFigureId = (zone: ZoneId, kind: FindingKind): FigureId =>
  figureId(zoneScope(zone), READING_OF[kind])
