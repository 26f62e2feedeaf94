<script setup lang="ts">
import { ElSwitch } from 'element-plus'
import { computed } from 'vue'
import type { FirmDraft } from '@juvena/core/entities/firm'
import {
  SCHOOL_CHOICES,
  DEFAULT_SCHOOLS,
  type SchoolChoiceId,
} from '@juvena/core/reference/schools'
import ChoiceField from '../../parts/ChoiceField.vue'
import DayField from '../../parts/DayField.vue'
import QuantityField from '../../parts/QuantityField.vue'
import TextField from '../../parts/TextField.vue'
import SeedSettings from './SeedSettings.vue'
import { useFirm } from '../../stores/firm.ts'
import { newId } from '../../stores/newId.ts'

const firm = useFirm()
const problem = (path: string) => firm.problems.find((p) => p.path === path)?.sentence ?? ''
const set = <K extends keyof FirmDraft>(key: K, value: FirmDraft[K]) =>
  firm.change({ [key]: value })
const bans = computed(() => firm.draft.nitrogenBans ?? [])
const setBan = (i: number, patch: object) =>
  set('nitrogenBans', bans.value.map((b, k) => (k === i ? { ...b, ...patch } : b))) // prettier-ignore
const choices = Object.keys(SCHOOL_CHOICES) as SchoolChoiceId[]
const options = (c: SchoolChoiceId) =>
  Object.entries(SCHOOL_CHOICES[c].schools).map(([value, s]) => ({ value, name: s.name }))
const school = (c: SchoolChoiceId) => firm.draft.schools?.[c] ?? DEFAULT_SCHOOLS[c]
const says = (c: SchoolChoiceId) =>
  (SCHOOL_CHOICES[c].schools as Record<string, { says: string }>)[school(c)]?.says
const setSchool = (c: SchoolChoiceId, value: string | null) =>
  firm.change({ schools: { ...firm.draft.schools, [c]: value ?? DEFAULT_SCHOOLS[c] } })
const state = computed(
  () => ({ saved: 'saved', saving: 'saving…', failed: firm.failure })[firm.saving],
)
</script>

