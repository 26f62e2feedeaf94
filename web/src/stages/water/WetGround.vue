<script setup lang="ts">
import { computed } from 'vue'

/** A cut through the ground, with each run of a day as deep as its water, to one scale. */
const props = defineProps<{
  /** Water of each run, mm. */
  runs: readonly number[]
  /** The water that fills the picture, mm. */
  full: number
  /** Blades standing: none, seedlings, turf. */
  grass: 'none' | 'seedlings' | 'turf'
  says: string
}>()
const WIDE = 120
const SOIL = 26
const TOP = 12
const drops = computed(() =>
  props.runs.map((mm, i) => {
    const step = WIDE / (props.runs.length + 1)
    const deep = Math.min(1, mm / props.full) * SOIL
    const half = Math.min(11, step / 2.4)
    const x = step * (i + 1)
    // As water goes into soil: wide at the top, round below.
    return `M${x - half} ${TOP} C${x - half} ${TOP + deep * 1.3} ${x + half} ${TOP + deep * 1.3} ${x + half} ${TOP}Z`
  }),
)
const blades = computed(() => {
  if (props.grass === 'none') return ''
  const [every, tall] = props.grass === 'turf' ? [2.5, 8] : [5, 4]
  return Array.from({ length: Math.floor(WIDE / every) }, (_, i) => {
    const x = i * every + 1
    return `M${x} ${TOP}l${i % 3 === 0 ? 1 : -0.8} ${-tall + (i % 4)}`
  }).join('')
})
</script>

<template>
  <svg
    class="ground"
    :viewBox="`0 0 ${WIDE} ${TOP + SOIL}`"
    preserveAspectRatio="none"
    role="img"
    :aria-label="says"
  >
    <rect class="soil" x="0" :y="TOP" :width="WIDE" :height="SOIL" />
    <path v-for="(d, i) in drops" :key="i" class="wet" :d="d" />
    <path v-if="blades" class="blades" :d="blades" vector-effect="non-scaling-stroke" />
    <line x1="0" :x2="WIDE" :y1="TOP" :y2="TOP" vector-effect="non-scaling-stroke" />
  </svg>
</template>

<style scoped>
.ground {
  width: 100%;
  height: 3.2rem;
  margin-bottom: 0.25rem;
}
.soil {
  fill: #c9a67c;
  opacity: 0.55;
}
.wet {
  fill: var(--water);
  opacity: 0.85;
}
.blades {
  stroke: var(--moss);
  stroke-width: 1.2;
  fill: none;
}
line {
  stroke: var(--ink);
  stroke-width: 1.5;
}
</style>
