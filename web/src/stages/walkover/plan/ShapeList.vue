<script setup lang="ts">
import { computed } from 'vue'
import {
  MEASURED_BY,
  MEASURED_BY_NAMES,
  SHAPE_KINDS,
  type MeasuredBy,
  type Ring,
  type ShapeDraft,
  type ShapeKind,
} from '@juvena/core/entities/drawing'
import { areaOf, lengthOf } from '@juvena/core/drawing/geometry'
import { shapeName } from '@juvena/core/drawing/shapeEdits'
import { useFirm } from '../../../stores/firm.ts'
import { useJob } from '../../../stores/job.ts'
import type { Tool } from './PlanMap.vue'

/**
 * All that is drawn, as a list: the way to it for whoever uses the keyboard, with what can be done
 * to the chosen one.
 */
const props = defineProps<{ chosen: string | null; tool: Tool; picture: boolean; by: MeasuredBy }>()
const emit = defineEmits<{
  choose: [id: string | null]
  remove: [id: string]
  tool: [tool: Tool]
  'update:by': [by: MeasuredBy]
}>()
const firm = useFirm()
const job = useJob()
const shapes = computed<ShapeDraft[]>(() => job.draft?.drawing?.shapes ?? [])
const size = (s: ShapeDraft) => {
  const counted = s.kind === 'lawn' ? job.ofZone(s.zone, 'area') : null
  if (counted) return firm.hand(counted.value, 'm2')
  const at = s.at as Ring[]
  const draws = SHAPE_KINDS[s.kind as ShapeKind].draws
  return draws === 'area'
    ? firm.hand(areaOf(at), 'm2')
    : draws === 'line'
      ? firm.hand(lengthOf(at[0]!), 'm')
      : ''
}
const name = (s: ShapeDraft) =>
  s.kind === 'lawn' ? job.zones.find((z) => z.id === s.zone)?.name || 'Unnamed zone' : shapeName(s)
const shape = computed(() => shapes.value.find((s) => s.id === props.chosen) ?? null)
</script>

<template>
  <section class="list" aria-label="What is drawn">
    <div class="row">
      <label class="small">
        measured by
        <select
          :value="picture ? 'traced' : by"
          :disabled="picture"
          @change="emit('update:by', ($event.target as HTMLSelectElement).value as MeasuredBy)"
        >
          <option v-for="m in MEASURED_BY" :key="m" :value="m">{{ MEASURED_BY_NAMES[m] }}</option>
        </select>
      </label>
      <template v-if="shape">
        <b>{{ name(shape) }}</b>
        <button
          type="button"
          class="act slight"
          :aria-pressed="tool === 'move'"
          @click="emit('tool', 'move')"
        >
          move
        </button>
        <button
          v-if="shape.kind === 'lawn'"
          type="button"
          class="act slight"
          :aria-pressed="tool === 'split'"
          @click="emit('tool', 'split')"
        >
          cut in two
        </button>
        <button type="button" class="act slight" @click="emit('remove', shape.id)">remove</button>
        <span class="small soft">{{
          firm.say('drag a corner to reshape; Alt-click takes a corner out')
        }}</span>
      </template>
      <span v-else-if="shapes.length" class="small soft"
        >Choose a shape to reshape, measure or describe it.</span
      >
    </div>
    <ul v-if="shapes.length" class="shapes">
      <li v-for="s in shapes" :key="s.id">
        <button
          type="button"
          :aria-pressed="s.id === chosen"
          @click="emit('choose', s.id === chosen ? null : s.id)"
        >
          <span>{{ name(s) }}</span> <b>{{ size(s) }}</b>
        </button>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.list {
  display: grid;
  gap: 0.35rem;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 0.3rem 0.7rem;
  align-items: center;
}
select {
  border: 1px solid var(--rule-strong);
  background: var(--sheet);
  border-radius: 3px;
  padding: 0.15rem 0.3rem;
}
.shapes {
  display: flex;
  flex-wrap: wrap;
  gap: 0.25rem;
  max-height: 6.2rem;
  overflow-y: auto;
  padding: 2px;
}
.shapes button {
  border: 1px solid var(--rule);
  background: var(--sheet);
  border-radius: 3px;
  padding: 0.1rem 0.5rem;
  font-size: var(--size-small);
  cursor: pointer;
  max-width: 18rem;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.shapes button[aria-pressed='true'] {
  border: 2px solid var(--moss);
  padding: calc(0.1rem - 1px) calc(0.5rem - 1px);
  background: var(--moss-wash);
}
</style>
