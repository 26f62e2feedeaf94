import { showDay, type Day } from '../calendar/day.ts'
import { GRASSES, GRASS_IDS, type Grass, type GrassId } from '../reference/grasses.ts'
import { WEAR_NAMES } from '../reference/lists.ts'
import type { ZoneReadings } from '../walkover/zoneReadings.ts'
import { num } from '../trace/figure.ts'

export interface MixPart {
  grass: GrassId
  /** Percent by weight. */
  share: number
  reason: string
}

export interface Mix {
  parts: MixPart[]
  /** The best grass left out, and the strongest reason against it. */
  runnerUp: { grass: GrassId; against: string } | null
  /** Set when no grass of the table fits this ground, with the strongest reason. */
  nothing: string | null
}

interface Scored {
  grass: Grass
  score: number
  out: string | null
  against: { weight: number; says: string }[]
  for: { weight: number; says: string }[]
}

const LEVEL = { low: 0, mid: 1, high: 2 }

/** Which season's grasses the zone belongs to: by what grows there, else by latitude. Common practice. */
export function seasonOf(r: ZoneReadings, latitude: number): 'cool' | 'warm' {
  const present = r.zone.present
  if (present.length > 0) return present.filter((g) => GRASSES[g].season === 'warm').length * 2 > present.length ? 'warm' : 'cool'
  return Math.abs(latitude) < 32 ? 'warm' : 'cool'
}

function score(g: Grass, r: ZoneReadings, sowingFrom: Day, lastSowing: (g: GrassId) => Day | null, overseeding: boolean): Scored {
  const s: Scored = { grass: g, score: 0, out: null, against: [], for: [] }
  const minus = (weight: number, says: string) => (s.against.push({ weight, says }), (s.score -= weight))
  const plus = (weight: number, says: string) => (s.for.push({ weight, says }), (s.score += weight))
  const sun = num(r.sun)
  const cut = num(r.cut)
  const last = lastSowing(g.id)
  if (g.stolonOnly) s.out = 'it is set as plugs or turf, not sown'
  else if (sun < g.sunHours) s.out = `it needs ${g.sunHours} h of sun; here it gets ${sun}`
  else if (cut < g.cut[0] * 0.9 || cut > g.cut[1] * 1.2) s.out = `it is kept at ${g.cut[0]}–${g.cut[1]} mm; here the cut is ${Math.round(cut)} mm`
  else if (last !== null && last < sowingFrom) s.out = `it wanted sowing by ${showDay(last)}`
  const want = LEVEL[r.zone.wear ?? 'mid']
  const bears = LEVEL[g.wear]
  if (bears < want) minus(2 * (want - bears), `it bears less wear than “${WEAR_NAMES[r.zone.wear ?? 'mid']}”`)
  else if (bears === 2 && want >= 1) plus(want, 'bears wear')
  if (r.zone.present.includes(g.id)) plus(g.id === 'tall-fescue' ? 5 : 2, 'already there, so leaf and colour match')
  else if (g.id === 'tall-fescue' && r.zone.present.length > 0) minus(5, 'its broad leaf stands out for years among what is there')
  else if (!g.fine && g.season === 'cool' && r.zone.present.length > 0 && r.zone.present.every((p) => GRASSES[p].fine))
    minus(sun < 4 ? 1 : 3.5, 'its leaf is broader and shinier than the fine grass there')
  if (g.season === 'warm' && r.zone.present.length > 0 && !r.zone.present.includes(g.id)) minus(4, 'another leaf and habit than the turf there')
  if (sun < 5 && g.sunHours <= 3) plus(3, `lives on ${g.sunHours} h of sun`)
  if (g.days && g.days[0] <= 3) plus(overseeding ? 2.5 : 1.5, 'shows within days and holds the ground')
  if (g.days && g.days[1] >= 28) minus(1.5, `it can take ${g.days[1]} days to show and ${g.weeksToUse[0]} weeks to bear use`)
  if (g.spreads) plus(1, 'knits bare spots together')
  if (r.thatch && num(r.thatch) > 12 && g.thatch === 'high') minus(1.5, 'it builds thatch, and there is enough of that')
  if (cut > 25 && g.id === 'browntop') s.out = 'a fine bent for cuts of 25 mm and less'
  if (r.zone.texture === 'sand' && g.drought === 'high') plus(1, 'stands drought on sand')
  return s
}

const strongest = (reasons: { weight: number; says: string }[]) => [...reasons].sort((a, b) => b.weight - a.weight)[0]?.says

