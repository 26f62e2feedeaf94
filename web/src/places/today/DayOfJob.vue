<script setup lang="ts">
import { computed, ref } from 'vue'
import { RouterLink } from 'vue-router'
import { showDay } from '@juvena/core/calendar/day'
import { activeEntries, blankEntry, STRUCK_OUT, type DiaryEntry } from '@juvena/core/entities/diary'
import { WATER_WORDS, type DayJob, type DayStep } from '@juvena/core/present/dayWork'
import { cautionsInTurn } from '@juvena/core/present/cautionsSaid'
import StepRecord from '../../parts/StepRecord.vue'
import TextField from '../../parts/TextField.vue'
import TickBox from '../../parts/TickBox.vue'
import { branchesSaid } from '@juvena/core/present/lookSaid'
import TickForm from '../../parts/TickForm.vue'
import { useFirm } from '../../stores/firm.ts'
import { newId } from '../../stores/newId.ts'
import { useOutbox } from '../../stores/outbox.ts'
import { usePhotos } from '../../stores/photos.ts'
import { whoWrites } from '../../stores/who.ts'

/** One job on one day: where it is, what to heed, each step with its amounts, and a tick. */
const props = defineProps<{
  job: DayJob & { weather: DiaryEntry['weather'] }
  place: number
  of: number
  on: string
}>()
const firm = useFirm()
const outbox = useOutbox()
const photos = usePhotos()
const ticking = ref<string | null>(null)
const wrong = ref('')
const noting = ref(false)
const note = ref('')

/** Written here and not yet with the server. */
const waiting = computed(() =>
  outbox.waiting.filter((w) => w.job === props.job.id).map((w) => w.entry),
)
/** Records of a step that stand: those the plan knows, and those that wait here, which count already. */
const records = (s: DayStep) =>
  activeEntries([...s.ticks, ...waiting.value]).filter(
    (e) => e.step === s.id || s.ticks.some((t) => t.id === e.id),
  )
const ticked = (s: DayStep) => records(s).length > 0
const passed = (s: DayStep) => s.state === 'unrecorded' && !ticked(s)
/** Asked about until an answer is on its way. */
const twice = (s: DayStep) =>
  s.twice && records(s).length > 1 && !waiting.value.some((e) => e.stands.length > 0)
/** Told in full while it is to be done, or when its box is pressed. */
const told = (s: DayStep) => (!ticked(s) && !passed(s)) || ticking.value === s.id
const cautions = computed(() => cautionsInTurn(props.job.steps.filter(told)))
const correcting = ref<DiaryEntry | null>(null)
function press(s: DayStep) {
  correcting.value = null
  ticking.value = ticking.value === s.id ? null : s.id
}
const strike = (entry: DiaryEntry) =>
  done({ ...blankEntry(newId(), firm.today, STRUCK_OUT), zone: entry.zone, corrects: entry.id })
const keepBoth = (s: DayStep) =>
  done({
    ...blankEntry(newId(), firm.today, `${firm.say(s.name)}: both records stand`),
    who: whoWrites(),
    stands: records(s).map((e) => e.id),
  })
/** What goes down, stuff by stuff: each named once under its amounts by zone. */
function byStuff(s: DayStep) {
  const groups = new Map<string, DayStep['amounts']>()
  for (const a of s.amounts)
    groups.set(firm.say(a.what), [...(groups.get(firm.say(a.what)) ?? []), a])
  return [...groups].map(([what, amounts]) => ({ what, amounts }))
}
const amountText = (s: DayStep) =>
  s.amounts
    .map((a) => `${a.zone} ${firm.weighed(a.value, a.unit, a.pans)}`)
    .join(', ')
    .slice(0, 80)
const heed = computed(() => [
  ...props.job.holds.map((h) => ({ title: firm.say(h.title), says: firm.say(h.says) })),
  ...(props.job.below ? [{ title: 'Below ground.', says: props.job.below }] : []),
  ...(props.job.beside ? [{ title: 'Beside the lawn.', says: props.job.beside }] : []),
])
/** Who did it and when, in a line. */
const doneBy = (s: DayStep) =>
  records(s)
    .map((e) => `Done ${showDay(e.date)}${e.who ? ` by ${e.who}` : ''}`)
    .join('; ')
const writing = ref(false)
/** Whether today’s water was written down here; null until it is. */
const waterGiven = ref<boolean | null>(null)
async function logWater(given: boolean) {
  await done({
    ...blankEntry(newId(), props.on, given ? 'Watered' : 'Not watered'),
    who: whoWrites(),
    watered: { of: 1, days: given ? 1 : 0, mm: null },
  })
  if (!wrong.value) waterGiven.value = given
}
async function done(entry: DiaryEntry) {
  wrong.value = ''
  writing.value = true
  try {
    await outbox.write(props.job.id, entry)
    ticking.value = null
    correcting.value = null
  } catch (error) {
    wrong.value = (error as Error).message
  } finally {
    writing.value = false
  }
}
async function keepNote() {
  if (!note.value.trim()) return void (wrong.value = 'Write what was seen or done.')
  const who = whoWrites()
  const entry = {
    ...blankEntry(newId(), firm.today, note.value.trim()),
    who,
    weather: props.job.weather,
  }
  await done(entry)
  if (!wrong.value) [note.value, noting.value] = ['', false]
}
async function photograph(event: Event) {
  const input = event.target as HTMLInputElement
  const files = [...(input.files ?? [])]
  input.value = ''
  wrong.value = ''
  await photos.addTo(props.job.id, files)
  if (photos.failure) wrong.value = photos.failure
}
/** Taken here and not yet with the server. */
const pictures = computed(() => photos.held.filter((p) => p.job === props.job.id))
const phoneLink = computed(() => `tel:${props.job.phone.replace(/[^\d+]/g, '')}`)
</script>

