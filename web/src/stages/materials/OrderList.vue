<script setup lang="ts">
import { computed } from 'vue'
import { showDay } from '@juvena/core/calendar/day'
import CopyButton from '../../parts/CopyButton.vue'
import { useFirm } from '../../stores/firm.ts'
import { useJob } from '../../stores/job.ts'

/** One order for each supplier: packs, the delivery, the last day to order; and its text to send. */
const firm = useFirm()
const job = useJob()
const orders = computed(() => job.plan?.money?.orders ?? [])
const cash = (thousandths: number) => firm.text(thousandths, 'money')
const toSend = (o: (typeof orders.value)[number]) => {
  const first = o.lines.flatMap((l) => l.neededOn ?? []).sort()[0]
  return [
    `Order from ${firm.settings.name || 'us'} for ${job.draft?.name || 'a job'}`,
    ...o.lines.map((l) => `${firm.say(l.says)}: ${l.product || firm.say(l.what)}`),
    ...(first ? [`Needed by ${showDay(first, true)}`] : []),
  ].join('\n')
}
</script>

<template>
  <section v-if="orders.length" class="orders" aria-label="Orders">
    <h3>Orders</h3>
    <article v-for="o in orders" :key="o.supplier">
      <header>
        <b>{{ o.name }}</b>
        <span v-if="o.orderBy" class="by" :class="{ late: o.late }"
          >{{ o.late ? 'too late to be there:' : '' }} order by {{ showDay(o.orderBy) }}</span
        >
        <span class="total">{{ cash(o.total) }}</span>
      </header>
      <ul>
        <li v-for="l in o.lines" :key="l.material">
          <span>{{ firm.say(l.says) }}</span>
          <span
            >{{ firm.say(l.what) }}
            <small v-if="l.product" class="soft">{{ l.product }}</small></span
          >
          <span class="small soft">{{ l.neededOn ? `for ${showDay(l.neededOn)}` : '' }}</span>
          <span class="n">{{ cash(l.money) }}</span>
        </li>
        <li v-if="o.delivery">
          <span></span><span>one delivery</span><span></span
          ><span class="n">{{ cash(o.delivery) }}</span>
        </li>
      </ul>
      <CopyButton label="Copy the order" :text="toSend(o)" />
    </article>
  </section>
</template>

<style scoped>
.orders {
  padding-top: 0.6rem;
}
article {
  border-top: 2px solid var(--ink);
  padding: 0.4rem 0 0.8rem;
}
header {
  display: flex;
  flex-wrap: wrap;
  gap: 0.2rem 1rem;
  align-items: baseline;
}
.total {
  margin-left: auto;
  font-weight: 700;
}
.late {
  color: var(--hold);
  font-weight: 700;
}
ul {
  list-style: none;
  margin: 0.2rem 0 0.4rem;
  padding: 0;
}
li {
  display: grid;
  grid-template-columns: 10rem minmax(0, 1fr) auto 6rem;
  gap: 0.2rem 0.8rem;
  border-bottom: 1px solid var(--rule);
  padding: 0.2rem 0;
}
.n {
  text-align: right;
  font-variant-numeric: tabular-nums;
}
@media (max-width: 640px) {
  li {
    grid-template-columns: 1fr auto;
  }
}
</style>
