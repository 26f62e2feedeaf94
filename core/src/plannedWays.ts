import type { Way } from './approach/ways.ts'
import { addDays, daysBetween, laterDay, type Day } from './calendar/day.ts'
import { choiceValues } from './climate/choiceValues.ts'
import type { Job } from './entities/job.ts'
import { coverLines } from './findings/lines.ts'
import { isTheirs } from './money/moneyOfPlan.ts'
import { hoursByKind } from './money/hoursByKind.ts'
import { moneyRules } from './money/moneyRules.ts'
import { planJob } from './pipeline.ts'
import type { Context } from './plan/context.ts'
import type { JobPlan } from './plan/jobPlan.ts'
import { APPROACH_NAMES, type ApproachId } from './reference/lists.ts'
import { OPERATIONS, type StepKind } from './reference/operations.ts'
import { joined, onDay, quantity, say, words, type Message } from './rules/message.ts'
import { daysOf, num } from './trace/figure.ts'
import { Memo } from './trace/memo.ts'
import { zoneOf } from './trace/scope.ts'
import { Trace } from './trace/trace.ts'
import { coverAheadValues, type CoverAhead } from './work/coverAhead.ts'
import { zonesByOwnWay } from './work/ownWays.ts'

/** A ready-made way planned whole, on its own days. */
export interface PlannedWay {
  approach: ApproachId
  /** What the whole job costs and is sold for that way, in thousandths; null where nobody entered prices. */
  money: { cost: number; price: number; tax: number; total: number } | null
  /** Hours of everybody on the whole job, without what the customer does. */
  hours: number
  /** The same by kind of work. */
  tasks: { kind: StepKind; hours: number }[]
  /** What is done on the job that way, as the customer reads it, in the order of work. */
  does: Message[]
  /** Hire of the job that way, in words; nothing where none. */
  hire: Message
  /** The price is over what the customer wants to spend, by so much; null where it is not. */
  overBudget: number | null
  /** Whether its work has days that can be kept. */
  fits: boolean
  /** Days on site for this zone, up to its sowing or what its days hang on; null where none. */
  days: { first: Day; last: Day; visits: number } | null
  /** Years in a hundred in which what is sown takes; null where nothing is sown. */
  odds: number | null
  /** The same, and right by the customer's date; null where no date is named. */
  inTime: number | null
  /** When it looks right; null where nobody can promise a day. */
  right: { low: Day; high: Day } | null
  /** What the customer does. */
  customer: Message
  /** Wanted cover, %, at the start of each week from today; empty where no cover was read. */
  cover: { low: number; high: number }[]
}

export interface PlannedWays {
  ways: PlannedWay[]
  /** Which is the cheapest that works, the surest, the soonest. */
  says: Message
}

/** Weeks that are drawn: at least, and at most. */
const [LEAST_WEEKS, MOST_WEEKS] = [10, 60]
/** Without a promised day, growth is drawn over so many days after the work. */
const GROWS_OVER = 56
/** Runners take a season, days. */
const SEASON = 120

/**
 * Each way of a zone planned whole with the rest of the job as it is. What a person switched in the
 * chosen way is theirs; another way is planned as it comes.
 */
export function plannedWays(
  job: Job,
  context: Context,
  zone: string,
  ways: readonly Way[],
  chosen: ApproachId,
): PlannedWays {
  const memo = context.memo ?? new Memo()
  const planned = ways.map((way) => {
    const zones = job.zones.map((z) =>
      z.id !== zone || way.approach === chosen
        ? z
        : { ...z, approach: way.approach, sowing: null, operations: {} },
    )
    return { way, read: readPlan(planJob({ ...job, zones }, { ...context, memo }), zone, job, way) }
  })
  const { today } = context
  const ends = planned.map(({ read }) => daysBetween(today, read.right?.high ?? read.grownBy))
  const weeks = Math.min(MOST_WEEKS, Math.max(LEAST_WEEKS, Math.ceil(Math.max(0, ...ends) / 7) + 2))
  const starts = Array.from({ length: weeks }, (_, w) => addDays(today, 7 * w))
  const all = planned.map(({ way: { approach, cover }, read }) => {
    const { worked, upFrom, grownBy, ...said } = read
    const on = (day: Day, c: CoverAhead) => coverOn(c, day, { worked, upFrom, grownBy })
    return { approach, ...said, cover: cover ? starts.map((day) => on(day, cover)) : [] }
  })
  return { ways: all, says: conclusion(ways, all, new Trace(context.firm.values)) }
}

