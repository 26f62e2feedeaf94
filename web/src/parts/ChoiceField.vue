<script setup lang="ts" generic="T extends string">
import { ElOption, ElRadioButton, ElRadioGroup, ElSelect } from 'element-plus'
import { computed, useId } from 'vue'
import { useFirm } from '../stores/firm.ts'

/**
 * One of a few: laid out as buttons, or as a list where there are many. Pressing the chosen one
 * again lets it go when it may be empty.
 */
const props = defineProps<{
  label: string
  options: readonly { value: T; name: string }[]
  modelValue: T | null | undefined
  list?: boolean
  clearable?: boolean
  hint?: string
}>()
const emit = defineEmits<{ 'update:modelValue': [value: T | null] }>()
const firm = useFirm()
const id = useId()
const value = computed(() => props.modelValue ?? undefined)
const clear = (option: T) =>
  props.clearable && option === props.modelValue && emit('update:modelValue', null)
</script>

<template>
  <div class="field">
    <span :id="id" class="field-label">{{ label }}</span>
    <ElSelect
      v-if="list"
      append-to="#above"
      :model-value="value"
      :aria-label="label"
      placeholder="choose"
      :clearable="clearable"
      :show-arrow="false"
      @update:model-value="emit('update:modelValue', ($event as T) || null)"
    >
      <ElOption v-for="o in options" :key="o.value" :value="o.value" :label="firm.say(o.name)" />
    </ElSelect>
    <ElRadioGroup
      v-else
      :model-value="value"
      :aria-label="label"
      @update:model-value="emit('update:modelValue', $event as T)"
    >
      <ElRadioButton v-for="o in options" :key="o.value" :value="o.value" @click="clear(o.value)">{{
        firm.say(o.name)
      }}</ElRadioButton>
    </ElRadioGroup>
    <p v-if="hint" class="says">{{ hint }}</p>
  </div>
</template>