<template>
  <article class="job">
    <header>
      <p class="small soft">
        {{ of > 1 ? `${place} of ${of}` : ''
        }}{{ job.address ? `${of > 1 ? ' · ' : ''}${job.address}` : '' }}
      </p>
      <h2>
        <RouterLink :to="`/jobs/${job.id}/order`">{{ job.name }}</RouterLink>
      </h2>
      <p v-if="job.customer || job.phone" class="small soft">
        {{ job.customer
        }}<template v-if="job.phone"
          >{{ job.customer ? ' · ' : '' }}<a :href="phoneLink">{{ job.phone }}</a></template
        >
      </p>
      <p v-if="job.notes" class="small notes">{{ job.notes }}</p>
    </header>
    <ul v-if="heed.length" class="heed">
      <li v-for="h in heed" :key="h.title">
        <b>{{ h.title }}</b> {{ h.says }}
      </li>
    </ul>
    <section
      v-for="w in job.water"
      :key="w.where"
      class="water"
      :aria-label="`Water, ${job.name}, ${w.where}`"
    >
      <h3>
        Water<span v-if="w.where" class="where">{{ w.where }}</span>
        <span class="mark" :class="w.advice">{{ WATER_WORDS[w.advice] }}</span>
      </h3>
      <p v-if="w.runs.length" class="amount">
        <b>{{ w.runs.join(', ') }}</b>
        <span class="small">{{
          w.each
            .map((e) => `${w.each.length > 1 ? `${e.zone} ` : ''}${firm.hand(e.value, e.unit)}`)
            .join(', ')
        }}</span>
      </p>
      <p class="small">{{ firm.say(w.says) }}</p>
      <p v-if="on <= firm.today" class="given">
        <template v-if="waterGiven === null">
          <button type="button" class="act slight" :disabled="writing" @click="logWater(true)">
            given
          </button>
          <button type="button" class="act slight" :disabled="writing" @click="logWater(false)">
            not given
          </button>
        </template>
        <span v-else class="doneby small">{{
          waterGiven ? 'Written down: given.' : 'Written down: not given.'
        }}</span>
      </p>
    </section>
    <ul class="steps">
      <li v-for="s in job.steps" :key="s.id" :class="{ done: ticked(s) }">
        <TickBox :name="firm.say(s.name)" :done="ticked(s)" :passed="passed(s)" @press="press(s)" />
        <div class="step">
          <h3>
            {{ firm.say(s.name) }}<span v-if="s.where" class="where">{{ s.where }}</span>
          </h3>
          <p v-if="passed(s)" class="small passed">Passed, not recorded.</p>
          <p v-else-if="s.day < on && !ticked(s)" class="late small">
            was due {{ showDay(s.day) }}
          </p>
          <StepRecord
            v-if="ticked(s) && (ticking === s.id || twice(s)) && !correcting"
            :name="firm.say(s.name)"
            :ticks="records(s)"
            :twice="twice(s)"
            :waiting="waiting.map((e) => e.id)"
            :busy="writing"
            @correct="((correcting = $event), (ticking = s.id))"
            @strike="strike"
            @both="keepBoth(s)"
          />
          <p v-else-if="ticked(s)" class="small doneby">{{ doneBy(s) }}</p>
          <template v-for="g in told(s) ? byStuff(s) : []" :key="g.what">
            <p v-for="(a, i) in g.amounts" :key="i" class="amount">
              <b>{{ firm.weighed(a.value, a.unit, a.pans) }}</b>
              <span class="small"
                >{{
                  [s.amounts.length > 1 ? a.zone : '', firm.say(a.detail)]
                    .filter(Boolean)
                    .join(', ')
                }}
              </span>
            </p>
            <p class="small stuff">{{ g.what }}</p>
          </template>
          <template v-if="told(s)">
            <p v-if="firm.say(s.how)" class="small">{{ firm.say(s.how) }}</p>
            <p v-for="a in s.against" :key="firm.say(a.title)" class="small against">
              <b>{{ firm.say(a.title) }}</b> {{ firm.say(a.says) }}
            </p>
            <p class="small soft">
              {{ firm.hand(s.hours, 'work-h') }}{{ s.people > 1 ? ` for ${s.people}` : '' }}.
              {{ firm.say(s.why) }}
            </p>
            <p v-if="s.look" class="small">
              <b>{{ firm.say(s.look.asks) }}</b> {{ firm.say(branchesSaid(s.look)) }}
            </p>
            <p v-if="s.kind === 'cans'" class="small">
              <RouterLink :to="`/jobs/${job.id}/walk-over?part=zones&zone=${s.zones[0]}`"
                >Enter what the cans caught</RouterLink
              >
            </p>
            <p v-for="c in cautions.get(s.id)" :key="c" class="small caution">▲ {{ c }}</p>
          </template>
          <TickForm
            v-if="ticking === s.id && (!ticked(s) || correcting)"
            :corrects="correcting ?? undefined"
            :step="{
              id: s.id,
              kind: s.kind,
              zones: s.zones,
              name: firm.say(s.name),
              look: s.look,
              hours: s.hours,
              people: s.people,
            }"
            :today="firm.today"
            :amount="amountText(s)"
            :product="s.product"
            :lots="s.lots"
            :weather="job.weather"
            :failure="wrong"
            @done="done"
            @cancel="((ticking = null), (correcting = null))"
          />
        </div>
      </li>
    </ul>
    <form v-if="noting" class="note" autocomplete="off" @submit.prevent="keepNote">
      <TextField
        label="Note for the diary"
        :rows="2"
        :maxlength="400"
        :model-value="note"
        @update:model-value="note = $event"
      />
      <button type="submit" class="act main">Save</button>
      <button type="button" class="act slight" @click="noting = false">Cancel</button>
    </form>
    <p v-if="wrong && !ticking" class="wrong" role="alert">{{ wrong }}</p>
    <ul v-if="pictures.length" class="pictures" :aria-label="`Photographs waiting, ${job.name}`">
      <li v-for="p in pictures" :key="p.id">
        <img v-if="p.thumb" :src="p.thumb" :alt="p.name" />
        <span class="small">{{ p.name }} waits for the server</span>
      </li>
    </ul>
    <footer class="ends">
      <label class="act file"
        >Photo<input
          class="only-read"
          type="file"
          accept="image/*"
          capture="environment"
          :aria-label="`Photo, ${job.name}`"
          @change="photograph"
      /></label>
      <button type="button" class="act" @click="noting = !noting">Note</button>
      <RouterLink class="act" :to="`/jobs/${job.id}/walk-over?part=zones&count=yes`"
        >Count</RouterLink
      >
    </footer>
  </article>
