<script setup lang="ts">
import ChoiceField from './ChoiceField.vue'

/** Yes, no, or not looked at. */
defineProps<{ label: string; modelValue: boolean | null | undefined; hint?: string }>()
const emit = defineEmits<{ 'update:modelValue': [value: boolean | null] }>()
const ANSWERS = [
  { value: 'yes', name: 'yes' },
  { value: 'no', name: 'no' },
] as const
</script>

<template>
  <ChoiceField
    :label="label"
    clearable
    :hint="hint"
    :options="ANSWERS"
    :model-value="modelValue === true ? 'yes' : modelValue === false ? 'no' : null"
    @update:model-value="emit('update:modelValue', $event === null ? null : $event === 'yes')"
  />
</template>
