<script setup lang="ts">
import { sure } from '@juvena/core/quantities/sure'
import { computed, nextTick, onMounted, ref, useTemplateRef } from 'vue'
import { parseDay } from '@juvena/core/calendar/day'
import { pathText } from '@juvena/core/entities/problem'
import {
  labelSum,
  seedLotSchema,
  STORAGES,
  STORAGE_NAMES,
  type SeedLotDraft,
} from '@juvena/core/entities/stock'
import { parseQuantity } from '@juvena/core/quantities/quantity'
import ChoiceField from '../../../parts/ChoiceField.vue'
import DayField from '../../../parts/DayField.vue'
import QuantityField from '../../../parts/QuantityField.vue'
import TextField from '../../../parts/TextField.vue'
import { ApiError } from '../../../stores/api.ts'
import YesNoField from '../../../parts/YesNoField.vue'
import { useFirm } from '../../../stores/firm.ts'
import { useStock, type ShownLot } from '../../../stores/stock.ts'

/** A label as it is printed, from top to bottom, so that it is typed without the mouse. */
const props = defineProps<{ lot?: ShownLot }>()
const emit = defineEmits<{ done: [id: string | null] }>()
const firm = useFirm()
const stock = useStock()
type PartDraft = NonNullable<SeedLotDraft['parts']>[number]
const blank = (): PartDraft => ({
  grass: 'perennial-ryegrass',
  cultivar: '',
  pure: null,
  germination: null,
})
const form = ref<SeedLotDraft>(
  structuredClone(props.lot ? JSON.parse(JSON.stringify(props.lot.draft)) : { parts: [blank()] }),
)
const amount = ref<string | null>(null)
const shown = ref(false)
const failure = ref('')
const busy = ref(false)
const root = useTemplateRef<HTMLFormElement>('root')
onMounted(() => root.value?.querySelector('input')?.focus())

const read = computed(() => seedLotSchema.safeParse(form.value))
const problems = computed(() =>
  read.value.success
    ? []
    : read.value.error.issues.map((i) => ({ path: pathText(i.path), sentence: i.message })),
)
/** What is wrong is said once it was typed; what is only missing once it was to be saved. */
const at = (path: string) => problems.value.find((p) => p.path === path)?.sentence ?? ''
const sum = computed(() => {
  const parsed = seedLotSchema.safeParse({ ...form.value, test: {} })
  return parsed.success ? labelSum(parsed.data) : null
})
const grasses = computed(() => firm.sownGrasses.map((g) => ({ value: g.id, name: g.name })))
const part = (i: number, patch: Partial<PartDraft>) =>
  (form.value.parts = sure(form.value.parts).map((p, k) => (k === i ? { ...p, ...patch } : p)))
async function another() {
  form.value.parts = [...(form.value.parts ?? []), blank()]
  await nextTick()
  const lists = root.value?.querySelectorAll<HTMLInputElement>('.part input')
  lists?.[lists.length - 4]?.focus()
}
const kg = computed(() => {
  if (!amount.value) return null
  const parsed = parseQuantity(amount.value, 'mass', firm.units)
  return parsed.ok
    ? parsed.value > 0
      ? { value: parsed.value }
      : { wrong: 'A weight is above zero.' }
    : { wrong: parsed.sentence }
})

async function save() {
  shown.value = true
  failure.value = ''
  if (problems.value.length > 0) return void (failure.value = problems.value[0]!.sentence)
  if (!(form.value.number ?? '').trim())
    return void (failure.value = 'Give the lot number from the label, so that it is known again.')
  if (kg.value && 'wrong' in kg.value) return void (failure.value = sure(kg.value.wrong))
  busy.value = true
  try {
    if (props.lot) {
      await stock.save(props.lot, form.value)
      emit('done', props.lot.id)
    } else {
      const received =
        kg.value && 'value' in kg.value ? { kg: sure(kg.value.value), on: firm.today } : null
      const [made] = await stock.add([{ lot: form.value, received }])
      emit('done', sure(made).id)
    }
  } catch (error) {
    failure.value =
      error instanceof ApiError
        ? (error.body.problems?.[0]?.sentence ?? error.message)
        : (error as Error).message
  } finally {
    busy.value = false
  }
}
const setDay = (value: string | null) => {
  const parsed = value ? parseDay(value, firm.today) : null
  form.value.tested = parsed?.ok ? parsed.value : value
}
</script>

