<script setup lang="ts">
import { ElInput } from 'element-plus'
import { computed, ref, useId, watch } from 'vue'
import { readFirmValue } from '@juvena/core/present/firmValue'
import type { TradeValue } from '@juvena/core/rules/rule'
import StandingTag from '../../parts/StandingTag.vue'
import { useFirm } from '../../stores/firm.ts'

/**
 * One number of the trade: Juvena's own, the firm's beside it, and the way back. A wrong entry
 * stays as typed and says what would be right.
 */
const props = defineProps<{ of: TradeValue }>()
const firm = useFirm()
const id = useId()
const own = computed(() => firm.settings.values[props.of.id] as number | undefined)
const shown = computed(() => firm.text(own.value ?? props.of.is, props.of.unit))
const text = ref(shown.value)
const problem = ref('')
const focused = ref(false)
watch(shown, (now) => {
  if (!focused.value && !problem.value) text.value = now
})
function set(value: number | undefined) {
  const values = { ...firm.settings.values }
  if (value === undefined || value === props.of.is) delete values[props.of.id]
  else values[props.of.id] = value
  firm.change({ values })
}
function leave() {
  focused.value = false
  if (text.value === shown.value) return void (problem.value = '')
  const read = readFirmValue(props.of, text.value, firm.units)
  problem.value = read.ok ? '' : read.sentence
  if (read.ok) set(read.value)
}
function back() {
  problem.value = ''
  set(undefined)
  text.value = firm.text(props.of.is, props.of.unit)
}
</script>

<template>
  <li :class="{ own: own !== undefined }">
    <label :for="id">{{ of.says }}</label>
    <ElInput
      :id="id"
      v-model="text"
      autocomplete="off"
      :maxlength="60"
      :aria-invalid="problem ? 'true' : undefined"
      :aria-describedby="`${id}-says`"
      @focus="focused = true"
      @blur="leave"
      @keydown.enter="leave"
    />
    <span :id="`${id}-says`" class="says small">
      <span v-if="problem" class="problem">{{ problem }}</span>
      <template v-else-if="own !== undefined">
        <b class="tag reading">yours</b> Juvena’s is {{ firm.text(of.is, of.unit) }}
        <button
          type="button"
          class="plain small"
          :aria-label="`Take Juvena’s number again: ${of.says}`"
          @click="back"
        >
          use Juvena’s
        </button>
      </template>
      <StandingTag v-else :standing="of.standing" />
    </span>
  </li>
</template>

<style scoped>
li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 7.5rem 12.5rem;
  gap: 0.2rem 0.8rem;
  align-items: center;
  padding: 0.35rem 0;
  border-bottom: 1px solid var(--rule);
  line-height: 1.3;
}
li.own label {
  font-weight: 700;
}
.says {
  color: var(--soft);
}
.problem {
  color: var(--hold);
}
@media (max-width: 640px) {
  li {
    grid-template-columns: 1fr 7.5rem;
  }
  .says {
    grid-column: 1 / -1;
  }
}
</style>
