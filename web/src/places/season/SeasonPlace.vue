<script setup lang="ts">
import type { Answer } from '../../../../contract/answers.ts'
import { computed, defineAsyncComponent, onBeforeUnmount, ref, shallowRef, watch } from 'vue'
import { RouterLink, useRoute, useRouter } from 'vue-router'
import { addDays, dayNumber, daysBetween, showDay, weekday } from '@juvena/core/calendar/day'
import type { SeasonRow as Row } from '@juvena/core/present/seasonRow'
import type { Outlook } from '@juvena/core/climate/station'
import { STAGES } from '@juvena/core/present/spine'
import { OPERATIONS, type StepKind } from '@juvena/core/reference/operations'
import type { Stage } from '@juvena/core/rules/rule'
import SoilCore from '../job/SoilCore.vue'
import WindowRibbon from '../../stages/order/WindowRibbon.vue'
import { api } from '../../stores/api.ts'
import { dayInAddress } from '../../parts/dayRow.ts'
import { useFirm } from '../../stores/firm.ts'
import ArchivedJobs from './ArchivedJobs.vue'
import NewJob from './NewJob.vue'
import { isBehind } from '@juvena/core/plan/stepState'

const WeatherChart = defineAsyncComponent(() => import('./WeatherChart.vue'))

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
const days = computed(() => Array.from({ length: DAYS }, (_, i) => addDays(from.value, i)))
const isWeekend = (day: string) => [0, 6].includes(weekday(dayNumber(day)))

/** Steps of a day lie as one piece; each names its work. */
function pieces(row: Row) {
  const byDay = new Map<string, Row['steps']>()
  for (const s of row.steps) {
    const at = daysBetween(from.value, s.day)
    if (at < 0 || at >= DAYS) continue
    byDay.set(s.day, [...(byDay.get(s.day) ?? []), s])
  }
  return [...byDay].map(([day, steps]) => {
    const short = (s: Row['steps'][number]) => OPERATIONS[s.kind as StepKind].short
    const weighty = [...steps].sort((a, b) => short(b)[1] - short(a)[1])
    const words = [...new Set(weighty.map((s) => firm.say(short(s)[0])).filter(Boolean))]
    const span = Math.min(
      DAYS - daysBetween(from.value, day),
      Math.max(...steps.map((s) => s.span)),
    )
    return {
      day,
      column: daysBetween(from.value, day) + 1,
      span,
      sow: steps.some((s) => s.kind === 'sow'),
      done: steps.every(isBehind),
      pinned: steps.some((s) => s.state === 'pinned'),
      words: words.slice(0, 2),
      more: words.length - 2,
      says: `${showDay(day)}: ${steps.map((s) => firm.say(s.name)).join(', ')}`,
    }
  })
}
const capacity = computed(() => (firm.settings.crew ?? 2) * (firm.settings.hoursPerDay ?? 8))
const FOLLOWS = {
  1: 'size, cover, thatch, firmness, light, slope, history',
  2: 'each reading against the line of the trade, and what it asks for',
  3: 'leave, mend, overseed, level or start over, with the cheaper way beside it',
  4: 'a mix for the light, the wear and what is there; weight and plants',
  5: 'seed, feed, dressing and cover, weighed out zone by zone',
  6: 'days that fit the frost, the waits and your week, or a plain no and what instead',
  7: 'minutes by station until the slowest grass is up',
  8: 'what was done, how much, by whom; first mow and when it looks right',
}

