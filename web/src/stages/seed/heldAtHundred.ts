import type { Shares } from '@juvena/core/seed/mix'

/**
 * A mix in which one share is set and the others keep their proportions, in whole percent that make
 * exactly 100.
 */
export function heldAtHundred(parts: readonly Shares[], index: number, share: number): Shares[] {
  const set = Math.min(100, Math.max(0, Math.round(share)))
  if (parts.length === 1) return [{ ...parts[0]!, share: 100 }]
  const others = parts.reduce((sum, p, i) => sum + (i === index ? 0 : p.share), 0)
  const left = 100 - set
  const scaled = parts.map((p, i) =>
    i === index ? set : others > 0 ? (p.share * left) / others : left / (parts.length - 1),
  )
  const whole = scaled.map((x, i) => (i === index ? set : Math.floor(x)))
  // What rounding left over goes where most was cut off.
  const order = scaled
    .map((x, i) => ({ i, cut: i === index ? -1 : x - Math.floor(x) }))
    .sort((a, b) => b.cut - a.cut)
  let over = 100 - whole.reduce((a, b) => a + b, 0)
  for (const { i } of order) {
    if (over <= 0 || i === index) continue
    whole[i]!++
    over--
  }
  return parts.map((p, i) => ({ ...p, share: whole[i]! }))
}
