<script setup lang="ts">
import type { Answer } from '../../../../contract/answers.ts'
import { computed } from 'vue'
import { useFirm } from '../../stores/firm.ts'

/** What each day shown asks of the firm: hours of work, and jobs to be watered. */
defineProps<{ days: Answer<'seasonLoad'>['days'] }>()
const firm = useFirm()
const capacity = computed(() => (firm.settings.crew ?? 2) * (firm.settings.hoursPerDay ?? 8))
</script>

<template>
  <div class="load">
    <div class="grid">
      <div class="label">
        <b>Crew of {{ firm.settings.crew ?? 2 }}</b>
        <span class="small soft">hours of {{ capacity }}</span>
      </div>
      <div class="lane cells">
        <span
          v-for="{ day, crewHours: h } in days"
          :key="day"
          :class="{ over: h > capacity + 0.05, some: h > 0.4 }"
          >{{ h > capacity + 0.05 ? `${Math.round(h)}!` : h >= 0.5 ? Math.round(h) : '' }}</span
        >
      </div>
    </div>
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
@media (max-width: 760px) {
  .load {
    display: none;
  }
}
</style>
