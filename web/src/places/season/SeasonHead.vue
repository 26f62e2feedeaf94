<script setup lang="ts">
import { computed, defineAsyncComponent } from 'vue'
import { addDays, dayNumber, isWeekend, showDay } from '@juvena/core/calendar/day'
import type { Outlook } from '@juvena/core/climate/station'
import { useFirm } from '../../stores/firm.ts'

/** The days shown, the weather over them, and the way to other weeks. */
const props = defineProps<{
  from: string
  days: number
  headline: readonly string[]
  outlook: Outlook | null
  /** Usual soil by day, °C. */
  soil: readonly number[]
  /** The next day with work after those shown; null for none. */
  next: string | null
}>()
const emit = defineEmits<{ move: [to: string] }>()
const WeatherChart = defineAsyncComponent(() => import('./WeatherChart.vue'))
const firm = useFirm()
const shown = computed(() => Array.from({ length: props.days }, (_, i) => addDays(props.from, i)))
</script>

<template>
  <header class="grid top">
    <div class="label">
      <h1>
        {{
          from === firm.today
            ? `The next ${days} days`
            : `${showDay(from).slice(4)} to ${showDay(addDays(from, days - 1), true).slice(4)}`
        }}
      </h1>
      <p v-for="h in headline" :key="h" class="small soft">{{ h }}</p>
    </div>
    <div class="lane chart">
      <WeatherChart
        v-if="outlook && from === firm.today"
        :days="outlook.days.slice(0, days)"
        :usual="[...soil]"
        :columns="days"
        :source="outlook.source"
      />
    </div>
    <nav class="label moves" aria-label="Weeks shown">
      <button
        type="button"
        class="act slight"
        aria-label="Two weeks earlier"
        @click="emit('move', addDays(from, -14))"
      >
        ←
      </button>
      <button
        type="button"
        class="act slight"
        aria-label="Two weeks later"
        @click="emit('move', addDays(from, 14))"
      >
        →
      </button>
      <button
        v-if="from !== firm.today"
        type="button"
        class="act slight"
        @click="emit('move', firm.today)"
      >
        Today
      </button>
      <button v-if="next" type="button" class="act slight" @click="emit('move', next)">
        next work, {{ showDay(next).slice(4) }}
      </button>
    </nav>
    <div class="lane days" aria-hidden="true">
      <span
        v-for="d in shown"
        :key="d"
        :class="{ weekend: isWeekend(dayNumber(d)), today: d === from }"
        >{{ showDay(d).slice(0, 3) }}<b>{{ Number(d.slice(8)) }}</b></span
      >
    </div>
  </header>
</template>

<style scoped src="./season.css"></style>
<style scoped>
.chart {
  height: 5.6rem;
  border-bottom: 2px solid var(--soft);
}
.moves {
  display: flex;
  flex-wrap: wrap;
  gap: 0.3rem;
  align-items: center;
}
.top {
  position: sticky;
  top: 0;
  z-index: 3;
  background: var(--paper);
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
.days {
  display: grid;
  grid-template-columns: repeat(24, minmax(0, 1fr));
}
@media (max-width: 760px) {
  .chart,
  .days {
    display: none;
  }
}
</style>
