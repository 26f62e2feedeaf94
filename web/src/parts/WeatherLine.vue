<script setup lang="ts">
import type { Answer } from '../../../contract/answers.ts'
import { computed, shallowRef, watch } from 'vue'
import { useRoute } from 'vue-router'
import { showDay } from '@juvena/core/calendar/day'
import { api } from '../stores/api.ts'
import { placeNow } from './placeNow.ts'
import { useFirm } from '../stores/firm.ts'

/** The day's weather in one line, for the job that is open or the one saved last. */
const firm = useFirm()
const route = useRoute()
const weather = shallowRef<Answer<'weather'> | null>(null)
watch(
  () => (route.name === 'job' ? String(route.params.id) : ''),
  async (job) => {
    weather.value = await api<Answer<'weather'>>(
      'GET',
      `/weather${job ? `?job=${encodeURIComponent(job)}` : ''}`,
    ).catch(() => null)
  },
  { immediate: true },
)
const outlook = computed(() => placeNow.value?.outlook ?? weather.value?.outlook ?? null)
const soil = computed(() => placeNow.value?.soil ?? outlook.value?.days[0]?.soil)
const rain = computed(() => {
  const days = outlook.value?.days.slice(0, 4) ?? []
  const sum = days.reduce((total, d) => total + d.rain, 0)
  const last = days.at(-1)
  return last ? { amount: firm.hand(sum, 'rain'), by: showDay(last.day).slice(0, 3) } : null
})
const frost = computed(() => {
  const dates = placeNow.value ? placeNow.value.frost : outlook.value && weather.value?.frostDates
  return dates ? { tenth: showDay(dates.tenth).slice(4), even: showDay(dates.even).slice(4) } : null
})
</script>

<template>
  <p class="weather">
    <span>{{ showDay(weather?.today ?? firm.today) }}</span>
    <template v-if="soil !== undefined">
      <span
        >soil <b>{{ firm.hand(soil, 'C') }}</b> at {{ firm.hand(50, 'mm') }}</span
      >
      <span v-if="rain" class="more"
        >rain <b>{{ rain.amount }}</b> by {{ rain.by }}</span
      >
      <span v-if="frost" class="more"
        >{{ firm.hand(-2, 'C') }} night: <b>1 in 10</b> by {{ frost.tenth }}, even by
        {{ frost.even }}</span
      >
      <span class="source"
        >{{ outlook?.source }}<template v-if="firm.demo">, demo clock</template></span
      >
    </template>
    <span v-else class="more">no site yet: give a job its latitude for the weather</span>
  </p>
</template>

<style scoped>
.weather {
  display: flex;
  gap: 0 0.9rem;
  margin-left: auto;
  min-width: 0;
  flex: 0 1 auto;
  white-space: nowrap;
  overflow: hidden;
  font-size: var(--size-small);
  color: var(--soft);
}
b {
  color: var(--ink);
}
.source {
  overflow: hidden;
  text-overflow: ellipsis;
}
@media (max-width: 1180px) {
  .source {
    display: none;
  }
}
@media (max-width: 900px) {
  .weather {
    order: 5;
    margin-left: 0;
    width: 100%;
    flex-wrap: wrap;
    white-space: normal;
    padding-bottom: 0.3rem;
  }
}
@media (max-width: 640px) {
  .more {
    display: none;
  }
}
</style>
