import type { Firm } from '@juvena/core/entities/firm'
import { grassTable } from '@juvena/core/firm/firmGrasses'
import { seedBags } from '@juvena/core/materials/lines'
import { seedToBuy } from '@juvena/core/present/seedToBuy'
import { Trace } from '@juvena/core/trace/trace'
import { seedWantedOfAll, type OfAllJobs } from '../store/overAllJobs.ts'

/** The seed of all jobs by mix, and the bags for it bought once. */
export function seedOfAll({ folder, firm }: { folder: string; firm: Firm }): OfAllJobs {
  const { wanted, damaged } = seedWantedOfAll(folder)
  const trace = new Trace(firm.values, grassTable(firm.grasses))
  return { text: JSON.stringify({ toBuy: seedToBuy(wanted, seedBags(firm, trace)) }), damaged }
}
