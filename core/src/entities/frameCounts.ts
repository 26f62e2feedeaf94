import { MOST_FRAMES, MOST_PLANTS } from './diary.ts'

/** Plants counted in frames as typed, “31 12, 40”; a sentence where it cannot be read. */
export function readFrameCounts(typed: string): number[] | string {
  const words = typed.trim().split(/[\s,;]+/).filter(Boolean) // prettier-ignore
  if (words.length === 0) return 'Write the plants in each frame, like “31, 12, 40”.'
  const wrong = words.find((w) => !/^\d+$/.test(w))
  if (wrong !== undefined) return `“${wrong}” is no count. Plants are whole numbers, like “31, 12, 40”.` // prettier-ignore
  const plants = words.map(Number)
  if (plants.some((n) => n > MOST_PLANTS))
    return `No frame holds more than ${MOST_PLANTS} plants. Is a comma or a space missing?`
  if (plants.length > MOST_FRAMES) return `Up to ${MOST_FRAMES} frames are kept.`
  return plants
}
