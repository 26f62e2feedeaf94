import { addDays, dayNumber, dayOf, nextOn, type Day } from '../calendar/day.ts'
import { GRASSES, type GrassId } from '../reference/grasses.ts'
import type { Schools } from '../reference/schools.ts'
import { procedure, rule, tradeValues, value, type TradeValue } from '../trace/rule.ts'
import type { Trace } from '../trace/trace.ts'
import { countedFrost, frostValues } from './frost.ts'

/** Days before killing frost that sowing ends. */
export const leadValues = tradeValues('lead', {
  cool: value(42, 'd', 'practice', 'Cool-season sowing ends before killing frost by', [14, 90]),
  bluegrass: value(56, 'd', 'model', 'Bluegrass, the slowest, by', [14, 120]),
  warm: value(90, 'd', 'practice', 'Warm-season sowing ends before first frost by', [30, 150]),
  cover: value(0, 'd', 'model', 'A quick cover of annual ryegrass by', [0, 60]),
})

/** Soil at 50 mm that opens and shuts the sowing window. */
export const windowValues = tradeValues('window', {
  coolFrom: value(10, 'C', 'practice', 'Cool grasses are sown well from', [4, 15]),
  coolTo: value(22, 'C', 'practice', 'and up to', [16, 30]),
  coolMost: value(25, 'C', 'model', 'Cool grasses are marginal up to', [18, 35]),
  coolLeast: value(7, 'C', 'practice', 'Least soil for a cool grass whose own is not known', [2, 12]),
  warmFrom: value(21, 'C', 'practice', 'Warm grasses are sown well from', [15, 30]),
  warmLeast: value(18, 'C', 'practice', 'Least soil for a warm grass whose own is not known', [10, 25]),
  coverFrom: value(7, 'C', 'model', 'A quick cover is sown well from', [2, 15]),
  coverLeast: value(5, 'C', 'practice', 'A quick cover is marginal from', [0, 12]),
  autumnReach: value(
    250,
    'd',
    'model',
    'A falling day further than this before the next frost lies after the last one: winter, not autumn',
    [180, 330],
  ),
})

const cutOff = (id: string, lead: TradeValue, says: string) =>
  rule({
    id: `window.${id}`,
    key: 'cut-off',
    stage: 6,
    label: 'Last day to sow',
    unit: 'date',
    standing: lead.standing,
    says,
    values: { lead },
    inputs: { frost: 'date' },
    formula: 'frost - lead',
    compute: ({ frost }, v) => addDays(frost, -v.lead),
  })

export const windowRules = {
  cool: cutOff('cool-cut-off', leadValues.cool, 'Cool-season sowing ends {lead} before killing frost.'),
  bluegrass: cutOff('bluegrass-cut-off', leadValues.bluegrass, 'Bluegrass, the slowest, ends {lead} before killing frost.'),
  warm: cutOff('warm-cut-off', leadValues.warm, 'Warm-season sowing ends {lead} before first frost.'),
  cover: cutOff('cover-cut-off', leadValues.cover, 'A quick cover of annual ryegrass may be sown up to the frost itself, less {lead}.'),
  soil: procedure({
    id: 'window.soil',
    key: 'window',
    stage: 6,
    label: 'Sowing window',
    unit: 'text',
    standing: 'practice',
    says: 'Cool grasses sow from {coolFrom} to {coolTo} soil, cooling; spring is marginal, with honest odds. Warm grasses want their least, and {warmFrom} for the best.',
    values: windowValues,
    inputs: { soil: 'C', cutOff: 'date' },
    steps: 'soil by day, against the lines',
    by: 'climate/sowingWindow: sowingWindow',
    check: 'window.test.ts',
  }),
}

export type DayState = 'open' | 'marginal' | 'shut'
/** Which cut-off a grass or a mix goes by. */
export type Lead = keyof typeof leadValues

