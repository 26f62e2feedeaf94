import type { ApproachId, Sowing } from '../reference/lists.ts'
import type { StepKind } from '../reference/operations.ts'
import { words, type Message } from '../rules/message.ts'

/** A ready-made way: what is sown, what is done besides, and what it leaves undone. */
export interface Preset {
  sowing: Sowing
  /** The only operations of it, where it is narrower than what is asked for. */
  only?: readonly StepKind[]
  /** Done in any case. */
  adds?: readonly StepKind[]
  /** What stays wrong with it, in a few words. */
  leaves: Message
}

export const PRESETS: Record<ApproachId, Preset> = {
  leave: {
    sowing: 'none',
    only: ['feed', 'water', 'leaf-off'],
    adds: ['feed'],
    leaves: 'only what is there thickens, slowly',
  },
  care: { sowing: 'none', adds: ['feed'], leaves: 'bare ground stays bare until grass creeps in' },
  level: { sowing: 'none', adds: ['dress'], leaves: 'no new grass comes in' },
  mend: { sowing: 'spots', leaves: 'the rest stays as thin as it is' },
  overseed: { sowing: 'over', leaves: 'lows and the worst weeds stay' },
  'overseed-level': { sowing: 'over', adds: ['dress'], leaves: 'the worst weeds stay' },
  renovate: {
    sowing: 'new',
    adds: ['kill', 'kill-again'],
    leaves: 'nothing; it looks worst and takes longest',
  },
  'sow-new': { sowing: 'new', leaves: 'grassy weeds in the soil come again' },
  'hold-over': { sowing: 'cover-then-sow', leaves: 'it is sown twice' },
  plugs: { sowing: 'plugs', leaves: 'gaps close over a season' },
  returf: { sowing: 'turf', adds: ['strip'], leaves: 'the dearest way; roots take weeks' },
  blend: { sowing: 'blend', leaves: 'two grasses to look after for good' },
  'winter-green': {
    sowing: 'winter-green',
    leaves: words('the cool grass goes in spring, and the warm turf wakes late'),
  },
}

/** Dearest last: one before another is a cheaper way. */
export const LADDER: readonly ApproachId[] = [
  'leave',
  'care',
  'mend',
  'level',
  'overseed',
  'plugs',
  'overseed-level',
  'sow-new',
  'renovate',
  'returf',
]
