import { sure } from '../quantities/sure.ts'
import type { Day } from '../calendar/day.ts'
import type { Zone } from '../entities/job.ts'
import { MEASURED_BY_NAMES } from '../entities/drawing.ts'
import { margin90, TYPED_AREA_ERROR } from '../drawing/areaError.ts'
import { COVER_PARTS, type CoverPart } from '../cover/coverCount.ts'
import type { Grass } from '../reference/grasses.ts'
import { trenchValues } from '../reference/siteValues.ts'
import type { Versioned } from '../trace/memo.ts'
import type { Procedure } from '../rules/rule.ts'
import { num, type Figure } from '../trace/figure.ts'
import { quantity, say, verbatim } from '../rules/message.ts'
import { figureOf, shapeScope, zoneScope } from '../trace/scope.ts'
import type { Trace } from '../trace/trace.ts'
import type { SiteSurvey } from './siteSurvey.ts'
import { readings, surveyRules } from './surveyRules.ts'

/** Cover counted again since the walk, %. */
export interface Recount {
  cover: number
  on: Day
}

/** A zone as later stages see it: its readings as figures, null where nothing was read. */
export interface ZoneReadings {
  zone: Zone
  id: string
  name: string
  /** The grasses that grow there. */
  present: readonly Grass[]
  /** The grass its owner wants there; null where it is one that stands, or none was named. */
  target: Grass | null
  area: Figure | null
  /** 90 % either way, as a share of the area; and the same in m². */
  areaError: number
  areaErrorFigure: Figure | null
  sun: Figure
  /** Whether the sun was typed, or cast from the drawing; otherwise it is assumed. */
  sunKnown: boolean
  slope: Figure
  /** When its cover was counted again; null where it was not. */
  recounted: Day | null
  wanted: Figure | null
  weeds: Figure | null
  moss: Figure | null
  bare: Figure | null
  incurable: Figure
  thatch: Figure | null
  ph: Figure | null
  cut: Figure
  /** The lowest cut that a grass there is kept at, mm; 0 where none is known. */
  foot: number
  /** The cut it is kept at from now on: raised to that where it is mown lower. */
  keep: Figure
  lowsDepth: Figure | null
  lowsShare: Figure | null
  /** From the levels: fill in place and how to lay it with a blanket. */
  fill: SurveyedFill | null
  trenches: Figure[]
  /** As drawn: m of edge, m² of worn line and of trench; null where none is. */
  edgeLength: Figure | null
  worn: Figure | null
  trenchGround: Figure | null
  /** Bare patches drawn, m². */
  patches: Figure | null
}

/** Its version stands for the surface that its two functions read. */
export interface SurveyedFill extends Versioned {
  volume: Figure
  deepest: Figure
  /** m³ in place with a blanket of so many mm: the larger at each point. */
  withBlanket: (mm: number) => number
  /** m² lying lower than the aim by more than so many mm. */
  deeperThan: (mm: number) => number
}

/**
 * Turns what was walked into figures. A zone without an area stays out of every amount and is
 * listed as waiting.
 */
