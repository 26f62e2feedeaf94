import type { Firm } from '../entities/firm.ts'
import type { Job } from '../entities/job.ts'
import type { Point } from '../entities/drawing.ts'
import { showNumber } from '../quantities/show.ts'
import { num, type Notice } from '../trace/figure.ts'
import type { Schools } from '../reference/schools.ts'
import { moreToSettle } from '../cover/coverCount.ts'
import type { SiteSurvey } from './siteSurvey.ts'
import { isMixed, SHADE_LINE, SUN_LINE } from '../light/zoneLight.ts'
import type { ZoneReadings } from './zoneReadings.ts'

/** What the measured walk says that is not a figure: where zones overlap, dips one by one, zones of two lights, counts still open. */
export interface SurveySummary {
  season: { from: number; to: number }
  overlaps: { zones: [string, string]; area: number; at: Point }[]
  mixedLight: string[]
  zones: Record<
    string,
    {
      perimeter: number | null
      by: string | null
      counted: { method: 'frame' | 'step'; n: number; low: number; high: number; more: number | null; line: number } | null
      levels: { readings: number; share: number; dips: { at: Point; depth: number; area: number; volume: number; barrows: number }[] } | null
    }
  >
}

/** Dips listed one by one, deepest first, no more than this. */
const DIPS_SHOWN = 30

export function surveySummary(job: Job, firm: Firm, schools: Schools, survey: SiteSurvey, zones: readonly ZoneReadings[]): SurveySummary {
  const line = schools.cover === 'fifty' ? 50 : 30
  const loose = (1 + (firm.settling ?? 12) / 100) / (1 - (firm.oversize ?? 5) / 100)
  const summary: SurveySummary = { season: survey.season, overlaps: survey.measured.overlaps, mixedLight: [], zones: {} }
  for (const r of zones) {
    const drawn = survey.measured.zones.get(r.id)
    const light = survey.light.get(r.id)
    if (light && r.zone.sunHours === null && isMixed(light)) summary.mixedLight.push(r.id)
    const count = survey.counts.get(r.id)
    const report = survey.levels.get(r.id)
    summary.zones[r.id] = {
      perimeter: drawn?.perimeter ?? null,
      by: drawn?.by ?? r.zone.by,
      counted: count
        ? { method: count.method, n: count.n, low: count.parts.wanted.low, high: count.parts.wanted.high, more: moreToSettle(count, line), line }
        : null,
      levels: report
        ? {
            readings: report.readings,
            share: report.share,
            dips: report.dips.slice(0, DIPS_SHOWN).map((d) => ({ ...d, barrows: Math.ceil((d.volume * loose) / (firm.barrow ?? 0.08) - 1e-9) })),
          }
        : null,
    }
  }
  return summary
}

export function surveyNotices(job: Job, survey: SiteSurvey, summary: SurveySummary, zones: readonly ZoneReadings[], notices: Notice[]): void {
  const name = (id: string) => zones.find((r) => r.id === id)?.name ?? id
  const shapeName = (id: string) => job.plan.shapes.find((s) => s.id === id)?.name || 'A shape'
  for (const {
    zones: [a, b],
    area,
  } of summary.overlaps)
    notices.push({
      id: `overlap.${a}.${b}`,
      stage: 1,
      zone: b,
      level: 'warn',
      title: `${name(a)} and ${name(b)} overlap.`,
      says: `${showNumber(area)} m² is counted twice, in seed and in everything after. Cut it off one of them on the plan.`,
    })
  for (const { shape } of survey.measured.crossings)
    notices.push({
      id: `crossing.${shape}`,
      stage: 1,
      level: 'warn',
      title: `${shapeName(shape)}: its outline crosses itself.`,
      says: 'Its area is taken as what is inside either loop. Drag a corner so that the edges no longer cross.',
    })
  for (const r of zones) {
    const drawn = r.zone.area !== null || (r.zone.length !== null && r.zone.width !== null) ? survey.measured.zones.get(r.id) : null
    if (drawn && r.area && r.zone.area !== null && Math.abs(drawn.area - num(r.area)) > Math.max(drawn.error, 0.05 * num(r.area)))
      notices.push({
        id: `${r.id}.two-areas`,
        stage: 1,
        zone: r.id,
        level: 'warn',
        title: `${r.name}: two sizes.`,
        says: `${showNumber(num(r.area))} m² is typed and ${showNumber(drawn.area)} m² is drawn. The typed one counts; clear it to go by the plan, or measure one edge again.`,
        figure: r.area.id,
      })
    for (const { building, name: wall, percent } of survey.falls.get(r.id) ?? [])
      notices.push({
        id: `${r.id}.falls-to.${building}`,
        stage: 1,
        zone: r.id,
        level: 'warn',
        title: `${r.name} falls towards ${wall}.`,
        says: `About ${showNumber(percent)} %: water runs to the wall. Choose a fall away from it as the aim, or drain it first. Check with two more readings along the wall.`,
      })
    const levels = summary.zones[r.id]?.levels
    if (levels && levels.share < 70)
      notices.push({
        id: `${r.id}.levels-short`,
        stage: 1,
        zone: r.id,
        level: 'note',
        title: `${r.name}: levels over part of it.`,
        says: `The readings span ${showNumber(levels.share)} % of the zone; what lies outside them is taken as true. Read along the edges too.`,
      })
    if (summary.mixedLight.includes(r.id))
      notices.push({
        id: `${r.id}.mixed-light`,
        stage: 1,
        zone: r.id,
        level: 'warn',
        title: `${r.name} has two lights.`,
        says: `A tenth of it gets under ${SHADE_LINE} h of sun and a tenth over ${SUN_LINE} h: no one grass suits both. On the plan, under Light, it can be cut in two along the line.`,
        figure: r.sun.id,
      })
    const counted = summary.zones[r.id]?.counted
    if (counted && r.zone.cover.wanted === null && counted.more !== 0)
      notices.push({
        id: `${r.id}.count-open`,
        stage: 1,
        zone: r.id,
        level: 'note',
        title: `${r.name}: the count leaves the ${counted.line} % line open.`,
        says:
          counted.more === null
            ? `${counted.n} ${counted.method === 'step' ? 'looks' : 'throws'} put it so near the line that no count settles it: choose by eye, or by price.`
            : `Between ${showNumber(counted.low)} and ${showNumber(counted.high)} % so far. About ${counted.more} more ${counted.method === 'step' ? 'looks' : 'throws'} would settle it.`,
      })
  }
}
