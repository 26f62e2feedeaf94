<script setup lang="ts">
import { ElCheckbox } from 'element-plus'
import { computed } from 'vue'
import type { PricesDraft } from '@juvena/core/entities/prices'
import { buyFrom } from '@juvena/core/money/hire'
import { OPERATIONS, STEP_KINDS, type StepKind } from '@juvena/core/reference/operations'
import ChoiceField from '../../../parts/ChoiceField.vue'
import QuantityField from '../../../parts/QuantityField.vue'
import TextField from '../../../parts/TextField.vue'
import { useFirm } from '../../../stores/firm.ts'
import { newId } from '../../../stores/newId.ts'
import ProductRows from './ProductRows.vue'

/**
 * What the firm’s work, machines and materials cost, and how it makes a price of that. With these a
 * job has its cost, its price, its ways side by side and its orders.
 */
const firm = useFirm()
const prices = computed<PricesDraft>(() => firm.draft.prices ?? {})
const problem = (path: string) => firm.problems.find((p) => p.path === `prices.${path}`)?.sentence ?? '' // prettier-ignore
const set = (patch: Partial<PricesDraft>) => firm.change({ prices: { ...prices.value, ...patch } })
const state = computed(
  () => ({ saved: 'saved', saving: 'saving…', failed: firm.failure })[firm.saving],
)

const machines = computed(() => prices.value.machines ?? [])
const setMachine = (i: number, patch: object) => set({ machines: machines.value.map((m, k) => (k === i ? { ...m, ...patch } : m)) }) // prettier-ignore
const works = computed(
  () =>
  STEP_KINDS.filter((k) => OPERATIONS[k].by !== 'nothing').map((k) => ({ value: k as string, name: firm.say(OPERATIONS[k].name) })), // prettier-ignore
)
const tools = (does: string) => {
  const named = OPERATIONS[does as StepKind]?.tools ?? {}
  return [{ value: 'any', name: 'any way' }, ...Object.entries(named).map(([value, t]) => ({ value, name: t.name }))] // prettier-ignore
}
/** Jobs a year from which owning is cheaper than hiring a day for each; null where it is not known. */
const worthFrom = (m: (typeof machines.value)[number]) => {
  const known = firm.settings.prices.machines.find((x) => x.id === m.id)
  return known ? buyFrom(known, known.half ?? known.day) : null
}

const suppliers = computed(() => prices.value.suppliers ?? [])
const setSupplier = (i: number, patch: object) => set({ suppliers: suppliers.value.map((s, k) => (k === i ? { ...s, ...patch } : s)) }) // prettier-ignore
</script>

