/**
 * Cautions, shown where the step is. Juvena advises; local code, the label and the licensed
 * applicator decide.
 */
export const CAUTIONS = {
  services:
    'Call for buried services first. Mark sprinkler heads, cables and shallow pipes; keep tines half a metre off every mark.',
  tines:
    'Two to lift the machine, and ramps. Engine off before clearing tines or blades. Guards on; eyes, ears and feet covered; walking pace.',
  pesticide:
    'The label is law: licence where required, clothing, re-entry time, children and pets off, no drift, drains or water. Your licensed applicator and local code decide.',
  feed: 'Sweep granules off paving, back onto the lawn; keep them out of drains and water.',
  lifting: 'Bulk loads: share lifts, short barrow runs, boards over soft ground.',
  dust: 'Dry sand and soil: damp down, and wear a mask.',
  compost: 'Compost: gloves, a mask if dusty, and wash before eating; it can carry Legionella.',
  slope: 'On this slope walk across, never up and down; no ride-on at 1 in 4 or steeper.',
  edging: 'Steel edging: cut ends are sharp; gloves, and caps on every rod and stake.',
  heat: 'Hot days: water, shade and breaks for the crew.',
  burns: 'Strong vinegar and boiling water burn people and kill any plant: a fork is safer.',
  trip: 'Hoses, sheets and pins trip people: mark them and keep to one side of paths.',
  mower: 'Clear stones and wire before cutting down. Engine off before touching the blades.',
} as const
export type CautionId = keyof typeof CAUTIONS
