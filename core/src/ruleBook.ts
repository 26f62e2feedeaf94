import { leafRules, smotherValues } from './work/leafRules.ts'
import { approachRules } from './approach/approach.ts'
import { careRules, careValues } from './climate/careWindow.ts'
import { frostReading, frostRules, frostValues, whiteFrostValues } from './climate/frost.ts'
import { dailyWeather } from './climate/climateModel.ts'
import { roughClimate } from './climate/normals.ts'
import { placeValues } from './climate/placeYear.ts'
import { latitudeRule, leadTimeValues, soilRules } from './climate/siteClimate.ts'
import { oddsRules, oddsValues } from './climate/sowingOdds.ts'
import { leadValues, windowRules } from './climate/sowingLines.ts'
import { weatherLines } from './schedule/weatherHolds.ts'
import { canRules } from './establish/cans.ts'
import { dayWaterRules, dayWaterValues } from './establish/waterOfDays.ts'
import { paceRules } from './establish/countedUp.ts'
import { plantCountRules } from './establish/plantCount.ts'
import { priorValues, verdictValues } from './establish/take/causes.ts'
import { takeRules } from './establish/take/judgeTake.ts'
import { emergenceRules } from './establish/emergence.ts'
import { fieldCapacity, seedbedRules, wiltingPoint } from './establish/seedbed/seedbedValues.ts'
import { mowRules, mowValues } from './establish/firstMow.ts'
import { followRules, phaseValues } from './establish/follow.ts'
import { branchRule, laterRules } from './establish/laterSteps.ts'
import { looksRules } from './establish/looksRight.ts'
import { waterInRules, waterInValues } from './establish/waterIn.ts'
import { doseValues, splitValues, waterReadings, waterRules } from './establish/waterRules.ts'
import { handGround } from './reference/handTools.ts'
import { findingReadings } from './findings/findInZone.ts'
import { findingRules, seenRules } from './findings/findingRules.ts'
import { coverLines, habitLines, thatchLines, wantedLines } from './findings/lines.ts'
import { seenReadings } from './findings/seenInZone.ts'
import {
  coringRules,
  coringValues,
  coverRules,
  debrisRules,
  dressingReadings,
  dressingRules,
  dressingTable,
  matReading,
} from './materials/dressingRules.ts'
import {
  doseValues as feedDoseValues,
  bagNitrogen,
  feedDaySoil,
  feedReadings,
  feedRules,
  starterValues,
  hardenNitrogen,
  upkeepNitrogen,
  upkeepValues,
} from './materials/feedRules.ts'
import { carryReadings, carryRules, carryValues } from './materials/carrying.ts'
import { yearReadings, yearRules } from './materials/yearNitrogen.ts'
import { oxideReadings, oxideRules, oxideValues } from './materials/yearOfFeeds.ts'
import { costRule, packRule } from './materials/lines.ts'
import { bothRounds } from './materials/materialLine.ts'
import { plantRules } from './materials/planting.ts'
import { firmSettings } from './firm/firmSettings.ts'
import { lagValues, treatmentWaits } from './reference/lagValues.ts'
import { coverDepth, intake, looseDensity, reserveValues } from './reference/materialValues.ts'
import { looksBadValues } from './reference/looksBadValues.ts'
import { operationRates, setUpHours } from './reference/operations.ts'
import { operationValues } from './reference/operationValues.ts'
import { lookValues } from './reference/lookValues.ts'
import {
  lightTrust,
  drainValues,
  levelValues,
  lineWidths,
  trenchValues,
} from './reference/siteValues.ts'
import { orderRules } from './schedule/orderRules.ts'
import { seedbedValues } from './schedule/seedbedOdds.ts'
import { planWorthRule, worthRule } from './schedule/pieceWorth.ts'
import { worthValues } from './climate/dayWorth.ts'
import { choiceValues } from './climate/choiceValues.ts'
import { treatmentReadings, usualWait, waitRules } from './work/waitingPeriods.ts'
import { fitValues, lateValues } from './seed/fit/fit.ts'
import { inLightRules } from './seed/inLight.ts'
import { panRules } from './seed/pans.ts'
import { mixRules } from './seed/mix.ts'
import { ownRateValues, seedReadings, seedRules } from './seed/seedRules.ts'
import { lotValues } from './stock/lotWorth.ts'
import type { Message } from './rules/message.ts'
import type { Declaration, Procedure, Rule, TradeValue } from './rules/rule.ts'
import { readings, surveyLines, surveyRules } from './walkover/surveyRules.ts'
import { edgingRules, edgingValues } from './materials/edging.ts'
import { bareRules, bareValues } from './work/bareAfter.ts'
import { coverAheadValues } from './work/coverAhead.ts'
import { deepValues } from './work/burial.ts'
import { groundReadings, groundRules, groundValues } from './work/ground.ts'
import { learningRules } from './learning/ownNumber.ts'
import { sprinklerValues } from './reference/siteValues.ts'
import { moneyRules } from './money/moneyRules.ts'
import { limeReadings, limeRules } from './materials/lime.ts'
import { hardenValues, programmeValues } from './reference/programmeValues.ts'
import { limeValues } from './reference/limeValues.ts'
import { liquidRules } from './materials/liquids.ts'
import { hoursRules } from './work/hours.ts'
import { badDays } from './work/looksBad.ts'

