import type { Job } from '../entities/job.ts'
import { reading, rule, tradeValues, value } from '../rules/rule.ts'
import type { Figure } from '../trace/figure.ts'
import { JOB } from '../trace/scope.ts'
import type { Trace } from '../trace/trace.ts'

/** How materials come and go: trailers, bales, pins, a heap through a screen. */
export const carryValues = tradeValues('carry', {
  trailer: value(1.5, 'm3', 'model', 'A trailer takes of loose debris', [0.2, 40]),
  opens: value(2, '1', 'practice', 'Pressed bales open to so many times their volume', [1, 4]),
  pin: value(0.35, 'm2', 'model', 'One pin holds of a blanket or sheet', [0.05, 2]),
  screen: value(0.5, 'm3/h', 'model', 'One person puts of a heap through a screen', [0.1, 20]),
})

const carry = { stage: 5 } as const

export const carryReadings = {
  sieved: reading({ key: 'carry.sieved', stage: 5, label: 'Of your own heap, passes the screen', unit: '%' }), // prettier-ignore
}

export const carryRules = {
  loads: rule({
    ...carry,
    id: 'carry.loads',
    label: 'Trailer loads',
    unit: '1',
    standing: 'model',
    says: 'Loose volume over what a trailer takes ({trailer}), the last one begun counted whole.',
    values: { trailer: carryValues.trailer },
    inputs: { volume: 'm3' },
    formula: 'ceil(volume / trailer - 0.000000001)',
    compute: ({ volume }, { trailer }) => Math.ceil(volume / trailer - 1e-9),
  }),
  pressed: rule({
    ...carry,
    id: 'carry.pressed',
    label: 'In pressed bales',
    unit: 'loose-L',
    standing: 'practice',
    says: 'Bales open to {opens} times the volume they are pressed to.',
    values: { opens: carryValues.opens },
    inputs: { volume: 'loose-L' },
    formula: 'volume / opens',
    compute: ({ volume }, { opens }) => volume / opens,
  }),
  pins: rule({
    ...carry,
    id: 'carry.pins',
    label: 'Pins',
    unit: '1',
    standing: 'model',
    says: 'One for every {pin} of blanket, along its edges, its overlaps and across it.',
    values: { pin: carryValues.pin },
    inputs: { area: 'm2' },
    formula: 'ceil(area / pin - 0.000000001)',
    compute: ({ area }, { pin }) => Math.ceil(area / pin - 1e-9),
  }),
  raw: rule({
    ...carry,
    id: 'carry.raw',
    label: 'Of your own heap',
    unit: 'm3',
    standing: 'calculation',
    says: 'What is spread, over the share of the heap that passes the screen.',
    inputs: { volume: 'm3', sieved: '%' },
    formula: 'volume / sieved',
    compute: ({ volume, sieved }) => volume / (sieved / 100),
  }),
  screening: rule({
    ...carry,
    id: 'carry.screening',
    label: 'Hours at the screen',
    unit: 'work-h',
    standing: 'model',
    says: 'The raw heap at {screen} for one person.',
    values: { screen: carryValues.screen },
    inputs: { raw: 'm3' },
    formula: 'raw / screen',
    compute: ({ raw }, { screen }) => raw / screen,
  }),
}

/** Trailers that take debris away. */
export const loadsOf = (volume: Figure, part: string, trace: Trace): Figure =>
  trace.work(carryRules.loads, JOB, { volume }, { part })

/** What a loose cover comes in, or what holds a sheet down. */
export const coverComes = (kind: string, total: Figure, trace: Trace): Figure[] =>
  kind === 'peat-free'
    ? [trace.work(carryRules.pressed, JOB, { volume: total }, { part: kind })]
    : kind === 'blanket' || kind === 'sheet'
      ? [trace.work(carryRules.pins, JOB, { area: total }, { part: kind })]
      : []

/** What of an own heap goes through the screen, and how long that takes; nothing where soil is bought. */
export function ofOwnHeap(
  { dressing }: Pick<Job, 'dressing'>,
  kind: string,
  volume: Figure,
  trace: Trace,
): Figure[] {
  if (kind !== (dressing.kind ?? 'topsoil')) return []
  const sieved = trace.read(carryReadings.sieved, JOB, dressing.sieved)
  if (!sieved) return []
  const raw = trace.work(carryRules.raw, JOB, { volume, sieved })
  return [raw, trace.work(carryRules.screening, JOB, { raw })]
}
