<script setup lang="ts">
import type { Answer } from '../../../../contract/answers.ts'
import { WATERINGS, WATERING_NAMES } from '@juvena/core/reference/lists'
import { computed, defineAsyncComponent, onMounted, ref, shallowRef } from 'vue'
import { RouterLink } from 'vue-router'
import type { JobDraft } from '@juvena/core/entities/job'
import ChoiceField from '../../parts/ChoiceField.vue'
import DayField from '../../parts/DayField.vue'
import FigureValue from '../../parts/FigureValue.vue'
import PlaceField from '../../parts/PlaceField.vue'
import QuantityField from '../../parts/QuantityField.vue'
import YesNoField from '../../parts/YesNoField.vue'
import TextField from '../../parts/TextField.vue'
import FrostQuestion from './FrostQuestion.vue'
import TownField from './TownField.vue'
import { exampleFrost } from '@juvena/core/calendar/autumn'
import { showMonthDay } from '@juvena/core/calendar/day'
import { readRestriction, restrictionSaid } from '@juvena/core/establish/restrictions'
import { parseDegrees } from '@juvena/core/quantities/degrees'
import { useFirm } from '../../stores/firm.ts'
import { api } from '../../stores/api.ts'
import { useJob } from '../../stores/job.ts'
import { useWhatMoved } from './whatMoved.ts'

const firm = useFirm()
const job = useJob()
type Site = NonNullable<JobDraft['site']>
const set = <K extends keyof Site>(key: K, value: Site[K]) =>
  job.edit(`site.${key}`, (d) => {
    d.site = { ...d.site, [key]: value }
  })
const problem = (key: string) => job.problemAt(`site.${key}`)
const site = (key: 'frost' | 'soilReadOn') => job.draft?.site?.[key]
/** How the restrictions are understood, beside what was typed. */
const restricted = computed(() => {
  const typed = job.draft?.site?.restrictions ?? ''
  const read = readRestriction(typed)
  if (read.left) return `not understood: ${read.left}`
  const says = restrictionSaid(read)
  return says ? `= ${says}` : 'days and hours, or none'
})
const moved = useWhatMoved()
function setFrost(frost: string | null) {
  moved.remember()
  set('frost', frost)
}
/** A date of this half of the world, for an example. */
const frostLike = computed(() => showMonthDay(exampleFrost(degrees('latitude') ?? 45)))
const stations = shallowRef<{ value: string; name: string }[]>([])
onMounted(async () => {
  const found = await api<Answer<'stations'>>('GET', '/stations').catch(() => null)
  stations.value = (found?.stations ?? []).map(({ id, draft }) => ({
    value: id,
    name: draft.name ?? id,
  }))
})
const weatherFrom = computed(() => {
  const station = job.weather.station
  if (!station)
    return 'No station within reach has a record: the year here is Juvena’s rough climate for the latitude, bent to your frost date.'
  return `The year here goes by station ${station.station.name}${station.station.simulated ? ' (simulated)' : ''}, ${station.basis === 'record' ? 'from its record' : 'from its normals'}.`
})
/** Another job's place and season, offered while this one has none: a firm works where it works. */
const neighbour = shallowRef<{ name: string; site: Site } | null>(null)
onMounted(async () => {
  if (job.draft?.site?.frost || job.draft?.site?.latitude) return
  const jobs = await api<Answer<'jobs'>>('GET', '/jobs').catch(() => [])
  for (const other of jobs.filter((j) => j.id !== job.id).slice(0, 5)) {
    const site = (await api<Answer<'fullJob'>>('GET', `/jobs/${other.id}`).catch(() => null))?.draft
      .site
    if (site?.frost || site?.latitude) return void (neighbour.value = { name: other.name, site })
  }
})
function takePlace() {
  const from = neighbour.value?.site
  if (!from) return
  const {
    latitude,
    longitude,
    timeZone,
    elevation,
    sea,
    station,
    frost,
    soilTemperature,
    soilReadOn,
  } = from
  job.edit('site.from', (d) => {
    d.site = {
      ...d.site,
      latitude,
      longitude,
      timeZone,
      elevation,
      sea,
      station,
      frost,
      soilTemperature,
      soilReadOn,
    }
  })
  neighbour.value = null
}
const flow = computed(() =>
  job.draft?.site?.bucket && job.draft.site.bucketSeconds
    ? firm.text(job.figure('job.water.flow')?.value, 'L/min')
    : '',
)
type Hill = NonNullable<NonNullable<JobDraft['drawing']>['hills']>[number]
const hills = computed<Hill[]>(() => job.draft?.drawing?.hills ?? [])
const setHills = (key: string, change: (list: Hill[]) => Hill[]) =>
  job.edit(`hills.${key}`, (d) => {
    d.drawing = { ...d.drawing, hills: change(d.drawing?.hills ?? []) }
  })
const setHill = (i: number, patch: Partial<Hill>) =>
  setHills(`${i}.${Object.keys(patch)[0]}`, (list) =>
    list.map((h, k) => (k === i ? { ...h, ...patch } : h)),
  )
