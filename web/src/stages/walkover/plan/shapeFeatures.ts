import { sure } from '@juvena/core/quantities/sure'
import Collection from 'ol/Collection'
import Feature from 'ol/Feature'
import { LineString, Point as OlPoint, Polygon, type Geometry } from 'ol/geom'
import VectorSource from 'ol/source/Vector'
import { SHAPE_KINDS, type Point, type Ring, type ShapeKind } from '@juvena/core/entities/drawing'
import type { Drawn } from './shapeStyles.ts'

const toGeometry = (kind: ShapeKind, at: Point[][]): Geometry =>
  SHAPE_KINDS[kind].draws === 'area'
    ? new Polygon(at.map((ring) => [...ring, ring[0]!]))
    : SHAPE_KINDS[kind].draws === 'line'
      ? new LineString(at[0]!)
      : new OlPoint(at[0]![0]!)
export const toRings = (geometry: Geometry): Ring[] =>
  geometry instanceof Polygon
    ? geometry.getCoordinates().map((r) => r.slice(0, -1) as Ring)
    : geometry instanceof LineString
      ? [geometry.getCoordinates() as Ring]
      : [[(geometry as OlPoint).getCoordinates() as Point]]

/** The shapes of a plan as features of the map, kept in step with what is drawn. */
export function shapeFeatures(reshaped: (id: string, rings: Ring[]) => void) {
  const source = new VectorSource<Feature<Geometry>>()
  const chosen = new Collection<Feature<Geometry>>()
  const known = new Map<string, { feature: Feature<Geometry>; key: string }>()
  function sync(shapes: readonly Drawn[]) {
    const ids = new Set(shapes.map((d) => d.shape.id))
    for (const [id, { feature }] of known)
      if (!ids.has(id)) {
        source.removeFeature(feature)
        known.delete(id)
      }
    const picked: Feature<Geometry>[] = []
    for (const drawn of shapes) {
      const at = drawn.shape.at as Point[][]
      const key = drawn.shape.kind + JSON.stringify(at)
      let entry = known.get(drawn.shape.id)
      if (!entry) {
        entry = { feature: new Feature(toGeometry(drawn.shape.kind as ShapeKind, at)), key }
        entry.feature.setId(drawn.shape.id)
        entry.feature.set('drawn', drawn, true)
        known.set(drawn.shape.id, entry)
        source.addFeature(entry.feature)
      } else if (entry.key !== key) {
        entry.feature.setGeometry(toGeometry(drawn.shape.kind as ShapeKind, at))
        entry.key = key
      }
      const was = entry.feature.get('drawn') as Drawn
      if (was !== drawn) {
        entry.feature.set('drawn', drawn, true)
        if (JSON.stringify(was) !== JSON.stringify(drawn)) entry.feature.changed()
      }
      if (drawn.chosen) picked.push(entry.feature)
    }
    // Touched only when the choice itself changes: a plan that arrives while a corner is dragged must
    // not deselect it.
    if (picked.length !== chosen.getLength() || picked.some((f, i) => chosen.item(i) !== f)) {
      chosen.clear()
      chosen.extend(picked)
    }
  }
  /** Tells which of these a person has changed on the map. */
  function tellReshaped(features: Feature<Geometry>[]) {
    for (const feature of features) {
      const rings = toRings(sure(feature.getGeometry()))
      const entry = known.get(String(feature.getId()))
      if (!entry) continue
      const kind = (feature.get('drawn') as Drawn).shape.kind
      const key = kind + JSON.stringify(rings)
      if (key === entry.key) continue
      entry.key = key
      reshaped(String(feature.getId()), rings)
    }
  }

  return { source, chosen, sync, tellReshaped }
}
