<script setup lang="ts" generic="T extends string">
import { ElOption, ElSelect } from 'element-plus'
import { computed } from 'vue'
import DayField from '../../../parts/DayField.vue'
import type { Seen } from '@juvena/core/reference/walkLists'

/** Things seen, from a list, each with whether it is still active. */
interface SeenOne {
  kind: T
  active?: boolean | null
  /** The day a flight was at its peak, where the kind has one. */
  peak?: string | null
}
const props = defineProps<{
  label: string
  options: Readonly<Record<T, Seen>>
  modelValue: readonly SeenOne[]
  /** Kinds that fly, asked for the peak of the flight. */
  flies?: readonly T[]
  today?: string
}>()
const emit = defineEmits<{
  'update:modelValue': [value: (SeenOne & { active: boolean | null })[]]
}>()
const kinds = computed(() => Object.keys(props.options) as T[])
const pick = (list: T[]) =>
  emit(
    'update:modelValue',
    list.map((kind) => ({
      ...props.modelValue.find((x) => x.kind === kind),
      kind,
      active: props.modelValue.find((x) => x.kind === kind)?.active ?? true,
    })),
  )
const setPeak = (kind: T, peak: string | null) =>
  emit(
    'update:modelValue',
    props.modelValue.map((x) => ({
      ...x,
      active: x.active ?? null,
      ...(x.kind === kind ? { peak } : {}),
    })),
  )
const setActive = (kind: T, active: boolean) =>
  emit(
    'update:modelValue',
    props.modelValue.map((x) => ({ ...x, active: x.kind === kind ? active : (x.active ?? null) })),
  )
</script>

<template>
  <div class="field seen">
    <span class="field-label">{{ label }}</span>
    <ElSelect
      append-to="#above"
      multiple
      collapse-tags
      :model-value="modelValue.map((x) => x.kind)"
      :aria-label="label"
      placeholder="none seen"
      @update:model-value="pick($event as T[])"
    >
      <ElOption v-for="k in kinds" :key="k" :value="k" :label="options[k].name" />
    </ElSelect>
    <ul>
      <li v-for="x in modelValue" :key="x.kind" class="small">
        <span>{{ options[x.kind].says }}</span>
        <DayField
          v-if="flies?.includes(x.kind) && x.active !== false && today"
          label="Flight at its peak"
          :model-value="x.peak"
          :today="today"
          @update:model-value="setPeak(x.kind, $event ?? null)"
        />
        <button
          type="button"
          class="act slight"
          :aria-pressed="x.active !== false"
          @click="setActive(x.kind, x.active === false)"
        >
          {{ x.active === false ? 'gone' : 'still active' }}
        </button>
      </li>
    </ul>
  </div>
</template>

<style scoped>
.seen {
  grid-column: span 2;
}
li {
  display: flex;
  gap: 0.5rem;
  justify-content: space-between;
  align-items: start;
  padding-top: 0.2rem;
  line-height: 1.3;
}
@media (max-width: 640px) {
  .seen {
    grid-column: 1 / -1;
  }
}
</style>