export interface SowingWindow {
  /** First day of the arrays. */
  start: Day
  states: DayState[]
  cutOff: Day
  /** What the cut-off goes by, and the days it lies before the frost. */
  lead: Lead
  leadDays: number
}

/** What decides how long before killing frost a grass has to be sown. Nurse grasses wait for nobody. */
export function leadOf(grass: GrassId): Lead {
  if (GRASSES[grass].season === 'warm') return 'warm'
  if (grass === 'kentucky-bluegrass') return 'bluegrass'
  return grass === 'annual-ryegrass' ? 'cover' : 'cool'
}

/** Grasses of this share or more are wanted for themselves, % by weight. Juvena's model. */
export const WANTED_FROM = 10

/** The lead of a mix is that of its slowest wanted grass. */
export function mixLead(parts: readonly { grass: GrassId; share: number }[], trace: Trace): Lead {
  const leads = parts.filter((p) => p.share >= WANTED_FROM).map((p) => leadOf(p.grass))
  return leads.reduce<Lead>((slowest, lead) => (trace.value(leadValues[lead]) > trace.value(leadValues[slowest]) ? lead : slowest), 'cover')
}

/** Where a season stands: what windows are cut from. */
export interface SeasonGround {
  frostMonthDay: string
  /** Soil at 50 mm, °C, by day from `start`. */
  soil: Float64Array
  /** Whether soil usually warms, by day. */
  warming: Uint8Array
  start: Day
}

/** The last day a lead leaves before the next killing frost on or after a day. */
export const lastDayToSow = (lead: Lead, frostMonthDay: string, from: Day, school: Schools['cutOff'], trace: Trace): Day =>
  addDays(countedFrost(frostMonthDay, from, school, trace.value(frostValues.spread)), -trace.value(leadValues[lead]))

/**
 * Open, marginal or shut for sowing, by day, for a mix.
 * Cool grasses shut from the cut-off until soil warms past their line in spring, which is marginal.
 */
export function sowingWindow(
  parts: readonly { grass: GrassId; share: number }[],
  season: 'cool' | 'warm',
  ground: SeasonGround,
  school: Schools['cutOff'],
  trace: Trace,
): SowingWindow {
  const { soil, start, frostMonthDay, warming } = ground
  const v = trace.values(windowValues)
  const lead = mixLead(parts, trace)
  const leadDays = trace.value(leadValues[lead])
  const first = dayNumber(start)
  const least = Math.max(...parts.map((p) => GRASSES[p.grass].soilMin ?? (season === 'warm' ? v.warmLeast : v.coolLeast)), -99)
  const states: DayState[] = []
  let frost = dayNumber(nextOn(frostMonthDay, start))
  let last = dayNumber(lastDayToSow(lead, frostMonthDay, start, school, trace))
  for (let i = 0; i < soil.length; i++) {
    const day = first + i
    if (day > frost) {
      frost = dayNumber(nextOn(frostMonthDay, dayOf(day)))
      last = dayNumber(lastDayToSow(lead, frostMonthDay, dayOf(day), school, trace))
    }
    const t = soil[i]!
    const rising = warming[i] === 1
    const winter = !rising && frost - day > v.autumnReach
    let state: DayState = 'shut'
    if (day <= last && !winter) {
      if (lead === 'cover') state = t >= v.coverFrom ? 'open' : t >= v.coverLeast ? 'marginal' : 'shut'
      else if (season === 'warm') state = t >= Math.max(v.warmFrom, least) ? 'open' : t >= least ? 'marginal' : 'shut'
      else if (t >= Math.max(v.coolFrom, least) && t <= v.coolTo) state = rising ? 'marginal' : 'open'
      else if ((t >= least && t < v.coolFrom && !rising) || (t > v.coolTo && t <= v.coolMost && !rising)) state = 'marginal'
    }
    states.push(state)
  }
  return { start, states, cutOff: lastDayToSow(lead, frostMonthDay, start, school, trace), lead, leadDays }
}