export function readZone(
  zone: Zone,
  survey: SiteSurvey,
  trace: Trace,
  recount: Recount | null = null,
): ZoneReadings {
  const scope = zoneScope(zone.id)
  const slope = trace.readOr(readings.slope, scope, zone.slope)
  const area = areaOfZone(zone, survey, slope, trace)
  const sun = readSun(zone, survey, trace)
  const cover = readCover(zone, survey, area.figure, recount, trace)
  const thatch = readThatch(zone, trace)
  const surface = readSurface(zone, survey, area.figure, trace)
  const drawn = survey.measured.zones.get(zone.id)
  const trenched = drawn
    ? drawn.trenches.reduce((sum, t) => sum + (t.depth > 0 ? t.length * t.width : 0), 0)
    : 0
  return {
    zone,
    id: zone.id,
    name: zone.name || 'Unnamed zone',
    present: zone.present.map((g) => trace.grass(g)),
    target: zone.target && !zone.present.includes(zone.target) ? trace.grass(zone.target) : null,
    area: area.figure,
    areaError: area.error,
    areaErrorFigure: area.errorFigure,
    sun,
    sunKnown: zone.sunHours !== null || survey.light.has(zone.id),
    slope,
    recounted: recount?.on ?? null,
    ...cover,
    incurable: trace.readOr(readings.incurable, scope, zone.incurable),
    thatch,
    ph: trace.read(readings.ph, scope, zone.ph),
    ...readCut(zone, trace),
    ...surface,
    trenches: readTrenches(zone, survey, trace),
    edgeLength:
      drawn && drawn.edges > 0
        ? trace.work(surveyRules.edges, scope, { lengths: drawn.edges })
        : trace.read(readings.edgeLength, scope, zone.edgeLength),
    worn:
      drawn && drawn.worn > 0
        ? trace.work(surveyRules.worn, scope, { lines: drawn.worn })
        : wornTyped(zone, trace),
    trenchGround:
      trenched > 0 ? trace.work(surveyRules.trenchGround, scope, { trenches: trenched }) : null,
    patches:
      drawn && drawn.patches.area > 0 ? sure(figureOf(trace, surveyRules.patches, scope)) : null,
  }
}

/** The ground of a worn line that is typed and not drawn. */
function wornTyped(zone: Zone, trace: Trace): Figure | null {
  const scope = zoneScope(zone.id)
  const length = trace.read(readings.wornLength, scope, zone.wornLength)
  return length && trace.work(surveyRules.wornTyped, scope, { length })
}

/** The cut as read, and the one to be kept: nothing stands for long below its range. */
function readCut(zone: Zone, trace: Trace): Pick<ZoneReadings, 'cut' | 'foot' | 'keep'> {
  const scope = zoneScope(zone.id)
  const cut = trace.readOr(readings.cut, scope, zone.heightOfCut)
  const lasting = zone.present.map((g) => trace.grass(g)).filter((g) => !g.passing)
  const foot = lasting.length > 0 ? Math.min(...lasting.map((g) => g.cut[0])) : 0
  const wanted = zone.target ? trace.grass(zone.target).cut : null
  if (wanted && (num(cut) < wanted[0] || num(cut) > wanted[1])) {
    const keep = trace.work(surveyRules.keepWanted, scope, { cut, foot: wanted[0], top: wanted[1] })
    return { cut, foot, keep }
  }
  return {
    cut,
    foot,
    keep:
      zone.heightOfCut !== null && num(cut) < foot
        ? trace.work(surveyRules.keep, scope, { cut, foot })
        : cut,
  }
}

function readSun(zone: Zone, survey: SiteSurvey, trace: Trace): Figure {
  const scope = zoneScope(zone.id)
  const light = survey.light.get(zone.id)
  const asked = survey.lightIf?.get(zone.id)
  const cast = zone.sunHours === null && light
  const sun = cast
    ? trace.found(
        surveyRules.light,
        scope,
        tenth(light.median),
        {},
        {
          change:
            'Hours typed or watched on site, which count before these; or an obstacle cut, lifted or gone.',
        },
      )
    : trace.readOr(readings.sun, scope, zone.sunHours)
  if (light) {
    if (!cast)
      trace.found(
        surveyRules.light,
        scope,
        tenth(light.median),
        {},
        { key: 'sun.cast', label: 'Direct sun, from the plan' },
      )
    trace.found(surveyRules.lightShare, scope, tenth(light.low), {})
    trace.found(
      surveyRules.lightShare,
      scope,
      tenth(light.high),
      {},
      { key: 'sun.high', label: 'Sun, brightest tenth' },
    )
  }
  if (asked) trace.found(surveyRules.lightIf, scope, tenth(asked.median), {})
  return sun
}

function readThatch(zone: Zone, trace: Trace): Figure | null {
  const scope = zoneScope(zone.id)
  const plugs = zone.plugs.filter((p) => p !== null)
  if (zone.thatch !== null || plugs.length === 0)
    return trace.read(readings.thatch, scope, zone.thatch)
  return trace.work(
    surveyRules.plugs,
    scope,
    { plugs },
    { change: say`The worst of ${plugs.length} plugs is ${quantity(Math.max(...plugs), 'mm')}.` },
  )
}

