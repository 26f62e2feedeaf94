import type { Zone } from '../entities/job.ts'
import { MEASURED_BY_NAMES } from '../entities/drawing.ts'
import { num, rule, type Figure, type Workings } from '../trace/figure.ts'
import { ninety, TYPED_AREA_ERROR } from '../drawing/areaError.ts'
import { COVER_PARTS, type CoverPart } from '../cover/coverCount.ts'
import type { SiteSurvey } from './siteSurvey.ts'

export const surveyRules = {
  rectangle: rule('survey.rectangle', 'Length times width.', '{0} × {1}', 'calculation'),
  whole: rule('survey.whole', 'Nothing is taken off.', '{0}', 'calculation'),
  lessDeductions: rule('survey.deductions', 'Beds, paths and trees are taken off.', '{0} − what is taken off', 'calculation'),
  totalArea: rule('survey.total', 'All zones together.', 'sum of {*}', 'calculation'),
  drawn: rule(
    'survey.drawn',
    'The outline on the plan, with beds, paths, ponds and buildings that lie on it taken off. Shoelace formula.',
    '½ Σ (x·y′ − x′·y)',
    'reading',
    'your plan',
  ),
  sloped: rule('survey.sloped', 'A plan shows ground level; on a slope the surface is larger.', '{0} ÷ cos(arctan {1})', 'calculation'),
  error: rule(
    'survey.error',
    'Nine times in ten the true area lies within this much: each corner out by what its way of measuring allows, and every length by its share.',
    '1.645 × √(σ²/4 · Σ chord² + (2 · scale · area)²)',
    'model',
  ),
  light: rule(
    'survey.light',
    'Direct sun under a clear sky, mean of the growing weeks: the sun followed every quarter of an hour past all that is drawn and the hills. Half the zone gets less. Shadows are laid as on level ground; where a zone’s fall is known, so is the sun lost behind it.',
    'median over the zone of hours with no shadow',
    'model',
    'sun by the series of the NREL solar-position report, from memory; leaf-dropping crowns let 15 % through in leaf and 60 % bare',
  ),
  lightLow: rule('survey.light-low', 'A tenth of the zone gets less than this.', '10 % of the cells', 'model'),
  lightHigh: rule('survey.light-high', 'A tenth of the zone gets more than this.', '90 % of the cells', 'model'),
  lightIf: rule('survey.light-if', 'The same sun, were the obstacles marked “what if” lifted, cut or gone.', 'median with the what-ifs', 'model'),
  looks: rule('survey.looks', 'Step and look: the share of looks that fell on it.', 'looks on it ÷ all looks', 'reading', 'your count'),
  frames: rule('survey.frames', 'The mean over the throws of the frame.', 'mean of the throws', 'reading', 'your count'),
  coverLow: rule(
    'survey.cover-interval',
    'Nine counts in ten like this one would find the true share between these.',
    'exact binomial limits, or Student’s t over throws',
    'calculation',
    'Clopper & Pearson 1934, from memory',
  ),
  plugs: rule('survey.plugs', 'The mean of the plugs.', 'mean of the plugs', 'reading', 'your plugs'),
  patches: rule('survey.patches', 'Bare patches drawn, added up.', 'sum of the patches', 'reading', 'your plan'),
  patchShare: rule('survey.patch-share', 'Drawn patches over the zone.', '{0} ÷ {1}', 'calculation'),
  lowsDrawn: rule('survey.lows-drawn', 'Low spots drawn over the zone.', 'their area ÷ {0}', 'calculation'),
  lowMean: rule(
    'survey.low-mean',
    'How deep the ground lies below its aim, on the average of all that lies more than 5 mm low.',
    'mean of what is low',
    'calculation',
    'your levels',
  ),
  lowShare: rule(
    'survey.low-share',
    'Share of the ground read that lies more than 5 mm below its aim.',
    'low cells ÷ all cells',
    'calculation',
    'your levels',
  ),
  deepest: rule('survey.deepest', 'The furthest below the aim.', 'largest of aim − surface', 'calculation', 'your levels'),
  fill: rule(
    'survey.fill',
    'All that lies below the aim, filled to it. The surface is taken straight between readings (Delaunay triangles).',
    'Σ cell × (aim − surface), where lower',
    'calculation',
    'your levels',
  ),
  spoil: rule('survey.spoil', 'All that stands above the aim.', 'Σ cell × (surface − aim), where higher', 'calculation', 'your levels'),
  levelMean: rule(
    'survey.level-mean',
    'Mean distance of the readings from the aim, up or down.',
    'mean of |reading − aim|',
    'calculation',
    'your levels',
  ),
  levelWorst: rule(
    'survey.level-worst',
    'The reading furthest from the aim, up or down.',
    'largest of |reading − aim|',
    'calculation',
    'your levels',
  ),
  trench: rule(
    'survey.trench',
    'Filled over-full by what it will settle, firmed in layers.',
    'length × width × depth × (1 + settling)',
    'calculation',
  ),
  edges: rule('survey.edges', 'Edges drawn to be renewed.', 'sum of their lengths', 'reading', 'your plan'),
}

