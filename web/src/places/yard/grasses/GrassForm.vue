<script setup lang="ts">
import { computed, ref } from 'vue'
import type { OwnGrassDraft } from '@juvena/core/entities/grass'
import { COLOURS, GRASSES, LEVELS, type Grass } from '@juvena/core/reference/grasses'
import type { Kind } from '@juvena/core/quantities/quantity'
import type { Unit } from '@juvena/core/quantities/show'
import ChoiceField from '../../../parts/ChoiceField.vue'
import QuantityField from '../../../parts/QuantityField.vue'
import TextField from '../../../parts/TextField.vue'
import { useFirm } from '../../../stores/firm.ts'

/**
 * What the firm changes of a grass, trait by trait, with Juvena's value in the empty field; or a
 * grass or cultivar of its own.
 */
const props = defineProps<{ grass: string }>()
const emit = defineEmits<{ done: [chosen: string | null] }>()
const firm = useFirm()
const own = computed(() => firm.draft.grasses ?? [])
const at = computed(() => own.value.findIndex((g) => g.id === props.grass))
const change = computed<OwnGrassDraft | null>(() => own.value[at.value] ?? null)
const isNew = computed(() => props.grass === 'new')
const added = computed(() => !isNew.value && !(props.grass in GRASSES))
/** What stands where the firm says nothing: the grass it goes by. */
const base = computed<Grass | undefined>(
  () =>
    firm.grasses[
      change.value && change.value.from !== props.grass ? change.value.from : props.grass
    ],
)
const original = computed<Grass | undefined>(() =>
  added.value ? base.value : GRASSES[props.grass],
)

const name = ref('')
const from = ref<string | null>('perennial-ryegrass')
const wrong = ref('')
function create() {
  const typed = name.value.trim()
  const id = typed.toLowerCase().normalize('NFD').replaceAll(/[^a-z0-9]+/g, '-').replaceAll(/^-|-$/g, '').slice(0, 40) // prettier-ignore
  if (!id) return void (wrong.value = 'Give it a name, like the cultivar on the bag.')
  if (id in firm.grasses)
    return void (wrong.value = `There is a grass of that name already. Give it another.`)
  firm.change({
    grasses: [
      ...own.value,
      { id, from: from.value ?? 'perennial-ryegrass', name: typed, short: typed.slice(0, 24) },
    ],
  })
  emit('done', id)
}
function set(patch: Partial<OwnGrassDraft>) {
  const next = change.value
    ? own.value.map((g) => (g.id === props.grass ? { ...g, ...patch } : g))
    : [...own.value, { id: props.grass, from: props.grass, ...patch }]
  firm.change({ grasses: next })
}
function restore() {
  firm.change({ grasses: own.value.filter((g) => g.id !== props.grass) })
  emit('done', added.value ? null : props.grass)
}
const problem = (key: string) =>
  at.value < 0
    ? ''
    : (firm.problems.find((p) => p.path === `grasses[${at.value}].${key}`)?.sentence ?? '')

type Typed = Extract<keyof OwnGrassDraft, 'newLow' | 'newHigh' | 'overLow' | 'overHigh' | 'daysLow' | 'daysHigh' | 'seedsPerGram' | 'soilMin' | 'sunLeast' | 'sunGood' | 'cutLow' | 'cutHigh' | 'phLow' | 'phHigh' | 'leaf' | 'creeps'> // prettier-ignore
const FIELDS: {
  key: Typed
  label: string
  kind: Kind
  unit: Unit
  of: (g: Grass) => number | null
}[] = [
  {
    key: 'newLow',
    label: 'New, from',
    kind: 'rate',
    unit: 'g/m2',
    of: (g) => g.newRate?.[0] ?? null,
  },
  {
    key: 'newHigh',
    label: 'New, to',
    kind: 'rate',
    unit: 'g/m2',
    of: (g) => g.newRate?.[1] ?? null,
  },
  {
    key: 'overLow',
    label: 'Overseed, from',
    kind: 'rate',
    unit: 'g/m2',
    of: (g) => g.overseedRate?.[0] ?? null,
  },
  {
    key: 'overHigh',
    label: 'Overseed, to',
    kind: 'rate',
    unit: 'g/m2',
    of: (g) => g.overseedRate?.[1] ?? null,
  },
  { key: 'daysLow', label: 'Shows, from', kind: 'days', unit: 'd', of: (g) => g.days?.[0] ?? null },
  { key: 'daysHigh', label: 'Shows, to', kind: 'days', unit: 'd', of: (g) => g.days?.[1] ?? null },
  {
    key: 'seedsPerGram',
    label: 'Seeds in a gram',
    kind: 'ratio',
    unit: '1',
    of: (g) => g.seedsPerGram,
  },
  { key: 'soilMin', label: 'Least soil', kind: 'temperature', unit: 'C', of: (g) => g.soilMin },
  { key: 'sunLeast', label: 'Least sun', kind: 'hours', unit: 'h', of: (g) => g.sunLeast },
  { key: 'sunGood', label: 'At ease with', kind: 'hours', unit: 'h', of: (g) => g.sunGood },
  { key: 'cutLow', label: 'Cut, from', kind: 'depth', unit: 'mm', of: (g) => g.cut[0] },
  { key: 'cutHigh', label: 'Cut, to', kind: 'depth', unit: 'mm', of: (g) => g.cut[1] },
  { key: 'phLow', label: 'pH, from', kind: 'ph', unit: '1', of: (g) => g.ph[0] },
  { key: 'phHigh', label: 'pH, to', kind: 'ph', unit: '1', of: (g) => g.ph[1] },
  { key: 'leaf', label: 'Leaf', kind: 'depth', unit: 'mm', of: (g) => g.leaf },
  { key: 'creeps', label: 'Spreads in a week', kind: 'depth', unit: 'mm', of: (g) => g.creeps },
]
const RANKS = ['wear', 'drought', 'heat', 'cold', 'wet', 'salt', 'thatch'] as const
const fields = computed(() =>
  original.value?.newRate ? FIELDS : FIELDS.filter((f) => f.of(original.value!) !== null),
)
const usual = (f: (typeof FIELDS)[number]) => {
  const value = original.value ? f.of(original.value) : null
  return value === null ? '' : firm.text(value, f.unit)
}
const sources = computed(() =>
  Object.values(firm.grasses).map((g) => ({ value: g.id, name: g.name })),
)
</script>

