import type { Firm } from '@juvena/core/entities/firm'
import { machinesOfAll } from '@juvena/core/money/machinesOfAll'
import { machinesWantedOfAll, type OfAllJobs } from '../store/overAllJobs.ts'

export interface MachinesAsk {
  folder: string
  firm: Firm
  today: string
}

/** The firm's machines over all jobs: who wants each on which day, and what it costs. */
export function machinesOfJobs({ folder, firm, today }: MachinesAsk): OfAllJobs {
  const { wanted, damaged } = machinesWantedOfAll(folder)
  return { text: JSON.stringify({ machines: machinesOfAll(wanted, firm, today) }), damaged }
}
