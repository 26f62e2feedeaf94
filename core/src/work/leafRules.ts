import { lagValues } from '../reference/lagValues.ts'
import { rule, tradeValues, value } from '../rules/rule.ts'

const dressing = { stage: 5 } as const

export const smotherValues = tradeValues('smother', {
  leafLeft: value(50, '%', 'model', 'A cut-down leaves this share of the height of cut', [20, 100]),
  leafLeast: value(10, 'mm', 'model', 'and never less than', [3, 25]),
  most: value(12, 'mm', 'model', 'Most dressing at once', [3, 25]),
  leafParts: value(
    3,
    '1',
    'model',
    'Most dressing at once is the leaf standing, divided by',
    [1.5, 10],
  ),
  tall: value(50, 'mm', 'practice', 'Leaf is lowered before a dressing from', [25, 120]),
  liftsApart: lagValues.dressed,
  tooDeep: value(
    50,
    'mm',
    'model',
    'Deeper than this it is no thin dressing: the unit is asked about',
    [20, 150],
  ),
})

/**
 * Leaf left standing by the cut-down, mm, for a height of cut and the foot of the range of the grass
 * there, mm.
 */
export const leafAfterCut = (
  cut: number,
  foot: number,
  { leafLeft, leafLeast }: { leafLeft: number; leafLeast: number },
): number => Math.min(cut, Math.max((Math.max(cut, foot) * leafLeft) / 100, leafLeast))

/** Leaf on the day of a dressing, and how much of one it bears. */
export const leafRules = {
  leaf: rule({
    ...dressing,
    id: 'dressing.leaf',
    label: 'Leaf standing on the day',
    unit: 'mm',
    standing: 'model',
    says: 'Leaf standing on the day, after the cut down: {leafLeft} of the height of cut, or of the foot of the grass’s range where it is mown lower; never below {leafLeast}, nor above the cut itself.',
    values: { leafLeft: smotherValues.leafLeft, leafLeast: smotherValues.leafLeast },
    inputs: { cut: 'mm', foot: 'mm' },
    formula: 'min(cut, max(max(cut, foot) * leafLeft, leafLeast))',
    compute: ({ cut, foot }, values) => leafAfterCut(cut, foot, values),
  }),
  leafOnce: rule({
    ...dressing,
    id: 'dressing.leaf-once',
    key: 'dressing.leaf',
    label: 'Leaf standing on the day',
    unit: 'mm',
    standing: 'model',
    says: 'Leaf standing on the day, after a first cut half way down to {leafLeft} of the height of cut.',
    values: { leafLeft: smotherValues.leafLeft },
    inputs: { cut: 'mm', foot: 'mm' },
    formula: '(cut + min(cut, max(cut, foot) * leafLeft)) / 2',
    compute: ({ cut, foot }, { leafLeft }) =>
      (cut + Math.min(cut, (Math.max(cut, foot) * leafLeft) / 100)) / 2,
  }),
  leafUncut: rule({
    ...dressing,
    id: 'dressing.leaf-uncut',
    key: 'dressing.leaf',
    label: 'Leaf standing on the day',
    unit: 'mm',
    standing: 'practice',
    says: 'Nothing is cut down first: the leaf stands at its height of cut.',
    inputs: { cut: 'mm' },
    formula: 'cut',
    compute: ({ cut }) => cut,
  }),
  limit: rule({
    ...dressing,
    id: 'dressing.limit',
    label: 'Most dressing at once',
    unit: 'mm',
    standing: 'model',
    says: 'Tips must show after working in: at most {most}, and at most the leaf standing divided by {leafParts}.',
    values: { most: smotherValues.most, leafParts: smotherValues.leafParts },
    inputs: { leaf: 'mm' },
    formula: 'min(most, leaf / leafParts)',
    compute: ({ leaf }, { most, leafParts }) => Math.min(most, leaf / leafParts),
  }),
}
