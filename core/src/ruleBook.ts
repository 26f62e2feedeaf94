import { approachRules } from './approach/approach.ts'
import { findingRules } from './findings/findings.ts'
import { seenRules } from './findings/seenInZone.ts'
import { followRules } from './establish/follow.ts'
import { dressingRules } from './materials/dressing.ts'
import { feedRules } from './materials/feed.ts'
import { seedRules } from './seed/seedPlan.ts'
import { emergenceRules } from './establish/emergence.ts'
import { mowRules } from './establish/firstMow.ts'
import { waterRules } from './establish/watering.ts'
import { orderRules } from './schedule/orderOfWork.ts'
import { usualWait, waitRules } from './schedule/waitingPeriods.ts'
import { surveyRules } from './walkover/zoneReadings.ts'
import { frostRules } from './climate/frost.ts'
import { soilRules } from './climate/soilYear.ts'
import { windowRules } from './climate/sowingWindow.ts'
import { readings, type Rule } from './trace/figure.ts'

/** Every rule of the trade the plan works by, by id. */
export const RULES: ReadonlyMap<string, Rule> = new Map(
  [
    readings,
    surveyRules,
    findingRules,
    seenRules,
    approachRules,
    seedRules,
    feedRules,
    dressingRules,
    frostRules,
    soilRules,
    windowRules,
    waitRules,
    { usualWait },
    orderRules,
    emergenceRules,
    waterRules,
    mowRules,
    followRules,
  ].flatMap((rules) => Object.values(rules).map((r): [string, Rule] => [r.id, r])),
)