const dropHill = (i: number) =>
  setHills(`drop.${Date.now()}`, (list) => list.filter((_, k) => k !== i))
const addHill = () =>
  setHills(`add.${Date.now()}`, (list) => [...list, { bearing: null, height: null }])
const WorldMap = defineAsyncComponent(() => import('./WorldMap.vue'))
const mapOpen = ref(false)
/** A place as typed, where it can be read. */
function degrees(key: 'latitude' | 'longitude'): number | null {
  const typed = job.draft?.site?.[key]
  const read = typed === null || typed === undefined ? null : parseDegrees(String(typed), key)
  return read?.ok ? read.value : null
}
const setPlace = (latitude: number, longitude: number) =>
  job.edit('site.place', (d) => {
    d.site = { ...d.site, latitude: String(latitude), longitude: String(longitude) }
  })
const takeTown = ({ latitude, longitude, timeZone }: Answer<'towns'>['towns'][number]) =>
  job.edit('site.place', (d) => {
    d.site = {
      ...d.site,
      latitude: String(latitude),
      longitude: String(longitude),
      timeZone,
    }
  })
const here = Intl.DateTimeFormat().resolvedOptions().timeZone
</script>

<template>
  <form class="site" autocomplete="off" @submit.prevent>
    <p v-if="neighbour">
      <button type="button" class="act slight" @click="takePlace">
        Take place and season from “{{ neighbour.name }}”
      </button>
    </p>
    <section>
      <h3>Season</h3>
      <p class="small soft">
        Frost decides when sowing ends; the soil reading draws the curve the windows are read from.
      </p>
      <div class="row">
        <DayField
          :label="`First ${firm.hand(-2, 'C')} night, median date`"
          yearless
          :model-value="site('frost')"
          :problem="problem('frost')"
          :hint="`even odds, like ${frostLike}`"
          :today="job.today"
          @update:model-value="setFrost($event)"
        />
        <QuantityField
          :label="`Soil now, at ${firm.hand(50, 'mm')}`"
          kind="temperature"
          :model-value="job.draft?.site?.soilTemperature"
          :problem="problem('soilTemperature')"
          @update:model-value="set('soilTemperature', $event)"
        />
        <DayField
          label="Soil read on"
          :model-value="site('soilReadOn')"
          :problem="problem('soilReadOn')"
          :today="job.today"
          @update:model-value="set('soilReadOn', $event)"
        />
      </div>
      <p v-if="moved.says.value" class="small moved" role="status">{{ moved.says.value }}</p>
      <FrostQuestion @use="setFrost($event)" @guess="set('frostGuessed', true)" />
    </section>
    <section>
      <h3>Place</h3>
      <div class="row">
        <TownField @take="takeTown" />
        <PlaceField
          label="Latitude"
          axis="latitude"
          :model-value="job.draft?.site?.latitude"
          :problem="problem('latitude')"
          hint="52.5 N, or a pasted pair"
          @update:model-value="set('latitude', $event)"
          @pair="setPlace"
        />
        <PlaceField
          label="Longitude"
          axis="longitude"
          :model-value="job.draft?.site?.longitude"
          :problem="problem('longitude')"
          hint="1.25 W"
          @update:model-value="set('longitude', $event)"
          @pair="setPlace"
        />
        <TextField
          label="Time zone"
          :model-value="job.draft?.site?.timeZone"
          :problem="job.problemAt('site.timeZone')"
          :maxlength="60"
          :placeholder="here"
          @update:model-value="set('timeZone', $event)"
        />
        <QuantityField
          label="Height above the sea"
          kind="length"
          :model-value="job.draft?.site?.elevation"
          :problem="problem('elevation')"
          @update:model-value="set('elevation', $event)"
        />
        <QuantityField
          label="Distance from the sea"
          kind="length"
          :placeholder="firm.settings.units === 'us' ? '60 mi' : '100 km'"
          :model-value="job.draft?.site?.sea"
          :problem="problem('sea')"
          @update:model-value="set('sea', $event)"
        />
        <YesNoField
          label="In a hollow where cold air gathers"
          :model-value="job.draft?.site?.hollow"
          @update:model-value="set('hollow', $event)"
        />
        <ChoiceField
          v-if="stations.length > 1"
          label="Weather station"
          list
          clearable
          :options="stations"
          :model-value="job.draft?.site?.station || null"
          @update:model-value="set('station', $event ?? '')"
        />
      </div>
      <button type="button" class="act slight" :aria-expanded="mapOpen" @click="mapOpen = !mapOpen">
        {{ mapOpen ? 'Close the map' : 'Find it on a map' }}
      </button>
      <WorldMap
        v-if="mapOpen"
        :latitude="degrees('latitude')"
        :longitude="degrees('longitude')"
        @pick="setPlace"
      />
      <p class="small soft">
        {{ weatherFrom }} <RouterLink to="/yard/year">The year and its weather</RouterLink>
      </p>
    </section>
    <section>
      <h3>Water there</h3>
      <div class="row">
        <QuantityField
          label="Tap flow"
          kind="flow"
          :model-value="job.draft?.site?.tapFlow"
          :problem="problem('tapFlow')"
          hint="a bucket and a watch"
          @update:model-value="set('tapFlow', $event)"
        />
        <QuantityField
          label="Time allowed, a day"
          kind="hours"
          :model-value="job.draft?.site?.waterMinutes"
          :problem="problem('waterMinutes')"
          @update:model-value="set('waterMinutes', $event)"
        />
        <QuantityField
          label="or a bucket"
          kind="volume"
          :model-value="job.draft?.site?.bucket"
          :problem="problem('bucket')"
          :hint="`like ${firm.units === 'us' ? '3 gal' : '10 L'}`"
          @update:model-value="set('bucket', $event)"
        />
        <QuantityField
          label="filled in, seconds"
          kind="ratio"
          :model-value="job.draft?.site?.bucketSeconds"
          :problem="problem('bucketSeconds')"
          :hint="flow ? `= ${flow}` : ''"
          @update:model-value="set('bucketSeconds', $event)"
        />
        <YesNoField
          label="Rain gauge on site"
          :model-value="job.draft?.site?.rainGauge"
          @update:model-value="set('rainGauge', $event)"
        />
        <TextField
          label="Restrictions"
          :model-value="job.draft?.site?.restrictions"
          :maxlength="300"
          placeholder="no hoses 10–16"
          :hint="restricted"
          @update:model-value="set('restrictions', $event)"
        />
        <TextField
          label="Who waters"
          :model-value="job.draft?.waterer"
          :maxlength="80"
          @update:model-value="(v) => job.edit('waterer', (d) => (d.waterer = v))"
        />
        <ChoiceField
          label="How sure it is"
          list
          clearable
          :options="WATERINGS.map((value) => ({ value, name: WATERING_NAMES[value] }))"
          :model-value="job.draft?.watering"
          @update:model-value="(v) => job.edit('watering', (d) => (d.watering = v))"
        />
      </div>
    </section>
    <section>
      <h3>Hill line</h3>
      <p class="small soft">
        How high the land stands, by compass direction. It takes the low sun off the day.
      </p>
      <div class="hills">
        <div v-for="(h, i) in hills" :key="i" class="hill">
          <QuantityField
            label="Towards, degrees"
            kind="ratio"
            :model-value="h.bearing"
            :problem="job.problemAt(`drawing.hills[${i}].bearing`)"
            hint="north 0, east 90"
            @update:model-value="setHill(i, { bearing: $event })"
          />
          <QuantityField
            label="Height, degrees"
            kind="ratio"
            :model-value="h.height"
            :problem="job.problemAt(`drawing.hills[${i}].height`)"
            hint="a fist held out is 10"
            @update:model-value="setHill(i, { height: $event })"
          />
          <button type="button" class="plain small" @click="dropHill(i)">remove</button>
        </div>
        <button type="button" class="act slight" @click="addHill">Add a direction</button>
      </div>
    </section>
    <section>
      <h3>Below and beside</h3>
      <TextField
        label="Beside: concrete, water, neighbours’ turf"
        :maxlength="500"
        :model-value="job.draft?.site?.beside"
        hint="Granules stain concrete; feed stays out of water."
        @update:model-value="set('beside', $event)"
      />
      <TextField
        label="Pipes, cables, dog-fence wire; who says so"
        :rows="2"
        :maxlength="1000"
        :model-value="job.draft?.site?.below"
        hint="Call for buried services before coring, spiking or edging. Draw what is known on the plan."
        @update:model-value="set('below', $event)"
      />
    </section>
    <dl class="reads">
      <div>
        <dt>Next killing frost, even odds</dt>
        <dd><FigureValue :id="job.plan?.frost.median" size="big" /></dd>
      </div>
      <div>
        <dt>One year in ten by</dt>
        <dd><FigureValue :id="job.plan?.frost.tenth" size="big" /></dd>
      </div>
      <div>
        <dt>Soil today</dt>
        <dd><FigureValue :id="job.plan?.frost.soilNow" size="big" /></dd>
      </div>
    </dl>
  </form>
</template>

<style scoped>
.site {
  display: grid;
  gap: 0.4rem;
}
section {
  border-top: 1px solid var(--rule);
  padding: 0.5rem 0 0.25rem;
}
.row {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(11rem, 1fr));
  gap: 0.4rem 1.25rem;
  margin-top: 0.3rem;
}
.moved {
  border-left: 4px solid var(--clay);
  padding-left: 0.5rem;
  margin-top: 0.3rem;
}
.hills {
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem 1.25rem;
  align-items: center;
}
.hill {
  display: grid;
  grid-template-columns: 8.2rem 8.2rem auto;
  gap: 0 0.6rem;
  align-items: center;
}
.reads {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(11rem, 1fr));
  gap: 0.5rem 1.25rem;
  border-top: 1.5px solid var(--ink);
  padding-top: 0.7rem;
}
dt {
  font-size: var(--size-small);
  color: var(--soft);
}
</style>
