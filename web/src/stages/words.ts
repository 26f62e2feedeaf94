import type { Stage } from '@juvena/core/rules/rule'

/** Stages by their word in the address. */
export const STAGE_WORDS: Record<Stage, string> = {
  1: 'walk-over',
  2: 'findings',
  3: 'approach',
  4: 'seed',
  5: 'materials',
  6: 'order',
  7: 'water',
  8: 'diary',
}
export const stageOfWord = (word: unknown): Stage =>
  Number(Object.entries(STAGE_WORDS).find(([, w]) => w === word)?.[0] ?? 1) as Stage
