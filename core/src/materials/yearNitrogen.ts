import type { Job } from '../entities/job.ts'
import type { GrassId } from '../reference/grasses.ts'
import { programmeValues } from '../reference/programmeValues.ts'
import type { Schools } from '../reference/schools.ts'
import { reading, rule } from '../rules/rule.ts'
import { num, type Figure } from '../trace/figure.ts'
import { JOB, type Scope } from '../trace/scope.ts'
import type { Trace } from '../trace/trace.ts'
import type { ZoneReadings } from '../walkover/zoneReadings.ts'

const feed = { stage: 5, unit: 'g/m2' } as const

export const yearReadings = {
  given: reading({ key: 'feed.given', stage: 5, label: 'Nitrogen given this year', unit: 'g/m2', otherwise: [0, [0, 60]] }), // prettier-ignore
}

const left = { need: 'g/m2', given: 'g/m2', main: 'g/m2' } as const

export const yearRules = {
  need: rule({
    ...feed,
    id: 'feed.year',
    label: 'Nitrogen its grass wants in a year',
    standing: 'practice',
    says: 'The middle of what its grass wants in a year, less what clippings that lie on it return.',
    inputs: { low: 'g/m2', high: 'g/m2', clippings: '%' },
    formula: '(low + high) / 2 * (1 - clippings)',
    compute: ({ low, high, clippings }) => ((low + high) / 2) * (1 - clippings / 100),
  }),
  left: rule({
    ...feed,
    id: 'feed.left',
    label: 'Nitrogen left of the year',
    standing: 'calculation',
    says: 'What its grass wants in a year, less what it has had.',
    inputs: { need: 'g/m2', given: 'g/m2' },
    formula: 'need - min(need, given)',
    compute: ({ need, given }) => Math.max(0, need - given),
  }),
  spoon: rule({
    ...feed,
    id: 'feed.spoon',
    key: 'feed.round',
    label: 'Nitrogen each time',
    standing: 'practice',
    says: 'A little and often: {spoon} each time, while the year’s nitrogen lasts.',
    values: { spoon: programmeValues.spoon },
    inputs: left,
    formula: 'min(spoon, need - min(need, given + main))',
    compute: ({ need, given, main }, { spoon }) =>
      Math.max(0, Math.min(spoon, need - given - main)),
  }),
  seedlings: rule({
    ...feed,
    id: 'feed.seedlings',
    key: 'feed.round',
    label: 'Nitrogen each time',
    standing: 'practice',
    says: 'Seedlings that have been mown get {seedlings} each time, while the year’s nitrogen lasts.',
    values: { seedlings: programmeValues.seedlings },
    inputs: left,
    formula: 'min(seedlings, need - min(need, given + main))',
    compute: ({ need, given, main }, { seedlings }) =>
      Math.max(0, Math.min(seedlings, need - given - main)),
  }),
  dose: rule({
    ...feed,
    id: 'feed.autumn-dose',
    key: 'feed.round',
    label: 'Nitrogen each time',
    standing: 'practice',
    says: 'The share of the year’s nitrogen that the season gets, less what the first feed gave of it, and never more than the year leaves; in equal doses, and never more than turf takes at once.',
    inputs: { ...left, share: '%', first: 'g/m2', doses: '1', most: 'g/m2' },
    formula:
      'min(most, min(share * need - min(share * need, first), need - min(need, given + main)) / doses)',
    compute: ({ need, given, main, share, first, doses, most }) =>
      Math.max(
        0,
        Math.min(most, Math.min((share / 100) * need - first, need - given - main) / doses),
      ),
  }),
}

/** What stands for grass of a season of which nobody says which it is. */
const USUAL: Readonly<Record<'cool' | 'warm', GrassId>> = {
  cool: 'perennial-ryegrass',
  warm: 'bermudagrass',
}

/** The grass that turf which is not sown is fed for; null where nobody says which it is. */
export const standingGrass = ({ zone }: Pick<ZoneReadings, 'zone'>): GrassId | null =>
  zone.target ?? zone.present[0] ?? null

/**
 * Nitrogen that ground wants in a year, g/m²: by the most modest of the grasses on it, less what
 * clippings return.
 */
export function nitrogenOfYear(
  grasses: readonly (GrassId | null)[],
  season: 'cool' | 'warm',
  { feed: { clippings } }: Pick<Job, 'feed'>,
  scope: Scope,
  trace: Trace,
): Figure {
  const known = grasses.flatMap((id) => (id ? [trace.grass(id).nitrogen] : [])).filter((n) => n !== null) // prettier-ignore
  const usual = trace.grass(USUAL[season]).nitrogen ?? [0, 0]
  const [low, high] = (known.length > 0 ? known : [usual]).reduce((a, b) =>
    b[0] + b[1] < a[0] + a[1] ? b : a,
  )
  return trace.work(yearRules.need, scope, {
    low,
    high,
    clippings: clippings ? trace.value(programmeValues.clippings) : 0,
  })
}

/** Nitrogen that a job has had this year, as entered; null where nothing asks for it. */
export const nitrogenGiven = (
  { feed: { given } }: Pick<Job, 'feed'>,
  { programme }: Pick<Schools, 'programme'>,
  trace: Trace,
): Figure | null =>
  given === null && programme === 'one-dose' ? null : trace.readOr(yearReadings.given, JOB, given)

/** What is left of a year after what was given and a first feed, g/m². */
export const leftOfYear = (need: Figure, given: Figure | null, main: number): number =>
  num(need) - (given ? num(given) : 0) - main
