import { sure } from '../quantities/sure.ts'
import type { Job } from '../entities/job.ts'
import type { MixPart } from './mix.ts'
import { num, type Figure } from '../trace/figure.ts'

/** Seed of one lot that goes into one zone. */
export interface SeedUse {
  /** The lot of the job, and the lot on the shelf; empty where it comes from no shelf. */
  lot: string
  stock: string
  /** The zone as it is worked: a later sowing has an id of its own. */
  zone: string
  kg: number
}

/** To ten grams. */
const tenGrams = (kg: number) => Math.round(kg * 100) / 100

/**
 * What goes where by lot: each grass of a zone's mix from the job's lots of it, by their weights or
 * alike.
 */
export function seedUse(
  lots: Job['lots'],
  seeds: readonly { zone: string; mix: readonly MixPart[]; kg: Figure }[],
): SeedUse[] {
  return seeds.flatMap(({ zone, mix, kg }) => {
    const total = mix.reduce((sum, p) => sum + p.share, 0) || 1
    return mix.flatMap((part): SeedUse[] => {
      const mine = lots.filter((l) => l.grass === part.grass)
      const weighed = mine.every((l) => l.amount !== null)
      const all = weighed ? mine.reduce((sum, l) => sum + sure(l.amount), 0) : mine.length
      return mine.map((l) => ({
        lot: l.id,
        stock: l.stock,
        zone,
        kg: tenGrams((num(kg) * part.share * (weighed ? sure(l.amount) : 1)) / total / all),
      }))
    })
  })
}
