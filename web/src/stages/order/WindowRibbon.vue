<script setup lang="ts">
import { computed, ref, useId } from 'vue'
import { addDays, daysBetween } from '@juvena/core/calendar/day'
import { REASONS } from '@juvena/core/climate/dayReasons'
import type { WindowSpan } from '@juvena/core/schedule/orderOfWork'
import { capital, dayByKey, dayText, dayUnder } from '../../parts/dayRow.ts'
import { useFirm } from '../../stores/firm.ts'

/**
 * The sowing window over days: open filled, marginal hatched, shut lined; the cut-off and the sowing day drawn in. With `reasons`, a day under the pointer or
 * reached with the arrow keys says what it is and why.
 */
const props = defineProps<{
  spans: WindowSpan[]
  from: string
  days: number
  cutOff: string
  sow?: string | null
  reasons?: boolean
  name?: string
}>()
const firm = useFirm()
const id = useId()
const pieces = computed(() =>
  props.spans
    .map((s) => ({ ...s, x: Math.max(0, daysBetween(props.from, s.from)), end: Math.min(props.days, daysBetween(props.from, s.to) + 1) }))
    .filter((s) => s.end > s.x),
)
const cut = computed(() => daysBetween(props.from, props.cutOff) + 1)
const sowAt = computed(() => (props.sow ? daysBetween(props.from, props.sow) : -1))
const shownDay = (day: string) => dayText(day, firm.today)
const says = computed(() => pieces.value.map((s) => `${s.state} ${shownDay(s.from)} to ${shownDay(s.to)}: ${firm.say(REASONS[s.reason])}`).join('; '))

const at = ref<number | null>(null)
const shown = computed(() => {
  const i = at.value ?? Math.max(0, Math.min(props.days - 1, sowAt.value))
  const day = addDays(props.from, i)
  const span = props.spans.find((s) => s.from <= day && s.to >= day)
  return span ? `${shownDay(day)}: ${span.state}. ${capital(firm.say(REASONS[span.reason]))}.` : ''
})
const point = (event: PointerEvent) => (at.value = dayUnder(event, props.days))
function key(event: KeyboardEvent) {
  const to = dayByKey(event.key, at.value ?? Math.max(0, sowAt.value), props.days)
  if (to === null) return
  event.preventDefault()
  at.value = Math.max(0, Math.min(props.days - 1, to))
}
</script>

<template>
  <span
    class="whole"
    v-bind="
      reasons
        ? {
            tabindex: 0,
            role: 'slider',
            'aria-label': `${name ?? 'Sowing window'}, day by day`,
            'aria-valuemin': 0,
            'aria-valuemax': days - 1,
            'aria-valuenow': at ?? 0,
            'aria-valuetext': shown,
          }
        : {}
    "
    @keydown="reasons && key($event)"
    @blur="at = null"
  >
    <svg
      class="ribbon"
      :viewBox="`0 0 ${days * 10} 30`"
      preserveAspectRatio="none"
      role="img"
      :aria-label="`${name ?? 'Sowing window'}: ${says}. Last day ${shownDay(cutOff)}.`"
      @pointermove="reasons && point($event)"
      @pointerleave="at = null"
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
      >
        <title v-if="!reasons">{{ p.state }}: {{ firm.say(REASONS[p.reason]) }}</title>
      </rect>
      <rect v-if="sowAt >= 0 && sowAt < days" :x="sowAt * 10" y="4" width="10" height="22" class="sow" />
      <line v-if="cut > 0 && cut <= days" :x1="cut * 10" :x2="cut * 10" y1="0" y2="30" class="cut" vector-effect="non-scaling-stroke" />
      <line v-if="at !== null" :x1="at * 10 + 5" :x2="at * 10 + 5" y1="0" y2="30" class="at" vector-effect="non-scaling-stroke" />
    </svg>
    <span v-if="reasons" class="why small" aria-hidden="true">{{ shown }}</span>
  </span>
</template>

<style scoped>
.whole {
  display: block;
  height: 100%;
}
.ribbon {
  width: 100%;
  height: 1.6rem;
  display: block;
}
.behind .ribbon {
  height: 100%;
}
.why {
  display: block;
  line-height: 1.3;
  padding-top: 0.15rem;
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
.at {
  stroke: var(--ink);
  stroke-width: 2;
}
</style>