/** A zone as later stages see it: its readings as figures, null where nothing was read. */
export interface ZoneReadings {
  zone: Zone
  id: string
  name: string
  area: Figure | null
  /** 90 % either way, as a share of the area. */
  areaError: number
  sun: Figure
  /** Whether the sun was typed, or cast from the plan; otherwise it is assumed. */
  sunKnown: boolean
  slope: Figure
  wanted: Figure | null
  weeds: Figure | null
  moss: Figure | null
  bare: Figure | null
  incurable: Figure
  thatch: Figure | null
  ph: Figure | null
  cut: Figure
  lowsDepth: Figure | null
  lowsShare: Figure | null
  /** From the levels: fill in place and how to lay it with a blanket. */
  fill: { volume: Figure; deepest: Figure; withBlanket: (mm: number) => number; deeperThan: (mm: number) => number } | null
  trenches: Figure[]
}

/** Turns what was walked into figures. A zone without an area stays out of every amount and is listed as waiting. */
export function readZone(zone: Zone, survey: SiteSurvey, w: Workings): ZoneReadings {
  const id = zone.id
  const z = { zone: id }
  const at = (key: string) => `${id}.${key}`
  const drawn = survey.measured.zones.get(id)
  const slope = w.readOr(1, at('slope'), 'Slope', zone.slope, 0, 'slope', id)
  const area = areaOfZone(zone, survey, slope, w)
  const light = survey.light.get(id)
  const cast = zone.sunHours === null && light
  const sun = cast
    ? w.add(1, at('sun'), 'Direct sun, growing weeks', tenth(light.median), 'h', surveyRules.light, [], {
        ...z,
        change: 'Hours typed or watched on site, which count before these; or an obstacle cut, lifted or gone.',
      })
    : w.readOr(1, at('sun'), 'Direct sun, growing weeks', zone.sunHours, 6, 'h', id)
  if (light) {
    if (!cast) w.add(1, at('sun.cast'), 'Direct sun, from the plan', tenth(light.median), 'h', surveyRules.light, [], z)
    w.add(1, at('sun.low'), 'Sun, darkest tenth', tenth(light.low), 'h', surveyRules.lightLow, [], z)
    w.add(1, at('sun.high'), 'Sun, brightest tenth', tenth(light.high), 'h', surveyRules.lightHigh, [], z)
  }
  const asked = survey.lightIf?.get(id)
  if (asked) w.add(1, at('sun.if'), 'Direct sun, with the what-ifs', tenth(asked.median), 'h', surveyRules.lightIf, [], z)

  const cover = readCover(zone, survey, area, w)
  const plugs = zone.plugs.filter((p) => p !== null)
  const thatch =
    zone.thatch !== null
      ? w.read(1, at('thatch'), 'Thatch', zone.thatch, 'mm', id)
      : plugs.length > 0
        ? w.add(1, at('thatch'), 'Thatch', plugs.reduce((a, b) => a + b, 0) / plugs.length, 'mm', surveyRules.plugs, [], {
            ...z,
            change: `The worst of ${plugs.length} plugs is ${Math.max(...plugs)} mm.`,
          })
        : null

  const report = survey.levels.get(id)
  let lowsDepth = w.read(1, at('lows.depth'), 'Depth of the lows', zone.lowsDepth, 'mm', id)
  let lowsShare = w.read(1, at('lows.share'), 'Share of ground lying low', zone.lowsShare, '%', id)
  let fill: ZoneReadings['fill'] = null
  if (report) {
    lowsDepth ??= w.add(1, at('lows.depth'), 'Depth of the lows', report.lowMean, 'mm', surveyRules.lowMean, [], z)
    lowsShare ??= w.add(1, at('lows.share'), 'Share of ground lying low', report.lowShare, '%', surveyRules.lowShare, [], z)
    const deepest = w.add(1, at('lows.deepest'), 'Deepest dip', report.deepest, 'mm', surveyRules.deepest, [], z)
    const volume = w.add(1, at('fill'), 'Fill, in place', report.fill, 'm3', surveyRules.fill, [], z)
    w.add(1, at('spoil'), 'Stands proud, in place', report.spoil, 'm3', surveyRules.spoil, [], z)
    w.add(1, at('level.mean'), 'Out of true, mean', report.meanError, 'mm', surveyRules.levelMean, [], z)
    w.add(1, at('level.worst'), 'Out of true, worst', report.worstError, 'mm', surveyRules.levelWorst, [], z)
    // Readings that cover only part of a zone say nothing of the rest; a typed depth still decides there.
    if (zone.lowsDepth === null)
      fill = {
        volume,
        deepest,
        deeperThan: report.deeperThan,
        withBlanket: (mm) => report.withBlanket(mm, area.figure ? num(area.figure) : report.spanned),
      }
  } else if (drawn && drawn.lows.area > 0 && drawn.lows.depth !== null && area.figure) {
    lowsDepth ??= w.read(1, at('lows.depth'), 'Depth of the lows', drawn.lows.depth, 'mm', id)
    lowsShare ??= w.add(
      1,
      at('lows.share'),
      'Share of ground lying low',
      (100 * drawn.lows.area) / num(area.figure),
      '%',
      surveyRules.lowsDrawn,
      [area.figure],
      z,
    )
  }
  if (drawn && drawn.edges > 0) w.add(1, at('edges'), 'Edges to renew', drawn.edges, 'm', surveyRules.edges, [], z)
  return {
    zone,
    id,
    name: zone.name || 'Unnamed zone',
    area: area.figure,
    areaError: area.error,
    sun,
    sunKnown: zone.sunHours !== null || light !== undefined,
    slope,
    ...cover,
    incurable: w.readOr(1, at('incurable'), 'Incurable grassy weeds', zone.incurable, 0, '%', id),
    thatch,
    ph: w.read(1, at('ph'), 'pH', zone.ph, '1', id),
    cut: w.readOr(1, at('cut'), 'Height of cut', zone.heightOfCut, 40, 'mm', id),
    lowsDepth,
    lowsShare,
    fill,
    trenches: (drawn?.trenches ?? [])
      .filter((t) => t.volume > 0)
      .map((t) => w.add(1, `${id}.trench.${t.id}`, `Fill, ${t.name}`, t.volume, 'm3', surveyRules.trench, [], z)),
  }
}

