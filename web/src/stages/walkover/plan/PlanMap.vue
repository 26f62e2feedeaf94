<script setup lang="ts">
import { sure } from '@juvena/core/quantities/sure'
import 'ol/ol.css'
import type Feature from 'ol/Feature'
import type { FeatureLike } from 'ol/Feature'
import OlMap from 'ol/Map'
import View from 'ol/View'
import { Polygon, type Geometry } from 'ol/geom'
import { defaults as usualInteractions, Draw, Modify, Pointer, Snap } from 'ol/interaction'
import VectorLayer from 'ol/layer/Vector'
import { Projection } from 'ol/proj'
import { Fill, RegularShape, Stroke, Style } from 'ol/style'
import { onBeforeUnmount, onMounted, ref, shallowRef, watch } from 'vue'
import {
  SHAPE_KINDS,
  type Point,
  type Ring,
  type ShapeKind,
  type Drawing,
} from '@juvena/core/entities/drawing'
import { boxOf, type Area } from '@juvena/core/drawing/geometry'
import { USUAL_OBSTACLE } from '@juvena/core/light/obstacles'
import { shapeAt } from '@juvena/core/drawing/shapeAt'
import { cutOverlay, levelOverlay, shadowOverlay, type ShownLevel } from './overlayLayers.ts'
import {
  painted,
  paintGrid,
  paintPicture,
  paintRasters,
  type ClippedRaster,
} from './paintedLayers.ts'
import { shapeFeatures, toRings } from './shapeFeatures.ts'
import {
  edgeLabels,
  metres,
  sizeLabel,
  sketchStyles,
  stylesOf,
  type Drawn,
  type Overlay,
} from './shapeStyles.ts'

/**
 * The plan, to scale, in metres east and north. It shows what it is given and tells what a person
 * drew; it decides nothing.
 */
export type Tool = 'look' | 'move' | 'split' | 'scale' | 'north' | 'level' | ShapeKind

const props = defineProps<{
  shapes: readonly Drawn[]
  overlay: Overlay
  tool: Tool
  raster: ClippedRaster[]
  shadows: readonly Area[]
  levels: readonly ShownLevel[]
  picture: { source: string; plan: NonNullable<Drawing['picture']> } | null
  cut: { from: Point; to: Point } | null
  say: { length: (m: number) => string; area: (m2: number) => string }
  /** Lengths the scale bar may take, m, shortest first. */
  bars: readonly number[]
}>()
const emit = defineEmits<{
  choose: [id: string | null]
  drawn: [tool: Tool, rings: Ring[]]
  reshaped: [id: string, rings: Ring[]]
  done: []
}>()

const holder = ref<HTMLElement>()
const reshaping = ref(false)
const bar = ref({ metres: 5, pixels: 100 })
const bitmap = shallowRef<HTMLImageElement | null>(null)
const pictureFailed = ref(false)

const FAR = 20_000
const projection = new Projection({
  code: 'juvena-plan',
  units: 'm',
  extent: [-FAR, -FAR, FAR, FAR],
})
const view = new View({
  projection,
  center: [15, 10],
  resolution: 0.06,
  minResolution: 0.004,
  maxResolution: 20,
  enableRotation: false,
  constrainResolution: false,
})
const ground = painted(projection, (context, view) => {
  paintGrid(context, view)
  if (props.picture && bitmap.value) paintPicture(context, bitmap.value, props.picture.plan)
})
const rasterLayer = painted(projection, (context) => paintRasters(context, props.raster))
const shadowsOver = shadowOverlay()
const levelsOver = levelOverlay()
const cutOver = cutOverlay()
const features = shapeFeatures((id, rings) => emit('reshaped', id, rings))

