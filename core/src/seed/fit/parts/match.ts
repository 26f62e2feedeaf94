import { kindOf } from '../../../reference/grasses.ts'
import { say } from '../../../rules/message.ts'
import { value } from '../../../rules/rule.ts'
import { clamp, type FitPartRecord } from '../judging.ts'

export const match = {
  id: 'match',
  name: 'match',
  weight: value(3, '1', 'model', 'Match with what is there counts', [0, 10]),
  judge: (g, { r, sowing }, v) => {
    if (r.present.length === 0 || sowing === 'new') return null
    if (r.present.some((p) => p.id === g.id))
      return { rating: 100, says: () => 'already there, so leaf and colour match' }
    if (r.present.some((p) => kindOf(p) === kindOf(g)))
      return {
        rating: v.sameKind,
        says: () => 'of the kind that is there, in another colour and leaf',
      }
    const near = r.present.reduce((best, p) =>
      Math.abs(Math.log(p.leaf / g.leaf)) < Math.abs(Math.log(best.leaf / g.leaf)) ? p : best,
    )
    const wider = g.leaf / near.leaf
    const off = Math.abs(Math.log(wider)) / Math.log(v.coarse)
    const colour = near.colour === g.colour ? 0 : 0.15
    const winter = near.winter === g.winter ? 0 : 0.3
    const habit = near.spreads === g.spreads ? 0 : 0.05
    const says = () =>
      winter > 0
        ? say`another colour than ${near.short} in winter`
        : off >= 1
          ? wider > 1
            ? say`a broader leaf than ${near.short}, and it stands out for years`
            : say`a finer leaf than ${near.short}`
          : say`near ${near.short} in leaf`
    return { rating: 100 * clamp(0.85 - 0.45 * off - colour - winter - habit), says }
  },
} as const satisfies FitPartRecord
