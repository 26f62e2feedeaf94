import { z } from 'zod'
import {
  CHOICE_ENTRIES,
  COLOURS,
  LEVELS,
  NUMBER_ENTRIES,
  type ColourKey,
  type LevelKey,
  type NumberKey,
} from '../reference/grassTraits.ts'
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

/** A field for each number of a trait, with its limits. */
const numbers = Object.fromEntries(
  NUMBER_ENTRIES.map((e) => [e.key, quantity(e.kind, e)]),
) as Record<NumberKey, ReturnType<typeof quantity>>
const level = (of: string) => oneOf(LEVELS, of).nullable().default(null)
const colour = (of: string) => oneOf(COLOURS, of).nullable().default(null)
/** A field for each degree and colour. */
const choices = Object.fromEntries(
  CHOICE_ENTRIES.map(({ key, label, of }) => {
    const what = `an answer to “${label}”`
    return [key, of === LEVELS ? level(what) : colour(what)]
  }),
) as Record<LevelKey, ReturnType<typeof level>> & Record<ColourKey, ReturnType<typeof colour>>

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
  /** It passes for a named fine hybrid of its kind, which common seed does not. */
  matchesHybrid: z.boolean().nullable().default(null),
  ...numbers,
  ...choices,
})
export type OwnGrass = z.output<typeof ownGrassSchema>
export type OwnGrassDraft = z.input<typeof ownGrassSchema>
