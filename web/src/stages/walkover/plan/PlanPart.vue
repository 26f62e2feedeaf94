<script setup lang="ts">
import { computed, defineAsyncComponent, onBeforeUnmount, ref, shallowRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import {
  SHAPE_KINDS,
  type MeasuredBy,
  type Point,
  type Ring,
  type ShapeDraft,
  type ShapeKind,
  type Drawing,
} from '@juvena/core/entities/drawing'
import { readJob } from '@juvena/core/entities/job'
import { parseQuantity } from '@juvena/core/quantities/quantity'
import { measurePlan } from '@juvena/core/drawing/drawnZones'
import type { Area } from '@juvena/core/drawing/geometry'
import {
  addShape,
  cutOverlap,
  removeShape,
  reshape,
  scalePicture,
  splitInto,
  splitZone,
  turnNorth,
} from '@juvena/core/drawing/shapeEdits'
import { obstaclesOf, shadowsAt } from '@juvena/core/light/obstacles'
import { levelsByZone, tiltsOf } from '@juvena/core/walkover/siteSurvey'
import { sunAt } from '@juvena/core/light/sun'
import { showNumber } from '@juvena/core/quantities/show'
import { levelHeight } from '@juvena/core/formats/levelTable'
import { num } from '@juvena/core/trace/figure'
import QuantityField from '../../../parts/QuantityField.vue'
import { useFirm } from '../../../stores/firm.ts'
import { useJob } from '../../../stores/job.ts'
import { useSurvey } from '../../../stores/survey.ts'
import LightBar from './LightBar.vue'
import LevelsBar from './LevelsBar.vue'
import PlanMap, { type Tool } from './PlanMap.vue'
import PlanTools from './PlanTools.vue'
import ShapeList from './ShapeList.vue'
import { barLengths } from '../../../parts/barLengths.ts'
import { instantAt } from '@juvena/core/light/localClock'
import { levelScale, LIGHT_SCALE, pictureOf } from './rasters.ts'
import { OVERLAYS, type Drawn, type Overlay } from './shapeStyles.ts'
import { useShapeLabels } from './shapeLabels.ts'

const TypedShape = defineAsyncComponent(() => import('./TypedShape.vue'))
const ImportPanel = defineAsyncComponent(() => import('./ImportPanel.vue'))

/**
 * The site drawn to scale: what is where, and what the drawing says of light, levels, cover and
 * what lies below.
 */
const firm = useFirm()
const job = useJob()
const survey = useSurvey()
const route = useRoute()
const router = useRouter()

const overlay = computed<Overlay>(() =>
  OVERLAYS.some((o) => o.id === route.query.show) ? (route.query.show as Overlay) : 'none',
)
const show = (to: Overlay) =>
  void router.replace({
    query: { ...route.query, show: to === 'none' || to === overlay.value ? undefined : to },
  })
watch(overlay, (o) => (survey.wanted = o === 'light' || o === 'levels' ? o : 'none'), {
  immediate: true,
})
onBeforeUnmount(() => (survey.wanted = 'none'))

const tool = ref<Tool>('look')
const by = ref<MeasuredBy>('tape')
const panel = ref<'typed' | 'in' | null>(null)
const map = ref<InstanceType<typeof PlanMap>>()
const says = ref('')

const shapes = computed<ShapeDraft[]>(() => job.draft?.drawing?.shapes ?? [])
const chosen = computed(() => shapes.value.find((s) => s.id === route.query.shape) ?? null)
const zoneId = computed(
  () =>
    (chosen.value?.kind === 'lawn' ? chosen.value.zone : null) ??
    (typeof route.query.zone === 'string' ? route.query.zone : job.zones[0]?.id) ??
    null,
)
function choose(id: string | null) {
  const shape = shapes.value.find((s) => s.id === id)
  void router.replace({
    query: {
      ...route.query,
      shape: id ?? undefined,
      zone: shape?.zone ?? route.query.zone,
      figure: undefined,
    },
  })
}

const read = computed<Drawing | null>(() =>
  job.draft ? (readJob({ name: '', drawing: job.draft.drawing ?? {} }).job?.drawing ?? null) : null,
)
const measured = computed(() => (read.value ? measurePlan(read.value) : null))
/** Sloping zones, which shade themselves while the sun stands behind them. */
const tilts = computed(() => {
  const zones = job.draft ? readJob({ name: '', zones: job.draft.zones ?? [] }).job?.zones : null
  return zones && read.value && measured.value
    ? tiltsOf({ zones }, measured.value, levelsByZone(read.value))
    : []
})
const { labelOf } = useShapeLabels(overlay)
const wantedIn = (zone: string | null | undefined) => {
  const f = job.ofZone(zone, 'wanted')
  return f ? num(f) : null
}
const drawn = computed<Drawn[]>(() =>
  shapes.value.map((shape) => ({
    shape,
    ...labelOf(shape),
    wanted: shape.kind === 'lawn' ? wantedIn(shape.zone) : null,
    chosen: shape.id === chosen.value?.id,
    tried:
      shape.whatIf !== undefined && shape.whatIf !== 'as-is' && (survey.whatIf || !!shape.agreed),
  })),
)
const nets = computed<Area[]>(() =>
  [...(measured.value?.zones.values() ?? [])].flatMap((z) => z.net),
)
const raster = computed(() => {
  if (overlay.value === 'light' && survey.light)
    return [
      { canvas: pictureOf(survey.light, LIGHT_SCALE), grid: survey.light.grid, clip: nets.value },
    ]
  if (overlay.value === 'levels')
    return survey.levels.map((r) => {
      const { west, south, cell, columns, rows } = r.grid
      const whole: Area = [
        [
          [west, south],
          [west + columns * cell, south],
          [west + columns * cell, south + rows * cell],
          [west, south + rows * cell],
        ],
      ]
      return {
        canvas: pictureOf(r, levelScale(firm.units)),
        grid: r.grid,
        clip: nets.value.length > 0 ? nets.value : [whole],
      }
    })
  return []
})
const levelMarks = computed(() =>
  overlay.value === 'levels' || tool.value === 'level'
    ? (job.draft?.drawing?.levels ?? []).map((l) => ({
        x: l.x,
        y: l.y,
        text: `${l.mm > 0 ? '+' : ''}${firm.units === 'us' ? showNumber(l.mm / 25.4, 2) : showNumber(l.mm, l.mm % 1 ? 1 : 0)}`,
        low: l.mm <= -10,
      }))
    : [],
)

/** Minutes past midnight at the site, for the shadows; null while none are shown. */
const minutes = ref<number | null>(null)
const shadowDay = computed(() =>
  survey.season ? Math.round((survey.season.from + survey.season.to) / 2) : null,
)
const sun = computed(() => {
  const site = job.draft?.site
  const latitude = Number(site?.latitude)
  const longitude = Number(site?.longitude ?? 0) || 0
  if (
    overlay.value !== 'light' ||
    minutes.value === null ||
    shadowDay.value === null ||
    site?.latitude === undefined ||
    !Number.isFinite(latitude)
  )
    return null
  return sunAt(
    instantAt(shadowDay.value, minutes.value, site?.timeZone, longitude),
    latitude,
    longitude,
  )
})
const shadows = computed(() =>
  sun.value && read.value
    ? shadowsAt(
        [...obstaclesOf(read.value.shapes, { whatIf: survey.whatIf }), ...tilts.value],
        sun.value,
      )
    : [],
)
const split = computed(() => {
  const id = zoneId.value
  return overlay.value === 'light' && id && job.plan?.survey.mixedLight.includes(id)
    ? (survey.light?.splits[id] ?? null)
    : null
})

const picture = computed(() => {
  const p = read.value?.picture
  return p ? { source: `/api/photos/${encodeURIComponent(p.photo)}`, plan: p } : null
})
const level = ref<{ at: Point; typed: string | null } | null>(null)
const known = shallowRef<{ from: Point; to: Point; typed: string | null } | null>(null)
const traced = computed<MeasuredBy>(() => (picture.value ? 'traced' : by.value))

function pick(to: Tool) {
  says.value = ''
  level.value = null
  known.value = null
  panel.value = null
  tool.value = tool.value === to ? 'look' : to
}
/** A lawn drawn while the chosen zone has no outline yet becomes that zone's. */
const zoneToDraw = () => {
  const id = zoneId.value
  return id &&
    job.zones.some((z) => z.id === id) &&
    !shapes.value.some((s) => s.kind === 'lawn' && s.zone === id)
    ? id
    : undefined
}
function onDrawn(used: Tool, rings: Ring[]) {
  const run = rings[0]!
  if (used === 'level') {
    level.value = { at: run[0]!.map((c) => Math.round(c * 100) / 100) as Point, typed: null }
    return
  }
  if (used === 'scale') {
    known.value = { from: run[0]!, to: run[1]!, typed: null }
    return
  }
  tool.value = 'look'
  if (used === 'north')
    return void job.edit(`plan.north.${Date.now()}`, (d) => turnNorth(d, run[0]!, run[1]!))
  if (used === 'split') {
    const zone = zoneId.value
    let made: string | null = null
    if (zone)
      job.edit(`plan.split.${Date.now()}`, (d) => (made = splitZone(d, zone, run[0]!, run[1]!)))
    says.value = made
      ? ''
      : 'The line does not cross the chosen lawn. Choose a lawn, then draw right across it.'
    return
  }
  if (used === 'look' || used === 'move') return
  let id = ''
  const more: Partial<ShapeDraft> = { zone: used === 'lawn' ? zoneToDraw() : undefined }
  job.edit(`plan.add.${Date.now()}`, (d) => (id = addShape(d, used, rings, traced.value, more)))
  choose(id)
}
const onReshaped = (id: string, rings: Ring[]) =>
  job.edit(`plan.reshape.${id}`, (d) => reshape(d, id, rings))
function keepLevel() {
  const l = level.value
  if (!l || l.typed === null) return
  const typed = readLevel(l.typed)
  if (typed === null) return
  job.edit(`plan.level.${Date.now()}`, (d) => {
    d.drawing = {
      ...d.drawing,
      levels: [...(d.drawing?.levels ?? []), { x: l.at[0], y: l.at[1], mm: typed, zone: null }],
    }
  })
  level.value = null
}
const readLevel = (typed: string) => levelHeight(typed, firm.units)
function keepScale() {
  const k = known.value
  const f = k?.typed ? readLength(k.typed) : null
  if (!k || f === null) return
  job.edit(`plan.scale.${Date.now()}`, (d) => scalePicture(d, k.from, k.to, f))
  known.value = null
  tool.value = 'look'
  requestAnimationFrame(() => map.value?.fit())
}
const readLength = (typed: string): number | null => {
  const parsed = parseQuantity(typed, 'length', firm.units)
  return parsed.ok && parsed.value > 0 ? parsed.value : null
}
/** Puts the caret into a field that has just appeared. */
const vFocus = {
  mounted(el: HTMLElement) {
    ;(el instanceof HTMLInputElement ? el : el.querySelector('input'))?.focus()
  },
}
function cutByLight() {
  const [zone, s] = [zoneId.value, split.value]
  if (!zone || !s) return
  job.edit(`plan.light-split.${Date.now()}`, (d) => splitInto(d, zone, s.sun, s.shade, 'in shade'))
}
const overlaps = computed(() => job.plan?.survey.overlaps ?? [])
const zoneName = (id: string) => job.zones.find((z) => z.id === id)?.name || 'Unnamed zone'
const cutOff = (keep: string, cut: string) =>
  job.edit(`plan.overlap.${Date.now()}`, (d) => cutOverlap(d, keep, cut))
const remove = (id: string) => {
  job.edit(`plan.remove.${id}`, (d) => removeShape(d, id))
  choose(null)
}
function onDelete(event: KeyboardEvent) {
  if (
    chosen.value &&
    tool.value === 'look' &&
    (event.key === 'Delete' || event.key === 'Backspace')
  )
    remove(chosen.value.id)
}
const say = computed(() => ({
  length: (m: number) => firm.text(m, 'm'),
  area: (m2: number) => firm.text(m2, 'm2'),
}))
const TOOL_SAYS: Partial<Record<Tool, string>> = {
  move: 'Drag the chosen shape. Esc when it lies right.',
  split: 'Draw a line right across the chosen lawn: two clicks.',
  scale: 'Click the two ends of something whose length you know.',
  north: 'Click two places, the second due north of the first.',
  level: 'Click where the staff stood, then type the height.',
}
const toolSays = computed(() => {
  const t = tool.value
  if (t === 'look') return says.value
  if (t in TOOL_SAYS) return TOOL_SAYS[t]!
  const { name, draws } = SHAPE_KINDS[t as ShapeKind]
  return draws === 'spot'
    ? `Click where the ${name} stands.`
    : `Click each ${draws === 'area' ? 'corner' : 'bend'} of the ${name}; double-click the last, or Enter. Backspace takes one back, Esc leaves off.`
})
const empty = computed(
  () =>
    shapes.value.length === 0 && !picture.value && (job.draft?.drawing?.levels ?? []).length === 0,
)
</script>

<template>
  <div class="plan">
    <PlanTools
      :tool="tool"
      :panel="panel"
      :overlay="overlay"
      @pick="pick"
      @panel="panel = panel === $event ? null : $event"
      @show="show"
    />
    <TypedShape
      v-if="panel === 'typed'"
      :zone="zoneToDraw()"
      @made="(id) => (choose(id), (panel = null), map?.fit())"
    />
    <ImportPanel v-if="panel === 'in'" @tool="(t) => pick(t)" @taken="map?.fit()" />

    <p v-if="toolSays" class="says" role="status">{{ toolSays }}</p>
    <form v-if="level" class="ask" @submit.prevent="keepLevel">
      <label
        >Height here, {{ firm.units === 'us' ? 'inches' : 'mm' }} above (+) or below (−) the mark
        <input v-model="level.typed" v-focus inputmode="text" autocomplete="off"
      /></label>
      <button type="submit" class="act slight">Keep</button>
      <span v-if="level.typed && readLevel(level.typed) === null" class="wrong"
        >“{{ level.typed }}” is no height. Write it like
        {{ firm.units === 'us' ? '−1/2 or −0.5 in' : '−14 or −1.4 cm' }}.</span
      >
    </form>
    <form v-if="known" class="ask" @submit.prevent="keepScale">
      <QuantityField
        v-focus
        label="That line is really"
        kind="length"
        :model-value="known.typed"
        @update:model-value="known = { ...known, typed: $event }"
      />
      <button
        type="submit"
        class="act slight"
        :disabled="!known.typed || readLength(known.typed) === null"
      >
        Set the scale
      </button>
    </form>
    <p v-for="o in overlaps" :key="o.zones.join()" class="overlap">
      <b
        >{{ zoneName(o.zones[0]) }} and {{ zoneName(o.zones[1]) }} overlap,
        {{ firm.text(o.area, 'm2') }}.</b
      >
      <button type="button" class="act slight" @click="cutOff(o.zones[0], o.zones[1])">
        cut it off {{ zoneName(o.zones[1]) }}
      </button>
      <button type="button" class="act slight" @click="cutOff(o.zones[1], o.zones[0])">
        cut it off {{ zoneName(o.zones[0]) }}
      </button>
    </p>

    <!-- Keys pressed on the plan reach it from the drawing inside. -->
    <div class="frame" @keydown="onDelete">
      <PlanMap
        ref="map"
        class="drawn"
        :shapes="drawn"
        :overlay="overlay"
        :tool="tool"
        :raster="raster"
        :shadows="shadows"
        :levels="levelMarks"
        :picture="picture"
        :cut="split"
        :say="say"
        :bars="barLengths(firm.units)"
        @choose="choose"
        @drawn="onDrawn"
        @reshaped="onReshaped"
        @done="tool = 'look'"
      >
        <div v-if="empty && tool === 'look'" class="start">
          <p class="big">Draw the site.</p>
          <p>
            Draw over a picture, type lengths from the tape, walk it with the phone, or import a
            file. Typed sizes under Zones are enough for a whole job.
          </p>
        </div>
      </PlanMap>
    </div>

    <LightBar
      v-if="overlay === 'light'"
      v-model:minutes="minutes"
      :zone="zoneId"
      :day="shadowDay"
      :sun="sun"
      :split="split"
      :drawn="nets.length > 0"
      @cut="cutByLight"
    />
    <LevelsBar v-if="overlay === 'levels' || tool === 'level'" :zone="zoneId" />
    <ShapeList
      v-model:by="by"
      :chosen="chosen?.id ?? null"
      :tool="tool"
      :picture="picture !== null"
      @choose="choose"
      @remove="remove"
      @tool="pick"
    />
  </div>
</template>

<style scoped>
.plan {
  display: grid;
  gap: 0.5rem;
}
.frame {
  height: clamp(20rem, calc(100vh - 21.5rem), 46rem);
}
.drawn {
  height: 100%;
}
.says {
  font-size: var(--size-small);
  color: var(--clay);
}
.ask {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem 0.75rem;
  align-items: center;
  background: var(--clay-wash);
  padding: 0.35rem 0.6rem;
}
.ask label {
  display: flex;
  gap: 0.5rem;
  align-items: center;
  font-size: var(--size-small);
}
.ask input {
  width: 6rem;
  border: 1px solid var(--rule-strong);
  background: var(--sheet);
  padding: 0.2rem 0.4rem;
}
.wrong {
  color: var(--hold);
  font-size: var(--size-small);
}
.overlap {
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem 0.75rem;
  align-items: center;
  border-left: 5px solid var(--sun-mark);
  padding: 0.25rem 0.6rem;
  background: var(--sheet);
  font-size: 0.9375rem;
}
.start {
  position: absolute;
  inset: 0;
  display: grid;
  align-content: center;
  justify-items: center;
  gap: 0.5rem;
  text-align: center;
  padding: 1rem 15%;
  pointer-events: none;
}
@media (max-width: 640px) {
  .frame {
    height: 21rem;
  }
}
</style>