const STATES = {
  'no-zones': 'to be walked',
  planned: 'planned',
  'under-way': 'under way',
  growing: 'growing',
  done: 'done',
  cannot: 'does not fit',
  failed: 'could not be planned',
  working: 'being planned',
}
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
    <p v-if="archived" class="gone" role="status">
      “{{ archived.name }}” is archived.
      <button type="button" class="plain" @click="restore">Undo</button>
    </p>
    <NewJob v-if="rows && rows.length > 0" @failed="failure = $event" />
    <div v-if="rows && rows.length === 0" class="empty">
      <h1>Start with a lawn.</h1>
      <p>
        Name the job; then walk it zone by zone. Everything below the grass follows as you type, and
        each number shows its working.
      </p>
      <ol class="core">
        <li v-for="(says, s) in FOLLOWS" :key="s">
          <span class="piece-of-core"><SoilCore :stage="Number(s) as Stage" /></span>
          <b>{{ s }} {{ STAGES[Number(s) as Stage] }}</b> <span>{{ says }}</span>
        </li>
      </ol>
    </div>
    <header v-else class="grid top">
      <div class="label">
        <h1>
          {{
            from === firm.today
              ? `The next ${DAYS} days`
              : `${showDay(from).slice(4)} to ${showDay(addDays(from, DAYS - 1), true).slice(4)}`
          }}
        </h1>
        <p v-for="h in headline" :key="h" class="small soft">{{ h }}</p>
      </div>
      <div class="lane chart">
        <WeatherChart
          v-if="outlook && from === firm.today"
          :days="outlook.days.slice(0, DAYS)"
          :usual="rows?.find((r) => r.soil.length)?.soil ?? []"
          :columns="DAYS"
          :source="outlook.source"
        />
      </div>
      <nav class="label moves" aria-label="Weeks shown">
        <button
          type="button"
          class="act slight"
          aria-label="Two weeks earlier"
          @click="move(addDays(from, -14))"
        >
          ←
        </button>
        <button
          type="button"
          class="act slight"
          aria-label="Two weeks later"
          @click="move(addDays(from, 14))"
        >
          →
        </button>
        <button
          v-if="from !== firm.today"
          type="button"
          class="act slight"
          @click="move(firm.today)"
        >
          Today
        </button>
        <button v-if="load.next" type="button" class="act slight" @click="move(load.next)">
          next work, {{ showDay(load.next).slice(4) }}
        </button>
      </nav>
      <div class="lane days" aria-hidden="true">
        <span v-for="d in days" :key="d" :class="{ weekend: isWeekend(d), today: d === from }"
          >{{ showDay(d).slice(0, 3) }}<b>{{ Number(d.slice(8)) }}</b></span
        >
      </div>
    </header>

    <ul v-if="rows" class="rows">
      <li v-for="row in rows" :key="row.id" class="grid row">
        <div class="label">
          <RouterLink class="name" :to="`/jobs/${row.id}`">{{ row.name }}</RouterLink>
          <p class="small soft">
            {{
              [row.area ? firm.hand(row.area, 'm2') : 'no size yet', firm.say(row.approach)]
                .filter(Boolean)
                .join(' · ')
            }}
          </p>
          <p v-if="row.customerDate" class="small soft">
            must look right by {{ showDay(row.customerDate).slice(4) }}
          </p>
          <p class="small" :class="row.trouble ? row.trouble.level : 'soft'">
            {{
              row.trouble
                ? firm.say(row.trouble.title)
                : row.next
                  ? `next: ${firm.say(row.next.name)}, ${showDay(row.next.day)}`
                  : STATES[row.state]
            }}
          </p>
          <p class="phone-only small">
            {{ STATES[row.state]
            }}<template v-if="row.next">
              ·
              {{
                row.state === 'cannot'
                  ? 'as asked, not before'
                  : `next: ${firm.say(row.next.name)},`
              }}
              {{ showDay(row.next.day) }}</template
            >
          </p>
          <button
            type="button"
            class="plain small away"
            :aria-label="`Archive ${row.name}`"
            @click="archive(row)"
          >
            archive
          </button>
        </div>
        <div class="lane">
          <WindowRibbon
            v-if="row.window.length"
            class="behind"
            reasons
            :name="`${row.name}, when it could be sown`"
            :spans="row.window"
            :by-grass="row.byGrass"
            :from="from"
            :days="DAYS"
            :cut-off="row.cutOff ?? from"
          />
          <RouterLink v-else class="start" :to="`/jobs/${row.id}`">{{
            row.state === 'failed'
              ? 'see what is wrong'
              : row.state === 'working'
                ? 'being planned'
                : 'add the first zone'
          }}</RouterLink>
          <RouterLink v-if="row.state === 'cannot'" class="cannot" :to="`/jobs/${row.id}/order`"
            >does not fit:
            {{ row.options.slice(0, 2).join(', or ').toLowerCase() || 'see why' }}</RouterLink
          >
          <div v-else class="pieces">
            <RouterLink
              v-for="p in pieces(row)"
              :key="p.day"
              class="piece"
              :class="{ sow: p.sow, done: p.done, pinned: p.pinned }"
              :to="`/jobs/${row.id}/order`"
              :title="p.says"
              :style="{ gridColumn: `${p.column} / span ${p.span}` }"
            >
              <span v-for="w in p.words" :key="w">{{ w }}</span>
              <span v-if="p.more > 0" class="more">+{{ p.more }}</span>
              <span class="only-read">{{ p.says }}</span>
            </RouterLink>
          </div>
        </div>
      </li>
    </ul>
    <p v-else-if="!failure" class="soft loading">Loading the season…</p>
    <p v-if="working > 0" class="soft small" role="status">
      {{ working }} {{ working === 1 ? 'job is' : 'jobs are' }} being planned again.
    </p>
    <p v-if="rows && rows.length < total" class="small">
      {{ rows.length }} of {{ total }} jobs are shown, the soonest sown first.
      <button type="button" class="act slight" @click="showMore">Show more</button>
    </p>

    <div v-if="rows && rows.length > 0" class="load">
      <div class="grid">
        <div class="label">
          <b>Crew of {{ firm.settings.crew ?? 2 }}</b>
          <span class="small soft">hours of {{ capacity }}</span>
        </div>
        <div class="lane cells">
          <span
            v-for="{ day, crewHours: h } in load.days"
            :key="day"
            :class="{ over: h > capacity + 0.05, some: h > 0.4 }"
            >{{ h > capacity + 0.05 ? `${Math.round(h)}!` : h >= 0.5 ? Math.round(h) : '' }}</span
          >
        </div>
      </div>
      <div class="grid">
        <div class="label"><b>To be watered</b> <span class="small soft">jobs</span></div>
        <div class="lane cells">
          <span v-for="{ day, watered: n } in load.days" :key="day" :class="{ some: n > 0 }">{{
            n || ''
          }}</span>
        </div>
      </div>
    </div>

    <NewJob v-if="rows && rows.length === 0" @failed="failure = $event" />
    <ArchivedJobs :key="gone" @back="loadAll" />
  </div>
