import type { Message } from '../rules/message.ts'
import type { TradeValue } from '../rules/rule.ts'
import type { CautionId } from './cautions.ts'

/** The rungs of the ladder, by what they are for, in their order. */
export const RUNG_GROUPS = [
  'before',
  'weeds and old growth',
  'repairs',
  'open',
  'bed and surface',
  'sow',
  'feed, water and mow',
] as const
export type RungGroup = (typeof RUNG_GROUPS)[number]

/** What a person may set for an operation. */
export type OperationSetting = 'passes' | 'depth' | 'height' | 'tines' | 'rainFree'

/** What kind of work zones share decides which step its days hang on. */
export type AnchorOf = 'plant' | 'scalp' | 'care' | 'feed'

/** Days from an earlier operation on the same ground. */
export interface Follows {
  /** The earlier operation. */
  after: string
  /** Days at least, and at most where it matters. */
  least: TradeValue | number
  most?: TradeValue | number
  /** Given up for a short season, a pin or the visits wanted; else it must hold. */
  onlyBetter?: true
  /** What is lost where it does not hold. */
  why: string
}

/** How an operation after the others is dated. */
export interface Later {
  /**
   * From the sowing, the expected band of the first mow, the first mow itself, the first mow of the
   * seedlings, the lift before, an operation (`of`), the season of the autumn pre-emergence, the
   * look that asks for it, or the feed before.
   */
  since: 'sown' | 'band' | 'first-mow' | 'seedlings' | 'lift' | 'work' | 'barrier' | 'look' | 'fed'
  /** The earlier operation, where it is dated from one. */
  of?: string
  /** Days after that; below zero for before. */
  days: TradeValue | number
  /** Not before so many days after the seed. */
  sinceSown?: TradeValue
  /** So often, each so many days after the one before. */
  times?: number
  /** On any day, not on the crew's working days alone. */
  anyDay?: true
  /** On a day that is right for the seed of its sowing. */
  inSeason?: true
  /** Not before turf grows. */
  inGrowth?: true
  /** Never in dormancy: in the last growing week, or the first of spring. */
  notDormant?: true
  /** It judges what came up: never sooner than the quickest grass has had its time. */
  judges?: true
  /** The id of its rule, what that says ({days} is the number above), and its steps. */
  rule: string
  says: string
  steps: string
}

/** What is done where a look says so. */
export interface Branch {
  /** Operations, by id. */
  does: readonly string[]
  /** The look is taken again, so many times in all at most. */
  again?: number
  says: string
}

/** Decides at a visit, by what is counted or seen there. */
export interface Look {
  /** % under wanted grass, or whether what is looked for is there. */
  counts: 'cover' | 'seen'
  asks: string
  /** Cover below which it is a yes; or the line of the school, below which ground is started over. */
  line?: TradeValue | 'start-over'
  /** What is counted takes the place of the cover that was read on the walk. */
  recounts?: true
  yes: Branch
  no: Branch
  /** The number among repeats under which what it leads to is kept; its own for each look. */
  part: number
}

interface Described {
  /** Stands in stored pins and diary entries: never renamed. */
  id: string
  name: Message
  /** Its name where nothing is sown. */
  unsown?: Message
  /** In a word, '' where it goes without saying; and how much it weighs among the work of a day. */
  short: readonly [word: string, weight: number]
  /** What the customer reads; nothing where it does not concern them. */
  customer?: { sown: string; unsown?: string }
  /** What it is for; {name} is one of the operation values. */
  why: string
  /** Ground and weather it wants. */
  wants: Message
  cautions: readonly CautionId[]
  /** The stage, beside Order of work, where its cautions stand too. */
  cautionsAt?: 5 | 7 | 8
  group: RungGroup
  sets?: readonly OperationSetting[]
  /** Setting up and clearing away, whatever the area, hours. */
  setUp: TradeValue
  /** Days the ground looks bad after it; where yearly work differs from neglected ground, both. */
  looksBad?: TradeValue | { yearly: TradeValue; neglected: TradeValue }

