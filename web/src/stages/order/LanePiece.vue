<script setup lang="ts">
import { sure } from '@juvena/core/quantities/sure'
import { computed, ref } from 'vue'
import { addDays, daysBetween, showDay, workingDay } from '@juvena/core/calendar/day'
import { useFirm } from '../../stores/firm.ts'
import type { Piece } from './lanes.ts'
import { dayAtPlace, LINE_DAYS, placeOf } from './timeLine.ts'

/**
 * A piece of work as a core in its lane. Dragged, or moved with the arrow keys, it is pinned to
 * another day; pressed, it leads to its step.
 */
const props = defineProps<{
  piece: Piece
  from: string
  /** What is said of a day while it is dragged there. */
  says: (day: string) => string
}>()
const emit = defineEmits<{ move: [day: string]; open: [] }>()
const firm = useFirm()
/** Pixels before a press is a drag. */
const SLACK = 4
const held = ref<{ x: number; day: string | null } | null>(null)
const dragged = computed(() => held.value?.day ?? null)
const at = computed(() => (dragged.value ? placeOf(props.from, dragged.value) : props.piece.at))

function grab(event: PointerEvent) {
  if (props.piece.done || event.button !== 0) return
  ;(event.currentTarget as HTMLElement).setPointerCapture(event.pointerId)
  held.value = { x: event.clientX, day: null }
}
function drag(event: PointerEvent) {
  if (!held.value) return
  const by = event.clientX - held.value.x
  if (held.value.day === null && Math.abs(by) < SLACK) return
  const lane = sure((event.currentTarget as HTMLElement).parentElement).getBoundingClientRect()
  const start = placeOf(props.from, props.piece.step.chosen)
  held.value = { ...held.value, day: dayAtPlace(props.from, start + by / lane.width) }
}
function drop() {
  const day = dragged.value
  held.value = null
  if (day === null) emit('open')
  else if (day !== props.piece.step.chosen) emit('move', day)
}
function key(event: KeyboardEvent) {
  if (event.key === 'Enter') return emit('open')
  const { chosen } = props.piece.step
  const to = ({ ArrowLeft: -1, ArrowDown: -1, ArrowRight: 1, ArrowUp: 1 } as const)[event.key]
  const week = { PageDown: -7, PageUp: 7 }[event.key]
  if ((to === undefined && week === undefined) || props.piece.done) return
  event.preventDefault()
  const day =
    to === undefined
      ? addDays(chosen, sure(week))
      : workingDay(chosen, to, firm.settings.weekendWork)
  if (day >= props.from) emit('move', day)
}
</script>

<template>
  <span
    class="core"
    role="slider"
    :tabindex="0"
    :class="{
      plants: piece.plants,
      done: piece.done,
      dragged,
      looks: piece.looks,
      pinned: piece.step.state === 'pinned',
    }"
    :aria-label="`Day of ${piece.words.join(', ')}`"
    :aria-disabled="piece.done"
    :aria-valuemin="0"
    :aria-valuemax="LINE_DAYS"
    :aria-valuenow="Math.max(0, daysBetween(from, piece.step.chosen))"
    :aria-valuetext="`${piece.says}. ${says(piece.step.chosen)}`"
    :style="{ left: `min(${(100 * at).toFixed(2)}%, calc(100% - 2.5rem))` }"
    :title="piece.says"
    @pointerdown="grab"
    @pointermove="drag"
    @pointerup="drop"
    @pointercancel="held = null"
    @keydown="key"
    ><span v-for="w in piece.words.slice(0, 2)" :key="w">{{ w }}</span
    ><span v-if="piece.words.length > 2">+{{ piece.words.length - 2 }}</span></span
  >
  <span
    v-if="dragged"
    class="bubble small"
    :style="
      at > 0.6
        ? { right: `${(100 * (1 - at)).toFixed(2)}%` }
        : { left: `calc(${(100 * at).toFixed(2)}% + 3.8rem)` }
    "
    aria-hidden="true"
    ><b>{{ showDay(dragged) }}</b> {{ says(dragged) }}</span
  >
</template>

<style scoped>
.core {
  position: absolute;
  top: 9px;
  min-width: 2.2rem;
  max-width: 3.6rem;
  min-height: 2rem;
  padding: 0.1rem 0.25rem 0.2rem;
  display: grid;
  align-content: center;
  justify-items: center;
  border: 1.5px solid var(--ink);
  border-top: 0;
  border-radius: 0 0 9px 9px;
  background: var(--sheet);
  color: var(--ink);
  font-size: 0.6875rem;
  line-height: 1.1;
  overflow: hidden;
  cursor: ew-resize;
  touch-action: pan-y;
  user-select: none;
}
.core.plants {
  border-bottom: 5px solid var(--moss);
}
.core.looks {
  border-style: dashed;
  border-bottom-color: var(--sun);
}
.core.pinned {
  border-top: 4px solid var(--ink);
}
.core.done {
  background: var(--moss-wash);
  border-style: dashed;
  border-top: 0;
  cursor: pointer;
}
.core:hover,
.core:focus-visible,
.core.dragged {
  z-index: 2;
  background: var(--paper-deep);
}
.bubble {
  position: absolute;
  z-index: 3;
  top: 12px;
  padding: 0.1rem 0.45rem 0.15rem;
  border: 1px solid var(--ink);
  background: var(--sheet);
  white-space: nowrap;
  pointer-events: none;
}
</style>
