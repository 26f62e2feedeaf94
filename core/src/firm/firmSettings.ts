import type { Firm } from '../entities/firm.ts'
import { setting, value } from '../rules/rule.ts'
import type { Trace } from '../trace/trace.ts'

/** What a firm may set, each with what is taken until it does. */
export const firmSettings = {
  crew: setting({
    key: 'firm.crew',
    stage: 6,
    label: 'People',
    usual: value(2, '1', 'model', 'People who work on one job', [1, 60]),
  }),
  hoursPerDay: setting({
    key: 'firm.hours',
    stage: 6,
    label: 'A working day',
    usual: value(8, 'h', 'model', 'Hours in a working day', [1, 16]),
  }),
  reserve: setting({
    key: 'seed.reserve-share',
    stage: 4,
    label: 'Kept back',
    usual: value(12, '%', 'practice', 'Seed kept back for wash-outs; 10 to 15 %', [0, 50]),
  }),
  swath: setting({
    key: 'seed.swath',
    stage: 4,
    label: 'Swath',
    usual: value(
      2,
      'm',
      'model',
      'The strip a spreader covers evenly, edges overlapped',
      [0.2, 20],
    ),
  }),
  strip: setting({
    key: 'seed.strip-length',
    stage: 4,
    label: 'Test strip',
    usual: value(10, 'm', 'model', 'A test strip is so long', [1, 100]),
  }),
  scaleStep: setting({
    key: 'seed.scale',
    stage: 4,
    label: 'A step of the scale',
    usual: value(0.01, 'kg', 'practice', 'The scale reads to', [0.0005, 1]),
  }),
  handful: setting({
    key: 'seed.handful',
    stage: 4,
    label: 'A handful',
    usual: value(0.025, 'kg', 'model', 'A hand holds of seed; weigh five', [0.001, 0.5]),
  }),
  settling: setting({
    key: 'dressing.settle',
    stage: 5,
    label: 'Settling',
    usual: value(12, '%', 'model', 'Loose soil settles by; 10 to 20 % in fills', [0, 60]),
  }),
  oversize: setting({
    key: 'dressing.oversize',
    stage: 5,
    label: 'Oversize raked off',
    usual: value(5, '%', 'model', 'Stones and lumps raked off', [0, 60]),
  }),
  barrow: setting({
    key: 'dressing.barrow',
    stage: 5,
    label: 'A barrow',
    usual: value(80, 'L', 'practice', 'A barrow holds; 65 to 90 L', [30, 300]),
  }),
}

/**
 * What the firm puts on a job: people together at one step (two share a job), hours a day,
 * weekends.
 */
export interface Workforce {
  people: number
  hoursPerDay: number
  weekendWork: boolean
}

/** Most people who share one step. More stand in each other's way. Juvena's model. */
const SHARED_BY = 2

export const workforceOf = (firm: Firm, trace: Trace): Workforce => ({
  people: Math.min(SHARED_BY, Math.max(1, firm.crew ?? trace.value(firmSettings.crew.usual))),
  hoursPerDay: firm.hoursPerDay ?? trace.value(firmSettings.hoursPerDay.usual),
  weekendWork: firm.weekendWork,
})

/**
 * Loose soil to bring for a cubic metre in place: it settles, and what is screened off is not used.
 */
export const looseFor = (settling: number, oversize: number): number =>
  (1 + settling / 100) / (1 - oversize / 100)
