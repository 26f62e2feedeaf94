<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { RouterLink, useRoute, useRouter } from 'vue-router'
import { daysBetween, showDay } from '@juvena/core/calendar/day'
import { weatherOn } from '@juvena/core/climate/weatherOn'
import { blankEntry, lastVisit, type DiaryEntry } from '@juvena/core/entities/diary'
import { readFrameCounts } from '@juvena/core/entities/frameCounts'
import { withSownAgain } from '@juvena/core/entities/sownAgain'
import { TAKE_CAUSES } from '@juvena/core/establish/take/causes'
import {
  againSaid,
  ofPromised,
  customerTold,
  knownSaid,
  LOOKS,
  takeSaidFirst,
  whoPays,
} from '@juvena/core/present/takeSaid'
import { parseQuantity } from '@juvena/core/quantities/quantity'
import { TAKE_SIGN_IDS, type TakeSeen, type TakeSign } from '@juvena/core/reference/takeSigns'
import { zoneOf } from '@juvena/core/trace/scope'
import ChoiceField from '../../../parts/ChoiceField.vue'
import NothingYet from '../../../parts/NothingYet.vue'
import QuantityField from '../../../parts/QuantityField.vue'
import TextField from '../../../parts/TextField.vue'
import WaterLog from '../../../parts/WaterLog.vue'
import { useFirm } from '../../../stores/firm.ts'
import { useJob } from '../../../stores/job.ts'
import { newId } from '../../../stores/newId.ts'
import { usePhotos } from '../../../stores/photos.ts'
import { whoWrites } from '../../../stores/who.ts'
import BedSince from './BedSince.vue'
import CausesRanked from './CausesRanked.vue'
import { useTake } from './judgeZone.ts'
import SignButtons from './SignButtons.vue'

/** The visit to ground that does not come up: what is seen, why, and what to do. */
const firm = useFirm()
const job = useJob()
const photos = usePhotos()
const route = useRoute()
const router = useRouter()
const zones = computed(() => job.plan?.zones.map((z) => ({ value: z.id, name: z.name })) ?? [])
const zone = computed(() => {
  const asked = typeof route.query.zone === 'string' ? route.query.zone : ''
  const known = zones.value.find((z) => z.value === asked)
  // Where nothing is asked for, the first that was sown.
  const sown = job.plan?.steps.find((s) => s.kind === 'sow' && s.state === 'done')?.zones[0]
  return known?.value ?? (sown ? zoneOf(sown) : undefined) ?? zones.value[0]?.value ?? ''
})
const goTo = (id: string | null) =>
  void router.replace({ query: { ...route.query, zone: id ?? undefined } })

interface Visit {
  seen: TakeSeen
  missing: string | null
  counts: string
  side: string | null
}
const EMPTY: Visit = { seen: {}, missing: null, counts: '', side: null }
const visit = ref<Visit>({ ...EMPTY })
const lastSaved = computed(() => lastVisit(job.diary, zone.value))
/** What was typed and not saved yet lies in this browser, by job and zone. */
const key = computed(() => `juvena.take.${job.id}.${zone.value}`)
function begin() {
  let kept: Visit | null = null
  try {
    kept = JSON.parse(localStorage.getItem(key.value) ?? 'null') as Visit | null
  } catch {
    kept = null
  }
  const saved = lastSaved.value?.take
  visit.value = {
    ...EMPTY,
    ...(saved
      ? { seen: { ...saved.seen }, missing: saved.missing === null ? null : `${saved.missing} %` }
      : {}),
    ...kept,
  }
}
watch(key, begin, { immediate: true })
watch(visit, (now) => localStorage.setItem(key.value, JSON.stringify(now)), { deep: true })
const missing = computed(() => {
  if (!visit.value.missing) return null
  const read = parseQuantity(visit.value.missing, 'percent', firm.units)
  return read.ok && read.value > 0 && read.value <= 100 ? read.value : undefined
})
const missingProblem = computed(() =>
  missing.value === undefined ? 'Between 1 and 100 % of the zone is missing.' : '',
)
const asked = computed(() =>
  zone.value ? { zone: zone.value, seen: visit.value.seen, missing: missing.value ?? null } : null,
)
const { found, failure } = useTake(asked)
const take = computed(() => (found.value?.zone === zone.value ? found.value : null))
const sown = computed(() => take.value?.sown ?? null)
/** Questions in the order of a visit; how seedlings died only where some did. */
const signs = computed<TakeSign[]>(() =>
  TAKE_SIGN_IDS.filter((s) =>
    s === 'died'
      ? visit.value.seen.seedlings === 'gone'
      : sown.value !== null || s === 'follows' || s === 'ground' || s === 'cans',
  ),
)
const set = (sign: TakeSign, answer: string | undefined) => {
  const seen = { ...visit.value.seen, [sign]: answer }
  if (answer === undefined) delete seen[sign]
  if (sign === 'seedlings' && answer !== 'gone') delete seen.died
  visit.value = { ...visit.value, seen }
}
const headline = computed(() =>
  take.value ? firm.say(takeSaidFirst(take.value, job.today, visit.value.seen.seedlings)) : '',
)
const again = computed(() => (take.value ? againSaid(take.value) : []))
const promised = computed(() => (take.value?.counted ? ofPromised(take.value.counted) : null))
const likely = computed(() => take.value?.verdict.likely ?? null)
const early = computed(() => take.value?.early ?? false)