/** A typed area counts first, then what is drawn, then length by width. A plan is level ground; tape and paces have followed the slope already. */
function areaOfZone(zone: Zone, survey: SiteSurvey, slope: Figure, w: Workings): { figure: Figure | null; error: number } {
  const id = zone.id
  const z = { zone: id }
  const at = (key: string) => `${id}.${key}`
  const drawn = survey.measured.zones.get(id)
  const typed = w.read(1, at('area.typed'), 'Area, as measured', zone.area, 'm2', id)
  let gross: Figure | null = typed
  let figure: Figure | null = null
  let error = zone.by ? ninety(TYPED_AREA_ERROR[zone.by]) : 0
  const flat =
    drawn && drawn.area > 0
      ? w.add(1, at('area.drawn'), 'Area, on the plan', drawn.area, 'm2', surveyRules.drawn, [], {
          ...z,
          change: `Measured by ${MEASURED_BY_NAMES[drawn.by]}.`,
        })
      : null
  if (!gross && flat) {
    const level = drawn!.by === 'tape' || drawn!.by === 'pacing' || num(slope) === 0
    figure = w.add(
      1,
      at('area'),
      'Area',
      level ? num(flat) : num(flat) * Math.hypot(1, num(slope) / 100),
      'm2',
      level ? surveyRules.whole : surveyRules.sloped,
      level ? [flat] : [flat, slope],
      z,
    )
    error = drawn!.error / drawn!.area
  } else {
    if (!gross && zone.length !== null && zone.width !== null) {
      const length = w.read(1, at('length'), 'Length', zone.length, 'm', id)!
      const width = w.read(1, at('width'), 'Width', zone.width, 'm', id)!
      gross = w.add(1, at('area.gross'), 'Area, length by width', num(length) * num(width), 'm2', surveyRules.rectangle, [length, width], z)
    }
    const off = zone.deductions.map((d, i) => w.read(1, at(`off.${i}`), d.what || 'Taken off', d.area, 'm2', id)).filter((f) => f !== null)
    if (gross) {
      const net = off.reduce((left, f) => left - num(f), num(gross))
      if (net > 0)
        figure = w.add(1, at('area'), 'Area', net, 'm2', off.length > 0 ? surveyRules.lessDeductions : surveyRules.whole, [gross, ...off], z)
    }
  }
  if (figure && error > 0) w.add(1, at('area.error'), 'Area, give or take', num(figure) * error, 'm2', surveyRules.error, [figure], z)
  return { figure, error }
}

