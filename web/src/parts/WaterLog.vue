<script setup lang="ts">
import { computed, ref } from 'vue'
import { parseQuantity } from '@juvena/core/quantities/quantity'
import { blankEntry, type DiaryEntry } from '@juvena/core/entities/diary'
import QuantityField from './QuantityField.vue'
import { useFirm } from '../stores/firm.ts'
import { newId } from '../stores/newId.ts'
import { whoWrites } from '../stores/who.ts'

/** Writes down on which of the last days water was given: today alone, or so many of so many. */
const props = defineProps<{ today: string; zone?: string | null; failure?: string }>()
const emit = defineEmits<{ write: [entry: DiaryEntry] }>()
const firm = useFirm()
const days = ref<string | null>(null)
const of = ref<string | null>('7')
const mm = ref<string | null>(null)
const wrong = ref('')
const whole = (typed: string | null) =>
  typed !== null && /^\s*\d{1,2}( days?)?\s*$/.test(typed) ? parseInt(typed, 10) : null
const problem = computed(() => {
  const [d, n] = [whole(days.value), whole(of.value)]
  if (days.value !== null && d === null) return 'Days are a whole number, like 4.'
  if (n === null || n < 1 || n > 60) return 'The last 1 to 60 days can be written at once.'
  if (d !== null && d > n) return `Of ${n} days no more than ${n} were watered.`
  return ''
})
function write(watered: NonNullable<DiaryEntry['watered']>, what: string) {
  emit('write', {
    ...blankEntry(newId(), props.today, what),
    zone: props.zone ?? null,
    who: whoWrites(),
    watered,
  })
}
const ofToday = (yes: boolean) => write({ of: 1, days: yes ? 1 : 0, mm: null }, yes ? 'Watered' : 'Not watered') // prettier-ignore
function some() {
  const [d, n] = [whole(days.value), whole(of.value)]
  wrong.value = ''
  if (d === null || n === null || problem.value)
    return void (wrong.value = problem.value || 'Say on how many of those days it was watered.')
  let gauge: number | null = null
  if (mm.value) {
    const read = parseQuantity(mm.value, 'depth', firm.units)
    if (!read.ok) return void (wrong.value = read.sentence)
    if (read.value < 0 || read.value > 100)
      return void (wrong.value = 'A gauge shows 0 to 100 mm a day. Check the unit.')
    gauge = read.value
  }
  write({ of: n, days: d, mm: gauge }, `Watered on ${d} of the last ${n} days`)
  days.value = null
  mm.value = null
}
</script>

<template>
  <form class="log" autocomplete="off" @submit.prevent="some">
    <div class="today">
      <span>Today’s water</span>
      <button type="button" class="act slight" @click="ofToday(true)">given</button>
      <button type="button" class="act slight" @click="ofToday(false)">not given</button>
    </div>
    <QuantityField
      label="Watered on (days)"
      kind="days"
      :model-value="days"
      @update:model-value="days = $event"
    />
    <QuantityField
      label="of the last (days)"
      kind="days"
      :model-value="of"
      @update:model-value="of = $event"
    />
    <QuantityField
      label="a day, by a gauge"
      kind="depth"
      :placeholder="firm.settings.units === 'us' ? '0.2 in' : 'as planned'"
      :model-value="mm"
      @update:model-value="mm = $event"
    />
    <button type="submit" class="act slight">Write it down</button>
    <p v-if="wrong || problem || failure" class="wrong" role="alert">
      {{ wrong || problem || failure }}
    </p>
  </form>
</template>

<style scoped>
.log {
  display: flex;
  flex-wrap: wrap;
  gap: 0.3rem 0.9rem;
  align-items: end;
}
.log > .field {
  width: 8.2rem;
}
.log > .act {
  margin-bottom: 1.1rem;
}
.today {
  display: flex;
  flex-wrap: wrap;
  gap: 0.3rem 0.5rem;
  align-items: center;
  margin-bottom: 1.1rem;
}
.wrong {
  flex: 1 0 100%;
  color: var(--hold);
}
</style>