</template>

<style scoped>
.water {
  border-left: 4px solid var(--water);
  padding-left: 0.7rem;
  margin: 0.6rem 0 0.2rem;
}
.water .mark {
  margin-left: 0.4rem;
  color: var(--water);
}
.water .mark.off,
.water .mark.dry,
.water .mark.barred {
  color: var(--clay);
}
.given {
  display: flex;
  gap: 0.5rem;
  padding-top: 0.3rem;
}
.job {
  border-top: 3px solid var(--ink);
  padding-top: 0.4rem;
  min-width: 0;
}
h2 a {
  text-decoration: none;
}
h2 a:hover {
  text-decoration: underline;
}
.notes {
  white-space: pre-line;
  padding-top: 0.15rem;
}
.heed {
  border-left: 5px solid var(--hold);
  background: var(--sheet);
  margin-top: 0.5rem;
}
.heed li {
  padding: 0.35rem 0.7rem;
  font-size: var(--size-small);
}
.steps > li {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr);
  gap: 0.7rem;
  border-bottom: 1px solid var(--rule);
  padding: 0.6rem 0;
}
.done h3 {
  color: var(--soft);
}
h3 {
  line-height: 1.25;
}
.where {
  font-weight: 400;
  color: var(--soft);
  font-size: var(--size-small);
  margin-left: 0.5rem;
}
.amount {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 0 0.5rem;
}
.amount b {
  font-size: 1.375rem;
  line-height: 1.25;
}
.stuff {
  padding-bottom: 0.15rem;
}
.passed {
  color: var(--clay);
}
.doneby {
  color: var(--moss);
  font-weight: 700;
}
.late {
  color: var(--hold);
  font-weight: 700;
}
.against {
  border-left: 4px solid var(--sun-mark);
  padding-left: 0.5rem;
}
.caution {
  color: var(--ink);
}
.note {
  display: grid;
  gap: 0.4rem;
  justify-items: start;
  padding: 0.5rem 0;
}
.note :deep(.field) {
  width: 100%;
}
.pictures {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
  padding-top: 0.5rem;
}
.pictures li {
  display: grid;
  width: 7rem;
  overflow-wrap: anywhere;
}
.pictures img {
  width: 7rem;
  height: 5.25rem;
  object-fit: cover;
  border: 1px solid var(--rule);
}
.ends {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 0.5rem;
  padding-top: 0.7rem;
}
.ends .act {
  text-align: center;
  justify-content: center;
  min-height: 2.9rem;
  display: flex;
  align-items: center;
}
.file:focus-within {
  box-shadow: var(--focus);
}
.wrong {
  color: var(--hold);
}
</style>
