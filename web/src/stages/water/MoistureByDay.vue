<script setup lang="ts">
import { computed } from 'vue'
import { addDays, showDay } from '@juvena/core/calendar/day'
import type { SeedbedOfPackage } from '@juvena/core/seedbedOfJob'

/** What the driest moment of each day leaves the seed: usual years, and one in ten either way. */
const props = defineProps<{ of: SeedbedOfPackage }>()
const [WIDE, HIGH] = [260, 110]
const days = computed(() => props.of.driest)
const x = (day: number) => (day / Math.max(1, days.value.length - 1)) * WIDE
const y = (share: number) => HIGH - Math.min(1, Math.max(0, share)) * HIGH
const line = (of: 'low' | 'usual' | 'high') => days.value.map((d, i) => `${x(i).toFixed(1)} ${y(d[of]).toFixed(1)}`) // prettier-ignore
const band = computed(() => `M${line('high').join('L')}L${line('low').reverse().join('L')}Z`)
const usual = computed(() => `M${line('usual').join('L')}`)
const dryDays = computed(() => days.value.filter((d) => d.usual < props.of.lines.dry).length)
const says = computed(() => {
  const n = days.value.length
  const least = Math.min(...days.value.map((d) => d.usual))
  return `In a usual year the top holds ${Math.round(100 * least)} % of its water at the driest moment of its first ${n} days${dryDays.value > 0 ? `, and dries on ${dryDays.value} of them` : ''}.`
})
const weeks = computed(() => Array.from({ length: Math.floor(days.value.length / 7) + 1 }, (_, i) => i * 7).filter((d) => d < days.value.length)) // prettier-ignore
</script>

<template>
  <figure>
    <svg :viewBox="`0 0 ${WIDE} ${HIGH + 16}`" role="img" :aria-label="says">
      <rect class="dry" x="0" :y="y(of.lines.dry)" :width="WIDE" :height="HIGH - y(of.lines.dry)" />
      <path class="band" :d="band" />
      <path class="usual" :d="usual" />
      <line class="moist" x1="0" :x2="WIDE" :y1="y(of.lines.moist)" :y2="y(of.lines.moist)" />
      <text class="line" x="3" :y="11">wet; seed swells above the line</text>
      <text class="line" x="3" :y="HIGH - 4">dries</text>
      <g v-for="day in weeks" :key="day">
        <line class="tick" :x1="x(day)" :x2="x(day)" :y1="HIGH" :y2="HIGH + 3" />
        <text
          class="day"
          :x="x(day)"
          :y="HIGH + 13"
          :text-anchor="day === 0 ? 'start' : day === days.length - 1 ? 'end' : 'middle'"
        >
          {{ showDay(addDays(of.sown, day)).slice(4) }}
        </text>
      </g>
    </svg>
    <figcaption class="small">{{ says }}</figcaption>
  </figure>
</template>

<style scoped>
figure {
  margin: 0;
}
svg {
  width: 100%;
  max-height: 11rem;
}
.band {
  fill: var(--water);
  opacity: 0.22;
}
.usual {
  fill: none;
  stroke: var(--water);
  stroke-width: 1.8;
}
.dry {
  fill: var(--clay);
  opacity: 0.16;
}
.moist {
  stroke: var(--ink);
  stroke-width: 0.8;
  stroke-dasharray: 4 3;
}
.tick {
  stroke: var(--soft);
}
text {
  font-size: 10px;
  fill: var(--soft);
}
.line {
  fill: var(--ink);
}
</style>