</template>

<style scoped>
.season {
  padding: 0.4rem 1.25rem 2rem;
}
.grid {
  display: grid;
  grid-template-columns: 14.4rem minmax(0, 1fr);
  column-gap: 0.6rem;
}
.label {
  min-width: 0;
  line-height: 1.3;
}
.chart {
  height: 5.6rem;
  border-bottom: 2px solid var(--soft);
}
.moves {
  display: flex;
  gap: 0.3rem;
  align-items: center;
}
.gone {
  border-left: 5px solid var(--moss);
  background: var(--sheet);
  padding: 0.35rem 0.7rem;
  margin-bottom: 0.5rem;
}
.top {
  position: sticky;
  top: 0;
  z-index: 3;
  background: var(--paper);
}
.days,
.cells {
  display: grid;
  grid-template-columns: repeat(24, minmax(0, 1fr));
}
.days span {
  text-align: center;
  font-size: 0.75rem;
  color: var(--soft);
  line-height: 1.25;
  padding: 0.15rem 0;
}
.days b {
  display: block;
  font-weight: 400;
  color: var(--ink);
}
.days .today,
.days .today b {
  font-weight: 700;
  color: var(--ink);
}
.weekend {
  background: var(--paper-deep);
}
.row {
  border-bottom: 1px solid var(--rule);
  padding: 0.4rem 0;
}
.row .label {
  position: relative;
}
.name {
  font-weight: 700;
  text-decoration: none;
  display: block;
  line-height: 1.2;
}
.name:hover {
  text-decoration: underline;
}
.row .label p {
  overflow-wrap: anywhere;
}
.hold {
  color: var(--hold);
}
.warn {
  color: var(--sun);
}
.away {
  position: absolute;
  right: 0.2rem;
  bottom: 0;
  background: var(--paper);
  opacity: 0;
}
.row:hover .away,
.away:focus-visible {
  opacity: 1;
}
.phone-only {
  display: none;
}
.lane {
  position: relative;
  min-width: 0;
}
.behind {
  position: absolute;
  inset: 0;
  height: 100%;
}
.pieces {
  position: relative;
  display: grid;
  grid-template-columns: repeat(24, minmax(0, 1fr));
  align-items: start;
  min-height: 3.9rem;
  pointer-events: none;
}
/* Each lane is a cut through the ground: turf along its top, the season in the soil below, and the work as cores taken from it. */
.row .lane:has(.behind) {
  padding-top: 9px;
}
.row .lane:has(.behind)::before {
  content: '';
  position: absolute;
  inset: 0 0 auto 0;
  height: 9px;
  border-bottom: 2px solid var(--moss);
  background:
    repeating-linear-gradient(101deg, var(--moss) 0 1px, transparent 1px 7px),
    repeating-linear-gradient(78deg, var(--moss) 0 1px, transparent 1px 11px);
  opacity: 0.75;
}
.row .behind {
  top: 9px;
  height: auto;
}
.pieces > * {
  pointer-events: auto;
}
.piece {
  position: relative;
  grid-row: 1;
  margin: 0 1px;
  min-height: 2.5rem;
  padding: 0.15rem 0 0.2rem;
  display: grid;
  align-content: center;
  justify-items: center;
  border: 1.5px solid var(--ink);
  border-top: 0;
  border-radius: 0 0 9px 9px;
  background: var(--sheet);
  text-decoration: none;
  font-size: 0.6875rem;
  line-height: 1.1;
  overflow: hidden;
  text-align: center;
}
.piece span {
  max-width: 100%;
  overflow: hidden;
}
.piece.sow {
  border-bottom: 6px solid var(--moss);
}
.piece.done {
  background: var(--moss-wash);
  border-style: dashed;
}
.piece.pinned {
  border-top: 5px solid var(--ink);
}
.piece:hover {
  background: var(--paper-deep);
}
.cannot {
  position: relative;
  display: grid;
  place-items: center;
  min-height: 2.3rem;
  margin: 0.65rem 8%;
  border: 1.5px dashed var(--hold);
  border-radius: 3px;
  background: var(--sheet);
  color: var(--hold);
  text-decoration: none;
  font-size: 0.875rem;
}
.start {
  display: grid;
  place-items: center start;
  min-height: 3.6rem;
}
.load {
  position: sticky;
  bottom: 0;
  z-index: 2;
  background: var(--paper);
  border-top: 1px solid var(--rule);
  padding: 0.4rem 0;
  display: grid;
  gap: 0.2rem;
}
.cells span {
  text-align: center;
  font-size: 0.8125rem;
  min-height: 1.45rem;
  line-height: 1.45rem;
  border-left: 1px solid var(--rule);
}
.cells .some {
  background: var(--moss-wash);
}
.cells .over {
  background: var(--hold-wash);
  color: var(--hold);
  font-weight: 700;
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
.blank .empty {
  display: contents;
}
.blank h1 {
  margin-top: 2rem;
}
.blank :deep(.new) {
  order: 2;
}
.empty {
  padding: 2.5rem 0 0.5rem;
  max-width: 34rem;
  display: grid;
  gap: 0.5rem;
}
.core {
  order: 3;
  margin-top: 0.75rem;
}
.core li {
  display: grid;
  grid-template-columns: 2.75rem 9rem 1fr;
  gap: 0.9rem;
  align-items: center;
  min-height: 3.1rem;
}
.core li > span:last-child {
  border-bottom: 1px solid var(--rule);
  align-self: stretch;
  display: grid;
  align-items: center;
}
.piece-of-core {
  align-self: stretch;
  position: relative;
  overflow: hidden;
  border: 2px solid var(--ink);
  border-width: 0 2px;
}
.piece-of-core :deep(svg) {
  position: absolute;
  inset: 0;
}
.core li:first-child .piece-of-core {
  border-top-width: 2px;
  border-radius: 10px 10px 0 0;
}
.core li:last-child .piece-of-core {
  border-bottom-width: 2px;
  border-radius: 0 0 20px 20px;
}
.loading {
  padding: 2rem 0;
}
@media (max-width: 760px) {
  .season {
    padding: 0.4rem 0.9rem 2rem;
  }
  .grid {
    grid-template-columns: minmax(0, 1fr);
  }
  .chart,
  .days,
  .pieces,
  .cannot,
  .load {
    display: none;
  }
  .row .lane {
    height: 0.9rem;
    margin-top: 0.3rem;
  }
  .row .label p {
    white-space: normal;
  }
  .phone-only {
    display: block;
  }
  .away {
    opacity: 1;
  }
}
</style>
