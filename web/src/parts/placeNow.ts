import { shallowRef } from 'vue'
import type { Outlook } from '@juvena/core/climate/station'
import type { FigureValue } from '@juvena/core/quantities/show'

/**
 * What the plan of the open job goes by, so that the strip above it tells the same soil and the
 * same frost; null where no job is open or its place is not known.
 */
export interface PlaceNow {
  soil: FigureValue
  frost: { tenth: string; even: string } | null
  outlook: Outlook | null
}
export const placeNow = shallowRef<PlaceNow | null>(null)
