import type { FigureId, ZoneId } from '../rules/id.ts'
import type { Packs } from './packs.ts'
import type { StepKind } from '../reference/operations.ts'
import { type Figure } from '../trace/figure.ts'
import type { Message } from '../rules/message.ts'
import { allZones, rule } from '../rules/rule.ts'
import { zoneOf, zoneScope } from '../trace/scope.ts'
import type { Trace } from '../trace/trace.ts'

/**
 * One line of what to buy, carry and weigh out: a figure for each zone that takes some, and one for
 * the order.
 */
export type MaterialKind =
  | 'seed'
  | 'feed'
  | 'lime'
  | 'spray'
  | 'dressing'
  | 'soil'
  | 'cover'
  | 'plugs'
  | 'turf'
  | 'edging'
  | 'debris'

export interface MaterialLine {
  id: string
  kind: MaterialKind
  name: Message
  /** What it is bought as: a grade, a dressing, a cover. */
  of: string
  detail: Message
  /** What its label says of people: how long to keep off, what to wear. */
  people?: Message
  cells: Record<ZoneId, FigureId>
  total: FigureId
  packs: (Packs & { figure: FigureId; costs: FigureId | null }) | null
  /** Weight on the barrow, t. */
  tonnes: number
  /** What the doubt about the area is worth, where the area's error is known. */
  doubt: Message
  /** Figures that say the total in other words: tonnes, barrows. */
  also: FigureId[]
  /**
   * Of soil, sand and feed, what each step spreads on a zone, in how many lifts: together the order;
   * and of feed how the spreader is set.
   */
  spread?: { step: StepKind; zone: ZoneId; figure: FigureId; lifts: number; set?: Message }[]
}

const both = { key: 'both', stage: 5, label: 'Both sowings', standing: 'calculation' } as const

/** What the two rounds of a zone that is sown twice come to, by unit. */
export const bothRounds = {
  kg: rule({ ...both, id: 'materials.both-rounds.kg', ...allZones('kg') }),
  m: rule({ ...both, id: 'materials.both-rounds.length', ...allZones('m') }),
  L: rule({ ...both, id: 'materials.both-rounds.L', ...allZones('L') }),
  'loose-L': rule({ ...both, id: 'materials.both-rounds.loose', ...allZones('loose-L') }),
  m2: rule({ ...both, id: 'materials.both-rounds.area', ...allZones('m2') }),
  m3: rule({ ...both, id: 'materials.both-rounds.volume', ...allZones('m3') }),
}

/** The figure of each zone; where a zone has two rounds, what they come to. */
export function cellsOf(
  key: string,
  list: readonly { zone: string; amount: Figure }[],
  trace: Trace,
): Record<string, string> {
  const zones = [...new Set(list.map((x) => zoneOf(x.zone)))]
  return Object.fromEntries(
    zones.map((zone) => {
      const mine = list.filter((x) => zoneOf(x.zone) === zone).map((x) => x.amount)
      if (mine.length === 1) return [zone, mine[0]!.id]
      // The rules differ in their unit alone.
      const by = bothRounds[mine[0]!.unit as keyof typeof bothRounds] as typeof bothRounds.kg
      return [zone, trace.work(by, zoneScope(zone), { zones: mine }, { part: key }).id]
    }),
  )
}
/** A line with nothing to it but its figures. */
export const plain = { packs: null, tonnes: 0, doubt: '' as Message, also: [] as string[] }
