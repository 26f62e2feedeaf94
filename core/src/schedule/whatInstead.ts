import { sure } from '../quantities/sure.ts'
import type { Option, SowingChoice } from '../plan/order.ts'
import { addDays, dayNumber, dayOf } from '../calendar/day.ts'
import { leadValues, WANTED_FROM } from '../climate/sowingLines.ts'
import { windowToSow } from '../climate/windows.ts'
import type { SowingWindow } from '../climate/sowingWindow.ts'
import type { Schools } from '../reference/schools.ts'
import type { StepKind } from '../reference/operations.ts'
import { coverLines } from '../findings/lines.ts'
import { num } from '../trace/figure.ts'
import { zoneOf } from '../trace/scope.ts'
import type { GrassId } from '../reference/grasses.ts'
import { onDay, say, type Message } from '../rules/message.ts'
import { stepsOf, type StepBrief } from './steps.ts'
import { plans } from '../work/workTypes.ts'
import type { WorkPackage } from '../work/workPackages.ts'
import type { ZonePlan } from '../plan/prescription.ts'
import type { SiteClimate } from '../climate/siteClimate.ts'
import { COVER_WITHIN, isPastRule } from './sowingChoices.ts'
import { schedulePackage, type Calendar, type Schedule } from './schedulePackage.ts'
import { waitsUntil, type WaitingPeriods } from '../work/waitingPeriods.ts'

export interface Misfit {
  pack: WorkPackage
  schedule: Schedule
  window: SowingWindow
  climate: SiteClimate
  zones: readonly ZonePlan[]
  waits: WaitingPeriods
  calendar: Calendar
  schools: Schools
  choices: readonly SowingChoice[]
  watered: boolean
  steps: StepBrief
}

/** The season's verdict and the honest options, when sowing does not fit before the cut-off. */
export function whatInstead(m: Misfit): { verdict: Message; options: Option[] } {
  return {
    verdict: verdictOf(m),
    options: [
      ...overseedInstead(m),
      ...sowLate(m),
      ...holdOver(m),
      ...withoutBluegrass(m),
      ...nextWindow(m),
    ],
  }
}

const zonesOf = (pack: WorkPackage) => [...new Set(pack.zones.map((z) => zoneOf(z.r.id)))]

/** A mix without one of its grasses: the others in the same proportion, to 100 %. */
function withoutGrass(
  mix: readonly { grass: GrassId; share: number }[],
  left: GrassId,
): { grass: GrassId; share: number }[] {
  const kept = mix.filter((part) => part.grass !== left)
  const sum = kept.reduce((total, part) => total + part.share, 0)
  const shares = kept.map(({ share }) => Math.round((100 * share) / sum))
  const over = shares.reduce((total, share) => total + share, 0) - 100
  return kept.map(({ grass }, i) => ({ grass, share: i === 0 ? shares[i]! - over : shares[i]! }))
}

const isPast = ({ window, calendar }: Misfit) => window.cutOff < calendar.today
const seedFrom = ({ waits, pack }: Pick<Misfit, 'waits' | 'pack'>) =>
  waitsUntil(
    waits.waits,
    'sow',
    pack.zones.map((z) => z.r.id),
  )
const isWaiting = (m: Misfit) => (seedFrom(m) ?? '') > m.window.cutOff

function verdictOf(m: Misfit): Message {
  const cut = onDay(m.window.cutOff)
  if (isPast(m)) return say`Too late: the last day to sow this was ${cut}.`
  if (isWaiting(m))
    return say`Too late: seed is not safe before ${onDay(sure(seedFrom(m)))}, and the last day to sow is ${cut}.`
  const odds = m.choices.find((c) => c.odds)?.odds
  if (m.schedule.sowDay <= m.window.cutOff)
    return odds
      ? say`Not sown without your word: it succeeds in ${String(odds.value)} years in a hundred.`
      : 'Not sown without your word: the only days left are of high summer.'
  return m.pack.kind === 'kill'
    ? say`Too late to kill off: the waits carry sowing past ${cut}, the last day.`
    : say`It does not fit: the steps and their waits carry sowing past ${cut}, the last day.`
}

