<script setup lang="ts">
import { zoneFigureId } from '@juvena/core/walkover/zoneFigures'
import { ElSlider } from 'element-plus'
import { computed } from 'vue'
import { dayOf, showDay } from '@juvena/core/calendar/day'
import { showNumber } from '@juvena/core/quantities/show'
import type { LightSplit } from '@juvena/core/light/zoneLight'
import FigureValue from '../../../parts/FigureValue.vue'
import { useJob } from '../../../stores/job.ts'
import { useSurvey } from '../../../stores/survey.ts'
import RasterLegend from './RasterLegend.vue'
import { clockText } from '@juvena/core/entities/clockTimes'
import { LIGHT_SCALE } from './rasters.ts'

/**
 * What the map of light shows: over which weeks, how the chosen zone fares, the shadows at one
 * hour, and what the what-ifs would gain.
 */
const props = defineProps<{
  zone: string | null
  minutes: number | null
  day: number | null
  sun: { azimuth: number; altitude: number } | null
  split: LightSplit | null
  drawn: boolean
}>()
const emit = defineEmits<{ 'update:minutes': [minutes: number | null]; cut: [] }>()
const job = useJob()
const survey = useSurvey()

const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec']
const missing = computed(() =>
  job.draft?.site?.latitude === undefined ||
  job.draft.site.latitude === null ||
  job.draft.site.latitude === ''
    ? 'The latitude is wanted first, under Site and season: it tells the sun’s path.'
    : !props.drawn
      ? 'A lawn is wanted first: draw one, or type its lengths.'
      : !(job.draft.drawing?.shapes ?? []).some((s) =>
            ['building', 'wall', 'tree'].includes(s.kind),
          ) && !(job.draft.drawing?.hills ?? []).length
        ? 'Nothing stands in the way yet: this is open ground. Draw the house, hedges and trees with their heights.'
        : '',
)
const seasonText = computed(() => {
  const s = survey.season
  return s ? `${showDay(dayOf(s.from))} to ${showDay(dayOf(s.to))}` : ''
})
const here = computed(() => (props.zone ? survey.light?.zones[props.zone] : undefined))
/**
 * Over the growing weeks, as things stand, the plan has these figures itself: they are shown, and
 * open. Else the map's own.
 */
const planned = computed(() => {
  const median = (['sunCast', 'sun'] as const).find(
    (key) => job.ofZone(props.zone, key)?.rule === 'survey.light',
  )
  return median && survey.period === 'season' && !survey.whatIf
    ? (['sunLow', median, 'sunHigh'] as const).map((key) => zoneFigureId(props.zone ?? '', key))
    : null
})
const mapped = computed(() =>
  here.value ? [here.value.low, here.value.median, here.value.high] : null,
)
const SPREAD = ['darkest tenth under', 'half under', 'brightest tenth over']
const months = computed(() => (props.zone ? (survey.months[props.zone] ?? []) : []))
const tries = computed(() =>
  (job.draft?.drawing?.shapes ?? []).some((s) => s.whatIf && s.whatIf !== 'as-is'),
)
const name = computed(() => job.zones.find((z) => z.id === props.zone)?.name ?? 'the zone')
const choose = (period: string) =>
  (survey.period = period === 'season' || period === 'sowing' ? period : Number(period))
/** Seedlings meet the light of their own weeks, which may be far from the growing season's. */
const atSowing = computed(() =>
  props.zone && survey.period === 'season' ? survey.sowingSun[props.zone] : undefined,
)
const sowingText = computed(() =>
  survey.sowing
    ? `${showDay(dayOf(survey.sowing.from))} to ${showDay(dayOf(survey.sowing.to))}`
    : '',
)
const hours = (h: number) => showNumber(Math.round(h * 10) / 10)
</script>