const styleOf = (feature: Feature<Geometry>) => {
  const drawn = feature.get('drawn') as Drawn
  const geometry = sure(feature.getGeometry())
  const styles = stylesOf(drawn, props.overlay, geometry)
  if (!drawn.chosen) return styles
  // While a corner is dragged its size follows the hand.
  const live =
    reshaping.value && geometry instanceof Polygon ? [sizeLabel(geometry, props.say)] : []
  return [...styles, ...edgeLabels(geometry, props.say.length), ...live]
}
const rank = (f: FeatureLike) => {
  const d = f.get('drawn') as Drawn
  return d.chosen ? 0 : d.shape.kind === 'lawn' ? 1 : 2
}
const shapeLayer = new VectorLayer({
  source: features.source,
  style: (f) => styleOf(f as Feature<Geometry>),
  // Where names would lie on one another, the lawns' stand.
  declutter: true,
  renderOrder: (a, b) => rank(a) - rank(b),
  updateWhileInteracting: true,
  updateWhileAnimating: true,
})
let map: OlMap | null = null
let drawing: Draw | null = null
const modify = new Modify({
  features: features.chosen,
  pixelTolerance: 12,
  style: new Style({
    image: new RegularShape({
      points: 4,
      angle: Math.PI / 4,
      radius: 8,
      fill: new Fill({ color: '#a4491f' }),
      stroke: new Stroke({ color: '#fffdf7', width: 2 }),
    }),
  }),
  deleteCondition: (e) => e.type === 'singleclick' && e.originalEvent.altKey,
})
/** Moves the chosen shape with the pointer. */
let grip: Point | null = null
const moving = new Pointer({
  handleDownEvent(event) {
    const hit = meant(event.coordinate as Point)
    if (!hit || !features.chosen.getArray().some((f) => f.getId() === hit.id)) return false
    grip = event.coordinate as Point
    return true
  },
  handleDragEvent(event) {
    const to = event.coordinate as Point
    features.chosen.forEach((f) =>
      sure(f.getGeometry()).translate(to[0] - sure(grip)[0], to[1] - sure(grip)[1]),
    )
    grip = to
  },
  handleUpEvent() {
    features.tellReshaped(features.chosen.getArray())
    return false
  },
})
/** The shape pointed at: within six pixels of it, and a finger's breadth on a touch screen. */
const meant = (at: Point) =>
  shapeAt(
    at,
    props.shapes.map((d) => d.shape),
    (view.getResolution() ?? 0.05) * (matchMedia('(pointer: coarse)').matches ? 14 : 6),
    {
      crownOf: (s) => metres(s.crown, USUAL_OBSTACLE.tree.crown),
      thicknessOf: (s) => metres(s.width, USUAL_OBSTACLE.wall.width),
    },
  )
const snap = new Snap({ source: features.source, pixelTolerance: 10 })
// A listener that gives back false stops the ones after it: these give back nothing.
modify.on('modifystart', () => {
  reshaping.value = true
})
modify.on('modifyend', (e) => {
  reshaping.value = false
  features.tellReshaped(e.features.getArray() as Feature<Geometry>[])
})

function useTool() {
  if (!map) return
  if (drawing) map.removeInteraction(drawing)
  drawing = null
  const { tool } = props
  modify.setActive(tool === 'look')
  moving.setActive(tool === 'move')
  if (tool !== 'look' && tool !== 'move') {
    const draws =
      tool === 'level'
        ? 'spot'
        : tool === 'split' || tool === 'scale' || tool === 'north'
          ? 'line'
          : SHAPE_KINDS[tool].draws
    drawing = new Draw({
      type: draws === 'area' ? 'Polygon' : draws === 'line' ? 'LineString' : 'Point',
      maxPoints: tool === 'split' || tool === 'scale' || tool === 'north' ? 2 : undefined,
      style: (f) => sketchStyles(f, props.say),
      stopClick: true,
    })
    drawing.on('drawend', (e) => emit('drawn', props.tool, toRings(sure(e.feature.getGeometry()))))
    map.addInteraction(drawing)
  }
  // Snapping has to come last: it moves the pointer for those before it.
  map.removeInteraction(snap)
  map.addInteraction(snap)
}
const inField = (target: EventTarget | null) =>
  target instanceof HTMLElement && /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName)
function onKey(event: KeyboardEvent) {
  if (inField(event.target)) return
  if (event.key === 'Escape' && props.tool !== 'look') {
    drawing?.abortDrawing()
    emit('done')
  } else if (event.key === 'Backspace' && drawing) {
    drawing.removeLastPoint()
    event.preventDefault()
  } else if (event.key === 'Enter' && drawing) {
    drawing.finishDrawing()
    event.preventDefault()
  }
}

function fit() {
  const places: Point[] = [
    ...props.shapes.flatMap((d) => (d.shape.at as Point[][]).flat()),
    ...props.levels.map((l): Point => [l.x, l.y]),
  ]
  const p = props.picture?.plan
  if (p)
    places.push([p.x, p.y], [p.x + p.width * p.metresPerPixel, p.y + p.height * p.metresPerPixel])
  const box = boxOf(places) ?? { west: 0, south: 0, east: 30, north: 20 }
  view.fit([box.west - 0.5, box.south - 0.5, box.east + 0.5, box.north + 0.5], {
    size: map?.getSize(),
    padding: [16, 44, 34, 48],
    maxZoom: 40,
  })
}
const zoom = (by: number) =>
  view.animate({
    resolution: sure(view.getResolution()) * by,
    duration: matchMedia('(prefers-reduced-motion: reduce)').matches ? 0 : 120,
  })
function measureBar() {
  const resolution = view.getResolution() ?? 0.05
  const metres = props.bars.find((m) => m / resolution >= 70) ?? props.bars.at(-1)!
  bar.value = { metres, pixels: Math.round(metres / resolution) }
}

