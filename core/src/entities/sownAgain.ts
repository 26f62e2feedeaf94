import type { JobDraft, ZoneDraft } from './job.ts'

/**
 * A draft with ground that is sown again as a zone of its own: bare, of so many m², with the mix that
 * was sown where one is given, on the soil, light, slope and water of the zone it lies in, and with that zone’s history.
 */
export function withSownAgain(
  draft: JobDraft,
  of: string,
  again: {
    id: string
    name: string
    area: number
    mix: ZoneDraft['mix']
    inSward: boolean
  },
): JobDraft {
  const from = draft.zones?.find((z) => z.id === of)
  if (!from) return draft
  const zone: ZoneDraft = {
    id: again.id,
    name: again.name,
    area: again.area,
    by: from.by,
    slope: from.slope,
    slopeTowards: from.slopeTowards,
    sunHours: from.sunHours,
    texture: from.texture,
    ph: from.ph,
    heightOfCut: from.heightOfCut,
    mower: from.mower,
    mowerWeight: from.mowerWeight,
    present: from.present,
    target: from.target,
    hybrid: from.hybrid,
    salty: from.salty,
    wear: from.wear,
    dogs: from.dogs,
    pests: from.pests,
    precipitation: from.precipitation,
    uniformity: from.uniformity,
    cans: from.cans,
    cansMinutes: from.cansMinutes,
    headFlow: from.headFlow,
    headsApart: from.headsApart,
    rowsApart: from.rowsApart,
    seedRate: from.seedRate,
    seedRateOf: from.seedRateOf,
    cover: { wanted: 0, weeds: 0, moss: 0, bare: 100 },
    mix: again.mix,
    // A gap in a lawn waits for the next season; it is not held with a quick cover.
    approach: again.inSward ? 'sow-new' : null,
    // It was fed when it was first sown.
    operations: { feed: { on: false } },
  }
  const treatments = draft.treatments?.map((t) =>
    t.zones?.includes(of) ? { ...t, zones: [...t.zones, again.id] } : t,
  )
  return { ...draft, zones: [...(draft.zones ?? []), zone], ...(treatments ? { treatments } : {}) }
}
