import type { Firm } from '../entities/firm.ts'
import type { Job, Zone } from '../entities/job.ts'
import { dot } from '../quantities/sum.ts'
import { say, quantity } from '../rules/message.ts'
import { reading, rule, tradeValues, value } from '../rules/rule.ts'
import { num, type Figure, type Notice } from '../trace/figure.ts'
import { JOB, zoneScope } from '../trace/scope.ts'
import type { Trace } from '../trace/trace.ts'
import { labelled, type FeedPlan } from './feed.ts'

/** What turf takes up of the rest of the bag in a year: two full doses of it. */
export const oxideValues = tradeValues('feed-year', {
  phosphate: value(10, 'g/m2', 'model', 'P₂O₅ in a year without a test at most', [1, 40]),
  potash: value(20, 'g/m2', 'model', 'K₂O in a year without a test at most', [1, 60]),
})

export const oxideReadings = {
  p2o5: reading({ key: 'feed.given-p2o5', stage: 5, label: 'P₂O₅ given this year', unit: 'g/m2' }), // prettier-ignore
  k2o: reading({ key: 'feed.given-k2o', stage: 5, label: 'K₂O given this year', unit: 'g/m2' }), // prettier-ignore
}

const laidInAll = {
  stage: 5,
  unit: 'g/m2',
  standing: 'calculation',
  says: 'What each feed of this ground lays, as often as it is given, with what it has had.',
  inputs: { laid: 'g/m2[]', times: '1[]', given: 'g/m2' },
  formula: 'dot(laid, times) + given',
  compute: ({ laid, times, given }: { laid: readonly number[]; times: readonly number[]; given: number }) => dot(laid, times) + given, // prettier-ignore
} as const

export const oxideRules = {
  p2o5: rule({ ...laidInAll, id: 'feed.year-p2o5', label: 'P₂O₅ in the year' }),
  k2o: rule({ ...laidInAll, id: 'feed.year-k2o', label: 'K₂O in the year' }),
  product: rule({
    stage: 5,
    id: 'feed.year-product',
    label: 'Of this product in the year',
    unit: 'g/m2',
    standing: 'calculation',
    says: 'Its rate each time, as often as it is given.',
    inputs: { rates: 'g/m2[]', times: '1[]' },
    formula: 'dot(rates, times)',
    compute: ({ rates, times }) => dot(rates, times),
  }),
}

/** Feeds of one zone, each with how often it is given there. */
interface OfZone {
  zone: Zone
  feeds: { feed: FeedPlan; times: number }[]
}

const OXIDES = [
  { key: 'p2o5', test: 'phosphorus', name: 'phosphorus', most: 'phosphate', typed: 'givenPhosphate', place: 'middle' }, // prettier-ignore
  { key: 'k2o', test: 'potassium', name: 'potassium', most: 'potash', typed: 'givenPotash', place: 'last' }, // prettier-ignore
] as const

/**
 * What the feeds of a job come to in their year beside nitrogen: phosphorus and potassium over what
 * turf takes up, of the worst zone, and a product over what its label allows in a year.
 */
export function yearOfFeeds(
  feeds: readonly FeedPlan[],
  { job, firm }: { job: Job; firm: Firm },
  trace: Trace,
): { notices: Notice[]; p2o5: Figure | null; k2o: Figure | null } {
  const zones = job.zones.flatMap((zone): OfZone[] => {
    const mine = feeds.flatMap((feed) =>
      feed.zones.filter((z) => z.zone === zone.id).map(({ times }) => ({ feed, times })),
    )
    return mine.length > 0 ? [{ zone, feeds: mine }] : []
  })
  const most = trace.values(oxideValues)
  const found = OXIDES.map(({ key, test, name, most: limit, typed, place }) => {
    const given = trace.read(oxideReadings[key], JOB, job.feed[typed])
    // A single dose is held by its own limit.
    const worked = zones
      .filter(({ feeds }) => given !== null || feeds.length > 1 || (feeds[0]?.times ?? 1) > 1)
      .map(({ zone, feeds }) => ({
        zone,
        laid: trace.work(oxideRules[key], zoneScope(zone.id), {
          laid: feeds.map((f) => f.feed.lays[key]),
          times: feeds.map((f) => f.times),
          given: given ?? 0,
        }),
      }))
      .filter(({ laid }) => num(laid) > 0)
    const heaviest = worked.reduce<(typeof worked)[number] | null>((a, b) => (a && num(a.laid) >= num(b.laid) ? a : b), null) // prettier-ignore
    const over = worked
      .filter(({ zone, laid }) => zone.lab[test] !== 'low' && num(laid) > most[limit] + 1e-9)
      .reduce<(typeof worked)[number] | null>((a, b) => (a && num(a.laid) >= num(b.laid) ? a : b), null) // prettier-ignore
    const notices: Notice[] = over
      ? [
          {
            id: `feed-year.${key}`,
            stage: 5,
            level: 'warn',
            title: say`${over.laid} of ${key === 'p2o5' ? 'P₂O₅' : 'K₂O'} in one year is more than turf takes up.`,
            says: say`${quantity(most[limit], 'g/m2')} is the most without a soil test that asks for more ${name}: the rest stays in the soil or runs to water. Take a bag with a lower ${place} number for the feeds after the first.`,
            figure: over.laid.id,
          },
        ]
      : []
    return { key, heaviest: heaviest?.laid ?? null, notices }
  })
  return {
    p2o5: found[0]?.heaviest ?? null,
    k2o: found[1]?.heaviest ?? null,
    notices: [...found.flatMap((f) => f.notices), ...overTheLabel(zones, firm, trace)],
  }
}

/** A product of which its label allows only so much in a year. */
function overTheLabel(zones: readonly OfZone[], firm: Firm, trace: Trace): Notice[] {
  const told = new Set<string>()
  return zones.flatMap(({ zone, feeds }) =>
    [...new Set(feeds.map((f) => f.feed.gradeText))].flatMap((grade): Notice[] => {
      const most = labelled(firm, grade)?.yearMost ?? null
      const of = feeds.filter((f) => f.feed.gradeText === grade)
      if (most === null || told.has(grade)) return []
      const laid = trace.work(
        oxideRules.product,
        zoneScope(zone.id),
        { rates: of.map((f) => f.feed.rate), times: of.map((f) => f.times) },
        { part: grade },
      )
      if (num(laid) <= most + 1e-9) return []
      told.add(grade)
      return [
        {
          id: `feed-year.label-${grade}`,
          stage: 5,
          level: 'hold',
          title: say`${grade}: its label allows ${quantity(most, 'g/m2')} in a year, and this plan lays ${laid}.`,
          says: 'The label is law. Take another product for the feeds after the first, or fewer of them.',
          figure: laid.id,
        },
      ]
    }),
  )
}
