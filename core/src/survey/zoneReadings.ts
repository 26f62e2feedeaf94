import type { Zone } from '../model/job.ts'
import { num, rule, type Figure, type Workings } from '../working/figure.ts'

export const surveyRules = {
  rectangle: rule('survey.rectangle', 'Length times width.', '{0} × {1}', 'calculation'),
  whole: rule('survey.whole', 'Nothing is taken off.', '{0}', 'calculation'),
  lessDeductions: rule('survey.deductions', 'Beds, paths and trees are taken off.', '{0} − what is taken off', 'calculation'),
  totalArea: rule('survey.total', 'All zones together.', 'sum of {*}', 'calculation'),
}

/** A zone as later stages see it: its readings as figures, null where nothing was read. */
export interface ZoneReadings {
  zone: Zone
  id: string
  name: string
  area: Figure | null
  sun: Figure
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
}

/** Turns what was walked into figures. A zone without an area stays out of every amount and is listed as waiting. */
export function readZone(zone: Zone, w: Workings): ZoneReadings {
  const id = zone.id
  const at = (key: string) => `${id}.${key}`
  let gross: Figure | null = w.read(1, at('area.typed'), 'Area, as measured', zone.area, 'm2', id)
  if (!gross && zone.length !== null && zone.width !== null) {
    const length = w.read(1, at('length'), 'Length', zone.length, 'm', id)!
    const width = w.read(1, at('width'), 'Width', zone.width, 'm', id)!
    gross = w.add(1, at('area.gross'), 'Area, length by width', num(length) * num(width), 'm2', surveyRules.rectangle, [length, width], { zone: id })
  }
  const off = zone.deductions.map((d, i) => w.read(1, at(`off.${i}`), d.what || 'Taken off', d.area, 'm2', id)).filter((f) => f !== null)
  let area: Figure | null = null
  if (gross) {
    const net = off.reduce((left, f) => left - num(f), num(gross))
    if (net > 0)
      area = w.add(1, at('area'), 'Area', net, 'm2', off.length > 0 ? surveyRules.lessDeductions : surveyRules.whole, [gross, ...off], { zone: id })
  }
  return {
    zone,
    id,
    name: zone.name || 'Unnamed zone',
    area,
    sun: w.readOr(1, at('sun'), 'Direct sun, growing weeks', zone.sunHours, 6, 'h', id),
    slope: w.readOr(1, at('slope'), 'Slope', zone.slope, 0, 'slope', id),
    wanted: w.read(1, at('wanted'), 'Wanted cover', zone.cover.wanted, '%', id),
    weeds: w.read(1, at('weeds'), 'Weeds', zone.cover.weeds, '%', id),
    moss: w.read(1, at('moss'), 'Moss', zone.cover.moss, '%', id),
    bare: w.read(1, at('bare'), 'Bare ground', zone.cover.bare, '%', id),
    incurable: w.readOr(1, at('incurable'), 'Incurable grassy weeds', zone.incurable, 0, '%', id),
    thatch: w.read(1, at('thatch'), 'Thatch', zone.thatch, 'mm', id),
    ph: w.read(1, at('ph'), 'pH', zone.ph, '1', id),
    cut: w.readOr(1, at('cut'), 'Height of cut', zone.heightOfCut, 40, 'mm', id),
    lowsDepth: w.read(1, at('lows.depth'), 'Depth of the lows', zone.lowsDepth, 'mm', id),
    lowsShare: w.read(1, at('lows.share'), 'Share of ground lying low', zone.lowsShare, '%', id),
  }
}