/** A way of the whole job: every zone by it that can be, the others as they are. */
export interface JobWay extends Omit<PlannedWay, 'cover'> {
  id: string
  name: Message
  chosen: boolean
  /** What it leaves undone, zone by zone. */
  leaves: Message
}

/** Ways of a whole job that are planned at most. */
const MOST_JOB_WAYS = 6

/**
 * The ways of a whole job: as it is planned, the contractor's own, and each ready-made way on every
 * zone that knows it.
 * `ways` are those of each zone, the zones of the job in any order.
 */
export function jobWays(
  job: Job,
  context: Context,
  ways: Readonly<Record<string, readonly Way[]>>,
  chosen: Readonly<Record<string, ApproachId>>,
): JobWay[] {
  const memo = context.memo ?? new Memo()
  const zones = job.zones.filter((z) => (ways[z.id] ?? []).length > 0)
  const mine = new Set(zones.map((z) => chosen[z.id]))
  const known = [...new Set(zones.flatMap((z) => (ways[z.id] ?? []).map((w) => w.approach)))]
  const rest = known.filter((approach) => mine.size > 1 || !mine.has(approach))
  /** A way by what it does on each zone: as it is, ready-made, or the contractor's own. */
  const planned = (
    about: Pick<JobWay, 'id' | 'chosen'> & { name?: string },
    changed: Job['zones'],
    of: (zone: string) => ApproachId | undefined,
  ): { way: JobWay; begun: boolean } => {
    const taken = zones.flatMap((z) => (ways[z.id] ?? []).find((w) => w.approach === of(z.id)) ?? []) // prettier-ignore
    const plan = planJob({ ...job, zones: changed }, { ...context, memo })
    const first = taken[0]?.approach ?? 'leave'
    const read = readPlan(plan, null, job, { approach: first, staysOpen: taken.some((w) => w.staysOpen) }) // prettier-ignore
    const { worked: _worked, upFrom: _upFrom, grownBy: _grownBy, ...said } = read
    const byZone = new Map<string, string[]>()
    for (const z of zones) {
      const name = named({ approach: of(z.id) ?? first })
      byZone.set(name, [...(byZone.get(name) ?? []), z.name || 'a zone'])
    }
    const way: JobWay = {
      ...said,
      approach: first,
      ...about,
      name: about.name
        ? words(about.name)
        : byZone.size === 1
          ? words([...byZone.keys()][0] ?? '')
          : joined([...byZone].map(([name, on]) => say`${name}: ${on.join(', ')}`), '; '), // prettier-ignore
      leaves: joined([...new Map(taken.map((w) => [JSON.stringify(w.leaves), w.leaves])).values()], '; '), // prettier-ignore
    }
    return { way, begun: plan.steps.some((s) => s.kind === 'sow' && s.state === 'done') }
  }
  const one = (approach: ApproachId) => {
    const of = (zone: string): ApproachId | undefined =>
      (ways[zone] ?? []).some((w) => w.approach === approach) ? approach : chosen[zone]
    const changed = job.zones.map(
      (z) =>
      of(z.id) === chosen[z.id] ? z : { ...z, approach: of(z.id) ?? null, sowing: null, operations: {} }, // prettier-ignore
    )
    return planned({ id: approach, chosen: false }, changed, of)
  }
  const own = (way: Job['ownWays'][number]) => {
    const changed = zonesByOwnWay(job.zones, way)
    const of = (zone: string) => changed.find((z) => z.id === zone)?.approach ?? (ways[zone] ?? []).find((w) => w.fit === 'suggested')?.approach ?? chosen[zone] // prettier-ignore
    return planned({ id: `own.${way.id}`, chosen: false, name: way.name }, changed, of)
  }
  const first = planned({ id: 'as-planned', chosen: true }, job.zones, (zone) => chosen[zone])
  // What is sown is sown: no other way is left.
  if (first.begun) return [first.way]
  const all = [first, ...job.ownWays.map(own), ...rest.slice(0, MOST_JOB_WAYS - 1).map(one)]
  const same = ({ way }: (typeof all)[number]) => JSON.stringify([way.money, way.hours, way.days, way.does]) // prettier-ignore
  return all.filter((w, i) => all.findIndex((x) => same(x) === same(w)) === i).map((w) => w.way)
}

interface Growth {
  worked: Day
  upFrom: Day
  grownBy: Day
}

/** Cover on a day: as read, then what is left of it, then more from when the grass is up. */
function coverOn(c: CoverAhead, on: Day, { worked, upFrom, grownBy }: Growth) {
  if (on < worked) return { low: c.now, high: c.now }
  const part = Math.min(
    1,
    Math.max(0, daysBetween(upFrom, on) / Math.max(1, daysBetween(upFrom, grownBy))),
  )
  const at = (end: number) => c.standing + (end - c.standing) * part
  return { low: at(c.low), high: at(c.high) }
}