<template>
  <div class="prices">
    <section aria-label="Work and price">
      <h2>
        Work and price <span class="small soft" role="status">{{ state }}</span>
      </h2>
      <div class="row">
        <TextField
          label="Money’s sign"
          :model-value="firm.draft.currency"
          :maxlength="4"
          placeholder="$"
          @update:model-value="firm.change({ currency: $event })"
        />
        <QuantityField
          label="An hour of one person"
          kind="price"
          hint="all in"
          :model-value="prices.labour"
          :problem="problem('labour')"
          @update:model-value="set({ labour: $event })"
        />
        <QuantityField
          label="A visit"
          kind="price"
          hint="the van, there and back"
          :model-value="prices.travel"
          :problem="problem('travel')"
          @update:model-value="set({ travel: $event })"
        />
        <QuantityField
          label="A m³ to the tip"
          kind="price"
          hint="loose"
          :model-value="prices.disposal"
          :problem="problem('disposal')"
          @update:model-value="set({ disposal: $event })"
        />
        <QuantityField
          label="A m³ of water"
          kind="price"
          hint="where you pay for it"
          :model-value="prices.water"
          :problem="problem('water')"
          @update:model-value="set({ water: $event })"
        />
        <QuantityField
          label="Overhead"
          kind="percent"
          hint="on all cost"
          :model-value="prices.overhead"
          :problem="problem('overhead')"
          @update:model-value="set({ overhead: $event })"
        />
        <QuantityField
          label="Margin"
          kind="percent"
          hint="of the price"
          :model-value="prices.margin"
          :problem="problem('margin')"
          @update:model-value="set({ margin: $event })"
        />
        <QuantityField
          label="Tax"
          kind="percent"
          :model-value="prices.tax"
          :problem="problem('tax')"
          @update:model-value="set({ tax: $event })"
        />
        <QuantityField
          label="Round prices up to"
          kind="price"
          :model-value="prices.roundTo"
          :problem="problem('roundTo')"
          @update:model-value="set({ roundTo: $event })"
        />
        <QuantityField
          label="Least charge"
          kind="price"
          :model-value="prices.least"
          :problem="problem('least')"
          @update:model-value="set({ least: $event })"
        />
        <ElCheckbox
          class="tick"
          :model-value="prices.taxIn ?? false"
          @update:model-value="set({ taxIn: Boolean($event) })"
          >prices are told with tax in them</ElCheckbox
        >
      </div>
    </section>

    <section aria-label="Machines">
      <h2>Machines</h2>
      <p v-if="machines.length === 0" class="small soft">
        Enter what an hour of your own costs, or what the hire yard takes for a half day, a day and
        a weekend.
      </p>
      <div v-for="(m, i) in machines" :key="m.id" class="line machine">
        <TextField
          label="Machine"
          :model-value="m.name"
          :maxlength="80"
          @update:model-value="setMachine(i, { name: $event })"
        />
        <ChoiceField
          label="Does"
          list
          :options="works"
          :model-value="m.does"
          @update:model-value="setMachine(i, { does: $event ?? m.does, tool: '' })"
        />
        <ChoiceField
          v-if="tools(m.does).length > 1"
          label="With"
          list
          :options="tools(m.does)"
          :model-value="m.tool || 'any'"
          @update:model-value="setMachine(i, { tool: $event === 'any' ? '' : $event })"
        />
        <span v-else class="no-tool"></span>
        <QuantityField
          label="Own, an hour"
          kind="price"
          :model-value="m.own"
          :problem="problem(`machines[${i}].own`)"
          @update:model-value="setMachine(i, { own: $event })"
        />
        <QuantityField
          label="Half day"
          kind="price"
          :model-value="m.half"
          :problem="problem(`machines[${i}].half`)"
          @update:model-value="setMachine(i, { half: $event })"
        />
        <QuantityField
          label="Day"
          kind="price"
          :model-value="m.day"
          :problem="problem(`machines[${i}].day`)"
          @update:model-value="setMachine(i, { day: $event })"
        />
        <QuantityField
          label="Weekend"
          kind="price"
          :model-value="m.weekend"
          :problem="problem(`machines[${i}].weekend`)"
          @update:model-value="setMachine(i, { weekend: $event })"
        />
        <QuantityField
          label="New, to buy"
          kind="price"
          :model-value="m.buy"
          :problem="problem(`machines[${i}].buy`)"
          :hint="worthFrom(m) ? `owning wins from ${worthFrom(m)} hires a year` : ''"
          @update:model-value="setMachine(i, { buy: $event })"
        />
        <QuantityField
          label="Years it lasts"
          kind="ratio"
          :model-value="m.keeps"
          :problem="problem(`machines[${i}].keeps`)"
          @update:model-value="setMachine(i, { keeps: $event })"
        />
        <button
          type="button"
          class="plain small"
          :aria-label="`Delete the machine ${m.name}`"
          @click="set({ machines: machines.filter((_, k) => k !== i) })"
        >
          delete
        </button>
      </div>
      <p>
        <button
          type="button"
          class="act slight"
          @click="set({ machines: [...machines, { id: newId(), does: 'core' }] })"
        >
          Add a machine
        </button>
      </p>
    </section>

    <section aria-label="Suppliers">
      <h2>Suppliers</h2>
      <div v-for="(s, i) in suppliers" :key="s.id" class="line supplier">
        <TextField
          label="Supplier"
          :model-value="s.name"
          @update:model-value="setSupplier(i, { name: $event })"
        />
        <QuantityField
          label="Working days to deliver"
          kind="days"
          :model-value="s.days"
          :problem="problem(`suppliers[${i}].days`)"
          @update:model-value="setSupplier(i, { days: $event })"
        />
        <QuantityField
          label="A delivery"
          kind="price"
          :model-value="s.delivery"
          :problem="problem(`suppliers[${i}].delivery`)"
          @update:model-value="setSupplier(i, { delivery: $event })"
        />
        <button
          type="button"
          class="plain small"
          :aria-label="`Delete the supplier ${s.name}`"
          @click="set({ suppliers: suppliers.filter((_, k) => k !== i) })"
        >
          delete
        </button>
      </div>
      <p>
        <button
          type="button"
          class="act slight"
          @click="set({ suppliers: [...suppliers, { id: newId() }] })"
        >
          Add a supplier
        </button>
      </p>
    </section>

    <ProductRows :prices="prices" :problem="problem" @set="set" />
  </div>
</template>

<style scoped>
.prices {
  display: grid;
  gap: 1.2rem;
}
section {
  background: var(--sheet);
  border: 1px solid var(--rule);
  padding: 0.8rem 1.2rem;
}
h2,
p {
  margin: 0;
}
.row {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(9rem, 100%), 1fr));
  gap: 0.2rem 1.1rem;
  align-items: start;
}
.tick {
  height: auto;
  white-space: normal;
  align-self: center;
  grid-column: span 2;
}
.line {
  display: grid;
  gap: 0.2rem 0.8rem;
  align-items: center;
  border-bottom: 1px solid var(--rule);
  padding: 0.3rem 0;
}
.machine {
  grid-template-columns: 1.9fr 1.3fr 1.2fr repeat(6, 1fr) auto;
  align-items: start;
}
.machine > button {
  align-self: center;
}
.supplier {
  grid-template-columns: 2fr 1fr 1fr auto;
}
@media (max-width: 900px) {
  .machine {
    grid-template-columns: 1fr 1fr 1fr;
  }
  .no-tool {
    display: none;
  }
}
@media (max-width: 640px) {
  section {
    padding: 0.7rem;
  }
  .tick {
    grid-column: auto;
  }
  .machine,
  .supplier {
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  }
  .line > * {
    min-width: 0;
  }
}
</style>
