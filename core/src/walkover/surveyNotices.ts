import { sure } from '../quantities/sure.ts'
import type { Drawing, Level, Point } from '../entities/drawing.ts'
import type { PartlyOn } from '../drawing/drawnZones.ts'
import { isMixed, type TwoLights } from '../light/zoneLight.ts'
import { lightLines } from '../reference/siteValues.ts'
import { type Notice } from '../trace/figure.ts'
import { quantity, say, verbatim } from '../rules/message.ts'
import type { Trace } from '../trace/trace.ts'
import { moreToSettle } from '../cover/coverCount.ts'
import type { SiteSurvey } from './siteSurvey.ts'
import { surveyLines } from './surveyRules.ts'
import { coversThatDiffer, sizesThatDiffer, type SizeFrom, type ZoneSize } from './twoReadings.ts'
import type { ZoneReadings } from './zoneReadings.ts'

/**
 * What the measured walk says that is not a figure: where zones overlap, dips one by one, zones of
 * two lights, counts still open.
 */
export interface SurveySummary {
  season: { from: number; to: number }
  overlaps: { zones: [string, string]; area: number; at: Point }[]
  /** Marks off the lawn, or across its edge. */
  marks: PartlyOn[]
  mixedLight: string[]
  zones: Record<
    string,
    {
      perimeter: number | null
      by: string | null
      /**
       * Sizes that disagree, the one that counts first; and wanted cover typed beside another
       * counted.
       */
      sizes: ZoneSize[]
      covers: ReturnType<typeof coversThatDiffer>
      counted: {
        method: 'frame' | 'step'
        n: number
        low: number
        high: number
        more: number | null
        line: number
      } | null
      levels: {
        readings: number
        share: number
        dips: { at: Point; depth: number; area: number; volume: number; barrows: number }[]
      } | null
    }
  >
}

const SIZE_WORDS: Record<SizeFrom, string> = {
  typed: 'is typed',
  drawn: 'is drawn',
  sides: 'comes from length and width',
}

/** Dips listed one by one, deepest first, no more than this. */
const DIPS_SHOWN = 30

export interface SurveySettings {
  schoolLine: number
  /** Loose soil for a m³ in place. */
  loose: number
  /** A barrow, m³. */
  barrow: number
  lights: TwoLights
  /** Sizes differ from so much on, as a share. */
  twoSizes: number
}

export function surveySummary(
  survey: SiteSurvey,
  zones: readonly ZoneReadings[],
  { schoolLine, loose, barrow, lights, twoSizes }: SurveySettings,
): SurveySummary {
  const summary: SurveySummary = {
    season: survey.season,
    overlaps: survey.measured.overlaps,
    marks: survey.measured.marks,
    mixedLight: [],
    zones: {},
  }
  for (const r of zones) {
    const drawn = survey.measured.zones.get(r.id)
    const light = survey.light.get(r.id)
    if (light && r.zone.sunHours === null && isMixed(light, lights)) summary.mixedLight.push(r.id)
    const count = survey.counts.get(r.id)
    const report = survey.levels.get(r.id)
    summary.zones[r.id] = {
      perimeter: drawn?.perimeter ?? null,
      by: drawn?.by ?? r.zone.by,
      sizes: sizesThatDiffer(r, survey, twoSizes),
      covers: coversThatDiffer(r, survey),
      counted: count
        ? {
            method: count.method,
            n: count.n,
            low: count.parts.wanted.low,
            high: count.parts.wanted.high,
            more: moreToSettle(count, schoolLine),
            line: schoolLine,
          }
        : null,
      levels: report
        ? {
            readings: report.readings,
            share: report.share,
            dips: report.dips
              .slice(0, DIPS_SHOWN)
              .map((d) => ({ ...d, barrows: Math.ceil((d.volume * loose) / barrow - 1e-9) })),
          }
        : null,
    }
  }
  return summary
}

/**
 * What the survey says that needs a person: overlaps, crossing outlines, two sizes, falls to a
 * wall, levels short, two lights, counts still open.
 */
export function surveyNotices(
  drawing: Drawing,
  survey: SiteSurvey,
  summary: SurveySummary,
  zones: readonly ZoneReadings[],
  trace: Trace,
): Notice[] {
  const name = (id: string) => zones.find((r) => r.id === id)?.name ?? id
  const overlaps = summary.overlaps.map(({ zones: [a, b], area }): Notice => ({
    id: `overlap.${a}.${b}`,
    stage: 1,
    zone: b,
    level: 'warn',
    title: say`${name(a)} and ${name(b)} overlap.`,
    says: say`${quantity(area, 'm2')} is counted twice, in seed and in everything after. Cut it off one of them on the plan.`,
  }))
  const crossings = survey.measured.crossings.map(({ shape }): Notice => ({
    id: `crossing.${shape}`,
    stage: 1,
    level: 'warn',
    title: say`${drawing.shapes.find((s) => s.id === shape)?.name || 'A shape'}: its outline crosses itself.`,
    says: 'Its area is taken as what is inside either loop. Drag a corner so that the edges no longer cross.',
  }))
  return [
    ...overlaps,
    ...crossings,
    ...summary.marks.map((mark) => partlyOn(mark, drawing)),
    ...outsideNotice(survey.outside),
    ...zones.flatMap((r) => zoneNotices(r, survey, summary, trace)),
  ]
}

