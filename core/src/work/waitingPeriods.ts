import { sure } from '../quantities/sure.ts'
import { addDays, laterDay, type Day } from '../calendar/day.ts'
import type { Job, Zone } from '../entities/job.ts'
import { lagValues, treatmentWaits } from '../reference/lagValues.ts'
import { TREATMENT_KINDS, type TreatmentId } from '../reference/lists.ts'
import type { Figure, Notice } from '../trace/figure.ts'
import { onDay, quantity, say, type Message } from '../rules/message.ts'
import { fromTable, reading, rule, type TradeValue } from '../rules/rule.ts'
import { treatmentScope, zoneOf, type Scope } from '../trace/scope.ts'
import type { Trace } from '../trace/trace.ts'

export const treatmentReadings = {
  date: reading({ key: 'date', stage: 6, label: 'Put down', unit: 'date' }),
  wait: reading({ key: 'wait', stage: 6, label: 'Wait on the label', unit: 'd' }),
}

export const usualWait = fromTable({
  key: 'wait',
  stage: 6,
  label: 'Usual wait',
  unit: 'd',
  standing: 'practice',
  says: 'The longest usual waiting period of such a product; an unknown product takes the longest of all. The label wins.',
})

const after = (id: string, key: string, label: string, wait: TradeValue, says: string) =>
  rule({
    id,
    key,
    stage: 6,
    label,
    unit: 'date',
    standing: 'practice',
    says,
    values: { wait },
    inputs: { date: 'date' },
    formula: 'date + wait',
    compute: ({ date }, v) => addDays(date, v.wait),
  })

export const waitRules = {
  until: rule({
    id: 'wait.until',
    key: 'until',
    stage: 6,
    label: 'Seed is safe from',
    unit: 'date',
    standing: 'calculation',
    source: 'the label, or else the usual range',
    says: 'The waiting period, from the day of treatment. The label wins; where it is not given, the longest of the usual range for its kind.',
    inputs: { date: 'date', wait: 'd' },
    formula: 'date + wait',
    compute: ({ date, wait }) => addDays(date, wait),
  }),
  seeded: after(
    'wait.seeded',
    'open',
    'Tines and blades from',
    lagValues.seeded,
    'Young seedlings are torn out: no tines or blades for {wait} after seeding.',
  ),
  seedlings: after(
    'wait.seedlings',
    'spray',
    'Broad-leaved weedkiller from',
    lagValues.seedlingSpray,
    'Seedlings do not stand it: {wait} after seeding, and three mows.',
  ),
  opened: after(
    'wait.opened',
    'open-again',
    'Opened again from',
    lagValues.openedAgain,
    'Turf that was opened lately closes first: {wait} before it is opened the same way again.',
  ),
  dressed: after(
    'wait.dressed',
    'dress',
    'Next dressing from',
    lagValues.dressed,
    'A dressing is grown through before the next: {wait}.',
  ),
}

/**
 * What a wait keeps out: seed, blades and tines, the next dressing, a weedkiller, or the same
 * opening of turf once more.
 */
export type Keeps = 'sow' | 'open' | 'dress' | 'spray' | 'core' | 'scarify'

export interface Wait {
  keeps: Keeps
  until: Day
  /** The zones treated; none means all of them. */
  zones: readonly string[]
  /** When it began, where no label says how long it is. */
  guessedFrom?: Day
}

export interface WaitingPeriods {
  waits: readonly Wait[]
  figures: readonly Figure[]
  notices: readonly Notice[]
}

/**
 * First day of seed, of blades and tines or of a dressing on ground of some zones, second rounds
 * too; null where nothing stands in the way.
 */
export const waitsUntil = (
  waits: readonly Wait[],
  keeps: Keeps,
  zones: readonly string[],
): Day | null =>
  waits
    .filter(
      (w) =>
        w.keeps === keeps &&
        (w.zones.length === 0 || zones.some((z) => w.zones.includes(zoneOf(z)))),
    )
    .reduce<Day | null>((last, w) => (last === null || w.until > last ? w.until : last), null)

type Treatment = Job['treatments'][number]
const nameOf = (t: Treatment): Message =>
  t.product ? say`${TREATMENT_KINDS[t.kind].name} (${t.product})` : TREATMENT_KINDS[t.kind].name
const CHANGE = 'The label of the product, if it says otherwise.'

/** Days a kind keeps seed out where no label is given; nothing for what is no weedkiller. */
const usualDays = (kind: TreatmentId, trace: Trace): number =>
  kind in treatmentWaits ? trace.value(treatmentWaits[kind as keyof typeof treatmentWaits]) : 0

interface Collected {
  waits: Wait[]
  figures: Figure[]
  notices: Notice[]
}

/**
 * Waiting periods left by what was put down before, zone by zone. A combined feed counts as the
 * weedkiller in it.
 */
