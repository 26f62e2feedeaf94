<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue'
import { RouterLink } from 'vue-router'
import { showDay } from '@juvena/core/calendar/day'
import type { Unit } from '@juvena/core/quantities/show'
import type { Answer } from '../../../../contract/answers.ts'
import CopyButton from '../../parts/CopyButton.vue'
import { api } from '../../stores/api.ts'
import { useFirm } from '../../stores/firm.ts'

/** One order from each supplier for the jobs that are chosen: fewer packs, one delivery. */
const firm = useFirm()
const answer = shallowRef<Answer<'seasonOrders'> | null>(null)
const failure = ref('')
type JointOrder = Answer<'seasonOrders'>['orders'][number]
/** The jobs that were chosen; null until somebody does, for those that want something soon. */
const asked = ref<readonly string[] | null>(null)
const cash = (thousandths: number) => firm.text(thousandths, 'money')
async function load() {
  const query = asked.value === null ? '' : `?jobs=${asked.value.join(',')}`
  try {
    answer.value = await api<Answer<'seasonOrders'>>('GET', `/season/orders${query}`)
    failure.value = ''
  } catch (error) {
    failure.value = (error as Error).message
  }
}
watch(asked, () => void load(), { immediate: true })
const toggle = (job: string) => {
  const now = (answer.value?.jobs ?? []).filter((j) => j.chosen !== (j.id === job))
  asked.value = now.map((j) => j.id)
}
const total = computed(() => (answer.value?.orders ?? []).reduce((sum, o) => sum + o.total, 0))
const spared = computed(() => (answer.value?.orders ?? []).reduce((sum, o) => sum + o.apart - o.total, 0)) // prettier-ignore
const names = (o: JointOrder['lines'][number]) =>
  o.jobs.map((j) => `${j.name} ${firm.hand(j.need, j.unit as Unit)}${j.neededOn ? `, ${showDay(j.neededOn).slice(4)}` : ''}`).join(' · ') // prettier-ignore
const what = (l: JointOrder['lines'][number]) =>
  [l.product || firm.say(l.what), firm.say(l.of)].filter(Boolean).join(', ')
const toSend = (o: JointOrder) =>
  [
    `Order from ${firm.settings.name || 'us'}`,
    ...o.lines.map((l) => `${firm.say(l.says)}: ${what(l)}`),
    ...(o.orderBy ? [`To be ordered by ${showDay(o.orderBy, true)}`] : []),
  ].join('\n')
</script>

<template>
  <section aria-labelledby="orders">
    <header>
      <h2 id="orders">
        Orders
        <span class="small soft">once for the jobs that are chosen</span>
      </h2>
      <p v-if="answer?.orders.length" class="sum">
        <b>{{ cash(total) }}</b>
        <span v-if="spared > 0" class="soft">{{ cash(spared) }} less than job by job</span>
      </p>
    </header>
    <p v-if="failure" class="wrong" role="alert">{{ failure }}</p>
    <p v-else-if="!answer" class="soft">Reading what the jobs still want…</p>
    <p v-else-if="answer.jobs.length === 0" class="soft">
      Nothing is to be ordered: enter what things cost under
      <RouterLink to="/yard/prices">Prices</RouterLink>, and what jobs still want stands here by
      supplier, with the last day to order.
    </p>
    <template v-else>
      <p class="jobs" role="group" aria-label="Jobs to order for">
        <button
          v-for="j in answer.jobs"
          :key="j.id"
          type="button"
          class="act slight"
          :aria-pressed="j.chosen"
          @click="toggle(j.id)"
        >
          {{ j.name }}
        </button>
      </p>
      <article v-for="o in answer.orders" :key="o.supplier">
        <h3>
          {{ o.name }}
          <span v-if="o.orderBy" class="by" :class="{ late: o.late }"
            >{{ o.late ? 'too late to be there: order by' : 'order by' }}
            {{ showDay(o.orderBy) }}</span
          >
          <span class="n">{{ cash(o.total) }}</span>
        </h3>
        <ul>
          <li v-for="(l, i) in o.lines" :key="i">
            <b>{{ firm.say(l.says) }}</b>
            <span
              >{{ what(l) }}<small class="soft">{{ names(l) }}</small></span
            >
            <span class="n">{{ cash(l.money) }}</span>
          </li>
          <li v-if="o.delivery">
            <span></span><span>one delivery</span><span class="n">{{ cash(o.delivery) }}</span>
          </li>
        </ul>
        <p class="ends">
          <CopyButton label="Copy the order" :text="toSend(o)" />
          <span v-if="o.apart > o.total" class="small soft"
            >{{ cash(o.apart) }} job by job, each with its own packs and delivery</span
          >
        </p>
      </article>
    </template>
  </section>
</template>

<style scoped src="./overAllJobs.css"></style>
<style scoped>
section {
  max-width: 62rem;
}
header {
  display: flex;
  flex-wrap: wrap;
  gap: 0.2rem 1.2rem;
  align-items: baseline;
  border-bottom: 1.5px solid var(--ink);
}
.sum {
  margin-left: auto;
  display: flex;
  flex-wrap: wrap;
  gap: 0.8rem;
  align-items: baseline;
}
.sum b {
  font-size: 1.375rem;
  font-variant-numeric: tabular-nums;
}
.jobs {
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem;
  padding: 0.6rem 0 0.3rem;
}
.jobs .act {
  white-space: normal;
  text-align: left;
}
.late {
  color: var(--hold);
  font-weight: 700;
}
@media (min-width: 641px) {
  li {
    grid-template-columns: 14rem minmax(0, 1fr) 7rem;
  }
}
.ends {
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem 1rem;
  align-items: center;
  padding-top: 0.4rem;
}
</style>
