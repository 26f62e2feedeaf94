import { tradeValues, value } from '../rules/rule.ts'

/** Feeding through the year: how much at once, how often, and how much in all. */
export const programmeValues = tradeValues('programme', {
  spoon: value(1.8, 'g/m2', 'practice', 'Fed a little and often, nitrogen each time; 1.2 to 2.4', [0.5, 4]), // prettier-ignore
  spoonEvery: value(18, 'd', 'practice', 'and again after; two to three weeks', [7, 42]),
  seedlings: value(1, 'g/m2', 'practice', 'Seedlings that have been mown get each time; half a gram a week', [0.3, 3]), // prettier-ignore
  seedlingsEvery: value(14, 'd', 'model', 'and again after', [7, 28]),
  seedlingDoses: value(4, '1', 'model', 'so many times', [1, 8]),
  autumnShare: value(75, '%', 'practice', 'Of the year’s nitrogen, what the autumn school gives in autumn; two thirds to nine tenths', [50, 95]), // prettier-ignore
  between: value(28, 'd', 'practice', 'Full doses lie apart', [14, 60]),
  clippings: value(25, '%', 'practice', 'Clippings left lying return, of the year’s nitrogen, up to', [0, 40]), // prettier-ignore
  slow: value(50, '%', 'model', 'A feed is mostly slow from a slow share of', [30, 100]),
  slowLasts: value(49, 'd', 'practice', 'and lasts', [21, 120]),
  hardenRate: value(30, 'g/m2', 'practice', 'A hardening feed, of the product', [5, 60]),
  hardenBefore: value(28, 'd', 'model', 'A hardening feed goes down before frost by', [7, 70]),
  joins: value(5, 'd', 'model', 'A round waits for a visit that comes anyway, at most', [0, 14]),
  heldMost: value(84, 'd', 'model', 'A starter that the law holds up is still given, days after the seed at most', [14, 200]), // prettier-ignore
  worthwhile: value(1, 'g/m2', 'model', 'Less nitrogen than this is not worth a visit', [0.2, 3]),
  strip: value(3, 'm', 'model', 'Along water nothing is fed for; local law says how far', [0, 30]),
})

/** The feed taken to harden turf until one is named. */
export const hardenValues = tradeValues('harden-feed', {
  n: value(3, '%', 'practice', 'Nitrogen in the feed taken to harden turf', [0, 20]),
  p2o5: value(12, '%', 'practice', 'P₂O₅ in it', [0, 60]),
  k2o: value(12, '%', 'practice', 'K₂O in it', [0, 60]),
})
