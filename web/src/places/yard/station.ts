import type { Answer } from '../../../../contract/answers.ts'
import type { StationClimate } from '@juvena/core/climate/placeYear'
import type { StationDraft } from '@juvena/core/entities/station'

/** A station as the server keeps it. */
export interface Station {
  id: string
  revision: number
  draft: StationDraft & { name: string }
  simulated: boolean
  weather: { station: StationClimate | null } | null
}
/** What a change of the weather moved so far, and how many jobs are still planned anew. */
export type Moves = Answer<'moves'>
