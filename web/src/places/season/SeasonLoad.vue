<script setup lang="ts">
import type { Answer } from '../../../../contract/answers.ts'
import { computed } from 'vue'
import { RouterLink } from 'vue-router'
import { showDay } from '@juvena/core/calendar/day'
import { useFirm } from '../../stores/firm.ts'

/** What each day shown asks of the firm: hours of work, and jobs to be watered. */
const props = defineProps<{ days: Answer<'seasonLoad'>['days'] }>()
const firm = useFirm()
const capacity = computed(() => (firm.settings.crew ?? 2) * (firm.settings.hoursPerDay ?? 8))
const isOver = (hours: number) => hours > capacity.value + 0.5
const overDays = computed(() => props.days.filter((d) => isOver(d.crewHours)))
</script>

<template>
  <div class="load">
    <div class="lane cells heads" aria-hidden="true">
      <span v-for="{ day } in days" :key="day">{{ showDay(day).slice(0, 3) }}</span>
    </div>
    <div class="grid">
      <div class="label">
        <b>Crew of {{ firm.settings.crew ?? 2 }}</b>
        <span class="small soft">hours of {{ capacity }}</span>
      </div>
      <div class="lane cells">
        <template v-for="{ day, crewHours: h } in days" :key="day">
          <RouterLink
            v-if="isOver(h)"
            class="cell over some"
            :to="`/today?on=${day}`"
            :aria-label="`${showDay(day)}: ${Math.round(h)} hours of work, the crew has ${capacity}`"
            >{{ Math.round(h) }}</RouterLink
          >
          <span v-else class="cell" :class="{ some: h > 0.4 }">{{
            h >= 0.5 ? Math.round(h) : ''
          }}</span>
        </template>
      </div>
    </div>
    <p v-if="overDays.length" class="small over-says">
      <b>More than the crew has:</b>
      <template v-for="(d, i) in overDays.slice(0, 3)" :key="d.day"
        >{{ i ? '; ' : ' '
        }}<RouterLink :to="`/today?on=${d.day}`">{{ showDay(d.day) }}</RouterLink>
        {{ Math.round(d.crewHours) }} h of {{ capacity }}</template
      >{{ overDays.length > 3 ? ` and ${overDays.length - 3} more days` : '' }}. That day says what
      can wait.
    </p>
    <div class="grid">
      <div class="label"><b>To be watered</b> <span class="small soft">jobs</span></div>
      <div class="lane cells">
        <span v-for="{ day, watered: n } in days" :key="day" :class="{ some: n > 0 }">{{
          n || ''
        }}</span>
      </div>
    </div>
  </div>
</template>

<style scoped src="./season.css"></style>
<style scoped>
.cells {
  display: grid;
  grid-template-columns: repeat(24, minmax(0, 1fr));
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
.over-says {
  color: var(--hold);
}
.cells .cell {
  text-decoration: none;
}
.cells > * {
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
.heads {
  display: none;
}
/* On a phone a week, named. */
@media (max-width: 760px) {
  .load {
    position: static;
    margin-top: 0.6rem;
  }
  .heads {
    display: grid;
  }
  .cells {
    grid-template-columns: repeat(8, minmax(0, 1fr));
  }
  .cells > :nth-child(n + 9) {
    display: none;
  }
  .cells .cell {
    min-height: 2.75rem;
    line-height: 2.75rem;
  }
}
</style>
