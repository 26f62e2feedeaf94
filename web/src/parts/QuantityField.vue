<script setup lang="ts">
import { ElInput } from 'element-plus'
import { computed, ref, useId, watch } from 'vue'
import { KINDS, parseQuantity, type Kind } from '@juvena/core/quantities/quantity'
import type { Unit } from '@juvena/core/quantities/show'
import { useFirm } from '../stores/firm.ts'

/**
 * A field that takes any unit of its kind, says what it understood, and keeps what was typed
 * whatever it was.
 */
const props = defineProps<{
  label: string
  kind: Kind
  modelValue: string | number | null | undefined
  problem?: string
  hint?: string
  placeholder?: string
}>()
const emit = defineEmits<{ 'update:modelValue': [value: string | null] }>()
const firm = useFirm()
const id = useId()

const UNITS: Partial<Record<Kind, Unit>> = {
  area: 'm2',
  length: 'm',
  depth: 'mm',
  volume: 'm3',
  mass: 'kg',
  rate: 'g/m2',
  liquid: 'mL/m2',
  temperature: 'C',
  flow: 'L/min',
  precipitation: 'mm/h',
  percent: '%',
  hours: 'h',
  days: 'd',
  slope: 'slope',
  price: 'money',
}

/** Kinds that are typed as a number alone: a phone shows its digits. */
const BARE: Kind[] = ['percent', 'ratio', 'days']
/** Text for what is stored: typed text as it is, a bare number with the core's unit. */
const stored = computed(() =>
  props.modelValue === null || props.modelValue === undefined
    ? ''
    : typeof props.modelValue === 'number'
      ? `${props.modelValue} ${KINDS[props.kind].inside}`.trim()
      : props.modelValue,
)
const text = ref(stored.value)
const focused = ref(false)
watch(stored, (value) => {
  if (!focused.value || value === '') text.value = value
})
function type(value: string) {
  text.value = value
  if (value.trim() === '') return emit('update:modelValue', null)
  const parsed = parseQuantity(value, props.kind, firm.units)
  emit('update:modelValue', parsed.ok ? parsed.text : value)
}
function leave() {
  focused.value = false
  text.value = stored.value
}
const echo = computed(() => {
  if (text.value.trim() === '' || props.problem) return ''
  // A plain number of money says all there is to say.
  if (props.kind === 'price' && /^\s*\d+([.,]\d{1,3})?\s*$/.test(text.value)) return ''
  const parsed = parseQuantity(text.value, props.kind, firm.units)
  const unit = UNITS[props.kind]
  if (!parsed.ok || !unit) return ''
  const shown = firm.text(parsed.value, unit)
  const squeeze = (s: string) =>
    s.replace(/[\s,]/g, '').replace('²', '2').replace('³', '3').toLowerCase()
  return squeeze(shown) === squeeze(text.value) ? '' : `= ${shown}`
})
/** What was probably meant, where what was typed can be read in two ways; null where it cannot. */
const meant = computed(() => {
  const typed = text.value.trim()
  if (props.kind === 'area' && /^\d{1,3}\.\d{3}$/.test(typed)) return typed.replace('.', '')
  const share = /^(?:(0?\.\d+)|(\d)\s*\/\s*(\d+))\s*%?$/.exec(typed)
  if (props.kind !== 'percent' || !share) return null
  const value = share[1] ? Number(share[1]) : Number(share[2]) / Number(share[3])
  return value > 0 && value < 1 ? `${Math.round(value * 100)} %` : null
})
</script>

<template>
  <div class="field" :class="{ 'has-problem': problem }">
    <label :for="id">{{ label }}</label>
    <ElInput
      :id="id"
      :model-value="text"
      :placeholder="placeholder ?? ''"
      autocomplete="off"
      :inputmode="BARE.includes(kind) ? 'decimal' : undefined"
      :maxlength="200"
      :aria-invalid="problem ? 'true' : undefined"
      :aria-describedby="`${id}-says`"
      @update:model-value="type"
      @focus="focused = true"
      @blur="leave"
    />
    <button
      v-if="meant && !problem"
      type="button"
      class="plain small"
      @mousedown.prevent
      @click="type(meant)"
    >
      {{ kind === 'area' ? `or ${firm.text(Number(meant), 'm2')}?` : `or ${meant}?` }}
    </button>
    <p :id="`${id}-says`" class="says" :class="{ problem }">{{ problem || echo || hint || '' }}</p>
  </div>
</template>