/** Without the kill-off and the days it takes, the same ground overseeded. */
function overseedInstead(m: Misfit): Option[] {
  const { pack, window, calendar, steps } = m
  if (pack.kind !== 'kill' || isPast(m)) return []
  const killing: readonly StepKind[] = [
    'kill',
    'kill-again',
    'strip',
    'loosen',
    'grade',
    'firm',
    'roughen',
  ]
  const gentle: WorkPackage = {
    ...pack,
    kind: 'sow',
    zones: pack.zones.map((z) => ({
      ...z,
      sowing: 'over',
      operations: z.operations.filter((o) => !killing.includes(o.operation)),
    })),
  }
  const needs = stepsOf(gentle, steps)
  const fixed = needs.needs.map((n) => ({
    pin: null,
    done: null,
    notBefore: n.kind === 'sow' ? seedFrom(m) : null,
  }))
  const tried = schedulePackage(needs, fixed, window, calendar)
  if (!tried.fits) return []
  return [
    {
      title: 'Overseed instead',
      says: say`Without the kill-off, seed goes down ${onDay(tried.sowDay)}. The incurable grasses stay, in better company.`,
      take: { approach: 'overseed', zones: zonesOf(pack) },
    },
  ]
}

/** Past the last day, at its odds: a person's word takes it. */
function sowLate({ choices, window }: Misfit): Option[] {
  const late = choices.find((c) => !c.taken && isPastRule(window, c.day))
  if (!late) return []
  const odds = late.odds ? say`${String(late.odds.value)} years in a hundred succeed. ` : ''
  return [
    {
      title: say`Sow late, ${onDay(late.day, true)}`,
      says: say`${odds}The sward that lives holds the ground whatever comes of the seed.`,
      take: { sowOn: late.day },
    },
  ]
}

/** A quick cover, where ground would else lie bare for weeks: at any time of year. */
export function holdOver(m: Omit<Misfit, 'schedule' | 'zones' | 'choices' | 'window'>): Option[] {
  const { pack, climate, calendar, schools, watered, steps } = m
  const bare = steps.trace.value(coverLines.bareInWinter)
  if (pack.zones.every((z) => z.sowing !== 'new' && (z.r.bare === null || num(z.r.bare) < bare)))
    return []
  const cover = {
    parts: [{ grass: 'annual-ryegrass' as const, share: 100 }],
    purpose: 'cover' as const,
    watered,
  }
  const quick = windowToSow(cover, climate, schools, steps.trace)
  const today = dayNumber(calendar.today)
  const free = seedFrom(m) ?? calendar.today
  const at = quick.states.findIndex(
    (s, i) => s !== 'shut' && i > 0 && i <= COVER_WITHIN && dayOf(today + i) >= free,
  )
  if (at < 0) return []
  return [
    {
      title: 'Hold over',
      // What is still to be killed off stands in the way of a cover until it is.
      says:
        pack.kind === 'kill' && pack.zones.some((z) => plans(z, 'kill'))
          ? 'Kill off now; when the label’s wait is over, annual ryegrass holds the ground and gives way. Sow properly in season.'
          : say`Sow annual ryegrass from ${onDay(dayOf(today + at))}: quick cover that keeps the soil and gives way. Sow properly in season.`,
      take: { approach: 'hold-over', zones: zonesOf(pack) },
    },
  ]
}

function withoutBluegrass(m: Misfit): Option[] {
  const { pack, window, zones, calendar, steps } = m
  const holds = (id: string) =>
    zones
      .find((z) => z.r.id === id)
      ?.seed?.mix.some((part) => part.grass === 'kentucky-bluegrass' && part.share >= WANTED_FROM)
  const sooner = steps.trace.value(leadValues.bluegrass) - steps.trace.value(leadValues.cool)
  const until = addDays(window.cutOff, sooner)
  if (
    window.lead !== 'bluegrass' ||
    !pack.zones.some((z) => holds(z.r.id)) ||
    until < calendar.today ||
    isWaiting(m)
  )
    return []
  return [
    {
      title: 'Leave the bluegrass out',
      says: say`Rye and fescue may be sown until ${onDay(until)}.`,
      take: { mixes: zones.flatMap(({ r, seed }) => (seed && holds(r.id) ? [{ zone: zoneOf(r.id), mix: withoutGrass(seed.mix, 'kentucky-bluegrass') }] : [])) }, // prettier-ignore
    },
  ]
}

function nextWindow({ schedule }: Misfit): Option[] {
  if (schedule.sowState === 'shut') return []
  return [
    {
      title: say`Sow ${onDay(schedule.sowDay, true)}`,
      says: `The next ${schedule.sowState === 'open' ? 'good' : 'marginal'} window. The days below are for then; feed and mow meanwhile.`,
      take: { sowOn: schedule.sowDay },
    },
  ]
}
