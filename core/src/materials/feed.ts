import type { Firm } from '../entities/firm.ts'
import type { Job, Zone } from '../entities/job.ts'
import { gradeTextOf, type Grade } from '../entities/entry.ts'
import type { StepKind } from '../reference/operations.ts'
import type { Schools } from '../reference/schools.ts'
import type { Day } from '../calendar/day.ts'
import { settingFor, settingShown, spreaderOf, stripsOf, tryNext } from '../firm/spreader.ts'
import { hardenValues, programmeValues } from '../reference/programmeValues.ts'
import type { FigureId } from '../rules/id.ts'
import { num, type Figure, type Notice } from '../trace/figure.ts'
import { joined, quantity, say, type Message } from '../rules/message.ts'
import { JOB, zoneScope, type Scope } from '../trace/scope.ts'
import type { Trace } from '../trace/trace.ts'
import { isSmall } from '../work/ground.ts'
import { isPlanted } from '../work/sowing.ts'
import { operationOf, type ZoneWork } from '../work/workTypes.ts'
import {
  bagNitrogen,
  doseValues,
  feedDaySoil,
  feedReadings,
  feedRules,
  hardenNitrogen,
  nitrogenValues,
  starterValues,
  upkeepNitrogen,
  upkeepValues,
} from './feedRules.ts'
import { nitrogenOfYear, standingGrass, yearRules } from './yearNitrogen.ts'

/** Feeds that follow the first on some ground, by the programme of the job. */
export interface Rounds {
  workPackage: string
  zones: readonly string[]
  way: 'spoon' | 'seedlings' | 'autumn' | 'harden'
  days: readonly Day[]
  /** Days from one to the next. */
  every: number
  /** Nitrogen each time; null where the product goes by a rate of its own. */
  nitrogen: Figure | null
  /** What is to be told of it: that nothing is left of the year, that a season ends. */
  says: { title: Message; says: Message; figure: FigureId } | null
}

export interface FeedPlan {
  /** Told apart by this: the first feed of a job, turf beside what is sown, further feeds by way. */
  id: string
  /** A starter goes with seed; turf that is not sown gets an upkeep feed; both may be fed on. */
  use: 'starter' | 'upkeep' | 'rounds'
  name: Message
  grade: Grade
  gradeText: string
  rate: Figure
  nitrogen: Figure
  ceiling: Figure
  lays: { p2o5: Figure; k2o: Figure; p: Figure; k: Figure }
  /** Each zone with all it takes, and in how many feeds. */
  zones: { zone: string; step: StepKind; kg: Figure; times: number; byHand: boolean }[]
  /** A strip test, one pass at half the rate, and the setting where the firm has tried some. */
  spreader: { strip: Figure; setting: Figure | null; tryNext: Message }
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
  /** The law allows no nitrogen on its day. */
  barred: (zone: string, step: StepKind) => boolean
  /** Nitrogen that it has had this year, as entered; null where nobody says. */
  given: Figure | null
  /** What follows, by package. */
  rounds: readonly Rounds[]
  /** Soil at 50 mm on a day, °C. */
  soilOn: (day: Day) => number
  soilNow: Figure
  trace: Trace
}

/** A figure of the upkeep feed of a job that has a starter as well. */
const UPKEEP: Scope = { id: 'upkeep' }

/** What a bag lays down, as its label or a person says; null where nobody does. */
interface Own {
  grade: Grade | null
  slowShare: number | null
  nitrogen: number | null
  bagRate: number | null
}
const NOT_SAID: Own = { grade: null, slowShare: null, nitrogen: null, bagRate: null }

/** Nitrogen of the first feed of a job, before its day says how much it may be, g/m². */
export function mainNitrogen({ feed }: Pick<Job, 'feed'>, spoon: boolean, trace: Trace): number {
  if (feed.bagRate !== null)
    return (feed.bagRate * (feed.grade?.n ?? trace.value(starterValues.n))) / 100
  if (feed.nitrogen !== null) return feed.nitrogen
  return spoon ? trace.value(programmeValues.spoon) : trace.value(feedRules.target.values.usual)
}