<template>
  <section class="light" aria-label="Light">
    <p v-if="missing" class="missing">{{ missing }}</p>
    <div class="row">
      <RasterLegend :scale="LIGHT_SCALE" says="Direct sun, clear sky" />
      <label class="small period"
        >over
        <select :value="survey.period" @change="choose(($event.target as HTMLSelectElement).value)">
          <option value="season">the growing weeks</option>
          <option v-if="survey.sowing" value="sowing">sowing to first mow</option>
          <option v-for="(m, i) in MONTHS" :key="m" :value="i">{{ m }}</option>
        </select>
        <span class="soft">{{ seasonText }}</span>
      </label>
      <span v-if="survey.casting !== null" class="casting" role="status">
        <progress :value="survey.casting" max="1" aria-label="Casting the light" />
        <span class="small"
          >{{ Math.round(survey.casting * 100) }} %{{
            survey.light && !survey.light.fine ? ', rough so far' : ''
          }}</span
        >
        <button type="button" class="plain small" @click="survey.stop()">stop</button>
      </span>
      <span v-else-if="survey.stopped" class="small">
        Stopped{{
          survey.light ? `, ${survey.light.fine ? 'an earlier' : 'a rough'} map is shown` : ''
        }}.
        <button type="button" class="plain" @click="survey.cast()">go on</button>
      </span>
      <span v-else-if="survey.light" class="small soft">{{
        survey.light.fine ? `every ${showNumber(survey.light.grid.cell)} m` : 'rough'
      }}</span>
      <button
        v-if="tries"
        type="button"
        class="act slight"
        :aria-pressed="survey.whatIf"
        @click="survey.whatIf = !survey.whatIf"
      >
        the what-ifs tried
      </button>
    </div>
    <p v-if="survey.failure" class="missing" role="alert">{{ survey.failure }}</p>
    <p v-if="planned || mapped" class="spread">
      <b>{{ name }}</b>
      <template v-for="(says, i) in SPREAD" :key="says">
        · {{ says }} <FigureValue v-if="planned" :id="planned[i]" /><b v-else-if="mapped"
          >{{ hours(mapped[i]!) }} h</b
        >
      </template>
      <template v-if="atSowing !== undefined">
        · sowing to first mow, {{ sowingText }}: half under <b>{{ hours(atSowing) }} h</b>
      </template>
      <button v-if="split" type="button" class="act slight" @click="emit('cut')">
        cut in two along the red line
      </button>
    </p>
    <p v-if="months.length === 12" class="months small">
      <span class="soft">by month, half under:</span>
      <span v-for="(h, i) in months" :key="i"
        >{{ MONTHS[i] }} <b>{{ hours(h) }}</b></span
      >
    </p>
    <div v-if="day !== null" class="row">
      <span id="shadow-hour" class="small">Shadows at</span>
      <ElSlider
        class="slider"
        :model-value="minutes ?? 720"
        :min="240"
        :max="1320"
        :step="10"
        :show-tooltip="false"
        aria-label="Hour of the day for the shadows"
        :format-value-text="(m: number) => clockText(m)"
        @update:model-value="emit('update:minutes', $event as number)"
      />
      <b class="clock">{{ minutes === null ? 'not shown' : clockText(minutes) }}</b>
      <span class="small soft"
        >{{ showDay(dayOf(day))
        }}{{
          minutes === null
            ? ''
            : sun && sun.altitude > 0
              ? `, sun ${Math.round(sun.altitude)}° up`
              : ', sun down'
        }}</span
      >
      <button
        v-if="minutes !== null"
        type="button"
        class="plain small"
        @click="emit('update:minutes', null)"
      >
        none
      </button>
    </div>
  </section>
</template>

<style scoped>
.light {
  display: grid;
  gap: 0.4rem;
  border-bottom: 1px solid var(--rule);
  padding-bottom: 0.5rem;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 0.3rem 0.9rem;
  align-items: center;
}
.missing {
  border-left: 5px solid var(--sun-mark);
  padding-left: 0.6rem;
  font-size: 0.9375rem;
}
.period select {
  border: 1px solid var(--rule-strong);
  background: var(--sheet);
  border-radius: 3px;
  padding: 0.15rem 0.3rem;
}
.casting {
  display: flex;
  gap: 0.4rem;
  align-items: center;
}
progress {
  width: 6rem;
}
.spread {
  font-size: 0.9375rem;
}
.months {
  display: flex;
  flex-wrap: wrap;
  gap: 0.1rem 0.6rem;
}
.slider {
  flex: 1;
  min-width: 12rem;
  --el-slider-main-bg-color: var(--sun-mark);
}
.clock {
  min-width: 5.2rem;
}
</style>
