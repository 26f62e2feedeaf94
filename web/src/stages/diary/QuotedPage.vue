<script setup lang="ts">
import { computed, ref } from 'vue'
import { RouterLink } from 'vue-router'
import { showDay } from '@juvena/core/calendar/day'
import { blankEntry } from '@juvena/core/entities/diary'
import { changeOrderSchema } from '@juvena/core/entities/offer'
import { changeNumber, changesOf, offersOf } from '@juvena/core/money/offerOf'
import { actualsOf } from '@juvena/core/present/actuals'
import { showMoney } from '@juvena/core/quantities/money'
import { parseQuantity } from '@juvena/core/quantities/quantity'
import QuantityField from '../../parts/QuantityField.vue'
import TextField from '../../parts/TextField.vue'
import { useFirm } from '../../stores/firm.ts'
import { useJob } from '../../stores/job.ts'
import { newId } from '../../stores/newId.ts'
import { whoWrites } from '../../stores/who.ts'

/** What was quoted beside what it took, work by work; and work that was agreed on beside the offer. */
const firm = useFirm()
const job = useJob()
const actuals = computed(() => job.plan && actualsOf(job.plan, job.diary, firm.settings, job.today))
const accepted = computed(() => offersOf(job.diary, job.today).find((o) => o.state === 'accepted'))
const changes = computed(() => changesOf(job.diary))
const cash = (thousandths: number) => firm.text(thousandths, 'money')
const hours = (h: number) => firm.hand(h, 'work-h')
const more = (h: number) => (h > 0.04 ? `${hours(h)} more` : h < -0.04 ? `${hours(-h)} less` : 'as expected') // prettier-ignore
const what = ref('')
const price = ref<string | null>(null)
const agreedBy = ref('')
const wrong = ref('')
async function agree() {
  const read = parseQuantity(price.value ?? '', 'price', firm.units)
  if (!read.ok) return void (wrong.value = `The price: ${read.sentence}`)
  const order = changeOrderSchema.safeParse({
    number: changeNumber(job.diary, accepted.value?.offer.number ?? null, job.today),
    offer: accepted.value?.id ?? '',
    what: what.value.trim(),
    price: Math.round(read.value),
    currency: firm.currency,
    taxIn: firm.settings.prices.taxIn,
    agreedBy: agreedBy.value.trim(),
  })
  if (!order.success) return void (wrong.value = order.error.issues[0]?.message ?? 'This cannot be kept.') // prettier-ignore
  wrong.value = ''
  await job
    .write({
      ...blankEntry(newId(), job.today, `Agreed beside the offer: ${order.data.what}`),
      who: whoWrites(),
      changeOrder: order.data,
    }) // prettier-ignore
    .then(
      () => ((what.value = ''), (price.value = null)),
      (e: Error) => (wrong.value = e.message),
    )
}
</script>

