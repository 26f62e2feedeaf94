<script setup lang="ts">
import { computed } from 'vue'
import { RouterLink } from 'vue-router'
import type { MoneyGroup } from '@juvena/core/plan/money'
import FigureValue from '../../parts/FigureValue.vue'
import { useFirm } from '../../stores/firm.ts'
import { useJob } from '../../stores/job.ts'

/** Where the price of a job comes from: its groups of lines, overhead, margin and tax. */
defineProps<{ lines?: boolean }>()
const firm = useFirm()
const job = useJob()
const money = computed(() => job.plan?.money ?? null)
const GROUPS: Record<MoneyGroup, string> = {
  labour: 'labour',
  machines: 'machines, hire',
  materials: 'seed, feed, soil and covers',
  delivery: 'delivery',
  disposal: 'to the tip',
  water: 'water',
  travel: 'travel',
}
const cash = (thousandths: number) => firm.text(thousandths, 'money')
const groups = computed(() =>
  (Object.keys(GROUPS) as MoneyGroup[]).flatMap((id) => {
    const lines = money.value?.lines.filter((l) => l.group === id) ?? []
    if (lines.length === 0) return []
    const hours = id === 'labour' ? lines.reduce((a, l) => a + (l.amount?.value ?? 0), 0) : 0
    const sum = lines.reduce((a, l) => a + l.money, 0)
    return [{ id, name: GROUPS[id], hours, sum, lines }]
  }),
)
const budget = computed(() => money.value?.budget ?? null)
const over = computed(() =>
  money.value && budget.value !== null ? money.value.price.money - budget.value : 0,
)
</script>

<template>
  <section v-if="money" class="sums" aria-label="Cost and price">
    <h3>
      Where <FigureValue :id="money.price.figure" label="Price" /> comes from
      <small class="soft">{{ money.taxIn ? 'tax in it' : 'before tax' }}</small>
    </h3>
    <dl>
      <template v-for="g in groups" :key="g.id">
        <div>
          <dt>{{ g.name }}{{ g.hours ? `, ${firm.hand(g.hours, 'work-h')}` : '' }}</dt>
          <dd>{{ cash(g.sum) }}</dd>
        </div>
        <template v-if="lines">
          <div v-for="l in g.lines" :key="l.id" class="line">
            <dt>
              {{ firm.say(l.what) }}
              <small v-if="firm.say(l.detail)" class="soft">{{ firm.say(l.detail) }}</small>
            </dt>
            <dd><FigureValue :id="l.figure" :label="`${firm.say(l.what)}, cost`" /></dd>
          </div>
        </template>
      </template>
      <div v-if="money.overhead">
        <dt>overhead</dt>
        <dd><FigureValue :id="money.overhead.figure" /></dd>
      </div>
      <div class="sum">
        <dt>your cost</dt>
        <dd><FigureValue :id="money.cost.figure" /></dd>
      </div>
      <div>
        <dt>margin{{ money.margin < 0 ? ': a loss' : '' }}</dt>
        <dd>{{ cash(money.margin) }}</dd>
      </div>
      <div v-if="money.tax">
        <dt>tax{{ money.taxIn ? '' : ', on top' }}</dt>
        <dd><FigureValue :id="money.tax.figure" /></dd>
      </div>
      <div class="sum">
        <dt>{{ money.taxIn ? 'price' : 'the customer pays' }}</dt>
        <dd>{{ cash(money.total) }}</dd>
      </div>
    </dl>
    <p v-if="money.doubt" class="small soft">
      ± <FigureValue :id="money.doubt.figure" label="Doubt of the price" /> for the doubt about the
      areas
    </p>
    <p v-if="over > 0" class="over" role="status">
      {{ cash(over) }} over the budget of {{ cash(budget ?? 0) }}.
    </p>
    <p v-if="money.missing.length" class="small missing">
      No price yet, so not in it: {{ money.missing.map((m) => firm.say(m)).join(', ') }}.
      <RouterLink to="/yard/prices">Enter prices</RouterLink>
    </p>
    <p v-if="lines && money.byCustomer.length" class="small soft">
      The customer does, and it is not in the price:
      {{ [...new Set(money.byCustomer.map((b) => firm.say(b.what).toLowerCase()))].join(', ') }}.
    </p>
  </section>
  <p v-else class="small soft">
    <RouterLink to="/yard/prices">Enter what things cost</RouterLink> and the job has its cost and
    its price.
  </p>
</template>

<style scoped>
.sums {
  background: var(--sheet);
  border: 1px solid var(--rule);
  padding: 0.7rem 1rem;
}
h3 {
  margin: 0 0 0.4rem;
}
dl {
  margin: 0;
}
dl > div {
  display: flex;
  justify-content: space-between;
  gap: 1rem;
  padding: 0.12rem 0;
}
.line {
  padding-left: 1.2rem;
  font-size: 0.9rem;
  border-top: 1px dotted var(--rule);
}
.line dt small {
  padding-left: 0.4rem;
}
dt {
  color: inherit;
  font-size: inherit;
}
dd {
  margin: 0;
  font-weight: 700;
  font-variant-numeric: tabular-nums;
  white-space: nowrap;
}
.line dd {
  font-weight: 400;
}
.sum {
  border-top: 1px solid var(--ink);
}
.over,
.missing {
  border-left: 4px solid var(--clay);
  padding-left: 0.6rem;
  margin: 0.5rem 0 0;
}
</style>