const wrong = ref('')
const told = ref('')
const logWrong = ref('')
async function logWater(entry: DiaryEntry) {
  logWrong.value = ''
  await job.write(entry).then(
    () => (told.value = 'The water is in the diary.'),
    (error: Error) => (logWrong.value = error.message),
  )
}
const busy = ref(false)
async function write(entry: DiaryEntry, says: string) {
  busy.value = true
  wrong.value = told.value = ''
  try {
    await job.write({ ...entry, weather: weatherOn(job.weather, entry.date) })
    told.value = says
    return true
  } catch (error) {
    wrong.value = (error as Error).message
    return false
  } finally {
    busy.value = false
  }
}
const frames = computed(() => (visit.value.counts.trim() ? readFrameCounts(visit.value.counts) : null)) // prettier-ignore
/** A frame of a hand’s breadth, where no other was typed, m. */
const USUAL_SIDE = 0.1
async function count() {
  const plants = frames.value
  if (plants === null || typeof plants === 'string')
    return void (wrong.value = plants ?? 'Write the plants in each frame, like “31, 12, 40”.')
  const read = visit.value.side ? parseQuantity(visit.value.side, 'depth', firm.units) : null
  if (read && !read.ok) return void (wrong.value = read.sentence)
  const side = read ? read.value / 1000 : USUAL_SIDE
  if (side < 0.02 || side > 1)
    return void (wrong.value = 'A frame is 20 mm to 1 m each side. Check the unit.')
  const entry = {
    ...blankEntry(newId(), job.today, 'Seedlings counted'),
    zone: zone.value,
    who: whoWrites(),
    counted: { side, plants },
  }
  if (await write(entry, 'The count is in the diary.')) visit.value = { ...visit.value, counts: '' }
}
async function save() {
  const { seen } = visit.value
  if (Object.keys(seen).length === 0 && !missing.value)
    return void (wrong.value = 'Say what you see first.')
  if (missingProblem.value) return void (wrong.value = missingProblem.value)
  const entry = {
    ...blankEntry(newId(), job.today, `Looked why it does not come up. ${headline.value}`.slice(0, 400)), // prettier-ignore
    zone: zone.value,
    who: whoWrites(),
    take: { seen, missing: missing.value ?? null },
  }
  if (await write(entry, 'The visit is in the diary.')) localStorage.removeItem(key.value)
}
async function photograph(event: Event) {
  const input = event.target as HTMLInputElement
  const files = [...(input.files ?? [])]
  input.value = ''
  if (!job.id) return
  await photos.addTo(job.id, files, zone.value)
  wrong.value = photos.failure
  if (!photos.failure) told.value = 'The photograph is with the job.'
}
/** Puts the bare ground into the job as a zone of its own. */
async function sowAgain() {
  const missed = take.value?.again
  if (!missed || !job.draft) return
  const id = newId().slice(0, 12)
  const name = `${zones.value.find((z) => z.value === zone.value)?.name ?? ''} again`.slice(0, 80)
  job.edit(`zone.${id}`, (draft) => {
    const next = withSownAgain(draft, zone.value, {
      id,
      name,
      area: Math.round(100 * missed.area) / 100,
      mix: missed.mix?.map((m) => ({ ...m, share: Math.round(10 * m.share) / 10 })) ?? null,
      inSward: missed.inSward,
    })
    draft.zones = next.zones ?? []
    draft.treatments = next.treatments ?? []
  })
  await save()
  await router.push({ path: `/jobs/${job.id}/order` })
}
const stays = computed(() => (likely.value ? TAKE_CAUSES[likely.value].stays : undefined))
const STAYS = {
  shade: { says: 'Read its light in the walk-over', set: null },
  hollow: { says: 'Read how long water stands in the walk-over', set: null },
  packed: { says: 'Note “will not go in” in the walk-over', set: { penetration: 'stops' } },
  dogs: { says: 'Note the dog in the walk-over', set: { dogs: true } },
} as const
function noteIt() {
  if (!stays.value) return
  const { set } = STAYS[stays.value]
  if (!set) return void router.push({ path: `/jobs/${job.id}/walk-over` })
  job.edit(`zone.${zone.value}.take`, (draft) => {
    draft.zones = draft.zones?.map((z) => (z.id === zone.value ? { ...z, ...set } : z)) ?? []
  })
  told.value = 'It stands in the walk-over, and the findings say what to do about it.'
}
const day = computed(
  () =>
  sown.value ? `sown ${showDay(sown.value)}, day ${daysBetween(sown.value, job.today)}` : 'nothing sown or set yet', // prettier-ignore
)
const lot = computed(() => take.value?.lots[0] ?? null)
</script>

