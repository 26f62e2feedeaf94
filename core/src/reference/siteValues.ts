import { tradeValues, value } from '../rules/rule.ts'

/** Hours of direct sun in the growing weeks, and what they bear. */
export const lightLines = tradeValues('light', {
  any: value(7, 'h', 'practice', 'Any grass grows from', [5, 12]),
  cool: value(4, 'h', 'practice', 'Cool grasses, zoysia and St Augustine grow from', [2, 8]),
  shade: value(3, 'h', 'practice', 'Fine fescues grow from; deep shade ends here', [1, 6]),
  marginal: value(2, 'h', 'practice', 'Below this grass is the wrong plant', [0, 4]),
})

/** How far a reading of sun, or the table, is to be trusted. */
export const lightTrust = tradeValues('light-trust', {
  reading: value(0.5, 'h', 'practice', 'A reading of sun is good to, at best', [0, 2]),
  lives: value(
    30,
    '%',
    'practice',
    'A grass that covers so much of a place lives there, whatever the table says',
    [5, 90],
  ),
})

/** A settled trench, filled again. */
export const trenchValues = tradeValues('trench', {
  settling: value(15, '%', 'practice', 'A filled trench settles by; 10 to 20 %', [0, 60]),
})

/** Days that sodden ground drains for before wheels, tines or blades, by its texture. */
export const drainValues = tradeValues('drain', {
  sand: value(1, 'd', 'model', 'Sodden sand drains in', [0, 5]),
  loam: value(2, 'd', 'model', 'loam in', [0, 7]),
  clay: value(4, 'd', 'model', 'and clay in', [1, 10]),
})

/** Lines on a lawn, until their width is measured. */
export const lineWidths = tradeValues('line-width', {
  worn: value(0.6, 'm', 'assumed', 'A worn line is as wide as', [0.2, 5]),
  strip: value(0.3, 'm', 'practice', 'The bare strip under plants is as wide as', [0.1, 2]),
  trench: value(0.4, 'm', 'assumed', 'A settled trench is as wide as', [0.1, 3]),
})

/** What counts as a dip in the levels. */
export const levelValues = tradeValues('level', {
  dip: value(
    5,
    'mm',
    'model',
    'Lower than the aim by more than this is a dip; a light reel mower feels about as much',
    [1, 30],
  ),
})

export const sprinklerValues = tradeValues('sprinkler', {
  least: value(40, 'm2', 'practice', 'A sprinkler waters no less than; 40 to 60 m²', [10, 100]),
})
