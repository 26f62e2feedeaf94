<script setup lang="ts">
import type { Answer } from '../../../../contract/answers.ts'
import { keptSince } from '../../offline/signal.ts'
import { computed, onBeforeUnmount, ref, shallowRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { daysBetween, showDay } from '@juvena/core/calendar/day'
import type { SeasonRow as Row } from '@juvena/core/present/seasonRow'
import type { Outlook } from '@juvena/core/climate/station'
import { api } from '../../stores/api.ts'
import DamagedRows from '../../parts/DamagedRows.vue'
import { dayInAddress } from '../../parts/dayRow.ts'
import { useFirm } from '../../stores/firm.ts'
import ArchivedJobs from './ArchivedJobs.vue'
import FirstLawn from './FirstLawn.vue'
import NewJob from './NewJob.vue'
import SeasonKey from './SeasonKey.vue'
import SeasonHead from './SeasonHead.vue'
import SeasonLoad from './SeasonLoad.vue'
import SeasonRow from './SeasonRow.vue'

/** All jobs and the weeks ahead: windows, work, and what each day asks of the firm. */
const firm = useFirm()
const router = useRouter()
const route = useRoute()
const rows = shallowRef<Row[] | null>(null)
const outlook = shallowRef<Outlook | null>(null)
const failure = ref('')

/** Rows there are, and how many of them are being worked again. */
const total = ref(0)
const working = ref(0)
const AGAIN = 1_500
let again: ReturnType<typeof setTimeout> | undefined
/** The first rows, as many as are shown already: soonest sown first. */
async function loadRows() {
  clearTimeout(again)
  const season = await api<Answer<'season'>>('GET', '/season')
  let shown = season.rows
  while (shown.length < Math.min(rows.value?.length ?? 0, season.total)) {
    const more = await api<Answer<'season'>>('GET', `/season?skip=${shown.length}`)
    if (more.rows.length === 0) break
    shown = [...shown, ...more.rows]
  }
  rows.value = shown
  total.value = season.total
  working.value = season.working
  await loadDays()
  if (season.working > 0)
    again = setTimeout(
      () => void loadRows().catch((error: Error) => (failure.value = error.message)),
      AGAIN,
    )
}
async function showMore() {
  try {
    const more = await api<Answer<'season'>>('GET', `/season?skip=${rows.value?.length ?? 0}`)
    rows.value = [...(rows.value ?? []), ...more.rows]
  } catch (error) {
    failure.value = (error as Error).message
  }
}
onBeforeUnmount(() => clearTimeout(again))
async function loadAll() {
  try {
    await loadRows()
    failure.value = ''
    outlook.value = (await api<Answer<'weather'>>('GET', '/weather')).outlook
  } catch (error) {
    failure.value = (error as Error).message
  }
}
void loadAll()
// The server answers again: what is shown came from this device.
watch(keptSince, (since) => since === null && void loadAll())

const DAYS = 24
/** The first day shown: today, or where the weeks were moved to. */
const from = computed(() => dayInAddress(route.query.from, firm.today))
const move = (to: string) => void router.replace({ query: to === firm.today ? {} : { from: to } })
/** What each day shown asks of the firm, over all jobs, and the next day with work after them. */
const load = shallowRef<Answer<'seasonLoad'>>({ days: [], next: null })
async function loadDays() {
  const first = from.value
  const asked = await api<Answer<'seasonLoad'>>('GET', `/season/load?from=${first}&days=${DAYS}`)
  if (first === from.value) load.value = asked
}
watch(from, () => void loadDays().catch((error: Error) => (failure.value = error.message)))
const shut = computed(() => (rows.value ?? []).filter((r) => r.state === 'cannot').length)
const cutOff = computed(
  () =>
    (rows.value ?? [])
      .map((r) => r.cutOff)
      .filter((c) => c !== null && c >= from.value)
      .sort()
      .at(-1) ?? null,
)
const headline = computed(() => {
  const n = total.value
  const steps = load.value.days.reduce((sum, d) => sum + d.steps, 0)
  return [
    cutOff.value
      ? `${daysBetween(from.value, cutOff.value)} days to the last sowing, ${showDay(cutOff.value)}.`
      : '',
    `${n} ${n === 1 ? 'job' : 'jobs'}, ${steps} steps${shut.value ? `, ${shut.value} that cannot be done as asked` : ''}.`,
  ].filter(Boolean)
})

async function archive(row: Row) {
  const done = await api('DELETE', `/jobs/${row.id}`).then(
    () => true,
    (error: Error) => ((failure.value = error.message), false),
  )
  if (done) archived.value = { id: row.id, name: row.name }
  gone.value++
  await loadAll()
}
/** The job archived last: it can be had back on the spot. */
const archived = ref<{ id: string; name: string } | null>(null)
async function restore() {
  if (!archived.value) return
  await api('POST', `/jobs/${archived.value.id}/restore`).catch(
    (error: Error) => (failure.value = error.message),
  )
  archived.value = null
  gone.value++
  await loadAll()
}
const gone = ref(0)
</script>

<template>
  <div class="season" :class="{ blank: rows?.length === 0 }">
    <p v-if="failure" class="trouble" role="alert">{{ failure }}</p>
    <DamagedRows v-if="rows" @restored="loadAll" />
    <p v-if="archived" class="gone" role="status">
      “{{ archived.name }}” is archived.
      <button type="button" class="plain" @click="restore">Undo</button>
    </p>
    <div v-if="rows && rows.length > 0" class="begin">
      <NewJob @failed="failure = $event" />
      <SeasonKey />
    </div>
    <FirstLawn v-if="rows && rows.length === 0" />
    <SeasonHead
      v-else
      :from="from"
      :days="DAYS"
      :headline="headline"
      :outlook="outlook"
      :soil="rows?.find((r) => r.soil.length)?.soil ?? []"
      :next="load.next"
      @move="move"
    />

    <ul v-if="rows" class="rows">
      <SeasonRow
        v-for="row in rows"
        :key="row.id"
        :row="row"
        :from="from"
        :days="DAYS"
        @archive="archive(row)"
      />
    </ul>
    <p v-else-if="!failure" class="soft loading">Loading the season…</p>
    <p v-if="working > 0" class="soft small" role="status">
      {{ working }} {{ working === 1 ? 'job is' : 'jobs are' }} being planned again.
    </p>
    <p v-if="rows && rows.length < total" class="small">
      {{ rows.length }} of {{ total }} jobs are shown, the soonest sown first.
      <button type="button" class="act slight" @click="showMore">Show more</button>
    </p>

    <SeasonLoad v-if="rows && rows.length > 0" :days="load.days" />

    <NewJob v-if="rows && rows.length === 0" @failed="failure = $event" />
    <ArchivedJobs :key="gone" @back="loadAll" />
  </div>
</template>

<style scoped>
.season {
  padding: 0.4rem 1.25rem 2rem;
}
.gone {
  border-left: 5px solid var(--moss);
  background: var(--sheet);
  padding: 0.35rem 0.7rem;
  margin-bottom: 0.5rem;
}
.begin {
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  column-gap: 1.5rem;
}
.begin > :first-child {
  flex: 0 1 46rem;
}
.begin > :last-child {
  flex: 1 1 18rem;
  padding-bottom: 0.5rem;
}
.trouble {
  grid-column: 1 / -1;
  color: var(--hold);
}
.trouble {
  background: var(--hold-wash);
  padding: 0.4rem 0.75rem;
}
.blank {
  display: flex;
  flex-direction: column;
}
.blank :deep(.new) {
  order: 2;
}
.loading {
  padding: 2rem 0;
}
@media (max-width: 760px) {
  .season {
    padding: 0.4rem 0.9rem 2rem;
  }
}
</style>
