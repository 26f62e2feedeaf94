<script setup lang="ts">
import { computed, onBeforeUnmount, ref, shallowRef, watch } from 'vue'
import type { JobDraft } from '@juvena/core/entities/job'
import type { Outcome } from '@juvena/core/establish/seedbed/programmes'
import type { SeedbedOfPackage } from '@juvena/core/seedbedOfJob'
import QuantityField from '../../parts/QuantityField.vue'
import TextField from '../../parts/TextField.vue'
import { useFirm } from '../../stores/firm.ts'
import { useJob } from '../../stores/job.ts'
import MoistureByDay from './MoistureByDay.vue'
import { searchSeedbed } from './searchSeedbed.ts'

/**
 * Whether the seedbed stays moist under the plan's water, under rain alone and under other
 * programmes, by a hundred simulated years; and the firm's own runs in place of the school's.
 */
const firm = useFirm()
const job = useJob()
const found = shallowRef<Map<string, SeedbedOfPackage>>(new Map())
const done = ref(0)
const failure = ref('')
let end: (() => void) | null = null
let later: ReturnType<typeof setTimeout> | undefined

/** Typing goes on while nothing is searched; this long after it the search begins, ms. */
const QUIET = 700
function search() {
  end?.()
  const asked = job.asked()
  if (!asked) return
  done.value = 0
  failure.value = ''
  const mine = new Map<string, SeedbedOfPackage>()
  end = searchSeedbed(
    asked.draft,
    asked.with,
    (so, share) => {
      mine.set(so.workPackage, so)
      found.value = new Map(mine)
      done.value = share
    },
    (error) => (failure.value = error.message),
  )
}
watch(
  () => job.plan,
  () => {
    clearTimeout(later)
    later = setTimeout(search, found.value.size === 0 ? 0 : QUIET)
  },
  { immediate: true },
)
onBeforeUnmount(() => {
  clearTimeout(later)
  end?.()
})

const beds = computed(() => [...found.value.values()])
const about = computed(() =>
  [
    'a hundred simulated years',
    beds.value[0] ? `${beds.value[0].forgotten} % of the runs forgotten` : '',
    done.value < 1 ? `searching ${Math.round(100 * done.value)} %` : '',
  ]
    .filter(Boolean)
    .join(', '),
)
const zoneName = (id: string) => job.plan?.zones.find((z) => z.id === id)?.name ?? ''
interface Row {
  key: string
  name: string
  times: string[]
  mm: number
  outcome: Outcome
  planned: boolean
}
const rows = (bed: SeedbedOfPackage): Row[] => [
  { key: 'rain', name: 'rain alone', times: [], mm: 0, outcome: bed.nothing, planned: false },
  ...(bed.planned
    ? [{ key: 'plan', name: bed.short ? 'what the tap carries' : 'as planned', times: bed.planned.times, mm: bed.planned.mm, outcome: bed.planned.outcome, planned: true }] // prettier-ignore
    : []),
  ...bed.found
    .filter((f) => !bed.planned || f.times.join() !== bed.planned.times.join() || f.mm !== bed.planned.mm) // prettier-ignore
    .map((f) => ({ key: f.times.join(), name: `${f.times.length} a day`, times: f.times, mm: f.mm, outcome: f.outcome, planned: false })), // prettier-ignore
]
/** Half of the slowest grass, in a usual year. */
const upBy = ({ half }: Outcome) => {
  const days = Math.max(...half.map((h) => h.usual))
  return Number.isFinite(days) ? `day ${days}` : 'never'
}
const mostOf = (bed: SeedbedOfPackage) => Math.max(...rows(bed).map((r) => r.outcome.odds))
const says = (bed: SeedbedOfPackage) => {
  const { nothing, planned, wanted } = bed
  const most = mostOf(bed)
  const now = planned?.outcome.odds ?? nothing.odds
  if (!bed.watered)
    return `Nobody is sure to water, and rain alone brings it up in ${Math.round(nothing.odds)} of 100 years. Somebody has to keep one of these.`
  if (bed.short)
    return `The tap carries ${firm.hand(planned?.mm ?? 0, 'rain')} a run in the time allowed, not what is planned: water the bare ground first, cover the seed, or bring a tank.`
  if (nothing.odds >= wanted) return 'Rain alone is enough in most years; water what it leaves dry.'
  if (now >= wanted) return 'The programme keeps the seed moist.'
  if (most >= wanted)
    return 'The programme leaves the seed dry in too many years: one below does not.'
  return 'Nothing that is allowed keeps the seed moist in enough years: ask for a permit, cover the seed, or sow when rain is sure.'
}
type Site = NonNullable<JobDraft['site']>
const site = computed(() => job.draft?.site)
function setRuns(runsAt: Site['runsAt'], runDepth: Site['runDepth']) {
  job.edit('site.runs', (d) => (d.site = { ...d.site, runsAt, runDepth }))
}
const take = (row: Row) => setRuns(row.times.join(', '), `${row.mm} mm`)
const own = computed(() => Boolean(site.value?.runsAt || site.value?.runDepth))
</script>