<template>
  <NothingYet
    v-if="zones.length === 0"
    says="Bare ground is looked at zone by zone: add a zone in the walk-over."
  />
  <div v-else class="take">
    <section class="seen" aria-labelledby="see">
      <h3 id="see">
        What do you see?
        <span class="soft small">{{ zones.length > 1 ? '' : `${zones[0]?.name}, ` }}{{ day }}</span>
      </h3>
      <ChoiceField
        v-if="zones.length > 1"
        label="Zone"
        list
        :options="zones"
        :model-value="zone"
        @update:model-value="goTo"
      />
      <SignButtons
        v-for="sign in signs"
        :key="sign"
        :sign="sign"
        :asked="take?.verdict.next?.sign === sign && Object.keys(visit.seen).length > 0"
        :model-value="visit.seen[sign]"
        @update:model-value="set(sign, $event)"
      />
      <div class="pair">
        <QuantityField
          label="Of the zone is missing"
          kind="percent"
          placeholder="all of it"
          :model-value="visit.missing"
          :problem="missingProblem"
          @update:model-value="visit = { ...visit, missing: $event }"
        />
      </div>
      <form v-if="sown" class="pair" autocomplete="off" @submit.prevent="count">
        <TextField
          label="Plants in each frame"
          placeholder="31, 12, 40"
          :maxlength="300"
          :model-value="visit.counts"
          :problem="typeof frames === 'string' ? frames : ''"
          @update:model-value="visit = { ...visit, counts: $event }"
        />
        <QuantityField
          label="Frame, each side"
          kind="depth"
          :placeholder="firm.settings.units === 'us' ? '4 in' : '100 mm'"
          :model-value="visit.side"
          @update:model-value="visit = { ...visit, side: $event }"
        />
        <button type="submit" class="act slight" :disabled="busy">Save the count</button>
      </form>
      <p v-if="take?.counted && promised" class="counted">
        <b>{{ promised.is }}</b>
        <span class="small"
          >% of the plants promised, {{ promised.low }} to {{ promised.high }}; counted
          {{ showDay(take.counted.on) }} in {{ take.counted.frames }} frames</span
        >
      </p>
      <template v-if="take">
        <p class="known-head">Known already</p>
        <p class="small">
          <template v-if="lot"
            >lot {{ lot.number }}{{ lot.label ? `, label ${lot.label} %` : ''
            }}{{
              lot.paper
                ? `, ${lot.paper.sprouted} of ${lot.paper.seeds} on paper`
                : ', no paper test'
            }}
            · </template
          >{{
            knownSaid(take)
              .map((m) => firm.say(m))
              .join(' · ')
          }}
        </p>
      </template>
      <div class="ends">
        <button type="button" class="act main" :disabled="busy" @click="save">
          Save the visit
        </button>
        <label class="act file"
          >Photograph<input
            class="only-read"
            type="file"
            accept="image/*"
            capture="environment"
            @change="photograph"
        /></label>
        <RouterLink class="act" :to="`/jobs/${job.id}/walk-over?part=zones`"
          >Put out cans</RouterLink
        >
      </div>
      <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
      <p v-if="told" class="small" role="status">{{ told }}</p>
    </section>
    <section class="why" aria-labelledby="why">
      <h3 id="why">
        {{ sown ? 'Why it is thin' : 'Why it is bare' }}
        <span class="soft small">causes by what speaks for and against them</span>
      </h3>
      <p v-if="failure" class="wrong" role="alert">{{ failure }} Change an answer to try again.</p>
      <p v-if="!take && !failure" class="soft">Working it out…</p>
      <template v-if="take">
        <p class="first" :class="{ early }">{{ headline }}</p>
        <CausesRanked :causes="take.verdict.causes" />
        <div class="cards">
          <article>
            <h4>The one look that tells most</h4>
            <p>
              {{
                take.verdict.next
                  ? firm.say(LOOKS[take.verdict.next.sign])
                  : 'Nothing that is left to look at would tell much more.'
              }}
            </p>
          </article>
          <article>
            <h4>What to do</h4>
            <p v-if="early">
              Wait, and keep the top moist. Nothing is sown again before it may be judged.
            </p>
            <template v-else>
              <p>
                {{
                  likely
                    ? firm.say(TAKE_CAUSES[likely].mend)
                    : 'Find the cause first: sown into the same trouble, it fails again.'
                }}
              </p>
              <p v-if="!likely && again.length">Once it is found:</p>
              <p v-for="(m, i) in again" :key="i" class="again">{{ firm.say(m) }}</p>
              <p class="buttons">
                <button
                  v-if="again.length"
                  type="button"
                  class="act slight"
                  :disabled="busy"
                  @click="sowAgain"
                >
                  Plan it as a zone
                </button>
                <button v-if="stays" type="button" class="act slight" @click="noteIt">
                  {{ STAYS[stays].says }}
                </button>
              </p>
            </template>
          </article>
          <article>
            <h4>Who pays, what is told</h4>
            <p>{{ firm.say(whoPays(take)) }}</p>
            <p>{{ firm.say(customerTold(take)) }}</p>
            <p class="buttons">
              <RouterLink class="act slight" :to="`/jobs/${job.id}/sheets?sheet=take&zone=${zone}`"
                >Print the note</RouterLink
              >
              <RouterLink
                v-if="take.lots.length"
                class="act slight"
                :to="`/jobs/${job.id}/sheets?sheet=claim&zone=${zone}`"
                >Print a claim</RouterLink
              >
            </p>
          </article>
        </div>
        <section v-if="take.bed && sown" aria-labelledby="bed">
          <h3 id="bed">The seedbed of these weeks</h3>
          <BedSince :sown="sown" :bed="take.bed" />
          <WaterLog
            :today="job.today"
            :zone="zones.length > 1 ? zone : null"
            :failure="logWrong"
            @write="logWater"
          />
        </section>
      </template>
    </section>
  </div>
