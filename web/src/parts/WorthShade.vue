<script setup lang="ts">
import { computed } from 'vue'
import { addDays, daysBetween } from '@juvena/core/calendar/day'
import { REASONS } from '@juvena/core/climate/dayReasons'
import type { WindowSpan } from '@juvena/core/plan/order'
import { useFirm } from '../stores/firm.ts'
import { dayText } from './dayRow.ts'

/**
 * The ground of a lane: what each week is worth for a piece of work as its shade, the darker the
 * more; a line along the foot where it is shut. Each stretch says its days, worth and reason under
 * the pointer.
 */
const props = defineProps<{
  spans: readonly WindowSpan[]
  /** Worth by week from `start`, 0 to 100; where it is not known the state alone is drawn. */
  worth: readonly number[]
  start: string
  from: string
  days: number
  /** Where a day lies, 0 to 1 of the lane. */
  place: (day: string) => number
}>()
const firm = useFirm()
const STATE_WORTH = { open: 80, marginal: 40, shut: 0 }
/** Shades that can be told apart, in points of a hundred. */
const SHADE = 8
const worthOn = (day: string, state: WindowSpan['state']) =>
  props.worth[Math.floor(daysBetween(props.start, day) / 7)] ?? STATE_WORTH[state]

interface Stretch {
  from: string
  to: string
  worth: number
  span: WindowSpan
}
const stretches = computed(() => {
  const end = addDays(props.from, props.days - 1)
  const list: Stretch[] = []
  for (const span of props.spans) {
    let day = span.from < props.from ? props.from : span.from
    const last = span.to > end ? end : span.to
    while (day <= last) {
      const week = Math.floor(daysBetween(props.start, day) / 7)
      const ends = addDays(props.start, 7 * week + 6)
      const to = span.state === 'shut' || ends > last ? last : ends
      const worth = span.state === 'shut' ? 0 : Math.max(1, worthOn(day, span.state))
      const before = list.at(-1)
      if (before?.span === span && Math.round(before.worth / SHADE) === Math.round(worth / SHADE))
        before.to = to
      else list.push({ from: day, to, worth, span })
      day = addDays(to, 1)
    }
  }
  return list.map((s) => ({
    key: s.from,
    shut: s.span.state === 'shut',
    left: `${(100 * props.place(s.from)).toFixed(2)}%`,
    width: `${(100 * (props.place(addDays(s.to, 1)) - props.place(s.from))).toFixed(2)}%`,
    shade: `${Math.round(6 + 0.4 * s.worth)}%`,
    says: `${dayText(s.from, firm.today)} to ${dayText(s.to, firm.today)}: ${s.span.state === 'shut' ? 'shut' : `worth about ${Math.round(s.worth)} of 100, ${s.span.state}`}; ${firm.say(REASONS[s.span.reason])}`,
  }))
})
</script>

<template>
  <span class="ground">
    <span
      v-for="s in stretches"
      :key="s.key"
      class="stretch"
      :class="{ shut: s.shut }"
      :style="{ left: s.left, width: s.width, '--shade': s.shade }"
      :title="s.says"
    />
  </span>
</template>

<style scoped>
.ground {
  position: absolute;
  inset: 0;
}
.stretch {
  position: absolute;
  top: 0;
  bottom: 0;
  background: color-mix(in srgb, var(--moss) var(--shade), transparent);
}
.stretch.shut {
  background: none;
  border-bottom: 2px solid color-mix(in srgb, var(--hold) 30%, transparent);
}
:root[data-theme='field'] .stretch.shut {
  border-bottom-color: var(--hold);
}
</style>
