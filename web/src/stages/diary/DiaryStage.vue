<script setup lang="ts">
import { sure } from '@juvena/core/quantities/sure'
import { computed, defineAsyncComponent, h, ref } from 'vue'
import { RouterLink } from 'vue-router'
import { useRoute, useRouter } from 'vue-router'
import { parseDay, showDay } from '@juvena/core/calendar/day'
import { parseQuantity } from '@juvena/core/quantities/quantity'
import { weatherOn } from '@juvena/core/climate/weatherOn'
import {
  amountProblem,
  blankEntry,
  entriesWithTrace,
  namesProduct,
  STRUCK_OUT,
  tickedTwice,
  type DiaryEntry,
} from '@juvena/core/entities/diary'
import { OPERATIONS } from '@juvena/core/reference/operations'
import { stepLots } from '@juvena/core/present/dayWork'
import type { PlannedStep } from '@juvena/core/plan/order'
import ChoiceField from '../../parts/ChoiceField.vue'
import DayField from '../../parts/DayField.vue'
import FigureValue from '../../parts/FigureValue.vue'
import QuantityField from '../../parts/QuantityField.vue'
import TextField from '../../parts/TextField.vue'
import { zoneOf } from '@juvena/core/trace/scope'
import { useFirm } from '../../stores/firm.ts'
import StepRecord from '../../parts/StepRecord.vue'
import TickBox from '../../parts/TickBox.vue'
import TickForm from '../../parts/TickForm.vue'
import StageHead from '../../parts/StageHead.vue'
import { useJob } from '../../stores/job.ts'
import BeforeAfter from './BeforeAfter.vue'
import { newId } from '../../stores/newId.ts'

/**
 * What was done, by whom, how much. Entries are never changed; a correction is an entry too, and
 * the plan knows which steps are done.
 */
const QuotedPage = defineAsyncComponent(() => import('./QuotedPage.vue'))
const TakePage = defineAsyncComponent({
  loader: () => import('./take/TakePage.vue'),
  delay: 120,
  loadingComponent: { render: () => h('p', { class: 'soft' }, 'Loading…') },
})
const firm = useFirm()
const job = useJob()
const route = useRoute()
const router = useRouter()
/** The diary itself, or the visit to ground that does not come up; each has its address. */
const part = computed(() =>
  route.query.part === 'take' || route.query.part === 'quoted' ? route.query.part : 'diary',
)
const show = (to: 'take' | 'quoted' | 'diary') =>
  void router.replace({
    query: { ...route.query, part: to === 'diary' ? undefined : to, figure: undefined },
  })
const steps = computed(() => job.plan?.steps ?? [])
const entries = computed(() =>
  entriesWithTrace(job.diary).sort((a, b) => b.entry.date.localeCompare(a.entry.date)),
)
const zones = computed(() => [
  { value: 'all', name: 'all zones' },
  ...(job.plan?.zones.map((z) => ({ value: z.id, name: z.name })) ?? []),
])
const zoneName = (id: string | null) =>
  id ? (job.plan?.zones.find((z) => z.id === zoneOf(id))?.name ?? id) : ''
const form = ref({
  date: job.today as string | null,
  zone: 'all',
  what: '',
  amount: '',
  who: '',
  note: '',
  rain: null as string | null,
  soil: null as string | null,
})
const wrong = ref('')
const busy = ref(false)

const weatherSays = (w: NonNullable<DiaryEntry['weather']>) =>
  [
    w.low !== null && w.high !== null
      ? `${firm.hand(w.low, 'C')} to ${firm.hand(w.high, 'C')}`
      : '',
    w.rain !== null ? (w.rain > 0 ? `${firm.hand(w.rain, 'rain')} of rain` : 'dry') : '',
    w.source,
  ]
    .filter(Boolean)
    .join(', ')
const readSays = ({ rain, soil }: NonNullable<DiaryEntry['read']>) =>
  [
    rain !== null ? `${firm.hand(rain, 'rain')} in the gauge` : '',
    soil !== null ? `soil ${firm.hand(soil, 'C')}` : '',
  ]
    .filter(Boolean)
    .join(', ')
