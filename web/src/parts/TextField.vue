<script setup lang="ts">
import { ElInput } from 'element-plus'
import { useId } from 'vue'

/** A line or block of words, or a typed date: whatever has no unit. */
defineProps<{
  label: string
  modelValue: string | null | undefined
  problem?: string
  hint?: string
  placeholder?: string
  rows?: number
  maxlength?: number
}>()
const emit = defineEmits<{ 'update:modelValue': [value: string] }>()
const id = useId()
</script>

<template>
  <div class="field" :class="{ 'has-problem': problem }">
    <label :for="id">{{ label }}</label>
    <ElInput
      :id="id"
      :model-value="modelValue ?? ''"
      :type="rows ? 'textarea' : 'text'"
      :rows="rows"
      :maxlength="maxlength ?? 120"
      :placeholder="placeholder"
      autocomplete="off"
      :aria-invalid="problem ? 'true' : undefined"
      :aria-describedby="`${id}-says`"
      @update:model-value="emit('update:modelValue', $event)"
    />
    <p :id="`${id}-says`" class="says" :class="{ problem }">{{ problem || hint || '' }}</p>
  </div>
</template>
