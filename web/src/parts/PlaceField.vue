<script setup lang="ts">
import { ElInput } from 'element-plus'
import { computed, ref, useId, watch } from 'vue'
import { parseDegrees, parsePair, type Axis } from '@juvena/core/quantities/degrees'
import { showNumber } from '@juvena/core/quantities/show'

/** A latitude or longitude in any manner of writing; a pasted pair fills both. */
const props = defineProps<{
  label: string
  axis: Axis
  modelValue: string | number | null | undefined
  problem?: string
  hint?: string
}>()
const emit = defineEmits<{
  'update:modelValue': [value: string | null]
  pair: [latitude: number, longitude: number]
}>()
const id = useId()
const stored = computed(() => (props.modelValue === null || props.modelValue === undefined ? '' : String(props.modelValue))) // prettier-ignore
const text = ref(stored.value)
const focused = ref(false)
watch(stored, (value) => {
  if (!focused.value || value === '') text.value = value
})
const read = computed(() =>
  text.value.trim() === '' ? null : parseDegrees(text.value, props.axis),
)
function type(value: string) {
  text.value = value
  if (value.trim() === '') return emit('update:modelValue', null)
  const pair = parsePair(value)
  if (pair) return emit('pair', pair.latitude, pair.longitude)
  const parsed = parseDegrees(value, props.axis)
  emit('update:modelValue', parsed.ok ? String(parsed.value) : value)
}
const SIDES = { latitude: ['N', 'S'], longitude: ['E', 'W'] } as const
const says = computed(() => {
  if (!read.value) return props.hint ?? ''
  if (!read.value.ok) return read.value.sentence
  const { value } = read.value
  return (
    props.problem || `= ${showNumber(Math.abs(value))}° ${SIDES[props.axis][value < 0 ? 1 : 0]}`
  )
})
const wrong = computed(() => (read.value !== null && !read.value.ok) || !!props.problem)
</script>

<template>
  <div class="field" :class="{ 'has-problem': wrong }">
    <label :for="id">{{ label }}</label>
    <ElInput
      :id="id"
      :model-value="text"
      autocomplete="off"
      :maxlength="60"
      :aria-invalid="wrong ? 'true' : undefined"
      :aria-describedby="`${id}-says`"
      @update:model-value="type"
      @focus="focused = true"
      @blur="((focused = false), (text = stored))"
    />
    <p :id="`${id}-says`" class="says" :class="{ problem: wrong }">{{ says }}</p>
  </div>
</template>
