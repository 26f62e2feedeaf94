import type { Firm } from '../entities/firm.ts'
import type { Job, Zone } from '../entities/job.ts'
import type { Grade } from '../entities/entry.ts'
import type { StepKind } from '../reference/operations.ts'
import type { Schools } from '../reference/schools.ts'
import type { Day } from '../calendar/day.ts'
import { num, type Figure, type Notice } from '../trace/figure.ts'
import { joined, quantity, say, type Message } from '../rules/message.ts'
import { JOB, zoneScope, type Scope } from '../trace/scope.ts'
import type { Trace } from '../trace/trace.ts'
import { isPlanted } from '../work/sowing.ts'
import { operationOf, type ZoneWork } from '../work/workTypes.ts'
import {
  bagNitrogen,
  doseValues,
  feedDaySoil,
  feedReadings,
  feedRules,
  nitrogenValues,
  starterValues,
  upkeepNitrogen,
  upkeepValues,
} from './feedRules.ts'

export interface FeedPlan {
  /** A starter goes with seed; turf that is not sown gets an upkeep feed. */
  use: 'starter' | 'upkeep'
  grade: Grade
  gradeText: string
  rate: Figure
  nitrogen: Figure
  ceiling: Figure
  lays: { p2o5: Figure; k2o: Figure; p: Figure; k: Figure }
  zones: { zone: string; step: StepKind; kg: Figure }[]
  total: Figure
  notices: Notice[]
}

export interface FeedBrief {
  job: Job
  firm: Firm
  schools: Schools
  works: readonly ZoneWork[]
  /** The day of a step that feeds a zone, where it has one. */
  fedOn: (zone: string, step: StepKind) => Figure | null
  /** Soil at 50 mm on a day, °C. */
  soilOn: (day: Day) => number
  soilNow: Figure
  trace: Trace
}

/** A figure of the upkeep feed of a job that has a starter as well. */
const UPKEEP: Scope = { id: 'upkeep' }

/**
 * The feeds of a job: a starter where something is sown, an upkeep feed where nothing is. A product
 * that is named is the starter where something is sown, else the upkeep feed.
 */
export function planFeeds(brief: FeedBrief): FeedPlan[] {
  const fed = (kinds: readonly StepKind[]) =>
    brief.works.flatMap((work) => {
      const feed = kinds.flatMap((kind) => operationOf(work, kind) ?? [])[0]
      return feed && work.r.area ? [{ work, step: feed.operation, ground: feed.ground }] : []
    })
  const once = fed(['feed', 'feed-later'])
  const sown = once.filter(({ work }) => isPlanted(work.sowing))
  const unsown = [...once.filter(({ work }) => !isPlanted(work.sowing)), ...fed(['feed-lawn'])]
  return [
    ...(sown.length > 0 ? [planFeed(brief, 'starter', sown, JOB)] : []),
    ...(unsown.length > 0
      ? [planFeed(brief, 'upkeep', unsown, sown.length > 0 ? UPKEEP : JOB)]
      : []),
  ]
}

interface Fed {
  work: ZoneWork
  /** The step that puts it down. */
  step: StepKind
  ground: Figure
}

/**
 * One feed: product from grade and nitrogen wanted, what else it lays, the ceiling on its day, and
 * the law.
 */