  // What it does to the ground.
  /** It opens the surface, so that seed touches soil. */
  opens?: true
  /** It puts seed, plugs or turf down. */
  plants?: true
  /** It leaves bare soil that is sown with the spots. */
  leavesBare?: true
  /** Steel goes into the ground: services are marked first. */
  steel?: true
  /** It stands before each piece of work that closes the ground, and not once for the zone. */
  eachPiece?: true
  /** It closes the lawn to those who use it. */
  closes?: true
  /** Opened, dressed or fed turf that is not sown wants water after it. */
  wetted?: true
  /** Money lost where grass is the wrong plant for the light. */
  lostInTheDark?: true

  // What it puts down or takes off.
  /** What has to hold on the ground before it is done, looked at there one by one. */
  gates?: readonly string[]
  /** It mows seedlings: once they stand so high, or on to the height of cut. */
  mows?: 'standing' | 'cut'
  sprays?: true
  feeds?: true
  /** Put down in two half-rate passes. */
  halved?: true
  /** It spreads soil or sand that is ordered. */
  spreadsSoil?: true
  /** The kinds of material it puts down. */
  puts?: readonly (
    'feed' | 'lime' | 'spray' | 'cover' | 'dressing' | 'soil' | 'plugs' | 'turf' | 'edging'
  )[]

  // What it goes with.
  /** Nobody switches it on by itself: it comes with other work, or with seed. */
  along?: 'with-work' | 'with-seed'
  /** Goes without saying where ways are told side by side. */
  quiet?: true
  /** Makes sense only with seed, only where something is sown, set or laid, or only where nothing is. */
  needs?: 'seed' | 'planting' | 'standing'
  /** Done on what is sown where only part of a zone is; or on ground of its own. */
  ground?: 'sown' | 'weeds' | 'clumps' | 'rings' | 'trench' | 'worn' | 'edge' | 'strip' | 'lows'
  /** Operations that come with it, and why. */
  leadsTo?: readonly { operation: string; why: string }[]

  // Its days.
  /**
   * Done when it is due, whatever the sowing or the season waits for. `first`: other work on its
   * ground waits for it; `now`: at once; `soon`: with a visit of the next days.
   */
  due?: 'first' | 'now' | 'soon'
  /** Done after hours, on any day. */
  evening?: true
  /** It takes a visit of its own. */
  ownDay?: true
  /** Which waiting period holds it: of seed, of blades and tines, of a dressing, of a flight of moths; a weedkiller of seedlings. */
  waitsFor?: 'sow' | 'open' | 'dress' | 'spray' | 'moths'
  /** On ground held over it waits until the quick cover has stood. */
  afterQuickCover?: true
  /** The kind of work whose days hang on it, the last of several. */
  anchors?: AnchorOf
  /** What weather holds it. */
  weather?: 'opens' | 'wheels' | 'spreads' | 'sprays' | 'cuts-hard'
  /** Links of its own to earlier operations, beside those of `work/precedence`. */
  follows?: readonly Follows[]
  /** Dated after the others. */
  later?: Later
  /** What is counted or seen there decides what is done. */
  look?: Look
}

/** One person's rate with a tool, m² or m an hour; null for the usual rate of the operation. */
export interface Tool {
  name: string
  rate: TradeValue | null
}

/** What a zone's work is measured by: m² or metres of edge, at a rate; or the same whatever the size. */
type Measured =
  | {
      by: 'area' | 'length'
      /** How one person gets on: m² an hour and pass, or metres an hour along an edge. */
      rate: TradeValue
      /** Ways to do it, the usual one first. */
      tools?: Readonly<Record<string, Tool>>
    }
  | { by: 'nothing'; rate?: undefined; tools?: undefined }

export type Operation = Described & Measured

const named = (group: string, id: string, of: TradeValue): TradeValue =>
  of.id ? of : { ...of, id: `${group}.${id}` }

/** Declares an operation. Its numbers are kept by its id: "rate.core", "set-up.core". */
export function operation<const Id extends string>(
  written: Operation & { id: Id },
): Operation & { id: Id } {
  const setUp = named('set-up', written.id, written.setUp)
  return written.by === 'nothing'
    ? { ...written, setUp }
    : { ...written, setUp, rate: named('rate', written.id, written.rate) }
}