const RULE_SETS: Record<string, Rule | Procedure>[] = [
  surveyRules,
  findingRules,
  seenRules,
  approachRules,
  bareRules,
  edgingRules,
  groundRules,
  mixRules,
  seedRules,
  inLightRules,
  panRules,
  feedRules,
  yearRules,
  oxideRules,
  limeRules,
  liquidRules,
  { feedDaySoil },
  dressingRules,
  leafRules,
  coringRules,
  coverRules,
  carryRules,
  debrisRules,
  { packRule, costRule },
  bothRounds,
  plantRules,
  moneyRules,
  frostRules,
  soilRules,
  { latitudeRule },
  windowRules,
  oddsRules,
  careRules,
  waitRules,
  orderRules,
  { worthRule, planWorthRule },
  hoursRules,
  waterRules,
  waterInRules,
  canRules,
  dayWaterRules,
  emergenceRules,
  paceRules,
  plantCountRules,
  learningRules,
  takeRules,
  seedbedRules,
  mowRules,
  followRules,
  laterRules,
  { branchRule },
  looksRules,
]
const ENTRY_SETS: Record<string, Declaration>[] = [
  readings,
  findingReadings,
  seenReadings,
  seedReadings,
  groundReadings,
  feedReadings,
  yearReadings,
  oxideReadings,
  limeReadings,
  dressingReadings,
  carryReadings,
  treatmentReadings,
  waterReadings,
  firmSettings,
  dressingTable,
  { usualWait, bagNitrogen, upkeepNitrogen, hardenNitrogen, frostReading, matReading },
]

/** Numbers that belong to no one rule, by what they are about. */
const VALUE_GROUPS: Record<string, Record<string, TradeValue>> = {
  'Cover, and what follows from it': coverLines,
  'The sward and its mower': habitLines,
  'What is still worth reading': wantedLines,
  'When the survey speaks up': surveyLines,
  Levels: levelValues,
  'Lines on a lawn': lineWidths,
  'Settled trenches': trenchValues,
  'Sodden ground': drainValues,
  'Looks and counts': lookValues,
  Thatch: thatchLines,
  'Ground nobody measured': groundValues,
  'Bare after the blades': bareValues,
  'Cover that follows': coverAheadValues,
  Edging: edgingValues,
  'Lows too deep for lifts': deepValues,
  Cores: coringValues,
  'Days of bad looks, by what is sown': badDays,
  'Days of bad looks, by what is done': looksBadValues,
  Dressing: smotherValues,
  'The usual starter': starterValues,
  'The usual feed of unsown turf': upkeepValues,
  'The usual feed to harden turf': hardenValues,
  'Feeding through the year': programmeValues,
  'What one dose lays at most': feedDoseValues,
  'What a year of feeds lays at most': oxideValues,
  'How a grass fits the ground': fitValues,
  'Grass sown late': lateValues,
  'A seed rate of your own': ownRateValues,
  'Seed kept back': reserveValues,
  'Lots of seed': lotValues,
  Lime: limeValues,
  'Loose density': looseDensity,
  'Cover over seed': coverDepth,
  'How materials come and go': carryValues,
  'First frost': frostValues,
  'White frost': whiteFrostValues,
  'Which season is taken': choiceValues,
  'What a day is worth': worthValues,
  'Whether a sowing succeeds': oddsValues,
  'What the bed costs a sowing': seedbedValues,
  'Hollows and hot days': placeValues,
  'The climate of a place without a record': roughClimate,
  'Days of a place without a record': dailyWeather,
  'Last day to sow': leadValues,
  'Working turf that is not sown': careValues,
  'Before seed can go down': leadTimeValues,
  'Days between steps': lagValues,
  'Waits after a treatment': treatmentWaits,
  'How fast one person works': operationRates,
  'Setting up': setUpHours,
  'Operations, by the numbers': operationValues,
  'First mow': mowValues,
  'Water of a day': dayWaterValues,
  'Why it did not take, before anything is seen': priorValues,
  'When a cause is named': verdictValues,
  'Watering by school': doseValues,
  'Splitting a run': splitValues,
  'Water that soil holds': fieldCapacity,
  'Water that stays in soil': wiltingPoint,
  'The least ground of a sprinkler': sprinklerValues,
  'Ground worked by hand': handGround,
  'How far a reading of light is trusted': lightTrust,
  'Water after work without seed': waterInValues,
  'Phases of water': phaseValues,
  'What bare ground takes': intake,
  'Rain ahead': weatherLines,
}

