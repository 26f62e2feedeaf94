import Feature from 'ol/Feature'
import { LineString, MultiPolygon, Point as OlPoint } from 'ol/geom'
import VectorLayer from 'ol/layer/Vector'
import VectorSource from 'ol/source/Vector'
import { Circle as CircleStyle, Fill, Stroke, Style, Text } from 'ol/style'
import type { Area } from '@juvena/core/drawing/geometry'
import type { Point } from '@juvena/core/entities/drawing'

/** What lies over the shapes of a plan: shadows, levels, and the line of a proposed cut. */

export function shadowOverlay() {
  const source = new VectorSource()
  const layer = new VectorLayer({
    source,
    opacity: 0.42,
    style: new Style({
      fill: new Fill({ color: '#1d2a22' }),
      stroke: new Stroke({ color: '#1d2a22', width: 1 }),
    }),
    updateWhileInteracting: true,
  })
  function show(shadows: readonly Area[]) {
    source.clear(true)
    if (shadows.length > 0)
      source.addFeature(
        new Feature(
          new MultiPolygon(shadows.map((area) => area.map((ring) => [...ring, ring[0]!]))),
        ),
      )
  }
  return { layer, show }
}

export interface ShownLevel {
  x: number
  y: number
  text: string
  low: boolean
}
export function levelOverlay() {
  const source = new VectorSource()
  const layer = new VectorLayer({
    source: source,
    style: (f) =>
      new Style({
        // A dot: a cross would read as a plus before the number.
        image: new CircleStyle({
          radius: 2.5,
          fill: new Fill({ color: f.get('low') ? '#8c1d2c' : '#1d2a22' }),
        }),
        text: new Text({
          text: f.get('text') as string,
          font: `${f.get('low') ? 'bold ' : ''}12px 'Atkinson Hyperlegible', sans-serif`,
          fill: new Fill({ color: f.get('low') ? '#8c1d2c' : '#1d2a22' }),
          stroke: new Stroke({ color: 'rgba(255,253,247,0.85)', width: 3 }),
          offsetX: 6,
          textAlign: 'left',
        }),
      }),
    updateWhileInteracting: true,
  })
  function show(levels: readonly ShownLevel[]) {
    source.clear(true)
    source.addFeatures(
      levels.map(
        (l) => new Feature({ geometry: new OlPoint([l.x, l.y]), text: l.text, low: l.low }),
      ),
    )
  }
  return { layer, show }
}

export function cutOverlay() {
  const source = new VectorSource()
  const layer = new VectorLayer({
    source,
    style: new Style({ stroke: new Stroke({ color: '#8c1d2c', width: 2.5, lineDash: [10, 5] }) }),
  })
  function show(cut: { from: Point; to: Point } | null) {
    source.clear(true)
    if (!cut) return
    const [dx, dy] = [cut.to[0] - cut.from[0], cut.to[1] - cut.from[1]]
    source.addFeature(
      new Feature(
        new LineString([
          [cut.from[0] - 200 * dx, cut.from[1] - 200 * dy],
          [cut.to[0] + 200 * dx, cut.to[1] + 200 * dy],
        ]),
      ),
    )
  }
  return { layer, show }
}