function readSurface(
  zone: Zone,
  survey: SiteSurvey,
  area: Figure | null,
  trace: Trace,
): Pick<ZoneReadings, 'lowsDepth' | 'lowsShare' | 'fill'> {
  const scope = zoneScope(zone.id)
  const report = survey.levels.get(zone.id)
  const drawn = survey.measured.zones.get(zone.id)
  let lowsDepth = trace.read(readings.lowsDepth, scope, zone.lowsDepth)
  let lowsShare = trace.read(readings.lowsShare, scope, zone.lowsShare)
  let fill: SurveyedFill | null = null
  if (report) {
    lowsDepth ??= trace.found(surveyRules.lowMean, scope, report.lowMean, {})
    lowsShare ??= trace.found(surveyRules.lowShare, scope, report.lowShare, {})
    const deepest = trace.found(surveyRules.deepest, scope, report.deepest, {})
    const volume = trace.found(surveyRules.fill, scope, report.fill, {})
    trace.found(surveyRules.spoil, scope, report.spoil, {})
    trace.found(surveyRules.levelMean, scope, report.meanError, {})
    trace.found(surveyRules.levelWorst, scope, report.worstError, {})
    // Readings that cover only part of a zone say nothing of the rest; a typed depth still decides
    // there.
    if (zone.lowsDepth === null)
      fill = {
        version: `${report.version} ${area ? num(area) : ''}`,
        volume,
        deepest,
        deeperThan: report.deeperThan,
        withBlanket: (mm) => report.withBlanket(mm, area ? num(area) : report.coveredArea),
      }
  } else if (drawn && drawn.lows.area > 0 && drawn.lows.depth !== null && area) {
    lowsDepth ??= trace.read(readings.lowsDepth, scope, drawn.lows.depth)
    lowsShare ??= trace.work(surveyRules.lowsDrawn, scope, { lows: drawn.lows.area, area })
  }
  return { lowsDepth, lowsShare, fill }
}

const readTrenches = (zone: Zone, survey: SiteSurvey, trace: Trace): Figure[] =>
  (survey.measured.zones.get(zone.id)?.trenches ?? [])
    .filter((t) => t.depth > 0 && t.length > 0)
    .map(({ id, name, length, width, depth, settling }) =>
      trace.work(
        surveyRules.trench,
        shapeScope(id, zone.id),
        { length, width, depth, settling: settling ?? trace.value(trenchValues.settling) },
        { label: say`Fill, ${verbatim(name)}` },
      ),
    )

interface ZoneArea {
  figure: Figure | null
  /** 90 % either way, as a share. */
  error: number
  errorFigure: Figure | null
}

/**
 * A typed area counts first, then what is drawn, then length by width. A plan is level ground; tape
 * and paces have followed the slope already.
 */
function areaOfZone(zone: Zone, survey: SiteSurvey, slope: Figure, trace: Trace): ZoneArea {
  const scope = zoneScope(zone.id)
  const drawn = survey.measured.zones.get(zone.id)
  const typed = trace.read(readings.areaTyped, scope, zone.area)
  const flat =
    drawn && drawn.area > 0
      ? trace.found(
          surveyRules.drawn,
          scope,
          drawn.area,
          {},
          { change: say`Measured by ${MEASURED_BY_NAMES[drawn.by]}.` },
        )
      : null
  let figure: Figure | null
  let error = zone.by ? margin90(TYPED_AREA_ERROR[zone.by]) : 0
  if (!typed && flat) {
    const level = sure(drawn).by === 'tape' || sure(drawn).by === 'pacing' || num(slope) === 0
    figure = level
      ? trace.work(surveyRules.whole, scope, { measured: flat })
      : trace.work(surveyRules.sloped, scope, { plan: flat, slope })
    error = sure(drawn).error / sure(drawn).area
  } else figure = netOfDeductions(zone, typed ?? rectangleOf(zone, trace), trace)
  const errorFigure =
    figure && error > 0
      ? trace.work(surveyRules.error, scope, { area: figure, share: error * 100 })
      : null
  return { figure, error, errorFigure }
}