type Read = Omit<PlannedWay, 'approach' | 'cover'> & Growth

/** What a plan says of one zone. */
function readPlan(
  plan: JobPlan,
  zone: string | null,
  job: Job,
  { approach, staysOpen }: Pick<Way, 'approach' | 'staysOpen'>,
): Read {
  const isOf = (z: string) => zone === null || zoneOf(z) === zone
  const packages = plan.packages.filter((p) => p.zones.some(isOf))
  const own = packages.flatMap((p) => p.steps.filter((s) => s.zones.some(isOf)))
  const onSite = own.filter((s) => !OPERATIONS[s.kind].evening).map((s) => s.chosen)
  const days = [...new Set(onSite)].sort()
  const follows = plan.follow.packages.filter((f) => packages.some((p) => p.id === f.workPackage))
  // Of ground held over the proper sowing counts, not the quick cover.
  const proper = packages.filter((p) => p.kind === 'later')
  const sown = proper.length > 0 ? proper : packages.filter((p) => p.plants)
  const taken = sown.flatMap((p) => p.choices.filter((c) => c.taken))
  const least = (of: (c: (typeof taken)[number]) => number | null) => {
    const known = taken.flatMap((c) => of(c) ?? [])
    return known.length === 0 ? null : Math.min(...known)
  }
  const rights = follows.flatMap((f) => daysOf(f.presentable) ?? [])
  const last = <T>(values: readonly T[]) => [...values].sort().at(-1)
  const right =
    rights.length > 0 && !staysOpen
      ? rights.reduce((a, b) => ({ low: laterDay(a.low, b.low), high: laterDay(a.high, b.high) }))
      : null
  const worked = days.at(-1) ?? plan.today
  const up = follows.flatMap((f) => f.up.map((u) => String((u.figure.value as { low: Day }).low)))
  const upFrom = laterDay(up.sort()[0] ?? worked, worked)
  const water = follows.flatMap((f) => (f.wateringDays ? [num(f.wateringDays)] : []))
  const off = plan.follow.closed.filter((c) => c.zones.some(isOf))
  const mow = plan.follow.later.filter(
    (s) => (s.kind === 'first-mow' || s.kind === 'mow-weekly') && s.zones.some(isOf),
  )
  const offUntil = last(off.map((c) => c.to))
  const mowFrom = mow.map((s) => s.chosen).sort()[0]
  const on = (day: Day) => onDay(day, day.slice(0, 4) !== plan.today.slice(0, 4))
  // Plugs and turf are watered too, until they hold: nobody counts those days.
  const rooted = water.length === 0 && follows.some((f) => f.plants)
  const asked = [
    rooted ? words('waters until it has rooted') : null,
    water.length > 0 ? say`waters ${quantity(Math.max(...water), 'd')}` : null,
    offUntil && offUntil > worked ? say`keeps off until ${on(offUntil)}` : null,
    mowFrom ? say`mows from ${on(mowFrom)}` : null,
  ].flatMap((m) => m ?? [])
  const { money } = plan
  return {
    money: money && {
      cost: money.cost.money,
      price: money.price.money,
      tax: money.tax?.money ?? 0,
      total: money.total,
    },
    hours: plan.steps
      .filter((s) => !isTheirs(s, job))
      .reduce((a, s) => a + num(s.hours) * s.people, 0),
    tasks: hoursByKind(plan.steps.filter((s) => !isTheirs(s, job))),
    does: doesSaid(plan, job),
    hire: joined(
      (money?.lines ?? [])
        .filter(
          (l) => l.group === 'machines' && plan.figures[l.figure]?.rule === moneyRules.hire.id,
        )
        .map((l) => say`${l.what}, ${l.detail}`),
      '; ',
    ),
    overBudget:
      money && job.budget !== null && money.price.money > job.budget
        ? money.price.money - job.budget
        : null,
    fits: packages.every((p) => p.fits),
    days: days.length === 0 ? null : { first: days[0]!, last: worked, visits: days.length },
    odds: least((c) => (c.odds ? num(c.odds) : null)),
    inTime: job.customerDate ? least((c) => (c.inTime ? num(c.inTime) : null)) : null,
    right,
    customer: asked.length > 0 ? listed(asked) : words('mows'),
    worked,
    upFrom,
    grownBy:
      approach === 'plugs' ? addDays(upFrom, SEASON) : (right?.high ?? addDays(upFrom, GROWS_OVER)),
  }
}

