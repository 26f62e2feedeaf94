import { addDays, daysBetween, type Day } from '../calendar/day.ts'
import type { Job } from '../entities/job.ts'
import { limeValues } from '../reference/limeValues.ts'
import { onDay, quantity, say } from '../rules/message.ts'
import { allZones, reading, rule } from '../rules/rule.ts'
import { num, type Figure, type Notice } from '../trace/figure.ts'
import { figureId, JOB, zoneScope } from '../trace/scope.ts'
import type { Trace } from '../trace/trace.ts'
import { operationOf, type ZoneWork } from '../work/workTypes.ts'

const lime = { stage: 5 } as const

export const limeReadings = {
  neutralising: reading({ key: 'lime.neutralising', stage: 5, label: 'Neutralising value of the lime', unit: '%', otherwise: [100, [10, 180]] }), // prettier-ignore
  fine: reading({ key: 'lime.fine', stage: 5, label: 'Of it fine enough to act', unit: '%', otherwise: [100, [5, 100]] }), // prettier-ignore
  lab: reading({ key: 'lime.lab', stage: 5, label: 'Lime, the laboratory’s rate', unit: 'g/m2' }),
}

export const limeRules = {
  guess: rule({
    ...lime,
    id: 'lime.guess',
    key: 'lime.lab',
    label: 'Lime, a guess by pH and texture',
    unit: 'g/m2',
    standing: 'model',
    says: 'What is missing to {target} on the pH scale, times what such a soil takes for one step of it. A guess: a laboratory measures what the soil holds back, and its rate decides.',
    values: { target: limeValues.target },
    inputs: { ph: '1', step: 'g/m2' },
    formula: 'max(0, target - ph) * step',
    compute: ({ ph, step }, { target }) => Math.max(0, target - ph) * step,
  }),
  product: rule({
    ...lime,
    id: 'lime.product',
    label: 'Lime of this product',
    unit: 'g/m2',
    standing: 'calculation',
    says: 'The rate for pure fine lime, over the neutralising value of the product and the share of it that is fine enough.',
    inputs: { rate: 'g/m2', neutralising: '%', fine: '%' },
    formula: 'rate / neutralising / fine',
    compute: ({ rate, neutralising, fine }) => rate / (neutralising / 100) / (fine / 100),
  }),
  now: rule({
    ...lime,
    id: 'lime.now',
    label: 'Lime this time',
    unit: 'g/m2',
    standing: 'practice',
    says: 'Up to {most} at once on standing turf; more goes in equal doses, each after a new test.',
    source: 'common practice; extension guidance, from memory (50 lb/1,000 ft²)',
    values: { most: limeValues.most },
    inputs: { product: 'g/m2' },
    formula: 'product / ceil(product / most - 0.000000001)',
    compute: ({ product }, { most }) => product / Math.max(1, Math.ceil(product / most - 1e-9)),
  }),
  kg: rule({
    ...lime,
    id: 'lime.kg',
    label: 'Lime',
    unit: 'kg',
    standing: 'calculation',
    says: 'Ground times what goes down this time.',
    inputs: { area: 'm2', rate: 'g/m2' },
    formula: 'area * rate',
    compute: ({ area, rate }) => (area * rate) / 1000,
  }),
  total: rule({ ...lime, id: 'lime.total', label: 'Lime to order', standing: 'calculation', ...allZones('kg') }), // prettier-ignore
}

export interface LimePlan {
  zones: { zone: string; kg: Figure; now: Figure; doses: number }[]
  total: Figure
  notices: Notice[]
}

/** The rate that lime goes by on a zone, of pure fine lime: the laboratory’s, else a guess; null without a pH. */
function limeRate(
  { r }: Pick<ZoneWork, 'r'>,
  trace: Trace,
): { rate: Figure; guessed: boolean } | null {
  // prettier-ignore
  const scope = zoneScope(r.id)
  const lab = trace.read(limeReadings.lab, scope, r.zone.lab.lime)
  if (lab) return { rate: lab, guessed: false }
  if (!r.ph) return null
  const step = trace.value(limeValues[r.zone.texture ?? 'loam'])
  return { rate: trace.work(limeRules.guess, scope, { ph: r.ph, step }), guessed: true }
}

/** Lime where it is planned: how much of the product, in how many doses; what has to be known. */
export function planLime(
  job: Job,
  works: readonly ZoneWork[],
  today: Day,
  trace: Trace,
): LimePlan | null {
  // prettier-ignore
  const limed = works.flatMap((work) => {
    const operation = operationOf(work, 'lime')
    const found = operation && work.r.area ? limeRate(work, trace) : null
    return operation && found && num(found.rate) > 0 ? [{ work, operation, ...found }] : []
  })
  if (limed.length === 0) return null
  const neutralising = trace.readOr(limeReadings.neutralising, JOB, job.lime.neutralising)
  const fine = trace.readOr(limeReadings.fine, JOB, job.lime.fine)
  const zones = limed.map(({ work, operation, rate }) => {
    const scope = zoneScope(work.r.id)
    const product = trace.work(limeRules.product, scope, { rate, neutralising, fine })
    const now = trace.work(limeRules.now, scope, { product })
    return {
      zone: work.r.id,
      kg: trace.work(limeRules.kg, scope, { area: operation.ground, rate: now }),
      now,
      doses: Math.max(1, Math.round(num(product) / num(now))),
    }
  })
  const notices = limed.flatMap(({ work, rate, guessed }, i): Notice[] => {
    const { now, doses } = zones[i]!
    const about = (key: string, level: Notice['level'], title: Notice['title'], says: Notice['says']) => ({ id: figureId(zoneScope(work.r.id), key), stage: 5 as const, zone: work.r.zone.id, level, title, says, figure: now.id }) // prettier-ignore
    const last = job.treatments
      .filter(
        (t) =>
          t.kind === 'lime' &&
          t.date !== null &&
          t.date <= today &&
          (t.zones.length === 0 || t.zones.includes(work.r.zone.id)),
      ) // prettier-ignore
      .map((t) => t.date ?? '')
      .sort()
      .at(-1)
    const acts = trace.value(limeValues.acts)
    return [
      ...(guessed
        ? [about('lime-guess', 'warn', say`${work.r.name}: the amount of lime is a guess.`, say`${rate} by pH and texture, and soils differ twofold. Send a sample: the laboratory’s rate takes its place.`)] // prettier-ignore
        : []),
      ...(doses > 1
        ? [about('lime-doses', 'note', say`${work.r.name}: lime in ${String(doses)} doses.`, say`${now} goes down this time. The next waits for a new test, about ${quantity(Math.round(acts / 30), '1')} months on.`)] // prettier-ignore
        : []),
      ...(last && daysBetween(last, today) < acts
        ? [about('lime-again', 'hold', say`${work.r.name}: limed already, and it is still acting.`, say`Lime takes months. Test again from ${onDay(addDays(last, Math.round(acts)), true)}, and lime by that; too much locks up iron.`)] // prettier-ignore
        : []),
    ]
  })
  return {
    zones,
    total: trace.work(limeRules.total, JOB, { zones: zones.map((z) => z.kg) }),
    notices,
  }
}
