import type { Day } from '../calendar/day.ts'
import { SEASON_NAMES } from '../climate/dayReasons.ts'
import { KNOWN_SIGNS, TAKE_CAUSES, type KnownSign, type Pays } from '../establish/take/causes.ts'
import type { TakeSign } from '../reference/takeSigns.ts'
import { joined, onDay, quantity, say, type Message } from '../rules/message.ts'
import type { TakeOfZone } from '../takeOfJob.ts'

/** What is done to answer a question that tells more, in words of the hand. */
export const LOOKS: Record<TakeSign, Message> = {
  seedlings: 'Say what stands there: nothing, patches, or seedlings that have gone.',
  follows: 'Stand back and look what the bare part follows: the heads, a slope, a tree, wheels, one bag, a pass.', // prettier-ignore
  dug: 'Dig up five seeds in a bare place, and press them: hard, swollen, sprouted, soft, deep, or none.',
  died: 'Look at what died: withered, rotted at the foot, bitten, scorched or torn.',
  beside: 'Find something to compare: the part by the tap, turf laid that day, the same seed elsewhere.', // prettier-ignore
  ground: 'Scratch the surface there: open, capped, a mat, dust-dry or wet.',
  paper: 'Lay a hundred seeds of the same lot on damp paper, and count them after its days.',
  cans: 'Put out eight cans for half an hour under the sprinkler, and measure each.',
}

/** What is said first of a zone that does not come up. */
export function takeSaidFirst(t: TakeOfZone, today: Day, seedlings: string | undefined): Message {
  const { likely, causes, next } = t.verdict
  if (t.early && t.judge !== null)
    return say`Too early to judge: bare is normal until ${onDay(t.judge)}. The top stays moist meanwhile.`
  const over = t.lost !== null && today >= t.lost && seedlings === 'none'
  const named = likely
    ? say`${TAKE_CAUSES[likely].name}: ${quantity(Math.round(causes[0]!.share), '%')}.`
    : next
      ? 'Nobody can tell yet.'
      : say`No single cause: ${TAKE_CAUSES[causes[0]!.cause].name} is the likeliest, ${quantity(Math.round(causes[0]!.share), '%')}.`
  return over ? joined([named, 'What has not come by now is lost: stop watering it.']) : named
}

const PAYS: Record<Pays, Message> = {
  supplier: 'The supplier of the lot: print the claim, keep the label and what is left in the bag.',
  waterer:
    'Not the lot: no claim. Whoever had the care of it. Say what was seen, and agree who pays before it is sown again.', // prettier-ignore
  firm: 'Not the lot: no claim. It is your own work, and sown again at your cost.',
  nobody: 'Not the lot: no claim. Agree who pays before it is sown again.',
}
/** Who answers for a cause; while none is likely, nobody is told. */
export const whoPays = ({ sown, early, verdict }: TakeOfZone): Message =>
  sown === null
    ? 'Nothing was sown here yet: what puts it right is part of the offer.'
    : early
      ? 'Nobody: nothing is lost yet.'
      : verdict.likely
        ? PAYS[TAKE_CAUSES[verdict.likely].pays]
        : 'Say nothing of who pays until the cause is found.'

/** What the customer is told. */
export const customerTold = ({ early, judge, verdict }: TakeOfZone): Message =>
  early && judge !== null
    ? say`Bare is normal until ${onDay(judge)}: go on watering as planned.`
    : verdict.likely
      ? TAKE_CAUSES[verdict.likely].tell
      : 'Something has kept the seed from coming up; we are finding out what, and will say what comes next.'

/** The ground sown again, in sentences: amount, day, hours, odds; or the next season. */
export function againSaid(t: TakeOfZone): Message[] {
  const { again, verdict } = t
  // Into the same shade the same seed fails again.
  if (!again || t.early || (verdict.likely && TAKE_CAUSES[verdict.likely].stays === 'shade'))
    return []
  const cause = verdict.likely && TAKE_CAUSES[verdict.likely]
  if (cause && !cause.again) return []
  const seed = say`${quantity(again.area, 'm2')} with ${quantity(again.kg, 'kg')} of ${again.name}`
  const kept =
    again.reserve > 0 && !again.later
      ? again.reserve >= again.kg
        ? say`The ${quantity(again.reserve, 'kg')} kept back are enough.`
        : say`${quantity(again.reserve, 'kg')} were kept back: ${quantity(again.kg - again.reserve, 'kg')} more are wanted.`
      : null
  const odds =
    again.odds === null ? null : say`It succeeds in ${Math.round(again.odds)} of 100 years.`
  const taken = again.choices.find((c) => c.taken)
  const others = again.choices.filter((c) => !c.taken && c.bars === null).slice(0, 2)
  const next =
    others.length > 0
      ? say`Or ${joined(
          others.map((c) => say`in ${SEASON_NAMES[c.season]}, ${onDay(c.day, true)}`),
          ', or ',
        )}.`
      : null
  const when = again.later
    ? say`Too late for the proper seed: hold ${seed} on ${onDay(again.day)}, and sow ${quantity(again.later.kg, 'kg')} of ${again.later.name} on ${onDay(again.later.day, true)}.`
    : !again.fits
      ? say`This season is over. Sow ${seed} ${taken ? say`in ${SEASON_NAMES[taken.season]}, ` : ''}${onDay(again.day, true)}.`
      : say`Sow ${seed} on ${onDay(again.day)}${again.latest ? say`, by ${onDay(again.latest)} at the latest` : ''}.`
  return [when, kept, say`About ${quantity(again.hours, 'work-h')} of work.`, odds, next].filter((m): m is Message => m !== null) // prettier-ignore
}

/** Plants that stand of those promised, and between what, whole %. */
export const ofPromised = (counted: NonNullable<TakeOfZone['counted']>) => {
  const share = (plants: number) => Math.round((100 * plants) / counted.promised)
  return { is: share(counted.plants), low: share(counted.low), high: share(counted.high) }
}

/** What Juvena knows without being asked, in a line. */
export function knownSaid(t: TakeOfZone): Message[] {
  const { bed } = t
  const words = Object.entries(t.known).map(([sign, answer]) => (KNOWN_SIGNS[sign as KnownSign] as Record<string, Message>)[answer]!) // prettier-ignore
  return [
    ...(bed && bed.log.logged > 0 ? [say`watered on ${bed.log.watered} of ${bed.log.logged} days that were logged`] : bed ? ['no water was logged'] : []), // prettier-ignore
    ...(bed && bed.onRecord > 0 ? [say`${quantity(bed.rain, 'rain')} of rain since`] : []),
    ...words,
  ]
}
