import { CAUSES, type Cause } from '../climate/dayReasons.ts'
import type { SiteClimate } from '../climate/siteClimate.ts'
import {
  oddsOfMix,
  oddsValues,
  pooledOdds,
  sowingOdds,
  type SowingOdds,
} from '../climate/sowingOdds.ts'
import { sownGrass } from '../climate/sowingLines.ts'
import { YEAR_DAYS } from '../climate/yearDay.ts'
import type { GrassId } from '../reference/grasses.ts'
import type { Schools } from '../reference/schools.ts'
import type { Trace } from '../trace/trace.ts'

/** What a line of the year's page sows. */
export interface YearSowing {
  id: string
  grasses: readonly GrassId[]
  kind: 'lawn' | 'cover' | 'dormant'
}

export const YEAR_SOWINGS: readonly YearSowing[] = [
  { id: 'rye', grasses: ['perennial-ryegrass'], kind: 'lawn' },
  { id: 'tall-fescue', grasses: ['tall-fescue'], kind: 'lawn' },
  { id: 'bluegrass', grasses: ['kentucky-bluegrass'], kind: 'lawn' },
  { id: 'fine-fescue', grasses: ['creeping-red-fescue', 'chewings-fescue'], kind: 'lawn' },
  { id: 'bermuda', grasses: ['bermudagrass'], kind: 'lawn' },
  { id: 'zoysia', grasses: ['zoysia'], kind: 'lawn' },
  { id: 'cover', grasses: ['annual-ryegrass'], kind: 'cover' },
  { id: 'dormant', grasses: ['chewings-fescue'], kind: 'dormant' },
]

/**
 * By day from the first of the page: in how many years of a hundred a sowing succeeds, and what
 * fails the others; and over how many years it was tried.
 */
export interface RowOdds {
  years: number
  succeed: number[]
  fails: Record<Cause, number[]>
}

const oddsOfParts = (
  { grasses, kind }: YearSowing,
  { years }: SiteClimate,
  schools: Schools,
  trace: Trace,
): SowingOdds[] => {
  // A dormant sowing comes up in a spring whose weather is not simulated.
  if (kind === 'dormant') return []
  const brief = { watered: true, lawn: kind === 'lawn', standsBy: schools.stands }
  const v = trace.values(oddsValues)
  return grasses.flatMap((grass) => {
    const sown = sownGrass(trace.grass(grass), trace)
    return sown ? [sowingOdds(years.place, years.sums, sown, brief, v)] : []
  })
}

function fromDay(begins: number, parts: readonly SowingOdds[]): RowOdds | null {
  if (parts.length === 0) return null
  const { years, succeed, fails } = oddsOfMix(parts)
  const turned = (of: Float32Array) =>
    Array.from({ length: YEAR_DAYS }, (_, i) => of[(begins + i) % YEAR_DAYS]!)
  return {
    years,
    succeed: turned(succeed),
    fails: Object.fromEntries(CAUSES.map((c) => [c, turned(fails[c])])) as Record<Cause, number[]>,
  }
}

/** `begins`: day of the year of the page's first day. Null where nothing is known of the odds. */
export const rowOdds = (
  row: YearSowing,
  climate: SiteClimate,
  begins: number,
  schools: Schools,
  trace: Trace,
): RowOdds | null => fromDay(begins, oddsOfParts(row, climate, schools, trace))

/**
 * The odds of every line over many hundreds of simulated years, one hundred at a time: what is
 * known after each. `climateOf` gives the climate of a site in a hundred of its own.
 */
export function* oddsOverHundreds(
  climateOf: (hundred: number, trace: Trace) => SiteClimate,
  hundreds: number,
  begins: number,
  schools: Schools,
  newTrace: () => Trace,
): Generator<Record<string, RowOdds | null>, void> {
  let known: SowingOdds[][] = []
  for (let k = 0; k < hundreds; k++) {
    const trace = newTrace()
    const climate = climateOf(k, trace)
    const these = YEAR_SOWINGS.map((row) => oddsOfParts(row, climate, schools, trace))
    known =
      k === 0
        ? these
        : known.map((parts, row) => parts.map((part, i) => pooledOdds(part, these[row]![i]!)))
    yield Object.fromEntries(YEAR_SOWINGS.map(({ id }, row) => [id, fromDay(begins, known[row]!)]))
  }
}
