import { quantity, say, type Message } from '../rules/message.ts'

export type DayState = 'open' | 'marginal' | 'shut'
export type SeasonName = 'spring' | 'summer' | 'autumn' | 'winter'
/** The seasons in the words of the dialects. */
export const SEASON_NAMES: Record<SeasonName, string> = {
  spring: 'spring',
  summer: 'high summer',
  autumn: 'autumn',
  winter: 'winter',
}
/** Why a day is what it is. */
export type Reason =
  | 'good'
  | 'cold'
  | 'winter'
  | 'never'
  | 'heat'
  | 'heat-ahead'
  | 'summer'
  | 'summer-dry'
  | 'warm'
  | 'squeezed'
  | 'spring'
  | 'cool-days'
  | 'late'
  | 'past-rule'
  | 'frost'
  | 'after-frosts'
  | 'dormant'
  | 'nights'
  | 'warm-wakes'
  // What work waits for, whatever the season.
  | HoldReason
  // Of work that is not sown.
  | 'good-work'
  | 'light-work'
  | 'asleep'
  | 'greening'
  | 'between'
  | 'between-dry'
  | 'heat-work'
  | 'near-frost'
  | 'frozen'
  | 'turf-rests'
  | 'late-cut'
  | 'early-feed'
  | 'feed-frost'
  | 'feed-law'
  | 'soil-barrier'
  | 'late-barrier'
  | 'other-barrier'

/** What holds a step until a day. */
export type HoldReason =
  | 'waiting'
  | 'young-seed'
  | 'seed-spray'
  | 'dressed-lately'
  | 'opened-lately'
  | 'cover-stands'
  | 'flight'
  | 'cut-greens'
  | 'due-first'
  | 'may-wake'
  | 'drains'
  | 'with-visit'

/** What fails a sowing. */
export const CAUSES = ['cold', 'heat', 'frost', 'dry', 'weeds', 'bed'] as const
export type Cause = (typeof CAUSES)[number]
export const CAUSE_NAMES: Record<Cause, string> = {
  cold: 'cold',
  heat: 'heat before it stands',
  frost: 'frost before it stands',
  dry: 'a dry spell',
  weeds: 'weeds and the first summer',
  bed: 'the bed: it washes, or seed lies on closed ground',
}

/** Each reason in words, as it stands behind a day. */
export const REASONS: Record<Reason, Message> = {
  good: 'soil and season are right',
  cold: 'too cold for it to come up',
  winter: 'winter: nothing comes up before spring',
  never: 'the soil here never stays warm enough for it',
  heat: say`days of ${quantity(32, 'C')} and more still follow`,
  'heat-ahead': 'it would come up, but the heat arrives before it stands',
  summer: 'high summer: it comes up where water is sure, and weeds with it',
  'summer-dry': 'high summer, and too hot or too dry for seedlings',
  warm: 'days are still warm: it wants water more often',
  squeezed: 'hot days may still follow, and frost leaves no later weeks: only with water every day',
  spring: 'spring: weeds come up with it, and its first summer needs water',
  'cool-days': 'soil is warm enough, days are still cool: slow and patchy',
  late: 'late: less time to knit before frost',
  'past-rule':
    'late: past the last day, but the soil is still warm and the sward that lives holds the ground',
  frost: 'not enough growth before killing frost',
  'after-frosts': 'after the last day: it may stand, it may wait for spring',
  dormant: 'dormant: it lies until spring and comes up then',
  waiting: 'a waiting period runs, in which seed would not come up',
  'young-seed': 'young seedlings: blades and tines would tear them out',
  'seed-spray': 'seedlings do not stand the weedkiller yet',
  'dressed-lately': 'the last dressing is still being grown through',
  'opened-lately': 'turf that was opened lately closes first',
  'cover-stands': 'the quick cover stands until then',
  flight: 'larvae are treated so long after the flight of moths was at its peak',
  'cut-greens': 'turf greens up after its hard cut first',
  'due-first': 'other work that is due on this ground comes first',
  'may-wake': 'until it is counted again nobody knows whether it is dead or asleep',
  drains: 'sodden ground drains first',
  'with-visit': 'done with a visit that comes soon anyway',
  nights: 'nights are still too warm: the turf that stands there competes',
  'warm-wakes': 'the warm turf wakes and takes over: cool grass goes into it in autumn',
  'good-work': 'the season is right for it',
  'light-work': 'light work only, watered: heat and weeds find opened turf bare',
  asleep: 'turf hardly grows: what is done now stays open',
  greening: 'turf is only greening up: it closes slowly',
  between: 'between spring and late summer: heat and weeds find opened turf bare',
  'between-dry': 'warm weather, and nobody waters: it would dry out',
  'heat-work': 'the usual day is too hot for it',
  'near-frost': 'too near frost: it would not close before winter',
  frozen: 'the soil freezes: turf laid now dries out before it roots',
  'turf-rests': 'turf laid now lies until spring before it roots: keep off it until then',
  'late-cut': 'later than the spring cut: what is cut now has less of the summer to close in',
  'early-feed': 'early spring: little is fed before turf grows',
  'feed-frost': 'frost is near: nitrogen now makes soft growth that freezes',
  'feed-law': 'local law allows no nitrogen on these dates',
  'soil-barrier':
    'soil is too cold or too warm: the weeds it is meant for are not about to come up',
  'late-barrier': 'late: the first weeds are up by now',
  'other-barrier': 'the weeds seen come up in the other half of the year',
}