/**
 * The feeds of a job: a starter where something is sown, an upkeep feed where nothing is, and what
 * the programme of the job gives after them. A product that is named is the starter where something is
 * sown, else the upkeep feed.
 */
export function planFeeds(brief: FeedBrief): FeedPlan[] {
  const { job, firm, schools, works, barred, trace } = brief
  const fed = (kinds: readonly StepKind[], times: (zone: string) => number = () => 1): Fed[] =>
    works.flatMap((work) => {
      const feed = kinds.flatMap((kind) => operationOf(work, kind) ?? [])[0]
      const often = times(work.r.id)
      return feed && work.r.area && often > 0 && !barred(work.r.id, feed.operation)
        ? [{ work, step: feed.operation, ground: fedGround(work, feed.ground, trace), times: often }] // prettier-ignore
        : []
    })
  const once = fed(['feed', 'feed-later'])
  const sown = once.filter(({ work }) => isPlanted(work.sowing))
  const unsown = [...once.filter(({ work }) => !isPlanted(work.sowing)), ...fed(['feed-lawn'])]
  const spoon = schools.programme === 'spoon' ? trace.value(programmeValues.spoon) : null
  const first: Asked[] = [
    { use: 'starter', id: 'feed', name: 'Starter feed', scope: JOB, fed: sown, own: job.feed, grade: firm.feedGrade, usual: starterValues, dose: null }, // prettier-ignore
    // What is typed is the one feed of a job, or its starter: turf beside it has its own.
    sown.length > 0
      ? { use: 'upkeep', id: 'upkeep', name: 'Feed', scope: UPKEEP, fed: unsown, own: { ...NOT_SAID, nitrogen: spoon }, grade: null, usual: upkeepValues, dose: null } // prettier-ignore
      : { use: 'upkeep', id: 'feed', name: 'Feed', scope: JOB, fed: unsown, own: { ...job.feed, nitrogen: job.feed.nitrogen ?? spoon }, grade: null, usual: upkeepValues, dose: null }, // prettier-ignore
  ]
  const later = brief.rounds.map((r): Asked => ({
    use: 'rounds',
    name: r.way === 'harden' ? 'Hardening feed' : 'Feed again',
    id: `rounds.${r.workPackage}`,
    scope: { id: `rounds:${r.workPackage}` },
    fed: fed(['feed-round'], (zone) => (r.zones.includes(zone) ? r.days.length : 0)),
    days: r.days,
    own:
      r.way === 'harden'
        ? { ...NOT_SAID, ...job.feed.next, bagRate: job.feed.next.bagRate ?? trace.value(programmeValues.hardenRate) } // prettier-ignore
        : { ...NOT_SAID, ...job.feed.next },
    grade: null,
    usual: r.way === 'harden' ? hardenValues : upkeepValues,
    dose: r.nitrogen,
  }))
  return [...first, ...later].filter((a) => a.fed.length > 0).map((a) => planFeed(brief, a))
}

/** Ground that is fed: less a strip where it lies along water. */
const fedGround = ({ r }: ZoneWork, ground: Figure, trace: Trace): Figure => {
  const scope = zoneScope(r.id)
  const along = trace.read(feedReadings.along, scope, r.zone.alongWater)
  return along ? trace.work(feedRules.awayFromWater, scope, { ground, along }, { part: ground.id }) : ground // prettier-ignore
}

interface Fed {
  work: ZoneWork
  /** The step that puts it down. */
  step: StepKind
  ground: Figure
  times: number
}

