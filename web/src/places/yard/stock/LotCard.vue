<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue'
import { parseDay, showDay } from '@juvena/core/calendar/day'
import {
  MOVEMENT_NAMES,
  seedLotSchema,
  type MovementKind,
  type SeedLotDraft,
  type StockMovement,
} from '@juvena/core/entities/stock'
import { parseQuantity } from '@juvena/core/quantities/quantity'
import { howSure } from '@juvena/core/stock/lotWorth'
import ChoiceField from '../../../parts/ChoiceField.vue'
import DayField from '../../../parts/DayField.vue'
import QuantityField from '../../../parts/QuantityField.vue'
import TextField from '../../../parts/TextField.vue'
import { useFirm } from '../../../stores/firm.ts'
import { useStock, type ShownLot } from '../../../stores/stock.ts'
import LotForm from './LotForm.vue'

/** One lot: what it is worth, a paper test, what came and went, and where it lies now. */
const props = defineProps<{ lot: ShownLot }>()
const emit = defineEmits<{ close: [] }>()
const firm = useFirm()
const stock = useStock()
const editing = ref(false)
const failure = ref('')
const label = computed(() => stock.read.get(props.lot.id) ?? null)
const worth = computed(() => stock.worth.get(props.lot.id) ?? null)
const sure = computed(() =>
  label.value && worth.value?.test ? howSure(label.value, stock.values) : null,
)
const percent = (x: number) => `${Math.round(x)} %`

const history = shallowRef<StockMovement[]>([])
const jobs = shallowRef<Record<string, string>>({})
watch(
  () => [props.lot.id, props.lot.shelf],
  async () => {
    try {
      const moved = await stock.movements(props.lot.id)
      history.value = moved.movements
      jobs.value = moved.jobs
    } catch (error) {
      failure.value = (error as Error).message
    }
  },
  { immediate: true },
)
const newest = computed(() => [...history.value].sort((a, b) => (a.on < b.on ? 1 : -1)))
const where = (m: StockMovement) =>
  m.job ? `${jobs.value[m.job] ?? 'a job'}${m.zone ? `, ${m.zone}` : ''}` : m.note

const kind = ref<MovementKind>('received')
const amount = ref<string | null>(null)
const note = ref('')
const KINDS: MovementKind[] = ['received', 'opened', 'used', 'written-off', 'returned']
async function guarded(work: () => Promise<void>) {
  failure.value = ''
  try {
    await work()
  } catch (error) {
    failure.value = (error as Error).message
  }
}
const move = () =>
  guarded(async () => {
    const parsed = amount.value ? parseQuantity(amount.value, 'mass', firm.units) : null
    if (!parsed?.ok || parsed.value <= 0)
      return void (failure.value =
        parsed && !parsed.ok
          ? parsed.sentence
          : `Give a weight, like ${firm.units === 'us' ? '10 lb' : '5 kg'}.`)
    await stock.move(props.lot.id, {
      kind: kind.value,
      kg: parsed.value,
      on: firm.today,
      note: note.value,
    })
    amount.value = null
    note.value = ''
  })
const counts = ref<SeedLotDraft['test']>({ ...props.lot.draft.test })
const counted = computed(() => {
  const parsed = seedLotSchema.safeParse({ ...props.lot.draft, test: counts.value })
  return parsed.success
    ? ''
    : (parsed.error.issues.find((i) => i.path[0] === 'test')?.message ?? '')
})
const setCount = (patch: NonNullable<SeedLotDraft['test']>) =>
  (counts.value = { ...counts.value, ...patch })
function saveCounts() {
  if (counted.value) return void (failure.value = counted.value)
  const started = counts.value?.started ? parseDay(counts.value.started, firm.today) : null
  if (started && !started.ok) return void (failure.value = started.sentence)
  return guarded(() => stock.save(props.lot, { ...props.lot.draft, test: counts.value }))
}
const archive = () => guarded(async () => (await stock.archive(props.lot.id), emit('close')))
</script>

