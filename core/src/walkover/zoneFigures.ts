import type { FigureId, ZoneId } from '../rules/id.ts'
import { figureId, zoneScope } from '../trace/scope.ts'
import { readings, surveyRules } from './surveyRules.ts'

/**
 * The figures of a zone's survey that pages ask for, each by the rule or reading it comes from;
 * where a reading and a rule may both give it, they share a key.
 */
export const ZONE_FIGURES = {
  area: surveyRules.whole,
  areaDrawn: surveyRules.drawn,
  areaError: surveyRules.error,
  sun: surveyRules.light,
  sunCast: { key: 'sun.cast' },
  sunIf: surveyRules.lightIf,
  sunLow: surveyRules.lightShare,
  sunHigh: { key: 'sun.high' },
  wanted: readings.wanted,
  weeds: readings.weeds,
  moss: readings.moss,
  bare: readings.bare,
  thatch: readings.thatch,
  cut: readings.cut,
  fill: surveyRules.fill,
  spoil: surveyRules.spoil,
  lowsDeepest: surveyRules.deepest,
  levelMean: surveyRules.levelMean,
  levelWorst: surveyRules.levelWorst,
} as const
export type ZoneFigure = keyof typeof ZONE_FIGURES

/** Where one of them lies in a plan. */
export const zoneFigureId = (zone: ZoneId, of: ZoneFigure): FigureId =>
  figureId(zoneScope(zone), ZONE_FIGURES[of].key)