/** One product over some ground, with what is said of it. */
interface Asked {
  use: FeedPlan['use']
  id: string
  scope: Scope
  fed: readonly Fed[]
  /** When, where it is given more than once. */
  days?: readonly Day[]
  own: Own
  /** The firm's own grade for it. */
  grade: Grade | null
  /** In words. */
  name: string
  /** What is taken until one is named. */
  usual: typeof starterValues | typeof upkeepValues | typeof hardenValues
  /** Nitrogen of the programme. */
  dose: Figure | null
}

/** Without the phosphorus that the law bars, or that the laboratory finds enough of: nobody buys it then. */
function lawfulGrade(
  grade: Grade,
  { firm, schools }: Pick<FeedBrief, 'firm' | 'schools'>,
  { use, fed }: Asked,
): Grade {
  const law = firm.phosphorusLaw
  const tests = fed.flatMap(({ work }) => work.r.zone.lab.phosphorus ?? [])
  const short = tests.includes('low')
  const enough = tests.length > 0 && !short
  const starter = use === 'starter'
  const barred =
    law === 'barred' ||
    (law === 'new-seed-only' && !starter) ||
    (law === 'with-test' && !short) ||
    (enough && !(starter && schools.phosphorus === 'always'))
  return barred ? { ...grade, p2o5: 0 } : grade
}

/**
 * One feed: product from grade and nitrogen wanted, what else it lays, the ceiling on its day, and
 * the law.
 */
function planFeed(brief: FeedBrief, asked: Asked): FeedPlan {
  const { job, firm, schools, fedOn, soilOn, soilNow, trace } = brief
  const { use, scope, fed, own } = asked
  const typed = own.grade ?? asked.grade
  const grade = typed ?? lawfulGrade(trace.values(asked.usual), brief, asked)
  const gradeText = gradeTextOf(grade)
  const label = labelled(firm, gradeText)
  const bag = trace.setting(
    use === 'starter'
      ? bagNitrogen
      : asked.usual === hardenValues
        ? hardenNitrogen
        : upkeepNitrogen,
    scope,
    typed?.n ?? null,
  )
  const slow = trace.readOr(feedReadings.slow, scope, own.slowShare ?? label?.slowShare ?? null)
  const warmest = warmestDay(asked, fedOn, soilOn)
  const celsius = warmest ? soilOn(dayOn(warmest)) : num(soilNow)
  const soil = trace.found(feedDaySoil, scope, Math.round(celsius * 10) / 10, {
    day: warmest,
    soil: soilNow,
  })
  const ceiling = trace.work(feedRules.ceiling, scope, { slow, soil })
  const left = use === 'upkeep' ? leftThisYear(brief, asked) : null
  // The bag's own rate is a person's word, and so is the nitrogen it lays.
  const byBag = trace.read(
    feedReadings.bagRate,
    scope,
    own.bagRate ?? (own.nitrogen === null && !asked.dose ? (label?.rate ?? null) : null),
  )
  const nitrogen = byBag
    ? trace.work(feedRules.byBag, scope, { rate: byBag, grade: bag })
    : (asked.dose ??
      trace.read(feedReadings.nitrogen, scope, own.nitrogen) ??
      trace.work(feedRules.target, scope, { ceiling, left }))
  const name = say`${asked.name} ${gradeText}`
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
  const zones = fed.map(({ work, step, ground, times }) => {
    const about = {
      label: name,
      ...(use === 'starter' ? { school: `feed:${schools.feed}` } : {}),
      ...(use === 'rounds' ? { school: `programme:${schools.programme}`, part: 'again' } : {}),
      ...(step === 'feed-lawn' ? { part: 'lawn' } : {}),
    }
    const at = zoneScope(work.r.id)
    return {
      zone: work.r.id,
      step,
      times,
      byHand: isSmall({ area: ground }, trace),
      kg:
        use === 'rounds'
          ? trace.work(feedRules.kgRounds, at, { area: ground, rate, times }, about)
          : trace.work(feedRules.kg, at, { area: ground, rate }, about),
    }
  })
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
    prefix: asked.id,
  }
  const notices = [
    ...overCeiling(nitrogen, ceiling, soil, about.prefix, trace),
    ...(byBag
      ? muchForOnce({ rate, p2o5, k2o }, untested === 1, about.prefix, trace)
      : heldByTheRest(nitrogen, rate, grade, about.prefix)),
    ...(left ? pastTheYear(nitrogen, left, about.prefix, trace) : []),
    ...(grade.p2o5 > 0 ? phosphorusNotices(about, grade, gradeText, p) : []),
    ...(grade.k2o > 0 ? potassiumNotices(about, grade, gradeText, k) : []),
  ]
  return {
    id: asked.id,
    use,
    name,
    grade,
    gradeText,
    rate,
    nitrogen,
    ceiling,
    lays: { p2o5, k2o, p, k },
    zones,
    spreader: spreaderFor(rate, gradeText, scope, firm, trace),
    total,
    notices,
  }
}

