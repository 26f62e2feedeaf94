<script setup lang="ts">
import { onMounted, ref, shallowRef } from 'vue'
import { RouterLink } from 'vue-router'
import { showDay } from '@juvena/core/calendar/day'
import type { Answer } from '../../../../contract/answers.ts'
import { api } from '../../stores/api.ts'
import { useFirm } from '../../stores/firm.ts'

/** The firm's machines over all jobs: who wants each on which day, what hiring comes to, whether to own one. */
const firm = useFirm()
const answer = shallowRef<Answer<'seasonMachines'> | null>(null)
const failure = ref('')
type Machine = Answer<'seasonMachines'>['machines'][number]
const cash = (thousandths: number) => firm.text(thousandths, 'money')
onMounted(async () => {
  try {
    answer.value = await api<Answer<'seasonMachines'>>('GET', '/season/machines')
  } catch (error) {
    failure.value = (error as Error).message
  }
})
const spared = (m: Machine) => (m.apart ?? 0) - (m.together?.cost ?? 0)
const jobs = (n: number) => `${n} ${n === 1 ? 'job' : 'jobs'}`
/** Whether owning wins, in a sentence; '' where its price or how long it lasts is not known. */
function verdict(m: Machine): string {
  if (m.buyFrom === null) return ''
  const planned = `${jobs(m.jobs)} in the twelve months ahead`
  return m.jobs >= m.buyFrom
    ? `Buy: owning is cheaper from ${jobs(m.buyFrom)} a year, and there are ${planned}.`
    : `Hire: owning is cheaper from ${jobs(m.buyFrom)} a year, and there are ${planned}.`
}
</script>

<template>
  <section aria-labelledby="machines">
    <h2 id="machines">Machines <span class="small soft">over all jobs, from today on</span></h2>
    <p v-if="failure" class="wrong" role="alert">{{ failure }}</p>
    <p v-else-if="!answer" class="soft">Reading what the jobs want…</p>
    <p v-else-if="answer.machines.length === 0" class="soft">
      No job wants a machine of yours: enter them under
      <RouterLink to="/yard/prices">Prices</RouterLink>, own or hired, with the work each does. Then
      the days on which jobs share one, or want it at once, stand here.
    </p>
    <article v-for="m in answer?.machines" :key="m.machine">
      <h3>
        {{ firm.say(m.name) }}
        <span v-if="m.own" class="by">your own</span>
        <span v-else-if="m.together" class="by">hired: {{ firm.say(m.together.says) }}</span>
        <span v-else class="by">no price of hire</span>
        <span v-if="m.together" class="n">{{ cash(m.together.cost) }}</span>
      </h3>
      <ul>
        <li v-for="d in m.days" :key="d.day" :class="{ over: d.over }">
          <b>{{ showDay(d.day, true) }}</b>
          <span>
            <template v-for="(j, i) in d.jobs" :key="j.job"
              >{{ i ? ' · ' : ''
              }}<RouterLink :to="`/jobs/${j.job}/order`">{{ j.name }}</RouterLink>
              <span class="n">{{ firm.hand(j.hours, 'h') }}</span></template
            >
            <small v-if="d.over" class="wrong"
              >One machine does not do {{ firm.hand(d.hours, 'h') }} in a day: move a job, or have
              two.</small
            >
            <small v-else-if="d.jobs.length > 1" class="soft"
              >shared by {{ d.jobs.length }} jobs; carrying it across comes on top</small
            >
          </span>
          <span class="n">{{ firm.hand(d.hours, 'h') }}</span>
        </li>
      </ul>
      <p v-if="spared(m) > 0 || verdict(m)" class="small">
        <template v-if="spared(m) > 0 && m.apart !== null"
          >{{ cash(spared(m)) }} less than the {{ cash(m.apart) }} that hiring comes to job by
          job.</template
        >
        {{ verdict(m) }}
      </p>
    </article>
    <p v-if="answer?.machines.length" class="small soft">
      The price of a job counts its own hire alone, so that what is shared is yours. Owning counts
      the price of a new machine over the years it lasts, and no repairs.
    </p>
  </section>
</template>

<style scoped src="./overAllJobs.css"></style>
<style scoped>
section {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(100%, 30rem), 1fr));
  gap: 0.4rem 2.4rem;
  align-items: start;
}
section > :not(article) {
  grid-column: 1 / -1;
}
h2 {
  border-bottom: 1.5px solid var(--ink);
}
li.over {
  border-left: 4px solid var(--hold);
  padding-left: 0.5rem;
}
</style>
