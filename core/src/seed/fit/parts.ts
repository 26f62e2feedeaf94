import { aims } from './parts/aims.ts'
import { cold } from './parts/cold.ts'
import { cut } from './parts/cut.ts'
import { heat } from './parts/heat.ts'
import { light } from './parts/light.ts'
import { match } from './parts/match.ts'
import { mending } from './parts/mending.ts'
import { salt } from './parts/salt.ts'
import { soil } from './parts/soil.ts'
import { speed } from './parts/speed.ts'
import { thatch } from './parts/thatch.ts'
import { water } from './parts/water.ts'
import { wear } from './parts/wear.ts'
import { wet } from './parts/wet.ts'

/** The parts of how a grass fits, in the order they are told. */
export const FIT_PART_LIST = [
  light,
  match,
  wear,
  cut,
  water,
  heat,
  cold,
  soil,
  wet,
  salt,
  mending,
  thatch,
  aims,
  speed,
] as const
export type FitPartId = (typeof FIT_PART_LIST)[number]['id']

export const FIT_PARTS: readonly FitPartId[] = FIT_PART_LIST.map((p) => p.id)
export const FIT_PART_NAMES = Object.fromEntries(
  FIT_PART_LIST.map((p) => [p.id, p.name]),
) as Record<FitPartId, string>