function rectangleOf(zone: Zone, trace: Trace): Figure | null {
  const scope = zoneScope(zone.id)
  if (zone.length === null || zone.width === null) return null
  const length = sure(trace.read(readings.length, scope, zone.length))
  const width = sure(trace.read(readings.width, scope, zone.width))
  return trace.work(surveyRules.rectangle, scope, { length, width })
}

/** What is left when the deductions are taken off; null when nothing is. */
function netOfDeductions(zone: Zone, gross: Figure | null, trace: Trace): Figure | null {
  const scope = zoneScope(zone.id)
  const off = zone.deductions.flatMap((d, i) => {
    const figure = trace.read(readings.deduction, scope, d.area, {
      part: String(i),
      ...(d.what ? { label: verbatim(d.what) } : {}),
    })
    return figure ? [figure] : []
  })
  if (!gross || off.reduce((left, f) => left - num(f), num(gross)) <= 0) return null
  return off.length > 0
    ? trace.work(surveyRules.lessDeductions, scope, { measured: gross, off })
    : trace.work(surveyRules.whole, scope, { measured: gross })
}

/** Cover counted again counts first, then what is typed, then a count; bare ground may also come from patches drawn. */
function readCover(
  zone: Zone,
  survey: SiteSurvey,
  area: Figure | null,
  recount: Recount | null,
  trace: Trace,
): Record<CoverPart, Figure | null> {
  const scope = zoneScope(zone.id)
  const instead = coverInstead(zone, survey, recount)
  const count = survey.counts.get(zone.id)
  const found = {} as Record<CoverPart, Figure | null>
  for (const part of COVER_PARTS) {
    const typed = zone.cover[part]
    const { key, label } = readings[part]
    found[part] = instead
      ? trace.found(instead.rule, scope, tenth(instead.parts[part]), {}, { key, label })
      : typed !== null || !count
        ? trace.read(readings[part], scope, typed)
        : trace.found(
            count.method === 'step' ? surveyRules.pointCounts : surveyRules.quadrats,
            scope,
            tenth(count.parts[part].mean),
            {},
            { key, label },
          )
  }
  if (count) {
    const { low, high } = count.parts.wanted
    trace.found(
      surveyRules.coverInterval,
      scope,
      { low: Math.round(low), high: Math.round(high) },
      { wanted: found.wanted },
    )
  }
  const patches = survey.measured.zones.get(zone.id)?.patches
  if (patches && patches.area > 0) {
    const sum = trace.work(
      surveyRules.patches,
      scope,
      { patches: patches.area },
      { label: say`Bare patches, ${patches.count}` },
    )
    if (found.bare === null && area)
      found.bare = trace.work(surveyRules.patchShare, scope, { patches: sum, area })
  }
  return found
}

/** The cover of a zone, in per cent. */
type CoverNow = Record<CoverPart, number>

/**
 * What takes the place of the cover that was read: what was counted again since; on ground that is
 * dead, nothing wanted at all. Null where what was read stands.
 */
function coverInstead(
  zone: Zone,
  survey: SiteSurvey,
  recount: Recount | null,
): { parts: CoverNow; rule: Procedure } | null {
  const dead = zone.browned === 'dead'
  if (!recount && !dead) return null
  const count = survey.counts.get(zone.id)
  const was = (part: CoverPart) => zone.cover[part] ?? count?.parts[part].mean ?? 0
  const wanted = recount ? recount.cover : 0
  const weeds = Math.min(was('weeds'), 100 - wanted)
  const moss = Math.min(was('moss'), 100 - wanted - weeds)
  return {
    parts: { wanted, weeds, moss, bare: 100 - wanted - weeds - moss },
    rule: recount ? surveyRules.recounted : surveyRules.dead,
  }
}

const tenth = (x: number) => Math.round(x * 10) / 10