async function write(date: string, what: string, more: Partial<DiaryEntry>) {
  busy.value = true
  wrong.value = ''
  try {
    await job.write({
      ...blankEntry(newId(), date, what),
      ...more,
      weather: weatherOn(job.weather, date),
    })
    return true
  } catch (error) {
    wrong.value = (error as Error).message
    return false
  } finally {
    busy.value = false
  }
}
/**
 * A reading of the site as typed: null where none is given, undefined where it cannot be read,
 * which is said.
 */
function siteReading(
  key: 'rain' | 'soil',
  kind: 'depth' | 'temperature',
): number | null | undefined {
  const typed = form.value[key]
  if (!typed) return null
  const read = parseQuantity(typed, kind, firm.units)
  if (read.ok) return read.value
  wrong.value = read.sentence
  return undefined
}
async function add() {
  const day = form.value.date ? parseDay(form.value.date, job.today) : null
  if (!form.value.what.trim() && (form.value.rain || form.value.soil))
    form.value.what = 'Read on site'
  if (!form.value.what.trim())
    return void (wrong.value = 'Say what was done, like “sowed the terrace lawn”.')
  if (!day?.ok) return void (wrong.value = day?.sentence ?? 'Give the day it was done, like 2 Mar.')
  const { zone, what, amount, who, note } = form.value
  const [rain, soil] = [siteReading('rain', 'depth'), siteReading('soil', 'temperature')]
  if (rain === undefined || soil === undefined) return
  if (amountProblem(amount)) return
  const read = rain === null && soil === null ? null : { rain, soil }
  if (
    await write(day.value, what.trim(), {
      zone: zone === 'all' ? null : zone,
      amount,
      who,
      note,
      read,
    })
  )
    form.value = { ...form.value, what: '', amount: '', note: '', rain: null, soil: null }
}
const amountOf = (step: PlannedStep) => {
  if (step.kind !== 'sow') return ''
  return (
    job.plan?.zones
      .filter((z) => step.zones.includes(z.id) && z.seed)
      .map((z) => `${z.name} ${firm.hand(sure(z.seed).kg.value, 'kg')}`)
      .join(', ')
      .slice(0, 80) ?? ''
  )
}
const lotsOf = (step: PlannedStep) => (job.plan ? stepLots(step, job.plan) : [])
const STATE_SAID: Record<PlannedStep['state'], string> = {
  planned: '',
  pinned: '',
  done: 'done ',
  unrecorded: 'passed, not recorded: planned ',
}
const correcting = ref<{ step: PlannedStep; entry: DiaryEntry } | null>(null)
/** A step whose tick asks for its product, as the law keeps a record of it. */
const asking = ref<string | null>(null)
const recorded = async (entry: DiaryEntry) => {
  await job.write(entry).then(
    () => {
      asking.value = null
      correcting.value = null
    },
    (error: Error) => (wrong.value = error.message),
  )
}
const tick = (step: PlannedStep) =>
  namesProduct(step.kind) || step.look || OPERATIONS[step.kind].gates
    ? (asking.value = asking.value === step.id ? null : step.id)
    : tickOff(step)
const tickOff = (step: PlannedStep) =>
  write(job.today, firm.say(step.name), {
    step: step.id,
    stepZones: step.zones,
    amount: amountOf(step),
    who: form.value.who,
    lots: lotsOf(step),
  })
const strike = (entry: DiaryEntry) =>
  write(job.today, STRUCK_OUT, { zone: entry.zone, corrects: entry.id })
const records = (step: PlannedStep) =>
  job.diary.filter((e) => job.plan?.ticks[step.id]?.includes(e.id))
