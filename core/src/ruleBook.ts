import { approachRules } from './approach/approach.ts'
import { findingRules } from './findings/findings.ts'
import { seenRules } from './findings/seenInZone.ts'
import { followRules } from './follow.ts'
import { dressingRules } from './materials/dressing.ts'
import { feedRules } from './materials/feed.ts'
import { seedRules } from './seed/seedPlan.ts'
import { emergenceRules } from './seedbed/emergence.ts'
import { mowRules } from './seedbed/firstMow.ts'
import { waterRules } from './seedbed/watering.ts'
import { orderRules } from './sequence/orderOfWork.ts'
import { usualWait, waitRules } from './sequence/waits.ts'
import { surveyRules } from './survey/zoneReadings.ts'
import { frostRules } from './weather/frost.ts'
import { soilRules } from './weather/soilYear.ts'
import { windowRules } from './weather/window.ts'
import { readings, type Rule } from './working/figure.ts'

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
