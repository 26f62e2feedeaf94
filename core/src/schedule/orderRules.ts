import { procedure } from '../rules/rule.ts'

const stepDay = {
  key: 'day',
  stage: 6,
  label: 'Day',
  unit: 'date',
  by: 'schedule/schedulePackage: schedulePackage',
  check: 'schedule.test.ts',
} as const

export const orderRules = {
  day: procedure({
    ...stepDay,
    id: 'order.day',
    standing: 'practice',
    says: 'Of the days that every lag, wait and working day allows, the one that is worth most; the steps before it lie as close as they should.',
    inputs: { before: 'date?', cutOff: 'date?', window: 'text?', waits: 'date[]' },
    steps: 'the day worth most; the steps round it as near as may be',
  }),
  first: procedure({
    ...stepDay,
    id: 'order.first',
    standing: 'practice',
    says: 'The first step, as near as the rest allows.',
    steps: 'so that the steps after it keep their lags',
  }),
  pinned: procedure({
    ...stepDay,
    id: 'order.pinned',
    standing: 'reading',
    source: 'your decision',
    says: 'Pinned by you.',
    steps: 'your pin',
  }),
  done: procedure({
    ...stepDay,
    id: 'order.done',
    standing: 'reading',
    source: 'your diary',
    says: 'Done, by the diary.',
    steps: 'the diary',
  }),
}