<template>
  <LotForm v-if="editing" :lot="lot" @done="editing = false" />
  <div v-else class="card">
    <header>
      <h3>Lot {{ lot.draft.number || lot.draft.name || 'without a number' }}</h3>
      <button type="button" class="plain small" @click="emit('close')">close</button>
    </header>
    <p v-if="lot.shelf.short" class="wrong">
      By {{ showDay(lot.shelf.short.on) }} {{ firm.hand(lot.shelf.short.kg, 'kg') }} more had gone
      out than came in. Enter what was received, or put the last entry right.
    </p>
    <template v-if="worth">
      <p class="verdict" :class="worth.verdict.replaceAll(' ', '-')">
        <b
          >{{
            { use: 'Use it', 'use more': 'Use more of it', 'do not use': 'Do not use it' }[
              worth.verdict
            ]
          }}.</b
        >
        {{ firm.say(worth.why) }}
      </p>
      <table>
        <thead>
          <tr>
            <th>grass</th>
            <th class="n">pure</th>
            <th class="n">germinates</th>
            <th class="n">pure live seed</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="p in worth.parts" :key="p.grass">
            <td>
              {{ firm.grassShort(p.grass) }}
              <span class="small soft">{{ p.cultivar || 'common type' }}</span>
            </td>
            <td class="n">{{ percent(p.pure) }}</td>
            <td class="n">
              {{ percent(p.germination) }} <span class="small soft">{{ p.from }}</span>
            </td>
            <td class="n">
              <b>{{ percent(p.pls) }}</b>
            </td>
          </tr>
        </tbody>
      </table>
      <ul v-if="worth.notes.length" class="notes small">
        <li v-for="(n, i) in worth.notes" :key="i">{{ firm.say(n) }}</li>
      </ul>
    </template>
    <p v-else class="wrong">
      The label cannot be read as it stands. Change it to see what the lot is worth.
    </p>
    <dl class="figures">
      <div>
        <dt>on the shelf</dt>
        <dd>{{ firm.hand(lot.shelf.held, 'kg') }}</dd>
      </div>
      <div>
        <dt>reserved</dt>
        <dd>{{ firm.hand(lot.shelf.reserved, 'kg') }}</dd>
      </div>
      <div>
        <dt>in open bags</dt>
        <dd>{{ firm.hand(lot.shelf.opened, 'kg') }}</dd>
      </div>
      <div>
        <dt>used</dt>
        <dd>{{ firm.hand(lot.shelf.used, 'kg') }}</dd>
      </div>
    </dl>
    <h4>Paper test</h4>
    <p v-if="worth?.test" class="small">
      Count on <b>{{ showDay(worth.test.firstOn) }}</b> and on
      <b>{{ showDay(worth.test.lastOn) }}</b>. {{ sure?.enough }} seeds tell it to within
      {{ stock.values.sureTo }} % either way.
      <template v-if="worth.test.result && sure?.interval">
        {{ worth.test.result.final ? 'Counted' : 'So far' }}:
        <b>{{ percent(worth.test.result.share) }}</b>, surely between
        {{ percent(sure.interval.low) }} and {{ percent(sure.interval.high) }}.
      </template>
      <b v-if="worth.test.due">The {{ worth.test.due }} count is due.</b>
    </p>
    <form class="test" @submit.prevent="saveCounts">
      <DayField
        label="Laid out on"
        :today="firm.today"
        :model-value="counts?.started"
        @update:model-value="setCount({ started: $event })"
      />
      <QuantityField
        label="Seeds"
        kind="ratio"
        placeholder="100"
        :model-value="counts?.seeds"
        @update:model-value="setCount({ seeds: $event })"
      />
      <QuantityField
        label="Up, first count"
        kind="ratio"
        :model-value="counts?.first"
        @update:model-value="setCount({ first: $event })"
      />
      <QuantityField
        label="Up, last count"
        kind="ratio"
        :model-value="counts?.last"
        @update:model-value="setCount({ last: $event })"
      />
      <button type="submit" class="act slight">Save</button>
    </form>
    <p v-if="counted" class="wrong small" role="status">{{ counted }}</p>
    <h4>In and out</h4>
    <form class="move" @submit.prevent="move">
      <ChoiceField
        label="What"
        list
        :options="KINDS.map((value) => ({ value, name: MOVEMENT_NAMES[value] }))"
        :model-value="kind"
        @update:model-value="kind = $event ?? 'received'"
      />
      <QuantityField
        label="Weight"
        kind="mass"
        :model-value="amount"
        @update:model-value="amount = $event"
      />
      <TextField
        label="Note"
        :model-value="note"
        :maxlength="200"
        @update:model-value="note = $event"
      />
      <button type="submit" class="act slight">Enter</button>
    </form>
    <p v-if="failure" class="wrong" role="alert">{{ failure }}</p>
    <table v-if="newest.length" class="history">
      <tbody>
        <tr v-for="m in newest" :key="m.id">
          <td>{{ showDay(m.on, m.on.slice(0, 4) !== firm.today.slice(0, 4)).slice(4) }}</td>
          <td>{{ MOVEMENT_NAMES[m.kind] }}</td>
          <td class="n">{{ firm.hand(m.kg, 'kg') }}</td>
          <td class="small soft">{{ where(m) }}</td>
        </tr>
      </tbody>
    </table>
    <p class="ends">
      <button type="button" class="act slight" @click="editing = true">Change the label</button>
      <button type="button" class="act slight" @click="archive">Archive</button>
    </p>
  </div>
</template>

<style scoped>
.card {
  display: grid;
  gap: 0.35rem;
}
header {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
}
h4,
form,
p,
ul {
  margin: 0;
}
h4 {
  font-size: 0.9375rem;
  border-bottom: 1px solid var(--rule-strong);
  margin-top: 0.4rem;
}
.verdict {
  border-left: 4px solid var(--moss);
  padding-left: 0.5rem;
}
.verdict.use-more {
  border-left-color: var(--sun-mark);
}
.verdict.do-not-use {
  border-left-color: var(--hold);
}
td {
  padding: 0.25rem 0.5rem 0.25rem 0;
  font-size: 0.9375rem;
}
.notes {
  padding-left: 1.1rem;
}
.figures {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(5rem, 100%), 1fr));
  gap: 0.5rem;
}
dt {
  font-size: 0.75rem;
  color: var(--soft);
}
dd {
  font-size: 1.125rem;
  font-weight: 700;
}
.test {
  display: grid;
  grid-template-columns: 1.5fr 0.8fr 1fr 1fr auto;
  gap: 0.5rem;
  align-items: end;
}
.move {
  display: grid;
  grid-template-columns: 1.3fr 0.9fr 1.2fr auto;
  gap: 0.5rem;
  align-items: end;
}
.history td {
  font-size: 0.875rem;
}
.wrong {
  color: var(--hold);
}
.ends {
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem;
  padding-top: 0.3rem;
}
@media (max-width: 480px) {
  .test,
  .move {
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  }
}
</style>