/** A mark off the lawn or across its edge: what of it counts. */
function partlyOn({ shape, unit, on, whole }: PartlyOn, drawing: Drawing): Notice {
  const s = sure(drawing.shapes.find((x) => x.id === shape))
  const name = verbatim(s.name || MARK_NAMES[s.kind] || 'A mark')
  return on > 0
    ? {
        id: `partly-on.${shape}`,
        stage: 1,
        level: 'note',
        title: say`${name} lies across the edge of a lawn.`,
        says: say`${quantity(on, unit)} of its ${quantity(whole, unit)} is on the lawn, and that part counts. If it is all lawn, draw one of the two again.`,
      }
    : {
        id: `partly-on.${shape}`,
        stage: 1,
        level: 'warn',
        title: say`${name} lies on no lawn, so it does not count.`,
        says: 'Move it on to its lawn, or draw the outline of that lawn round it.',
      }
}
const MARK_NAMES: Partial<Record<Drawing['shapes'][number]['kind'], string>> = {
  bare: 'A bare patch',
  low: 'A low',
  worn: 'A worn line',
  edge: 'An edge',
  trench: 'A trench',
}

/** Readings named one by one, no more than this. */
const PLACES_NAMED = 3

function outsideNotice(outside: readonly Level[]): Notice[] {
  if (outside.length === 0) return []
  const places = outside
    .slice(0, PLACES_NAMED)
    .map(({ x, y }) => say`${quantity(x, 'm')} east and ${quantity(y, 'm')} north`)
  const more = outside.length - places.length
  return [
    {
      id: 'levels-outside',
      stage: 1,
      level: 'warn',
      title:
        outside.length === 1
          ? 'A level reading lies outside every lawn.'
          : say`${outside.length} level readings lie outside every lawn.`,
      says: say`They count for nothing: ${places}${more > 0 ? say`, and ${more} more` : ''} of the plan’s zero. Draw the lawn as far as they reach, or read them in again with other places.`,
    },
  ]
}

function zoneNotices(
  r: ZoneReadings,
  survey: SiteSurvey,
  summary: SurveySummary,
  trace: Trace,
): Notice[] {
  const about = { stage: 1, zone: r.id } as const
  const found: Notice[] = []
  const { sizes, covers } = summary.zones[r.id]!
  if (sizes.length > 0 && r.area)
    found.push({
      ...about,
      id: `zone:${r.id}.two-areas`,
      level: 'warn',
      title: say`${r.name}: ${sizes.length === 2 ? 'two' : 'three'} sizes.`,
      says: say`${sizes.map((s) => say`${quantity(s.area, 'm2')} ${SIZE_WORDS[s.from]}`)}. The first counts. Say under Zones which is right, or measure one edge again.`,
      figure: r.area.id,
    })
  if (covers)
    found.push({
      ...about,
      id: `zone:${r.id}.two-covers`,
      level: 'warn',
      title: say`${r.name}: two covers.`,
      says: say`${quantity(covers.typed, '%')} wanted grass is typed; the count says ${quantity(Math.round(covers.counted), '%')}, and ${quantity(Math.round(covers.low), '%')} to ${quantity(Math.round(covers.high), '%')} nine times in ten. The typed one counts. Say under Zones which is right.`,
    })
  for (const { building, name: wall, percent } of survey.falls.get(r.id) ?? [])
    found.push({
      ...about,
      id: `zone:${r.id}.falls-to.${building}`,
      level: 'warn',
      title: say`${r.name} falls towards ${wall}.`,
      says: say`About ${quantity(percent, '%')}: water runs to the wall. Choose a fall away from it as the aim, or drain it first. Check with two more readings along the wall.`,
    })
  const levels = summary.zones[r.id]?.levels
  if (levels && levels.share < trace.value(surveyLines.levelsSpan))
    found.push({
      ...about,
      id: `zone:${r.id}.levels-short`,
      level: 'note',
      title: say`${r.name}: levels over part of it.`,
      says: say`The readings span ${quantity(levels.share, '%')} of the zone; what lies outside them is taken as true. Read along the edges too.`,
    })
  if (summary.mixedLight.includes(r.id))
    found.push({
      ...about,
      id: `zone:${r.id}.mixed-light`,
      level: 'warn',
      title: say`${r.name} has two lights.`,
      says: say`A tenth of it gets under ${quantity(trace.value(lightLines.shade), 'h')} of sun and a tenth over ${quantity(trace.value(lightLines.cool), 'h')}: no one grass suits both. On the plan, under Light, it can be cut in two along the line.`,
      figure: r.sun.id,
    })
  const counted = summary.zones[r.id]?.counted
  if (counted && r.zone.cover.wanted === null && counted.more !== 0) {
    const unit = counted.method === 'step' ? 'looks' : 'throws'
    found.push({
      ...about,
      id: `zone:${r.id}.count-open`,
      level: 'note',
      title: say`${r.name}: the count leaves the ${quantity(counted.line, '%')} line open.`,
      says:
        counted.more === null
          ? say`${counted.n} ${unit} put it so near the line that no count settles it: choose by eye, or by price.`
          : say`Between ${counted.low} and ${quantity(counted.high, '%')} so far. About ${counted.more} more ${unit} would settle it.`,
    })
  }
  return found
}