</template>

<style scoped>
.take {
  display: grid;
  grid-template-columns: minmax(18rem, 21rem) minmax(0, 1fr);
  gap: 1.5rem;
  align-items: start;
  margin-top: 0.4rem;
}
h3 {
  margin-bottom: 0.4rem;
}
h3 .small {
  font-weight: 400;
}
.seen,
.why > section {
  min-width: 0;
}
.pair {
  display: flex;
  flex-wrap: wrap;
  gap: 0.2rem 0.9rem;
  align-items: end;
}
.pair > .field {
  flex: 1 1 8rem;
}
.pair > .act {
  margin-bottom: 1.1rem;
}
.counted b {
  font-size: 1.5rem;
}
.known-head {
  font-weight: 700;
}
.ends {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
  padding: 0.8rem 0 0.4rem;
}
.first {
  font-size: 1.125rem;
  font-weight: 700;
  border-left: 4px solid var(--clay);
  padding-left: 0.7rem;
}
.first.early {
  border-color: var(--moss);
}
.cards {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 1.2rem;
  padding: 0.9rem 0;
}
.cards article {
  border-top: 1.5px solid var(--ink);
  padding-top: 0.35rem;
  display: grid;
  gap: 0.4rem;
  align-content: start;
}
h4 {
  margin: 0;
}
.buttons {
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem;
}
.again {
  font-variant-numeric: tabular-nums;
}
.wrong {
  color: var(--hold);
}
.file:focus-within {
  box-shadow: var(--focus);
}
@media (max-width: 1100px) {
  .cards {
    grid-template-columns: minmax(0, 1fr);
    gap: 0.8rem;
  }
}
@media (max-width: 900px) {
  .take {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
