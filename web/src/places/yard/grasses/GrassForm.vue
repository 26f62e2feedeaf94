<script setup lang="ts">
import { computed, ref } from 'vue'
import type { OwnGrassDraft } from '@juvena/core/entities/grass'
import { GRASSES, type Grass } from '@juvena/core/reference/grasses'
import { CHOICE_ENTRIES, NUMBER_ENTRIES } from '@juvena/core/reference/grassTraits'
import ChoiceField from '../../../parts/ChoiceField.vue'
import QuantityField from '../../../parts/QuantityField.vue'
import TextField from '../../../parts/TextField.vue'
import YesNoField from '../../../parts/YesNoField.vue'
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

/** What a grass that is not sown does not have is not asked for. */
const fields = computed(() =>
  NUMBER_ENTRIES.filter(
    (f) => original.value && (original.value.newRate || f.of(original.value) !== null),
  ),
)
const usual = (f: (typeof NUMBER_ENTRIES)[number]) => {
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
      <YesNoField
        label="Passes for a fine hybrid"
        hint="of its kind; common seed does not"
        :model-value="change?.matchesHybrid ?? null"
        @update:model-value="set({ matchesHybrid: $event })"
      />
      <ChoiceField
        v-for="choice in CHOICE_ENTRIES"
        :key="choice.key"
        :label="`${choice.label}: ${original[choice.key]}`"
        list
        clearable
        :options="choice.of.map((value) => ({ value, name: value }))"
        :model-value="change?.[choice.key] ?? null"
        @update:model-value="set({ [choice.key]: $event })"
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