/** How a spreader is set for a feed, by strips that the firm has tried with that grade. */
function spreaderFor(
  rate: Figure,
  gradeText: string,
  scope: Scope,
  firm: Firm,
  trace: Trace,
): FeedPlan['spreader'] {
  const half = num(rate) / 2
  const strips = stripsOf(firm, ({ feed }) => feed === gradeText)
  const found = settingFor(half, strips)
  return {
    strip: trace.work(feedRules.strip, scope, { rate, ...spreaderOf(firm, trace) }),
    setting: found && trace.found(feedRules.setting, scope, ...settingShown(found, half)),
    tryNext: tryNext(half, strips, 'feed'),
  }
}

/** The rate and the slow share on the label of a feed that the firm buys; null where it buys none of that grade. */
export const labelled = ({ prices }: Firm, gradeText: string) =>
  prices.products.find((p) => p.kind === 'feed' && p.of.trim() === gradeText) ?? null

const dayOn = (day: Figure | Day): Day => (typeof day === 'string' ? day : (day.value as Day))

/** The day of the warmest soil on which a feed goes down; null where none is known. */
function warmestDay(
  { fed, days }: Asked,
  fedOn: FeedBrief['fedOn'],
  soilOn: FeedBrief['soilOn'],
): Figure | Day | null {
  const known: readonly (Figure | Day)[] =
    days ?? fed.flatMap(({ work, step }) => fedOn(work.r.id, step) ?? [])
  return known.reduce<Figure | Day | null>(
    (a, b) => (a === null || soilOn(dayOn(b)) > soilOn(dayOn(a)) ? b : a),
    null,
  )
}

/** Nitrogen that is left of the year of turf that is fed, where somebody said what it has had. */
function leftThisYear({ job, given, trace }: FeedBrief, { fed, scope }: Asked): Figure | null {
  if (job.feed.given === null || !given) return null
  const need = nitrogenOfYear(
    fed.map(({ work }) => standingGrass(work.r)),
    fed[0]?.work.season ?? 'cool',
    job,
    scope,
    trace,
  )
  return trace.work(yearRules.left, scope, { need, given })
}

/** What the programme has to say of each package. */
export const programmeNotices = (rounds: readonly Rounds[]): Notice[] =>
  rounds.flatMap(({ workPackage, says }) =>
    says ? [{ id: `programme.${workPackage}`, stage: 5, level: 'note', ...says }] : [],
  )

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

/** With what was given before, more than its grass wants in a year. */
const pastTheYear = (dose: Figure, left: Figure, prefix: string, trace: Trace): Notice[] =>
  num(dose) <= num(left) + trace.value(programmeValues.worthwhile)
    ? []
    : [
        {
          id: `${prefix}.year`,
          stage: 5,
          level: 'warn',
          title: 'More nitrogen than its grass wants this year.',
          says: say`${left} is left of its year, and this dose lays ${dose}: soft growth and thatch. Lower the target, or take a bag with less nitrogen.`,
          figure: left.id,
        },
      ]

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
  if (law === 'new-seed-only' && use !== 'starter')
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
