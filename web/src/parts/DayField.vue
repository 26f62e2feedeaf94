<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { parseDay, parseMonthDay, showDay, showMonthDay } from '@juvena/core/calendar/day'
import { useFirm } from '../stores/firm.ts'
import TextField from './TextField.vue'

/**
 * A typed date; without a year, the one nearest today. `yearless` takes a day of the year, like a
 * frost date.
 */
const props = defineProps<{
  label: string
  modelValue: string | null | undefined
  problem?: string
  hint?: string
  yearless?: boolean
  today: string
}>()
const emit = defineEmits<{ 'update:modelValue': [value: string | null] }>()

const firm = useFirm()
const order = computed(() => (firm.settings.units === 'us' ? 'month-first' : 'day-first'))
const text = ref(props.modelValue ?? '')
watch(
  () => props.modelValue,
  (value) => {
    const typed = understand(text.value)
    if ((value ?? '') !== (typed ?? text.value)) text.value = value ?? ''
  },
)
function understand(value: string): string | null {
  const parsed = props.yearless ? parseMonthDay(value) : parseDay(value, props.today, order.value)
  return parsed.ok ? parsed.value : null
}
function type(value: string) {
  text.value = value
  if (value.trim() === '') return emit('update:modelValue', null)
  emit('update:modelValue', understand(value) ?? value)
}
const echo = computed(() => {
  const value = understand(text.value)
  return value ? `= ${props.yearless ? showMonthDay(value) : showDay(value, true)}` : ''
})
</script>

<template>
  <TextField
    :label="label"
    :model-value="text"
    :problem="problem"
    :hint="echo || hint"
    :placeholder="yearless ? '25 Apr' : '24 Apr 2027'"
    :maxlength="60"
    @update:model-value="type"
  />
</template>
