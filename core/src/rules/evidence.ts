/**
 * How far a value can be trusted, strongest first. A figure is no firmer than the weakest among its
 * rule, that rule's values and its inputs.
 */
export const EVIDENCE_LEVELS = [
  'calculation',
  'reading',
  'published',
  'practice',
  'model',
  'assumed',
] as const
export type EvidenceLevel = (typeof EVIDENCE_LEVELS)[number]

export const EVIDENCE_NAMES: Record<EvidenceLevel, string> = {
  calculation: 'calculation',
  reading: 'your reading',
  published: 'published',
  practice: 'common practice',
  model: 'Juvena’s model',
  assumed: 'assumed, not read',
}

const RANK = Object.fromEntries(EVIDENCE_LEVELS.map((level, i) => [level, i])) as Record<
  EvidenceLevel,
  number
>

export const weaker = (a: EvidenceLevel, b: EvidenceLevel): EvidenceLevel =>
  RANK[b] > RANK[a] ? b : a

/** What is named as the source where a declaration names none. */
export const usualSource = (level: EvidenceLevel): string =>
  level === 'calculation' ? 'true by definition' : EVIDENCE_NAMES[level]
