import type { Figure } from '../trace/figure.ts'

/** How figures were named in links before they said what they are of, and what each is now. */
const OLD: readonly (readonly [RegExp, string])[] = [
  [/^job\.lot\.([a-z-]+)\.(.+)$/, 'lot:$1.$2'],
  [/^job\.seed\.([a-z0-9_-]+)\.(reserve|total)$/, 'job.seed.$2.$1'],
  [/^([A-Za-z0-9_-]+)\.trench\.([A-Za-z0-9_-]+)$/, 'shape:$2.trench'],
  [/^((?:kill|sow|hold|feed)-(?:cool|warm))\.(.+)$/, 'package:$1.$2'],
  [/^([A-Za-z0-9_-]+)\.(.+)$/, 'zone:$1.$2'],
]

/**
 * The figure a link asks for, by its id of today or of before; null when the plan has none like it.
 */
export function linkedFigure(id: string, figures: Readonly<Record<string, Figure>>): string | null {
  if (Object.hasOwn(figures, id)) return id
  const step = /^(?:kill|sow|hold|feed)-(?:cool|warm)\.([a-z-]+)\.(day|hours)$/.exec(id)
  if (step)
    return (
      Object.keys(figures).find(
        (key) => key.startsWith(`step:${step[1]}/`) && key.endsWith(`.${step[2]}`),
      ) ?? null
    )
  for (const [pattern, now] of OLD) {
    const renamed = id.replace(pattern, now)
    if (renamed !== id && Object.hasOwn(figures, renamed)) return renamed
  }
  return null
}
