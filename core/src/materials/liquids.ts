import type { Job } from '../entities/job.ts'
import { OPERATIONS, type StepKind } from '../reference/operations.ts'
import { joined, quantity, say, verbatim, type Message } from '../rules/message.ts'
import { allZones, rule } from '../rules/rule.ts'
import { num, type Figure, type Notice } from '../trace/figure.ts'
import type { ZoneSeed } from '../seed/seedPlan.ts'
import { figureId, JOB, zoneScope } from '../trace/scope.ts'
import type { Trace } from '../trace/trace.ts'
import { operationOf, plans, type ZoneWork } from '../work/workTypes.ts'

const liquid = { stage: 5, standing: 'calculation' } as const

export const liquidRules = {
  zone: rule({
    ...liquid,
    id: 'liquid.zone',
    label: 'Product on the zone',
    unit: 'L',
    says: 'Ground times the rate on the label; of ground left out each zone leaves its share.',
    inputs: { area: 'm2', rate: 'mL/m2', sprayed: '%' },
    formula: 'area * sprayed * rate',
    compute: ({ area, rate, sprayed }) => (area * (sprayed / 100) * rate) / 1000,
  }),
  product: rule({ ...liquid, id: 'liquid.product', label: 'Product', ...allZones('L') }),
  water: rule({
    ...liquid,
    id: 'liquid.water',
    label: 'Water to carry it',
    unit: 'L',
    says: 'Product times the water it goes out in, over its rate.',
    inputs: { product: 'L', carrier: 'mL/m2', rate: 'mL/m2' },
    formula: 'product * carrier / rate',
    compute: ({ product, carrier, rate }) => (product * carrier) / rate,
  }),
  fills: rule({
    ...liquid,
    id: 'liquid.fills',
    label: 'Fills of the tank',
    unit: '1',
    says: 'Water over the tank, the last one begun counted whole.',
    inputs: { water: 'L', tank: 'L' },
    formula: 'ceil(water / tank - 0.000000001)',
    compute: ({ water, tank }) => Math.ceil(water / tank - 1e-9),
  }),
  each: rule({
    ...liquid,
    id: 'liquid.each',
    label: 'Product in a full tank',
    unit: 'L',
    says: 'The tank, times the rate over the water it goes out in.',
    inputs: { tank: 'L', rate: 'mL/m2', carrier: 'mL/m2' },
    formula: 'tank * rate / carrier',
    compute: ({ tank, rate, carrier }) => (tank * rate) / carrier,
  }),
}

export interface SprayPlan {
  id: string
  does: StepKind
  product: string
  zones: { zone: string; amount: Figure }[]
  total: Figure
  /** How the tank is filled; nothing until water and tank are told. */
  fills: Message
  /** What its label says of people: how long to keep off, what to wear. */
  people: Message
  also: Figure[]
}

/** Millilitres for a hand: below a litre in mL. */
const litres = (l: number): Message =>
  l < 1
    ? `${Number((1000 * l).toPrecision(3))} mL`
    : say`${quantity(Number(l.toPrecision(3)), 'L')}`