watch(() => props.shapes, features.sync, { immediate: true })
watch(() => props.tool, useTool)
watch(() => props.bars, measureBar)
watch(
  () => props.overlay,
  () => shapeLayer.changed(),
)
watch(
  () => props.raster,
  () => rasterLayer.source.changed(),
)
watch(() => props.levels, levelsOver.show, { immediate: true })
watch(() => props.shadows, shadowsOver.show, { immediate: true })
watch(() => props.cut, cutOver.show, { immediate: true })
let shownSource = ''
watch(
  () => props.picture,
  (picture) => {
    if (!picture) {
      bitmap.value = null
      shownSource = ''
      return ground.source.changed()
    }
    if (picture.source === shownSource) return ground.source.changed()
    shownSource = picture.source
    pictureFailed.value = false
    const image = new Image()
    image.onload = () => {
      bitmap.value = image
      ground.source.changed()
    }
    image.onerror = () => (pictureFailed.value = true)
    image.src = picture.source
  },
  { immediate: true, deep: true },
)

let resize: ResizeObserver | null = null
onMounted(() => {
  map = new OlMap({
    target: sure(holder.value),
    view,
    controls: [],
    interactions: usualInteractions({
      altShiftDragRotate: false,
      pinchRotate: false,
      doubleClickZoom: false,
    }).extend([modify, moving]),
    layers: [
      ground.layer,
      rasterLayer.layer,
      shadowsOver.layer,
      shapeLayer,
      levelsOver.layer,
      cutOver.layer,
    ],
  })
  map.on('click', (event) => {
    if (props.tool !== 'look') return
    emit('choose', meant(event.coordinate as Point)?.id ?? null)
  })
  // How often it has been drawn in full, for whoever drives the page from outside.
  map.on('rendercomplete', () => {
    if (holder.value)
      holder.value.dataset.drawn = String(Number(holder.value.dataset.drawn ?? 0) + 1)
  })
  view.on('change:resolution', measureBar)
  useTool()
  fit()
  measureBar()
  resize = new ResizeObserver(() => map?.updateSize())
  resize.observe(sure(holder.value))
  window.addEventListener('keydown', onKey)
})
onBeforeUnmount(() => {
  resize?.disconnect()
  window.removeEventListener('keydown', onKey)
  map?.setTarget(undefined)
  map?.dispose()
})
/**
 * Where on the page a place of the plan lies, px from the top left of the map. For whoever drives
 * the page from outside.
 */
const pixelOf = (at: Point) => map?.getPixelFromCoordinate(at) ?? null
defineExpose({ fit, pixelOf })
</script>

<template>
  <div class="map" :class="{ drawing: tool !== 'look' }">
    <div
      ref="holder"
      class="canvas"
      tabindex="0"
      role="application"
      aria-label="Plan of the site, to scale. Shapes are listed beneath it and can be typed there."
    />
    <svg class="north" viewBox="0 0 30 46" aria-hidden="true">
      <path d="M15 33V4M9 11l6-8 6 8" />
      <text x="15" y="45" text-anchor="middle">N</text>
    </svg>
    <svg
      class="bar"
      :viewBox="`0 0 ${bar.pixels + 4} 24`"
      :width="bar.pixels + 4"
      height="24"
      aria-hidden="true"
    >
      <path :d="`M2 14v8M2 18h${bar.pixels}M${bar.pixels + 2} 14v8`" />
      <text :x="bar.pixels / 2 + 2" y="11" text-anchor="middle">{{ say.length(bar.metres) }}</text>
    </svg>
    <div class="zooms">
      <button type="button" class="act slight" aria-label="Nearer" @click="zoom(0.7)">+</button>
      <button type="button" class="act slight" aria-label="Further" @click="zoom(1.43)">−</button>
      <button type="button" class="act slight" aria-label="Show all of the plan" @click="fit">
        all
      </button>
    </div>
    <p v-if="pictureFailed" class="failed">
      The picture could not be shown. It may have been archived.
    </p>
    <slot />
  </div>
</template>

<style scoped>
.map {
  position: relative;
  border: 1px solid var(--rule);
  background: #fbf7ec;
  min-height: 18rem;
  overflow: hidden;
}
.canvas {
  position: absolute;
  inset: 0;
}
.drawing .canvas {
  cursor: crosshair;
}
.north,
.bar {
  position: absolute;
  pointer-events: none;
  overflow: visible;
}
.north {
  top: 0.5rem;
  right: 0.7rem;
  width: 26px;
}
.bar {
  right: 0.9rem;
  bottom: 0.4rem;
}
.north path,
.bar path {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.75;
}
text {
  font: 12px var(--face);
  fill: var(--ink);
}
.zooms {
  position: absolute;
  top: 0.5rem;
  left: 0.5rem;
  display: grid;
  gap: 0.25rem;
}
.zooms .act {
  justify-content: center;
  min-width: 2rem;
}
.failed {
  position: absolute;
  inset: auto auto 0.5rem 0.5rem;
  background: var(--hold-wash);
  padding: 0.2rem 0.5rem;
}
</style>