<template>
  <section v-if="beds.length || failure" class="beds" aria-labelledby="moist">
    <h3 id="moist">
      Will it stay moist?
      <span class="soft" role="status">{{ about }}</span>
    </h3>
    <p v-if="failure" class="trouble">{{ failure }} Change anything, and it is tried again.</p>
    <div v-for="bed in beds" :key="bed.workPackage" class="bed">
      <div>
        <p class="says">
          <b>{{ says(bed) }}</b>
          <template v-if="(job.plan?.zones.length ?? 0) > 1">
            {{ zoneName(bed.zone) }} dries fastest.</template
          >
          <template v-if="bed.assumed"> Its soil is not noted: loam is taken.</template>
        </p>
        <MoistureByDay :of="bed" />
      </div>
      <table>
        <thead>
          <tr>
            <th>runs</th>
            <th class="n">years of 100</th>
            <th>half by</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in rows(bed)" :key="row.key" :class="{ planned: row.planned }">
            <td>
              <b>{{ row.name }}{{ row.mm ? `, ${firm.hand(row.mm, 'rain')} each` : '' }}</b>
              <small v-if="row.times.length"
                >{{ row.times.join(', ') }}
                <button
                  v-if="!row.planned"
                  type="button"
                  class="plain"
                  :aria-label="`Use ${row.name}: ${row.times.join(', ')}`"
                  @click="take(row)"
                >
                  use it
                </button></small
              >
            </td>
            <td class="n odds">
              <b :class="{ sure: row.outcome.odds >= bed.wanted }">{{
                Math.round(row.outcome.odds)
              }}</b>
            </td>
            <td class="by">{{ upBy(row.outcome) }}</td>
          </tr>
        </tbody>
      </table>
    </div>
    <div class="own">
      <TextField
        label="Runs at"
        :model-value="site?.runsAt"
        :maxlength="80"
        placeholder="as the school"
        :problem="job.problemAt('site.runsAt')"
        hint="like 7:00, 13:00, 30 min before dusk"
        @update:model-value="setRuns($event, site?.runDepth)"
      />
      <QuantityField
        label="Each lays down"
        kind="depth"
        placeholder="as the school"
        :model-value="site?.runDepth"
        :problem="job.problemAt('site.runDepth')"
        @update:model-value="setRuns(site?.runsAt, $event)"
      />
      <button v-if="own" type="button" class="plain" @click="setRuns('', null)">
        back to the school’s runs
      </button>
    </div>
  </section>
</template>

<style scoped>
.beds {
  border-top: 1.5px solid var(--water);
  padding-top: 0.4rem;
}
h3 .soft {
  font-weight: 400;
  font-size: 0.875rem;
}
.bed {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1.3fr);
  gap: 0.4rem 1.4rem;
  align-items: start;
}
.says {
  margin: 0.2rem 0 0.3rem;
}
td {
  padding: 0.25rem 0.5rem 0.25rem 0;
}
.n,
.by {
  white-space: nowrap;
}
td small {
  display: block;
  color: var(--soft);
}
.planned td {
  background: var(--paper-deep);
}
.odds {
  white-space: nowrap;
}
.odds b {
  font-size: 1.125rem;
  color: var(--clay);
}
.odds .sure {
  color: var(--moss);
}
.own {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem 1rem;
  align-items: end;
  margin-top: 0.5rem;
}
.own > * {
  max-width: 14rem;
}
.trouble {
  color: var(--hold);
}
@media (max-width: 760px) {
  .bed {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
