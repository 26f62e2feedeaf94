<script setup lang="ts">
import { computed, useId } from 'vue'
import { daysBetween, showDay } from '@juvena/core/calendar/day'
import type { WindowSpan } from '@juvena/core/schedule/orderOfWork'

/** The sowing window over days: open filled, marginal hatched, shut lined; the cut-off and the sowing day drawn in. */
const props = defineProps<{ spans: WindowSpan[]; from: string; days: number; cutOff: string; sow?: string | null }>()
const id = useId()
const pieces = computed(() =>
  props.spans
    .map((s) => ({ ...s, x: Math.max(0, daysBetween(props.from, s.from)), end: Math.min(props.days, daysBetween(props.from, s.to) + 1) }))
    .filter((s) => s.end > s.x),
)
const cut = computed(() => daysBetween(props.from, props.cutOff) + 1)
const sowAt = computed(() => (props.sow ? daysBetween(props.from, props.sow) : -1))
const says = computed(() => props.spans.map((s) => `${s.state} ${showDay(s.from)} to ${showDay(s.to)}`).join('; '))
</script>

<template>
  <svg
    class="ribbon"
    :viewBox="`0 0 ${days * 10} 30`"
    preserveAspectRatio="none"
    role="img"
    :aria-label="`Sowing window: ${says}. Last day ${showDay(cutOff)}.`"
  >
    <defs>
      <pattern :id="`${id}marginal`" width="12" height="12" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <rect width="12" height="12" class="m1" />
        <rect width="6" height="12" class="m2" />
      </pattern>
      <pattern :id="`${id}shut`" width="8" height="8" patternUnits="userSpaceOnUse">
        <rect width="8" height="8" class="s1" />
        <rect width="8" height="2" class="s2" />
      </pattern>
    </defs>
    <rect
      v-for="p in pieces"
      :key="p.from"
      :x="p.x * 10"
      y="0"
      :width="(p.end - p.x) * 10"
      height="30"
      :class="p.state"
      :fill="p.state === 'open' ? undefined : `url(#${id}${p.state})`"
    />
    <rect v-if="sowAt >= 0 && sowAt < days" :x="sowAt * 10" y="4" width="10" height="22" class="sow" />
    <line v-if="cut > 0 && cut <= days" :x1="cut * 10" :x2="cut * 10" y1="0" y2="30" class="cut" vector-effect="non-scaling-stroke" />
  </svg>
</template>

<style scoped>
.ribbon {
  width: 100%;
  height: 1.6rem;
  display: block;
}
.open {
  fill: var(--moss-wash);
  stroke: none;
}
.m1 {
  fill: var(--sheet);
}
.m2 {
  fill: var(--sun-wash);
}
.s1 {
  fill: var(--paper);
}
.s2 {
  fill: var(--hold-wash);
}
:root[data-theme='field'] .open {
  fill: #cfe3cc;
}
:root[data-theme='field'] .m2 {
  fill: #e2c46d;
}
:root[data-theme='field'] .s2 {
  fill: #d9a2a0;
}
.sow {
  fill: var(--moss);
}
.cut {
  stroke: var(--hold);
  stroke-width: 3;
}
</style>
