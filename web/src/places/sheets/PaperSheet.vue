<script setup lang="ts">
import { computed } from 'vue'
import { changePaper, offerPaper, type PaperFor } from '@juvena/core/present/offerPaper'
import { useFirm } from '../../stores/firm.ts'
import { useJob } from '../../stores/job.ts'

/** What the customer is handed: an offer as it was given, or a change to it. Nothing of cost or margin. */
const props = defineProps<{ kind: 'offer' | 'change'; entry: string }>()
const firm = useFirm()
const job = useJob()
const paper = computed(() => {
  const { name = '', address = '', phone = '' } = firm.settings
  const who: PaperFor = {
    firm: { name, address, phone },
    customer: job.draft?.customer ?? '',
    address: job.draft?.site?.address ?? '',
    job: job.draft?.name ?? '',
  }
  const written = props.kind === 'offer' ? offerPaper : changePaper
  return written(job.diary, props.entry, job.today, who)
})
</script>

<template>
  <section>
    <p v-if="!paper">
      There is no such {{ kind === 'offer' ? 'offer' : 'change' }} in the diary of this job.
    </p>
    <template v-else>
      <header>
        <div>
          <p class="firm">{{ paper.firm }}</p>
          <p class="small">{{ paper.contact }}</p>
        </div>
        <div class="right">
          <p>{{ paper.title }}</p>
          <p v-for="d in paper.dated" :key="d" class="small">{{ d }}</p>
        </div>
      </header>
      <p class="to">
        <template v-for="(line, i) in paper.to" :key="line">
          <b v-if="i === paper.to.length - 1">{{ line }}</b>
          <template v-else>{{ line }}<br /></template>
        </template>
      </p>
      <p>{{ paper.opening }}</p>
      <div v-if="paper.ways.length" class="ways" :style="{ '--n': paper.ways.length }">
        <article v-for="w in paper.ways" :key="w.title" :class="{ taken: w.taken }">
          <h3>{{ w.title }}</h3>
          <p class="price">{{ w.price }}</p>
          <p class="small">{{ w.tax }}</p>
          <p v-if="w.taken" class="small"><b>accepted</b></p>
          <ul>
            <li v-for="d in w.does" :key="d">{{ d }}</li>
          </ul>
          <dl>
            <template v-for="s in w.says" :key="s.term">
              <dt>{{ s.term }}</dt>
              <dd>{{ s.text }}</dd>
            </template>
          </dl>
        </article>
      </div>
      <template v-if="paper.change">
        <p class="what">{{ paper.change.what }}</p>
        <p class="price">
          {{ paper.change.price }} <small>{{ paper.change.tax }}</small>
        </p>
      </template>
      <template v-if="paper.extras.length">
        <h3>Extras, if you want them</h3>
        <table>
          <tbody>
            <tr v-for="x in paper.extras" :key="x.what">
              <td>{{ x.what }}</td>
              <td class="n">{{ x.price }}</td>
            </tr>
          </tbody>
        </table>
      </template>
      <p v-if="paper.terms" class="terms">{{ paper.terms }}</p>
      <p class="small">{{ paper.small }}</p>
      <div class="sign">
        <p v-for="line in paper.sign" :key="line">{{ line }}</p>
      </div>
    </template>
  </section>
</template>

<style scoped>
header {
  display: flex;
  justify-content: space-between;
  gap: 1rem;
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
.what {
  font-size: 1.125rem;
  padding: 0.6rem 0;
}
.price {
  font-size: 1.7rem;
  font-weight: 700;
  font-variant-numeric: tabular-nums;
}
.price small {
  font-size: 0.875rem;
  font-weight: 400;
}
ul {
  list-style: disc;
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
.sign p {
  margin-top: 2.6rem;
  border-top: 1px solid #000;
  width: 60%;
  font-size: 0.8125rem;
}
@media screen and (max-width: 640px) {
  .ways {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
