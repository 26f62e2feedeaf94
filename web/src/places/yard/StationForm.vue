<script setup lang="ts">
import type { Answer } from '../../../../contract/answers.ts'
import { computed, ref } from 'vue'
import { parseNormals } from '@juvena/core/formats/normalsTable'
import QuantityField from '../../parts/QuantityField.vue'
import TextField from '../../parts/TextField.vue'
import { api, ApiError } from '../../stores/api.ts'
import { useFirm } from '../../stores/firm.ts'
import MovedJobs from './MovedJobs.vue'
import type { Moves, Station } from './station.ts'

/**
 * A weather station: its name, where it stands, and monthly normals where it has no long record.
 */
const props = defineProps<{ station: Station | null }>()
const emit = defineEmits<{ saved: [] }>()
const firm = useFirm()
const us = computed(() => firm.settings.units === 'us')
const form = ref({
  name: props.station?.draft.name ?? '',
  latitude: (props.station?.draft.latitude ?? null) as string | number | null,
  longitude: (props.station?.draft.longitude ?? null) as string | number | null,
  elevation: (props.station?.draft.elevation ?? null) as string | number | null,
})
const known = props.station?.draft.normals ?? null
const shown = (celsius: number) => Math.round((us.value ? celsius * 1.8 + 32 : celsius) * 10) / 10
const normals = ref(
  known
    ? [
        known.low.map(shown),
        known.high.map(shown),
        known.rain.map((mm) => Math.round((us.value ? mm / 25.4 : mm) * 100) / 100),
        known.wetDays,
      ]
        .map((row) => row.join(' '))
        .join('\n')
    : '',
)
const parsed = computed(() =>
  normals.value.trim() === '' ? null : parseNormals(normals.value, firm.settings.units),
)
const problems = ref<{ path: string; sentence: string }[]>([])
const failure = ref('')
const moves = ref<Moves | null>(null)
const at = (path: string) => problems.value.find((p) => p.path === `station.${path}`)?.sentence
async function save() {
  problems.value = []
  failure.value = ''
  if (form.value.name.trim() === '')
    return void (problems.value = [{ path: 'station.name', sentence: 'Give the station a name.' }])
  if (form.value.latitude === null || form.value.longitude === null)
    return void (problems.value = [
      {
        path: form.value.latitude === null ? 'station.latitude' : 'station.longitude',
        sentence: 'A station needs its place, so that the jobs near it are found.',
      },
    ])
  if (parsed.value && !parsed.value.ok) return
  const station = { ...form.value, normals: parsed.value?.ok ? parsed.value.normals : null }
  try {
    const answer = props.station
      ? await api<Answer<'stationChange'>>('PUT', `/stations/${props.station.id}`, {
          revision: props.station.revision,
          station,
        })
      : await api<Answer<'stationChange'>>('POST', '/stations', { station })
    if (answer.moves.moved.length > 0 || answer.moves.working > 0) moves.value = answer.moves
    else emit('saved')
  } catch (error) {
    problems.value = error instanceof ApiError ? (error.body.problems ?? []) : []
    failure.value = problems.value.length > 0 ? '' : (error as Error).message
  }
}
</script>

<template>
  <form class="station" @submit.prevent="save">
    <h3>{{ station ? 'Place and normals' : 'Add a station' }}</h3>
    <div class="fields">
      <TextField
        label="Name"
        :model-value="form.name"
        :problem="at('name')"
        @update:model-value="form.name = $event"
      />
      <QuantityField
        label="Latitude"
        kind="ratio"
        hint="south is negative"
        :model-value="form.latitude"
        :problem="at('latitude')"
        @update:model-value="form.latitude = $event"
      />
      <QuantityField
        label="Longitude"
        kind="ratio"
        hint="west is negative"
        :model-value="form.longitude"
        :problem="at('longitude')"
        @update:model-value="form.longitude = $event"
      />
      <QuantityField
        label="Height above the sea"
        kind="length"
        :model-value="form.elevation"
        :problem="at('elevation')"
        @update:model-value="form.elevation = $event"
      />
    </div>
    <TextField
      label="Monthly normals, where there is no long record"
      :rows="4"
      :maxlength="2000"
      :hint="`Four rows of twelve, January to December: mean minimum and mean maximum in ${us ? '°F' : '°C'}, rain in ${us ? 'in' : 'mm'}, wet days.`"
      :model-value="normals"
      :problem="parsed && !parsed.ok ? parsed.sentence : at('normals')"
      @update:model-value="normals = $event"
    />
    <p v-if="failure" class="wrong" role="alert">{{ failure }}</p>
    <button type="submit" class="act main">{{ station ? 'Save' : 'Add the station' }}</button>
    <MovedJobs v-if="moves" :moves="moves" @done="emit('saved')" />
  </form>
</template>

<style scoped>
.station {
  background: var(--sheet);
  border: 1px solid var(--rule);
  padding: 0.6rem 0.9rem 0.8rem;
  margin: 0.4rem 0;
  max-width: 60rem;
}
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(11rem, 1fr));
  gap: 0.4rem 0.9rem;
}
.wrong {
  color: var(--hold);
}
</style>