export function waitingPeriods(
  job: Pick<Job, 'treatments' | 'walked'>,
  today: Day,
  trace: Trace,
): WaitingPeriods {
  const all: Collected = { waits: [], figures: [], notices: [] }
  for (const treatment of job.treatments) {
    const known = treatment.date !== null
    if (!known) all.notices.push(...undated(treatment))
    // An undated weedkiller is counted from the day of the walk: the latest it can have been.
    const date =
      treatment.date ?? (TREATMENT_KINDS[treatment.kind].herbicide ? (job.walked ?? today) : null)
    if (date) waitOf({ ...treatment, date }, today, all, trace)
  }
  return all
}

const undated = (t: Treatment): Notice[] =>
  TREATMENT_KINDS[t.kind].herbicide
    ? [
        {
          id: `treatment:${t.id}.undated`,
          stage: 1,
          level: 'hold',
          title: say`When was the ${nameOf(t)} put down?`,
          says: 'Without its date nobody can say when seed is safe, so it is counted from the day of the walk. Ask the customer, and enter the day.',
        },
      ]
    : []

function waitOf(t: Treatment & { date: Day }, today: Day, all: Collected, trace: Trace): void {
  const put = (keeps: Keeps, until: Figure, guessedFrom?: Day) => {
    all.figures.push(until)
    all.waits.push({
      keeps,
      until: until.value as Day,
      zones: t.zones,
      ...(guessedFrom ? { guessedFrom } : {}),
    })
  }
  const scope = treatmentScope(t.id)
  const name = nameOf(t)
  if (t.date > today)
    all.notices.push({
      id: `${scope.id}.future`,
      stage: 1,
      level: 'warn',
      title: say`The ${name} is dated ${onDay(t.date, true)}, which is still to come.`,
      says: 'History is what has been done. Check the date.',
    })
  const date = sure(
    trace.read(treatmentReadings.date, scope, t.date, { label: say`Put down: ${name}` }),
  )
  const days = t.waitDays ?? usualDays(t.kind, trace)
  if (days > 0) {
    const until = seedSafeFrom(t, days, date, scope, trace)
    put('sow', until, t.waitDays === null ? t.date : undefined)
    if ((until.value as Day) > today) all.notices.push(noSeedBefore(t, days, until))
  }
  if (t.kind === 'seeded') {
    const until = trace.work(waitRules.seeded, scope, { date }, { change: CHANGE })
    put('open', until)
    put('spray', trace.work(waitRules.seedlings, scope, { date }, { change: CHANGE }))
    if ((until.value as Day) > today) all.notices.push(seedlingsHold(t, until))
  }
  if (t.kind === 'cored' || t.kind === 'scarified')
    put(
      t.kind === 'cored' ? 'core' : 'scarify',
      trace.work(waitRules.opened, scope, { date }, { change: CHANGE }),
    )
  if (t.kind === 'dressed') {
    put('dress', trace.work(waitRules.dressed, scope, { date }, { change: CHANGE }))
  }
}

const seedlingsHold = (t: Treatment, until: Figure): Notice => ({
  id: `treatment:${t.id}.seedlings`,
  stage: 6,
  level: 'warn',
  title: say`Seeded ${onDay(sure(t.date))}: no tines or blades there before ${onDay(until.value as Day)}.`,
  says: 'Young seedlings are torn out. Feed, clippers and hand tools may go on; other ground does not wait.',
  figure: until.id,
})

function seedSafeFrom(
  t: Treatment,
  days: number,
  date: Figure,
  scope: Scope,
  trace: Trace,
): Figure {
  const wait =
    t.waitDays === null
      ? trace.table(usualWait, scope, days, {
          label: say`Usual wait: ${TREATMENT_KINDS[t.kind].name}`,
        })
      : sure(trace.read(treatmentReadings.wait, scope, days))
  return trace.work(
    waitRules.until,
    scope,
    { date, wait },
    { label: say`Seed is safe from: ${nameOf(t)}`, change: CHANGE },
  )
}

function noSeedBefore(t: Treatment, days: number, until: Figure): Notice {
  const kind = TREATMENT_KINDS[t.kind].name
  const named = kind.charAt(0).toUpperCase() + kind.slice(1)
  const combined = t.kind.startsWith('feed-and')
    ? 'A combined feed counts as the weedkiller in it. '
    : ''
  const assumed: Message =
    t.waitDays === null
      ? say`The label’s wait is not given, so the longest usual one holds: ${quantity(days, 'd')}. `
      : ''
  return {
    id: `treatment:${t.id}.wait`,
    stage: 6,
    level: 'warn',
    title: say`${t.product ? say`${named} (${t.product})` : named}: no seed before ${onDay(until.value as Day)}.`,
    says: say`${combined}${assumed}Seed sown inside it does not come up. The label decides.`,
    figure: until.id,
  }
}

/**
 * The first day on which larvae are treated: `afterFlight` days after the flight was at its peak, the
 * last of several. Null where no peak was noted, or the pests are gone.
 */
export const larvaeFrom = (pests: Zone['pests'], afterFlight: number): Day | null =>
  pests.reduce<Day | null>(
    (last, p) =>
      p.peak && p.active !== false ? laterDay(addDays(p.peak, afterFlight), last) : last,
    null,
  )