<template>
  <form ref="root" class="label" @submit.prevent="save">
    <h3>{{ lot ? 'The label' : 'A lot, from its label' }}</h3>
    <div class="two">
      <TextField
        label="Lot number"
        :model-value="form.number"
        :maxlength="60"
        @update:model-value="form.number = $event"
      />
      <TextField
        label="Supplier"
        :model-value="form.supplier"
        :maxlength="80"
        @update:model-value="form.supplier = $event"
      />
    </div>
    <fieldset v-for="(p, i) in form.parts" :key="i" class="part">
      <legend class="only-read">Grass {{ i + 1 }}</legend>
      <ChoiceField
        label="Grass"
        list
        :options="grasses"
        :model-value="p.grass"
        @update:model-value="part(i, { grass: $event ?? p.grass })"
      />
      <TextField
        label="Cultivar"
        placeholder="common type"
        :model-value="p.cultivar"
        :maxlength="80"
        @update:model-value="part(i, { cultivar: $event })"
      />
      <YesNoField
        v-if="firm.grasses[p.grass]?.season === 'warm'"
        label="Passes for a fine hybrid"
        :model-value="p.matchesHybrid ?? null"
        @update:model-value="part(i, { matchesHybrid: $event })"
      />
      <QuantityField
        label="Pure seed"
        kind="percent"
        placeholder="97.5 %"
        :model-value="p.pure"
        :problem="at(`parts[${i}].pure`)"
        @update:model-value="part(i, { pure: $event })"
      />
      <QuantityField
        label="Germination"
        kind="percent"
        placeholder="88 %"
        :model-value="p.germination"
        :problem="at(`parts[${i}].germination`)"
        @update:model-value="part(i, { germination: $event })"
      />
      <button
        v-if="sure(form.parts).length > 1"
        type="button"
        class="plain small"
        @click="form.parts = sure(form.parts).filter((_, k) => k !== i)"
      >
        take it off
      </button>
    </fieldset>
    <div class="four">
      <QuantityField
        label="Other crop"
        kind="percent"
        :model-value="form.otherCrop"
        :problem="at('otherCrop')"
        @update:model-value="form.otherCrop = $event"
      />
      <QuantityField
        label="Weed seed"
        kind="percent"
        :model-value="form.weedSeed"
        :problem="at('weedSeed')"
        @update:model-value="form.weedSeed = $event"
      />
      <QuantityField
        label="Inert"
        kind="percent"
        :model-value="form.inert"
        :problem="at('inert')"
        @update:model-value="form.inert = $event"
      />
      <QuantityField
        label="Coating"
        kind="percent"
        placeholder="none"
        :model-value="form.coating"
        :problem="at('coating')"
        @update:model-value="form.coating = $event"
      />
    </div>
    <p class="sum small" :class="at('parts') ? 'wrong' : 'soft'" role="status">
      {{
        at('parts') ||
        (sum === null
          ? 'Pure seed, other crop, weed seed and inert make 100 %.'
          : `Adds up to ${Math.round(sum * 10) / 10} %.`)
      }}
    </p>
    <div class="two">
      <DayField
        label="Tested on"
        :today="firm.today"
        :model-value="form.tested"
        :problem="at('tested')"
        @update:model-value="setDay"
      />
      <TextField
        label="Origin"
        :model-value="form.origin"
        :maxlength="80"
        @update:model-value="form.origin = $event"
      />
    </div>
    <ChoiceField
      label="Kept"
      :options="STORAGES.map((value) => ({ value, name: STORAGE_NAMES[value] }))"
      :model-value="form.storage ?? 'shed'"
      @update:model-value="form.storage = $event ?? 'shed'"
    />
    <div class="three">
      <QuantityField
        label="A bag holds"
        kind="mass"
        :placeholder="firm.units === 'us' ? '25 lb' : '10 kg'"
        :model-value="form.bag"
        :problem="at('bag')"
        @update:model-value="form.bag = $event"
      />
      <QuantityField
        label="Price of a bag"
        kind="price"
        :model-value="form.price"
        :problem="at('price')"
        @update:model-value="form.price = $event"
      />
      <QuantityField
        v-if="!lot"
        label="Received now"
        kind="mass"
        :placeholder="firm.units === 'us' ? '50 lb' : '20 kg'"
        :model-value="amount"
        :problem="kg && 'wrong' in kg ? sure(kg.wrong) : ''"
        @update:model-value="amount = $event"
      />
    </div>
    <p v-if="failure" class="wrong" role="alert">{{ failure }}</p>
    <p class="ends">
      <button type="submit" class="act main" :disabled="busy">
        {{ lot ? 'Save the label' : 'Add to the shelf' }}
      </button>
      <button type="button" class="act slight" @click="another">Another grass on the label</button>
      <button type="button" class="act slight" @click="emit('done', lot?.id ?? null)">
        Cancel
      </button>
    </p>
  </form>
</template>

<style scoped>
.label {
  display: grid;
  gap: 0.3rem;
}
.two,
.part {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0.2rem 0.8rem;
}
.three {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 0.2rem 0.8rem;
}
.four {
  display: grid;
  grid-template-columns: repeat(4, 1fr);
  gap: 0.2rem 0.6rem;
}
.part {
  border: 0;
  border-left: 3px solid var(--moss);
  padding: 0 0 0.1rem 0.6rem;
  margin: 0.2rem 0;
}
.wrong {
  color: var(--hold);
}
.ends {
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem;
  padding-top: 0.3rem;
}
@media (max-width: 480px) {
  .four {
    grid-template-columns: 1fr 1fr;
  }
}
</style>
