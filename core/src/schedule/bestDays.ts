/** A day that a piece of work may be taken on: what that is worth, and the hours it fills by day. */
export interface PieceDay {
  day: number
  worth: number
  hours: readonly (readonly [day: number, hours: number])[]
}

/** One piece of work that comes so many days after another, by their places in the list. */
export interface PieceLink {
  from: number
  to: number
  least: number
}

/** Tries after which the best found so far is taken. */
const MOST_TRIES = 50_000
/** Hours a day may be overfilled by. */
const OVER = 0.5

/**
 * The days of some pieces of work with the highest worth in all, as indexes into the days of each:
 * no day filled beyond `perDay` hours by two of them, every link kept. Null where nothing holds. By
 * branch and bound: days of the highest worth first, and no branch that cannot reach the best.
 */
export function bestDays(
  pieces: readonly (readonly PieceDay[])[],
  links: readonly PieceLink[],
  perDay: number,
): number[] | null {
  const order = pieces.map((_, i) => i).sort((a, b) => pieces[a]!.length - pieces[b]!.length)
  const byWorth = pieces.map(
    (days) =>
    days.map((_, i) => i).sort((a, b) => days[b]!.worth - days[a]!.worth || days[a]!.day - days[b]!.day), // prettier-ignore
  )
  // Most that the pieces from each place on can add.
  const ahead = [...order, -1].map((_, at) =>
    order.slice(at).reduce((sum, p) => sum + (pieces[p]![byWorth[p]![0]!]?.worth ?? -Infinity), 0),
  )
  const filled = new Map<number, number>()
  const chosen: number[] = new Array<number>(pieces.length).fill(-1)
  let best: { worth: number; chosen: number[] } | null = null
  let tries = 0

  const fits = ({ hours }: PieceDay) =>
    hours.every(([day, h]) => {
      const already = filled.get(day) ?? 0
      return already === 0 || already + h <= perDay + OVER
    })
  const linked = (piece: number, day: number) =>
    links.every(({ from, to, least }) => {
      const other = piece === from ? to : piece === to ? from : -1
      if (other < 0 || chosen[other]! < 0) return true
      const at = pieces[other]![chosen[other]!]!.day
      return piece === to ? day >= at + least : at >= day + least
    })
  const fill = ({ hours }: PieceDay, sign: 1 | -1) => {
    for (const [day, h] of hours) filled.set(day, (filled.get(day) ?? 0) + sign * h)
  }
  const tryFrom = (place: number, worth: number) => {
    if (best !== null && worth + ahead[place]! <= best.worth + 1e-9) return
    if (place === order.length) {
      best = { worth, chosen: [...chosen] }
      return
    }
    const piece = order[place]!
    for (const i of byWorth[piece]!) {
      const option = pieces[piece]![i]!
      if (best !== null && worth + option.worth + ahead[place + 1]! <= best.worth + 1e-9) return
      if (++tries > MOST_TRIES) return
      if (!fits(option) || !linked(piece, option.day)) continue
      chosen[piece] = i
      fill(option, 1)
      tryFrom(place + 1, worth + option.worth)
      fill(option, -1)
      chosen[piece] = -1
    }
  }
  tryFrom(0, 0)
  return (best as { chosen: number[] } | null)?.chosen ?? null
}
