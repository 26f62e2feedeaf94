<script setup lang="ts">
import { ElCheckbox } from 'element-plus'
import { computed, nextTick, onMounted, ref } from 'vue'
import {
  amountProblem,
  blankEntry,
  namesProduct,
  type DiaryEntry,
} from '@juvena/core/entities/diary'
import { parseDay, showDay } from '@juvena/core/calendar/day'
import { OPERATIONS, type StepKind } from '@juvena/core/reference/operations'
import type { StepLook } from '@juvena/core/plan/order'
import { branchesSaid } from '@juvena/core/present/lookSaid'
import { parseQuantity } from '@juvena/core/quantities/quantity'
import { useFirm } from '../stores/firm.ts'
import ChoiceField from './ChoiceField.vue'
import DayField from './DayField.vue'
import { newId } from '../stores/newId.ts'
import { rememberWho, whoWrites } from '../stores/who.ts'
import TextField from './TextField.vue'

/**
 * Ticks a step off: how much, by whom, a note; and the product where the law keeps a record of it.
 * Filled in as planned.
 */
const props = defineProps<{
  step: {
    id: string
    kind: StepKind
    zones: readonly string[]
    name: string
    look?: StepLook | null
    /** Hours of each of the people who share it, as planned. */
    hours: number
    people: number
  }
  today: string
  amount: string
  lots: DiaryEntry['lots']
  weather: DiaryEntry['weather']
  /** The product that the job names for it. */
  product?: string
  failure?: string
  /** The record that this one corrects, to begin from. */
  corrects?: DiaryEntry
}>()
const emit = defineEmits<{ done: [entry: DiaryEntry]; cancel: [] }>()
const firm = useFirm()
const YES_NO = [
  { value: 'yes', name: 'yes' },
  { value: 'no', name: 'no' },
] as const
const was = props.corrects
const amount = ref(was?.amount ?? props.amount)
const who = ref(was?.who ?? whoWrites())
const note = ref(was?.note ?? '')
const product = ref(was?.product ?? props.product ?? '')
/** Hours of everybody together, as typed. */
const hours = ref(was?.hours == null ? '' : firm.text(was.hours, 'work-h'))
const hoursRead = computed(() => (hours.value.trim() ? parseQuantity(hours.value, 'hours', firm.units) : null)) // prettier-ignore
const hoursProblem = computed(() =>
  hoursRead.value === null
    ? ''
    : !hoursRead.value.ok
      ? hoursRead.value.sentence
      : hoursRead.value.value <= 0 || hoursRead.value.value > 2000
        ? 'Hours are above zero and up to 2,000: two people for 3 h are 6 h.'
        : '',
)
/** The day it was done, where a record is corrected; else it is today. */
const on = ref<string | null>(was?.date ?? props.today)
const labelRead = ref(false)
const wrong = ref('')
/** What has to hold before it is done; those that were looked at and do. */
const gates = OPERATIONS[props.step.kind].gates ?? []
const holding = ref<string[]>(was ? [...gates] : [])
/** Told once that not all hold: what was done all the same is a fact, and is written down. */
const warned = ref(false)
/** What was found at a look: % under wanted grass as typed, or yes or no. */
const cover = ref(was?.found?.cover == null ? '' : String(was.found.cover))
const seen = ref<'yes' | 'no' | null>(
  was?.found?.seen == null ? null : was.found.seen ? 'yes' : 'no',
)
const coverIs = computed(() => {
  const read = parseQuantity(cover.value, 'percent', firm.units)
  return read.ok && read.value >= 0 && read.value <= 100 ? read.value : null
})
const recorded = computed(() => namesProduct(props.step.kind))
const planned = computed(() => firm.hand(props.step.hours * props.step.people, 'work-h'))
const form = ref<HTMLFormElement | null>(null)
// On a touch screen a field in focus would cover half of it with keys.
onMounted(
  () =>
    void nextTick(
      () => !matchMedia('(pointer: coarse)').matches && form.value?.querySelector('input')?.focus(),
    ),
)
function done() {
  if (recorded.value && !product.value.trim())
    return void (wrong.value = 'Enter the product as its label names it: the record wants it.')
  if (recorded.value && !labelRead.value)
    return void (wrong.value = 'Read the label first, and tick that you have.')
  if (recorded.value && !who.value.trim())
    return void (wrong.value = 'Say who put it down: the record wants a name.')
  const missing = gates.filter((g) => !holding.value.includes(g))
  if (missing.length > 0 && !warned.value) {
    warned.value = true
    return void (wrong.value = `Not all hold: wait, and look again in a few days. If it is done already, press Done once more and it is written down so.`)
  }
  const { look } = props.step
  if (look?.counts === 'cover' && coverIs.value === null)
    return void (wrong.value =
      'Enter the cover that was counted, from 0 to 100 %: what is done next goes by it.')
  if (look?.counts === 'seen' && seen.value === null)
    return void (wrong.value = 'Say yes or no: what is done next goes by it.')
  const day = on.value ? parseDay(on.value, props.today) : null
  if (!day?.ok) return void (wrong.value = day?.sentence ?? 'Give the day it was done, like 2 Mar.')
  if (day.value > props.today)
    return void (wrong.value = `${showDay(day.value)} is still to come: give the day it was done.`)
  wrong.value = ''
  if (amountProblem(amount.value) || hoursProblem.value) return
  rememberWho(who.value)
  emit('done', {
    ...blankEntry(newId(), day.value, props.step.name),
    step: props.step.id,
    stepZones: [...props.step.zones],
    amount: amount.value,
    hours: hoursRead.value?.ok ? hoursRead.value.value : null,
    who: who.value,
    note: [
      note.value,
      ...(missing.length > 0 ? [`Done although this did not hold: ${missing.join('; ')}.`] : []),
    ]
      .filter(Boolean)
      .join(' ')
      .slice(0, 2000),
    product: product.value.trim(),
    lots: was?.lots ?? props.lots,
    corrects: was?.id ?? null,
    found: look
      ? {
          cover: look.counts === 'cover' ? coverIs.value : null,
          seen: look.counts === 'seen' ? seen.value === 'yes' : null,
        }
      : null,
    weather: was && day.value === was.date ? was.weather : props.weather,
  })
}
</script>