const COVER_LABELS: Record<CoverPart, string> = { wanted: 'Wanted cover', weeds: 'Weeds', moss: 'Moss', bare: 'Bare ground' }

/** Cover typed counts first, then a count; bare ground may also come from patches drawn. */
function readCover(zone: Zone, survey: SiteSurvey, area: { figure: Figure | null }, w: Workings): Record<CoverPart, Figure | null> {
  const id = zone.id
  const count = survey.counts.get(id)
  const found = {} as Record<CoverPart, Figure | null>
  for (const part of COVER_PARTS) {
    const typed = zone.cover[part]
    found[part] =
      typed !== null || !count
        ? w.read(1, `${id}.${part}`, COVER_LABELS[part], typed, '%', id)
        : w.add(
            1,
            `${id}.${part}`,
            COVER_LABELS[part],
            Math.round(count.parts[part].mean * 10) / 10,
            '%',
            count.method === 'step' ? surveyRules.looks : surveyRules.frames,
            [],
            { zone: id },
          )
  }
  if (count) {
    const { low, high } = count.parts.wanted
    w.add(
      1,
      `${id}.wanted.interval`,
      'Wanted cover, nine in ten',
      { low: Math.round(low), high: Math.round(high) },
      '%',
      surveyRules.coverLow,
      [found.wanted],
      { zone: id },
    )
  }
  const patches = survey.measured.zones.get(id)?.patches
  if (patches && patches.area > 0) {
    const sum = w.add(1, `${id}.patches`, `Bare patches, ${patches.count}`, patches.area, 'm2', surveyRules.patches, [], { zone: id })
    if (found.bare === null && area.figure)
      found.bare = w.add(
        1,
        `${id}.bare`,
        COVER_LABELS.bare,
        Math.min(100, (100 * patches.area) / num(area.figure)),
        '%',
        surveyRules.patchShare,
        [sum, area.figure],
        { zone: id },
      )
  }
  return found
}

const tenth = (h: number) => Math.round(h * 10) / 10
