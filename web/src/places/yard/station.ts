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
/** A job whose sowing moved when the weather changed. */
export interface Moved {
  id: string
  name: string
  from: string | null
  to: string | null
}
/** What a change of the weather moved so far, and how many jobs are still planned anew. */
export interface Moves {
  id: string
  working: number
  moved: Moved[]
}