<template>
  <form
    ref="form"
    class="tick-form"
    autocomplete="off"
    @submit.prevent="done"
    @keydown.esc.stop="emit('cancel')"
  >
    <template v-if="recorded">
      <TextField
        class="whole"
        label="Product, as on its label"
        :model-value="product"
        :maxlength="120"
        @update:model-value="product = $event"
      />
      <ElCheckbox v-model="labelRead" class="whole label-read"
        >I have read the label, and hold what licence it asks for</ElCheckbox
      >
    </template>
    <fieldset v-if="gates.length && !corrects" class="whole gates">
      <legend class="small">Only when all of these hold</legend>
      <ElCheckbox
        v-for="g in gates"
        :key="g"
        class="label-read"
        :model-value="holding.includes(g)"
        @update:model-value="holding = $event ? [...holding, g] : holding.filter((x) => x !== g)"
        >{{ g }}</ElCheckbox
      >
    </fieldset>
    <template v-if="step.look">
      <TextField
        v-if="step.look.counts === 'cover'"
        class="whole"
        label="Under wanted grass, %"
        :model-value="cover"
        :maxlength="8"
        @update:model-value="cover = $event"
      />
      <ChoiceField
        v-else
        class="whole"
        :label="firm.say(step.look.asks)"
        :options="YES_NO"
        :model-value="seen"
        @update:model-value="seen = $event"
      />
      <p class="whole small soft">
        {{ firm.say(branchesSaid(step.look)) }}
      </p>
    </template>
    <TextField
      v-else
      class="whole"
      label="Amount"
      :model-value="amount"
      :maxlength="80"
      :problem="amountProblem(amount)"
      @update:model-value="amount = $event"
    />
    <DayField
      v-if="corrects"
      label="Done on"
      :model-value="on"
      :today="today"
      @update:model-value="on = $event"
    />
    <TextField
      label="Hours, all people together"
      :hint="planned ? `${planned} planned` : ''"
      :model-value="hours"
      :maxlength="20"
      :problem="hoursProblem"
      @update:model-value="hours = $event"
    />
    <TextField label="Who" :model-value="who" :maxlength="80" @update:model-value="who = $event" />
    <TextField
      label="Note"
      :model-value="note"
      :maxlength="2000"
      @update:model-value="note = $event"
    />
    <p v-if="wrong || failure" class="wrong whole" role="alert">{{ wrong || failure }}</p>
    <div class="whole ends">
      <button type="submit" class="act main">
        {{ corrects ? 'Save the correction' : 'Done' }}
      </button>
      <button type="button" class="act slight" @click="emit('cancel')">Cancel</button>
    </div>
  </form>
</template>

<style scoped>
.tick-form {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0.2rem 0.9rem;
  padding: 0.4rem 0 0.6rem;
}
.whole {
  grid-column: 1 / -1;
}
.label-read {
  height: auto;
  white-space: normal;
}
.gates {
  display: grid;
  border: 0;
  margin: 0;
  padding: 0 0 0.4rem;
}
.gates .label-read {
  min-height: 1.9rem;
}
@media (max-width: 640px) {
  .gates .label-read {
    min-height: 2.75rem;
  }
}
.ends {
  display: flex;
  gap: 0.6rem;
}
.wrong {
  color: var(--hold);
}
</style>
