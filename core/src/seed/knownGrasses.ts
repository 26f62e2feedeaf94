import type { Job } from '../entities/job.ts'
import type { GrassTable } from '../reference/grasses.ts'
import type { Notice } from '../trace/figure.ts'
import { say } from '../rules/message.ts'
import { figureId, JOB } from '../trace/scope.ts'

/**
 * A job without the grasses that the firm's table does not hold (it was planned elsewhere, or a
 * grass was deleted), each of them said.
 */
export function onlyKnownGrasses(job: Job, grasses: GrassTable): { job: Job; notices: Notice[] } {
  const strange = new Set<string>()
  const known = (grass: string) => grass in grasses || !strange.add(grass)
  const zones = job.zones.map((zone) => ({
    ...zone,
    present: zone.present.filter(known),
    mix: zone.mix?.filter((p) => known(p.grass)) ?? null,
    target: zone.target && known(zone.target) ? zone.target : null,
    coverGrass: zone.coverGrass && known(zone.coverGrass) ? zone.coverGrass : null,
  }))
  const lots = job.lots.filter((l) => known(l.grass))
  if (strange.size === 0) return { job, notices: [] }
  return {
    job: { ...job, zones, lots },
    notices: [...strange].map((grass) => ({
      id: figureId(JOB, 'unknown-grass', grass),
      stage: 4,
      level: 'warn',
      title: say`No grass “${grass}” in your table.`,
      says: 'It is left out of this plan. Add it under Yard, Grasses, or choose another in the zones and mixes that name it.',
    })),
  }
}
