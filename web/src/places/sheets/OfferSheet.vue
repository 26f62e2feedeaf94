<script setup lang="ts">
import { computed } from 'vue'
import { showDay } from '@juvena/core/calendar/day'
import { offersOf } from '@juvena/core/money/offerOf'
import { showMoney } from '@juvena/core/quantities/money'
import { useFirm } from '../../stores/firm.ts'
import { useJob } from '../../stores/job.ts'

/** An offer as it was given, for the customer: its ways side by side. Nothing of cost or margin. */
const props = defineProps<{ entry: string }>()
const firm = useFirm()
const job = useJob()
const given = computed(() => offersOf(job.diary, job.today).find((o) => o.id === props.entry))
const cash = (thousandths: number) => given.value ? showMoney(thousandths, given.value.offer.currency) : '' // prettier-ignore
const taxLine = (price: number, tax: number) =>
  tax === 0
    ? ''
    : given.value?.offer.taxIn
      ? `with ${cash(tax)} of tax in it`
      : `and ${cash(tax)} of tax: ${cash(price + tax)}`
</script>

<template>
  <section class="offer">
    <p v-if="!given">There is no such offer on this job.</p>
    <template v-else>
      <header>
        <div>
          <p class="firm">{{ firm.settings.name || 'Offer' }}</p>
          <p class="small">
            {{ [firm.settings.address, firm.settings.phone].filter(Boolean).join(' · ') }}
          </p>
        </div>
        <div class="right">
          <p>Offer {{ given.offer.number }}</p>
          <p class="small">{{ showDay(given.given, true) }}</p>
          <p class="small">valid until {{ showDay(given.offer.validUntil, true) }}</p>
        </div>
      </header>
      <p class="to">
        {{ job.draft?.customer || 'To the customer' }}<br />
        <template v-if="job.draft?.site?.address">{{ job.draft.site.address }}<br /></template>
        <b>{{ job.draft?.name }}</b>
      </p>
      <p>
        {{
          given.offer.ways.length === 1
            ? 'Thank you for asking us to look at your lawn. This is what we would do, and what it costs.'
            : `Thank you for asking us to look at your lawn. Here are ${['', 'one way', 'two ways', 'three ways', 'four ways'][given.offer.ways.length]} to go about it. Each is complete; choose the one that suits you.`
        }}
      </p>
      <div class="ways" :style="{ '--n': given.offer.ways.length }">
        <article
          v-for="(w, i) in given.offer.ways"
          :key="w.id"
          :class="{ taken: given.way?.id === w.id }"
        >
          <h3>{{ String.fromCharCode(65 + i) }}. {{ w.name }}</h3>
          <p class="price">{{ cash(w.price) }}</p>
          <p class="small">{{ taxLine(w.price, w.tax) }}</p>
          <ul>
            <li v-for="d in w.does" :key="d">{{ d }}</li>
          </ul>
          <dl>
            <template v-if="w.first"
              ><dt>When</dt>
              <dd>
                {{ showDay(w.first)
                }}{{ w.last && w.last !== w.first ? ` to ${showDay(w.last)}` : '' }}
              </dd></template
            >
            <dt>Looks right</dt>
            <dd>{{ w.right ? `from ${showDay(w.right)}` : 'no day can be promised' }}</dd>
            <template v-if="w.odds !== null"
              ><dt>The sowing takes</dt>
              <dd>in about {{ Math.round(w.odds) }} years of 100</dd></template
            >
            <dt>What you do</dt>
            <dd>{{ w.theirs }}</dd>
            <template v-if="w.leaves"
              ><dt>Stays as it is</dt>
              <dd>{{ w.leaves }}</dd></template
            >
          </dl>
        </article>
      </div>
      <template v-if="given.offer.extras.length">
        <h3>Extras, if you want them</h3>
        <table>
          <tbody>
            <tr v-for="x in given.offer.extras" :key="x.what">
              <td>{{ x.what }}</td>
              <td class="n">{{ cash(x.price) }}</td>
            </tr>
          </tbody>
        </table>
      </template>
      <p v-if="given.offer.terms" class="terms">{{ given.offer.terms }}</p>
      <p class="small">{{ given.offer.assumptions.join(' ') }}</p>
      <div class="sign">
        <p>I would like way ______, with these extras: ______________________________</p>
        <p>Name and day: ______________________________</p>
      </div>
    </template>
  </section>
</template>

<style scoped>
header {
  display: flex;
  justify-content: space-between;
  border-bottom: 3px solid #000;
  padding-bottom: 0.4rem;
}
.firm {
  font-size: 1.5rem;
  font-weight: 700;
}
.right {
  text-align: right;
}
.right p:first-child {
  font-size: 1.2rem;
  font-weight: 700;
}
p {
  margin: 0;
}
.to {
  padding: 1rem 0;
}
.ways {
  display: grid;
  grid-template-columns: repeat(var(--n), minmax(0, 1fr));
  gap: 1rem;
  padding: 1rem 0;
}
article {
  border: 1px solid #777;
  padding: 0.6rem 0.8rem;
}
article.taken {
  border: 3px solid #000;
}
h3 {
  margin: 0;
}
h3::first-letter {
  text-transform: uppercase;
}
.price {
  font-size: 1.7rem;
  font-weight: 700;
  font-variant-numeric: tabular-nums;
}
ul {
  margin: 0.5rem 0;
  padding-left: 1.1rem;
}
dl {
  margin: 0;
  display: grid;
}
dt {
  color: #444;
  font-size: 0.85rem;
}
dd {
  margin: 0 0 0.3rem;
}
table {
  width: 60%;
}
.n {
  text-align: right;
}
.terms {
  padding: 0.8rem 0 0.3rem;
  white-space: pre-line;
}
.sign {
  display: grid;
  gap: 1.2rem;
  padding-top: 1.6rem;
}
@media screen and (max-width: 640px) {
  .ways {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