<template>
  <form v-if="isNew" class="form" @submit.prevent="create">
    <h3>A grass of your own</h3>
    <p class="small soft">
      A cultivar or a regional grass. It takes every trait from the grass it goes by until you
      change one.
    </p>
    <TextField
      label="Name"
      :model-value="name"
      :maxlength="60"
      :problem="wrong"
      @update:model-value="((name = $event), (wrong = ''))"
    />
    <ChoiceField
      label="Goes by"
      list
      :options="sources"
      :model-value="from"
      @update:model-value="from = $event"
    />
    <p class="ends">
      <button type="submit" class="act main">Add it</button>
      <button type="button" class="act slight" @click="emit('done', null)">Cancel</button>
    </p>
  </form>
  <div v-else-if="original" class="form">
    <header>
      <h3>{{ firm.grassName(grass) }}</h3>
      <button type="button" class="plain small" @click="emit('done', null)">close</button>
    </header>
    <p class="small soft">
      {{
        added
          ? `Goes by ${base?.name ?? change?.from}. Empty fields take its values.`
          : 'Empty fields take Juvena’s values, which stand in them in grey.'
      }}
    </p>
    <div v-if="added" class="grid">
      <TextField
        label="Name"
        :model-value="change?.name"
        :maxlength="80"
        @update:model-value="set({ name: $event })"
      />
      <TextField
        label="Short"
        :model-value="change?.short"
        :maxlength="24"
        @update:model-value="set({ short: $event })"
      />
    </div>
    <div class="grid">
      <QuantityField
        v-for="f in fields"
        :key="f.key"
        :label="f.label"
        :kind="f.kind"
        :placeholder="usual(f)"
        :model-value="change?.[f.key]"
        :problem="problem(f.key)"
        @update:model-value="set({ [f.key]: $event })"
      />
    </div>
    <div class="grid">
      <ChoiceField
        v-for="rank in RANKS"
        :key="rank"
        :label="`${rank === 'thatch' ? 'Builds thatch' : `Stands ${rank}`}: ${original[rank]}`"
        list
        clearable
        :options="LEVELS.map((value) => ({ value, name: value }))"
        :model-value="change?.[rank] ?? null"
        @update:model-value="set({ [rank]: $event })"
      />
      <ChoiceField
        :label="`Colour: ${original.colour}`"
        list
        clearable
        :options="COLOURS.map((value) => ({ value, name: value }))"
        :model-value="change?.colour ?? null"
        @update:model-value="set({ colour: $event })"
      />
    </div>
    <p v-if="change" class="ends">
      <button type="button" class="act slight" @click="restore">
        {{ added ? 'Delete this grass' : 'Back to Juvena’s values' }}
      </button>
      <span class="small soft" role="status">{{
        firm.saving === 'failed' ? firm.failure : firm.saving
      }}</span>
    </p>
  </div>
</template>

<style scoped>
.form {
  display: grid;
  gap: 0.4rem;
}
header {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
}
.grid {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0.1rem 0.8rem;
}
p {
  margin: 0;
}
.ends {
  display: flex;
  gap: 0.5rem;
  align-items: center;
}
</style>