/** What is sprayed where it is planned, by its label: product, water, fills of the tank. */
export function planSprays(
  job: Job,
  works: readonly ZoneWork[],
  sown: readonly Pick<ZoneSeed, 'zone' | 'mix'>[],
  trace: Trace,
): { sprays: SprayPlan[]; notices: Notice[] } {
  const sprays = job.sprays.flatMap((s): SprayPlan[] => {
    const { rate } = s
    const ground = works.flatMap((w) => {
      const planned = operationOf(w, s.does)
      return planned ? [{ w, area: planned.ground }] : []
    })
    const all = ground.reduce((a, g) => a + num(g.area), 0)
    if (rate === null || all <= 0) return []
    const sprayed = (100 * Math.max(0, all - (s.buffer ?? 0))) / all
    const zones = ground.map(({ w, area }) => ({
      zone: w.r.id,
      amount: trace.work(liquidRules.zone, zoneScope(w.r.id), { area, rate, sprayed }, { part: s.id }), // prettier-ignore
    }))
    const total = trace.work(liquidRules.product, JOB, { zones: zones.map((z) => z.amount) }, { part: s.id }) // prettier-ignore
    const people = joined(
      [
        s.reentry !== null && say`keep off for ${quantity(s.reentry, 'h')}`,
        s.clothing !== '' && say`wear ${verbatim(s.clothing)}`,
      ],
      '; ',
    )
    const made = { people, id: s.id, does: s.does, product: s.product, zones, total }
    if (s.carrier === null || num(total) <= 0) return [{ ...made, fills: '', also: [] }]
    const { carrier } = s
    const water = trace.work(liquidRules.water, JOB, { product: total, carrier, rate }, { part: s.id }) // prettier-ignore
    if (s.tank === null) return [{ ...made, fills: say`in ${water} of water`, also: [water] }]
    const tank = 1000 * s.tank
    const fills = trace.work(liquidRules.fills, JOB, { water, tank }, { part: s.id })
    const each = trace.work(liquidRules.each, JOB, { tank, rate, carrier }, { part: s.id })
    const full = Math.floor(num(water) / tank + 1e-9)
    const last = num(water) - full * tank
    const odd = last > 1e-6
    const told = joined(
      [
        full > 0 && say`${String(full)} × ${litres(tank)} with ${litres(num(each))} in each`,
        odd && say`${full > 0 ? 'the last ' : ''}${litres(last)} with ${litres((last * rate) / carrier)}`, // prettier-ignore
      ],
      ', ',
    )
    return [{ ...made, fills: told, also: [water, fills] }]
  })
  const kinds = new Set(job.sprays.filter((s) => sprays.some((p) => p.id === s.id)).map((s) => s.acts)) // prettier-ignore
  const apart: Notice[] =
    kinds.has('leaf') && kinds.has('soil')
      ? [
          {
            id: 'sprays.apart',
            stage: 5,
            level: 'hold',
            title: 'Never in one tank: one stays on the leaf, the other is watered in.',
            says: 'What acts on the leaf has to dry there; what acts in the soil is washed down at once. Spray them apart, the label’s dry hours between.',
          },
        ]
      : []
  return { sprays, notices: [...apart, ...leftOutByLabel(job, works, sown, trace)] }
}

/** What is meant to die under it is no matter of its label. */
const KILLS: readonly StepKind[] = ['kill', 'kill-again']

/**
 * A spray on a grass that its label leaves out: on what stands, and on what is sown where it goes
 * down with the seed. Sown later, the label's wait before seed decides.
 */
function leftOutByLabel(
  job: Job,
  works: readonly ZoneWork[],
  sown: readonly Pick<ZoneSeed, 'zone' | 'mix'>[],
  trace: Trace,
): Notice[] {
  return job.sprays.flatMap((s) =>
    works.flatMap((w): Notice[] => {
      if (s.notOn.length === 0 || KILLS.includes(s.does) || !plans(w, s.does)) return []
      const standing = w.r.present.map((g) => g.id)
      const seeded =
        s.does === 'seed-safe'
          ? sown.filter((x) => x.zone === w.r.id).flatMap((x) => x.mix.map((m) => m.grass))
          : []
      const harmed = [...new Set([...standing, ...seeded])].filter((g) => s.notOn.includes(g))
      if (harmed.length === 0) return []
      const names = harmed.map((g) => trace.grass(g).short).join(', ')
      return [
        {
          id: figureId(zoneScope(w.r.id), 'spray-label', s.does),
          stage: 5,
          zone: w.r.zone.id,
          level: 'hold',
          title: say`${w.r.name}: ${s.product || OPERATIONS[s.does].name} is not for ${verbatim(names)}.`,
          says: say`Its label leaves ${verbatim(names)} out, and ${standing.includes(harmed[0] ?? '') ? 'it stands there' : 'it is sown with it'}. Take a product whose label names this turf, or leave the spray out. The label is the law.`,
        },
      ]
    }),
  )
}