/** By id; two declarations under one id are a bug, and throw. */
function byId<T extends { id: string }>(sets: readonly Record<string, T>[]): Map<string, T> {
  const found = new Map<string, T>()
  for (const declaration of sets.flatMap((set) => Object.values(set))) {
    if (found.has(declaration.id))
      throw new Error(`Two declarations share the id ${declaration.id}`)
    found.set(declaration.id, declaration)
  }
  return found
}

/** Every rule of the trade the plan works by, by id. */
export const RULES: ReadonlyMap<string, Rule | Procedure> = byId(RULE_SETS)

/** Everything a figure can come from: the rules, and what is read, set or looked up. */
export const DECLARATIONS: ReadonlyMap<string, Declaration> = byId<Declaration>([
  ...ENTRY_SETS,
  ...RULE_SETS,
])

/** Every number of the trade, once, by its id. */
export const VALUES: ReadonlyMap<string, TradeValue> = new Map(
  [...[...DECLARATIONS.values()].map((d) => d.values), ...Object.values(VALUE_GROUPS)].flatMap(
    (values) => Object.values(values).map((v) => [v.id, v]),
  ),
)

/** One page of the rule book: a rule with its numbers, or numbers that belong together. */
export interface BookPage {
  id: string
  title: Message
  rule: Rule | Procedure | null
  values: TradeValue[]
}

const numbersOf = (title: string, values: readonly TradeValue[]): BookPage => ({
  id: `numbers.${title.toLowerCase().replace(/[^a-z]+/g, '-')}`,
  title,
  rule: null,
  values: [...values],
})

/**
 * The rule book: every rule in the order of the work, then the numbers that belong to none, each
 * number at its first place only in those.
 */
export function bookPages(): BookPage[] {
  const rules = [...RULES.values()].map((rule): BookPage => ({
    id: rule.id,
    title: rule.label,
    rule,
    values: Object.values(rule.values),
  }))
  const assumed = [...DECLARATIONS.values()]
    .filter((d) => !RULES.has(d.id))
    .flatMap((d) => Object.values(d.values).map((v) => ({ ...v, says: titleOf(d, v) })))
  const groups = Object.entries(VALUE_GROUPS).map(([title, values]) =>
    numbersOf(title, Object.values(values)),
  )
  return [...rules, ...groups, numbersOf('Taken until it is read or set', assumed)]
}

const titleOf = (d: Declaration, v: TradeValue): string =>
  typeof d.label === 'string' && v.says.startsWith('What is taken')
    ? `${d.label}, until it is read`
    : v.says

export interface ValueProblem {
  id: string
  sentence: string
}

/**
 * What is wrong with the numbers a firm has set: unknown ones, and those outside the range in which
 * the rules hold.
 */
export function checkFirmValues(values: Readonly<Record<string, number>>): ValueProblem[] {
  return Object.entries(values).flatMap(([id, own]) => {
    const known = VALUES.get(id)
    if (!known)
      return [{ id, sentence: `“${id.slice(0, 60)}” is no number of the rule book. Take it out.` }]
    const [low, high] = known.range
    if (!Number.isFinite(own) || own < low || own > high)
      return [
        {
          id,
          sentence: `${known.says}: ${own} is outside ${low} to ${high}. Set a number between them, or take Juvena’s ${known.is}.`,
        },
      ]
    return []
  })
}

/** A rule's formula, or what its procedure does. */
export const isProcedure = (declaration: Declaration): declaration is Procedure =>
  'steps' in declaration
export const isRule = (declaration: Declaration): declaration is Rule => 'formula' in declaration