<template>
  <div class="quoted">
    <section aria-labelledby="took">
      <h3 id="took" class="ruled">Quoted and done</h3>
      <p v-if="!actuals" class="soft">
        Nothing to hold against each other yet. Write the hours beside each tick, and accept an
        offer under Approach: here stands what was quoted, what it took, and where the money went.
      </p>
      <template v-else>
        <dl class="sold">
          <div v-if="actuals.sold && actuals.sold.quoted !== null">
            <dt>quoted</dt>
            <dd>{{ cash(actuals.sold.quoted) }}</dd>
          </div>
          <div v-if="actuals.sold">
            <dt>agreed on, changes in it</dt>
            <dd>{{ cash(actuals.sold.agreed) }}</dd>
          </div>
          <div v-if="actuals.hours.taken > 0">
            <dt>hours written down</dt>
            <dd>{{ hours(actuals.hours.taken) }}</dd>
            <small>{{ more(actuals.hours.taken - actuals.hours.expected) }}</small>
          </div>
          <div v-if="actuals.money !== null && actuals.hours.taken > 0">
            <dt>in wages</dt>
            <dd>{{ cash(Math.abs(actuals.money)) }}</dd>
            <small>{{ actuals.money > 0 ? 'more than expected' : 'less than expected' }}</small>
          </div>
        </dl>
        <div class="scroll" tabindex="0" role="region" aria-label="Hours by work">
          <table>
            <thead>
              <tr>
                <th>work</th>
                <th class="n">quoted</th>
                <th class="n">planned</th>
                <th class="n">took</th>
                <th class="n">put down</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="t in actuals.tasks" :key="t.kind" :class="{ open: t.taken === null }">
                <td>
                  {{ firm.say(t.what) }}
                  <small v-if="t.of > 1 || t.done" class="soft"
                    >{{ t.done }} of {{ t.of }} done</small
                  >
                </td>
                <td class="n">{{ t.quoted === null ? '' : hours(t.quoted) }}</td>
                <td class="n">{{ hours(t.planned) }}</td>
                <td class="n">
                  <template v-if="t.taken !== null"
                    ><b>{{ hours(t.taken) }}</b>
                    <small>{{ more(t.taken - (t.quoted ?? t.planned)) }}</small></template
                  >
                </td>
                <td class="n">
                  <template v-if="t.amount"
                    >{{ firm.hand(t.amount.used, 'kg') }}
                    <small>of {{ firm.hand(t.amount.planned, 'kg') }}</small></template
                  >
                </td>
              </tr>
            </tbody>
          </table>
        </div>
      </template>
    </section>
    <section aria-labelledby="changes">
      <h3 id="changes" class="ruled">Agreed beside the offer</h3>
      <ul v-if="changes.length">
        <li v-for="c in changes" :key="c.id">
          <span
            ><b>{{ c.order.number }}</b> {{ c.order.what }}
            <small class="soft">{{ showDay(c.on, true) }}, {{ c.order.agreedBy }}</small></span
          >
          <span class="n">{{ showMoney(c.order.price, c.order.currency) }}</span>
          <RouterLink class="small" :to="`/jobs/${job.id}/sheets?sheet=change&entry=${c.id}`"
            >print or save</RouterLink
          >
        </li>
      </ul>
      <form autocomplete="off" @submit.prevent="agree">
        <TextField
          label="What is done beside it"
          :maxlength="300"
          :model-value="what"
          @update:model-value="what = $event"
        />
        <QuantityField
          label="For"
          kind="price"
          hint="below zero for work left out"
          :model-value="price"
          @update:model-value="price = $event"
        />
        <TextField
          label="Agreed to by"
          :maxlength="80"
          :model-value="agreedBy"
          @update:model-value="agreedBy = $event"
        />
        <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
        <button type="submit" class="act main">Write it down</button>
      </form>
    </section>
  </div>
</template>

<style scoped>
.quoted {
  display: grid;
  grid-template-columns: minmax(0, 1.7fr) minmax(0, 1fr);
  gap: 1.5rem;
  align-items: start;
}
p,
dl {
  margin: 0;
}
.sold {
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem 1.8rem;
  padding: 0.4rem 0 0.7rem;
}
.sold dt {
  font-size: 0.8125rem;
  color: var(--soft);
}
.sold dd {
  margin: 0;
  font-size: 1.375rem;
  font-variant-numeric: tabular-nums;
}
.scroll {
  overflow-x: auto;
}
table {
  width: 100%;
}
td {
  padding-block: 0.28rem;
}
td small {
  display: block;
}
.n {
  white-space: nowrap;
  text-align: right;
  font-variant-numeric: tabular-nums;
}
.open {
  color: var(--soft);
}
ul {
  list-style: none;
  margin: 0 0 0.6rem;
  padding: 0;
}
li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto auto;
  gap: 0.3rem 0.8rem;
  border-bottom: 1px solid var(--rule);
  padding: 0.35rem 0;
}
li small {
  display: block;
}
form {
  display: grid;
  gap: 0.2rem;
}
form .act {
  justify-self: start;
}
.wrong {
  color: var(--hold);
}
@media (max-width: 900px) {
  .quoted {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
