<script setup lang="ts">
import { sure } from '@juvena/core/quantities/sure'
import { computed } from 'vue'
import { readJob } from '@juvena/core/entities/job'
import {
  MEASURED_BY_NAMES,
  SHAPE_KINDS,
  type Point,
  type Ring,
  type Shape,
} from '@juvena/core/entities/drawing'
import { spotOf } from '@juvena/core/drawing/drawnZones'
import { areaOf, boxOf, lengthOf, widened } from '@juvena/core/drawing/geometry'
import { obstaclesOf, USUAL_OBSTACLE } from '@juvena/core/light/obstacles'
import { scaleFor } from '@juvena/core/drawing/printScale'
import { shapeName } from '@juvena/core/drawing/shapeEdits'
import { useFirm } from '../../stores/firm.ts'
import { useJob } from '../../stores/job.ts'
import { barLengths } from '../../parts/barLengths.ts'
import SheetFigure from './SheetFigure.vue'
import SheetHead from './SheetHead.vue'

/**
 * The site to scale on paper: outlines, areas, what is below ground, a bar to check the print by,
 * and north.
 */
const firm = useFirm()
const job = useJob()
const plan = computed(
  () => readJob({ name: '', drawing: job.draft?.drawing ?? {} }).job?.drawing ?? null,
)
const shapes = computed<Shape[]>(() => plan.value?.shapes ?? [])

const PAPER = { width: 180, height: 176 }
const box = computed(() => {
  const crowns = shapes.value.flatMap((s): Point[] => {
    const r = s.kind === 'tree' ? (s.crown ?? USUAL_OBSTACLE.tree.crown) / 2 : 0
    return (s.at as Ring[]).flat().flatMap(([x, y]): Point[] => [
      [x - r, y - r],
      [x + r, y + r],
    ])
  })
  const b = boxOf(crowns) ?? { west: 0, south: 0, east: 10, north: 10 }
  return { west: b.west - 0.5, south: b.south - 0.5, east: b.east + 0.5, north: b.north + 0.5 }
})
const scale = computed(() => scaleFor(box.value, PAPER))
const mm = (metres: number) => (metres * 1000) / scale.value
const px = ([x, y]: Point) =>
  `${mm(x - box.value.west).toFixed(2)},${mm(box.value.north - y).toFixed(2)}`
const width = computed(() => mm(box.value.east - box.value.west))
const height = computed(() => mm(box.value.north - box.value.south))
const path = (rings: Ring[]) => rings.map((r) => `M${r.map(px).join('L')}Z`).join('')
const run = (ring: Ring) => `M${ring.map(px).join('L')}`
const of = (...kinds: Shape['kind'][]) => shapes.value.filter((s) => kinds.includes(s.kind))
const name = (s: Shape) =>
  s.kind === 'lawn' ? job.zones.find((z) => z.id === s.zone)?.name || 'Unnamed zone' : shapeName(s)
const spot = (s: Shape) => {
  const [x, y] = px(spotOf(s)).split(',')
  return { x: Number(x), y: Number(y) }
}
/** A tall narrow shape bears its name along it. */
const turned = (s: Shape) => {
  const b = sure(boxOf((s.at as Ring[]).flat()))
  return (s.kind === 'lawn' || s.kind === 'wall') && b.east - b.west < 0.3 * (b.north - b.south)
    ? `rotate(-90 ${spot(s).x} ${spot(s).y})`
    : undefined
}
const size = (s: Shape) => {
  const draws = SHAPE_KINDS[s.kind].draws
  return draws === 'area'
    ? firm.hand(areaOf(s.at as Ring[]), 'm2')
    : draws === 'line'
      ? firm.hand(lengthOf(s.at[0] as Ring), 'm')
      : ''
}
const walls = computed(() =>
  of('wall').flatMap((s) => widened(s.at[0] as Ring, s.width ?? USUAL_OBSTACLE.wall.width)),
)
const crowns = computed(() =>
  obstaclesOf(shapes.value, { whatIf: false }).flatMap((o) => (o.form === 'crown' ? [o] : [])),
)
const bar = computed(() => barLengths(firm.units).find((m) => mm(m) >= 30) ?? 1000)
const barText = computed(() => firm.hand(bar.value, 'm'))
const zones = computed(() => job.plan?.zones.filter((z) => z.area) ?? [])
const measured = (id: string) => {
  const by = job.plan?.survey.zones[id]?.by as keyof typeof MEASURED_BY_NAMES | null | undefined
  return by ? MEASURED_BY_NAMES[by] : 'typed'
}
const edge = (id: string) => {
  const p = job.plan?.survey.zones[id]?.perimeter
  return p ? firm.hand(p, 'm') : ''
}
const below = computed(() => of('cable', 'pipe', 'tap', 'head', 'trench'))
</script>

