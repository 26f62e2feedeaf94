import { isWatered } from '../../../entities/job.ts'
import { slopeLines } from '../../../findings/lines.ts'
import { num } from '../../../trace/figure.ts'
import { value } from '../../../rules/rule.ts'
import { joinedCauses, rated, share, type FitPartRecord } from '../judging.ts'

export const water = {
  id: 'water',
  name: 'water',
  weight: value(2, '1', 'model', 'Water to be had counts', [0, 10]),
  judge: (g, { r, job, trace }, v) => {
    const steep = num(r.slope) >= trace.value(slopeLines.press)
    const dry =
      v.dryAlways +
      (r.zone.texture === 'sand' ? v.drySand : 0) +
      (steep ? v.drySteep : 0) +
      (!isWatered(job) ? v.dryUnwatered : 0)
    const rating = rated(Math.min(1, share(dry)), g.drought, v)
    return {
      rating,
      says: () =>
        dry <= v.dryAlways
          ? 'watered'
          : rating >= 100
            ? 'stands as dry as it gets here'
            : joinedCauses('it stands less drought than this ground asks', [
                r.zone.texture === 'sand' && 'sand',
                steep && 'a slope',
                !isWatered(job) && 'nobody to water',
              ]),
    }
  },
} as const satisfies FitPartRecord
