import type { PackageKind } from '@juvena/core/work/workPackages'

/** A piece of work in a few words, as lanes and headings name it. */
export const PIECE_NAMES: Record<PackageKind, string> = {
  kill: 'clear and sow as new',
  hold: 'hold over with a quick cover',
  later: 'the proper sowing, in its season',
  sow: 'sow',
  plant: 'plugs or turf',
  scalp: 'cut hard in spring',
  care: 'work without seed',
  barrier: 'pre-emergence, by the soil',
  feed: 'feed',
  due: 'done when it is due',
}
