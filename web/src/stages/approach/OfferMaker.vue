<script setup lang="ts">
import { ElCheckbox } from 'element-plus'
import { computed, ref, shallowRef, watch } from 'vue'
import { blankEntry } from '@juvena/core/entities/diary'
import { MOST_WAYS, offerSchema, type Offer } from '@juvena/core/entities/offer'
import { offerNumber, validUntil } from '@juvena/core/money/offerOf'
import type { JobWay } from '@juvena/core/plannedWays'
import { parseQuantity } from '@juvena/core/quantities/quantity'
import QuantityField from '../../parts/QuantityField.vue'
import TextField from '../../parts/TextField.vue'
import { useFirm } from '../../stores/firm.ts'
import { useJob } from '../../stores/job.ts'
import { newId } from '../../stores/newId.ts'
import { jobWaysInWorker } from '../../stores/planner.ts'
import { whoWrites } from '../../stores/who.ts'

/** Puts two or three ways side by side into an offer: frozen as it is given, and printed. */
const emit = defineEmits<{ given: [id: string]; cancel: [] }>()
const firm = useFirm()
const job = useJob()
/** The ways of the whole job, planned once this is opened. */
const ways = shallowRef<JobWay[] | null>(null)
watch(
  () => job.plan,
  async (plan) => {
    if (!plan) return
    const chosen = Object.fromEntries(plan.zones.map((z) => [z.id, z.approach.chosen]))
    const found = await jobWaysInWorker(chosen).catch(() => [])
    if (job.plan === plan) ways.value = found
  },
  { immediate: true },
)
const priced = computed(() =>
  (ways.value ?? []).flatMap((way) => (way.money && way.fits ? [{ way, money: way.money }] : [])),
)
const picked = ref<string[]>([])
watch(priced, (now) => {
  const ids = now.map((p) => p.way.id)
  picked.value = picked.value.filter((id) => ids.includes(id))
  if (picked.value.length === 0) picked.value = ids.slice(0, 3)
})
const days = ref<string | null>('30 days')
const terms = ref('')
const extras = ref<{ what: string; price: string | null }[]>([])
const wrong = ref('')
const cash = (thousandths: number) => firm.text(thousandths, 'money')
/** What the customer does, told to them. */
const toThem = (said: string) => said.replace(/\b(waters|keeps|mows)\b/g, (w) => w.slice(0, -1))

async function give() {
  wrong.value = ''
  const valid = parseQuantity(days.value ?? '', 'days')
  if (!valid.ok || valid.value < 1 || valid.value > 366)
    return void (wrong.value = 'An offer is valid for 1 to 366 days, like “30 days”.')
  if (picked.value.length === 0 || picked.value.length > MOST_WAYS)
    return void (wrong.value = `Tick one to ${MOST_WAYS} ways.`)
  const more: Offer['extras'] = []
  for (const { what, price } of extras.value) {
    if (!what.trim() && !price) continue
    const read = parseQuantity(price ?? '', 'price')
    if (!what.trim() || !read.ok || read.value < 0)
      return void (wrong.value = 'Each extra has a name and a price, like “lime, 95”.')
    more.push({ what: what.trim(), price: read.value })
  }
  const ways = priced.value
    .filter((p) => picked.value.includes(p.way.id))
    .map(({ way, money }) => ({
      id: way.id,
      name: firm.say(way.name).slice(0, 120),
      does: way.does.map((m) => firm.say(m).slice(0, 300)).slice(0, 40),
      tasks: way.tasks,
      theirs: toThem(firm.say(way.customer)).slice(0, 400),
      first: way.days?.first ?? null,
      last: way.days?.last ?? null,
      right: way.right?.low ?? null,
      odds: way.odds,
      leaves: firm.say(way.leaves).slice(0, 400),
      price: money.price,
      tax: money.tax,
      cost: money.cost,
    }))
  const offer = offerSchema.safeParse({
    number: offerNumber(job.diary, job.today),
    validUntil: validUntil(job.today, valid.value),
    currency: firm.currency,
    taxIn: firm.settings.prices.taxIn,
    ways,
    extras: more,
    terms: terms.value,
    assumptions: [
      ...(job.plan?.money?.missing ?? []).map((m) => `Not priced: ${firm.say(m)}.`),
      'Days depend on the weather and the season.',
    ],
  })
  if (!offer.success)
    return void (wrong.value = offer.error.issues[0]?.message ?? 'This offer cannot be kept.')
  const id = newId()
  await job.write({
    ...blankEntry(id, job.today, `Offer ${offer.data.number} given`),
    who: whoWrites(),
    offer: offer.data,
  })
  emit('given', id)
}
</script>

<template>
  <form class="offer" aria-label="An offer" autocomplete="off" @submit.prevent="give">
    <h3>Make an offer</h3>
    <p v-if="ways === null" class="soft">Planning each way…</p>
    <p v-else-if="priced.length === 0" class="soft">
      No way has a price yet that fits its season. Enter prices in the Yard first.
    </p>
    <ul v-else>
      <li v-for="p in priced" :key="p.way.id">
        <ElCheckbox
          :model-value="picked.includes(p.way.id)"
          @update:model-value="
            picked = $event ? [...picked, p.way.id] : picked.filter((id) => id !== p.way.id)
          "
          >{{ firm.say(p.way.name) }}, {{ cash(p.money.price) }}</ElCheckbox
        >
      </li>
    </ul>
    <div class="row">
      <QuantityField
        label="Valid for"
        kind="days"
        :model-value="days"
        @update:model-value="days = $event"
      />
      <TextField
        class="wide"
        label="Terms"
        :rows="2"
        :maxlength="2000"
        :model-value="terms"
        @update:model-value="terms = $event"
      />
    </div>
    <div v-for="(x, i) in extras" :key="i" class="row extra">
      <TextField
        label="Extra"
        :model-value="x.what"
        :maxlength="120"
        @update:model-value="x.what = $event"
      />
      <QuantityField
        label="Price"
        kind="price"
        :model-value="x.price"
        @update:model-value="x.price = $event"
      />
    </div>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <p class="ends">
      <button type="submit" class="act main" :disabled="priced.length === 0">
        Give this offer
      </button>
      <button type="button" class="act slight" @click="extras.push({ what: '', price: null })">
        Add an extra
      </button>
      <button type="button" class="act slight" @click="emit('cancel')">Cancel</button>
    </p>
  </form>
</template>

<style scoped>
.offer {
  border: 1px solid var(--rule);
  border-left: 4px solid var(--clay);
  background: var(--sheet);
  padding: 0.6rem 1rem;
  margin-top: 0.8rem;
}
h3,
p,
ul {
  margin: 0;
}
ul {
  list-style: none;
  padding: 0;
}
.row {
  display: grid;
  grid-template-columns: 8rem minmax(0, 1fr);
  gap: 0.2rem 0.9rem;
}
.extra {
  grid-template-columns: minmax(0, 1fr) 8rem;
}
.ends {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
  padding-top: 0.5rem;
}
.wrong {
  color: var(--hold);
}
</style>
