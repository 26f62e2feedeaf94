<script setup lang="ts">
import { ElOption, ElSelect } from 'element-plus'
import { computed } from 'vue'
import type { JobDraft } from '@juvena/core/entities/job'
import { OPERATIONS, type StepKind } from '@juvena/core/reference/operations'
import ChoiceField from '../../parts/ChoiceField.vue'
import QuantityField from '../../parts/QuantityField.vue'
import TextField from '../../parts/TextField.vue'
import { useFirm } from '../../stores/firm.ts'
import { useJob } from '../../stores/job.ts'
import { newId } from '../../stores/newId.ts'

/** What is sprayed, by its label: rate, water, tank, ground left out. One for each kind that is planned. */
const firm = useFirm()
const job = useJob()
type Spray = NonNullable<JobDraft['sprays']>[number]
const kinds = computed(() => {
  const planned = job.plan?.zones.flatMap((z) =>
    z.rungs.filter((r) => r.planned && OPERATIONS[r.operation].sprays).map((r) => r.operation),
  )
  return [...new Set(planned ?? [])]
})
const all = computed(() => job.draft?.sprays ?? [])
const of = (kind: StepKind): Partial<Spray> => all.value.find((s) => s.does === kind) ?? {}
const at = (kind: StepKind) => all.value.findIndex((s) => s.does === kind)
const problem = (kind: StepKind, key: string) => job.problemAt(`sprays[${at(kind)}].${key}`)
const ACTS = [
  { value: 'leaf', name: 'on the leaf' },
  { value: 'soil', name: 'watered in' },
] as const
function set(kind: StepKind, patch: Partial<Spray>) {
  job.edit(`sprays.${kind}.${Object.keys(patch)[0]}`, (d) => {
    const known = d.sprays?.some((s) => s.does === kind)
    d.sprays = known
      ? d.sprays?.map((s) => (s.does === kind ? { ...s, ...patch } : s))
      : [...(d.sprays ?? []), { id: newId(), does: kind, ...patch }]
  })
}
</script>

<template>
  <section v-if="kinds.length" aria-label="Sprays">
    <h3>Sprays, by their labels</h3>
    <p class="small soft">
      The label is the law, and a licence where one is asked for. Product, water and fills follow
      from its rate.
    </p>
    <div v-for="kind in kinds" :key="kind" class="spray">
      <b>{{ firm.say(OPERATIONS[kind].name) }}</b>
      <TextField
        label="Product"
        :model-value="of(kind).product"
        @update:model-value="set(kind, { product: $event })"
      />
      <QuantityField
        label="Rate on the label"
        kind="liquid"
        :model-value="of(kind).rate"
        :problem="problem(kind, 'rate')"
        @update:model-value="set(kind, { rate: $event })"
      />
      <QuantityField
        label="In water"
        kind="liquid"
        hint="what goes out on the ground"
        :model-value="of(kind).carrier"
        :problem="problem(kind, 'carrier')"
        @update:model-value="set(kind, { carrier: $event })"
      />
      <QuantityField
        label="Tank"
        kind="volume"
        :model-value="of(kind).tank"
        :problem="problem(kind, 'tank')"
        @update:model-value="set(kind, { tank: $event })"
      />
      <QuantityField
        label="Ground left out"
        kind="area"
        hint="beside water and beds"
        :model-value="of(kind).buffer"
        :problem="problem(kind, 'buffer')"
        @update:model-value="set(kind, { buffer: $event })"
      />
      <QuantityField
        label="Wait before seed"
        kind="days"
        hint="as its label says"
        :model-value="of(kind).waitSow"
        :problem="problem(kind, 'waitSow')"
        @update:model-value="set(kind, { waitSow: $event })"
      />
      <QuantityField
        label="Nobody on it for"
        kind="hours"
        :model-value="of(kind).reentry"
        :problem="problem(kind, 'reentry')"
        @update:model-value="set(kind, { reentry: $event })"
      />
      <TextField
        label="Worn with it"
        placeholder="gloves, face shield"
        :maxlength="200"
        :model-value="of(kind).clothing"
        @update:model-value="set(kind, { clothing: $event })"
      />
      <TextField
        label="Active ingredient"
        :maxlength="80"
        :model-value="of(kind).active"
        @update:model-value="set(kind, { active: $event })"
      />
      <TextField
        label="Number on the label"
        :maxlength="60"
        :model-value="of(kind).number"
        @update:model-value="set(kind, { number: $event })"
      />
      <div class="field wide">
        <span class="field-label">Not on, by its label</span>
        <ElSelect
          append-to="#above"
          multiple
          filterable
          :model-value="of(kind).notOn ?? []"
          :aria-label="`Grasses that the label of ${firm.say(OPERATIONS[kind].name)} leaves out`"
          placeholder="no grass left out"
          @update:model-value="set(kind, { notOn: $event })"
        >
          <ElOption v-for="(g, id) in firm.grasses" :key="id" :value="id" :label="g?.short ?? id" />
        </ElSelect>
      </div>
      <ChoiceField
        label="It acts"
        clearable
        :options="ACTS"
        :model-value="of(kind).acts"
        @update:model-value="set(kind, { acts: $event })"
      />
    </div>
  </section>
</template>

<style scoped>
h3,
p {
  margin: 0;
}
h3 {
  border-bottom: 1px solid var(--ink);
  padding-top: 0.8rem;
}
.spray {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(9rem, 100%), 1fr));
  gap: 0.2rem 0.9rem;
  padding: 0.4rem 0;
  border-bottom: 1px solid var(--rule);
}
.wide {
  grid-column: span 2;
  min-width: 0;
}
.spray > b {
  grid-column: 1 / -1;
}
</style>