/** What is done, each kind of work once: in the customer’s words where there are any. */
function doesSaid(plan: JobPlan, job: Job): Message[] {
  const kinds = [...new Set(plan.steps.filter((s) => !isTheirs(s, job) && !OPERATIONS[s.kind].quiet).map((s) => s.kind))] // prettier-ignore
  return kinds.map((kind) => {
    const { customer, name } = OPERATIONS[kind]
    const sown = plan.steps.some((s) => s.kind === 'sow')
    return customer ? words((sown ? customer.sown : customer.unsown) ?? customer.sown) : name
  })
}

/** In one or two sentences, what tells the ways apart. */
function conclusion(ways: readonly Way[], planned: readonly PlannedWay[], trace: Trace): Message {
  const closes = trace.value(coverAheadValues.works) / 100
  const evenOdds = trace.value(choiceValues.worthLate)
  const of = ways.flatMap((way, i) => (way.cover ? [{ way, plan: planned[i]!, c: way.cover }] : []))
  if (of.length === 0) return words('')
  if (of[0]!.c.now >= trace.value(coverLines.thin))
    return words('Little is open here: the ways differ by what they leave undone, not by cover.')
  const middle = ({ c }: (typeof of)[number]) => (c.low + c.high) / 2
  const best = <T>(list: readonly T[], worth: (one: T) => number): T =>
    list.reduce((a, b) => (worth(b) > worth(a) + 1e-9 ? b : a))
  const decent = trace.value(coverAheadValues.decent)
  const closing = of.filter(
    (w) =>
      middle(w) >= decent &&
      w.c.most > w.c.standing &&
      w.plan.right !== null &&
      middle(w) - w.c.standing >= closes * (w.c.most - w.c.standing),
  )
  if (closing.length === 0) {
    const nearest = best(of, middle)
    return say`No way here closes the open ground. ${named(nearest.way)} comes nearest, ${String(Math.round(nearest.c.low))} to ${quantity(Math.round(nearest.c.high), '%')} of wanted grass.`
  }
  // Turf that is laid takes; of seed, what nobody knows the odds of is not said to.
  const takes = ({ plan, way }: (typeof of)[number]) =>
    plan.odds === null ? ['returf', 'plugs'].includes(way.approach) : plan.odds >= evenOdds
  const work = closing.filter(takes)
  if (work.length === 0) {
    const known = closing.filter(({ plan }) => plan.odds !== null)
    if (known.length === 0)
      return words(
        'Nobody can say the odds of sowing here: Order of work says what stands against it.',
      )
    const likeliest = best(known, ({ plan }) => plan.odds ?? 0)
    const odds = likeliest.plan.odds ?? 0
    return say`No way here closes the open ground in most years. ${named(likeliest.way)} comes nearest: ${String(odds)} ${odds === 1 ? 'year' : 'years'} in a hundred.`
  }
  if (work.length === 1)
    return say`${named(work[0]!.way)} is the only way here that closes the open ground.`
  const praised = new Map<(typeof of)[number], Message[]>()
  const praise = (one: (typeof of)[number], what: Message) =>
    praised.set(one, [...(praised.get(one) ?? []), what])
  // Without prices the fewest hours stand for the cheapest.
  if (work.every(({ plan }) => plan.money))
    praise(
      best(work, ({ plan }) => -(plan.money?.price ?? 0)),
      'the cheapest that still closes it',
    )
  else
    praise(
      best(work, ({ way }) => -way.hours),
      'the fewest hours that still close it',
    )
  // Of runners nobody knows the odds, and they close over a season. Of two alike the one praised.
  const dated = () =>
    work
      .filter(({ way }) => way.approach !== 'plugs')
      .sort((a, b) => Number(praised.has(b)) - Number(praised.has(a)))
  if (dated().length > 0) {
    praise(
      best(dated(), (w) => middle(w) * (w.plan.odds ?? 100)),
      'the surest',
    )
    praise(
      best(dated(), ({ plan }) => -daysBetween('2000-01-01', plan.right?.low ?? '9999-01-01')),
      'soonest right',
    )
  }
  return joined([...praised].map(([{ way }, what]) => say`${named(way)}: ${listed(what)}.`))
}

/** "this, that and the other". */
const listed = (parts: readonly Message[]): Message =>
  parts.length < 2 ? joined(parts) : say`${joined(parts.slice(0, -1), ', ')} and ${parts.at(-1)!}`

function named({ approach }: Pick<Way, 'approach'>): string {
  const name = APPROACH_NAMES[approach].split(':')[0]!
  return name[0]!.toUpperCase() + name.slice(1)
}
