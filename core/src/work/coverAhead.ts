import { tradeValues, value } from '../rules/rule.ts'
import { num, type Figure } from '../trace/figure.ts'
import type { Trace } from '../trace/trace.ts'
import type { Sowing } from '../reference/lists.ts'
import { bareValues, leftOfSward } from './bareAfter.ts'
import type { ZoneWork } from './workTypes.ts'

const share = (is: number, says: string) => value(is, '%', 'model', says, [0, 100])

/** How much of the open ground is grass again by the day a piece of work looks right. */
export const coverAheadValues = tradeValues('cover-ahead', {
  overLeast: share(50, 'Where it takes, seed sown over a sward covers of the open ground at least'),
  overMost: share(80, 'and at most'),
  newLeast: share(75, 'Seed on new ground or bare spots covers of it at least'),
  newMost: share(95, 'and at most'),
  plugsLeast: share(40, 'Plugs and runners close in their season of the gaps at least'),
  plugsMost: share(75, 'and at most'),
  knitsLeast: share(25, 'Not sown, grass that spreads closes in a season of open ground at least'),
  knitsMost: share(60, 'and at most'),
  bunchLeast: share(5, 'Not sown, grass in bunches closes of it at least'),
  bunchMost: share(20, 'and at most'),
  decent: share(60, 'A way closes the ground that brings it to so much wanted grass at least'),
  works: share(50, 'and that closes of the open part at least'),
})

/** Wanted cover of a zone, %: as read, once the work is done, and when it looks right. */
export interface CoverAhead {
  now: number
  /** What the blades and a clearing leave of it. */
  standing: number
  /** All that could be wanted grass: weeds that are left keep their ground. */
  most: number
  /** Where it takes. */
  low: number
  high: number
}

type Gain = 'over' | 'new' | 'plugs' | 'turf' | 'none'
const GAINS: Record<Sowing, Gain> = {
  none: 'none',
  spots: 'new',
  thin: 'over',
  over: 'over',
  new: 'new',
  'cover-then-sow': 'new',
  blend: 'over',
  'winter-green': 'over',
  plugs: 'plugs',
  turf: 'turf',
}

/** The cover a piece of work leads to, where it takes; null where no cover was read. */
export function coverAhead({ r, sowing, operations }: ZoneWork, trace: Trace): CoverAhead | null {
  if (r.wanted === null) return null
  const read = (part: Figure | null) => (part === null ? 0 : num(part))
  const passes = (kind: string) => operations.find((o) => o.operation === kind)?.passes ?? 0
  const now = read(r.wanted)
  const cleared = sowing === 'new' || sowing === 'turf'
  const left = () => leftOfSward(passes('scarify'), passes('rake'), trace.values(bareValues))
  const standing = cleared ? 0 : now * left()
  // Weeds that stay keep their ground, those without a cure too.
  const room = cleared ? 100 : 100 - standing - Math.max(read(r.weeds), read(r.incurable))
  // Only the spots are sown: what is thin between them stays as it is.
  const open = Math.max(0, sowing === 'spots' ? Math.min(room, read(r.bare)) : room)
  const [least, most] = gained(
    GAINS[sowing],
    r.present.some((g) => g.spreads),
    trace,
  )
  return {
    now,
    standing,
    most: standing + Math.max(0, room),
    low: standing + (open * least) / 100,
    high: standing + (open * most) / 100,
  }
}

function gained(gain: Gain, spreads: boolean, trace: Trace): [least: number, most: number] {
  const v = trace.values(coverAheadValues)
  switch (gain) {
    case 'over':
      return [v.overLeast, v.overMost]
    case 'new':
      return [v.newLeast, v.newMost]
    case 'plugs':
      return [v.plugsLeast, v.plugsMost]
    case 'turf':
      return [100, 100]
    case 'none':
      return spreads ? [v.knitsLeast, v.knitsMost] : [v.bunchLeast, v.bunchMost]
  }
}
