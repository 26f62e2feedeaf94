import { z } from 'zod'
import { text } from './entry.ts'

/** Money of an offer, whole thousandths. */
const money = z
  .int({ error: 'Money is a whole number of thousandths.' })
  .min(0, 'No price is below zero.')
  .max(1e13, 'That is no price.')
const isoDay = z.iso.date({ error: 'A day is an ISO day like 2027-03-02.' })

/** Ways that one offer may hold, and lines of what is done in each. */
export const MOST_WAYS = 4
const MOST_LINES = 40

/**
 * An offer as it was given: what is done each way, when, for how much, and on what terms. It is
 * kept as text and sums, so that nothing that changes later changes it.
 */
export const offerSchema = z.strictObject({
  number: z.string().min(1).max(40),
  validUntil: isoDay,
  currency: z.strictObject({ sign: z.string().max(4), decimals: z.literal([0, 2, 3]) }),
  taxIn: z.boolean(),
  ways: z
    .array(
      z.strictObject({
        id: z.string().max(80),
        name: z.string().min(1).max(120),
        /** What is done, line by line, as the customer reads it. */
        does: z.array(z.string().max(300)).max(MOST_LINES),
        /** Hours by kind of work: for the firm alone, to hold against what it took. */
        tasks: z
          .array(z.strictObject({ kind: z.string().max(40), hours: z.number().min(0).max(1e6) }))
          .max(80)
          .default([]),
        /** What the customer does. */
        theirs: z.string().max(400),
        first: isoDay.nullable(),
        last: isoDay.nullable(),
        /** When it looks right; null where nobody can promise a day. */
        right: isoDay.nullable(),
        /** Years in a hundred in which the sowing takes; null where that is not known. */
        odds: z.number().min(0).max(100).nullable(),
        /** What it leaves as it is. */
        leaves: z.string().max(400),
        price: money,
        tax: money,
        /** What it cost when it was given: for the firm alone, on no sheet. */
        cost: money,
      }),
    )
    .min(1, 'An offer has one way at least.')
    .max(MOST_WAYS, `An offer has up to ${MOST_WAYS} ways.`),
  extras: z
    .array(z.strictObject({ what: z.string().min(1).max(120), price: money }))
    .max(20)
    .default([]),
  terms: text(2000),
  assumptions: z.array(z.string().max(300)).max(20).default([]),
})
export type Offer = z.output<typeof offerSchema>

/** What became of an offer: the way that was taken, or none. */
export const offerAnswerSchema = z.strictObject({
  /** The id of the entry it was given in. */
  offer: z.string().max(64),
  way: z.string().max(80).nullable(),
  extras: z.array(z.string().max(120)).max(20).default([]),
})

/** Work beside what was offered, with its price, as it was agreed on; a price below zero is work left out. */
export const changeOrderSchema = z.strictObject({
  number: z.string().min(1).max(40),
  /** The id of the entry of the offer it changes; '' where none was given. */
  offer: text(64),
  what: z.string().min(1, 'Say what is done beside the offer.').max(300),
  /** Before tax or with it in, as the firm tells its prices; whole thousandths. */
  price: z
    .int({ error: 'Money is a whole number of thousandths.' })
    .min(-1e13, 'That is no price.')
    .max(1e13, 'That is no price.'),
  currency: z.strictObject({ sign: z.string().max(4), decimals: z.literal([0, 2, 3]) }),
  taxIn: z.boolean(),
  agreedBy: z.string().min(1, 'Say who agreed to it.').max(80),
})
export type ChangeOrder = z.output<typeof changeOrderSchema>
