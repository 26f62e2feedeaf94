/** What a person decided on a zone: its ready-made way, what is sown, the rungs that were switched or set. */
interface Decided {
  approach?: unknown
  sowing?: unknown
  operations?: unknown
}
type Choices<Z extends Decided> = Pick<Z, 'approach' | 'sowing' | 'operations'>

/** A way of the contractor's own: what was decided on each zone when it was saved. */
export interface OwnWay<Z extends Decided> {
  id: string
  name: string
  zones: ({ zone?: string } & Choices<Z>)[]
}

/** What is decided on each zone now, as a way of one's own. */
export const ownWayOf = <Z extends Decided & { id: string }>(
  id: string,
  name: string,
  zones: readonly Z[],
): OwnWay<Z> => ({
  id,
  name,
  zones: zones.map(({ id: zone, approach, sowing, operations }) => ({
    zone,
    approach,
    sowing,
    operations,
  })),
})

/** The zones by a way of one's own; one that was added since stays as it is. */
export const zonesByOwnWay = <Z extends Decided & { id: string }>(
  zones: readonly Z[],
  way: Pick<OwnWay<Z>, 'zones'>,
): Z[] =>
  zones.map((z) => {
    const saved = way.zones.find((w) => w.zone === z.id)
    return saved
      ? { ...z, approach: saved.approach, sowing: saved.sowing, operations: saved.operations }
      : z
  })
