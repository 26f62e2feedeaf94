import { group } from 'd3-array'
import type { Day } from '../calendar/day.ts'
import { bagsFor, type Bags, type Packs } from '../materials/packs.ts'
import type { JobPlan } from '../plan/jobPlan.ts'
import { num } from '../trace/figure.ts'
import type { Message } from '../rules/message.ts'
import { zoneOf } from '../trace/scope.ts'
import { isBehind } from '../plan/stepState.ts'

/**
 * The seed of one mix that one job still has to sow, kg: all of it with its reserve, and what of
 * that comes from lots on the shelf.
 */
export interface SeedWanted {
  job: string
  name: string
  sowDay: Day | null
  /** The mix: the same for the same grasses and shares. */
  key: string
  mix: Message
  kg: number
  fromShelf: number
  /** What is weighed out for each of two passes, by zone, kg. */
  pans: { zone: string; kg: number }[]
}

/** A mix over all jobs that want it. */
export interface SeedToBuy {
  key: string
  mix: Message
  jobs: Pick<SeedWanted, 'job' | 'name' | 'sowDay' | 'kg' | 'fromShelf' | 'pans'>[]
  /** kg. */
  wanted: number
  fromShelf: number
  /** The cheapest bags for the rest, bought once for all; null where the shelf has it all. */
  packs: Packs | null
  /** What would be bought if each job bought its own, kg. */
  apart: number
}

const SEED_LINE = /^seed\.(?:later\.)?(?!dormant$)(.+)$/

/** What a job still has to sow, by mix. Nothing once its seed is down. */
export function seedWanted(id: string, name: string, plan: JobPlan): SeedWanted[] {
  const open = plan.steps.filter((s) => s.kind === 'sow' && !isBehind(s))
  if (open.length === 0) return []
  return plan.materials.flatMap((line): SeedWanted[] => {
    const key = SEED_LINE.exec(line.id)?.[1]
    if (!key) return []
    const kg = num(plan.figures[line.total]!)
    const onShelf = plan.seedUse
      .filter((u) => u.stock !== '' && u.zone in line.cells)
      .reduce((sum, u) => sum + u.kg, 0)
    const sowDay = open.find((s) => s.zones.some((z) => z in line.cells))?.chosen ?? null
    const pans = Object.keys(line.cells).flatMap((id) => {
      const zone = plan.zones.find((z) => z.id === zoneOf(id))
      const seed = zone && (line.id.startsWith('seed.later.') ? zone.later?.seed : zone.seed)
      return seed ? [{ zone: zone.name, kg: num(plan.figures[seed.pan.id]!) }] : []
    })
    return [
      { job: id, name, sowDay, key, mix: line.detail, kg, fromShelf: Math.min(kg, onShelf), pans },
    ]
  })
}

/** Seed over all jobs, by mix, the soonest sown first; and the bags for it, bought once. */
export function seedToBuy(wanted: readonly SeedWanted[], bags: Bags): SeedToBuy[] {
  const soonest = [...wanted].sort(
    (a, b) => (a.sowDay ?? '9').localeCompare(b.sowDay ?? '9') || a.name.localeCompare(b.name),
  )
  return [...group(soonest, (w) => w.key)].map(([key, of]) => {
    const left = (w: SeedWanted) => Math.max(0, w.kg - w.fromShelf)
    const rest = of.reduce((sum, w) => sum + left(w), 0)
    return {
      key,
      mix: of[0]!.mix,
      jobs: of.map(({ job, name, sowDay, kg, fromShelf, pans }) => ({
        job,
        name,
        sowDay,
        kg,
        fromShelf,
        pans,
      })),
      wanted: of.reduce((sum, w) => sum + w.kg, 0),
      fromShelf: of.reduce((sum, w) => sum + w.fromShelf, 0),
      packs: rest > LEAST ? bagsFor(rest, bags) : null,
      apart: of.reduce((sum, w) => sum + (left(w) > LEAST ? bagsFor(left(w), bags).bought : 0), 0),
    }
  })
}
/** A few grams are no reason to buy, kg. */
const LEAST = 0.005
