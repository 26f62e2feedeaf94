<script setup lang="ts">
import { computed } from 'vue'

/** Wanted cover at the start of each week, %: a blade of turf for each, its doubtful part paler. */
const props = defineProps<{ weeks: readonly { low: number; high: number }[] }>()
const said = computed(() => {
  const at = (i: number) => {
    const w = props.weeks[i]
    return w ? `${Math.round(w.low)} to ${Math.round(w.high)} %` : ''
  }
  const last = props.weeks.length - 1
  return `Wanted cover by week: now ${at(0)}, in ${Math.round(last / 2)} weeks ${at(Math.round(last / 2))}, in ${last} weeks ${at(last)}.`
})
</script>

<template>
  <svg
    class="weeks"
    :viewBox="`0 0 ${weeks.length} 100`"
    preserveAspectRatio="none"
    role="img"
    :aria-label="said"
  >
    <title>{{ said }}</title>
    <template v-for="(w, i) in weeks" :key="i">
      <rect class="high" :x="i + 0.08" :y="100 - w.high" width="0.84" :height="w.high" />
      <rect class="low" :x="i + 0.08" :y="100 - w.low" width="0.84" :height="w.low" />
    </template>
    <line x1="0" :x2="weeks.length" y1="100" y2="100" vector-effect="non-scaling-stroke" />
  </svg>
</template>

<style scoped>
.weeks {
  display: block;
  width: 100%;
  height: 2.2rem;
  margin-bottom: 0.15rem;
  background: linear-gradient(var(--rule) 0 0) top / 100% 1px no-repeat;
}
.low {
  fill: var(--moss);
}
.high {
  fill: var(--moss);
  opacity: 0.35;
}
line {
  stroke: var(--ink);
  stroke-width: 1.5;
}
</style>