const untick = async (step: PlannedStep) => {
  for (const entry of records(step)) await strike(entry)
}
const twice = computed(() => new Set(tickedTwice(job.diary).map((e) => e.id)))
const isTwice = (step: PlannedStep) => records(step).some((e) => twice.value.has(e.id))
const keepBoth = (step: PlannedStep) =>
  write(job.today, `${firm.say(step.name)}: both records stand`, {
    who: form.value.who,
    stands: records(step).map((e) => e.id),
  })
</script>

<template>
  <div>
    <StageHead
      name="Diary"
      :says="
        part === 'diary'
          ? 'tick off what is done; write down what was seen. Nothing here is ever changed, only corrected.'
          : ''
      "
    >
      <div class="parts" role="group" aria-label="Parts of the diary">
        <button
          type="button"
          class="act slight"
          :aria-pressed="part === 'diary'"
          @click="show('diary')"
        >
          Steps and entries
        </button>
        <button
          type="button"
          class="act slight"
          :aria-pressed="part === 'take'"
          @click="show('take')"
        >
          It does not come up
        </button>
        <button
          type="button"
          class="act slight"
          :aria-pressed="part === 'quoted'"
          @click="show('quoted')"
        >
          Quoted and done
        </button>
        <RouterLink class="act slight" :to="`/jobs/${job.id}/sheets?sheet=record`"
          >Record of products</RouterLink
        >
      </div>
    </StageHead>
    <TakePage v-if="part === 'take'" />
    <QuotedPage v-else-if="part === 'quoted'" />
    <div v-else class="two">
      <section>
        <h3 class="ruled">Steps</h3>
        <ul class="steps">
          <li v-for="s in steps" :key="s.id" :class="s.state">
            <TickBox
              class="close"
              :name="firm.say(s.name)"
              :done="s.state === 'done'"
              :passed="s.state === 'unrecorded'"
              :disabled="busy"
              @press="s.state === 'done' ? untick(s) : tick(s)"
            />
            <span
              ><b>{{ firm.say(s.name) }}</b>
              <span class="soft small">{{ STATE_SAID[s.state] }}{{ showDay(s.chosen) }}</span></span
            >
            <StepRecord
              v-if="isTwice(s) && !correcting"
              class="whole-line"
              :name="firm.say(s.name)"
              :ticks="records(s)"
              twice
              :waiting="[]"
              :busy="busy"
              @correct="correcting = { step: s, entry: $event }"
              @strike="strike"
              @both="keepBoth(s)"
            />
            <TickForm
              v-if="asking === s.id || correcting?.step.id === s.id"
              :key="correcting?.entry.id ?? 'new'"
              :corrects="correcting?.step.id === s.id ? correcting.entry : undefined"
              :step="{
                id: s.id,
                kind: s.kind,
                zones: s.zones,
                name: firm.say(s.name),
                look: s.look,
                hours: s.hours.value as number,
                people: s.people,
              }"
              :today="job.today"
              :amount="amountOf(s)"
              :product="job.draft?.sprays?.find((x) => x.does === s.kind)?.product"
              :lots="lotsOf(s)"
              :weather="weatherOn(job.today)"
              :failure="wrong"
              @done="recorded"
              @cancel="((asking = null), (correcting = null))"
            />
          </li>
          <li v-if="steps.length === 0" class="soft">
            No steps yet: they come with the first zone.
          </li>
        </ul>
        <template v-for="f in job.plan?.follow.packages ?? []" :key="f.workPackage">
          <h3 class="ruled">First mow</h3>
          <p v-if="f.mowBand">expected <FigureValue :id="f.mowBand.id" /></p>
          <p v-for="m in f.mow" :key="m.zone" class="small">
            {{ zoneName(m.zone) }}: when it stands <FigureValue :id="m.height.id" />
          </p>
          <p v-if="f.presentable" class="small">
            Looks right from <FigureValue :id="f.presentable.id" />
          </p>
        </template>
      </section>
      <section>
        <h3 class="ruled">Write</h3>
        <form class="form" autocomplete="off" @submit.prevent="add">
          <DayField
            label="On"
            :model-value="form.date"
            :today="job.today"
            @update:model-value="form.date = $event"
          />
          <ChoiceField
            label="Zone"
            list
            :options="zones"
            :model-value="form.zone"
            @update:model-value="form.zone = $event ?? 'all'"
          />
          <TextField
            class="whole"
            label="What"
            :model-value="form.what"
            :maxlength="400"
            :problem="wrong"
            @update:model-value="form.what = $event"
          />
          <TextField
            label="Amount"
            :model-value="form.amount"
            :maxlength="80"
            :problem="amountProblem(form.amount)"
            @update:model-value="form.amount = $event"
          />
          <TextField
            label="Who"
            :model-value="form.who"
            :maxlength="80"
            @update:model-value="form.who = $event"
          />
          <QuantityField
            label="Rain in the gauge"
            kind="depth"
            :placeholder="firm.settings.units === 'us' ? '0.3 in' : '8 mm'"
            :model-value="form.rain"
            @update:model-value="form.rain = $event"
          />
          <QuantityField
            :label="`Soil at ${firm.hand(50, 'mm')}`"
            kind="temperature"
            :placeholder="firm.settings.units === 'us' ? '61 F' : '16 C'"
            :model-value="form.soil"
            @update:model-value="form.soil = $event"
          />
          <TextField
            class="whole"
            label="Note"
            :rows="2"
            :model-value="form.note"
            :maxlength="2000"
            @update:model-value="form.note = $event"
          />
          <button type="submit" class="act main" :disabled="busy">Save</button>
        </form>
        <BeforeAfter />
        <ul class="entries">
          <li v-for="{ entry: e, struck } in entries" :key="e.id" :class="{ struck }">
            <span class="small soft"
              >{{ showDay(e.date) }}{{ e.who ? ` · ${e.who}` : ''
              }}{{ e.zone ? ` · ${zoneName(e.zone)}` : '' }}</span
            >
            <b>{{ e.what }}</b>
            <span v-if="e.product">{{ e.product }}</span>
            <span v-if="e.amount">{{ e.amount }}</span>
            <span v-if="e.hours !== null">{{ firm.hand(e.hours, 'work-h') }} of work</span>
            <span v-if="e.note" class="small">{{ e.note }}</span>
            <span v-if="e.read" class="small">{{ readSays(e.read) }}</span>
            <span v-if="e.weather" class="small soft">{{ weatherSays(e.weather) }}</span>
            <span v-if="struck" class="small">struck out {{ showDay(struck) }}</span>
            <button
              v-else
              type="button"
              class="plain small"
              :disabled="busy"
              :aria-label="`Strike out ${e.what}`"
              @click="strike(e)"
            >
              strike out
            </button>
          </li>
          <li v-if="entries.length === 0" class="soft">
            Nothing done yet. Tick a step, or write the first line.
          </li>
        </ul>
      </section>
    </div>
  </div>
</template>

<style scoped>
.parts {
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem;
}
.two {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1.1fr);
  gap: 1.75rem;
  margin-top: 0.6rem;
}
/* What was struck out stays to be read, under a line. */
.struck b,
.struck > span:not(:last-child) {
  text-decoration: line-through;
  color: var(--soft);
}
.steps li > span {
  flex: 1 1 0;
  min-width: 0;
}
.steps li > form,
.whole-line {
  flex: 1 0 100%;
}
.steps li {
  display: flex;
  flex-wrap: wrap;
  gap: 0.7rem;
  align-items: center;
  border-bottom: 1px solid var(--rule);
  padding: 0.25rem 0;
}
.form {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0.25rem 0.9rem;
  padding-top: 0.4rem;
}
.whole {
  grid-column: 1 / -1;
}
.entries {
  margin-top: 0.75rem;
}
.entries li {
  display: grid;
  border-top: 1px solid var(--rule);
  padding: 0.4rem 0;
  justify-items: start;
  overflow-wrap: anywhere;
}
@media (max-width: 760px) {
  .two {
    grid-template-columns: 1fr;
  }
}
</style>
