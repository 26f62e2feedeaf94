import { tradeValues, value } from '../rules/rule.ts'

/** Rates of tools that stand beside an operation's usual one, some of them shared. */
export const handTools = tradeValues('rate', {
  handRake: value(60, 'm2/h', 'model', 'Raking out by hand, a pass', [10, 400]),
  handCore: value(25, 'm2/h', 'model', 'Coring by hand, a pass', [5, 200]),
  handSow: value(60, 'm2/h', 'model', 'Sowing by hand, a pass', [10, 400]),
  slit: value(700, 'm2/h', 'model', 'Slit seeding', [50, 10_000]),
  peatRoller: value(500, 'm2/h', 'model', 'Covering seed with a peat roller', [20, 5000]),
})

/** What is worked by hand alone. */
export const handGround = tradeValues('by-hand', {
  least: value(15, 'm2', 'practice', 'No machine goes on ground of less than', [1, 60]),
})
