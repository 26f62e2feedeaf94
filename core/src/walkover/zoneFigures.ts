import type { FigureId, ZoneId } from '../rules/id.ts'
import { figureId, zoneScope } from '../trace/scope.ts'

/**
 * The figures of a zone's survey that pages ask for, by the key of the rule or reading they come
 * from. Keys alone, so that a page does not load the rules with them; a test holds each against its
 * declaration.
 */
export const ZONE_FIGURES = {
  area: 'area',
  areaDrawn: 'area.drawn',
  areaError: 'area.error',
  sun: 'sun',
  sunCast: 'sun.cast',
  sunIf: 'sun.if',
  sunLow: 'sun.low',
  sunHigh: 'sun.high',
  wanted: 'wanted',
  weeds: 'weeds',
  moss: 'moss',
  bare: 'bare',
  thatch: 'thatch',
  cut: 'cut',
  fill: 'fill',
  spoil: 'spoil',
  lowsDeepest: 'lows.deepest',
  levelMean: 'level.mean',
  levelWorst: 'level.worst',
} as const
export type ZoneFigure = keyof typeof ZONE_FIGURES

/** Where one of them lies in a plan. */
export const zoneFigureId = (zone: ZoneId, of: ZoneFigure): FigureId =>
  figureId(zoneScope(zone), ZONE_FIGURES[of])
