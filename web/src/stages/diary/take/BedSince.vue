<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, ref } from 'vue'
import { addDays, daysBetween, showDay } from '@juvena/core/calendar/day'
import type { TakeOfZone } from '@juvena/core/takeOfJob'
import { useFirm } from '../../../stores/firm.ts'

/** The seedbed since it was sown: what the driest moment of each day left the seed, and where least falls. */
const props = defineProps<{ sown: string; bed: NonNullable<TakeOfZone['bed']> }>()
const firm = useFirm()
const HIGH = 120
const frame = ref<HTMLElement | null>(null)
const width = ref(0)
let sized: ResizeObserver | null = null
onMounted(() => {
  sized = new ResizeObserver(([entry]) => (width.value = entry?.contentRect.width ?? 0))
  if (frame.value) sized.observe(frame.value)
})
onBeforeUnmount(() => sized?.disconnect())
/** As wide as it is shown, so that its words keep their size. */
const wide = computed(() => Math.max(240, Math.round(width.value) || 640))
const x = (day: number) => (day / Math.max(1, props.bed.days - 1)) * wide.value
const y = (share: number) => HIGH - Math.min(1, Math.max(0, share)) * HIGH
const line = (driest: readonly number[]) => `M${driest.map((d, i) => `${x(i).toFixed(1)} ${y(d).toFixed(1)}`).join('L')}` // prettier-ignore
/** Days in a row on which it lay dry, as spans. */
const spells = computed(() => {
  const days = props.bed.near.dryDays.map((d) => daysBetween(props.sown, d)).sort((a, b) => a - b)
  const spans: { from: number; to: number }[] = []
  for (const d of days) {
    const last = spans.at(-1)
    if (last && d - last.to <= 1) last.to = d
    else spans.push({ from: d, to: d })
  }
  return spans
})
const ticks = computed(() => {
  const step = props.bed.days > 45 ? 14 : 7
  return Array.from({ length: Math.floor((props.bed.days - 1) / step) + 1 }, (_, i) => i * step)
})
const says = computed(() => {
  const { near, far, log, onRecord, days } = props.bed
  const dry =
    near.dryDays.length > 0
      ? `The top lay dry on ${near.dryDays.length} ${near.dryDays.length === 1 ? 'day' : 'days'}, ${showDay(near.dryDays[0]!)}${near.dryDays.length > 1 ? ` to ${showDay(near.dryDays.at(-1)!)}` : ''}.`
      : 'The top was never dry for long.'
  const least = far
    ? far.dryDays.length > near.dryDays.length
      ? ` Where least falls it lay dry on ${far.dryDays.length}.`
      : ' Where least falls it was no different.'
    : ''
  const by =
    log.logged === 0
      ? ' Nothing is logged: every run is taken as given.'
      : log.logged < days - 1
        ? ` ${days - log.logged} days without a log are taken as watered.`
        : ''
  const weather =
    onRecord === 0
      ? ' No weather is on record: usual days without rain are taken.'
      : onRecord < days - 1
        ? ` Weather of ${onRecord} of ${days} days is on record; the others are taken as usual, without rain.`
        : ''
  return `${dry}${least}${by}${weather}`
})
</script>

<template>
  <figure ref="frame">
    <svg :viewBox="`0 0 ${wide} ${HIGH + 18}`" role="img" :aria-label="says">
      <rect
        v-for="s in spells"
        :key="s.from"
        class="dry"
        :x="x(s.from) - 3"
        y="0"
        :width="Math.max(6, x(s.to) - x(s.from) + 6)"
        :height="HIGH"
      />
      <line class="moist" x1="0" :x2="wide" :y1="y(bed.lines.moist)" :y2="y(bed.lines.moist)" />
      <line class="low" x1="0" :x2="wide" :y1="y(bed.lines.dry)" :y2="y(bed.lines.dry)" />
      <path v-if="bed.far" class="far" :d="line(bed.far.driest)" />
      <path class="near" :d="line(bed.near.driest)" />
      <text x="4" :y="y(bed.lines.moist) - 4">moist enough</text>
      <text x="4" :y="y(bed.lines.dry) - 4">dry</text>
      <g v-for="day in ticks" :key="day">
        <line class="tick" :x1="x(day)" :x2="x(day)" :y1="HIGH" :y2="HIGH + 4" />
        <text
          :x="x(day)"
          :y="HIGH + 16"
          :text-anchor="day === 0 ? 'start' : x(day) > wide - 30 ? 'end' : 'middle'"
        >
          {{ showDay(addDays(sown, day)).slice(4) }}
        </text>
      </g>
    </svg>
    <p class="key small">
      <span class="k near">as watered</span>
      <span v-if="bed.far" class="k far"
        >where least falls, {{ firm.hand(100 * bed.reaches, '%') }} of a run</span
      >
      <span v-if="spells.length" class="k spell">lay dry</span>
    </p>
    <figcaption class="small">{{ says }}</figcaption>
  </figure>
</template>

<style scoped>
figure {
  margin: 0;
}
svg {
  display: block;
  width: 100%;
}
.near {
  fill: none;
  stroke: var(--water);
  stroke-width: 2.2;
}
.far {
  fill: none;
  stroke: var(--clay);
  stroke-width: 1.8;
  stroke-dasharray: 7 4;
}
.dry {
  fill: var(--sun-mark);
  opacity: 0.22;
}
.moist,
.low {
  stroke: var(--soft);
  stroke-width: 1;
  stroke-dasharray: 2 4;
}
.tick {
  stroke: var(--soft);
}
text {
  font-size: 12px;
  fill: var(--ink);
}
.key {
  display: flex;
  flex-wrap: wrap;
  gap: 0.2rem 1.1rem;
  color: var(--soft);
}
.k::before {
  content: '';
  display: inline-block;
  width: 1.4rem;
  margin-right: 0.35rem;
  vertical-align: middle;
  border-top: 3px solid var(--water);
}
.k.far::before {
  border-top: 3px dashed var(--clay);
}
.k.spell::before {
  border-top: 0.7rem solid var(--sun-mark);
  opacity: 0.4;
}
.k.near,
.k.far {
  stroke: none;
}
</style>
