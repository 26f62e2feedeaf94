<script setup lang="ts">
import { sure } from '@juvena/core/quantities/sure'
import { computed } from 'vue'
import { readJob } from '@juvena/core/entities/job'
import { showDay } from '@juvena/core/calendar/day'
import { applicationRecord } from '@juvena/core/present/applicationRecord'
import { useFirm } from '../../stores/firm.ts'
import { useJob } from '../../stores/job.ts'
import SheetHead from './SheetHead.vue'

/** What was put down, as the law of most places wants it written down; what is missing is filled in by hand. */
const firm = useFirm()
const job = useJob()
const list = computed(() => {
  const read = readJob(job.draft ?? {}).job
  return read ? applicationRecord(sure(job.plan), read, job.diary) : []
})
/** A line of the record, and a rule to write on where nothing is known. */
const rows = computed(() =>
  list.value.map((a) => ({
    ...a,
    head: `${showDay(a.day, true)}${a.done ? '' : ', planned'}`,
    lines: [
      ['product', [a.product, a.active, a.number && `no. ${a.number}`].filter(Boolean).join(' · ')],
      ['where', firm.say(a.where)],
      ...(a.against.length ? [['against', a.against.join(', ')]] : []),
      ['rate', firm.say(a.rate)],
      ['amount in all', firm.say(a.amount)],
      ...(a.water ? [['water', firm.say(a.water)]] : []),
      ['put down by, licence', a.who],
      ['from, to (time)', ''],
      ['wind, temperature, rain', firm.say(a.weather)],
      ...(a.people ? [['people and pets', firm.say(a.people)]] : []),
      ...(a.note ? [['note', a.note]] : []),
    ] as [string, string][],
  })),
)
</script>

<template>
  <section>
    <SheetHead title="Record of what was put down" />
    <p v-if="rows.length === 0">
      Nothing that is sprayed, spread against weeds or pests, limed or fed is planned here, and none
      was recorded.
    </p>
    <p v-else class="small soft">
      The label is the law, and local rules say what is written down and for how long it is held.
    </p>
    <article v-for="a in rows" :key="a.id">
      <h3>
        {{ firm.say(a.what) }} <span>{{ a.head }}</span>
      </h3>
      <dl>
        <div v-for="[name, value] in a.lines" :key="name" :class="{ open: !value }">
          <dt>{{ name }}</dt>
          <dd>{{ value }}</dd>
        </div>
      </dl>
    </article>
  </section>
</template>

<style scoped>
article {
  break-inside: avoid;
}
h3 {
  display: flex;
  justify-content: space-between;
}
h3 span {
  font-weight: 400;
}
dl {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0 1.5rem;
  margin: 0;
}
dl > div {
  display: grid;
  grid-template-columns: 9.5rem minmax(0, 1fr);
  gap: 0.6rem;
  padding: 0.22rem 0;
  align-items: baseline;
}
dt {
  color: #444;
  font-size: 0.8125rem;
}
dd {
  margin: 0;
  overflow-wrap: anywhere;
}
.open dd {
  border-bottom: 1px solid #999;
  min-height: 1.5rem;
}
@media (max-width: 820px) {
  dl {
    grid-template-columns: 1fr;
  }
}
</style>