<template>
  <section>
    <SheetHead title="Plan" />
    <p class="small">
      Scale <b>1 : {{ scale }}</b> when printed at full size: check that the bar measures
      {{ mm(bar).toFixed(0) }} mm. North is up. {{ shapes.length }} shapes.
    </p>
    <svg
      class="plan"
      :width="`${width.toFixed(1)}mm`"
      :height="`${(height + 10).toFixed(1)}mm`"
      :viewBox="`0 0 ${width.toFixed(2)} ${(height + 10).toFixed(2)}`"
      role="img"
      :aria-label="`Plan of the site at 1 to ${scale}`"
    >
      <path v-for="s in of('lawn')" :key="s.id" :d="path(s.at as Ring[])" class="lawn" />
      <path
        v-for="s in of('bed', 'building')"
        :key="s.id"
        :d="path(s.at as Ring[])"
        :class="s.kind"
      />
      <path v-for="s in of('bare', 'low')" :key="s.id" :d="path(s.at as Ring[])" :class="s.kind" />
      <path v-for="(w, i) in walls" :key="i" :d="path(w)" class="wall" />
      <circle
        v-for="c in crowns"
        :key="c.shape"
        :cx="px(c.at).split(',')[0]"
        :cy="px(c.at).split(',')[1]"
        :r="mm(c.radius)"
        class="crown"
      />
      <path
        v-for="s in of('worn', 'edge', 'cable', 'pipe', 'trench')"
        :key="s.id"
        :d="run(s.at[0] as Ring)"
        :class="s.kind"
        class="run"
      />
      <circle
        v-for="s in of('tap', 'head')"
        :key="s.id"
        :cx="spot(s).x"
        :cy="spot(s).y"
        r="1.2"
        :class="s.kind"
      />
      <g v-for="s in shapes" :key="`t-${s.id}`" class="words">
        <text
          :x="spot(s).x"
          :y="spot(s).y - (s.kind === 'tap' || s.kind === 'head' ? 2 : 0)"
          :class="{ strong: s.kind === 'lawn' }"
          :transform="turned(s)"
        >
          {{ name(s) }}
        </text>
        <text v-if="s.kind === 'lawn'" :x="spot(s).x" :y="spot(s).y + 4.4" :transform="turned(s)">
          {{
            job.ofZone(s.zone, 'area')
              ? firm.hand(sure(job.ofZone(s.zone, 'area')).value, 'm2')
              : size(s)
          }}
        </text>
      </g>
      <g class="north">
        <path :d="`M${width - 4} 12V2m-2 4l2-4l2 4`" />
        <text :x="width - 4" y="16">N</text>
      </g>
      <g class="bar">
        <path :d="`M0 ${height + 4}v4M0 ${height + 6}h${mm(bar)}m0 -2v4`" />
        <text :x="mm(bar) + 2" :y="height + 7.2">{{ barText }}</text>
      </g>
    </svg>
    <table>
      <thead>
        <tr>
          <th>zone</th>
          <th class="n">area</th>
          <th class="n">give or take</th>
          <th class="n">edge</th>
          <th>measured by</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="z in zones" :key="z.id">
          <td>
            <b>{{ z.name }}</b>
          </td>
          <td class="n"><SheetFigure :id="z.area" /></td>
          <td class="n">
            {{
              job.ofZone(z.id, 'areaError')
                ? firm.hand(sure(job.ofZone(z.id, 'areaError')).value, 'm2')
                : ''
            }}
          </td>
          <td class="n">{{ edge(z.id) }}</td>
          <td>{{ measured(z.id) }}</td>
        </tr>
      </tbody>
    </table>
    <p v-if="below.length" class="below">
      <b>Below ground, as far as known:</b>
      {{ below.map((s) => [shapeName(s), size(s)].filter(Boolean).join(' ')).join(', ') }}.
      {{ job.draft?.site?.below }} Call for buried services before coring, spiking or edging; mark
      heads.
    </p>
  </section>
</template>

<style scoped>
.plan {
  display: block;
  margin: 0.5rem 0;
  max-width: 100%;
  overflow: visible;
}
path,
circle {
  fill: none;
  stroke: #000;
  stroke-width: 0.35;
}
.lawn {
  fill: #eef3e8;
  stroke-width: 0.6;
}
.bed {
  fill: #fff;
}
.building {
  fill: #ddd5c5;
}
.wall {
  fill: #9cae8a;
}
.bare,
.low {
  fill: #fff;
  stroke-dasharray: 1 0.7;
}
.crown {
  fill: rgb(156 174 138 / 35%);
  stroke-dasharray: 1.5 1;
}
.run {
  stroke-width: 0.5;
  stroke-dasharray: 2 1;
}
.cable,
.pipe {
  stroke-dasharray: 2.5 0.8 0.6 0.8;
}
.edge {
  stroke-width: 0.9;
  stroke-dasharray: 0.8 0.6;
}
.tap {
  fill: #000;
}
text {
  font: 3px var(--face);
  text-anchor: middle;
  stroke: #fff;
  stroke-width: 0.7;
  paint-order: stroke;
}
.strong {
  font-weight: 700;
  font-size: 3.6px;
}
.bar text {
  text-anchor: start;
}
.below {
  padding-top: 0.5rem;
  font-size: 0.875rem;
}
</style>
