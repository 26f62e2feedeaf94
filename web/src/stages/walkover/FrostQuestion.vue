<script setup lang="ts">
import { computed, ref } from 'vue'
import { parseMonthDay, showMonthDay } from '@juvena/core/calendar/day'
import { killingFromWhite, whiteFrostValues } from '@juvena/core/climate/frost'
import { Trace } from '@juvena/core/trace/trace'
import DayField from '../../parts/DayField.vue'
import FigureValue from '../../parts/FigureValue.vue'
import { useFirm } from '../../stores/firm.ts'
import { useJob } from '../../stores/job.ts'

/**
 * The frost date for somebody who does not know it: Juvena's own guess, and a question anybody who
 * gardens there can answer.
 */
const emit = defineEmits<{ use: [frost: string]; guess: [] }>()
const firm = useFirm()
const job = useJob()
const open = ref(false)
const white = ref<string | null>(null)
const later = computed(() => new Trace(firm.settings.values).value(whiteFrostValues.later))
const killing = computed(() => {
  const read = white.value ? parseMonthDay(white.value) : null
  return read?.ok ? killingFromWhite(read.value, later.value) : null
})
const guess = computed(() => {
  const figure = job.figure(job.plan?.frost.median)
  return figure?.origin === 'assumed' || figure?.rule === 'frost.none' ? figure : null
})
function use() {
  if (!killing.value) return
  emit('use', killing.value)
  open.value = false
}
</script>

<template>
  <div class="frost">
    <button type="button" class="plain small" :aria-expanded="open" @click="open = !open">
      The date is not known
    </button>
    <div v-if="open" class="ask">
      <p v-if="guess" class="small">
        Left empty, Juvena’s guess counts: <FigureValue :id="guess.id" />, from latitude, height and
        the sea. It may be three weeks out.
        <button
          v-if="!job.draft?.site?.frostGuessed"
          type="button"
          class="act slight"
          @click="emit('guess')"
        >
          Go by the guess
        </button>
        <b v-else>The guess is used.</b>
      </p>
      <p v-else-if="!job.plan?.frost.median" class="small">
        Give the latitude, and Juvena guesses a date.
      </p>
      <p v-else-if="!job.draft?.site?.frost" class="small">
        Left empty, the record of the weather station counts:
        <FigureValue :id="job.plan.frost.median" />.
      </p>
      <div class="row">
        <DayField
          label="First white frost on the grass, most autumns"
          yearless
          :model-value="white"
          hint="when tender plants are first nipped"
          :today="job.today"
          @update:model-value="white = $event"
        />
        <p v-if="killing" class="small">
          The first {{ firm.hand(-2, 'C') }} night comes about {{ later }} days after.
          <button type="button" class="act slight" @click="use">
            Use {{ showMonthDay(killing) }}
          </button>
        </p>
      </div>
    </div>
  </div>
</template>

<style scoped>
.frost {
  padding-top: 0.2rem;
}
.ask {
  border-left: 5px solid var(--rule-strong);
  padding: 0.2rem 0 0.2rem 0.7rem;
  margin-top: 0.3rem;
}
.row {
  display: grid;
  grid-template-columns: minmax(12rem, 20rem) minmax(0, 1fr);
  gap: 0.3rem 1rem;
  align-items: center;
}
@media (max-width: 640px) {
  .row {
    grid-template-columns: 1fr;
  }
}
</style>