function planFeed(
  brief: FeedBrief,
  use: FeedPlan['use'],
  fed: readonly Fed[],
  scope: Scope,
): FeedPlan {
  const { job, firm, schools, fedOn, soilOn, soilNow, trace } = brief
  // What is typed is the one feed of a job, or its starter: turf beside it that is not sown gets none.
  const own =
    scope === JOB ? job.feed : { grade: null, slowShare: null, nitrogen: null, bagRate: null }
  const typed = own.grade ?? (use === 'starter' ? firm.feedGrade : null)
  const grade = typed ?? trace.values(use === 'starter' ? starterValues : upkeepValues)
  const gradeText = `${grade.n}-${grade.p2o5}-${grade.k2o}`
  const bag = trace.setting(
    use === 'starter' ? bagNitrogen : upkeepNitrogen,
    scope,
    typed?.n ?? null,
  )
  const slow = trace.readOr(feedReadings.slow, scope, own.slowShare)
  const days = fed.flatMap(({ work, step }) => fedOn(work.r.id, step) ?? [])
  const warmest = days.reduce<Figure | null>(
    (a, b) => (a === null || soilOn(b.value as Day) > soilOn(a.value as Day) ? b : a),
    null,
  )
  const celsius = warmest ? soilOn(warmest.value as Day) : num(soilNow)
  const soil = trace.found(feedDaySoil, scope, Math.round(celsius * 10) / 10, {
    day: warmest,
    soil: soilNow,
  })
  const ceiling = trace.work(feedRules.ceiling, scope, { slow, soil })
  // The bag's own rate is a person's word, and so is the nitrogen it lays.
  const byBag = trace.read(feedReadings.bagRate, scope, own.bagRate)
  const nitrogen = byBag
    ? trace.work(feedRules.byBag, scope, { rate: byBag, grade: bag })
    : (trace.read(feedReadings.nitrogen, scope, own.nitrogen) ??
      trace.work(feedRules.target, scope, { ceiling }))
  const name: Message = use === 'starter' ? say`Starter ${gradeText}` : say`Feed ${gradeText}`
  const untested = fed.every(({ work }) => asksForMore(work.r.zone)) ? 0 : 1
  const rate =
    byBag ??
    trace.work(
      feedRules.rate,
      scope,
      { nitrogen, grade: bag, p2o5: grade.p2o5, k2o: grade.k2o, untested },
      { label: say`${name}, rate` },
    )
  const p2o5 = trace.work(feedRules.p2o5, scope, { rate, grade: grade.p2o5 })
  const k2o = trace.work(feedRules.k2o, scope, { rate, grade: grade.k2o })
  const p = trace.work(feedRules.p, scope, { p2o5 })
  const k = trace.work(feedRules.k, scope, { k2o })
  const zones = fed.map(({ work, step, ground }) => ({
    zone: work.r.id,
    step,
    kg: trace.work(
      feedRules.kg,
      zoneScope(work.r.id),
      { area: ground, rate },
      {
        label: name,
        ...(use === 'starter' ? { school: `feed:${schools.feed}` } : {}),
        ...(step === 'feed-lawn' ? { part: 'lawn' } : {}),
      },
    ),
  }))
  const total = trace.work(
    feedRules.total,
    scope,
    { zones: zones.map((z) => z.kg) },
    { label: say`${name} to order` },
  )
  const about = {
    job,
    firm,
    schools,
    fed: fed.map((f) => f.work.r.zone),
    use,
    prefix: scope.id === 'job' ? 'feed' : 'upkeep',
  }
  const notices = [
    ...overCeiling(nitrogen, ceiling, soil, about.prefix, trace),
    ...(byBag
      ? muchForOnce({ rate, p2o5, k2o }, untested === 1, about.prefix, trace)
      : heldByTheRest(nitrogen, rate, grade, about.prefix)),
    ...(grade.p2o5 > 0 ? phosphorusNotices(about, grade, gradeText, p) : []),
    ...(grade.k2o > 0 ? potassiumNotices(about, grade, gradeText, k) : []),
  ]
  return {
    use,
    grade,
    gradeText,
    rate,
    nitrogen,
    ceiling,
    lays: { p2o5, k2o, p, k },
    zones,
    total,
    notices,
  }
}

/** The rate on the bag puts down more at once than turf is given as a rule. */
function muchForOnce(
  { rate, p2o5, k2o }: { rate: Figure; p2o5: Figure; k2o: Figure },
  untested: boolean,
  prefix: string,
  trace: Trace,
): Notice[] {
  const v = trace.values(doseValues)
  const over: Message[] = [
    ...(num(rate) > v.product
      ? [say`${rate} of granules, where ${quantity(v.product, 'g/m2')} is the usual most`]
      : []),
    ...(untested && num(p2o5) > v.phosphate
      ? [say`${p2o5} of P₂O₅ (${quantity(v.phosphate, 'g/m2')})`]
      : []),
    ...(untested && num(k2o) > v.potash
      ? [say`${k2o} of K₂O (${quantity(v.potash, 'g/m2')})`]
      : []),
  ]
  return over.length === 0
    ? []
    : [
        {
          id: `${prefix}.bag-rate`,
          stage: 5,
          level: 'warn',
          title: 'The rate on the bag is much for one dose.',
          says: say`It lays ${joined(over, ', ')}. Read the bag again: a rate for a year, or for another area? Else give it in two halves, four weeks apart.`,
          figure: rate.id,
        },
      ]
}

/** What the notices of a feed are about. */
interface About {
  job: Job
  firm: Firm
  schools: Schools
  fed: readonly Zone[]
  use: FeedPlan['use']
  prefix: string
}

/**
 * Potassium the laboratory finds enough of is left out, unless the school feeds seedlings
 * regardless.
 */
function potassiumNotices(
  { fed, schools, use, prefix }: About,
  grade: Grade,
  gradeText: string,
  k: Figure,
): Notice[] {
  const tests = fed.filter((z) => z.lab.potassium !== null)
  const enough = tests.length > 0 && tests.every((z) => z.lab.potassium !== 'low')
  if (!enough || (schools.phosphorus === 'always' && use === 'starter')) return []
  return [
    {
      id: `${prefix}.k-test`,
      stage: 5,
      level: 'warn',
      title: 'Potassium: the laboratory finds enough.',
      says: say`${gradeText} holds ${quantity(grade.k2o, '%')} K₂O, and more than enough does nothing. Take a product with 0 as its last number.`,
      figure: k.id,
    },
  ]
}