<template>
  <div class="settings">
    <div class="side">
      <section>
        <h2>
          Firm <span class="small soft" role="status">{{ state }}</span>
        </h2>
        <div class="row">
          <TextField
            label="Name, on the sheets"
            :model-value="firm.draft.name"
            @update:model-value="set('name', $event)"
          />
          <TextField
            label="Address"
            :model-value="firm.draft.address"
            :maxlength="200"
            @update:model-value="set('address', $event)"
          />
          <TextField
            label="Telephone"
            :model-value="firm.draft.phone"
            :maxlength="60"
            @update:model-value="set('phone', $event)"
          />
          <QuantityField
            label="Crew on a job"
            kind="ratio"
            :model-value="firm.draft.crew"
            placeholder="2"
            :problem="problem('crew')"
            @update:model-value="set('crew', $event)"
          />
          <QuantityField
            label="Working day"
            kind="hours"
            :model-value="firm.draft.hoursPerDay"
            placeholder="8 h"
            :problem="problem('hoursPerDay')"
            @update:model-value="set('hoursPerDay', $event)"
          />
        </div>
        <div class="row">
          <ChoiceField
            label="Units"
            :options="[
              { value: 'metric', name: 'metric' },
              { value: 'us', name: 'US customary' },
            ]"
            :model-value="firm.settings.units"
            @update:model-value="set('units', $event ?? 'metric')"
          />
          <ChoiceField
            label="Words"
            :options="[
              { value: 'scarify', name: 'scarify, hollow-tine' },
              { value: 'dethatch', name: 'verticut, core aerate' },
            ]"
            :model-value="firm.settings.dialect"
            @update:model-value="set('dialect', $event ?? 'scarify')"
          />
        </div>
        <div class="row">
          <TextField
            label="Sign of your money"
            :model-value="firm.draft.currency"
            :maxlength="4"
            @update:model-value="set('currency', $event)"
          />
          <ChoiceField
            label="A sum is written"
            :options="[
              { value: '2', name: '12.50' },
              { value: '0', name: '1,250' },
              { value: '3', name: '1.250' },
            ]"
            :model-value="String(firm.settings.coinDecimals)"
            @update:model-value="set('coinDecimals', $event === '0' ? 0 : $event === '3' ? 3 : 2)"
          />
        </div>
        <div class="row">
          <ChoiceField
            label="Paper"
            :options="[
              { value: 'a4', name: 'A4' },
              { value: 'letter', name: 'Letter' },
            ]"
            :model-value="firm.settings.paper"
            @update:model-value="set('paper', $event ?? 'a4')"
          />
          <p class="switch">
            <ElSwitch
              :model-value="firm.settings.weekendWork"
              aria-label="We work at weekends"
              @update:model-value="set('weekendWork', Boolean($event))"
            />
            We work at weekends
          </p>
          <p class="switch">
            <ElSwitch
              :model-value="firm.settings.letterKeys"
              aria-label="Single-letter keys"
              @update:model-value="set('letterKeys', Boolean($event))"
            />
            Single-letter keys
          </p>
        </div>
        <h2>Stock and rates</h2>
        <div class="row">
          <TextField
            label="Starter on the shelf, grade"
            :model-value="firm.draft.feedGrade"
            placeholder="16-20-8"
            :maxlength="40"
            :problem="problem('feedGrade')"
            @update:model-value="set('feedGrade', $event || null)"
          />
          <QuantityField
            label="Seed kept back"
            kind="percent"
            :model-value="firm.draft.reserve"
            placeholder="12 %"
            :problem="problem('reserve')"
            @update:model-value="set('reserve', $event)"
          />
          <QuantityField
            label="Fills settle by"
            kind="percent"
            :model-value="firm.draft.settling"
            placeholder="12 %"
            :problem="problem('settling')"
            @update:model-value="set('settling', $event)"
          />
          <QuantityField
            label="Oversize raked off"
            kind="percent"
            :model-value="firm.draft.oversize"
            placeholder="5 %"
            :problem="problem('oversize')"
            @update:model-value="set('oversize', $event)"
          />
          <QuantityField
            label="A barrow holds"
            kind="volume"
            :model-value="firm.draft.barrow"
            :placeholder="firm.units === 'us' ? '3 cu ft' : '80 L'"
            :problem="problem('barrow')"
            @update:model-value="set('barrow', $event)"
          />
        </div>
        <ChoiceField
          label="Local rule on phosphorus"
          :options="[
            { value: 'none', name: 'none' },
            { value: 'with-test', name: 'with a test' },
            { value: 'new-seed-only', name: 'new seed only' },
            { value: 'barred', name: 'barred' },
          ]"
          :model-value="firm.settings.phosphorusLaw"
          hint="The plan obeys it or says why it cannot. Local law decides."
          @update:model-value="set('phosphorusLaw', $event ?? 'none')"
        />
        <p class="field-label ban-head">No nitrogen may go down</p>
        <div v-for="(ban, i) in bans" :key="ban.id" class="ban">
          <DayField
            label="From"
            yearless
            :today="firm.today"
            :model-value="ban.from"
            :problem="problem(`nitrogenBans[${i}].from`)"
            @update:model-value="setBan(i, { from: $event })"
          />
          <DayField
            label="to, that day with it"
            yearless
            :today="firm.today"
            :model-value="ban.to"
            :problem="problem(`nitrogenBans[${i}].to`)"
            @update:model-value="setBan(i, { to: $event })"
          />
          <button
            type="button"
            class="plain small"
            :aria-label="`Delete the dates ${i + 1}`"
            @click="set('nitrogenBans', bans.toSpliced(i, 1))"
          >
            delete
          </button>
        </div>
        <button
          type="button"
          class="act slight add"
          @click="set('nitrogenBans', [...bans, { id: newId() }])"
        >
          {{ bans.length ? 'More dates' : 'Enter the dates of a local rule' }}
        </button>
      </section>
      <SeedSettings />
    </div>
    <section>
      <h2>Schools <span class="small soft">where the trade disagrees; a job may differ</span></h2>
      <div class="schools">
        <div v-for="c in choices" :key="c" class="school">
          <ChoiceField
            :label="firm.say(SCHOOL_CHOICES[c].question)"
            :options="options(c)"
            :model-value="school(c)"
            :hint="firm.say(says(c) ?? '')"
            @update:model-value="setSchool(c, $event)"
          />
        </div>
      </div>
    </section>
  </div>
</template>

<style scoped>
.settings {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1.25fr);
  gap: 1.25rem;
  align-items: start;
}
section,
.side :deep(section) {
  background: var(--sheet);
  border: 1px solid var(--rule);
  padding: 0.8rem 1.1rem 1.1rem;
}
h2,
.side :deep(h2) {
  border-bottom: 1.5px solid var(--ink);
  margin-bottom: 0.5rem;
  padding-bottom: 0.15rem;
}
h2:not(:first-child) {
  margin-top: 1rem;
}
h2 .small {
  font-weight: 400;
}
.side {
  display: grid;
  gap: 1.25rem;
}
.row {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(9.5rem, 100%), 1fr));
  gap: 0.35rem 1rem;
  margin-bottom: 0.35rem;
}
.add {
  white-space: normal;
}
.ban-head {
  margin: 0.7rem 0 0;
}
.ban {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr)) auto;
  gap: 0.3rem 1rem;
  align-items: center;
  padding-bottom: 0.3rem;
}
.switch {
  display: flex;
  gap: 0.6rem;
  align-items: center;
}
.schools {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(15rem, 100%), 1fr));
  column-gap: 1.5rem;
}
.school {
  border-top: 1px solid var(--rule);
  padding: 0.4rem 0;
}
@media (max-width: 900px) {
  .settings {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
