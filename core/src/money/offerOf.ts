import { addDays, type Day } from '../calendar/day.ts'
import { activeEntries, type DiaryEntry } from '../entities/diary.ts'
import type { ChangeOrder, Offer } from '../entities/offer.ts'
import type { MoneyPlan } from '../plan/money.ts'

/** How an offer stands. */
export interface OfferState {
  id: string
  given: Day
  by: string
  offer: Offer
  state: 'open' | 'accepted' | 'declined' | 'lapsed'
  answeredOn: Day | null
  way: Offer['ways'][number] | null
  extras: string[]
}

/** The offers of a diary, newest first, with what became of each. */
export function offersOf(diary: readonly DiaryEntry[], today: Day): OfferState[] {
  const active = activeEntries(diary)
  return active
    .flatMap((e): OfferState[] => {
      if (!e.offer) return []
      const answers = active.filter((a) => a.offerAnswer?.offer === e.id)
      const last = answers.sort((a, b) => a.date.localeCompare(b.date)).at(-1)
      const way = e.offer.ways.find((w) => w.id === last?.offerAnswer?.way) ?? null
      const state = last ? (way ? 'accepted' : 'declined') : e.offer.validUntil < today ? 'lapsed' : 'open' // prettier-ignore
      return [{ id: e.id, given: e.date, by: e.who, offer: e.offer, state, answeredOn: last?.date ?? null, way, extras: last?.offerAnswer?.extras ?? [] }] // prettier-ignore
    })
    .sort((a, b) => b.given.localeCompare(a.given) || b.offer.number.localeCompare(a.offer.number))
}

/** A number for an offer: its day and how many that day has, "270222-2". */
export function offerNumber(diary: readonly DiaryEntry[], today: Day): string {
  const day = today.slice(2).replaceAll('-', '')
  const taken = new Set(diary.flatMap((e) => (e.offer ? [e.offer.number] : [])))
  let n = 1
  while (taken.has(`${day}-${n}`)) n++
  return `${day}-${n}`
}

/** The last day of an offer that is valid for so many days. */
export const validUntil = (today: Day, days: number): Day => addDays(today, days)

/** What the job is sold for now beside what was quoted, thousandths; null without prices. */
export const sinceQuoted = (way: Offer['ways'][number], money: MoneyPlan | null): number | null =>
  money && money.price.money - way.price

/** Work that was agreed on beside an offer, oldest first. */
export const changesOf = (
  diary: readonly DiaryEntry[],
): { id: string; on: Day; order: ChangeOrder }[] =>
  activeEntries(diary)
    .flatMap((e) => (e.changeOrder ? [{ id: e.id, on: e.date, order: e.changeOrder }] : []))
    .sort((a, b) => a.on.localeCompare(b.on) || a.order.number.localeCompare(b.order.number))

/** The number of the next change: of its offer and how many there are, "270222-1/C2"; of none, its day. */
export function changeNumber(
  diary: readonly DiaryEntry[],
  offer: string | null,
  today: Day,
): string {
  const base = `${offer ?? today.slice(2).replaceAll('-', '')}/C`
  const taken = new Set(diary.flatMap((e) => (e.changeOrder ? [e.changeOrder.number] : [])))
  let n = 1
  while (taken.has(`${base}${n}`)) n++
  return `${base}${n}`
}

/** What is agreed on in all: the way that was taken with its extras, and the changes; null where nothing is. */
export function agreedOn(diary: readonly DiaryEntry[], today: Day): number | null {
  const taken = offersOf(diary, today).find((o) => o.state === 'accepted')
  const changes = changesOf(diary)
  if (!taken?.way && changes.length === 0) return null
  const extras = (taken?.offer.extras ?? []).filter((x) => taken?.extras.includes(x.what))
  return (
    (taken?.way?.price ?? 0) +
    extras.reduce((a, x) => a + x.price, 0) +
    changes.reduce((a, c) => a + c.order.price, 0)
  )
}
