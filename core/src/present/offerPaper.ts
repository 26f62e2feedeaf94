import { showDay, type Day } from '../calendar/day.ts'
import { changesOf, offersOf } from '../money/offerOf.ts'
import type { DiaryEntry } from '../entities/diary.ts'
import { showMoney } from '../quantities/money.ts'

/** What a customer is handed, in words: the same on the screen, in print and as a file. */
export interface Paper {
  /** What it is, with its number: “Offer 270222-1”. */
  title: string
  /** The name it is saved under, without an ending. */
  fileName: string
  firm: string
  contact: string
  /** Days it carries: given, valid until. */
  dated: string[]
  /** Who it is for, line by line; the job last. */
  to: string[]
  opening: string
  ways: PaperWay[]
  /** Work beside an offer and its price, where this is a change. */
  change: { what: string; price: string; tax: string } | null
  extras: { what: string; price: string }[]
  terms: string
  small: string
  /** Lines to be filled in and signed. */
  sign: string[]
}

/** One way of an offer. */
export interface PaperWay {
  title: string
  price: string
  tax: string
  does: string[]
  says: { term: string; text: string }[]
  /** It is the one that was accepted. */
  taken: boolean
}

/** Whose paper it is, and for whom. Nothing of it is kept with the offer, so that a customer can be erased. */
export interface PaperFor {
  firm: { name: string; address: string; phone: string }
  customer: string
  address: string
  job: string
}

const HOW_MANY = ['', 'one way', 'two ways', 'three ways', 'four ways']
const capital = (text: string): string => text.slice(0, 1).toUpperCase() + text.slice(1)

/**
 * An offer as it was given, with nothing of cost, hours or margin in it. Null where the diary has
 * no offer of this entry.
 */
export function offerPaper(
  diary: readonly DiaryEntry[],
  entry: string,
  today: Day,
  who: PaperFor,
): Paper | null {
  const given = offersOf(diary, today).find((o) => o.id === entry)
  if (!given) return null
  const { offer } = given
  const cash = (thousandths: number) => showMoney(thousandths, offer.currency)
  const taxOf = (price: number, tax: number) =>
    tax === 0
      ? ''
      : offer.taxIn
        ? `with ${cash(tax)} of tax in it`
        : `and ${cash(tax)} of tax: ${cash(price + tax)}`
  return {
    ...headOf(`Offer ${offer.number}`, who),
    dated: [showDay(given.given, true), `valid until ${showDay(offer.validUntil, true)}`],
    opening:
      offer.ways.length === 1
        ? 'Thank you for asking us to look at your lawn. This is what we would do, and what it costs.'
        : `Thank you for asking us to look at your lawn. Here are ${HOW_MANY[offer.ways.length] ?? 'some ways'} to go about it. Each is complete; choose the one that suits you.`,
    ways: offer.ways.map((w, i): PaperWay => ({
      title: `${String.fromCharCode(65 + i)}. ${capital(w.name)}`,
      price: cash(w.price),
      tax: taxOf(w.price, w.tax),
      does: w.does,
      says: [
        ...(w.first
          ? [
              {
                term: 'When',
                text:
                  w.last && w.last !== w.first
                    ? `${showDay(w.first)} to ${showDay(w.last)}`
                    : showDay(w.first),
              },
            ]
          : []),
        {
          term: 'Looks right',
          text: w.right ? `from ${showDay(w.right)}` : 'no day can be promised',
        },
        ...(w.odds === null
          ? []
          : [{ term: 'The sowing takes', text: `in about ${Math.round(w.odds)} years of 100` }]),
        { term: 'What you do', text: capital(w.theirs) },
        ...(w.leaves ? [{ term: 'Stays as it is', text: capital(w.leaves) }] : []),
      ],
      taken: given.way?.id === w.id,
    })),
    change: null,
    extras: offer.extras.map((x) => ({ what: x.what, price: cash(x.price) })),
    terms: offer.terms,
    small: offer.assumptions.join(' '),
    sign: [
      offer.ways.length === 1 ? 'I would like this' : 'I would like way',
      ...(offer.extras.length > 0 ? ['with these extras'] : []),
      'name and day',
    ],
  }
}

/** Work that was agreed on beside an offer, to be signed. Null where the diary has no such change. */
export function changePaper(
  diary: readonly DiaryEntry[],
  entry: string,
  today: Day,
  who: PaperFor,
): Paper | null {
  const change = changesOf(diary).find((c) => c.id === entry)
  if (!change) return null
  const { order } = change
  const offer = offersOf(diary, today).find((o) => o.id === order.offer)
  return {
    ...headOf(`Change ${order.number}`, who),
    dated: [showDay(change.on, true)],
    opening: offer
      ? `Beside offer ${offer.offer.number} of ${showDay(offer.given, true)}, which otherwise stands as it was given:`
      : 'Work agreed on:',
    ways: [],
    change: {
      what: order.what,
      price: showMoney(order.price, order.currency),
      tax: order.taxIn ? 'tax in it' : 'before tax',
    },
    extras: [],
    terms: '',
    small: `Agreed to by ${order.agreedBy}.`,
    sign: ['signature and day'],
  }
}

const headOf = (title: string, { firm, customer, address, job }: PaperFor) => ({
  title,
  fileName: `${title} ${job}`
    .replace(/[^\p{L}\p{N} _-]+/gu, '-')
    .trim()
    .slice(0, 80),
  firm: firm.name,
  contact: [firm.address, firm.phone].filter(Boolean).join(' · '),
  to: [customer || 'To the customer', address, job].filter(Boolean),
})