/** A mix for a zone from light, season, wear, height of cut and what is there. Common practice weighed by Juvena's model. */
export function suggestMix(
  r: ZoneReadings,
  season: 'cool' | 'warm',
  sowingFrom: Day,
  lastSowing: (g: GrassId) => Day | null,
  overseeding: boolean,
): Mix {
  const all = GRASS_IDS.filter((id) => GRASSES[id].season === season && id !== 'annual-ryegrass').map((id) =>
    score(GRASSES[id], r, sowingFrom, lastSowing, overseeding),
  )
  const fit = all.filter((s) => s.out === null).sort((a, b) => b.score - a.score || a.grass.id.localeCompare(b.grass.id))
  const leader = fit[0]
  if (!leader) {
    const nearest = [...all].sort((a, b) => b.score - a.score)[0]
    return { parts: [], runnerUp: null, nothing: nearest?.out ? `Even ${nearest.grass.name} is out: ${nearest.out}.` : 'No grass of the table fits.' }
  }
  const others = fit.slice(1).filter((s) => s.grass.id !== 'tall-fescue')
  const chosen: [Scored, number][] = []
  const bank = num(r.slope) >= 20
  if (season === 'warm') chosen.push([leader, 100])
  else if (leader.grass.id === 'tall-fescue') {
    const knit = others.find((s) => s.grass.id === 'kentucky-bluegrass')
    chosen.push([leader, knit ? 90 : 100])
    if (knit) chosen.push([knit, 10])
  } else if (leader.grass.id === 'browntop' || (leader.grass.fine && others.some((s) => s.grass.id === 'browntop'))) {
    // A tenth of bent by weight already outnumbers the rest.
    const bent = fit.find((s) => s.grass.id === 'browntop')!
    const fescue = fit.find((s) => s.grass.fine && s !== bent)
    chosen.push(
      ...(fescue
        ? ([
            [fescue, 90],
            [bent, 10],
          ] as [Scored, number][])
        : ([[bent, 100]] as [Scored, number][])),
    )
  } else if (leader.grass.fine) {
    const fine = others.filter((s) => s.grass.fine).slice(0, 2)
    const quick = others.find((s) => s.grass.id === 'perennial-ryegrass')
    chosen.push([leader, 40 + (fine.length < 2 ? 20 : 0) + (quick ? 0 : 20)], ...fine.map((s): [Scored, number] => [s, 20]))
    if (quick) chosen.push([quick, 20])
  } else {
    const knit = others.find((s) => s.grass.spreads && s.score > leader.score - 6) ?? others.find((s) => s.grass.fine)
    chosen.push([leader, knit ? 70 : 100])
    if (knit) chosen.push([knit, 30])
  }
  const used = new Set(chosen.map(([s]) => s.grass.id))
  const total = chosen.reduce((sum, [, share]) => sum + share, 0)
  const nurse = bank && season === 'cool' ? 15 : 0
  const parts: MixPart[] = chosen.map(([s, share]) => ({
    grass: s.grass.id,
    share: Math.round((share / total) * (100 - nurse)),
    reason: strongest(s.for) ?? 'fits light, cut and season',
  }))
  const rest = 100 - nurse - parts.reduce((sum, p) => sum + p.share, 0)
  parts[0]!.share += rest
  if (nurse) parts.push({ grass: 'annual-ryegrass', share: nurse, reason: 'nurse on the bank: up in days, gone within the year' })
  const left = all
    .filter((s) => !used.has(s.grass.id) && !s.grass.stolonOnly)
    .sort((a, b) => b.score - a.score || a.grass.id.localeCompare(b.grass.id))[0]
  const against = left && (left.out ?? strongest(left.against) ?? `${leader.grass.short} scores higher on ${strongest(leader.for) ?? 'this ground'}`)
  return { parts, runnerUp: left && against ? { grass: left.grass.id, against } : null, nothing: null }
}

/** "rye 70 · creeping fescue 30", the same for the same mix. */
export const mixName = (parts: readonly { grass: GrassId; share: number }[]): string =>
  [...parts]
    .sort((a, b) => b.share - a.share || a.grass.localeCompare(b.grass))
    .map((p) => `${GRASSES[p.grass].short} ${Math.round(p.share)}`)
    .join(' · ')

export const mixKey = (parts: readonly { grass: GrassId; share: number }[]): string =>
  [...parts]
    .sort((a, b) => b.share - a.share || a.grass.localeCompare(b.grass))
    .map((p) => `${p.grass}-${Math.round(p.share)}`)
    .join('_')
