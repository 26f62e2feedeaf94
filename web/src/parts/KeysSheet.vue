<script setup lang="ts">
import { ElDialog, ElSwitch } from 'element-plus'
import { useFirm } from '../stores/firm.ts'

defineProps<{ modelValue: boolean }>()
const emit = defineEmits<{ 'update:modelValue': [open: boolean] }>()
const firm = useFirm()
const KEYS = [
  ['1 – 8', 'the eight stages of a job'],
  ['t', 'today'],
  ['←  →', 'the day before and after, under Today'],
  ['[  ]', 'previous and next job'],
  ['w', 'open or close the working'],
  ['u', 'metric or US units'],
  ['/', 'find a zone, a figure, a job'],
  ['Ctrl K', 'the same, from inside a field too'],
  ['?', 'these keys'],
  ['Ctrl Z', 'undo'],
  ['Ctrl Shift Z', 'redo'],
  ['Tab, arrows', 'everything else'],
]
</script>

<template>
  <ElDialog
    append-to="#above"
    :model-value="modelValue"
    title="Keys"
    width="min(26rem, 94vw)"
    @update:model-value="emit('update:modelValue', $event)"
  >
    <dl>
      <template v-for="[key, does] in KEYS" :key="key">
        <dt>
          <kbd>{{ key }}</kbd>
        </dt>
        <dd>{{ does }}</dd>
      </template>
    </dl>
    <p class="letters">
      <ElSwitch
        :model-value="firm.settings.letterKeys"
        aria-label="Single-letter keys"
        @update:model-value="firm.change({ letterKeys: Boolean($event) })"
      />
      Single-letter keys, outside fields
    </p>
  </ElDialog>
</template>

<style scoped>
dl {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 0.35rem 1rem;
}
kbd {
  font: inherit;
  font-weight: 700;
  white-space: pre;
}
.letters {
  display: flex;
  align-items: center;
  gap: 0.6rem;
  margin-top: 1rem;
  border-top: 1px solid var(--rule);
  padding-top: 0.75rem;
}
</style>
