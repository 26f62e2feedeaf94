<script setup lang="ts">
import { ElCheckbox } from 'element-plus'
import { computed, ref } from 'vue'
import { RouterLink } from 'vue-router'
import { showDay } from '@juvena/core/calendar/day'
import { blankEntry } from '@juvena/core/entities/diary'
import { offersOf, sinceQuoted, type OfferState } from '@juvena/core/money/offerOf'
import { showMoney } from '@juvena/core/quantities/money'
import ChoiceField from '../../parts/ChoiceField.vue'
import { useJob } from '../../stores/job.ts'
import { newId } from '../../stores/newId.ts'
import { whoWrites } from '../../stores/who.ts'

/** The offers that were given, what became of each, and what has changed since one was accepted. */
const job = useJob()
const offers = computed(() => offersOf(job.diary, job.today))
const answering = ref<string | null>(null)
/** Extras that are taken with it. */
const extras = ref<string[]>([])
const STATES = { open: 'open', accepted: 'accepted', declined: 'declined', lapsed: 'no longer valid' } // prettier-ignore
const cash = (o: OfferState, thousandths: number) => showMoney(thousandths, o.offer.currency)
const since = (o: OfferState) => (o.way ? sinceQuoted(o.way, job.plan?.money ?? null) : null)
async function answer(o: OfferState, way: string | null) {
  answering.value = null
  const taken = o.offer.ways.find((w) => w.id === way)
  await job.write({
    ...blankEntry(newId(), job.today, `Offer ${o.offer.number} ${taken ? `accepted: ${taken.name}` : 'declined'}`), // prettier-ignore
    who: whoWrites(),
    offerAnswer: { offer: o.id, way, extras: way ? [...extras.value] : [] },
  })
}
</script>

<template>
  <section v-if="offers.length" class="offers" aria-label="Offers">
    <h3>Offers</h3>
    <ul>
      <li v-for="o in offers" :key="o.id">
        <b>{{ o.offer.number }}</b>
        <span class="tag reading">{{ STATES[o.state] }}</span>
        <span class="small"
          >{{ showDay(o.given, true) }}, valid until {{ showDay(o.offer.validUntil, true) }}:
          {{ o.offer.ways.map((w) => `${w.name} ${cash(o, w.price)}`).join(', ') }}</span
        >
        <p v-if="o.way" class="small">
          {{ [o.way.name, ...o.extras].join(', with ') }} accepted
          {{ o.answeredOn ? showDay(o.answeredOn, true) : '' }}.
          <template v-if="since(o)"
            >Quoted {{ cash(o, o.way.price) }}, now {{ cash(o, o.way.price + (since(o) ?? 0)) }}:
            {{ cash(o, Math.abs(since(o) ?? 0)) }}
            {{ (since(o) ?? 0) > 0 ? 'more' : 'less' }}.</template
          >
        </p>
        <p class="ends">
          <RouterLink class="act slight" :to="`/jobs/${job.id}/sheets?sheet=offer&entry=${o.id}`"
            >Print or save</RouterLink
          >
          <button
            v-if="o.state !== 'accepted'"
            type="button"
            class="act slight"
            :aria-expanded="answering === o.id"
            @click="((answering = answering === o.id ? null : o.id), (extras = []))"
          >
            Accepted
          </button>
          <button
            v-if="o.state === 'open'"
            type="button"
            class="act slight"
            @click="answer(o, null)"
          >
            Declined
          </button>
        </p>
        <template v-if="answering === o.id">
          <ElCheckbox
            v-for="x in o.offer.extras"
            :key="x.what"
            :model-value="extras.includes(x.what)"
            @update:model-value="
              extras = $event ? [...extras, x.what] : extras.filter((w) => w !== x.what)
            "
            >with {{ x.what }}, {{ cash(o, x.price) }}</ElCheckbox
          >
        </template>
        <ChoiceField
          v-if="answering === o.id"
          label="Which way"
          :options="o.offer.ways.map((w) => ({ value: w.id, name: w.name }))"
          :model-value="null"
          @update:model-value="$event && answer(o, $event)"
        />
      </li>
    </ul>
  </section>
</template>

<style scoped>
.offers {
  padding-top: 0.8rem;
}
h3,
p {
  margin: 0;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  border-top: 1px solid var(--rule);
  padding: 0.4rem 0;
}
li > b,
li > span {
  margin-right: 0.5rem;
}
.ends {
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem;
  padding-top: 0.3rem;
}
</style>
