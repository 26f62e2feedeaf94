import { markThousands } from './thousands.ts'

/**
 * Money inside the core is counted in thousandths of the firm's currency, as whole numbers: exact
 * for currencies of no, two or three decimals, whichever the firm works in.
 */
export const THOUSANDTHS = 1000

/** How a firm's money is written. */
export interface Currency {
  /** Its sign or letters, before the number: "$", "NZ$"; none where the firm has not said. */
  sign: string
  /** Decimals of its smallest coin. */
  decimals: 0 | 2 | 3
}
export const NO_CURRENCY: Currency = { sign: '', decimals: 2 }

/** A sum in thousandths, in words: "$1,250.00"; below the smallest coin to two figures. */
export function showMoney(thousandths: number, { sign, decimals }: Currency): string {
  const amount = thousandths / THOUSANDTHS
  const coin = 10 ** -decimals
  const size = Math.abs(amount)
  const text = size > 0 && size < coin ? size.toPrecision(2) : markThousands(size.toFixed(decimals))
  return `${amount < 0 ? '−' : ''}${sign}${text}`
}
