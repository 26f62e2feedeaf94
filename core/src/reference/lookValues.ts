import { tradeValues, value } from '../rules/rule.ts'

/** When a look is taken at work done, and what decides there. */
export const lookValues = tradeValues('look', {
  closed: value(
    70,
    '%',
    'practice',
    'Ground has closed well enough from wanted cover of',
    [30, 95],
  ),
  stands: value(
    80,
    '%',
    'practice',
    'A sward that is not sown closes in a season from wanted cover of; 75 to 80 %',
    [50, 95],
  ),
  moths: value(14, 'd', 'practice', 'While moths fly, larvae are looked for again after', [7, 28]),
  holes: value(14, 'd', 'practice', 'Core holes are looked at for larvae after', [7, 28]),
  recovers: value(
    42,
    'd',
    'model',
    'Work has had time to close before it is judged after',
    [14, 90],
  ),
})
