import { z } from 'zod'
import { COLOURS, LEVELS } from '../reference/grasses.ts'
import { oneOf, quantity, text } from './entry.ts'

/**
 * Names a grass of the table or one of the firm's own. Whether there is such a grass is known only
 * where the firm's table is.
 */
export const grassId = z
  .string()
  .regex(
    /^[a-z0-9][a-z0-9-]{0,39}$/,
    'A grass goes by an id of small letters, digits and -. Choose one from the list.',
  )

const level = (what: string) => oneOf(LEVELS, what).nullable().default(null)
const rate = (what: string) =>
  quantity('rate', {
    min: 0.1,
    max: 150,
    what,
    because: 'no grass is sown at more. Check the unit.',
  })
const cut = (what: string) => quantity('depth', { min: 2, max: 400, what })
const ph = (what: string) => quantity('ph', { min: 3, max: 11, what })

/**
 * What a firm changes of a grass, or what sets a grass of its own apart from the one it goes by.
 * Null leaves a trait as it is there.
 */
export const ownGrassSchema = z.strictObject({
  /** A grass of the table, which is changed, or an id of the firm's own. */
  id: grassId,
  /** The grass it takes everything else from; itself where one of the table is changed. */
  from: grassId,
  name: text(80),
  short: text(24),
  newLow: rate('A rate'),
  newHigh: rate('A rate'),
  overLow: rate('A rate'),
  overHigh: rate('A rate'),
  daysLow: quantity('days', { min: 1, max: 120, what: 'Days to show' }),
  daysHigh: quantity('days', { min: 1, max: 200, what: 'Days to show' }),
  seedsPerGram: quantity('ratio', { min: 10, max: 50_000, what: 'Seeds in a gram' }),
  soilMin: quantity('temperature', { min: 0, max: 30, what: 'Least soil' }),
  sunLeast: quantity('hours', { min: 0, max: 12, what: 'Least sun' }),
  sunGood: quantity('hours', { min: 0, max: 12, what: 'Comfortable sun' }),
  cutLow: cut('The lowest cut'),
  cutHigh: cut('The highest cut'),
  phLow: ph('The lowest pH'),
  phHigh: ph('The highest pH'),
  leaf: quantity('depth', { min: 0.3, max: 15, what: 'A leaf' }),
  creeps: quantity('depth', { min: 0, max: 80, what: 'Spread in a week' }),
  wear: level('a degree of wear'),
  drought: level('a degree of drought'),
  cold: level('a degree of cold'),
  heat: level('a degree of heat'),
  wet: level('a degree of wet'),
  salt: level('a degree of salt'),
  thatch: level('a degree of thatch'),
  colour: oneOf(COLOURS, 'a colour').nullable().default(null),
})
export type OwnGrass = z.output<typeof ownGrassSchema>
export type OwnGrassDraft = z.input<typeof ownGrassSchema>
