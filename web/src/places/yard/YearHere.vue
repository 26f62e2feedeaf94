<script setup lang="ts">
import { sure } from '@juvena/core/quantities/sure'
import type { Answer } from '../../../../contract/answers.ts'
import { computed, ref, shallowRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { showDay } from '@juvena/core/calendar/day'
import ChoiceField from '../../parts/ChoiceField.vue'
import { api } from '../../stores/api.ts'
import { useFirm } from '../../stores/firm.ts'
import type { StationSite } from '../../workers/year.worker.ts'
import type { Station } from './station.ts'
import StationForm from './StationForm.vue'
import WeatherImport from './WeatherImport.vue'
import YearChart from './YearChart.vue'
import YearRows from './YearRows.vue'

/**
 * The year at each station: what is on record, what is usual, the odds of frost, and when each
 * grass may be sown.
 */
const firm = useFirm()
const route = useRoute()
const router = useRouter()
const stations = shallowRef<Station[] | null>(null)
const failure = ref('')
const doing = ref<'nothing' | 'import' | 'edit' | 'add'>('nothing')
const answer = shallowRef<Answer<'year'> | null>(null)
const loading = ref(false)

async function load() {
  try {
    stations.value = (await api<Answer<'stations'>>('GET', '/stations')).stations
    failure.value = ''
  } catch (error) {
    failure.value = (error as Error).message
  }
}
void load()
const chosen = computed(
  () => stations.value?.find((s) => s.id === route.query.station) ?? stations.value?.[0] ?? null,
)
const choose = (id: string | null) => id && void router.replace({ query: { station: id } })

watch(
  () => [chosen.value?.id, chosen.value?.revision],
  async () => {
    const id = chosen.value?.id
    if (!id) return void (answer.value = null)
    loading.value = true
    try {
      const found = await api<Answer<'year'>>('GET', `/year?station=${encodeURIComponent(id)}`)
      if (chosen.value?.id === id) answer.value = found
    } catch (error) {
      failure.value = (error as Error).message
    } finally {
      loading.value = false
    }
  },
)

/** Where the odds of its grasses are worked for; null while the station has no place. */
const site = computed((): StationSite | null => {
  const place = answer.value?.place
  if (!place) return null
  const { latitude, longitude, elevation } = place.site
  if (latitude === null || longitude === null) return null
  return { latitude, longitude, elevation: elevation ?? place.station?.station.elevation ?? 0 }
})
const day = (d: string | null) => (d ? showDay(d).slice(4) : null)
const record = computed(() => {
  const station = answer.value?.place.station
  if (!station)
    return `No record yet, and no normals: Juvena’s rough climate for the latitude stands in, and says so.`
  const r = station.record
  const parts = [
    r
      ? `${showDay(r.from, true).slice(4)} to ${showDay(r.to, true).slice(4)}, ${yearsIn(r.days)}, ${r.missing} ${r.missing === 1 ? 'day' : 'days'} missing`
      : 'no days on record',
    station.basis === 'normals' ? 'the climate is from its normals' : '',
    station.station.simulated ? 'simulated: no day of it was measured' : '',
  ]
  return `${parts.filter(Boolean).join(' · ')}.`
})
const yearsIn = (days: number) =>
  days < 330 ? `${days} days` : `${Math.round(days / 36.525) / 10} years`
const frost = computed(() => {
  const f = answer.value?.year.frostDates
  if (!f) return ''
  const line = (l: typeof f.killing, first: string) =>
    l.median === null
      ? `${first} ${firm.text(l.celsius, 'C')} night: ${l.years - l.without} of ${l.years} years have one.`
      : `${first} ${firm.text(l.celsius, 'C')} night: ${l.tenth ? `1 year in 10 by ${day(l.tenth)}, ` : ''}even by ${day(l.median)}${l.ninetieth ? `, 9 in 10 by ${day(l.ninetieth)}` : ''}.`
  return [line(f.killing, 'First'), line(f.freezing, 'First'), line(f.last, 'Last')].join(' ')
})
const soil = computed(() => {
  const fit = answer.value?.place.station?.soil
  return fit
    ? `Soil model against ${fit.readings} probe readings: off by ${firm.text(Math.round(fit.error * 10) / 10, 'C').replace('°C', '°C')}.`
    : 'Soil model as declared: no probe readings on record.'
})
const off = (celsius: number) =>
  `${celsius > 0 ? '+' : '−'}${(Math.abs(celsius) * (firm.settings.units === 'us' ? 1.8 : 1)).toFixed(1)} °${firm.settings.units === 'us' ? 'F' : 'C'}`
const corrected = computed(() => {
  const c = answer.value?.year.corrected
  return c && Math.abs(c.height) >= 0.05 ? `Corrected for height: ${off(c.height)}.` : ''
})
async function changed() {
  doing.value = 'nothing'
  await load()
}
</script>

<template>
  <section class="year">
    <p v-if="failure" class="trouble" role="alert">{{ failure }}</p>
    <header v-if="chosen">
      <h2>The year at {{ chosen.draft.name }}</h2>
      <ChoiceField
        v-if="(stations?.length ?? 0) > 1"
        class="which"
        label="Station"
        list
        :options="
          sure(stations).map((s) => ({
            value: s.id,
            name: s.draft.name || 'Station without a name',
          }))
        "
        :model-value="chosen.id"
        @update:model-value="choose($event)"
      />
      <p class="acts">
        <button
          v-if="!chosen.simulated"
          type="button"
          class="act"
          :aria-expanded="doing === 'import'"
          @click="doing = doing === 'import' ? 'nothing' : 'import'"
        >
          Import weather
        </button>
        <button
          v-if="!chosen.simulated"
          type="button"
          class="act slight"
          :aria-expanded="doing === 'edit'"
          @click="doing = doing === 'edit' ? 'nothing' : 'edit'"
        >
          Place and normals
        </button>
        <button
          type="button"
          class="act slight"
          :aria-expanded="doing === 'add'"
          @click="doing = doing === 'add' ? 'nothing' : 'add'"
        >
          Add a station
        </button>
      </p>
    </header>
    <div v-if="stations && stations.length === 0" class="none">
      <h2>No weather station yet</h2>
      <p>
        Until there is one, each job goes by Juvena’s rough climate for its latitude, bent to the
        frost date you give. Add the station nearest to your work, then import its daily weather:
        dates of frost, soil and the right weeks come from its own years.
      </p>
    </div>
    <StationForm
      v-if="doing === 'add' || (stations && stations.length === 0)"
      key="add"
      :station="null"
      @saved="changed"
    />
    <StationForm
      v-else-if="doing === 'edit' && chosen"
      :key="chosen.id"
      :station="chosen"
      @saved="changed"
    />
    <WeatherImport
      v-if="doing === 'import' && chosen"
      :key="`import ${chosen.id}`"
      :station="chosen"
      @imported="load"
    />
    <template v-if="answer && chosen">
      <p class="facts small">{{ record }} {{ corrected }}</p>
      <p class="facts small">{{ frost }} {{ soil }}</p>
      <YearChart :year="answer.year" />
      <YearRows v-if="site" :year="answer.year" :site="site" :station="answer.place.station" />
    </template>
    <p v-else-if="chosen && loading" class="soft">Working out the year…</p>
  </section>
</template>

<style scoped>
header {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0.3rem 1.2rem;
  margin-bottom: 0.3rem;
}
.which {
  min-width: 14rem;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem;
  margin-left: auto;
}
.facts {
  line-height: 1.4;
  font-variant-numeric: tabular-nums;
}
.none {
  max-width: 46rem;
  margin-bottom: 0.8rem;
}
.trouble {
  color: var(--hold);
}
</style>
