<script setup lang="ts">
import { computed, ref } from 'vue'
import { feature } from 'topojson-client'
import land from 'world-atlas/land-110m.json'
import { showNumber } from '@juvena/core/quantities/show'

/**
 * A small map of the world that ships with the app: a press, or the arrow keys, set the latitude
 * and longitude of a site to a tenth of a degree.
 */
const props = defineProps<{ latitude: number | null; longitude: number | null }>()
const emit = defineEmits<{ pick: [latitude: number, longitude: number] }>()

type Ring = number[][]
const rings = feature(land, land.objects.land).features.flatMap(({ geometry: g }) =>
  g.type === 'Polygon' ? g.coordinates : g.type === 'MultiPolygon' ? g.coordinates.flat() : [],
)
/** A ring over the date line goes on beyond 180° instead of leaping back. */
function unbroken(ring: Ring): Ring {
  let turn = 0
  return ring.map(([x = 0, y = 0], i) => {
    const step = i === 0 ? 0 : x - ring[i - 1]![0]!
    if (step > 180) turn -= 360
    if (step < -180) turn += 360
    return [x + turn, y]
  })
}
/**
 * Degrees as they are, north upward; what reaches over the date line is drawn on both sides of the
 * map.
 */
const outline = rings
  .map(unbroken)
  .flatMap((ring) => {
    const xs = ring.map(([x = 0]) => x)
    const shifts = [
      0,
      ...(Math.max(...xs) > 180 ? [-360] : []),
      ...(Math.min(...xs) < -180 ? [360] : []),
    ]
    return shifts.map(
      (by) =>
        `M${ring.map(([x = 0, y = 0]) => `${(x + by).toFixed(1)} ${(-y).toFixed(1)}`).join('L')}Z`,
    )
  })
  .join('')

const NORTH = 84
const SOUTH = -58
const WIDE = 360
const tall = (NORTH - SOUTH) / WIDE
const close = ref(false)
const pin = computed(() =>
  props.latitude === null ? null : { latitude: props.latitude, longitude: props.longitude ?? 0 },
)
const view = computed(() => {
  const width = close.value ? WIDE / 6 : WIDE
  const height = width * tall
  const at = pin.value ?? { latitude: 0, longitude: 0 }
  const x = Math.max(-180, Math.min(180 - width, at.longitude - width / 2))
  const y = Math.max(-NORTH, Math.min(-SOUTH - height, -at.latitude - height / 2))
  return close.value
    ? { x, y, width, height }
    : { x: -180, y: -NORTH, width: WIDE, height: WIDE * tall }
})
const dot = computed(() => view.value.width / 90)
const parallels = [60, 40, 23.4, 0, -23.4, -40]
const tenth = (x: number) => Math.round(x * 10) / 10
const put = (latitude: number, longitude: number) =>
  emit(
    'pick',
    tenth(Math.max(-66, Math.min(70, latitude))),
    tenth(((((longitude + 180) % 360) + 360) % 360) - 180),
  )
function press(event: MouseEvent) {
  const box = (event.currentTarget as Element).getBoundingClientRect()
  const { x, y, width, height } = view.value
  put(
    -(y + ((event.clientY - box.top) / box.height) * height),
    x + ((event.clientX - box.left) / box.width) * width,
  )
}
function key(event: KeyboardEvent) {
  const step = event.shiftKey ? 10 : close.value ? 0.2 : 1
  const by = {
    ArrowUp: [step, 0],
    ArrowDown: [-step, 0],
    ArrowLeft: [0, -step],
    ArrowRight: [0, step],
  }[event.key]
  if (!by) return
  event.preventDefault()
  const from = pin.value ?? { latitude: 0, longitude: 0 }
  put(from.latitude + by[0]!, from.longitude + by[1]!)
}
const said = computed(() =>
  pin.value === null
    ? 'no place yet'
    : `${showNumber(Math.abs(pin.value.latitude))}° ${pin.value.latitude < 0 ? 'south' : 'north'}, ${showNumber(Math.abs(pin.value.longitude))}° ${pin.value.longitude < 0 ? 'west' : 'east'}`,
)
</script>

<template>
  <div class="map">
    <div
      class="frame"
      tabindex="0"
      role="slider"
      aria-label="Place on a map of the world; arrow keys move it, with Shift by ten degrees"
      :aria-valuetext="said"
      :aria-valuenow="pin?.latitude ?? 0"
      :aria-valuemin="-66"
      :aria-valuemax="70"
      @keydown="key"
    >
      <svg
        :viewBox="`${view.x} ${view.y} ${view.width} ${view.height}`"
        aria-hidden="true"
        @click="press"
      >
        <rect x="-180" :y="-NORTH" :width="WIDE" :height="WIDE * tall" class="sea" />
        <path :d="outline" class="land" fill-rule="evenodd" />
        <line
          v-for="p in parallels"
          :key="p"
          x1="-180"
          x2="180"
          :y1="-p"
          :y2="-p"
          class="parallel"
          vector-effect="non-scaling-stroke"
        />
        <g v-if="pin" class="pin">
          <line
            x1="-180"
            x2="180"
            :y1="-pin.latitude"
            :y2="-pin.latitude"
            vector-effect="non-scaling-stroke"
          />
          <circle
            :cx="pin.longitude"
            :cy="-pin.latitude"
            :r="dot"
            vector-effect="non-scaling-stroke"
          />
        </g>
      </svg>
    </div>
    <p class="small">
      <b>{{ said }}</b>
      <button type="button" class="act slight" :aria-pressed="close" @click="close = !close">
        closer
      </button>
      <span class="soft">Press the place; type it finer above if you know it.</span>
    </p>
  </div>
</template>

<style scoped>
.map {
  max-width: 46rem;
  padding: 0.5rem 0;
}
.frame {
  border: 1.5px solid var(--ink);
  line-height: 0;
  cursor: crosshair;
}
svg {
  width: 100%;
  display: block;
}
.sea {
  fill: var(--paper);
}
.land {
  fill: #cdbf9c;
  stroke: none;
}
.parallel {
  stroke: var(--rule-strong);
  stroke-dasharray: 2 3;
}
.pin line {
  stroke: var(--clay);
}
.pin circle {
  fill: var(--clay);
  stroke: var(--sheet);
  stroke-width: 2;
}
p {
  display: flex;
  flex-wrap: wrap;
  gap: 0.3rem 0.8rem;
  align-items: center;
  padding-top: 0.3rem;
}
</style>
