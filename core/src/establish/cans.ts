import { readCatches } from '../entities/catches.ts'
import type { Zone } from '../entities/job.ts'
import { sum } from '../quantities/sum.ts'
import { procedure } from '../rules/rule.ts'
import type { Figure } from '../trace/figure.ts'
import type { Scope } from '../trace/scope.ts'
import type { Trace } from '../trace/trace.ts'

/** What cans say of a sprinkler: mm/h, and two measures of how even it is, 0 to 1 and %. */
export interface CanTest {
  rate: number
  uniformity: number
  christiansen: number
}

const mean = (list: readonly number[]) => sum(list) / list.length

/**
 * Rate = mean catch over time; DU = mean of the lowest quarter over the mean (standard irrigation
 * audit); CU = 100 (1 − Σ|x − m| / (n·m)) (Christiansen 1942, from memory). `catches` mm, at least
 * one of them more than zero.
 */
export function canTest(catches: readonly number[], minutes: number): CanTest {
  const m = mean(catches)
  const lowest = [...catches].sort((a, b) => a - b).slice(0, Math.max(1, Math.round(catches.length / 4))) // prettier-ignore
  const off = sum(catches.map((x) => Math.abs(x - m)))
  return {
    rate: (60 * m) / minutes,
    uniformity: mean(lowest) / m,
    christiansen: 100 * (1 - off / (catches.length * m)),
  }
}

const cans = { stage: 7, by: 'establish/cans: canTest', check: 'cans.test.ts' } as const
export const canRules = {
  rate: procedure({
    ...cans,
    id: 'water.cans-rate',
    key: 'water.pr',
    label: 'Precipitation rate',
    unit: 'mm/h',
    standing: 'reading',
    source: 'your cans',
    says: 'What the cans caught on average, over the time they stood.',
    inputs: { minutes: 'min' },
    steps: 'mean of the catches ÷ minutes',
  }),
  uniformity: procedure({
    ...cans,
    id: 'water.cans-du',
    key: 'water.du',
    label: 'Distribution uniformity',
    unit: '1',
    standing: 'reading',
    source: 'your cans; standard irrigation audit',
    says: 'The mean of the lowest quarter of the cans over the mean of all.',
    inputs: {},
    steps: 'mean of the lowest quarter ÷ mean',
  }),
  christiansen: procedure({
    ...cans,
    id: 'water.cans-cu',
    key: 'water.cu',
    label: 'Evenness, CU',
    unit: '%',
    standing: 'reading',
    source: 'your cans; Christiansen 1942, from memory',
    says: 'How far the cans lie from their mean on average: 100 % where all caught the same.',
    inputs: {},
    steps: '100 × (1 − Σ|catch − mean| ÷ (cans × mean))',
  }),
}

/** A rate under this is none: the least the rules take, mm/h; and the least evenness. */
const [LEAST_RATE, LEAST_EVEN] = [0.1, 0.1]

/** What a zone's cans say, as figures; null where none stood, or nobody noted for how long. */
export function cansOf(
  zone: Pick<Zone, 'cans' | 'cansMinutes'>,
  scope: Scope,
  trace: Trace,
): { rate: Figure; uniformity: Figure } | null {
  const { cansMinutes: minutes } = zone
  const read = zone.cans.trim() === '' ? '' : readCatches(zone.cans)
  if (typeof read === 'string' || minutes === null) return null
  const test = canTest(read, minutes)
  trace.found(canRules.christiansen, scope, Math.max(0, test.christiansen), {})
  return {
    rate: trace.found(canRules.rate, scope, Math.max(LEAST_RATE, test.rate), { minutes }),
    uniformity: trace.found(canRules.uniformity, scope, Math.max(LEAST_EVEN, test.uniformity), {}),
  }
}
