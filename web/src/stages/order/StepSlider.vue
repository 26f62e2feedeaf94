<script setup lang="ts">
import { sure } from '@juvena/core/quantities/sure'
import { computed, ref } from 'vue'
import {
  addDays,
  dayNumber,
  daysBetween,
  isWeekend,
  showDay,
  workingDay,
} from '@juvena/core/calendar/day'
import type { PlannedStep } from '@juvena/core/plan/order'
import { OPERATIONS } from '@juvena/core/reference/operations'
import { useFirm } from '../../stores/firm.ts'
import { isBehind } from '@juvena/core/plan/stepState'

/**
 * A step on its days: where it lies and how far it may slip. Drag it to a day, or move it with the
 * arrow keys; that pins it.
 */
const props = defineProps<{ step: PlannedStep; from: string; days: number; name: string }>()
const emit = defineEmits<{ move: [day: string] }>()
const firm = useFirm()
const bar = ref<SVGSVGElement | null>(null)
const dragged = ref<string | null>(null)
const shown = computed(() => dragged.value ?? props.step.chosen)
const fixed = computed(() => isBehind(props.step))
const weekend = (day: string) => isWeekend(dayNumber(day))

function dayAt(event: PointerEvent): string {
  const box = sure(bar.value).getBoundingClientRect()
  const at = Math.floor(((event.clientX - box.left) / box.width) * props.days)
  return addDays(props.from, Math.max(0, Math.min(props.days - 1, at)))
}
function grab(event: PointerEvent) {
  if (fixed.value) return
  sure(bar.value).setPointerCapture(event.pointerId)
  dragged.value = dayAt(event)
}
function drag(event: PointerEvent) {
  if (dragged.value !== null) dragged.value = dayAt(event)
}
function drop() {
  const day = dragged.value
  dragged.value = null
  if (day && day !== props.step.chosen) emit('move', day)
}
const STEPS: Record<string, 1 | -1> = { ArrowLeft: -1, ArrowDown: -1, ArrowRight: 1, ArrowUp: 1 }
/** By the keys from one working day to the next; evening work falls on any. */
function key(event: KeyboardEvent) {
  const by = STEPS[event.key]
  const week = { PageDown: -7, PageUp: 7 }[event.key]
  if ((by === undefined && week === undefined) || fixed.value) return
  event.preventDefault()
  const { chosen, kind } = props.step
  const anyDay = firm.settings.weekendWork || OPERATIONS[kind].evening === true
  emit('move', by === undefined ? addDays(chosen, sure(week)) : workingDay(chosen, by, anyDay))
}
</script>

<template>
  <svg
    ref="bar"
    :viewBox="`0 0 ${days} 6`"
    preserveAspectRatio="none"
    role="slider"
    :tabindex="fixed ? -1 : 0"
    :aria-label="`Day of ${name}`"
    :aria-disabled="fixed"
    :aria-valuemin="0"
    :aria-valuemax="days - 1"
    :aria-valuenow="daysBetween(from, shown)"
    :aria-valuetext="`${showDay(shown)}, may lie between ${showDay(sure(step.earliest))} and ${showDay(sure(step.latest))}`"
    :class="{ fixed }"
    @pointerdown="grab"
    @pointermove="drag"
    @pointerup="drop"
    @pointercancel="dragged = null"
    @keydown="key"
  >
    <template v-for="i in days" :key="i">
      <rect
        v-if="weekend(addDays(from, i - 1))"
        :x="i - 1"
        y="0"
        width="1"
        height="6"
        class="weekend"
      />
    </template>
    <rect
      :x="daysBetween(from, sure(step.earliest))"
      y="2"
      :width="Math.max(1, daysBetween(sure(step.earliest), sure(step.latest)) + 1)"
      height="2"
      class="slack"
    />
    <rect :x="daysBetween(from, shown)" y="0" :width="step.span" height="6" class="on" />
  </svg>
</template>

<style scoped>
svg {
  display: block;
  width: 100%;
  height: 0.9rem;
  cursor: ew-resize;
  touch-action: none;
}
svg.fixed {
  cursor: default;
}
.weekend {
  fill: var(--paper-deep);
}
.slack {
  fill: var(--rule-strong);
}
.on {
  fill: var(--moss);
}
</style>
