<script setup lang="ts">
import { sure } from '@juvena/core/quantities/sure'
import type { JobDraft } from '@juvena/core/entities/job'
import { treatmentWaits } from '@juvena/core/reference/lagValues'
import { figureId, treatmentScope } from '@juvena/core/trace/scope'
import { TREATMENTS, TREATMENT_KINDS, type TreatmentId } from '@juvena/core/reference/lists'
import ChoiceField from '../../parts/ChoiceField.vue'
import DayField from '../../parts/DayField.vue'
import FigureValue from '../../parts/FigureValue.vue'
import QuantityField from '../../parts/QuantityField.vue'
import TextField from '../../parts/TextField.vue'
import { useFirm } from '../../stores/firm.ts'
import { useJob } from '../../stores/job.ts'
import { newId } from '../../stores/newId.ts'

const firm = useFirm()
const job = useJob()
const usualWait = (kind: TreatmentId) => {
  const wait = kind in treatmentWaits ? treatmentWaits[kind as keyof typeof treatmentWaits] : null
  return wait
    ? `else ${firm.settings.values[wait.id] ?? wait.is} days, the longest usual`
    : 'none usual'
}
/** Only what keeps seed out has a wait to ask for. */
const waits = (t: Treatment) => (t.kind ?? '') in treatmentWaits || Boolean(t.waitDays)
type Treatment = NonNullable<JobDraft['treatments']>[number]
const options = TREATMENTS.map((value) => ({ value, name: TREATMENT_KINDS[value].name }))
const set = (i: number, patch: Partial<Treatment>) =>
  job.edit(`treatments.${i}.${Object.keys(patch)[0]}`, (d) => {
    sure(d.treatments)[i] = { ...sure(d.treatments)[i]!, ...patch }
  })
const add = () =>
  job.edit(`treatments.add.${Date.now()}`, (d) => {
    d.treatments = [...(d.treatments ?? []), { id: newId(), kind: 'broadleaf' }]
  })
const drop = (i: number) =>
  job.edit(`treatments.drop.${Date.now()}`, (d) => {
    d.treatments = sure(d.treatments).filter((_, k) => k !== i)
  })
/** No zones named means all of them. */
const isOn = (t: Treatment, zone: string) => !t.zones?.length || t.zones.includes(zone)
function toggle(i: number, t: Treatment, zone: string) {
  const all = job.zones.map((z) => z.id)
  const on = all.filter((z) => (z === zone ? !isOn(t, z) : isOn(t, z)))
  set(i, { zones: on.length === all.length || on.length === 0 ? [] : on })
}
const problem = (i: number, key: string) => job.problemAt(`treatments[${i}].${key}`)
</script>

<template>
  <div class="history">
    <p class="soft">
      What was put down before, and when. Weedkillers keep seed out until their wait is over; a
      combined feed counts as the weedkiller in it.
    </p>
    <article v-for="(t, i) in job.draft?.treatments ?? []" :key="i" class="row">
      <ChoiceField
        label="What"
        list
        :options="options"
        :model-value="t.kind"
        @update:model-value="set(i, { kind: ($event ?? 'broadleaf') as TreatmentId })"
      />
      <DayField
        label="On"
        :model-value="t.date"
        :problem="problem(i, 'date')"
        :today="job.today"
        @update:model-value="set(i, { date: $event })"
      />
      <TextField
        label="Product"
        :model-value="t.product"
        :maxlength="80"
        @update:model-value="set(i, { product: $event })"
      />
      <TextField
        label="Active ingredient"
        :model-value="t.active"
        :maxlength="80"
        @update:model-value="set(i, { active: $event })"
      />
      <fieldset v-if="job.zones.length > 1" class="where">
        <legend class="label">Where</legend>
        <label v-for="z in job.zones" :key="z.id"
          ><input type="checkbox" :checked="isOn(t, z.id)" @change="toggle(i, t, z.id)" />
          {{ z.name || 'Unnamed zone' }}</label
        >
      </fieldset>
      <QuantityField
        v-if="waits(t)"
        class="wait"
        label="Label’s wait before seed"
        kind="days"
        :model-value="t.waitDays"
        :problem="problem(i, 'waitDays')"
        :hint="usualWait(t.kind as TreatmentId)"
        @update:model-value="set(i, { waitDays: $event })"
      />
      <div class="until">
        <template v-if="waits(t)">
          <span class="label">Seed safe from</span>
          <FigureValue :id="figureId(treatmentScope(t.id ?? ''), 'until')" />
        </template>
        <button type="button" class="plain small" @click="drop(i)">remove</button>
      </div>
    </article>
    <p v-if="!job.draft?.treatments?.length" class="none">
      Nothing is known to have been put down. Ask, and ask for the bags in the shed.
    </p>
    <button type="button" class="act" @click="add">Add a treatment</button>
  </div>
</template>

<style scoped>
.history {
  display: grid;
  gap: 0.6rem;
  justify-items: start;
}
.row {
  display: grid;
  grid-template-columns: 1.3fr 1fr 1fr 1fr;
  gap: 0.3rem 0.9rem;
  border-top: 1px solid var(--rule);
  padding-top: 0.4rem;
  width: 100%;
}
.label {
  display: block;
  font-size: var(--size-small);
  color: var(--soft);
}
.where {
  grid-column: 1 / 3;
  border: 0;
  padding: 0;
  margin: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 0.2rem 1rem;
}
.wait {
  grid-column: 3;
}
.until {
  grid-column: 4;
  display: grid;
  justify-items: start;
  align-content: start;
  min-width: 6rem;
}
.none {
  padding: 1rem 0;
}
@media (max-width: 1000px) {
  .row {
    grid-template-columns: 1fr 1fr;
  }
  .where {
    grid-column: 1 / -1;
  }
  .wait,
  .until {
    grid-column: auto;
  }
}
</style>