/** The laboratory found phosphorus or potassium short there. */
const asksForMore = ({ lab }: Zone): boolean => lab.phosphorus === 'low' || lab.potassium === 'low'

/** Where the rest of the bag, not its nitrogen, sets the dose. */
function heldByTheRest(
  nitrogen: Figure,
  rate: Figure,
  grade: { n: number; p2o5: number; k2o: number },
  prefix: string,
): Notice[] {
  const laid = (num(rate) * grade.n) / 100
  if (laid >= num(nitrogen) - 0.05) return []
  return [
    {
      id: `${prefix}.held`,
      stage: 5,
      level: 'warn',
      title: say`This bag is dosed by what else is in it: ${rate}.`,
      says: say`By nitrogen alone it would take ${quantity((num(nitrogen) * 100) / grade.n, 'g/m2')}, which buries turf in phosphorus and potassium. So it gives ${quantity(laid, 'g/m2')} of nitrogen; take a bag with more, or give the rest apart. The rate on the bag decides.`,
      figure: rate.id,
    },
  ]
}

function overCeiling(
  nitrogen: Figure,
  ceiling: Figure,
  soil: Figure,
  prefix: string,
  trace: Trace,
): Notice[] {
  if (num(nitrogen) <= num(ceiling) + 1e-9) return []
  const where =
    num(soil) >= trace.value(nitrogenValues.heat) ? ' in this heat' : ' with this much slow release'
  return [
    {
      id: `${prefix}.ceiling`,
      stage: 5,
      level: 'hold',
      title: say`Too much nitrogen in one dose: ${nitrogen}.`,
      says: say`${ceiling} is the most${where}; more burns seedlings and runs to water. Lower the target, or give it in two doses four weeks apart.`,
      figure: nitrogen.id,
    },
  ]
}

const NO_P = 'Take a product with 0 as its middle number.'

/** What law and laboratory say of the phosphorus in the bag. */
function phosphorusNotices(
  { firm, schools, fed, use, prefix }: About,
  grade: Grade,
  gradeText: string,
  p: Figure,
): Notice[] {
  const law = firm.phosphorusLaw
  const tests = fed.filter((z) => z.lab.phosphorus !== null)
  const short = tests.some((z) => z.lab.phosphorus === 'low')
  const enough = tests.length > 0 && !short
  const notice = (
    key: 'p-law' | 'p-test',
    level: Notice['level'],
    title: Notice['title'],
    says: Notice['says'],
  ): Notice => ({
    id: `${prefix}.${key}`,
    stage: 5,
    level,
    title,
    says,
    figure: p.id,
  })
  const held = quantity(grade.p2o5, '%')
  if (law === 'barred')
    return [
      notice(
        'p-law',
        'hold',
        say`Phosphorus is barred here, and ${gradeText} holds ${held} P₂O₅.`,
        `${NO_P} Local law decides.`,
      ),
    ]
  if (law === 'with-test') {
    if (short)
      return [
        notice(
          'p-law',
          'note',
          'Phosphorus: the test shows need.',
          'The laboratory finds too little, and the local rule wants that shown. Keep the report with the job.',
        ),
      ]
    return enough
      ? [
          notice(
            'p-law',
            'hold',
            'Phosphorus: the test shows no need.',
            `The local rule allows it only where a test shows need, and the laboratory finds enough. ${NO_P}`,
          ),
        ]
      : [
          notice(
            'p-law',
            'warn',
            'Phosphorus only with a soil test.',
            'The local rule wants a test that shows need. Keep the report with the job, or take a product with 0 as its middle number.',
          ),
        ]
  }
  const found: Notice[] = []
  if (law === 'new-seed-only' && use === 'upkeep')
    return [
      notice(
        'p-law',
        'hold',
        say`Phosphorus only at new seed, and nothing is sown: ${gradeText} holds ${held} P₂O₅.`,
        `${NO_P} Local law decides.`,
      ),
    ]
  if (law === 'new-seed-only')
    found.push(
      notice(
        'p-law',
        'note',
        'Phosphorus: at new seed only.',
        'The local rule allows it at sowing. Later feeds on this job carry none.',
      ),
    )
  const byTest = schools.phosphorus === 'by-test'
  if (enough && byTest)
    found.push(
      notice(
        'p-test',
        'warn',
        'Phosphorus: the laboratory finds enough.',
        say`${gradeText} holds ${held} P₂O₅, and more than enough does nothing. ${NO_P}`,
      ),
    )
  else if (tests.length === 0 && law === 'none' && byTest)
    found.push(
      notice(
        'p-law',
        'note',
        'Phosphorus: go by the test.',
        'Where the laboratory says adequate, more does nothing: take a product with 0 as its middle number.',
      ),
    )
  return found
}
